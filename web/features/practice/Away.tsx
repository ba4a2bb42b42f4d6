import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import type { User } from '../../shell/useSignedIn';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** Who stands in for whom: for some days somebody sees all cases of a colleague. */
export function Away({ user }: { user: User }) {
  const found = useQuery({ queryKey: queryKeys.covers, queryFn: () => send(() => api.GET('/api/covers')) });
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: (cover: string) => send(() => api.DELETE('/api/covers/{cover}', { params: { path: { cover } } })),
    onSuccess: (answer) => {
      queries.setQueryData(queryKeys.covers, answer);
    },
  });
  if (found.isPending) return <Loading what="who is away" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Who is away"
      sx={{ p: 2.5, display: 'grid', gap: 1.5, maxWidth: 640 }}
    >
      <Typography variant="h1" component="h2">
        Who is away
      </Typography>
      <Typography color="textSecondary">
        The person who stands in sees and treats every case of the colleague, from the first day to the last.
      </Typography>
      {found.data.covers.length === 0 && <Typography>Nobody is away.</Typography>}
      {found.data.covers.map((cover) => (
        <Box
          key={cover.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Typography sx={{ flex: 1 }}>
            <b>{cover.by}</b> stands in for <b>{cover.of}</b>, {day(cover.from)} to {day(cover.until)}
          </Typography>
          {cover.may_end && (
            <Button
              loading={end.isPending && end.variables === cover.id}
              onClick={() => end.mutate(cover.id)}
              aria-label={`${cover.by} stands in for ${cover.of} no longer`}
            >
              End it
            </Button>
          )}
        </Box>
      ))}
      {end.isError && <Failed problem={end.error} />}
      {user.may.includes('decide') && (
        <Arrange user={user} colleagues={found.data.colleagues.filter((colleague) => colleague.treats)} />
      )}
    </Paper>
  );
}

function Arrange({ user, colleagues }: { user: User; colleagues: Schemas['Colleague'][] }) {
  const queries = useQueryClient();
  const form = useSendForm({
    defaultValues: { of: user.id, user: '', from: '', until: '' },
    send: (body) => send(() => api.POST('/api/covers', { body })),
    onSent: (answer, { reset, getValues }) => {
      queries.setQueryData(queryKeys.covers, answer);
      reset({ of: getValues('of'), user: '', from: '', until: '' });
    },
  });
  const of = form.watch('of');
  return (
    <SendForm
      form={form}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
        gap: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        pt: 2,
      }}
    >
      <FormText control={form.control} name="of" select label="Away" disabled={!user.may.includes('manage')}>
        {colleagues.map((colleague) => (
          <MenuItem key={colleague.id} value={colleague.id}>
            {colleague.name}
          </MenuItem>
        ))}
      </FormText>
      <FormText control={form.control} name="user" select label="Stands in">
        {colleagues
          .filter((colleague) => colleague.id !== of)
          .map((colleague) => (
            <MenuItem key={colleague.id} value={colleague.id}>
              {colleague.name}
            </MenuItem>
          ))}
      </FormText>
      <FormText control={form.control} name="from" label="First day" type="date" />
      <FormText control={form.control} name="until" label="Last day" type="date" />
      <FormProblem form={form} sx={{ gridColumn: '1 / -1' }} />
      <Box sx={{ gridColumn: '1 / -1' }}>
        <SendButton form={form} variant="outlined">
          Arrange it
        </SendButton>
      </Box>
    </SendForm>
  );
}
