import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Snackbar from '@mui/material/Snackbar';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';

import { api, Refusal, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { Field } from './Field';
import { ProgrammeForm } from './ProgrammeForm';
import { at, leaves, type Leaf, type Path, removed, repeated, replaced } from './tree';
import { useCopy, useLibrary } from './useLibrary';
import type { Kind, Library } from './words';

const KINDS: readonly string[] = ['exercise', 'ladder', 'programme', 'rule', 'measure'];

const fetchItem = (kind: Kind, key: string) =>
  send(() => api.GET('/api/library/items/{kind}/{key}', { params: { path: { kind, key } } }));
const NO_FAULTS: Record<string, string> = {};

type Item = Awaited<ReturnType<typeof fetchItem>>;

/** An item of the library to be changed: every value of it at its place, saved as a new version. */
export function EditItem() {
  const { kind = '', key = '' } = useParams();
  const library = useLibrary();
  const item = useQuery({
    queryKey: queryKeys.libraryItem(kind, key),
    queryFn: () => fetchItem(kind as Kind, key),
    enabled: KINDS.includes(kind),
  });
  // Kept here: the editor starts over with each version.
  const [saved, setSaved] = useState<string | null>(null);
  if (!KINDS.includes(kind)) return <Failed problem={null} />;
  if (item.isPending || library.isPending) return <Loading what="the item" />;
  if (item.data === undefined || library.data === undefined)
    return <Failed problem={item.error ?? library.error} onRetry={() => void item.refetch()} />;
  return (
    <>
      <Editor key={`${key}/${item.data.version ?? 0}`} item={item.data} library={library.data} setSaved={setSaved} />
      <Snackbar open={saved !== null} autoHideDuration={6000} onClose={() => setSaved(null)} message={saved} />
    </>
  );
}

function Editor({ item, library, setSaved }: { item: Item; library: Library; setSaved: (words: string) => void }) {
  const [content, setContent] = useState<unknown>(item.content);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const path = { kind: item.kind, key: item.key };
  const copy = useCopy((kind, key) => void navigate(`/library/${kind}/${key}`));
  const save = useMutation({
    mutationFn: (body: { version: number; content: Record<string, unknown> }) =>
      send(() => api.PUT('/api/library/items/{kind}/{key}', { params: { path }, body })),
    onSuccess: async (answer) => {
      setSaved(`Version ${answer.version} is saved. Cases keep the version that they were given.`);
      await queries.invalidateQueries({ queryKey: queryKeys.library });
    },
  });
  const withdraw = useMutation({
    mutationFn: () => send(() => api.DELETE('/api/library/items/{kind}/{key}', { params: { path } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.library, refetchType: 'none' }),
  });
  const own = item.version !== null;
  const changed = JSON.stringify(content) !== JSON.stringify(item.content);
  const problem = save.error ?? withdraw.error;
  const fields = problem instanceof Refusal ? problem.fields : NO_FAULTS;
  const putAt = useCallback(
    (place: Path, next: unknown) => setContent((now: unknown) => replaced(now, place, next)),
    [setContent],
  );
  const editing = useMemo(
    () => ({
      library,
      criteria: item.parts.criteria,
      levers: item.parts.levers,
      own,
      faults: fields,
      put: putAt,
      reshape: setContent,
    }),
    [library, item.parts, own, fields, putAt, setContent],
  );
  const groups = grouped(leaves(content));
  const shownPaths = new Set(groups.flatMap((group) => group.leaves.map((leaf) => leaf.path.join('.'))));
  const elsewhere = Object.entries(fields).filter(([place]) => !shownPaths.has(place));
  const put = (version: number, next: unknown) => save.mutate({ version, content: next as Record<string, unknown> });

  if (withdraw.isSuccess) {
    return (
      <Box component="main" sx={{ p: 3 }}>
        <Alert
          severity="success"
          action={
            <Button loading={save.isPending} onClick={() => put((item.version ?? 0) + 1, item.content)}>
              Undo
            </Button>
          }
        >
          {item.title} is no longer offered. Cases that have it keep it.
        </Alert>
        {save.isError && <Failed problem={save.error} />}
      </Box>
    );
  }
  return (
    <Box
      component="main"
      sx={{
        px: 2,
        pb: 10,
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 280px' },
        gap: 1.5,
        alignItems: 'start',
      }}
    >
      <Box>
        <Typography variant="h1" sx={{ py: 1.25 }}>
          {item.title}{' '}
          <Typography component="span" color="textSecondary">
            {own ? `our own, version ${item.version ?? 1}` : 'ships with Rung'}
          </Typography>
        </Typography>
        {elsewhere.map(([place, message]) => (
          <Alert key={place} severity="error" sx={{ mb: 1 }}>
            {place === 'key' ? '' : `${heading(content, stepsOf(place), library)}: `}
            {message}
          </Alert>
        ))}
        {problem !== null && Object.keys(fields).length === 0 && <Failed problem={problem} />}
        {item.kind === 'programme' && <ProgrammeForm editing={editing} content={content} />}
        {item.kind !== 'programme' &&
          groups.map((group) => (
            <Paper
              key={group.path.join('.')}
              variant="panel"
              component="section"
              aria-label={heading(content, group.path, library)}
              sx={{ mb: 1 }}
            >
              <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
                <Typography variant="h3" sx={{ flex: 1 }}>
                  {heading(content, group.path, library)}
                </Typography>
                {own && typeof group.path.at(-1) === 'number' && (
                  <>
                    <Button
                      onClick={() => setContent(repeated(content, group.path))}
                      aria-label={`Repeat ${heading(content, group.path, library)}`}
                    >
                      Repeat
                    </Button>
                    <Button
                      onClick={() => setContent(removed(content, group.path))}
                      aria-label={`Remove ${heading(content, group.path, library)}`}
                    >
                      Remove
                    </Button>
                  </>
                )}
              </Box>
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25 }}>
                {group.leaves.map((leaf) => (
                  <Field
                    key={leaf.path.join('.')}
                    leaf={leaf}
                    library={library}
                    disabled={!own}
                    fault={fields[leaf.path.join('.')]}
                    onChange={(next) => setContent((now: unknown) => replaced(now, leaf.path, next))}
                  />
                ))}
              </Box>
            </Paper>
          ))}
      </Box>
      <Box sx={{ position: { md: 'sticky' }, order: { xs: -1, md: 0 }, top: 12, pt: 1.5, display: 'grid', gap: 1 }}>
        {own ? (
          <>
            <Button
              variant="contained"
              size="large"
              disabled={!changed}
              loading={save.isPending}
              onClick={() => put(item.version ?? 1, content)}
            >
              Save as version {(item.version ?? 0) + 1}
            </Button>
            {changed && (
              <Button
                onClick={() => {
                  setContent(item.content);
                  save.reset();
                }}
              >
                Undo what I typed
              </Button>
            )}
            <Button color="error" loading={withdraw.isPending} onClick={() => withdraw.mutate()}>
              Stop offering it
            </Button>
          </>
        ) : (
          <Button variant="contained" size="large" loading={copy.isPending} onClick={() => copy.mutate(path)}>
            Copy into our library
          </Button>
        )}
        <Button onClick={() => void navigate(-1)}>Back</Button>
        {item.versions.length > 0 && <Typography variant="h3">Versions</Typography>}
        {item.versions.map((version) => (
          <Box key={version.version} sx={{ display: 'flex', alignItems: 'center' }}>
            <Typography variant="body2" sx={{ flex: 1 }}>
              {version.version}, {moment(version.at)}, {version.by}
              {version.based_on === null || version.version > 1
                ? ''
                : `, from ${version.based_on.replaceAll('_', ' ')}`}
            </Typography>
            {version.version !== item.version && <Button onClick={() => setContent(version.content)}>Take up</Button>}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

interface Group {
  path: Path;
  leaves: Leaf[];
}

/** Values that belong to one thing stand together: a dose with its prescription, limits with their rule. */
function grouped(all: readonly Leaf[]): Group[] {
  const groups = new Map<string, Group>();
  for (const leaf of all) {
    const last = leaf.path.findLastIndex((step) => typeof step === 'number');
    const path = leaf.path.slice(0, last + 1);
    const key = path.join('.');
    const group = groups.get(key) ?? { path, leaves: [] };
    group.leaves.push(leaf);
    groups.set(key, group);
  }
  return [...groups.values()];
}

const PARTS: Record<string, string> = {
  stages: 'Stage',
  prescriptions: 'Exercise',
  waiting: 'Exercise that begins later',
  gate: 'Gate',
  slots: 'Session',
  levers: 'Lever',
  blocks: 'Block',
  rungs: 'Rung',
  variants: 'Variant',
  usual: 'Usual',
};

/** The steps of a path as the server writes it. */
const stepsOf = (place: string): Path => place.split('.').map((step) => (/^\d+$/.test(step) ? Number(step) : step));

/** "Stage 1 Holds › Exercise 1 Leg-extension hold at 60°" */
function heading(content: unknown, path: Path, library: Library): string {
  const parts: string[] = [];
  path.forEach((step, i) => {
    if (typeof step !== 'number') return;
    const part = at(content, path.slice(0, i + 1));
    const exercise = at(part, ['exercise']) ?? at(part, ['prescription', 'exercise']);
    const name =
      at(part, ['title']) ??
      library.exercises.find((known) => known.key === exercise)?.title ??
      at(part, ['type']) ??
      at(part, ['lever']) ??
      '';
    parts.push(
      `${PARTS[String(path[i - 1])] ?? String(path[i - 1])} ${step + 1} ${typeof name === 'string' ? name.replaceAll('_', ' ') : ''}`.trim(),
    );
  });
  return parts.length === 0 ? 'In general' : parts.join(' › ');
}
