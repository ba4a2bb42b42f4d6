/** A kept force curve, drawn small or large. */
export function CurveTrace({
  ms,
  newtons,
  width,
  height,
  label,
}: {
  ms: readonly number[];
  newtons: readonly number[];
  width: number;
  height: number;
  label?: string;
}) {
  const [low, high] = [Math.min(0, ...newtons), Math.max(1, ...newtons)];
  const end = Math.max(1, ms.at(-1) ?? 1);
  const points = newtons
    .map((force, i) => `${((ms[i] ?? 0) / end) * width},${height - 1 - ((force - low) / (high - low)) * (height - 2)}`)
    .join(' ');
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      {...(label === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      style={{ maxWidth: '100%', flex: 'none' }}
    >
      <polyline points={points} fill="none" stroke="currentColor" strokeWidth={1.25} />
    </svg>
  );
}
