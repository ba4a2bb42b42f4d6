import type { Schemas } from '../../api/client';
import { numberOf } from '../../shell/numbers';

/** One try as it is typed: how many repetitions or seconds, with what, and how it was tolerated. */
export interface Tried {
  exercise: string;
  holds: boolean;
  amount: string;
  load_kg: string;
  pain: string;
  reserve: string;
}

export interface Tryable {
  exercise: string;
  title: string;
  words: string;
  mode: Schemas['Mode'];
}

/** A number as people type it; what is none goes out as text, so that the server says so at the field. */
const typed = (text: string): number | null =>
  text.trim() === '' ? null : (numberOf(text) ?? (text as unknown as number));

export const trialOf = (tried: Tried): Schemas['Trial'] => ({
  exercise: tried.exercise,
  reps: tried.holds ? null : typed(tried.amount),
  hold_s: tried.holds ? typed(tried.amount) : null,
  load_kg: typed(tried.load_kg),
  pain: typed(tried.pain) ?? Number.NaN,
  reserve: typed(tried.reserve),
});
