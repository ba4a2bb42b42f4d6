import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { type FieldValues, useController } from 'react-hook-form';

import type { Bound } from './SendForm';

/** A time zone, found by typing. */
export function FormTimezone<Values extends FieldValues>({
  control,
  name,
  help,
  disabled = false,
}: Bound<Values> & { disabled?: boolean }) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Autocomplete
      options={Intl.supportedValuesOf('timeZone')}
      value={field.value}
      disabled={disabled}
      disableClearable
      onChange={(_, timezone) => field.onChange(timezone)}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Time zone"
          inputRef={field.ref}
          error={fieldState.error !== undefined}
          helperText={fieldState.error?.message ?? help}
        />
      )}
    />
  );
}
