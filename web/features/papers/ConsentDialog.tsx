import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type SyntheticEvent, useState } from 'react';

import { faultAt } from '../../api/client';
import { Failed } from '../../shell/States';
import type { Paper, usePaperActs } from './usePapers';

/** Who agreed that a paper goes out, on which day and how. */
export function ConsentDialog({
  paper,
  acts,
  onClose,
}: {
  paper: Paper;
  acts: ReturnType<typeof usePaperActs>;
  onClose: () => void;
}) {
  const [by, setBy] = useState(paper.consent?.by ?? paper.athlete);
  const [on, setOn] = useState(paper.consent?.on ?? paper.today);
  const [how, setHow] = useState<'spoken' | 'written'>(paper.consent?.how ?? 'spoken');
  const [diagnosis, setDiagnosis] = useState(paper.consent?.diagnosis ?? false);
  const { agree } = acts;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    agree.mutate({ by: by.trim(), on, how, diagnosis }, { onSuccess: onClose });
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="agreed">
      <Box component="form" noValidate onSubmit={submit}>
        <DialogTitle id="agreed">The athlete agrees</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Typography>
            {paper.title}
            {paper.to === '' ? '' : `, to ${paper.to.split('\n')[0] ?? ''}`}. Under your local rules a guardian may have
            to agree instead.
          </Typography>
          {agree.isError && faultAt(agree.error, 'by') === undefined && faultAt(agree.error, 'on') === undefined && (
            <Failed problem={agree.error} />
          )}
          <TextField
            label="Who agreed"
            value={by}
            onChange={(event) => setBy(event.target.value)}
            error={faultAt(agree.error, 'by') !== undefined}
            helperText={faultAt(agree.error, 'by') ?? 'The athlete, or whoever speaks for them'}
          />
          <TextField
            label="On"
            type="date"
            value={on}
            onChange={(event) => setOn(event.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
            error={faultAt(agree.error, 'on') !== undefined}
            helperText={faultAt(agree.error, 'on')}
          />
          <RadioGroup
            row
            aria-label="How"
            value={how}
            onChange={(event) => setHow(event.target.value === 'written' ? 'written' : 'spoken')}
          >
            <FormControlLabel value="spoken" control={<Radio />} label="Spoken" />
            <FormControlLabel value="written" control={<Radio />} label="Written" />
          </RadioGroup>
          {paper.kind === 'coach' && (
            <FormControlLabel
              control={<Checkbox checked={diagnosis} onChange={(event) => setDiagnosis(event.target.checked)} />}
              label="Also that it names the diagnosis"
            />
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={agree.isPending}>
            Record
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
