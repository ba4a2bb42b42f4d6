import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { type ReactNode, useEffect, useRef } from 'react';

import type { Exercise } from '../../phone/usePhone';
import { EasierCard } from './EasierCard';
import { OverCard } from './OverCard';
import { focused } from './focused';
import type { SoFar } from './PacedSet';
import { PainRow } from './PainRow';
import type { Progress, Run } from './run';
import { SetCard } from './SetCard';
import {
  brokenOff,
  easierDone,
  goneOn,
  helped,
  HURTS,
  hurtsNow,
  isOver,
  leftOut,
  limbDone,
  oneBack,
  overSeen,
  setsAsked,
  type Step,
  stepOf,
  painEntered,
} from './steps';

/** One exercise, a question or a set at a time: each set, its rest, its pain; the test before and after where the school asks. */
export function ExerciseFlow({
  run,
  exercise,
  soFar,
  onChange,
}: {
  run: Run;
  exercise: Exercise;
  soFar: SoFar;
  onChange: (run: Run) => void;
}) {
  const progress = run.progress[run.at];
  const step = stepOf(run, exercise);
  const onNext = useRef(onChange);
  useEffect(() => {
    onNext.current = onChange;
  });
  const nothingLeft = step === 'next' && (progress?.after ?? null) === null;
  // With nothing left to ask or to tell, it goes on by itself.
  useEffect(() => {
    if (nothingLeft) onNext.current(goneOn(run));
  }, [nothingLeft, run]);
  const focus = useFocus(`${run.at} ${step} ${progress?.sets.length ?? 0} ${Object.keys(progress?.turn ?? {}).length}`);
  if (progress === undefined || nothingLeft) return null;
  return <Box ref={focus}>{card(step, run, exercise, progress, soFar, onChange)}</Box>;
}

/** The keyboard and what reads the screen follow to each new question. */
function useFocus(step: string) {
  const box = useRef<HTMLDivElement>(null);
  const before = useRef(step);
  useEffect(() => {
    if (before.current === step) return;
    before.current = step;
    box.current?.querySelector<HTMLElement>('[data-focus]')?.focus({ preventScroll: true });
    window.scrollTo({ top: 0 });
  }, [step]);
  return box;
}

function card(
  step: Step,
  run: Run,
  exercise: Exercise,
  progress: Progress,
  soFar: SoFar,
  set: (run: Run) => void,
): ReactNode {
  const change = (part: Partial<Progress>, more: Partial<Run> = {}) =>
    set({
      ...run,
      ...more,
      progress: run.progress.map((candidate, i) => (i === run.at ? { ...candidate, ...part } : candidate)),
    });
  const zones = { max: exercise.max_pain, wanted: exercise.wanted_pain, stop: run.stop_at };
  const isCounted = exercise.mode !== 'isometric' && exercise.dose.work_s === undefined && progress.sets.length > 0;
  const reserve = isCounted && <Reserve value={progress.reserve} onChoose={(value) => change({ reserve: value })} />;
  const choosePain = (pain: number) => set(painEntered(run, exercise, pain));
  const left =
    progress.skipped !== null || run.ending !== null ? 0 : setsAsked(exercise, progress) - progress.sets.length;
  switch (step) {
    case 'test_before':
      return (
        <Ask
          title="First the test, once"
          words="Score it now. It is asked again after each exercise, so that you see which one helps."
        >
          <PainRow label="Test before" value={null} onChoose={(before) => change({ before }, { last_test: before })} />
        </Ask>
      );
    case 'set_pain':
      return (
        <Ask
          title={`Set ${progress.sets.length}: how much did it hurt?`}
          words={`Worst pain in this set, 0–10.${wanted(exercise)}`}
        >
          {isOver(exercise, progress) && reserve}
          <PainRow label={`Pain in set ${progress.sets.length}`} value={null} zones={zones} onChoose={choosePain} />
          <Back run={run} onChange={set} />
        </Ask>
      );
    case 'pain':
      return (
        <Ask
          title={exercise.title}
          words={
            progress.sets.length === 0
              ? `How much does it hurt, 0–10?`
              : `Worst pain in this exercise, 0–10.${wanted(exercise)}`
          }
        >
          {reserve}
          <PainRow label={`Pain in ${exercise.title}`} value={null} zones={zones} onChoose={choosePain} />
          {progress.sets.length > 0 && progress.skipped === null && <Back run={run} onChange={set} />}
        </Ask>
      );
    case 'over':
      return (
        <OverCard
          exercise={exercise}
          pain={progress.over ?? 0}
          words={run.over_words}
          hurtAt={progress.hurt_at}
          left={left}
          onHurtAt={(hurt_at) => change({ hurt_at })}
          onHelp={(relief) => set(helped(run, exercise, relief))}
          onContinue={() => set(overSeen(run))}
        />
      );
    case 'easier':
      return progress.easier === null ? null : (
        <EasierCard
          key={exercise.prescription}
          easier={progress.easier}
          left={Math.max(1, exercise.dose.sets - progress.sets.length)}
          words={exercise.words}
          zones={zones}
          onDone={(sets, pain) => set(easierDone(run, sets, pain))}
        />
      );
    case 'test_after':
      return (
        <Ask title="The test again, once" words="">
          <PainRow
            label="Test after"
            value={null}
            onChoose={(after) => change({ before: run.last_test ?? progress.before, after })}
          />
        </Ask>
      );
    case 'next': {
      const worse = progress.after !== null && progress.before !== null && progress.after > progress.before;
      return (
        <Ask
          title={worse ? 'That made the test worse' : 'Next'}
          words={
            worse
              ? `From ${progress.before ?? 0} to ${progress.after ?? 0}. Better leave ${exercise.title.toLowerCase()} out for now; your practitioner sees it.`
              : ''
          }
        >
          <Button variant="contained" onClick={() => set(goneOn(run))} size="main">
            Go on
          </Button>
        </Ask>
      );
    }
    default:
      return (
        <SetCard
          key={exercise.prescription}
          soFar={soFar}
          exercise={exercise}
          progress={progress}
          zones={zones}
          restUntil={step === 'rest' ? run.rest_until : null}
          inRest={
            run.retest &&
            progress.sets.length > 0 &&
            Object.keys(progress.turn).length === 0 && (
              <TestBetween
                before={run.last_test ?? progress.before}
                value={progress.between}
                onChoose={(between) => change({ between })}
                onDrop={() => set(leftOut(run, 'the test got worse'))}
              />
            )
          }
          onLimbDone={(done) => set(limbDone(run, exercise, done))}
          onChange={change}
          onRestOver={() => change({}, { rest_until: null })}
          onLeave={(why) => set(leftOut(brokenOff(run, soFar.current?.() ?? null), why))}
          onHurts={(pain) => set(hurtsNow(run, exercise, pain, soFar.current?.() ?? null))}
          onBack={() => set(oneBack(run))}
        />
      );
  }
}

const wanted = (exercise: Exercise): string =>
  exercise.wanted_pain === null ? '' : ` Here ${exercise.wanted_pain} to ${exercise.max_pain} is wanted.`;

function Back({ run, onChange }: { run: Run; onChange: (run: Run) => void }) {
  return <Button onClick={() => onChange(oneBack(run))}>Wrong: take the last set back</Button>;
}

/** How many more could have been done: from three on, the next session takes a larger step. Asked, not insisted on. */
function Reserve({ value, onChoose }: { value: number | null; onChoose: (reserve: number) => void }) {
  const words = 'How many more could you have done?';
  const names = ['0', '1', '2', '3', '4+'];
  return (
    <Box>
      <Typography sx={{ mb: 0.75 }}>
        {words}{' '}
        <Typography component="span" color="textSecondary">
          If you like, first.
        </Typography>
      </Typography>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={value}
        aria-label={words}
        onChange={(_, reserve: number | null) => {
          if (reserve !== null) onChoose(reserve);
        }}
      >
        {names.map((name, reserve) => (
          <ToggleButton key={name} value={reserve}>
            {name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}

/** The test in a rest between sets: asked, not insisted on; where it got worse, no more sets are the better choice. */
function TestBetween({
  before,
  value,
  onChoose,
  onDrop,
}: {
  before: number | null;
  value: number | null;
  onChoose: (score: number) => void;
  onDrop: () => void;
}) {
  const worse = value !== null && before !== null && value > before;
  return (
    <Box component="section" aria-label="The test in this rest" sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
      <Typography>The test now, once</Typography>
      <PainRow label="Test in this rest" value={value} onChoose={onChoose} />
      {worse && (
        <Alert severity="warning">
          It made the test worse, from {before} to {value}. Better not to do any more of it today.
        </Alert>
      )}
      {worse && (
        <Button variant="contained" onClick={onDrop} size="large">
          No more sets of it
        </Button>
      )}
    </Box>
  );
}

function Ask({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <Paper variant="panel" component="section" aria-label={title} sx={{ display: 'grid', gap: 1.25 }}>
      <Typography variant="h2" tabIndex={-1} data-focus>
        {title}
      </Typography>
      {words !== '' && <Typography>{words}</Typography>}
      {children}
    </Paper>
  );
}

/** Why the session ends before its end; that it hurts asks for how much. */
export function EndHere({ onReason, onStay }: { onReason: (reason: string) => void; onStay: () => void }) {
  return (
    <Paper variant="panel" component="section" aria-label="End the session here" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2" tabIndex={-1} ref={focused}>
        Why end here?
      </Typography>
      {[HURTS, 'no time', 'too tired', 'another reason'].map((reason) => (
        <Button key={reason} variant="outlined" onClick={() => onReason(reason)} size="large">
          {reason}
        </Button>
      ))}
      <Button onClick={onStay}>Go on with the session</Button>
    </Paper>
  );
}
