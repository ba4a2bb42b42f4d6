import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';

import type { Schemas } from '../../api/client';
import { STOP_SIGNS } from './signs';

/** What means stop and be seen, to be ticked. */
export function SignList({
  signs,
  onChange,
}: {
  signs: readonly Schemas['Sign'][];
  onChange: (signs: Schemas['Sign'][]) => void;
}) {
  return (
    <Paper
      variant="outlined"
      sx={{ p: 1.5, display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(min(15rem, 100%), 1fr))' }}
      role="group"
      aria-label="Signs to stop for"
    >
      {STOP_SIGNS.map(([sign, words]) => (
        <FormControlLabel
          key={sign}
          control={
            <Checkbox
              checked={signs.includes(sign)}
              onChange={() =>
                onChange(signs.includes(sign) ? signs.filter((known) => known !== sign) : [...signs, sign])
              }
            />
          }
          label={words}
        />
      ))}
    </Paper>
  );
}
