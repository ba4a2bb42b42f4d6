import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';

import { api, Refusal, send } from '../../api/client';
import { moment } from '../../shell/dates';
import type { TodayData } from './useToday';

const TIMES: [number, string][] = [[0, 'at once'], [30, 'half an hour'], [60, '1 hour'], [120, '2 hours'], [720, 'by night'], [1440, 'a day'], [2880, 'longer']];

/** "Back to how it was before?", as the time it took after the session. */
export function SettlingCard({ settling }: { settling: NonNullable<TodayData['settling']> }) {
  const queries = useQueryClient();
  const tell = useMutation({
    mutationFn: (settled_min: number) => send(() => api.PATCH('/api/today/sessions/{id}', { params: { path: { id: settling.session } }, body: { settled_min } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['today'] }),
  });
  return (
    <Paper variant="outlined" component="section" aria-label="Back to normal" sx={{ p: 2 }}>
      <Typography variant="h2">Back to how it was before?</Typography>
      <Typography sx={{ mb: 1 }}>After the session that ended {moment(settling.ended_at)}, it was back to normal after …</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
        {TIMES.map(([minutes, words]) => (
          <Button key={minutes} variant="outlined" size="large" disabled={tell.isPending} onClick={() => tell.mutate(minutes)} sx={{ minHeight: 48 }}>{words}</Button>
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>Not yet? Leave it and answer later.</Typography>
      {tell.error instanceof Refusal && <Alert severity="error" sx={{ mt: 1 }}>{tell.error.message}</Alert>}
    </Paper>
  );
}
