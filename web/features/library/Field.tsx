import Autocomplete from '@mui/material/Autocomplete';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

import { GOALS } from '../open/form';
import { type Leaf, typed } from './tree';
import { type Library, MEASURE_KINDS } from './words';

const LABELS: Record<string, string> = {
  hold_s: 'Hold, s',
  work_s: 'Work, s',
  rest_s: 'Rest, s',
  load_kg: 'Load, kg',
  reps: 'Repetitions',
  rm: 'Repetition maximum',
  percent_mvc: 'Percent of maximum',
  effort: 'Effort, 0–10',
  body_fraction: 'Part of the body lifted',
  contacts_per_rep: 'Landings a repetition',
  from_deg: 'Range from, °',
  to_deg: 'Range to, °',
  lift_s: 'Lift, s',
  top_s: 'Hold at the top, s',
  lower_s: 'Lower, s',
  bottom_s: 'Pause at the bottom, s',
  increment_kg: 'Step of weight, kg',
  times_per_day: 'Times a day',
  during_max: 'Pain in the exercise, at most',
  settle_within_min: 'Back to how it was within, min',
  next_day_max: 'Next morning, at most',
  rise_watch_from: 'A small reaction from a rise of',
  rise_over_from: 'Too much from a rise of',
  stiffness_rise_max_min: 'Stiffness may grow by, min (empty: not judged)',
  stop_at: 'Loading stops at',
  progress_after: 'Grows after settled answers',
  week_growth_max_percent: 'Growth a week, at most, %',
  min_gap_days: 'Days apart, at least',
  per_week: 'Times a week',
  every_days: 'Every so many days',
  to: 'Up to',
  tries: 'Tries of each side',
  sides: 'Sides',
  unit: 'Unit',
  kind: 'Kind',
  lowest: 'Lowest possible',
  highest: 'Highest possible',
  joint_angle: 'Angle, in words',
  usual_from: 'Usually from, %',
  usual_to: 'Usually to, %',
  from_stage: 'Proposed from the stage of',
  instruction: 'Instruction',
  value: 'Smallest change',
  percent: 'Smallest change, %',
  stand_in: 'Without the equipment',
  rule: 'School',
  exercise: 'Exercise',
  demand: 'Demand, 1–10',
  changes: 'What is harder',
  range: 'Range, in words',
  words: 'In words',
  set_up: 'Set-up',
  feel: 'What to feel',
  faults: 'Usual faults',
  time_scale: 'Time until it shows',
  lowering_only: 'Built on lowering alone',
  retest: 'Test again around each exercise',
  for_and_against: 'For and against',
  when_over: 'Told to the athlete over the limit',
  beats_per_min: 'Beats a minute',
  min: 'At least',
  max: 'At most',
  days: 'Over days',
  min_sessions: 'Sessions, at least',
  min_readings: 'Readings, at least',
  step: 'By, each time',
  reps_to: 'Repetitions up to',
  hold_to_s: 'Hold up to, s',
  work_to_s: 'Work up to, s',
  grow_by: 'Grows by',
  grow_after: 'Grows after, answers',
  slot: 'Session',
  height_cm: 'Height, cm',
  rir: 'In reserve',
  resistance: 'Band',
  goals: 'For those who must get back to',
  limbs: 'Who works',
  starts: 'Begins with',
  purpose: 'For',
  min_load_kg: 'With at least, kg',
  min_per_week: 'Times a week, at least',
  usual_weeks: 'Usual weeks',
  review_after_weeks: 'Look again after, weeks',
  test: 'Test',
  steps: 'Bands, easier first',
  phase: 'Part of the tempo',
  better: 'Better is',
  min_percent: 'Percent, at least',
  within_days: 'Tested within days',
  severity_measure: 'Severity score of the gates',
};

const KINDS: readonly (readonly [string, string])[] = Object.entries(MEASURE_KINDS);

const CHOICES: Record<string, readonly (readonly [string, string])[]> = {
  limbs: [
    ['affected', 'the sore side'],
    ['each', 'each side in turn'],
    ['together', 'both together'],
  ],
  lever: [
    ['none', 'none'],
    ['short', 'short'],
    ['middle', 'middle'],
    ['long', 'long'],
  ],
  purpose: [
    ['rehab', 'something that hurts'],
    ['prevention', 'prevention'],
  ],
  starts: [
    ['lift', 'the lift'],
    ['lower', 'the lowering'],
  ],
  better: [
    ['higher', 'higher'],
    ['lower', 'lower'],
  ],
  sides: [
    ['each', 'each side'],
    ['one', 'both together'],
  ],
  kind: KINDS,
  unit: ['N', 'kg', 'repetitions', 's', '°', 'cm', 'min', 'points'].map((item) => [item, item] as const),
  from_stage: [
    ['isotonic', 'slow strength'],
    ['plyometric', 'springs'],
    ['sport', 'sport'],
  ],
};

const LONG = new Set([
  'instruction',
  'summary',
  'caution',
  'time_scale',
  'set_up',
  'movement',
  'feel',
  'faults',
  'view',
  'for_and_against',
  'when_over',
  'notes',
]);
const ENDS = ['from', 'to'];

/** Of a list of names what there is to choose from; null where anything may be typed. */
function manyOf(name: string, library: Library): readonly (readonly [string, string])[] | null {
  if (name === 'structures') return library.structures.map((structure) => [structure.key, structure.title] as const);
  if (name === 'equipment') return library.equipment.map((kind) => [kind, kind] as const);
  return name === 'goals' ? Object.entries(GOALS) : null;
}

/** Several of a list, by name. */
function Many({
  label,
  value,
  known,
  disabled,
  fault,
  change,
}: {
  label: string;
  value: readonly string[];
  known: readonly (readonly [string, string])[];
  disabled: boolean;
  fault: string | undefined;
  change: (next: readonly string[]) => void;
}) {
  return (
    <Autocomplete
      multiple
      disabled={disabled}
      options={known.map(([key]) => key)}
      value={[...value]}
      getOptionLabel={(key) => known.find(([one]) => one === key)?.[1] ?? key}
      onChange={(_, next) => change(next)}
      renderInput={(props) => <TextField {...props} label={label} error={fault !== undefined} helperText={fault} />}
      sx={{ width: '100%' }}
    />
  );
}

/** One value of an item: a choice where names are meant, else a field that keeps what was typed. */
export function Field({
  leaf,
  library,
  disabled,
  fault,
  change,
  choices,
  width,
}: {
  leaf: Leaf;
  library: Library;
  disabled: boolean;
  fault: string | undefined;
  change: (next: Leaf['value']) => void;
  choices?: readonly (readonly [string, string])[] | undefined;
  width?: number | undefined;
}) {
  const last = leaf.path.at(-1);
  const parent = leaf.path.at(-2);
  const name = typeof last === 'number' ? String(parent) : (last ?? '');
  // What stood here first says what is meant: a number stays one while it is being typed.
  const [first] = useState(leaf.value);
  const [text, setText] = useState(() =>
    Array.isArray(leaf.value) ? leaf.value.join(', ') : String(leaf.value ?? ''),
  );
  const inVariant = leaf.path.includes('variants') && parent === 'exercises';
  const prefix =
    parent === 'back' ? 'Set back: ' : parent === 'pain' ? `Pain, ${name === 'min' ? 'at least' : 'at most'}` : '';
  const label = prefix.startsWith('Pain')
    ? prefix
    : parent === 'ratio' && name === 'to'
      ? 'Compared with'
      : `${prefix}${inVariant ? `In place of ${name.replaceAll('_', ' ')}` : (LABELS[name] ?? `${name[0]?.toUpperCase() ?? ''}${name.slice(1).replaceAll('_', ' ')}`)}${typeof last === 'number' ? `, usually ${ENDS[last] ?? ''}` : ''}`;

  if (typeof leaf.value === 'boolean') {
    return (
      <div>
        <FormControlLabel
          disabled={disabled}
          control={<Switch checked={leaf.value} onChange={(event) => change(event.target.checked)} />}
          label={label}
        />
        {fault !== undefined && <FormHelperText error>{fault}</FormHelperText>}
      </div>
    );
  }
  const namesExercise =
    name === 'exercise' ||
    name === 'stand_in' ||
    inVariant ||
    (name === 'to' && typeof leaf.value === 'string' && parent !== 'ratio');
  if (Array.isArray(leaf.value)) {
    const known = manyOf(name, library);
    if (known !== null)
      return (
        <Many
          label={label}
          value={leaf.value as readonly string[]}
          known={known}
          disabled={disabled}
          fault={fault}
          change={change}
        />
      );
  }
  const options: readonly (readonly [string, string])[] =
    choices ??
    (namesExercise
      ? [
          ...(name === 'stand_in' ? [['', 'nothing'] as const] : []),
          ...library.exercises.map((exercise) => [exercise.key, exercise.title] as const),
        ]
      : parent === 'ratio' && name === 'to'
        ? library.measures.map((measure) => [measure.key, measure.title] as const)
        : name === 'rule'
          ? library.rules.map((rule) => [rule.key, rule.title] as const)
          : parent === 'structures'
            ? ['target', 'shared', 'slight'].map((item) => [item, item] as const)
            : typeof leaf.value === 'string'
              ? (CHOICES[name] ?? [])
              : []);
  if (options.length > 0) {
    const value = typeof leaf.value === 'string' ? leaf.value : '';
    return (
      <TextField
        select
        label={
          parent === 'structures'
            ? (library.structures.find((structure) => structure.key === name)?.title ?? label)
            : label
        }
        value={value}
        disabled={disabled}
        error={fault !== undefined}
        helperText={fault}
        onChange={(event) => change(event.target.value === '' ? null : event.target.value)}
        sx={{ width: width ?? (namesExercise ? 290 : 220) }}
      >
        {value !== '' && !options.some(([key]) => key === value) && <MenuItem value={value}>{value}</MenuItem>}
        {options.map(([key, title]) => (
          <MenuItem key={key} value={key}>
            {title}
          </MenuItem>
        ))}
      </TextField>
    );
  }
  const number = typeof first === 'number';
  return (
    <TextField
      label={Array.isArray(leaf.value) ? `${label}, with commas between` : label}
      value={text}
      disabled={disabled}
      error={fault !== undefined}
      helperText={fault}
      multiline={LONG.has(name)}
      inputMode={number ? 'decimal' : 'text'}
      onChange={(event) => {
        setText(event.target.value);
        const before = number || (first === null && name === 'stiffness_rise_max_min') ? 0 : first;
        change(
          event.target.value === '' && name === 'stiffness_rise_max_min' ? null : typed(event.target.value, before),
        );
      }}
      sx={{ width: LONG.has(name) ? '100%' : (width ?? (number ? 190 : 320)) }}
    />
  );
}
