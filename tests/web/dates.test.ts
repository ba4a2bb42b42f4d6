import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { localDay, nowIso } from '../../web/phone/moments';
import { ago, day, daysBetween, dayTold, moment, plusDays, since } from '../../web/shell/dates';
import { minutes, sums } from '../../web/shell/doses';

const isoDay = fc
  .date({ min: new Date('2000-01-01T00:00:00Z'), max: new Date('2100-01-01T00:00:00Z'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));

describe('days and moments in words', () => {
  test('days are counted over months, leap days and changes of the clock', () => {
    expect([
      daysBetween('2024-02-28', '2024-03-01'),
      daysBetween('2026-03-28', '2026-03-30'),
      daysBetween('2026-04-14', '2026-04-13'),
    ]).toEqual([2, 2, -1]);
    fc.assert(
      fc.property(isoDay, fc.integer({ min: -4000, max: 4000 }), (from, days) => {
        expect(daysBetween(from, plusDays(from, days))).toBe(days);
      }),
    );
  });

  test('how long ago is said in words up to two weeks back', () => {
    const today = '2026-04-14';
    expect([0, -1, 1, -14, -15].map((days) => ago(plusDays(today, days), today))).toEqual([
      'today',
      'yesterday',
      'tomorrow',
      '14 days ago',
      'Mon 30 Mar',
    ]);
    const now = new Date('2026-04-14T12:00:00Z');
    expect(
      [0, 59, 60, 35 * 60, 36 * 60].map((min) => since(new Date(now.getTime() - min * 60_000).toISOString(), now)),
    ).toEqual(['0 min ago', '59 min ago', '1 h ago', '35 h ago', '2 days ago']);
  });

  test('a moment keeps the hour of where it was', () => {
    expect(moment('2026-04-14T23:30:00-08:00')).toMatch(/^Tue 14 Apr( 2026)?, 23:30$/);
    expect(dayTold('2026-04-14', 2026)).toBe('Tue 14 Apr');
    expect(dayTold('2026-04-14', 2027)).toBe('Tue 14 Apr 2026');
    // Days of this year are written without the year, one or many.
    const year = new Date().getFullYear();
    expect([`${year}-04-14`, `${year}-12-24`].map(day)).toEqual([
      dayTold(`${year}-04-14`, year),
      dayTold(`${year}-12-24`, year),
    ]);
    expect(ago('2025-12-01', '2026-01-31')).toBe('Mon 1 Dec 2025');
  });

  test('now carries the offset of where the phone is and stands for the same moment', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2000-01-01T00:00:00Z'), max: new Date('2100-01-01T00:00:00Z'), noInvalidDate: true }),
        (date) => {
          expect(Math.floor(new Date(nowIso(date)).getTime() / 1000)).toBe(Math.floor(date.getTime() / 1000));
          expect(localDay(date)).toBe(nowIso(date).slice(0, 10));
        },
      ),
    );
  });
});

describe('what an exercise comes to', () => {
  test('seconds are written as minutes from one minute on', () => {
    expect([0, 59.4, 60, 61, 600].map(minutes)).toEqual(['0 s', '59 s', '1 min', '1 min 1 s', '10 min']);
  });

  test('what is nothing is left out, and each limb is named where they take turns', () => {
    expect(sums({ time_under_tension_s: 96, volume_load_kg: 960, contacts: null, duration_s: 400 } as never, 2)).toBe(
      '96 s under tension a limb · 960 kg lifted a limb · 6 min 40 s',
    );
    expect(sums({ time_under_tension_s: null, volume_load_kg: 0, contacts: 30, duration_s: 45 } as never, 1)).toBe(
      '30 landings · 45 s',
    );
  });
});
