import fc from 'fast-check';
import { describe, expect, test } from 'vitest';

import { at, leaves, removed, repeated, replaced, typed } from '../../web/features/library/tree';

const programme = {
  key: 'our_knee', title: 'Our knee', caution: null, structures: ['patellar_tendon', 'quadriceps_tendon'],
  stages: [{ key: 'holds', title: 'Holds', prescriptions: [{ key: 'wall', dose: { sets: 3, hold_s: 30 }, progression: { levers: [{ lever: 'sets', to: 5 }] } }] }],
};

describe('a document that is edited', () => {
  test('shows every single value that may be changed, and no key that others point at', () => {
    expect(leaves(programme).map((one) => [one.path.join('.'), one.value])).toEqual([
      ['title', 'Our knee'], ['caution', null], ['structures', ['patellar_tendon', 'quadriceps_tendon']],
      ['stages.0.title', 'Holds'], ['stages.0.prescriptions.0.dose.sets', 3], ['stages.0.prescriptions.0.dose.hold_s', 30], ['stages.0.prescriptions.0.progression.levers.0.to', 5],
    ]);
    expect(leaves({ lever: 'short' })).toEqual([{ path: ['lever'], value: 'short' }]);
  });

  test('is changed at one place and stays what it is everywhere else', () => {
    const before = JSON.stringify(programme);
    const after = replaced(programme, ['stages', 0, 'prescriptions', 0, 'dose', 'sets'], 4);
    expect(at(after, ['stages', 0, 'prescriptions', 0, 'dose'])).toEqual({ sets: 4, hold_s: 30 });
    expect(JSON.stringify(programme)).toBe(before);
    fc.assert(fc.property(fc.jsonValue(), fc.jsonValue(), (document, next) => {
      for (const leaf of leaves(document)) {
        const changed = replaced(document, leaf.path, next);
        expect(at(changed, leaf.path)).toEqual(next);
        expect(replaced(changed, leaf.path, at(document, leaf.path))).toEqual(document);
      }
    }), { numRuns: 50 });
    expect(at(programme, ['stages', 7, 'title'])).toBeUndefined();
  });

  test('loses a thing of a list, and gets one a second time under a key of its own', () => {
    const two = repeated(programme, ['stages', 0]);
    expect((at(two, ['stages']) as { key: string }[]).map((one) => one.key)).toEqual(['holds', 'holds_2']);
    expect((at(repeated(two, ['stages', 0]), ['stages']) as { key: string }[]).map((one) => one.key)).toEqual(['holds', 'holds_3', 'holds_2']);
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
