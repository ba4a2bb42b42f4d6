import { describe, expect, test } from 'vitest';

import type { Schemas } from '../../web/api/client';
import {
  added,
  asRequest,
  bandsOf,
  begin,
  fieldOf,
  isDrawable,
  type PlanInForce,
  swapped,
  withField,
  withProposal,
} from '../../web/features/prescribe/draft';
import { type AudioClock, Pacer } from '../../web/pacer/pacer';
import { COUNT_IN_S, doneBy, endOf, levelAt, phaseAt, repsDone, timelineOf, type Tone } from '../../web/pacer/timeline';
import type { Waiting } from '../../web/phone/outbox';
import { dueOn, isAnswered, stopsHere, toSettle, trainedOn } from '../../web/phone/pending';
import { fromKg, inUnits, loadWords, toKg } from '../../web/phone/settings';
import type { TodayData } from '../../web/phone/plan';

type Dose = Schemas['Dose'];

const squat: Dose = {
  sets: 3,
  reps: 2,
  rest_s: 60,
  tempo: { lift_s: 3, top_s: 0, lower_s: 2, bottom_s: 1, starts: 'lower' },
};

describe('the pacer along time', () => {
  test('a repetition begins with its first phase and leaves out what lasts no time', () => {
    const line = timelineOf(squat, 'isotonic');
    expect(line?.phases.map(({ move, from, to, rep }) => [move, from, to, rep])).toEqual([
      ['ready', 0, 3, 1],
      ['lower', 3, 5, 1],
      ['pause', 5, 6, 1],
      ['lift', 6, 9, 1],
      ['lower', 9, 11, 2],
      ['pause', 11, 12, 2],
      ['lift', 12, 15, 2],
    ]);
    expect(line?.sounds.map(({ at, tone }) => `${tone} ${at}`)).toEqual([
      'count 0',
      'count 1',
      'count 2',
      'lower 3',
      'pause 5',
      'lift 6',
      'lower 9',
      'pause 11',
      'lift 12',
      'end 15',
    ]);
    if (line === null) throw new Error('not paced');
    expect([2.9, 8.99, 9, 14.9, 15].map((at) => repsDone(line, at))).toEqual([0, 0, 1, 1, 2]);
    expect([3, 4, 5.5, 7.5, 9].map((at) => levelAt(line, at))).toEqual([1, 0.5, 0, 0.5, 1]);
    expect(phaseAt(line, 99).move).toBe('lift');
  });

  test('the last five seconds of a hold are counted, fewer in a short one', () => {
    const last = (hold_s: number) =>
      timelineOf({ sets: 1, reps: 1, rest_s: 0, hold_s }, 'isometric')
        ?.sounds.filter(({ tone }) => tone === 'last')
        .map(({ at }) => at - COUNT_IN_S);
    expect(last(45)).toEqual([40, 41, 42, 43, 44]);
    expect(last(3)).toEqual([1, 2]);
    expect(timelineOf({ sets: 1, reps: 3, rest_s: 0, hold_s: 10 }, 'isometric')?.length).toBe(
      COUNT_IN_S + 3 * 10 + 2 * 2,
    );
  });

  test('beats come at the rate set, and what nothing paces is not paced', () => {
    const beats = timelineOf({ ...squat, beats_per_min: 20 }, 'isotonic')
      ?.sounds.filter(({ tone }) => tone === 'beat')
      .map(({ at }) => at);
    expect(beats).toEqual([3, 6, 9, 12]);
    expect(timelineOf({ sets: 3, reps: 10, rest_s: 60 }, 'plyometric')).toBeNull();
    expect(timelineOf({ sets: 1, reps: 1, rest_s: 0, work_s: 120 }, 'mobility')?.length).toBe(123);
  });

  test('a set that is broken off counts what was done of it, and no more', () => {
    const by = (dose: Dose, mode: Schemas['Mode'], at: number) => {
      const line = timelineOf(dose, mode);
      if (line === null) throw new Error('not paced');
      const done = doneBy(line, dose, mode, COUNT_IN_S + at);
      return done === null ? null : [done.reps, done.held_s];
    };
    const hold: Dose = { sets: 1, reps: 1, rest_s: 0, hold_s: 45 };
    // In the count-in and within the first second nothing was done.
    expect([-1, 0, 20.9, 44].map((at) => by(hold, 'isometric', at))).toEqual([null, null, [1, 20], [1, 44]]);
    // Ten short holds with two seconds between them: the one that was broken off counts from half of it on.
    const squeeze: Dose = { sets: 1, reps: 10, rest_s: 0, hold_s: 3 };
    expect([2, 4, 8, 16.2, 17, 24.5].map((at) => by(squeeze, 'isometric', at))).toEqual([
      [1, 2],
      [1, null],
      [2, null],
      [3, null],
      [4, null],
      [5, null],
    ]);
    expect(
      [4.9, 6, 11.9].map((at) =>
        by({ ...squat, tempo: { lift_s: 3, top_s: 0, lower_s: 2, bottom_s: 1, starts: 'lower' } }, 'isotonic', at),
      ),
    ).toEqual([null, [1, null], [1, null]]);
    expect(by({ sets: 1, reps: 1, rest_s: 0, work_s: 60 }, 'mobility', 31)).toEqual([1, 31]);
  });

  test('a pause takes back what was asked for and goes on at the same place', () => {
    let now = 100;
    let asked: { tone: Tone; at: number }[] = [];
    const clock: AudioClock = {
      now: () => now,
      play: (tone, at) => {
        asked.push({ tone, at });
      },
      hush: () => {
        asked = asked.filter(({ at }) => at <= now);
      },
      loud: () => undefined,
    };
    const line = timelineOf(squat, 'isotonic');
    if (line === null) throw new Error('not paced');
    const pacer = new Pacer(clock, line);
    pacer.start();
    for (; now < 105; now += 0.05) pacer.ask(false);
    const position = pacer.position();
    pacer.pause();
    const before = asked.length;
    now += 60;
    expect(pacer.position()).toBe(position);
    pacer.ask(false);
    expect(asked.length).toBe(before);
    pacer.start();
    const started = now;
    // Once a second, as on a hidden page: still asked for in time.
    // It is counted in again; the mark waits until then.
    expect([pacer.position(), Math.ceil(pacer.countIn())]).toEqual([position, COUNT_IN_S + 1]);
    for (let i = 0; i < 17; i++) {
      pacer.ask(true);
      now += 1;
    }
    expect(pacer.countIn()).toBe(0);
    const tones = asked.map(({ tone }) => tone);
    expect(tones).toEqual([
      'count',
      'count',
      'count',
      'lower',
      'count',
      'count',
      'count',
      'pause',
      'lift',
      'lower',
      'pause',
      'lift',
      'end',
    ]);
    const end = asked[asked.length - 1]?.at ?? 0;
    expect(end - started).toBeCloseTo(COUNT_IN_S + line.length - position + 0.12, 6);
    expect(pacer.isOver()).toBe(true);
    // At its end the last tone is heard out; ended by hand it is taken back.
    const all = asked.length;
    now = end;
    pacer.end();
    expect(asked.length).toBe(all);
    expect(pacer.position()).toBe(line.length);
  });

  test('broken off in the count-in it is counted in again', () => {
    let now = 10;
    const line = timelineOf(squat, 'isotonic');
    if (line === null) throw new Error('not paced');
    const pacer = new Pacer(
      { now: () => now, play: () => undefined, hush: () => undefined, loud: () => undefined },
      line,
    );
    pacer.start();
    now += 2;
    pacer.pause();
    pacer.start();
    expect([pacer.position(), pacer.countIn()]).toEqual([0, 0]);
    now += COUNT_IN_S + 0.12;
    expect(pacer.position()).toBeCloseTo(COUNT_IN_S, 6);
  });

  test('with some repetitions left out it ends earlier', () => {
    const line = timelineOf(squat, 'isotonic');
    if (line === null) throw new Error('not paced');
    expect([endOf(line, 2), endOf(line, 1), endOf(line, 0)]).toEqual([15, 9, 0]);
  });
});

describe('what a phone takes for open', () => {
  const plan = {
    case: 'k',
    sessions: [
      { planned: 'a', on: '2026-04-14', done: false },
      { planned: 'b', on: '2026-04-14', done: true },
      { planned: 'c', on: '2026-04-15', done: false },
    ],
    morning: { answered: [{ on: '2026-04-13', provocation: 2, stiffness_min: 5 }] },
    settling: [{ session: 's1', ended_at: '2026-04-13T18:00:00+01:00' }],
    limits: { stop_at: 8 },
  } as unknown as TodayData;
  const item = (what: Waiting['what'], id: string, body: object, planned?: string): Waiting => ({
    id,
    person: 'p',
    case: 'k',
    made_at: '2026-04-14T07:00:00+01:00',
    what,
    title: '',
    body: body as Waiting['body'],
    planned: planned ?? null,
  });

  test('what is done or waits to be sent is not asked for again', () => {
    expect(dueOn(plan, '2026-04-14', []).map((due) => due.planned)).toEqual(['a']);
    const waiting = [
      item('session', 's2', { ended_at: '2026-04-14T08:00:00+01:00', entries: [{ pain: 2, sets: [] }] }, 'a'),
      item('morning', 'm', { at: '2026-04-14T07:00:00+01:00', provocation: 2 }),
      item('settled', 's1', { settled_min: 30 }),
    ];
    expect(dueOn(plan, '2026-04-14', waiting)).toEqual([]);
    expect([
      isAnswered(plan, '2026-04-13', []),
      isAnswered(plan, '2026-04-14', []),
      isAnswered(plan, '2026-04-14', waiting),
    ]).toEqual([true, false, true]);
    // A sign alone is no answer to the morning.
    expect(
      isAnswered(plan, '2026-04-14', [
        item('morning', 'm', { at: '2026-04-14T07:00:00+01:00', provocation: null, signs: ['swelling'] }),
      ]),
    ).toBe(false);
    expect(toSettle(plan, waiting)).toEqual([{ session: 's2', ended_at: '2026-04-14T08:00:00+01:00' }]);
    // After a session without pain there is nothing to settle.
    expect(
      toSettle({ ...plan, settling: [] }, [
        item('session', 's3', {
          ended_at: '2026-04-14T08:00:00+01:00',
          entries: [
            { pain: 0, sets: [] },
            { pain: null, sets: [] },
          ],
        }),
      ]),
    ).toEqual([]);
    // What was entered for another case of the same athlete answers nothing here.
    const other = { ...plan, case: 'elbow', settling: [] };
    expect([
      isAnswered(other, '2026-04-14', waiting),
      toSettle(other, waiting),
      stopsHere(other, [item('morning', 'm', { at: '', provocation: 9 })]),
    ]).toEqual([false, [], false]);
  });

  test('what is answered after a session of the day is no morning of its own', () => {
    const withMorning = {
      ...plan,
      entered: { mornings: [], sessions: [{ on: '2026-04-13' }] },
    } as unknown as TodayData;
    const waiting = [item('session', 's2', { started_at: '2026-04-14T06:30:00+01:00', entries: [] })];
    expect([
      trainedOn(withMorning, '2026-04-13', []),
      trainedOn(withMorning, '2026-04-14', []),
      trainedOn(withMorning, '2026-04-14', waiting),
      trainedOn({ ...withMorning, case: 'other' }, '2026-04-14', waiting),
    ]).toEqual([true, false, true, false]);
  });

  test('a stop that is not sent yet stops here already', () => {
    const stops = (body: object, what: Waiting['what'] = 'session') => stopsHere(plan, [item(what, 'x', body)]);
    expect([
      stops({ entries: [{ pain: 7 }], signs: [] }),
      stops({ entries: [{ pain: 8 }], signs: [] }),
      stops({ entries: [], signs: ['giving_way'] }),
      stops({ at: '', provocation: 8 }, 'morning'),
      stops({ at: '', provocation: 1, signs: ['night_ache'] }, 'morning'),
      stops({ settled_min: 90 }, 'settled'),
      // A flare at the stop level stops too, until somebody has dealt with it.
      stops({ kind: 'flare', words: '', pain: 8 }, 'message'),
      stops({ kind: 'flare', words: '', pain: 7 }, 'message'),
      stops({ kind: 'question', words: 'May I?', pain: null }, 'message'),
      stops({ entries: [{ pain: 1, sets: [{ pain: 8 }] }], signs: [] }),
    ]).toEqual([false, true, true, true, false, false, true, false, false, true]);
  });
});

test('pounds are shown to the half, typed freely, and kept as kilograms', () => {
  expect([loadWords(40, 'kg'), loadWords(40, 'lb'), fromKg(22.5, 'lb'), toKg(100, 'lb'), toKg(22.5, 'kg')]).toEqual([
    '40 kg',
    '88 lb',
    49.5,
    45.36,
    22.5,
  ]);
  expect(inUnits('4 × 15 at 40 kg, 10–60°', 'lb')).toBe('4 × 15 at 88 lb, 10–60°');
  expect(inUnits('load 27.5 → 30 kg', 'kg')).toBe('load 27.5 → 30 kg');
});

describe('a draft of a prescription', () => {
  const press = {
    key: 'press',
    exercise: 'leg_press',
    mode: 'isotonic',
    limbs: 'each',
    slot: 'slow',
    cue: 'Slow',
    pain: { max: 2 },
    dose: squat,
    progression: { levers: [] },
  } as const;
  const plan = {
    stage: 'slow',
    today: '2026-04-14',
    available: ['mon'],
    stages: [
      {
        key: 'slow',
        title: 'Slow',
        slots: [],
        rhythm: { every_days: 2 },
        prescriptions: [{ title: 'Leg press', words: '', rests_until: null, prescription: press }],
      },
    ],
    proposed: [{ title: 'Step-down', words: '', rests_until: null, prescription: { ...press, exercise: 'step_down' } }],
  } as unknown as PlanInForce;
  const sit = {
    key: 'press',
    title: 'Wall sit',
    mode: 'isometric',
    sides: 'together',
    dose: { sets: 4, reps: 1, hold_s: 30, rest_s: 60 },
  } as unknown as Schemas['LibraryExercise'];

  test('another rung keeps the place, its limits and progression, and takes the other dose', () => {
    const [row] = begin(plan).rows;
    if (row === undefined) throw new Error('no row');
    const other = swapped(row, sit).prescription;
    expect(other).toEqual({
      key: 'press',
      exercise: 'press',
      mode: 'isometric',
      limbs: 'together',
      slot: 'slow',
      pain: { max: 2 },
      dose: sit.dose,
      progression: { levers: [] },
    });
    expect(
      withProposal(begin(plan), plan).rows.map(({ title, prescription }) => [title, prescription.exercise]),
    ).toEqual([['Step-down', 'step_down']]);
  });

  test('two of a kind get keys of their own', () => {
    const draft = begin(plan);
    expect(
      asRequest({ ...draft, rows: [...draft.rows, added(sit, 'slow')] }).prescriptions.map(({ key }) => key),
    ).toEqual(['press', 'press-2']);
  });

  test('fields are set and taken out, and what is no number is not drawn', () => {
    expect(fieldOf(withField(squat, 'tempo.lower_s', 5), 'tempo.lower_s')).toBe(5);
    expect(fieldOf(squat, 'tempo.lower_s')).toBe(2);
    expect('load_kg' in withField({ ...squat, load_kg: 20 }, 'load_kg', undefined)).toBe(false);
    expect(
      [
        squat,
        withField(squat, 'sets', '3x'),
        withField(squat, 'sets', 21),
        withField(squat, 'tempo.lift_s', undefined),
      ].map(isDrawable),
    ).toEqual([true, false, false, false]);
  });
});

test('the bands of a prescription are those that it grows by', () => {
  const of = (progression: unknown) => bandsOf({ progression } as never);
  expect(
    of({
      levers: [
        { lever: 'sets', to: 4 },
        { lever: 'resistance', steps: ['thin', 'medium'] },
      ],
    }),
  ).toEqual(['thin', 'medium']);
  expect([of({ levers: [{ lever: 'sets', to: 4 }] }), of({ blocks: [] }), of(null), of(undefined)]).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
});
