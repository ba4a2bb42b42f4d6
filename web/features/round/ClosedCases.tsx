import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Empty, Failed, Loading } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';
import { Letter } from '../open/Letter';

/** Cases that are closed: who, when, by whom and why; found by name, act or structure. */
export function ClosedCases() {
  const [search, setSearch] = useState('');
  const settled = useSettled(search);
  const found = useQuery({
    queryKey: queryKeys.closedCases(settled),
    queryFn: () =>
      send(() =>
        api.GET('/api/closed-cases', { params: { query: settled.trim() === '' ? {} : { search: settled.trim() } } }),
      ),
    placeholderData: (before) => before,
  });
  return (
    <Box component="main" sx={{ maxWidth: 960, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Closed cases
        </Typography>
        <TextField
          label="Search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          sx={{ width: 260 }}
        />
      </Box>
      {found.isPending && <Loading what="the closed cases" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {found.data?.cases.length === 0 && (
        <Empty title={settled === '' ? 'No case is closed yet' : 'No closed case matches'} />
      )}
      {found.data?.cases.map((careCase) => (
        <Paper
          key={careCase.id}
          variant="outlined"
          component="article"
          aria-label={careCase.athlete.name}
          sx={{ px: 1.5, py: 1, display: 'grid', gridTemplateColumns: '220px minmax(0, 1fr)', gap: 2 }}
        >
          <Box>
            <Link component={RouterLink} to={`/cases/${careCase.id}`} color="inherit" sx={{ fontWeight: 600 }}>
              {careCase.athlete.name}
            </Link>
            <Typography variant="body2" color="textSecondary">
              {careCase.structure}, {careCase.side === 'both' ? 'both sides' : careCase.side}
            </Typography>
          </Box>
          <Box>
            <Typography>
              {careCase.words ?? 'Closed'}
              {careCase.by === null ? '' : `, by ${careCase.by}`}, {day(careCase.closed_on)}{' '}
              {careCase.closed_on.slice(0, 4)}
            </Typography>
            {careCase.reason !== null && <Typography variant="body2">{careCase.reason}</Typography>}
          </Box>
        </Paper>
      ))}
      <Referrals />
      {found.data?.more === true && (
        <Typography color="textSecondary">There are more: search by name, act or structure.</Typography>
      )}
    </Box>
  );
}

/** Openings that ended with a letter to somebody else. */
function Referrals() {
  const referrals = useQuery({ queryKey: queryKeys.referrals, queryFn: () => send(() => api.GET('/api/referrals')) });
  if (referrals.data === undefined || referrals.data.referrals.length === 0) return null;
  return (
    <Box component="section" aria-label="Referred instead of opened">
      <Typography variant="h2" sx={{ mt: 1, mb: 0.5 }}>
        Referred instead of opened
      </Typography>
      {referrals.data.referrals.map((referral) => (
        <Accordion key={referral.id} variant="outlined" disableGutters>
          <AccordionSummary expandIcon={<span aria-hidden="true">▾</span>}>
            <Typography>
              <b>{referral.name}</b> to {referral.to}
              {referral.at === null ? '' : `, ${day(referral.at)} ${referral.at.slice(0, 4)}`}, by {referral.by}
            </Typography>
          </AccordionSummary>
          <AccordionDetails>
            <Letter text={referral.letter} />
          </AccordionDetails>
        </Accordion>
      ))}
    </Box>
  );
}
