import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api, send } from '../../api/client';
import { SmallPage } from './SmallPage';
import { FormPassword, FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** A forgotten password: first a link is asked for; with the link of the letter a new password is set. */
export default function NewPasswordPage() {
  const [[email, token]] = useState(() => window.location.hash.slice(1).split('/') as [string?, string?]);
  return email !== undefined && token !== undefined ? (
    <SetPassword email={decodeURIComponent(email)} token={token} />
  ) : (
    <AskForLink />
  );
}

/** The first request of this browser brings the token that a form needs. */
const withToken = async <T,>(then: () => Promise<T>): Promise<T> => {
  await send(() => api.GET('/api/session'));
  return then();
};

function AskForLink() {
  const form = useSendForm({
    defaultValues: { email: '' },
    send: (body) => withToken(() => send(() => api.POST('/api/password', { body }))),
  });
  return (
    <SmallPage title="A new password">
      {form.answer !== undefined ? (
        <Typography>
          If somebody signs in with this address, a letter with a link is on its way. The link holds for an hour.
        </Typography>
      ) : (
        <SendForm form={form} sx={{ display: 'grid', gap: 2 }}>
          <Typography>
            Type the e-mail address that you sign in with. A letter brings you a link to set a new password.
          </Typography>
          <FormText
            control={form.control}
            name="email"
            label="E-mail address"
            type="email"
            autoComplete="username"
            autoFocus
          />
          <FormProblem form={form} />
          <SendButton form={form} size="large">
            Send me the link
          </SendButton>
        </SendForm>
      )}
      <Link href="/" color="inherit">
        To the sign-in
      </Link>
    </SmallPage>
  );
}

function SetPassword({ email, token }: { email: string; token: string }) {
  const form = useSendForm({
    defaultValues: { password: '' },
    send: ({ password }) => withToken(() => send(() => api.PUT('/api/password', { body: { email, token, password } }))),
  });
  const isSet = form.answer !== undefined;
  return (
    <SmallPage title="A new password">
      {isSet ? (
        <Typography>Your password has been changed, and you are signed out everywhere else.</Typography>
      ) : (
        <SendForm form={form} sx={{ display: 'grid', gap: 2 }}>
          <Typography>
            For <b>{email}</b>.
          </Typography>
          <FormPassword control={form.control} name="password" label="New password" isNew autoFocus />
          <FormProblem form={form} />
          <SendButton form={form} size="large">
            Set it
          </SendButton>
        </SendForm>
      )}
      <Link href={isSet ? '/' : '/password'} color="inherit">
        {isSet ? 'To the sign-in' : 'Ask for another link'}
      </Link>
    </SmallPage>
  );
}
