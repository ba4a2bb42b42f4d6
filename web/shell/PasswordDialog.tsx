import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { api, send } from '../api/client';
import { FormPassword, FormProblem, SendButton, SendForm } from '../forms/SendForm';
import { useSendForm } from '../forms/useSendForm';

/** The password again. */
export default function PasswordDialog({ onDone }: { onDone: (given: boolean) => void }) {
  const form = useSendForm({
    defaultValues: { password: '' },
    send: (body) => send(() => api.POST('/api/account/confirmation', { body })),
    onSent: () => onDone(true),
  });
  return (
    <Dialog open onClose={() => onDone(false)} fullWidth maxWidth="xs" aria-labelledby="password-again">
      <SendForm form={form}>
        <DialogTitle id="password-again">Your password, please</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
          <Typography>This concerns people or records, so Rung checks that it is you.</Typography>
          <FormPassword control={form.control} name="password" label="Your password" autoFocus sx={{ mt: 1 }} />
          <FormProblem form={form} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => onDone(false)}>Cancel</Button>
          <SendButton form={form}>Go on</SendButton>
        </DialogActions>
      </SendForm>
    </Dialog>
  );
}
