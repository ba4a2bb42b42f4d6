import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { day } from '../../shell/dates';
import { Failed } from '../../shell/States';
import { ACTIONS } from './words';
import { type Case, useOpinions } from './useCase';

/** What each school would say of this same log, where they part and why. */
export function OpinionsPanel({ found }: { found: Case }) {
  const [wanted, setWanted] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const opinions = useOpinions(found.id, found.revision, wanted);
  return (
    <Paper variant="panel" component="section" aria-label="Second opinions">
      <Typography variant="h2">Second opinions</Typography>
      {!wanted && (
        <>
          <Typography variant="body2" color="textSecondary">
            Judged by “{found.school.title}”. The other schools may judge this log differently.
          </Typography>
          <Button variant="outlined" onClick={() => setWanted(true)} sx={{ mt: 0.75 }}>
            Ask every school
          </Button>
        </>
      )}
      {wanted && opinions.isPending && (
        <Typography variant="body2" role="status">
          Asking …
        </Typography>
      )}
      {opinions.isError && <Failed problem={opinions.error} onRetry={() => void opinions.refetch()} />}
      {opinions.data !== undefined && (
        <>
          <List disablePadding>
            {opinions.data.schools.map((school) => (
              <Box component="li" key={school.key} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <Box
                  component="button"
                  type="button"
                  aria-expanded={open === school.key}
                  onClick={() => setOpen(open === school.key ? null : school.key)}
                  sx={{
                    display: 'flex',
                    width: '100%',
                    gap: 1,
                    border: 0,
                    bgcolor: 'transparent',
                    color: 'inherit',
                    font: 'inherit',
                    textAlign: 'left',
                    py: 0.4,
                    px: 0,
                    cursor: 'pointer',
                  }}
                >
                  <Typography variant="body2" component="span" sx={{ flex: 1, fontWeight: school.own ? 600 : 400 }}>
                    {school.title}
                    {school.own ? ' (this case)' : ''}
                  </Typography>
                  <Typography variant="subtitle2" component="span">
                    {ACTIONS[school.action]}
                  </Typography>
                </Box>
                {open === school.key && (
                  <Box sx={{ pb: 0.75 }}>
                    <Typography variant="body2">
                      {school.headline}. {school.because}
                    </Typography>
                    <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
                      {school.view} Its limits: {school.limits}.
                    </Typography>
                  </Box>
                )}
              </Box>
            ))}
          </List>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Where they differ
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {opinions.data.words}
          </Typography>
          {opinions.data.parts.map((part) => (
            <Box key={part.session} sx={{ mt: 0.5 }}>
              <Typography variant="subtitle2">
                {day(part.on)}: {part.words}
              </Typography>
              {part.said.map((opinion) => (
                <Typography key={opinion.verdict} variant="body2" color="textSecondary">
                  <Box component="span" sx={{ color: 'text.primary' }}>
                    {opinion.verdict}
                  </Box>
                  {opinion.why === '' ? '' : ` (${opinion.why})`}: {opinion.schools.join(', ')}
                </Typography>
              ))}
            </Box>
          ))}
        </>
      )}
    </Paper>
  );
}
