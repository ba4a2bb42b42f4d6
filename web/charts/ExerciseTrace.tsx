import type { Schemas } from '../api/client';
import { colour } from '../shell/theme';

type Dose = Schemas['Dose'];
type Mode = Schemas['Mode'];

/** A point of the trace: seconds from the start, and how high (0–1). */
type Point = [number, number];

const RISE_S = 0.6;
const HOP_S = 0.35;

/** One set from `start` on, and when it ends. Only a picture: its sums come from the server. */
function oneSet(dose: Dose, mode: Mode, start: number): { points: Point[]; end: number } {
  const points: Point[] = [];
  let time = start;
  const go = (seconds: number, level: number) => {
    time += seconds;
    points.push([time, level]);
  };
  if (mode === 'isometric' && dose.hold_s !== undefined) {
    for (let i = 0; i < dose.reps; i++) {
      const from = time;
      points.push([from, 0], [from + Math.min(RISE_S, dose.hold_s / 4), 1], [from + dose.hold_s, 1]);
      time = from + dose.hold_s;
      points.push([time, 0]);
    }
  } else if (dose.tempo !== undefined) {
    const { lift_s: lift, top_s: top, lower_s: lower, bottom_s: bottom, starts } = dose.tempo;
    points.push([time, starts === 'lower' ? 1 : 0]);
    for (let i = 0; i < dose.reps; i++) {
      if (starts === 'lift') {
        go(lift, 1);
        go(top, 1);
        go(lower, 0);
        go(bottom, 0);
      } else {
        go(lower, 0);
        go(bottom, 0);
        go(lift, 1);
        go(top, 1);
      }
    }
    points.push([time, 0]);
  } else if (dose.work_s !== undefined) {
    points.push([time, 0], [time + RISE_S, 0.8], [time + dose.work_s, 0.8]);
    time += dose.work_s;
    points.push([time, 0]);
  } else {
    points.push([time, 0]);
    for (let i = 0; i < dose.reps; i++) {
      go(HOP_S, 1);
      go(HOP_S, 0);
    }
  }
  return { points, end: time };
}

/** How long the picture of one limb's work is, in seconds. */
export function traceSeconds(dose: Dose, mode: Mode): number {
  const { end } = oneSet(dose, mode, 0);
  return dose.sets * end + Math.max(0, dose.sets - 1) * dose.rest_s;
}

/** What a session asks for: exercise after exercise. */
export type Work = readonly { mode: Mode; dose: Dose }[];

/** How long the picture of a session is, in seconds; after each exercise its own rest. */
export const workSeconds = (work: Work): number =>
  work.reduce((sum, { dose, mode }) => sum + traceSeconds(dose, mode) + dose.rest_s, 0);

/** A whole session as a line along time, from (0, height) on: holds as plateaus, slow work as slopes, springs as spikes, rests as gaps. */
export function workPath(work: Work, seconds: number, width: number, height: number): string {
  let start = 0;
  const parts: string[] = [];
  const at = (time: number, level: number) =>
    `${((time / Math.max(1, seconds)) * width).toFixed(1)} ${(height - level * (height - 1)).toFixed(1)}`;
  for (const { dose, mode } of work) {
    for (let i = 0; i < dose.sets; i++) {
      const { points, end } = oneSet(dose, mode, start);
      parts.push(points.map(([time, level], k) => `${k === 0 ? 'M' : 'L'}${at(time, level)}`).join(''));
      start = end + dose.rest_s;
    }
  }
  return parts.join('');
}

/**
 * A whole exercise drawn along time: each set with its rise, hold, fall and pause, rests as gaps. Rows that share
 * `seconds` share a time scale.
 */
export function ExerciseTrace({
  dose,
  mode,
  seconds,
  width,
  height = 40,
  title,
  changed = false,
}: {
  dose: Dose;
  mode: Mode;
  seconds: number;
  width: number;
  height?: number;
  title: string;
  changed?: boolean;
}) {
  const scale = width / Math.max(1, seconds);
  const y = (level: number) => height - 6 - level * (height - 14);
  const sets: Point[][] = [];
  let time = 0;
  for (let i = 0; i < Math.min(20, dose.sets); i++) {
    const { points, end } = oneSet(dose, mode, time);
    sets.push(points);
    time = end + dose.rest_s;
  }
  const stroke = changed ? colour('watch') : colour('primary');
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={title}
      style={{ display: 'block', maxWidth: '100%' }}
    >
      <line
        x1={0}
        x2={width}
        y1={height - 5.5}
        y2={height - 5.5}
        stroke={colour('line')}
        strokeWidth={1}
        shapeRendering="crispEdges"
      />
      {sets.map((points, i) => (
        <path
          key={i}
          d={points
            .map(([t, level], k) => `${k === 0 ? 'M' : 'L'}${(t * scale).toFixed(1)} ${y(level).toFixed(1)}`)
            .join('')}
          fill={stroke}
          fillOpacity={0.18}
          stroke={stroke}
          strokeWidth={1.3}
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}

/** One set alone, at so many pixels a second. */
export function SetTrace({ dose, mode, scale, title }: { dose: Dose; mode: Mode; scale: number; title: string }) {
  const oneSet = { ...dose, sets: 1 };
  const seconds = traceSeconds(oneSet, mode);
  return (
    <ExerciseTrace
      dose={oneSet}
      mode={mode}
      seconds={seconds}
      width={Math.max(24, Math.ceil(seconds * scale))}
      height={36}
      title={title}
    />
  );
}

/** The seconds of the shared scale, marked at whole minutes. */
export function TimeScale({ seconds, width }: { seconds: number; width: number }) {
  const minutes = Math.floor(seconds / 60);
  const every = [1, 2, 5, 10, 20].find((count) => (minutes / count) * 44 <= width) ?? 30;
  return (
    <svg width={width} height={16} aria-hidden="true" style={{ display: 'block' }}>
      {Array.from({ length: Math.floor(minutes / every) + 1 }, (_, i) => i * every).map((minute) => {
        const x = (minute * 60 * width) / Math.max(1, seconds);
        return (
          <g key={minute}>
            <line x1={x + 0.5} x2={x + 0.5} y1={11} y2={16} stroke={colour('line')} shapeRendering="crispEdges" />
            <text
              x={minute === 0 ? 0 : x}
              y={10}
              fontSize={10}
              fill="var(--mui-palette-text-secondary)"
              textAnchor={minute === 0 ? 'start' : x > width - 20 ? 'end' : 'middle'}
            >
              {minute} min
            </text>
          </g>
        );
      })}
    </svg>
  );
}
