import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { moment } from '../../shell/dates';
import { STEPS } from './form';

/** Openings that were left, to go on with, except the one that is being typed. Discarding one can be undone. */
export function LeftOpenings({ except }: { except: string | null }) {
  const queries = useQueryClient();
  const left = useQuery({ queryKey: queryKeys.openings, queryFn: () => send(() => api.GET('/api/openings')) });
  const again = () => queries.invalidateQueries({ queryKey: queryKeys.openings });
  const discard = useMutation({
    mutationFn: async (opening: string) => {
      const path = { opening };
      const kept = await send(() => api.GET('/api/openings/{opening}', { params: { path } }));
      await send(() => api.DELETE('/api/openings/{opening}', { params: { path } }));
      return kept;
    },
    onSuccess: again,
  });
  const restore = useMutation({
    mutationFn: ({ id, step, form }: { id: string; step: number; form: Record<string, unknown> }) =>
      send(() => api.PUT('/api/openings/{opening}', { params: { path: { opening: id } }, body: { step, form } })),
    onSuccess: async () => {
      discard.reset();
      await again();
    },
  });
  const openings = (left.data?.openings ?? []).filter((opening) => opening.id !== except);
  if (openings.length === 0 && !discard.isSuccess) return null;
  return (
    <Box component="section" aria-label="Left openings" sx={{ mb: 1.5 }}>
      {discard.isSuccess && (
        <Alert
          severity="info"
          action={
            <Button onClick={() => restore.mutate(discard.data)} loading={restore.isPending}>
              Undo
            </Button>
          }
          sx={{ mb: 1 }}
        >
          An opening was discarded.
        </Alert>
      )}
      {openings.map((opening) => (
        <Box
          key={opening.id}
          sx={{ display: 'flex', gap: 2, alignItems: 'center', borderTop: 1, borderColor: 'divider', px: 1 }}
        >
          <Typography sx={{ flex: 1 }}>
            <b>{opening.name}</b> left at step {opening.step}, {STEPS[opening.step - 1]?.title.toLowerCase()}{' '}
            <Typography component="span" color="textSecondary">
              {moment(opening.updated_at)}, {opening.by}
            </Typography>
          </Typography>
          <Button
            component={RouterLink}
            to={`/new/${opening.id}`}
            variant="outlined"
            aria-label={`Take up ${opening.name}`}
          >
            Take up
          </Button>
          <Button onClick={() => discard.mutate(opening.id)} aria-label={`Discard ${opening.name}`}>
            Discard
          </Button>
        </Box>
      ))}
    </Box>
  );
}
