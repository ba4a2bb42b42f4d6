import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { bodiesOf, daysOf, EMPTY, faultsOf } from '../../web/features/entries/grid';
import { type Done, entriesOf, laterBy, startOf } from '../../web/features/entries/session';
import { entryWords } from '../../web/features/entries/words';
import { momentIn } from '../../web/shell/zone';

const ZONES = ['Europe/Lisbon', 'Pacific/Auckland', 'America/St_Johns', 'Asia/Kathmandu', 'UTC', 'Pacific/Kiritimati'];

describe('a clock in a zone', () => {
  test('says the offset of the moment itself, summer and winter', () => {
    expect(momentIn('Europe/Lisbon', '2026-07-01', '07:00')).toBe('2026-07-01T07:00:00+01:00');
    expect(momentIn('Europe/Lisbon', '2026-12-01', '07:00')).toBe('2026-12-01T07:00:00+00:00');
    // The clocks went forward at one in the morning, and back at two.
    expect(momentIn('Europe/Lisbon', '2026-03-29', '07:00')).toBe('2026-03-29T07:00:00+01:00');
    expect(momentIn('Europe/Lisbon', '2026-10-25', '07:00')).toBe('2026-10-25T07:00:00+00:00');
    expect(momentIn('America/St_Johns', '2026-01-10', '23:30')).toBe('2026-01-10T23:30:00-03:30');
  });

  test('shows what was typed, wherever it hangs', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.integer({ min: 0, max: 700 }),
        fc.integer({ min: 4, max: 23 }),
        fc.integer({ min: 0, max: 59 }),
        (zone, days, hour, minute) => {
          const day = new Date(Date.UTC(2026, 0, 1) + days * 86_400_000).toISOString().slice(0, 10);
          const time = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
          const shown = new Intl.DateTimeFormat('sv-SE', {
            timeZone: zone,
            dateStyle: 'short',
            timeStyle: 'short',
          }).format(new Date(momentIn(zone, day, time)));
          expect(shown).toBe(`${day} ${time}`);
        },
      ),
    ));

  test('a session ends so many minutes later', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1440 }), (minutes) => {
        const start = momentIn('Europe/Lisbon', '2026-04-14', '18:00');
        const end = laterBy(start, minutes);
        expect(end.slice(19)).toBe(start.slice(19));
        expect(new Date(end).getTime() - new Date(start).getTime()).toBe(minutes * 60_000);
      }),
    ));
});

describe('a session from paper', () => {
  const press = { prescription: 'press', dose: { sets: 3, reps: 8, rest_s: 60, load_kg: 40 } };
  const hold = { prescription: 'hold', dose: { sets: 5, reps: 1, rest_s: 60, hold_s: 45 } };
  const read = (typed: Partial<Record<'press' | 'hold', Partial<Done>>>) =>
    entriesOf([press, hold], (item) => ({
      ...startOf(item.dose),
      pain: '2',
      ...typed[item.prescription as 'press' | 'hold'],
    }));

  test('begins as it was asked, and says nothing of pain', () => {
    expect(startOf(press.dose)).toEqual({
      sets: '3',
      reps: '8',
      hold: null,
      work: null,
      load: '40',
      pain: '',
      read: null,
    });
    expect(startOf(hold.dose)).toEqual({
      sets: '5',
      reps: null,
      hold: '45',
      work: null,
      load: '',
      pain: '',
      read: null,
    });
  });

  test('takes what a device wrote down as it stands, and asks for the pain all the same', () => {
    const read = {
      device: 'Simulated rep counter',
      sets: [
        { reps: 9, load_kg: 40 },
        { reps: 7, load_kg: 40 },
      ],
      words: ['9 at 40 kg', '7 at 40 kg'],
    };
    const said = (pain: string) => () => ({ ...startOf(press.dose), sets: 'much', pain, read });
    expect(entriesOf([press], said('2'))).toEqual([{ prescription: press.prescription, pain: 2, sets: read.sets }]);
    expect(entriesOf([press], said(''))).toBeNull();
  });

  test('becomes sets, each with its figures', () => {
    expect(read({ press: { sets: '2', load: '42,5', pain: '1' } })).toEqual([
      {
        prescription: 'press',
        pain: 1,
        sets: [
          { reps: 8, load_kg: 42.5 },
          { reps: 8, load_kg: 42.5 },
        ],
      },
      { prescription: 'hold', pain: 2, sets: Array.from({ length: 5 }, () => ({ hold_s: 45 })) },
    ]);
  });

  test('0 sets is left out, and needs no pain', () => {
    expect(read({ hold: { sets: '0', pain: '' } })?.[1]).toEqual({
      prescription: 'hold',
      sets: [],
      pain: null,
      skipped: 'left out, as the paper says',
    });
  });

  test.each([
    [{ pain: '' }],
    [{ sets: '' }],
    [{ sets: '2.5' }],
    [{ sets: '-1' }],
    [{ reps: 'x' }],
    [{ load: 'heavy' }],
  ])('is not taken with %o', (typed) => {
    expect(read({ press: typed })).toBeNull();
  });
});

test('an entry says what was entered, and what was not', () => {
  const found = { test: 'Decline squat', side: 'both' as const };
  const base = { id: 'x', on: '2026-04-14', at: '', entered_by: null, title: '' };
  expect(entryWords({ ...base, what: 'morning', provocation: 0, stiffness_min: 5, notes: null }, found)).toBe(
    ': 0 of 10, stiff for 5 min',
  );
  expect(
    entryWords(
      { ...base, what: 'morning', provocation: 2, stiffness_min: null, notes: 'Answered after a session of that day.' },
      found,
    ),
  ).toBe(': 2 of 10 · Answered after a session of that day.');
  expect(entryWords({ ...base, what: 'morning', provocation: null, stiffness_min: null, notes: null }, found)).toBe(
    ': no score',
  );
  expect(entryWords({ ...base, what: 'test', affected: 200, unaffected: 400, unit: 'N' }, found)).toBe(
    ': left 200, right 400 N',
  );
  expect(
    entryWords(
      {
        ...base,
        what: 'session',
        minutes: 60,
        effort: 5,
        pains: [{ prescription: null, title: 'Practice', sets: 0, pain: null }],
      },
      found,
    ),
  ).toBe(': 60 min · Practice no pain entered');
  expect(entryWords({ ...base, what: 'session', minutes: null, effort: null, pains: [] }, found)).toBe('');
});

describe('two weeks on paper', () => {
  const found = {
    zone: 'Europe/Lisbon',
    plan_version: 3,
    today: '2026-04-14',
    opened_on: '2026-04-05',
    sessions: [
      {
        slot: 'slow',
        title: 'Slow strength',
        exercises: [
          {
            prescription: 'press',
            title: 'Press',
            words: '',
            mode: 'isotonic' as const,
            dose: { sets: 2, reps: 8, rest_s: 60 },
          },
        ],
      },
      { slot: 'act', title: 'The act', exercises: [] },
    ],
    planned: [{ planned: 'p1', on: '2026-04-10', slot: 'slow', title: 'Slow strength' }],
  };

  test('has a line for each day of the case, none to come', () => {
    expect(daysOf('2026-04-01', 14, found)).toEqual(
      ['05', '06', '07', '08', '09', '10', '11', '12', '13', '14'].map((item) => `2026-04-${item}`),
    );
    expect(daysOf('2026-03-01', 14, found)).toEqual([]);
  });

  test('becomes a morning, a session as it was asked, or both', () => {
    expect(bodiesOf('2026-04-10', EMPTY, found)).toEqual({ morning: null, session: null });
    const both = bodiesOf('2026-04-10', { score: '3', stiff: '7,5', slot: 'slow', pain: '2' }, found);
    expect(both?.morning).toEqual({ at: '2026-04-10T07:00:00+01:00', provocation: 3, stiffness_min: 7.5, signs: [] });
    expect(both?.session).toMatchObject({
      planned: 'p1',
      plan_version: 3,
      kind: 'loading',
      started_at: '2026-04-10T18:00:00+01:00',
      entries: [{ prescription: 'press', pain: 2, sets: [{ reps: 8 }, { reps: 8 }] }],
    });
    // Of another day it is one that was not planned; practice lasts as long as nothing else is said.
    expect(bodiesOf('2026-04-11', { ...EMPTY, slot: 'slow', pain: '0' }, found)?.session?.planned).toBeNull();
    expect(bodiesOf('2026-04-11', { ...EMPTY, slot: 'act', pain: '1' }, found)?.session).toMatchObject({
      kind: 'sport',
      minutes: 40,
      entries: [{ prescription: null, sets: [], pain: 1 }],
    });
  });

  test.each([
    [{ score: '11' }, 'score'],
    [{ score: '2.5' }, 'score'],
    [{ score: 'x' }, 'score'],
    [{ stiff: '5' }, 'score'],
    [{ score: '2', stiff: '-1' }, 'stiff'],
    [{ slot: 'slow' }, 'pain'],
    [{ slot: 'slow', pain: '12' }, 'pain'],
    [{ pain: '2' }, 'slot'],
  ])('says of %o what is wrong, and sends nothing of the line', (typed, field) => {
    expect(Object.keys(faultsOf({ ...EMPTY, ...typed }))).toEqual([field]);
    expect(bodiesOf('2026-04-10', { ...EMPTY, ...typed }, found)).toBeNull();
  });

  test('a sound line has no fault, whatever whole numbers stand in it', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10 }),
        fc.integer({ min: 0, max: 10 }),
        fc.nat(300),
        (score, pain, stiff) => {
          const line = { score: String(score), stiff: String(stiff), slot: 'slow', pain: String(pain) };
          expect(faultsOf(line)).toEqual({});
          expect(bodiesOf('2026-04-10', line, found)?.session?.entries[0]?.pain).toBe(pain);
        },
      ),
    ));
});
