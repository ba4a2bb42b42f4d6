import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { Refusal } from '../../api/client';
import { day, plusDays } from '../../shell/dates';
import { dayOf, isLeftOut, leftOut, onceMore, shifted, shiftedAll, swapped } from './grid';
import {
  AGAIN,
  type Marks,
  type Moves,
  type Planned,
  type useMarkedWeeks,
  type usePut,
  type useWhatBreaks,
  type Weeks,
} from './useWeeks';

interface Props {
  id: string;
  /** As they stand. */
  weeks: Weeks;
  /** As they would stand with the marks that are tried. */
  shown: Weeks;
  moves: Moves;
  marks: Marks | null;
  notPlaced: readonly string[];
  chosen: string | null;
  breaks: ReturnType<typeof useWhatBreaks>;
  withMarks: ReturnType<typeof useMarkedWeeks>;
  put: ReturnType<typeof usePut>;
  isPlanning: boolean;
  /** What went wrong where moves were asked for. */
  asked: Error | null;
  /** Whether a week was to be made lighter, of which nothing more can be left out. */
  isLightest: boolean;
  onMove: (moves: Moves) => void;
  onReplan: () => void;
  onBack: () => void;
  onDone: () => void;
}

/** What breaks and what is fixed, before anything is in force, and putting it in force. */
export function WhatBreaks({
  id,
  weeks,
  shown,
  moves,
  marks,
  notPlaced,
  chosen,
  breaks,
  withMarks,
  put,
  isPlanning,
  asked,
  isLightest,
  onMove,
  onReplan,
  onBack,
  onDone,
}: Props) {
  const [reason, setReason] = useState('');
  const isMoving = Object.keys(moves).length > 0;
  const isTrying = isMoving || marks !== null;
  const titleOf = (session: Planned) => weeks.slots.find((slot) => slot.key === session.slot)?.title ?? session.slot;
  const broken = isMoving
    ? [...(breaks.data?.stays ?? []), ...(breaks.data?.breaks.map((clash) => clash.words) ?? [])]
    : shown.clashes.map((clash) => clash.words);
  // What is over is over; what comes can be made lighter.
  const over = shown.sums
    .filter((week) => plusDays(week.from, 6) >= weeks.today)
    .flatMap((week) =>
      week.figures.flatMap((figure) => (figure.over === null ? [] : [`Week of ${day(week.from)}. ${figure.over}`])),
    );
  const faults = put.error ?? asked ?? (isMoving ? breaks.error : marks !== null ? withMarks.error : null);
  const looking = (isMoving && breaks.isPending) || (marks !== null && withMarks.isPending);
  const session = weeks.sessions.find((planned) => planned.id === chosen && planned.open);
  const unplaced = weeks.sessions.filter((planned) => notPlaced.includes(planned.id));
  return (
    <Paper variant="panel" component="section" aria-label="What breaks" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">{isTrying ? 'If you put it there' : 'As it stands'}</Typography>
      <Box role="status" aria-live="polite" sx={{ display: 'grid', gap: 0.5 }}>
        {broken.length === 0 &&
          (weeks.stopped && !isTrying ? (
            <Typography>
              ✕ What is planned waits for your review.{' '}
              <Link component={RouterLink} to={`/cases/${id}`}>
                To the case
              </Link>
            </Typography>
          ) : (
            <Typography>{looking ? 'Looking …' : '✓ Every rule is kept.'}</Typography>
          ))}
        {broken.map((words) => (
          <Typography key={words} color="over">
            ▲ {words}
          </Typography>
        ))}
        {isMoving &&
          (breaks.data?.fixes ?? []).map((words) => (
            <Typography key={words} color="textSecondary">
              ✓ No longer: {words}
            </Typography>
          ))}
        {over.map((words) => (
          <Typography key={words} variant="body2" color="watch">
            ◇ {words}
          </Typography>
        ))}
      </Box>
      {faults !== null && (
        <Alert severity="error">
          {faults instanceof Refusal
            ? (Object.values(faults.fields)[0] ?? faults.message)
            : 'This could not be sent. What you changed is still here; try again.'}
        </Alert>
      )}
      {session !== undefined && marks === null && (
        <Box
          component="section"
          aria-label="Chosen session"
          sx={{ display: 'grid', gap: 0.5, borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Typography variant="h3">
            {titleOf(session)}, {day(dayOf(session, moves))}
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.5 }}>
            <Button
              variant="outlined"
              disabled={isLeftOut(session, moves)}
              onClick={() => onMove(shifted(weeks, session, moves, -1))}
            >
              ← a day
            </Button>
            <Button
              variant="outlined"
              disabled={isLeftOut(session, moves)}
              onClick={() => onMove(shifted(weeks, session, moves, 1))}
            >
              a day →
            </Button>
            <Button
              variant="outlined"
              disabled={isLeftOut(session, moves)}
              onClick={() => onMove(shiftedAll(weeks, session, moves, 1))}
              sx={{ gridColumn: '1 / -1' }}
            >
              It and all after: a day later
            </Button>
            <Button
              variant="outlined"
              disabled={isLeftOut(session, moves)}
              onClick={() => onMove(swapped(weeks, moves, dayOf(session, moves), plusDays(dayOf(session, moves), 1)))}
              sx={{ gridColumn: '1 / -1' }}
            >
              Swap its day with the next
            </Button>
            {!session.id.startsWith(AGAIN) && (
              <Button
                variant="outlined"
                disabled={isLeftOut(session, moves) || moves[AGAIN + session.id] !== undefined}
                onClick={() => onMove(onceMore(weeks, session, moves))}
                sx={{ gridColumn: '1 / -1' }}
              >
                Do it once more, the day after
              </Button>
            )}
            <Button variant="outlined" onClick={() => onMove(leftOut(session, moves))} sx={{ gridColumn: '1 / -1' }}>
              {session.id.startsWith(AGAIN)
                ? 'Not once more'
                : isLeftOut(session, moves)
                  ? 'Do not leave it out'
                  : 'Leave it out'}
            </Button>
          </Box>
        </Box>
      )}
      {isTrying ? (
        <>
          <Typography variant="h3">{marks === null ? 'Moves' : 'Days'}</Typography>
          {marks !== null && (
            <Typography variant="body2">
              {withMarks.data === undefined
                ? 'Looking …'
                : `Calendar: ${withMarks.data.words}. The sessions are placed again around it.`}
            </Typography>
          )}
          {weeks.sessions
            .filter((planned) => planned.id in moves)
            .map((planned) => (
              <Typography key={planned.id} variant="body2">
                {titleOf(planned)}
                {planned.id.startsWith(AGAIN) ? ' once more' : `: ${day(planned.on)}`} →{' '}
                {isLeftOut(planned, moves) ? 'left out' : day(dayOf(planned, moves))}
              </Typography>
            ))}
          {unplaced.length > 0 && (
            <Alert severity="warning">
              No day was found for {unplaced.map((planned) => `${titleOf(planned)} on ${day(planned.on)}`).join('; ')}.
              Move it by hand, leave it out, or leave it as it is.
            </Alert>
          )}
          <TextField
            label="Why (may be left empty)"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            multiline
            slotProps={{ htmlInput: { maxLength: 500 } }}
          />
          <Button
            variant="contained"
            size="large"
            loading={put.isPending}
            disabled={isMoving ? breaks.isError : withMarks.isError}
            onClick={() =>
              put.mutate(
                { moves, marks, reason },
                {
                  onSuccess: () => {
                    onDone();
                    setReason('');
                  },
                },
              )
            }
          >
            {marks !== null
              ? 'Mark the days'
              : Object.keys(moves).length === 1
                ? Object.values(moves)[0] === null
                  ? 'Leave it out'
                  : Object.keys(moves)[0]?.startsWith(AGAIN) === true
                    ? 'Do it once more'
                    : 'Put it there'
                : `Put ${Object.keys(moves).length} changes in force`}
            , and tell the athlete
          </Button>
          <Button onClick={onBack}>Leave all as it was</Button>
        </>
      ) : (
        <>
          {weeks.clashes.length > 0 && !weeks.stopped && (
            <Button variant="outlined" loading={isPlanning} onClick={onReplan}>
              Find the fewest moves that fix it
            </Button>
          )}
          {unplaced.length > 0 && (
            <Alert severity="warning">
              No day was found for {unplaced.map((planned) => `${titleOf(planned)} on ${day(planned.on)}`).join('; ')}.
            </Alert>
          )}
          {isLightest && (
            <Alert severity="info">
              Nothing more can be left out of this week: one session of each kind stays, and so does what is done.
            </Alert>
          )}
          {put.isSuccess && (
            <Alert severity="success">
              {put.data.words}. {weeks.stopped ? '' : 'The athlete gets a message. '}It can be taken back on the case:
              press u there.
            </Alert>
          )}
          {!weeks.stopped && (
            <Typography variant="body2" color="textSecondary">
              Arrow keys on a session move it by a day or a week; with Shift, it and all after. Delete leaves it out. A
              date opens what the day is. Nothing takes effect until you say so.
            </Typography>
          )}
        </>
      )}
    </Paper>
  );
}
