import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Papers = Schemas['Papers'];
export type Paper = Schemas['Paper'];
export type PaperKind = Schemas['PaperKind'];
export type Consent = NonNullable<Schemas['PaperLine']['consent']>;
export interface Written {
  readonly to: string;
  readonly texts: Readonly<Record<string, string>>;
  readonly left_out: readonly string[];
}

const ofCase = (id: string) => ({ params: { path: { case: id } } });
const ofPaper = (id: string, paper: string) => ({ params: { path: { case: id, paper } } });

export function usePapers(id: string) {
  return useQuery({
    queryKey: queryKeys.papers(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/papers', ofCase(id))),
  });
}

export function usePaper(id: string, paper: string, version: number | null) {
  return useQuery({
    queryKey: queryKeys.paper(id, paper, version),
    queryFn: () =>
      send(() =>
        api.GET('/api/cases/{case}/papers/{paper}', {
          params: { path: { case: id, paper }, query: version === null ? {} : { version } },
        }),
      ),
    placeholderData: (before) => (before?.id === paper ? before : undefined),
    // It is being written: nothing comes in under the hand.
    refetchOnWindowFocus: false,
  });
}

export function useDraft(id: string) {
  return useMutation({
    mutationFn: (kind: PaperKind) =>
      send(() => api.POST('/api/cases/{case}/papers', { ...ofCase(id), body: { kind } })),
  });
}

const asBody = (written: Written, basedOn: number) => ({
  based_on: basedOn,
  to: written.to,
  texts: { ...written.texts },
  left_out: [...written.left_out],
});

/** The page as it would be with what is typed. */
export function usePreview(id: string, paper: string, written: Written, basedOn: number, isChanged: boolean) {
  return useQuery({
    queryKey: queryKeys.paperPreview(id, paper, written, basedOn),
    queryFn: () =>
      send(() =>
        api.POST('/api/cases/{case}/papers/{paper}/preview', { ...ofPaper(id, paper), body: asBody(written, basedOn) }),
      ),
    enabled: isChanged,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
}

/** All that changes a paper; each answers with the paper as it is now. */
export function usePaperActs(id: string, paper: string) {
  const queries = useQueryClient();
  const took = (answer: Paper) => {
    queries.setQueryData(queryKeys.paper(id, paper, null), answer);
    void queries.invalidateQueries({ queryKey: queryKeys.papers(id), exact: true });
  };
  return {
    save: useMutation({
      mutationFn: (asked: { written: Written; basedOn: number }) =>
        send(() =>
          api.PUT('/api/cases/{case}/papers/{paper}', {
            ...ofPaper(id, paper),
            body: asBody(asked.written, asked.basedOn),
          }),
        ),
      onSuccess: took,
    }),
    sign: useMutation({
      mutationFn: (version: number) =>
        send(() =>
          api.POST('/api/cases/{case}/papers/{paper}/signature', { ...ofPaper(id, paper), body: { version } }),
        ),
      onSuccess: took,
    }),
    agree: useMutation({
      mutationFn: (consent: Omit<Consent, 'recorded_by'>) =>
        send(() => api.PUT('/api/cases/{case}/papers/{paper}/consent', { ...ofPaper(id, paper), body: consent })),
      onSuccess: took,
    }),
    withdraw: useMutation({
      mutationFn: () => send(() => api.DELETE('/api/cases/{case}/papers/{paper}/consent', ofPaper(id, paper))),
      onSuccess: took,
    }),
    discard: useMutation({
      mutationFn: () => send(() => api.DELETE('/api/cases/{case}/papers/{paper}', ofPaper(id, paper))),
      onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.papers(id), exact: true }),
    }),
  };
}
