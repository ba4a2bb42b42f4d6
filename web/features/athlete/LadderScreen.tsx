import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, send } from '../../api/client';
import { HookStrip } from '../../charts/Hook';
import { UprightLadder } from '../../charts/Ladder';
import { inUnits, useSettings } from '../../phone/settings';
import { caseName, type PhoneData, type TodayData } from '../../phone/plan';
import { CalendarAddress } from '../../shell/CalendarAddress';
import { ago, day, moment } from '../../shell/dates';
import { ClosedCase } from './ClosedCase';

/** Where the athlete is in every case, and what became of those that are closed. */
export default function LadderScreen({ page }: { page: PhoneData }) {
  const [chosen, setChosen] = useState(page.cases[0]?.case);
  const plan = page.cases.find((careCase) => careCase.case === chosen) ?? page.cases[0];
  return (
    <Box
      component="main"
      sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
    >
      <Typography variant="h1">My ladder</Typography>
      {page.cases.length > 1 && (
        <ToggleButtonGroup
          exclusive
          fullWidth
          value={plan?.case}
          aria-label="Which"
          onChange={(_, id: string | null) => {
            if (id !== null) setChosen(id);
          }}
        >
          {page.cases.map((careCase) => (
            <ToggleButton key={careCase.case} value={careCase.case}>
              {caseName(careCase)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {plan !== undefined && <CaseLadder plan={plan} />}
      {page.cases.length > 0 && <Calendar />}
      {page.cases.length > 0 && (
        <Button component={RouterLink} to="/sheet" variant="outlined" size="large">
          Exercise sheet to print
        </Button>
      )}
      {page.closed.map((closedCase) => (
        <ClosedCase key={closedCase.case} one={closedCase} />
      ))}
    </Box>
  );
}

/** Where one case is, what the missing pegs ask for, and what has really been gained. */
function CaseLadder({ plan }: { plan: TodayData }) {
  const { units } = useSettings();
  const here = plan.ladder.find((rung) => rung.state === 'current');
  const at = plan.ladder.findIndex((rung) => rung.state === 'current');
  const recent = plan.hooks.slice(-1)[0];
  return (
    <>
      <Paper variant="panel" component="section" aria-label="Where I am">
        <UprightLadder rungs={plan.ladder} width={300} />
        {here !== undefined && (
          <Typography>
            You are on {here.title.toLowerCase()}, rung {at + 1} of {plan.ladder.length}.{' '}
            {plan.pegs.of === 0
              ? 'Your practitioner decides when it goes on.'
              : `${plan.pegs.met} of ${plan.pegs.of} pegs to the next are in.`}
          </Typography>
        )}
        {plan.missing.length > 0 && (
          <>
            <Typography variant="subtitle1" sx={{ mt: 1 }}>
              Still missing
            </Typography>
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {plan.missing.map((words) => (
                <li key={words}>{inUnits(words, units)}</li>
              ))}
            </Box>
          </>
        )}
      </Paper>
      <Paper variant="panel" component="section" aria-label="What you have gained">
        <Typography variant="h2">What you have gained</Typography>
        {plan.gained.length === 0 && (
          <Typography color="textSecondary">
            It shows here once there is something to compare: more work at the same pain is progress.
          </Typography>
        )}
        {plan.gained.map((words) => (
          <Typography key={words} sx={{ mt: 0.5 }}>
            {inUnits(words, units)}
          </Typography>
        ))}
      </Paper>
      {plan.then_and_now.length > 0 && (
        <Paper variant="panel" component="section" aria-label="Then and now">
          <Typography variant="h2">Then and now</Typography>
          {plan.then_and_now.map((pair) => (
            <Box key={pair.title} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
              <Typography variant="subtitle1">{pair.title}</Typography>
              <Typography color="textSecondary">
                {day(pair.then.on)}: {inUnits(pair.then.words, units)}
                {pair.then.pain === null ? '' : `, pain ${pair.then.pain}`}
              </Typography>
              <Typography>
                {day(pair.now.on)}: {inUnits(pair.now.words, units)}
                {pair.now.pain === null ? '' : `, pain ${pair.now.pain}`}
              </Typography>
            </Box>
          ))}
        </Paper>
      )}
      <Paper variant="panel" component="section" aria-label="Six weeks">
        <Typography variant="h2">Six weeks</Typography>
        <Box tabIndex={0} role="group" aria-label="Sessions of six weeks" sx={{ overflowX: 'auto', direction: 'rtl' }}>
          <Box sx={{ direction: 'ltr', width: 'max-content' }}>
            <HookStrip hooks={plan.hooks} days={42} today={plan.today} />
          </Box>
        </Box>
        <Typography variant="body2" color="textSecondary">
          Each hook is a session: up to its worst pain, down to the next morning. A dot: back to where it was.
        </Typography>
        {recent !== undefined && (
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            Last: {recent.words}
          </Typography>
        )}
      </Paper>
      <Paper variant="panel" component="section" aria-label="How long it takes">
        <Typography variant="h2">How long it takes</Typography>
        <Typography variant="subtitle1">{plan.week}</Typography>
        <Typography>
          {plan.time_scale} Pain may stay while you get stronger: that is progress too. What a scan shows does not steer
          the plan; what you can do does.
        </Typography>
      </Paper>
      {plan.messages.length > 0 && (
        <Paper variant="panel" component="section" aria-label="Messages">
          <Typography variant="h2">Messages</Typography>
          {plan.messages.map((message) => (
            <Typography key={message.id} sx={{ mt: 0.5 }} title={moment(message.at)}>
              <b>
                {message.by}, {ago(message.at, plan.today)}:
              </b>{' '}
              {message.words}
            </Typography>
          ))}
        </Paper>
      )}
    </>
  );
}

function Calendar() {
  const make = useMutation({ mutationFn: () => send(() => api.POST('/api/today/calendar')) });
  return (
    <Paper variant="panel" component="section" aria-label="Calendar">
      <Typography variant="h2">In your calendar</Typography>
      <Typography variant="body2" color="textSecondary">
        Sessions and the morning answer with a reminder. It shows days and kinds of session, nothing about how you are.
        Anyone who has the address can read it.
      </Typography>
      {make.data === undefined && (
        <Button onClick={() => make.mutate()} loading={make.isPending} variant="outlined" sx={{ mt: 1 }}>
          Make an address
        </Button>
      )}
      {make.data !== undefined && <CalendarAddress path={make.data.address} />}
      {make.isError && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {make.error.message}
        </Alert>
      )}
    </Paper>
  );
}
