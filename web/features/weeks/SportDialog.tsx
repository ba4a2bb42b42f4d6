import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type SubmitEvent, useState } from 'react';

import { day } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { everyWeek } from './grid';
import type { Marks } from './useWeeks';

const MOST_MINUTES = 600;

/** A practice, a rehearsal or a show that is expected on a day, with how long and how hard it will be. */
export function SportDialog({
  on,
  onClose,
  onAdd,
}: {
  on: string;
  onClose: () => void;
  onAdd: (sport: Marks['sport']) => void;
}) {
  const [what, setWhat] = useState('');
  const [minutes, setMinutes] = useState('');
  const [effort, setEffort] = useState('');
  const [until, setUntil] = useState('');
  const [checked, setChecked] = useState(false);
  const long = numberOf(minutes);
  const hard = numberOf(effort);
  const minutesFault =
    long === null || !Number.isInteger(long) || long < 1 || long > MOST_MINUTES
      ? `A whole number of minutes from 1 to ${MOST_MINUTES}`
      : null;
  const effortFault =
    hard === null || !Number.isInteger(hard) || hard < 0 || hard > 10 ? 'A whole number from 0 to 10' : null;
  const untilFault = until !== '' && until < on ? `Not before ${day(on)}` : null;
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    setChecked(true);
    if (long === null || hard === null || minutesFault !== null || effortFault !== null || untilFault !== null) return;
    onAdd(everyWeek({ on, what: what.trim(), minutes: long, effort: hard }, until));
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="sport">
      <form noValidate onSubmit={submit}>
        <DialogTitle id="sport">Practice on {day(on)}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
          <TextField
            label="What (practice, rehearsal, show)"
            value={what}
            onChange={(event) => setWhat(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 60 } }}
            autoFocus
          />
          <TextField
            label="Minutes"
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
            error={checked && minutesFault !== null}
            helperText={checked ? minutesFault : null}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
          <TextField
            label="Expected effort, 0–10"
            value={effort}
            onChange={(event) => setEffort(event.target.value)}
            error={checked && effortFault !== null}
            helperText={checked ? effortFault : '0 is rest, 10 the hardest that is possible'}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
          <TextField
            type="date"
            label="Every week until (may be left empty)"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
            error={untilFault !== null}
            helperText={untilFault}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Look at the weeks with it
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
