import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';

import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { IfMay } from '../../shell/IfMay';
import { type Papers, useDraft, usePapers } from './usePapers';

/** The papers of a case: those there are, and those that can be drafted. */
export function PapersPage() {
  const id = useParams().id ?? '';
  const found = usePapers(id);
  const draft = useDraft(id);
  const navigate = useNavigate();
  if (found.isPending) return <Loading what="the papers" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  const { athlete, structure, side, kinds, papers } = found.data;
  return (
    <Box component="main" sx={{ maxWidth: 1160, mx: 'auto', p: 2, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h1">Papers of {athlete}</Typography>
        <Typography color="textSecondary">
          <Link component={RouterLink} to={`/cases/${id}`}>
            {structure}, {side === 'both' ? 'both sides' : side}
          </Link>
        </Typography>
      </Box>
      {draft.isError && <Failed problem={draft.error} />}
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <IfMay what="decide">
          <Paper variant="outlined" component="section" aria-label="Draft a paper" sx={{ p: 2 }}>
            <Typography variant="h2">Draft a paper</Typography>
            <Typography color="textSecondary" sx={{ mb: 1 }}>
              Each is written from the record as it stands now. You read it, change it and sign it; nothing leaves the
              practice before that.
            </Typography>
            {kinds.map((kind) => (
              <Box
                key={kind.kind}
                sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 1, borderTop: 1, borderColor: 'divider' }}
              >
                <Box sx={{ flex: 1, minWidth: 0 }}>
                  <Typography variant="subtitle1">{kind.title}</Typography>
                  <Typography variant="body2" color="textSecondary">
                    {kind.about}
                  </Typography>
                </Box>
                <Button
                  variant="outlined"
                  aria-label={`Draft: ${kind.title}`}
                  loading={draft.isPending && draft.variables === kind.kind}
                  onClick={() =>
                    draft.mutate(kind.kind, { onSuccess: (paper) => void navigate(`/cases/${id}/papers/${paper.id}`) })
                  }
                >
                  Draft
                </Button>
              </Box>
            ))}
          </Paper>
        </IfMay>
        <Paper variant="outlined" component="section" aria-label="Papers so far" sx={{ p: 2 }}>
          <Typography variant="h2">{papers.length === 0 ? 'No papers yet' : 'Papers so far'}</Typography>
          {papers.length === 0 && (
            <Typography color="textSecondary">A draft stays here until it is signed or discarded.</Typography>
          )}
          {papers.map((paper) => (
            <Line key={paper.id} id={id} one={paper} />
          ))}
        </Paper>
      </Box>
    </Box>
  );
}

function Line({ id, one }: { id: string; one: Papers['papers'][number] }) {
  return (
    <Box sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
      <Link component={RouterLink} to={`/cases/${id}/papers/${one.id}`} sx={{ fontWeight: 600 }}>
        {one.title}
        {one.to !== '' && `, to ${one.to.split('\n')[0] ?? ''}`}
      </Link>
      <Typography variant="body2" sx={{ color: one.signed_at === null ? 'watch.main' : 'text.secondary' }}>
        {one.signed_at === null
          ? `Draft, version ${one.version}, begun by ${one.drafted_by} on ${day(one.drafted_at.slice(0, 10))}`
          : `Signed by ${one.signed_by ?? ''} on ${day(one.signed_at.slice(0, 10))}${one.obstacle === null ? '' : ` · ${one.obstacle}`}`}
      </Typography>
    </Box>
  );
}
