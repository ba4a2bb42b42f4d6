import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { CalendarAddress } from '../../shell/CalendarAddress';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { ModeShape } from './ModeShape';

type Week = Schemas['PracticeWeek'];
type Line = Week['cases'][number];

const ON_PAPER = { '@media print': { display: 'none' } } as const;
const side = { left: 'left', right: 'right', both: 'both sides' } as const;

/** A week over all cases: what stands on which day, what is due, who is not planned to its end. It can be printed. */
export function PracticeWeek() {
  const [search, setSearch] = useSearchParams();
  const [inCalendar, setInCalendar] = useState(false);
  const practitioner = search.get('practitioner') ?? '';
  const week = Number(search.get('week') ?? '0') || 0;
  const filters = useQuery({
    queryKey: queryKeys.roundFilters,
    queryFn: () => send(() => api.GET('/api/round/filters')),
  });
  const found = useQuery({
    queryKey: queryKeys.practiceWeek(practitioner, week),
    queryFn: () =>
      send(() =>
        api.GET('/api/week', { params: { query: { week, ...(practitioner === '' ? {} : { practitioner }) } } }),
      ),
    placeholderData: (before) => before,
  });
  const go = (next: { week?: number; practitioner?: string }) =>
    setSearch(
      Object.fromEntries(
        Object.entries({ week: String(next.week ?? week), practitioner: next.practitioner ?? practitioner }).filter(
          ([, value]) => value !== '' && value !== '0',
        ),
      ),
    );
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 1880,
        mx: 'auto',
        p: 2,
        display: 'grid',
        gap: 1.5,
        '@media print': { p: 0 },
        '@page': { size: 'landscape', margin: '10mm' },
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: '1 1 260px' }}>
          {found.data === undefined ? 'Week' : `Week: ${day(found.data.from)} – ${day(found.data.until)}`}
        </Typography>
        <Box sx={{ display: 'flex', gap: 0.5, ...ON_PAPER }}>
          <Button variant="outlined" aria-label="The week before" onClick={() => go({ week: week - 1 })}>
            ‹
          </Button>
          <Button variant="outlined" disabled={week === 0} onClick={() => go({ week: 0 })}>
            This week
          </Button>
          <Button variant="outlined" aria-label="The week after" onClick={() => go({ week: week + 1 })}>
            ›
          </Button>
        </Box>
        <TextField
          select
          label="Practitioner"
          value={practitioner}
          onChange={(event) => go({ practitioner: event.target.value })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 200 }}
        >
          <MenuItem value="">the whole practice</MenuItem>
          {filters.data?.practitioners.map((other) => (
            <MenuItem key={other.key} value={other.key}>
              {other.title}
            </MenuItem>
          ))}
        </TextField>
        <Button onClick={() => setInCalendar(true)} sx={ON_PAPER}>
          In my calendar …
        </Button>
        <Button variant="outlined" onClick={() => window.print()} sx={ON_PAPER}>
          Print
        </Button>
      </Box>
      {found.isPending && <Loading what="the week" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {found.data !== undefined && <Cases key={found.data.from} week={found.data} />}
      {inCalendar && <InCalendar onClose={() => setInCalendar(false)} />}
    </Box>
  );
}

function Cases({ week }: { week: Week }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const count = week.counts.find((other) => other.key === chosen);
  const shown = count === undefined ? week.cases : week.cases.filter((careCase) => count.cases.includes(careCase.id));
  return (
    <>
      <Box role="group" aria-label="What is due" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {week.counts.map((other) => (
          <ToggleButton
            key={other.key}
            value={other.key}
            selected={chosen === other.key}
            disabled={other.cases.length === 0}
            onChange={() => setChosen(chosen === other.key ? null : other.key)}
            sx={{ py: 0.5, px: 1.25, gap: 1, minHeight: 44 }}
          >
            <Box component="span" sx={{ fontSize: 20, fontWeight: 600 }}>
              {other.cases.length}
            </Box>
            {other.title}
          </ToggleButton>
        ))}
      </Box>
      {week.more && (
        <Alert severity="info">Only the most urgent cases are shown. Choose a practitioner to see all of theirs.</Alert>
      )}
      <Paper variant="outlined" sx={{ overflowX: 'auto', '@media print': { border: 0, overflow: 'visible' } }}>
        <Box
          component="table"
          aria-label="Cases by day"
          sx={{
            width: '100%',
            minWidth: 860,
            borderCollapse: 'collapse',
            tableLayout: 'fixed',
            '& th, & td': { textAlign: 'left', verticalAlign: 'top', p: 0.75, borderBottom: 1, borderColor: 'divider' },
            '& thead th': { fontWeight: 400, color: 'text.secondary', fontSize: '0.875rem' },
            '& tr': { breakInside: 'avoid' },
          }}
        >
          <thead>
            <tr>
              <Box component="th" scope="col" sx={{ width: 180 }}>
                {shown.length} {shown.length === 1 ? 'case' : 'cases'}
              </Box>
              <Box component="th" scope="col" sx={{ width: 150 }}>
                Due
              </Box>
              {week.cases[0]?.days.map((date) => (
                <Box
                  key={date.on}
                  component="th"
                  scope="col"
                  sx={{ color: date.on === week.today ? 'text.primary' : undefined }}
                >
                  {date.on === week.today ? <b>{day(date.on)}, today</b> : day(date.on)}
                </Box>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((item) => (
              <Case key={item.id} line={item} week={week} />
            ))}
          </tbody>
        </Box>
        {week.cases.length === 0 && (
          <Typography sx={{ p: 2 }}>No case is open. The first one begins at New case.</Typography>
        )}
      </Paper>
    </>
  );
}

const STATES = {
  done: { mark: '✓', words: 'done' },
  missed: { mark: '○', words: 'not done' },
  planned: { mark: '', words: 'planned' },
} as const;

function Case({ line, week }: { line: Line; week: Week }) {
  const late = line.review_on !== null && line.review_on < week.today;
  return (
    <tr>
      <th scope="row">
        <Link
          component={RouterLink}
          to={`/cases/${line.id}/weeks`}
          color="inherit"
          underline="hover"
          sx={{ fontWeight: 600 }}
        >
          {line.athlete}
        </Link>
        <Typography variant="body2" color="textSecondary" sx={{ fontWeight: 400, lineHeight: 1.25 }}>
          {line.structure}, {side[line.side]} · {line.stage}
        </Typography>
      </th>
      <Box component="td" sx={{ fontSize: '0.875rem', lineHeight: 1.3 }}>
        {line.stopped && <Box sx={{ color: 'stop.main', fontWeight: 600 }}>✕ Stopped: review</Box>}
        {line.review_on !== null && (
          <Box sx={{ color: late ? 'over.main' : 'text.primary', fontWeight: 600 }}>
            {late ? '▲ Review was due' : 'Review'} {day(line.review_on)}
          </Box>
        )}
        {line.tests_due.map((words) => (
          <Box key={words} sx={{ color: 'watch.main' }}>
            {words}
          </Box>
        ))}
        {line.planned_until !== null && (
          <Box sx={{ color: 'watch.main' }}>Planned to {day(line.planned_until)} only</Box>
        )}
        {line.unplanned && <Box sx={{ color: 'watch.main' }}>Nothing is planned</Box>}
      </Box>
      {line.days.map((date) => (
        <Box
          key={date.on}
          component="td"
          sx={{
            bgcolor: date.blocked ? 'action.disabledBackground' : undefined,
            boxShadow:
              date.on === week.today
                ? 'inset 2px 0 0 var(--mui-palette-primary-main), inset -2px 0 0 var(--mui-palette-primary-main)'
                : undefined,
            fontSize: '0.8125rem',
            lineHeight: 1.25,
          }}
        >
          {date.event && <b>Show</b>}
          {date.blocked && (
            <Box component="span" sx={{ color: 'text.secondary' }}>
              No training
            </Box>
          )}
          {date.sessions.map((session, i) => (
            <Box
              key={session.title + String(i)}
              sx={{ color: session.state === 'planned' ? 'text.primary' : 'text.secondary', overflowWrap: 'anywhere' }}
            >
              {session.state === 'planned' ? (
                <ModeShape mode={session.mode} />
              ) : (
                <span role="img" aria-label={STATES[session.state].words}>
                  {STATES[session.state].mark}
                </span>
              )}{' '}
              {session.at !== null && <>{session.at} </>}
              {session.title}
            </Box>
          ))}
        </Box>
      ))}
    </tr>
  );
}

/** Reviews and shows in the calendar that a practitioner uses anyway. */
function InCalendar({ onClose }: { onClose: () => void }) {
  const make = useMutation({ mutationFn: () => send(() => api.POST('/api/week/calendar')) });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="in-calendar">
      <DialogTitle id="in-calendar">In my calendar</DialogTitle>
      <DialogContent>
        <Typography>
          The reviews that are due and the shows of the athletes whom you treat. Athletes appear by their initials,
          without anything about how they are. Anyone who has the address can read it.
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
      </DialogContent>
    </Dialog>
  );
}
