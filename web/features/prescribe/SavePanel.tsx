import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import type { Draft, PlanInForce } from './draft';

interface Props {
  plan: PlanInForce;
  draft: Draft;
  /** The note as it is written by itself. */
  written: string | undefined;
  fresh: boolean;
  faults: Readonly<Record<string, string>>;
  problem: string | null;
  saving: boolean;
  onChange: (part: Partial<Draft>) => void;
  onSave: () => void;
}

/** From which day, what the athlete reads, and why. */
export function SavePanel({ plan, draft, written, fresh, faults, problem, saving, onChange, onSave }: Props) {
  const nothing = fresh && written === '';
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Put in force"
      sx={{ p: 1.5, display: 'grid', gap: 1.25, borderColor: 'primary.main', borderWidth: 2 }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          type="date"
          label="From"
          value={draft.from}
          onChange={(event) => onChange({ from: event.target.value })}
          error={faults.from !== undefined}
          helperText={faults.from}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: plan.today } }}
          sx={{ width: 150 }}
        />
        <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
          Version {plan.version} is in force until then.
        </Typography>
      </Box>
      <TextField
        label="What changes (the athlete reads it)"
        multiline
        minRows={2}
        maxRows={6}
        value={draft.note ?? written ?? ''}
        onChange={(event) => onChange({ note: event.target.value })}
        error={faults.note !== undefined}
        helperText={faults.note ?? (draft.note === null ? 'Written for you; edit it if you like.' : undefined)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {draft.note !== null && (
        <Button onClick={() => onChange({ note: null })} sx={{ justifySelf: 'start', mt: -1 }}>
          Back to the automatic text
        </Button>
      )}
      <TextField
        label="Why (for the record, and the athlete)"
        multiline
        value={draft.why}
        onChange={(event) => onChange({ why: event.target.value })}
        error={faults.why !== undefined}
        helperText={faults.why}
      />
      {problem !== null && <Alert severity="error">{problem}</Alert>}
      {nothing && (
        <Typography variant="body2" color="textSecondary">
          Nothing is changed yet.
        </Typography>
      )}
      <Button variant="contained" onClick={onSave} loading={saving} disabled={nothing}>
        Save as version {(plan.waiting?.version ?? plan.version) + 1}
      </Button>
    </Paper>
  );
}
