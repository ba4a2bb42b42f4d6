import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';

import { api, Refusal, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Empty } from '../../shell/States';
import type { Kind, Library } from './words';

const TITLES: Record<Kind, string> = {
  exercise: 'Exercises',
  ladder: 'Ladders',
  programme: 'Programmes',
  rule: 'Schools',
  measure: 'Measures',
};

type Change = Schemas['LibraryChange'];

const WHAT: Record<Change['what'], string> = {
  new: 'new',
  changed: 'becomes a new version',
  same: 'is the same already: nothing changes',
};

/** What a file would change, before it is imported. */
function Changes({
  found,
  taking,
  onTake,
  onLeave,
}: {
  found: { name: string; changes: Change[] };
  taking: boolean;
  onTake: () => void;
  onLeave: () => void;
}) {
  const count = found.changes.filter((change) => change.what !== 'same').length;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={`What ${found.name} changes`}
      sx={{ p: 1.5, mb: 1, borderColor: 'primary.main', borderWidth: 2 }}
    >
      <Typography variant="h3">What {found.name} changes</Typography>
      {found.changes.map((change) => (
        <Typography
          key={`${change.kind}/${change.key}`}
          variant="body2"
          color={change.what === 'same' ? 'textSecondary' : undefined}
        >
          <b>{change.title}</b> ({ONE[change.kind]}): {WHAT[change.what]}
        </Typography>
      ))}
      {count === 0 && <Typography sx={{ mt: 0.5 }}>Nothing would change.</Typography>}
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        {count > 0 && (
          <Button variant="contained" loading={taking} onClick={onTake}>
            Import {count === 1 ? '1 item' : `${count} items`}
          </Button>
        )}
        <Button onClick={onLeave}>{count > 0 ? 'Leave it' : 'Close'}</Button>
      </Box>
    </Paper>
  );
}

const ONE: Record<Kind, string> = {
  exercise: 'exercise',
  ladder: 'ladder',
  programme: 'programme',
  rule: 'school',
  measure: 'measure',
};

/** What the practice made its own, to edit, to export as a file, and to import. */
export function OwnLibrary({ library }: { library: Library }) {
  const queries = useQueryClient();
  // A file is looked at first, and imported once its changes were seen.
  const look = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      let body: Record<string, unknown>;
      try {
        body = JSON.parse(text) as Record<string, unknown>;
      } catch {
        throw new Refusal(422, `${file.name} is no library file: it is not JSON. Export a library to see the format.`);
      }
      const { changes } = await send(() => api.POST('/api/library/file/changes', { body }));
      return { name: file.name, body, changes };
    },
    onMutate: () => take.reset(),
  });
  const take = useMutation({
    mutationFn: (body: Record<string, unknown>) => send(() => api.POST('/api/library/file', { body })),
    onSuccess: () => {
      look.reset();
      return queries.invalidateQueries({ queryKey: queryKeys.library });
    },
  });
  const problem = look.error ?? take.error;
  const own: [Kind, { key: string; title: string; version: number | null }[]][] = [
    ['programme', library.programmes],
    ['exercise', library.exercises],
    ['ladder', library.ladders],
    ['rule', library.rules],
    ['measure', library.measures],
  ];
  const parts = own
    .map(([kind, items]) => [kind, items.filter((item) => item.version !== null)] as const)
    .filter(([, items]) => items.length > 0);
  const faults = problem instanceof Refusal ? Object.entries(problem.fields) : [];

  return (
    <Paper variant="panel" component="section" aria-label="Our own" sx={{ maxWidth: 900 }}>
      <Box sx={{ display: 'flex', gap: 1, mb: 1, alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Our own library
        </Typography>
        <Button component="a" href="/api/library/file" download="library.json" variant="outlined">
          Export as a file
        </Button>
        <Button component="label" variant="outlined" loading={look.isPending}>
          Import a file …
          <input
            type="file"
            accept="application/json,.json"
            hidden
            aria-label="Library file"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file !== undefined) look.mutate(file);
              event.target.value = '';
            }}
          />
        </Button>
      </Box>
      {look.data !== undefined && (
        <Changes
          found={look.data}
          taking={take.isPending}
          onTake={() => take.mutate(look.data.body)}
          onLeave={() => look.reset()}
        />
      )}
      {take.isSuccess && (
        <Alert severity="success" sx={{ mb: 1 }}>
          {take.data.items === 1 ? '1 item' : `${take.data.items} items`} imported. Cases keep the version that they
          were given.
        </Alert>
      )}
      {problem !== null && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>Nothing was imported.</b>
          {faults.length === 0 ? (
            ` ${problem.message}`
          ) : (
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {faults.map(([path, message]) => (
                <li key={path}>
                  <code>{path}</code>: {message}
                </li>
              ))}
            </Box>
          )}
        </Alert>
      )}
      {parts.length === 0 && (
        <Empty title="Nothing of your own yet">
          Copy an exercise, a ladder, a programme, a school or a measure, and change it here. Cases keep the version
          that they were given.
        </Empty>
      )}
      {parts.map(([kind, items]) => (
        <Box key={kind} sx={{ mt: 1 }}>
          <Typography variant="h3">{TITLES[kind]}</Typography>
          {items.map((item) => (
            <Box key={item.key} sx={{ display: 'flex', alignItems: 'center', borderTop: 1, borderColor: 'divider' }}>
              <Typography sx={{ flex: 1 }}>{item.title}</Typography>
              <Typography variant="body2" color="textSecondary" sx={{ mr: 2 }}>
                version {item.version}
              </Typography>
              <Button component={RouterLink} to={`/library/${kind}/${item.key}`} aria-label={`Edit ${item.title}`}>
                Edit
              </Button>
            </Box>
          ))}
        </Box>
      ))}
    </Paper>
  );
}
