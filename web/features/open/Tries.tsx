import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

import type { Tried, Tryable } from './tried';

/** The tries of a visit, one line each; the next is added with the exercise that was tried last. */
export function Tries({
  options,
  tried,
  setTried,
  fault,
}: {
  options: Tryable[];
  tried: Tried[];
  setTried: (tried: Tried[]) => void;
  fault: (at: number, field: string) => string | undefined;
}) {
  // What was tried stays to be read, also where the proposal has gone elsewhere since.
  const known = [
    ...options,
    ...tried
      .filter((trial) => !options.some(({ exercise }) => exercise === trial.exercise))
      .map(({ exercise }) => ({ exercise, title: exercise.replaceAll('_', ' ') })),
  ];
  const first = options[0];
  const add = () => {
    const last = options.find((option) => option.exercise === tried.at(-1)?.exercise) ?? first;
    if (last !== undefined)
      setTried([
        ...tried,
        {
          exercise: last.exercise,
          holds: last.mode === 'isometric',
          amount: '',
          load_kg: tried.at(-1)?.load_kg ?? '',
          pain: '',
          reserve: '',
        },
      ]);
  };
  return (
    <Box role="group" aria-label="Tried in the room" sx={{ width: '100%', display: 'grid', gap: 1 }}>
      {tried.map((trial, i) => {
        const change = (part: Partial<Tried>) =>
          setTried(tried.map((each, at) => (at === i ? { ...each, ...part } : each)));
        const cell = (
          field: 'amount' | 'load_kg' | 'pain' | 'reserve',
          label: string,
          width: number,
          problem: string | undefined,
        ) => (
          <TextField
            label={label}
            value={trial[field]}
            onChange={(event) => change({ [field]: event.target.value })}
            error={problem !== undefined}
            helperText={problem}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            sx={{ width }}
          />
        );
        return (
          <Box
            key={i}
            role="group"
            aria-label={`Try ${i + 1}`}
            sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}
          >
            <TextField
              select
              autoFocus={trial.amount === ''}
              label="Exercise"
              value={trial.exercise}
              sx={{ width: 236 }}
              error={fault(i, 'exercise') !== undefined}
              helperText={fault(i, 'exercise')}
              onChange={(event) =>
                change({
                  exercise: event.target.value,
                  holds: options.find((option) => option.exercise === event.target.value)?.mode === 'isometric',
                })
              }
            >
              {known.map((option) => (
                <MenuItem key={option.exercise} value={option.exercise}>
                  {option.title}
                </MenuItem>
              ))}
            </TextField>
            {cell('amount', trial.holds ? 'Held, s' : 'Repetitions', 104, fault(i, 'reps') ?? fault(i, 'hold_s'))}
            {cell('load_kg', 'Load, kg', 88, fault(i, 'load_kg'))}
            {cell('pain', 'Pain, 0–10', 98, fault(i, 'pain'))}
            {!trial.holds && cell('reserve', 'In reserve', 98, fault(i, 'reserve'))}
            <Button
              onClick={() => setTried(tried.filter((_, at) => at !== i))}
              aria-label={`Take away try ${i + 1}`}
              sx={{ height: 37 }}
            >
              Take away
            </Button>
          </Box>
        );
      })}
      <Box>
        <Button variant="outlined" onClick={add} disabled={first === undefined}>
          {tried.length === 0 ? 'Add what was tried' : 'Another try'}
        </Button>
      </Box>
    </Box>
  );
}
