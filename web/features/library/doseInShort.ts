type Values = Record<string, unknown>;

const isGiven = (value: unknown): boolean => value !== undefined && value !== null && value !== '';

/** What is still empty is a dash. */
const words = (value: unknown): string => (isGiven(value) ? String(value) : '–');

const span = (from: unknown, to: unknown): string => (isGiven(to) ? `${words(from)}–${words(to)}` : words(from));

const amount = (dose: Values, mode: string): string => {
  const reps = span(dose.reps, dose.reps_to);
  const hold = `${span(dose.hold_s, dose.hold_to_s)} s`;
  if (mode === 'isometric' && isGiven(dose.hold_s)) return Number(dose.reps) > 1 ? `${reps} × ${hold}` : hold;
  return isGiven(dose.work_s) ? `${span(dose.work_s, dose.work_to_s)} s` : reps;
};

/** The phases of a repetition in the order in which they are done; pauses of no time are left out. */
const pace = (tempo: Values): string[] => {
  const phase = (name: string, seconds: unknown) => `${name} ${words(seconds)} s`;
  const pause = (name: string, seconds: unknown) => (Number(seconds) > 0 ? [phase(name, seconds)] : []);
  const lift = [phase('lift', tempo.lift_s), ...pause('hold', tempo.top_s)];
  const lower = [phase('lower', tempo.lower_s), ...pause('pause', tempo.bottom_s)];
  return tempo.starts === 'lower' ? [...lower, ...lift] : [...lift, ...lower];
};

/**
 * A dose as it stands in the form, in the words in which the server writes one (a test compares them). Nothing is worked out:
 * what was typed is shown, saved or not.
 */
export function doseInShort(dose: Values, mode: string): string {
  const range = dose.range as Values | null | undefined;
  const tempo = dose.tempo as Values | null | undefined;
  const part = (field: string, written: string) => (isGiven(dose[field]) ? [written] : []);
  const load = Number(dose.load_kg) > 0 ? ` at ${words(dose.load_kg)} kg` : '';
  const described = [
    `${words(dose.sets)} × ${amount(dose, mode)}${load}`,
    ...part('resistance', `with ${words(dose.resistance)}`),
    ...part('height_cm', `${words(dose.height_cm)} cm high`),
    ...(isGiven(dose.percent_mvc)
      ? [`${words(dose.percent_mvc)} % of maximum`]
      : part('effort', `effort ${words(dose.effort)} of 10`)),
    ...(words(dose.rm) === words(dose.reps) ? [] : part('rm', `as ${words(dose.rm)} RM`)),
    ...part('rir', `${words(dose.rir)} in reserve`),
    ...(range === undefined || range === null ? [] : [`${span(range.from_deg, range.to_deg)}°`]),
  ].join(', ');
  return [
    described,
    ...(tempo === undefined || tempo === null ? [] : pace(tempo)),
    ...part('rest_s', `rest ${words(dose.rest_s)} s`),
  ].join(' · ');
}
