import { describe, expect, test } from 'vitest';

import { traceSeconds, type Work, workPath, workSeconds } from '../../web/charts/ExerciseTrace';

const hold: Work[number] = { mode: 'isometric', dose: { sets: 2, reps: 1, hold_s: 45, rest_s: 60 } };
const slow: Work[number] = {
  mode: 'isotonic',
  dose: { sets: 1, reps: 3, rest_s: 120, tempo: { lift_s: 3, top_s: 0, lower_s: 3, bottom_s: 1, starts: 'lift' } },
};
const hops: Work[number] = { mode: 'plyometric', dose: { sets: 1, reps: 10, rest_s: 60 } };

/** The points of a path, as numbers. */
const points = (path: string): [number, number][] =>
  [...path.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map((found) => [Number(found[1]), Number(found[2])]);

describe('the line of a session', () => {
  test('is as long as its exercises and their rests', () => {
    expect(traceSeconds(hold.dose, hold.mode)).toBe(2 * 45 + 60);
    expect(workSeconds([hold])).toBe(2 * 45 + 60 + 60);
    expect(workSeconds([hold, slow])).toBe(210 + 3 * 7 + 120);
    expect(workSeconds([])).toBe(0);
  });

  test('is drawn on the scale of the longest, so that half the time is half the width', () => {
    const long = Math.max(...points(workPath([hold], 210, 100, 8)).map(([x]) => x));
    const short = Math.max(...points(workPath([hold], 420, 100, 8)).map(([x]) => x));
    expect(long).toBeCloseTo((150 / 210) * 100, 0);
    expect(short).toBeCloseTo(long / 2, 0);
  });

  test('stays inside its box, goes forward in time, and starts over with each set', () => {
    const work = [hold, slow, hops];
    const drawn = points(workPath(work, workSeconds(work), 100, 8));
    expect(drawn.every(([x, y]) => x >= 0 && x <= 100 && y >= 1 && y <= 8)).toBe(true);
    expect(drawn.every(([x], i) => i === 0 || x >= (drawn[i - 1]?.[0] ?? 0))).toBe(true);
    expect(workPath(work, workSeconds(work), 100, 8).match(/M/g)).toHaveLength(2 + 1 + 1);
    expect(workPath([], 0, 100, 8)).toBe('');
  });
});
