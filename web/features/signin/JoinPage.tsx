import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';
import { SmallPage } from './SmallPage';
import { FormPassword, FormProblem, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** Somebody who was invited to work in a practice comes in. */
export default function JoinPage() {
  const [token] = useState(() => window.location.hash.slice(1));
  const who = useQuery({
    queryKey: queryKeys.join(token),
    queryFn: async () => {
      // The first request of this browser: it brings the token that a form needs.
      await send(() => api.GET('/api/session'));
      return send(() => api.POST('/api/join/who', { body: { token } }));
    },
  });
  const form = useSendForm({
    defaultValues: { password: '' },
    send: ({ password }) => send(() => api.POST('/api/join', { body: { token, password } })),
    // A new page, so that nothing of whoever was signed in here before stays.
    onSent: () => window.location.assign('/'),
  });
  if (who.isPending) return <Loading what="the invitation" />;
  if (who.isError)
    return (
      <SmallPage title="Invitation">
        <Failed problem={who.error} />
      </SmallPage>
    );
  return (
    <SmallPage title={who.data.practice}>
      <Typography>
        Welcome, {who.data.name}. You are invited as {who.data.role}, and sign in with <b>{who.data.email}</b>.
      </Typography>
      <SendForm form={form} sx={{ display: 'grid', gap: 2 }}>
        <Typography color="textSecondary">
          {who.data.has_sign_in
            ? 'You have a sign-in already: type its password. You can change between your practices afterwards.'
            : 'Set a password of at least 10 letters. Nobody at the practice sees it.'}
        </Typography>
        <FormPassword
          control={form.control}
          name="password"
          label={who.data.has_sign_in ? 'Your password' : 'New password'}
          isNew={!who.data.has_sign_in}
          autoFocus
        />
        <FormProblem form={form} />
        <SendButton form={form} size="large">
          Come in
        </SendButton>
      </SendForm>
    </SmallPage>
  );
}
