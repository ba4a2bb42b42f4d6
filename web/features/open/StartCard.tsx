import Alert from '@mui/material/Alert';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { useOpening } from './form';

/** What comes of all that was typed so far. It is proposed, and waits for the practitioner. */
export function StartCard() {
  const { form, start, stale } = useOpening();
  const missing = [
    form.purpose === '' && 'what it is for',
    form.structure === '' && 'the structure',
    form.side === '' && 'the side',
    form.goal === '' && 'what the athlete must get back to',
    form.training_days_per_week.trim() === '' && 'on how many days it is trained now',
  ].filter((item) => item !== false);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Where to begin"
      sx={{ p: 1.5, borderWidth: 2, borderColor: 'primary.main' }}
    >
      <Typography variant="body2" color="textSecondary">
        {stale ? 'Working it out …' : 'Proposal, for you to decide'}
      </Typography>
      {start === undefined && !stale && (
        <Typography>
          {missing.length > 0
            ? `Say ${missing.join(', ')}: then a start is proposed.`
            : 'Correct what is marked; then a start is proposed.'}
        </Typography>
      )}
      {start !== undefined && (
        <div style={{ opacity: stale ? 0.5 : 1 }}>
          {start.blocked && (
            <Alert severity="error" sx={{ my: 1 }}>
              <b>No start.</b>{' '}
              {start.blocked_by.map((reason) => (
                <span key={reason}>{reason}. </span>
              ))}
            </Alert>
          )}
          {start.stop_words !== null && (
            <Alert severity="error" sx={{ my: 1 }}>
              {start.stop_words}
            </Alert>
          )}
          {!start.blocked && start.words === null && (
            <Typography>No stage of this programme applies to the goal. Choose another.</Typography>
          )}
          {start.words !== null && (
            <Typography variant="subtitle1" sx={{ my: 0.5 }}>
              {start.words}
            </Typography>
          )}
          {start.words !== null && <Typography variant="body2">{start.programme_words}</Typography>}
          {start.season_words !== null && (
            <Typography variant="body2" sx={{ mt: 0.5 }}>
              {start.season_words}
            </Typography>
          )}
          {start.notes.includes('start_carefully') && (
            <Typography variant="body2" color="watch">
              A risk counts at the easiest rung: start carefully.
            </Typography>
          )}
          {start.risks.map((risk) => (
            <Typography key={risk.key} variant="body2" sx={{ color: risk.counts ? 'watch.main' : 'text.secondary' }}>
              {risk.words}
            </Typography>
          ))}
          {start.lint.length > 0 && (
            <Typography variant="body2" color="watch" sx={{ mt: 0.5 }}>
              {start.lint.length === 1 ? '1 thing' : `${start.lint.length} things`} to look at:{' '}
              {start.lint.map((note) => note.title.toLowerCase()).join('; ')}.
            </Typography>
          )}
        </div>
      )}
    </Paper>
  );
}
