import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';

import { Failed, Loading } from '../../shell/States';
import { useMay } from '../../shell/useSignedIn';
import { DaysDialog } from './DaysDialog';
import { type Mark, marked, marksOf, sameMarks, withOnceMore, withoutSport, withSport } from './grid';
import { ReadyBy } from './ReadyBy';
import { SportDialog } from './SportDialog';
import {
  AHEAD,
  type Ahead,
  type Marks,
  type Moves,
  useLighter,
  useMarkedWeeks,
  useReplan,
  usePut,
  useWeeks,
  useWhatBreaks,
  type Weeks,
} from './useWeeks';
import { WeekGrid } from './WeekGrid';
import { WhatBreaks } from './WhatBreaks';

/** The weeks of a case: sessions are moved, days are marked, and what breaks is said before anything is in force. */
export function WeeksPage() {
  const id = useParams().id ?? '';
  const [ahead, setAhead] = useState<Ahead>(4);
  const found = useWeeks(id, ahead);
  if (found.isPending) return <Loading what="the weeks" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <WeeksView key={id} id={id} weeks={found.data} ahead={ahead} setAhead={setAhead} />;
}

function WeeksView({
  id,
  weeks: loaded,
  ahead,
  setAhead,
}: {
  id: string;
  weeks: Weeks;
  ahead: Ahead;
  setAhead: (weeks: Ahead) => void;
}) {
  const [moves, setMoves] = useState<Moves>({});
  const weeks: Weeks = { ...loaded, sessions: withOnceMore(loaded.sessions, moves) };
  const [marks, setMarks] = useState<Marks | null>(null);
  const [notPlaced, setNotPlaced] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [pasting, setPasting] = useState(false);
  const [practising, setPractising] = useState<string | null>(null);
  const breaks = useWhatBreaks(id, moves, ahead);
  const withMarks = useMarkedWeeks(id, marks, ahead);
  const replan = useReplan(id);
  const lighter = useLighter(id);
  const put = usePut(id);
  const decides = useMay()('decide');
  const isMoving = Object.keys(moves).length > 0;
  const shown: Weeks =
    marks !== null
      ? (withMarks.data?.weeks ?? weeks)
      : isMoving
        ? { ...weeks, sums: breaks.data?.sums ?? weeks.sums }
        : weeks;
  const move = (next: Moves) => {
    put.reset();
    lighter.reset();
    replan.reset();
    setNotPlaced([]);
    setMoves(next);
  };
  const change = (next: (now: Marks) => Marks) => {
    put.reset();
    const now = marksOf(weeks);
    const then = next(marks ?? now);
    setMarks(sameMarks(then, now) ? null : then);
  };
  const mark = (days: readonly string[], as: Mark) => {
    change((now) => marked(now, days, as));
  };
  const canPlan = weeks.closed_on === null && decides;
  return (
    <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1880, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1">{weeks.athlete}: weeks</Typography>
        <Typography color="textSecondary" sx={{ flex: '1 1 240px' }}>
          {weeks.structure}, {weeks.side === 'both' ? 'both sides' : weeks.side} · {weeks.stage}
        </Typography>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Weeks ahead"
          value={ahead}
          onChange={(_event, value: Ahead | null) => {
            if (value !== null) setAhead(value);
          }}
        >
          {AHEAD.map((count) => (
            <ToggleButton key={count} value={count} sx={{ minHeight: 36 }}>
              {count} weeks
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {canPlan && (
          <Button variant="outlined" disabled={isMoving} onClick={() => setPasting(true)}>
            Shows, days off …
          </Button>
        )}
        <Button component={RouterLink} to={`/cases/${id}`}>
          Back to the case
        </Button>
      </Box>
      {weeks.closed_on !== null && (
        <Alert severity="info" sx={{ mb: 1.5 }}>
          This case is closed. Nothing is planned.
        </Alert>
      )}
      {weeks.stopped && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          A stop is open. The phone asks for no session, and nothing is moved, before you have reviewed it.
        </Alert>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 284px' },
          alignItems: 'start',
        }}
      >
        <Paper variant="outlined" sx={{ p: 1, overflowX: 'auto' }}>
          <WeekGrid
            weeks={shown}
            moves={moves}
            notPlaced={notPlaced}
            chosen={chosen}
            onChoose={setChosen}
            canMove={marks === null && decides}
            canMark={canPlan && !isMoving}
            onMove={move}
            onMark={mark}
            onAddSport={setPractising}
            onDropSport={(on) => change((now) => withoutSport(now, on))}
            onLighter={(week, less_percent) =>
              lighter.mutate(
                { week, less_percent },
                {
                  onSuccess: (found) => {
                    if (found.moves.length > 0)
                      move(Object.fromEntries(found.moves.map((other) => [other.session, other.on])));
                  },
                },
              )
            }
          />
        </Paper>
        <Box sx={{ display: 'grid', gap: 1.5, position: { md: 'sticky' }, top: 12 }}>
          <WhatBreaks
            id={id}
            weeks={weeks}
            shown={shown}
            moves={moves}
            marks={marks}
            notPlaced={notPlaced}
            chosen={chosen}
            breaks={breaks}
            withMarks={withMarks}
            put={put}
            isPlanning={replan.isPending}
            asked={lighter.error ?? replan.error}
            isLightest={lighter.data?.moves.length === 0}
            onMove={move}
            onReplan={() =>
              replan.mutate(undefined, {
                onSuccess: (found) => {
                  move(Object.fromEntries(found.moves.map((other) => [other.session, other.on])));
                  setNotPlaced(found.left_out);
                },
              })
            }
            onBack={() => {
              move({});
              setMarks(null);
              setChosen(null);
            }}
            onDone={() => {
              setMoves({});
              setMarks(null);
              setChosen(null);
            }}
          />
          {canPlan && !weeks.stopped && <ReadyBy id={id} weeks={weeks} />}
        </Box>
      </Box>
      {practising !== null && (
        <SportDialog
          on={practising}
          onClose={() => setPractising(null)}
          onAdd={(sport) => {
            change((now) => withSport(now, sport));
            setPractising(null);
          }}
        />
      )}
      {pasting && (
        <DaysDialog
          id={id}
          onClose={() => setPasting(false)}
          onMark={(days, as) => {
            mark(days, as);
            setPasting(false);
          }}
        />
      )}
    </Box>
  );
}
