import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

import { AddMenu, Fields, list, Order, Row, textAt, useEditing } from './editing';
import { added, at, type Path, replaced } from './tree';

/** What a dose may say beside sets, repetitions and rest. */
const DOSE: readonly (readonly [string, string, unknown])[] = [
  ['reps_to', 'Repetitions up to', 12],
  ['hold_s', 'Hold', 30],
  ['hold_to_s', 'Hold up to', 45],
  ['work_s', 'Work', 30],
  ['load_kg', 'Load', 5],
  ['rm', 'Repetition maximum', 12],
  ['rir', 'Reserve', 2],
  ['percent_mvc', 'Percent of maximum', 70],
  ['effort', 'Effort', 7],
  ['height_cm', 'Height', 20],
  ['tempo', 'Tempo', { lift_s: 3, top_s: 0, lower_s: 3, bottom_s: 0, starts: 'lift' }],
  ['range', 'Range', { from_deg: 0, to_deg: 60 }],
];

/** An exercise of a stage: its dose, and how it grows. */
export function ExerciseCard({
  path,
  title,
  slots,
  last,
  item = path,
  children,
}: {
  path: Path;
  title: string;
  slots: readonly (readonly [string, string])[];
  last: boolean;
  /** The place in the list of its stage, where that holds more than the exercise. */
  item?: Path;
  /** What stands above the dose. */
  children?: ReactNode;
}) {
  const { content, levers, own, reshape } = useEditing();
  const grows = list(content, [...path, 'progression', 'levers']);
  const blocks = list(content, [...path, 'progression', 'blocks']);
  const dose = at(content, [...path, 'dose']) as Record<string, unknown>;
  const missing = DOSE.filter(([key]) => dose[key] === undefined || dose[key] === null);
  const addLever = (lever: unknown) =>
    reshape(
      grows.length > 0
        ? added(content, [...path, 'progression', 'levers'], lever)
        : replaced(content, [...path, 'progression'], { levers: [lever] }),
    );
  return (
    <Box role="group" aria-label={title} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.25, mb: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="subtitle1" sx={{ flex: 1 }}>
          {title}
        </Typography>
        <Order path={item} name={title} last={last} />
      </Box>
      {children}
      <Fields
        of={path}
        without={['progression', 'ladder']}
        width={140}
        choices={(leaf) => (leaf.path.at(-1) === 'slot' ? slots : undefined)}
      />
      {own && missing.length > 0 && (
        <AddMenu
          label="Add to the dose"
          options={missing.map(([key, words, value]) => ({ key, title: words, content: { value } }))}
          onAdd={(chosen, key) =>
            reshape(replaced(content, [...path, 'dose', key], (chosen as { value: unknown }).value))
          }
        />
      )}
      <Typography variant="subtitle2" sx={{ mt: 1 }}>
        {blocks.length > 0 ? 'Grows by weeks' : 'Grows, the first that has room first'}
      </Typography>
      {grows.map((grow, i) => {
        const kind = textAt(grow, ['lever']);
        return (
          <Row
            key={`${kind}/${i}`}
            path={[...path, 'progression', 'levers', i]}
            title={levers.find(({ key }) => key === kind)?.title ?? kind}
            last={i === grows.length - 1}
          >
            <Fields of={[...path, 'progression', 'levers', i]} width={130} />
          </Row>
        );
      })}
      {blocks.map((_, i) => (
        <Row
          key={i}
          path={[...path, 'progression', 'blocks', i]}
          title={`Block ${i + 1}`}
          last={i === blocks.length - 1}
        >
          <Fields of={[...path, 'progression', 'blocks', i]} width={130} />
        </Row>
      ))}
      {own && blocks.length === 0 && <AddMenu label="Add a way to grow" options={levers} onAdd={addLever} />}
    </Box>
  );
}

/** An exercise of the library, with its own dose to begin with. */
export function AddExercise({
  path,
  slot,
  label = 'Add an exercise',
  item: itemOf = (prescription) => prescription,
}: {
  path: Path;
  slot: string;
  label?: string;
  /** What goes into the list for it. */
  item?: (prescription: Record<string, unknown>) => unknown;
}) {
  const { content, library, reshape } = useEditing();
  return (
    <Autocomplete
      options={library.exercises}
      value={null}
      blurOnSelect
      clearOnBlur
      getOptionLabel={(item) => item.title}
      getOptionKey={(item) => item.key}
      onChange={(_, item) => {
        if (item !== null)
          reshape(
            added(
              content,
              path,
              itemOf({
                key: item.key,
                exercise: item.key,
                mode: item.mode,
                limbs: item.sides,
                slot,
                dose: item.dose,
              }),
            ),
          );
      }}
      renderInput={(props) => <TextField {...props} label={label} />}
      sx={{ width: 340 }}
    />
  );
}
