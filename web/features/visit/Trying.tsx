import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';

import type { Schemas } from '../../api/client';
import { ExerciseFigure, useExerciseFigure } from '../../figure/ExerciseFigure';
import type { Done } from '../../pacer/timeline';
import { numberOf } from '../../shell/numbers';
import { HeldForce } from '../athlete/HeldForce';
import { PacedSet, type SoFar } from '../athlete/PacedSet';
import { PainRow } from '../athlete/PainRow';
import type { Rung, Visit } from './useVisit';

const RESERVE = [0, 1, 2, 3, 4] as const;

/** One rung after another: paced on this screen, then how it was tolerated. */
export function Trying({
  visit,
  trials,
  setTrials,
}: {
  visit: Visit;
  trials: Schemas['Trial'][];
  setTrials: (trials: Schemas['Trial'][]) => void;
}) {
  const [chosen, setChosen] = useState(visit.exercises[0]?.exercise ?? '');
  const rung = visit.exercises.find((exercise) => exercise.exercise === chosen);
  const titleOf = (exercise: string) =>
    visit.exercises.find((candidate) => candidate.exercise === exercise)?.title ?? exercise;
  if (visit.stopped)
    return (
      <Alert severity="error">
        A stop is open. Nothing is tried and nothing is loaded before you have reviewed it; measure without load, or
        refer.
      </Alert>
    );
  return (
    <Paper variant="panel" component="section" aria-label="Try in the room" sx={{ display: 'grid', gap: 1.5 }}>
      <Box>
        <Typography variant="h2">Try in the room</Typography>
        <Typography variant="body2" color="textSecondary">
          Up to pain {visit.during_max} is within the school; from {visit.stop_at} it means stop. A try is no session:
          it changes no dose by itself.
        </Typography>
      </Box>
      <Box role="group" aria-label="Exercise" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
        {visit.exercises.map((exercise) => (
          <Chip
            key={exercise.exercise}
            component="button"
            type="button"
            clickable
            label={exercise.now ? `${exercise.title} · now` : exercise.title}
            aria-pressed={exercise.exercise === chosen}
            color={exercise.exercise === chosen ? 'primary' : 'default'}
            variant={exercise.exercise === chosen ? 'filled' : 'outlined'}
            onClick={() => setChosen(exercise.exercise)}
            sx={{ fontSize: '0.9375rem', minHeight: 36 }}
          />
        ))}
      </Box>
      {rung !== undefined && (
        <OneTry
          key={`${rung.exercise} ${trials.length}`}
          rung={rung}
          visit={visit}
          onKeep={(trial) => setTrials([...trials, trial])}
        />
      )}
      {trials.length > 0 && (
        <List component="ol" aria-label="Tried" disablePadding>
          {trials.map((trial, i) => (
            <Box
              component="li"
              key={i}
              sx={{ borderTop: 1, borderColor: 'divider', py: 0.5, display: 'flex', gap: 1, alignItems: 'baseline' }}
            >
              <Typography sx={{ flex: 1 }}>
                <b>{titleOf(trial.exercise)}</b>,{' '}
                {trial.hold_s === null || trial.hold_s === undefined
                  ? `${trial.reps ?? ''} repetitions`
                  : `${trial.hold_s} s held`}
                {(trial.load_kg ?? 0) > 0 && ` at ${trial.load_kg ?? ''} kg`}: pain {trial.pain}
                {trial.pain > visit.during_max && (
                  <Box component="span" sx={{ color: 'over.main' }}>
                    {' '}
                    ▲ over the limit
                  </Box>
                )}
                {trial.reserve !== null && trial.reserve !== undefined && `, ${trial.reserve} in reserve`}
              </Typography>
              <Button
                size="small"
                aria-label={`Take away try ${i + 1}`}
                onClick={() => setTrials(trials.filter((_, at) => at !== i))}
              >
                Take away
              </Button>
            </Box>
          ))}
        </List>
      )}
    </Paper>
  );
}

function OneTry({ rung, visit, onKeep }: { rung: Rung; visit: Visit; onKeep: (trial: Schemas['Trial']) => void }) {
  const holds = rung.mode === 'isometric' && rung.dose.hold_s !== undefined;
  const [paced, setPaced] = useState(false);
  const { data: figure } = useExerciseFigure(rung.exercise, rung.dose.range);
  const [amount, setAmount] = useState('');
  const [load, setLoad] = useState(rung.dose.load_kg === undefined ? '' : String(rung.dose.load_kg));
  const [pain, setPain] = useState<number | null>(null);
  const [reserve, setReserve] = useState<number | null>(null);
  const soFar: SoFar = useRef(null);
  const done = (what: Done | null) => {
    setPaced(false);
    if (what !== null) setAmount(String(holds ? Math.round(what.held_s ?? rung.dose.hold_s ?? 0) : what.reps));
  };
  const [count, kilograms] = [numberOf(amount), load.trim() === '' ? null : numberOf(load)];
  const faults = {
    amount:
      amount.trim() !== '' && (count === null || count < 1 || (!holds && !Number.isInteger(count)))
        ? holds
          ? 'Seconds, as a number.'
          : 'A whole number.'
        : undefined,
    load:
      load.trim() !== '' && (kilograms === null || kilograms < 0 || kilograms > 1000)
        ? 'Kilograms, from 0 to 1000.'
        : undefined,
  };
  const ready = count !== null && pain !== null && faults.amount === undefined && faults.load === undefined;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1fr)' },
        alignItems: 'start',
        borderTop: 1,
        borderColor: 'divider',
        pt: 1.5,
      }}
    >
      <Box>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
          {!paced && (
            <ExerciseFigure
              exercise={rung.exercise}
              title={rung.title}
              size={180}
              range={rung.dose.range}
              mirrored={visit.side === 'left'}
            />
          )}
          <Box>
            <Typography variant="h3">{rung.title}</Typography>
            <Typography variant="body2">
              {rung.words}
              {rung.tempo_words === null ? '' : ` · ${rung.tempo_words}`} · {rung.limbs}
            </Typography>
          </Box>
        </Box>
        <Typography variant="body2" sx={{ mt: 1 }}>
          {rung.set_up} {rung.movement}
        </Typography>
        {rung.band !== null && <HeldForce band={rung.band} first />}
        <Box sx={{ mt: 1 }}>
          {paced ? (
            <PacedSet
              exercise={rung}
              loud
              title={`A set of ${rung.title}`}
              soFar={soFar}
              onBegin={() => undefined}
              onDone={done}
              figure={figure ?? null}
              mirrored={visit.side === 'left'}
            />
          ) : (
            <Button variant="outlined" size="large" onClick={() => setPaced(true)}>
              Pace a set on this screen
            </Button>
          )}
        </Box>
      </Box>
      <Box
        component="form"
        noValidate
        aria-label="How it was tolerated"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready)
            onKeep({
              exercise: rung.exercise,
              reps: holds ? null : count,
              hold_s: holds ? count : null,
              load_kg: kilograms,
              pain,
              reserve,
            });
        }}
        sx={{ display: 'grid', gap: 1.5 }}
      >
        <Box sx={{ display: 'flex', gap: 1 }}>
          <TextField
            label={holds ? 'Held, s' : 'Repetitions'}
            value={amount}
            onChange={(event) => setAmount(event.target.value)}
            error={faults.amount !== undefined}
            helperText={faults.amount}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            sx={{ '& input': { fontSize: '1.5rem', py: 1 }, flex: 1 }}
          />
          <TextField
            label="Load, kg"
            value={load}
            onChange={(event) => setLoad(event.target.value)}
            error={faults.load !== undefined}
            helperText={faults.load}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            sx={{ '& input': { fontSize: '1.5rem', py: 1 }, flex: 1 }}
          />
        </Box>
        <Typography variant="subtitle1">Worst pain in it</Typography>
        <PainRow
          label="Worst pain in it"
          value={pain}
          onChoose={setPain}
          zones={{ max: visit.during_max, wanted: null, stop: visit.stop_at }}
        />
        {!holds && (
          <Box>
            <Typography variant="subtitle1" sx={{ mb: 0.5 }}>
              How many more could have been done, if asked
            </Typography>
            <ToggleButtonGroup
              exclusive
              value={reserve}
              onChange={(_, next: number | null) => setReserve(next)}
              aria-label="In reserve"
              fullWidth
            >
              {RESERVE.map((item) => (
                <ToggleButton
                  key={item}
                  value={item}
                  aria-label={item === 4 ? '4 or more' : String(item)}
                  sx={{ fontSize: '1.125rem', minHeight: 48 }}
                >
                  {item === 4 ? '4+' : item}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Box>
        )}
        {pain !== null && pain >= visit.stop_at && (
          <Alert severity="error">
            Stop here. Nothing more is loaded today; see what it is before you go on, and write it down.
          </Alert>
        )}
        <Button type="submit" variant="contained" size="large" disabled={!ready}>
          Keep this try
        </Button>
      </Box>
    </Box>
  );
}
