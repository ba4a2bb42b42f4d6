import type { Schemas } from '../../api/client';
import { type Due, nowIso } from './useToday';

type SetData = Schemas['LoggedSet'];

/** A session that is being done: kept on the phone until the server has it. */
export interface Draft {
  id: string;
  planned: string;
  plan_version: number;
  kind: Due['kind'];
  started_at: string;
  exercises: { prescription: string; sets: (SetData & { done: boolean })[]; pain: number | null }[];
  practice: { minutes: string; effort: number | null; pain: number | null; full: boolean };
  signs: Schemas['Sign'][];
}

const key = (planned: string): string => `rung:session:${planned}`;

const fresh = (due: Due, planVersion: number): Draft => ({
  id: crypto.randomUUID(),
  planned: due.planned,
  plan_version: planVersion,
  kind: due.kind,
  started_at: nowIso(),
  exercises: due.exercises.map((one) => ({
    prescription: one.prescription,
    pain: null,
    sets: Array.from({ length: one.dose.sets }, () => ({
      done: false,
      reps: one.dose.reps,
      ...(one.dose.hold_s === undefined ? {} : { hold_s: one.dose.hold_s }),
      ...(one.dose.work_s === undefined ? {} : { work_s: one.dose.work_s }),
      ...(one.dose.load_kg === undefined ? {} : { load_kg: one.dose.load_kg }),
    })),
  })),
  practice: { minutes: '', effort: null, pain: null, full: true },
  signs: [],
});

/** What was begun for this planned session, or a new draft. */
export function load(due: Due, planVersion: number): Draft {
  const kept = localStorage.getItem(key(due.planned));
  return kept === null ? fresh(due, planVersion) : (JSON.parse(kept) as Draft);
}

/** @returns false where the phone has no room, which is told and not hidden */
export function keep(draft: Draft): boolean {
  try {
    localStorage.setItem(key(draft.planned), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function forget(draft: Draft): void {
  localStorage.removeItem(key(draft.planned));
}

/** As it is sent: the sets that were done, and nothing of those that were not. */
export function asLog(draft: Draft): Schemas['SessionLog'] {
  const entries: Schemas['SessionLog']['entries'] = draft.exercises.map((one) => ({
    prescription: one.prescription,
    pain: one.pain,
    sets: one.sets.filter((set) => set.done).map((set) => ({ ...set, done: undefined })),
  }));
  if (draft.kind === 'sport') entries.push({ prescription: null, pain: draft.practice.pain, sets: [] });
  return {
    planned: draft.planned,
    plan_version: draft.plan_version,
    kind: draft.kind,
    started_at: draft.started_at,
    ended_at: nowIso(),
    signs: draft.signs,
    entries,
    ...(draft.kind === 'sport'
      ? { minutes: Number(draft.practice.minutes), effort: draft.practice.effort, participation: draft.practice.full ? 'full' as const : 'partial' as const }
      : {}),
  };
}
