// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useCallback, useMemo, useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

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

function Example() {
  const [content, setContent] = useState<unknown>(PROGRAMME);
  const put = useCallback((path: Path, value: unknown) => setContent((was: unknown) => replaced(was, path, value)), []);
  const editing = useMemo(
    () => ({ library: LIBRARY, criteria: [], levers: [], own: true, faults: {}, put, reshape: setContent }),
    [put],
  );
  return (
    <>
      <ProgrammeForm editing={editing} content={content} />
      <output data-testid="content">{JSON.stringify(content)}</output>
    </>
  );
}

const SETS = (stages: number, exercises: number) => `stages.${stages}.prescriptions.${exercises}.dose.sets`;

beforeEach(() => drawn.clear());
afterEach(cleanup);

describe('the form of a programme', () => {
  it('draws again what was typed in, and neither another exercise nor another stage', () => {
    render(<Example />);
    const before = new Map(drawn);
    fireEvent.change(screen.getByLabelText(SETS(0, 0)), { target: { value: '4' } });
    expect(screen.getByLabelText<HTMLInputElement>(SETS(0, 0)).value).toBe('4');
    const again = [...drawn].filter(([place, times]) => times > (before.get(place) ?? 0)).map(([place]) => place);
    expect(again).toContain(SETS(0, 0));
    expect(again.filter((place) => place.startsWith('stages.0.prescriptions.1'))).toEqual([]);
    expect(again.filter((place) => place.startsWith('stages.1'))).toEqual([]);
  });

  it('takes out of what it is by then, whatever was typed before', () => {
    render(<Example />);
    fireEvent.change(screen.getByLabelText(SETS(1, 0)), { target: { value: '6' } });
    fireEvent.click(screen.getByRole('button', { name: 'calf hold: up' }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove wall sit' }));
    expect(screen.queryByRole('group', { name: 'wall sit' })).toBeNull();
    expect(now()).toMatchObject({
      stages: [{ prescriptions: [{ key: 'calf_hold' }] }, { prescriptions: [{ key: 'squat', dose: { sets: '6' } }] }],
    });
  });

  it('gives what moved the place that it has by then', () => {
    render(<Example />);
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
