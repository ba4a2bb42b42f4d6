import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';

import { api, Refusal, send } from '../../api/client';
import { Empty } from '../../shell/States';
import type { Kind, Library } from './words';

const TITLES: Record<Kind, string> = { exercise: 'Exercises', ladder: 'Ladders', programme: 'Programmes', rule: 'Response rules' };

/** What the practice made its own, to edit, to take out as a file, and to take in. */
export function OwnLibrary({ library }: { library: Library }) {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      let body: Record<string, unknown>;
      try {
        body = JSON.parse(text) as Record<string, unknown>;
      } catch {
        throw new Refusal(422, `${file.name} is no library file: it is not JSON. Take out a library to see the form.`);
      }
      return send(() => api.POST('/api/library/file', { body }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['library'] }),
  });
  const own: [Kind, { key: string; title: string; version: number | null }[]][] = [
    ['programme', library.programmes], ['exercise', library.exercises], ['ladder', library.ladders], ['rule', library.rules],
  ];
  const parts = own.map(([kind, items]) => [kind, items.filter((one) => one.version !== null)] as const).filter(([, items]) => items.length > 0);
  const faults = take.error instanceof Refusal ? Object.entries(take.error.fields) : [];

  return (
    <Paper variant="outlined" component="section" aria-label="Our own" sx={{ p: 1.5, maxWidth: 900 }}>
      <Box sx={{ display: 'flex', gap: 1, mb: 1, alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>Our own library</Typography>
        <Button component="a" href="/api/library/file" download="library.json" variant="outlined">Take out as a file</Button>
        <Button component="label" variant="outlined" loading={take.isPending}>
          Take in a file
          <input type="file" accept="application/json,.json" hidden aria-label="Library file" onChange={(event) => {
            const file = event.target.files?.[0];
            if (file !== undefined) take.mutate(file);
            event.target.value = '';
          }} />
        </Button>
      </Box>
      {take.isSuccess && <Alert severity="success" sx={{ mb: 1 }}>{take.data.items === 1 ? '1 item' : `${take.data.items} items`} taken in.</Alert>}
      {take.isError && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>Nothing was taken in.</b>
          {faults.length === 0 ? ` ${take.error.message}` : (
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {faults.map(([path, message]) => <li key={path}><code>{path}</code>: {message}</li>)}
            </Box>
          )}
        </Alert>
      )}
      {parts.length === 0 && <Empty title="Nothing of your own yet">Copy an exercise, a ladder, a programme or a rule, and change it here. Cases keep the version that they were given.</Empty>}
      {parts.map(([kind, items]) => (
        <Box key={kind} sx={{ mt: 1 }}>
          <Typography variant="h3">{TITLES[kind]}</Typography>
          {items.map((one) => (
            <Box key={one.key} sx={{ display: 'flex', alignItems: 'center', borderTop: 1, borderColor: 'divider' }}>
              <Typography sx={{ flex: 1 }}>{one.title}</Typography>
              <Typography variant="body2" color="textSecondary" sx={{ mr: 2 }}>version {one.version}</Typography>
              <Button component={RouterLink} to={`/library/${kind}/${one.key}`} aria-label={`Edit ${one.title}`}>Edit</Button>
            </Box>
          ))}
        </Box>
      ))}
    </Paper>
  );
}
