import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { ago, moment } from '../../shell/dates';
import type { Case } from './useCase';

const KINDS = { nudge: 'Nudge', advice: 'Advice' } as const;

/** What the athlete was told beside the plan, and whether it left the outbox. */
export function MessagesPanel({ found }: { found: Case }) {
  if (found.messages.length === 0) return null;
  return (
    <Paper variant="outlined" component="section" aria-label="Messages" sx={{ p: 1.5 }}>
      <Typography variant="h2">Messages to the athlete</Typography>
      {found.messages.map((one) => (
        <Box key={one.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
          <Typography variant="caption" color="textSecondary" title={moment(one.at)}>{KINDS[one.kind]}, {ago(one.at, found.standing.today)}, {one.by}, {one.sent ? 'sent (simulated)' : 'waits in the outbox'}</Typography>
          <Typography variant="body2">{one.words}</Typography>
        </Box>
      ))}
    </Paper>
  );
}
