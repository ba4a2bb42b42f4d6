import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';
import { TablesDialog } from '../../shell/TablesDialog';
import { GROUPS } from '../round/groups';
import { IfMay } from '../../shell/IfMay';
import { WeekBars } from './WeekBars';

type Load = Schemas['Caseload'];
type Line = Load['cases'][number];

/** What is chosen of the caseload: a count, or the flares of a programme. */
interface Chosen {
  title: string;
  cases: readonly string[];
}

/** All open cases at a glance; each number opens the cases that it counts. */
export function Caseload() {
  const [search, setSearch] = useSearchParams();
  const practitioner = search.get('practitioner') ?? '';
  const [tables, setTables] = useState(false);
  const filters = useQuery({
    queryKey: queryKeys.roundFilters,
    queryFn: () => send(() => api.GET('/api/round/filters')),
  });
  const found = useQuery({
    queryKey: queryKeys.caseload(practitioner),
    queryFn: () =>
      send(() => api.GET('/api/caseload', { params: { query: practitioner === '' ? {} : { practitioner } } })),
    placeholderData: (before) => before,
  });
  return (
    <Box component="main" sx={{ maxWidth: 1480, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Caseload
          {found.data === undefined ? '' : `: ${found.data.all} open ${found.data.all === 1 ? 'case' : 'cases'}`}
        </Typography>
        <TextField
          select
          label="Practitioner"
          value={practitioner}
          onChange={(event) => setSearch(event.target.value === '' ? {} : { practitioner: event.target.value })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 220 }}
        >
          <MenuItem value="">the whole practice</MenuItem>
          {filters.data?.practitioners.map((other) => (
            <MenuItem key={other.key} value={other.key}>
              {other.title}
            </MenuItem>
          ))}
        </TextField>
        <IfMay what="take-out">
          <Button variant="outlined" onClick={() => setTables(true)}>
            Tables …
          </Button>
        </IfMay>
      </Box>
      {found.isPending && <Loading what="the caseload" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {found.data !== undefined && <Overview load={found.data} />}
      {tables && (
        <TablesDialog
          of={
            practitioner === ''
              ? 'all open cases'
              : `the open cases of ${filters.data?.practitioners.find((other) => other.key === practitioner)?.title ?? 'one practitioner'}`
          }
          path={(table) => `/api/tables/${table}.csv${practitioner === '' ? '' : `?practitioner=${practitioner}`}`}
          onClose={() => setTables(false)}
        />
      )}
    </Box>
  );
}

function Overview({ load }: { load: Load }) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const shown = chosen === null ? load.cases : load.cases.filter((careCase) => chosen.cases.includes(careCase.id));
  const choose = (next: Chosen) => setChosen((now) => (now?.title === next.title ? null : next));
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '330px minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        <Paper variant="outlined" component="section" aria-label="At a glance" sx={{ p: 1 }}>
          {load.counts.map((count) => (
            <Count
              key={count.key}
              n={count.cases.length}
              title={count.title}
              pressed={chosen?.title === count.title}
              onPress={() => choose(count)}
            />
          ))}
        </Paper>
        <Paper variant="outlined" component="section" aria-label="Flares" sx={{ p: 1 }}>
          <Typography variant="h2" sx={{ px: 0.5 }}>
            Flares in 90 days
          </Typography>
          <Typography variant="body2" color="textSecondary" sx={{ px: 0.5, mb: 0.5 }}>
            Reported by the athlete or planned for, by programme and school. Few cases say little.
          </Typography>
          {load.flares.map((flare) => {
            const title = `${flare.programme} (${flare.school})`;
            return (
              <Count
                key={title}
                n={flare.flares}
                title={`${title}, ${flare.all} ${flare.all === 1 ? 'case' : 'cases'}`}
                pressed={chosen?.title === title}
                onPress={() => choose({ title, cases: flare.cases })}
              />
            );
          })}
        </Paper>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
        <Paper variant="panel" component="section" aria-label="The last twelve weeks">
          <Typography variant="h2">The last twelve weeks</Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(190px, 1fr))', gap: 2, mt: 1 }}>
            <WeekBars title="Sessions done" weeks={load.weeks} of={(week) => week.sessions} />
            <WeekBars title="Mornings answered" weeks={load.weeks} of={(week) => week.mornings} />
            <WeekBars title="Doses raised" weeks={load.weeks} of={(week) => week.raised} />
            <WeekBars title="Doses eased" weeks={load.weeks} of={(week) => week.eased} />
          </Box>
        </Paper>
        <Paper variant="panel" component="section" aria-label="Cases">
          <Typography variant="h2">
            {chosen === null ? 'All open cases' : chosen.title}{' '}
            <Typography component="span" color="textSecondary">
              {shown.length}
            </Typography>
          </Typography>
          {shown.length === 0 ? <Typography color="textSecondary">None.</Typography> : <Cases lines={shown} />}
        </Paper>
      </Box>
    </Box>
  );
}

function Count({ n, title, pressed, onPress }: { n: number; title: string; pressed: boolean; onPress: () => void }) {
  return (
    <ButtonBase
      onClick={onPress}
      aria-pressed={pressed}
      sx={{
        display: 'flex',
        width: '100%',
        gap: 1,
        px: 0.5,
        py: 0.5,
        minHeight: 36,
        borderRadius: 1,
        textAlign: 'left',
        bgcolor: pressed ? 'action.selected' : undefined,
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Typography
        component="span"
        variant="subtitle1"
        sx={{ width: 36, textAlign: 'right', fontSize: 18, color: n === 0 ? 'text.secondary' : 'primary.main' }}
      >
        {n}
      </Typography>
      <Typography component="span" variant="body2" sx={{ flex: 1 }}>
        {title}
      </Typography>
    </ButtonBase>
  );
}

function Cases({ lines }: { lines: readonly Line[] }) {
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 14,
        '& th': { textAlign: 'left', fontWeight: 400, color: 'text.secondary' },
        '& td, & th': { py: 0.5, pr: 1.5, borderTop: 1, borderColor: 'divider', verticalAlign: 'top' },
      }}
    >
      <thead>
        <tr>
          <th scope="col">Athlete</th>
          <th scope="col">Structure</th>
          <th scope="col">Stage</th>
          <th scope="col">Week</th>
          <th scope="col">Done in two weeks</th>
          <th scope="col">Stands under</th>
          <th scope="col">With</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.id}>
            <td>
              <Link component={RouterLink} to={`/cases/${line.id}`} sx={{ fontWeight: 600 }}>
                {line.athlete}
              </Link>
            </td>
            <td>
              {line.structure}, {line.side === 'both' ? 'both sides' : line.side}
            </td>
            <td>
              {line.stage},{' '}
              {line.stage_weeks === 0
                ? 'since this week'
                : `${line.stage_weeks} ${line.stage_weeks === 1 ? 'week' : 'weeks'}`}
            </td>
            <Box
              component="td"
              sx={
                line.usual_weeks !== null && line.weeks > line.usual_weeks
                  ? { color: 'watch.main', fontWeight: 600 }
                  : {}
              }
            >
              {line.weeks}
              {line.usual_weeks === null ? '' : ` of about ${line.usual_weeks}`}
            </Box>
            <td>{line.adherence === null ? 'nothing planned' : `${line.adherence} %`}</td>
            <td>
              {GROUPS.find((group) => group.key === line.group)?.title ?? line.group}
              {line.unsettled && ', unsettled'}
            </td>
            <td>{line.practitioner}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
