import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';

export type Weeks = Schemas['Weeks'];
export type Planned = Weeks['sessions'][number];
/** Sessions that are to stand on other days, by id; null: left out. What is done once more has AGAIN before the id. */
export type Moves = Readonly<Record<string, string | null>>;
/** Shows, days without training and sport beside the plan, from today on, in order. */
export interface Marks {
  readonly events: string[];
  readonly blocked: string[];
  readonly sport: Schemas['ExpectedSport'][];
}
/** Weeks ahead that can be looked at. */
export const AHEAD = [4, 8, 12] as const;
export type Ahead = (typeof AHEAD)[number];

/** Before the id of a session stands this where it is done once more. */
export const AGAIN = 'again:';

const asBody = (moves: Moves) => ({
  moves: Object.entries(moves).map(([session, on]) =>
    session.startsWith(AGAIN) ? { session: session.slice(AGAIN.length), on, again: true } : { session, on },
  ),
});
const of = (id: string) => ({ params: { path: { case: id } } });
const orNull = (reason: string) => (reason.trim() === '' ? null : reason.trim());

export function useWeeks(id: string, ahead: Ahead) {
  return useQuery({
    queryKey: queryKeys.weeks(id, ahead),
    queryFn: () =>
      send(() => api.GET('/api/cases/{case}/weeks', { params: { path: { case: id }, query: { weeks: ahead } } })),
    placeholderData: (before) => before,
  });
}

/** What the moves break and mend, before they are made. */
export function useWhatBreaks(id: string, moves: Moves, ahead: Ahead) {
  return useQuery({
    queryKey: queryKeys.movesPreview(id, moves, ahead),
    queryFn: () =>
      send(() =>
        api.POST('/api/cases/{case}/weeks/preview', {
          params: { path: { case: id }, query: { weeks: ahead } },
          body: asBody(moves),
        }),
      ),
    enabled: Object.keys(moves).length > 0,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
}

/** How the weeks would stand with other shows and days without training. */
export function useMarkedWeeks(id: string, marks: Marks | null, ahead: Ahead) {
  return useQuery({
    queryKey: queryKeys.daysPreview(id, marks, ahead),
    queryFn: () =>
      send(() =>
        api.POST('/api/cases/{case}/weeks/days/preview', {
          params: { path: { case: id }, query: { weeks: ahead } },
          body: marks ?? { events: [], blocked: [], sport: [] },
        }),
      ),
    enabled: marks !== null,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
}

export function useReplan(id: string) {
  return useMutation({ mutationFn: () => send(() => api.POST('/api/cases/{case}/weeks/replan', of(id))) });
}

export function useLighter(id: string) {
  return useMutation({
    mutationFn: (asked: { week: string; less_percent: number }) =>
      send(() => api.POST('/api/cases/{case}/weeks/lighter', { ...of(id), body: asked })),
  });
}

export function useReadDays(id: string) {
  return useMutation({
    mutationFn: (text: string) =>
      send(() => api.POST('/api/cases/{case}/weeks/days/read', { ...of(id), body: { text } })),
  });
}

/** Puts in force what was tried: moves of sessions, or marks of days. */
export function usePut(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ moves, marks, reason }: { moves: Moves; marks: Marks | null; reason: string }) =>
      marks === null
        ? send(() =>
            api.POST('/api/cases/{case}/moves', { ...of(id), body: { ...asBody(moves), reason: orNull(reason) } }),
          )
        : send(() =>
            api.PUT('/api/cases/{case}/weeks/days', { ...of(id), body: { ...marks, reason: orNull(reason) } }),
          ),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
}
