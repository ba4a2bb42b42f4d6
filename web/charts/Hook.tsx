import type { Schemas } from '../api/client';
import { shortDay } from '../shell/dates';
import { colour, faint } from '../shell/theme';

type HookData = Schemas['Hook'];

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
export function HookGlyph({ hook, x, y, width }: { hook: HookData; x: number; y: (value: number) => number; width: number }) {
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
      {next !== null && (
        <path d={`M${stem} ${top}C${stem} ${crown},${end} ${crown},${end} ${y(next)}`} />
      )}
      {next !== null && (open
        ? <circle cx={end} cy={y(next)} r={width * 0.14} fill="var(--mui-palette-background-paper)" />
        : <circle cx={end} cy={y(next)} r={width * 0.13} fill={stroke} stroke="none" />)}
      {hook.verdict === 'pending' && <path d={`M${stem} ${top}q0 ${-width * 0.35} ${width * 0.3} ${-width * 0.35}`} strokeDasharray="1.5 2.5" />}
      {hook.verdict === 'unanswered' && next === null && <line x1={stem - 2.5} x2={stem + 2.5} y1={top} y2={top} />}
      {hook.verdict === 'stop' && (
        <path d={`M${stem - width * 0.26} ${y(base) - width * 0.5}l${width * 0.52} ${width * 0.52}m0 ${-width * 0.52}l${-width * 0.52} ${width * 0.52}`} strokeWidth={2.2} />
      )}
    </g>
  );
}

const inWords = (hooks: readonly HookData[]): string => {
  if (hooks.length === 0) return 'No sessions in these days';
  const count = (verdicts: HookData['verdict'][]) => hooks.filter((hook) => verdicts.includes(hook.verdict)).length;
  const told: [string, number][] = [
    ['settled', count(['settled', 'under'])],
    ['small reaction', count(['watch'])],
    ['too much', count(['over'])],
    ['stop', count(['stop'])],
    ['without answer', count(['pending', 'unanswered'])],
  ];
  return `${hooks.length} sessions: ${told.filter(([, n]) => n > 0).map(([what, n]) => `${n} ${what}`).join(', ')}`;
};

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
      {hooks.map((hook) => (
        <g key={hook.session}>
          <title>{`${shortDay(hook.on)}: ${hook.words}`}</title>
          <HookGlyph hook={hook} x={at(hook.on) * width} y={y} width={width} />
        </g>
      ))}
    </svg>
  );
}

interface Row {
  hooks: readonly HookData[];
  scores: readonly { on: string; score: number }[];
  from: string;
  to: string;
  limit: number;
  chosen: string | null;
  choose: (session: string | null) => void;
}

/** The story of a span: hooks on their days with the morning test under them, on one scale. */
export function HookChart({ hooks, scores, from, to, limit, chosen, choose }: Row) {
  const first = new Date(`${from}T12:00:00Z`).getTime();
  const index = (on: string) => Math.round((new Date(`${on}T12:00:00Z`).getTime() - first) / 86_400_000);
  const days = index(to) + 1;
  const left = 26;
  const full = 620;
  const step = Math.min(42, (full - left - 6) / days);
  const glyph = Math.max(7, Math.min(26, step));
  const height = 210;
  const y = (value: number) => height - 26 - (value * (height - 46)) / 10;
  const every = days <= 16 ? 2 : days <= 45 ? 7 : 14;
  const shown = hooks.filter((hook) => index(hook.on) >= 0 && index(hook.on) < days);
  return (
    <svg width="100%" viewBox={`0 0 ${full} ${height}`} role="group" aria-label={`Sessions from ${shortDay(from)} to ${shortDay(to)}. ${inWords(shown)}`}>
      {[0, 2, 4, 6, 8, 10].map((value) => (
        <g key={value}>
          <line x1={left} x2={full} y1={y(value)} y2={y(value)} stroke={colour('line')} strokeWidth={0.5} />
          <text x={left - 6} y={y(value) + 4} textAnchor="end" fontSize={11} fill={faint}>{value}</text>
        </g>
      ))}
      <line x1={left} x2={full} y1={y(limit)} y2={y(limit)} stroke={colour('watch')} strokeWidth={1} strokeDasharray="5 4" />
      <text x={left + 4} y={y(limit) - 4} fontSize={11} fill={colour('watch')}>limit in exercise {limit}</text>
      <polyline
        fill="none"
        stroke={faint}
        strokeWidth={1}
        strokeDasharray="1 3"
        points={scores.filter((score) => index(score.on) >= 0).map((score) => `${left + index(score.on) * step + step / 2},${y(score.score)}`).join(' ')}
      />
      {shown.map((hook) => {
        const x = left + index(hook.on) * step + (step - glyph) / 2;
        return (
          <g
            key={hook.session}
            role="button"
            tabIndex={0}
            aria-pressed={chosen === hook.session}
            aria-label={`${shortDay(hook.on)}: ${hook.words}`}
            onClick={() => choose(chosen === hook.session ? null : hook.session)}
            onKeyDown={(event) => { if (event.key === 'Enter') choose(hook.session); }}
            style={{ cursor: 'pointer' }}
          >
            <rect x={x} y={10} width={glyph} height={height - 34} fill={chosen === hook.session ? 'var(--mui-palette-action-selected)' : 'transparent'} />
            <HookGlyph hook={hook} x={x} y={y} width={glyph} />
          </g>
        );
      })}
      {Array.from({ length: days }, (_, i) => i).filter((i) => i % every === 0).map((i) => (
        <text key={i} x={left + i * step + step / 2} y={height - 6} fontSize={11} fill={faint} textAnchor="middle">
          {shortDay(new Date(first + i * 86_400_000).toISOString())}
        </text>
      ))}
    </svg>
  );
}
