import { describe, expect, it } from 'vitest';

import {
  dayOf,
  everyWeek,
  isLeftOut,
  leftOut,
  marked,
  marksOf,
  onceMore,
  put,
  sameMarks,
  shifted,
  shiftedAll,
  swapped,
  weeksOf,
  withOnceMore,
  withoutSport,
  withSport,
} from '../../web/features/weeks/grid';
import type { Planned } from '../../web/features/weeks/useWeeks';

const session: Planned = {
  id: 'a',
  on: '2026-04-15',
  slot: 'slow',
  number: 1,
  at: null,
  practice: null,
  moved_from: null,
  state: 'planned',
  hook: null,
  missed_why: null,
  open: true,
};
const weeks = { from: '2026-04-06', today: '2026-04-14', until: '2026-05-11', last: '2026-05-11' };

describe('weeks', () => {
  it('begin on a Monday and hold every day that can be planned', () => {
    const rows = weeksOf(weeks);
    expect(rows.every((row) => row.length === 7)).toBe(true);
    expect(rows[0]?.[0]).toBe('2026-04-06');
    expect(rows.flat()).toContain('2026-05-11');
    expect(rows).toHaveLength(6);
  });

  it('move a session by days and weeks, never before today or beyond what is planned', () => {
    expect(shifted(weeks, session, {}, 1)).toEqual({ a: '2026-04-16' });
    expect(shifted(weeks, session, { a: '2026-04-16' }, 7)).toEqual({ a: '2026-04-23' });
    expect(shifted(weeks, session, {}, -1)).toEqual({ a: '2026-04-14' });
    expect(shifted(weeks, session, { a: '2026-04-14' }, -1)).toEqual({ a: '2026-04-14' });
    expect(shifted(weeks, session, { a: '2026-05-10' }, 7)).toEqual({ a: '2026-05-10' });
  });

  it('show a session once more beside itself, until it is not done once more', () => {
    const again = onceMore(weeks, session, {});
    expect(again).toEqual({ 'again:a': '2026-04-16' });
    expect(onceMore(weeks, session, { a: '2026-05-11' }), 'after the planned days there is none').toEqual({
      a: '2026-05-11',
    });
    const [first, second, ...none] = withOnceMore([session], again);
    expect(none).toEqual([]);
    expect(first).toEqual(session);
    expect(dayOf(second ?? session, again)).toBe('2026-04-16');
    expect(shifted(weeks, second ?? session, again, 1), 'it is moved by itself').toEqual({ 'again:a': '2026-04-17' });
    expect(onceMore(weeks, second ?? session, again), 'and not doubled again').toEqual(again);
    expect(leftOut(second ?? session, again)).toEqual({});
  });

  it('make no move of a session that is back where it stood', () => {
    expect(shifted(weeks, session, { a: '2026-04-16', b: '2026-04-20' }, -1)).toEqual({ b: '2026-04-20' });
    expect(put(session, {}, '2026-04-15')).toEqual({});
    expect(dayOf(session, {})).toBe('2026-04-15');
  });

  it('shift a session and all after it, leave out what comes after the planned days, and never go before today', () => {
    const at = (id: string, on: string, open = true): Planned => ({ ...session, id, on, open });
    const all = {
      ...weeks,
      sessions: [
        at('done', '2026-04-14', false),
        at('first', '2026-04-14'),
        at('a', '2026-04-15'),
        at('b', '2026-04-18'),
        at('last', '2026-05-11'),
      ],
    };
    expect(shiftedAll(all, session, {}, 1)).toEqual({ a: '2026-04-16', b: '2026-04-19', last: null });
    expect(shiftedAll(all, session, { b: null }, 1), 'what is left out stays so').toEqual({
      a: '2026-04-16',
      b: null,
      last: null,
    });
    expect(shiftedAll(all, session, {}, -1)).toEqual({ a: '2026-04-14', b: '2026-04-17', last: '2026-05-10' });
    expect(shiftedAll(all, session, {}, -2)).toEqual({});
    expect(
      shiftedAll(all, session, { a: '2026-04-16', b: '2026-04-19' }, -1),
      'back where they stood they are no moves',
    ).toEqual({ last: '2026-05-10' });
  });

  it('swap two days with all that can be moved on them', () => {
    const at = (id: string, on: string, open = true): Planned => ({ ...session, id, on, open });
    const all = {
      ...weeks,
      sessions: [
        at('a', '2026-04-15'),
        at('b', '2026-04-15'),
        at('held', '2026-04-15', false),
        at('c', '2026-04-16'),
        at('d', '2026-04-17'),
      ],
    };
    const swappedDays = swapped(all, {}, '2026-04-15', '2026-04-16');
    expect(swappedDays).toEqual({ a: '2026-04-16', b: '2026-04-16', c: '2026-04-15' });
    expect(swapped(all, swappedDays, '2026-04-15', '2026-04-16'), 'twice it is as it was').toEqual({});
    expect(
      swapped(all, { b: null }, '2026-04-15', '2026-04-18'),
      'with an empty day it moves; what is left out stays out',
    ).toEqual({ a: '2026-04-18', b: null });
    expect(swapped(all, {}, '2026-04-13', '2026-04-15'), 'not with a day that is over').toEqual({});
    expect(swapped(all, {}, '2026-05-11', '2026-05-12')).toEqual({});
  });

  it('leave a session out and take it back, shown where it stood', () => {
    const out = leftOut(session, {});
    expect(out).toEqual({ a: null });
    expect([isLeftOut(session, out), isLeftOut(session, {})]).toEqual([true, false]);
    expect(dayOf(session, out)).toBe('2026-04-15');
    expect(leftOut(session, out)).toEqual({});
    expect(leftOut(session, { a: '2026-04-20' })).toEqual({ a: null });
  });

  it('mark a day as a show, without training, or like the others, each one alone', () => {
    const now = marksOf({
      today: '2026-04-14',
      events: ['2026-04-11', '2026-04-18'],
      blocked: ['2026-04-20'],
      sport: [],
    });
    expect(now).toEqual({ events: ['2026-04-18'], blocked: ['2026-04-20'], sport: [] });
    expect(marked(now, ['2026-04-17', '2026-04-20'], 'event')).toEqual({
      events: ['2026-04-17', '2026-04-18', '2026-04-20'],
      blocked: [],
      sport: [],
    });
    expect(marked(now, ['2026-04-18'], 'blocked')).toEqual({
      events: [],
      blocked: ['2026-04-18', '2026-04-20'],
      sport: [],
    });
    expect(marked(now, ['2026-04-18', '2026-04-20'], 'none')).toEqual({ events: [], blocked: [], sport: [] });
    expect(sameMarks(marked(marked(now, ['2026-04-25'], 'event'), ['2026-04-25'], 'none'), now)).toBe(true);
    expect(sameMarks(marked(now, ['2026-04-25'], 'event'), now)).toBe(false);
  });

  it('expect sport on a day, or on the same day of every week until another', () => {
    const one = { on: '2026-04-14', what: 'Rehearsal', minutes: 90, effort: 6 };
    expect(everyWeek(one, '').map((each) => each.on)).toEqual(['2026-04-14']);
    expect(everyWeek(one, '2026-05-05').map((each) => each.on)).toEqual([
      '2026-04-14',
      '2026-04-21',
      '2026-04-28',
      '2026-05-05',
    ]);
    const marks = withSport(
      { events: [], blocked: [], sport: [{ ...one, on: '2026-04-20' }] },
      everyWeek(one, '2026-04-21'),
    );
    expect(marks.sport.map((each) => each.on)).toEqual(['2026-04-14', '2026-04-20', '2026-04-21']);
    expect(withoutSport(marks, '2026-04-20').sport.map((each) => each.on)).toEqual(['2026-04-14', '2026-04-21']);
  });
});
