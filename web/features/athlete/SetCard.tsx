import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';

import type { Done } from '../../pacer/timeline';
import { usePlanFigure } from '../../phone/figures';
import { changeSettings, inUnits, loadWords, type Settings, useSettings } from '../../phone/settings';
import type { Exercise } from '../../phone/usePhone';
import { HeldForce } from './HeldForce';
import { LoadField } from './LoadField';
import { PacedSet, type SoFar } from './PacedSet';
import { PainRow, type Zones } from './PainRow';
import { Rest } from './Rest';
import { loadOf, type Progress } from './run';
import { REASONS, setsAsked, sideNow } from './steps';

interface Doing {
  exercise: Exercise;
  progress: Progress;
  zones: Zones;
  restUntil: number | null;
  /** The test in the rest between sets, where the school asks for it. */
  inRest: ReactNode;
  /** What of the set under way is done. */
  soFar: SoFar;
  onLimbDone: (done: Done | null) => void;
  onChange: (part: Partial<Progress>) => void;
  onRestOver: () => void;
  onLeave: (why: string) => void;
  onHurts: (pain: number) => void;
  onBack: () => void;
}

/** One set of one limb: what it is, the pacer or the rest, and ways to change the load, to stop and to say that it hurts. */
export function SetCard({
  exercise,
  progress,
  zones,
  restUntil,
  inRest,
  soFar,
  onLimbDone,
  onChange,
  onRestOver,
  onLeave,
  onHurts,
  onBack,
}: Doing) {
  const settings = useSettings();
  const [open, setOpen] = useState<'load' | 'leave' | 'hurts' | null>(null);
  const [isNothing, setNothing] = useState(false);
  /** The limb and set that the pacer was started for. */
  const [begun, setBegun] = useState<string | null>(null);
  const done = progress.sets.length;
  const load = loadOf(exercise, progress);
  const isToFind = exercise.load?.source === 'to_find' && progress.load_kg === null;
  const side = sideNow(exercise, progress);
  const takesTurns = exercise.sides.length === 2;
  const shown = usePlanFigure(exercise.figure, side);
  const turn = Object.keys(progress.turn).length;
  const words = exercise.sides.find((limb) => limb.side === side)?.words;
  const other = exercise.sides.find((limb) => limb.side !== side);
  const title = `Set ${done + 1} of ${setsAsked(exercise, progress)}${words === undefined ? '' : `, ${words}`}`;
  const toggle = (what: typeof open) => setOpen(open === what ? null : what);
  const now = `${done}-${side ?? ''}`;
  const finish = (what: Done | null) => {
    setNothing(what === null);
    setBegun(null);
    if (what !== null) onLimbDone(what);
  };
  if (restUntil !== null) {
    return (
      <Frame exercise={exercise} title={title} load={load} units={settings.units}>
        <Rest until={restUntil} seconds={exercise.dose.rest_s} loud={settings.sound} next={title} onOver={onRestOver} />
        {inRest}
        <Button onClick={onBack}>Wrong: take the last {turn > 0 ? 'side' : 'set'} back</Button>
      </Frame>
    );
  }
  return (
    <Frame exercise={exercise} title={title} load={load} units={settings.units}>
      {exercise.load != null && (done === 0 || isToFind) && (
        <Alert severity={isToFind ? 'info' : 'success'} icon={false} sx={{ my: 1, fontSize: '1rem' }}>
          {inUnits(exercise.load.words, settings.units)}
        </Alert>
      )}
      {isToFind && (
        <LoadField
          kg={null}
          usual={exercise.usual_load}
          units={settings.units}
          onChoose={(kg) => onChange({ load_kg: kg })}
        />
      )}
      {exercise.band != null && <HeldForce band={exercise.band} first={done === 0 && turn === 0} />}
      {isNothing && (
        <Alert severity="info" sx={{ my: 1 }}>
          Nothing was done of this {takesTurns ? 'side' : 'set'}, so nothing is written down. Start it again, or leave
          it out.
        </Alert>
      )}
      <PacedSet
        key={now}
        exercise={exercise}
        loud={settings.sound}
        title={title}
        soFar={soFar}
        onBegin={() => setBegun(now)}
        onDone={finish}
        figure={shown.figure}
        mirrored={shown.mirrored}
      />
      {takesTurns && turn === 0 && other !== undefined && begun !== now && (
        <Button onClick={() => onChange({ first: other.side })}>Begin with the {other.side}</Button>
      )}
      {isNothing && takesTurns && (
        <Button
          onClick={() => {
            setNothing(false);
            onLimbDone(null);
          }}
        >
          Leave the {side} out of this set
        </Button>
      )}
      {done === 0 && turn === 0 && <How exercise={exercise} />}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        <Button onClick={() => toggle('hurts')} aria-expanded={open === 'hurts'} sx={{ color: 'over.main' }}>
          It hurts
        </Button>
        {load !== null && (
          <Button onClick={() => toggle('load')} aria-expanded={open === 'load'}>
            Another load
          </Button>
        )}
        <Button onClick={() => toggle('leave')} aria-expanded={open === 'leave'}>
          {done === 0 && turn === 0 ? 'Leave it out' : 'No more sets'}
        </Button>
        {(done > 0 || turn > 0) && <Button onClick={onBack}>Take the last {turn > 0 ? 'side' : 'set'} back</Button>}
        <Button onClick={() => changeSettings({ sound: !settings.sound })} aria-pressed={settings.sound}>
          Sound {settings.sound ? 'on' : 'off'}
        </Button>
      </Box>
      {open === 'load' && (
        <LoadField
          kg={load}
          usual={exercise.usual_load}
          units={settings.units}
          onChoose={(kg) => {
            onChange({ load_kg: kg });
            setOpen(null);
          }}
        />
      )}
      {open === 'hurts' && (
        <Box sx={{ display: 'grid', gap: 0.75 }}>
          <Typography>How much, 0–10?</Typography>
          <PainRow
            label="Pain now"
            value={null}
            zones={zones}
            onChoose={(pain) => {
              setOpen(null);
              onHurts(pain);
            }}
          />
        </Box>
      )}
      {open === 'leave' && (
        <Box role="group" aria-label="Why" sx={{ display: 'grid', gap: 0.75 }}>
          <Typography>Why?</Typography>
          {REASONS.map((why) => (
            <Button key={why} variant="outlined" onClick={() => onLeave(why)} size="large">
              {why}
            </Button>
          ))}
        </Box>
      )}
    </Frame>
  );
}

function Frame({
  exercise,
  title,
  load,
  units,
  children,
}: {
  exercise: Exercise;
  title: string;
  load: number | null;
  units: Settings['units'];
  children: ReactNode;
}) {
  return (
    <Paper variant="panel" component="section" aria-label={exercise.title}>
      <Typography variant="h2">{exercise.title}</Typography>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        {inUnits(exercise.words, units)}, {exercise.limbs}
      </Typography>
      <Typography tabIndex={-1} data-focus variant="subtitle1" sx={{ fontSize: '1.1875rem', mt: 0.5 }}>
        {title}
        {load === null || load === 0 ? '' : ` · ${loadWords(load, units)}`}
      </Typography>
      {exercise.why !== null && <Typography color="textSecondary">{exercise.why}</Typography>}
      {exercise.cue !== null && <Typography color="textSecondary">{exercise.cue}</Typography>}
      {children}
    </Paper>
  );
}

function How({ exercise }: { exercise: Exercise }) {
  const lines = [
    exercise.set_up,
    exercise.movement,
    exercise.feel === null ? null : `Feel: ${exercise.feel}`,
    exercise.faults === null ? null : `Not: ${exercise.faults}`,
  ].filter((line) => line !== null);
  return (
    <Box component="ul" sx={{ m: 0, mt: 1.5, pl: 2 }}>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </Box>
  );
}
