import type { Schemas } from '../../api/client';

export type Library = Schemas['Library'];
export type Exercise = Schemas['LibraryExercise'];
export type Kind = Schemas['LibraryKind'];

export const MODES: Record<Schemas['Mode'], string> = {
  isometric: 'hold',
  isotonic: 'slow strength',
  eccentric: 'lowering',
  plyometric: 'springs',
  running: 'running',
  throwing: 'throwing',
  sport: 'sport',
  control: 'control',
  mobility: 'mobility',
  soft_tissue: 'release',
  mixed: 'mixed',
};

/** How a measure is taken. */
export const MEASURE_KINDS: Record<Schemas['MeasureKind'], string> = {
  force: 'force, by gauge',
  repetition_maximum: 'maximum, worked out from a set',
  count: 'count to a standard',
  hold: 'time held',
  range: 'range',
  distance: 'distance',
  minutes: 'minutes',
  score: 'score',
};

export const CHANGES = {
  limbs: 'limbs',
  lever: 'longer lever',
  range: 'more range',
  load: 'more load',
  speed: 'faster',
  support: 'less support',
  contraction: 'other contraction',
} as const;

export const DIRECTNESS = { target: 'directly', shared: 'together with others', slight: 'slightly' } as const;

export const REGIONS: Record<string, string> = {
  knee: 'Knee',
  calf: 'Calf, heel and sole',
  hip: 'Hip and groin',
  shoulder: 'Shoulder',
  elbow: 'Elbow and hand',
};
