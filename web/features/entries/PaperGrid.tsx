import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type KeyboardEvent, useRef, useState } from 'react';

import { Refusal } from '../../api/client';
import { day, plusDays } from '../../shell/dates';
import { bodiesOf, daysOf, EMPTY, faultsOf, type Line } from './grid';
import { type Entries, useEnterMorning, useEnterSession } from './useEntries';

const DAYS = 14;
const COLUMNS = ['score', 'stiff', 'slot', 'pain'] as const;

/** A whole paper log, a line for each day: Enter and the arrows go down, Tab goes on. */
export function PaperGrid({ id, found }: { id: string; found: Entries }) {
  const [from, setFrom] = useState(plusDays(found.today, 1 - DAYS));
  const [lines, setLines] = useState<Record<string, Line>>({});
  const [messages, setMessages] = useState<Record<string, string>>({});
  // Made once for each line, so that what is sent again is stored once.
  const ids = useRef(new Map<string, string>());
  const idOf = (what: string): string => {
    const known = ids.current.get(what) ?? crypto.randomUUID();
    ids.current.set(what, known);
    return known;
  };
  const table = useRef<HTMLTableElement>(null);
  const morning = useEnterMorning(id);
  const session = useEnterSession(id);
  const [sending, setSending] = useState(false);
  const days = daysOf(from, DAYS, found);
  const written = days.filter((on) => JSON.stringify(lines[on] ?? EMPTY) !== JSON.stringify(EMPTY));
  const sound = written.filter((on) => bodiesOf(on, lines[on] ?? EMPTY, found) !== null);
  const answered = (on: string) =>
    found.entries.find((entry) => entry.what === 'morning' && entry.on === on && typeof entry.provocation === 'number');
  const entered = (on: string) => found.entries.filter((entry) => entry.what === 'session' && entry.on === on).length;
  const set = (on: string, part: Partial<Line>) =>
    setLines((all) => ({ ...all, [on]: { ...(all[on] ?? EMPTY), ...part } }));
  const go = (event: KeyboardEvent, row: number, column: number) => {
    const step = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
    // A list opens and is chosen from by the arrows.
    if (step === undefined || (event.target instanceof HTMLSelectElement && event.key !== 'Enter')) return;
    event.preventDefault();
    table.current?.querySelector<HTMLElement>(`[data-at="${row + step}-${column}"]`)?.focus();
  };
  const send = async () => {
    setSending(true);
    for (const on of sound) {
      const bodies = bodiesOf(on, lines[on] ?? EMPTY, found);
      try {
        if (bodies?.morning) {
          await morning.mutateAsync({ entry: idOf(`${on} morning`), body: bodies.morning });
          setLines((all) => ({ ...all, [on]: { ...(all[on] ?? EMPTY), score: '', stiff: '' } }));
          ids.current.delete(`${on} morning`);
        }
        if (bodies?.session) {
          await session.mutateAsync({ entry: idOf(`${on} session`), body: bodies.session });
          setLines((all) => ({ ...all, [on]: { ...(all[on] ?? EMPTY), slot: '', pain: '' } }));
          ids.current.delete(`${on} session`);
        }
        setMessages((all) => ({ ...all, [on]: 'kept' }));
      } catch (problem) {
        setMessages((all) => ({
          ...all,
          [on]:
            problem instanceof Refusal
              ? (Object.values(problem.fields)[0] ?? problem.message)
              : 'could not be sent; it is still here',
        }));
      }
    }
    setSending(false);
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      sx={{ display: 'grid', gap: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button onClick={() => setFrom(plusDays(from, -DAYS))}>‹ Two weeks before</Button>
        <Button disabled={plusDays(from, DAYS) > found.today} onClick={() => setFrom(plusDays(from, DAYS))}>
          Two weeks after ›
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary">
        Sessions are entered as they were asked, with the worst pain; where the paper says otherwise, enter that one
        under “A session”.
      </Typography>
      {days.length === 0 && (
        <Alert severity="info">
          The case was opened on {day(found.opened_on)}: before that there is nothing to enter.
        </Alert>
      )}
      <Table size="small" ref={table} aria-label="Paper log" sx={{ '& td, & th': { px: 0.5, py: 0.25, border: 0 } }}>
        <TableHead>
          <TableRow>
            {['Day', 'Test, 0–10', 'Stiff, min', 'Session', 'Worst pain', ''].map((title) => (
              <TableCell key={title}>{title}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {days.map((on, row) => {
            const line = lines[on] ?? EMPTY;
            const faults = faultsOf(line);
            const there = answered(on);
            const cell = (column: number) => {
              const field = COLUMNS[column] ?? 'score';
              const input = {
                'aria-label': `${day(on)}, ${['test', 'stiff', 'session', 'worst pain'][column] ?? ''}`,
                'data-at': `${row}-${column}`,
                onKeyDown: (event: KeyboardEvent) => go(event, row, column),
              };
              const common = {
                value: line[field],
                error: faults[field] !== undefined,
                onChange: (event: { target: { value: string } }) => {
                  set(on, { [field]: event.target.value });
                  setMessages((all) => ({ ...all, [on]: '' }));
                },
              };
              return field === 'slot' ? (
                <TextField
                  {...common}
                  select
                  helperText={entered(on) === 0 ? undefined : `${entered(on)} entered already`}
                  slotProps={{ select: { native: true }, htmlInput: input }}
                  sx={{ width: 150 }}
                >
                  <option value="">none</option>
                  {found.sessions.map((planned) => (
                    <option key={planned.slot} value={planned.slot}>
                      {planned.title}
                    </option>
                  ))}
                </TextField>
              ) : (
                <TextField
                  {...common}
                  slotProps={{ htmlInput: { ...input, inputMode: 'numeric' } }}
                  sx={{ width: 74 }}
                />
              );
            };
            return (
              <TableRow key={on}>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>{day(on)}</TableCell>
                {there === undefined ? (
                  <>
                    <TableCell>{cell(0)}</TableCell>
                    <TableCell>{cell(1)}</TableCell>
                  </>
                ) : (
                  <TableCell colSpan={2}>answered: {there.provocation}</TableCell>
                )}
                <TableCell>{cell(2)}</TableCell>
                <TableCell>{cell(3)}</TableCell>
                <TableCell>
                  <Typography
                    variant="caption"
                    role="status"
                    color={messages[on] === 'kept' ? 'textSecondary' : 'error'}
                  >
                    {Object.keys(faults).length > 0 ? Object.values(faults)[0] : (messages[on] ?? '')}
                  </Typography>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <Box>
        <Button
          type="submit"
          variant="contained"
          loading={sending}
          disabled={sound.length === 0 || sound.length < written.length}
        >
          {sound.length === 1 ? 'Keep 1 day' : `Keep ${sound.length} days`}
        </Button>
      </Box>
    </Box>
  );
}
