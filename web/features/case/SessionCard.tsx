import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import { ago, day, moment } from '../../shell/dates';
import { colour } from '../../shell/theme';
import { type SessionTold, useSession } from './useCase';

const VERDICTS: Record<SessionTold['verdict'], [string, string]> = {
  settled: ['settled', colour('primary')],
  under: ['under the pain asked for', colour('primary')],
  watch: ['small reaction', colour('watch')],
  over: ['too much', colour('over')],
  stop: ['stop', colour('stop')],
  pending: ['waits for the morning', colour('unknown')],
  unanswered: ['without an answer', colour('unknown')],
};

/** One session: sets done against the dose, pain, what answered it and when, the verdict in words. */
export function SessionCard({ id, of, today }: { id: string; of: string | null; today: string }) {
  const query = useSession(id, of);
  if (of === null)
    return (
      <Typography color="textSecondary">No session yet. The first will appear here with its next morning.</Typography>
    );
  if (query.data === undefined)
    return (
      <Typography color="textSecondary" sx={{ minHeight: 96 }}>
        {query.isError ? 'This session could not be loaded. Point at it again.' : 'Loading the session …'}
      </Typography>
    );
  const session = query.data;
  const [verdict, tone] = VERDICTS[session.verdict];
  return (
    <Box
      aria-live="polite"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        pt: 0.75,
        minHeight: 96,
        opacity: query.isPlaceholderData ? 0.55 : 1,
      }}
    >
      <Typography variant="body2">
        <b title={moment(session.started_at)}>{day(session.on)}</b>, {session.started_at.slice(11, 16)}–
        {session.ended_at.slice(11, 16)} · {session.stage}
        {session.minutes === null
          ? ''
          : ` · ${session.minutes} min${session.effort === null ? '' : `, effort ${session.effort} of 10`}`}{' '}
        · plan {session.plan_version} ·{' '}
        <Box component="b" sx={{ color: tone }}>
          {verdict}
        </Box>
      </Typography>
      <Typography variant="body2">
        {session.verdict_words}
        {session.answer !== null && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            Answered {ago(session.answer.at, today)} at {session.answer.at.slice(11, 16)}
            {session.answer.stiffness_min === null ? '' : `, stiff for ${session.answer.stiffness_min} min`}.
          </Box>
        )}
      </Typography>
      {session.signs.length > 0 && (
        <Typography variant="subtitle2" color="stop">
          Reported: {session.signs.join(', ')}
        </Typography>
      )}
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          fontSize: 13,
          mt: 0.25,
          '& th': { textAlign: 'left', fontWeight: 400, color: 'text.secondary' },
          '& td, & th': { py: '1px', pr: 1.5, verticalAlign: 'top' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Exercise</th>
            <th scope="col">Asked</th>
            <th scope="col">Done</th>
            <th scope="col">Pain</th>
          </tr>
        </thead>
        <tbody>
          {session.entries.map((entry, i) => (
            <tr key={entry.title + String(i)}>
              <td>{entry.title}</td>
              <td>{entry.asked ?? '–'}</td>
              <td>{doneWords(entry)}</td>
              <Box component="td" sx={entry.over ? { color: 'over.main', fontWeight: 600 } : {}}>
                {entry.pain === null ? 'not entered' : `${entry.pain} of 10${entry.over ? ', over its limit' : ''}`}
                {entry.before !== null && entry.after !== null && ` (test ${entry.before} → ${entry.after})`}
              </Box>
            </tr>
          ))}
        </tbody>
      </Box>
      {session.notes !== null && (
        <Typography variant="body2" color="textSecondary">
          “{session.notes}”
        </Typography>
      )}
    </Box>
  );
}

/** What was done of an exercise, and why no more of it. */
function doneWords({ done, asked_sets: asked, skipped }: SessionTold['entries'][number]): string {
  if (done.length === 0) return skipped !== null ? `left out: ${skipped}` : asked === null ? '–' : 'nothing';
  const short = asked !== null && done.length !== asked;
  return `${grouped(done)}${short ? ` (${done.length} of ${asked} sets${skipped === null ? '' : `: ${skipped}`})` : ''}`;
}

/** "3 × 8 at 40 kg" of equal sets, else each of them. */
function grouped(sets: readonly string[]): string {
  const first = sets[0];
  return first !== undefined && sets.every((set) => set === first) ? `${sets.length} × ${first}` : sets.join(' · ');
}
