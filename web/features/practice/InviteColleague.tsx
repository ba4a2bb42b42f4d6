import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, type Schemas, send } from '../../api/client';
import { Failed } from '../../shell/States';
import type { Practice } from './People';
import { RoleChoice } from './RoleChoice';

/** Who is invited, where the letter goes, and as what. */
export function InviteColleague({
  practice,
  onClose,
  onDone,
}: {
  practice: Practice;
  onClose: () => void;
  onDone: (name: string, answer: Practice & { link: string }) => void;
}) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Schemas['Role']>('practitioner');
  const invite = useMutation({
    mutationFn: () =>
      send(() => api.POST('/api/practice/people', { body: { name: name.trim(), email: email.trim(), role } })),
    onSuccess: (answer) => onDone(name.trim(), answer),
  });
  const fault = (field: string) => faultAt(invite.error, field);
  const known = ['name', 'email', 'role'].some((field) => fault(field) !== undefined);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="invite-colleague">
      <form
        noValidate
        onSubmit={(event: SyntheticEvent) => {
          event.preventDefault();
          invite.mutate();
        }}
      >
        <DialogTitle id="invite-colleague">Invite a colleague</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <TextField
            label="Name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            autoFocus
            error={fault('name') !== undefined}
            helperText={fault('name')}
            sx={{ mt: 1 }}
          />
          <TextField
            label="E-mail address"
            type="email"
            value={email}
            onChange={(event) => setEmail(event.target.value)}
            error={fault('email') !== undefined}
            helperText={fault('email') ?? 'The invitation is sent there, and it is what they sign in with.'}
          />
          <RoleChoice practice={practice} role={role} onChoose={setRole} fault={fault('role')} />
          {invite.isError && !known && <Failed problem={invite.error} />}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={invite.isPending}>
            Invite
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** The link of an invitation, shown this once: to hand over where a letter would be slow. */
export function TheLink({ of, onClose }: { of: { name: string; link: string }; onClose: () => void }) {
  return (
    <Alert severity="success" onClose={onClose} sx={{ mb: 1 }}>
      {of.name} is invited by mail. The same link, to hand over: valid for 7 days and for one use, shown only once.
      <Box
        component="code"
        aria-label="The link"
        sx={{ display: 'block', overflowWrap: 'anywhere', userSelect: 'all', mt: 0.5 }}
      >
        {window.location.origin}
        {of.link}
      </Box>
    </Alert>
  );
}
