import { Route, Routes } from 'react-router';

import { SessionScreen } from './features/athlete/SessionScreen';
import { Today } from './features/athlete/Today';
import { SignIn } from './features/signin/SignIn';
import { start } from './shell/Shell';
import { Empty, Failed, Loading } from './shell/States';
import { useSignedIn } from './shell/useSignedIn';

/** The athlete's side, on a phone. */
function Phone() {
  const signedIn = useSignedIn();
  if (signedIn.isPending) return <Loading what="Rung" />;
  if (signedIn.isError) return <Failed problem={signedIn.error} again={() => void signedIn.refetch()} />;
  if (signedIn.data === null) return <SignIn words="Your loading plan. Sign in with what your practitioner gave you." />;
  if (signedIn.data.role !== 'athlete') {
    return <Empty title="This side is for athletes"><a href="/">To the Round</a></Empty>;
  }
  return (
    <Routes>
      <Route path="/" element={<Today />} />
      <Route path="/session" element={<SessionScreen />} />
      <Route path="*" element={<Today />} />
    </Routes>
  );
}

start(<Phone />, '/athlete');
