import { levelAt, phaseAt, type Timeline } from '../pacer/timeline';
import type { FigureData } from './figure';

/** Where a figure stands in its movement. */
export interface Place {
  /** 0 is the lowered end, 1 the lifted one; of what goes round, the part of the round. */
  level: number;
  isLifting: boolean;
}

/** Seconds of a shown repetition: slower than it would be done, and standing at its ends long enough to be looked at. */
const SHOWN = { lift: 2.2, top: 0.9, lower: 2.6, bottom: 0.7, hold: 3.2 };

/** What goes round is shown at half its speed. */
const SLOWED = 2;

const eased = (part: number): number => part * part * (3 - 2 * part);

/** Where a figure that is shown over and over stands, so many seconds from its beginning. */
export function shownAt(figure: FigureData, seconds: number): Place {
  if (figure.round_s !== null) return { level: (seconds / (figure.round_s * SLOWED)) % 1, isLifting: false };
  const top = figure.holds ? SHOWN.hold : SHOWN.top;
  const whole = SHOWN.bottom + SHOWN.lift + top + SHOWN.lower;
  const at = seconds % whole;
  if (at < SHOWN.bottom) return { level: 0, isLifting: true };
  if (at < SHOWN.bottom + SHOWN.lift) return { level: eased((at - SHOWN.bottom) / SHOWN.lift), isLifting: true };
  if (at < SHOWN.bottom + SHOWN.lift + top) return { level: 1, isLifting: false };
  return { level: 1 - eased((at - SHOWN.bottom - SHOWN.lift - top) / SHOWN.lower), isLifting: false };
}

/** Where it stands in a paced set: at the level of the mark, read off the same clock. */
export function pacedAt(figure: FigureData, line: Timeline, position: number): Place {
  const phase = phaseAt(line, position);
  if (figure.round_s !== null)
    return { level: phase.move === 'ready' ? 0 : ((position - phase.from) / figure.round_s) % 1, isLifting: false };
  if (phase.move === 'work' && phase.low === phase.high) return shownAt(figure, position - phase.from);
  // Counted in, it waits where the first repetition begins.
  if (phase.move === 'ready') return { level: line.phases[1]?.low ?? 0, isLifting: false };
  return { level: levelAt(line, position), isLifting: phase.move === 'lift' };
}

/** The ends of a movement that are shown side by side where nothing moves: where it begins, and where it goes. */
export function endsOf(figure: FigureData): readonly [Place, Place] {
  if (figure.round_s !== null)
    return [
      { level: 0, isLifting: false },
      { level: figure.still, isLifting: false },
    ];
  const from = 1 - figure.still;
  return [
    { level: from, isLifting: figure.still > from },
    { level: figure.still, isLifting: figure.still > from },
  ];
}
