import type { Schemas } from '../../api/client';
import { numberOf } from '../../shell/numbers';

type Dose = Schemas['Dose'];
type Set = Schemas['LoggedSet'];

/** What is typed of one exercise; null where its dose has no such figure. */
export interface Done {
  sets: string;
  reps: string | null;
  hold: string | null;
  work: string | null;
  load: string;
  pain: string;
  /** What a device wrote down, which goes before what is typed; null where nothing did. */
  read: FromDevice | null;
}

/** The sets of a device, and how they are shown. */
export interface FromDevice {
  device: string | null;
  sets: Set[];
  words: string[];
}

/** As it was asked; the pain is for whoever types it. */
export function startOf(dose: Dose): Done {
  const timed = dose.hold_s !== undefined || dose.work_s !== undefined;
  return {
    sets: String(dose.sets),
    reps: timed && dose.reps <= 1 ? null : String(dose.reps),
    hold: dose.hold_s === undefined ? null : String(dose.hold_s),
    work: dose.work_s === undefined ? null : String(dose.work_s),
    load: dose.load_kg === undefined ? '' : String(dose.load_kg),
    pain: '',
    read: null,
  };
}

/** What is typed as it is stored; null where something is no number, or a pain is missing of what was done. */
export function entriesOf<E extends { prescription: string }>(
  exercises: readonly E[],
  of: (exercise: E) => Done,
): Schemas['SessionLog']['entries'] | null {
  const entries: Schemas['SessionLog']['entries'] = [];
  for (const exercise of exercises) {
    const said = of(exercise);
    if (said.read !== null) {
      const pain = numberOf(said.pain);
      if (pain === null) return null;
      entries.push({ prescription: exercise.prescription, pain, sets: said.read.sets });
      continue;
    }
    const sets = numberOf(said.sets);
    if (sets === null || !Number.isInteger(sets) || sets < 0) return null;
    if (sets === 0) {
      entries.push({
        prescription: exercise.prescription,
        sets: [],
        pain: numberOf(said.pain),
        skipped: 'left out, as the paper says',
      });
      continue;
    }
    const set: Set = {};
    for (const [key, text] of [
      ['reps', said.reps],
      ['hold_s', said.hold],
      ['work_s', said.work],
      ['load_kg', said.load === '' ? null : said.load],
    ] as const) {
      if (text === null) continue;
      const value = numberOf(text);
      if (value === null) return null;
      set[key] = value;
    }
    const pain = numberOf(said.pain);
    if (pain === null) return null;
    entries.push({ prescription: exercise.prescription, pain, sets: Array.from({ length: sets }, () => ({ ...set })) });
  }
  return entries;
}

/** A moment so many minutes later, written with the same offset. */
export function laterBy(moment: string, minutes: number): string {
  const offset = moment.slice(19);
  const local = new Date(`${moment.slice(0, 19)}Z`).getTime() + minutes * 60_000;
  return `${new Date(local).toISOString().slice(0, 19)}${offset}`;
}
