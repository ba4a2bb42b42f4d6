import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import { Fields, list, textAt, useEditing } from './editing';
import { AddExercise, ExerciseCard } from './ExerciseCard';
import { at, type Path, replaced } from './tree';

/** What an exercise may wait for, with what is meant where it is chosen. */
const CONDITIONS = {
  stage_week: { title: 'in a week of the stage', fresh: { stage_week: 2 } },
  finding: { title: 'once something is found beside it', fresh: null },
  others: { title: 'once the others reach their upper end', fresh: { others: 'full' } },
} as const;

type Condition = keyof typeof CONDITIONS;

/** Exercises of a stage that begin later, each with what it waits for. */
export function WaitingExercises({ path, slots }: { path: Path; slots: readonly (readonly [string, string])[] }) {
  const { content, library, own } = useEditing();
  const waiting = list(content, path);
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
            title={library.exercises.find(({ key }) => key === exercise)?.title ?? exercise}
            slots={slots}
            last={i === waiting.length - 1}
          >
            <StartsWhen path={[...path, i, 'starts_when']} />
          </ExerciseCard>
        );
      })}
      {own && (
        <AddExercise
          label="Add an exercise that begins later"
          path={path}
          slot={slots[0]?.[0] ?? ''}
          item={(prescription) => ({ starts_when: CONDITIONS.stage_week.fresh, prescription })}
        />
      )}
    </>
  );
}

function StartsWhen({ path }: { path: Path }) {
  const { content, library, own, faults, put, reshape } = useEditing();
  const condition: Condition =
    (['stage_week', 'finding'] as const).find((kind) => at(content, [...path, kind]) !== undefined) ?? 'others';
  const place = [...path, 'finding'];
  const fault = faults[place.join('.')];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, mb: 1.25 }}>
      <TextField
        select
        label="Begins"
        disabled={!own}
        value={condition}
        onChange={(event) => {
          const { fresh } = CONDITIONS[event.target.value as Condition];
          reshape(replaced(content, path, fresh ?? { finding: library.findings[0]?.key ?? '' }));
        }}
        error={faults[path.join('.')] !== undefined}
        helperText={faults[path.join('.')]}
        sx={{ width: 290 }}
      >
        {Object.entries(CONDITIONS).map(([key, { title }]) => (
          <MenuItem key={key} value={key}>
            {title}
          </MenuItem>
        ))}
      </TextField>
      {condition === 'stage_week' && <Fields of={path} width={140} />}
      {condition === 'finding' && (
        <TextField
          select
          label="Found"
          disabled={!own}
          value={textAt(content, place)}
          onChange={(event) => put(place, event.target.value)}
          error={fault !== undefined}
          helperText={fault}
          sx={{ width: 290 }}
        >
          {library.findings.map(({ key, words }) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
