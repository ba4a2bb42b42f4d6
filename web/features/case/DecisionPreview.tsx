import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { type Case, usePreview } from './useCase';

/** What a decision would do before it is made: every dose old and new, or how another school judges the same log. */
export function DecisionPreview({ found, asked }: { found: Case; asked: Schemas['PreviewRequest'] }) {
  const preview = usePreview(found.id, found.revision, asked);
  if (preview.isPending) return <Loading what="what it would do" />;
  if (preview.isError) return <Failed problem={preview.error} onRetry={() => void preview.refetch()} />;
  const { doses, judged } = preview.data;
  return (
    <Box component="section" aria-label="What it would do" sx={{ opacity: preview.isPlaceholderData ? 0.5 : 1 }}>
      <Typography variant="h3">What it would do</Typography>
      {judged !== null && (
        <>
          <Typography>Proposed now: {judged.now}</Typography>
          <Typography variant="subtitle1">Proposed then: {judged.headline}</Typography>
          <Typography variant="body2">{judged.because}</Typography>
          <Typography variant="body2" color="textSecondary">
            {judged.differs === 0
              ? `All ${judged.sessions} sessions would be judged the same.`
              : `${judged.differs} of ${judged.sessions} sessions would be judged differently.`}{' '}
            The gate is {judged.gate_open ? 'open' : 'closed'} then.
          </Typography>
        </>
      )}
      <List disablePadding>
        {doses.map((dose) => (
          <Box component="li" key={dose.title + dose.after} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
            <Typography variant="subtitle2">
              {dose.title}
              {dose.rests !== null && (
                <Typography component="span" variant="body2" color="watch">
                  {' '}
                  {dose.rests}
                </Typography>
              )}
            </Typography>
            <Typography variant="body2">
              {dose.before === dose.after ? (
                `${dose.after} (as it is)`
              ) : (
                <>
                  {dose.before ?? 'new'} <b aria-label="becomes">→</b> {dose.after}
                </>
              )}
            </Typography>
          </Box>
        ))}
      </List>
    </Box>
  );
}
