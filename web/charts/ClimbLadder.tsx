import type { Schemas } from '../api/client';
import type { FigureData } from '../figure/figure';
import { Thumbnail } from '../figure/MovingFigure';
import { colour, faint, ink } from '../shell/theme';

interface Step {
  key: string;
  title: string;
  demand: number;
  what: string;
  dim: boolean;
}

const STEP = 64;

/** How wide the small picture of a rung is. */
const PICTURE = 60;

/**
 * A ladder of exercises, easiest at the bottom: a rung is as long as it is demanding, and what makes
 * it harder stands beside it. Rungs that do not load what is looked at are pale.
 */
export function ClimbLadder({
  steps,
  chosen,
  figures,
  onChoose,
}: {
  steps: readonly Step[];
  chosen: string | null;
  figures: Readonly<Record<string, FigureData>>;
  onChoose: (key: string) => void;
}) {
  const height = steps.length * STEP + 12;
  const y = (i: number) => height - 6 - (i + 0.5) * STEP;
  return (
    <div style={{ position: 'relative', height }}>
      <svg
        width={112}
        height={height}
        viewBox={`0 0 112 ${height}`}
        role="presentation"
        style={{ position: 'absolute', left: 0, top: 0 }}
      >
        <path d={`M10 2V${height - 2}`} stroke={colour('line')} strokeWidth={3} strokeLinecap="round" />
        {steps.map((step, i) => (
          <line
            key={step.key}
            x1={10}
            x2={10 + step.demand * 9.5}
            y1={y(i)}
            y2={y(i)}
            stroke={step.dim ? colour('line') : colour('primary')}
            strokeWidth={step.key === chosen ? 8 : 4}
            strokeLinecap="round"
          />
        ))}
      </svg>
      <ol
        aria-label="Rungs, hardest first"
        style={{
          listStyle: 'none',
          margin: 0,
          padding: '6px 0',
          marginLeft: 118,
          display: 'flex',
          flexDirection: 'column-reverse',
        }}
      >
        {steps.map((step) => (
          <li
            key={step.key}
            style={{
              height: STEP,
              display: 'grid',
              gridTemplateColumns: `${PICTURE}px minmax(0, 1fr)`,
              gridTemplateRows: '1fr auto auto 1fr',
              columnGap: 10,
              minWidth: 0,
            }}
          >
            <div aria-hidden style={{ gridRow: '1 / -1', opacity: step.dim ? 0.55 : 1 }}>
              <RungPicture figure={figures[step.key]} />
            </div>
            <button
              type="button"
              aria-pressed={step.key === chosen}
              onClick={() => onChoose(step.key)}
              style={{
                background: 'none',
                border: 0,
                padding: 0,
                textAlign: 'left',
                maxWidth: '100%',
                gridRow: 2,
                gridColumn: 2,
                justifySelf: 'start',
                cursor: 'pointer',
                font: 'inherit',
                fontWeight: step.key === chosen ? 600 : 400,
                color: step.dim ? faint : ink,
                textDecoration: 'underline',
                textDecorationColor: colour('line'),
                textUnderlineOffset: 3,
                whiteSpace: 'nowrap',
                overflow: 'hidden',
                textOverflow: 'ellipsis',
              }}
            >
              {step.title}
            </button>
            <span
              style={{
                gridRow: 3,
                gridColumn: 2,
                fontSize: 12.5,
                color: faint,
                whiteSpace: 'nowrap',
                overflow: 'hidden',
                textOverflow: 'ellipsis',
              }}
              title={step.what}
            >
              {step.what}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}

const RungPicture = ({ figure }: { figure: FigureData | undefined }) =>
  figure === undefined ? null : <Thumbnail figure={figure} title="" size={PICTURE} />;

export const stepsOf = (
  ladder: Schemas['LibraryLadder'],
  exercises: ReadonlyMap<string, Schemas['LibraryExercise']>,
  structure: string | null,
  changes: Record<string, string>,
): Step[] =>
  ladder.rungs.map((rung) => {
    const exercise = exercises.get(rung.exercise);
    const directness = structure === null ? 'target' : exercise?.structures[structure];
    const what = [rung.changes.map((change) => changes[change]).join(', '), rung.words]
      .filter((part) => part !== null && part !== '')
      .join(' · ');
    return {
      key: rung.exercise,
      title: exercise?.title ?? rung.exercise,
      demand: rung.demand,
      what: what === '' ? 'the easiest' : what,
      dim: directness === undefined || directness === 'slight',
    };
  });
