import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';

import { SIGNED_OUT } from '../../api/client';
import { SignInForm } from './SignInForm';

/** Asks for the password over the page where the sign-in ran out; the page keeps what was entered. */
export function SignInAgain() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const show = () => setOpen(true);
    window.addEventListener(SIGNED_OUT, show);
    return () => window.removeEventListener(SIGNED_OUT, show);
  }, []);

  return (
    <Dialog open={open} aria-labelledby="sign-in-again" fullWidth maxWidth="xs">
      <DialogTitle id="sign-in-again">Your sign-in has run out</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 2 }}>Sign in again. What you entered is kept: send it once more afterwards.</Typography>
        <SignInForm then={() => setOpen(false)} stay={window.location.pathname.startsWith('/athlete')} />
      </DialogContent>
    </Dialog>
  );
}
