import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { ago, day, moment } from '../../shell/dates';
import { useMay } from '../../shell/useSignedIn';
import { Conversation, unanswered } from '../messages/Conversation';
import { WriteForm } from '../messages/WriteForm';
import type { Case } from './useCase';

/** What the athlete wrote, what was answered, what was missed and put right; what waits for an answer comes first. */
export function MessagesPanel({ found }: { found: Case }) {
  const [writing, setWriting] = useState(false);
  const may = useMay();
  const waiting = unanswered(found.messages);
  const today = found.standing.today;
  return (
    <Paper
      variant="panel"
      component="section"
      aria-label="Messages"
      sx={found.asked_at === null ? {} : { borderColor: 'watch.main', borderWidth: 2 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          From and to the athlete
        </Typography>
        {may('decide') && waiting.length === 0 && (
          <Button onClick={() => setWriting(!writing)} aria-expanded={writing}>
            Write …
          </Button>
        )}
      </Box>
      {may('decide') && (writing || waiting.length > 0) && (
        <WriteForm id={found.id} name={found.athlete.name} waiting={waiting} />
      )}
      {found.messages.length + found.missed.length + found.corrected.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          Nothing was written yet.
        </Typography>
      )}
      <Conversation messages={found.messages} today={today} />
      {found.missed.map((session) => (
        <Typography
          key={session.on + session.title}
          variant="body2"
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
        >
          <b>Not done, {day(session.on)}:</b> {session.title}, {session.why}
        </Typography>
      ))}
      {found.corrected.map((correction) => (
        <Typography
          key={correction.at + correction.words}
          variant="body2"
          title={moment(correction.at)}
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
        >
          <b>
            Put right {ago(correction.at, today)} by {correction.by}:
          </b>{' '}
          {correction.words}
          {correction.why !== null && ` (${correction.why})`}
        </Typography>
      ))}
    </Paper>
  );
}
