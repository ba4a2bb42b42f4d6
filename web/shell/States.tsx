import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

import { Refusal } from '../api/client';

/** While something is on its way. */
export function Loading({ what }: { what: string }) {
  return (
    <Box sx={{ p: 3 }} role="status">
      <Typography sx={{ mb: 1 }}>Loading {what} …</Typography>
      <LinearProgress aria-label={`Loading ${what}`} />
    </Box>
  );
}

/** Where something could not be had. */
export function Failed({ problem, onRetry }: { problem: unknown; onRetry?: () => void }) {
  return (
    <Alert severity="error" sx={{ m: 2 }} action={onRetry && <Button onClick={onRetry}>Try again</Button>}>
      {problem instanceof Refusal
        ? problem.message
        : 'Something went wrong here. Reload the page; what was sent is kept.'}
    </Alert>
  );
}

/** Where there is nothing yet. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Box sx={{ p: 4, textAlign: 'center' }}>
      <Typography variant="h2" component="p" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
