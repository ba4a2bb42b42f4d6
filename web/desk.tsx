import Alert from '@mui/material/Alert';
import { lazy, Suspense } from 'react';
import { Route, Routes, useLocation } from 'react-router';

import { CasePage } from './features/case/CasePage';
import { Caseload } from './features/caseload/Caseload';
import { IntakePage } from './features/case/IntakePage';
import { RightsPage } from './features/case/RightsPage';
import { EntriesPage } from './features/entries/EntriesPage';
import { EditItem } from './features/library/EditItem';
import { LibraryPage } from './features/library/LibraryPage';
import { Inbox } from './features/messages/Inbox';
import { ImportPage } from './features/open/ImportPage';
import { OpenCase } from './features/open/OpenCase';
import { PaperPage } from './features/papers/PaperPage';
import { PapersPage } from './features/papers/PapersPage';
import { PracticePage } from './features/practice/PracticePage';
import { PrescribePage } from './features/prescribe/PrescribePage';
import { ClosedCases } from './features/round/ClosedCases';
import { Round } from './features/round/Round';
import { SignIn } from './features/signin/SignIn';
import { MeasuresPage } from './features/measures/MeasuresPage';
import { VisitPage } from './features/visit/VisitPage';
import { PracticeWeek } from './features/weeks/PracticeWeek';
import { WeeksPage } from './features/weeks/WeeksPage';
import { Frame } from './shell/Frame';
import { ScreenBoundary } from './shell/ScreenBoundary';
import { start } from './shell/Shell';
import { Empty, Failed, Loading } from './shell/States';
import { theme } from './shell/theme';
import { isNewInstallation, useIsSigningOut, useSignedIn } from './shell/useSignedIn';

const AccountPage = lazy(() => import('./features/account/AccountPage'));
const JoinPage = lazy(() => import('./features/signin/JoinPage'));
const SetupPage = lazy(() => import('./features/signin/SetupPage'));
const NewPasswordPage = lazy(() => import('./features/signin/NewPasswordPage'));

/** The practitioner's side. */
function Desk() {
  const signedIn = useSignedIn();
  const leaving = useIsSigningOut();
  const place = useLocation();
  if (signedIn.isPending) return <Loading what="Rung" />;
  if (signedIn.isError) return <Failed problem={signedIn.error} onRetry={() => void signedIn.refetch()} />;
  // By a link in a letter, whoever is signed in here.
  if (place.pathname === '/join')
    return (
      <Suspense fallback={<Loading what="Rung" />}>
        <JoinPage />
      </Suspense>
    );
  if (place.pathname === '/password')
    return (
      <Suspense fallback={<Loading what="Rung" />}>
        <NewPasswordPage />
      </Suspense>
    );
  if (signedIn.data === null && isNewInstallation())
    return (
      <Suspense fallback={<Loading what="Rung" />}>
        <SetupPage />
      </Suspense>
    );
  if (signedIn.data === null) return <SignIn words="Staged loading for tendon and muscle. Sign in to your practice." />;
  if (signedIn.data.role === 'athlete') {
    return (
      <Empty title="This side is for practitioners">
        <a href="/athlete">Go to your own page</a>
      </Empty>
    );
  }
  if (signedIn.data.needs_second_factor) {
    return (
      <Frame user={signedIn.data}>
        <Alert severity="info" sx={{ maxWidth: 640, mx: 'auto', mt: 2 }}>
          {signedIn.data.practice} asks for a second factor. Set it up here, then go on.
        </Alert>
        <Suspense fallback={<Loading what="your account" />}>
          <AccountPage />
        </Suspense>
      </Frame>
    );
  }
  return (
    <Frame user={signedIn.data}>
      {/* Hidden and not taken away: should it fail, nothing that was typed is lost. */}
      <div hidden={leaving}>
        <ScreenBoundary>
          <Routes>
            <Route path="/" element={<Round />} />
            <Route path="/new" element={<OpenCase />} />
            <Route path="/new/:id" element={<OpenCase />} />
            <Route path="/import" element={<ImportPage />} />
            <Route path="/library" element={<LibraryPage />} />
            <Route path="/library/:kind/:key" element={<EditItem />} />
            <Route path="/caseload" element={<Caseload />} />
            <Route path="/week" element={<PracticeWeek />} />
            <Route path="/messages" element={<Inbox />} />
            <Route path="/closed" element={<ClosedCases />} />
            <Route path="/practice/*" element={<PracticePage user={signedIn.data} />} />
            <Route
              path="/account"
              element={
                <Suspense fallback={<Loading what="your account" />}>
                  <AccountPage />
                </Suspense>
              }
            />
            <Route path="/cases/:id" element={<CasePage />} />
            <Route path="/cases/:id/intake" element={<IntakePage />} />
            <Route path="/cases/:id/data" element={<RightsPage />} />
            <Route path="/cases/:id/entries" element={<EntriesPage />} />
            <Route path="/cases/:id/measures" element={<MeasuresPage />} />
            <Route path="/cases/:id/papers" element={<PapersPage />} />
            <Route path="/cases/:id/papers/:paper" element={<PaperPage />} />
            <Route path="/cases/:id/weeks" element={<WeeksPage />} />
            <Route path="/cases/:id/visit" element={<VisitPage />} />
            <Route path="/cases/:id/prescribe" element={<PrescribePage />} />
            <Route
              path="*"
              element={
                <Empty title="This page does not exist">
                  <a href="/">To the Round</a>
                </Empty>
              }
            />
          </Routes>
        </ScreenBoundary>
      </div>
      {leaving && <Loading what="the sign-in" />}
    </Frame>
  );
}

start(<Desk />, theme);
