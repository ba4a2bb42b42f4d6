import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import type { User } from '../../shell/useSignedIn';

/** Who stands in for whom: for some days somebody sees all cases of a colleague. */
export function Away({ user }: { user: User }) {
  const found = useQuery({ queryKey: queryKeys.covers, queryFn: () => send(() => api.GET('/api/covers')) });
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (cover: string) => send(() => api.DELETE('/api/covers/{cover}', { params: { path: { cover } } })),
    onSuccess: (answer) => {
      queries.setQueryData(queryKeys.covers, answer);
    },
  });
  if (found.isPending) return <Loading what="who is away" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Who is away"
      sx={{ p: 2.5, display: 'grid', gap: 1.5, maxWidth: 640 }}
    >
      <Typography variant="h1" component="h2">
        Who is away
      </Typography>
      <Typography color="textSecondary">
        The person who stands in sees and treats every case of the colleague, from the first day to the last.
      </Typography>
      {found.data.covers.length === 0 && <Typography>Nobody is away.</Typography>}
      {found.data.covers.map((cover) => (
        <Box
          key={cover.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Typography sx={{ flex: 1 }}>
            <b>{cover.by}</b> stands in for <b>{cover.of}</b>, {day(cover.from)} to {day(cover.until)}
          </Typography>
          {cover.may_end && (
            <Button
              loading={end.isPending && end.variables === cover.id}
              onClick={() => end.mutate(cover.id)}
              aria-label={`${cover.by} stands in for ${cover.of} no longer`}
            >
              End it
            </Button>
          )}
        </Box>
      ))}
      {end.isError && <Failed problem={end.error} />}
      {user.may.includes('decide') && (
        <Arrange user={user} colleagues={found.data.colleagues.filter((colleague) => colleague.treats)} />
      )}
    </Paper>
  );
}

function Arrange({ user, colleagues }: { user: User; colleagues: Schemas['Colleague'][] }) {
  const queries = useQueryClient();
  const [of, setOf] = useState(user.id);
  const [by, setBy] = useState('');
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const arrange = useMutation({
    mutationFn: () => send(() => api.POST('/api/covers', { body: { of, user: by, from, until } })),
    onSuccess: (answer) => {
      queries.setQueryData(queryKeys.covers, answer);
      setBy('');
      setFrom('');
      setUntil('');
    },
  });
  const fault = (field: string) => faultAt(arrange.error, field);
  const field = (name: string) => ({ error: fault(name) !== undefined, helperText: fault(name) });
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event: SyntheticEvent) => {
        event.preventDefault();
        arrange.mutate();
      }}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
        gap: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        pt: 2,
      }}
    >
      <TextField
        select
        label="Away"
        value={of}
        onChange={(event) => setOf(event.target.value)}
        disabled={!user.may.includes('manage')}
        {...field('of')}
      >
        {colleagues.map((colleague) => (
          <MenuItem key={colleague.id} value={colleague.id}>
            {colleague.name}
          </MenuItem>
        ))}
      </TextField>
      <TextField select label="Stands in" value={by} onChange={(event) => setBy(event.target.value)} {...field('user')}>
        {colleagues
          .filter((colleague) => colleague.id !== of)
          .map((colleague) => (
            <MenuItem key={colleague.id} value={colleague.id}>
              {colleague.name}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        label="First day"
        type="date"
        value={from}
        onChange={(event) => setFrom(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        {...field('from')}
      />
      <TextField
        label="Last day"
        type="date"
        value={until}
        onChange={(event) => setUntil(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        {...field('until')}
      />
      {arrange.isError && ['of', 'user', 'from', 'until'].every((name) => fault(name) === undefined) && (
        <Failed problem={arrange.error} />
      )}
      <Box sx={{ gridColumn: '1 / -1' }}>
        <Button type="submit" variant="outlined" loading={arrange.isPending}>
          Arrange it
        </Button>
      </Box>
    </Box>
  );
}
