import type { Schemas } from '../api/client';
import { colour, faint, ink } from '../shell/theme';

/** A stage as both the Round and a case describe it. */
type Rung = Schemas['RoundRung'];
type Peg = Schemas['RoundRung']['pegs'][number];

/** What the drawing says, for those who do not see it. */
function inWords(rungs: readonly Rung[]): string {
  const at = rungs.findIndex((rung) => rung.state === 'current');
  const here = rungs[at];
  if (here === undefined) return 'No stage yet';
  const met = here.pegs.filter((peg) => peg.state === 'met').length;
  const pegs = here.pegs.length === 0 ? 'no gate' : `${met} of ${here.pegs.length} criteria met`;
  return `Stage ${at + 1} of ${rungs.length}, ${here.title}: ${pegs}`;
}

/** What the drawing means, shown when it is pointed at. */
const legendOf = (rungs: readonly Rung[]): string =>
  `${inWords(rungs)}. The thick rung is the stage now. Pegs are what opens the next: filled is met, hollow is not yet, dotted has no data.`;

/** A filled, a hollow, a dotted peg: met, not yet, no data. */
export function PegMark({ state, x, y, r }: { state: Peg['state']; x: number; y: number; r: number }) {
  return (
    <circle
      cx={x}
      cy={y}
      r={r}
      fill={state === 'met' ? colour('primary') : 'none'}
      stroke={state === 'no_data' ? colour('unknown') : colour('primary')}
      strokeWidth={1.5}
      strokeDasharray={state === 'no_data' ? '1.6 1.7' : undefined}
    />
  );
}

/** The ladder lying down: a strip for a line of a list, climbing from left to right. */
export function LyingLadder({ rungs, width = 160 }: { rungs: readonly Rung[]; width?: number }) {
  const height = 28;
  const gap = (width - 24) / Math.max(1, rungs.length);
  const x = (i: number) => 10 + i * gap;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      style={{ display: 'block' }}
      role="img"
      aria-label={inWords(rungs)}
    >
      <title>{legendOf(rungs)}</title>
      <path d={`M2 5H${width - 2}M2 23H${width - 2}`} stroke={colour('line')} strokeWidth={1.5} />
      {rungs.map((rung, i) => (
        <g key={rung.key}>
          <line
            x1={x(i)}
            x2={x(i)}
            y1={rung.state === 'current' ? 2 : 5}
            y2={rung.state === 'current' ? 26 : 23}
            stroke={rung.state === 'ahead' ? colour('line') : colour('primary')}
            strokeWidth={rung.state === 'current' ? 5 : 2}
            strokeDasharray={rung.state === 'ahead' ? '2 3' : undefined}
            strokeLinecap={rung.state === 'current' ? 'round' : 'butt'}
          />
          {rung.pegs.map((peg, k) => (
            <PegMark
              key={peg.type + String(k)}
              state={peg.state}
              x={x(i) + 4 + ((k + 1) * (gap - 6)) / (rung.pegs.length + 1)}
              y={14}
              r={Math.min(3.2, gap / (2.6 * (rung.pegs.length + 1)))}
            />
          ))}
        </g>
      ))}
    </svg>
  );
}

/** The ladder upright: the stages as rungs, lowest at the bottom, pegs between here and the next. */
export function UprightLadder({ rungs, width = 220 }: { rungs: readonly Rung[]; width?: number }) {
  const at = rungs.findIndex((rung) => rung.state === 'current');
  const pegs = rungs[at]?.pegs ?? [];
  const step = 62;
  const pegGap = 15;
  const climb = Math.max(step, (pegs.length + 1) * pegGap + 6);
  // On the top rung the pegs stand above it.
  const above = at === rungs.length - 1 ? climb : climb - step;
  const height = 48 + (rungs.length - 1) * step + above;
  const y = (i: number) => height - 24 - i * step - (i > at && at >= 0 ? climb - step : 0);
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      style={{ maxWidth: '100%', height: 'auto' }}
      role="img"
      aria-label={inWords(rungs)}
    >
      <title>{legendOf(rungs)}</title>
      <path
        d={`M14 4V${height - 4}M62 4V${height - 4}`}
        stroke={colour('line')}
        strokeWidth={3}
        strokeLinecap="round"
      />
      {rungs.map((rung, i) => (
        <g key={rung.key}>
          <line
            x1={rung.state === 'current' ? 6 : 14}
            x2={rung.state === 'current' ? 70 : 62}
            y1={y(i)}
            y2={y(i)}
            stroke={rung.state === 'ahead' ? colour('line') : colour('primary')}
            strokeWidth={rung.state === 'current' ? 8 : 4}
            strokeDasharray={rung.state === 'ahead' ? '3 5' : undefined}
            strokeLinecap="round"
          />
          <text
            x={82}
            y={y(i) + 5}
            fontSize={rung.state === 'current' ? 16 : 13}
            fontWeight={rung.state === 'current' ? 600 : 400}
            fill={rung.state === 'ahead' ? faint : ink}
          >
            {rung.title}
          </text>
        </g>
      ))}
      {pegs.map((peg, k) => (
        <PegMark
          key={peg.type + String(k)}
          state={peg.state}
          x={38}
          y={y(at) - 8 - (k + 1) * ((climb - 12) / (pegs.length + 1))}
          r={5}
        />
      ))}
    </svg>
  );
}
