import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';

import type { PhoneData } from '../../phone/plan';
import { within } from './SettlingCard';
import { STOP_SIGNS, STOP_WORDS } from './signs';
import { WhomToCall } from './StopCard';

/** What the numbers of the scale mean. */
const ANCHORS: [string, string][] = [
  ['0', 'no pain'],
  ['1–3', 'mild: it is there, and you could forget it'],
  ['4–5', 'clear: you cannot forget it'],
  ['6–7', 'strong: it changes how you move'],
  ['8–10', 'severe: you want it to stop'],
];

/** Three short pages: the morning answer, what is allowed and what stops, and the pacer. */
export function FirstPages({ page, onDone }: { page: PhoneData; onDone: () => void }) {
  const [at, setAt] = useState(0);
  const plan = page.cases[0];
  if (plan === undefined) return null;
  const pages: [string, ReactNode][] = [
    [
      'Every morning, one answer',
      <>
        <Typography>
          {plan.morning.title}: {plan.morning.instruction} Before you train. It takes fifteen seconds, and it is what
          your plan is judged by.
        </Typography>
        <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2, rowGap: 0.5 }}>
          {ANCHORS.map(([score, words]) => (
            <Box key={score} sx={{ display: 'contents' }}>
              <Typography component="dt" variant="subtitle1">
                {score}
              </Typography>
              <Typography component="dd" sx={{ m: 0 }}>
                {words}
              </Typography>
            </Box>
          ))}
        </Box>
        <Typography>A worse morning is no failure: the plan is eased, and goes on.</Typography>
      </>,
    ],
    [
      'What is allowed, and what stops',
      <>
        <Typography>
          In an exercise pain up to <b>{plan.limits.during_max} of 10</b> is allowed, if it is back to how it was within{' '}
          {within(plan.limits.settle_within_min)}. {plan.over_words}
        </Typography>
        <Typography>
          <b>Stop and be seen</b> at {plan.limits.stop_at} of 10 or more, or with:{' '}
          {STOP_SIGNS.map(([, words]) =>
            words.startsWith('I ') ? words : `${words[0]?.toLowerCase() ?? ''}${words.slice(1)}`,
          ).join(', ')}
          . {STOP_WORDS}
        </Typography>
        <WhomToCall practice={page.practice} />
      </>,
    ],
    [
      'The pacer',
      <>
        <Typography>
          Each set is counted in and paced by tones: follow the mark or close your eyes. Slow and even is what trains
          it. Pause whenever you need; “One less” takes a repetition off.
        </Typography>
        <Typography>
          The screen stays on by itself while a set runs. Turn the sound up, or let it speak or shake: under Settings.
          It all works without reception, and is sent later.
        </Typography>
      </>,
    ],
  ];
  const [title, words] = pages[at] ?? ['', null];
  const isLast = at === pages.length - 1;
  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5 }}>
      <Paper variant="panel" component="section" aria-label={title} sx={{ display: 'grid', gap: 1.5 }}>
        <Typography color="textSecondary">
          {at + 1} of {pages.length}
        </Typography>
        <Typography variant="h1">{title}</Typography>
        {words}
        <Button
          variant="contained"
          onClick={() => {
            if (isLast) onDone();
            else setAt(at + 1);
          }}
          size="main"
        >
          {isLast ? 'To my plan' : 'Next'}
        </Button>
        <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
          {at > 0 ? <Button onClick={() => setAt(at - 1)}>Back</Button> : <span />}
          {!isLast && <Button onClick={onDone}>Skip: it stays under “When it hurts”</Button>}
        </Box>
      </Paper>
    </Box>
  );
}
