import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Refusal, type Schemas } from '../../api/client';
import { type Case, useDecide } from './useCase';

type Dose = Schemas['Dose'];
type Prescription = Schemas['Prescription'];

interface Field {
  name: 'sets' | 'reps' | 'hold_s' | 'work_s' | 'load_kg' | 'rest_s' | 'to_deg';
  label: string;
  of: (dose: Dose) => number | undefined;
  into: (dose: Dose, value: number) => Dose;
}

/** The fields of a dose that are set by hand here, where the dose has them. */
const FIELDS: Field[] = [
  { name: 'sets', label: 'Sets', of: (dose) => dose.sets, into: (dose, sets) => ({ ...dose, sets }) },
  { name: 'reps', label: 'Reps', of: (dose) => dose.reps, into: (dose, reps) => ({ ...dose, reps }) },
  { name: 'hold_s', label: 'Hold, s', of: (dose) => dose.hold_s, into: (dose, hold_s) => ({ ...dose, hold_s }) },
  { name: 'work_s', label: 'Work, s', of: (dose) => dose.work_s, into: (dose, work_s) => ({ ...dose, work_s }) },
  { name: 'load_kg', label: 'Load, kg', of: (dose) => dose.load_kg, into: (dose, load_kg) => ({ ...dose, load_kg }) },
  { name: 'rest_s', label: 'Rest, s', of: (dose) => dose.rest_s, into: (dose, rest_s) => ({ ...dose, rest_s }) },
  {
    name: 'to_deg', label: 'Range to, °', of: (dose) => dose.range?.to_deg,
    into: (dose, to_deg) => (dose.range === undefined ? dose : { ...dose, range: { ...dose.range, to_deg } }),
  },
];

type Texts = Record<string, string>;

/** Sets doses by hand. Proposals that were not taken stand in the fields, so that only what is meant is changed. */
export function ChangeDialog({ found, close, decided }: { found: Case; close: () => void; decided: (words: string) => void }) {
  const decide = useDecide(found.id);
  const [texts, setTexts] = useState<Texts>({});
  const [reason, setReason] = useState('');

  const edited = found.prescriptions.flatMap((one) => {
    const dose = FIELDS.reduce((made, field) => {
      const text = texts[`${one.key}.${field.name}`];
      return text === undefined ? made : field.into(made, Number(text.replace(',', '.')));
    }, one.dose);
    return JSON.stringify(dose) === JSON.stringify(one.dose) ? [] : [{ prescription: one.key, dose }];
  });
  const faults = decide.error instanceof Refusal ? decide.error.fields : {};
  const faultOf = (key: string, field: Field): string | undefined => {
    const i = edited.findIndex((one) => one.prescription === key);
    return i < 0 ? undefined : faults[`doses.${i}.dose.${field.name === 'to_deg' ? 'range.to_deg' : field.name}`];
  };
  const general = decide.error instanceof Refusal && !Object.keys(faults).some((field) => field.startsWith('doses.') || field === 'reason');
  const save = () =>
    decide.mutate(
      { kind: 'change', revision: found.revision, reason, doses: edited },
      { onSuccess: (answer) => { decided(answer.words); close(); } },
    );

  return (
    <Dialog open onClose={close} fullWidth maxWidth="md" aria-labelledby="change">
      <DialogTitle id="change">{found.athlete.name}: change the dose of {found.standing.stage.title}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
        {found.prescriptions.map((one) => (
          <Box key={one.key} component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
            <Typography component="legend" sx={{ fontWeight: 600, mb: 1 }}>
              {one.title} <Typography component="span" color="textSecondary">now {one.words}</Typography>
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
              {shown(one).map((field) => (
                <TextField
                  key={field.name}
                  label={field.label}
                  value={texts[`${one.key}.${field.name}`] ?? String(field.of(one.dose))}
                  onChange={(event) => setTexts({ ...texts, [`${one.key}.${field.name}`]: event.target.value })}
                  error={faultOf(one.key, field) !== undefined}
                  helperText={faultOf(one.key, field)}
                  slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                  sx={{ width: faultOf(one.key, field) === undefined ? 104 : 190 }}
                />
              ))}
            </Box>
          </Box>
        ))}
        <TextField label="Reason, for the record" value={reason} onChange={(event) => setReason(event.target.value)} error={faults.reason !== undefined} helperText={faults.reason} />
        {edited.length > 1 && <Alert severity="warning">{edited.length} exercises change at once: if it reacts, nobody will know which did it.</Alert>}
        {general && <Alert severity="error">{decide.error?.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button variant="contained" onClick={save} loading={decide.isPending} disabled={edited.length === 0}>Put in force</Button>
      </DialogActions>
    </Dialog>
  );
}

const shown = (one: Prescription): Field[] => FIELDS.filter((field) => field.of(one.dose) !== undefined);
