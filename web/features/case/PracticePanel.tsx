import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import type { Case } from './useCase';

/** The way back to sport, rung by rung, and where the athlete stands on it. */
export function PracticePanel({ practice }: { practice: NonNullable<Case['practice']> }) {
  const last = practice.at === practice.steps.length - 1;
  return (
    <Paper variant="panel" component="section" aria-label="The way back">
      <Typography variant="h2">The way back</Typography>
      <List component="ol" reversed disablePadding>
        {practice.steps
          .map((step, i) => ({ ...step, i }))
          .reverse()
          .map(({ words, i }) => (
            <Box
              component="li"
              key={i}
              aria-current={i === practice.at ? 'step' : undefined}
              sx={{
                borderLeft: 4,
                borderColor: i < practice.at ? 'primary.main' : i === practice.at ? 'watch.main' : 'divider',
                pl: 1,
                py: 0.4,
              }}
            >
              <Typography
                variant="body2"
                sx={{
                  fontWeight: i === practice.at ? 600 : 400,
                  color: i > practice.at ? 'text.secondary' : undefined,
                }}
              >
                {i + 1} · {words}
              </Typography>
              {i === practice.at && (
                <Typography variant="body2" color="textSecondary">
                  {last ? '' : `${practice.settled} of ${practice.times} settled. `}
                  {practice.why}
                </Typography>
              )}
            </Box>
          ))}
      </List>
    </Paper>
  );
}
