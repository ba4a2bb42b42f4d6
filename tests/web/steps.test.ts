import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { asLog, begin, isStopped, type Run } from '../../web/features/athlete/run';
import {
  brokenOff,
  doneWords,
  easierDone,
  ended,
  goneOn,
  helped,
  HURTS,
  hurtsNow,
  leftOut,
  limbDone,
  oneBack,
  overSeen,
  painAgain,
  setsAsked,
  sideNow,
  type Step,
  stepOf,
  painEntered,
} from '../../web/features/athlete/steps';
import { isFar } from '../../web/features/athlete/typed';
import type { Exercise } from '../../web/phone/usePhone';
import { numberOf } from '../../web/shell/numbers';
import { exercise, plan } from './session';

const BOTH: Exercise['sides'] = [
  { side: 'right', words: 'right, the sore one' },
  { side: 'left', words: 'left' },
];

const runOf = (...exercises: Exercise[]): Run =>
  begin(plan, {
    planned: 'p1',
    on: '2026-04-14',
    stage: 'slow',
    title: 'Slow',
    at: null,
    practice: null,
    part: null,
    kind: 'loading',
    duration_s: 600,
    done: false,
    exercises,
  });
const full = { reps: 8, held_s: null };
const present = (run: Run) => {
  const current = run.progress[run.at];
  if (current === undefined) throw new Error('over');
  return current;
};
const relief = (item: Exercise, kind: Exercise['relief'][number]['kind']) => {
  const found = item.relief.find((there) => there.kind === kind);
  if (found === undefined) throw new Error(kind);
  return found;
};
/** All sets of the present exercise, whatever is asked between. */
const allSets = (run: Run, item: Exercise): Run => {
  for (let i = 0; i < 20 && ['set', 'rest'].includes(stepOf(run, item)); i++)
    run = limbDone({ ...run, rest_until: null }, item, full);
  return run;
};

describe('an exercise, step by step', () => {
  test('asks for its pain once its sets are done, and goes on', () => {
    const press = exercise('press');
    let run = runOf(press, exercise('hold'));
    expect(stepOf(run, press)).toBe('set');
    run = limbDone(run, press, full, 1000);
    expect([stepOf(run, press, 2000), stepOf(run, press, 1000 + 60_000)]).toEqual(['rest', 'set']);
    run = allSets(run, press);
    expect([present(run).sets.length, stepOf(run, press)]).toEqual([3, 'pain']);
    run = painEntered(run, press, 2);
    expect([present(run).pain, stepOf(run, press), goneOn(run).at]).toEqual([2, 'next', 1]);
  });

  test('each limb keeps its own count, and either may begin', () => {
    const press = exercise('press', { sides: BOTH });
    let run = runOf(press);
    expect(sideNow(press, present(run))).toBe('right');
    run = limbDone(run, press, { reps: 3, held_s: null });
    expect([sideNow(press, present(run)), present(run).sets.length]).toEqual(['left', 0]);
    run = limbDone(run, press, { reps: 15, held_s: null });
    expect(present(run).sets).toEqual([{ left: { reps: 15 }, right: { reps: 3 } }]);
    run = { ...run, progress: [{ ...present(run), first: 'left' }] };
    expect(sideNow(press, present(run))).toBe('left');
    run = limbDone(run, press, full);
    expect(sideNow(press, present(run))).toBe('right');
    // The right is left out of this set: it did nothing, and the left keeps what it did.
    run = limbDone(run, press, null);
    expect(present(run).sets[1]).toEqual({ left: { reps: 8 }, right: { reps: 0 } });
    // Where neither did anything there is no set.
    const none = limbDone(limbDone(run, press, null), press, null);
    expect([present(none).sets.length, sideNow(press, present(none))]).toEqual([2, 'left']);
  });

  test('a set in which nothing was done is no set', () => {
    const press = exercise('press');
    const run = runOf(press);
    expect(limbDone(run, press, null)).toEqual(run);
  });

  test('where the school judges by set, each is scored, and the worst is the pain of the exercise', () => {
    const press = exercise('press', { pain_by_set: true, max_pain: 7, wanted_pain: 5 });
    let run = limbDone(runOf(press), press, full);
    expect(stepOf(run, press)).toBe('set_pain');
    run = painEntered(run, press, 6);
    expect([present(run).pain, present(run).sets[0]?.pain, stepOf(run, press)]).toEqual([null, 6, 'rest']);
    for (const pain of [7, 5]) run = painEntered(limbDone({ ...run, rest_until: null }, press, full), press, pain);
    expect([present(run).pain, stepOf(run, press)]).toEqual([7, 'next']);
    expect(asLog(run).entries[0]).toMatchObject({ pain: 7, sets: [{ pain: 6 }, { pain: 7 }, { pain: 5 }] });
  });

  test('over the limit is answered at once, and nothing is offered that pushes on', () => {
    const press = exercise('press', { pain_by_set: true });
    const over = painEntered(limbDone(runOf(press), press, full), press, 6);
    expect(stepOf(over, press)).toBe('over');
    const shorter = helped(over, press, relief(press, 'shorter_range'));
    expect([stepOf({ ...shorter, rest_until: null }, press), present(shorter).notes]).toEqual([
      'set',
      ['shorter range from set 2'],
    ]);
    const fewer = helped(over, press, relief(press, 'fewer_sets'));
    expect([setsAsked(press, present(fewer)), stepOf({ ...fewer, rest_until: null }, press)]).toEqual([2, 'set']);
    const left = helped(over, press, relief(press, 'leave_out'));
    expect([present(left).pain, present(left).skipped, stepOf(left, press)]).toEqual([6, HURTS, 'next']);
    const easier = helped(over, press, relief(press, 'easier_rung'));
    expect([stepOf(easier, press), present(easier).easier?.title]).toEqual(['easier', 'Wall sit']);
    const done = easierDone(easier, 2, 3);
    expect([present(done).pain, present(done).notes, stepOf(done, press)]).toEqual([
      6,
      ['instead 2 sets of wall sit, pain 3'],
      'next',
    ]);
    expect(asLog(done).entries[0]).toMatchObject({
      skipped: HURTS,
      pain: 6,
      notes: 'instead 2 sets of wall sit, pain 3',
      sets: [{ reps: 8, pain: 6 }],
    });
    expect(isStopped(easierDone(easier, 1, 8))).toBe(true);
  });

  test('one set fewer than what is done already ends the exercise', () => {
    const press = exercise('press', { pain_by_set: true });
    let run = painEntered(limbDone(runOf(press), press, full), press, 1);
    run = painEntered(limbDone({ ...run, rest_until: null }, press, full), press, 5);
    run = helped(run, press, relief(press, 'fewer_sets'));
    expect([stepOf(run, press), present(run).pain]).toEqual(['next', 5]);
  });

  test('pain over the limit after the last set is read before it goes on', () => {
    const press = exercise('press');
    const run = painEntered(allSets(runOf(press), press), press, 5);
    expect(stepOf(run, press)).toBe('over');
    expect(stepOf(overSeen(run), press)).toBe('next');
  });

  test('pain in the middle of a set is kept, whatever is entered after', () => {
    const press = exercise('press');
    const hurting = hurtsNow(runOf(press), press, 5);
    expect(stepOf(hurting, press)).toBe('over');
    const on = painEntered(allSets(helped(hurting, press, relief(press, 'shorter_range')), press), press, 1);
    expect([present(on).pain, present(on).notes]).toEqual([5, ['pain 5 in set 1', 'shorter range from set 1']]);
    expect([stepOf(hurtsNow(runOf(press), press, 2), press), isStopped(hurtsNow(runOf(press), press, 8))]).toEqual([
      'set',
      true,
    ]);
  });

  test('a set that is broken off because it hurts, or for anything else, keeps what was done of it', () => {
    const press = exercise('press');
    const soFar = { reps: 5, held_s: null };
    expect(present(hurtsNow(runOf(press), press, 6, soFar))).toMatchObject({
      sets: [{ reps: 5 }],
      over: 6,
      notes: ['pain 6 in set 1'],
    });
    expect(present(hurtsNow(runOf(press), press, 9, soFar))).toMatchObject({ sets: [{ reps: 5 }], worst_mid_set: 9 });
    // Within the limit the set goes on.
    expect(present(hurtsNow(runOf(press), press, 2, soFar)).sets).toEqual([]);
    expect(present(leftOut(brokenOff(runOf(press), soFar), 'no time'))).toMatchObject({
      sets: [{ reps: 5 }],
      skipped: 'no time',
    });
    expect(brokenOff(runOf(press), null).progress[0]?.sets).toEqual([]);
    // Where each set is scored, it is not asked again.
    const bySet = exercise('press', { pain_by_set: true });
    const hurting = hurtsNow(runOf(bySet), bySet, 6, soFar);
    expect(present(hurting).sets).toEqual([{ reps: 5, pain: 6 }]);
    expect(stepOf({ ...helped(hurting, bySet, relief(bySet, 'shorter_range')), rest_until: null }, bySet)).toBe('set');
  });

  test('left out because it hurts asks how much; for another reason it does not', () => {
    const press = exercise('press');
    expect(stepOf(leftOut(runOf(press), HURTS), press)).toBe('pain');
    expect(stepOf(leftOut(runOf(press), 'no equipment'), press)).toBe('next');
    const half = leftOut(limbDone(runOf(press), press, full), 'no time');
    expect(stepOf(half, press)).toBe('pain');
    expect(doneWords(present(painEntered(half, press, 2)), press, null)).toBe('1 of 3 sets: 8 (no time), pain 2');
    expect(doneWords(present(painEntered(leftOut(runOf(press), HURTS), press, 3)), press, null)).toBe(
      'left out (hurts too much), pain 3',
    );
    expect(doneWords(present(runOf(press)), press, 'too tired')).toBe('left out (too tired)');
  });

  test('a session that is ended early asks for the pain of what was begun', () => {
    const [press, hold] = [exercise('press'), exercise('hold')];
    const half = ended(limbDone(runOf(press, hold), press, full), 'too tired');
    expect(stepOf(half, press)).toBe('pain');
    const over = goneOn(painEntered(half, press, 2));
    expect(over.at).toBe(2);
    expect(asLog(over).entries).toMatchObject([
      { prescription: 'press', pain: 2, skipped: 'too tired' },
      { prescription: 'hold', skipped: 'too tired', sets: [] },
    ]);
    expect([stepOf(ended(runOf(press), 'no time'), press), stepOf(ended(runOf(press), HURTS), press)]).toEqual([
      'next',
      'pain',
    ]);
  });

  test('one limb that was done is kept, however the exercise is left', () => {
    const press = exercise('press', { sides: BOTH });
    const half = limbDone(runOf(press), press, { reps: 6, held_s: null });
    const kept = [{ left: { reps: 0 }, right: { reps: 6 } }];
    const hurting = { ...half, progress: half.progress.map((progress) => ({ ...progress, over: 5 })) };
    for (const left of [
      leftOut(half, 'no time'),
      leftOut(half, HURTS),
      ended(half, 'too tired'),
      helped(hurting, press, relief(press, 'leave_out')),
      helped(hurting, press, relief(press, 'easier_rung')),
    ]) {
      expect(present(left).sets).toEqual(kept);
      expect(present(left).turn).toEqual({});
    }
    expect(stepOf(leftOut(half, 'no time'), press)).toBe('pain');
    // A limb in which nothing was done leaves nothing.
    expect(present(leftOut(limbDone(runOf(press), press, null), 'no time')).sets).toEqual([]);
  });

  test('the test is asked before and after where the school repeats it, and not of what was left out', () => {
    const press = exercise('press');
    let run: Run = { ...runOf(press, exercise('hold')), retest: true };
    expect(stepOf(run, press)).toBe('test_before');
    run = {
      ...run,
      last_test: 2,
      progress: run.progress.map((progress, i) => (i === 0 ? { ...progress, before: 2 } : progress)),
    };
    run = painEntered(allSets(run, press), press, 1);
    expect(stepOf(run, press)).toBe('test_after');
    run = goneOn({
      ...run,
      progress: run.progress.map((progress, i) => (i === 0 ? { ...progress, after: 4 } : progress)),
    });
    expect([run.at, run.last_test, run.progress[0]?.before]).toEqual([1, 4, 2]);
    expect(stepOf(leftOut(run, 'no time'), exercise('hold'))).toBe('next');
  });

  test('the last side or set, and any pain, can be taken back', () => {
    const press = exercise('press', { sides: BOTH, pain_by_set: true });
    const half = limbDone(runOf(press), press, full);
    expect(present(oneBack(half)).turn).toEqual({});
    let run = limbDone(half, press, full);
    expect(present(oneBack(run)).sets).toEqual([]);
    run = painEntered(run, press, 5);
    expect([stepOf(run, press), stepOf(painAgain(run, 0), press)]).toEqual(['over', 'set_pain']);
  });
});

/** Whatever is tapped in whatever order. */
type Tap =
  | { what: 'limb'; reps: number }
  | { what: 'nothing' | 'back' | 'seen' }
  | { what: 'pain' | 'hurts'; pain: number }
  | { what: 'help' | 'easier'; which: number }
  | { what: 'leave' | 'end'; why: string };

const why = fc.constantFrom(HURTS, 'no time');
const tap: fc.Arbitrary<Tap> = fc.oneof(
  fc.integer({ min: 1, max: 8 }).map((reps): Tap => ({ what: 'limb', reps })),
  fc.constantFrom<Tap>({ what: 'nothing' }, { what: 'back' }, { what: 'seen' }),
  fc
    .tuple(fc.constantFrom('pain' as const, 'hurts' as const), fc.integer({ min: 0, max: 10 }))
    .map(([what, pain]): Tap => ({ what, pain })),
  fc
    .tuple(fc.constantFrom('help' as const, 'easier' as const), fc.integer({ min: 0, max: 3 }))
    .map(([what, which]): Tap => ({ what, which })),
  fc
    .tuple(fc.constantFrom('leave' as const, 'end' as const), why)
    .map(([what, reason]): Tap => ({ what, why: reason })),
);

/** What a tap does on the screen that is shown; taps that the screen does not offer do nothing. */
function tapped(run: Run, item: Exercise, step: Step, what: Tap): Run {
  const setting = step === 'set' || step === 'rest';
  if (what.what === 'end' && run.ending === null) return ended(run, what.why);
  if (step === 'set' && what.what === 'limb') return limbDone(run, item, { reps: what.reps, held_s: null });
  if (step === 'set' && what.what === 'nothing') return limbDone(run, item, null);
  if (step === 'set' && what.what === 'hurts') return hurtsNow(run, item, what.pain);
  if (step === 'set' && what.what === 'leave') return leftOut(run, what.why);
  if (what.what === 'back' && setting && present(run).sets.length + Object.keys(present(run).turn).length > 0)
    return oneBack(run);
  if (what.what === 'pain' && (step === 'pain' || step === 'set_pain')) return painEntered(run, item, what.pain);
  if (what.what === 'help' && step === 'over') {
    const left =
      present(run).skipped === null && run.ending === null
        ? setsAsked(item, present(run)) - present(run).sets.length
        : 0;
    const offered = item.relief[what.which];
    return left > 0 && offered !== undefined ? helped(run, item, offered) : overSeen(run);
  }
  if (what.what === 'easier' && step === 'easier') return easierDone(run, what.which, what.which);
  return run;
}

describe('over every order of taps', () => {
  const shapes = fc.record({
    sides: fc.constantFrom<Exercise['sides']>([], [{ side: 'left', words: 'left' }], BOTH),
    pain_by_set: fc.boolean(),
    max_pain: fc.integer({ min: 0, max: 7 }),
  });

  test('nothing is lost: pain that was entered is in what is sent, and no exercise that hurt goes without it', () => {
    fc.assert(
      fc.property(shapes, fc.array(tap, { maxLength: 40 }), (shape, taps) => {
        const exercises = [exercise('press', shape), exercise('hold', shape)];
        let run = runOf(...exercises);
        let worst = -1;
        for (const what of taps) {
          const current = exercises[run.at];
          if (current === undefined || isStopped(run)) break;
          const before = { ...run, rest_until: null };
          const step = stepOf(before, current);
          if (step === 'next') {
            run = goneOn(before);
            continue;
          }
          const after = tapped(before, current, step, what);
          if (after !== before && (what.what === 'pain' || what.what === 'hurts')) worst = Math.max(worst, what.pain);
          if (what.what === 'back' && after !== before) worst = -1;
          run = after;
          const now = run.progress[run.at];
          expect(now?.sets.length ?? 0).toBeLessThanOrEqual(3);
        }
        const log = asLog(run);
        const logged = Math.max(
          -1,
          ...log.entries.flatMap((entry) => [entry.pain ?? -1, ...entry.sets.map((set) => set.pain ?? -1)]),
        );
        expect(logged).toBeGreaterThanOrEqual(worst);
        for (const [i, half] of exercises.entries()) {
          const progress = run.progress[i];
          if (
            progress !== undefined &&
            i < run.at &&
            run.ending === null &&
            (progress.sets.length > 0 || progress.skipped === HURTS)
          )
            expect(progress.pain, JSON.stringify(progress)).not.toBeNull();
          for (const set of progress?.sets ?? [])
            expect(half.sides.length === 2).toBe(
              set.left !== undefined && set.right !== undefined && set.reps === undefined,
            );
        }
      }),
      { numRuns: 2000 },
    );
  });

  test('it always comes to an end', () => {
    fc.assert(
      fc.property(
        shapes,
        fc.array(fc.integer({ min: 0, max: 7 }), { minLength: 60, maxLength: 60 }),
        (shape, pains) => {
          const exercises = [exercise('press', shape), exercise('hold', shape)];
          let run = runOf(...exercises);
          for (const pain of pains) {
            const current = exercises[run.at];
            if (current === undefined) return;
            run = { ...run, rest_until: null };
            const step = stepOf(run, current);
            if (step === 'set') run = limbDone(run, current, full);
            else if (step === 'pain' || step === 'set_pain') run = painEntered(run, current, pain);
            else if (step === 'over') run = tapped(run, current, step, { what: 'help', which: pain % 4 });
            else if (step === 'easier') run = easierDone(run, 1, 0);
            else run = goneOn(run);
          }
          expect(run.at).toBe(2);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('what is typed', () => {
  test.each([
    ['22.5', 22.5],
    [' 22,5 ', 22.5],
    ['', null],
    ['x', null],
    ['-3', -3],
    ['0', 0],
    ['1e400', null],
  ])('%j is %s', (text, value) => {
    expect(numberOf(text)).toBe(value);
  });

  test('far from the usual is asked about, and only then', () => {
    const usual = { from: 20, to: 80, usual: 40 };
    expect([19.9, 20, 40, 80, 80.1, 4000].map((kg) => isFar(kg, usual))).toEqual([
      true,
      false,
      false,
      false,
      true,
      true,
    ]);
    expect(isFar(4000, null)).toBe(false);
  });
});
