import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { day } from '../../shell/dates';
import type { Case } from './useCase';

/** What the gate needs measured again, the latest of the strength test, and the ways to the rest. */
export function MeasuresPanel({ found }: { found: Case }) {
  const test = found.strength_test;
  const latest = found.tests.filter((taken) => taken.test === test.key).at(-1);
  return (
    <Paper variant="panel" component="section" aria-label="Measures">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Measures
        </Typography>
        <Button component={RouterLink} to={`/cases/${found.id}/measures`} variant="outlined">
          Over time
        </Button>
        <Button component={RouterLink} to={`/cases/${found.id}/visit`} variant="outlined">
          Measure now
        </Button>
      </Box>
      {found.standing.tests_due.map((due) => (
        <Typography key={due} color="watch">
          ▲ Due: {due}.
        </Typography>
      ))}
      <Typography variant="body2">
        <b>{test.title}.</b>{' '}
        {latest === undefined
          ? 'Not measured yet.'
          : `${day(latest.on)}: ${latest.affected} and ${latest.unaffected} ${latest.unit}, symmetry ${latest.symmetry_percent} %.`}
      </Typography>
    </Paper>
  );
}
