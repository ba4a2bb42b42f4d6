import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import type { PracticeStep } from './draft';
import { NumberField } from './NumberField';

const NEW: PracticeStep = { title: '', minutes: 30, effort: 4 };

/** The way back to sport of a kind of session: each step is passed by two practices that settle. */
export function WayBackPanel({
  title,
  steps,
  usual,
  at,
  faults,
  onChange,
}: {
  title: string;
  steps: readonly PracticeStep[];
  usual: readonly PracticeStep[];
  at: string;
  faults: Readonly<Record<string, string>>;
  onChange: (steps: PracticeStep[]) => void;
}) {
  const set = (i: number, part: Partial<PracticeStep>) =>
    onChange(steps.map((step, k) => (k === i ? { ...step, ...part } : step)));
  const fault = (i: number, field: string) => faults[`${at}.practice.${i}.${field}`];
  return (
    <Paper variant="panel" component="section" aria-label={`${title}: the way back`} sx={{ display: 'grid', gap: 1 }}>
      <Box>
        <Typography variant="h2">{title}: the way back</Typography>
        <Typography variant="body2" color="textSecondary">
          Easier first. The phone asks for the next step once two practices have settled, and for the one before where
          one was too much. To begin farther up, take the easier steps away.
        </Typography>
      </Box>
      {steps.map((step, i) => (
        <Box
          key={i}
          role="group"
          aria-label={`Step ${i + 1}`}
          sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}
        >
          <Typography sx={{ width: 22, pt: 1 }}>{i + 1}</Typography>
          <TextField
            label="What is practised"
            value={step.title}
            error={fault(i, 'title') !== undefined}
            helperText={fault(i, 'title')}
            onChange={(event) => set(i, { title: event.target.value })}
            sx={{ flex: '1 1 260px' }}
          />
          <NumberField
            label="Minutes"
            width={92}
            value={step.minutes}
            fault={fault(i, 'minutes')}
            onChange={(value) => set(i, { minutes: value as number })}
          />
          <NumberField
            label="Effort, 0–10"
            width={110}
            value={step.effort}
            fault={fault(i, 'effort')}
            onChange={(value) => set(i, { effort: value as number })}
          />
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={step.with_others === true}
                onChange={(event) =>
                  set(i, { with_others: event.target.checked, ...(event.target.checked ? {} : { full: false }) })
                }
              />
            }
            label="with others"
          />
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={step.full === true}
                onChange={(event) =>
                  set(i, { full: event.target.checked, ...(event.target.checked ? { with_others: true } : {}) })
                }
              />
            }
            label="in full"
          />
          <Button onClick={() => onChange(steps.filter((_, k) => k !== i))} aria-label={`Take away step ${i + 1}`}>
            Take away
          </Button>
          {(fault(i, 'with_others') ?? fault(i, 'full')) !== undefined && (
            <Typography variant="body2" color="error" sx={{ width: '100%' }}>
              {fault(i, 'with_others') ?? fault(i, 'full')}
            </Typography>
          )}
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          variant="outlined"
          onClick={() => onChange([...steps, { ...(steps[steps.length - 1] ?? NEW), title: '' }])}
        >
          Add a step
        </Button>
        {usual.length > 0 && (
          <Button onClick={() => onChange([...usual])}>
            {steps.length === 0 ? 'Put in the usual way back' : 'Begin again from the usual way back'}
          </Button>
        )}
      </Box>
    </Paper>
  );
}
