import { beforeEach, describe, expect, test, vi } from 'vitest';

import type { Schemas } from '../../web/api/client';
import { asLog, begin, doneSet, isBegun, isStopped, keepRun, keptRun, lastTold, type Run, withoutPain, worst } from '../../web/features/athlete/run';
import { keepPlan, type TodayData } from '../../web/phone/plan';
import type { Due, Exercise } from '../../web/phone/useToday';

const exercise = (key: string, dose: Partial<Schemas['Dose']> = {}, load: Exercise['load'] = null): Exercise => ({
  prescription: key, exercise: key, title: key, set_up: null, movement: null, feel: null, faults: null, cue: null, mode: 'isotonic', limbs: 'the sore side', sides: 1,
  words: '', tempo_words: null, max_pain: 3, wanted_pain: null, why: null, load, dose: { sets: 3, reps: 8, rest_s: 60, ...dose },
});
const due: Due = { planned: 'p1', on: '2026-04-14', stage: 'slow', title: 'Slow', kind: 'loading', duration_s: 600, done: false, exercises: [exercise('press'), exercise('hold', { reps: 1, hold_s: 30 })] };
const plan = { case: 'c1', person: 'me', plan_version: 4, retest: false, limits: { stop_at: 8, during_max: 3, settle_within_min: 60 } } as unknown as TodayData;
const told = (run: Run, at: number, part: Partial<Run['progress'][number]>): Run => ({ ...run, progress: run.progress.map((one, i) => (i === at ? { ...one, ...part } : one)) });

beforeEach(() => { localStorage.clear(); vi.useRealTimers(); });

describe('a session under way', () => {
  test('begins with nothing done and comes back after a reload', () => {
    const run = begin(plan, due);
    expect([run.person, run.plan_version, run.at, isBegun(run), worst(run), isStopped(run)]).toEqual(['me', 4, 0, false, -1, false]);
    keepRun(run);
    expect(keptRun()).toEqual({ ...run, touched_at: keptRun()?.touched_at });
  });

  test('of a shape that this version does not know is none', () => {
    const run = begin(plan, due);
    for (const spoilt of [{ ...run, progress: [] }, { ...run, person: undefined }, { ...run, due: {} }, { ...run, at: -1 }]) {
      localStorage.setItem('rung:run', JSON.stringify({ version: 1, value: spoilt }));
      expect(keptRun()).toBeNull();
    }
  });

  test('that the first version kept goes on for whoever the plan of its case is for', () => {
    const run = begin(plan, due);
    const progress = run.progress.map((one) => ({ ...one, reserve: undefined, hurt_at: undefined }));
    localStorage.setItem('rung:run', JSON.stringify({ ...run, person: undefined, progress }));
    expect(keptRun()?.person).toBe('');
    keepPlan({ ...plan, today: '2026-04-14', sessions: [], days: [] });
    expect(keptRun()).toMatchObject({ person: 'me', progress: [{ reserve: null, hurt_at: null }, { reserve: null, hurt_at: null }] });
    keepPlan({ ...plan, case: 'another', today: '2026-04-14', sessions: [], days: [] });
    expect(keptRun()?.person).toBe('');
  });

  test('keeps the load that was used, else the one asked for, else the one lifted last', () => {
    const lifted = { source: 'lifted' as const, kg: 30, words: '' };
    expect(doneSet(exercise('a', { load_kg: 40 }), 35, 8, null)).toEqual({ reps: 8, load_kg: 35 });
    expect(doneSet(exercise('a', { load_kg: 40 }), null, 8, null)).toEqual({ reps: 8, load_kg: 40 });
    expect(doneSet(exercise('a', {}, lifted), null, 8, null)).toEqual({ reps: 8, load_kg: 30 });
    expect(doneSet(exercise('a', {}, { source: 'to_find', kg: null, words: '' }), null, 8, null)).toEqual({ reps: 8 });
    expect(doneSet(exercise('a', { hold_s: 30 }), null, 1, 12)).toEqual({ reps: 1, hold_s: 12 });
    expect(doneSet(exercise('a', { work_s: 60 }), null, 1, null)).toEqual({ reps: 1, work_s: 60 });
  });

  test('is stopped by a sign or by pain at the limit, and not before', () => {
    const run = begin(plan, due);
    expect([7, 8].map((pain) => isStopped(told(run, 1, { pain })))).toEqual([false, true]);
    expect(isStopped({ ...run, signs: ['swelling'] })).toBe(true);
    expect(worst(told(told(run, 0, { pain: 2 }), 1, { pain: 5 }))).toBe(5);
  });

  test('goes back to the pain that was told last', () => {
    const run = told(told(begin(plan, due), 0, { pain: 2 }), 1, { pain: 9, after: 4, hurt_at: 'end' });
    expect(lastTold(run)).toBe(1);
    const back = withoutPain(run, 1);
    expect([back.at, back.progress[1]?.pain, back.progress[1]?.after, back.progress[1]?.hurt_at, back.progress[0]?.pain]).toEqual([1, null, null, null, 2]);
  });

  test('sends what was done and nothing of what was not', () => {
    const run = told(begin(plan, due), 0, { pain: 2, sets: [{ reps: 8 }, { reps: 6 }], reserve: 3, hurt_at: 'unsaid' });
    expect(asLog(run)).toMatchObject({
      planned: 'p1', plan_version: 4, kind: 'loading', signs: [],
      entries: [{ prescription: 'press', pain: 2, sets: [{ reps: 8, rir: 3 }, { reps: 6, rir: 3 }] }],
    });
    expect(asLog(run).entries).toHaveLength(1);
    expect(asLog(run).entries[0]).not.toHaveProperty('hurt_at');
    expect(asLog(told(run, 1, { skipped: 'no time' })).entries[1]).toMatchObject({ prescription: 'hold', skipped: 'no time', sets: [] });
  });

  test('that was left lying ended when something was last entered', () => {
    const run = { ...begin(plan, due), touched_at: '2026-04-14T18:00:00+00:00' };
    vi.useFakeTimers({ now: new Date('2026-04-14T19:59:00Z') });
    expect(asLog(run).ended_at.slice(0, 16)).not.toBe('2026-04-14T18:00');
    vi.setSystemTime(new Date('2026-04-14T20:01:00Z'));
    expect(asLog(run).ended_at).toBe('2026-04-14T18:00:00+00:00');
  });

  test('of practice tells its minutes, effort and how much of it was done', () => {
    const run = { ...begin(plan, { ...due, kind: 'sport', exercises: [] }), practice: { minutes: '42,5', effort: 6, pain: 1, full: false } };
    expect(asLog(run)).toMatchObject({ kind: 'sport', minutes: 42.5, effort: 6, participation: 'partial', entries: [{ prescription: null, pain: 1, sets: [] }] });
  });
});
