import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import type { Kind } from './words';

export function useLibrary() {
  return useQuery({
    queryKey: queryKeys.library,
    queryFn: () => send(() => api.GET('/api/library')),
    staleTime: 300_000,
  });
}

/** How a programme goes over weeks for one of its structures; asked for when somebody wants to see it. */
export function useCourse(key: string, structure: string, wanted: boolean) {
  return useQuery({
    queryKey: queryKeys.course(key, structure),
    queryFn: () =>
      send(() => api.GET('/api/library/programmes/{key}/course', { params: { path: { key }, query: { structure } } })),
    enabled: wanted,
    staleTime: 300_000,
  });
}

/** Copies an item into the practice's own library. */
export function useCopy(copied: (kind: Kind, key: string) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { kind: Kind; key: string }) => send(() => api.POST('/api/library/items', { body })),
    onSuccess: async (item) => {
      await queries.invalidateQueries({ queryKey: queryKeys.library });
      copied(item.kind, item.key);
    },
  });
}
