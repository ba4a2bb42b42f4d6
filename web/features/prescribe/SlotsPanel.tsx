import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import type { Draft, Slot } from './draft';
import { NumberField } from './NumberField';

/** Kinds of session: at what time of day they are done, and which have days of their own. */
export function SlotsPanel({
  draft,
  faults,
  onChange,
}: {
  draft: Draft;
  faults: Readonly<Record<string, string>>;
  onChange: (part: Partial<Draft>) => void;
}) {
  const set = (key: string, part: Partial<Slot>) =>
    onChange({ slots: draft.slots.map((slot) => (slot.key === key ? { ...slot, ...part } : slot)) });
  // A kind that gets days of its own leaves the turns of the rhythm, and takes its turn again where it gives them up.
  const toggle = (slot: Slot, own: boolean) => {
    const slots = draft.slots.map((kind) =>
      kind.key === slot.key ? { ...kind, beside: own ? { per_week: 3, min_gap_days: 2 } : null } : kind,
    );
    const { cycle } = draft.rhythm;
    onChange({
      slots,
      rhythm:
        cycle === undefined
          ? draft.rhythm
          : { cycle: own ? cycle.filter((key) => key !== slot.key) : [...cycle, slot.key] },
    });
  };
  return (
    <Paper variant="panel" component="section" aria-label="Kinds of session" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">Kinds of session</Typography>
      {draft.slots.map((slot, i) => {
        const fault = (field: string) => faults[`slots.${i}.${field}`];
        return (
          <Box
            key={slot.key}
            role="group"
            aria-label={slot.title}
            sx={{
              display: 'flex',
              gap: 1,
              flexWrap: 'wrap',
              alignItems: 'flex-start',
              borderTop: i === 0 ? 0 : 1,
              borderColor: 'divider',
              pt: i === 0 ? 0 : 1,
            }}
          >
            <Typography variant="subtitle1" sx={{ width: 150, pt: 1 }}>
              {slot.title}
            </Typography>
            {Array.from({ length: slot.times_per_day }, (_, at) => (
              <TextField
                key={at}
                type="time"
                label={slot.times_per_day === 1 ? 'Time of day' : `Time ${at + 1} of ${slot.times_per_day}`}
                value={slot.times[at] ?? ''}
                error={fault(`times.${at}`) !== undefined || (at === 0 && fault('times') !== undefined)}
                helperText={fault(`times.${at}`) ?? (at === 0 ? fault('times') : undefined)}
                slotProps={{ inputLabel: { shrink: true } }}
                sx={{ width: 140 }}
                onChange={(event) => {
                  const times = Array.from({ length: slot.times_per_day }, (_time, k) =>
                    k === at ? event.target.value : (slot.times[k] ?? ''),
                  );
                  set(slot.key, { times: times.every((time) => time === '') ? [] : times });
                }}
              />
            ))}
            {slot.mode !== 'sport' && draft.slots.length > 1 && (
              <FormControlLabel
                control={
                  <Switch
                    size="small"
                    checked={slot.beside !== null}
                    onChange={(event) => toggle(slot, event.target.checked)}
                  />
                }
                label="Days of its own"
                sx={{ pt: 0.25 }}
              />
            )}
            {slot.beside?.per_week !== undefined && (
              <>
                <NumberField
                  label="Times a week"
                  width={120}
                  value={slot.beside.per_week}
                  fault={fault('beside.per_week')}
                  onChange={(value) => set(slot.key, { beside: { ...slot.beside, per_week: value as number } })}
                />
                <NumberField
                  label="Days apart"
                  width={110}
                  value={slot.beside.min_gap_days}
                  fault={fault('beside.min_gap_days')}
                  onChange={(value) => set(slot.key, { beside: { ...slot.beside, min_gap_days: value as number } })}
                />
              </>
            )}
            {slot.beside?.every_days !== undefined && (
              <NumberField
                label="Every … days"
                width={130}
                value={slot.beside.every_days}
                fault={fault('beside.every_days')}
                onChange={(value) => set(slot.key, { beside: { every_days: value as number } })}
              />
            )}
          </Box>
        );
      })}
      {faults.slots !== undefined && (
        <Typography variant="body2" color="error">
          {faults.slots}
        </Typography>
      )}
    </Paper>
  );
}
