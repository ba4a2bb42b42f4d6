import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import type { Schemas } from '../../api/client';
import type { Draft } from './draft';
import { PainRow } from './PainRow';

type Entry = Draft['exercises'][number];

const done = (set: Entry['sets'][number]): string => (set.hold_s === undefined ? (set.work_s === undefined ? `${set.reps ?? 0}` : `${set.work_s} s`) : `${set.hold_s} s`);

const isLoad = (text: string): boolean => /^\d+([.,]\d*)?$/.test(text.trim());

/** One exercise of a session: how, each set to tap when it is done, the load that was used, pain. */
export function ExerciseCard({ exercise, entry, stopped, change }: { exercise: Schemas['TodayExercise']; entry: Entry; stopped: boolean; change: (entry: Entry) => void }) {
  const [how, setHow] = useState(false);
  const load = entry.sets[0]?.load_kg;
  const [loadText, setLoadText] = useState(String(load ?? ''));
  const allDone = entry.sets.every((set) => set.done);
  const mark = (index: number) => change({ ...entry, sets: entry.sets.map((set, i) => (i === index ? { ...set, done: !set.done } : set)) });

  return (
    <Paper variant="outlined" component="section" aria-label={exercise.title} sx={{ p: 2 }}>
      <Typography variant="h2">{exercise.title}</Typography>
      <Typography sx={{ fontSize: 18 }}>{exercise.words}, {exercise.limbs}</Typography>
      <Typography color="textSecondary">{[exercise.tempo_words, `rest ${exercise.dose.rest_s} s`].filter(Boolean).join(' · ')}</Typography>
      <Button onClick={() => setHow(!how)} aria-expanded={how} sx={{ px: 0 }}>{how ? 'Hide how' : 'How'}</Button>
      {how && (
        <Box component="ul" sx={{ mt: 0, pl: 2.5 }}>
          {[exercise.set_up, exercise.movement, exercise.feel === null ? null : `Feel: ${exercise.feel}`, exercise.faults === null ? null : `Not: ${exercise.faults}`].filter((line) => line !== null).map((line) => <li key={line}>{line}</li>)}
        </Box>
      )}
      <Typography sx={{ mt: 0.5, mb: 0.5 }}>Tap each set when it is done</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
        {entry.sets.map((set, i) => (
          <ButtonBase
            key={i}
            aria-pressed={set.done}
            aria-label={`Set ${i + 1}, ${done(set)}`}
            disabled={stopped}
            onClick={() => mark(i)}
            sx={{
              width: 62, height: 56, borderRadius: 1.5, border: 2, fontSize: 18, fontWeight: 600,
              borderColor: 'primary.main', bgcolor: set.done ? 'primary.main' : 'transparent', color: set.done ? 'primary.contrastText' : 'text.primary',
            }}
          >
            {set.done ? '✓ ' : ''}{done(set)}
          </ButtonBase>
        ))}
        {!allDone && <Button disabled={stopped} onClick={() => change({ ...entry, sets: entry.sets.map((set) => ({ ...set, done: true })) })}>All done</Button>}
      </Box>
      {load !== undefined && (
        <TextField
          label="Load used, kg"
          value={loadText}
          error={!isLoad(loadText)}
          helperText={isLoad(loadText) ? undefined : 'A number of kilograms, such as 22.5'}
          onChange={(event) => {
            setLoadText(event.target.value);
            const used = Number(event.target.value.replace(',', '.'));
            if (isLoad(event.target.value)) change({ ...entry, sets: entry.sets.map((set) => ({ ...set, load_kg: used })) });
          }}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ mt: 1.5, width: 140 }}
        />
      )}
      <Typography sx={{ mt: 1.5, mb: 0.5 }}>Worst pain in this exercise, 0–10</Typography>
      <PainRow label={`Pain in ${exercise.title}`} value={entry.pain} choose={(pain) => change({ ...entry, pain })} />
    </Paper>
  );
}
