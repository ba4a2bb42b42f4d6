import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Refusal } from '../../api/client';
import { day } from '../../shell/dates';
import type { Mark } from './grid';
import { useReadDays } from './useWeeks';

/** A season or an absence, typed, pasted or read from a calendar file; nothing is marked before it was looked at. */
export function DaysDialog({
  id,
  onClose,
  onMark,
}: {
  id: string;
  onClose: () => void;
  onMark: (days: readonly string[], as: Mark) => void;
}) {
  const [text, setText] = useState('');
  const [as, setAs] = useState<'event' | 'blocked'>('event');
  const [without, setWithout] = useState<readonly string[]>([]);
  const read = useReadDays(id);
  const found = read.data;
  const fault =
    read.error instanceof Refusal
      ? (Object.values(read.error.fields)[0] ?? read.error.message)
      : read.error === null
        ? null
        : 'This could not be sent. Your text is still here; try again.';
  const days = found?.days.filter((date) => !without.includes(date.on)).map((date) => date.on) ?? [];
  const change = (next: string) => {
    read.reset();
    setText(next);
    setWithout([]);
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Shows, and days without training</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <RadioGroup
          row
          aria-label="These days are"
          value={as}
          onChange={(event) => setAs(event.target.value === 'blocked' ? 'blocked' : 'event')}
        >
          <FormControlLabel value="event" control={<Radio />} label="Shows or competitions" />
          <FormControlLabel value="blocked" control={<Radio />} label="Without training" />
        </RadioGroup>
        <TextField
          label="Days, one or a span on each line"
          placeholder={'12 Dec gala\n2026-12-19\n24 Dec – 2 Jan travel'}
          value={text}
          onChange={(event) => change(event.target.value)}
          multiline
          minRows={4}
          maxRows={10}
          error={fault !== null}
          helperText={fault ?? 'As 12 Dec, 2026-12-12 or 12 Dec – 15 Dec, then what it is.'}
        />
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button
            variant={found === undefined ? 'contained' : 'outlined'}
            disabled={text.trim() === ''}
            loading={read.isPending}
            onClick={() => read.mutate(text)}
          >
            Read the days
          </Button>
          <Button component="label" variant="outlined">
            From a calendar file (.ics)
            <input
              type="file"
              accept="text/calendar,.ics"
              hidden
              aria-label="Calendar file"
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file === undefined) return;
                void file.text().then((content) => {
                  change(content);
                  read.mutate(content);
                });
              }}
            />
          </Button>
        </Box>
        {found !== undefined && (
          <Box component="section" aria-label="Days that were read">
            {found.days.length === 0 && <Typography>It contains no day from today on.</Typography>}
            <Box sx={{ maxHeight: 240, overflowY: 'auto', display: 'grid' }}>
              {found.days.map((date) => (
                <FormControlLabel
                  key={date.on}
                  sx={{ m: 0 }}
                  label={`${day(date.on)}${date.title === '' ? '' : `: ${date.title}`}`}
                  control={
                    <Checkbox
                      size="small"
                      checked={!without.includes(date.on)}
                      onChange={(_event, checked) =>
                        setWithout(checked ? without.filter((on) => on !== date.on) : [...without, date.on])
                      }
                    />
                  }
                />
              ))}
            </Box>
            {found.faults.map((words) => (
              <Alert key={words} severity="warning" sx={{ mt: 0.5 }}>
                {words}
              </Alert>
            ))}
            {found.more > 0 && (
              <Alert severity="warning" sx={{ mt: 0.5 }}>
                {found.more} days more were in it: more than can be marked at once.
              </Alert>
            )}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={days.length === 0} onClick={() => onMark(days, as)}>
          {days.length === 0
            ? 'Look at the weeks with them'
            : `Look at the weeks with ${days.length === 1 ? 'this day' : `these ${days.length} days`}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
