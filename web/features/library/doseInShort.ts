/** From one number to another, where the second is there. */
const span = (from: unknown, to: unknown): string => (isGiven(to) ? `${words(from)} to ${words(to)}` : words(from));

/** What is still empty is a dash. */
const words = (value: unknown): string => (isGiven(value) ? String(value) : '–');

const isGiven = (value: unknown): boolean => value !== undefined && value !== null && value !== '';

/** How each part of a dose is written in a line; of a part that is not there nothing is. */
const PARTS: readonly (readonly [string, (value: unknown, dose: Record<string, unknown>) => string])[] = [
  ['hold_s', (value, dose) => `hold ${span(value, dose.hold_to_s)} s`],
  ['work_s', (value) => `${String(value)} s of work`],
  ['tempo', (value) => `tempo ${secondsOf(value)} s`],
  ['load_kg', (value) => `${String(value)} kg`],
  ['rm', (value) => `${String(value)} RM`],
  ['rir', (value) => `${String(value)} in reserve`],
  ['percent_mvc', (value) => `${String(value)} % of maximum`],
  ['effort', (value) => `effort ${String(value)}`],
  ['height_cm', (value) => `${String(value)} cm high`],
  ['range', (value) => degreesOf(value)],
  ['rest_s', (value) => `rest ${String(value)} s`],
];

/** The seconds of a repetition, in the order in which they are done. */
const secondsOf = (value: unknown): string => {
  const tempo = value as Record<string, unknown>;
  const order =
    tempo.starts === 'lower' ? ['lower_s', 'bottom_s', 'lift_s', 'top_s'] : ['lift_s', 'top_s', 'lower_s', 'bottom_s'];
  return order.map((part) => words(tempo[part])).join('-');
};

const degreesOf = (value: unknown): string => {
  const range = value as Record<string, unknown>;
  return `${span(range.from_deg, range.to_deg)}°`;
};

/** A dose as it stands in the form, in one line. Nothing is worked out: what was typed is shown. */
export const doseInShort = (dose: Record<string, unknown>): string =>
  [
    `${words(dose.sets)} × ${span(dose.reps, dose.reps_to)}`,
    ...PARTS.filter(([part]) => isGiven(dose[part])).map(([part, written]) => written(dose[part], dose)),
  ].join(' · ');
