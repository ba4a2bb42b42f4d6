import type { Schemas } from '../api/client';

/** A stand-in for a device that counts repetitions: it writes the log of an exercise as a real one would (docs/formats/set-log.md). */
export function simulatedSetLog(dose: Schemas['Dose']): string {
  const sets = Array.from({ length: dose.sets }, (_, i) => ({
    set: i + 1,
    ...(dose.hold_s !== undefined
      ? { hold_s: dose.hold_s }
      : dose.work_s !== undefined
        ? { work_s: dose.work_s }
        : { reps: Math.max(1, dose.reps - tired(i, dose.sets)) }),
    ...(dose.load_kg === undefined ? {} : { load_kg: dose.load_kg }),
  }));
  return JSON.stringify({ format: 'rung-sets/1', device: 'Simulated rep counter', sets });
}

/** Repetitions that are missing in the last of several sets. */
const tired = (set: number, of: number): number => (of > 2 && set === of - 1 ? 1 : 0);
