import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';

import type { Schemas } from '../../api/client';
import { fromKg, loadWords, type Settings, toKg } from '../../phone/settings';
import { numberOf } from '../../shell/numbers';
import { TextInput } from '../../shell/TextInput';
import { isFar } from './typed';

/** The heaviest load that is taken, in kilograms. */
const MOST_KG = 1000;

/** The load that is used, in the athlete's unit; what is far from the usual is asked about first. */
export function LoadField({
  kg,
  usual,
  units,
  onChoose,
}: {
  kg: number | null;
  usual: Schemas['Usual'] | null;
  units: Settings['units'];
  onChoose: (kg: number) => void;
}) {
  const shown = kg === null ? '' : String(fromKg(kg, units));
  const [text, setText] = useState(shown);
  const [asked, setAsked] = useState<number | null>(null);
  const typed = numberOf(text);
  // What was not changed stays what it was, however it is rounded in pounds.
  const load = typed === null ? null : text === shown && kg !== null ? kg : toKg(typed, units);
  const tooMuch = load !== null && load > MOST_KG;
  const fault =
    text === ''
      ? undefined
      : load === null || load < 0
        ? 'A number, such as 22.5'
        : tooMuch
          ? `At most ${loadWords(MOST_KG, units)}`
          : undefined;
  const use = () => {
    if (load === null || fault !== undefined) return;
    if (isFar(load, usual)) setAsked(load);
    else onChoose(load);
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextInput
          label={`Load used, ${units}`}
          value={text}
          onChange={(typing) => {
            setText(typing);
            setAsked(null);
          }}
          fault={fault}
          inputMode="decimal"
          sx={{ width: 170 }}
        />
        <Button variant="contained" disabled={load === null || fault !== undefined} onClick={use} size="large">
          Use it
        </Button>
      </Box>
      {asked !== null && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {loadWords(asked, units)}?{' '}
          {usual?.usual == null
            ? 'That is far from what is usual.'
            : `You usually use ${loadWords(usual.usual, units)}.`}
          <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
            <Button variant="outlined" color="inherit" onClick={() => onChoose(asked)}>
              Yes, {loadWords(asked, units)}
            </Button>
            <Button color="inherit" onClick={() => setAsked(null)}>
              Change it
            </Button>
          </Box>
        </Alert>
      )}
    </Box>
  );
}
