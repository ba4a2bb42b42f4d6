import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, faultAt, Refusal, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { useOpening } from './form';
import { Letter } from './Letter';

/** Somebody else is to see the athlete first: the opening ends with a letter. */
export function ReferInstead() {
  const { form, draft } = useOpening();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" color="warning" onClick={() => setOpen(true)} sx={{ mt: 1 }}>
        Refer instead …
      </Button>
      {open && <Refer name={form.name.trim() || 'the athlete'} draft={draft} onClose={() => setOpen(false)} />}
    </>
  );
}

function Refer({ name, draft, onClose }: { name: string; draft: string | null; onClose: () => void }) {
  const [to, setTo] = useState('');
  const [why, setWhy] = useState('');
  const queries = useQueryClient();
  const refer = useMutation({
    mutationFn: (opening: string) =>
      send(() => api.POST('/api/openings/{opening}/referral', { params: { path: { opening } }, body: { to, why } })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.openings, exact: true }),
        queries.invalidateQueries({ queryKey: queryKeys.referrals }),
      ]),
  });
  const at = (field: string) => ({
    error: faultAt(refer.error, field) !== undefined,
    helperText: faultAt(refer.error, field),
  });
  if (refer.isSuccess) {
    return (
      <Dialog open fullWidth maxWidth="md" aria-labelledby="letter">
        <DialogTitle id="letter">The letter to {refer.data.to}</DialogTitle>
        <DialogContent>
          <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
            A draft: read it, and change what is not right before it is sent. No case was opened. The letter is kept
            under Closed cases.
          </Typography>
          <Letter text={refer.data.letter} />
        </DialogContent>
        <DialogActions>
          <Button component={RouterLink} to="/" variant="contained">
            To the Round
          </Button>
        </DialogActions>
      </Dialog>
    );
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="refer">
      <DialogTitle id="refer">Refer {name} instead</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
        <Typography variant="body2">
          No case is opened and nothing is loaded. A letter is drawn from what you have entered so far.
        </Typography>
        <TextField autoFocus label="To whom" value={to} onChange={(event) => setTo(event.target.value)} {...at('to')} />
        <TextField
          label="What you ask for, and why"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          multiline
          minRows={3}
          {...at('why')}
        />
        {refer.error instanceof Refusal &&
          faultAt(refer.error, 'to') === undefined &&
          faultAt(refer.error, 'why') === undefined && <Alert severity="error">{refer.error.message}</Alert>}
        {draft === null && (
          <Typography variant="body2" color="watch">
            What you typed is being kept; in a moment the letter can be drawn.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Go on with the opening</Button>
        <Button
          variant="contained"
          loading={refer.isPending}
          disabled={draft === null}
          onClick={() => {
            if (draft !== null) refer.mutate(draft);
          }}
        >
          End the opening with a letter
        </Button>
      </DialogActions>
    </Dialog>
  );
}
