import { lazy, Suspense, useEffect, useState } from 'react';

import { whenPasswordIsWanted } from '../api/client';

const PasswordDialog = lazy(() => import('./PasswordDialog'));

/** Before a sensitive act the server may want the password again: it is asked for over the page, and the act goes on. */
export function PasswordAgain() {
  const [answer, setAnswer] = useState<((given: boolean) => void) | null>(null);
  useEffect(() => {
    whenPasswordIsWanted(
      () =>
        new Promise((resolve) => {
          setAnswer(() => resolve);
        }),
    );
    return () => whenPasswordIsWanted(null);
  }, []);
  if (answer === null) return null;
  return (
    <Suspense>
      <PasswordDialog
        onDone={(given) => {
          setAnswer(null);
          answer(given);
        }}
      />
    </Suspense>
  );
}
