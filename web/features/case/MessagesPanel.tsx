import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { ago, day, moment } from '../../shell/dates';
import { type Case, useAnswer } from './useCase';

const KINDS = { nudge: 'Nudge', advice: 'Advice', answer: 'Answer', question: 'Asked', flare: 'Flare' } as const;

const LONGEST = 1000;

/** What the athlete wrote, what was answered, what was missed and put right; what waits for an answer comes first. */
export function MessagesPanel({ found }: { found: Case }) {
  if (found.messages.length + found.missed.length + found.corrected.length === 0) return null;
  const today = found.standing.today;
  return (
    <Paper variant="outlined" component="section" aria-label="Messages" sx={{ p: 1.5, ...(found.asked_at === null ? {} : { borderColor: 'watch.main', borderWidth: 2 }) }}>
      <Typography variant="h2">From and to the athlete</Typography>
      {found.asked_at !== null && <Answer id={found.id} name={found.athlete.name} />}
      {found.messages.map((one) => (
        <Box key={one.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
          <Typography variant="caption" color="textSecondary" title={moment(one.at)}>
            {KINDS[one.kind]}, {ago(one.at, today)}, {one.by}{one.own ? (one.seen ? ', dealt with' : ', waits for an answer') : one.sent ? ', sent (simulated)' : ', waits in the outbox'}
          </Typography>
          <Typography variant="body2" sx={{ overflowWrap: 'anywhere', ...(one.own && !one.seen ? { fontWeight: 600 } : {}) }}>{one.pain === null ? '' : `Pain ${one.pain} of 10. `}{one.words}</Typography>
        </Box>
      ))}
      {found.missed.map((one) => <Typography key={one.on + one.title} variant="body2" sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}><b>Not done, {day(one.on)}:</b> {one.title}, {one.why}</Typography>)}
      {found.corrected.map((one) => <Typography key={one.at + one.words} variant="body2" title={moment(one.at)} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}><b>Put right {ago(one.at, today)}:</b> {one.words}</Typography>)}
    </Paper>
  );
}

function Answer({ id, name }: { id: string; name: string }) {
  const [words, setWords] = useState('');
  const answer = useAnswer(id);
  const fault = words.length > LONGEST ? `At most ${LONGEST} letters; these are ${words.length}` : faultAt(answer.error, 'words');
  const tell = (told: string) => answer.mutate(told, { onSuccess: () => setWords('') });
  return (
    <Box sx={{ display: 'grid', gap: 1, my: 1 }}>
      <TextField label={`Answer ${name}`} multiline minRows={2} value={words} onChange={(event) => setWords(event.target.value)} error={fault !== undefined} helperText={fault ?? 'It shows on the athlete’s phone.'} />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="contained" loading={answer.isPending} disabled={words.trim() === '' || words.length > LONGEST} onClick={() => tell(words)}>Answer</Button>
        <Button onClick={() => tell('')}>Seen, answered otherwise</Button>
      </Box>
      {answer.error instanceof Refusal && fault === undefined && <Alert severity="error">{answer.error.message}</Alert>}
    </Box>
  );
}
