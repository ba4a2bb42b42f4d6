import Alert from '@mui/material/Alert';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';

const MEASURES = { rest: 'pain at rest', test: 'test score', settle: 'time to settle', stiffness: 'morning stiffness' } as const;

/** Where the programme would begin and why; another stage can be chosen. */
export function StartCard({ start, stale, programme, chosen, choose }: {
  start: Schemas['StartProposal'] | undefined;
  stale: boolean;
  programme: Schemas['Catalogue']['programmes'][number] | undefined;
  chosen: string;
  choose: (stage: string) => void;
}) {
  const title = programme?.stages.find((stage) => stage.key === start?.stage)?.title;
  return (
    <Paper variant="outlined" component="section" aria-label="Where to begin" sx={{ p: 1.5, borderWidth: 2, borderColor: 'primary.main' }}>
      <Typography variant="body2" color="textSecondary">Proposal, for you to decide</Typography>
      {start === undefined && <Typography>{stale ? 'Working it out …' : 'Fill in what is marked, then a start is proposed.'}</Typography>}
      {start !== undefined && (
        <div style={{ opacity: stale ? 0.5 : 1 }}>
          {start.blocked
            ? <Alert severity="error" sx={{ my: 1 }}>No start: a referral sign is open, or pain is 8 or more. Resolve it with a reason, or refer.</Alert>
            : <Typography variant="h2" sx={{ my: 0.5 }}>{title === undefined ? 'No stage applies to this goal' : `Begin at ${title}, ${start.rung ?? ''} rung`}</Typography>}
          <Typography variant="body2">
            {start.irritability === 'unknown'
              ? 'Irritability unknown: at least two measures are needed, so begin carefully.'
              : `Irritability ${start.irritability}${start.reasons.length === 0 ? '' : ` by ${start.reasons.map((one) => MEASURES[one]).join(', ')}`}.`}
          </Typography>
          {start.notes.includes('start_carefully') && <Typography variant="body2">A risk is recorded at the easiest rung: start carefully.</Typography>}
        </div>
      )}
      {programme !== undefined && (
        <TextField select fullWidth label="Begin at" value={chosen} onChange={(event) => choose(event.target.value)} sx={{ mt: 1.5 }}>
          <MenuItem value="">as proposed</MenuItem>
          {programme.stages.map((stage) => <MenuItem key={stage.key} value={stage.key}>{stage.title}</MenuItem>)}
        </TextField>
      )}
    </Paper>
  );
}
