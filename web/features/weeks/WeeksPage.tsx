import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type DragEvent, type KeyboardEvent, useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';

import { Refusal } from '../../api/client';
import { day, shortDay } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { MODES } from '../library/words';
import { dayOf, put, shifted, weeksOf } from './grid';
import { type Moves, type Planned, useMove, useReplan, useWeeks, useWhatBreaks, type Weeks } from './useWeeks';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** The weeks of a case: a session is moved by keys or by hand, and what breaks is said before it is let go. */
export function WeeksPage() {
  const id = useParams().id ?? '';
  const found = useWeeks(id);
  if (found.isPending) return <Loading what="the weeks" />;
  if (found.data === undefined) return <Failed problem={found.error} again={() => void found.refetch()} />;
  return <WeeksView key={id} id={id} weeks={found.data} />;
}

function WeeksView({ id, weeks }: { id: string; weeks: Weeks }) {
  const [moves, setMoves] = useState<Moves>({});
  const [reason, setReason] = useState('');
  const [leftOut, setLeftOut] = useState<readonly string[]>([]);
  const breaks = useWhatBreaks(id, moves);
  const replan = useReplan(id);
  const move = useMove(id);
  const trying = Object.keys(moves).length > 0;
  const titleOf = (one: Planned) => weeks.slots.find((slot) => slot.key === one.slot)?.title ?? one.slot;
  const change = (next: Moves) => {
    move.reset();
    setLeftOut([]);
    setMoves(next);
  };
  const faults = move.error ?? breaks.error;
  const broken = trying ? [...(breaks.data?.stays ?? []), ...(breaks.data?.breaks.map((one) => one.words) ?? [])] : weeks.clashes.map((one) => one.words);
  return (
    <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1680, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1">{weeks.athlete}: weeks</Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>{weeks.structure}, {weeks.side === 'both' ? 'both sides' : weeks.side} · {weeks.stage}</Typography>
        <Button component={RouterLink} to={`/cases/${id}`}>Back to the case</Button>
      </Box>
      {weeks.closed_on !== null && <Alert severity="info" sx={{ mb: 1.5 }}>This case is closed. Nothing is planned.</Alert>}
      {weeks.stopped && <Alert severity="error" sx={{ mb: 1.5 }}>A stop is open. The phone asks for no session, and nothing is moved, before you have reviewed it.</Alert>}
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 340px' }, alignItems: 'start' }}>
        <Paper variant="outlined" sx={{ p: 1.5, overflowX: 'auto' }}>
          <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>Go to a session and press the arrow keys, or drag it: left and right by a day, up and down by a week. Nothing is in force before you say so.</Typography>
          <Box component="table" aria-label="Weeks" sx={{ width: '100%', minWidth: 560, borderCollapse: 'collapse', tableLayout: 'fixed', '& th': { fontWeight: 400, color: 'text.secondary', textAlign: 'left', fontSize: '0.875rem', p: 0.5 } }}>
            <thead><tr>{DAYS.map((name) => <th key={name} scope="col">{name}</th>)}</tr></thead>
            <tbody>
              {weeksOf(weeks).map((row) => (
                <tr key={row[0]}>
                  {row.map((on) => (
                    <Cell key={on} on={on} weeks={weeks} sessions={weeks.sessions.filter((one) => dayOf(one, moves) === on)} moves={moves} titleOf={titleOf} leftOut={leftOut}
                      press={(one, days) => change(shifted(weeks, one, moves, days))}
                      drop={(session) => { const one = weeks.sessions.find((planned) => planned.id === session); if (one?.open === true && on >= weeks.today && on <= weeks.until) change(put(one, moves, on)); }} />
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Paper>
        <Paper variant="outlined" component="section" aria-label="What breaks" sx={{ p: 1.5, display: 'grid', gap: 1, position: { md: 'sticky' }, top: 12 }}>
          <Typography variant="h2">{trying ? 'If you put it there' : 'As it stands'}</Typography>
          <Box role="status" aria-live="polite" sx={{ display: 'grid', gap: 0.5 }}>
            {broken.length === 0 && <Typography>{trying && breaks.isPending ? 'Looking …' : '✓ Every rule is kept.'}</Typography>}
            {broken.map((words) => <Typography key={words} sx={{ color: 'over.main' }}>▲ {words}</Typography>)}
            {trying && (breaks.data?.mends ?? []).map((words) => <Typography key={words} color="textSecondary">✓ No longer: {words}</Typography>)}
          </Box>
          {faults !== null && <Alert severity="error">{faults instanceof Refusal ? Object.values(faults.fields)[0] ?? faults.message : 'This could not be sent. Your moves stand here; try again.'}</Alert>}
          {trying ? (
            <>
              <Typography variant="h3">Moves</Typography>
              {weeks.sessions.filter((one) => one.id in moves).map((one) => <Typography key={one.id} variant="body2">{titleOf(one)}: {day(one.on)} → {day(dayOf(one, moves))}</Typography>)}
              {leftOut.length > 0 && <Alert severity="warning">No day was found for {weeks.sessions.filter((one) => leftOut.includes(one.id)).map((one) => `${titleOf(one)} on ${day(one.on)}`).join('; ')}. Move it by hand, or leave it as it is.</Alert>}
              <TextField label="Why (may be left empty)" value={reason} onChange={(event) => setReason(event.target.value)} multiline />
              <Button variant="contained" size="large" loading={move.isPending} disabled={breaks.isError} onClick={() => move.mutate({ moves, reason }, { onSuccess: () => { setMoves({}); setReason(''); } })}>{Object.keys(moves).length === 1 ? 'Put it there' : `Put ${Object.keys(moves).length} sessions there`}, and tell the athlete</Button>
              <Button onClick={() => change({})}>Leave all where they were</Button>
            </>
          ) : (
            <>
              {weeks.clashes.length > 0 && !weeks.stopped && <Button variant="outlined" loading={replan.isPending} onClick={() => replan.mutate(undefined, { onSuccess: (found) => { change(Object.fromEntries(found.moves.map((one) => [one.session, one.on]))); setLeftOut(found.left_out); } })}>Find the fewest moves that mend it</Button>}
              {leftOut.length > 0 && <Alert severity="warning">No day was found for {weeks.sessions.filter((one) => leftOut.includes(one.id)).map((one) => `${titleOf(one)} on ${day(one.on)}`).join('; ')}.</Alert>}
              {move.isSuccess && <Alert severity="success">{move.data.words}. The athlete is told. It can be taken back on the case: press u there.</Alert>}
            </>
          )}
        </Paper>
      </Box>
    </Box>
  );
}

const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

function Cell({ on, weeks, sessions, moves, titleOf, leftOut, press, drop }: {
  on: string; weeks: Weeks; sessions: readonly Planned[]; moves: Moves; titleOf: (one: Planned) => string; leftOut: readonly string[];
  press: (one: Planned, days: number) => void; drop: (session: string) => void;
}) {
  const [isOver, setOver] = useState(false);
  const isPast = on < weeks.today;
  const isEvent = weeks.events.includes(on);
  const isBlocked = weeks.blocked.includes(on);
  const key = (event: KeyboardEvent, one: Planned) => {
    const days = KEYS[event.key];
    if (days === undefined || !one.open) return;
    event.preventDefault();
    press(one, days);
  };
  const over = (event: DragEvent) => {
    if (isPast) return;
    event.preventDefault();
    setOver(true);
  };
  return (
    <Box component="td" onDragOver={over} onDragLeave={() => setOver(false)} onDrop={(event: DragEvent) => { setOver(false); drop(event.dataTransfer.getData('text/plain')); }}
      sx={{ verticalAlign: 'top', border: 1, borderColor: on === weeks.today ? 'primary.main' : 'divider', height: 86, p: 0.5, bgcolor: isOver ? 'action.selected' : isBlocked ? 'action.hover' : undefined, opacity: isPast ? 0.75 : 1 }}>
      <Typography variant="caption" sx={{ display: 'block', fontWeight: on === weeks.today ? 600 : 400 }}>{on === weeks.today ? 'Today' : shortDay(on)}{isEvent && <b> · event</b>}{isBlocked && ' · blocked'}</Typography>
      {sessions.map((one) => (
        <ButtonBase key={one.id} draggable={one.open} onDragStart={(event) => event.dataTransfer.setData('text/plain', one.id)} onKeyDown={(event) => key(event, one)} disabled={!one.open} focusRipple
          aria-label={`${titleOf(one)}${one.number > 1 ? `, ${one.number}` : ''}, ${day(on)}${one.done ? ', done' : ''}${one.id in moves ? `, from ${day(one.on)}` : ''}`}
          sx={{
            display: 'block', width: '100%', textAlign: 'left', px: 0.75, py: 0.375, mt: 0.5, borderRadius: 1, fontSize: '0.875rem', lineHeight: 1.2, border: one.id in moves ? 2 : 1,
            borderStyle: leftOut.includes(one.id) ? 'dashed' : 'solid', borderColor: one.id in moves ? 'primary.main' : 'line.main', bgcolor: 'background.paper', cursor: one.open ? 'grab' : 'default', '&:focus-visible': { outline: '2px solid', outlineColor: 'primary.main' },
          }}>
          <Mode mode={weeks.slots.find((slot) => slot.key === one.slot)?.mode} /> {titleOf(one)}{one.done && ' ✓'}{one.moved_from !== null && !(one.id in moves) && ' ↦'}
        </ButtonBase>
      ))}
    </Box>
  );
}

/** The kind of work by a shape: a bar that is held, a slope, a spring. */
function Mode({ mode }: { mode: Weeks['slots'][number]['mode'] | undefined }) {
  const shape = mode === 'isometric' ? '▬' : mode === 'plyometric' || mode === 'running' || mode === 'throwing' ? '⌃' : mode === 'sport' ? '◆' : '◢';
  return <Box component="span" aria-hidden="true" title={mode === undefined ? undefined : MODES[mode]} sx={{ color: 'primary.main' }}>{shape}</Box>;
}
