import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';

/** What a practice on the way back asks for, how far along the way it is, and why. */
export function AskedPractice({ practice }: { practice: Schemas['AskedPractice'] }) {
  return (
    <Box sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
      <Box aria-hidden="true" sx={{ display: 'flex', gap: 0.5, mb: 0.75 }}>
        {Array.from({ length: practice.of }, (_, i) => (
          <Box
            key={i}
            sx={{
              flex: 1,
              height: 8,
              borderRadius: 1,
              border: 1,
              borderColor: i < practice.step ? 'primary.main' : 'divider',
              bgcolor: i < practice.step ? 'primary.main' : undefined,
            }}
          />
        ))}
      </Box>
      <Typography color="textSecondary">
        Step {practice.step} of {practice.of} on the way back
      </Typography>
      <Typography variant="subtitle1">{practice.title}</Typography>
      <Typography>
        {practice.minutes} minutes, at an effort of {practice.effort} of 10 at most
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {practice.why}
      </Typography>
    </Box>
  );
}
