import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense } from 'react';
import { NavLink, Route, Routes, useLocation } from 'react-router';

import { setPatience } from './api/client';
import { SendingStrip } from './features/athlete/SendingStrip';
import { Today } from './features/athlete/Today';
import { SignIn } from './features/signin/SignIn';
import { keptPlan, type TodayData } from './phone/plan';
import { useSending, useToday } from './phone/useToday';
import { ScreenBoundary } from './shell/ScreenBoundary';
import { start } from './shell/Shell';
import { Empty, Failed, Loading } from './shell/States';
import { useSignedIn } from './shell/useSignedIn';

const LadderScreen = lazy(() => import('./features/athlete/LadderScreen'));
const HelpScreen = lazy(() => import('./features/athlete/HelpScreen'));
const SessionScreen = lazy(() => import('./features/athlete/SessionScreen'));
const SheetScreen = lazy(() => import('./features/athlete/SheetScreen'));
const JoinScreen = lazy(() => import('./features/athlete/JoinScreen'));

/** The athlete's side, on a phone: what was kept is enough where there is no reception. */
function Phone() {
  const signedIn = useSignedIn();
  const place = useLocation();
  if (place.pathname === '/join') return <Suspense fallback={<Loading what="Rung" />}><JoinScreen /></Suspense>;
  if (signedIn.isError && keptPlan() !== null) return <Plan who={null} />;
  if (signedIn.isPending) return <Loading what="Rung" />;
  if (signedIn.isError) return <Failed problem={signedIn.error} again={() => void signedIn.refetch()} />;
  if (signedIn.data === null) return <SignIn stay words="Your loading plan. Use the link that your practitioner gave you, or sign in." />;
  if (signedIn.data.role !== 'athlete') {
    return <Empty title="This side is for athletes"><a href="/">To the Round</a></Empty>;
  }
  return <Plan key={signedIn.data.id} who={signedIn.data.id} />;
}

function Plan({ who }: { who: string | null }) {
  const today = useToday(who);
  const plan = today.data ?? null;
  useSending(who ?? plan?.person ?? null);
  if (today.isPending) return <Loading what="your plan" />;
  if (today.data === undefined) return <Failed problem={today.error} again={() => void today.refetch()} />;
  if (plan === null) {
    return (
      <>
        {who !== null && <SendingStrip person={who} offline={today.offline} />}
        <main><Empty title="No plan is open for you"><Typography>Nothing is asked of you now. When your practitioner opens a plan, it shows here. If it swells, gives way or hurts at rest, load nothing and tell your practitioner.</Typography></Empty></main>
      </>
    );
  }
  return (
    <Box sx={{ pb: 9 }}>
      <SendingStrip person={plan.person} offline={today.offline} />
      <ScreenBoundary>
        <Suspense fallback={<Loading what="the page" />}>
          <Routes>
            <Route path="/session" element={<SessionScreen plan={plan} />} />
            <Route path="/ladder" element={<LadderScreen plan={plan} />} />
            <Route path="/help" element={<HelpScreen plan={plan} />} />
            <Route path="/sheet" element={<SheetScreen plan={plan} />} />
            <Route path="*" element={<Today plan={plan} />} />
          </Routes>
        </Suspense>
      </ScreenBoundary>
      <Tabs plan={plan} />
    </Box>
  );
}

const TABS: [string, string][] = [['/', 'Today'], ['/ladder', 'My ladder'], ['/help', 'When it hurts']];

/** Within reach of a thumb. */
function Tabs({ plan }: { plan: TodayData }) {
  const place = useLocation();
  if (place.pathname === '/session' || place.pathname === '/sheet') return null;
  return (
    <Box component="nav" aria-label={`Pages of ${plan.athlete}`} sx={{ position: 'fixed', bottom: 0, left: 0, right: 0, display: 'flex', bgcolor: 'background.paper', borderTop: 1, borderColor: 'divider', pb: 'env(safe-area-inset-bottom)', '@media print': { display: 'none' } }}>
      {TABS.map(([to, title]) => (
        <Box key={to} component={NavLink} to={to} end sx={{ flex: 1, textAlign: 'center', py: 1.75, color: 'text.secondary', textDecoration: 'none', fontSize: 16, '&.active': { color: 'primary.main', fontWeight: 600, boxShadow: 'inset 0 3px 0 var(--mui-palette-primary-main)' } }}>{title}</Box>
      ))}
    </Box>
  );
}

// In a gym a request that hangs is no reception: the phone goes on with what it holds instead of asking three times.
setPatience(4000);
start(<Phone />, '/athlete', 0);

if ('serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/athlete/worker.js', { scope: '/athlete' }).catch(() => undefined);
}
