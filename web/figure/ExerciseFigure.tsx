import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';

import { api, send } from '../api/client';
import { queryKeys } from '../api/queryKeys';
import type { FigureData } from './figure';
import { MovingFigure, Thumbnail, useIsStill } from './MovingFigure';

const KEPT_MS = 10 * 60_000;

const NONE: Readonly<Record<string, FigureData>> = {};

/** Small pictures of several exercises, in one question; those that are not there yet, or have none, are missing. */
export function useThumbnails(exercises: readonly string[]): Readonly<Record<string, FigureData>> {
  const of = [...new Set(exercises)].sort().join(',');
  const { data } = useQuery({
    queryKey: queryKeys.figures(of),
    queryFn: () => send(() => api.GET('/api/figures', { params: { query: { of } } })),
    enabled: of !== '',
    staleTime: KEPT_MS,
    placeholderData: (before: { figures: Record<string, FigureData> } | undefined) => before,
    retry: false,
  });
  return data?.figures ?? NONE;
}

interface Props {
  exercise: string;
  title: string;
  size: number;
  /** The range of the prescription, in degrees: the figure goes no further. */
  range?: { from_deg: number; to_deg: number } | undefined;
  mirrored?: boolean;
  /** Standing still, as a small picture. */
  isThumbnail?: boolean;
}

/** The figure of an exercise, drawn as far as the range goes; the server is asked for each once. */
export function useExerciseFigure(exercise: string, range: Props['range']) {
  return useQuery({
    queryKey: queryKeys.figure(exercise, range?.from_deg ?? null, range?.to_deg ?? null),
    queryFn: () =>
      send(() => api.GET('/api/figures/{exercise}', { params: { path: { exercise }, query: range ?? {} } })),
    staleTime: KEPT_MS,
    // While a range is typed, the last one that could be drawn stays.
    placeholderData: (before: FigureData | undefined) => (before?.exercise === exercise ? before : undefined),
    retry: false,
  });
}

/** An exercise of the library as a figure, asked for by itself; its place stays empty until it is there. */
export function ExerciseFigure({ exercise, title, size, range, mirrored = false, isThumbnail = false }: Props) {
  const { data } = useExerciseFigure(exercise, range);
  return (
    <FigurePlace size={size}>
      {data !== undefined &&
        (isThumbnail ? (
          <Thumbnail figure={data} title={title} size={size} mirrored={mirrored} />
        ) : (
          <MovingFigure figure={data} title={title} size={size} mirrored={mirrored} />
        ))}
    </FigurePlace>
  );
}

/** Keeps the place of a figure, so that nothing jumps when it comes. */
export function FigurePlace({ size, children }: { size: number; children: ReactNode }) {
  // Standing still it is two small pictures side by side.
  const isStill = useIsStill();
  return <Box sx={{ minWidth: size, minHeight: isStill ? size / 2 : size, flex: 'none' }}>{children}</Box>;
}
