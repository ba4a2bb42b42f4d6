import type { TodayData } from '../../web/phone/plan';
import type { Exercise } from '../../web/phone/usePhone';

/** An exercise as the phone gets it: three sets of eight with the sore side. */
export const exercise = (key: string, more: Partial<Exercise> = {}): Exercise => ({
  prescription: key,
  exercise: key,
  title: key,
  figure: null,
  set_up: null,
  movement: null,
  feel: null,
  faults: null,
  cue: null,
  says: {},
  mode: 'isotonic',
  limbs: 'the sore side',
  sides: [{ side: 'left', words: 'left' }],
  words: '3 × 8',
  tempo_words: null,
  band: null,
  max_pain: 3,
  wanted_pain: null,
  pain_by_set: false,
  usual_load: null,
  why: null,
  load: null,
  relief: [
    { kind: 'shorter_range', words: 'Shorter range', exercise: null },
    { kind: 'fewer_sets', words: 'One set fewer', exercise: null },
    {
      kind: 'easier_rung',
      words: 'Easier',
      exercise: { exercise: 'sit', title: 'Wall sit', mode: 'isometric', figure: null, set_up: null, movement: null },
    },
    { kind: 'leave_out', words: 'Leave it', exercise: null },
  ],
  dose: { sets: 3, reps: 8, rest_s: 60 },
  ...more,
});

export const plan = {
  case: 'c1',
  person: 'me',
  plan_version: 4,
  retest: false,
  over_words: 'Make it easier.',
  usual_minutes: { from: 0, to: 90, usual: 45 },
  limits: { stop_at: 8, during_max: 3, settle_within_min: 60 },
} as unknown as TodayData;
