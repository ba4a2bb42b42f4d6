import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type SentMessage = Schemas['SentMessage'];

/** How often the open inbox looks again, in milliseconds. */
const LOOK_AGAIN = 15_000;

export function useThreads(which: 'waiting' | 'all', search: string) {
  return useQuery({
    queryKey: queryKeys.inbox(which, search),
    queryFn: () =>
      send(() => api.GET('/api/messages', { params: { query: { which, ...(search === '' ? {} : { search }) } } })),
    placeholderData: (before) => before,
    refetchInterval: LOOK_AGAIN,
  });
}

export function useConversation(id: string) {
  return useQuery({
    queryKey: queryKeys.messages(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/messages', { params: { path: { case: id } } })),
    refetchInterval: LOOK_AGAIN,
  });
}

/** Answers what the athlete wrote, or writes; an empty text marks it as dealt with. */
export function useAnswer(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { words: string; seen: string[] }) =>
      send(() => api.POST('/api/cases/{case}/messages', { params: { path: { case: id } }, body })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.inboxes }),
      ]),
  });
}
