import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';

export type Case = Schemas['Case'];

/** The open Case page looks again this often, in milliseconds. */
const LOOK_AGAIN = 10_000;

export function useCase(id: string) {
  return useQuery({
    queryKey: ['case', id],
    queryFn: () => send(() => api.GET('/api/cases/{case}', { params: { path: { case: id } } })),
    refetchInterval: LOOK_AGAIN,
  });
}

/** Sends a decision; what is shown of the case follows at once. */
export function useDecide(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['DecisionRequest']) =>
      send(() => api.POST('/api/cases/{case}/decisions', { params: { path: { case: id } }, body })),
    onSettled: () =>
      Promise.all([queries.invalidateQueries({ queryKey: ['case', id] }), queries.invalidateQueries({ queryKey: ['round'] })]),
  });
}
