import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';

export type Weeks = Schemas['Weeks'];
export type Planned = Weeks['sessions'][number];
/** Sessions that are to stand on other days, by id. */
export type Moves = Readonly<Record<string, string>>;

const asBody = (moves: Moves) => ({ moves: Object.entries(moves).map(([session, on]) => ({ session, on })) });

export function useWeeks(id: string) {
  return useQuery({ queryKey: ['case', id, 'weeks'], queryFn: () => send(() => api.GET('/api/cases/{case}/weeks', { params: { path: { case: id } } })) });
}

/** What the moves break and mend, before they are made. */
export function useWhatBreaks(id: string, moves: Moves) {
  return useQuery({
    queryKey: ['case', id, 'weeks', 'preview', moves],
    queryFn: () => send(() => api.POST('/api/cases/{case}/weeks/preview', { params: { path: { case: id } }, body: asBody(moves) })),
    enabled: Object.keys(moves).length > 0,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
}

export function useReplan(id: string) {
  return useMutation({ mutationFn: () => send(() => api.POST('/api/cases/{case}/weeks/replan', { params: { path: { case: id } } })) });
}

export function useMove(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ moves, reason }: { moves: Moves; reason: string }) =>
      send(() => api.POST('/api/cases/{case}/moves', { params: { path: { case: id } }, body: { ...asBody(moves), reason: reason.trim() === '' ? null : reason.trim() } })),
    onSuccess: () => Promise.all([queries.invalidateQueries({ queryKey: ['case', id] }), queries.invalidateQueries({ queryKey: ['round'] })]),
  });
}
