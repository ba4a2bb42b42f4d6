import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, send } from '../../api/client';
import { day } from '../../shell/dates';
import { Empty, Failed, Loading } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';

/** Cases that are closed: who, when, by whom and why; found by name, act or structure. */
export function ClosedCases() {
  const [search, setSearch] = useState('');
  const settled = useSettled(search);
  const found = useQuery({
    queryKey: ['closed-cases', settled],
    queryFn: () => send(() => api.GET('/api/closed-cases', { params: { query: settled.trim() === '' ? {} : { search: settled.trim() } } })),
    placeholderData: (before) => before,
  });
  return (
    <Box component="main" sx={{ maxWidth: 960, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>Closed cases</Typography>
        <TextField label="Search" value={search} onChange={(event) => setSearch(event.target.value)} sx={{ width: 260 }} />
      </Box>
      {found.isPending && <Loading what="the closed cases" />}
      {found.isError && <Failed problem={found.error} again={() => void found.refetch()} />}
      {found.data?.cases.length === 0 && <Empty title={settled === '' ? 'No case is closed yet' : 'No closed case matches'} />}
      {found.data?.cases.map((one) => (
        <Paper key={one.id} variant="outlined" component="article" aria-label={one.athlete.name} sx={{ px: 1.5, py: 1, display: 'grid', gridTemplateColumns: '220px minmax(0, 1fr)', gap: 2 }}>
          <Box>
            <Link component={RouterLink} to={`/cases/${one.id}`} color="inherit" sx={{ fontWeight: 600 }}>{one.athlete.name}</Link>
            <Typography variant="body2" color="textSecondary">{one.structure}, {one.side === 'both' ? 'both sides' : one.side}</Typography>
          </Box>
          <Box>
            <Typography>{one.words ?? 'Closed'}{one.by === null ? '' : `, by ${one.by}`}, {day(one.closed_on)} {one.closed_on.slice(0, 4)}</Typography>
            {one.reason !== null && <Typography variant="body2">{one.reason}</Typography>}
          </Box>
        </Paper>
      ))}
      {found.data?.more === true && <Typography color="textSecondary">There are more: search by name, act or structure.</Typography>}
    </Box>
  );
}
