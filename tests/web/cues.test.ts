// @vitest-environment happy-dom
import { describe, expect, test, vi } from 'vitest';

import { titleOf } from '../../web/features/athlete/titles';
import { spokenOf, cue, wordOf } from '../../web/pacer/cues';
import { timelineOf } from '../../web/pacer/timeline';
import type { Due } from '../../web/phone/usePhone';

const line = timelineOf(
  { sets: 3, reps: 2, rest_s: 60, tempo: { lift_s: 2, top_s: 1, lower_s: 3, bottom_s: 0, starts: 'lift' } },
  'isotonic',
);
if (line === null) throw new Error('not paced');
const turn = { lift: 'Turn out', lower: 'Turn in' };

describe('what the pacer says', () => {
  test('is the exercise’s own where it has some, else the usual', () => {
    expect(['lift', 'hold', 'lower', 'work'].map((move) => wordOf(move as 'lift', turn))).toEqual([
      'Turn out',
      'Hold',
      'Turn in',
      'Work',
    ]);
    expect(wordOf('lift', {})).toBe('Lift');
  });

  test('counts where a repetition begins, and not within it', () => {
    expect(line.phases.map((phase) => spokenOf(line, phase, turn))).toEqual([
      'Ready',
      '1. Turn out',
      'Hold',
      'Turn in',
      '2. Turn out',
      'Hold',
      'Turn in',
    ]);
    const hold = timelineOf({ sets: 1, reps: 1, rest_s: 0, hold_s: 30 }, 'isometric');
    expect(hold?.phases.map((phase) => spokenOf(hold, phase, { hold: 'Press' }))).toEqual(['Ready', 'Press']);
  });

  test('is spoken and shaken only where that was chosen, and a phone that can do neither goes on', () => {
    const [, lift] = line.phases;
    if (lift === undefined) throw new Error('no phase');
    const shaken: unknown[] = [];
    const spoken: string[] = [];
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    );
    vi.stubGlobal('speechSynthesis', {
      cancel: () => undefined,
      speak: (words: { text: string }) => {
        spoken.push(words.text);
      },
    });
    Object.defineProperty(navigator, 'vibrate', {
      configurable: true,
      value: (how: unknown) => {
        shaken.push(how);
        return true;
      },
    });
    cue(line, lift, turn, { spoken: false, shake: false });
    expect([spoken, shaken]).toEqual([[], []]);
    cue(line, lift, turn, { spoken: true, shake: true });
    expect([spoken, shaken]).toEqual([['1. Turn out'], [80]]);
    vi.unstubAllGlobals();
    Reflect.deleteProperty(navigator, 'vibrate');
    expect(() => cue(line, lift, turn, { spoken: true, shake: true })).not.toThrow();
  });
});

test('one of several sessions of a day says which, and from when', () => {
  const due = (part: Due['part'], at: string | null = null) => titleOf({ title: 'Hands', part, at } as Due);
  expect([
    due(null),
    due({ number: 2, of: 3, least_hours: 4, from: null }),
    due({ number: 2, of: 3, least_hours: 4, from: '13:00' }),
  ]).toEqual(['Hands', 'Hands, 2 of 3', 'Hands, 2 of 3, from 13:00']);
  // The time that the practice set goes before what the hours between would allow.
  expect([due(null, '07:30'), due({ number: 2, of: 3, least_hours: 4, from: '13:00' }, '12:00')]).toEqual([
    'Hands, at 07:30',
    'Hands, 2 of 3, at 12:00',
  ]);
});
