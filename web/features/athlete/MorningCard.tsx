import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import type { Schemas } from '../../api/client';
import { nowIso } from '../../phone/moments';
import { put } from '../../phone/outbox';
import { trainedOn } from '../../phone/pending';
import { caseName, type TodayData } from '../../phone/plan';
import { useOutbox } from '../../phone/usePhone';
import { day } from '../../shell/dates';
import { NotKept } from './NotKept';
import { PainRow } from './PainRow';
import { SignList } from './SignList';
import { NIGHT_ACHE, STOP_WORDS } from './signs';

const STIFF = [0, 5, 10, 20, 30, 60];

/** The morning answer, for today or late for yesterday: the test, stiffness, signs. */
export function MorningCard({
  plan,
  on,
  late,
  first,
  named,
}: {
  plan: TodayData;
  on: string;
  late: boolean;
  first: boolean;
  named: boolean;
}) {
  const [id] = useState(() => crypto.randomUUID());
  const [score, setScore] = useState<number | null>(null);
  const [stiff, setStiff] = useState<number | null>(null);
  const [more, setMore] = useState(false);
  const [signs, setSigns] = useState<Schemas['Sign'][]>([]);
  const [lost, setLost] = useState<string | null>(null);
  const stop = signs.some((sign) => sign !== 'night_ache') || (score ?? 0) >= plan.limits.stop_at;
  const waiting = useOutbox(plan.person);
  const isAfter = trainedOn(plan, on, waiting);
  const answer = async () => {
    const now = nowIso();
    // A late answer belongs to yesterday, at the usual time.
    const at = late ? `${on}T${plan.morning.usual ?? '07:00'}:00${now.slice(19)}` : now;
    const became = await put({
      id,
      person: plan.person,
      case: plan.case,
      made_at: now,
      what: 'morning',
      title: `Morning of ${day(on)}`,
      body: {
        at,
        made_at: now,
        provocation: score,
        stiffness_min: stiff,
        signs,
        notes: isAfter ? 'Answered after a session of that day.' : null,
      },
    });
    setLost(typeof became === 'object' ? became.lost : null);
  };
  const ached = signs.includes('night_ache');

  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={late ? 'Yesterday morning' : 'This morning'}
      sx={{ p: 2, borderWidth: first ? 2 : 1, borderColor: first ? 'primary.main' : 'divider' }}
    >
      <Typography color="textSecondary">
        {late
          ? `Yesterday morning, ${day(on)}: as you remember it`
          : `This morning${plan.morning.usual === null ? '' : `, usually at ${plan.morning.usual}`}`}
      </Typography>
      {named && <Typography variant="subtitle1">{caseName(plan)}</Typography>}
      <Typography variant="h2">{plan.morning.title}</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {plan.morning.instruction}
        {late || plan.morning.instruction.includes('same time') ? '' : ' At the same time every day.'}
      </Typography>
      {isAfter && (
        <Alert severity="info" sx={{ mb: 1 }}>
          You have trained already: score it as it was before, if you can. It is marked as answered after the session.
        </Alert>
      )}
      <PainRow label="Pain on the test" value={score} onChoose={setScore} />
      <Typography id={`stiff-${on}`} sx={{ mt: 1.25, mb: 0.5 }}>
        Stiff, minutes
      </Typography>
      <ToggleButtonGroup
        exclusive
        value={stiff}
        onChange={(_, value: number | null) => setStiff(value)}
        aria-labelledby={`stiff-${on}`}
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(max(2.9rem, 15%), 1fr))',
          gap: 0.75,
          '& .MuiToggleButton-root.MuiToggleButton-root': {
            m: 0,
            borderRadius: 1.5,
            border: '1px solid',
            borderColor: 'divider',
          },
        }}
      >
        {STIFF.map((minutes) => (
          <ToggleButton key={minutes} value={minutes}>
            {minutes === 60 ? '60+' : minutes}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <FormControlLabel
        sx={{ mt: 0.75, minHeight: 44 }}
        control={
          <Checkbox
            checked={ached}
            onChange={() => setSigns(ached ? signs.filter((sign) => sign !== 'night_ache') : [...signs, 'night_ache'])}
          />
        }
        label={NIGHT_ACHE[1]}
      />
      <Button onClick={() => setMore(!more)} aria-expanded={more} sx={{ color: 'stop.main' }}>
        Something else is wrong
      </Button>
      {more && <SignList signs={signs} onChange={setSigns} />}
      {stop && (
        <Alert severity="error" sx={{ mt: 1, bgcolor: 'stop.main', color: 'background.paper' }}>
          <b>Stop.</b> {STOP_WORDS}
        </Alert>
      )}
      <NotKept why={lost} />
      <Button
        variant="contained"
        fullWidth
        size="large"
        sx={{ mt: 1 }}
        disabled={score === null && signs.length === 0}
        onClick={() => void answer()}
      >
        Send
      </Button>
    </Paper>
  );
}
