import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import { api, faultAt, send } from '../../api/client';
import { Failed } from '../../shell/States';
import type { Member, Practice } from './People';
import { RoleChoice } from './RoleChoice';

/** Another role for somebody of the practice. */
export function ChangeRole({
  practice,
  member,
  onClose,
  onDone,
}: {
  practice: Practice;
  member: Member;
  onClose: () => void;
  onDone: (answer: Practice) => void;
}) {
  const [role, setRole] = useState(member.role);
  const change = useMutation({
    mutationFn: () =>
      send(() => api.PUT('/api/practice/people/{person}', { params: { path: { person: member.id } }, body: { role } })),
    onSuccess: onDone,
  });
  const fault = faultAt(change.error, 'role');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="change-role">
      <DialogTitle id="change-role">What {member.name} is</DialogTitle>
      <DialogContent>
        <RoleChoice practice={practice} role={role} onChoose={setRole} fault={fault} />
        {change.isError && fault === undefined && <Failed problem={change.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" loading={change.isPending} onClick={() => change.mutate()}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}
