import type { Schemas } from '../api/client';
import type { Move, Phase, Timeline } from './timeline';

const USUAL: Record<Move, string> = {
  ready: 'Ready',
  lift: 'Lift',
  hold: 'Hold',
  lower: 'Lower',
  pause: 'Pause',
  work: 'Work',
};

/** The words of a phase: the exercise's own where it has some ("turn out", "up with both"). */
export const wordOf = (move: Move, says: Schemas['TodayExercise']['says']): string =>
  (says as Partial<Record<Move, string>>)[move] ?? USUAL[move];

/** What is said aloud as a phase begins: its word, and the repetition where a new one begins. */
export function spokenOf(line: Timeline, phase: Phase, says: Schemas['TodayExercise']['says']): string {
  const word = wordOf(phase.move, says);
  const begins = line.phases.find((step) => step.rep === phase.rep && step.move !== 'ready') === phase;
  return begins && line.reps > 1 && phase.move !== 'ready' ? `${phase.rep}. ${word}` : word;
}

/** Milliseconds that the phone shakes as a phase begins. */
const SHAKES_MS: Record<Move, number | number[]> = {
  ready: 30,
  lift: 80,
  hold: [40, 60, 40],
  lower: 160,
  pause: 30,
  work: 80,
};

/** Tells that a phase has begun, as far as the phone can: aloud, and by shaking. */
export function cue(
  line: Timeline,
  phase: Phase,
  says: Schemas['TodayExercise']['says'],
  how: { spoken: boolean; shake: boolean },
): void {
  if (how.shake && 'vibrate' in navigator) navigator.vibrate(SHAKES_MS[phase.move]);
  if (!how.spoken || !('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(spokenOf(line, phase, says));
  words.lang = 'en';
  words.rate = 1.15;
  window.speechSynthesis.speak(words);
}
