import type { Schemas } from '../api/client';

/** Which side does an exercise, as the desk names it. */
export const LIMBS: Record<Schemas['Limbs'], string> = {
  affected: 'sore side',
  each: 'each side',
  together: 'both together',
};

/** "7 min 30 s" of seconds that the server worked out. */
export const minutes = (seconds: number): string => {
  const whole = Math.round(seconds);
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min${whole % 60 === 0 ? '' : ` ${whole % 60} s`}`;
};

/** What an exercise comes to, in the server's numbers; `turns` is how many limbs do it one after the other. */
export function sums(figures: Schemas['Figures'], turns: number): string {
  const limb = turns === 2 ? ' a limb' : '';
  return [
    figures.time_under_tension_s === null ? null : `${figures.time_under_tension_s} s under tension${limb}`,
    figures.volume_load_kg === null || figures.volume_load_kg === 0
      ? null
      : `${figures.volume_load_kg} kg lifted${limb}`,
    figures.contacts === null ? null : `${figures.contacts} landings`,
    minutes(figures.duration_s),
  ]
    .filter((part) => part !== null)
    .join(' · ');
}
