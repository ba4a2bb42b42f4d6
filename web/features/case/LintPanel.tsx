import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import type { Case } from './useCase';

/** What a careful colleague would point out in the prescription; nothing is forbidden by it. */
export function LintPanel({ found }: { found: Case }) {
  if (found.lint.length === 0) return null;
  return (
    <Paper variant="panel" component="section" aria-label="To look at">
      <Typography variant="h2">To look at</Typography>
      {found.lint.map((note) => (
        <Typography key={note.key + (note.prescription ?? '')} variant="body2" sx={{ mt: 0.5 }} title={note.why}>
          <Typography component="span" variant="subtitle2" color="watch">
            {note.title}.
          </Typography>{' '}
          {note.words}
        </Typography>
      ))}
    </Paper>
  );
}
