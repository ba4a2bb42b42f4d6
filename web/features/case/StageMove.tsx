import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import { Failed, Loading } from '../../shell/States';
import { type Case, useStageMove } from './useCase';

/** Every dose of another stage beside what is asked for now, before it is put in force. */
export function StageMove({ found, stage }: { found: Case; stage: string }) {
  const move = useStageMove(found.id, found.revision, stage);
  if (move.isPending) return <Loading what="the doses of that stage" />;
  if (move.isError) return <Failed problem={move.error} onRetry={() => void move.refetch()} />;
  const { title, rhythm, doses, left } = move.data;
  return (
    <Box component="section" aria-label={`Doses of ${title}`}>
      <Typography variant="h3">
        {title}: {rhythm}
      </Typography>
      {doses.length === 0 && <Typography color="textSecondary">Nothing but the act itself.</Typography>}
      <List disablePadding>
        {doses.map((dose) => (
          <Box component="li" key={dose.title + dose.after} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <Typography variant="subtitle1">
              {dose.title}
              {dose.before === null && (
                <Typography component="span" color="textSecondary">
                  {' '}
                  new
                </Typography>
              )}
            </Typography>
            <Typography>
              {dose.before !== null && (
                <>
                  {dose.before} <b aria-label="becomes">→</b>{' '}
                </>
              )}
              {dose.after}
            </Typography>
            {dose.to_find && (
              <Typography variant="subtitle2" color="watch">
                Load to be found
              </Typography>
            )}
          </Box>
        ))}
      </List>
      {left.length > 0 && (
        <Typography color="textSecondary" sx={{ borderTop: 1, borderColor: 'divider', pt: 0.75 }}>
          No more: {left.join(', ')}
        </Typography>
      )}
    </Box>
  );
}
