import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { EVERYTHING, type Narrowing, narrowingOf } from '../../web/features/round/useRound';

/** As the Round writes it into the address. */
const written = (narrowing: Narrowing): URLSearchParams =>
  new URLSearchParams(Object.fromEntries(Object.entries(narrowing).filter(([, value]) => value !== '')));

describe('what the Round is narrowed to', () => {
  test('comes back from the address as it was left', () => {
    const any = fc.record({
      search: fc.string(),
      practitioner: fc.string(),
      structure: fc.string(),
      stage: fc.string(),
      event: fc.constantFrom<Narrowing['event']>('', 'week'),
    });
    fc.assert(
      fc.property(any, (narrowing) => {
        expect(narrowingOf(new URLSearchParams(written(narrowing).toString()))).toEqual(narrowing);
      }),
    );
  });

  test('is everything where the address says nothing, or what nobody knows', () => {
    expect(narrowingOf(new URLSearchParams(''))).toEqual(EVERYTHING);
    expect(narrowingOf(new URLSearchParams('event=month&colour=red'))).toEqual(EVERYTHING);
    expect(written(EVERYTHING).toString()).toBe('');
  });
});
