import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { DAYS, type Draft, type Weekday } from './draft';
import { NumberField } from './NumberField';

type Rhythm = Schemas['Rhythm'];

/** On which days: those that the athlete has, and how the sessions follow each other on them. */
export function DaysPanel({
  draft,
  slots,
  words,
  faults,
  onChange,
}: {
  draft: Draft;
  slots: Schemas['PlanStage']['slots'];
  words: string | undefined;
  faults: Readonly<Record<string, string>>;
  onChange: (part: Partial<Draft>) => void;
}) {
  const { rhythm } = draft;
  const kind = rhythm.cycle !== undefined ? 'cycle' : rhythm.every_days !== undefined ? 'every_days' : 'per_week';
  const begin: Record<string, Rhythm> = {
    cycle: { cycle: slots.map((slot) => slot.key) },
    every_days: { every_days: 2 },
    per_week: { per_week: 3, min_gap_days: 2 },
  };
  const number = (field: 'every_days' | 'per_week' | 'min_gap_days', label: string) => (
    <NumberField
      label={label}
      width={150}
      value={rhythm[field]}
      fault={faults[`rhythm.${field}`]}
      onChange={(value) => onChange({ rhythm: { ...rhythm, [field]: value } })}
    />
  );
  const title = (key: string) => slots.find((slot) => slot.key === key)?.title ?? key;
  return (
    <Paper variant="panel" component="section" aria-label="Days" sx={{ display: 'grid', gap: 1.25 }}>
      <Typography variant="h2">
        Days
        {words === undefined ? (
          ''
        ) : (
          <Typography component="span" color="textSecondary">
            : {words}
          </Typography>
        )}
      </Typography>
      <ToggleButtonGroup
        size="small"
        value={draft.available}
        onChange={(_, value: Weekday[]) => onChange({ available: DAYS.filter((day) => value.includes(day)) })}
        aria-label="Days of the week that the athlete has"
      >
        {DAYS.map((day) => (
          <ToggleButton key={day} value={day} sx={{ textTransform: 'capitalize', px: 1.25 }}>
            {day}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {faults.available !== undefined && (
        <Typography variant="body2" color="error">
          {faults.available}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          select
          label="Rhythm"
          value={kind}
          onChange={(event) => onChange({ rhythm: begin[event.target.value] ?? rhythm })}
          sx={{ width: 170 }}
        >
          <MenuItem value="cycle">kinds in turn</MenuItem>
          <MenuItem value="every_days">every so many days</MenuItem>
          <MenuItem value="per_week">times a week</MenuItem>
        </TextField>
        {kind === 'every_days' && number('every_days', 'Every … days')}
        {kind === 'per_week' && (
          <>
            {number('per_week', 'Times a week')}
            {number('min_gap_days', 'At least days apart')}
          </>
        )}
      </Box>
      {kind === 'cycle' && (
        <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', alignItems: 'center' }}>
          {(rhythm.cycle ?? []).map((key, i) => (
            <Chip
              key={key + String(i)}
              label={`${i + 1} · ${title(key)}`}
              onDelete={() => onChange({ rhythm: { cycle: (rhythm.cycle ?? []).filter((_, k) => k !== i) } })}
            />
          ))}
          {slots.map((slot) => (
            <Button key={slot.key} onClick={() => onChange({ rhythm: { cycle: [...(rhythm.cycle ?? []), slot.key] } })}>
              + {slot.title}
            </Button>
          ))}
        </Box>
      )}
      {(faults.rhythm ?? faults['rhythm.cycle']) !== undefined && (
        <Typography variant="body2" color="error">
          {faults.rhythm ?? faults['rhythm.cycle']}
        </Typography>
      )}
    </Paper>
  );
}
