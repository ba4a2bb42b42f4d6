import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import GlobalStyles from '@mui/material/GlobalStyles';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { QrCode } from '../../charts/QrCode';
import { moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import type { Case } from './useCase';

/** The paper carries the invitation and nothing of the page behind it. */
const ON_PAPER = (
  <GlobalStyles
    styles={{
      '@media print': {
        '#root, .MuiBackdrop-root, .MuiDialogActions-root, .MuiAlert-root, [data-screen]': {
          display: 'none !important',
        },
      },
    }}
  />
);

/** The way in, on paper: a link and the same as a code, drawn here; and how to withdraw it. */
export function InviteDialog({ found, onClose }: { found: Case; onClose: () => void }) {
  const [sure, setSure] = useState(false);
  const queries = useQueryClient();
  const params = { path: { case: found.id } };
  const state = useQuery({
    queryKey: queryKeys.invitation(found.id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/invitation', { params })),
  });
  const again = () => queries.invalidateQueries({ queryKey: queryKeys.invitation(found.id) });
  const invite = useMutation({
    mutationFn: () => send(() => api.POST('/api/cases/{case}/invitation', { params })),
    onSuccess: again,
  });
  const withdraw = useMutation({
    mutationFn: () => send(() => api.DELETE('/api/cases/{case}/invitation', { params })),
    onSuccess: again,
  });
  const problem = invite.error ?? withdraw.error;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="invite">
      {ON_PAPER}
      <DialogTitle id="invite">{found.athlete.name}: the way in</DialogTitle>
      <DialogContent dividers sx={{ display: 'grid', gap: 1.5 }}>
        {state.isPending && <Loading what="the invitation" />}
        {state.isError && <Failed problem={state.error} onRetry={() => void state.refetch()} />}
        {state.data !== undefined && (
          <Typography color="textSecondary" data-screen>
            Signs in as {state.data.email}.{' '}
            {state.data.open_until !== null
              ? `An invitation is open until ${moment(state.data.open_until)}.`
              : state.data.joined_at !== null
                ? `Came in by an invitation on ${moment(state.data.joined_at)}.`
                : 'No invitation is open.'}
          </Typography>
        )}
        {invite.data !== undefined && withdraw.data === undefined && (
          <OnPaper link={window.location.origin + invite.data.link} name={found.athlete.name} />
        )}
        {withdraw.data !== undefined && (
          <Alert severity="info">
            No phone of this athlete is signed in any more. What waits on a phone stays there and is sent after the next
            sign-in.
          </Alert>
        )}
        {sure && withdraw.data === undefined && (
          <Alert
            severity="warning"
            action={
              <Button loading={withdraw.isPending} onClick={() => withdraw.mutate()}>
                Withdraw it now
              </Button>
            }
          >
            Every phone is signed out and the password is gone; a new invitation lets the athlete in again.
          </Alert>
        )}
        {problem !== null && <Failed problem={problem} />}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={() => setSure(true)}>
          Withdraw access
        </Button>
        <Box sx={{ flex: 1 }} />
        <Button onClick={onClose}>Close</Button>
        {invite.data !== undefined && (
          <Button variant="outlined" onClick={() => window.print()}>
            Print
          </Button>
        )}
        <Button
          variant="contained"
          loading={invite.isPending}
          onClick={() => {
            withdraw.reset();
            setSure(false);
            invite.mutate();
          }}
        >
          {invite.data === undefined ? 'Make an invitation' : 'Make another'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function OnPaper({ link, name }: { link: string; name: string }) {
  return (
    <Box sx={{ display: 'grid', gap: 1, justifyItems: 'center' }}>
      <QrCode text={link} label="Code to scan with a phone" size={220} />
      <Typography sx={{ overflowWrap: 'anywhere', textAlign: 'center' }}>{link}</Typography>
      <Typography sx={{ textAlign: 'center' }}>
        or open {link.split('#')[0]} and type
        <br />
        <Box component="b" sx={{ fontSize: 22, letterSpacing: 1 }}>
          {link.split('#')[1]}
        </Box>
      </Typography>
      <Typography variant="body2" color="textSecondary">
        For {name} alone: valid for 7 days and for one use. It is shown only once.
      </Typography>
    </Box>
  );
}
