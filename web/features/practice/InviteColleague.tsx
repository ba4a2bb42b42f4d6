import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Controller } from 'react-hook-form';
import { api, type Schemas, send } from '../../api/client';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';
import type { Practice } from './People';
import { RoleChoice } from './RoleChoice';

const BLANK: { name: string; email: string; role: Schemas['Role'] } = { name: '', email: '', role: 'practitioner' };

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
  const form = useSendForm({
    defaultValues: BLANK,
    send: ({ name, email, role }) =>
      send(() => api.POST('/api/practice/people', { body: { name: name.trim(), email: email.trim(), role } })),
    onSent: (answer, { getValues }) => onDone(getValues('name').trim(), answer),
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="invite-colleague">
      <SendForm form={form}>
        <DialogTitle id="invite-colleague">Invite a colleague</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <FormText control={form.control} name="name" label="Name" autoFocus sx={{ mt: 1 }} />
          <FormText
            control={form.control}
            name="email"
            label="E-mail address"
            type="email"
            help="The invitation is sent there, and it is what they sign in with."
          />
          <Controller
            control={form.control}
            name="role"
            render={({ field, fieldState }) => (
              <RoleChoice
                practice={practice}
                role={field.value}
                onChoose={field.onChange}
                fault={fieldState.error?.message}
              />
            )}
          />
          <FormProblem form={form} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <SendButton form={form}>Invite</SendButton>
        </DialogActions>
      </SendForm>
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
