import { keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type RoundCase = Schemas['RoundCase'];

/** What the Round is narrowed to; empty texts narrow nothing. */
export interface Narrowing {
  search: string;
  practitioner: string;
  structure: string;
  stage: string;
  event: '' | 'week';
}

export const EVERYTHING: Narrowing = { search: '', practitioner: '', structure: '', stage: '', event: '' };

/** What an address narrows the Round to; what it does not know narrows nothing. */
export const narrowingOf = (params: URLSearchParams): Narrowing => ({
  search: params.get('search') ?? '',
  practitioner: params.get('practitioner') ?? '',
  structure: params.get('structure') ?? '',
  stage: params.get('stage') ?? '',
  event: params.get('event') === 'week' ? 'week' : '',
});

/** An athlete's answer shows on the Round within so many milliseconds. */
const LOOK_AGAIN = 4_000;

/** The Round, page after page, looked at again every few seconds. */
export function useRound(narrowing: Narrowing) {
  return useInfiniteQuery({
    queryKey: queryKeys.round(narrowing),
    queryFn: ({ pageParam }) =>
      send(() =>
        api.GET('/api/round', {
          params: {
            query: {
              ...Object.fromEntries(Object.entries(narrowing).filter(([, value]) => value !== '')),
              ...(pageParam === null ? {} : { after: pageParam }),
            },
          },
        }),
      ),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
    refetchInterval: LOOK_AGAIN,
    placeholderData: keepPreviousData,
  });
}

export function useRoundFilters() {
  return useQuery({
    queryKey: queryKeys.roundFilters,
    queryFn: () => send(() => api.GET('/api/round/filters')),
    staleTime: 60_000,
  });
}

/** Reminds an athlete; written to the outbox. */
export function useNudge(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (words: string) =>
      send(() => api.POST('/api/cases/{case}/nudges', { params: { path: { case: id } }, body: { words } })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
      ]),
  });
}
