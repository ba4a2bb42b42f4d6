import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { NavLink, Route, Routes, useLocation } from 'react-router';

import { setPatience } from './api/client';
import { ClosedCase } from './features/athlete/ClosedCase';
import { FirstPages } from './features/athlete/FirstPages';
import { SendingStrip } from './features/athlete/SendingStrip';
import { WhomToCall } from './features/athlete/StopCard';
import { Today } from './features/athlete/Today';
import { keptPhone, type PhoneData } from './phone/plan';
import { changeSettings, useSettings } from './phone/settings';
import { usePushes } from './phone/push';
import { openStore } from './phone/store';
import { usePhone, useSending } from './phone/usePhone';
import { ScreenBoundary } from './shell/ScreenBoundary';
import { start } from './shell/Shell';
import { Empty, Failed, Loading } from './shell/States';
import { phoneTheme } from './shell/theme';
import { useSignedIn } from './shell/useSignedIn';

const LadderScreen = lazy(() => import('./features/athlete/LadderScreen'));
const HelpScreen = lazy(() => import('./features/athlete/HelpScreen'));
const EnteredScreen = lazy(() => import('./features/athlete/EnteredScreen'));
const SettingsScreen = lazy(() => import('./features/athlete/SettingsScreen'));
const SessionScreen = lazy(() => import('./features/athlete/SessionScreen'));
const SheetScreen = lazy(() => import('./features/athlete/SheetScreen'));
const SignIn = lazy(() => import('./features/signin/SignIn').then(({ SignIn: screen }) => ({ default: screen })));
const JoinScreen = lazy(() => import('./features/athlete/JoinScreen'));

/** The athlete's side, on a phone: what was kept is shown at once, and is enough where there is no reception. */
function Phone() {
  const signedIn = useSignedIn();
  const place = useLocation();
  const [before] = useState(keptPhone);
  if (place.pathname === '/join')
    return (
      <Suspense fallback={<Loading what="Rung" />}>
        <JoinScreen />
      </Suspense>
    );
  if (signedIn.data === null)
    return (
      <Suspense fallback={<Loading what="Rung" />}>
        <SignIn stay words="Your loading plan. Use the link that your practitioner gave you, or sign in." />
      </Suspense>
    );
  if (signedIn.data !== undefined && signedIn.data.role !== 'athlete') {
    return (
      <Empty title="This side is for athletes">
        <a href="/">To the Round</a>
      </Empty>
    );
  }
  const who = signedIn.data?.id ?? null;
  // Whoever signed in here last; should it be somebody else by now, the page changes with the answer.
  if (who !== null || before !== null) return <Pages key={who ?? before?.person} who={who} />;
  if (signedIn.isError) return <Failed problem={signedIn.error} onRetry={() => void signedIn.refetch()} />;
  return <Loading what="Rung" />;
}

function Pages({ who }: { who: string | null }) {
  const phone = usePhone(who);
  const page = phone.data;
  const { introduced } = useSettings();
  useSending(who ?? page?.person ?? null);
  usePushes();
  if (page === undefined)
    return phone.isPending ? (
      <Loading what="your plan" />
    ) : (
      <Failed problem={phone.error} onRetry={() => void phone.refetch()} />
    );
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <SendingStrip person={page.person} offline={phone.offline} fresh={phone.isFetchedAfterMount && phone.isSuccess} />
      <Box sx={{ flex: 1, pb: 2 }}>
        <ScreenBoundary>
          <Suspense fallback={<Loading what="the page" />}>
            <Routes>
              <Route
                path="/session"
                element={
                  <>
                    <title>Session · Rung</title>
                    <SessionScreen page={page} />
                  </>
                }
              />
              <Route
                path="/ladder"
                element={
                  <>
                    <title>My ladder · Rung</title>
                    <LadderScreen page={page} />
                  </>
                }
              />
              <Route
                path="/help"
                element={
                  <>
                    <title>When it hurts · Rung</title>
                    <HelpScreen page={page} />
                  </>
                }
              />
              <Route
                path="/entered"
                element={
                  <>
                    <title>What I entered · Rung</title>
                    <EnteredScreen page={page} />
                  </>
                }
              />
              <Route
                path="/settings"
                element={
                  <>
                    <title>Settings · Rung</title>
                    <SettingsScreen page={page} />
                  </>
                }
              />
              <Route
                path="/sheet"
                element={
                  <>
                    <title>Exercises · Rung</title>
                    <SheetScreen page={page} />
                  </>
                }
              />
              <Route
                path="*"
                element={
                  <>
                    <title>Today · Rung</title>
                    {page.cases.length === 0 ? (
                      <Closed page={page} />
                    ) : introduced || page.cases.some((careCase) => careCase.stopped) ? (
                      <Today page={page} />
                    ) : (
                      <FirstPages page={page} onDone={() => changeSettings({ introduced: true })} />
                    )}
                  </>
                }
              />
            </Routes>
          </Suspense>
        </ScreenBoundary>
      </Box>
      <Tabs page={page} />
    </Box>
  );
}

/** No case is open: what became of those that were, and when to come back. */
function Closed({ page }: { page: PhoneData }) {
  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gap: 1.5 }}>
      <Typography variant="h1">No plan is open for you</Typography>
      <Typography>
        There is nothing to do now. When your practitioner opens a plan, it appears here. If it swells, gives way or
        hurts at rest, load nothing and tell your practitioner.
      </Typography>
      <WhomToCall practice={page.practice} />
      {page.closed.map((closedCase) => (
        <ClosedCase key={closedCase.case} one={closedCase} />
      ))}
    </Box>
  );
}

const TABS: [string, string][] = [
  ['/', 'Today'],
  ['/ladder', 'My ladder'],
  ['/help', 'When it hurts'],
  ['/settings', 'Settings'],
];

/** Within reach of a thumb. */
function Tabs({ page }: { page: PhoneData }) {
  const place = useLocation();
  if (place.pathname === '/session' || place.pathname === '/sheet') return null;
  return (
    <Box
      component="nav"
      aria-label={`Pages of ${page.athlete}`}
      sx={{
        position: 'sticky',
        zIndex: 2,
        bottom: 0,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fit, minmax(4.6rem, 1fr))',
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        pb: 'env(safe-area-inset-bottom)',
        '@media print': { display: 'none' },
      }}
    >
      {TABS.map(([to, title]) => (
        <Box
          key={to}
          component={NavLink}
          to={to}
          end
          sx={{
            textAlign: 'center',
            py: 1.5,
            px: 0.25,
            color: 'text.secondary',
            textDecoration: 'none',
            fontSize: '0.9375rem',
            '&.active': {
              color: 'primary.main',
              fontWeight: 600,
              boxShadow: 'inset 0 3px 0 var(--mui-palette-primary-main)',
            },
          }}
        >
          {title}
        </Box>
      ))}
    </Box>
  );
}

// In a gym a request that hangs is no reception: the phone goes on with what it holds instead of asking three times.
setPatience(4000);
void openStore().then(() => {
  start(<Phone />, phoneTheme, '/athlete', 0);
});

if ('serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/athlete/worker.js', { scope: '/athlete' }).catch(() => undefined);
}
