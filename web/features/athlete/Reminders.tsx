import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import {
  canNotify,
  clockOf,
  minutesOf,
  remind,
  remindNoMore,
  type Times,
  USUAL_TIMES,
  useReminded,
} from '../../phone/push';

/** What this phone reminds you of, and when. */
export function Reminders() {
  const reminded = useReminded();
  const [refused, setRefused] = useState(false);
  const save = useMutation({
    mutationFn: remind,
    onSuccess: (may) => {
      setRefused(!may);
    },
  });
  const end = useMutation({ mutationFn: remindNoMore });
  // What was chosen stands at once; where it could not be stored, it goes back.
  const times = (save.isPending ? save.variables : null) ?? reminded ?? USUAL_TIMES;
  const change = (part: Partial<Times>) => {
    save.mutate({ morning_at: times.morning_at, session_at: times.session_at, messages: times.messages, ...part });
  };
  const wrong = save.error ?? end.error;
  return (
    <Paper variant="panel" component="section" aria-label="Reminders on this phone" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">Reminders on this phone</Typography>
      {!canNotify() && (
        <Typography color="textSecondary">
          This browser shows no notifications. The calendar still reminds you.
        </Typography>
      )}
      {canNotify() && reminded === null && (
        <>
          <Typography color="textSecondary">
            At times that you choose, and only while something is still open. A locked screen shows nothing about your
            treatment. You can turn reminders off here at any time.
          </Typography>
          <Button variant="outlined" loading={save.isPending} onClick={() => change({})}>
            Remind me on this phone
          </Button>
        </>
      )}
      {reminded !== null && (
        <>
          <Time
            label="The morning answer, if it is open"
            minutes={times.morning_at}
            usual={USUAL_TIMES.morning_at}
            onChange={(morning_at) => change({ morning_at })}
          />
          <Time
            label="The session, if it is not done"
            minutes={times.session_at}
            usual={USUAL_TIMES.session_at}
            onChange={(session_at) => change({ session_at })}
          />
          <FormControlLabel
            control={
              <Checkbox checked={times.messages} onChange={(event) => change({ messages: event.target.checked })} />
            }
            label="A message of the practice"
          />
          <Button variant="outlined" loading={end.isPending} onClick={() => end.mutate()}>
            No more reminders on this phone
          </Button>
        </>
      )}
      {refused && (
        <Alert severity="warning">
          This phone does not let Rung show notifications. Allow it in the settings of the browser, then try again.
        </Alert>
      )}
      {wrong !== null && <Alert severity="error">{wrong.message}</Alert>}
    </Paper>
  );
}

function Time({
  label,
  minutes,
  usual,
  onChange,
}: {
  label: string;
  minutes: number | null;
  usual: number | null;
  onChange: (minutes: number | null) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && minutesOf(typed) === null;
  return (
    <Box sx={{ display: 'grid', gap: 0.5 }}>
      <FormControlLabel
        control={
          <Checkbox
            checked={minutes !== null}
            onChange={(event) => {
              setTyped(null);
              onChange(event.target.checked ? usual : null);
            }}
          />
        }
        label={label}
      />
      {minutes !== null && (
        <TextField
          type="time"
          size="medium"
          label={`At, for ${label.split(',')[0]?.toLowerCase() ?? ''}`}
          value={typed ?? clockOf(minutes)}
          error={isWrong}
          helperText={isWrong ? 'A time, such as 07:30.' : undefined}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => {
            const chosen = typed === null ? null : minutesOf(typed);
            if (chosen !== null && chosen !== minutes) onChange(chosen);
            if (chosen !== null) setTyped(null);
          }}
          sx={{ ml: 4, maxWidth: 240 }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      )}
    </Box>
  );
}
