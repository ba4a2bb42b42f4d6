import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputLabel from '@mui/material/InputLabel';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import type { SxProps, Theme } from '@mui/material/styles';
import { useId } from 'react';

interface Text extends Pick<OutlinedInputProps, 'type' | 'autoComplete' | 'autoFocus' | 'inputMode' | 'inputRef'> {
  label: string;
  value: string;
  onChange: (value: string) => void;
  fault?: string | undefined;
  /** Lines that it shows; one if left out. */
  lines?: number;
  sx?: SxProps<Theme>;
}

/** A line of text to type, with its fault below it; made of the parts that the phone needs, which loads no menus for it. */
export function TextInput({ label, value, onChange, fault, lines, sx, inputMode, ...rest }: Text) {
  const id = useId();
  return (
    <FormControl variant="outlined" size="small" error={fault !== undefined} sx={sx ?? null}>
      <InputLabel htmlFor={id}>{label}</InputLabel>
      <OutlinedInput
        id={id}
        label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        aria-describedby={fault === undefined ? undefined : `${id}-fault`}
        slotProps={{ input: { inputMode } }}
        {...(lines === undefined ? {} : { multiline: true, minRows: lines })}
        {...rest}
      />
      {fault !== undefined && <FormHelperText id={`${id}-fault`}>{fault}</FormHelperText>}
    </FormControl>
  );
}
