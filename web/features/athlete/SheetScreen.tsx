import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { Ends } from '../../figure/MovingFigure';
import { PlanFiguresProvider, usePlanFigure } from '../../phone/figures';
import { caseName, type PhoneData, type TodayData } from '../../phone/plan';
import { inUnits, type Settings, useSettings } from '../../phone/settings';
import type { Exercise } from '../../phone/usePhone';
import { day } from '../../shell/dates';
import { within } from './SettlingCard';
import { STOP_SIGNS, STOP_WORDS } from './signs';

/** Days that a sheet has room for. */
const DAYS = 14;

const ON_PAPER = { '@media print': { display: 'none' } } as const;

/** The exercises on paper, with the limits, room to write for two weeks, the stop signs and whom to call. */
export default function SheetScreen({ page }: { page: PhoneData }) {
  const { units } = useSettings();
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 860,
        mx: 'auto',
        p: 2,
        '@media print': { p: 0, color: '#000', fontSize: '10pt' },
        '@page': { margin: '10mm' },
      }}
    >
      <Box sx={{ display: 'flex', gap: 1, mb: 1, ...ON_PAPER }}>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
        <Button component={RouterLink} to="/ladder">
          Back
        </Button>
      </Box>
      <Typography variant="h1">{page.athlete}: exercises</Typography>
      {page.cases.map((plan) => (
        <PlanFiguresProvider key={plan.case} value={plan}>
          <CaseSheet plan={plan} units={units} />
        </PlanFiguresProvider>
      ))}
      <Box sx={{ mt: 1.5, p: 1, border: 2, borderColor: 'stop.main', breakInside: 'avoid' }}>
        <Typography>
          <b>Stop at pain of {Math.min(8, ...page.cases.map((plan) => plan.limits.stop_at))} of 10 or more, or with:</b>{' '}
          {STOP_SIGNS.map(([, words]) =>
            words.startsWith('I ') ? words : `${words[0]?.toLowerCase() ?? ''}${words.slice(1)}`,
          ).join(', ')}
          . {STOP_WORDS}
        </Typography>
        <Typography>
          <b>{page.practice.name}</b>
          {page.practice.telephone === null ? '' : `, ${page.practice.telephone}`}
          {page.practice.hours === null ? '' : ` (${page.practice.hours})`}
        </Typography>
      </Box>
    </Box>
  );
}

function CaseSheet({ plan, units }: { plan: TodayData; units: Settings['units'] }) {
  const kinds = new Map(
    plan.sessions.filter((session) => session.kind === 'loading').map((session) => [session.title, session.exercises]),
  );
  return (
    <Box component="section" aria-label={caseName(plan)}>
      <Typography>
        <b>{caseName(plan)}.</b> As of {day(plan.today)}, plan {plan.plan_version}. The phone shows what is newest.
      </Typography>
      {plan.stopped && (
        <Typography variant="subtitle1" sx={{ mt: 1 }}>
          No loading until you have been seen.
        </Typography>
      )}
      {!plan.stopped && (
        <Typography>
          Pain up to {plan.limits.during_max} of 10 is allowed in an exercise, if it is back to how it was within{' '}
          {within(plan.limits.settle_within_min)}. The next morning: at most {plan.limits.next_day_max}.
        </Typography>
      )}
      {[...kinds].map(([title, exercises]) => (
        <Box key={title} component="section" aria-label={title} sx={{ mt: 1.25, breakInside: 'avoid' }}>
          <Typography variant="h2">
            {title}:{' '}
            {plan.sessions
              .filter((session) => session.title === title)
              .map((session) => day(session.on))
              .join(', ')}
          </Typography>
          <Box
            sx={{ overflowX: 'auto', '@media print': { overflow: 'visible' } }}
            tabIndex={0}
            role="group"
            aria-label={`${title}, with room to write`}
          >
            <Box
              component="table"
              sx={{
                borderCollapse: 'collapse',
                width: '100%',
                minWidth: 700,
                '@media print': { minWidth: 0 },
                '& td, & th': {
                  border: 1,
                  borderColor: 'divider',
                  verticalAlign: 'top',
                  p: 0.5,
                  textAlign: 'left',
                  fontWeight: 400,
                },
              }}
            >
              <thead>
                <tr>
                  <th scope="col">Exercise</th>
                  {Array.from({ length: DAYS }, (_, i) => (
                    <Box
                      key={i}
                      component="th"
                      scope="col"
                      sx={{ width: 30, fontSize: '0.75rem', color: 'text.secondary' }}
                      aria-label={`Day ${i + 1}`}
                    >
                      {i === 0 ? 'date' : ''}
                    </Box>
                  ))}
                </tr>
              </thead>
              <tbody>
                {exercises.map((exercise) => (
                  <Row key={exercise.prescription} one={exercise} units={units} />
                ))}
              </tbody>
            </Box>
          </Box>
          <Typography variant="body2" color="textSecondary">
            In each box above: the sets that you did; below the line: the worst pain, 0 to 10.
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

function Row({ one, units }: { one: Exercise; units: Settings['units'] }) {
  const { figure, mirrored } = usePlanFigure(one.figure);
  const sides = one.sides.map((side) => side.words).join(', then ');
  const details = [
    one.load === null ? null : inUnits(one.load.words, units),
    one.tempo_words,
    one.dose.rest_s > 0 ? `rest ${one.dose.rest_s} s` : null,
    `pain up to ${one.max_pain} of 10`,
  ]
    .filter((part) => part !== null)
    .join(' · ');
  return (
    <tr>
      <Box component="th" scope="row">
        <Box sx={{ display: 'grid', gap: 0.5, minWidth: 190 }}>
          {figure !== null && (
            <Ends figure={figure} title={one.title} size={180} mirrored={mirrored} look={{ isSmall: true }} />
          )}
          <Box>
            <Typography variant="subtitle1" sx={{ fontSize: 'inherit' }}>
              {one.title}
            </Typography>
            <Typography sx={{ fontSize: 'inherit' }}>
              {inUnits(one.words, units)}, {sides === '' ? one.limbs : sides}
            </Typography>
            <Typography variant="body2">{details}</Typography>
            <Typography variant="body2">{[one.set_up, one.movement].filter(Boolean).join(' ')}</Typography>
          </Box>
        </Box>
      </Box>
      {Array.from({ length: DAYS }, (_, i) => (
        <Box key={i} component="td" sx={{ p: '0 !important', height: 64 }}>
          <Box sx={{ height: '50%', borderBottom: '1px dotted', borderColor: 'divider' }} />
        </Box>
      ))}
    </tr>
  );
}
