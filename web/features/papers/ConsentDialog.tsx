import { Controller } from 'react-hook-form';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import type { Paper, usePaperActs } from './usePapers';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

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
  const form = useSendForm({
    defaultValues: {
      by: paper.consent?.by ?? paper.athlete,
      on: paper.consent?.on ?? paper.today,
      how: paper.consent?.how ?? 'spoken',
      diagnosis: paper.consent?.diagnosis ?? false,
    },
    send: (values) => acts.agree.mutateAsync({ ...values, by: values.by.trim() }),
    onSent: onClose,
  });
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="agreed">
      <SendForm form={form}>
        <DialogTitle id="agreed">The athlete agrees</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Typography>
            {paper.title}
            {paper.to === '' ? '' : `, to ${paper.to.split('\n')[0] ?? ''}`}. Under your local rules a guardian may have
            to agree instead.
          </Typography>
          <FormProblem form={form} />
          <FormText
            control={form.control}
            name="by"
            label="Who agreed"
            help="The athlete, or whoever speaks for them"
          />
          <FormText control={form.control} name="on" label="On" type="date" />
          <Controller
            control={form.control}
            name="how"
            render={({ field }) => (
              <RadioGroup row aria-label="How" value={field.value} onChange={field.onChange}>
                <FormControlLabel value="spoken" control={<Radio />} label="Spoken" />
                <FormControlLabel value="written" control={<Radio />} label="Written" />
              </RadioGroup>
            )}
          />
          {paper.kind === 'coach' && (
            <Controller
              control={form.control}
              name="diagnosis"
              render={({ field }) => (
                <FormControlLabel
                  control={<Checkbox checked={field.value} onChange={field.onChange} />}
                  label="Also that it names the diagnosis"
                />
              )}
            />
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <SendButton form={form}>Record</SendButton>
        </DialogActions>
      </SendForm>
    </Dialog>
  );
}
