import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { MovingFigure } from '../../figure/MovingFigure';
import { usePlanFigure } from '../../phone/figures';
import { PainRow, type Zones } from './PainRow';
import type { Easier } from './run';

/** The easier exercise that is done instead for today: how it goes, how many sets, and how it felt. */
export function EasierCard({
  easier,
  left,
  words,
  zones,
  onDone,
}: {
  easier: Easier;
  left: number;
  words: string;
  zones: Zones;
  onDone: (sets: number, pain: number) => void;
}) {
  const [sets, setSets] = useState<number | null>(null);
  const { figure, mirrored } = usePlanFigure(easier.figure);
  return (
    <Paper variant="panel" component="section" aria-label={easier.title} sx={{ display: 'grid', gap: 1.25 }}>
      <Typography variant="h2" tabIndex={-1} data-focus>
        {easier.title}, instead
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start' }}>
        {figure !== null && <MovingFigure figure={figure} title={easier.title} size={150} mirrored={mirrored} />}
        <Box component="ul" sx={{ m: 0, pl: 2 }}>
          {[easier.set_up, easier.movement]
            .filter((line) => line !== null)
            .map((line) => (
              <li key={line}>{line}</li>
            ))}
        </Box>
      </Box>
      <Typography>At most as much as is left of {words}. Stop where it hurts.</Typography>
      <Typography id="instead">How many sets of it did you do?</Typography>
      <Box role="group" aria-labelledby="instead" sx={{ display: 'flex', gap: 1 }}>
        {Array.from({ length: left + 1 }, (_, i) => (
          <Button
            key={i}
            variant={sets === i ? 'contained' : 'outlined'}
            onClick={() => {
              if (i === 0) onDone(0, 0);
              else setSets(i);
            }}
            size="large"
            sx={{ flex: 1 }}
          >
            {i === 0 ? 'None' : i}
          </Button>
        ))}
      </Box>
      {sets !== null && (
        <>
          <Typography>Worst pain in it, 0–10</Typography>
          <PainRow
            label={`Pain in ${easier.title}`}
            value={null}
            zones={zones}
            onChoose={(pain) => onDone(sets, pain)}
          />
        </>
      )}
    </Paper>
  );
}
