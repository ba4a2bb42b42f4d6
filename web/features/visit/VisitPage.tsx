import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';

import { faultAt, Refusal } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { Measuring } from './Measuring';
import { Trying } from './Trying';
import { useDraftOf, useEndVisit, useVisit, type Visit } from './useVisit';

/** At the treatment table: measured again, tried, and ended with a line in the record. */
export function VisitPage() {
  const id = useParams().id ?? '';
  const found = useVisit(id);
  if (found.isPending) return <Loading what="the visit" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <VisitView key={id} id={id} visit={found.data} />;
}

function VisitView({ id, visit }: { id: string; visit: Visit }) {
  const [draft, setDraft] = useDraftOf(id);
  const end = useEndVisit(id);
  const navigate = useNavigate();
  const isUnsaved = draft.trials.length > 0 || draft.note.trim() !== '';
  useEffect(() => {
    if (!isUnsaved) return undefined;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isUnsaved]);
  const finish = (to: string) =>
    end.mutate(
      { ...draft, note: draft.note.trim() === '' ? null : draft.note },
      {
        onSuccess: (answer) => {
          setDraft(null);
          void navigate(to, { state: { done: { words: answer.words } } });
        },
      },
    );
  const faults =
    end.error instanceof Refusal ? Object.entries(end.error.fields).filter(([field]) => field !== 'note') : [];
  return (
    <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1680, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1">{visit.athlete}: visit</Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {visit.structure}, {visit.side === 'both' ? 'both sides' : visit.side} · {visit.stage}
        </Typography>
        <Button component={RouterLink} to={`/cases/${id}`}>
          Back to the case
        </Button>
      </Box>
      {visit.closed_on !== null && (
        <Alert severity="info" sx={{ mb: 1.5 }}>
          This case is closed. What is measured is kept with it and asks for nothing.
        </Alert>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '400px minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <Paper variant="panel" component="section" aria-label="Measure">
          <Typography variant="h2">Measure</Typography>
          <Measuring id={id} visit={visit} on={visit.today} />
        </Paper>
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <Trying visit={visit} trials={draft.trials} setTrials={(trials) => setDraft({ trials })} />
          <Paper variant="panel" component="section" aria-label="End the visit" sx={{ display: 'grid', gap: 1 }}>
            <Typography variant="h2">End the visit</Typography>
            <TextField
              label="Note (may be left empty)"
              value={draft.note}
              onChange={(event) => setDraft({ note: event.target.value })}
              multiline
              minRows={2}
              error={faultAt(end.error, 'note') !== undefined}
              helperText={faultAt(end.error, 'note')}
            />
            {end.error instanceof Refusal && (faults.length > 0 || faultAt(end.error, 'note') === undefined) && (
              <Alert severity="error">{faults[0]?.[1] ?? end.error.message}</Alert>
            )}
            {end.error !== null && !(end.error instanceof Refusal) && (
              <Alert severity="error">This could not be sent. Everything is still here; try again.</Alert>
            )}
            <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
              <Button variant="contained" loading={end.isPending} onClick={() => finish(`/cases/${id}`)}>
                End, and back to the case
              </Button>
              {!visit.stopped && visit.closed_on === null && (
                <Button variant="outlined" loading={end.isPending} onClick={() => finish(`/cases/${id}/prescribe`)}>
                  End, and prescribe
                </Button>
              )}
            </Box>
            <Typography variant="body2" color="textSecondary">
              What was tried and measured since you opened this page goes into the record with your note.
            </Typography>
          </Paper>
        </Box>
      </Box>
    </Box>
  );
}
