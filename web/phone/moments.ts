const two = (value: number): string => String(Math.floor(Math.abs(value))).padStart(2, '0');

/** The moment by this phone's clock, with the offset of where it is. */
export function nowIso(date: Date = new Date()): string {
  const offset = -date.getTimezoneOffset();
  const local = new Date(date.getTime() + offset * 60_000).toISOString().slice(0, 19);
  return `${local}${offset < 0 ? '-' : '+'}${two(offset / 60)}:${two(offset % 60)}`;
}

/** The date where the athlete is. */
export const localDay = (date: Date = new Date()): string => nowIso(date).slice(0, 10);
