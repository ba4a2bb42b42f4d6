import * as z from 'zod/mini';

import type { Draft, PlanInForce } from './draft';

const key = (plan: PlanInForce): string => `rung:prescribing:3:${plan.id}:${plan.version}`;

/** What was begun in this tab for the version in force, so that a reload or a step aside loses nothing. */
export function keptDraft(plan: PlanInForce): Draft | null {
  const kept = sessionStorage.getItem(key(plan));
  try {
    return kept === null ? null : SHAPE.parse(JSON.parse(kept));
  } catch {
    // Nothing that this version can read: the plan in force is begun with.
    return null;
  }
}

/** What the screen could not do without is looked at; the server reads all of it. */
const SHAPE = z.custom<Draft>(
  (draft) =>
    z
      .looseObject({
        stage: z.string(),
        rows: z.array(
          z.looseObject({ id: z.string(), prescription: z.looseObject({ key: z.string(), dose: z.looseObject({}) }) }),
        ),
        rhythm: z.looseObject({}),
        slots: z.array(
          z.looseObject({ key: z.string(), times: z.array(z.string()), practice: z.array(z.looseObject({})) }),
        ),
        begins_later: z.array(z.looseObject({ prescription: z.looseObject({ key: z.string() }) })),
        available: z.array(z.string()),
        from: z.string(),
      })
      .safeParse(draft).success,
);

export function keepDraft(plan: PlanInForce, draft: Draft): void {
  try {
    sessionStorage.setItem(key(plan), JSON.stringify(draft));
  } catch {
    // No room: it is on the screen all the same, and saving does not need it.
  }
}

export function forgetDraft(plan: PlanInForce): void {
  sessionStorage.removeItem(key(plan));
}
