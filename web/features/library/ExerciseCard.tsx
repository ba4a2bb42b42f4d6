import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useContext, useState } from 'react';

import { AddMenu, AsOpenedContext, Fields, isSamePart, list, Order, Row, textAt, useEditing } from './editing';
import { doseInShort } from './doseInShort';
import { StartsWhen } from './StartsWhen';
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
export const ExerciseCard = memo(ExerciseCardOf, isSamePart);

function ExerciseCardOf({
  path,
  value,
  title,
  slots,
  last,
  item = path,
  startsWhen,
}: {
  path: Path;
  value: unknown;
  title: string;
  slots: readonly (readonly [string, string])[];
  last: boolean;
  /** The place in the list of its stage, where that holds more than the exercise. */
  item?: Path;
  /** What it waits for, where it begins later. */
  startsWhen?: unknown;
}) {
  const { faults } = useEditing();
  const asOpened = useContext(AsOpenedContext);
  const [chosen, setChosen] = useState(() => !asOpened.has(value));
  const inside = `${path.join('.')}.`;
  const isFaulty = Object.keys(faults).some((place) => place.startsWith(inside));
  // What is wrong is never folded away.
  const isOpen = chosen || isFaulty;
  return (
    <Box
      role="group"
      aria-label={title}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, px: 1.25, py: isOpen ? 1.25 : 0.25, mb: 1 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', flexWrap: 'wrap', columnGap: 1 }}>
        <Button
          color="inherit"
          aria-expanded={isOpen}
          onClick={() => setChosen(!isOpen)}
          startIcon={<span aria-hidden>{isOpen ? '▾' : '▸'}</span>}
          sx={{ px: 0.5, textAlign: 'left' }}
        >
          {title}
        </Button>
        <Typography variant="body2" color="textSecondary" sx={{ flex: '1 1 240px' }}>
          {!isOpen && doseInShort(at(value, ['dose']) as Record<string, unknown>, textAt(value, ['mode']))}
        </Typography>
        <Order path={item} name={title} last={last} />
      </Box>
      {startsWhen !== undefined && <StartsWhen path={[...item, 'starts_when']} value={startsWhen} />}
      {isOpen && <ExerciseParts path={path} value={value} slots={slots} />}
    </Box>
  );
}

/** The dose of an exercise by its fields, and how it grows. */
function ExerciseParts({
  path,
  value,
  slots,
}: {
  path: Path;
  value: unknown;
  slots: readonly (readonly [string, string])[];
}) {
  const { levers, own, reshape } = useEditing();
  const grows = list(value, ['progression', 'levers']);
  const blocks = list(value, ['progression', 'blocks']);
  const dose = at(value, ['dose']) as Record<string, unknown>;
  const missing = DOSE.filter(([key]) => dose[key] === undefined || dose[key] === null);
  const addLever = (lever: unknown) =>
    reshape((now) =>
      grows.length > 0
        ? added(now, [...path, 'progression', 'levers'], lever)
        : replaced(now, [...path, 'progression'], { levers: [lever] }),
    );
  return (
    <>
      <Fields
        of={path}
        value={value}
        without={['progression', 'ladder']}
        width={140}
        choices={(leaf) => (leaf.path.at(-1) === 'slot' ? slots : undefined)}
      />
      {own && missing.length > 0 && (
        <AddMenu
          label="Add to the dose"
          options={missing.map(([key, words, value]) => ({ key, title: words, content: { value } }))}
          onAdd={(chosen, key) =>
            reshape((now) => replaced(now, [...path, 'dose', key], (chosen as { value: unknown }).value))
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
            <Fields of={[...path, 'progression', 'levers', i]} value={grow} width={130} />
          </Row>
        );
      })}
      {blocks.map((block, i) => (
        <Row
          key={i}
          path={[...path, 'progression', 'blocks', i]}
          title={`Block ${i + 1}`}
          last={i === blocks.length - 1}
        >
          <Fields of={[...path, 'progression', 'blocks', i]} value={block} width={130} />
        </Row>
      ))}
      {own && blocks.length === 0 && <AddMenu label="Add a way to grow" options={levers} onAdd={addLever} />}
    </>
  );
}

/** An exercise of the library, with its own dose to begin with. */
export const AddExercise = memo(AddExerciseOf, isSamePart);

function AddExerciseOf({
  path,
  slot,
  label = 'Add an exercise',
  startsWhen,
}: {
  path: Path;
  slot: string;
  label?: string;
  /** What one waits for that begins later. */
  startsWhen?: unknown;
}) {
  const { library, reshape } = useEditing();
  return (
    <Autocomplete
      options={library.exercises}
      value={null}
      blurOnSelect
      clearOnBlur
      getOptionLabel={(item) => item.title}
      getOptionKey={(item) => item.key}
      onChange={(_, item) => {
        if (item === null) return;
        const prescription = {
          key: item.key,
          exercise: item.key,
          mode: item.mode,
          limbs: item.sides,
          slot,
          dose: item.dose,
        };
        reshape((now) =>
          added(now, path, startsWhen === undefined ? prescription : { starts_when: startsWhen, prescription }),
        );
      }}
      renderInput={(props) => <TextField {...props} label={label} />}
      sx={{ width: 340, maxWidth: '100%' }}
    />
  );
}
