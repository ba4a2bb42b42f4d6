import { useQuery } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';

export type TodayData = Schemas['Today'];
export type Due = NonNullable<TodayData['session']>;

export function useToday() {
  return useQuery({ queryKey: ['today'], queryFn: async () => (await send(() => api.GET('/api/today'))).case });
}

/** The moment by this phone's clock, with its offset. */
export function nowIso(date: Date = new Date()): string {
  const offset = -date.getTimezoneOffset();
  const two = (value: number) => String(Math.floor(Math.abs(value))).padStart(2, '0');
  const local = new Date(date.getTime() + offset * 60_000).toISOString().slice(0, 19);
  return `${local}${offset < 0 ? '-' : '+'}${two(offset / 60)}:${two(offset % 60)}`;
}
