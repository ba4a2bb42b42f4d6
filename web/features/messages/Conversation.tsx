import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import { ago, moment } from '../../shell/dates';
import type { SentMessage } from './useMessages';

const KINDS = {
  nudge: 'Nudge',
  advice: 'Advice',
  answer: 'Answer',
  question: 'Asked',
  flare: 'Flare',
  message: 'Written',
} as const;

const stateOf = (message: SentMessage): string =>
  message.own
    ? message.seen
      ? ', dealt with'
      : ', waits for an answer'
    : message.sent
      ? ', sent (simulated)'
      : ', waits in the outbox';

/** Ids of what the athlete wrote and nobody has answered. */
export const unanswered = (messages: readonly SentMessage[]): string[] =>
  messages.filter((message) => message.own && !message.seen).map((message) => message.id);

/** What was written both ways, newest first. */
export function Conversation({ messages, today }: { messages: readonly SentMessage[]; today: string }) {
  return messages.map((message) => (
    <Box key={message.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
      <Typography variant="caption" color="textSecondary" title={moment(message.at)}>
        {KINDS[message.kind]}, {ago(message.at, today)}, {message.by}
        {stateOf(message)}
      </Typography>
      <Typography
        variant="body2"
        sx={{
          overflowWrap: 'anywhere',
          whiteSpace: 'pre-line',
          ...(message.own && !message.seen ? { fontWeight: 600 } : {}),
        }}
      >
        {message.pain === null ? '' : `Pain ${message.pain} of 10. `}
        {message.words}
      </Typography>
    </Box>
  ));
}
