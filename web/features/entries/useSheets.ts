import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type SheetKind = Schemas['SheetImport']['kind'];
export type DateForm = NonNullable<Schemas['SheetPreview']['dates']>;
export type SheetPreview = Schemas['SheetPreview'];
/** A sheet as it is sent: what it holds, and which column says what; null where Rung is to find out. */
export interface Sheet {
  readonly kind: SheetKind;
  readonly text: string;
  readonly columns: Readonly<Record<string, number | null>> | null;
  readonly dates: DateForm | null;
}

const of = (id: string) => ({ params: { path: { case: id } } });
const asBody = (sheet: Sheet) => ({ ...sheet, columns: sheet.columns === null ? null : { ...sheet.columns } });

export function useImports(id: string) {
  return useQuery({
    queryKey: queryKeys.sheets(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/sheets', of(id))),
  });
}

/** What a sheet holds, before anything is stored. */
export function useSheet(id: string, sheet: Sheet) {
  return useQuery({
    queryKey: queryKeys.sheet(id, sheet),
    queryFn: () => send(() => api.POST('/api/cases/{case}/sheets/read', { ...of(id), body: asBody(sheet) })),
    enabled: sheet.text.trim() !== '',
    retry: false,
    gcTime: 0,
  });
}

export function useTakeIn(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ sheet, as }: { sheet: Sheet; as: string }) =>
      send(() => api.POST('/api/cases/{case}/sheets', { ...of(id), body: { id: as, ...asBody(sheet) } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
  });
}

export function useTakeBack(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (sheet: string) =>
      send(() => api.DELETE('/api/cases/{case}/sheets/{import}', { params: { path: { case: id, import: sheet } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
  });
}
