import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { nowIso } from '../../phone/moments';
import { put } from '../../phone/outbox';
import { moment } from '../../shell/dates';
import { NotKept } from './NotKept';
import { asLog, forgetRun, isBegun, isIdle, type Run } from './run';
import { ended } from './steps';

/** A session under way; one that was left lying can be sent as far as it went. */
export function GoOn({ run, onOver }: { run: Run; onOver?: () => void }) {
  const [sure, setSure] = useState(false);
  const [lost, setLost] = useState<string | null>(null);
  const sets = run.progress.reduce((sum, exercise) => sum + exercise.sets.length, 0);
  const idle = isIdle(run);
  const send = async () => {
    const became = await put({
      id: run.id,
      person: run.person,
      case: run.case,
      made_at: nowIso(),
      what: 'session',
      title: run.due.title,
      body: asLog(ended(run, 'not finished')),
      planned: run.due.planned === '' ? null : run.due.planned,
    });
    if (typeof became === 'object') {
      setLost(became.lost);
      return;
    }
    void forgetRun();
    onOver?.();
  };
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={idle ? 'Unfinished session' : 'Session under way'}
      sx={{ p: 2, borderWidth: 2, borderColor: 'primary.main' }}
    >
      <Typography color="textSecondary">
        {idle ? `Not finished, last entry ${moment(run.touched_at)}` : 'Under way'}
      </Typography>
      <Typography variant="h1" component="h2">
        {run.due.title}
      </Typography>
      <Typography sx={{ mb: 1 }}>
        {sets === 0 ? 'Nothing done yet.' : `${sets} ${sets === 1 ? 'set' : 'sets'} done, kept on this phone.`}
      </Typography>
      <Box sx={{ display: 'grid', gap: 0.5 }}>
        {idle && isBegun(run) && run.due.kind !== 'sport' && (
          <Button variant="contained" onClick={() => void send()} size="main">
            Send what was done
          </Button>
        )}
        <Button component={RouterLink} to="/session" variant={idle ? 'outlined' : 'contained'} size="main">
          Go on
        </Button>
        <Button
          color="inherit"
          onClick={() => {
            if (sure) {
              void forgetRun();
              onOver?.();
            } else setSure(true);
          }}
        >
          {sure ? 'Discard all of it: nothing is sent' : 'Discard this session'}
        </Button>
      </Box>
      <NotKept why={lost} />
    </Paper>
  );
}
