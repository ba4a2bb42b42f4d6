import { lazy, Suspense, useEffect, useState } from 'react';

import { SIGNED_OUT } from '../../api/client';

const SignInDialog = lazy(() => import('./SignInDialog'));

/** Asks for the password over the page where the sign-in ran out; the page keeps what was entered. */
export function SignInAgain() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const show = () => setOpen(true);
    window.addEventListener(SIGNED_OUT, show);
    return () => window.removeEventListener(SIGNED_OUT, show);
  }, []);
  return open ? <Suspense><SignInDialog then={() => setOpen(false)} /></Suspense> : null;
}
