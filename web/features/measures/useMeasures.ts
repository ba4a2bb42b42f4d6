import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Measure = Schemas['MeasureCourse'];
export type Taken = Schemas['MeasureTaken'];
export type Attempt = Schemas['Attempt'];
export type Measurement = Schemas['Measurement'];
export type Preview = Schemas['MeasurePreview'];
export type Figures = Schemas['ForceFigures'];
export type Sheet = Schemas['Measures'];
export type Side = 'affected' | 'unaffected' | 'both';

/** The titles of the two sides of a case: the sore one first. */
export const SIDES: Record<Schemas['Side'], [string, string]> = {
  left: ['Left, sore', 'Right'],
  right: ['Right, sore', 'Left'],
  both: ['Left', 'Right'],
};

export function useMeasures(id: string) {
  return useQuery({
    queryKey: queryKeys.measures(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/measures', { params: { path: { case: id } } })),
  });
}

/** A measure that is not among those of the case yet. */
export function useAddMeasure(id: string) {
  return useMutation({
    mutationFn: (measure: string) =>
      send(() => api.GET('/api/cases/{case}/measures/{measure}', { params: { path: { case: id, measure } } })),
  });
}

/** What the tries say so far; asked again whenever they change, and the last answer stays until the next is there. */
export function useMeasurePreview(id: string, body: Measurement | null) {
  return useQuery({
    queryKey: queryKeys.measurePreview(id, body),
    queryFn: () =>
      body === null
        ? null
        : send(() => api.POST('/api/cases/{case}/measurements/preview', { params: { path: { case: id } }, body })),
    enabled: body !== null,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 60_000,
  });
}

function useStoring<T, A>(id: string, mutationFn: (what: T) => Promise<A>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({
          queryKey: queryKeys.case(id),
          predicate: (query) => query.queryKey[2] !== 'measure-preview',
        }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
}

export const useKeepMeasurement = (id: string) =>
  useStoring(id, ({ measurement, body }: { measurement: string; body: Measurement }) =>
    send(() =>
      api.PUT('/api/cases/{case}/measurements/{id}', { params: { path: { case: id, id: measurement } }, body }),
    ),
  );

export const useStrikeOut = (id: string) =>
  useStoring(id, ({ correction, body }: { correction: string; body: Schemas['EntryChange'] }) =>
    send(() => api.PUT('/api/cases/{case}/corrections/{id}', { params: { path: { case: id, id: correction } }, body })),
  );

export const useTakeInFile = (id: string) =>
  useStoring(id, (csv: string) =>
    send(() => api.POST('/api/cases/{case}/measures/file', { params: { path: { case: id } }, body: { csv } })),
  );

export function useKeepCurve(id: string) {
  return useMutation({
    mutationFn: ({
      curve,
      ...body
    }: {
      curve: string;
      measure: string;
      side: Side;
      unit: 'N' | 'kg' | 'lb';
      ms: number[];
      force: number[];
    }) => send(() => api.PUT('/api/cases/{case}/curves/{id}', { params: { path: { case: id, id: curve } }, body })),
  });
}

export function useCurve(id: string, curve: string | null) {
  return useQuery({
    queryKey: queryKeys.curve(id, curve),
    queryFn: () =>
      curve === null
        ? null
        : send(() => api.GET('/api/cases/{case}/curves/{id}', { params: { path: { case: id, id: curve } } })),
    enabled: curve !== null,
    staleTime: Infinity,
  });
}
