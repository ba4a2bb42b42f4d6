import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import type { Schemas } from '../../api/client';
import { since } from '../../shell/dates';

const LONGEST = 90;

const short = (words: string): string => (words.length > LONGEST ? `${words.slice(0, LONGEST)}…` : words);

const rank = (one: Schemas['Asked']): number => (one.stops ? 2 : one.kind === 'flare' ? 1 : 0);

/** What athletes wrote and nobody has answered: flares at the stop level first, then other flares first, then what has waited longest. */
export function AskedPanel({ asked }: { asked: readonly Schemas['Asked'][] }) {
  if (asked.length === 0) return null;
  const lines = [...asked].sort((a, b) => rank(b) - rank(a));
  return (
    <Paper variant="outlined" component="section" aria-label="Athletes wrote" sx={{ px: 1, py: 0.5, mb: 0.5, borderColor: 'watch.main' }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h3" component="h2" sx={{ color: 'watch.main', flex: 1 }}>Athletes wrote · {asked.length}</Typography>
        <Button size="small" component={RouterLink} to="/messages" sx={{ py: 0 }}>Answer in the inbox</Button>
      </Box>
      {lines.map((one) => (
        <Box key={one.case + one.at} sx={{ display: 'flex', gap: 1, alignItems: 'baseline', minWidth: 0 }}>
          <Link component={RouterLink} to={`/cases/${one.case}`} color="inherit" sx={{ fontWeight: 600, whiteSpace: 'nowrap' }}>{one.athlete}</Link>
          <Typography variant="body2" noWrap title={one.words} sx={{ flex: 1 }}>{one.kind === 'flare' ? <Box component="b" sx={one.stops ? { color: 'stop.main' } : {}}>{one.stops ? 'Flare at the stop level' : 'Flare'}{one.pain === null ? '' : `, pain ${one.pain} of 10`}: </Box> : ''}{short(one.words)}</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ whiteSpace: 'nowrap' }}>{since(one.at)}</Typography>
        </Box>
      ))}
    </Paper>
  );
}
