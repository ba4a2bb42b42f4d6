import { numberOf } from '../../shell/numbers';

/** A value inside a document, by the steps that lead to it. */
export type Path = readonly (string | number)[];

export interface Leaf {
  path: Path;
  value: string | number | boolean | null | readonly string[];
}

/** They name things; changing them would tear what points at them. */
const FIXED = new Set(['key', 'type', 'lever', 'mode', 'prescription', 'test', 'measure', 'phase']);

/** Lists of names are one value: typed with commas between. */
const LISTS = new Set(['equipment', 'positions', 'changes', 'cycle', 'goals', 'structures', 'free']);

/** Every single value of a document that may be changed, in its order. */
export function leaves(value: unknown, path: Path = []): Leaf[] {
  const name = path.at(-1);
  if (Array.isArray(value)) {
    if (typeof name === 'string' && LISTS.has(name))
      return [{ path, value: value.filter((item): item is string => typeof item === 'string') }];
    return value.flatMap((item: unknown, i) => leaves(item, [...path, i]));
  }
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([field, one]) => leaves(one, [...path, field]));
  // A lever at the root is how long an arm is; inside a progression it says what kind of step is taken.
  if (typeof name === 'string' && FIXED.has(name) && !(name === 'lever' && path.length === 1)) return [];
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' || value === null
    ? [{ path, value }]
    : [];
}

export function at(value: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (item, step) =>
      typeof item === 'object' && item !== null ? (item as Record<string | number, unknown>)[step] : undefined,
    value,
  );
}

/** The document with one value replaced. */
export function replaced(value: unknown, path: Path, next: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return next;
  if (Array.isArray(value)) return value.map((item: unknown, i) => (i === step ? replaced(item, rest, next) : item));
  if (typeof value === 'object' && value !== null)
    return { ...value, [step]: replaced((value as Record<string, unknown>)[step], rest, next) };
  return value;
}

export function removed(value: unknown, path: Path): unknown {
  const list = at(value, path.slice(0, -1));
  return Array.isArray(list)
    ? replaced(
        value,
        path.slice(0, -1),
        list.filter((_, i) => i !== path.at(-1)),
      )
    : value;
}

/** The document with a thing of a list there a second time, under a key of its own where it has one. */
export function repeated(value: unknown, path: Path): unknown {
  const list: unknown = at(value, path.slice(0, -1));
  const place = path.at(-1);
  if (!Array.isArray(list) || typeof place !== 'number') return value;
  const all: unknown[] = list;
  return replaced(value, path.slice(0, -1), [
    ...all.slice(0, place + 1),
    withFreshKey(value, all[place]),
    ...all.slice(place + 1),
  ]);
}

/** The document with a thing of a list one place further up (-1) or down (1); at an end it stays. */
export function moved(value: unknown, path: Path, by: -1 | 1): unknown {
  const list: unknown = at(value, path.slice(0, -1));
  const place = path.at(-1);
  if (!Array.isArray(list) || typeof place !== 'number' || list[place + by] === undefined) return value;
  const all: unknown[] = [...(list as unknown[])];
  [all[place], all[place + by]] = [all[place + by], all[place]];
  return replaced(value, path.slice(0, -1), all);
}

/** The document with a thing at the end of a list; its key is made one that nothing else in the document has. */
export function added(value: unknown, list: Path, thing: unknown): unknown {
  const all: unknown = at(value, list);
  if (all !== undefined && !Array.isArray(all)) return value;
  return replaced(value, list, [...((all ?? []) as unknown[]), withFreshKey(value, thing)]);
}

/** A thing under a key that stands nowhere else in the document, where it or the prescription in it has one. */
function withFreshKey(value: unknown, thing: unknown): unknown {
  const place = at(thing, ['key']) === undefined ? ['prescription', 'key'] : ['key'];
  const key = at(thing, place);
  const text = JSON.stringify(value);
  let fresh = key;
  for (let n = 2; typeof fresh === 'string' && text.includes(`"key":"${fresh}"`); n++) fresh = `${String(key)}_${n}`;
  return typeof fresh === 'string' ? replaced(thing, place, fresh) : thing;
}

/** What was typed, as the kind of value that was there: "2,5" is a number where a number stood. */
export function typed(text: string, before: Leaf['value']): Leaf['value'] {
  if (Array.isArray(before))
    return text
      .split(',')
      .map((part) => part.trim())
      .filter((item) => item !== '');
  if (typeof before === 'number') return numberOf(text) ?? text;
  return before === null && text === '' ? null : text;
}
