import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { useLibrary } from '../library/useLibrary';
import { CHANGES } from '../library/words';
import type { Row } from './draft';

/** The rungs of an exercise's ladder, hardest on top, with what each adds to the one below. */
export function SwapDialog({
  row,
  onClose,
  onChoose,
}: {
  row: Row;
  onClose: () => void;
  onChoose: (exercise: Schemas['LibraryExercise']) => void;
}) {
  const library = useLibrary();
  const exercises = new Map((library.data?.exercises ?? []).map((exercise) => [exercise.key, exercise]));
  const ladder = library.data?.ladders.find((other) =>
    other.rungs.some((rung) => rung.exercise === row.prescription.exercise),
  );
  const here = ladder?.rungs.findIndex((rung) => rung.exercise === row.prescription.exercise) ?? -1;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="swap">
      <DialogTitle id="swap">Another rung for {row.title}</DialogTitle>
      <DialogContent dividers>
        {library.isPending && <Loading what="the ladder" />}
        {library.isError && <Failed problem={library.error} onRetry={() => void library.refetch()} />}
        {library.data !== undefined && ladder === undefined && (
          <Typography>This exercise is on no ladder. Add another from the library and leave this one out.</Typography>
        )}
        {ladder !== undefined && (
          <List component="ol" reversed aria-label={`${ladder.title}, hardest first`} disablePadding>
            {[...ladder.rungs].reverse().map((rung, k) => {
              const i = ladder.rungs.length - 1 - k;
              const exercise = exercises.get(rung.exercise);
              if (exercise === undefined) return null;
              return (
                <Box
                  component="li"
                  key={rung.exercise}
                  sx={{
                    display: 'flex',
                    alignItems: 'center',
                    gap: 1,
                    py: 0.75,
                    borderTop: 1,
                    borderColor: 'divider',
                    ...(i === here ? { bgcolor: 'action.selected' } : {}),
                  }}
                >
                  <Box sx={{ flex: 1, pl: 1 }}>
                    <Typography variant="subtitle1">{exercise.title}</Typography>
                    <Typography variant="body2">
                      {[exercise.words, exercise.tempo_words].filter(Boolean).join(' · ')}
                    </Typography>
                    <Typography variant="body2" color="textSecondary">
                      {i === 0
                        ? 'The easiest rung.'
                        : `Over the rung below: ${rung.words ?? rung.changes.map((change) => CHANGES[change]).join(', ')}.`}
                    </Typography>
                  </Box>
                  {i === here ? (
                    <Typography variant="body2" sx={{ pr: 1 }}>
                      now
                    </Typography>
                  ) : (
                    <Button variant="outlined" onClick={() => onChoose(exercise)} aria-label={`Take ${exercise.title}`}>
                      {i > here ? 'harder' : 'easier'}
                    </Button>
                  )}
                </Box>
              );
            })}
          </List>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Keep {row.title}</Button>
      </DialogActions>
    </Dialog>
  );
}
