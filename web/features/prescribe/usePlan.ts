import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { useSettled } from '../../shell/useSettled';
import { asRequest, type Draft } from './draft';

const PAUSE = 150;

export function usePlan(id: string) {
  return useQuery({
    queryKey: queryKeys.plan(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/plan', { params: { path: { case: id } } })),
    // What is edited must not be pulled away; whether something came in since is found when it is saved.
    staleTime: Infinity,
    gcTime: 0,
  });
}

/**
 * What follows from the draft. The screen never waits for it: the last answer stays while the next is on its way, and
 * `fresh` says whether it belongs to what stands in the fields now.
 */
export function usePreview(id: string, draft: Draft) {
  const request = asRequest(draft);
  const now = JSON.stringify(request);
  const asked = useSettled(now, PAUSE);
  const query = useQuery({
    queryKey: queryKeys.planPreview(id, asked),
    queryFn: ({ signal }) =>
      send(() =>
        api.POST('/api/cases/{case}/plan/preview', {
          params: { path: { case: id } },
          body: JSON.parse(asked) as typeof request,
          signal,
        }),
      ),
    placeholderData: (before) => before,
    staleTime: 60_000,
    retry: false,
  });
  return { ...query, fresh: asked === now && query.isSuccess && !query.isPlaceholderData };
}

export function useSavePlan(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ draft, revision, note }: { draft: Draft; revision: number; note: string }) =>
      send(() =>
        api.POST('/api/cases/{case}/plan', {
          params: { path: { case: id } },
          body: { ...asRequest(draft), revision, note, why: draft.why },
        }),
      ),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
}
