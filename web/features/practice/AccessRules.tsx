import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormLabel from '@mui/material/FormLabel';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, faultAt, send } from '../../api/client';
import { Failed } from '../../shell/States';
import type { Practice } from './People';

/** Whose cases people see, and whether a password alone lets them in. */
export function AccessRules({ practice, onChange }: { practice: Practice; onChange: (answer: Practice) => void }) {
  const [open, setOpen] = useState(practice.cases_open_to);
  const [second, setSecond] = useState(practice.second_factor_needed);
  const save = useMutation({
    mutationFn: () =>
      send(() => api.PUT('/api/practice/rules', { body: { cases_open_to: open, second_factor_needed: second } })),
    onSuccess: onChange,
  });
  const fault = faultAt(save.error, 'second_factor_needed');
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Who gets in, and sees what"
      sx={{ p: 2.5, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">Who gets in, and sees what</Typography>
      <FormControl>
        <FormLabel id="open-to">Practitioners and readers see</FormLabel>
        <RadioGroup
          aria-labelledby="open-to"
          value={open}
          onChange={(_, value) => setOpen(value as Practice['cases_open_to'])}
        >
          <FormControlLabel value="practice" control={<Radio />} label="every case of the practice" />
          <FormControlLabel
            value="own"
            control={<Radio />}
            label="their own cases, those shared with them, and those of a colleague they stand in for"
          />
        </RadioGroup>
      </FormControl>
      <FormControlLabel
        control={<Checkbox checked={second} onChange={(event) => setSecond(event.target.checked)} />}
        label="Everybody who works here needs a second factor to sign in"
      />
      {fault !== undefined && (
        <Alert
          severity="error"
          action={
            <Link component={RouterLink} to="/account" color="inherit">
              Your account
            </Link>
          }
        >
          {fault}
        </Alert>
      )}
      {save.isError && fault === undefined && <Failed problem={save.error} />}
      {save.isSuccess && <Alert severity="success">Saved. It applies from now on.</Alert>}
      <Box>
        <Button variant="outlined" loading={save.isPending} onClick={() => save.mutate()}>
          Save
        </Button>
      </Box>
    </Paper>
  );
}
