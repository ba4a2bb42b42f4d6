import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';

import { TakeMeasure } from '../measures/TakeMeasure';
import { type Measure, useAddMeasure } from '../measures/useMeasures';
import type { Visit } from './useVisit';

/** All that is measured in one go by keyboard: Enter goes from box to box and keeps what stands there. */
export function Measuring({ id, visit, on }: { id: string; visit: Visit; on: string }) {
  const list = useRef<HTMLDivElement>(null);
  const [added, setAdded] = useState<Measure[]>([]);
  const add = useAddMeasure(id);
  const onTo = (at: number) => list.current?.querySelectorAll<HTMLInputElement>('[data-first] input')[at]?.focus();
  // What was measured before the stop may be written down still.
  const isStopped = visit.stopped && on === visit.today;
  const known = new Set(visit.measures.map((measure) => measure.key));
  const measures = [...visit.measures, ...added.filter((item) => !known.has(item.key))].filter(
    (measure) => !(isStopped && measure.loads),
  );
  const others = visit.others.filter((other) => !measures.some((measure) => measure.key === other.key));
  return (
    <Box ref={list} sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="body2" color="textSecondary">
        Enter goes on, and keeps a measure after its last box. What you do not measure, leave empty.
      </Typography>
      {isStopped && (
        <Alert severity="error">
          A stop is open. Only what does not load the tissue is measured before you have reviewed it.
        </Alert>
      )}
      {measures.map((measure, i) => (
        <TakeMeasure
          key={measure.key}
          id={id}
          measure={measure}
          side={visit.side}
          today={visit.today}
          on={on}
          onKept={() => onTo(i + 1)}
        />
      ))}
      <TextField
        select
        label="Measure something else"
        value=""
        onChange={(event) => add.mutate(event.target.value, { onSuccess: (measure) => setAdded([...added, measure]) })}
      >
        {others.map((other) => (
          <MenuItem key={other.key} value={other.key}>
            {other.title}
          </MenuItem>
        ))}
      </TextField>
      {add.isError && (
        <Typography color="error" variant="body2">
          This could not be loaded. Try again.
        </Typography>
      )}
    </Box>
  );
}
