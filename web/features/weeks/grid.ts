import { daysBetween, plusDays } from '../../shell/dates';
import { AGAIN, type Marks, type Moves, type Planned, type Weeks } from './useWeeks';

/** Weeks of seven days from the first Monday on, until the last day that is looked at. */
export function weeksOf(weeks: Pick<Weeks, 'from' | 'last'>): string[][] {
  const count = Math.ceil((daysBetween(weeks.from, weeks.last) + 1) / 7);
  return Array.from({ length: count }, (_, week) =>
    Array.from({ length: 7 }, (_day, day) => plusDays(weeks.from, 7 * week + day)),
  );
}

/** The day on which a session stands with the moves that are being tried; left out it is still shown where it stood. */
export const dayOf = (session: Pick<Planned, 'id' | 'on'>, moves: Moves): string => moves[session.id] ?? session.on;

export const isLeftOut = (session: Pick<Planned, 'id'>, moves: Moves): boolean => moves[session.id] === null;

/** A session moved by so many days within what can be planned; back where it stood it is no move. */
export function shifted(weeks: Pick<Weeks, 'today' | 'until'>, session: Planned, moves: Moves, days: number): Moves {
  const to = plusDays(dayOf(session, moves), days);
  return to < weeks.today || to > weeks.until ? moves : put(session, moves, to);
}

/** The same with all that stands after it. What would come after the days that are planned is left out; before today nothing goes. */
export function shiftedAll(
  weeks: Pick<Weeks, 'today' | 'until' | 'sessions'>,
  from: Planned,
  moves: Moves,
  days: number,
): Moves {
  const start = dayOf(from, moves);
  const all = weeks.sessions.filter(
    (session) => session.open && !isLeftOut(session, moves) && dayOf(session, moves) >= start,
  );
  if (all.some((session) => plusDays(dayOf(session, moves), days) < weeks.today)) return moves;
  return all.reduce<Moves>((next, session) => {
    const to = plusDays(dayOf(session, moves), days);
    return put(session, next, to > weeks.until ? null : to);
  }, moves);
}

/** Two days change places with all that can be moved on them; nothing where one of them cannot be planned. */
export function swapped(
  weeks: Pick<Weeks, 'today' | 'until' | 'sessions'>,
  moves: Moves,
  first: string,
  second: string,
): Moves {
  if ([first, second].some((on) => on < weeks.today || on > weeks.until)) return moves;
  const on = (day: string) =>
    weeks.sessions.filter((session) => session.open && !isLeftOut(session, moves) && dayOf(session, moves) === day);
  const [here, there] = [on(first), on(second)];
  const gone = here.reduce<Moves>((next, session) => put(session, next, second), moves);
  return there.reduce<Moves>((next, session) => put(session, next, first), gone);
}

/** A session on another day, or left out with null. */
export function put(session: Pick<Planned, 'id' | 'on'>, moves: Moves, to: string | null): Moves {
  const rest = Object.fromEntries(Object.entries(moves).filter(([id]) => id !== session.id));
  return to === session.on ? rest : { ...rest, [session.id]: to };
}

/** Left out, or back again. What was to be done once more is not done once more. */
export const leftOut = (session: Planned, moves: Moves): Moves =>
  put(session, moves, isLeftOut(session, moves) || session.id.startsWith(AGAIN) ? session.on : null);

/** Done once more, on the next day that can be planned. */
export function onceMore(weeks: Pick<Weeks, 'until'>, session: Planned, moves: Moves): Moves {
  const to = plusDays(dayOf(session, moves), 1);
  return to > weeks.until || session.id.startsWith(AGAIN) ? moves : { ...moves, [AGAIN + session.id]: to };
}

/** The sessions, and those that are to be done once more beside them. */
export const withOnceMore = (sessions: readonly Planned[], moves: Moves): Planned[] => [
  ...sessions,
  ...sessions
    .filter((session) => moves[AGAIN + session.id] !== undefined)
    .map((session) => ({ ...session, id: AGAIN + session.id, moved_from: null })),
];

export type Mark = 'event' | 'blocked' | 'none';

/** The days from today on that are marked now. */
export const marksOf = (weeks: Pick<Weeks, 'today' | 'events' | 'blocked' | 'sport'>): Marks => ({
  events: weeks.events.filter((on) => on >= weeks.today),
  blocked: weeks.blocked.filter((on) => on >= weeks.today),
  sport: weeks.sport.filter((practice) => practice.on >= weeks.today),
});

/** A day marked another way: each is a show, without training, or like the others. */
export function marked(marks: Marks, days: readonly string[], mark: Mark): Marks {
  const without = (list: readonly string[]) => list.filter((on) => !days.includes(on));
  const plus = (list: readonly string[], kind: Mark) =>
    (mark === kind ? [...without(list), ...days] : without(list)).sort();
  return { events: plus(marks.events, 'event'), blocked: plus(marks.blocked, 'blocked'), sport: marks.sport };
}

/** The same sport on a day, and on the same day of the weeks after it until another. */
export function everyWeek(session: Marks['sport'][number], until: string): Marks['sport'] {
  const all: Marks['sport'] = [];
  for (let on = session.on; on <= until || on === session.on; on = plusDays(on, 7)) all.push({ ...session, on });
  return all;
}

export const withSport = (marks: Marks, more: Marks['sport']): Marks => ({
  ...marks,
  sport: [...marks.sport, ...more].sort((a, b) => a.on.localeCompare(b.on)),
});

/** Without what is expected on a day. */
export const withoutSport = (marks: Marks, on: string): Marks => ({
  ...marks,
  sport: marks.sport.filter((practice) => practice.on !== on),
});

export const sameMarks = (marks: Marks, other: Marks): boolean => JSON.stringify(marks) === JSON.stringify(other);
