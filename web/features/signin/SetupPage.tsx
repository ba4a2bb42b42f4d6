import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { api, send } from '../../api/client';
import { SmallPage } from './SmallPage';
import { FormTimezone } from '../../forms/FormTimezone';
import { FormPassword, FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** An installation without a practice: the first owner makes one, or loads the demo to look around in. */
export default function SetupPage() {
  const form = useSendForm({
    defaultValues: {
      code: '',
      practice: '',
      timezone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      name: '',
      email: '',
      password: '',
    },
    send: (body) => send(() => api.POST('/api/setup', { body })),
    onSent: () => window.location.assign('/'),
  });
  const demo = useMutation({
    mutationFn: () => send(() => api.POST('/api/setup/demo', { body: { code: form.getValues('code') } })),
    onError: (problem) => form.showFaults(problem),
  });
  if (demo.data !== undefined) {
    return (
      <SmallPage title="The demo is loaded">
        <Typography>
          Sign in as <b>{demo.data.email}</b> with the password <b>{demo.data.password}</b>. Its histories end today.
        </Typography>
        <Button variant="contained" onClick={() => window.location.assign('/')}>
          To the sign-in
        </Button>
      </SmallPage>
    );
  }
  return (
    <SmallPage title="Welcome to Rung">
      <Typography>
        There is no practice here yet. Type the code that <code>./rung start</code> printed where the server runs, and
        make yours.
      </Typography>
      <SendForm form={form} sx={{ display: 'grid', gap: 2 }}>
        <FormText control={form.control} name="code" label="Code" autoComplete="one-time-code" autoFocus />
        <FormText control={form.control} name="practice" label="Name of the practice" autoComplete="organization" />
        <FormTimezone control={form.control} name="timezone" />
        <FormText control={form.control} name="name" label="Your name" autoComplete="name" />
        <FormText
          control={form.control}
          name="email"
          label="Your e-mail address"
          type="email"
          autoComplete="username"
        />
        <FormPassword control={form.control} name="password" label="Password, of at least 10 letters" isNew />
        <FormProblem form={form} />
        <SendButton form={form} size="large">
          Make the practice
        </SendButton>
        <Divider>or</Divider>
        <Button
          variant="outlined"
          loading={demo.isPending}
          onClick={() => {
            form.clearErrors();
            demo.mutate();
          }}
        >
          Load the demo practice to look around
        </Button>
      </SendForm>
    </SmallPage>
  );
}
