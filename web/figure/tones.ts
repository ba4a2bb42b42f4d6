/** What a shape of a figure is of; each has a tone in daylight (and on paper) and one in the dark. */
export type Tone =
  | 'near'
  | 'far'
  | 'cloth'
  | 'farCloth'
  | 'outline'
  | 'floor'
  | 'prop'
  | 'propTop'
  | 'propSide'
  | 'propLine'
  | 'load'
  | 'band'
  | 'force'
  | 'muscle'
  | 'tendon'
  | 'range'
  | 'text'
  | 'halo';

export const DAYLIGHT: Record<Tone, string> = {
  near: '#f3dfc3',
  far: '#cdb797',
  cloth: '#5d6f68',
  farCloth: '#4a5954',
  outline: '#2c2f28',
  floor: '#ece4d3',
  prop: '#d8d0bf',
  propTop: '#e6dfd0',
  propSide: '#c6bda9',
  propLine: '#7d7768',
  load: '#454a44',
  band: '#2f6d8c',
  force: '#2f6d8c',
  muscle: '#c65a3c',
  tendon: '#9a2a14',
  range: '#1f5a43',
  text: '#23261f',
  halo: '#fffcf5',
};

export const DARK: Record<Tone, string> = {
  near: '#dcc5a0',
  far: '#94836a',
  cloth: '#4f6a5f',
  farCloth: '#3d534a',
  outline: '#0d0f0c',
  floor: '#2b302a',
  prop: '#4c5248',
  propTop: '#5c6357',
  propSide: '#3e443b',
  propLine: '#8a9082',
  load: '#b9bdb0',
  band: '#7fb6d3',
  force: '#7fb6d3',
  muscle: '#d0573a',
  tendon: '#8e1f0a',
  range: '#86c9a6',
  text: '#ece6d8',
  halo: '#1f231e',
};

/** The tones as CSS variables. */
export const tonesOf = (tones: Record<Tone, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(tones).map(([name, tone]) => [`--figure-${name}`, tone]));
