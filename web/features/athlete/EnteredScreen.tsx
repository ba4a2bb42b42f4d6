import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';
import { Link as RouterLink, useLocation } from 'react-router';

import type { Schemas } from '../../api/client';
import { nowIso } from '../../phone/moments';
import { put, type Waiting } from '../../phone/outbox';
import { caseName, type PhoneData, type TodayData } from '../../phone/plan';
import { useOutbox } from '../../phone/usePhone';
import { ago, moment } from '../../shell/dates';
import { NotKept } from './NotKept';
import { PainRow } from './PainRow';

type Morning = TodayData['entered']['mornings'][number];
type Session = TodayData['entered']['sessions'][number];

const WHYS = ['no time', 'travelling', 'ill', 'it hurt', 'forgot'];

/** What was entered today and yesterday, to be put right; sessions that were not done; and what was done beside the plan. */
export default function EnteredScreen({ page }: { page: PhoneData }) {
  const waiting = useOutbox(page.person);
  const named = page.cases.length > 1;
  const wanted = useLocation().hash === '#extra';
  const first = page.cases.find((careCase) => !careCase.stopped)?.case;
  return (
    <Box
      component="main"
      sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
    >
      <Typography variant="h1">What I entered</Typography>
      {page.cases.map((plan) => (
        <Box key={plan.case} component="section" aria-label={caseName(plan)} sx={{ display: 'grid', gap: 1.5 }}>
          {named && <Typography variant="h2">{caseName(plan)}</Typography>}
          <Entered plan={plan} waiting={waiting.filter((item) => item.case === plan.case)} />
          {plan.undone.map((session) => (
            <Undone
              key={session.planned}
              plan={plan}
              one={session}
              waits={waiting.some((there) => there.what === 'missed' && there.id === session.planned)}
            />
          ))}
          {!plan.stopped && <Extra plan={plan} wanted={wanted && plan.case === first} />}
        </Box>
      ))}
    </Box>
  );
}

function Entered({ plan, waiting }: { plan: TodayData; waiting: Waiting[] }) {
  const unsent = waiting.filter((item) => item.sent !== true && (item.what === 'session' || item.what === 'morning'));
  const corrected = new Set(
    waiting.flatMap((item) => (item.what === 'correction' && 'entry' in item.body ? [item.body.entry] : [])),
  );
  const { mornings, sessions } = plan.entered;
  return (
    <>
      {mornings.length + sessions.length + unsent.length === 0 && (
        <Typography color="textSecondary">Nothing yet, today or yesterday.</Typography>
      )}
      {unsent.map((item) => (
        <Card
          key={item.what + item.id}
          title={item.title}
          words={`Entered ${moment(item.made_at)}. It waits to be sent; it can be put right after that.`}
          locked=""
        />
      ))}
      {[...mornings, ...sessions]
        .sort((a, b) => b.at.localeCompare(a.at))
        .map((morning) =>
          'provocation' in morning ? (
            <MorningEntry key={morning.id} plan={plan} one={morning} corrected={corrected.has(morning.id)} />
          ) : (
            <SessionEntry key={morning.id} plan={plan} one={morning} corrected={corrected.has(morning.id)} />
          ),
        )}
    </>
  );
}

function Card({
  title,
  words,
  locked,
  children,
}: {
  title: string;
  words: string;
  locked: string | null;
  children?: ReactNode;
}) {
  return (
    <Paper variant="panel" component="article" aria-label={title} sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2" component="h3">
        {title}
      </Typography>
      <Typography>{words}</Typography>
      {locked !== null && locked !== '' && <Typography color="textSecondary">This {locked}.</Typography>}
      {children}
    </Paper>
  );
}

/** Ways to put an entry right; sent like everything else, and kept until then. */
function useCorrection(plan: TodayData, what: 'session' | 'morning', entry: string, title: string) {
  const [lost, setLost] = useState<string | null>(null);
  const send = async (body: Partial<Schemas['Correction']>) => {
    const became = await put({
      id: crypto.randomUUID(),
      person: plan.person,
      case: plan.case,
      made_at: nowIso(),
      what: 'correction',
      title: `${title}, put right`,
      body: { what, entry, withdrawn: false, ...body },
    });
    setLost(typeof became === 'object' ? became.lost : null);
  };
  return { lost, send };
}

function MorningEntry({ plan, one, corrected }: { plan: TodayData; one: Morning; corrected: boolean }) {
  const title = `Morning, ${ago(one.on, plan.today)}`;
  const { lost, send } = useCorrection(plan, 'morning', one.id, title);
  const [open, setOpen] = useState(false);
  return (
    <Card
      title={title}
      words={`The test ${one.provocation} of 10${one.stiffness_min === null ? '' : `, stiff ${one.stiffness_min} minutes`}.`}
      locked={corrected ? 'is being put right' : one.locked}
    >
      {one.locked === null && !corrected && (
        <Actions open={open} setOpen={setOpen} onWithdraw={() => void send({ withdrawn: true })} />
      )}
      {open && !corrected && (
        <PainRow
          label={`The test, ${title}`}
          value={one.provocation}
          onChoose={(provocation) => {
            setOpen(false);
            void send({ provocation });
          }}
        />
      )}
      <NotKept why={lost} />
    </Card>
  );
}

function SessionEntry({ plan, one, corrected }: { plan: TodayData; one: Session; corrected: boolean }) {
  const title = `${one.title}, ${ago(one.on, plan.today)}`;
  const { lost, send } = useCorrection(plan, 'session', one.id, title);
  const [open, setOpen] = useState(false);
  const words = [
    ...one.entries.map(
      (entry) =>
        `${entry.title}${entry.sets === 0 ? '' : `: ${entry.sets} ${entry.sets === 1 ? 'set' : 'sets'}`}${entry.pain === null ? '' : `, pain ${entry.pain}`}`,
    ),
    ...(one.minutes === null ? [] : [`${one.minutes} minutes, effort ${one.effort ?? 0} of 10`]),
    ...(one.settled_min === null ? [] : [`back to normal after ${one.settled_min} minutes`]),
  ].join('; ');
  return (
    <Card title={title} words={`${words}.`} locked={corrected ? 'is being put right' : one.locked}>
      {one.locked === null && !corrected && (
        <Actions open={open} setOpen={setOpen} onWithdraw={() => void send({ withdrawn: true })} />
      )}
      {open &&
        !corrected &&
        one.entries.map((entry) => (
          <Box key={entry.prescription ?? ''}>
            <Typography>Pain in {entry.title.toLowerCase()}</Typography>
            <PainRow
              label={`Pain in ${entry.title}, put right`}
              value={entry.pain}
              onChoose={(pain) => {
                setOpen(false);
                void send({ pains: [{ prescription: entry.prescription, pain }] });
              }}
            />
          </Box>
        ))}
      <NotKept why={lost} />
    </Card>
  );
}

function Actions({
  open,
  setOpen,
  onWithdraw,
}: {
  open: boolean;
  setOpen: (open: boolean) => void;
  onWithdraw: () => void;
}) {
  const [sure, setSure] = useState(false);
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button variant="outlined" onClick={() => setOpen(!open)} aria-expanded={open}>
        Put it right
      </Button>
      <Button
        color="inherit"
        onClick={() => {
          if (sure) onWithdraw();
          else setSure(true);
        }}
      >
        {sure ? 'Yes, it did not happen: withdraw it' : 'Withdraw it'}
      </Button>
    </Box>
  );
}

/** A planned session that was not done: why, in one tap. */
function Undone({ plan, one, waits }: { plan: TodayData; one: TodayData['undone'][number]; waits: boolean }) {
  const [lost, setLost] = useState<string | null>(null);
  const title = `${one.title}, ${ago(one.on, plan.today)}`;
  const explain = async (why: string) => {
    const became = await put({
      id: one.planned,
      person: plan.person,
      case: plan.case,
      made_at: nowIso(),
      what: 'missed',
      title: `${title}: not done`,
      body: { why },
    });
    setLost(typeof became === 'object' ? became.lost : null);
  };
  return (
    <Paper variant="panel" component="article" aria-label={`${title}, not done`} sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2" component="h3">
        {title}
      </Typography>
      {one.why !== null || waits ? (
        <Typography>Not done{one.why === null ? '' : `: ${one.why}`}. Your practitioner sees it.</Typography>
      ) : (
        <>
          <Typography id={`why-${one.planned}`}>
            {one.on === plan.today ? 'Not today, because' : 'Not done, because'}
          </Typography>
          <Box
            role="group"
            aria-labelledby={`why-${one.planned}`}
            sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}
          >
            {WHYS.map((why) => (
              <Button key={why} variant="outlined" onClick={() => void explain(why)}>
                {why}
              </Button>
            ))}
          </Box>
        </>
      )}
      {one.why !== null && !waits && <Button onClick={() => void explain('')}>Take that back</Button>}
      <NotKept why={lost} />
    </Paper>
  );
}

const intoView = (card: HTMLElement | null): void => card?.scrollIntoView();

/** Practice, or a session of the plan once more, beside what was due. */
function Extra({ plan, wanted }: { plan: TodayData; wanted: boolean }) {
  const kinds = [
    ...new Map(
      plan.sessions.filter((session) => session.kind === 'loading').map((session) => [session.title, session]),
    ).values(),
  ];
  return (
    <Paper
      ref={wanted ? intoView : null}
      variant="panel"
      component="section"
      aria-label="Beside the plan"
      sx={{ display: 'grid', gap: 1 }}
    >
      <Typography variant="h2" component="h3">
        Beside the plan
      </Typography>
      <Typography color="textSecondary">All load counts, planned or not.</Typography>
      <Button component={RouterLink} to={`/session?practice=${plan.case}`} variant="outlined" size="large">
        I practised or competed
      </Button>
      {kinds.map((kind) => (
        <Button key={kind.planned} component={RouterLink} to={`/session?again=${kind.planned}`}>
          {kind.title} once more
        </Button>
      ))}
    </Paper>
  );
}
