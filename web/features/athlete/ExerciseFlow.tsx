import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';

import { Movement } from '../../charts/Movement';
import { fromKg, inUnits, loadWords, type Settings, toKg, useSettings } from '../../phone/settings';
import type { Exercise } from '../../phone/useToday';
import { PacedSet } from './PacedSet';
import { PainRow } from './PainRow';
import { Rest } from './Rest';
import { doneSet, type Progress, type Run } from './run';

const HURT = [['start', 'At the start of the movement'], ['end', 'At the end of the movement'], ['throughout', 'All the way through'], ['unsaid', 'I cannot say']] as const;

const SKIPS = ['hurts too much', 'no equipment', 'no time', 'the test got worse'];

/** One exercise: how, each set paced, rests, pain; the test before and after where the school asks for it. */
export function ExerciseFlow({ run, exercise, set }: { run: Run; exercise: Exercise; set: (run: Run) => void }) {
  const settings = useSettings();
  const [skipping, setSkipping] = useState(false);
  const [loading, setLoading] = useState(false);
  const progress = run.progress[run.at];
  if (progress === undefined) return null;
  const { dose } = exercise;
  const setsDone = progress.sets.length;
  const allDone = setsDone >= dose.sets || (setsDone > 0 && progress.skipped !== null);
  const change = (part: Partial<Progress>, more: Partial<Run> = {}) => set({ ...run, ...more, progress: run.progress.map((one, i) => (i === run.at ? { ...one, ...part } : one)) });
  const nextExercise = (part: Partial<Progress>, more: Partial<Run> = {}) => change(part, { at: run.at + 1, turns: 0, rest_until: null, ...more });
  const load = progress.load_kg ?? dose.load_kg ?? exercise.load?.kg ?? null;
  const isToFind = exercise.load?.source === 'to_find' && progress.load_kg === null;
  const isCounted = exercise.mode !== 'isometric' && dose.work_s === undefined;
  const sideWords = exercise.sides === 2 ? `, side ${run.turns + 1} of 2` : '';
  const rest = () => (dose.rest_s > 0 ? Date.now() + 1000 * dose.rest_s : null);

  const finished = (reps: number, heldS: number | null) => {
    if (exercise.sides === 2 && run.turns === 0) {
      change({}, { turns: 1, rest_until: rest() });
      return;
    }
    const sets = [...progress.sets, doneSet(exercise, progress.load_kg, reps, heldS)];
    change({ sets, between: null }, { turns: 0, rest_until: sets.length < dose.sets ? rest() : null });
  };

  if (run.retest && progress.before === null && run.last_test === null && setsDone === 0) {
    return (
      <Ask title="First the test, once" words="Score it now. It is asked again after each exercise, so that you see which one helps.">
        <PainRow label="Test before" value={null} choose={(before) => change({ before }, { last_test: before })} />
      </Ask>
    );
  }
  if (allDone && progress.pain === null) {
    return (
      <Ask title={exercise.title} words={exercise.wanted_pain === null ? 'Worst pain in this exercise, 0–10' : `Worst pain in this exercise, 0–10. Here ${exercise.wanted_pain} to ${exercise.max_pain} is wanted.`}>
        <PainRow label={`Pain in ${exercise.title}`} value={null} choose={(pain) => (pain < run.stop_at && (run.retest || pain > exercise.max_pain) ? change({ pain }) : nextExercise({ pain, before: run.last_test ?? progress.before }))} />
        {setsDone > 0 && isCounted && <Reserve value={progress.reserve} choose={(reserve) => change({ reserve })} />}
      </Ask>
    );
  }
  if (allDone && progress.pain !== null && progress.pain > exercise.max_pain && progress.hurt_at === null) {
    const told = (hurt_at: NonNullable<Progress['hurt_at']>) => (run.retest ? change({ hurt_at }) : nextExercise({ hurt_at, before: run.last_test ?? progress.before }));
    return (
      <Ask title="Where did it hurt?" words={`${progress.pain} is over the limit of ${exercise.max_pain} in this exercise. Your practitioner sees it; no more of it today.`}>
        {HURT.map(([at, words]) => <Button key={at} variant="outlined" onClick={() => told(at)} sx={{ minHeight: 56, fontSize: 18 }}>{words}</Button>)}
      </Ask>
    );
  }
  if (allDone && run.retest && progress.after === null) {
    return (
      <Ask title="The test again, once" words="">
        <PainRow label="Test after" value={null} choose={(after) => change({ before: run.last_test ?? progress.before, after })} />
      </Ask>
    );
  }
  if (allDone) {
    const worse = progress.after !== null && progress.before !== null && progress.after > progress.before;
    return (
      <Ask title={worse ? 'That made the test worse' : 'Next'} words={worse ? `From ${progress.before ?? 0} to ${progress.after ?? 0}. Better leave ${exercise.title.toLowerCase()} out for now; your practitioner sees it.` : ''}>
        <Button variant="contained" onClick={() => nextExercise({}, { last_test: progress.after ?? run.last_test })} sx={{ minHeight: 64, fontSize: 20 }}>Go on</Button>
      </Ask>
    );
  }
  const title = `Set ${setsDone + 1} of ${dose.sets}${sideWords}`;
  if (run.rest_until !== null) {
    return (
      <Frame exercise={exercise} title={title} load={load} units={settings.units}>
        <Rest until={run.rest_until} seconds={dose.rest_s} loud={settings.sound} next={title} over={() => change({}, { rest_until: null })} />
        {run.retest && setsDone > 0 && run.turns === 0 && (
          <TestBetween
            before={run.last_test ?? progress.before}
            value={progress.between}
            choose={(between) => change({ between })}
            drop={() => change({ skipped: 'the test got worse' }, { rest_until: null })}
          />
        )}
      </Frame>
    );
  }
  return (
    <Frame exercise={exercise} title={title} load={load} units={settings.units}>
      {progress.pain !== null && progress.pain > exercise.max_pain && <Alert severity="warning">Over your limit of {exercise.max_pain}. No more of this exercise today.</Alert>}
      {exercise.load != null && (setsDone === 0 || isToFind) && <Alert severity={isToFind ? 'info' : 'success'} icon={false} sx={{ my: 1, fontSize: 16 }}>{inUnits(exercise.load.words, settings.units)}</Alert>}
      {isToFind && <LoadField kg={null} units={settings.units} choose={(kg) => change({ load_kg: kg })} />}
      <PacedSet key={`${setsDone}-${run.turns}`} exercise={exercise} loud={settings.sound} title={title} done={finished} />
      {setsDone === 0 && run.turns === 0 && <How exercise={exercise} />}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        {load !== null && <Button onClick={() => setLoading(!loading)} aria-expanded={loading} sx={{ minHeight: 48 }}>Another load</Button>}
        <Button onClick={() => setSkipping(!skipping)} aria-expanded={skipping} sx={{ minHeight: 48 }}>{setsDone === 0 ? 'Leave it out' : 'No more sets'}</Button>
      </Box>
      {loading && <LoadField kg={load} units={settings.units} choose={(kg) => { change({ load_kg: kg }); setLoading(false); }} />}
      {skipping && (
        <Box role="group" aria-label="Why" sx={{ display: 'grid', gap: 0.75 }}>
          <Typography>Why?</Typography>
          {SKIPS.map((why) => (
            <Button key={why} variant="outlined" onClick={() => (setsDone === 0 ? nextExercise({ skipped: why }) : change({ skipped: why }, { turns: 0, rest_until: null }))} sx={{ minHeight: 52, fontSize: 16 }}>{why}</Button>
          ))}
        </Box>
      )}
    </Frame>
  );
}

/** How many more could have been done: from three on, the next session takes a larger step. Asked, not insisted on. */
function Reserve({ value, choose }: { value: number | null; choose: (reserve: number) => void }) {
  const words = 'How many more could you have done?';
  const names = ['0', '1', '2', '3', '4+'];
  return (
    <Box>
      <Typography sx={{ mb: 0.75 }}>{words} <Typography component="span" color="textSecondary">If you like.</Typography></Typography>
      <ToggleButtonGroup exclusive fullWidth value={value} aria-label={words} onChange={(_, reserve: number | null) => { if (reserve !== null) choose(reserve); }}>
        {names.map((name, reserve) => <ToggleButton key={name} value={reserve} sx={{ minHeight: 52, fontSize: 18 }}>{name}</ToggleButton>)}
      </ToggleButtonGroup>
    </Box>
  );
}

/** The test in a rest between sets: asked, not insisted on; where it got worse, no more sets are the better choice. */
function TestBetween({ before, value, choose, drop }: { before: number | null; value: number | null; choose: (score: number) => void; drop: () => void }) {
  const worse = value !== null && before !== null && value > before;
  return (
    <Box component="section" aria-label="The test in this rest" sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
      <Typography>The test now, once</Typography>
      <PainRow label="Test in this rest" value={value} choose={choose} />
      {worse && <Alert severity="warning">It made the test worse, from {before} to {value}. Better no more of it today.</Alert>}
      {worse && <Button variant="contained" onClick={drop} sx={{ minHeight: 56, fontSize: 18 }}>No more sets of it</Button>}
    </Box>
  );
}

function Frame({ exercise, title, load, units, children }: { exercise: Exercise; title: string; load: number | null; units: Settings['units']; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={exercise.title} sx={{ p: 2 }}>
      <Typography variant="h2">{exercise.title}</Typography>
      <Typography sx={{ fontSize: 17 }}>{inUnits(exercise.words, units)}, {exercise.limbs}</Typography>
      <Typography sx={{ fontSize: 19, fontWeight: 600, mt: 0.5 }}>{title}{load === null || load === 0 ? '' : ` · ${loadWords(load, units)}`}</Typography>
      {exercise.why !== null && <Typography color="textSecondary">{exercise.why}</Typography>}
      {exercise.cue !== null && <Typography color="textSecondary">{exercise.cue}</Typography>}
      {children}
    </Paper>
  );
}

function Ask({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={title} sx={{ p: 2, display: 'grid', gap: 1.25 }}>
      <Typography variant="h2">{title}</Typography>
      {words !== '' && <Typography>{words}</Typography>}
      {children}
    </Paper>
  );
}

function How({ exercise }: { exercise: Exercise }) {
  const lines = [exercise.set_up, exercise.movement, exercise.feel === null ? null : `Feel: ${exercise.feel}`, exercise.faults === null ? null : `Not: ${exercise.faults}`].filter((line) => line !== null);
  return (
    <Box sx={{ display: 'flex', gap: 1.5, mt: 1.5, alignItems: 'flex-start' }}>
      <Movement exercise={exercise.exercise} mode={exercise.mode} title={exercise.title} size={96} />
      <Box component="ul" sx={{ m: 0, pl: 2 }}>{lines.map((line) => <li key={line}>{line}</li>)}</Box>
    </Box>
  );
}

function LoadField({ kg, units, choose }: { kg: number | null; units: 'kg' | 'lb'; choose: (kg: number) => void }) {
  const [text, setText] = useState(kg === null ? '' : String(fromKg(kg, units)));
  const load = Number(text.trim().replace(',', '.'));
  const sound = text.trim() !== '' && Number.isFinite(load) && load >= 0;
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mt: 1 }}>
      <TextField label={`Load used, ${units}`} value={text} onChange={(event) => setText(event.target.value)} error={!sound && text !== ''} helperText={sound || text === '' ? undefined : `A number, such as 22.5`} slotProps={{ htmlInput: { inputMode: 'decimal' } }} sx={{ width: 150 }} />
      <Button variant="contained" disabled={!sound} onClick={() => choose(toKg(load, units))} sx={{ minHeight: 40 }}>Use it</Button>
    </Box>
  );
}
