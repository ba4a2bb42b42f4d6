import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Visit = Schemas['Visit'];
export type Rung = Visit['exercises'][number];

/** What of a visit is not stored yet. It is kept while other pages are looked at, and goes with the sign-in. */
export interface Draft {
  id: string;
  /** From when on what is measured belongs to this visit. */
  began: string;
  trials: Schemas['Trial'][];
  note: string;
}

const begin = (): Draft => ({ id: crypto.randomUUID(), began: new Date().toISOString(), trials: [], note: '' });

export function useVisit(id: string) {
  return useQuery({
    queryKey: queryKeys.visit(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/visit', { params: { path: { case: id } } })),
  });
}

export function useDraftOf(id: string): [Draft, (part: Partial<Draft> | null) => void] {
  const queries = useQueryClient();
  const key = queryKeys.visitDraft(id);
  const draft = useQuery<Draft>({
    queryKey: key,
    queryFn: begin,
    initialData: begin,
    staleTime: Infinity,
    gcTime: Infinity,
  }).data;
  return [
    draft,
    (part) => queries.setQueryData<Draft>(key, (now) => (part === null ? begin() : { ...(now ?? begin()), ...part })),
  ];
}

function useStoring<T, A>(id: string, mutationFn: (what: T) => Promise<A>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
}

export const useEndVisit = (id: string) =>
  useStoring(id, (body: Schemas['VisitRequest']) =>
    send(() => api.POST('/api/cases/{case}/visits', { params: { path: { case: id } }, body })),
  );
