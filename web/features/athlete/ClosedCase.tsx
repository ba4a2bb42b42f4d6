import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { UprightLadder } from '../../charts/Ladder';
import { caseName, type PhoneData } from '../../phone/plan';
import { inUnits, useSettings } from '../../phone/settings';
import { day } from '../../shell/dates';

/** A case that is closed: who closed it and when, what was done, and when to come back. */
export function ClosedCase({ one }: { one: PhoneData['closed'][number] }) {
  const { units } = useSettings();
  return (
    <Paper variant="panel" component="section" aria-label={`${caseName(one)}, closed`}>
      <Typography variant="h2">{caseName(one)}</Typography>
      <Typography>
        {one.how ?? 'Closed'}, {day(one.closed_on)}
        {one.closed_by === null ? '' : `, by ${one.closed_by}`}.
      </Typography>
      {one.why !== null && <Typography>{one.why}</Typography>}
      <Typography variant="subtitle1" sx={{ mt: 0.5 }}>
        {one.come_back}
      </Typography>
      <Typography sx={{ mt: 1 }}>
        {one.sessions} sessions since {day(one.opened_on)}.
      </Typography>
      <UprightLadder rungs={one.ladder} width={300} />
      {one.gained.map((words) => (
        <Typography key={words}>{inUnits(words, units)}</Typography>
      ))}
    </Paper>
  );
}
