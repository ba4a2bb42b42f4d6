import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { type SyntheticEvent, useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { TextInput } from '../../shell/TextInput';
import { useSignIn } from '../../shell/useSignedIn';

/** E-mail address and password; the same form on the desk, on the phone and over an expired page. */
export function SignInForm({ then, stay = false }: { then?: () => void; stay?: boolean }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const signIn = useSignIn();
  const problem = signIn.error;
  const atField = faultAt(problem, 'email') ?? faultAt(problem, 'password');

  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    signIn.mutate({ email, password, stay }, { onSuccess: then });
  };

  return (
    <Stack component="form" onSubmit={submit} noValidate sx={{ gap: 2 }}>
      <TextInput label="E-mail address or sign-in name" inputMode="email" autoComplete="username" value={email} change={setEmail} fault={faultAt(problem, 'email')} autoFocus />
      <TextInput label={stay ? 'PIN or password' : 'Password'} type="password" autoComplete="current-password" value={password} change={setPassword} fault={faultAt(problem, 'password')} />
      {problem instanceof Refusal && atField === undefined && (
        <Alert severity="error">
          {problem.message}
        </Alert>
      )}
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Sign in
      </Button>
    </Stack>
  );
}
