import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { day } from '../../shell/dates';
import { minutes } from '../../shell/doses';
import type { Preview } from './draft';

type Load = Schemas['WeekLoad'];

const WEEK: [keyof Load, string, string][] = [
  ['isometric_s', 'Held', 's'],
  ['moving_s', 'Moved', 's'],
  ['volume_load_kg', 'Lifted', 'kg'],
  ['contacts', 'Landings', ''],
  ['sessions', 'Sessions', ''],
];

/** The sums of each session and of the week against what was logged last week, all from the server. */
export function TotalsPanel({
  preview,
  fresh,
  problem,
}: {
  preview: Preview | undefined;
  fresh: boolean;
  problem: string | null;
}) {
  return (
    <Paper variant="panel" component="section" aria-label="Sums" aria-busy={!fresh}>
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Sums
        </Typography>
        <Typography variant="caption" role="status" sx={{ color: problem === null ? 'text.secondary' : 'error.main' }}>
          {problem !== null ? 'not worked out: correct the marked field' : fresh ? 'up to date' : 'being worked out …'}
        </Typography>
      </Box>
      {preview !== undefined && (
        <Box sx={{ opacity: fresh ? 1 : 0.4 }} aria-busy={!fresh}>
          {preview.sessions
            .filter((session) => session.exercises > 0)
            .map((session) => (
              <Box key={session.slot} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
                <Typography variant="subtitle2">
                  {session.title}: {minutes(session.duration_s)}
                </Typography>
                <Typography variant="body2">
                  {[
                    session.time_under_tension_s === 0 ? null : `${session.time_under_tension_s} s under tension`,
                    session.volume_load_kg === 0 ? null : `${session.volume_load_kg} kg lifted`,
                    session.contacts === 0 ? null : `${session.contacts} landings`,
                  ]
                    .filter((part) => part !== null)
                    .join(' · ') || 'no load that is counted'}
                </Typography>
                <Typography variant="body2" color="textSecondary">
                  {session.days.length === 0
                    ? 'No day in the next two weeks.'
                    : `Next: ${session.days.slice(0, 4).map(day).join(', ')}${session.days.length > 4 ? ' …' : ''}`}
                </Typography>
              </Box>
            ))}
          <Box
            component="table"
            sx={{
              width: '100%',
              borderCollapse: 'collapse',
              fontSize: 13,
              mt: 0.5,
              borderTop: 1,
              borderColor: 'divider',
              '& td, & th': { textAlign: 'right', py: '2px', fontWeight: 400 },
              '& th:first-of-type': { textAlign: 'left' },
            }}
          >
            <thead>
              <tr>
                <Box component="th" scope="col" sx={{ color: 'text.secondary' }}>
                  A week
                </Box>
                <th scope="col">asked</th>
                <th scope="col">logged, last 7 days</th>
                <th scope="col">change</th>
              </tr>
            </thead>
            <tbody>
              {WEEK.filter(([field]) => preview.week.asked[field] > 0 || preview.week.logged[field] > 0).map(
                ([field, title, unit]) => {
                  const change = preview.week.change_percent[field];
                  return (
                    <tr key={field}>
                      <Box component="th" scope="row" sx={{ color: 'text.secondary' }}>
                        {title}
                        {unit === '' ? '' : `, ${unit}`}
                      </Box>
                      <td>{preview.week.asked[field]}</td>
                      <td>{preview.week.logged[field]}</td>
                      <td>{change === null || change === undefined ? '–' : `${change > 0 ? '+' : ''}${change} %`}</td>
                    </tr>
                  );
                },
              )}
            </tbody>
          </Box>
        </Box>
      )}
    </Paper>
  );
}

/** What a careful colleague would point out; nothing is forbidden by it. */
export function LintList({ preview, fresh }: { preview: Preview | undefined; fresh: boolean }) {
  return (
    <Paper variant="panel" component="section" aria-label="To look at">
      <Typography variant="h2">To look at</Typography>
      <Box sx={{ opacity: fresh ? 1 : 0.4 }} aria-busy={!fresh}>
        {preview?.lint.length === 0 && (
          <Typography variant="body2" color="textSecondary">
            Nothing stands out.
          </Typography>
        )}
        {preview?.lint.map((note) => (
          <Typography
            key={note.key + (note.prescription ?? '') + note.words}
            variant="body2"
            sx={{ mt: 0.5 }}
            title={note.why}
          >
            <Typography component="span" variant="subtitle2" color="watch">
              {note.title}.
            </Typography>{' '}
            {note.words}
          </Typography>
        ))}
      </Box>
    </Paper>
  );
}
