import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';
import { Link as RouterLink, Route, Routes, useLocation } from 'react-router';

import { api, faultAt, type Schemas, send } from '../../api/client';
import { Empty, Failed, Loading } from '../../shell/States';
import type { User } from '../../shell/useSignedIn';
import { AccessRecord } from './AccessRecord';
import { Away } from './Away';
import { Keeping } from './Keeping';
import { People } from './People';
import { Tokens } from './Tokens';

type PracticeCard = Schemas['PracticeCard'];

const KEY = ['practice'];

const orNull = (text: string) => (text.trim() === '' ? null : text.trim());

const PAGES = [['', 'Practice'], ['/people', 'People'], ['/away', 'Who is away'], ['/record', 'Who saw what'], ['/keeping', 'Keeping records']] as const;

/** The practice: what is told of it, its people, who stands in for whom, and who saw and changed what. */
export function PracticePage({ user }: { user: User }) {
  const { pathname } = useLocation();
  const manages = user.may.includes('manage');
  const shown = PAGES.filter(([path]) => manages || path === '' || path === '/away');
  return (
    <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 3, pb: 3 }}>
      <Tabs value={pathname} aria-label="Parts of the practice" sx={{ mb: 2 }} variant="scrollable">
        {shown.map(([path, title]) => <Tab key={path} component={RouterLink} to={`/practice${path}`} value={`/practice${path}`} label={title} sx={{ textTransform: 'none' }} />)}
      </Tabs>
      <Routes>
        <Route index element={<OwnPage manages={manages} />} />
        <Route path="away" element={<Away user={user} />} />
        {manages && <Route path="people" element={<People />} />}
        {manages && <Route path="keeping" element={<Keeping />} />}
        {manages && <Route path="record" element={<AccessRecord />} />}
        <Route path="*" element={<Empty title="There is no such page"><RouterLink to="/practice">To the practice</RouterLink></Empty>} />
      </Routes>
    </Box>
  );
}

/** Whom to call where loading is stopped, when somebody is there, and the address on letters. */
function OwnPage({ manages }: { manages: boolean }) {
  const told = useQuery({ queryKey: KEY, queryFn: () => send(() => api.GET('/api/practice')) });
  if (told.isPending) return <Loading what="the practice" />;
  if (told.isError) return <Failed problem={told.error} again={() => void told.refetch()} />;
  return (
    <Box sx={{ maxWidth: 640, display: 'grid', gap: 2 }}>
      <Typography variant="h1">{told.data.name}</Typography>
      <Contact told={told.data} mayChange={manages} />
      {manages && <Tokens />}
    </Box>
  );
}

function Contact({ told, mayChange }: { told: PracticeCard; mayChange: boolean }) {
  const [telephone, setTelephone] = useState(told.telephone ?? '');
  const [hours, setHours] = useState(told.hours ?? '');
  const [address, setAddress] = useState(told.address ?? '');
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => send(() => api.PUT('/api/practice', { body: { telephone: orNull(telephone), hours: orNull(hours), address: orNull(address) } })),
    onSuccess: (answer) => { queries.setQueryData(KEY, answer); },
  });
  const submit = (event: SyntheticEvent) => { event.preventDefault(); save.mutate(); };
  return (
    <Paper variant="outlined" component="form" noValidate onSubmit={submit} aria-label="Whom athletes call" sx={{ p: 2.5, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h2">Whom athletes call</Typography>
        <Typography color="textSecondary">Shown on every phone where loading is stopped, under “When it hurts”, and on the printed sheet.</Typography>
      </Box>
      {telephone.trim() === '' && <Alert severity="warning">Without a number an athlete who is told to stop has nobody to call.</Alert>}
      <TextField label="Telephone" type="tel" value={telephone} onChange={(event) => setTelephone(event.target.value)} disabled={!mayChange} error={faultAt(save.error, 'telephone') !== undefined} helperText={faultAt(save.error, 'telephone') ?? 'For instance +351 210 000 000'} />
      <TextField label="Hours" value={hours} onChange={(event) => setHours(event.target.value)} disabled={!mayChange} error={faultAt(save.error, 'hours') !== undefined} helperText={faultAt(save.error, 'hours') ?? 'When somebody answers, and whom to call at other times'} />
      <TextField label="Address" value={address} onChange={(event) => setAddress(event.target.value)} disabled={!mayChange} error={faultAt(save.error, 'address') !== undefined} helperText={faultAt(save.error, 'address') ?? 'At the head of letters and sheets'} />
      {mayChange ? <Box><Button type="submit" variant="contained" loading={save.isPending}>Save</Button></Box> : <Typography color="textSecondary">The owner of the practice can change this.</Typography>}
      {save.isSuccess && <Alert severity="success">Saved. Phones show it with the next reception.</Alert>}
    </Paper>
  );
}
