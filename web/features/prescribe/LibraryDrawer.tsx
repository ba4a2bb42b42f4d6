import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Drawer from '@mui/material/Drawer';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Failed, Loading } from '../../shell/States';
import { useLibrary } from '../library/useLibrary';
import { DIRECTNESS, type Exercise, MODES } from '../library/words';

const MOST = 40;

const ORDER = { target: 0, shared: 1, slight: 2 } as const;

/** The library beside the plan: what loads this structure first, to be added with one press. */
export function LibraryDrawer({
  structure,
  title,
  onClose,
  onAdd,
}: {
  structure: string;
  title: string;
  onClose: () => void;
  onAdd: (exercise: Exercise) => void;
}) {
  const library = useLibrary();
  const [words, setWords] = useState('');
  const [all, setAll] = useState(false);
  const directness = (exercise: Exercise) => exercise.structures[structure];
  const found = (library.data?.exercises ?? [])
    .filter((exercise) => all || directness(exercise) !== undefined)
    .filter((exercise) =>
      words
        .toLowerCase()
        .split(/\s+/)
        .every((word) =>
          `${exercise.title} ${MODES[exercise.mode]} ${exercise.equipment.join(' ')}`.toLowerCase().includes(word),
        ),
    )
    .sort((a, b) => ORDER[directness(a) ?? 'slight'] - ORDER[directness(b) ?? 'slight']);
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{ paper: { sx: { width: { xs: '100%', sm: 420 }, p: 2 }, role: 'dialog', 'aria-label': 'Library' } }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Add from the library
        </Typography>
        <Button onClick={onClose}>Close</Button>
      </Box>
      <TextField
        label="Search"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        autoFocus
        sx={{ mt: 1.5 }}
      />
      <FormControlLabel
        control={<Checkbox checked={all} onChange={(event) => setAll(event.target.checked)} />}
        label={`Also what does not load the ${title.toLowerCase()}`}
      />
      {library.isPending && <Loading what="the library" />}
      {library.isError && <Failed problem={library.error} onRetry={() => void library.refetch()} />}
      <List disablePadding sx={{ overflow: 'auto' }}>
        {found.slice(0, MOST).map((exercise) => (
          <Box
            component="li"
            key={exercise.key}
            sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', py: 0.75 }}
          >
            <Box sx={{ flex: 1 }}>
              <Typography variant="subtitle1">{exercise.title}</Typography>
              <Typography variant="body2">
                {exercise.words}
                {exercise.tempo_words === null ? '' : ` · ${exercise.tempo_words}`}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {MODES[exercise.mode]}
                {directness(exercise) === undefined
                  ? ', does not load it'
                  : `, loads it ${DIRECTNESS[directness(exercise) ?? 'slight']}`}
                {exercise.equipment.length === 0 ? '' : ` · needs ${exercise.equipment.join(', ')}`}
              </Typography>
            </Box>
            <Button variant="outlined" onClick={() => onAdd(exercise)} aria-label={`Add ${exercise.title}`}>
              Add
            </Button>
          </Box>
        ))}
      </List>
      {library.data !== undefined && found.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          Nothing fits. Try fewer words, or tick the box above.
        </Typography>
      )}
      {found.length > MOST && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {found.length - MOST} more: narrow it by words.
        </Typography>
      )}
    </Drawer>
  );
}
