import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal, type Schemas } from '../../api/client';
import { type Case, useDecide } from './useCase';

export type Asked = { kind: 'stage' | 'keep' | 'sign_off' } | { kind: 'clear_stop'; clears: string; words: string };

const TITLES = { stage: 'Move to another stage', keep: 'Keep the dose as it is', sign_off: 'Sign off the technique', clear_stop: 'Clear this stop' };

/** A decision by hand: what, and why. */
export function ReasonDialog({ found, asked, close, decided }: { found: Case; asked: Asked; close: () => void; decided: (words: string) => void }) {
  const decide = useDecide(found.id);
  const [reason, setReason] = useState('');
  const [stage, setStage] = useState('');
  const send = () => {
    const body: Schemas['DecisionRequest'] = { kind: asked.kind, revision: found.revision, reason };
    if (asked.kind === 'stage') body.stage = stage;
    if (asked.kind === 'clear_stop') body.clears = asked.clears;
    decide.mutate(body, { onSuccess: (answer) => { decided(answer.words); close(); } });
  };
  const atField = faultAt(decide.error, 'reason') ?? faultAt(decide.error, 'stage');

  return (
    <Dialog open onClose={close} fullWidth maxWidth="sm" aria-labelledby="by-hand">
      <DialogTitle id="by-hand">{TITLES[asked.kind]}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: '8px !important' }}>
        {asked.kind === 'clear_stop' && (
          <Alert severity="warning">
            Reported: {asked.words}. Clear it only after you have seen the athlete, or know that somebody licensed has. For 7 days nothing will be proposed that raises the load.
          </Alert>
        )}
        {asked.kind === 'sign_off' && <Typography>You have seen the technique of this stage and found it sound.</Typography>}
        {asked.kind === 'stage' && (
          <TextField select label="Stage" value={stage} onChange={(event) => setStage(event.target.value)} error={faultAt(decide.error, 'stage') !== undefined} helperText={faultAt(decide.error, 'stage')}>
            {found.stages.filter((one) => one.key !== found.standing.stage.key).map((one) => <MenuItem key={one.key} value={one.key}>{one.title}</MenuItem>)}
          </TextField>
        )}
        <TextField
          label={asked.kind === 'sign_off' ? 'Note (may be left empty)' : 'Reason, for the record'}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          multiline
          minRows={2}
          error={faultAt(decide.error, 'reason') !== undefined}
          helperText={faultAt(decide.error, 'reason')}
        />
        {decide.error instanceof Refusal && atField === undefined && <Alert severity="error">{decide.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" onClick={send} loading={decide.isPending} disabled={asked.kind === 'stage' && stage === ''}>Put in force</Button>
      </DialogActions>
    </Dialog>
  );
}
