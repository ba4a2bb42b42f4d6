import type { Schemas } from '../api/client';
import { day } from '../shell/dates';
import { colour } from '../shell/theme';

/** A hook as both the Round and a case describe it. */
type HookData = Schemas['RoundHook'];

const tone: Record<HookData['verdict'], string> = {
  settled: colour('primary'),
  under: colour('primary'),
  watch: colour('watch'),
  over: colour('over'),
  stop: colour('stop'),
  pending: colour('unknown'),
  unanswered: colour('unknown'),
};

/**
 * One loading session on a 0–10 scale: a stem from the baseline up to the worst pain during, and a
 * hook that ends at the next morning's score. A hook that comes back to the baseline is closed with
 * a dot; one that ends above it stays open with a ring; a crossed stem is a stop.
 */
export function HookGlyph({
  hook,
  x,
  y,
  width,
}: {
  hook: HookData;
  x: number;
  y: (value: number) => number;
  width: number;
}) {
  if (width < 9) return <SlimHook hook={hook} x={x} y={y} width={width} />;
  const base = hook.baseline ?? 0;
  const stem = x + width * 0.3;
  const end = x + width * 0.78;
  const top = y(hook.during ?? base);
  const stroke = tone[hook.verdict];
  const next = hook.next_day;
  const open = next !== null && next > base;
  const crown = Math.min(top, next === null ? top : y(next)) - width * 0.28;
  return (
    <g stroke={stroke} fill="none" strokeWidth={1.8} strokeLinecap="round">
      <line x1={x + width * 0.08} x2={stem + 1} y1={y(base)} y2={y(base)} strokeWidth={1.4} />
      <line x1={stem} x2={stem} y1={y(base)} y2={top} />
      {next !== null && <path d={`M${stem} ${top}C${stem} ${crown},${end} ${crown},${end} ${y(next)}`} />}
      {next !== null &&
        (open ? (
          <circle cx={end} cy={y(next)} r={width * 0.14} fill="var(--mui-palette-background-paper)" />
        ) : (
          <circle cx={end} cy={y(next)} r={width * 0.13} fill={stroke} stroke="none" />
        ))}
      {hook.verdict === 'pending' && (
        <path d={`M${stem} ${top}q0 ${-width * 0.35} ${width * 0.3} ${-width * 0.35}`} strokeDasharray="1.5 2.5" />
      )}
      {hook.verdict === 'unanswered' && next === null && <line x1={stem - 2.5} x2={stem + 2.5} y1={top} y2={top} />}
      {hook.verdict === 'stop' && (
        <path
          d={`M${stem - width * 0.26} ${y(base) - width * 0.5}l${width * 0.52} ${width * 0.52}m0 ${-width * 0.52}l${-width * 0.52} ${width * 0.52}`}
          strokeWidth={2.2}
        />
      )}
    </g>
  );
}

/** "Tue 14 Apr: pain 3 of 10, next morning 2" */
export const hookWords = (hook: HookData): string =>
  [
    `${day(hook.on)}: ${hook.during === null ? 'no pain logged' : `pain ${hook.during} of 10`}`,
    hook.next_day === null ? null : `next morning ${hook.next_day}`,
    hook.verdict === 'pending' ? 'waits for the morning' : hook.verdict === 'stop' ? 'stop' : null,
  ]
    .filter((part) => part !== null)
    .join(', ');

export const inWords = (hooks: readonly HookData[]): string => {
  if (hooks.length === 0) return 'No sessions in these days';
  const count = (verdicts: HookData['verdict'][]) => hooks.filter((hook) => verdicts.includes(hook.verdict)).length;
  const counts: [string, number][] = [
    ['settled', count(['settled', 'under'])],
    ['small reaction', count(['watch'])],
    ['too much', count(['over'])],
    ['stop', count(['stop'])],
    ['without answer', count(['pending', 'unanswered'])],
  ];
  return `${hooks.length} sessions: ${counts
    .filter(([, n]) => n > 0)
    .map(([what, n]) => `${n} ${what}`)
    .join(', ')}`;
};

/** The same where a day has only a few pixels: a sharp stem, and a mark at the next morning's score. */
function SlimHook({ hook, x, y, width }: { hook: HookData; x: number; y: (value: number) => number; width: number }) {
  const base = hook.baseline ?? 0;
  const left = Math.round(x);
  const stem = Math.max(1, Math.floor(width / 3));
  const top = Math.round(y(hook.during ?? base));
  const foot = Math.round(y(base));
  const next = hook.next_day;
  const stroke = tone[hook.verdict];
  const mark = Math.max(2, Math.ceil(width / 2));
  const open = next !== null && next > base;
  return (
    <g shapeRendering="crispEdges">
      <rect x={left} y={Math.min(top, foot)} width={stem} height={Math.max(1, Math.abs(foot - top))} fill={stroke} />
      {next !== null &&
        (open ? (
          <rect
            x={left + stem + 0.5}
            y={Math.round(y(next)) - mark / 2 + 0.5}
            width={mark}
            height={mark}
            fill="none"
            stroke={stroke}
            strokeWidth={1}
          />
        ) : (
          <rect x={left + stem} y={Math.round(y(next)) - 1} width={mark} height={2} fill={stroke} />
        ))}
      {hook.verdict === 'stop' && (
        <path d={`M${left - 2} ${foot - 7}l6 6m0 -6l-6 6`} stroke={stroke} strokeWidth={1.5} shapeRendering="auto" />
      )}
    </g>
  );
}

/** Two weeks of hooks for a line of a list. */
export function HookStrip({ hooks, days, today }: { hooks: readonly HookData[]; days: number; today: string }) {
  const width = 13;
  const height = 46;
  const y = (value: number) => height - 6 - (value * (height - 11)) / 10;
  const start = new Date(`${today}T12:00:00Z`).getTime() - (days - 1) * 86_400_000;
  const at = (on: string) => Math.round((new Date(`${on}T12:00:00Z`).getTime() - start) / 86_400_000);
  return (
    <svg width={days * width} height={height} style={{ display: 'block' }} role="img" aria-label={inWords(hooks)}>
      <line x1={0} x2={days * width} y1={y(0)} y2={y(0)} stroke={colour('line')} strokeWidth={1} />
      {hooks.map((hook, i) => (
        <g key={hook.on + String(i)}>
          <title>{hookWords(hook)}</title>
          <HookGlyph hook={hook} x={at(hook.on) * width} y={y} width={width} />
        </g>
      ))}
    </svg>
  );
}
