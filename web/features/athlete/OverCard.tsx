import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';

import type { Exercise } from '../../phone/usePhone';
import type { HurtAt } from './run';

const HURT: [HurtAt, string][] = [
  ['start', 'at the start'],
  ['end', 'at the end'],
  ['throughout', 'all along'],
  ['unsaid', 'cannot say'],
];

type Relief = Exercise['relief'][number];

/** Over the limit: the school's advice, where it hurt, and what may help at once. Nothing here asks to push on. */
export function OverCard({
  exercise,
  pain,
  words,
  hurtAt,
  left,
  onHurtAt,
  onHelp,
  onContinue,
}: {
  exercise: Exercise;
  pain: number;
  words: string;
  hurtAt: HurtAt | null;
  left: number;
  onHurtAt: (at: HurtAt) => void;
  onHelp: (relief: Relief) => void;
  onContinue: () => void;
}) {
  // A hold has no beginning and end to tell apart.
  const moves = exercise.mode !== 'isometric';
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Over your limit"
      sx={{ p: 2, display: 'grid', gap: 1.25, borderWidth: 2, borderColor: 'over.main' }}
    >
      <Typography variant="h2" tabIndex={-1} data-focus>
        <Box component="span" sx={{ color: 'over.main' }} aria-hidden="true">
          ▲{' '}
        </Box>
        {pain} is over your limit of {exercise.max_pain} here
      </Typography>
      <Typography>{words} Your practitioner sees it.</Typography>
      {moves && (
        <>
          <Typography id="hurt">Where in the movement?</Typography>
          <ToggleButtonGroup
            exclusive
            value={hurtAt}
            aria-labelledby="hurt"
            onChange={(_, at: HurtAt | null) => {
              if (at !== null) onHurtAt(at);
            }}
            sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}
          >
            {HURT.map(([at, name]) => (
              <ToggleButton key={at} value={at}>
                {name}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </>
      )}
      {left > 0 ? (
        <>
          <Typography variant="subtitle1" sx={{ mt: 0.5 }}>
            What may help now
          </Typography>
          {exercise.relief.map((other) => (
            <Button
              key={other.kind}
              variant={other.kind === 'leave_out' ? 'contained' : 'outlined'}
              onClick={() => onHelp(other)}
              size="large"
              sx={{ justifyContent: 'flex-start', textAlign: 'left' }}
            >
              {other.words}
            </Button>
          ))}
        </>
      ) : (
        <>
          <Typography>No more of {exercise.title.toLowerCase()} today.</Typography>
          <Button variant="contained" onClick={onContinue} size="main">
            Go on
          </Button>
        </>
      )}
    </Paper>
  );
}
