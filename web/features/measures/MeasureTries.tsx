import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { day } from '../../shell/dates';
import { type Measure, type Taken, useStrikeOut } from './useMeasures';

/** The tries of the latest value, those that were struck out with a line through them. */
export function Tries({ measure, latest }: { measure: Measure; latest: Taken }) {
  const listOf = (tries: NonNullable<Taken['details']>['affected']) =>
    tries.map((attempt, i) => (
      <Box component="span" key={i} sx={{ textDecoration: attempt.struck ? 'line-through' : undefined, mr: 0.75 }}>
        {attempt.load_kg === null
          ? attempt.value
          : `${attempt.load_kg} kg × ${attempt.reps ?? ''}${(attempt.rir ?? 0) > 0 ? `, ${attempt.rir ?? 0} in reserve` : ''}`}
      </Box>
    ));
  const { details } = latest;
  if (details === null) return null;
  return (
    <Typography variant="body2" color="textSecondary" component="div">
      Tries: {listOf(details.affected)}
      {details.unaffected.length > 0 && <>| {listOf(details.unaffected)}</>}
      {measure.unit}
      {details.lever_m !== null && `, lever ${Math.round(100 * details.lever_m)} cm`}
      {details.moment_nm !== null && `: ${details.moment_nm} Nm`}
      {details.joint_angle !== null && `, ${details.joint_angle}`}
    </Typography>
  );
}

export function StrikeOut({
  id,
  measure,
  taken,
  onClose,
}: {
  id: string;
  measure: Measure;
  taken: Taken;
  onClose: () => void;
}) {
  const strike = useStrikeOut(id);
  const [correction] = useState(() => crypto.randomUUID());
  const [why, setWhy] = useState('');
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="strike-out">
      <DialogTitle id="strike-out">
        Strike out {measure.title.toLowerCase()} of {day(taken.on)}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
        <Typography variant="body2">It no longer counts, and stays in the record with what you write here.</Typography>
        <TextField
          label="Why, for the record"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          multiline
          minRows={2}
          error={faultAt(strike.error, 'why') !== undefined}
          helperText={faultAt(strike.error, 'why')}
        />
        {strike.error !== null && faultAt(strike.error, 'why') === undefined && (
          <Alert severity="error">
            {strike.error instanceof Refusal
              ? (Object.values(strike.error.fields)[0] ?? strike.error.message)
              : 'This could not be sent. Try again.'}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          loading={strike.isPending}
          onClick={() =>
            strike.mutate(
              { correction, body: { what: measure.each_side ? 'test' : 'score', entry: taken.id, struck: true, why } },
              { onSuccess: onClose },
            )
          }
        >
          Strike out
        </Button>
      </DialogActions>
    </Dialog>
  );
}
