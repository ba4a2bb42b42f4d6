import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import * as z from 'zod/mini';

import { api, type Schemas, send } from '../api/client';
import { queryKeys } from '../api/queryKeys';
import { forget, keep, kept, type Kind, useKept } from './store';

export type Times = Schemas['PushTimes'];

/** Which reminders this phone gets, and the id under which the push service knows it. */
export interface Reminded extends Times {
  phone: string;
}

const REMINDED: Kind<Reminded> = {
  version: 1,
  shape: z.object({
    phone: z.string(),
    morning_at: z.nullable(z.number()),
    session_at: z.nullable(z.number()),
    messages: z.boolean(),
  }),
};

/** Where nothing was chosen yet: the times at which most are up, and done with work. */
export const USUAL_TIMES: Times = { morning_at: 8 * 60, session_at: 17 * 60, messages: true };

const LOOK_EVERY_MS = 60_000;

export const useReminded = (): Reminded | null => useKept('reminded', REMINDED);

/** Whether this phone can show anything without being looked at. */
export const canNotify = (): boolean => 'Notification' in window && 'serviceWorker' in navigator;

/** Asks the phone's owner for permission and sets the times of the reminders. False without permission. */
export async function remind(times: Times): Promise<boolean> {
  if (!canNotify() || (await Notification.requestPermission()) !== 'granted') return false;
  const phone = kept('reminded', REMINDED)?.phone ?? crypto.randomUUID();
  await send(() => api.PUT('/api/today/phones/{phone}', { params: { path: { phone } }, body: times }));
  await keep('reminded', REMINDED, { phone, ...times });
  return true;
}

export async function remindNoMore(): Promise<void> {
  const phone = kept('reminded', REMINDED)?.phone;
  if (phone === undefined) return;
  await send(() => api.DELETE('/api/today/phones/{phone}', { params: { path: { phone } } }));
  await forget('reminded');
}

/** Shows what the push service has for this phone, page in front or not. */
export function usePushes(): void {
  const reminded = useReminded();
  const phone = reminded?.phone ?? '';
  const { data } = useQuery({
    queryKey: queryKeys.pushes(phone),
    queryFn: () => send(() => api.GET('/api/today/phones/{phone}/pushes', { params: { path: { phone } } })),
    enabled: phone !== '',
    refetchInterval: LOOK_EVERY_MS,
    refetchIntervalInBackground: true,
    retry: false,
  });
  useEffect(() => {
    if (data === undefined || data.pushes.length === 0 || !canNotify()) return;
    void navigator.serviceWorker.ready
      .then((worker) =>
        Promise.all(
          data.pushes.map((push) =>
            worker.showNotification('Rung', {
              body: push.words,
              tag: push.kind,
              icon: '/icon-192.png',
              data: { open: push.kind === 'message' ? '/athlete/help' : '/athlete' },
            }),
          ),
        ),
      )
      // Taken back in the browser meanwhile: it is on the page all the same.
      .catch(() => undefined);
  }, [data]);
}

/** "07:30" of minutes after midnight, and back; null where it is no time. */
export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

export function minutesOf(clock: string): number | null {
  const found = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(clock.trim());
  return found === null ? null : Number(found[1]) * 60 + Number(found[2]);
}
