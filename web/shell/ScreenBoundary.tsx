import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { useLocation } from 'react-router';

/** Where a screen breaks, the others still work: what went wrong is said in its place, and another page begins afresh. */
export function ScreenBoundary({ children }: { children: ReactNode }) {
  const place = useLocation();
  return (
    <ErrorBoundary
      resetKeys={[place.pathname]}
      fallbackRender={({ resetErrorBoundary }) => (
        <Alert severity="error" sx={{ m: 2 }} action={<Button onClick={resetErrorBoundary}>Try again</Button>}>
          This page could not be shown. What you entered and sent is kept. Try again, or go to another page; if it keeps
          happening, tell the person who looks after Rung.
        </Alert>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
