import Typography from '@mui/material/Typography';

import { textAt, useEditing } from './editing';
import { AddExercise, ExerciseCard } from './ExerciseCard';
import { CONDITIONS } from './StartsWhen';
import { at, type Path } from './tree';

/** Exercises of a stage that begin later, each with what it waits for. */
export function WaitingExercises({
  path,
  waiting,
  slots,
}: {
  path: Path;
  waiting: readonly unknown[];
  slots: readonly (readonly [string, string])[];
}) {
  const { library, own } = useEditing();
  if (!own && waiting.length === 0) return null;
  return (
    <>
      <Typography variant="h3" sx={{ mt: 1.5, mb: 0.5 }}>
        Exercises that begin later
      </Typography>
      {waiting.map((item, i) => {
        const exercise = textAt(item, ['prescription', 'exercise']);
        return (
          <ExerciseCard
            key={textAt(item, ['prescription', 'key'])}
            item={[...path, i]}
            path={[...path, i, 'prescription']}
            value={at(item, ['prescription'])}
            title={library.exercises.find(({ key }) => key === exercise)?.title ?? exercise}
            slots={slots}
            last={i === waiting.length - 1}
            startsWhen={at(item, ['starts_when'])}
          />
        );
      })}
      {own && (
        <AddExercise
          label="Add an exercise that begins later"
          path={path}
          slot={slots[0]?.[0] ?? ''}
          startsWhen={CONDITIONS.stage_week.fresh}
        />
      )}
    </>
  );
}
