const part = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options });
const weekday = part({ weekday: 'short' });
const short = part({ day: 'numeric', month: 'short' });

const atNoon = (day: string): Date => new Date(`${day.slice(0, 10)}T12:00:00Z`);

/** "Tue 14 Apr" of a calendar date, with the year where it is not the current one. */
export const dayTold = (iso: string, thisYear: number): string =>
  `${weekday.format(atNoon(iso))} ${short.format(atNoon(iso))}${Number(iso.slice(0, 4)) === thisYear ? '' : ` ${iso.slice(0, 4)}`}`;

/** The same, seen from today. */
export const day = (iso: string): string => dayTold(iso, new Date().getFullYear());

/** "14 Apr" of a calendar date. */
export const shortDay = (iso: string): string => short.format(atNoon(iso));

/** Whole days from one calendar date to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((atNoon(to).getTime() - atNoon(from).getTime()) / 86_400_000);

/** "today", "yesterday", "5 days ago", and further back the date itself. */
export const ago = (iso: string, today: string): string => {
  const days = daysBetween(iso, today);
  if (days === 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days === -1) return 'tomorrow';
  return days > 1 && days <= 14 ? `${days} days ago` : dayTold(iso, Number(today.slice(0, 4)));
};

/** "5 min ago", "3 h ago", further back "2 days ago", of a moment. */
export const since = (iso: string, now: Date = new Date()): string => {
  const minutes = Math.max(0, Math.round((now.getTime() - new Date(iso).getTime()) / 60_000));
  if (minutes < 60) return `${minutes} min ago`;
  const hours = Math.round(minutes / 60);
  return hours < 36 ? `${hours} h ago` : `${Math.round(hours / 24)} days ago`;
};

/** The calendar date so many days after another. */
export const plusDays = (iso: string, days: number): string =>
  new Date(atNoon(iso).getTime() + days * 86_400_000).toISOString().slice(0, 10);

/** "Tue 14 Apr, 18:05", the moment's own offset kept. */
export const moment = (iso: string): string => `${day(iso)}, ${iso.slice(11, 16)}`;
