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

import { faultAt, Refusal, type Schemas } from '../../api/client';
import { day } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { type Entries, type OneEntry, useCorrect } from './useEntries';
import { entryWords } from './words';

type Change = Schemas['EntryChange'];
type Field = 'provocation' | 'stiffness_min' | 'minutes' | 'effort' | 'affected' | 'unaffected' | 'score';

/** One entry with what it says now; another figure and a reason put it right, or it is struck out. */
export function CorrectDialog({
  id,
  found,
  entry,
  onClose,
}: {
  id: string;
  found: Entries;
  entry: OneEntry;
  onClose: () => void;
}) {
  const [correction] = useState(() => crypto.randomUUID());
  const correct = useCorrect(id, correction);
  const [why, setWhy] = useState('');
  const [typed, setTyped] = useState<Record<string, string>>({});
  const fields = fieldsOf(entry, found);
  const pains = entry.pains ?? [];
  const texts = Object.values(typed).filter((text) => text.trim() !== '');
  const isNumber = texts.every((text) => numberOf(text) !== null);
  const send = (struck: boolean) => {
    const body: Change = { what: entry.what, entry: entry.id, struck, why };
    if (!struck) {
      for (const { key } of fields) {
        const value = numberOf(typed[key] ?? '');
        if (value !== null) body[key] = value;
      }
      const changed = pains.flatMap((other, i) => {
        const pain = numberOf(typed[`pain-${i}`] ?? '');
        return pain === null ? [] : [{ prescription: other.prescription, pain }];
      });
      if (changed.length > 0) body.pains = changed;
    }
    correct.mutate(body, { onSuccess: onClose });
  };
  const at = (field: string) => ({
    error: faultAt(correct.error, field) !== undefined,
    helperText: faultAt(correct.error, field),
  });
  const input = (key: string, label: string, now: number | null | undefined, fault: ReturnType<typeof at> | object) => (
    <TextField
      key={key}
      label={label}
      placeholder={now === null || now === undefined ? 'not entered' : String(now)}
      value={typed[key] ?? ''}
      onChange={(event) => setTyped((all) => ({ ...all, [key]: event.target.value }))}
      slotProps={{ inputLabel: { shrink: true }, htmlInput: { inputMode: 'decimal' } }}
      {...fault}
    />
  );
  const shown = ['why', ...fields.map(({ key }) => key)].some((field) => faultAt(correct.error, field) !== undefined);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="put-right">
      <DialogTitle id="put-right">
        {entry.title} of {day(entry.on)}: put it right
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
        <Typography variant="body2">
          It says now{entryWords(entry, found)}. What you leave empty stays as it is.
        </Typography>
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
          {fields.map(({ key, label }) => input(key, label, entry[key], at(key)))}
          {pains.map((pain, i) => input(`pain-${i}`, `${pain.title}: pain, 0 to 10`, pain.pain, {}))}
        </Box>
        {!isNumber && (
          <Typography color="error" variant="body2">
            Enter a number.
          </Typography>
        )}
        <TextField
          label="What was wrong, for the record"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          multiline
          minRows={2}
          {...at('why')}
        />
        {correct.error instanceof Refusal && !shown && (
          <Alert severity="error">{Object.values(correct.error.fields)[0] ?? correct.error.message}</Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button color="error" onClick={() => send(true)} loading={correct.isPending}>
          Strike it out
        </Button>
        <Button
          variant="contained"
          onClick={() => send(false)}
          loading={correct.isPending}
          disabled={texts.length === 0 || !isNumber}
        >
          Put right
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function fieldsOf(entry: OneEntry, found: Entries): { key: Field; label: string }[] {
  if (entry.what === 'morning')
    return [
      { key: 'provocation', label: 'Test, 0 to 10' },
      { key: 'stiffness_min', label: 'Stiff, min' },
    ];
  if (entry.what === 'score') return [{ key: 'score', label: entry.measure ?? 'Score' }];
  if (entry.what === 'test') {
    const [first, second] = found.side === 'both' ? ['Left', 'Right'] : ['Sore side', 'Other side'];
    return [
      { key: 'affected', label: `${first}, ${entry.unit ?? ''}` },
      { key: 'unaffected', label: `${second}, ${entry.unit ?? ''}` },
    ];
  }
  return entry.minutes === null || entry.minutes === undefined
    ? []
    : [
        { key: 'minutes', label: 'Minutes' },
        { key: 'effort', label: 'Effort, 0 to 10' },
      ];
}
