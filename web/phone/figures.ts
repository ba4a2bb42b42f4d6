import { createContext, useContext } from 'react';

import type { Schemas } from '../api/client';

/** The figures of a case as they came with the plan, and the side that is treated. */
export interface PlanFigures {
  figures: Readonly<Record<string, Schemas['Figure']>>;
  side: string;
}

const FiguresContext = createContext<PlanFigures>({ figures: {}, side: 'right' });

export const PlanFiguresProvider = FiguresContext.Provider;

/**
 * The figure under a key, and whether it is drawn with the left side working: the side whose turn it is, or else the one
 * that is treated. Null where the plan came without it.
 */
export function usePlanFigure(
  key: string | null | undefined,
  side?: string | null,
): { figure: Schemas['Figure'] | null; mirrored: boolean } {
  const plan = useContext(FiguresContext);
  return { figure: key == null ? null : (plan.figures[key] ?? null), mirrored: (side ?? plan.side) === 'left' };
}
