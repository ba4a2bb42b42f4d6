import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { Link as RouterLink } from 'react-router';

import { caseName, type PhoneData } from '../../phone/plan';
import { changeSettings } from '../../phone/settings';
import { Meanings } from './Meanings';
import { within } from './SettlingCard';
import { STOP_SIGNS, STOP_WORDS } from './signs';
import { WhomToCall } from './StopCard';
import { WriteCard } from './WriteCard';

/** What to do when it hurts, the stop signs, whom to call, and a way to write to whoever treats you. */
export default function HelpScreen({ page }: { page: PhoneData }) {
  const named = page.cases.length > 1;
  const stopAt = Math.min(8, ...page.cases.map((plan) => plan.limits.stop_at));
  return (
    <Box
      component="main"
      sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
    >
      <Typography variant="h1">When it hurts</Typography>
      {page.cases.map((plan) => (
        <Paper
          key={plan.case}
          variant="panel"
          component="section"
          aria-label={named ? `What is allowed: ${caseName(plan)}` : 'What is allowed'}
        >
          {named && <Typography variant="h2">{caseName(plan)}</Typography>}
          {plan.stopped ? (
            <Typography>
              <b>Nothing is allowed now:</b> no loading until you have been seen.
            </Typography>
          ) : (
            <>
              <Typography>
                Up to <b>{plan.limits.during_max} of 10</b> in the exercise is allowed, if it is back to how it was
                within {within(plan.limits.settle_within_min)}.
              </Typography>
              <Typography sx={{ mt: 1 }}>
                Over that: {plan.over_words} Next morning at most {plan.limits.next_day_max}: else the plan is eased,
                and that is no failure.
              </Typography>
              <Typography sx={{ mt: 1 }}>
                Aching in the night after loading means that it was too much. Enter it in the morning.
              </Typography>
            </>
          )}
        </Paper>
      ))}
      <Paper
        variant="outlined"
        component="section"
        aria-label="Stop signs"
        sx={{ p: 2, borderWidth: 2, borderColor: 'stop.main' }}
      >
        <Typography variant="h2" color="stop">
          Stop and be seen
        </Typography>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          <li>Pain of {stopAt} of 10 or more</li>
          {STOP_SIGNS.map(([sign, words]) => (
            <li key={sign}>{words}</li>
          ))}
        </Box>
        <Typography sx={{ mt: 1 }}>
          <b>{STOP_WORDS}</b>
        </Typography>
        <WhomToCall practice={page.practice} />
      </Paper>
      {page.cases.map((plan) => (
        <WriteCard key={plan.case} plan={plan} named={named} />
      ))}
      <Meanings />
      <Button
        variant="outlined"
        component={RouterLink}
        to="/"
        onClick={() => changeSettings({ introduced: false })}
        size="large"
      >
        The first pages once more
      </Button>
    </Box>
  );
}
