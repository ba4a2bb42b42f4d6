import { z } from 'zod';

import type { Schemas } from '../../api/client';
import { nowIso } from '../../phone/moments';
import { forget, keep, kept, type Kind, useKept } from '../../phone/store';
import { type TodayData, withOwner } from '../../phone/plan';
import type { Due, Exercise } from '../../phone/useToday';

type SetData = Schemas['LoggedSet'];

/** What was done of one exercise so far. */
export interface Progress {
  prescription: string;
  sets: SetData[];
  pain: number | null;
  before: number | null;
  after: number | null;
  /** The test in the latest rest between sets. */
  between: number | null;
  skipped: string | null;
  /** How many more could have been done, 0 to 4 (4 or more); null where it was not said. */
  reserve: number | null;
  /** Where in the movement it hurt, asked where that was over the limit. */
  hurt_at: 'start' | 'end' | 'throughout' | 'unsaid' | null;
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
  plan_version: number;
  due: Due;
  retest: boolean;
  stop_at: number;
  during_max: number;
  started_at: string;
  /** When something was last entered. */
  touched_at: string;
  at: number;
  /** Limbs of the present set that are done. */
  turns: number;
  /** Until when the present rest lasts, in milliseconds since 1970. */
  rest_until: number | null;
  progress: Progress[];
  signs: Schemas['Sign'][];
  practice: { minutes: string; effort: number | null; pain: number | null; full: boolean };
  /** The test after the last exercise: what the next is compared with. */
  last_test: number | null;
}

const NAME = 'run';

/** Of the plan it is done from, only what the screens could not do without is looked at; the server reads all of it. */
const RUN: Kind<Run> = {
  version: 1,
  shape: z.custom<Run>((run) => z.looseObject({
    id: z.string(), person: z.string(), case: z.string(), started_at: z.string(), at: z.number().int().min(0), turns: z.number(),
    rest_until: z.number().nullable(),
    due: z.looseObject({ title: z.string(), kind: z.string(), exercises: z.array(z.looseObject({ prescription: z.string(), dose: z.looseObject({}) })) }),
    progress: z.array(z.looseObject({ prescription: z.string(), sets: z.array(z.unknown()) })),
    signs: z.array(z.string()),
    practice: z.looseObject({}),
  }).refine((found) => found.progress.length === found.due.exercises.length).safeParse(run).success),
  migrate: (value, version) => {
    const before = z.looseObject({ progress: z.array(z.looseObject({})) }).safeParse(withOwner(value, version));
    // One that was begun before an update lacks what is asked since.
    return before.success ? { ...before.data, progress: before.data.progress.map((one) => ({ reserve: null, hurt_at: null, ...one })) } : undefined;
  },
};

export const keepRun = (run: Run): boolean => keep(NAME, RUN, { ...run, touched_at: nowIso() });
export const forgetRun = (): void => forget(NAME);
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
  plan_version: plan.plan_version,
  due,
  retest: plan.retest,
  stop_at: plan.limits.stop_at,
  during_max: plan.limits.during_max,
  started_at: nowIso(),
  touched_at: nowIso(),
  at: 0,
  turns: 0,
  rest_until: null,
  progress: due.exercises.map((one) => ({ prescription: one.prescription, sets: [], pain: null, before: null, after: null, between: null, skipped: null, reserve: null, hurt_at: null, load_kg: null })),
  signs: [],
  practice: { minutes: '', effort: null, pain: null, full: true },
  last_test: null,
});

/** A set as it was done. */
export const doneSet = (exercise: Exercise, loadKg: number | null, reps: number, heldS: number | null): SetData => {
  const load = loadKg ?? exercise.dose.load_kg ?? exercise.load?.kg ?? undefined;
  return {
    reps,
    ...(exercise.dose.hold_s === undefined ? {} : { hold_s: heldS ?? exercise.dose.hold_s }),
    ...(exercise.dose.work_s === undefined ? {} : { work_s: heldS ?? exercise.dose.work_s }),
    ...(load === undefined ? {} : { load_kg: load }),
  };
};

/** The exercise of which pain was told last, by its place. */
export const lastTold = (run: Run): number | undefined => {
  const told = run.progress.map((one, i) => (one.pain === null ? -1 : i)).filter((i) => i >= 0);
  return told[told.length - 1];
};

/** Back to the question how much an exercise hurt. */
export const withoutPain = (run: Run, at: number): Run => ({
  ...run, at, turns: 0, rest_until: null, progress: run.progress.map((one, i) => (i === at ? { ...one, pain: null, after: null, hurt_at: null } : one)),
});

/** The highest pain told so far; -1 where none was. */
export const worst = (run: Run): number => Math.max(-1, run.practice.pain ?? -1, ...run.progress.map((one) => one.pain ?? -1));

export const isStopped = (run: Run): boolean => worst(run) >= run.stop_at || run.signs.length > 0;

export const isBegun = (run: Run): boolean =>
  run.progress.some((one) => one.sets.length > 0 || one.pain !== null || one.skipped !== null) || run.practice.pain !== null || run.signs.length > 0;

/** A session that was left lying ended when something was last entered. */
const IDLE_MS = 2 * 3_600_000;

const endOf = (run: Run): string => (Date.now() - new Date(run.touched_at).getTime() > IDLE_MS ? run.touched_at : nowIso());

/** As it is sent: nothing of what was not done. */
export function asLog(run: Run): Schemas['SessionLog'] {
  const entries: Schemas['SessionLog']['entries'] = run.progress
    .filter((one) => one.sets.length > 0 || one.pain !== null || one.skipped !== null)
    .map(({ prescription, pain, before, after, skipped, sets, reserve, hurt_at }) => ({
      prescription, pain, before, after, skipped,
      ...(hurt_at === null || hurt_at === 'unsaid' ? {} : { hurt_at }),
      sets: reserve === null ? sets : sets.map((set) => ({ ...set, rir: reserve })),
    }));
  const sport = run.due.kind === 'sport';
  if (sport) entries.push({ prescription: null, pain: run.practice.pain, sets: [] });
  return {
    planned: run.due.planned,
    plan_version: run.plan_version,
    kind: run.due.kind,
    started_at: run.started_at,
    ended_at: endOf(run),
    signs: run.signs,
    entries,
    ...(sport ? { minutes: Number(run.practice.minutes.replace(',', '.')), effort: run.practice.effort, participation: run.practice.full ? 'full' as const : 'partial' as const } : {}),
  };
}
