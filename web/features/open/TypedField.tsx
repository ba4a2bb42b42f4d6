import TextField from '@mui/material/TextField';

import { type Form, useOpening } from './form';

type TextKeys = { [K in keyof Form]: Form[K] extends string ? K : never }[keyof Form];

/** A field of the opening, with the server's fault under it. */
export function TypedField({
  name,
  label,
  at,
  width = 200,
  type = 'text',
  lines,
  autoFocus,
  disabled,
}: {
  name: TextKeys;
  label: string;
  at?: string;
  width?: number | string;
  type?: string;
  lines?: number;
  autoFocus?: boolean;
  disabled?: boolean;
}) {
  const { form, set, fault } = useOpening();
  const problem = fault(at ?? name);
  return (
    <TextField
      label={label}
      value={form[name]}
      type={type}
      error={problem !== undefined}
      helperText={problem}
      multiline={lines !== undefined}
      minRows={lines}
      disabled={disabled}
      // The first field of a step is where the hands go on.
      autoFocus={autoFocus}
      onChange={(event) => set(name, event.target.value)}
      slotProps={type === 'date' ? { inputLabel: { shrink: true } } : {}}
      sx={{ width }}
    />
  );
}

/** The sore and the other side of one test. */
export function PairField({
  name,
  label,
  unit,
}: {
  name: 'strength' | 'range' | 'count';
  label: string;
  unit: string;
}) {
  const { form, set, fault } = useOpening();
  const [sore, other] = form[name];
  const sideFault = fault(`${name}.affected`);
  const two = fault(`${name}.unaffected`);
  return (
    <>
      <TextField
        label={`${label}, ${form.side === 'both' ? 'left' : 'sore side'}, ${unit}`}
        value={sore}
        onChange={(event) => set(name, [event.target.value, other])}
        error={sideFault !== undefined}
        helperText={sideFault}
        sx={{ width: 300 }}
      />
      <TextField
        label={`${label}, ${form.side === 'both' ? 'right' : 'other side'}, ${unit}`}
        value={other}
        onChange={(event) => set(name, [sore, event.target.value])}
        error={two !== undefined}
        helperText={two}
        sx={{ width: 300 }}
      />
    </>
  );
}
