import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { DecisionPreview } from './DecisionPreview';
import type { Done } from './UndoBar';
import { type Case, useDecide } from './useCase';

const REST = [1, 2, 3, 5, 7];
const HOLDS = [3, 5, 7, 10, 14];

/** A flare in one click: ease, extra rest, holds only, advice to the athlete. The usual choice stands ready. */
export function FlareDialog({
  found,
  onClose,
  onDecided,
}: {
  found: Case;
  onClose: () => void;
  onDecided: (done: Done) => void;
}) {
  const decide = useDecide(found.id);
  const name = found.athlete.name.split(' ')[0] ?? found.athlete.name;
  const [ease, setEase] = useState(true);
  const [rest, setRest] = useState<number | null>(2);
  const [holds, setHolds] = useState<number | null>(7);
  const [advice, setAdvice] = useState<string | null>(
    `${name}, it has flared up. That happens, and it settles. For now do only what your plan shows and less of the act; no stretching into the sore end. If you notice anything on the stop list, stop and call us.`,
  );
  const send = () =>
    decide.mutate(
      {
        kind: 'flare',
        revision: found.revision,
        flare: { ease, rest_days: rest ?? 0, holds_only_days: holds ?? 0, advice },
      },
      {
        onSuccess: (answer) => {
          onDecided({
            words: `${found.athlete.name}: ${answer.words}`,
            undo: answer.undo ? { id: found.id, decision: answer.id } : undefined,
          });
          onClose();
        },
      },
    );
  const changes = ease || rest !== null || holds !== null;
  const nothing = !changes && (advice ?? '') === '';

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="flare">
      <DialogTitle id="flare">{found.athlete.name}: flare plan</DialogTitle>
      <DialogContent dividers sx={{ display: 'grid', gap: 0.5 }}>
        {found.standing.stopped && (
          <Alert severity="warning">A stop is open: review that first. This plan only says what comes after it.</Alert>
        )}
        <FormControlLabel
          control={<Checkbox checked={ease} onChange={(event) => setEase(event.target.checked)} />}
          label="Ease every dose of this stage by one step"
        />
        <Days label="No loading at all for" value={rest} onChange={setRest} choices={REST} usual={2} />
        <Days
          label="Then holds only, counted from today, for"
          value={holds}
          onChange={setHolds}
          choices={HOLDS}
          usual={7}
        />
        <FormControlLabel
          control={
            <Checkbox checked={advice !== null} onChange={(event) => setAdvice(event.target.checked ? '' : null)} />
          }
          label="Tell the athlete"
        />
        {advice !== null && (
          <TextField
            label="Message to the athlete"
            multiline
            minRows={3}
            value={advice}
            onChange={(event) => setAdvice(event.target.value)}
            error={faultAt(decide.error, 'flare.advice') !== undefined}
            helperText={faultAt(decide.error, 'flare.advice')}
          />
        )}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          The days are defaults, not evidence. Sessions on those days leave the calendar; sport and act are eased by
          your advice alone.
        </Typography>
        {changes && (
          <DecisionPreview
            found={found}
            asked={{ kind: 'flare', flare: { ease, rest_days: rest ?? 0, holds_only_days: holds ?? 0 } }}
          />
        )}
        {decide.error instanceof Refusal && <Alert severity="error">{decide.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button variant="contained" onClick={send} loading={decide.isPending} disabled={nothing} autoFocus>
          Put in force
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Days({
  label,
  value,
  onChange,
  choices,
  usual,
}: {
  label: string;
  value: number | null;
  onChange: (days: number | null) => void;
  choices: readonly number[];
  usual: number;
}) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
      <FormControlLabel
        sx={{ flex: 1 }}
        control={
          <Checkbox checked={value !== null} onChange={(event) => onChange(event.target.checked ? usual : null)} />
        }
        label={label}
      />
      <TextField
        select
        label="Days"
        value={value ?? ''}
        disabled={value === null}
        onChange={(event) => onChange(Number(event.target.value))}
        sx={{ width: 110 }}
        slotProps={{ select: { inputProps: { 'aria-label': `${label}, days` } } }}
      >
        {choices.map((days) => (
          <MenuItem key={days} value={days}>
            {days === 1 ? '1 day' : `${days} days`}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
