import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link as RouterLink, Route, Routes, useLocation } from 'react-router';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Empty, Failed, Loading } from '../../shell/States';
import type { User } from '../../shell/useSignedIn';
import { AccessRecord } from './AccessRecord';
import { Away } from './Away';
import { Keeping } from './Keeping';
import { OwnSettings } from './OwnSettings';
import { People } from './People';
import { Tokens } from './Tokens';

const PAGES = [
  ['', 'Practice'],
  ['/people', 'People'],
  ['/away', 'Who is away'],
  ['/record', 'Who saw what'],
  ['/keeping', 'Keeping records'],
] as const;

/** The practice: its settings, its people, who stands in for whom, and who saw and changed what. */
export function PracticePage({ user }: { user: User }) {
  const { pathname } = useLocation();
  const manages = user.may.includes('manage');
  const shown = PAGES.filter(([path]) => manages || path === '' || path === '/away');
  return (
    <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 3, pb: 3 }}>
      <Tabs value={pathname} aria-label="Parts of the practice" sx={{ mb: 2 }} variant="scrollable">
        {shown.map(([path, title]) => (
          <Tab
            key={path}
            component={RouterLink}
            to={`/practice${path}`}
            value={`/practice${path}`}
            label={title}
            sx={{ textTransform: 'none' }}
          />
        ))}
      </Tabs>
      <Routes>
        <Route index element={<OwnPage manages={manages} />} />
        <Route path="away" element={<Away user={user} />} />
        {manages && <Route path="people" element={<People />} />}
        {manages && <Route path="keeping" element={<Keeping />} />}
        {manages && <Route path="record" element={<AccessRecord />} />}
        <Route
          path="*"
          element={
            <Empty title="This page does not exist">
              <RouterLink to="/practice">To the practice</RouterLink>
            </Empty>
          }
        />
      </Routes>
    </Box>
  );
}

/** Whom to call where loading is stopped, when somebody is there, and the address on letters. */
function OwnPage({ manages }: { manages: boolean }) {
  const practice = useQuery({ queryKey: queryKeys.practice, queryFn: () => send(() => api.GET('/api/practice')) });
  if (practice.isPending) return <Loading what="the practice" />;
  if (practice.isError) return <Failed problem={practice.error} onRetry={() => void practice.refetch()} />;
  return (
    <Box sx={{ maxWidth: 640, display: 'grid', gap: 2 }}>
      <Typography variant="h1">{practice.data.name}</Typography>
      <OwnSettings settings={practice.data} mayChange={manages} />
      {manages && <Tokens />}
    </Box>
  );
}
