import { numberOf } from '../../shell/numbers';
import type { Attempt, Measure, Measurement } from './useMeasures';

/** One try as it stands in its boxes. */
export interface TypedTry {
  value: string;
  load: string;
  reps: string;
  rir: string;
  /** Of a gauge: the id of the kept curve and its peak in newtons. */
  curve: { id: string; peak: number } | null;
  struck: boolean;
}

export interface Typed {
  unit: 'N' | 'kg' | 'lb';
  leverCm: string;
  angle: string;
  affected: TypedTry[];
  unaffected: TypedTry[];
  confirmed: boolean;
}

export type SideField = 'affected' | 'unaffected';

const NOTHING: TypedTry = { value: '', load: '', reps: '', rir: '', curve: null, struck: false };

export const isEmpty = (typedTry: TypedTry): boolean =>
  typedTry.curve === null &&
  [typedTry.value, typedTry.load, typedTry.reps, typedTry.rir].every((text) => text.trim() === '');

const boxes = (count: number): TypedTry[] => Array.from({ length: count }, () => NOTHING);

export const begin = (measure: Measure): Typed => ({
  unit: 'N',
  leverCm: '',
  angle: '',
  affected: boxes(measure.tries),
  unaffected: measure.each_side ? boxes(measure.tries) : [],
  confirmed: false,
});

/** The sides that a measure has boxes for. */
export const sidesOf = (measure: Measure): SideField[] =>
  measure.each_side ? ['affected', 'unaffected'] : ['affected'];

/** A try put right; odd values are asked about again. */
export const typed = (now: Typed, side: SideField, at: number, part: Partial<TypedTry>): Typed => ({
  ...now,
  confirmed: false,
  [side]: now[side].map((typedTry, i) => (i === at ? { ...typedTry, ...part } : typedTry)),
});

/** Room for one more try, where all of a side are taken and the tries differ too much. */
export const withRoom = (now: Typed, side: SideField): Typed =>
  now[side].some(isEmpty) ? now : { ...now, [side]: [...now[side], NOTHING] };

/** A try from the gauge goes into the first empty box of its side. */
export function fromGauge(now: Typed, side: SideField, curve: { id: string; peak: number }): Typed {
  const roomy = withRoom(now, side);
  return typed({ ...roomy, unit: 'N' }, side, roomy[side].findIndex(isEmpty), { curve, value: '' });
}

/** What is wrong with a box; nothing of an empty one. */
export function faultOf(measure: Measure, typedTry: TypedTry): string | undefined {
  if (isEmpty(typedTry) || typedTry.curve !== null) return undefined;
  if (measure.kind !== 'repetition_maximum') return numberOf(typedTry.value) === null ? 'A number.' : undefined;
  const [load, reps, rir] = [
    numberOf(typedTry.load),
    numberOf(typedTry.reps),
    typedTry.rir.trim() === '' ? 0 : numberOf(typedTry.rir),
  ];
  if (load === null || load < 0) return 'Kilograms, as a number.';
  if (reps === null || !Number.isInteger(reps) || reps < 1) return 'Repetitions, a whole number.';
  return rir === null || !Number.isInteger(rir) || rir < 0 ? 'In reserve, a whole number.' : undefined;
}

function attempt(measure: Measure, now: Typed, typedTry: TypedTry): Attempt {
  const struck = typedTry.struck ? { struck: true } : {};
  if (typedTry.curve !== null) return { curve: typedTry.curve.id, ...struck };
  if (measure.kind === 'repetition_maximum')
    return {
      load_kg: numberOf(typedTry.load) ?? 0,
      reps: numberOf(typedTry.reps) ?? 0,
      rir: numberOf(typedTry.rir) ?? 0,
      ...struck,
    };
  return { value: numberOf(typedTry.value) ?? 0, ...(measure.kind === 'force' ? { unit: now.unit } : {}), ...struck };
}

/** What is sent; null where nothing stands there yet, or something cannot be read. */
export function bodyOf(measure: Measure, now: Typed, on: string): Measurement | null {
  const sides = sidesOf(measure);
  const all = sides.flatMap((side) => now[side]);
  const lever = now.leverCm.trim() === '' ? null : numberOf(now.leverCm);
  if (
    all.every(isEmpty) ||
    all.some((item) => faultOf(measure, item) !== undefined) ||
    (now.leverCm.trim() !== '' && lever === null)
  )
    return null;
  const tries = (side: SideField) =>
    now[side].filter((typedTry) => !isEmpty(typedTry)).map((typedTry) => attempt(measure, now, typedTry));
  return {
    measure: measure.key,
    on,
    affected: tries('affected'),
    ...(measure.each_side ? { unaffected: tries('unaffected') } : {}),
    lever_m: lever === null ? null : lever / 100,
    joint_angle: now.angle.trim() === '' ? null : now.angle.trim(),
    confirmed: now.confirmed,
  };
}

/** Where Enter leads: the next box, from an empty one the other side, from the last one on to keeping. */
export function afterEnter(
  measure: Measure,
  now: Typed,
  side: SideField,
  at: number,
): { side: SideField; at: number } | 'keep' {
  const isLast = at === now[side].length - 1 || isEmpty(now[side][at] ?? NOTHING);
  if (!isLast) return { side, at: at + 1 };
  return side === 'affected' && measure.each_side ? { side: 'unaffected', at: 0 } : 'keep';
}
