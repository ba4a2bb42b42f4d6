import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';

import type { Exercise } from '../../phone/usePhone';

const HoldGauge = lazy(() => import('./HoldGauge'));

/** The force of a hold in newtons, and a gauge to hold it by. */
export function HeldForce({ band, first }: { band: NonNullable<Exercise['band']>; first: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <Box sx={{ my: 1 }}>
      {(first || open) && <Typography sx={{ fontSize: '1rem' }}>{band.words}</Typography>}
      {open ? (
        <Suspense fallback={null}>
          <HoldGauge band={band} onClose={() => setOpen(false)} />
        </Suspense>
      ) : (
        <Button variant="outlined" fullWidth onClick={() => setOpen(true)} sx={{ mt: 0.5 }}>
          Hold by the gauge: {band.value} {band.unit}
        </Button>
      )}
    </Box>
  );
}
