import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';

import { UprightLadder } from '../../charts/Ladder';
import { ago, day } from '../../shell/dates';
import { Empty, Failed, Loading } from '../../shell/States';
import { useSignOut } from '../../shell/useSignedIn';
import { MorningCard } from './MorningCard';
import { SettlingCard } from './SettlingCard';
import { STOP_WORDS } from './signs';
import { type Due, type TodayData, useToday } from './useToday';

export function Today() {
  const today = useToday();
  const signOut = useSignOut();
  if (today.isPending) return <Loading what="today" />;
  if (today.data === undefined) return <Failed problem={today.error} again={() => void today.refetch()} />;
  if (today.data === null) {
    return (
      <Empty title="No plan yet">
        <Typography>Your practitioner has not opened one. It will show here.</Typography>
        <Button onClick={() => signOut.mutate()}>Sign out</Button>
      </Empty>
    );
  }
  const plan = today.data;
  const morningOpen = plan.morning.answered === null;

  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, pb: 5, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>{day(plan.today)}</Typography>
        <Typography color="textSecondary">{plan.athlete}</Typography>
      </Box>
      {plan.stopped && (
        <Alert severity="error" icon={false} sx={{ bgcolor: 'stop.main', color: 'background.paper', fontSize: 16 }}>
          <b>Stop.</b> {STOP_WORDS} No session until your practitioner has looked at what you reported.
        </Alert>
      )}
      {plan.news !== null && (
        <Alert severity="info" icon={false} sx={{ bgcolor: 'background.paper', color: 'text.primary', border: 1, borderColor: 'divider' }}>
          <b>New {ago(plan.news.on, plan.today)}:</b> {plan.news.words}{plan.news.why !== null && <><br /><b>Why:</b> {plan.news.why}</>}
        </Alert>
      )}
      {plan.advice.length > 0 && (
        <Alert severity="info" icon={false} sx={{ bgcolor: 'background.paper', color: 'text.primary', border: 1, borderColor: 'divider' }}>
          <b>For now, beside the exercises:</b> {plan.advice.join(' ')}
        </Alert>
      )}
      {morningOpen && <MorningCard plan={plan} />}
      {plan.settling !== null && <SettlingCard key={plan.settling.session} settling={plan.settling} />}
      {plan.session !== null && <SessionCard session={plan.session} first={!morningOpen} />}
      {plan.session === null && !plan.stopped && <RestCard plan={plan} />}
      {!morningOpen && (
        <Typography color="textSecondary">
          Morning answered: test {plan.morning.answered?.provocation} of 10
          {plan.morning.answered?.stiffness_min === null ? '' : `, stiff for ${plan.morning.answered?.stiffness_min ?? 0} min`}.
        </Typography>
      )}
      <Card title="The next days">
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {plan.next.map((one) => (
            <Box component="li" key={one.on + one.title} sx={{ display: 'flex', py: 0.5, borderTop: 1, borderColor: 'divider' }}>
              <Typography sx={{ width: 110 }}>{one.on === plan.today ? 'Today' : day(one.on)}</Typography>
              <Typography sx={{ flex: 1 }}>{one.title}</Typography>
              {one.done && <Typography color="primary">done</Typography>}
            </Box>
          ))}
        </Box>
      </Card>
      <Card title="My ladder">
        <UprightLadder rungs={plan.ladder} />
        <Typography variant="body2" color="textSecondary">{plan.time_scale} Pain may stay while you get stronger: that is progress too.</Typography>
      </Card>
      <Card title="When it hurts">
        <Typography>Up to {plan.limits.during_max} of 10 in the exercise is allowed{plan.limits.settle_within_min >= 1440 ? ', if it is back to normal within a day' : `, if it is back to normal within ${plan.limits.settle_within_min} min`}. Over that: stop the exercise, log it, do no more today.</Typography>
        <Typography sx={{ mt: 1 }}>At {plan.limits.stop_at} or more, a pop, swelling, fever, numbness, giving way, locking or a fall, stop and be seen. {STOP_WORDS}</Typography>
      </Card>
      <Button onClick={() => signOut.mutate()} loading={signOut.isPending}>Sign out</Button>
    </Box>
  );
}

function SessionCard({ session, first }: { session: Due; first: boolean }) {
  return (
    <Paper variant="outlined" component="section" aria-label="Today's session" sx={{ p: 2, borderWidth: 2, borderColor: first ? 'primary.main' : 'divider' }}>
      <Typography color="textSecondary">Today’s session</Typography>
      <Typography variant="h1" component="h2" sx={{ mb: 1 }}>{session.title}</Typography>
      {session.exercises.map((one) => (
        <Box key={one.prescription} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
          <Typography sx={{ fontWeight: 600 }}>{one.title}</Typography>
          <Typography>{one.words}, {one.limbs}</Typography>
        </Box>
      ))}
      {session.exercises.length === 0 && <Typography>Practise your act, then tell how it went.</Typography>}
      <Button component={RouterLink} to="/session" variant={first ? 'contained' : 'outlined'} size="large" fullWidth sx={{ mt: 1.5, minHeight: 56, fontSize: 18 }}>Start</Button>
    </Paper>
  );
}

function RestCard({ plan }: { plan: TodayData }) {
  const next = plan.next.find((one) => !one.done && one.on > plan.today);
  return (
    <Card title={plan.done_today ? 'Done for today' : 'Rest today'}>
      <Typography>{next === undefined ? 'Nothing is planned for the coming week.' : `Next: ${next.title}, ${day(next.on)}.`}</Typography>
    </Card>
  );
}

function Card({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={title} sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>{title}</Typography>
      {children}
    </Paper>
  );
}
