import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

import { describe, expect, it } from 'vitest';

import { Body, type FigureData, frameAt, jointAt, POINTS } from '../../web/figure/figure';
import { capsuleOf, type Circle, hullOf, seenFrom } from '../../web/figure/geometry';
import { endsOf, pacedAt, shownAt } from '../../web/figure/motion';
import { paint } from '../../web/figure/paint';
import { frameOf, svgOf } from '../../web/figure/picture';
import { levelAt, timelineOf } from '../../web/pacer/timeline';

// What the core sends; tests/core/FiguresTest.php holds it to that.
const kept = JSON.parse(readFileSync('tests/web/figures.json', 'utf8')) as {
  points: string[];
  figures: Record<string, FigureData>;
};

const figure = (key: string): FigureData => {
  const found = kept.figures[key];
  if (found === undefined) throw new Error(key);
  return found;
};

const ALL = Object.keys(kept.figures);
const numbersOf = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('the points of a body', () => {
  it('are those that the core sends, in its order', () => {
    expect(POINTS).toEqual(kept.points);
  });

  it('are seen from the side with what is ahead to the right, and from in front with the right side to the left', () => {
    const side = seenFrom({ turn: 0, tilt: 0 });
    expect(side(100, 0, 0).x).toBeCloseTo(10);
    expect(side(0, 100, 0).y).toBeCloseTo(-10);
    expect(side(0, 0, 100).depth).toBeCloseTo(10);
    const front = seenFrom({ turn: 90, tilt: 0 });
    expect(front(0, 0, 100).x).toBeCloseTo(-10);
    expect(front(100, 0, 0).depth).toBeCloseTo(10);
    const above = seenFrom({ turn: 0, tilt: 90 });
    expect(above(0, 0, 100).y).toBeCloseTo(10);
    expect(above(0, 100, 0).depth).toBeCloseTo(10);
  });

  it('go from one frame to the next on the straight way', () => {
    const squat = figure('squat');
    const [first, second, last] = [
      squat.frames[0] ?? [],
      squat.frames[1] ?? [],
      squat.frames[squat.frames.length - 1] ?? [],
    ];
    expect(frameAt(squat, 0)).toEqual(first);
    expect(frameAt(squat, 1)).toEqual(last);
    expect(frameAt(squat, 7)).toEqual(last);
    const half = frameAt(squat, 0.5 / (squat.frames.length - 1));
    half.forEach((value, i) => {
      expect(value).toBeCloseTo(((first[i] ?? 0) + (second[i] ?? 0)) / 2);
    });
  });

  it('come up another way than they go down where both legs lift', () => {
    const decline = figure('decline_eccentric');
    const foot = (isLifting: boolean) => new Body(decline, frameAt(decline, 0.5, isLifting)).point('ball.other').y;
    expect(foot(true) - foot(false)).toBeGreaterThan(4);
    expect(frameAt(figure('squat'), 0.3, true)).toEqual(frameAt(figure('squat'), 0.3, false));
  });
});

describe('the angle that is drawn', () => {
  it('is the one that the arc says, at both ends and on the way', () => {
    for (const key of ['squat', 'wall_sit', 'decline_eccentric', 'leg_press_one']) {
      const found = figure(key);
      if (found.angle === null) throw new Error(key);
      expect(jointAt(found, frameAt(found, 1))).toBeCloseTo(found.angle.high_deg, -0.5);
      if (!found.holds) expect(jointAt(found, frameAt(found, 0))).toBeCloseTo(found.angle.low_deg, -0.5);
      const angles = Array.from({ length: 41 }, (_, i) => jointAt(found, frameAt(found, i / 40)) ?? 0);
      const steps = angles.slice(1).map((angle, i) => angle - (angles[i] ?? 0));
      expect(
        steps.every((step) => step <= 0.6) || steps.every((step) => step >= -0.6),
        `${key} goes one way: ${angles.map(Math.round).join(' ')}`,
      ).toBe(true);
    }
  });
});

describe('shapes', () => {
  const circles: Circle[] = [
    { x: 0, y: 0, r: 3 },
    { x: 10, y: 4, r: 1 },
    { x: -2, y: 9, r: 2 },
  ];

  it('enclose every circle that they are made of', () => {
    const points = hullOf(circles)
      .slice(1, -1)
      .split('L')
      .map((pair) => pair.split(' ').map(Number));
    const inside = (x: number, y: number) => {
      const signs = points.map(([ax = 0, ay = 0], i) => {
        const [bx = 0, by = 0] = points[(i + 1) % points.length] ?? [];
        return (bx - ax) * (y - ay) - (by - ay) * (x - ax);
      });
      return signs.every((sign) => sign > -1) || signs.every((sign) => sign < 1);
    };
    for (const { x, y, r } of circles) {
      for (let i = 0; i < 24; i++) expect(inside(x + 0.95 * r * Math.cos(i), y + 0.95 * r * Math.sin(i))).toBe(true);
    }
    expect(inside(30, 30)).toBe(false);
  });

  it('are one circle where the smaller lies in the larger', () => {
    expect(capsuleOf({ x: 0, y: 0, r: 5 }, { x: 1, y: 0, r: 2 })).toBe(
      capsuleOf({ x: 0, y: 0, r: 5 }, { x: 0, y: 1, r: 1 }),
    );
    expect(capsuleOf({ x: 0, y: 0, r: 5 }, { x: 20, y: 0, r: 2 })).toContain('L');
  });

  it.each(ALL)('of %s can be drawn at every level, and lie in its picture', (key) => {
    const found = figure(key);
    const frame = frameOf(found);
    expect(frame.w).toBe(frame.h);
    for (const level of [0, 0.13, 0.5, 0.77, 1]) {
      for (const shape of paint(found, level)) {
        expect(numbersOf(shape.d).every(Number.isFinite)).toBe(true);
        expect(shape.d.includes('NaN')).toBe(false);
      }
      if (found.near !== null) continue;
      const body = new Body(found, frameAt(found, level));
      for (const name of POINTS) {
        const { x, y } = body.point(name);
        expect(
          x > frame.x && x < frame.x + frame.w && y > frame.y && y < frame.y + frame.h,
          `${name} at ${level}`,
        ).toBe(true);
      }
    }
  });

  it('are fewer in a small picture, which has no arc', () => {
    const [large, small] = [paint(figure('squat'), 0), paint(figure('squat'), 0, false, { isSmall: true })];
    expect(small.map((shape) => shape.d).join('').length).toBeLessThan(large.map((shape) => shape.d).join('').length);
    expect(large.filter((shape) => shape.text !== undefined).map((shape) => shape.text?.says)).toEqual(['10–90°']);
    expect(small.some((shape) => shape.text !== undefined)).toBe(false);
  });

  it('show the loaded tendon and muscle of the limb that works, and the near leg before the far one', () => {
    const tones = paint(figure('decline_eccentric'), 0).map((shape) => shape.stroke ?? shape.fill);
    expect(tones.filter((tone) => tone === 'tendon')).toHaveLength(2);
    expect(tones.filter((tone) => tone === 'muscle')).toHaveLength(1);
    expect(tones.indexOf('farCloth')).toBeLessThan(tones.indexOf('tendon'));
  });

  it('show one arm alone where only that matters', () => {
    expect(figure('wrist_curl').shows).toBe('arm');
    expect(paint(figure('wrist_curl'), 0).some((shape) => shape.fill === 'cloth' || shape.fill === 'far')).toBe(false);
  });

  it('say how far a turn goes each way', () => {
    expect(paint(figure('hammer_turns'), 0).find((shape) => shape.text !== undefined)?.text?.says).toBe('75° each way');
  });

  it('are mirrored for the left side, but not their words', () => {
    const [right, left] = [svgOf(figure('squat'), 0, false, {}, false), svgOf(figure('squat'), 0, false, {}, true)];
    expect(right).not.toContain('scale(-1 1)');
    expect(left.match(/scale\(-1 1\)/g)).toHaveLength(2);
    // Twice turned over: the words are where the arc is, and read from left to right.
    expect(/<text x="[^"]+" transform="translate/.test(left)).toBe(true);
  });
});

describe('a figure that is shown over and over', () => {
  it('waits at its ends, and goes between them without a jump', () => {
    const squat = figure('squat');
    const places = Array.from({ length: 1400 }, (_, i) => shownAt(squat, i / 100));
    expect(Math.min(...places.map((place) => place.level))).toBe(0);
    expect(Math.max(...places.map((place) => place.level))).toBe(1);
    const jumps = places.slice(1).map((place, i) => Math.abs(place.level - (places[i]?.level ?? 0)));
    expect(Math.max(...jumps)).toBeLessThan(0.02);
    expect(
      places.every((place, i) => i === 0 || place.level <= (places[i - 1]?.level ?? 0) || places[i - 1]?.isLifting),
    ).toBe(true);
  });

  it('holds longer than it moves where it is a hold, and goes round where it is a round', () => {
    const share = (key: string) =>
      Array.from({ length: 2000 }, (_, i) => shownAt(figure(key), i / 100)).filter((place) => place.level === 1).length;
    expect(share('wall_sit')).toBeGreaterThan(1.4 * share('squat'));
    const round = figure('run_sprints').round_s ?? 0;
    expect(shownAt(figure('run_sprints'), round).level).toBeCloseTo(0.5);
    expect(shownAt(figure('run_sprints'), 2.2 * round).level).toBeCloseTo(0.1);
  });

  it('has two ends to stand at where nothing moves: where it begins first', () => {
    expect(endsOf(figure('squat')).map((place) => place.level)).toEqual([1, 0]);
    expect(endsOf(figure('wall_sit')).map((place) => place.level)).toEqual([0, 1]);
    expect(endsOf(figure('run_sprints')).map((place) => place.level)).toEqual([0, 0.4]);
  });
});

describe('a figure in a paced set', () => {
  const dose = {
    sets: 3,
    reps: 4,
    rest_s: 60,
    tempo: { lift_s: 3, top_s: 1, lower_s: 4, bottom_s: 1, starts: 'lower' as const },
  };

  it('stands at the level of the mark at every moment', () => {
    const line = timelineOf(dose, 'isotonic');
    if (line === null) throw new Error();
    for (let at = 3; at < line.length; at += 0.07) {
      const place = pacedAt(figure('squat'), line, at);
      expect(place.level).toBe(levelAt(line, at));
    }
    // Counted in, it stands where the first repetition begins: up, where lowering comes first.
    expect(pacedAt(figure('squat'), line, 1).level).toBe(1);
    expect(pacedAt(figure('squat'), line, 3 + 4 + 1 + 1.5).isLifting).toBe(true);
    expect(pacedAt(figure('squat'), line, 3 + 2).isLifting).toBe(false);
  });

  it('holds still in a hold', () => {
    const line = timelineOf({ sets: 3, reps: 2, rest_s: 60, hold_s: 30 }, 'isometric');
    if (line === null) throw new Error();
    expect([4, 10, 32.9].map((at) => pacedAt(figure('wall_sit'), line, at).level)).toEqual([1, 1, 1]);
    expect(pacedAt(figure('wall_sit'), line, 34).level).toBe(0);
  });

  it('goes on by itself in timed work, and round by round in a run', () => {
    const line = timelineOf({ sets: 1, reps: 1, rest_s: 0, work_s: 60 }, 'running');
    if (line === null) throw new Error();
    const round = figure('run_sprints').round_s ?? 0;
    expect(pacedAt(figure('run_sprints'), line, 3 + round * 1.25).level).toBeCloseTo(0.25);
    expect(new Set([4, 5, 6, 7].map((at) => pacedAt(figure('wrist_curl'), line, at).level)).size).toBeGreaterThan(1);
  });
});

describe('the engine', () => {
  it('weighs less than 20 kB, packed, with all its words', () => {
    const sources = readdirSync('web/figure')
      .map((name) => readFileSync(`web/figure/${name}`, 'utf8'))
      .join('');
    expect(gzipSync(sources).length).toBeLessThan(20_000);
  });
});
