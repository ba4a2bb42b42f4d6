import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import { PainRow } from './PainRow';
import type { Run } from './run';

/** Practice of the act itself: how long, how hard, how it felt. */
export function PracticeFlow({ run, set }: { run: Run; set: (run: Run) => void }) {
  const { practice } = run;
  const change = (part: Partial<Run['practice']>) => set({ ...run, practice: { ...practice, ...part } });
  const wrong = practice.minutes !== '' && !(Number(practice.minutes.replace(',', '.')) > 0);
  return (
    <Paper variant="outlined" component="section" aria-label="Practice" sx={{ p: 2, display: 'grid', gap: 1.5 }}>
      <TextField label="Minutes of practice" value={practice.minutes} onChange={(event) => change({ minutes: event.target.value })} error={wrong} helperText={wrong ? 'A number of minutes, such as 45' : undefined} slotProps={{ htmlInput: { inputMode: 'numeric' } }} />
      <Typography>How hard was it, 0–10?</Typography>
      <PainRow label="Effort" value={practice.effort} choose={(effort) => change({ effort })} words={{ 0: 'rest', 5: 'hard', 10: 'all I have' }} />
      <Typography>Worst pain during, 0–10</Typography>
      <PainRow label="Pain in practice" value={practice.pain} choose={(pain) => change({ pain })} />
      <FormControlLabel control={<Checkbox checked={practice.full} onChange={(event) => change({ full: event.target.checked })} />} label="I took part in full" />
    </Paper>
  );
}
