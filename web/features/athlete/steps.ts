import type { Schemas } from '../../api/client';
import type { Done } from '../../pacer/timeline';
import type { Exercise } from '../../phone/usePhone';
import { doneSet, type Progress, type Run, type SideName } from './run';

/** What an exercise asks for next. */
export type Step = 'test_before' | 'set' | 'rest' | 'set_pain' | 'over' | 'easier' | 'pain' | 'test_after' | 'next';

export const HURTS = 'hurts too much';

/** Why an exercise or a session is left, as an athlete says it; the first asks for the pain. */
export const REASONS = [HURTS, 'no equipment', 'no time', 'too tired'];

const present = (run: Run): Progress | undefined => run.progress[run.at];

const changed = (run: Run, part: Partial<Progress>, more: Partial<Run> = {}): Run => ({
  ...run,
  ...more,
  progress: run.progress.map((exercise, i) => (i === run.at ? { ...exercise, ...part } : exercise)),
});

/** Sets that are asked for today. */
export const setsAsked = (exercise: Exercise, progress: Progress): number =>
  Math.max(progress.sets.length, exercise.dose.sets - progress.fewer);

/** Whether no more sets of an exercise come. */
export const isOver = (exercise: Exercise, progress: Progress): boolean =>
  progress.sets.length >= setsAsked(exercise, progress) || progress.skipped !== null;

const takesTurns = (exercise: Exercise): boolean => exercise.sides.length === 2;

/** The limb whose turn it is; null where there are no turns. */
export function sideNow(exercise: Exercise, progress: Progress): SideName | null {
  const [one, other] = exercise.sides;
  if (one === undefined) return null;
  if (other === undefined) return one.side;
  const first = progress.first ?? one.side;
  const second = first === one.side ? other.side : one.side;
  return first in progress.turn ? second : first;
}

/** The highest pain entered so far: for single sets, between them, and over the limit. */
const worstSoFar = (progress: Progress): number =>
  Math.max(0, progress.worst_mid_set ?? 0, progress.over ?? 0, ...progress.sets.map((set) => set.pain ?? 0));

export function stepOf(run: Run, exercise: Exercise, now: number = Date.now()): Step {
  const progress = present(run);
  if (progress === undefined) return 'next';
  const { sets, turn } = progress;
  if (
    run.retest &&
    progress.before === null &&
    run.last_test === null &&
    sets.length === 0 &&
    progress.skipped === null
  )
    return 'test_before';
  if (progress.over !== null) return 'over';
  if (progress.easier !== null) return 'easier';
  const last = sets[sets.length - 1];
  if (
    exercise.pain_by_set &&
    last !== undefined &&
    last.pain === undefined &&
    Object.keys(turn).length === 0 &&
    progress.pain === null
  )
    return 'set_pain';
  if (!isOver(exercise, progress) && run.ending === null)
    return run.rest_until !== null && run.rest_until > now ? 'rest' : 'set';
  // Pain is asked of what was done, and of what was left because it hurts.
  if (progress.pain === null && (sets.length > 0 || progress.skipped === HURTS || run.ending === HURTS)) return 'pain';
  if (run.retest && progress.after === null && sets.length > 0 && run.ending === null) return 'test_after';
  return 'next';
}

/** One limb has done its part of a set. */
export function limbDone(run: Run, exercise: Exercise, done: Done | null, now: number = Date.now()): Run {
  const progress = present(run);
  if (progress === undefined) return run;
  const rest = exercise.dose.rest_s > 0 ? now + 1000 * exercise.dose.rest_s : null;
  const side = takesTurns(exercise) ? sideNow(exercise, progress) : null;
  if (side !== null) {
    const turn = { ...progress.turn, [side]: done };
    if (Object.keys(turn).length < 2) return changed(run, { turn }, { rest_until: rest });
    if (turn.left === null && turn.right === null) return changed(run, { turn: {} }, { rest_until: null });
    return setDone(run, exercise, progress, doneSet(exercise, progress, turn), rest);
  }
  return done === null ? run : setDone(run, exercise, progress, doneSet(exercise, progress, done), rest);
}

function setDone(
  run: Run,
  exercise: Exercise,
  progress: Progress,
  set: Schemas['LoggedSet'],
  rest: number | null,
): Run {
  const sets = [...progress.sets, set];
  return changed(
    run,
    { sets, turn: {}, between: null },
    { rest_until: sets.length < exercise.dose.sets - progress.fewer ? rest : null },
  );
}

/** A set of which one limb was done is kept as it was, where no more of it comes. */
function asFarAsItWent(run: Run): Pick<Progress, 'sets' | 'turn'> {
  const progress = present(run);
  const exercise = run.due.exercises[run.at];
  if (progress === undefined || exercise === undefined) return { sets: [], turn: {} };
  const isDone = Object.values(progress.turn).some((done) => done !== null);
  return { sets: isDone ? [...progress.sets, doneSet(exercise, progress, progress.turn)] : progress.sets, turn: {} };
}

/** The last set with the pain in it. */
const withPain = (sets: readonly Schemas['LoggedSet'][], pain: number): Schemas['LoggedSet'][] =>
  sets.map((set, i) => (i === sets.length - 1 ? { ...set, pain } : set));

/** Pain was entered: for the set, where the school judges by set, or for the exercise. */
export function painEntered(run: Run, exercise: Exercise, pain: number): Run {
  const progress = present(run);
  if (progress === undefined) return run;
  const bySet = stepOf(run, exercise) === 'set_pain';
  const sets = bySet ? withPain(progress.sets, pain) : progress.sets;
  const all = { ...progress, sets };
  // The exercise's own pain is known once its last set was scored.
  const whole = bySet && !isOver(exercise, all) ? null : Math.max(pain, worstSoFar(all));
  const over = pain < run.stop_at && pain > exercise.max_pain ? pain : null;
  return changed(run, { sets, pain: whole, over });
}

/** It hurts now, in the middle of a set; over the limit the set ends there, with what was done of it. */
export function hurtsNow(run: Run, exercise: Exercise, pain: number, soFar: Done | null = null): Run {
  const progress = present(run);
  if (progress === undefined) return run;
  const notes = [...progress.notes, `pain ${pain} in set ${progress.sets.length + 1}`];
  const next = changed(run, {
    worst_mid_set: Math.max(pain, progress.worst_mid_set ?? 0),
    notes,
    over: pain > exercise.max_pain && pain < run.stop_at ? pain : null,
  });
  if (pain <= exercise.max_pain) return next;
  const broken = brokenOff(next, soFar);
  const { sets } = broken.progress[run.at] ?? progress;
  // The set that ended there has its pain already.
  return exercise.pain_by_set && sets.length > progress.sets.length
    ? changed(broken, { sets: withPain(sets, pain) })
    : broken;
}

/** The set under way ends because something else was chosen; what was done of it is kept. */
export function brokenOff(run: Run, soFar: Done | null): Run {
  const exercise = run.due.exercises[run.at];
  return exercise === undefined || soFar === null ? run : limbDone(run, exercise, soFar);
}

/** What was chosen to help at once. */
export function helped(run: Run, exercise: Exercise, relief: Exercise['relief'][number]): Run {
  const progress = present(run);
  if (progress === undefined) return run;
  const from = `from set ${progress.sets.length + 1}`;
  const pain = worstSoFar(progress);
  switch (relief.kind) {
    case 'shorter_range':
      return changed(run, { over: null, notes: [...progress.notes, `shorter range ${from}`] });
    case 'less_hard':
      return changed(run, { over: null, notes: [...progress.notes, `less hard ${from}`] });
    case 'fewer_sets': {
      const fewer = progress.fewer + 1;
      const done = progress.sets.length >= exercise.dose.sets - fewer;
      return changed(
        run,
        {
          over: null,
          fewer,
          notes: [...progress.notes, 'one set fewer'],
          ...(done ? { ...asFarAsItWent(run), pain, skipped: HURTS } : {}),
        },
        done ? { rest_until: null } : {},
      );
    }
    case 'easier_rung':
      return relief.exercise === null
        ? run
        : changed(
            run,
            { ...asFarAsItWent(run), over: null, pain, skipped: HURTS, easier: { ...relief.exercise, sets: 0 } },
            { rest_until: null },
          );
    default:
      return changed(run, { ...asFarAsItWent(run), over: null, pain, skipped: HURTS }, { rest_until: null });
  }
}

/** The pain went over the limit after the last set: the athlete has read that and goes on. */
export const overSeen = (run: Run): Run => changed(run, { over: null });

/** Sets of the easier exercise that was done instead, and the worst pain in it. */
export function easierDone(run: Run, sets: number, pain: number): Run {
  const progress = present(run);
  if (progress?.easier == null) return run;
  const notes =
    sets === 0
      ? progress.notes
      : [
          ...progress.notes,
          `instead ${sets} ${sets === 1 ? 'set' : 'sets'} of ${progress.easier.title.toLowerCase()}, pain ${pain}`,
        ];
  return changed(run, { easier: null, notes, pain: Math.max(pain, progress.pain ?? 0) });
}

/** No more of this exercise, for a reason. */
export const leftOut = (run: Run, why: string): Run =>
  changed(run, { ...asFarAsItWent(run), skipped: why }, { rest_until: null });

/** The session ends here; what was not done is left out for this reason. */
export function ended(run: Run, why: string): Run {
  const progress = present(run);
  const done = asFarAsItWent(run);
  const half = progress !== undefined && done.sets.length > 0 && progress.skipped === null;
  return changed(run, { ...done, ...(half ? { skipped: why } : {}), over: null }, { ending: why, rest_until: null });
}

/** On to the next exercise, or to the end where the session is being ended. */
export function goneOn(run: Run): Run {
  const progress = present(run);
  const before = progress?.before ?? (run.retest ? run.last_test : null);
  return changed(
    run,
    { before },
    {
      at: run.ending === null ? run.at + 1 : run.due.exercises.length,
      rest_until: null,
      last_test: progress?.after ?? run.last_test,
    },
  );
}

/** The last limb or set is taken back, to be done or entered again. */
export function oneBack(run: Run): Run {
  const progress = present(run);
  if (progress === undefined) return run;
  if (Object.keys(progress.turn).length > 0) return changed(run, { turn: {} }, { rest_until: null });
  return changed(
    run,
    { sets: progress.sets.slice(0, -1), between: null, pain: null, over: null, skipped: null },
    { rest_until: null },
  );
}

/** Back to the questions of an exercise about pain. */
export const painAgain = (run: Run, at: number): Run => ({
  ...run,
  at,
  rest_until: null,
  progress: run.progress.map((exercise, i) =>
    i === at
      ? {
          ...exercise,
          pain: null,
          over: null,
          after: null,
          hurt_at: null,
          sets: exercise.sets.map((set) => withoutPain(set)),
        }
      : exercise,
  ),
});

const withoutPain = (set: Schemas['LoggedSet']): Schemas['LoggedSet'] => {
  const { pain, ...rest } = set;
  return pain === undefined ? set : rest;
};

/** What was done of an exercise, as the summary says it. */
export function doneWords(progress: Progress, exercise: Exercise, ending: string | null): string {
  const why = progress.skipped ?? (progress.sets.length === 0 ? ending : null);
  const pain = progress.pain === null ? '' : `, pain ${progress.pain}`;
  const notes = progress.notes.length === 0 ? '' : `, ${progress.notes.join(', ')}`;
  if (progress.sets.length === 0) return why === null ? 'not done' : `left out (${why})${pain}${notes}`;
  return `${progress.sets.length} of ${exercise.dose.sets} sets: ${progress.sets.map(setWords).join('; ')}${why === null ? '' : ` (${why})`}${pain}${notes}`;
}

const amount = (done: Schemas['SideSet']): string => {
  if (done.hold_s !== undefined) return `${(done.reps ?? 1) > 1 ? `${done.reps ?? 1} × ` : ''}${done.hold_s} s`;
  return done.work_s === undefined ? String(done.reps ?? 0) : `${done.work_s} s`;
};

const setWords = (set: Schemas['LoggedSet']): string =>
  set.left === undefined && set.right === undefined
    ? amount(set)
    : `left ${amount(set.left ?? {})}, right ${amount(set.right ?? {})}`;
