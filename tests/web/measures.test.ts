import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';

import {
  afterEnter,
  begin,
  bodyOf,
  faultOf,
  fromGauge,
  isEmpty,
  type Typed,
  typed,
  withRoom,
} from '../../web/features/measures/tries';
import type { Measure } from '../../web/features/measures/useMeasures';
import { zeroOf } from '../../web/gauge/LiveCurve';
import { lines, type Port, SerialGauge } from '../../web/gauge/serial';
import { contraction, SimulatedGauge } from '../../web/gauge/simulated';

const measure = (part: Partial<Measure> = {}): Measure => ({
  key: 'knee',
  title: 'Knee',
  kind: 'force',
  unit: 'N',
  each_side: true,
  instruction: null,
  tries: 3,
  rest_s: 60,
  higher_is_better: true,
  joint_angle: null,
  loads: true,
  lowest: 0,
  highest: 5000,
  words: '',
  due: null,
  gate: null,
  noise: null,
  ratio: null,
  taken: [],
  ...part,
});
const knee = measure();
const put = (now: Typed, values: Partial<Record<'affected' | 'unaffected', readonly string[]>>): Typed =>
  (['affected', 'unaffected'] as const).reduce(
    (all, side) => (values[side] ?? []).reduce((some, value, i) => typed(some, side, i, { value }), all),
    now,
  );

describe('tries as they are typed', () => {
  it('sends what stands in the boxes, in the unit that was chosen, and no empty box', () => {
    const now = {
      ...put(begin(knee), { affected: ['30,5', '', '31'], unaffected: ['40'] }),
      unit: 'kg' as const,
      leverCm: '32',
      angle: ' knee at 30° ',
    };
    expect(bodyOf(knee, now, '2026-04-14')).toEqual({
      measure: 'knee',
      on: '2026-04-14',
      affected: [
        { value: 30.5, unit: 'kg' },
        { value: 31, unit: 'kg' },
      ],
      unaffected: [{ value: 40, unit: 'kg' }],
      lever_m: 0.32,
      joint_angle: 'knee at 30°',
      confirmed: false,
    });
  });

  it('sends nothing while there is nothing, or a box cannot be read', () => {
    expect(bodyOf(knee, begin(knee), '2026-04-14')).toBeNull();
    expect(bodyOf(knee, put(begin(knee), { affected: ['3o'] }), '2026-04-14')).toBeNull();
    expect(bodyOf(knee, { ...put(begin(knee), { affected: ['30'] }), leverCm: 'long' }, '2026-04-14')).toBeNull();
    const [first] = begin(knee).affected;
    if (first === undefined) throw new Error('no box');
    expect(faultOf(knee, { ...first, value: 'x' })).toBe('A number.');
    expect(faultOf(knee, first)).toBeUndefined();
  });

  it('keeps a struck try, and asks again about odd values once something changes', () => {
    const now = typed({ ...put(begin(knee), { affected: ['300', '900'] }), confirmed: true }, 'affected', 1, {
      struck: true,
    });
    expect(now.confirmed).toBe(false);
    expect(bodyOf(knee, now, '2026-04-14')?.affected).toEqual([
      { value: 300, unit: 'N' },
      { value: 900, unit: 'N', struck: true },
    ]);
  });

  it('puts tries of the gauge into the first empty boxes, and makes room for more', () => {
    let now = put(begin(knee), { affected: ['300'] });
    for (const id of ['a', 'b', 'c']) now = fromGauge(now, 'affected', { id, peak: 310 });
    expect(now.affected).toHaveLength(4);
    expect(bodyOf(knee, now, '2026-04-14')?.affected).toEqual([
      { value: 300, unit: 'N' },
      { curve: 'a' },
      { curve: 'b' },
      { curve: 'c' },
    ]);
    expect(withRoom(begin(knee), 'affected').affected).toHaveLength(3);
  });

  it('reads a set as load, repetitions and reserve', () => {
    const press = measure({ kind: 'repetition_maximum', unit: 'kg', tries: 1 });
    const set = (load: string, reps: string, rir: string) => typed(begin(press), 'affected', 0, { load, reps, rir });
    expect(bodyOf(press, set('62,5', '6', ''), '2026-04-14')?.affected).toEqual([{ load_kg: 62.5, reps: 6, rir: 0 }]);
    for (const [load, reps, rir] of [
      ['', '6', ''],
      ['60', '6.5', ''],
      ['60', '0', ''],
      ['60', '6', '-1'],
      ['-5', '6', ''],
    ] as const)
      expect(bodyOf(press, set(load, reps, rir), '2026-04-14')).toBeNull();
  });

  it('goes by Enter from box to box, from an empty one to the other side, and then keeps', () => {
    const now = put(begin(knee), { affected: ['300', '310'], unaffected: ['400'] });
    expect(afterEnter(knee, now, 'affected', 0)).toEqual({ side: 'affected', at: 1 });
    expect(afterEnter(knee, now, 'affected', 2)).toEqual({ side: 'unaffected', at: 0 });
    expect(afterEnter(knee, now, 'unaffected', 1)).toBe('keep');
    const one = measure({ each_side: false, tries: 1 });
    expect(afterEnter(one, begin(one), 'affected', 0)).toBe('keep');
    expect(begin(one).unaffected).toEqual([]);
  });

  it('reaches keeping by Enter alone, whatever is typed', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('', '5'), { minLength: 6, maxLength: 6 }), (values) => {
        const now = put(begin(knee), { affected: values.slice(0, 3), unaffected: values.slice(3) });
        let at: ReturnType<typeof afterEnter> = { side: 'affected', at: 0 };
        for (let i = 0; i < 8 && at !== 'keep'; i++) at = afterEnter(knee, now, at.side, at.at);
        expect(at).toBe('keep');
        expect(now.affected.filter(isEmpty).length + now.unaffected.filter(isEmpty).length).toBe(
          values.filter((value) => value === '').length,
        );
      }),
    );
  });
});

describe('the simulated gauge', () => {
  it('sends 80 frames a second in order, with a pull in them', () => {
    vi.useFakeTimers();
    let now = 0;
    const gauge = new SimulatedGauge({ peak: 300, after: 0.5, lasts: 2 }, 7, () => now);
    const frames: { ms: number; force: number }[] = [];
    gauge.start((more) => frames.push(...more));
    for (let i = 0; i < 80; i++) {
      now += 50;
      vi.advanceTimersByTime(50);
    }
    gauge.stop();
    const count = frames.length;
    now += 1000;
    vi.advanceTimersByTime(1000);
    vi.useRealTimers();
    expect(frames).toHaveLength(count);
    expect(count).toBe(321);
    expect(frames.every((frame, i) => i === 0 || Math.abs(frame.ms - (frames[i - 1]?.ms ?? 0) - 12.5) < 1e-9)).toBe(
      true,
    );
    expect(Math.max(...frames.map((frame) => frame.force))).toBeGreaterThan(280);
    expect(zeroOf(frames)).toBeGreaterThan(4);
    expect(zeroOf(frames)).toBeLessThan(8);
    expect(zeroOf([])).toBe(0);
  });

  it('rises quickly, tires slowly and lets go', () => {
    const pull = { peak: 200, after: 1, lasts: 3 };
    expect(contraction(pull, 1)).toBe(0);
    expect(contraction(pull, 1.5)).toBeGreaterThan(180);
    expect(contraction(pull, 3.9)).toBeLessThan(contraction(pull, 2.2));
    expect(contraction(pull, 4.3)).toBe(0);
  });
});

describe('a gauge on a cable', () => {
  it('reads lines in whatever pieces they come, and passes over what is none', () => {
    const split = lines();
    expect(split('0,1.5\r\n12')).toEqual([{ ms: 0, force: 1.5 }]);
    expect(split('.5,-2\nready\n25,3')).toEqual([{ ms: 12.5, force: -2 }]);
    expect(split('\n')).toEqual([{ ms: 25, force: 3 }]);
  });

  it('passes on what comes between start and stop, counted from the start', async () => {
    let send: (text: string) => void = () => undefined;
    const readable = new ReadableStream<Uint8Array>({
      start: (controller) => {
        send = (text) => controller.enqueue(new TextEncoder().encode(text));
      },
    });
    const port: Port = { open: () => Promise.resolve(), readable, close: () => Promise.resolve() };
    const gauge = new SerialGauge({ requestPort: () => Promise.resolve(port) });
    await gauge.open();
    const frames: { ms: number; force: number }[] = [];
    const settle = () =>
      new Promise((done) => {
        setTimeout(done, 5);
      });
    send('100,1\n');
    await settle();
    gauge.start((more) => frames.push(...more));
    send('112,2\n125,3\n');
    await settle();
    gauge.stop();
    send('140,4\n');
    await settle();
    expect(frames).toEqual([
      { ms: 0, force: 2 },
      { ms: 13, force: 3 },
    ]);
    await gauge.close();
  });

  it('says what to do where no gauge is chosen', async () => {
    const gauge = new SerialGauge({ requestPort: () => Promise.reject(new Error('no')) });
    await expect(gauge.open()).rejects.toThrow('or type what it shows');
  });
});
