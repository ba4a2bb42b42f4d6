import { z } from 'zod';

import type { Schemas } from '../api/client';
import { keep, kept, type Kind } from './store';

export type TodayData = Schemas['Today'];

/** Raised whenever the plan of the week changes its shape: an older one is asked for anew. */
const PLAN: Kind<TodayData | null> = {
  version: 1,
  shape: z.custom<TodayData | null>((plan) => plan === null || z.looseObject({ case: z.string(), person: z.string(), today: z.string(), sessions: z.array(z.unknown()), days: z.array(z.unknown()) }).safeParse(plan).success),
};

/** The plan that this phone keeps, whoever is signed in. */
export const keptPlan = (): TodayData | null => kept('plan', PLAN);

export const keepPlan = (plan: TodayData | null): boolean => keep('plan', PLAN, plan);

/**
 * Makes what the first version kept, without saying whose it was, into what is kept now: it is of whoever the plan of its
 * case is for. Until that plan is on the phone it is nobody's, and waits.
 */
export function withOwner(value: unknown, version: number): unknown {
  const before = z.looseObject({ case: z.string() }).safeParse(value);
  if (version !== 0 || !before.success) return undefined;
  const plan = keptPlan();
  return { ...before.data, person: plan?.case === before.data.case ? plan.person : '' };
}
