import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { type SyntheticEvent, useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { TextInput } from '../../shell/TextInput';
import { useSignIn } from '../../shell/useSignedIn';

/** E-mail address and password, then a code where the account has a second factor; the same form on the desk, on the phone and over an expired page. */
export function SignInForm({ onDone, stay = false }: { onDone?: () => void; stay?: boolean }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [owesCode, setOwesCode] = useState(false);
  const signIn = useSignIn();
  const problem = signIn.error;
  const atField = faultAt(problem, 'email') ?? faultAt(problem, 'password');

  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    signIn.mutate(
      { email, password, stay },
      {
        onSuccess: (answer) => {
          if (answer.owes_code === true) setOwesCode(true);
          else onDone?.();
        },
      },
    );
  };
  if (owesCode)
    return (
      <CodeForm
        {...(onDone === undefined ? {} : { onDone })}
        onBack={() => {
          signIn.reset();
          setPassword('');
          setOwesCode(false);
        }}
      />
    );

  return (
    <Stack component="form" onSubmit={submit} noValidate sx={{ gap: 2 }}>
      <TextInput
        label="E-mail address or sign-in name"
        inputMode="email"
        autoComplete="username"
        value={email}
        onChange={setEmail}
        fault={faultAt(problem, 'email')}
        autoFocus
      />
      <TextInput
        label={stay ? 'PIN or password' : 'Password'}
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={setPassword}
        fault={faultAt(problem, 'password')}
      />
      {problem instanceof Refusal && atField === undefined && <Alert severity="error">{problem.message}</Alert>}
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Sign in
      </Button>
    </Stack>
  );
}

/** The second step: what the app shows now, or a recovery code. */
function CodeForm({ onDone, onBack }: { onDone?: () => void; onBack: () => void }) {
  const [code, setCode] = useState('');
  const signIn = useSignIn();
  const fault = faultAt(signIn.error, 'code');
  return (
    <Stack
      component="form"
      onSubmit={(event: SyntheticEvent) => {
        event.preventDefault();
        signIn.mutate({ code }, { onSuccess: () => onDone?.() });
      }}
      noValidate
      sx={{ gap: 2 }}
    >
      <Typography>
        Your password was right. Now the six digits that your app shows, or one of your recovery codes.
      </Typography>
      <TextInput
        label="Code"
        inputMode="text"
        autoComplete="one-time-code"
        autoFocus
        value={code}
        onChange={setCode}
        fault={fault}
      />
      {signIn.error instanceof Refusal && fault === undefined && <Alert severity="error">{signIn.error.message}</Alert>}
      <Button type="submit" variant="contained" size="large" loading={signIn.isPending}>
        Go on
      </Button>
      <Button onClick={onBack}>Begin again</Button>
    </Stack>
  );
}
