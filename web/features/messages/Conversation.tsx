import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import { ago, moment } from '../../shell/dates';
import type { SentMessage } from './useMessages';

const KINDS = { nudge: 'Nudge', advice: 'Advice', answer: 'Answer', question: 'Asked', flare: 'Flare', message: 'Written' } as const;

const stateOf = (one: SentMessage): string => (one.own ? (one.seen ? ', dealt with' : ', waits for an answer') : one.sent ? ', sent (simulated)' : ', waits in the outbox');

/** Ids of what the athlete wrote and nobody has answered. */
export const unanswered = (messages: readonly SentMessage[]): string[] => messages.filter((one) => one.own && !one.seen).map((one) => one.id);

/** What was written both ways, newest first. */
export function Conversation({ messages, today }: { messages: readonly SentMessage[]; today: string }) {
  return messages.map((one) => (
    <Box key={one.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
      <Typography variant="caption" color="textSecondary" title={moment(one.at)}>{KINDS[one.kind]}, {ago(one.at, today)}, {one.by}{stateOf(one)}</Typography>
      <Typography variant="body2" sx={{ overflowWrap: 'anywhere', whiteSpace: 'pre-line', ...(one.own && !one.seen ? { fontWeight: 600 } : {}) }}>{one.pain === null ? '' : `Pain ${one.pain} of 10. `}{one.words}</Typography>
    </Box>
  ));
}
