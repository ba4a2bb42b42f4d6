import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { ago, moment } from '../../shell/dates';
import type { Case } from './useCase';

const FIRST = 5;

/** Every decision with its reason and the evidence it was made on; nothing here is ever changed. */
export function RecordList({ found }: { found: Case }) {
  const [all, setAll] = useState(false);
  const shown = all ? found.decisions : found.decisions.slice(0, FIRST);
  return (
    <Paper variant="outlined" component="section" aria-label="Record of decisions" sx={{ p: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>Record of decisions</Typography>
      {found.decisions.length === 0 && <Typography color="textSecondary">No decision yet.</Typography>}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {shown.map((one) => (
          <Box component="li" key={one.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <Typography variant="caption" color="textSecondary" title={moment(one.at)}>
              {ago(one.at, found.standing.today)}, {one.by}
            </Typography>
            <Typography variant="body2" sx={{ fontWeight: 600 }}>{one.words}</Typography>
            {one.because !== null && <Typography variant="body2" color="textSecondary">{one.because}</Typography>}
            {one.reason !== null && <Typography variant="body2">Reason: {one.reason}</Typography>}
          </Box>
        ))}
      </Box>
      {found.decisions.length > FIRST && <Button onClick={() => setAll(!all)}>{all ? 'Show fewer' : `Show all ${found.decisions.length}`}</Button>}
    </Paper>
  );
}
