import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt, Refusal, type Schemas } from '../../api/client';
import { plusDays } from '../../shell/dates';
import { DecisionPreview } from './DecisionPreview';
import { StageMove } from './StageMove';
import type { Done } from './UndoBar';
import { type Case, useDecide } from './useCase';

export type Asked =
  | { kind: 'stage' | 'keep' | 'sign_off' | 'rule' | 'review' | 'note' | 'close' | 'reopen' }
  | { kind: 'clear_stop'; clears: string; words: string };

const TITLES: Record<Asked['kind'], string> = {
  stage: 'Advance or go back by hand',
  keep: 'Keep the dose as it is',
  sign_off: 'Sign off the technique',
  clear_stop: 'Clear this stop',
  rule: 'Change the school',
  review: 'Plan a review',
  note: 'Add a note',
  close: 'Close the case',
  reopen: 'Open the case again',
};

const REASONS: Record<Asked['kind'], string> = {
  stage: 'Reason, for the record',
  keep: 'Reason, for the record',
  sign_off: 'Note (may be left empty)',
  clear_stop: 'Reason, for the record',
  rule: 'Reason, for the record',
  review: 'What to look at (may be left empty)',
  note: 'Note',
  close: 'Reason, for the record and the athlete',
  reopen: 'Reason, for the record',
};

const DO: Partial<Record<Asked['kind'], string>> = {
  note: 'Write down',
  close: 'Close the case',
  reopen: 'Open again',
};

type Ending = NonNullable<Schemas['DecisionRequest']['ending']>;

const ENDINGS: [Ending, string][] = [
  ['discharged', 'Discharge: back to what was wanted'],
  ['referred', 'Refer: somebody else goes on'],
  ['stopped', 'Stop: it ends before its end'],
];

const WEEKS = 14;

/** A decision by hand: what, and why. */
export function ReasonDialog({
  found,
  asked,
  onClose,
  onDecided,
}: {
  found: Case;
  asked: Asked;
  onClose: () => void;
  onDecided: (done: Done) => void;
}) {
  const decide = useDecide(found.id);
  const [reason, setReason] = useState('');
  const [chosen, setChosen] = useState('');
  const [ending, setEnding] = useState<Ending | ''>('');
  const [referTo, setReferTo] = useState('');
  const [reviewOn, setReviewOn] = useState(found.review_on ?? plusDays(found.standing.today, WEEKS));
  const send = () => {
    const body: Schemas['DecisionRequest'] = { kind: asked.kind, revision: found.revision, reason };
    if (asked.kind === 'stage') body.stage = chosen;
    if (asked.kind === 'rule') body.rule = chosen;
    if (asked.kind === 'review') body.review_on = reviewOn === '' ? null : reviewOn;
    if (asked.kind === 'close' && ending !== '') {
      body.ending = ending;
      body.refer_to = ending === 'referred' ? referTo : null;
    }
    if (asked.kind === 'clear_stop') body.clears = asked.clears;
    decide.mutate(body, {
      onSuccess: (answer) => {
        onDecided({ words: answer.words, undo: answer.undo ? { id: found.id, decision: answer.id } : undefined });
        onClose();
      },
    });
  };
  const at = (field: string) => ({
    error: faultAt(decide.error, field) !== undefined,
    helperText: faultAt(decide.error, field),
  });
  const shown = ['reason', 'stage', 'rule', 'review_on', 'ending', 'refer_to'].some(
    (field) => faultAt(decide.error, field) !== undefined,
  );
  const options =
    asked.kind === 'stage'
      ? found.stages.filter((stage) => stage.key !== found.standing.stage.key || found.maintenance !== null)
      : found.schools.filter((school) => school.key !== found.school.key);
  const stopped = found.standing.stopped;

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="by-hand">
      <DialogTitle id="by-hand">{TITLES[asked.kind]}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: '8px !important' }}>
        {asked.kind === 'clear_stop' && (
          <Alert severity="warning">
            Reported: {asked.words}. Clear it only after you have seen the athlete, or know that somebody licensed has.
            For 7 days nothing will be proposed that raises the load.
          </Alert>
        )}
        {asked.kind === 'sign_off' && (
          <Typography>You have seen the technique of this stage and found it sound.</Typography>
        )}
        {asked.kind === 'stage' && stopped && (
          <Alert severity="warning">
            A stop is open. The athlete gets no session before you have reviewed it, in whatever stage.
          </Alert>
        )}
        {asked.kind === 'rule' && (
          <Typography variant="body2" color="textSecondary">
            Now judged by {found.school.title}. The whole log is judged again by the other limits; past decisions stay
            as they were. Its limits are defaults that a practice can change.
          </Typography>
        )}
        {(asked.kind === 'stage' || asked.kind === 'rule') && (
          <TextField
            select
            label={asked.kind === 'stage' ? 'Stage' : 'School'}
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
            {...at(asked.kind)}
          >
            {options.map((option) => (
              <MenuItem key={option.key} value={option.key}>
                {option.title}
                {asked.kind === 'stage' &&
                  option.key === found.standing.stage.key &&
                  ': the programme goes on, as often as before'}
              </MenuItem>
            ))}
          </TextField>
        )}
        {asked.kind === 'stage' && chosen !== '' && <StageMove found={found} stage={chosen} />}
        {asked.kind === 'close' && (
          <>
            <Typography variant="body2" color="textSecondary">
              The athlete is asked for nothing more: no sessions, no mornings. The phone says who closed it, why, and
              when to come back. It can be opened again.
            </Typography>
            <TextField
              select
              label="How it ends"
              value={ending}
              onChange={(event) => setEnding(event.target.value as Ending)}
              {...at('ending')}
            >
              {ENDINGS.map(([key, title]) => (
                <MenuItem key={key} value={key}>
                  {title}
                </MenuItem>
              ))}
            </TextField>
            {ending === 'referred' && (
              <TextField
                label="To whom"
                value={referTo}
                onChange={(event) => setReferTo(event.target.value)}
                {...at('refer_to')}
              />
            )}
          </>
        )}
        {asked.kind === 'reopen' && (
          <Typography variant="body2" color="textSecondary">
            It goes on in {found.standing.stage.title}, every dose one step easier than it was: nobody knows how much
            the tissue lost in the meantime.
          </Typography>
        )}
        {asked.kind === 'reopen' && <DecisionPreview found={found} asked={{ kind: 'reopen' }} />}
        {asked.kind === 'rule' && chosen !== '' && (
          <DecisionPreview found={found} asked={{ kind: 'rule', rule: chosen }} />
        )}
        {asked.kind === 'review' && (
          <TextField
            type="date"
            label="Review on (empty: none)"
            value={reviewOn}
            onChange={(event) => setReviewOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
            {...at('review_on')}
          />
        )}
        <TextField
          label={REASONS[asked.kind]}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          multiline
          minRows={2}
          {...at('reason')}
        />
        {decide.error instanceof Refusal && !shown && <Alert severity="error">{decide.error.message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          onClick={send}
          loading={decide.isPending}
          disabled={
            ((asked.kind === 'stage' || asked.kind === 'rule') && chosen === '') ||
            (asked.kind === 'close' && ending === '')
          }
        >
          {DO[asked.kind] ?? 'Put in force'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
