import type { Schemas } from '../api/client';

type Dose = Schemas['Dose'];
type Mode = Schemas['Mode'];

export type Tone = 'count' | 'go' | 'lift' | 'hold' | 'lower' | 'pause' | 'last' | 'beat' | 'end';
export type Move = 'ready' | 'lift' | 'hold' | 'lower' | 'pause' | 'work';

/** A part of a set, in seconds from its beginning; the mark goes from one level (0–1) to the other. */
export interface Phase {
  move: Move;
  from: number;
  to: number;
  /** Which repetition it belongs to, from 1. */
  rep: number;
  low: number;
  high: number;
}

/** A sound that is due, in seconds from the beginning. */
export interface Sound {
  at: number;
  tone: Tone;
}

/** A set of one limb along time. Null where nothing paces it: repetitions at one's own pace. */
export interface Timeline {
  phases: Phase[];
  sounds: Sound[];
  length: number;
  reps: number;
}

export const COUNT_IN_S = 3;

/** The last seconds of a hold, which are counted by tone. */
const TOLD_S = 5;

function countIn(): { phases: Phase[]; sounds: Sound[] } {
  return {
    phases: [{ move: 'ready', from: 0, to: COUNT_IN_S, rep: 1, low: 0, high: 0 }],
    sounds: Array.from({ length: COUNT_IN_S }, (_, i) => ({ at: i, tone: 'count' as const })),
  };
}

export function timelineOf(dose: Dose, mode: Mode): Timeline | null {
  const { phases, sounds } = countIn();
  let time = COUNT_IN_S;
  const add = (move: Move, seconds: number, rep: number, low: number, high: number, tone: Tone | null) => {
    if (seconds <= 0) return;
    phases.push({ move, from: time, to: time + seconds, rep, low, high });
    if (tone !== null) sounds.push({ at: time, tone });
    time += seconds;
  };
  const held = (seconds: number, rep: number, move: Move) => {
    const from = time;
    add(move, seconds, rep, 1, 1, 'go');
    for (let left = Math.min(TOLD_S, Math.floor(seconds) - 1); left >= 1; left--)
      sounds.push({ at: from + seconds - left, tone: 'last' });
  };
  if (mode === 'isometric' && dose.hold_s !== undefined) {
    for (let rep = 1; rep <= dose.reps; rep++) {
      held(dose.hold_s, rep, 'hold');
      if (rep < dose.reps) add('pause', 2, rep, 0, 0, 'pause');
    }
  } else if (dose.tempo !== undefined) {
    const { lift_s: lift, top_s: top, lower_s: lower, bottom_s: bottom, starts } = dose.tempo;
    const up = (rep: number) => {
      add('lift', lift, rep, 0, 1, 'lift');
      add('hold', top, rep, 1, 1, 'hold');
    };
    const down = (rep: number) => {
      add('lower', lower, rep, 1, 0, 'lower');
      add('pause', bottom, rep, 0, 0, 'pause');
    };
    for (let rep = 1; rep <= dose.reps; rep++) {
      if (starts === 'lift') {
        up(rep);
        down(rep);
      } else {
        down(rep);
        up(rep);
      }
    }
    if (dose.beats_per_min !== undefined && dose.beats_per_min > 0) {
      const step = 60 / dose.beats_per_min;
      for (let at = COUNT_IN_S; at < time - 1e-6; at += step) sounds.push({ at, tone: 'beat' });
    }
  } else if (dose.work_s !== undefined) {
    held(dose.work_s, 1, 'work');
  } else if (dose.beats_per_min !== undefined && dose.beats_per_min > 0) {
    for (let rep = 1; rep <= dose.reps; rep++) add('work', 60 / dose.beats_per_min, rep, 0, 1, 'beat');
  } else {
    return null;
  }
  sounds.push({ at: time, tone: 'end' });
  sounds.sort((a, b) => a.at - b.at);
  return { phases, sounds, length: time, reps: dose.reps };
}

/** The part of a set at a moment; the last one after its end. */
export const phaseAt = (line: Timeline, position: number): Phase =>
  line.phases.find((phase) => position < phase.to) ??
  line.phases[line.phases.length - 1] ?? { move: 'pause', from: 0, to: 0, rep: 1, low: 0, high: 0 };

/** How high the mark stands at a moment, 0–1. */
export function levelAt(line: Timeline, position: number): number {
  const phase = phaseAt(line, position);
  const part = Math.min(1, Math.max(0, (position - phase.from) / Math.max(0.001, phase.to - phase.from)));
  return phase.low + (phase.high - phase.low) * part;
}

/** Repetitions that were finished by a moment. */
export const repsDone = (line: Timeline, position: number): number => {
  const done = line.phases.filter((phase) => phase.move !== 'ready' && phase.to <= position + 1e-6);
  const last = done[done.length - 1];
  if (last === undefined) return 0;
  // Letting go after a hold is no part of it.
  const isLeft = (phase: Phase) => phase.move !== 'ready' && phase.move !== 'pause' && phase.to > position + 1e-6;
  const more = line.phases.some((phase) => phase.rep === last.rep && isLeft(phase));
  return more ? last.rep - 1 : last.rep;
};

/** What of a set one limb did: repetitions, and the seconds of a hold or of timed work that was broken off. */
export interface Done {
  reps: number;
  /** Null where whole repetitions or holds stand for themselves. */
  held_s: number | null;
}

/** When a set ends of which some repetitions are left out, in seconds from its beginning. */
export const endOf = (line: Timeline, reps: number): number =>
  Math.max(0, ...line.phases.filter((phase) => phase.rep <= reps).map((phase) => phase.to));

/**
 * What of a set was done when it is ended at a moment; null where nothing was: in the count-in, before the first repetition
 * was whole. Of several holds the one that is broken off counts once half of it was held.
 */
export function doneBy(line: Timeline, dose: Dose, mode: Mode, position: number): Done | null {
  const phase = phaseAt(line, position);
  const whole = repsDone(line, position);
  const seconds = phase.move === 'ready' ? 0 : Math.max(0, Math.floor(position - phase.from));
  if (mode === 'isometric' && dose.hold_s !== undefined) {
    if (whole > 0)
      return {
        reps: whole + (phase.move === 'hold' && position < phase.to - 1e-6 && seconds >= dose.hold_s / 2 ? 1 : 0),
        held_s: null,
      };
    return seconds > 0 ? { reps: 1, held_s: seconds } : null;
  }
  if (dose.tempo === undefined && dose.work_s !== undefined)
    return seconds > 0 ? { reps: dose.reps, held_s: Math.min(seconds, dose.work_s) } : null;
  return whole > 0 ? { reps: whole, held_s: null } : null;
}
