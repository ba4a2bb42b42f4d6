import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

import { api, Refusal, send } from '../api/client';
import { queryKeys } from '../api/queryKeys';
import { outbox, sendAll, SENT, takeOut, type Waiting } from './outbox';
import { keepPhone, keptPhone, type TodayData } from './plan';
import { useKeptChanges } from './store';

export type Due = TodayData['sessions'][number];
export type Exercise = Due['exercises'][number];

const LOOK_AGAIN = 60_000;
const SEND_AGAIN = 15_000;

/** What the server had when the plan was asked for the last time. */
const reflected = new Set<string>();

/**
 * The page of an athlete: from the server where there is reception, from the phone where there is none.
 *
 * @param who is signed in, by id, so that nobody is shown what another left on the phone; null where that cannot be asked
 */
export function usePhone(who: string | null) {
  const query = useQuery({
    queryKey: queryKeys.today,
    queryFn: async () => {
      const sent = outbox().filter((waiting) => waiting.sent === true);
      const plan = await send(() => api.GET('/api/today'));
      void keepPhone(plan);
      for (const waiting of sent) reflected.add(waiting.what + waiting.id);
      return plan;
    },
    initialData: () => {
      const page = keptPhone();
      return page === null || (who !== null && page.person !== who) ? undefined : page;
    },
    initialDataUpdatedAt: 0,
    refetchInterval: LOOK_AGAIN,
    refetchOnReconnect: 'always',
  });
  // Only once a plan that includes it is shown, so that nothing is asked for again in between.
  useEffect(() => {
    for (const waiting of outbox())
      if (waiting.sent === true && reflected.delete(waiting.what + waiting.id)) void takeOut(waiting);
  }, [query.dataUpdatedAt]);
  const offline = query.error instanceof Refusal && query.error.isAway;
  return { ...query, offline };
}

/** Sends what waits of a person whenever there may be reception again, and looks at the plan again when something was taken. */
export function useSending(person: string | null): void {
  const queries = useQueryClient();
  useEffect(() => {
    const sent = () => {
      void queries.invalidateQueries({ queryKey: queryKeys.today });
    };
    const again = () => {
      if (person !== null && document.visibilityState === 'visible') void sendAll(person);
    };
    again();
    const timer = setInterval(again, SEND_AGAIN);
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    window.addEventListener(SENT, sent);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
      window.removeEventListener(SENT, sent);
    };
  }, [person, queries]);
}

/** What a person entered and the plan on the phone does not include yet, sent or not, followed as it changes. */
export function useOutbox(person: string): Waiting[] {
  useKeptChanges();
  return outbox().filter((waiting) => waiting.person === person);
}
