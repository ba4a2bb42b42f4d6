import type { Schemas } from '../../api/client';
import { numberOf } from '../../shell/numbers';

/** One try as it is typed: how many repetitions or seconds, with what, and how it was tolerated. */
export interface Tried { exercise: string; holds: boolean; amount: string; load_kg: string; pain: string; reserve: string }

export interface Tryable { exercise: string; title: string; words: string; mode: Schemas['Mode'] }

/** A number as people type it; what is none goes out as text, so that the server says so at the field. */
const typed = (text: string): number | null => (text.trim() === '' ? null : numberOf(text) ?? (text as unknown as number));

export const trialOf = (one: Tried): Schemas['Trial'] => ({
  exercise: one.exercise,
  reps: one.holds ? null : typed(one.amount), hold_s: one.holds ? typed(one.amount) : null,
  load_kg: typed(one.load_kg), pain: typed(one.pain) ?? Number.NaN, reserve: typed(one.reserve),
});
