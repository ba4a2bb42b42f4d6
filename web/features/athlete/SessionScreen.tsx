import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { Link as RouterLink, useNavigate, useSearchParams } from 'react-router';

import type { Done } from '../../pacer/timeline';
import { PlanFiguresProvider } from '../../phone/figures';
import { localDay, nowIso } from '../../phone/moments';
import { useOnlyWriter } from '../../phone/onlyWriter';
import { put, type Waiting } from '../../phone/outbox';
import { dueOn, stopsHere } from '../../phone/pending';
import { caseOf, type PhoneData } from '../../phone/plan';
import { readAgain, useIsFull } from '../../phone/store';
import { useOutbox } from '../../phone/usePhone';
import { Empty } from '../../shell/States';
import { EndHere, ExerciseFlow } from './ExerciseFlow';
import { focused } from './focused';
import { GoOn } from './GoOn';
import { NotKept } from './NotKept';
import { PracticeFlow, practiceIsTold } from './PracticeFlow';
import { asLog, begin, forgetRun, isBegun, isIdle, isStopped, keepRun, keptRun, type Run } from './run';
import { SignList } from './SignList';
import { STOP_WORDS } from './signs';
import { brokenOff, doneWords, ended, painAgain } from './steps';
import { Stop, WhomToCall } from './StopCard';
import { titleOf } from './titles';

const back = (
  <Button component={RouterLink} to="/" variant="contained" size="large">
    Back to today
  </Button>
);

/** A session as it was asked for by the address: practice or a session once more beside the plan, a planned one, or what is due. */
function begun(page: PhoneData, search: URLSearchParams, waiting: readonly Waiting[]): Run | null {
  const [practice, again, planned] = [search.get('practice'), search.get('again'), search.get('planned')];
  for (const plan of page.cases.filter((careCase) => !careCase.stopped && !stopsHere(careCase, waiting))) {
    if (practice !== null && plan.case === practice) {
      return begin(plan, {
        planned: '',
        on: localDay(),
        stage: '',
        title: 'Practice',
        at: null,
        practice: null,
        part: null,
        kind: 'sport',
        duration_s: 0,
        exercises: [],
        done: false,
      });
    }
    const more = plan.sessions.find((session) => session.planned === again);
    if (more !== undefined) return begin(plan, { ...more, planned: '' });
    const due =
      practice !== null || again !== null
        ? undefined
        : dueOn(plan, localDay(), waiting).find((item) => planned === null || item.planned === planned);
    if (due !== undefined) return begin(plan, due);
  }
  return null;
}

/** The session, exercise by exercise; it goes on where it was, whatever came between, and in one tab at a time. */
export default function SessionScreen({ page }: { page: PhoneData }) {
  const waiting = useOutbox(page.person);
  const [search] = useSearchParams();
  const planned = search.get('planned');
  const [before] = useState(() => {
    const run = keptRun();
    return run?.person === page.person ? run : null;
  });
  const [run, setRun] = useState<Run | null>(() => before ?? begun(page, search, waiting));
  if (run === null)
    return (
      <main>
        <Empty title="No session is due now">{back}</Empty>
      </main>
    );
  // One that was left lying is finished or discarded before another begins.
  if (run === before && planned !== null && run.due.planned !== planned && isIdle(run)) {
    return (
      <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gap: 1.5 }}>
        <GoOn run={run} onOver={() => setRun(begun(page, search, waiting))} />
        {back}
      </Box>
    );
  }
  return (
    <PlanFiguresProvider value={caseOf(page, run.case) ?? { figures: {}, side: '' }}>
      <Going key={run.id} run={run} onChange={setRun} page={page} />
    </PlanFiguresProvider>
  );
}

function Going({ run, onChange: show, page }: { run: Run; onChange: (run: Run | null) => void; page: PhoneData }) {
  const waiting = useOutbox(page.person);
  const [asking, setAsking] = useState<'signs' | 'end' | null>(null);
  const [lost, setLost] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const full = useIsFull();
  const navigate = useNavigate();
  const follow = () => {
    const there = keptRun();
    // Another tab has gone further, or has sent or discarded it.
    if (there?.id === run.id && there.revision > run.revision) show(there);
    if (there === null && run.revision > 0 && !full) show(null);
  };
  const { writer, take } = useOnlyWriter(`rung:run:${run.id}`, () => void readAgain().then(follow));
  const set = (next: Run) => {
    const step = { ...next, revision: run.revision + 1 };
    if (keepRun(step) === 'newer') follow();
    else show(step);
  };
  const soFar = useRef<(() => Done | null) | null>(null);
  const asFarAsNow = () => brokenOff(run, soFar.current?.() ?? null);
  const plan = caseOf(page, run.case);
  const stopped = isStopped(run) || (plan !== undefined && (plan.stopped || stopsHere(plan, waiting)));
  const sport = run.due.kind === 'sport';
  const over = run.at >= run.due.exercises.length;
  const exercise = run.due.exercises[run.at];

  const finish = async () => {
    setSending(true);
    const became = await put({
      id: run.id,
      person: run.person,
      case: run.case,
      made_at: nowIso(),
      what: 'session',
      title: titleOf(run.due),
      body: asLog(run),
      planned: run.due.planned === '' ? null : run.due.planned,
    });
    setSending(false);
    if (typeof became === 'object') {
      setLost(became.lost);
      return;
    }
    void forgetRun();
    void navigate('/');
  };

  if (writer === 'elsewhere') {
    return (
      <main>
        <Empty title="This session goes on in another tab">
          <Typography sx={{ mb: 2 }}>
            So that nothing is overwritten, a session is entered in one place at a time.
          </Typography>
          <Button variant="contained" onClick={take} size="large">
            Go on here instead
          </Button>
        </Empty>
      </main>
    );
  }
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 480,
        mx: 'auto',
        p: 1.5,
        pb: 4,
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr)',
        gap: 1.5,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {titleOf(run.due)}
        </Typography>
        {!sport && (
          <Typography color="textSecondary">
            {Math.min(run.at + 1, run.due.exercises.length)} of {run.due.exercises.length}
          </Typography>
        )}
        <Button component={RouterLink} to="/" sx={{ px: 0.5 }}>
          Leave
        </Button>
      </Box>
      {full && (
        <Alert severity="warning">
          This phone has no room left. With reception, everything is sent at the end; do not close this page before
          then.
        </Alert>
      )}
      {stopped && (
        <Stop>
          <Typography sx={{ fontSize: 'inherit' }}>
            <b>Stop.</b> {STOP_WORDS} Send this now, so that your practitioner sees it.
          </Typography>
          <WhomToCall practice={page.practice} />
        </Stop>
      )}
      {!stopped && sport && <PracticeFlow run={run} onChange={set} />}
      {!stopped && !sport && !over && asking === 'end' && (
        <EndHere
          onReason={(reason) => {
            setAsking(null);
            set(ended(run, reason));
          }}
          onStay={() => setAsking(null)}
        />
      )}
      {!stopped && !sport && !over && asking !== 'end' && exercise !== undefined && (
        <ExerciseFlow run={run} exercise={exercise} soFar={soFar} onChange={set} />
      )}
      {!sport && (over || stopped) && (
        <Summary run={run} onRetry={run.signs.length > 0 ? null : (at) => set(painAgain(run, at))} />
      )}
      <NotKept why={lost} />
      {(stopped || over || sport) && (
        <Button
          variant="contained"
          onClick={() => void finish()}
          loading={isSending}
          disabled={!stopped && sport && !practiceIsTold(run)}
          size="main"
          sx={stopped ? { bgcolor: 'stop.main', color: 'background.paper' } : {}}
        >
          {stopped ? 'Stop and send' : 'Finish and send'}
        </Button>
      )}
      {!stopped && !over && !sport && isBegun(run) && run.ending === null && asking !== 'end' && (
        <Button
          onClick={() => {
            const kept = asFarAsNow();
            if (kept !== run) set(kept);
            setAsking('end');
          }}
        >
          End the session here
        </Button>
      )}
      <Button
        onClick={() => setAsking(asking === 'signs' ? null : 'signs')}
        aria-expanded={asking === 'signs'}
        sx={{ color: 'stop.main' }}
      >
        Something is wrong
      </Button>
      {asking === 'signs' && (
        <SignList signs={run.signs} onChange={(signs) => set({ ...asFarAsNow(), signs, rest_until: null })} />
      )}
    </Box>
  );
}

/** What was done and at what pain; each pain can be changed before it is sent. */
function Summary({ run, onRetry }: { run: Run; onRetry: ((at: number) => void) | null }) {
  return (
    <Box component="section" aria-label="Done">
      <Typography variant="h2" tabIndex={-1} ref={focused} sx={{ mb: 0.5 }}>
        Done
      </Typography>
      {run.due.exercises.map((exercise, i) => {
        const progress = run.progress[i];
        if (progress === undefined) return null;
        return (
          <Box
            key={exercise.prescription}
            sx={{ borderTop: 1, borderColor: 'divider', py: 0.75, display: 'flex', alignItems: 'center', gap: 1 }}
          >
            <Typography sx={{ flex: 1 }}>
              <b>{exercise.title}</b>: {doneWords(progress, exercise, run.ending)}
            </Typography>
            {onRetry !== null && (progress.pain !== null || progress.worst_mid_set !== null) && (
              <Button onClick={() => onRetry(i)} aria-label={`Change pain: ${exercise.title}`}>
                Change pain
              </Button>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
