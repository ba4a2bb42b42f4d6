import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { ExerciseTrace, traceSeconds } from '../../charts/ExerciseTrace';
import { day, plusDays } from '../../shell/dates';
import { LIMBS, sums } from '../../shell/doses';
import type { Case } from './useCase';

const WEEK = [0, 1, 2, 3, 4, 5, 6];

/** Each kind of session of a day, with its times or how often it comes. */
const named = (sessions: Case['coming']): [string, string][] =>
  [...new Set(sessions.map((session) => session.slot))].map((slot) => {
    const here = sessions.filter((session) => session.slot === slot);
    const times = here.flatMap((item) => (item.at === null ? [] : [item.at]));
    return [slot, times.length > 0 ? ` ${times.join(', ')}` : here.length > 1 ? ` × ${here.length}` : ''];
  });

/** What is in force: each exercise with one set drawn along time, and the week ahead. */
export function DoseTable({ found }: { found: Case }) {
  const seconds = Math.max(
    30,
    ...found.prescriptions.map((prescription) => traceSeconds(prescription.dose, prescription.mode)),
  );
  return (
    <Paper variant="panel" component="section" aria-label="In force">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        In force
      </Typography>
      {found.waiting !== null && (
        <Alert severity="info" sx={{ mb: 1, py: 0 }}>
          Until {day(plusDays(found.waiting.from, -1))}. From {day(found.waiting.from)}: {found.waiting.note}
        </Alert>
      )}
      {found.prescriptions.length === 0 && (
        <Typography color="textSecondary">Nothing but the act itself in this stage.</Typography>
      )}
      {found.prescriptions.map((prescription) => (
        <Box
          key={prescription.key}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 240px',
            gap: 1.5,
            py: 0.75,
            borderTop: 1,
            borderColor: 'divider',
            alignItems: 'center',
          }}
        >
          <Box>
            <Typography variant="subtitle1">
              {prescription.title}{' '}
              <Typography component="span" color="textSecondary">
                {LIMBS[prescription.limbs]}
              </Typography>
            </Typography>
            <Typography variant="body2">
              {prescription.words}
              {prescription.tempo_words === null ? '' : ` · ${prescription.tempo_words}`} · rest{' '}
              {prescription.dose.rest_s} s
            </Typography>
            {prescription.held !== null && <Typography variant="body2">{prescription.held}</Typography>}
            {prescription.load?.source === 'to_find' && (
              <Typography variant="subtitle2" color="watch">
                Load to be found: nothing was lifted yet
              </Typography>
            )}
            {prescription.load?.kg != null && (
              <Typography variant="body2">
                Load from what was lifted: {prescription.load.kg} kg
                {prescription.load.on === null ? '' : ` on ${day(prescription.load.on)}`}
              </Typography>
            )}
            {prescription.next !== null && <Typography variant="subtitle2">{prescription.next}</Typography>}
            {prescription.rests_until !== null && (
              <Typography variant="subtitle2" color="watch">
                Rests until {day(prescription.rests_until)}
              </Typography>
            )}
            <Typography variant="body2" color="textSecondary">
              {sums(prescription.figures, prescription.turns)}
            </Typography>
          </Box>
          <ExerciseTrace
            dose={prescription.dose}
            mode={prescription.mode}
            seconds={seconds}
            width={240}
            title={`${prescription.title} along time: ${prescription.words}`}
          />
        </Box>
      ))}
      {found.begins_later.map((later) => (
        <Typography
          key={later.title}
          variant="body2"
          color="textSecondary"
          sx={{ py: 0.5, borderTop: 1, borderColor: 'divider' }}
        >
          <b>{later.title}</b> {later.words}: {later.when}
        </Typography>
      ))}
      <Box sx={{ display: 'flex', alignItems: 'baseline', mt: 1.5, mb: 0.5 }}>
        <Typography variant="h3" sx={{ flex: 1 }}>
          The week ahead
        </Typography>
        <Button component={RouterLink} to={`/cases/${found.id}/weeks`}>
          Weeks: move sessions
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(7, minmax(0, 1fr))', gap: 0.5 }}>
        {(found.coming.length === 0 ? [] : WEEK).map((i) => {
          const on = plusDays(found.standing.today, i);
          const sessions = found.coming.filter((session) => session.on === on);
          return (
            <Box
              key={on}
              sx={{
                border: 1,
                borderColor: found.waiting?.from === on ? 'watch.main' : 'divider',
                borderRadius: 1,
                px: 0.75,
                py: 0.5,
                minWidth: 0,
                borderStyle: sessions.length === 0 ? 'dashed' : 'solid',
              }}
            >
              <Typography variant="caption" color="textSecondary" sx={{ display: 'block', lineHeight: 1.3 }}>
                {day(on)}
              </Typography>
              {named(sessions).map(([slot, times]) => (
                <Typography key={slot} variant="body2" sx={{ lineHeight: 1.25, overflowWrap: 'anywhere' }}>
                  {slot}
                  {times}
                </Typography>
              ))}
              {sessions.length === 0 && (
                <Typography variant="body2" color="textSecondary">
                  –
                </Typography>
              )}
              {found.waiting?.from === on && (
                <Typography variant="caption" color="watch" sx={{ display: 'block', lineHeight: 1.2 }}>
                  new doses
                </Typography>
              )}
            </Box>
          );
        })}
        {found.coming.length === 0 && (
          <Typography sx={{ gridColumn: '1 / -1' }} color="textSecondary">
            {found.standing.stopped
              ? 'No loading until the stop is reviewed.'
              : 'No session is planned for the next seven days.'}
          </Typography>
        )}
      </Box>
    </Paper>
  );
}
