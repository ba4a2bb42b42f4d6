import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { localDay } from '../../phone/moments';
import type { Waiting } from '../../phone/outbox';
import { dueOn, isAnswered, isDone, stopsHere, toSettle } from '../../phone/pending';
import { caseName, type PhoneData, type TodayData } from '../../phone/plan';
import { inUnits, useSettings } from '../../phone/settings';
import { type Due, useOutbox } from '../../phone/usePhone';
import { ago, day, plusDays } from '../../shell/dates';
import { AskedPractice } from './AskedPractice';
import { GoOn } from './GoOn';
import { MorningCard } from './MorningCard';
import { isIdle, type Run, useRun } from './run';
import { SettlingCard } from './SettlingCard';
import { StopCard } from './StopCard';
import { titleOf } from './titles';

/** Fetched once it is asked for. */
const OtherDay = lazy(() => import('./OtherDay'));

const minutesSince = (iso: string): number => (Date.now() - new Date(iso).getTime()) / 60_000;

/** The order of a day: what is under way, the morning, what has to settle, the sessions, and what is late. */
const ORDER = { run: 0, morning: 1, settle: 2, session: 3, left: 4, late: 5, settle_later: 6 } as const;

interface Step {
  key: string;
  order: number;
  /** The time of day that the practice set; sessions without one come after those. */
  at?: string | null;
  title: string;
  card: (first: boolean) => ReactNode;
}

/** What a case asks for now. */
function stepsOf(plan: TodayData, waiting: readonly Waiting[], today: string, run: Run | null, named: boolean): Step[] {
  const yesterday = plusDays(today, -1);
  const prefix = named ? `${caseName(plan)}: ` : '';
  const steps: Step[] = [];
  const asks = (on: string) => plan.days.find((date) => date.on === on)?.asks ?? true;
  if (asks(today) && !isAnswered(plan, today, waiting)) {
    steps.push({
      key: `morning-${plan.case}`,
      order: ORDER.morning,
      title: `${prefix}This morning’s answer`,
      card: (first) => (
        <MorningCard key={`${plan.case}${today}`} plan={plan} on={today} late={false} first={first} named={named} />
      ),
    });
  }
  const settling = toSettle(plan, waiting).slice(-1)[0];
  if (settling !== undefined) {
    // Asked for once the school's time has come; it can be entered before that too.
    const isTime = minutesSince(settling.ended_at) >= plan.limits.settle_within_min;
    steps.push({
      key: `settle-${settling.session}`,
      order: isTime ? ORDER.settle : ORDER.settle_later,
      title: `${prefix}Back to normal?`,
      card: (first) => <SettlingCard plan={plan} settling={settling} first={first} named={named} />,
    });
  }
  const why = plan.days.find((date) => date.on === today)?.why ?? '';
  for (const session of dueOn(plan, today, waiting)) {
    if (run?.due.planned === session.planned) continue;
    steps.push({
      key: session.planned,
      order: ORDER.session,
      at: session.at,
      title: `${prefix}${titleOf(session)}, about ${minutesOf(session)} min`,
      card: (first) => <SessionCard plan={plan} session={session} why={why} first={first} named={named} />,
    });
  }
  if (asks(yesterday) && !isAnswered(plan, yesterday, waiting) && yesterday >= plan.morning.opened_on) {
    steps.push({
      key: `late-${plan.case}`,
      order: ORDER.late,
      title: `${prefix}Yesterday’s answer is missing`,
      card: (first) => (
        <MorningCard key={`${plan.case}${yesterday}`} plan={plan} on={yesterday} late first={first} named={named} />
      ),
    });
  }
  return steps;
}

const minutesOf = (session: Due): number => Math.max(1, Math.round(session.duration_s / 60));

/** What is due now over all cases, and why; what changed; the days ahead. */
export function Today({ page }: { page: PhoneData }) {
  const waiting = useOutbox(page.person);
  const run = useRun(page.person);
  const [opened, setOpened] = useState<string | null>(null);
  const today = localDay();
  const named = page.cases.length > 1;
  const isStopped = (plan: TodayData) => plan.stopped || stopsHere(plan, waiting);
  const stopped = page.cases.filter(isStopped);
  const going = page.cases.filter((plan) => !isStopped(plan));
  const steps = going.flatMap((plan) => stepsOf(plan, waiting, today, run, named));
  if (run !== null)
    steps.push({
      key: 'run',
      order: isIdle(run) ? ORDER.left : ORDER.run,
      title: `${isIdle(run) ? 'Unfinished: ' : 'Go on with '}${titleOf(run.due)}`,
      card: () => <GoOn run={run} />,
    });
  steps.sort((a, b) => a.order - b.order || (a.at ?? '24:00').localeCompare(b.at ?? '24:00'));
  const isPressing = (step: Step | undefined) => step !== undefined && step.order < ORDER.late;
  const now = steps.find((step) => step.key === opened) ?? (isPressing(steps[0]) ? steps[0] : undefined);
  const rest = steps.filter((step) => step.key !== now?.key);

  return (
    <Box
      component="main"
      sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {day(today)}
        </Typography>
        <Typography color="textSecondary">{page.athlete}</Typography>
      </Box>
      {stopped.map((plan) => (
        <StopCard key={plan.case} plan={plan} practice={page.practice} named={named} />
      ))}
      {now?.card(true)}
      {now === undefined && going.length > 0 && <RestCard plans={going} waiting={waiting} today={today} />}
      {rest.length > 0 && (
        <Paper variant="outlined" component="section" aria-label="Then" sx={{ px: 2, py: 1 }}>
          <Typography color="textSecondary" variant="body2">
            {now === undefined ? 'Still open' : 'Then'}
          </Typography>
          {rest.map((step) => (
            <Button
              key={step.key}
              fullWidth
              onClick={() => setOpened(step.key)}
              sx={{ justifyContent: 'space-between', px: 0, textAlign: 'left' }}
            >
              {step.title}
              <span aria-hidden="true">›</span>
            </Button>
          ))}
        </Paper>
      )}
      {page.cases.map((plan) => (
        <News key={plan.case} plan={plan} today={today} named={named} />
      ))}
      {page.cases.length > 0 && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(min(9.5rem, 100%), 1fr))', gap: 1 }}>
          <Button component={RouterLink} to="/entered" variant="outlined">
            What I entered
          </Button>
          {going.length > 0 && (
            <Button component={RouterLink} to="/entered#extra" variant="outlined">
              Log something else
            </Button>
          )}
        </Box>
      )}
      {page.cases.length > 0 && <Week page={page} today={today} isStopped={isStopped} />}
    </Box>
  );
}

function News({ plan, today, named }: { plan: TodayData; today: string; named: boolean }) {
  const prefix = named ? `${caseName(plan)}: ` : '';
  return (
    <>
      {plan.news !== null && !plan.stopped && (
        <Alert severity="info">
          <b>
            {prefix}New {ago(plan.news.on, today)}:
          </b>{' '}
          {plan.news.words}
          {plan.news.why !== null && (
            <>
              <br />
              <b>Why:</b> {plan.news.why}
            </>
          )}
        </Alert>
      )}
      {plan.messages
        .filter((message) => !message.own)
        .slice(0, 2)
        .map((message) => (
          <Alert key={message.id} severity="info">
            <b>
              {prefix}
              {message.by}, {ago(message.at, today)}:
            </b>{' '}
            {message.words}
          </Alert>
        ))}
      {plan.advice.length > 0 && (
        <Alert severity="info">
          <b>{prefix}For now, beside the exercises:</b> {plan.advice.join(' ')}
        </Alert>
      )}
    </>
  );
}

function SessionCard({
  plan,
  session,
  why,
  first,
  named,
}: {
  plan: TodayData;
  session: Due;
  why: string;
  first: boolean;
  named: boolean;
}) {
  const { units } = useSettings();
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Today's session"
      sx={{ p: 2, borderWidth: first ? 2 : 1, borderColor: first ? 'primary.main' : 'divider' }}
    >
      <Typography color="textSecondary">
        {named ? caseName(plan) : 'Today’s session'}
        {session.kind === 'sport' ? '' : `, about ${minutesOf(session)} min`}
      </Typography>
      <Typography variant="h1" component="h2">
        {titleOf(session)}
      </Typography>
      {session.part !== null && session.part.number > 1 && (
        <Typography>At least {session.part.least_hours} hours after the one before.</Typography>
      )}
      {why !== '' && <Typography sx={{ mb: 1 }}>{why}</Typography>}
      {session.exercises.map((exercise) => (
        <Box key={exercise.prescription} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
          <Typography variant="subtitle1">{exercise.title}</Typography>
          <Typography>
            {inUnits(exercise.words, units)}, {exercise.limbs}
          </Typography>
          {exercise.load !== null && (
            <Typography color="textSecondary">
              {exercise.load.source === 'to_find' ? 'Load to be found' : inUnits(exercise.load.words, units)}
            </Typography>
          )}
          {exercise.why !== null && (
            <Typography variant="body2" color="textSecondary">
              {exercise.why}
            </Typography>
          )}
        </Box>
      ))}
      {session.practice !== null && <AskedPractice practice={session.practice} />}
      {session.kind === 'sport' && <Typography>Practise, then enter how it went.</Typography>}
      <Button
        component={RouterLink}
        to={`/session?planned=${session.planned}`}
        variant="contained"
        fullWidth
        size="main"
        sx={{ mt: 1 }}
      >
        Start
      </Button>
    </Paper>
  );
}

function RestCard({ plans, waiting, today }: { plans: TodayData[]; waiting: readonly Waiting[]; today: string }) {
  const done = plans.some((plan) =>
    plan.sessions.some((session) => session.on === today && isDone(plan, session.planned, waiting)),
  );
  const whys = [...new Set(plans.map((plan) => plan.days.find((date) => date.on === today)?.why ?? ''))].filter(
    (why) => why !== '',
  );
  const next = plans
    .flatMap((plan) => plan.sessions.filter((session) => !session.done && session.on > today))
    .sort((a, b) => a.on.localeCompare(b.on))[0];
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={done ? 'Done for today' : 'Rest today'}
      sx={{ p: 2, borderWidth: 2, borderColor: 'primary.main' }}
    >
      <Typography variant="h1" component="h2">
        {done ? 'Done for today' : 'Rest'}
      </Typography>
      {!done && whys.map((why) => <Typography key={why}>{why}</Typography>)}
      <Typography color="textSecondary">
        {next === undefined ? 'Nothing is planned for the coming week.' : `Next: ${next.title}, ${day(next.on)}.`}
      </Typography>
    </Paper>
  );
}

/** The column of the dates: narrower where letters are large. */
const WIDE = 'min(6.5rem, 33%)';

/** The days ahead, every case on its day; where one is stopped, the day says so and asks for nothing. */
function Week({ page, today, isStopped }: { page: PhoneData; today: string; isStopped: (plan: TodayData) => boolean }) {
  const waiting = useOutbox(page.person);
  const [choosing, setChoosing] = useState(false);
  const [moving, setMoving] = useState<string | null>(null);
  const [notice, setNotice] = useState<string | null>(null);
  const named = page.cases.length > 1;
  const days = [...new Set(page.cases.flatMap((plan) => plan.days.map((date) => date.on)))]
    .filter((on) => on >= today)
    .sort();
  return (
    <Paper variant="panel" component="section" aria-label="The next days">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        The next days
      </Typography>
      {notice !== null && (
        <Alert severity="success" role="status">
          {notice}
        </Alert>
      )}
      {days.length === 0 && (
        <Typography color="textSecondary">
          The plan on this phone has run out. A new one comes with the next reception.
        </Typography>
      )}
      <List disablePadding>
        {days.map((on) => (
          <Box component="li" key={on} sx={{ py: 0.6, borderTop: 1, borderColor: 'divider' }}>
            {page.cases.map((plan) => {
              const date = plan.days.find((there) => there.on === on);
              const stopped = isStopped(plan);
              const sessions = stopped ? [] : plan.sessions.filter((session) => session.on === on);
              const done = sessions.length > 0 && sessions.every((session) => isDone(plan, session.planned, waiting));
              return (
                <Box key={plan.case} sx={{ py: 0.25 }}>
                  <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
                    <Typography sx={{ width: WIDE, flex: 'none', fontWeight: on === today ? 600 : 400 }}>
                      {plan === page.cases[0] ? (on === today ? 'Today' : day(on)) : ''}
                    </Typography>
                    <Typography sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
                      {stopped
                        ? 'No loading'
                        : sessions.length === 0
                          ? 'Rest'
                          : sessions
                              .map((session) =>
                                session.at === null ? session.title : `${session.at} ${session.title}`,
                              )
                              .join(', ')}
                      {named ? ` · ${caseName(plan)}` : ''}
                      {date?.event === true ? ' · event' : ''}
                    </Typography>
                    {done && <Typography color="primary">done</Typography>}
                    {choosing && !done && sessions.length > 0 && (
                      <Button
                        size="small"
                        aria-expanded={moving === sessions[0]?.planned}
                        onClick={() => setMoving(sessions[0]?.planned ?? null)}
                        sx={{ py: 0, flex: 'none', alignSelf: 'flex-start', mt: -1 }}
                      >
                        Another day
                        <span style={visuallyHidden}>
                          {' '}
                          for {sessions[0]?.title} on {day(on)}
                        </span>
                      </Button>
                    )}
                  </Box>
                  {sessions
                    .filter((session) => session.planned === moving)
                    .map((session) => (
                      <Suspense key={session.planned} fallback={<Typography>Looking …</Typography>}>
                        <OtherDay
                          plan={plan}
                          session={session}
                          onClose={() => setMoving(null)}
                          onDone={(words) => {
                            setNotice(words);
                            setMoving(null);
                            setChoosing(false);
                          }}
                        />
                      </Suspense>
                    ))}
                  {(!named || stopped || on === today) && (
                    <Typography variant="body2" color="textSecondary" sx={{ pl: WIDE, overflowWrap: 'anywhere' }}>
                      {stopped ? 'No loading until you have been seen.' : date?.why}
                    </Typography>
                  )}
                </Box>
              );
            })}
          </Box>
        ))}
      </List>
      {page.cases.some((plan) => !isStopped(plan) && plan.sessions.some((session) => !session.done)) && (
        <Button
          aria-pressed={choosing}
          onClick={() => {
            setChoosing(!choosing);
            setMoving(null);
            setNotice(null);
          }}
          sx={{ mt: 0.5 }}
        >
          {choosing ? 'Leave the days as they are' : 'I cannot on one of these days'}
        </Button>
      )}
    </Paper>
  );
}
