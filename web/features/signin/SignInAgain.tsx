import { lazy, Suspense, useEffect, useState } from 'react';

import { SIGN_IN_WANTED, SIGNED_OUT } from '../../api/client';
import { useIsSignedOut } from '../../shell/useSignedIn';

const SignInDialog = lazy(() => import('./SignInDialog'));

/**
 * Asks for the password over the page where the sign-in ran out; the page keeps what was entered. On a phone it can be
 * left: the plan is still there, and what is entered waits until somebody signs in.
 */
export function SignInAgain() {
  // Where the page itself asks for the sign-in, it is not asked twice, nor right after it.
  return useIsSignedOut() ? null : <Asking />;
}

function Asking() {
  const [open, setOpen] = useState(false);
  const [isLeft, setLeft] = useState(false);
  useEffect(() => {
    const show = () => setOpen(true);
    const wanted = () => {
      setLeft(false);
      setOpen(true);
    };
    window.addEventListener(SIGNED_OUT, show);
    window.addEventListener(SIGN_IN_WANTED, wanted);
    return () => {
      window.removeEventListener(SIGNED_OUT, show);
      window.removeEventListener(SIGN_IN_WANTED, wanted);
    };
  }, []);
  const phone = window.location.pathname.startsWith('/athlete');
  const isAsking = open && !isLeft;
  useEffect(() => {
    // At the desk somebody else may come: the page behind is kept, and not shown.
    const root = document.getElementById('root');
    if (root === null) return undefined;
    root.style.visibility = isAsking && !phone ? 'hidden' : '';
    return () => {
      root.style.visibility = '';
    };
  }, [isAsking, phone]);
  if (!isAsking) return null;
  return (
    <Suspense>
      <SignInDialog
        onDone={() => setOpen(false)}
        {...(phone
          ? {
              onLeave: () => {
                setLeft(true);
                setOpen(false);
              },
            }
          : {})}
      />
    </Suspense>
  );
}
