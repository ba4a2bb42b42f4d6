import type { Schemas } from '../api/client';
import { colour } from '../shell/theme';

type Dose = Schemas['Dose'];

/** The seconds of one repetition as points of a line: how high, and for how long. */
function repetition(dose: Dose): [number, number][] {
  const tempo = dose.tempo;
  if (tempo === undefined) return [[0.15, 1], [0.15, 0], [0.5, 0]];
  const lift: [number, number][] = [[tempo.lift_s, 1], [tempo.top_s, 1]];
  const lower: [number, number][] = [[tempo.lower_s, 0], [tempo.bottom_s, 0]];
  return tempo.starts === 'lift' ? [...lift, ...lower] : [[tempo.lower_s, 0], [tempo.bottom_s, 0], [tempo.lift_s, 1], [tempo.top_s, 1]];
}

/**
 * One set drawn along time: rise, hold, fall, pause; long plateaus for holds, spikes for springs.
 * Only a picture of the dose: its sums come from the server.
 */
export function TempoTrace({ dose, mode, scale, title }: { dose: Dose; mode: string; scale: number; title: string }) {
  const height = 30;
  const y = (level: number) => 26 - level * 20;
  const high = dose.tempo?.starts === 'lower' ? 1 : 0;
  const points: [number, number][] = [[0, high]];
  let time = 0;
  if (mode === 'isometric' && dose.hold_s !== undefined) {
    for (let i = 0; i < dose.reps; i++) {
      points.push([time + 1, 1], [time + dose.hold_s, 1], [time + dose.hold_s + 1, 0]);
      time += dose.hold_s + 2;
    }
  } else if (dose.work_s !== undefined) {
    points.push([1, 1], [dose.work_s, 1], [dose.work_s + 1, 0]);
    time = dose.work_s + 1;
  } else {
    for (let i = 0; i < dose.reps; i++) {
      for (const [seconds, level] of repetition(dose)) {
        time += seconds;
        points.push([time, level]);
      }
    }
  }
  const width = Math.max(8, time * scale);
  return (
    <svg width={width} height={height} role="img" aria-label={title} style={{ maxWidth: '100%' }} preserveAspectRatio="none" viewBox={`0 0 ${width} ${height}`}>
      <polyline
        points={points.map(([t, level]) => `${(t * scale).toFixed(1)},${y(level)}`).join(' ')}
        fill="none"
        stroke={colour('primary')}
        strokeWidth={1.6}
        strokeLinejoin="round"
      />
    </svg>
  );
}
