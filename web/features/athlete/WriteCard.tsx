import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { nowIso } from '../../phone/moments';
import { put, type Writing } from '../../phone/outbox';
import { caseName, type TodayData } from '../../phone/plan';
import { useOutbox } from '../../phone/usePhone';
import { moment } from '../../shell/dates';
import { TextInput } from '../../shell/TextInput';
import { NotKept } from './NotKept';
import { PainRow } from './PainRow';

const LONGEST = 1000;

/** A flare between sessions, or a question: it stands before the practitioner until it is answered, and the answer comes here. */
export function WriteCard({ plan, named }: { plan: TodayData; named: boolean }) {
  const waiting = useOutbox(plan.person).filter((item) => item.what === 'message' && item.case === plan.case);
  const [id, setId] = useState(() => crypto.randomUUID());
  const [kind, setKind] = useState<Writing['kind']>('question');
  const [words, setWords] = useState('');
  const [pain, setPain] = useState<number | null>(null);
  const [lost, setLost] = useState<string | null>(null);
  const fault = words.length > LONGEST ? `At most ${LONGEST} letters; these are ${words.length}` : undefined;
  const isComplete = fault === undefined && (words.trim() !== '' || (kind === 'flare' && pain !== null));
  const submit = async () => {
    const became = await put({
      id,
      person: plan.person,
      case: plan.case,
      made_at: nowIso(),
      what: 'message',
      title: kind === 'flare' ? 'A flare' : 'A question',
      body: { kind, words: words.trim(), pain: kind === 'flare' ? pain : null },
    });
    if (typeof became === 'object') {
      setLost(became.lost);
      return;
    }
    setLost(null);
    setId(crypto.randomUUID());
    setWords('');
    setPain(null);
  };
  return (
    <Paper
      variant="panel"
      component="section"
      aria-label={named ? `Write: ${caseName(plan)}` : 'Write to your practitioner'}
      sx={{ display: 'grid', gap: 1.25 }}
    >
      <Typography variant="h2">Write to your practitioner{named ? `: ${caseName(plan)}` : ''}</Typography>
      <Typography color="textSecondary">Not for emergencies: with a stop sign, call.</Typography>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={kind}
        aria-label="What about"
        onChange={(_, next: Writing['kind'] | null) => {
          if (next !== null) setKind(next);
        }}
      >
        <ToggleButton value="question">Ask or write</ToggleButton>
        <ToggleButton value="flare">It flares</ToggleButton>
      </ToggleButtonGroup>
      {kind === 'flare' && (
        <>
          <Typography>How much does it hurt now, 0–10?</Typography>
          <PainRow
            label="Pain now"
            value={pain}
            onChoose={setPain}
            zones={{ max: plan.limits.next_day_max, wanted: null, stop: plan.limits.stop_at }}
          />
          {pain !== null && pain >= plan.limits.stop_at && (
            <Typography variant="subtitle1" color="stop">
              Stop loading. Call your practitioner; if it is severe, go to emergency care.
            </Typography>
          )}
        </>
      )}
      <TextInput
        label={kind === 'flare' ? 'Since when, and after what' : 'Your question or note'}
        value={words}
        onChange={setWords}
        fault={fault}
        lines={3}
      />
      <NotKept why={lost} />
      <Button variant="contained" disabled={!isComplete} onClick={() => void submit()} size="large">
        Send
      </Button>
      <List disablePadding>
        {waiting.map((item) => (
          <Line
            key={item.id}
            by="You"
            at={item.made_at}
            words={(item.body as Writing).words}
            pain={(item.body as Writing).pain}
            state={item.sent === true ? 'sent' : 'waits to be sent'}
          />
        ))}
        {plan.messages.map((message) => (
          <Line
            key={message.id}
            by={message.own ? 'You' : message.by}
            at={message.at}
            words={message.words}
            pain={message.pain}
            state={message.own ? (message.seen ? 'seen' : 'sent') : null}
          />
        ))}
      </List>
    </Paper>
  );
}

function Line({
  by,
  at,
  words,
  pain,
  state,
}: {
  by: string;
  at: string;
  words: string;
  pain: number | null;
  state: string | null;
}) {
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
      <Typography variant="body2" color="textSecondary">
        {by}, {moment(at)}
        {state === null ? '' : `, ${state}`}
      </Typography>
      <Typography sx={{ overflowWrap: 'anywhere' }}>
        {pain === null ? '' : `Pain ${pain} of 10. `}
        {words}
      </Typography>
    </Box>
  );
}
