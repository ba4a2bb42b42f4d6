import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { added, at, leaves, moved, removed, repeated, replaced, typed } from '../../web/features/library/tree';

const programme = {
  key: 'our_knee',
  title: 'Our knee',
  caution: null,
  structures: ['patellar_tendon', 'quadriceps_tendon'],
  stages: [
    {
      key: 'holds',
      title: 'Holds',
      prescriptions: [
        { key: 'wall', dose: { sets: 3, hold_s: 30 }, progression: { levers: [{ lever: 'sets', to: 5 }] } },
      ],
    },
  ],
};

describe('a document that is edited', () => {
  test('shows every single value that may be changed, and no key that others point at', () => {
    expect(leaves(programme).map((leaf) => [leaf.path.join('.'), leaf.value])).toEqual([
      ['title', 'Our knee'],
      ['caution', null],
      ['structures', ['patellar_tendon', 'quadriceps_tendon']],
      ['stages.0.title', 'Holds'],
      ['stages.0.prescriptions.0.dose.sets', 3],
      ['stages.0.prescriptions.0.dose.hold_s', 30],
      ['stages.0.prescriptions.0.progression.levers.0.to', 5],
    ]);
    expect(leaves({ lever: 'short' })).toEqual([{ path: ['lever'], value: 'short' }]);
  });

  test('is changed at one place and stays what it is everywhere else', () => {
    const before = JSON.stringify(programme);
    const after = replaced(programme, ['stages', 0, 'prescriptions', 0, 'dose', 'sets'], 4);
    expect(at(after, ['stages', 0, 'prescriptions', 0, 'dose'])).toEqual({ sets: 4, hold_s: 30 });
    expect(JSON.stringify(programme)).toBe(before);
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (document, next) => {
        for (const leaf of leaves(document)) {
          const changed = replaced(document, leaf.path, next);
          expect(at(changed, leaf.path)).toEqual(next);
          expect(replaced(changed, leaf.path, at(document, leaf.path))).toEqual(document);
        }
      }),
      { numRuns: 50 },
    );
    expect(at(programme, ['stages', 7, 'title'])).toBeUndefined();
  });

  test('loses a thing of a list, and gets one a second time under a key of its own', () => {
    const two = repeated(programme, ['stages', 0]);
    expect((at(two, ['stages']) as { key: string }[]).map((item) => item.key)).toEqual(['holds', 'holds_2']);
    expect((at(repeated(two, ['stages', 0]), ['stages']) as { key: string }[]).map((item) => item.key)).toEqual([
      'holds',
      'holds_3',
      'holds_2',
    ]);
    expect(at(removed(two, ['stages', 1]), ['stages'])).toEqual(programme.stages);
    expect(removed(programme, ['title'])).toBe(programme);
    expect(repeated(programme, ['title'])).toBe(programme);
  });

  test('takes what was typed as the kind of value that was there', () => {
    expect([typed('2,5', 2), typed('2.5', 2), typed('', 2), typed('two', 2)]).toEqual([2.5, 2.5, '', 'two']);
    expect([typed('', null), typed('x', null), typed('3', 'text')]).toEqual([null, 'x', '3']);
    expect(typed(' box, , step ', ['box'])).toEqual(['box', 'step']);
  });
});

describe('the order of a list', () => {
  const document = {
    stages: [
      { key: 'a', gate: [{ type: 'days' }] },
      { key: 'b', gate: [] },
      { key: 'c', gate: [] },
    ],
  };
  const keys = (value: unknown) => (at(value, ['stages']) as { key: string }[]).map((item) => item.key);

  test('moves one place at a time, and stays at its ends', () => {
    expect(keys(moved(document, ['stages', 1], -1))).toEqual(['b', 'a', 'c']);
    expect(keys(moved(document, ['stages', 1], 1))).toEqual(['a', 'c', 'b']);
    expect(moved(document, ['stages', 0], -1)).toBe(document);
    expect(moved(document, ['stages', 2], 1)).toBe(document);
    expect(moved(document, ['title'], 1)).toBe(document);
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 2 }), fc.nat(), (list, at_) => {
        const place = at_ % (list.length - 1);
        expect(moved(moved({ list }, ['list', place], 1), ['list', place + 1], -1)).toEqual({ list });
      }),
    );
  });

  test('gets a thing at its end, under a key that nothing else has', () => {
    expect(keys(added(document, ['stages'], { key: 'd' }))).toEqual(['a', 'b', 'c', 'd']);
    expect(keys(added(document, ['stages'], { key: 'b' }))).toEqual(['a', 'b', 'c', 'b_2']);
    expect(at(added(document, ['stages', 1, 'gate'], { type: 'days' }), ['stages', 1, 'gate'])).toEqual([
      { type: 'days' },
    ]);
    expect(at(added(document, ['stages', 1, 'gate'], { key: 'a' }), ['stages', 1, 'gate', 0, 'key'])).toBe('a_2');
    expect(added(document, ['stages', 0, 'key'], {})).toBe(document);
    // A list that is not there yet, and a thing whose key stands on the exercise in it.
    const waiting = { starts_when: { stage_week: 2 }, prescription: { key: 'a' } };
    const one = added(document, ['stages', 1, 'waiting'], waiting);
    expect(at(one, ['stages', 1, 'waiting'])).toEqual([{ ...waiting, prescription: { key: 'a_2' } }]);
    const two = repeated(one, ['stages', 1, 'waiting', 0]);
    expect(at(two, ['stages', 1, 'waiting', 1, 'prescription', 'key'])).toBe('a_2_2');
  });
});
