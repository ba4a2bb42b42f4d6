import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { TextInput } from '../../shell/TextInput';
import { AskedPractice } from './AskedPractice';
import { PainRow } from './PainRow';
import { minutesOf, type Run } from './run';
import { isFar } from './typed';

/** The longest practice that is taken, in minutes. */
const MOST_MIN = 1440;

const needsAsking = (run: Run): boolean => {
  const minutes = minutesOf(run.practice.minutes);
  return (
    minutes !== null &&
    minutes <= MOST_MIN &&
    isFar(minutes, run.usual_minutes) &&
    run.practice.sure !== run.practice.minutes
  );
};

/** Whether everything about a practice has been entered, and anything unusual in it confirmed. */
export const practiceIsTold = (run: Run): boolean => {
  const minutes = minutesOf(run.practice.minutes);
  return (
    minutes !== null &&
    minutes <= MOST_MIN &&
    !needsAsking(run) &&
    run.practice.pain !== null &&
    run.practice.effort !== null
  );
};

/** Practice of the act itself: how long, how hard, how it felt. */
export function PracticeFlow({ run, onChange }: { run: Run; onChange: (run: Run) => void }) {
  const { practice } = run;
  const change = (part: Partial<Run['practice']>) => onChange({ ...run, practice: { ...practice, ...part } });
  const minutes = minutesOf(practice.minutes);
  const fault =
    practice.minutes === ''
      ? undefined
      : minutes === null
        ? 'A number of minutes, such as 45'
        : minutes > MOST_MIN
          ? 'At most 1440 minutes, a whole day'
          : undefined;
  const usual = run.usual_minutes.usual;
  return (
    <Paper variant="panel" component="section" aria-label="Practice" sx={{ display: 'grid', gap: 1.5 }}>
      {run.due.practice !== null && <AskedPractice practice={run.due.practice} />}
      <TextInput
        label="Minutes of practice"
        value={practice.minutes}
        onChange={(minutesTyped) => change({ minutes: minutesTyped })}
        fault={fault}
        inputMode="decimal"
      />
      {needsAsking(run) && (
        <Alert severity="warning">
          {minutes} minutes? {usual === null ? 'That is long.' : `You usually practise for ${usual}.`}
          <Box>
            <Button
              variant="outlined"
              color="inherit"
              onClick={() => change({ sure: practice.minutes })}
              sx={{ mt: 0.5 }}
            >
              Yes, {minutes} minutes
            </Button>
          </Box>
        </Alert>
      )}
      <Typography>How hard was it, 0–10?</Typography>
      <PainRow
        label="Effort"
        value={practice.effort}
        onChoose={(effort) => change({ effort })}
        words={{ 0: 'rest', 5: 'hard', 10: 'all I have' }}
      />
      <Typography>Worst pain during, 0–10</Typography>
      <PainRow
        label="Pain in practice"
        value={practice.pain}
        zones={{ max: run.during_max, wanted: null, stop: run.stop_at }}
        onChoose={(pain) => change({ pain })}
      />
      {practice.pain !== null && practice.pain > run.during_max && practice.pain < run.stop_at && (
        <Alert severity="warning">
          <b>
            {practice.pain} is over your limit of {run.during_max}.
          </b>{' '}
          {run.over_words} No more of it today; your practitioner sees it.
        </Alert>
      )}
      <FormControlLabel
        control={<Checkbox checked={practice.full} onChange={(event) => change({ full: event.target.checked })} />}
        label="I took part in full"
      />
    </Paper>
  );
}
