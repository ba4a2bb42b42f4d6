import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';

import type { Schemas } from '../../api/client';
import { nowIso } from '../../phone/moments';
import { put } from '../../phone/outbox';
import { caseName, type PhoneData, type TodayData } from '../../phone/plan';
import { NotKept } from './NotKept';
import { SignList } from './SignList';
import { STOP_WORDS } from './signs';

/** Whom to call, in reach of a thumb. */
export function WhomToCall({ practice }: { practice: PhoneData['practice'] }) {
  return (
    <Box>
      <Typography variant="subtitle1">{practice.name}</Typography>
      {practice.telephone === null ? (
        <Typography>The number is on your invitation, or ask where you are treated.</Typography>
      ) : (
        <Link
          href={`tel:${practice.telephone.replace(/[^+\d]/g, '')}`}
          sx={{ display: 'inline-block', py: 1, fontSize: '1.25rem', fontWeight: 600, color: 'inherit' }}
        >
          {practice.telephone}
        </Link>
      )}
      {practice.hours !== null && <Typography>{practice.hours}</Typography>}
    </Box>
  );
}

/** What a stop looks like, wherever it stands. */
export function Stop({ children }: { children: ReactNode }) {
  return (
    <Paper
      role="alert"
      sx={{ p: 2, bgcolor: 'stop.main', color: 'background.paper', fontSize: '1.0625rem', display: 'grid', gap: 0.75 }}
    >
      {children}
    </Paper>
  );
}

/** A case that is stopped: no test and no session; whom to call; and a way to tell what is new. */
export function StopCard({
  plan,
  practice,
  named,
}: {
  plan: TodayData;
  practice: PhoneData['practice'];
  named: boolean;
}) {
  const [id, setId] = useState(() => crypto.randomUUID());
  const [open, setOpen] = useState(false);
  const [signs, setSigns] = useState<Schemas['Sign'][]>([]);
  const [lost, setLost] = useState<string | null>(null);
  const save = async () => {
    const now = nowIso();
    const became = await put({
      id,
      person: plan.person,
      case: plan.case,
      made_at: now,
      what: 'morning',
      title: 'What is new',
      body: { at: now, made_at: now, provocation: null, signs },
    });
    if (typeof became === 'object') {
      setLost(became.lost);
      return;
    }
    setLost(null);
    setOpen(false);
    setSigns([]);
    setId(crypto.randomUUID());
  };
  return (
    <Box component="section" aria-label="Stop" sx={{ display: 'grid', gap: 1 }}>
      <Stop>
        <Typography variant="h1" component="h2">
          Stop{named ? `: ${caseName(plan)}` : ''}
        </Typography>
        <Typography sx={{ fontSize: 'inherit' }}>
          {STOP_WORDS} No loading and no test until you have been seen.
        </Typography>
        <WhomToCall practice={practice} />
      </Stop>
      <Button
        onClick={() => setOpen(!open)}
        aria-expanded={open}
        variant="outlined"
        size="large"
        sx={{ color: 'stop.main' }}
      >
        Tell what is new
      </Button>
      {open && <SignList signs={signs} onChange={setSigns} />}
      {open && (
        <Button
          variant="contained"
          disabled={signs.length === 0}
          onClick={() => void save()}
          size="large"
          sx={{ bgcolor: 'stop.main', color: 'background.paper' }}
        >
          Send
        </Button>
      )}
      <NotKept why={lost} />
    </Box>
  );
}
