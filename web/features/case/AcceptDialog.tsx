import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormLabel from '@mui/material/FormLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Refusal } from '../../api/client';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { Grounds } from './Grounds';
import { PegList } from './PegList';
import { StageMove } from './StageMove';
import type { Done } from './UndoBar';
import { type Case, useCase, useDecide } from './useCase';
import { ACTIONS } from './words';

/** Shows what accepting would change, and puts it in force only when asked to. */
export function AcceptDialog({
  id,
  onClose,
  onDecided,
}: {
  id: string;
  onClose: () => void;
  onDecided: (done: Done) => void;
}) {
  const found = useCase(id);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="accept">
      <DialogTitle id="accept">
        {found.data === undefined ? 'Proposal' : `${found.data.athlete.name}: ${ACTIONS[found.data.standing.action]}`}
      </DialogTitle>
      {found.isPending && <Loading what="the proposal" />}
      {found.isError && found.data === undefined && (
        <Failed problem={found.error} onRetry={() => void found.refetch()} />
      )}
      {found.data !== undefined && (
        <Proposal key={found.data.revision} found={found.data} onClose={onClose} onDecided={onDecided} />
      )}
    </Dialog>
  );
}

function Proposal({
  found,
  onClose,
  onDecided,
}: {
  found: Case;
  onClose: () => void;
  onDecided: (done: Done) => void;
}) {
  const decide = useDecide(found.id);
  const [kept, setKept] = useState<number | null>(null);
  const [chosen, setChosen] = useState(() =>
    found.proposals.filter((proposal) => proposal.preferred).map((proposal) => proposal.prescription),
  );
  const { standing } = found;
  const many = found.proposals.length > 0;
  const toggle = (key: string) =>
    setChosen((keys) => (keys.includes(key) ? keys.filter((name) => name !== key) : [...keys, key]));
  // The answer is waited for by itself: with the new revision this part of the dialog starts over, and would never hear of it.
  const accept = () => {
    decide
      .mutateAsync({
        kind: 'accept',
        revision: found.revision,
        prescriptions: many ? chosen : undefined,
        maintenance: kept,
      })
      .then(
        (answer) => {
          onDecided({
            words: `${found.athlete.name}: ${answer.words}`,
            undo: answer.undo ? { id: found.id, decision: answer.id } : undefined,
          });
          onClose();
        },
        () => undefined,
      );
  };

  return (
    <>
      <DialogContent dividers>
        <Typography sx={{ mb: 1 }}>{standing.because}</Typography>
        {found.waiting !== null && (
          <Alert severity="info" sx={{ mb: 1 }}>
            A plan waits for {day(found.waiting.from)} ({found.waiting.note}). What you put in force now takes its
            place.
          </Alert>
        )}
        {many && (
          <List disablePadding>
            {found.proposals.map((proposal) => (
              <Box component="li" key={proposal.prescription} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
                <FormControlLabel
                  control={
                    <Checkbox
                      checked={chosen.includes(proposal.prescription)}
                      onChange={() => toggle(proposal.prescription)}
                      disabled={proposal.change === 'hold_at_cap' || proposal.change === 'unchanged'}
                    />
                  }
                  label={<Typography variant="subtitle1">{proposal.title}</Typography>}
                />
                <Typography sx={{ ml: 4, mt: -0.5 }}>
                  {proposal.before} <b aria-label="becomes">→</b> {proposal.after}
                </Typography>
              </Box>
            ))}
          </List>
        )}
        {chosen.length > 1 && standing.action === 'progress' && (
          <Alert severity="warning" sx={{ mt: 1 }}>
            More than one change at a time: if it reacts, nobody will know which one caused it.
          </Alert>
        )}
        {(standing.action === 'advance' || standing.action === 'finish') && (
          <>
            <Typography variant="h3" sx={{ mb: 0.5 }}>
              {standing.headline}
            </Typography>
            {standing.action === 'finish' && <KeepUp found={found} kept={kept} onChange={setKept} />}
            <PegList pegs={found.gate.criteria} />
            {standing.action === 'advance' && found.next_stage !== null && (
              <Box sx={{ mt: 1.5 }}>
                <StageMove found={found} stage={found.next_stage} />
              </Box>
            )}
          </>
        )}
        {many && (
          <>
            <Typography variant="h3" sx={{ mt: 1 }}>
              What it rests on
            </Typography>
            <Grounds grounds={found.grounds} />
          </>
        )}
        {decide.isError && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {decide.error instanceof Refusal ? decide.error.message : 'This could not be sent. Try again.'}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button
          variant="contained"
          onClick={accept}
          loading={decide.isPending}
          disabled={(many && chosen.length === 0) || (standing.action === 'finish' && kept === null)}
          autoFocus
        >
          {kept === 0 ? 'Close the case' : 'Put in force'}
        </Button>
      </DialogActions>
    </>
  );
}

const KEPT: [number, string][] = [
  [1, 'once a week'],
  [2, 'twice a week'],
];

/** What becomes of the doses once the programme is finished. Nothing is chosen beforehand. */
function KeepUp({ found, kept, onChange }: { found: Case; kept: number | null; onChange: (kept: number) => void }) {
  const again = found.maintenance !== null;
  return (
    <FormControl sx={{ my: 1 }}>
      <FormLabel id="after-the-end">{again ? 'Does it stay good?' : 'After the end'}</FormLabel>
      <RadioGroup
        aria-labelledby="after-the-end"
        value={kept ?? ''}
        onChange={(event) => onChange(Number(event.target.value))}
      >
        {KEPT.map(([times, words]) => (
          <FormControlLabel
            key={times}
            value={times}
            control={<Radio />}
            label={`Keep the doses up ${words} for ${again ? 'another 8' : '8'} weeks; the case stays open, and then it is asked whether it stays good`}
          />
        ))}
        <FormControlLabel
          value={0}
          control={<Radio />}
          label="Discharge: the case is closed, and the athlete is asked for nothing more"
        />
      </RadioGroup>
    </FormControl>
  );
}
