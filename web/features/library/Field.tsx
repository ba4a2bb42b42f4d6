import Autocomplete from '@mui/material/Autocomplete';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { memo, useState } from 'react';

import { GOALS } from '../open/form';
import { CHOICES, LABELS, LONG } from './fieldWords';
import { type Leaf, typed } from './tree';
import type { Library } from './words';

type Choice = readonly [key: string, title: string];

const ENDS = ['from', 'to'];

/** Of a list of names what there is to choose from; null where anything may be typed. */
function manyOf(name: string, library: Library): readonly Choice[] | null {
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
  onChange,
}: {
  label: string;
  value: readonly string[];
  known: readonly Choice[];
  disabled: boolean;
  fault: string | undefined;
  onChange: (next: readonly string[]) => void;
}) {
  return (
    <Autocomplete
      multiple
      disabled={disabled}
      options={known.map(([key]) => key)}
      value={[...value]}
      getOptionLabel={(key) => known.find(([one]) => one === key)?.[1] ?? key}
      onChange={(_, next) => onChange(next)}
      renderInput={(props) => <TextField {...props} label={label} error={fault !== undefined} helperText={fault} />}
      sx={{ width: '100%' }}
    />
  );
}

/** One of many, found by typing part of its name; null where nothing may be chosen and nothing is. */
function OneOf({
  label,
  value,
  known,
  isOptional,
  disabled,
  fault,
  width,
  onChange,
}: {
  label: string;
  value: string;
  known: readonly Choice[];
  isOptional: boolean;
  disabled: boolean;
  fault: string | undefined;
  width: number;
  onChange: (next: string | null) => void;
}) {
  const chosen = known.find(([key]) => key === value) ?? (value === '' ? null : ([value, value] as const));
  return (
    <Autocomplete
      options={known}
      value={chosen}
      disabled={disabled}
      getOptionLabel={([, title]) => title}
      getOptionKey={([key]) => key}
      isOptionEqualToValue={([one], [other]) => one === other}
      onChange={(_, next) => {
        if (next !== null || isOptional) onChange(next === null ? null : next[0]);
      }}
      renderInput={(props) => <TextField {...props} label={label} error={fault !== undefined} helperText={fault} />}
      sx={{ width }}
    />
  );
}

/** The exercises of a library to choose from, listed once for all fields of a form. */
const listed = new WeakMap<Library, readonly Choice[]>();
function exercisesOf(library: Library): readonly Choice[] {
  const known = listed.get(library) ?? library.exercises.map(({ key, title }) => [key, title] as const);
  listed.set(library, known);
  return known;
}

const shown = (value: Leaf['value']): string => (Array.isArray(value) ? value.join(', ') : String(value ?? ''));

/** A field that keeps what was typed, until another value is put in its place from outside. */
function Typed({ leaf, name, label, disabled, fault, onChange, width }: FieldProps & { name: string; label: string }) {
  const fresh = { value: shown(leaf.value), first: leaf.value, text: shown(leaf.value) };
  const [typing, setTyping] = useState(fresh);
  if (typing.value !== fresh.value) setTyping(fresh);
  // What stood here first says what is meant: a number stays one while it is being typed.
  const { first } = typing;
  const isNumber = typeof first === 'number';
  const mayBeEmpty = name === 'stiffness_rise_max_min';
  return (
    <TextField
      label={Array.isArray(leaf.value) ? `${label}, with commas between` : label}
      value={typing.text}
      disabled={disabled}
      error={fault !== undefined}
      helperText={fault}
      multiline={LONG.has(name)}
      inputMode={isNumber ? 'decimal' : 'text'}
      onChange={(event) => {
        const text = event.target.value;
        const next =
          text === '' && mayBeEmpty ? null : typed(text, isNumber || (first === null && mayBeEmpty) ? 0 : first);
        setTyping({ first, text, value: shown(next) });
        onChange(next);
      }}
      sx={{ width: LONG.has(name) ? '100%' : (width ?? (isNumber ? 190 : 320)) }}
    />
  );
}

interface FieldProps {
  leaf: Leaf;
  library: Library;
  disabled: boolean;
  fault: string | undefined;
  /** Puts a value in this place, whatever else of the item was changed meanwhile. */
  onChange: (next: Leaf['value']) => void;
  choices?: readonly Choice[] | undefined;
  width?: number | undefined;
}

/** Whether a field looks the same and leads to the same place: a large programme has hundreds of them. */
const isSameField = (before: FieldProps, now: FieldProps): boolean =>
  before.library === now.library &&
  before.disabled === now.disabled &&
  before.fault === now.fault &&
  before.width === now.width &&
  JSON.stringify([before.leaf, before.choices]) === JSON.stringify([now.leaf, now.choices]);

/** One value of an item: a choice where names are meant, else a field that keeps what was typed. */
export const Field = memo(FieldOf, isSameField);

function FieldOf(props: FieldProps) {
  const { leaf, library, disabled, fault, onChange, choices, width } = props;
  const last = leaf.path.at(-1);
  const parent = leaf.path.at(-2);
  const name = typeof last === 'number' ? String(parent) : (last ?? '');
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
          control={<Switch checked={leaf.value} onChange={(event) => onChange(event.target.checked)} />}
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
          onChange={onChange}
        />
      );
  }
  if (choices === undefined && namesExercise)
    return (
      <OneOf
        label={label}
        value={typeof leaf.value === 'string' ? leaf.value : ''}
        known={exercisesOf(library)}
        isOptional={name === 'stand_in'}
        disabled={disabled}
        fault={fault}
        width={width ?? 290}
        onChange={onChange}
      />
    );
  const options: readonly Choice[] =
    choices ??
    (parent === 'ratio' && name === 'to'
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
        onChange={(event) => onChange(event.target.value === '' ? null : event.target.value)}
        sx={{ width: width ?? 220 }}
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
  return <Typed {...props} name={name} label={label} />;
}
