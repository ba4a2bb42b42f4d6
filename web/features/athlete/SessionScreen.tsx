import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';

import { api, faultAt, Refusal, send } from '../../api/client';
import { Empty, Failed, Loading } from '../../shell/States';
import { asLog, type Draft, forget, keep, load } from './draft';
import { ExerciseCard } from './ExerciseCard';
import { PainRow } from './PainRow';
import { STOP_SIGNS, STOP_WORDS } from './signs';
import { type Due, type TodayData, useToday } from './useToday';

export function SessionScreen() {
  const today = useToday();
  if (today.isPending) return <Loading what="the session" />;
  if (today.data === undefined) return <Failed problem={today.error} again={() => void today.refetch()} />;
  const due = today.data?.session ?? null;
  if (today.data === null || due === null) {
    return <Empty title="No session is due now"><Button component={RouterLink} to="/">Back to today</Button></Empty>;
  }
  return <Logging key={due.planned} plan={today.data} due={due} />;
}

function Logging({ plan, due }: { plan: TodayData; due: Due }) {
  const [draft, setDraft] = useState(() => load(due, plan.plan_version));
  const [kept, setKept] = useState(true);
  const [asking, setAsking] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();

  const finish = useMutation({
    mutationFn: () => send(() => api.PUT('/api/today/sessions/{id}', { params: { path: { id: draft.id } }, body: asLog(draft) })),
    onSuccess: async () => {
      forget(draft);
      await queries.invalidateQueries({ queryKey: ['today'] });
      await navigate('/');
    },
  });
  const edit = (change: Partial<Draft>) => {
    const next = { ...draft, ...change };
    setDraft(next);
    setKept(keep(next));
  };
  const worst = Math.max(-1, draft.practice.pain ?? -1, ...draft.exercises.map((one) => one.pain ?? -1));
  const stopped = worst >= plan.limits.stop_at || draft.signs.length > 0;
  const over = worst > plan.limits.during_max;
  const nothingYet = draft.kind === 'sport'
    ? draft.practice.pain === null || draft.practice.minutes === ''
    : draft.exercises.every((one) => one.pain === null && one.sets.every((set) => !set.done));
  const entryFault = Object.entries(finish.error instanceof Refusal ? finish.error.fields : {}).find(([field]) => field.startsWith('entries'))?.[1];

  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, pb: 6, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>{due.title}</Typography>
        <Button component={RouterLink} to="/">Back</Button>
      </Box>
      {due.exercises.map((exercise, i) => {
        const entry = draft.exercises[i];
        return entry === undefined ? null : (
          <ExerciseCard
            key={exercise.prescription}
            exercise={exercise}
            entry={entry}
            stopped={stopped}
            change={(next) => edit({ exercises: draft.exercises.map((one, k) => (k === i ? next : one)) })}
          />
        );
      })}
      {draft.kind === 'sport' && (
        <Paper variant="outlined" component="section" aria-label="Practice" sx={{ p: 2, display: 'grid', gap: 1.5 }}>
          <TextField label="Minutes of practice" value={draft.practice.minutes} onChange={(event) => edit({ practice: { ...draft.practice, minutes: event.target.value } })} slotProps={{ htmlInput: { inputMode: 'numeric' } }} error={faultAt(finish.error, 'minutes') !== undefined} helperText={faultAt(finish.error, 'minutes')} />
          <Typography>How hard was it, 0–10?</Typography>
          <PainRow label="Effort" value={draft.practice.effort} choose={(effort) => edit({ practice: { ...draft.practice, effort } })} fault={faultAt(finish.error, 'effort')} />
          <Typography>Worst pain during, 0–10</Typography>
          <PainRow label="Pain in practice" value={draft.practice.pain} choose={(pain) => edit({ practice: { ...draft.practice, pain } })} />
          <FormControlLabel control={<Checkbox checked={draft.practice.full} onChange={(event) => edit({ practice: { ...draft.practice, full: event.target.checked } })} />} label="I took part in full" />
        </Paper>
      )}
      {over && !stopped && <Alert severity="warning">That is over your limit of {plan.limits.during_max}. Stop this exercise and do no more of it today; finish here and rest.</Alert>}
      <Button onClick={() => setAsking(!asking)} aria-expanded={asking}>Something is wrong</Button>
      {asking && (
        <Paper variant="outlined" sx={{ p: 2 }}>
          {STOP_SIGNS.map(([sign, words]) => (
            <Box key={sign}>
              <FormControlLabel
                control={<Checkbox checked={draft.signs.includes(sign)} onChange={() => edit({ signs: draft.signs.includes(sign) ? draft.signs.filter((one) => one !== sign) : [...draft.signs, sign] })} />}
                label={words}
              />
            </Box>
          ))}
        </Paper>
      )}
      {stopped && <Alert severity="error" icon={false} sx={{ bgcolor: 'stop.main', color: 'background.paper', fontSize: 16 }}><b>Stop.</b> {STOP_WORDS} Send this now, so that your practitioner sees it.</Alert>}
      {!kept && <Alert severity="error">This phone has no room left to keep what you enter. Send it before you close this page.</Alert>}
      {finish.error instanceof Refusal && <Alert severity="error">{entryFault ?? finish.error.message}</Alert>}
      <Button variant="contained" size="large" loading={finish.isPending} disabled={nothingYet && !stopped} onClick={() => finish.mutate()} sx={{ minHeight: 56, fontSize: 18 }}>
        {stopped ? 'Stop and send' : 'Finish and send'}
      </Button>
    </Box>
  );
}
