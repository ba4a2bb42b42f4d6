import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { bandsOf, fieldOf, type Prescription, type Preview, withCue, withField } from './draft';
import { LadderPart } from './LadderPart';
import { NumberField } from './NumberField';

type Suggestion = Preview['prescriptions'][number]['suggestions'][number];

interface Props {
  prescription: Prescription;
  slots: Schemas['PlanStage']['slots'];
  faults: Readonly<Record<string, string>>;
  suggestions: readonly Suggestion[];
  onChange: (prescription: Prescription) => void;
}

type Field = [path: string, label: string, first: unknown];

/** Fields that a dose may have beside sets, repetitions and rest, in the order in which they are shown. */
const OPTIONAL: Field[] = [
  ['reps_to', 'Reps up to', 12],
  ['hold_s', 'Hold, s', 30],
  ['hold_to_s', 'Hold up to, s', 45],
  ['work_s', 'Work, s', 60],
  ['work_to_s', 'Work up to, s', 300],
  ['grow_by', 'Grows by', 1],
  ['grow_after', 'after settled', 1],
  ['load_kg', 'Load, kg', 0],
  ['height_cm', 'Height, cm', 10],
  ['rir', 'In reserve', 2],
  ['rm', 'RM aimed at', 8],
  ['percent_mvc', '% of maximum', 70],
  ['effort', 'Effort, 0–10', 7],
  ['beats_per_min', 'Beats a minute', 60],
  ['times_per_day', 'Times a day', 1],
  ['contacts_per_rep', 'Landings a rep', 1],
];

const CORRIDORS: Readonly<Record<string, string>> = { reps_to: 'reps', hold_to_s: 'hold_s', work_to_s: 'work_s' };

/** An upper end goes with its lower end, one a dose; how it grows goes with an upper end. */
function fits(path: string, dose: Prescription['dose']): boolean {
  const hasCorridor = Object.keys(CORRIDORS).some((upper) => fieldOf(dose, upper) !== undefined);
  if (path === 'grow_by' || path === 'grow_after') return hasCorridor;
  const lower = CORRIDORS[path];
  if (lower === undefined) return true;
  // A hold or timed work has its corridor in seconds, not in repetitions.
  const isCounted = dose.hold_s === undefined && dose.work_s === undefined;
  return !hasCorridor && fieldOf(dose, lower) !== undefined && (path !== 'reps_to' || isCounted);
}

/** An upper end begins above what is asked now. */
const first = ([path, , value]: Field, dose: Prescription['dose']): unknown => {
  const lower = CORRIDORS[path] === undefined ? undefined : fieldOf(dose, CORRIDORS[path]);
  return typeof lower === 'number' && typeof value === 'number'
    ? Math.max(value, lower + (path === 'reps_to' ? 4 : 15))
    : value;
};

const PHASES: [string, string][] = [
  ['lift_s', 'Lift, s'],
  ['top_s', 'At top, s'],
  ['lower_s', 'Lower, s'],
  ['bottom_s', 'At bottom, s'],
];

const TEMPO = { lift_s: 3, top_s: 0, lower_s: 3, bottom_s: 0, starts: 'lift' };
const RANGE = { from_deg: 0, to_deg: 60 };

/** All that can be set of one exercise. */
export function DoseEditor({ prescription, slots, faults, suggestions, onChange }: Props) {
  const { dose } = prescription;
  const set = (path: string, value: unknown) => onChange({ ...prescription, dose: withField(dose, path, value) });
  const number = (path: string, label: string, width?: number) => (
    <NumberField
      key={path}
      label={label}
      value={fieldOf(dose, path)}
      fault={faults[`dose.${path}`]}
      {...(width === undefined ? {} : { width })}
      onChange={(value) => set(path, value)}
    />
  );
  const bands = bandsOf(prescription);
  const absent: Field[] = [
    ...OPTIONAL.filter(([path]) => fieldOf(dose, path) === undefined && fits(path, dose)),
    ...(dose.tempo === undefined ? [['tempo', 'Tempo', TEMPO] as Field] : []),
    ...(dose.range === undefined ? [['range', 'Range', RANGE] as Field] : []),
    ...(dose.resistance === undefined ? [['resistance', 'Band', bands?.[0] ?? 'thin'] as Field] : []),
  ];
  return (
    <Box sx={{ display: 'grid', gap: 1.25, pt: 1.25 }}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        {number('sets', 'Sets', 70)}
        {number('reps', 'Reps', 70)}
        {OPTIONAL.filter(([path]) => fieldOf(dose, path) !== undefined).map(([path, label]) =>
          number(path, label, 104),
        )}
        {dose.resistance !== undefined &&
          (bands === undefined ? (
            <TextField
              label="Band"
              value={dose.resistance}
              onChange={(event) => set('resistance', event.target.value === '' ? undefined : event.target.value)}
              sx={{ width: 150 }}
            />
          ) : (
            <TextField
              select
              label="Band"
              value={dose.resistance}
              onChange={(event) => set('resistance', event.target.value)}
              sx={{ width: 190 }}
            >
              {(bands.includes(dose.resistance) ? bands : [dose.resistance, ...bands]).map((band) => (
                <MenuItem key={band} value={band}>
                  {band}
                </MenuItem>
              ))}
            </TextField>
          ))}
        {number('rest_s', 'Rest, s', 80)}
      </Box>
      {(dose.tempo !== undefined || dose.range !== undefined) && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
          {dose.tempo !== undefined && (
            <>
              <TextField
                select
                label="Begins with"
                value={dose.tempo.starts}
                onChange={(event) => set('tempo.starts', event.target.value)}
                sx={{ width: 112 }}
              >
                <MenuItem value="lift">lift</MenuItem>
                <MenuItem value="lower">lower</MenuItem>
              </TextField>
              {PHASES.map(([phase, label]) => number(`tempo.${phase}`, label, 96))}
            </>
          )}
          {dose.range !== undefined && (
            <>
              {number('range.from_deg', 'Range from, °', 112)}
              {number('range.to_deg', 'to, °', 76)}
            </>
          )}
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          select
          label="Limbs and side"
          value={prescription.limbs}
          onChange={(event) => onChange({ ...prescription, limbs: event.target.value as Prescription['limbs'] })}
          sx={{ width: 150 }}
        >
          <MenuItem value="affected">the sore side</MenuItem>
          <MenuItem value="each">each side</MenuItem>
          <MenuItem value="together">both together</MenuItem>
        </TextField>
        <TextField
          select
          label="Done in"
          value={prescription.slot ?? ''}
          onChange={(event) => onChange({ ...prescription, slot: event.target.value })}
          error={faults.slot !== undefined}
          helperText={faults.slot}
          sx={{ width: 170 }}
        >
          {slots.map((slot) => (
            <MenuItem key={slot.key} value={slot.key}>
              {slot.title}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Cue"
          value={prescription.cue ?? ''}
          onChange={(event) => onChange(withCue(prescription, event.target.value))}
          sx={{ width: 220 }}
        />
        {absent.length > 0 && (
          <TextField
            select
            label="Add a field"
            value=""
            onChange={(event) => {
              const field = absent.find(([path]) => path === event.target.value);
              if (field !== undefined) set(field[0], first(field, dose));
            }}
            sx={{ width: 140 }}
          >
            {absent.map(([path, label]) => (
              <MenuItem key={path} value={path}>
                {label}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <LadderPart prescription={prescription} fault={faults.ladder} onChange={onChange} />
      {suggestions.length > 0 && (
        <List disablePadding aria-label="Suggested from what was logged and tested">
          {suggestions.map((suggestion) => (
            <Typography component="li" variant="body2" color="textSecondary" key={suggestion.words}>
              {suggestion.words}
              {suggestion.field !== null &&
                suggestion.value !== null &&
                fieldOf(dose, suggestion.field) !== suggestion.value && (
                  <Button
                    onClick={() => {
                      if (suggestion.field !== null) set(suggestion.field, suggestion.value);
                    }}
                    sx={{ ml: 0.5, py: 0, minWidth: 0 }}
                    aria-label={`Use: ${suggestion.words}`}
                  >
                    use
                  </Button>
                )}
            </Typography>
          ))}
        </List>
      )}
    </Box>
  );
}
