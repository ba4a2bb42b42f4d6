import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

import { Failed, Loading } from '../../shell/States';
import { Measuring } from '../visit/Measuring';
import { useVisit } from '../visit/useVisit';
import type { Entries } from './useEntries';

/** Tests and scores that were taken on another day, from paper. */
export function MeasureForm({ id, found }: { id: string; found: Entries }) {
  const [on, setOn] = useState(found.today);
  const visit = useVisit(id);
  if (visit.isPending) return <Loading what="what is measured" />;
  if (visit.data === undefined) return <Failed problem={visit.error} onRetry={() => void visit.refetch()} />;
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <TextField
        type="date"
        label="Measured on"
        value={on}
        onChange={(event) => setOn(event.target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: found.today } }}
        sx={{ width: 180 }}
      />
      <Measuring id={id} visit={visit.data} on={on} />
    </Box>
  );
}
