import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, send } from '../../api/client';
import { TextInput } from '../../shell/TextInput';
import { SmallPage } from './SmallPage';

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
  const [email, setEmail] = useState('');
  const ask = useMutation({
    mutationFn: () => withToken(() => send(() => api.POST('/api/password', { body: { email } }))),
  });
  const fault = faultAt(ask.error, 'email');
  return (
    <SmallPage title="A new password">
      {ask.isSuccess ? (
        <Typography>
          If somebody signs in with this address, a letter with a link is on its way. The link holds for an hour.
        </Typography>
      ) : (
        <Stack
          component="form"
          noValidate
          onSubmit={(event: SyntheticEvent) => {
            event.preventDefault();
            ask.mutate();
          }}
          sx={{ gap: 2 }}
        >
          <Typography>
            Type the e-mail address that you sign in with. A letter brings you a link to set a new password.
          </Typography>
          <TextInput
            label="E-mail address"
            inputMode="email"
            autoComplete="username"
            autoFocus
            value={email}
            onChange={setEmail}
            fault={fault}
          />
          {ask.isError && fault === undefined && <Alert severity="error">{ask.error.message}</Alert>}
          <Button type="submit" variant="contained" size="large" loading={ask.isPending}>
            Send me the link
          </Button>
        </Stack>
      )}
      <Link href="/" color="inherit">
        To the sign-in
      </Link>
    </SmallPage>
  );
}

function SetPassword({ email, token }: { email: string; token: string }) {
  const [password, setPassword] = useState('');
  const set = useMutation({
    mutationFn: () => withToken(() => send(() => api.PUT('/api/password', { body: { email, token, password } }))),
  });
  const fault = faultAt(set.error, 'password');
  return (
    <SmallPage title="A new password">
      {set.isSuccess ? (
        <Typography>Your password has been changed, and you are signed out everywhere else.</Typography>
      ) : (
        <Stack
          component="form"
          noValidate
          onSubmit={(event: SyntheticEvent) => {
            event.preventDefault();
            set.mutate();
          }}
          sx={{ gap: 2 }}
        >
          <Typography>
            For <b>{email}</b>.
          </Typography>
          <TextInput
            label="New password"
            type="password"
            autoComplete="new-password"
            autoFocus
            value={password}
            onChange={setPassword}
            fault={fault}
          />
          {set.isError && fault === undefined && <Alert severity="error">{set.error.message}</Alert>}
          <Button type="submit" variant="contained" size="large" loading={set.isPending}>
            Set it
          </Button>
        </Stack>
      )}
      <Link href={set.isSuccess ? '/' : '/password'} color="inherit">
        {set.isSuccess ? 'To the sign-in' : 'Ask for another link'}
      </Link>
    </SmallPage>
  );
}
