import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

/** The words of a plan, said plainly. */
const MEANINGS: [string, string][] = [
  [
    'RM',
    'Repetition maximum: 12 RM is the load with which twelve repetitions are just possible, and a thirteenth is not.',
  ],
  ['in reserve', 'How many more repetitions you could have done. 2 in reserve: you stop two before your last.'],
  [
    '70 % of maximum',
    'Of the hardest you can press or hold. Your practitioner measures it; until then it means hard, and steady.',
  ],
  [
    'peg',
    'What your ladder asks for before the next rung: days, pain, strength or a dose. A filled peg is in, a hollow one is not yet, a dotted one has not been measured.',
  ],
  ['rung', 'A stage of your plan, or an exercise with an easier one below and a harder one above.'],
  ['hold', 'Pressing or lifting without moving, for some seconds.'],
  ['tempo', 'How long each part of a repetition takes: up, at the top, down, at the bottom.'],
  ['effort', 'How hard it was as a whole, from 0 at rest to 10, all you have.'],
  ['back to normal', 'How long until it felt as it did before the session.'],
  ['flare', 'It hurts clearly more than usual, and stays so.'],
];

/** An explanation behind every term. */
export function Meanings() {
  return (
    <Paper variant="panel" component="section" aria-label="What the words mean">
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        What the words mean
      </Typography>
      {MEANINGS.map(([term, words]) => (
        <Box
          key={term}
          component="details"
          sx={{ borderTop: 1, borderColor: 'divider', '& summary': { py: 1.25, fontWeight: 600, cursor: 'pointer' } }}
        >
          <summary>{term}</summary>
          <Typography sx={{ pb: 1.25 }}>{words}</Typography>
        </Box>
      ))}
    </Paper>
  );
}
