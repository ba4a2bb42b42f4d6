import { describe, expect, it } from 'vitest';

import { dayOf, put, shifted, weeksOf } from '../../web/features/weeks/grid';
import type { Planned } from '../../web/features/weeks/useWeeks';

const session: Planned = { id: 'a', on: '2026-04-15', slot: 'slow', number: 1, moved_from: null, done: false, open: true };
const weeks = { from: '2026-04-06', today: '2026-04-14', until: '2026-05-11' };

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

  it('make no move of a session that is back where it stood', () => {
    expect(shifted(weeks, session, { a: '2026-04-16', b: '2026-04-20' }, -1)).toEqual({ b: '2026-04-20' });
    expect(put(session, {}, '2026-04-15')).toEqual({});
    expect(dayOf(session, {})).toBe('2026-04-15');
  });
});
