import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';

import { nowIso } from '../../phone/moments';
import { put } from '../../phone/outbox';
import { caseName, type TodayData } from '../../phone/plan';
import { moment } from '../../shell/dates';
import { NotKept } from './NotKept';

const TIMES: [number, string][] = [
  [0, 'at once'],
  [30, 'half an hour'],
  [60, '1 hour'],
  [120, '2 hours'],
  [720, 'by night'],
  [1440, 'a day'],
  [2880, 'longer'],
];

const MOST = 4320;

export const within = (minutes: number): string =>
  minutes >= 1440
    ? 'a day'
    : minutes >= 120
      ? `${minutes / 60} hours`
      : minutes === 60
        ? 'an hour'
        : minutes === 30
          ? 'half an hour'
          : `${minutes} minutes`;

/** "Back to how it was before?", as the time that it took; it can be answered late. */
export function SettlingCard({
  plan,
  settling,
  first,
  named,
}: {
  plan: TodayData;
  settling: { session: string; ended_at: string };
  first: boolean;
  named: boolean;
}) {
  const [lost, setLost] = useState<string | null>(null);
  const save = async (minutes: number) => {
    const became = await put({
      id: settling.session,
      person: plan.person,
      case: plan.case,
      made_at: nowIso(),
      what: 'settled',
      title: 'Back to normal',
      body: { settled_min: Math.min(MOST, minutes) },
    });
    setLost(typeof became === 'object' ? became.lost : null);
  };
  const elapsed = () => Math.max(0, Math.round((Date.now() - new Date(settling.ended_at).getTime()) / 60_000));
  const [since, setSince] = useState(elapsed);
  useEffect(() => {
    const timer = setInterval(() => setSince(elapsed()), 60_000);
    return () => clearInterval(timer);
  });
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Back to normal"
      sx={{ p: 2, borderWidth: first ? 2 : 1, borderColor: first ? 'primary.main' : 'divider' }}
    >
      <Typography variant="h2">Back to how it was before?</Typography>
      <Typography sx={{ mb: 1 }}>
        {named ? `${caseName(plan)}: after` : 'After'} the session that ended {moment(settling.ended_at)}. It should be
        within {within(plan.limits.settle_within_min)}.
      </Typography>
      <Button variant="contained" fullWidth onClick={() => void save(elapsed())} size="large" sx={{ mb: 1 }}>
        Yes, just now
      </Button>
      <Typography sx={{ mb: 0.5 }}>Or it took</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
        {TIMES.filter(([minutes]) => minutes <= since + 5).map(([minutes, words]) => (
          <Button key={minutes} variant="outlined" onClick={() => void save(minutes)}>
            {words}
          </Button>
        ))}
      </Box>
      <NotKept why={lost} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        Not yet? Leave it and answer later.
      </Typography>
    </Paper>
  );
}
