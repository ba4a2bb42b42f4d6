import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider, type Theme } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';

import { Refusal } from '../api/client';
import { SignInAgain } from '../features/signin/SignInAgain';
import { PasswordAgain } from './PasswordAgain';

const queriesTriedAgain = (times: number): QueryClient =>
  new QueryClient({
    defaultOptions: {
      // Without reception a request fails at once and says so; nothing waits unseen.
      mutations: { networkMode: 'always' },
      queries: {
        networkMode: 'always',
        retry: (failures, problem) => failures < times && !(problem instanceof Refusal && problem.status >= 400),
        refetchOnWindowFocus: true,
      },
    },
  });

/** Puts an application on the page: theme, server state, addresses, and signing in again. */
export function start(application: ReactNode, theme: Theme, basename = '/', retries = 2): void {
  const queries = queriesTriedAgain(retries);
  const root = document.getElementById('root');
  if (root === null) throw new Error('the page has no root');
  createRoot(root).render(
    <StrictMode>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <QueryClientProvider client={queries}>
          <BrowserRouter basename={basename}>
            {application}
            <SignInAgain />
            <PasswordAgain />
          </BrowserRouter>
        </QueryClientProvider>
      </ThemeProvider>
    </StrictMode>,
  );
}
