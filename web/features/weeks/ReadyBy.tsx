import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api, Refusal, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import type { Weeks } from './useWeeks';

const PACES: Record<Schemas['Pace'], { mark: string; colour: string }> = {
  enough: { mark: '✓', colour: 'primary.main' },
  tight: { mark: '◇', colour: 'watch.main' },
  too_late: { mark: '▲', colour: 'over.main' },
};

/** Backwards from a day that is to be kept: when each stage has to begin, and when it does as things stand. */
export function ReadyBy({ id, weeks }: { id: string; weeks: Weeks }) {
  const shows = weeks.events.filter((on) => on > weeks.today);
  const [by, setBy] = useState(
    weeks.goal_on !== null && weeks.goal_on > weeks.today ? weeks.goal_on : (shows[shows.length - 1] ?? ''),
  );
  const [asked, setAsked] = useState<string | null>(null);
  const found = useQuery({
    queryKey: queryKeys.countdown(id, asked),
    queryFn: () =>
      send(() =>
        api.GET('/api/cases/{case}/countdown', { params: { path: { case: id }, query: { by: asked ?? '' } } }),
      ),
    enabled: asked !== null,
    retry: false,
  });
  const fault =
    found.error instanceof Refusal
      ? (Object.values(found.error.fields)[0] ?? found.error.message)
      : found.error === null
        ? null
        : 'This could not be worked out. Try again.';
  return (
    <Paper variant="panel" component="section" aria-label="Ready by" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">Ready by</Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setAsked(by);
        }}
        sx={{ display: 'flex', gap: 1, alignItems: 'start' }}
      >
        <TextField
          type="date"
          label="Day"
          value={by}
          onChange={(event) => {
            setBy(event.target.value);
            setAsked(null);
          }}
          error={fault !== null}
          helperText={fault}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ flex: 1 }}
        />
        <Button type="submit" variant="outlined" loading={found.isFetching} disabled={by === ''} sx={{ minHeight: 40 }}>
          Work it out
        </Button>
      </Box>
      {found.data !== undefined && (
        <Box role="status" sx={{ display: 'grid', gap: 0.75 }}>
          {found.data.stages.map((stage) => (
            <Typography key={stage.key} variant="body2">
              <Box component="span" sx={{ color: PACES[stage.pace].colour }}>
                {PACES[stage.pace].mark}
              </Box>{' '}
              {stage.words}
            </Typography>
          ))}
          <Typography
            variant="subtitle1"
            sx={{ color: found.data.pace === null ? undefined : PACES[found.data.pace].colour }}
          >
            {found.data.pace !== null && `${PACES[found.data.pace].mark} `}
            {found.data.ready}
          </Typography>
          <Alert severity="info" sx={{ py: 0 }}>
            {found.data.note}
          </Alert>
        </Box>
      )}
    </Paper>
  );
}
