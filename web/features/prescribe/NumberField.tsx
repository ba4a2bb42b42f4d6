import TextField from '@mui/material/TextField';
import { useState } from 'react';

import { numberOf } from '../../shell/numbers';

interface Props {
  label: string;
  value: unknown;
  fault?: string | undefined;
  width?: number;
  /** Gets a number; undefined where the field was emptied; the text itself where it is no number, to be refused at its field. */
  onChange: (value: unknown) => void;
}

const asTyped = (value: unknown): string =>
  typeof value === 'number' || typeof value === 'string' ? String(value) : '';

const meant = (text: string): unknown => (text.trim() === '' ? undefined : (numberOf(text) ?? text));

/** A number that is typed; what is typed stays as it is, decimal comma or point. */
export function NumberField({ label, value, fault, width = 92, onChange }: Props) {
  const [text, setText] = useState(asTyped(value));
  const [known, setKnown] = useState(value);
  if (known !== value) {
    // Set from outside: a suggestion was taken, another rung chosen.
    setKnown(value);
    if (meant(text) !== value) setText(asTyped(value));
  }
  return (
    <TextField
      label={label}
      value={text}
      onChange={(event) => {
        setText(event.target.value);
        const next = meant(event.target.value);
        setKnown(next);
        onChange(next);
      }}
      error={fault !== undefined}
      helperText={fault}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: fault === undefined ? width : Math.max(width, 190) }}
    />
  );
}
