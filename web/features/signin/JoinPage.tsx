import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { api, faultAt, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';
import { TextInput } from '../../shell/TextInput';
import { SmallPage } from './SmallPage';

/** Somebody who was invited to work in a practice comes in. */
export default function JoinPage() {
  const [token] = useState(() => window.location.hash.slice(1));
  const [password, setPassword] = useState('');
  const who = useQuery({
    queryKey: queryKeys.join(token),
    queryFn: async () => {
      // The first request of this browser: it brings the token that a form needs.
      await send(() => api.GET('/api/session'));
      return send(() => api.POST('/api/join/who', { body: { token } }));
    },
  });
  const join = useMutation({
    mutationFn: () => send(() => api.POST('/api/join', { body: { token, password } })),
    // A new page, so that nothing of whoever was signed in here before stays.
    onSuccess: () => window.location.assign('/'),
  });
  if (who.isPending) return <Loading what="the invitation" />;
  if (who.isError)
    return (
      <SmallPage title="Invitation">
        <Failed problem={who.error} />
      </SmallPage>
    );
  const fault = faultAt(join.error, 'password');
  return (
    <SmallPage title={who.data.practice}>
      <Typography>
        Welcome, {who.data.name}. You are invited as {who.data.role}, and sign in with <b>{who.data.email}</b>.
      </Typography>
      <Stack
        component="form"
        noValidate
        onSubmit={(event: React.SyntheticEvent) => {
          event.preventDefault();
          join.mutate();
        }}
        sx={{ gap: 2 }}
      >
        <Typography color="textSecondary">
          {who.data.has_sign_in
            ? 'You have a sign-in already: type its password. You can change between your practices afterwards.'
            : 'Set a password of at least 10 letters. Nobody at the practice sees it.'}
        </Typography>
        <TextInput
          label={who.data.has_sign_in ? 'Your password' : 'New password'}
          type="password"
          autoComplete={who.data.has_sign_in ? 'current-password' : 'new-password'}
          autoFocus
          value={password}
          onChange={setPassword}
          fault={fault}
        />
        {join.isError && fault === undefined && <Alert severity="error">{join.error.message}</Alert>}
        <Button type="submit" variant="contained" size="large" loading={join.isPending}>
          Come in
        </Button>
      </Stack>
    </SmallPage>
  );
}
