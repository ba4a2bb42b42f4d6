import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import { api, faultAt, send } from '../../api/client';
import { Failed } from '../../shell/States';
import type { Member, Practice } from './People';

/** Somebody leaves: all open cases go to one colleague, with a note in the record of each. */
export function Leaving({
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
  const takers = practice.people.filter(
    (person) =>
      person.id !== member.id &&
      person.state === 'active' &&
      (person.role === 'owner' || person.role === 'practitioner'),
  );
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const leave = useMutation({
    mutationFn: () =>
      send(() =>
        api.POST('/api/practice/people/{person}/leaving', {
          params: { path: { person: member.id } },
          body: { to: to === '' ? null : to, note: note.trim() },
        }),
      ),
    onSuccess: onDone,
  });
  const fault = (field: string) => faultAt(leave.error, field);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="leaving">
      <DialogTitle id="leaving">{member.name} leaves the practice</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Typography>
          {member.cases === 0
            ? 'No open case is theirs.'
            : `${member.cases} open ${member.cases === 1 ? 'case goes' : 'cases go'} to a colleague, in one go; the note stands in the record of each.`}{' '}
          They are signed out everywhere at once. What they wrote and decided stays under their name.
        </Typography>
        {member.cases > 0 && (
          <TextField
            select
            label="Who takes the cases over"
            value={to}
            onChange={(event) => setTo(event.target.value)}
            error={fault('to') !== undefined}
            helperText={fault('to')}
          >
            {takers.map((taker) => (
              <MenuItem key={taker.id} value={taker.id}>
                {taker.name} ({taker.cases} open cases)
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          label="Note for the record"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          multiline
          minRows={2}
          error={fault('note') !== undefined}
          helperText={fault('note') ?? fault('person')}
        />
        {leave.isError && ['to', 'note', 'person'].every((field) => fault(field) === undefined) && (
          <Failed problem={leave.error} />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" loading={leave.isPending} onClick={() => leave.mutate()}>
          Hand over and end access
        </Button>
      </DialogActions>
    </Dialog>
  );
}
