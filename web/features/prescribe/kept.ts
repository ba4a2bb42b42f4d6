import type { Draft, PlanInForce } from './draft';

const key = (plan: PlanInForce): string => `rung:prescribing:2:${plan.id}:${plan.version}`;

/** What was begun in this tab for the version in force, so that a reload or a step aside loses nothing. */
export function keptDraft(plan: PlanInForce): Draft | null {
  const kept = sessionStorage.getItem(key(plan));
  return kept === null ? null : (JSON.parse(kept) as Draft);
}

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
