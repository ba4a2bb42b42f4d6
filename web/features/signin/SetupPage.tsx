import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, send } from '../../api/client';
import { TextInput } from '../../shell/TextInput';
import { SmallPage } from './SmallPage';

const FIELDS = ['code', 'practice', 'timezone', 'name', 'email', 'password'] as const;

/** An installation without a practice: the first owner makes one, or loads the demo to look around in. */
export default function SetupPage() {
  const [form, setForm] = useState({
    code: '',
    practice: '',
    timezone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    name: '',
    email: '',
    password: '',
  });
  const begin = useMutation({
    mutationFn: () => send(() => api.POST('/api/setup', { body: form })),
    onSuccess: () => window.location.assign('/'),
  });
  const demo = useMutation({
    mutationFn: () => send(() => api.POST('/api/setup/demo', { body: { code: form.code } })),
  });
  const problem = begin.error ?? demo.error;
  const fault = (field: string) => faultAt(problem, field);
  const change = (field: keyof typeof form) => (value: string) => setForm({ ...form, [field]: value });
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
      <Stack
        component="form"
        noValidate
        onSubmit={(event: SyntheticEvent) => {
          event.preventDefault();
          demo.reset();
          begin.mutate();
        }}
        sx={{ gap: 2 }}
      >
        <TextInput
          label="Code"
          autoComplete="one-time-code"
          autoFocus
          value={form.code}
          onChange={change('code')}
          fault={fault('code')}
        />
        <TextInput
          label="Name of the practice"
          autoComplete="organization"
          value={form.practice}
          onChange={change('practice')}
          fault={fault('practice')}
        />
        <Autocomplete
          options={Intl.supportedValuesOf('timeZone')}
          value={form.timezone}
          onChange={(_, value) => change('timezone')(value ?? '')}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Time zone"
              error={fault('timezone') !== undefined}
              helperText={fault('timezone')}
            />
          )}
        />
        <TextInput
          label="Your name"
          autoComplete="name"
          value={form.name}
          onChange={change('name')}
          fault={fault('name')}
        />
        <TextInput
          label="Your e-mail address"
          inputMode="email"
          autoComplete="username"
          value={form.email}
          onChange={change('email')}
          fault={fault('email')}
        />
        <TextInput
          label="Password, of at least 10 letters"
          type="password"
          autoComplete="new-password"
          value={form.password}
          onChange={change('password')}
          fault={fault('password')}
        />
        {problem !== null && FIELDS.every((field) => fault(field) === undefined) && (
          <Alert severity="error">{problem.message}</Alert>
        )}
        <Button type="submit" variant="contained" size="large" loading={begin.isPending}>
          Make the practice
        </Button>
        <Divider>or</Divider>
        <Button
          variant="outlined"
          loading={demo.isPending}
          onClick={() => {
            begin.reset();
            demo.mutate();
          }}
        >
          Load the demo practice to look around
        </Button>
      </Stack>
    </SmallPage>
  );
}
