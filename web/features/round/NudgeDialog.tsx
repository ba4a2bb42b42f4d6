import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { useCase } from '../case/useCase';
import { useNudge } from './useRound';

/** The message to a silent athlete; it goes to the outbox when it is sent, not before. */
export function NudgeDialog({
  id,
  onClose,
  onDone,
}: {
  id: string;
  onClose: () => void;
  onDone: (words: string) => void;
}) {
  const found = useCase(id);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="nudge">
      <DialogTitle id="nudge">{found.data === undefined ? 'Nudge' : `Nudge ${found.data.athlete.name}`}</DialogTitle>
      {found.isPending && <Loading what="the case" />}
      {found.isError && found.data === undefined && (
        <Failed problem={found.error} onRetry={() => void found.refetch()} />
      )}
      {found.data !== undefined && (
        <Words
          id={id}
          usual={found.data.nudge_words}
          why={found.data.standing.group_reasons}
          name={found.data.athlete.name}
          onClose={onClose}
          onDone={onDone}
        />
      )}
    </Dialog>
  );
}

function Words({
  id,
  usual,
  why,
  name,
  onClose,
  onDone,
}: {
  id: string;
  usual: string;
  why: readonly string[];
  name: string;
  onClose: () => void;
  onDone: (words: string) => void;
}) {
  const [words, setWords] = useState(usual);
  const nudge = useNudge(id);
  const fault = faultAt(nudge.error, 'words');
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
        {why.length > 0 && <Typography color="textSecondary">{why.join(', ')}.</Typography>}
        <TextField
          label="Message"
          multiline
          minRows={4}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          error={fault !== undefined}
          helperText={fault}
        />
        <Typography variant="body2" color="textSecondary">
          It goes to the outbox and to the athlete’s own page. Sending by mail or text message is simulated here.
        </Typography>
        {nudge.error instanceof Refusal && fault === undefined && <Alert severity="error">{nudge.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button
          variant="contained"
          loading={nudge.isPending}
          onClick={() =>
            nudge.mutate(words, {
              onSuccess: () => {
                onDone(`${name} was nudged`);
                onClose();
              },
            })
          }
        >
          Send
        </Button>
      </DialogActions>
    </>
  );
}
