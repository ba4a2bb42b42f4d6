import * as z from 'zod/mini';

import { keep, kept, type Kind, useKept } from './store';

export interface Settings {
  units: 'kg' | 'lb';
  sound: boolean;
  /** The pacer says each phase aloud and counts. */
  spoken: boolean;
  /** The phone shakes at each phase, where it can. */
  shake: boolean;
  /** Whether the first pages were seen or skipped on this phone. */
  introduced: boolean;
}

const USUAL: Settings = { units: 'kg', sound: true, spoken: false, shake: false, introduced: false };

const SETTINGS: Kind<Settings> = {
  version: 2,
  shape: z.object({
    units: z.enum(['kg', 'lb']),
    sound: z.boolean(),
    spoken: z.boolean(),
    shake: z.boolean(),
    introduced: z.boolean(),
  }),
  isHeldAtOnce: true,
  migrate: (value) => ({ ...USUAL, ...(value as Partial<Settings>) }),
};

export const useSettings = (): Settings => useKept('settings', SETTINGS) ?? USUAL;

export function changeSettings(part: Partial<Settings>): void {
  void keep('settings', SETTINGS, { ...(kept('settings', SETTINGS) ?? USUAL), ...part });
}

const KG_A_POUND = 0.45359237;

/** A load as the athlete reads it: "40 kg", "88 lb". */
export const loadWords = (kg: number, units: Settings['units']): string =>
  units === 'kg' ? `${kg} kg` : `${Math.round((kg / KG_A_POUND) * 2) / 2} lb`;

/** The number in the athlete's unit. */
export const fromKg = (kg: number, units: Settings['units']): number =>
  units === 'kg' ? kg : Math.round((kg / KG_A_POUND) * 2) / 2;

/** Kilograms of what was typed in the athlete's unit. */
export const toKg = (load: number, units: Settings['units']): number =>
  units === 'kg' ? load : Math.round(load * KG_A_POUND * 100) / 100;

/** Words that the server wrote with kilograms, in the athlete's unit. */
export const inUnits = (words: string, units: Settings['units']): string =>
  units === 'kg' ? words : words.replace(/(\d+(?:\.\d+)?) kg/g, (_, kg: string) => loadWords(Number(kg), units));
