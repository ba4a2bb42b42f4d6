import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Entries = Schemas['Entries'];
export type OneEntry = Schemas['OneEntry'];

export function useEntries(id: string) {
  return useQuery({
    queryKey: queryKeys.entries(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/entries', { params: { path: { case: id } } })),
  });
}

/** Whatever is entered moves the case: all of it is asked for again. */
function useEntering<T>(id: string, mutationFn: (what: T) => Promise<unknown>) {
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

export function useCorrect(id: string, correction: string) {
  return useEntering(id, (body: Schemas['EntryChange']) =>
    send(() => api.PUT('/api/cases/{case}/corrections/{id}', { params: { path: { case: id, id: correction } }, body })),
  );
}

export function useEnterMorning(id: string) {
  return useEntering(id, ({ entry, body }: { entry: string; body: Schemas['CheckIn'] }) =>
    send(() => api.PUT('/api/cases/{case}/check-ins/{id}', { params: { path: { case: id, id: entry } }, body })),
  );
}

export function useEnterSession(id: string) {
  return useEntering(id, ({ entry, body }: { entry: string; body: Schemas['SessionLog'] }) =>
    send(() =>
      api.PUT('/api/cases/{case}/sessions/{session}', { params: { path: { case: id, session: entry } }, body }),
    ),
  );
}
