import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';

import { localDay, nowIso } from '../../phone/moments';
import { put } from '../../phone/outbox';
import { dueOn } from '../../phone/pending';
import { useIsFull } from '../../phone/store';
import type { TodayData } from '../../phone/plan';
import { useOutbox } from '../../phone/useToday';
import { Empty } from '../../shell/States';
import { ExerciseFlow } from './ExerciseFlow';
import { PracticeFlow } from './PracticeFlow';
import { asLog, begin, forgetRun, isBegun, isStopped, keepRun, keptRun, lastTold, type Run, withoutPain } from './run';
import { SignList } from './SignList';
import { STOP_WORDS } from './signs';

/** The session, exercise by exercise; it goes on where it was, whatever came between. */
export default function SessionScreen({ plan }: { plan: TodayData }) {
  const waiting = useOutbox(plan.person);
  const [run, setRun] = useState<Run | null>(() => {
    const before = keptRun();
    if (before !== null && before.person === plan.person && before.case === plan.case) return before;
    const due = dueOn(plan, localDay(), waiting)[0];
    return due === undefined || plan.stopped ? null : begin(plan, due);
  });
  if (run === null) return <Empty title="No session is due now"><Button component={RouterLink} to="/">Back to today</Button></Empty>;
  return <Going key={run.id} run={run} set={(next) => { keepRun(next); setRun(next); }} />;
}

function Going({ run, set }: { run: Run; set: (run: Run) => void }) {
  const [asking, setAsking] = useState(false);
  const full = useIsFull();
  const navigate = useNavigate();
  const stopped = isStopped(run);
  const sport = run.due.kind === 'sport';
  const over = run.at >= run.due.exercises.length;
  const exercise = run.due.exercises[run.at];
  const told = lastTold(run);

  const finish = () => {
    const log = asLog(run);
    const stored = put({ id: run.id, person: run.person, case: run.case, made_at: nowIso(), what: 'session', title: run.due.title, body: log, planned: run.due.planned });
    if (stored) {
      forgetRun();
      void navigate('/');
    }
  };

  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, pb: 4, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>{run.due.title}</Typography>
        {!sport && <Typography color="textSecondary">{Math.min(run.at + 1, run.due.exercises.length)} of {run.due.exercises.length}</Typography>}
        <Button component={RouterLink} to="/">Leave</Button>
      </Box>
      {full && <Alert severity="error">This phone has no room left to keep what you enter. Finish and send before you close this page, or make room.</Alert>}
      {stopped && (
        <Alert severity="error" sx={{ bgcolor: 'stop.main', color: 'background.paper', fontSize: 17 }}>
          <b>Stop.</b> {STOP_WORDS} Send this now, so that your practitioner sees it.
        </Alert>
      )}
      {!stopped && sport && <PracticeFlow run={run} set={set} />}
      {!stopped && !sport && !over && exercise !== undefined && <ExerciseFlow key={exercise.prescription} run={run} exercise={exercise} set={set} />}
      {!stopped && over && !sport && <Summary run={run} />}
      {(stopped || over) && run.signs.length === 0 && told !== undefined && (
        <Button onClick={() => set(withoutPain(run, told))} sx={{ minHeight: 48, fontSize: 16 }}>Wrong tap: change the pain of {run.due.exercises[told]?.title.toLowerCase()}</Button>
      )}
      {(stopped || over || sport) && (
        <Button variant="contained" onClick={finish} disabled={!stopped && sport && (run.practice.pain === null || run.practice.effort === null || !(Number(run.practice.minutes.replace(',', '.')) > 0))} sx={{ minHeight: 64, fontSize: 20, ...(stopped ? { bgcolor: 'stop.main', color: 'background.paper' } : {}) }}>
          {stopped ? 'Stop and send' : 'Finish and send'}
        </Button>
      )}
      {!stopped && !over && !sport && isBegun(run) && (
        <Button onClick={() => set({ ...run, at: run.due.exercises.length, rest_until: null })} sx={{ minHeight: 48, fontSize: 16 }}>End the session here</Button>
      )}
      <Button onClick={() => setAsking(!asking)} aria-expanded={asking} sx={{ minHeight: 48, fontSize: 16, color: 'stop.main' }}>Something is wrong</Button>
      {asking && <SignList signs={run.signs} set={(signs) => set({ ...run, signs, rest_until: null })} />}
    </Box>
  );
}

function doneWords(one: Run['progress'][number], exercise: Run['due']['exercises'][number]): string {
  if (one.sets.length === 0) return one.skipped === null ? 'not done' : `left out (${one.skipped})`;
  return `${one.sets.length} of ${exercise.dose.sets} sets${one.skipped === null ? '' : ` (${one.skipped})`}${one.pain === null ? '' : `, pain ${one.pain}`}`;
}

function Summary({ run }: { run: Run }) {
  return (
    <Box component="section" aria-label="Done">
      <Typography variant="h2" sx={{ mb: 0.5 }}>Done</Typography>
      {run.due.exercises.map((exercise, i) => {
        const one = run.progress[i];
        if (one === undefined) return null;
        return (
          <Typography key={exercise.prescription} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <b>{exercise.title}</b>: {doneWords(one, exercise)}
          </Typography>
        );
      })}
    </Box>
  );
}
