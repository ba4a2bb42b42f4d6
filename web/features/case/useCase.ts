import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Case = Schemas['Case'];
export type SessionTold = Schemas['SessionTold'];

/** The open Case page looks again this often, in milliseconds. */
const LOOK_AGAIN = 10_000;

export function useCase(id: string) {
  return useQuery({
    queryKey: queryKeys.case(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}', { params: { path: { case: id } } })),
    refetchInterval: LOOK_AGAIN,
  });
}

/** One session against what was asked; asked for when it is pointed at. */
export function useSession(id: string, session: string | null) {
  return useQuery({
    queryKey: queryKeys.caseSession(id, session),
    queryFn: () =>
      send(() =>
        api.GET('/api/cases/{case}/sessions/{session}', { params: { path: { case: id, session: session ?? '' } } }),
      ),
    enabled: session !== null,
    staleTime: LOOK_AGAIN,
    placeholderData: (before) => before,
  });
}

/** What every school would say; asked for when somebody wants to know. */
export function useOpinions(id: string, revision: number, wanted: boolean) {
  return useQuery({
    queryKey: queryKeys.opinions(id, revision),
    queryFn: () => send(() => api.GET('/api/cases/{case}/opinions', { params: { path: { case: id } } })),
    enabled: wanted,
    staleTime: Infinity,
  });
}

/** What another stage would ask for, dose by dose, before it is entered. */
export function useStageMove(id: string, revision: number, stage: string) {
  return useQuery({
    queryKey: queryKeys.stageMove(id, stage, revision),
    queryFn: () => send(() => api.GET('/api/cases/{case}/stages/{stage}', { params: { path: { case: id, stage } } })),
    staleTime: Infinity,
  });
}

/** What a decision would do; asked again whenever another choice is made, the former answer dimmed meanwhile. */
export function usePreview(id: string, revision: number, asked: Schemas['PreviewRequest']) {
  return useQuery({
    queryKey: queryKeys.decisionPreview(id, revision, asked),
    queryFn: () =>
      send(() => api.POST('/api/cases/{case}/decisions/preview', { params: { path: { case: id } }, body: asked })),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
}

/** Takes a decision back. */
export function useUndo() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, decision }: { id: string; decision: string }) =>
      send(() => api.DELETE('/api/cases/{case}/decisions/{decision}', { params: { path: { case: id, decision } } })),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.cases }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
        queries.invalidateQueries({ queryKey: queryKeys.plans }),
      ]),
  });
}

/** Sends a decision; what is shown of the case follows at once. */
export function useDecide(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['DecisionRequest']) =>
      send(() => api.POST('/api/cases/{case}/decisions', { params: { path: { case: id } }, body })),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
}
