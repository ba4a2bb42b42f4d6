import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button, { type ButtonProps } from '@mui/material/Button';
import type { SxProps, Theme } from '@mui/material/styles';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { type Control, type FieldValues, type Path, useController } from 'react-hook-form';

import { TextInput } from '../shell/TextInput';
import type { SentForm } from './useSendForm';

/** A form and what was refused of it as a whole. */
export function SendForm<Values extends FieldValues, Answer>({
  form,
  children,
  sx,
}: {
  form: SentForm<Values, Answer>;
  children: ReactNode;
  sx?: SxProps<Theme>;
}) {
  return (
    <Box component="form" noValidate onSubmit={(event) => void form.onSubmit(event)} sx={sx ?? null}>
      {children}
    </Box>
  );
}

/** What was refused and belongs to no field. */
export function FormProblem<Values extends FieldValues, Answer>({
  form,
  sx,
}: {
  form: SentForm<Values, Answer>;
  sx?: SxProps<Theme>;
}) {
  const problem = form.formState.errors.root?.server;
  return problem === undefined ? null : (
    <Alert severity="error" sx={sx ?? null}>
      {problem.message}
    </Alert>
  );
}

/** Sends the form; turns while it is under way. */
export function SendButton<Values extends FieldValues, Answer>({
  form,
  ...rest
}: { form: SentForm<Values, Answer> } & Omit<ButtonProps, 'form' | 'type' | 'loading'>) {
  return <Button type="submit" variant="contained" {...rest} loading={form.formState.isSubmitting} />;
}

export interface Bound<Values extends FieldValues> {
  control: Control<Values>;
  name: Path<Values>;
  /** What stands below the field where nothing is wrong with it. */
  help?: ReactNode;
}

/** A line to type, a date, or with `select` a choice, with what is wrong with it below. */
export function FormText<Values extends FieldValues>({
  control,
  name,
  help,
  slotProps,
  ...rest
}: Bound<Values> & Omit<TextFieldProps, 'name' | 'value' | 'onChange' | 'error' | 'helperText'>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TextField
      {...rest}
      name={field.name}
      value={field.value}
      onChange={field.onChange}
      onBlur={field.onBlur}
      inputRef={field.ref}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message ?? help}
      slotProps={rest.type === 'date' ? { inputLabel: { shrink: true }, ...slotProps } : { ...slotProps }}
    />
  );
}

/** A password, which is typed into the lighter field that the sign-in uses. */
export function FormPassword<Values extends FieldValues>({
  control,
  name,
  label,
  isNew = false,
  ...rest
}: Bound<Values> & { label: string; isNew?: boolean; autoFocus?: boolean; sx?: SxProps<Theme> }) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TextInput
      {...rest}
      label={label}
      type="password"
      autoComplete={isNew ? 'new-password' : 'current-password'}
      value={field.value}
      onChange={field.onChange}
      inputRef={field.ref}
      fault={fieldState.error?.message}
    />
  );
}
