import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { ago, moment } from '../../shell/dates';
import { useMay } from '../../shell/useSignedIn';
import { useCorrect } from '../entries/useEntries';
import { Grounds } from './Grounds';
import { PegList } from './PegList';
import type { Done } from './UndoBar';
import { type Case, useUndo } from './useCase';

const FIRST = 5;

type Decision = Case['decisions'][number];

/** Every decision with its reason and the evidence it was made on; nothing here is ever changed. */
export function RecordList({
  found,
  onNote,
  onDone,
}: {
  found: Case;
  onNote: () => void;
  onDone: (done: Done) => void;
}) {
  const [all, setAll] = useState(false);
  const may = useMay();
  const shown = all ? found.decisions : found.decisions.slice(0, FIRST);
  return (
    <Paper variant="panel" component="section" aria-label="Record of decisions">
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Record of decisions
        </Typography>
        {may('decide') && <Button onClick={onNote}>Add a note …</Button>}
      </Box>
      {found.decisions.length === 0 && <Typography color="textSecondary">No decision yet.</Typography>}
      <List component="ol" disablePadding>
        {shown.map((item) => (
          <Entry key={item.id} id={found.id} one={item} today={found.standing.today} onDone={onDone} />
        ))}
      </List>
      {found.decisions.length > FIRST && (
        <Button onClick={() => setAll(!all)}>{all ? 'Show fewer' : `Show all ${found.decisions.length}`}</Button>
      )}
    </Paper>
  );
}

function Entry({ id, one, today, onDone }: { id: string; one: Decision; today: string; onDone: (done: Done) => void }) {
  const [open, setOpen] = useState(false);
  const may = useMay();
  const undo = useUndo();
  const [striking, setStriking] = useState(false);
  const evidence = one.grounds.length > 0 || one.pegs.length > 0;
  const isNote = one.kind === 'note';
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
      <Typography variant="caption" color="textSecondary" title={moment(one.at)}>
        {ago(one.at, today)}, {one.by} · plan {one.plan_version}
      </Typography>
      <Typography
        variant="subtitle2"
        sx={one.taken_back || one.struck !== null ? { textDecoration: 'line-through' } : {}}
      >
        {isNote ? one.reason : one.words}
      </Typography>
      {one.struck !== null && (
        <Typography variant="body2" color="textSecondary">
          {one.struck}
        </Typography>
      )}
      {one.taken_back && (
        <Typography variant="body2" color="textSecondary">
          Taken back since.
        </Typography>
      )}
      {(one.kind === 'accept' || one.kind === 'open') && one.because !== null && !one.taken_back && (
        <Typography variant="body2" color="textSecondary">
          {one.because}
        </Typography>
      )}
      {!isNote && one.reason !== null && (
        <Typography variant="body2">
          {one.kind === 'visit' ? 'Note' : 'Reason'}: {one.reason}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        {evidence && (
          <Button onClick={() => setOpen(!open)} aria-expanded={open} sx={{ px: 0, minWidth: 0 }}>
            {open ? 'Hide the evidence' : 'Evidence as it was'}
          </Button>
        )}
        {may('decide') && isNote && one.struck === null && (
          <Button onClick={() => setStriking(true)} sx={{ px: 0, minWidth: 0 }}>
            Strike out …
          </Button>
        )}
        {may('decide') && one.can_undo && (
          <Button
            loading={undo.isPending}
            onClick={() =>
              undo.mutate({ id, decision: one.id }, { onSuccess: (answer) => onDone({ words: answer.words }) })
            }
            sx={{ px: 0, minWidth: 0 }}
          >
            Undo
          </Button>
        )}
      </Box>
      {striking && <StrikeNote id={id} note={one.id} onClose={() => setStriking(false)} />}
      {undo.error instanceof Refusal && <Alert severity="error">{undo.error.message}</Alert>}
      {open && (
        <Box sx={{ bgcolor: 'background.default', borderRadius: 1, p: 1 }}>
          <Grounds grounds={one.grounds} />
          {one.pegs.length > 0 && <PegList pegs={one.pegs} />}
        </Box>
      )}
    </Box>
  );
}

/** A note is not rewritten: it is struck out with a reason, and stays to be read. */
function StrikeNote({ id, note, onClose }: { id: string; note: string; onClose: () => void }) {
  const [correction] = useState(() => crypto.randomUUID());
  const [why, setWhy] = useState('');
  const correct = useCorrect(id, correction);
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        correct.mutate({ what: 'note', entry: note, struck: true, why }, { onSuccess: onClose });
      }}
      sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}
    >
      <TextField
        autoFocus
        fullWidth
        label="What was wrong, for the record"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        error={correct.isError}
        helperText={
          faultAt(correct.error, 'why') ?? (correct.error instanceof Refusal ? correct.error.message : undefined)
        }
      />
      <Button type="submit" loading={correct.isPending} sx={{ height: 37, flexShrink: 0 }}>
        Strike out
      </Button>
      <Button onClick={onClose} sx={{ height: 37 }}>
        Cancel
      </Button>
    </Box>
  );
}
