import * as z from 'zod/mini';

import type { Schemas } from '../../api/client';
import type { Done } from '../../pacer/timeline';
import { nowIso } from '../../phone/moments';
import { type TodayData, withOwner } from '../../phone/plan';
import { forget, keep, kept, type Kind, useKept } from '../../phone/store';
import type { Due, Exercise } from '../../phone/usePhone';
import { numberOf } from '../../shell/numbers';

type SetData = Schemas['LoggedSet'];

export type SideName = 'left' | 'right';

export type HurtAt = 'start' | 'end' | 'throughout' | 'unsaid';

/** An easier exercise that is done instead for today. */
export interface Easier {
  exercise: string;
  title: string;
  mode: string;
  /** Which of the plan's figures shows it; a session from before there were any has none. */
  figure?: string | null;
  set_up: string | null;
  movement: string | null;
  sets: number;
}

/** What was done of one exercise so far. */
export interface Progress {
  prescription: string;
  sets: SetData[];
  /** What each limb did of the present set; null: left out. */
  turn: Partial<Record<SideName, Done | null>>;
  /** The limb that begins, where another than the first was chosen. */
  first: SideName | null;
  pain: number | null;
  /** The highest pain entered between the sets. */
  worst_mid_set: number | null;
  /** Pain over the limit for which no help has been chosen yet. */
  over: number | null;
  before: number | null;
  after: number | null;
  /** The test in the latest rest between sets. */
  between: number | null;
  skipped: string | null;
  /** Sets that are left out today. */
  fewer: number;
  easier: Easier | null;
  /** What was changed for today, in words for the practitioner. */
  notes: string[];
  /** How many more could have been done, 0 to 4 (4 or more); null where it was not said. */
  reserve: number | null;
  /** Where in the movement it hurt, asked where that was over the limit. */
  hurt_at: HurtAt | null;
  /** Kilograms that are used, where they differ from what was asked. */
  load_kg: number | null;
}

/**
 * A session under way, with the plan it is done from: kept on the phone at every step, so that a phone call, a locked
 * screen or a reload goes on where it was.
 */
export interface Run {
  id: string;
  /** Whose session it is, by id. */
  person: string;
  case: string;
  /** Counted up at every step: what one tab has written, an older one does not overwrite. */
  revision: number;
  plan_version: number;
  due: Due;
  retest: boolean;
  stop_at: number;
  during_max: number;
  over_words: string;
  usual_minutes: Schemas['Usual'];
  started_at: string;
  /** When something was last entered. */
  touched_at: string;
  at: number;
  /** Until when the present rest lasts, in milliseconds since 1970. */
  rest_until: number | null;
  progress: Progress[];
  /** Why the session is being ended before its end, once that was said. */
  ending: string | null;
  signs: Schemas['Sign'][];
  practice: { minutes: string; effort: number | null; pain: number | null; full: boolean; sure: string | null };
  /** The test after the last exercise: what the next is compared with. */
  last_test: number | null;
}

const NAME = 'run';

const blank = (prescription: string): Progress => ({
  prescription,
  sets: [],
  turn: {},
  first: null,
  pain: null,
  worst_mid_set: null,
  over: null,
  before: null,
  after: null,
  between: null,
  skipped: null,
  fewer: 0,
  easier: null,
  notes: [],
  reserve: null,
  hurt_at: null,
  load_kg: null,
});

/** Of the plan it is done from, only what the screens could not do without is looked at; the server reads all of it. */
const Shape = z
  .looseObject({
    id: z.string(),
    person: z.string(),
    case: z.string(),
    revision: z.number(),
    started_at: z.string(),
    at: z.int().check(z.minimum(0)),
    rest_until: z.nullable(z.number()),
    due: z.looseObject({
      title: z.string(),
      kind: z.string(),
      exercises: z.array(
        z.looseObject({
          prescription: z.string(),
          dose: z.looseObject({}),
          sides: z.array(z.looseObject({})),
          relief: z.array(z.looseObject({})),
        }),
      ),
    }),
    progress: z.array(
      z.looseObject({
        prescription: z.string(),
        sets: z.array(z.unknown()),
        turn: z.looseObject({}),
        notes: z.array(z.string()),
      }),
    ),
    signs: z.array(z.string()),
    practice: z.looseObject({}),
  })
  .check(z.refine((found) => found.progress.length === found.due.exercises.length));

const Before = z.looseObject({
  progress: z.array(z.looseObject({ prescription: z.string(), told: z.nullish(z.number()) })),
  due: z.looseObject({ exercises: z.array(z.looseObject({})) }),
});

/** Before both limbs were counted by themselves, an exercise said only how many take turns. */
const sidesOf = (sides: unknown): unknown =>
  Array.isArray(sides)
    ? sides
    : sides === 2
      ? [
          { side: 'left', words: 'left' },
          { side: 'right', words: 'right' },
        ]
      : [];

const RUN: Kind<Run> = {
  version: 4,
  isHeldAtOnce: true,
  shape: z.custom<Run>((run) => Shape.safeParse(run).success),
  migrate: (value, version) => {
    const before = Before.safeParse(version === 0 ? withOwner(value, version) : value);
    // One that was begun before an update lacks what is asked since.
    return before.success
      ? {
          revision: 0,
          ending: null,
          over_words: '',
          usual_minutes: { from: 0, to: 1440, usual: null },
          ...before.data,
          due: {
            part: null,
            at: null,
            practice: null,
            ...before.data.due,
            exercises: before.data.due.exercises.map((exercise) => ({
              pain_by_set: false,
              relief: [],
              usual_load: null,
              says: {},
              ...exercise,
              sides: sidesOf(exercise.sides),
            })),
          },
          // Until version 3 the worst pain between the sets had another name.
          progress: before.data.progress.map(({ told, ...one }) => ({
            ...blank(one.prescription),
            worst_mid_set: told ?? null,
            ...one,
          })),
        }
      : undefined;
  },
};

export type Keeping = 'kept' | 'newer';

/** Keeps a step of a session. Where another tab has gone further, nothing is written. A phone without room says so by itself. */
export function keepRun(run: Run): Keeping {
  const there = keptRun();
  if (there !== null && there.id === run.id && there.revision >= run.revision) return 'newer';
  void keep(NAME, RUN, { ...run, touched_at: nowIso() });
  return 'kept';
}

export const forgetRun = (): Promise<boolean> => forget(NAME);
export const keptRun = (): Run | null => kept(NAME, RUN);

/** The session under way of a person, followed as it changes. */
export function useRun(person: string): Run | null {
  const run = useKept(NAME, RUN);
  return run?.person === person ? run : null;
}

export const begin = (plan: TodayData, due: Due): Run => ({
  id: crypto.randomUUID(),
  person: plan.person,
  case: plan.case,
  revision: 0,
  plan_version: plan.plan_version,
  due,
  retest: plan.retest,
  stop_at: plan.limits.stop_at,
  during_max: plan.limits.during_max,
  over_words: plan.over_words,
  usual_minutes: plan.usual_minutes,
  started_at: nowIso(),
  touched_at: nowIso(),
  at: 0,
  rest_until: null,
  progress: due.exercises.map((exercise) => blank(exercise.prescription)),
  ending: null,
  signs: [],
  // On the way back, taking part in full is the last step.
  practice: { minutes: '', effort: null, pain: null, full: due.practice?.full ?? true, sure: null },
  last_test: null,
});

/** The load of the present set: what was chosen, else what is asked, else what was lifted last. */
export const loadOf = (exercise: Exercise, progress: Progress): number | null =>
  progress.load_kg ?? exercise.dose.load_kg ?? exercise.load?.kg ?? null;

const share = (exercise: Exercise, done: Done | null): Schemas['SideSet'] => {
  const { dose } = exercise;
  return {
    reps: done?.reps ?? 0,
    ...(dose.hold_s === undefined ? {} : { hold_s: done === null ? 0 : (done.held_s ?? dose.hold_s) }),
    ...(dose.work_s === undefined ? {} : { work_s: done === null ? 0 : (done.held_s ?? dose.work_s) }),
  };
};

/** A set as it was done. Where both limbs took turns, each with its own share; what counts of it the server works out. */
export const doneSet = (exercise: Exercise, progress: Progress, done: Done | Progress['turn']): SetData => {
  const load = loadOf(exercise, progress);
  return {
    ...('reps' in done
      ? share(exercise, done)
      : { left: share(exercise, done.left ?? null), right: share(exercise, done.right ?? null) }),
    ...(load === null ? {} : { load_kg: load }),
  };
};

/** The highest pain entered so far; -1 where there was none. */
export const worst = (run: Run): number =>
  Math.max(
    -1,
    run.practice.pain ?? -1,
    ...run.progress.flatMap((exercise) => [
      exercise.pain ?? -1,
      exercise.worst_mid_set ?? -1,
      ...exercise.sets.map((set) => set.pain ?? -1),
    ]),
  );

export const isStopped = (run: Run): boolean => worst(run) >= run.stop_at || run.signs.length > 0;

export const isBegun = (run: Run): boolean =>
  run.progress.some(
    (exercise) =>
      exercise.sets.length > 0 ||
      exercise.pain !== null ||
      exercise.worst_mid_set !== null ||
      exercise.skipped !== null,
  ) ||
  run.practice.pain !== null ||
  run.signs.length > 0;

/** A session that was left lying ended when something was last entered. */
const IDLE_MS = 2 * 3_600_000;

export const isIdle = (run: Run): boolean => Date.now() - new Date(run.touched_at).getTime() > IDLE_MS;

const endOf = (run: Run): string => (isIdle(run) ? run.touched_at : nowIso());

/** Minutes of practice as they were typed; null where that is no number. */
export const minutesOf = (text: string): number | null => {
  const minutes = numberOf(text);
  return minutes !== null && minutes > 0 ? minutes : null;
};

/** As it is sent: nothing of what was not done, and why what is missing is. */
export function asLog(run: Run): Schemas['SessionLog'] {
  const entries: Schemas['SessionLog']['entries'] = run.progress
    .map((exercise) => ({ ...exercise, pain: exercise.pain ?? exercise.worst_mid_set }))
    .map((item) =>
      run.ending !== null && item.sets.length === 0 && item.pain === null && item.skipped === null
        ? { ...item, skipped: run.ending }
        : item,
    )
    .filter((item) => item.sets.length > 0 || item.pain !== null || item.skipped !== null)
    .map(({ prescription, pain, before, after, skipped, sets, reserve, hurt_at, notes }) => ({
      prescription,
      pain,
      before,
      after,
      skipped,
      ...(hurt_at === null || hurt_at === 'unsaid' ? {} : { hurt_at }),
      ...(notes.length === 0 ? {} : { notes: notes.join('; ') }),
      sets: reserve === null ? sets : sets.map((set) => ({ ...set, rir: reserve })),
    }));
  const sport = run.due.kind === 'sport';
  if (sport) entries.push({ prescription: null, pain: run.practice.pain, sets: [] });
  return {
    planned: run.due.planned === '' ? null : run.due.planned,
    plan_version: run.plan_version,
    kind: run.due.kind,
    started_at: run.started_at,
    ended_at: endOf(run),
    signs: run.signs,
    entries,
    ...(sport
      ? {
          minutes: minutesOf(run.practice.minutes),
          effort: run.practice.effort,
          participation: run.practice.full ? ('full' as const) : ('partial' as const),
        }
      : {}),
  };
}
