import type { Schemas } from '../../api/client';
import { plusDays } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { momentIn } from '../../shell/zone';
import { entriesOf, laterBy, startOf } from './session';
import type { Entries } from './useEntries';

/** What stands on one line of a paper log. */
export interface Line {
  score: string;
  stiff: string;
  slot: string;
  pain: string;
}

export const EMPTY: Line = { score: '', stiff: '', slot: '', pain: '' };

/** The days of the grid, oldest first, none after today and none before the case was opened. */
export function daysOf(from: string, count: number, found: Pick<Entries, 'today' | 'opened_on'>): string[] {
  return Array.from({ length: count }, (_, i) => plusDays(from, i)).filter(
    (on) => on >= found.opened_on && on <= found.today,
  );
}

const isEmpty = (line: Line): boolean => Object.values(line).every((text: string) => text.trim() === '');

const scoreFault = (text: string): string | undefined => {
  const score = numberOf(text);
  return text.trim() !== '' && (score === null || !Number.isInteger(score) || score < 0 || score > 10)
    ? 'a whole number from 0 to 10'
    : undefined;
};

/** What is wrong with a line, by its field; a session needs its pain. */
export function faultsOf(line: Line): Partial<Record<keyof Line, string>> {
  const minutes = numberOf(line.stiff);
  const faults: Partial<Record<keyof Line, string>> = {};
  const score = scoreFault(line.score);
  if (score !== undefined) faults.score = `Test: ${score}`;
  else if (line.score.trim() === '' && line.stiff.trim() !== '') faults.score = 'Stiffness goes with a test';
  if (line.stiff.trim() !== '' && (minutes === null || minutes < 0)) faults.stiff = 'Stiff: minutes, as a number';
  const pain =
    scoreFault(line.pain) ?? (line.slot !== '' && line.pain.trim() === '' ? 'a whole number from 0 to 10' : undefined);
  if (pain !== undefined) faults.pain = `Worst pain: ${pain}`;
  if (line.slot === '' && line.pain.trim() !== '') faults.slot = 'Say which session it was in';
  return faults;
}

/** What is sent for a line: a morning, a session as it was asked, or both; null where something is wrong with it. */
export function bodiesOf(
  on: string,
  line: Line,
  found: Pick<Entries, 'zone' | 'plan_version' | 'sessions' | 'planned'>,
): { morning: Schemas['CheckIn'] | null; session: Schemas['SessionLog'] | null } | null {
  if (isEmpty(line)) return { morning: null, session: null };
  if (Object.keys(faultsOf(line)).length > 0) return null;
  const morning =
    line.score.trim() === ''
      ? null
      : {
          at: momentIn(found.zone, on, '07:00'),
          provocation: numberOf(line.score),
          stiffness_min: numberOf(line.stiff),
          signs: [],
        };
  const kind = found.sessions.find((session) => session.slot === line.slot);
  if (line.slot === '' || kind === undefined) return { morning, session: null };
  const isPractice = kind.exercises.length === 0;
  const entries = isPractice
    ? [{ prescription: null, sets: [], pain: numberOf(line.pain) }]
    : entriesOf(kind.exercises, (exercise) => ({ ...startOf(exercise.dose), pain: line.pain }));
  if (entries === null) return null;
  const started = momentIn(found.zone, on, '18:00');
  return {
    morning,
    session: {
      planned: found.planned.find((session) => session.on === on && session.slot === line.slot)?.planned ?? null,
      plan_version: found.plan_version,
      kind: isPractice ? 'sport' : 'loading',
      started_at: started,
      ended_at: laterBy(started, 40),
      minutes: isPractice ? 40 : null,
      entries,
    },
  };
}
