import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';

import { SignInForm } from './SignInForm';

/** Signing in over a page that keeps what was entered. */
export default function SignInDialog({ onDone, onLeave }: { onDone: () => void; onLeave?: () => void }) {
  return (
    <Dialog open aria-labelledby="sign-in-again" fullWidth maxWidth="xs">
      <DialogTitle id="sign-in-again">Your sign-in has run out</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 2 }}>Sign in again. What you entered is kept: send it once more afterwards.</Typography>
        <SignInForm onDone={onDone} stay={onLeave !== undefined} />
        {onLeave !== undefined && (
          <Button fullWidth onClick={onLeave} sx={{ mt: 1, minHeight: 48 }}>
            Not now: go on, and send later
          </Button>
        )}
      </DialogContent>
    </Dialog>
  );
}
