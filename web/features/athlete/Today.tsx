import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { localDay } from '../../phone/moments';
import { dueOn, isAnswered, isDone, stopsHere, toSettle } from '../../phone/pending';
import { inUnits, useSettings } from '../../phone/settings';
import type { TodayData } from '../../phone/plan';
import { type Due, useOutbox } from '../../phone/useToday';
import { ago, day, plusDays } from '../../shell/dates';
import { MorningCard } from './MorningCard';
import { forgetRun, type Run, useRun } from './run';
import { SettlingCard } from './SettlingCard';
import { STOP_WORDS } from './signs';

const HALF_HOUR = 30;

const minutesSince = (iso: string): number => (Date.now() - new Date(iso).getTime()) / 60_000;

interface Step {
  key: string;
  title: string;
  card: (first: boolean) => ReactNode;
}

/** What is due now, and why; what changed; the days ahead. */
export function Today({ plan }: { plan: TodayData }) {
  const waiting = useOutbox(plan.person);
  const run = useRun(plan.person);
  const [opened, setOpened] = useState<string | null>(null);
  const today = localDay();
  const yesterday = plusDays(today, -1);
  const stopped = plan.stopped || stopsHere(plan, waiting);
  const due = dueOn(plan, today, waiting);
  const ahead = plan.days.find((one) => one.on === today);
  const steps: Step[] = [];
  if (run !== null && run.case === plan.case) {
    steps.push({ key: 'run', title: `Go on with ${run.due.title}`, card: () => <GoOn run={run} /> });
  }
  if (!isAnswered(plan, today, waiting)) {
    steps.push({ key: 'morning', title: 'This morning’s answer', card: (first) => <MorningCard key={today} plan={plan} on={today} late={false} first={first} /> });
  }
  const settling = toSettle(plan, waiting).slice(-1)[0];
  const settlingStep = settling === undefined ? [] : [{ key: `settle-${settling.session}`, title: 'Back to normal?', card: (first: boolean) => <SettlingCard plan={plan} settling={settling} first={first} /> }];
  // Asked once the school's time has come, or half an hour; before that it can be told all the same.
  const isTime = settling !== undefined && minutesSince(settling.ended_at) >= Math.min(HALF_HOUR, plan.limits.settle_within_min);
  if (isTime) steps.push(...settlingStep);
  if (!stopped && run === null) {
    for (const session of due) {
      steps.push({ key: session.planned, title: `${session.title}, about ${Math.max(1, Math.round(session.duration_s / 60))} min`, card: (first) => <SessionCard session={session} why={ahead?.why ?? ''} first={first} /> });
    }
  }
  if (!isAnswered(plan, yesterday, waiting) && yesterday >= plan.morning.opened_on) {
    steps.push({ key: 'late', title: 'Yesterday’s answer is missing', card: (first) => <MorningCard key={yesterday} plan={plan} on={yesterday} late first={first} /> });
  }
  if (!isTime) steps.push(...settlingStep);
  const now = steps.find((step) => step.key === opened) ?? (steps[0]?.key === 'late' ? undefined : steps[0]);
  const rest = steps.filter((step) => step.key !== now?.key);
  const doneToday = plan.sessions.some((one) => one.on === today && isDone(plan, one.planned, waiting));

  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>{day(today)}</Typography>
        <Typography color="textSecondary">{plan.athlete}</Typography>
      </Box>
      {stopped && (
        <Alert severity="error" sx={{ bgcolor: 'stop.main', color: 'background.paper', fontSize: 16 }}>
          <b>Stop.</b> {STOP_WORDS} No session until your practitioner has looked at what you reported.
        </Alert>
      )}
      {now?.card(true)}
      {now === undefined && !stopped && <RestCard plan={plan} today={today} done={doneToday} why={ahead?.why ?? ''} />}
      {rest.length > 0 && (
        <Paper variant="outlined" component="section" aria-label="Then" sx={{ px: 2, py: 1 }}>
          <Typography color="textSecondary" variant="body2">{now === undefined ? 'Still open' : 'Then'}</Typography>
          {rest.map((step) => (
            <Button key={step.key} fullWidth onClick={() => setOpened(step.key)} sx={{ justifyContent: 'space-between', minHeight: 48, fontSize: 16, px: 0 }}>{step.title}<span aria-hidden="true">›</span></Button>
          ))}
        </Paper>
      )}
      {plan.news !== null && (
        <Alert severity="info">
          <b>New {ago(plan.news.on, today)}:</b> {plan.news.words}{plan.news.why !== null && <><br /><b>Why:</b> {plan.news.why}</>}
        </Alert>
      )}
      {plan.messages.slice(0, 2).map((one) => (
        <Alert key={one.id} severity="info"><b>{one.by}, {ago(one.at, today)}:</b> {one.words}</Alert>
      ))}
      {plan.advice.length > 0 && <Alert severity="info"><b>For now, beside the exercises:</b> {plan.advice.join(' ')}</Alert>}
      <Week plan={plan} today={today} />
    </Box>
  );
}

function GoOn({ run }: { run: Run }) {
  const [sure, setSure] = useState(false);
  const sets = run.progress.reduce((sum, one) => sum + one.sets.length, 0);
  return (
    <Paper variant="outlined" component="section" aria-label="Session under way" sx={{ p: 2, borderWidth: 2, borderColor: 'primary.main' }}>
      <Typography color="textSecondary">Under way</Typography>
      <Typography variant="h1" component="h2">{run.due.title}</Typography>
      <Typography sx={{ mb: 1 }}>{sets === 0 ? 'Nothing done yet.' : `${sets} ${sets === 1 ? 'set' : 'sets'} done, kept on this phone.`}</Typography>
      <Button component={RouterLink} to="/session" variant="contained" fullWidth sx={{ minHeight: 64, fontSize: 20 }}>Go on</Button>
      <Button color="inherit" fullWidth onClick={() => { if (sure) forgetRun(); else setSure(true); }} sx={{ minHeight: 48, mt: 0.5 }}>{sure ? 'Discard all of it: nothing is sent' : 'Discard this session'}</Button>
    </Paper>
  );
}

function SessionCard({ session, why, first }: { session: Due; why: string; first: boolean }) {
  const { units } = useSettings();
  return (
    <Paper variant="outlined" component="section" aria-label="Today's session" sx={{ p: 2, borderWidth: first ? 2 : 1, borderColor: first ? 'primary.main' : 'divider' }}>
      <Typography color="textSecondary">Today’s session{session.kind === 'sport' ? '' : `, about ${Math.max(1, Math.round(session.duration_s / 60))} min`}</Typography>
      <Typography variant="h1" component="h2">{session.title}</Typography>
      {why !== '' && <Typography sx={{ mb: 1 }}>{why}</Typography>}
      {session.exercises.map((one) => (
        <Box key={one.prescription} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
          <Typography sx={{ fontWeight: 600 }}>{one.title}</Typography>
          <Typography>{inUnits(one.words, units)}, {one.limbs}</Typography>
          {one.load !== null && <Typography color="textSecondary">{one.load.source === 'to_find' ? 'Load to be found' : inUnits(one.load.words, units)}</Typography>}
          {one.why !== null && <Typography variant="body2" color="textSecondary">{one.why}</Typography>}
        </Box>
      ))}
      {session.kind === 'sport' && <Typography>Practise your act, then tell how it went.</Typography>}
      <Button component={RouterLink} to="/session" variant="contained" fullWidth sx={{ mt: 1, minHeight: 64, fontSize: 20 }}>Start</Button>
    </Paper>
  );
}

function RestCard({ plan, today, done, why }: { plan: TodayData; today: string; done: boolean; why: string }) {
  const next = plan.sessions.find((one) => !one.done && one.on > today);
  return (
    <Paper variant="outlined" component="section" aria-label={done ? 'Done for today' : 'Rest today'} sx={{ p: 2, borderWidth: 2, borderColor: 'primary.main' }}>
      <Typography variant="h1" component="h2">{done ? 'Done for today' : 'Rest'}</Typography>
      {!done && why !== '' && <Typography>{why}</Typography>}
      <Typography color="textSecondary">{next === undefined ? 'Nothing is planned for the coming week.' : `Next: ${next.title}, ${day(next.on)}.`}</Typography>
    </Paper>
  );
}

function Week({ plan, today }: { plan: TodayData; today: string }) {
  const waiting = useOutbox(plan.person);
  const days = plan.days.filter((one) => one.on >= today);
  return (
    <Paper variant="outlined" component="section" aria-label="The next days" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>The next days</Typography>
      {days.length === 0 && <Typography color="textSecondary">The plan on this phone has run out. It comes anew with the next reception.</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {days.map((one) => {
          const sessions = plan.sessions.filter((session) => session.on === one.on);
          return (
            <Box component="li" key={one.on} sx={{ py: 0.6, borderTop: 1, borderColor: 'divider' }}>
              <Box sx={{ display: 'flex' }}>
                <Typography sx={{ width: 104, flex: 'none', fontWeight: one.on === today ? 600 : 400 }}>{one.on === today ? 'Today' : day(one.on)}</Typography>
                <Typography sx={{ flex: 1 }}>{sessions.length === 0 ? 'Rest' : sessions.map((session) => session.title).join(', ')}{one.event ? ' · event' : ''}</Typography>
                {sessions.some((session) => isDone(plan, session.planned, waiting)) && <Typography color="primary">done</Typography>}
              </Box>
              <Typography variant="body2" color="textSecondary" sx={{ pl: '104px' }}>{one.why}</Typography>
            </Box>
          );
        })}
      </Box>
    </Paper>
  );
}
