import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { api, faultAt, send } from '../../api/client';
import { Mark } from '../../charts/Mark';
import { TextInput } from '../../shell/TextInput';

/** The first visit, by the link or the code on the paper: a password or PIN is set, and the phone stays signed in. */
export default function JoinScreen() {
  const [link] = useState(() => window.location.hash.slice(1));
  const [code, setCode] = useState('');
  const token = link === '' ? code.trim() : link;
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const join = useMutation({
    mutationFn: async () => {
      // The first request of this phone: it brings the token that a form needs.
      await send(() => api.GET('/api/session'));
      return send(() => api.POST('/api/join', { body: { token, password } }));
    },
  });
  const fault = faultAt(join.error, 'password');
  if (join.data !== undefined) {
    return (
      <Box component="main" sx={{ maxWidth: 420, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
        <Typography variant="h1">You are in</Typography>
        <Typography>
          This phone stays signed in. On another, sign in with <b>{join.data.email}</b> and what you just set.
        </Typography>
        <Button
          variant="contained"
          size="large"
          onClick={() => {
            void queries.invalidateQueries().then(() => navigate('/', { replace: true }));
          }}
        >
          To my plan
        </Button>
      </Box>
    );
  }
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Paper variant="outlined" sx={{ p: 3, width: '100%', maxWidth: 380 }}>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1 }}>
          <Mark size={34} />
          <Typography variant="h1">Welcome to Rung</Typography>
        </Box>
        <Typography sx={{ mb: 2 }}>
          Set a PIN of at least 6 digits, or a password of at least 8 letters. Nobody at your practice sees it.
        </Typography>
        <Box
          component="form"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            join.mutate();
          }}
          sx={{ display: 'grid', gap: 1.5 }}
        >
          {link === '' && (
            <TextInput
              label="Code on the paper"
              autoComplete="one-time-code"
              autoFocus
              value={code}
              onChange={setCode}
              fault={faultAt(join.error, 'token')}
            />
          )}
          <TextInput
            label="PIN or password"
            type="password"
            autoComplete="new-password"
            autoFocus={link !== ''}
            value={password}
            onChange={setPassword}
            fault={fault}
          />
          {join.isError && fault === undefined && (link !== '' || faultAt(join.error, 'token') === undefined) && (
            <Alert severity="error">{join.error.message}</Alert>
          )}
          <Button type="submit" variant="contained" loading={join.isPending} size="large">
            Set it and go on
          </Button>
        </Box>
      </Paper>
    </Box>
  );
}
