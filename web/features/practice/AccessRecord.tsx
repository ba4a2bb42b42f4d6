import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api, saveFile, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { moment } from '../../shell/dates';
import { Empty, Failed, Loading } from '../../shell/States';
import { stackedOnPhones } from '../../shell/tables';
import { useSettled } from '../../shell/useSettled';

const EVERYTHING = { person: '', athlete: '', kind: '', from: '', until: '' };

/** Names of athletes that one line shows; a look at the Round is a look at all of them. */
const NAMES = 3;

/** Who saw and changed what; for the owner. */
export function AccessRecord() {
  const [asked, setAsked] = useState(EVERYTHING);
  const settled = useSettled(asked);
  const query = Object.fromEntries(Object.entries(settled).filter(([, value]) => value !== ''));
  const found = useInfiniteQuery({
    queryKey: queryKeys.accessRecord(settled),
    queryFn: ({ pageParam }) =>
      send(() =>
        api.GET('/api/practice/record', {
          params: { query: { ...query, ...(pageParam === null ? {} : { before: String(pageParam) }) } },
        }),
      ),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.next,
    placeholderData: (before) => before,
    refetchOnWindowFocus: false,
  });
  const [problem, setProblem] = useState<unknown>(null);
  const first = found.data?.pages[0];
  if (found.isPending) return <Loading what="the record" />;
  if (first === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  const lines = found.data?.pages.flatMap((page) => page.lines) ?? [];
  const choose = (field: keyof typeof EVERYTHING, label: string, offered: { key: string; title: string }[]) => (
    <TextField
      select
      label={label}
      value={asked[field]}
      onChange={(event) => setAsked({ ...asked, [field]: event.target.value })}
      sx={{ minWidth: 150, flex: { xs: '1 1 40%', sm: 'none' } }}
    >
      <MenuItem value="">all</MenuItem>
      {offered.map((choice) => (
        <MenuItem key={choice.key} value={choice.key}>
          {choice.title}
        </MenuItem>
      ))}
    </TextField>
  );
  const save = () => {
    setProblem(null);
    saveFile(`/api/practice/record.csv?${new URLSearchParams(query).toString()}`).catch(setProblem);
  };
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Who saw what"
      sx={{ p: 2.5, display: 'grid', gap: 1.5, gridTemplateColumns: 'minmax(0, 1fr)' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography variant="h1" component="h2" sx={{ flex: 1 }}>
          Who saw and changed what
        </Typography>
        <Button variant="outlined" onClick={save}>
          Save as a table
        </Button>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {choose('person', 'Person', first.people)}
        {choose('athlete', 'Athlete', first.athletes)}
        {choose('kind', 'What', first.kinds)}
        <TextField
          label="From"
          type="date"
          value={asked.from}
          onChange={(event) => setAsked({ ...asked, from: event.target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          label="To"
          type="date"
          value={asked.until}
          onChange={(event) => setAsked({ ...asked, until: event.target.value })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        {Object.values(asked).some((value) => value !== '') && (
          <Button onClick={() => setAsked(EVERYTHING)}>Show all</Button>
        )}
      </Box>
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {problem !== null && <Failed problem={problem} />}
      {lines.length === 0 ? (
        <Empty title="Nothing matches that choice" />
      ) : (
        <TableContainer sx={{ opacity: found.isPlaceholderData ? 0.6 : 1 }}>
          <Table size="small" sx={stackedOnPhones}>
            <TableHead>
              <TableRow>
                <TableCell>When</TableCell>
                <TableCell>Who</TableCell>
                <TableCell>What</TableCell>
                <TableCell>Athlete</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {lines.map((line) => (
                <TableRow key={line.id} sx={line.kind === 'refused' ? { '& td': { color: 'over.main' } } : {}}>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{moment(line.at)}</TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>
                    {line.person}
                    <Typography variant="body2" color="textSecondary">
                      {line.role.toLowerCase()}
                    </Typography>
                  </TableCell>
                  <TableCell sx={{ overflowWrap: 'anywhere' }}>
                    {line.what}
                    {line.details !== null && (
                      <Typography variant="body2" color="textSecondary">
                        {line.details}
                      </Typography>
                    )}
                  </TableCell>
                  <TableCell title={line.athletes.join(', ')}>
                    {line.athletes.length > NAMES
                      ? `${line.athletes.slice(0, NAMES).join(', ')} and ${line.athletes.length - NAMES} more`
                      : line.athletes.join(', ')}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </TableContainer>
      )}
      {found.hasNextPage && (
        <Box sx={{ textAlign: 'center' }}>
          <Button variant="outlined" loading={found.isFetchingNextPage} onClick={() => void found.fetchNextPage()}>
            Show earlier ones
          </Button>
        </Box>
      )}
      {first.newest_link !== null && (
        <Alert severity="info">
          Each line is linked to the one before, so that a line that is changed or taken away shows (./rung check-log).
          The newest link now:{' '}
          <Box component="code" sx={{ overflowWrap: 'anywhere' }}>
            {first.newest_link.number}:{first.newest_link.hash}
          </Box>
          . Written down elsewhere, it proves later that nothing before it was lost.
        </Alert>
      )}
    </Paper>
  );
}
