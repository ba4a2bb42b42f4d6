import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { type RefObject, useImperativeHandle, useMemo, useRef, useState } from 'react';

import { Drawing, type Pen } from '../../figure/Drawing';
import type { FigureData } from '../../figure/figure';
import { pacedAt } from '../../figure/motion';
import { MovingFigure } from '../../figure/MovingFigure';
import {
  type Done,
  doneBy,
  endOf,
  levelAt,
  type Phase,
  phaseAt,
  repsDone,
  type Timeline,
  timelineOf,
} from '../../pacer/timeline';
import { spokenOf, cue, wordOf } from '../../pacer/cues';
import { audioClock } from '../../pacer/sound';
import { useAwake, usePacer } from '../../pacer/usePacer';
import { useSettings } from '../../phone/settings';
import type { Exercise as WholeExercise } from '../../phone/usePhone';
import { colour, faint } from '../../shell/theme';

/** What the pacer needs of an exercise. */
type Exercise = Pick<WholeExercise, 'dose' | 'mode' | 'says'>;

/** Whether whoever uses this phone wants nothing to sweep. */
const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

const WIDE = 340;
const HIGH = 120;

/** What of the set under way is done at this moment, so that it is kept when something else is chosen; null where nothing is. */
export type SoFar = RefObject<(() => Done | null) | null>;

/** Read by what reads the screen aloud, and not seen. */
const visuallyHidden = {
  position: 'absolute',
  width: '1px',
  height: '1px',
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
} as const;

/** How wide a figure is beside the pacer, and while a hold is counted in its ring. */
const FIGURE = 280;

interface Props {
  exercise: Exercise;
  loud: boolean;
  title: string;
  soFar: SoFar;
  onBegin: () => void;
  onDone: (done: Done | null) => void;
  /** How the exercise is drawn; null where nothing is known of that. */
  figure?: FigureData | null;
  /** Whether the left side works. */
  mirrored?: boolean;
}

/** One set of one limb, paced by the audio clock: the figure and a mark along the trace, a ring for a hold, and tones. */
export function PacedSet({ exercise, loud, title, soFar, onBegin, onDone, figure = null, mirrored = false }: Props) {
  const line = useMemo(() => timelineOf(exercise.dose, exercise.mode), [exercise]);
  return line === null ? (
    <OwnPace exercise={exercise} title={title} onDone={onDone} figure={figure} mirrored={mirrored} />
  ) : (
    <Paced
      line={line}
      exercise={exercise}
      loud={loud}
      title={title}
      soFar={soFar}
      onBegin={onBegin}
      onDone={onDone}
      figure={figure}
      mirrored={mirrored}
    />
  );
}

function Paced({
  line,
  exercise,
  loud,
  title,
  soFar,
  onBegin,
  onDone,
  figure,
  mirrored,
}: {
  line: Timeline;
  exercise: Exercise;
  loud: boolean;
  title: string;
  soFar: SoFar;
  onBegin: () => void;
  onDone: (done: Done | null) => void;
  figure: FigureData | null;
  mirrored: boolean;
}) {
  const pen = useRef<Pen>(null);
  const mark = useRef<SVGCircleElement>(null);
  const ring = useRef<SVGCircleElement>(null);
  const word = useRef<HTMLSpanElement>(null);
  const count = useRef<HTMLSpanElement>(null);
  const clockFace = useRef<HTMLSpanElement>(null);
  const held =
    exercise.dose.hold_s !== undefined && exercise.mode === 'isometric'
      ? exercise.dose.hold_s
      : exercise.dose.tempo === undefined
        ? (exercise.dose.work_s ?? null)
        : null;
  const [less, setLess] = useState(0);
  const asked = line.reps - less;
  const isDone = useRef(false);
  const { says } = exercise;
  const settings = useSettings();
  const announcedPhase = useRef<Phase | null>(null);
  const [announced, setAnnounced] = useState('');

  const draw = (position: number, countIn: number) => {
    const phase = phaseAt(line, position);
    if (announcedPhase.current !== phase && countIn === 0) {
      announcedPhase.current = phase;
      cue(line, phase, says, settings);
      setAnnounced(spokenOf(line, phase, says));
    }
    // Where movement is unwanted, the figure stands at the end of each phase.
    if (figure !== null) pen.current?.draw(pacedAt(figure, line, isStill() ? phase.to - 0.001 : position));
    const [from, to] = drawnPart(line, position);
    if (mark.current !== null) {
      // Where movement is unwanted, the mark steps from phase to phase.
      const shown = isStill() ? phase.from : position;
      mark.current.setAttribute('cx', String((Math.max(0, shown - from) / Math.max(0.001, to - from)) * WIDE));
      mark.current.setAttribute('cy', String(yOf(levelAt(line, Math.max(shown, from)))));
      mark.current.setAttribute('data-position', position.toFixed(4));
    }
    if (ring.current !== null)
      ring.current.style.strokeDashoffset = String(
        1 - Math.min(1, ((isStill() ? Math.floor(position) : position) - phase.from) / (phase.to - phase.from)),
      );
    const isReady = countIn > 0 || phase.move === 'ready';
    if (word.current !== null)
      word.current.textContent = isReady
        ? wordOf('ready', says)
        : `${wordOf(phase.move, says)}${held !== null && line.reps > 1 && phase.move === 'hold' ? ` ${phase.rep} of ${line.reps}` : ''}`;
    if (count.current !== null)
      count.current.textContent = isReady
        ? String(Math.ceil(countIn > 0 ? countIn : phase.to - position))
        : held === null
          ? `${Math.min(asked, phase.rep)} of ${asked}`
          : String(Math.max(0, Math.ceil(phase.to - position)));
    if (clockFace.current !== null)
      clockFace.current.textContent = `${Math.max(0, Math.ceil(endOf(line, asked) - position))} s left`;
    if (held === null && less > 0 && !isDone.current && repsDone(line, position) >= asked) {
      isDone.current = true;
      soundEnd(loud);
      finish();
    }
  };
  const doneNow = (): Done | null => {
    const by = doneBy(line, exercise.dose, exercise.mode, pacer.position());
    return by === null || held !== null ? by : { reps: Math.min(asked, by.reps), held_s: by.held_s };
  };
  const finish = () => {
    pacer.pause();
    onDone(doneNow());
  };
  const pacer = usePacer(line, loud, draw, () =>
    onDone({ reps: held === null ? asked : exercise.dose.reps, held_s: null }),
  );
  useImperativeHandle(soFar, () => doneNow);
  useAwake(pacer.running);
  const begun = pacer.running || pacer.position() > 0;

  return (
    <Box component="section" aria-label={title} sx={{ textAlign: 'center' }}>
      {figure !== null && (
        <Box sx={{ display: 'grid', justifyContent: 'center' }}>
          {begun ? (
            <Drawing
              figure={figure}
              place={pacedAt(figure, line, pacer.position())}
              label={`${title}, with the pacer`}
              size={FIGURE}
              mirrored={mirrored}
              pen={pen}
            />
          ) : (
            <MovingFigure figure={figure} title={title} size={FIGURE} mirrored={mirrored} />
          )}
        </Box>
      )}
      <Box sx={{ position: 'relative', mx: 'auto', width: WIDE, maxWidth: '100%' }}>
        {held === null ? (
          <Trace line={line} mark={mark} says={says} />
        ) : (
          <Ring ring={ring} mark={mark} size={figure === null ? RING : SMALL_RING} />
        )}
        <Box sx={held === null ? {} : { position: 'absolute', inset: 0, display: 'grid', placeContent: 'center' }}>
          <Typography
            component="p"
            variant="subtitle1"
            sx={{ fontSize: held !== null && figure !== null ? '1.125rem' : '1.875rem', lineHeight: 1.1 }}
          >
            <span ref={word}>{begun ? 'Paused' : 'Ready'}</span>
          </Typography>
          <Typography component="p" sx={{ fontSize: held === null ? 22 : figure === null ? 52 : 34, lineHeight: 1.15 }}>
            <span ref={count}>
              {held !== null
                ? `${held} s`
                : begun
                  ? `${Math.min(asked, phaseAt(line, pacer.position()).rep)} of ${asked}`
                  : `${asked} reps`}
            </span>
          </Typography>
          {held === null && (
            <Typography color="textSecondary">
              <span ref={clockFace}>{Math.ceil(endOf(line, asked) - pacer.position())} s</span>
            </Typography>
          )}
        </Box>
      </Box>
      <Box role="status" sx={visuallyHidden}>
        {announced}
      </Box>
      {pacer.interrupted && (
        <Typography role="status" sx={{ mt: 1 }}>
          Interrupted. Go on when you are ready.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
        {!pacer.running ? (
          <Button
            variant="contained"
            onClick={() => {
              pacer.start();
              onBegin();
            }}
            sx={BIG}
          >
            {begun ? 'Go on' : 'Start'}
          </Button>
        ) : (
          <Button variant="contained" color="inherit" onClick={pacer.pause} sx={BIG}>
            Pause
          </Button>
        )}
        <Box sx={{ display: 'flex', gap: 1 }}>
          {held === null && line.reps > 1 && (
            <Button variant="outlined" disabled={asked <= 1} onClick={() => setLess(less + 1)} sx={SIDE}>
              One less
            </Button>
          )}
          {less > 0 && (
            <Button variant="outlined" onClick={() => setLess(less - 1)} sx={SIDE}>
              One more again
            </Button>
          )}
          <Button variant="outlined" disabled={!begun} onClick={finish} sx={SIDE}>
            {held === null ? 'End the set here' : 'End the hold here'}
          </Button>
        </Box>
      </Box>
    </Box>
  );
}

/** The tone of the end, where a set ends before the last repetition that was planned. */
const soundEnd = (loud: boolean): void => {
  const clock = audioClock(loud);
  clock.play('end', clock.now() + 0.02);
};

const BIG = { minHeight: 72, fontSize: '1.5rem' } as const;
const SIDE = { flex: 1, minHeight: 56, fontSize: '1rem' } as const;

/** What of the set is drawn at a moment: the repetition under way; the mark waits at its beginning while it is counted in. */
function drawnPart(line: Timeline, position: number): [number, number] {
  const phase = phaseAt(line, position);
  const mine = line.phases.filter((step) => step.rep === phase.rep && step.move !== 'ready');
  return [mine[0]?.from ?? 0, mine[mine.length - 1]?.to ?? line.length];
}

const yOf = (level: number): number => HIGH - 18 - level * (HIGH - 40);

function Trace({
  line,
  mark,
  says,
}: {
  line: Timeline;
  mark: RefObject<SVGCircleElement | null>;
  says: Exercise['says'];
}) {
  const first = line.phases.filter((phase) => phase.rep === Math.min(2, line.reps) && phase.move !== 'ready');
  const from = first[0]?.from ?? 0;
  const long = (first[first.length - 1]?.to ?? 1) - from;
  const x = (time: number) => ((time - from) / Math.max(0.001, long)) * WIDE;
  const points = first.flatMap((phase) => [
    [x(phase.from), yOf(phase.low)],
    [x(phase.to), yOf(phase.high)],
  ]);
  return (
    <svg viewBox={`-8 0 ${WIDE + 16} ${HIGH}`} width="100%" role="img" aria-label="The mark goes along one repetition">
      <polyline
        points={points.map((point) => point.map((value) => value.toFixed(1)).join(',')).join(' ')}
        fill="none"
        stroke={colour('primary')}
        strokeWidth={4}
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      {first.map((phase) => (
        <text
          key={phase.from}
          x={(x(phase.from) + x(phase.to)) / 2}
          y={HIGH - 2}
          textAnchor="middle"
          fontSize={13}
          fill={faint}
        >
          {wordOf(phase.move, says).toLowerCase()} {Math.round((phase.to - phase.from) * 10) / 10} s
        </text>
      ))}
      <circle
        ref={mark}
        data-mark
        cx={0}
        cy={yOf(first[0]?.low ?? 0)}
        r={9}
        fill={colour('watch')}
        stroke="var(--mui-palette-background-paper)"
        strokeWidth={3}
      />
    </svg>
  );
}

const RING = 220;

/** Beside a figure. */
const SMALL_RING = 136;

function Ring({
  ring,
  mark,
  size,
}: {
  ring: RefObject<SVGCircleElement | null>;
  mark: RefObject<SVGCircleElement | null>;
  size: number;
}) {
  return (
    <svg viewBox="0 0 220 220" width={size} height={size} role="img" aria-label="The ring closes while you hold">
      <circle cx={110} cy={110} r={98} fill="none" stroke={colour('line')} strokeWidth={10} />
      <circle
        ref={ring}
        cx={110}
        cy={110}
        r={98}
        fill="none"
        stroke={colour('primary')}
        strokeWidth={14}
        strokeLinecap="round"
        pathLength={1}
        strokeDasharray="1"
        style={{ strokeDashoffset: 1 }}
        transform="rotate(-90 110 110)"
      />
      <circle ref={mark} data-mark cx={-20} cy={-20} r={1} fill="none" />
    </svg>
  );
}

/** Repetitions that nothing paces: springs at one's own pace. */
function OwnPace({
  exercise,
  title,
  onDone,
  figure,
  mirrored,
}: {
  exercise: Exercise;
  title: string;
  onDone: (done: Done | null) => void;
  figure: FigureData | null;
  mirrored: boolean;
}) {
  const reps = exercise.dose.reps;
  useAwake(true);
  return (
    <Box component="section" aria-label={title} sx={{ textAlign: 'center' }}>
      {figure !== null && <MovingFigure figure={figure} title={title} size={FIGURE} mirrored={mirrored} />}
      <Typography variant="subtitle1" sx={{ fontSize: '2.75rem' }}>
        {reps}
      </Typography>
      <Typography color="textSecondary">at your own pace, each one clean</Typography>
      <Button variant="contained" fullWidth onClick={() => onDone({ reps, held_s: null })} sx={{ ...BIG, mt: 1.5 }}>
        Done: {reps}
      </Button>
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        {[1, 2, 3]
          .filter((less) => reps - less > 0)
          .map((less) => (
            <Button key={less} variant="outlined" onClick={() => onDone({ reps: reps - less, held_s: null })} sx={SIDE}>
              {reps - less}
            </Button>
          ))}
      </Box>
    </Box>
  );
}
