import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { Movement } from '../../charts/Movement';
import { inUnits, useSettings } from '../../phone/settings';
import type { TodayData } from '../../phone/plan';
import type { Exercise } from '../../phone/useToday';
import { day } from '../../shell/dates';
import { STOP_WORDS } from './signs';

/** The exercises on paper, with the limits and the stop signs. */
export default function SheetScreen({ plan }: { plan: TodayData }) {
  const { units } = useSettings();
  const kinds = new Map(plan.sessions.filter((one) => one.kind === 'loading').map((one) => [one.title, one.exercises]));
  return (
    <Box component="main" sx={{ maxWidth: 760, mx: 'auto', p: 2, '@media print': { p: 0, color: '#000' } }}>
      <Box sx={{ display: 'flex', gap: 1, '@media print': { display: 'none' } }}>
        <Button variant="contained" onClick={() => window.print()} sx={{ minHeight: 48 }}>Print</Button>
        <Button component={RouterLink} to="/ladder" sx={{ minHeight: 48 }}>Back</Button>
      </Box>
      <Typography variant="h1" sx={{ mt: 1 }}>{plan.athlete}: exercises</Typography>
      <Typography color="textSecondary">As of {day(plan.today)}, plan {plan.plan_version}. The phone shows what is newest.</Typography>
      {[...kinds].map(([title, exercises]) => (
        <Box key={title} component="section" aria-label={title} sx={{ mt: 2, breakInside: 'avoid' }}>
          <Typography variant="h2">{title}</Typography>
          <Typography>On {plan.sessions.filter((one) => one.title === title).map((one) => day(one.on)).join(', ')}</Typography>
          {exercises.map((one) => <Row key={one.prescription} one={one} words={inUnits(one.words, units)} load={one.load === null ? null : inUnits(one.load.words, units)} />)}
        </Box>
      ))}
      <Typography sx={{ mt: 2 }}>Pain up to {plan.limits.during_max} of 10 is allowed in the exercise. At {plan.limits.stop_at} or more, a pop, swelling, fever, numbness, giving way, locking or a fall: {STOP_WORDS}</Typography>
    </Box>
  );
}

function Row({ one, words, load }: { one: Exercise; words: string; load: string | null }) {
  return (
    <Box sx={{ display: 'flex', gap: 2, borderTop: 1, borderColor: 'divider', py: 1, breakInside: 'avoid' }}>
      <Movement exercise={one.exercise} mode={one.mode} title={one.title} size={90} />
      <Box>
        <Typography sx={{ fontWeight: 600 }}>{one.title}: {words}, {one.limbs}</Typography>
        {load !== null && <Typography variant="body2">{load}</Typography>}
        <Typography variant="body2">{[one.tempo_words, `rest ${one.dose.rest_s} s`].filter(Boolean).join(' · ')}</Typography>
        <Typography variant="body2">{[one.set_up, one.movement, one.feel === null ? null : `Feel: ${one.feel}`, one.faults === null ? null : `Not: ${one.faults}`].filter(Boolean).join(' ')}</Typography>
      </Box>
    </Box>
  );
}
