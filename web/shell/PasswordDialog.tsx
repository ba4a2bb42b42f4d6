import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, send } from '../api/client';
import { TextInput } from './TextInput';

/** The password again. */
export default function PasswordDialog({ onDone }: { onDone: (given: boolean) => void }) {
  const [password, setPassword] = useState('');
  const confirm = useMutation({
    mutationFn: () => send(() => api.POST('/api/account/confirmation', { body: { password } })),
    onSuccess: () => onDone(true),
  });
  const fault = faultAt(confirm.error, 'password');
  return (
    <Dialog open onClose={() => onDone(false)} fullWidth maxWidth="xs" aria-labelledby="password-again">
      <form
        noValidate
        onSubmit={(event: SyntheticEvent) => {
          event.preventDefault();
          confirm.mutate();
        }}
      >
        <DialogTitle id="password-again">Your password, please</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
          <Typography>This concerns people or records, so Rung checks that it is you.</Typography>
          <TextInput
            label="Your password"
            type="password"
            autoComplete="current-password"
            autoFocus
            value={password}
            onChange={setPassword}
            fault={fault}
            sx={{ mt: 1 }}
          />
          {confirm.isError && fault === undefined && <Alert severity="error">{confirm.error.message}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => onDone(false)}>Cancel</Button>
          <Button type="submit" variant="contained" loading={confirm.isPending}>
            Go on
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
