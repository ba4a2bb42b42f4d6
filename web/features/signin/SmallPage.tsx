import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

import { Mark } from '../../charts/Mark';

/** A page with one thing to do, before anybody is signed in. */
export function SmallPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Paper variant="outlined" sx={{ p: 4, width: '100%', maxWidth: 440, display: 'grid', gap: 2 }}>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <Mark size={34} />
          <Typography variant="h1">{title}</Typography>
        </Box>
        {children}
      </Paper>
    </Box>
  );
}
