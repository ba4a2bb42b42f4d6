import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import type { Later } from './draft';

/** Exercises that are in the plan and wait for their condition: they begin by themselves, or now. */
export function LaterPanel({
  later,
  onBegin,
  onLeaveOut,
}: {
  later: readonly Later[];
  onBegin: (item: Later) => void;
  onLeaveOut: (item: Later) => void;
}) {
  return (
    <Paper variant="panel" component="section" aria-label="Begins later">
      <Typography variant="h2">Begins later</Typography>
      <Typography variant="body2" color="textSecondary">
        What has begun stays begun. Nothing begins while something was too much.
      </Typography>
      {later.map((session) => (
        <Box
          key={session.prescription.key}
          sx={{
            display: 'flex',
            gap: 1,
            alignItems: 'center',
            flexWrap: 'wrap',
            borderTop: 1,
            borderColor: 'divider',
            py: 0.5,
            mt: 0.5,
          }}
        >
          <Box sx={{ flex: '1 1 260px' }}>
            <Typography variant="subtitle1">
              {session.title}{' '}
              <Typography component="span" color="textSecondary">
                {session.words}
              </Typography>
            </Typography>
            <Typography variant="body2" sx={{ '&::first-letter': { textTransform: 'uppercase' } }}>
              {session.when}
            </Typography>
          </Box>
          <Button onClick={() => onBegin(session)} aria-label={`Begin ${session.title} now`}>
            Begin now
          </Button>
          <Button onClick={() => onLeaveOut(session)} aria-label={`Leave out ${session.title}`}>
            Leave out
          </Button>
        </Box>
      ))}
    </Paper>
  );
}
