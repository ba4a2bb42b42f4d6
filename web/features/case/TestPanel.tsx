import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, faultAt, Refusal, send } from '../../api/client';
import { day } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import type { Case } from './useCase';

/** Strength of both sides: the latest test, and room for a new one. */
export function TestPanel({ found }: { found: Case }) {
  const [affected, setAffected] = useState('');
  const [unaffected, setUnaffected] = useState('');
  const queries = useQueryClient();
  const test = found.strength_test;
  const both = found.side === 'both';
  const record = useMutation({
    mutationFn: () => send(() => api.POST('/api/cases/{case}/tests', {
      params: { path: { case: found.id } },
      body: { test: test.key, on: found.standing.today, affected: numberOf(affected) ?? 0, unaffected: numberOf(unaffected) ?? 0, unit: test.unit },
    })),
    onSuccess: async () => {
      setAffected('');
      setUnaffected('');
      await queries.invalidateQueries({ queryKey: ['case', found.id] });
    },
  });
  const latest = found.tests.filter((one) => one.test === test.key).at(-1);

  return (
    <Paper variant="outlined" component="section" aria-label="Strength" sx={{ p: 1.5 }}>
      <Typography variant="h2">{test.title}</Typography>
      <Typography variant="body2" color="textSecondary">{test.instruction}</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {latest === undefined
          ? 'Not tested yet.'
          : `${day(latest.on)}: ${latest.affected} and ${latest.unaffected} ${latest.unit}, symmetry ${latest.symmetry_percent} %`}
      </Typography>
      <Box component="form" noValidate onSubmit={(event) => { event.preventDefault(); record.mutate(); }} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField label={`${both ? 'Left' : 'Sore side'}, ${test.unit}`} value={affected} onChange={(event) => setAffected(event.target.value)} error={faultAt(record.error, 'affected') !== undefined} helperText={faultAt(record.error, 'affected')} slotProps={{ htmlInput: { inputMode: 'decimal' } }} />
        <TextField label={`${both ? 'Right' : 'Other side'}, ${test.unit}`} value={unaffected} onChange={(event) => setUnaffected(event.target.value)} error={faultAt(record.error, 'unaffected') !== undefined} helperText={faultAt(record.error, 'unaffected')} slotProps={{ htmlInput: { inputMode: 'decimal' } }} />
        <Button type="submit" variant="outlined" loading={record.isPending} disabled={numberOf(affected) === null || numberOf(unaffected) === null} sx={{ height: 37 }}>Record</Button>
      </Box>
      {record.error instanceof Refusal && Object.keys(record.error.fields).length === 0 && <Typography color="error">{record.error.message}</Typography>}
    </Paper>
  );
}
