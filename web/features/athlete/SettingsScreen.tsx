import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { forgetPerson } from '../../phone/outbox';
import type { PhoneData } from '../../phone/plan';
import { remindNoMore } from '../../phone/push';
import { changeSettings, type Settings, useSettings } from '../../phone/settings';
import { useOutbox } from '../../phone/usePhone';
import { moment } from '../../shell/dates';
import { MadeFile } from '../../shell/MadeFile';
import { endSession, useSignOut } from '../../shell/useSignedIn';
import { Reminders } from './Reminders';
import { useRun } from './run';

/** What is set on this phone, and the way out of it. */
export default function SettingsScreen({ page }: { page: PhoneData }) {
  return (
    <Box
      component="main"
      sx={{ maxWidth: 480, mx: 'auto', p: 1.5, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
    >
      <Typography variant="h1">Settings</Typography>
      <OnThisPhone person={page.person} />
      <Reminders />
      <Readers />
    </Box>
  );
}

function OnThisPhone({ person }: { person: string }) {
  const settings = useSettings();
  const waiting = useOutbox(person).filter((item) => item.sent !== true);
  const run = useRun(person);
  const signOut = useSignOut();
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const everywhere = useMutation({
    mutationFn: () => send(() => api.DELETE('/api/sessions')),
    onSuccess: () => {
      void forgetPerson(person);
      endSession(queries);
    },
  });
  const save = useMutation({
    mutationFn: () => send(() => api.GET('/api/today/data')),
    onSuccess: (data) => saveAs(data, `rung-${data.at.slice(0, 10)}.json`),
  });
  const loses = waiting.length > 0 || run !== null;
  return (
    <Paper variant="panel" component="section" aria-label="On this phone" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">On this phone</Typography>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={settings.units}
        onChange={(_, units: Settings['units'] | null) => {
          if (units !== null) changeSettings({ units });
        }}
        aria-label="Units of load"
      >
        <ToggleButton value="kg">kilograms</ToggleButton>
        <ToggleButton value="lb">pounds</ToggleButton>
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={settings.sound}
        onChange={(_, sound: boolean | null) => {
          if (sound !== null) changeSettings({ sound });
        }}
        aria-label="Sound of the pacer"
      >
        <ToggleButton value>with sound</ToggleButton>
        <ToggleButton value={false}>silent</ToggleButton>
      </ToggleButtonGroup>
      <FormControlLabel
        control={
          <Checkbox checked={settings.spoken} onChange={(event) => changeSettings({ spoken: event.target.checked })} />
        }
        label="The pacer speaks: lift, hold, lower, and counts"
      />
      <FormControlLabel
        control={
          <Checkbox checked={settings.shake} onChange={(event) => changeSettings({ shake: event.target.checked })} />
        }
        label="The phone shakes at each phase, where it can"
      />
      {sure && (
        <Alert severity="warning">
          {waiting.length > 0 ? `${waiting.length} of your answers wait to be sent.` : 'A session is under way.'}{' '}
          Signing out erases them from this phone.
        </Alert>
      )}
      <Button
        variant="outlined"
        loading={signOut.isPending}
        onClick={() => {
          if (loses && !sure) setSure(true);
          else
            void remindNoMore()
              .catch(() => undefined)
              .then(() =>
                signOut.mutate(undefined, {
                  onSuccess: () => {
                    void forgetPerson(person);
                  },
                }),
              );
        }}
      >
        {sure ? 'Sign out anyway' : 'Sign out'}
      </Button>
      <Button
        variant="outlined"
        loading={everywhere.isPending}
        onClick={() => {
          if (loses && !sure) setSure(true);
          else everywhere.mutate();
        }}
      >
        Lost a phone: sign out everywhere
      </Button>
      <Button variant="outlined" loading={save.isPending} onClick={() => save.mutate()}>
        Save my data as a file
      </Button>
      <MadeFile large label="Save everything as an archive" ask={() => send(() => api.POST('/api/today/archive'))} />
      {save.isError && <Alert severity="error">{save.error.message}</Alert>}
      {everywhere.isError && <Alert severity="error">{everywhere.error.message}</Alert>}
    </Paper>
  );
}

const READERS_FIRST = 10;

/** Who of the practice looked at the record or changed it; asked for when it is opened. */
function Readers() {
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const found = useQuery({
    queryKey: queryKeys.readers,
    queryFn: () => send(() => api.GET('/api/today/readers')),
    enabled: open,
  });
  const lines = found.data?.lines ?? [];
  return (
    <Paper variant="panel" component="section" aria-label="Who looked at my record" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">Who looked at my record</Typography>
      {!open && (
        <Button variant="outlined" onClick={() => setOpen(true)}>
          Show who looked
        </Button>
      )}
      {open && found.isPending && <Typography role="status">Loading …</Typography>}
      {found.isError && (
        <Alert severity="error" action={<Button onClick={() => void found.refetch()}>Try again</Button>}>
          {found.error.message}
        </Alert>
      )}
      {found.data !== undefined && lines.length === 0 && <Typography>Nobody has looked yet.</Typography>}
      {(all ? lines : lines.slice(0, READERS_FIRST)).map((line, i) => (
        <Box key={`${line.at} ${i}`} sx={{ borderTop: 1, borderColor: 'divider', pt: 0.75 }}>
          <Typography variant="subtitle1">
            {line.person}, {line.role.toLowerCase()}
          </Typography>
          <Typography color="textSecondary">
            {moment(line.at)}: {line.what}
          </Typography>
        </Box>
      ))}
      {lines.length > READERS_FIRST && !all && <Button onClick={() => setAll(true)}>Show all {lines.length}</Button>}
    </Paper>
  );
}

/** Hands what was loaded to the browser as a file to keep. */
function saveAs(data: unknown, name: string): void {
  const address = URL.createObjectURL(new Blob([JSON.stringify(data, null, 2)], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
