import * as z from 'zod/mini';

import type { Schemas } from '../../api/client';

export type PlanInForce = Schemas['PlanInForce'];
export type Prescription = Schemas['PlanPrescription'];
export type Preview = Schemas['Preview'];
export type Weekday = Schemas['Weekday'];
export type Dose = Schemas['Dose'];
export type Slot = Schemas['PlanStage']['slots'][number];
export type Later = Schemas['BeginsLater'];
export type PracticeStep = Schemas['PracticeStep'];

/** A row of the screen: a prescription with a name of its own for as long as it is edited. */
export interface Row {
  id: string;
  title: string;
  /** The day from which it is asked for again, where it rests. */
  rests_until: string | null;
  prescription: Prescription;
}

/** What is being prescribed. Numbers that are no numbers yet stay as they were typed and are refused at their field. */
export interface Draft {
  stage: string;
  rows: Row[];
  rhythm: Schemas['Rhythm'];
  slots: Slot[];
  /** What is not asked for yet. */
  begins_later: Later[];
  available: Weekday[];
  from: string;
  /** Whether what rests is asked for again from that day on. */
  ends_rest: boolean;
  /** Null: the note that is written by itself. */
  note: string | null;
  why: string;
}

export const DAYS: Weekday[] = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

const rowId = (): string => crypto.randomUUID();

/** A stage of the plan as it can be edited. */
export function begin(plan: PlanInForce, key: string = plan.stage): Draft {
  const stage = plan.stages.find((candidate) => candidate.key === key) ?? plan.stages[0];
  return {
    stage: stage?.key ?? key,
    rows: (stage?.prescriptions ?? []).map((prescription) => ({
      id: rowId(),
      title: prescription.title,
      rests_until: prescription.rests_until,
      prescription: prescription.prescription,
    })),
    rhythm: stage?.rhythm ?? {},
    slots: stage?.slots ?? [],
    begins_later: stage?.begins_later ?? [],
    available: plan.available,
    from: plan.today,
    ends_rest: false,
    note: null,
    why: '',
  };
}

/** The same with something that waits begun now, as the last exercise. */
export const begunNow = (draft: Draft, later: Later): Draft => ({
  ...draft,
  rows: [...draft.rows, { id: rowId(), title: later.title, rests_until: null, prescription: later.prescription }],
  begins_later: draft.begins_later.filter((waiting) => waiting !== later),
});

/** The same with what the proposal would change put in. */
export function withProposal(draft: Draft, plan: PlanInForce): Draft {
  const proposed = new Map(plan.proposed.map((proposal) => [proposal.prescription.key, proposal]));
  return {
    ...draft,
    rows: draft.rows.map((row) => {
      const proposal = proposed.get(row.prescription.key);
      return proposal === undefined ? row : { ...row, title: proposal.title, prescription: proposal.prescription };
    }),
  };
}

/** A row for an exercise of the library, at its usual dose. */
export function added(exercise: Schemas['LibraryExercise'], slot: string): Row {
  return {
    id: rowId(),
    title: exercise.title,
    rests_until: null,
    prescription: {
      key: exercise.key,
      exercise: exercise.key,
      mode: exercise.mode,
      limbs: exercise.sides,
      slot,
      dose: exercise.dose,
    },
  };
}

export const copied = (item: { title: string; prescription: Prescription }, slot: string): Row => ({
  id: rowId(),
  title: item.title,
  rests_until: null,
  prescription: { ...item.prescription, slot },
});

/** Another rung in the same place: dose, sides and mode are the other exercise's own; slot, pain limits and progression stay. */
export function swapped(row: Row, exercise: Schemas['LibraryExercise']): Row {
  const kept = { ...withCue(row.prescription, '') };
  // What was asked before a raise is no longer the step back, and a ladder that does not hold it is not its ladder.
  delete kept.before;
  if (kept.ladder?.includes(exercise.key) !== true) delete kept.ladder;
  return {
    ...row,
    title: exercise.title,
    prescription: { ...kept, exercise: exercise.key, mode: exercise.mode, limbs: exercise.sides, dose: exercise.dose },
  };
}

/** The prescription with a cue, or without one where it is empty. */
export function withCue(prescription: Prescription, cue: string): Prescription {
  const rest = { ...prescription };
  delete rest.cue;
  return cue === '' ? rest : { ...rest, cue };
}

/** What is sent. Keys are made different from each other; the server makes them different from all others. */
export function asRequest(draft: Draft): Schemas['PlanRequest'] {
  const seen = new Map<string, number>();
  return {
    stage: draft.stage,
    prescriptions: draft.rows.map(({ prescription }) => {
      const count = (seen.get(prescription.key) ?? 0) + 1;
      seen.set(prescription.key, count);
      return count === 1 ? prescription : { ...prescription, key: `${prescription.key}-${count}` };
    }),
    rhythm: draft.rhythm,
    slots: draft.slots.map(({ key, times, beside, practice }) => ({ key, times, beside, practice })),
    begins_later: draft.begins_later.map((later) => later.prescription.key),
    available: draft.available,
    from: draft.from === '' ? null : draft.from,
    ends_rest: draft.ends_rest,
  };
}

const Bands = z.object({
  levers: z.array(z.looseObject({ lever: z.string(), steps: z.optional(z.array(z.string())) })),
});

/** The practice's ordered set of bands, where the prescription grows by it. */
export const bandsOf = (prescription: Prescription): string[] | undefined =>
  Bands.safeParse(prescription.progression).data?.levers.find((lever) => lever.lever === 'resistance')?.steps;

/** A field of a dose by its path ("tempo.lift_s"). */
export function fieldOf(dose: Dose, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (part, step) => (typeof part === 'object' && part !== null ? (part as Record<string, unknown>)[step] : undefined),
      dose,
    );
}

/** The dose with a field set, or taken out where the value is undefined. */
export function withField(dose: Dose, path: string, value: unknown): Dose {
  const [first = '', second] = path.split('.');
  const copy: Record<string, unknown> = { ...dose };
  if (second !== undefined) {
    copy[first] = { ...(copy[first] as object | undefined), [second]: value };
  } else if (value === undefined) {
    // oxlint-disable-next-line typescript/no-dynamic-delete
    delete copy[first];
  } else {
    copy[first] = value;
  }
  return copy as unknown as Dose;
}

/** Whether every number of a dose is one, so that it can be drawn. */
export const isDrawable = (dose: Dose): boolean =>
  Object.values({ ...dose, ...dose.tempo, free: 0, tempo: 0, range: 0, resistance: 0, starts: 0 }).every(
    (value) => typeof value === 'number' && Number.isFinite(value) && value >= 0,
  ) &&
  dose.sets <= 20 &&
  dose.reps <= 200;
