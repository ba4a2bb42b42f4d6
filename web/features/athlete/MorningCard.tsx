import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, faultAt, Refusal, type Schemas, send } from '../../api/client';
import { PainRow } from './PainRow';
import { NIGHT_ACHE, STOP_SIGNS, STOP_WORDS } from './signs';
import { nowIso, type TodayData } from './useToday';

const STIFF = [0, 5, 10, 20, 30, 60];

/** The morning answer: the test, stiffness, signs. */
export function MorningCard({ plan }: { plan: TodayData }) {
  const [id] = useState(() => crypto.randomUUID());
  const [score, setScore] = useState<number | null>(null);
  const [stiff, setStiff] = useState<number | null>(null);
  const [more, setMore] = useState(false);
  const [signs, setSigns] = useState<Schemas['Sign'][]>([]);
  const queries = useQueryClient();
  const answer = useMutation({
    mutationFn: () => send(() => api.PUT('/api/today/check-ins/{id}', {
      params: { path: { id } },
      body: { at: nowIso(), provocation: score, stiffness_min: stiff, signs },
    })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['today'] }),
  });
  const stop = signs.some((sign) => sign !== 'night_ache') || (score ?? 0) >= plan.limits.stop_at;
  const toggle = (sign: Schemas['Sign']) => setSigns((now) => (now.includes(sign) ? now.filter((one) => one !== sign) : [...now, sign]));

  return (
    <Paper variant="outlined" component="section" aria-label="This morning" sx={{ p: 2, borderWidth: 2, borderColor: 'primary.main' }}>
      <Typography color="textSecondary">This morning</Typography>
      <Typography variant="h2">{plan.morning.title}</Typography>
      <Typography variant="body2" sx={{ mb: 1.5 }}>{plan.morning.instruction}</Typography>
      <PainRow label="Pain on the test" value={score} choose={setScore} fault={faultAt(answer.error, 'provocation')} />
      <Typography sx={{ mt: 1.5, mb: 0.5 }}>Stiff this morning, minutes</Typography>
      <ToggleButtonGroup exclusive fullWidth value={stiff} onChange={(_, value: number | null) => setStiff(value)} aria-label="Morning stiffness, minutes">
        {STIFF.map((minutes) => <ToggleButton key={minutes} value={minutes} sx={{ fontSize: 16 }}>{minutes === 60 ? '60+' : minutes}</ToggleButton>)}
      </ToggleButtonGroup>
      <FormControlLabel sx={{ mt: 1 }} control={<Checkbox checked={signs.includes('night_ache')} onChange={() => toggle('night_ache')} />} label={NIGHT_ACHE[1]} />
      <Button onClick={() => setMore(!more)} aria-expanded={more}>Something else is wrong</Button>
      {more && STOP_SIGNS.map(([sign, words]) => (
        <Box key={sign}><FormControlLabel control={<Checkbox checked={signs.includes(sign)} onChange={() => toggle(sign)} />} label={words} /></Box>
      ))}
      {stop && <Alert severity="error" sx={{ mt: 1 }}>{STOP_WORDS}</Alert>}
      {answer.error instanceof Refusal && faultAt(answer.error, 'provocation') === undefined && <Alert severity="error" sx={{ mt: 1 }}>{answer.error.message}</Alert>}
      <Button variant="contained" size="large" fullWidth sx={{ mt: 1.5, minHeight: 56, fontSize: 18 }} disabled={score === null && signs.length === 0} loading={answer.isPending} onClick={() => answer.mutate()}>Send</Button>
    </Paper>
  );
}
