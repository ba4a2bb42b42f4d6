import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';

import { api, type Schemas, send } from '../api/client';
import { queryKeys } from '../api/queryKeys';
import { Failed } from './States';

type File = Schemas['MadeFile'];

/** How often it is asked how far a file is, in milliseconds. */
const EACH_MS = 400;

const isOver = (file: File): boolean => file.state === 'ready' || file.state === 'failed' || file.state === 'cancelled';

/** Asks for a file that the server makes, shows how far it is, and hands it over when it is ready. */
export function MadeFile({ label, ask, large = false }: { label: string; ask: () => Promise<File>; large?: boolean }) {
  const [file, setFile] = useState<string | null>(null);
  const start = useMutation({ mutationFn: ask, onSuccess: (answer) => setFile(answer.id) });
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Box>
        <Button
          variant={large ? 'outlined' : 'contained'}
          fullWidth={large}
          sx={large ? { minHeight: 48, fontSize: '1rem' } : null}
          loading={start.isPending}
          onClick={() => {
            setFile(null);
            start.mutate();
          }}
        >
          {label}
        </Button>
      </Box>
      {start.isError && <Failed problem={start.error} />}
      {file !== null && <Progress key={file} id={file} />}
    </Box>
  );
}

function Progress({ id }: { id: string }) {
  const path = { params: { path: { file: id } } };
  const query = useQuery({
    queryKey: queryKeys.file(id),
    queryFn: () => send(() => api.GET('/api/files/{file}', path)),
    refetchInterval: (query) => (query.state.data !== undefined && isOver(query.state.data) ? false : EACH_MS),
  });
  const cancel = useMutation({
    mutationFn: () => send(() => api.DELETE('/api/files/{file}', path)),
    onSuccess: () => void query.refetch(),
  });
  const fetched = useRef(false);
  const file = query.data;
  useEffect(() => {
    if (file?.state === 'ready' && !fetched.current) {
      fetched.current = true;
      window.location.assign(`/api/files/${id}/content`);
    }
  }, [file?.state, id]);
  if (query.isError) return <Failed problem={query.error} onRetry={() => void query.refetch()} />;
  if (file === undefined) return null;
  if (file.state === 'failed') return <Alert severity="error">{file.problem}</Alert>;
  if (file.state === 'cancelled') return <Alert severity="info">Cancelled.</Alert>;
  if (file.state === 'ready')
    return (
      <Alert severity="success">
        Ready:{' '}
        <Link href={`/api/files/${id}/content`} download>
          {file.name}
        </Link>{' '}
        ({Math.max(1, Math.round((file.bytes ?? 0) / 1024))} kB). It is kept for a day.
      </Alert>
    );
  return (
    <Box role="status" sx={{ display: 'grid', gap: 0.5 }}>
      <Typography variant="body2">
        {file.state === 'waiting' ? 'Waiting to be made …' : `Being made: step ${file.done + 1} of ${file.steps} …`}
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <LinearProgress
          aria-label="How far the file is"
          variant="determinate"
          value={(100 * file.done) / file.steps}
          sx={{ flex: 1 }}
        />
        <Button size="small" onClick={() => cancel.mutate()}>
          Cancel
        </Button>
      </Box>
    </Box>
  );
}
