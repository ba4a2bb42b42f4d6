import { daysBetween, plusDays } from '../../shell/dates';
import type { Moves, Planned, Weeks } from './useWeeks';

/** Weeks of seven days from the first Monday on, until all that can be planned is in. */
export function weeksOf(weeks: Pick<Weeks, 'from' | 'until'>): string[][] {
  const count = Math.ceil((daysBetween(weeks.from, weeks.until) + 1) / 7);
  return Array.from({ length: count }, (_, week) => Array.from({ length: 7 }, (_day, day) => plusDays(weeks.from, 7 * week + day)));
}

/** The day on which a session stands with the moves that are being tried. */
export const dayOf = (one: Planned, moves: Moves): string => moves[one.id] ?? one.on;

/** A session moved by so many days within what can be planned; back where it stood it is no move. */
export function shifted(weeks: Pick<Weeks, 'today' | 'until'>, one: Planned, moves: Moves, days: number): Moves {
  const to = plusDays(dayOf(one, moves), days);
  return to < weeks.today || to > weeks.until ? moves : put(one, moves, to);
}

export function put(one: Planned, moves: Moves, to: string): Moves {
  const rest = Object.fromEntries(Object.entries(moves).filter(([id]) => id !== one.id));
  return to === one.on ? rest : { ...rest, [one.id]: to };
}
