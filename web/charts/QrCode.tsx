import qrcode from 'qrcode-generator';
import { useMemo } from 'react';

/** A text as a picture that a phone's camera reads; black on white in every theme. */
export function QrCode({ text, label, size }: { text: string; label: string; size: number }) {
  const { path, count } = useMemo(() => {
    const code = qrcode(0, 'M');
    code.addData(text);
    code.make();
    const modules = code.getModuleCount();
    let drawn = '';
    for (let y = 0; y < modules; y++)
      for (let x = 0; x < modules; x++) if (code.isDark(y, x)) drawn += `M${x} ${y}h1v1h-1z`;
    return { path: drawn, count: modules };
  }, [text]);
  return (
    <svg
      width={size}
      height={size}
      viewBox={`-4 -4 ${count + 8} ${count + 8}`}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
      style={{ background: '#fff' }}
    >
      <path d={path} fill="#000" />
    </svg>
  );
}
