import type { Entries, OneEntry } from './useEntries';

/** What an entry says, after its title. */
export function entryWords(one: OneEntry, found: Pick<Entries, 'test' | 'side'>): string {
  if (one.what === 'morning') {
    const score = one.provocation === null || one.provocation === undefined ? 'no score' : `${one.provocation} of 10`;
    const note = one.notes === null || one.notes === undefined ? '' : ` · ${one.notes}`;
    return `: ${score}${one.stiffness_min === null || one.stiffness_min === undefined ? '' : `, stiff for ${one.stiffness_min} min`}${note}`;
  }
  if (one.what === 'test') {
    const [first, second] = found.side === 'both' ? ['left', 'right'] : ['sore side', 'other side'];
    return `: ${first} ${one.affected ?? '–'}, ${second} ${one.unaffected ?? '–'} ${one.unit ?? ''}`;
  }
  if (one.what === 'score') return `: ${one.score ?? '–'}`;
  const pains = (one.pains ?? []).map((each) => `${each.title} ${each.pain === null ? 'no pain entered' : `pain ${each.pain}`}`);
  const minutes = one.minutes === null || one.minutes === undefined ? [] : [`${one.minutes} min`];
  return [...minutes, ...pains].length === 0 ? '' : `: ${[...minutes, ...pains].join(' · ')}`;
}
