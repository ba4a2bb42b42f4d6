// @vitest-environment happy-dom
import { beforeEach, describe, expect, test, vi } from 'vitest';

import {
  asLog,
  begin,
  doneSet,
  isBegun,
  isStopped,
  keepRun,
  keptRun,
  type Run,
  worst,
} from '../../web/features/athlete/run';
import { keepPhone, type PhoneData } from '../../web/phone/plan';
import { emptyPhone, lay } from './phoneStore';
import type { Due } from '../../web/phone/usePhone';
import { exercise, plan } from './session';

const due: Due = {
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
  exercises: [exercise('press'), exercise('hold', { dose: { sets: 3, reps: 1, rest_s: 60, hold_s: 30 } })],
};
const blank = begin(plan, due).progress[0];
const page = (id: string): PhoneData =>
  ({
    person: 'me',
    practice: {},
    cases: [{ ...plan, case: id, today: '2026-04-14', sessions: [], days: [] }],
    closed: [],
  }) as unknown as PhoneData;
const after = (run: Run, at: number, part: Partial<Run['progress'][number]>): Run => ({
  ...run,
  progress: run.progress.map((progress, i) => (i === at ? { ...progress, ...part } : progress)),
});

beforeEach(async () => {
  vi.useRealTimers();
  await emptyPhone();
});

describe('a session under way', () => {
  test('begins with nothing done and comes back after a reload', () => {
    const run = begin(plan, due);
    expect([run.person, run.plan_version, run.at, isBegun(run), worst(run), isStopped(run)]).toEqual([
      'me',
      4,
      0,
      false,
      -1,
      false,
    ]);
    expect(keepRun(run)).toBe('kept');
    expect(keptRun()).toEqual({ ...run, touched_at: keptRun()?.touched_at });
  });

  test('is never written over by a tab that is behind', () => {
    const run = begin(plan, due);
    expect(keepRun({ ...run, revision: 1, at: 1 })).toBe('kept');
    expect(keepRun({ ...run, revision: 1, at: 0 })).toBe('newer');
    expect(keepRun({ ...run, revision: 0 })).toBe('newer');
    expect(keptRun()?.at).toBe(1);
    expect(keepRun({ ...run, revision: 2, at: 0 })).toBe('kept');
    // Another session is another matter.
    expect(keepRun({ ...run, id: 'other', revision: 0 })).toBe('kept');
  });

  test('of a shape that this version does not know is none', async () => {
    const run = begin(plan, due);
    for (const spoilt of [
      { ...run, progress: [] },
      { ...run, person: undefined },
      { ...run, due: {} },
      { ...run, at: -1 },
      { ...run, revision: 'x' },
    ]) {
      await lay('run', { version: 2, value: spoilt });
      expect(keptRun()).toBeNull();
    }
  });

  test('that an earlier version kept goes on, for whoever the page with its case is for', async () => {
    const run = begin(plan, {
      ...due,
      exercises: due.exercises.map((candidate) => ({
        ...candidate,
        sides: 2,
        relief: undefined,
        pain_by_set: undefined,
      })) as unknown as Due['exercises'],
    });
    const progress = run.progress.map(({ prescription, sets, pain, skipped }) => ({
      prescription,
      sets,
      pain,
      skipped,
    }));
    const old = { ...run, person: undefined, progress, revision: undefined, ending: undefined };
    await lay('run', { version: 0, value: old });
    expect(keptRun()?.person).toBe('');
    await keepPhone(page('c1'));
    expect(keptRun()).toMatchObject({
      person: 'me',
      revision: 0,
      progress: [{ turn: {}, notes: [], hurt_at: null }, {}],
      due: { exercises: [{ sides: [{ side: 'left' }, { side: 'right' }], relief: [], pain_by_set: false }, {}] },
    });
    await keepPhone(page('another'));
    expect(keptRun()?.person).toBe('');
    // The worst pain between the sets had another name.
    await lay('run', {
      version: 3,
      value: { ...run, progress: run.progress.map((kept) => ({ ...kept, worst_mid_set: undefined, told: 4 })) },
    });
    expect(keptRun()?.progress[0]).toMatchObject({ worst_mid_set: 4 });
    // With an owner it needs no page.
    await lay('run', { version: 1, value: { ...old, person: 'you' } });
    expect(keptRun()?.person).toBe('you');
  });

  test('keeps the load that was used, else the one asked for, else the one lifted last', () => {
    if (blank === undefined) throw new Error('no exercise');
    const own = (kg: number | null) => ({ ...blank, load_kg: kg });
    const of = (reps: number, held_s: number | null = null) => ({ reps, held_s });
    const dose = { sets: 3, reps: 8, rest_s: 60 };
    const lifted = { source: 'lifted' as const, kg: 30, words: '' };
    expect(doneSet(exercise('a', { dose: { ...dose, load_kg: 40 } }), own(35), of(8))).toEqual({
      reps: 8,
      load_kg: 35,
    });
    expect(doneSet(exercise('a', { dose: { ...dose, load_kg: 40 } }), own(null), of(8))).toEqual({
      reps: 8,
      load_kg: 40,
    });
    expect(doneSet(exercise('a', { load: lifted }), own(null), of(8))).toEqual({ reps: 8, load_kg: 30 });
    expect(doneSet(exercise('a', { load: { source: 'to_find', kg: null, words: '' } }), own(null), of(8))).toEqual({
      reps: 8,
    });
    expect(doneSet(exercise('a', { dose: { ...dose, hold_s: 30 } }), own(null), of(1, 12))).toEqual({
      reps: 1,
      hold_s: 12,
    });
    expect(doneSet(exercise('a', { dose: { ...dose, work_s: 60 } }), own(null), of(1))).toEqual({
      reps: 1,
      work_s: 60,
    });
  });

  test('keeps what each limb did by itself', () => {
    if (blank === undefined) throw new Error('no exercise');
    const both = exercise('a', {
      sides: [
        { side: 'left', words: 'left, the sore one' },
        { side: 'right', words: 'right' },
      ],
    });
    expect(
      doneSet(both, { ...blank, load_kg: 20 }, { left: { reps: 3, held_s: null }, right: { reps: 15, held_s: null } }),
    ).toEqual({ left: { reps: 3 }, right: { reps: 15 }, load_kg: 20 });
    const hold = exercise('a', { ...both, dose: { sets: 3, reps: 1, rest_s: 0, hold_s: 30 } });
    expect(doneSet(hold, blank, { left: null, right: { reps: 1, held_s: null } })).toEqual({
      left: { reps: 0, hold_s: 0 },
      right: { reps: 1, hold_s: 30 },
    });
  });

  test('is stopped by a sign or by pain at the limit, and not before', () => {
    const run = begin(plan, due);
    expect([7, 8].map((pain) => isStopped(after(run, 1, { pain })))).toEqual([false, true]);
    expect(isStopped({ ...run, signs: ['swelling'] })).toBe(true);
    expect([
      isStopped(after(run, 0, { worst_mid_set: 8 })),
      isStopped(after(run, 0, { sets: [{ reps: 8, pain: 8 }] })),
    ]).toEqual([true, true]);
    expect(worst(after(after(run, 0, { pain: 2 }), 1, { pain: 5 }))).toBe(5);
  });

  test('sends what was done and nothing of what was not', () => {
    const run = after(begin(plan, due), 0, {
      pain: 2,
      sets: [{ reps: 8 }, { reps: 6 }],
      reserve: 3,
      hurt_at: 'unsaid',
    });
    expect(asLog(run)).toMatchObject({
      planned: 'p1',
      plan_version: 4,
      kind: 'loading',
      signs: [],
      entries: [
        {
          prescription: 'press',
          pain: 2,
          sets: [
            { reps: 8, rir: 3 },
            { reps: 6, rir: 3 },
          ],
        },
      ],
    });
    expect(asLog(run).entries).toHaveLength(1);
    expect(asLog(run).entries[0]).not.toHaveProperty('hurt_at');
    expect(asLog(after(run, 1, { skipped: 'no time' })).entries[1]).toMatchObject({
      prescription: 'hold',
      skipped: 'no time',
      sets: [],
    });
    // Ended early: what was not reached is left out for the same reason; pain entered on the way is the pain.
    expect(asLog({ ...run, ending: 'too tired' }).entries[1]).toMatchObject({
      prescription: 'hold',
      skipped: 'too tired',
      sets: [],
    });
    expect(
      asLog(after(run, 1, { worst_mid_set: 6, skipped: 'hurts too much', notes: ['pain 6 in set 1'] })).entries[1],
    ).toMatchObject({ pain: 6, notes: 'pain 6 in set 1' });
  });

  test('that was left lying ended when something was last entered', () => {
    const run = { ...begin(plan, due), touched_at: '2026-04-14T18:00:00+00:00' };
    vi.useFakeTimers({ now: new Date('2026-04-14T19:59:00Z') });
    expect(asLog(run).ended_at.slice(0, 16)).not.toBe('2026-04-14T18:00');
    vi.setSystemTime(new Date('2026-04-14T20:01:00Z'));
    expect(asLog(run).ended_at).toBe('2026-04-14T18:00:00+00:00');
  });

  test('of practice holds its minutes, effort and how much of it was done', () => {
    const run = {
      ...begin(plan, { ...due, kind: 'sport', exercises: [] }),
      practice: { minutes: '42,5', effort: 6, pain: 1, full: false, sure: null },
    };
    expect(asLog(run)).toMatchObject({
      kind: 'sport',
      minutes: 42.5,
      effort: 6,
      participation: 'partial',
      entries: [{ prescription: null, pain: 1, sets: [] }],
    });
  });
});
