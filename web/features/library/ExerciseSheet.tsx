import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import { SetTrace } from '../../charts/ExerciseTrace';
import { ExerciseFigure } from '../../figure/ExerciseFigure';
import { DIRECTNESS, type Exercise, type Library, MODES } from './words';

/** One exercise: how it is done, what it loads, and its usual dose. */
export function ExerciseSheet({ exercise, library }: { exercise: Exercise; library: Library }) {
  const structures = Object.entries(exercise.structures).map(
    ([key, how]) => `${library.structures.find((structure) => structure.key === key)?.title ?? key} ${DIRECTNESS[how]}`,
  );
  const standIn = library.exercises.find((candidate) => candidate.key === exercise.stand_in)?.title;
  const lines: [string, string][] = [
    ...(exercise.also_called.length === 0
      ? []
      : [['Also called', exercise.also_called.join(', ')] as [string, string]]),
    ['Set-up', exercise.set_up],
    ['Movement', exercise.movement],
    ['What to feel', exercise.feel],
    ['Usual faults', exercise.faults],
    ['Usual dose', exercise.usual],
    ['Begins with', `${exercise.words}${exercise.tempo_words === null ? '' : ` · ${exercise.tempo_words}`}`],
    ['Loads', structures.join('; ')],
    [
      'Kind',
      `${MODES[exercise.mode]}, ${exercise.limbs}, ${exercise.lever === 'none' ? 'no lever' : `${exercise.lever} lever`}`,
    ],
    ['Range', exercise.range],
    [
      'Equipment',
      exercise.equipment.length === 0
        ? 'none'
        : `${exercise.equipment.join(', ')}${standIn === undefined ? '' : `; without it: ${standIn}`}`,
    ],
  ];
  return (
    <Box>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {exercise.title}
      </Typography>
      <Box sx={{ display: 'grid', gap: 1, mb: 1 }}>
        <ExerciseFigure exercise={exercise.key} title={exercise.title} size={300} />
        <Box sx={{ minWidth: 0 }}>
          <SetTrace dose={exercise.dose} mode={exercise.mode} scale={2.2} title={`One set of ${exercise.title}`} />
          <Typography variant="caption" color="textSecondary">
            one set along time
          </Typography>
        </Box>
      </Box>
      <Lines lines={lines} />
    </Box>
  );
}

export function Lines({ lines }: { lines: readonly (readonly [string, string])[] }) {
  return (
    <Box
      component="dl"
      sx={{
        display: 'grid',
        gridTemplateColumns: '104px minmax(0, 1fr)',
        columnGap: 1.5,
        rowGap: 0.5,
        m: 0,
        fontSize: 14,
      }}
    >
      {lines.map(([what, words]) => (
        <Box key={what} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: 'text.secondary' }}>
            {what}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {words}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
