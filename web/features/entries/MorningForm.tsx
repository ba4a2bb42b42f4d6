import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';

import { faultAt, Refusal, type Schemas } from '../../api/client';
import { day, plusDays } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { momentIn } from '../../shell/zone';
import { SignList } from '../athlete/SignList';
import { type Entries, useEnterMorning } from './useEntries';

/** A column of mornings: a score, Enter, and the next day stands ready. */
export function MorningForm({ id, found }: { id: string; found: Entries }) {
  const enter = useEnterMorning(id);
  const [on, setOn] = useState(found.today);
  const [time, setTime] = useState('07:00');
  const [score, setScore] = useState('');
  const [stiff, setStiff] = useState('');
  const [signs, setSigns] = useState<Schemas['Sign'][]>([]);
  const [asked, setAsked] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  const [entry, setEntry] = useState(() => crypto.randomUUID());
  const first = useRef<HTMLInputElement>(null);
  const there = found.entries.find(
    (other) => other.what === 'morning' && other.on === on && typeof other.provocation === 'number',
  );
  const fault = {
    score:
      score !== '' && numberOf(score) === null ? 'A whole number from 0 to 10.' : faultAt(enter.error, 'provocation'),
    at: faultAt(enter.error, 'at'),
    stiff: stiff !== '' && numberOf(stiff) === null ? 'Minutes, as a number.' : faultAt(enter.error, 'stiffness_min'),
  };
  const send = () =>
    enter.mutate(
      {
        entry,
        body: {
          at: momentIn(found.zone, on, time),
          provocation: numberOf(score),
          stiffness_min: numberOf(stiff),
          signs,
        },
      },
      {
        onSuccess: () => {
          setDone(`${day(on)}: ${score.trim() === '' ? 'the report' : `${score} of 10`}`);
          setEntry(crypto.randomUUID());
          setScore('');
          setStiff('');
          setSigns([]);
          setAsked(false);
          if (on < found.today) setOn(plusDays(on, 1));
          first.current?.focus();
        },
      },
    );
  const change = (set: (value: string) => void) => (event: { target: { value: string } }) => {
    set(event.target.value);
    setEntry(crypto.randomUUID());
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
      sx={{ display: 'grid', gap: 1 }}
    >
      <Typography variant="body2">{found.test}, 0 to 10. Enter keeps it and goes on to the next day.</Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          type="date"
          label="Morning of"
          value={on}
          onChange={change(setOn)}
          error={fault.at !== undefined}
          helperText={fault.at}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: found.opened_on, max: found.today } }}
        />
        <TextField
          type="time"
          label="At"
          value={time}
          onChange={change(setTime)}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 136 }}
        />
        <TextField
          label="Test, 0 to 10"
          value={score}
          inputRef={first}
          onChange={change(setScore)}
          error={fault.score !== undefined}
          helperText={fault.score}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 120 }}
        />
        <TextField
          label="Stiff, min"
          value={stiff}
          onChange={change(setStiff)}
          error={fault.stiff !== undefined}
          helperText={fault.stiff}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 110 }}
        />
        <Button
          type="submit"
          variant="contained"
          loading={enter.isPending}
          disabled={
            (score.trim() === '' ? signs.length === 0 : numberOf(score) === null) ||
            (stiff !== '' && numberOf(stiff) === null)
          }
          sx={{ height: 37 }}
        >
          Keep
        </Button>
      </Box>
      <Button onClick={() => setAsked(!asked)} aria-expanded={asked} sx={{ justifySelf: 'start' }}>
        Something else was reported …
      </Button>
      {signs.length > 0 && (
        <Alert severity="error">
          This stops the case: no loading until you have reviewed it. Tell the athlete now; if it is severe, emergency
          care.
        </Alert>
      )}
      {asked && <SignList signs={signs} onChange={setSigns} />}
      {there !== undefined && (score !== '' || signs.length === 0) && (
        <Typography variant="body2" color="watch">
          {day(on)} was answered with {there.provocation} of 10. What you enter takes its place.
        </Typography>
      )}
      {enter.error instanceof Refusal &&
        fault.score === undefined &&
        fault.at === undefined &&
        fault.stiff === undefined && <Alert severity="error">{enter.error.message}</Alert>}
      <Typography variant="body2" role="status" color="textSecondary">
        {done === null ? '' : `Kept: ${done}`}
      </Typography>
    </Box>
  );
}
