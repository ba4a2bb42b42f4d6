import type { Entries, OneEntry } from './useEntries';

/** What an entry says, after its title. */
export function entryWords(entry: OneEntry, found: Pick<Entries, 'test' | 'side'>): string {
  if (entry.what === 'morning') {
    const score =
      entry.provocation === null || entry.provocation === undefined ? 'no score' : `${entry.provocation} of 10`;
    const note = entry.notes === null || entry.notes === undefined ? '' : ` · ${entry.notes}`;
    return `: ${score}${entry.stiffness_min === null || entry.stiffness_min === undefined ? '' : `, stiff for ${entry.stiffness_min} min`}${note}`;
  }
  if (entry.what === 'test') {
    const [first, second] = found.side === 'both' ? ['left', 'right'] : ['sore side', 'other side'];
    return `: ${first} ${entry.affected ?? '–'}, ${second} ${entry.unaffected ?? '–'} ${entry.unit ?? ''}`;
  }
  if (entry.what === 'score') return `: ${entry.score ?? '–'}`;
  const pains = (entry.pains ?? []).map(
    (each) => `${each.title} ${each.pain === null ? 'no pain entered' : `pain ${each.pain}`}`,
  );
  const minutes = entry.minutes === null || entry.minutes === undefined ? [] : [`${entry.minutes} min`];
  return [...minutes, ...pains].length === 0 ? '' : `: ${[...minutes, ...pains].join(' · ')}`;
}
