import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';

import { day } from '../../shell/dates';
import { Failed } from '../../shell/States';
import { CurveTrace } from './CurveTrace';
import { useCurve } from './useMeasures';

const FIGURES: [string, string, string][] = [
  ['peak_n', 'Peak', 'N'],
  ['best_second_n', 'Best second', 'N'],
  ['time_to_90_s', '90 % after', 's'],
  ['rate_of_rise_n_s', 'Steepest rise', 'N/s'],
  ['impulse_n_s', 'Impulse', 'Ns'],
  ['moment_nm', 'Moment', 'Nm'],
  ['in_band_percent', 'In the band', '%'],
  ['drift_n', 'Drift of the gauge', 'N'],
];

export function CurveDialog({ id, curve, onClose }: { id: string; curve: string; onClose: () => void }) {
  const found = useCurve(id, curve);
  const figures: Readonly<Record<string, number | null | undefined>> | undefined = found.data?.figures;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="curve">
      <DialogTitle id="curve">Force curve{found.data?.on !== undefined && ` of ${day(found.data.on)}`}</DialogTitle>
      <DialogContent>
        {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
        {found.data !== null && found.data !== undefined && (
          <>
            <CurveTrace
              ms={found.data.ms}
              newtons={found.data.newtons}
              width={820}
              height={240}
              label={`A pull with a peak of ${found.data.figures.peak_n} N`}
            />
            <Box
              component="dl"
              sx={{
                display: 'flex',
                flexWrap: 'wrap',
                columnGap: 3,
                rowGap: 1,
                mt: 1,
                mb: 0,
                '& dt': { color: 'text.secondary', fontSize: '0.875rem' },
                '& dd': { m: 0, fontWeight: 600 },
              }}
            >
              {FIGURES.map(([key, title, unit]) => (
                <Figure key={key} title={title} value={figures?.[key]} unit={unit} />
              ))}
            </Box>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** One number read from a curve; nothing where it was not read. */
function Figure({ title, value, unit }: { title: string; value: number | null | undefined; unit: string }) {
  return value === null || value === undefined ? null : (
    <div>
      <dt>{title}</dt>
      <dd>
        {value} {unit}
      </dd>
    </div>
  );
}
