import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { useMay } from '../../shell/useSignedIn';
import type { Case } from './useCase';

type Shares = Schemas['Shares'];

/** Whose the case is, who else sees it, and handing it over. */
export function SharingDialog({ found, onClose }: { found: Case; onClose: () => void }) {
  const key = queryKeys.shares(found.id);
  const shares = useQuery({
    queryKey: key,
    queryFn: () => send(() => api.GET('/api/cases/{case}/shares', { params: { path: { case: found.id } } })),
  });
  const queries = useQueryClient();
  const may = useMay();
  const set = (answer: Shares) => {
    queries.setQueryData(key, answer);
  };
  const end = useMutation({
    mutationFn: (share: string) =>
      send(() => api.DELETE('/api/cases/{case}/shares/{share}', { params: { path: { case: found.id, share } } })),
    onSuccess: set,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="sharing">
      <DialogTitle id="sharing">{found.athlete.name}: who sees this case</DialogTitle>
      <DialogContent dividers sx={{ display: 'grid', gap: 1.5 }}>
        {shares.isPending && <Loading what="who sees it" />}
        {shares.isError && <Failed problem={shares.error} onRetry={() => void shares.refetch()} />}
        {shares.data !== undefined && (
          <>
            <Typography>
              <b>{shares.data.practitioner.name}</b> treats it.{' '}
              {shares.data.open_to_all
                ? 'Practitioners and readers of your practice see every case; assistants see those that are assigned to them.'
                : 'Beside the owners, these people see it:'}
            </Typography>
            {shares.data.shares.map((share) => (
              <Box
                key={share.id}
                sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
              >
                <Box sx={{ flex: 1 }}>
                  <Typography>
                    <b>{share.name}</b>, {share.role.toLowerCase()}
                    {share.until !== null && `, until ${day(share.until)}`}
                  </Typography>
                  <Typography variant="body2" color="textSecondary">
                    {share.kind === 'opened' ? `opened it: “${share.reason ?? ''}”` : `shared by ${share.by}`}
                  </Typography>
                </Box>
                {may('decide') && (
                  <Button
                    loading={end.isPending && end.variables === share.id}
                    onClick={() => end.mutate(share.id)}
                    aria-label={`Stop sharing with ${share.name}`}
                  >
                    End it
                  </Button>
                )}
              </Box>
            ))}
            {end.isError && <Failed problem={end.error} />}
            {may('decide') && <Share id={found.id} shares={shares.data} onChange={set} />}
            {may('decide') && found.closed_on === null && (
              <HandOver id={found.id} shares={shares.data} onClose={onClose} />
            )}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

const others = (shares: Shares): Shares['colleagues'] =>
  shares.colleagues.filter((colleague) => colleague.id !== shares.practitioner.id);

function Share({ id, shares, onChange }: { id: string; shares: Shares; onChange: (answer: Shares) => void }) {
  const [user, setUser] = useState('');
  const [until, setUntil] = useState('');
  const share = useMutation({
    mutationFn: () =>
      send(() =>
        api.POST('/api/cases/{case}/shares', {
          params: { path: { case: id } },
          body: { user, until: until === '' ? null : until },
        }),
      ),
    onSuccess: (answer) => {
      onChange(answer);
      setUser('');
      setUntil('');
    },
  });
  const fault = (field: string) => faultAt(share.error, field);
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event: SyntheticEvent) => {
        event.preventDefault();
        share.mutate();
      }}
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'flex-start',
        flexWrap: 'wrap',
        borderTop: 1,
        borderColor: 'divider',
        pt: 2,
      }}
    >
      <TextField
        select
        label="Share with"
        value={user}
        onChange={(event) => setUser(event.target.value)}
        error={fault('user') !== undefined}
        helperText={fault('user')}
        sx={{ flex: 1, minWidth: 180 }}
      >
        {others(shares).map((other) => (
          <MenuItem key={other.id} value={other.id}>
            {other.name}, {other.role.toLowerCase()}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Until"
        type="date"
        value={until}
        onChange={(event) => setUntil(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        error={fault('until') !== undefined}
        helperText={fault('until') ?? 'empty: until you end it'}
      />
      <Button type="submit" variant="outlined" loading={share.isPending} sx={{ height: 37 }}>
        Share
      </Button>
      {share.isError && fault('user') === undefined && fault('until') === undefined && <Failed problem={share.error} />}
    </Box>
  );
}

function HandOver({ id, shares, onClose }: { id: string; shares: Shares; onClose: () => void }) {
  const queries = useQueryClient();
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const hand = useMutation({
    mutationFn: () =>
      send(() =>
        api.PUT('/api/cases/{case}/practitioner', { params: { path: { case: id } }, body: { to, note: note.trim() } }),
      ),
    onSuccess: () => {
      onClose();
      void queries.invalidateQueries();
    },
  });
  const fault = (field: string) => faultAt(hand.error, field);
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event: SyntheticEvent) => {
        event.preventDefault();
        hand.mutate();
      }}
      sx={{ display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider', pt: 2 }}
    >
      <TextField
        select
        label="Hand over to"
        value={to}
        onChange={(event) => setTo(event.target.value)}
        error={fault('to') !== undefined}
        helperText={fault('to')}
      >
        {others(shares)
          .filter((other) => other.treats)
          .map((other) => (
            <MenuItem key={other.id} value={other.id}>
              {other.name}
            </MenuItem>
          ))}
      </TextField>
      {to !== '' && (
        <>
          <TextField
            label="Note for the record"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            multiline
            minRows={2}
            error={fault('note') !== undefined}
            helperText={fault('note')}
          />
          {!shares.open_to_all && (
            <Alert severity="info">
              It is theirs from then on. You will no longer see it unless they share it with you.
            </Alert>
          )}
          <Box>
            <Button type="submit" variant="contained" loading={hand.isPending}>
              Hand it over
            </Button>
          </Box>
        </>
      )}
      {hand.isError && fault('to') === undefined && fault('note') === undefined && <Failed problem={hand.error} />}
    </Box>
  );
}
