import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day, moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** Tokens with which other systems read the practice; for its owner. */
export function Tokens() {
  const found = useQuery({ queryKey: queryKeys.tokens, queryFn: () => send(() => api.GET('/api/practice/tokens')) });
  const queries = useQueryClient();
  const [made, setMade] = useState<string | null>(null);
  const form = useSendForm({
    defaultValues: { name: '', days: '90' },
    send: ({ name, days }) =>
      send(() => api.POST('/api/practice/tokens', { body: { name: name.trim(), days: Number(days) } })),
    onSent: (answer, { resetField }) => {
      queries.setQueryData(queryKeys.tokens, { tokens: answer.tokens });
      resetField('name');
      setMade(answer.token);
    },
  });
  const withdraw = useMutation({
    mutationFn: (token: string) =>
      send(() => api.DELETE('/api/practice/tokens/{token}', { params: { path: { token } } })),
    onSuccess: (answer) => {
      queries.setQueryData(queryKeys.tokens, answer);
      setMade(null);
    },
  });
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Tokens for other systems"
      sx={{ p: 2.5, display: 'grid', gap: 2 }}
    >
      <Box>
        <Typography variant="h2">Tokens for other systems</Typography>
        <Typography color="textSecondary">
          With a token, another program can read what you see at the desk and change nothing. The record shows what it
          reads under your name and the token’s.
        </Typography>
      </Box>
      {found.isPending && <Loading what="the tokens" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {withdraw.isError && <Failed problem={withdraw.error} />}
      {(found.data?.tokens ?? []).map((token) => (
        <Box
          key={token.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Box sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
            <Typography variant="subtitle1">{token.name}</Typography>
            <Typography variant="body2" color="textSecondary">
              {token.expired ? 'Ran out on' : 'Holds until'} {day(token.expires_at.slice(0, 10))} ·{' '}
              {token.last_used_at === null ? 'never used' : `last used ${moment(token.last_used_at)}`}
            </Typography>
          </Box>
          <Button
            loading={withdraw.isPending && withdraw.variables === token.id}
            aria-label={`Withdraw ${token.name}`}
            onClick={() => withdraw.mutate(token.id)}
          >
            Withdraw
          </Button>
        </Box>
      ))}
      {made !== null && (
        <Alert severity="success">
          The token, shown only once. Keep it as you keep a password:
          <Box
            component="code"
            aria-label="The token"
            sx={{ display: 'block', overflowWrap: 'anywhere', userSelect: 'all', mt: 0.5 }}
          >
            {made}
          </Box>
        </Alert>
      )}
      <SendForm form={form} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <FormText control={form.control} name="name" label="What it is for" sx={{ flex: 1, minWidth: 200 }} />
        <FormText
          control={form.control}
          name="days"
          label="Days"
          help="1 to 366"
          sx={{ width: 120 }}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <SendButton form={form} variant="outlined">
          Make a token
        </SendButton>
      </SendForm>
      <FormProblem form={form} />
    </Paper>
  );
}
