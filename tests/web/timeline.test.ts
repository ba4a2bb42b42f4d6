import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import type { Schemas } from '../../web/api/client';
import { type AudioClock, Pacer } from '../../web/pacer/pacer';
import { COUNT_IN_S, doneBy, levelAt, phaseAt, repsDone, timelineOf, type Tone } from '../../web/pacer/timeline';

type Dose = Schemas['Dose'];

const tempo = fc.record({
  lift_s: fc.integer({ min: 0, max: 6 }),
  top_s: fc.integer({ min: 0, max: 3 }),
  lower_s: fc.integer({ min: 1, max: 6 }),
  bottom_s: fc.integer({ min: 0, max: 3 }),
  starts: fc.constantFrom('lift' as const, 'lower' as const),
});
const paced = fc.record({
  sets: fc.constant(3),
  reps: fc.integer({ min: 1, max: 12 }),
  rest_s: fc.constant(60),
  tempo,
});
const held = fc.record({
  sets: fc.constant(3),
  reps: fc.integer({ min: 1, max: 10 }),
  rest_s: fc.constant(60),
  hold_s: fc.integer({ min: 2, max: 60 }),
});
const any: fc.Arbitrary<[Dose, Schemas['Mode']]> = fc.oneof(
  paced.map((dose): [Dose, Schemas['Mode']] => [dose, 'isotonic']),
  held.map((dose): [Dose, Schemas['Mode']] => [dose, 'isometric']),
);

const lineOf = (dose: Dose, mode: Schemas['Mode']) => {
  const line = timelineOf(dose, mode);
  if (line === null) throw new Error('not paced');
  return line;
};

describe('a set along time', () => {
  test('has no gaps and no overlaps, and lasts what the dose says', () => {
    fc.assert(
      fc.property(any, ([dose, mode]) => {
        const line = lineOf(dose, mode);
        let time = 0;
        for (const phase of line.phases) {
          expect(phase.from).toBe(time);
          expect(phase.to).toBeGreaterThan(phase.from);
          time = phase.to;
        }
        expect(line.length).toBe(time);
        const { tempo: t, hold_s: hold } = dose;
        const work =
          hold === undefined
            ? dose.reps * ((t?.lift_s ?? 0) + (t?.top_s ?? 0) + (t?.lower_s ?? 0) + (t?.bottom_s ?? 0))
            : dose.reps * hold + 2 * (dose.reps - 1);
        expect(line.length).toBe(COUNT_IN_S + work);
      }),
    );
  });

  test('counts repetitions upwards, one by one, and no more than asked', () => {
    fc.assert(
      fc.property(any, ([dose, mode]) => {
        const line = lineOf(dose, mode);
        let before = 0;
        for (let at = 0; at <= line.length; at += 0.5) {
          const now = repsDone(line, at);
          expect(now - before).toBeGreaterThanOrEqual(0);
          expect(now - before).toBeLessThanOrEqual(1);
          before = now;
        }
        expect(repsDone(line, line.length)).toBe(dose.reps);
        expect(repsDone(line, COUNT_IN_S)).toBe(0);
      }),
    );
  });

  test('ended early is never more than was done', () => {
    fc.assert(
      fc.property(any, fc.double({ min: 0, max: 1, noNaN: true }), ([dose, mode], share) => {
        const line = lineOf(dose, mode);
        const done = doneBy(line, dose, mode, share * line.length);
        if (done === null) {
          expect(repsDone(line, share * line.length)).toBe(0);
          return;
        }
        const { reps, held_s } = done;
        expect(reps).toBeGreaterThanOrEqual(Math.max(1, repsDone(line, share * line.length)));
        expect(reps).toBeLessThanOrEqual(dose.reps);
        if (held_s !== null) expect(held_s).toBeLessThanOrEqual(Math.max(0, share * line.length - COUNT_IN_S) + 1e-6);
      }),
    );
  });

  test('moves its mark without a jump, but where nothing lasts no time', () => {
    fc.assert(
      fc.property(
        paced.filter((dose) => dose.tempo.lift_s > 0),
        (dose) => {
          const line = lineOf(dose, 'isotonic');
          for (let at = COUNT_IN_S; at < line.length - 0.1; at += 0.1) {
            expect(Math.abs(levelAt(line, at + 0.1) - levelAt(line, at))).toBeLessThanOrEqual(
              0.1 / Math.min(dose.tempo.lift_s, dose.tempo.lower_s) + 1e-6,
            );
            expect(levelAt(line, at)).toBeGreaterThanOrEqual(0);
            expect(levelAt(line, at)).toBeLessThanOrEqual(1);
          }
        },
      ),
      { numRuns: 40 },
    );
    expect(phaseAt(lineOf({ sets: 1, reps: 1, rest_s: 0, hold_s: 5 }, 'isometric'), 1).move).toBe('ready');
  });
});

describe('the pacer', () => {
  test('asks for every sound once, in order and in time, however irregular its timer is', () => {
    fc.assert(
      fc.property(
        any,
        fc.array(fc.integer({ min: 10, max: 250 }), { minLength: 5, maxLength: 40 }),
        ([dose, mode], late) => {
          let now = 50;
          const asked: { tone: Tone; at: number }[] = [];
          const clock: AudioClock = {
            now: () => now,
            play: (tone, at) => {
              asked.push({ tone, at });
            },
            hush: () => undefined,
            loud: () => undefined,
          };
          const line = lineOf(dose, mode);
          const announced: number[] = [];
          const pacer = new Pacer(clock, line, ({ due, asked: at }) => announced.push(at - due));
          pacer.start();
          const began = now + 0.12;
          for (let i = 0; !pacer.isOver(); i++) {
            now += (late[i % late.length] ?? 100) / 1000;
            pacer.ask(false);
          }
          expect(asked.map((request) => request.tone)).toEqual(line.sounds.map((sound) => sound.tone));
          asked.forEach((request, i) => {
            expect(request.at - began).toBeCloseTo(line.sounds[i]?.at ?? -1, 6);
          });
          expect(Math.max(...announced)).toBeCloseTo(0, 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('that was paused goes on where it was after a count-in, or from the beginning where it was still being counted in', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.8, noNaN: true }), fc.integer({ min: 1, max: 600 }), (share, pause) => {
        let now = 0;
        const clock: AudioClock = {
          now: () => now,
          play: () => undefined,
          hush: () => undefined,
          loud: () => undefined,
        };
        const line = lineOf({ sets: 1, reps: 1, rest_s: 0, hold_s: 30 }, 'isometric');
        const pacer = new Pacer(clock, line);
        pacer.start();
        now += share * line.length;
        pacer.pause();
        const at = pacer.position();
        now += pause;
        expect(pacer.position()).toBe(at);
        expect(pacer.isRunning()).toBe(false);
        pacer.start();
        const waits = at > COUNT_IN_S;
        now += waits ? COUNT_IN_S : 0;
        expect(pacer.position()).toBeCloseTo(waits ? at : 0, 6);
        now += 0.12 + line.length - (waits ? at : 0);
        expect(pacer.position()).toBeCloseTo(line.length, 6);
      }),
    );
  });
});
