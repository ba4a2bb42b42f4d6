import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { useKey } from '../../shell/keys';
import { Failed, Loading } from '../../shell/States';
import { Ladders } from './Ladders';
import { Measures } from './Measures';
import { OwnLibrary } from './OwnLibrary';
import { Programmes } from './Programmes';
import { Rules } from './Rules';
import { useLibrary } from './useLibrary';
import { type Library, REGIONS } from './words';

const VIEWS = {
  ladders: 'Ladders',
  programmes: 'Programmes',
  rules: 'Schools',
  measures: 'Measures',
  own: 'Our own',
} as const;
type View = keyof typeof VIEWS;

/** Structures → ladders → exercises, programmes → rules; what the practice made of them; two side by side. */
export function LibraryPage() {
  const library = useLibrary();
  if (library.isPending) return <Loading what="the library" />;
  if (library.data === undefined) return <Failed problem={library.error} onRetry={() => void library.refetch()} />;
  return <LibraryView library={library.data} />;
}

function LibraryView({ library }: { library: Library }) {
  const [search, setSearch] = useSearchParams();
  const field = useRef<HTMLInputElement>(null);
  const view: View =
    (search.get('view') ?? 'ladders') in VIEWS ? ((search.get('view') ?? 'ladders') as View) : 'ladders';
  const structure = search.get('structure');
  const [query, setQuery] = useState('');
  const asked = useDeferredValue(query.trim());
  const found = useQuery({
    queryKey: queryKeys.librarySearch(asked),
    queryFn: () => send(() => api.GET('/api/library/search', { params: { query: { q: asked } } })),
    enabled: asked !== '',
    placeholderData: (before) => before,
  });
  const set = (changes: Record<string, string | null>) =>
    setSearch(
      (now) => {
        for (const [name, value] of Object.entries(changes)) {
          if (value === null || value === '') now.delete(name);
          else now.set(name, value);
        }
        return now;
      },
      { replace: true },
    );
  useKey('/', () => field.current?.focus());
  const hits = asked === '' ? null : (found.data ?? null);
  const info = library.structures.find((other) => other.key === structure);

  return (
    <Box component="main" sx={{ px: 2, pb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1">Library</Typography>
        <Tabs
          value={view}
          onChange={(_, next: View) => set({ view: next })}
          aria-label="Parts of the library"
          sx={{ minHeight: 40, flex: 1 }}
        >
          {(Object.entries(VIEWS) as [View, string][]).map(([key, title]) => (
            <Tab key={key} value={key} label={title} sx={{ minHeight: 40 }} />
          ))}
        </Tabs>
        <TextField
          inputRef={field}
          label="Search: Achilles, no equipment, hold"
          value={query}
          onChange={(event) => {
            setQuery(event.target.value);
            if (view === 'rules' || view === 'measures' || view === 'own') set({ view: 'ladders' });
          }}
          sx={{ width: 320 }}
        />
        {query !== '' && <Button onClick={() => setQuery('')}>Clear</Button>}
      </Box>
      {found.isError && <Failed problem={found.error} />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: view === 'ladders' || view === 'programmes' ? '190px minmax(0, 1fr)' : '1fr',
          gap: 1.5,
          alignItems: 'start',
        }}
      >
        {(view === 'ladders' || view === 'programmes') && (
          <Paper variant="outlined" component="nav" aria-label="Structures" sx={{ py: 1 }}>
            <Choice chosen={structure === null} onChoose={() => set({ structure: null })}>
              All structures
            </Choice>
            {Object.entries(REGIONS).map(([region, title]) => (
              <Box key={region} sx={{ mt: 0.5 }}>
                <Typography variant="caption" color="textSecondary" sx={{ px: 1.5 }}>
                  {title}
                </Typography>
                {library.structures
                  .filter((other) => other.region === region)
                  .map((other) => (
                    <Choice
                      key={other.key}
                      chosen={structure === other.key}
                      onChoose={() => set({ structure: other.key, exercise: null })}
                    >
                      {other.title}
                    </Choice>
                  ))}
              </Box>
            ))}
          </Paper>
        )}
        <Box sx={{ minWidth: 0 }}>
          {info !== undefined && (
            <Alert
              severity="info"
              icon={false}
              sx={{
                mb: 1.5,
                bgcolor: 'background.paper',
                color: 'text.primary',
                border: 1,
                borderColor: 'divider',
                py: 0,
              }}
            >
              <b>{info.title}.</b> {info.avoid.length > 0 && <>Avoid while irritable: {info.avoid.join('; ')}. </>}Test:{' '}
              {info.provocation_test.title}. Strength:{' '}
              {library.measures.find((measure) => measure.key === info.strength_test)?.title}. To relieve:{' '}
              {info.load_relief.join(' ')}
            </Alert>
          )}
          {hits !== null && (
            <Typography sx={{ mb: 1 }} role="status">
              {hits.exercises.length === 1 ? '1 exercise' : `${hits.exercises.length} exercises`} and{' '}
              {hits.programmes.length === 1 ? '1 programme' : `${hits.programmes.length} programmes`} fit.
            </Typography>
          )}
          {view === 'ladders' && (
            <Ladders
              library={library}
              structure={structure}
              hits={hits?.exercises ?? null}
              chosen={search.get('exercise')}
              onChoose={(key) => set({ exercise: key })}
            />
          )}
          {view === 'programmes' && (
            <Programmes
              library={library}
              structure={structure}
              hits={hits?.programmes ?? null}
              chosen={search.get('programme')}
              onChoose={(key) => set({ programme: key })}
            />
          )}
          {view === 'rules' && <Rules library={library} />}
          {view === 'measures' && <Measures library={library} />}
          {view === 'own' && <OwnLibrary library={library} />}
        </Box>
      </Box>
    </Box>
  );
}

function Choice({ chosen, onChoose, children }: { chosen: boolean; onChoose: () => void; children: string }) {
  return (
    <Button
      onClick={onChoose}
      aria-pressed={chosen}
      fullWidth
      sx={{
        justifyContent: 'flex-start',
        textAlign: 'left',
        px: 1.5,
        py: 0.25,
        borderRadius: 0,
        fontWeight: chosen ? 600 : 400,
        color: chosen ? 'primary.main' : 'text.primary',
        bgcolor: chosen ? 'action.selected' : undefined,
        lineHeight: 1.35,
      }}
    >
      {children}
    </Button>
  );
}
