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

const rank = (line: Schemas['Asked']): number => (line.stops ? 2 : line.kind === 'flare' ? 1 : 0);

/** What athletes wrote and nobody has answered: flares at the stop level first, then other flares first, then what has waited longest. */
export function AskedPanel({ asked }: { asked: readonly Schemas['Asked'][] }) {
  if (asked.length === 0) return null;
  const lines = [...asked].sort((a, b) => rank(b) - rank(a));
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Athletes wrote"
      sx={{ px: 1, py: 0.5, mb: 0.5, borderColor: 'watch.main' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h3" component="h2" color="watch" sx={{ flex: 1 }}>
          Athletes wrote · {asked.length}
        </Typography>
        <Button size="small" component={RouterLink} to="/messages" sx={{ py: 0 }}>
          Answer in the inbox
        </Button>
      </Box>
      {lines.map((line) => (
        <Box key={line.case + line.at} sx={{ display: 'flex', gap: 1, alignItems: 'baseline', minWidth: 0 }}>
          <Link
            component={RouterLink}
            to={`/cases/${line.case}`}
            color="inherit"
            sx={{ fontWeight: 600, whiteSpace: 'nowrap' }}
          >
            {line.athlete}
          </Link>
          <Typography variant="body2" noWrap title={line.words} sx={{ flex: 1 }}>
            {line.kind === 'flare' ? (
              <Box component="b" sx={line.stops ? { color: 'stop.main' } : {}}>
                {line.stops ? 'Flare at the stop level' : 'Flare'}
                {line.pain === null ? '' : `, pain ${line.pain} of 10`}:{' '}
              </Box>
            ) : (
              ''
            )}
            {short(line.words)}
          </Typography>
          <Typography variant="body2" color="textSecondary" sx={{ whiteSpace: 'nowrap' }}>
            {since(line.at)}
          </Typography>
        </Box>
      ))}
    </Paper>
  );
}
