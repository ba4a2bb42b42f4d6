// @vitest-environment happy-dom
import { execFileSync } from 'node:child_process';

import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useCallback, useMemo, useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

import { doseInShort } from '../../web/features/library/doseInShort';
import { isSamePart } from '../../web/features/library/editing';
import { ProgrammeForm } from '../../web/features/library/ProgrammeForm';
import { type Leaf, type Path, replaced } from '../../web/features/library/tree';
import type { Library } from '../../web/features/library/words';

/** How often the field at each place was drawn. */
const drawn = new Map<string, number>();

vi.mock('../../web/features/library/Field', () => ({
  Field: ({ leaf, onChange }: { leaf: Leaf; onChange: (next: string) => void }) => {
    const place = leaf.path.join('.');
    drawn.set(place, (drawn.get(place) ?? 0) + 1);
    return <input aria-label={place} value={String(leaf.value)} onChange={(event) => onChange(event.target.value)} />;
  },
}));

const exercise = (key: string) => ({
  key,
  exercise: key,
  mode: 'isometric',
  slot: 'work',
  dose: { sets: 3, reps: 5, rest_s: 60 },
  progression: { levers: [{ lever: 'sets', max: 5 }] },
});
const stage = (key: string, ...keys: string[]) => ({
  key,
  title: key,
  mode: 'isometric',
  gate: [{ type: 'days_in_stage', min: 7 }],
  slots: [{ key: 'work', title: 'Work', mode: 'isometric', times_per_day: 1 }],
  rhythm: { every_days: 2 },
  prescriptions: keys.map(exercise),
});
const PROGRAMME = { title: 'One', stages: [stage('holds', 'wall_sit', 'calf_hold'), stage('slow', 'squat')] };

const LIBRARY = {
  exercises: ['wall_sit', 'calf_hold', 'squat'].map((key) => ({ key, title: key.replace('_', ' ') })),
  findings: [],
  measures: [],
} as unknown as Library;

/** What the programme is by now, as it would be saved. */
const now = (): unknown => JSON.parse(screen.getByTestId('content').textContent);

const NO_FAULTS = {};

function Example({ faults = NO_FAULTS }: { faults?: Record<string, string> }) {
  const [content, setContent] = useState<unknown>(PROGRAMME);
  const put = useCallback((path: Path, value: unknown) => setContent((was: unknown) => replaced(was, path, value)), []);
  const editing = useMemo(
    () => ({ library: LIBRARY, criteria: [], levers: [], own: true, faults, put, reshape: setContent }),
    [put, faults],
  );
  return (
    <>
      <ProgrammeForm editing={editing} content={content} />
      <output data-testid="content">{JSON.stringify(content)}</output>
    </>
  );
}

const unfold = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

/** With every exercise open. */
const renderOpen = () => {
  render(<Example />);
  for (const name of ['wall sit', 'calf hold', 'squat']) unfold(name);
};

const SETS = (stages: number, exercises: number) => `stages.${stages}.prescriptions.${exercises}.dose.sets`;

beforeEach(() => drawn.clear());
afterEach(cleanup);

describe('the form of a programme', () => {
  it('begins with a line for each exercise, and opens the one that is asked for', () => {
    render(<Example />);
    expect(screen.getByRole('group', { name: 'wall sit' }).textContent).toContain('3 × 5 · rest 60 s');
    expect(screen.queryByLabelText(SETS(0, 0))).toBeNull();
    unfold('wall sit');
    expect(screen.getByLabelText(SETS(0, 0))).not.toBeNull();
    expect(screen.getByRole('group', { name: 'wall sit' }).textContent).not.toContain('3 × 5');
    expect(screen.queryByLabelText(SETS(0, 1))).toBeNull();
    unfold('wall sit');
    expect(screen.queryByLabelText(SETS(0, 0))).toBeNull();
  });

  it('keeps what was typed in an exercise that is folded again', () => {
    render(<Example />);
    unfold('squat');
    fireEvent.change(screen.getByLabelText(SETS(1, 0)), { target: { value: '8' } });
    unfold('squat');
    expect(screen.getByRole('group', { name: 'squat' }).textContent).toContain('8 × 5 · rest 60 s');
    expect(now()).toMatchObject({ stages: [{}, { prescriptions: [{ dose: { sets: '8' } }] }] });
  });

  it('opens what has a fault, and does not let it be folded away', () => {
    render(<Example faults={{ [SETS(0, 1)]: 'from 1 to 20' }} />);
    expect(screen.getByLabelText(SETS(0, 1))).not.toBeNull();
    expect(screen.queryByLabelText(SETS(0, 0))).toBeNull();
    unfold('calf hold');
    expect(screen.getByLabelText(SETS(0, 1))).not.toBeNull();
  });

  it('opens an exercise that is repeated', () => {
    render(<Example />);
    fireEvent.click(screen.getByRole('button', { name: 'Repeat squat' }));
    expect(screen.queryByLabelText(SETS(1, 0))).toBeNull();
    expect(screen.getByLabelText(SETS(1, 1))).not.toBeNull();
  });

  it('draws again what was typed in, and neither another exercise nor another stage', () => {
    renderOpen();
    const before = new Map(drawn);
    fireEvent.change(screen.getByLabelText(SETS(0, 0)), { target: { value: '4' } });
    expect(screen.getByLabelText<HTMLInputElement>(SETS(0, 0)).value).toBe('4');
    const again = [...drawn].filter(([place, times]) => times > (before.get(place) ?? 0)).map(([place]) => place);
    expect(again).toContain(SETS(0, 0));
    expect(again.filter((place) => place.startsWith('stages.0.prescriptions.1'))).toEqual([]);
    expect(again.filter((place) => place.startsWith('stages.1'))).toEqual([]);
  });

  it('takes out of what it is by then, whatever was typed before', () => {
    renderOpen();
    fireEvent.change(screen.getByLabelText(SETS(1, 0)), { target: { value: '6' } });
    fireEvent.click(screen.getByRole('button', { name: 'calf hold: up' }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove wall sit' }));
    expect(screen.queryByRole('group', { name: 'wall sit' })).toBeNull();
    expect(now()).toMatchObject({
      stages: [{ prescriptions: [{ key: 'calf_hold' }] }, { prescriptions: [{ key: 'squat', dose: { sets: '6' } }] }],
    });
  });

  it('gives what moved the place that it has by then', () => {
    renderOpen();
    fireEvent.click(screen.getByRole('button', { name: 'calf hold: up' }));
    fireEvent.change(screen.getByLabelText(SETS(0, 0)), { target: { value: '9' } });
    expect(now()).toMatchObject({
      stages: [
        {
          prescriptions: [
            { key: 'calf_hold', dose: { sets: '9' } },
            { key: 'wall_sit', dose: { sets: 3 } },
          ],
        },
        {},
      ],
    });
  });
});

describe('a dose in a line', () => {
  it('is written as the core writes it, whichever dose of the catalogue it is', () => {
    const doses = JSON.parse(
      execFileSync('php', ['tests/web/doses.php'], { encoding: 'utf8', maxBuffer: 16 * 1024 * 1024 }),
    ) as { mode: string; dose: Record<string, unknown>; words: string }[];
    expect(doses.length).toBeGreaterThan(150);
    for (const { mode, dose, words } of doses) expect(doseInShort(dose, mode)).toBe(words);
    // Each way of writing one is among them.
    const all = doses.map(({ words }) => words).join('\n');
    for (const part of [' × 45 s', 'lower 4 s · ', 'pause 1 s', '°', 'in reserve', 'effort ', '% of maximum'])
      expect(all).toContain(part);
  });

  const base = { sets: 3, reps: 8, rest_s: 60 };
  it.each([
    ['', { ...base, sets: '' }, '– × 8 · rest 60 s'],
    ['isotonic', { ...base, load_kg: null, rir: 0 }, '3 × 8, 0 in reserve · rest 60 s'],
    ['isometric', { ...base, reps: '5', hold_s: '30' }, '3 × 5 × 30 s · rest 60 s'],
    ['isotonic', { ...base, reps: 6, rm: 8 }, '3 × 6, as 8 RM · rest 60 s'],
    ['isotonic', { ...base, rm: '8' }, '3 × 8 · rest 60 s'],
    ['plyometric', { ...base, height_cm: 20, effort: 6 }, '3 × 8, 20 cm high, effort 6 of 10 · rest 60 s'],
    ['isotonic', { ...base, load_kg: '7.5', rest_s: '' }, '3 × 8 at 7.5 kg'],
  ])('is shown as it was typed so far: %s %j', (mode, dose, words) => {
    expect(doseInShort(dose, mode)).toBe(words);
  });
});

describe('parts of the form', () => {
  const value = { sets: 3 };
  it('are the same where their place and their value are', () => {
    expect(isSamePart({ path: ['stages', 0], value }, { path: ['stages', 0], value })).toBe(true);
  });
  it.each([
    ['another place', { path: ['stages', 1], value }],
    ['another value that says the same', { path: ['stages', 0], value: { ...value } }],
    ['more than before', { path: ['stages', 0], value, last: true }],
  ])('are not with %s', (_, next) => {
    expect(isSamePart<object>({ path: ['stages', 0], value }, next)).toBe(false);
  });
});
