import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type SyntheticEvent, useRef, useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { day } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { type Measure, useRecordScore, useRecordTest, type Visit } from './useVisit';

const LARGE = { '& input': { fontSize: '1.5rem', py: 1, textAlign: 'right' }, width: 132 } as const;

/** All that is measured in one go by keyboard: Enter keeps what stands there and goes on to the next. */
export function Measuring({ id, visit, on }: { id: string; visit: Visit; on: string }) {
  const list = useRef<HTMLDivElement>(null);
  const onTo = (at: number) => list.current?.querySelectorAll<HTMLInputElement>('[data-first] input')[at]?.focus();
  const sides = { left: ['Left, sore', 'Right'], right: ['Right, sore', 'Left'], both: ['Left', 'Right'] }[visit.side] as [string, string];
  return (
    <Box ref={list} sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="body2" color="textSecondary">Enter keeps it and goes on. What you do not measure, leave empty.</Typography>
      {visit.measures.map((one, i) => <Pair key={one.key} id={id} measure={one} today={visit.today} on={on} sides={sides} kept={() => onTo(i + 1)} />)}
      {visit.severity !== null && <Score id={id} severity={visit.severity} today={visit.today} on={on} />}
    </Box>
  );
}

function Pair({ id, measure, today, on, sides, kept }: { id: string; measure: Measure; today: string; on: string; sides: readonly [string, string]; kept: () => void }) {
  const record = useRecordTest(id);
  const [typed, setTyped] = useState<[string, string]>(['', '']);
  const [missing, setMissing] = useState(false);
  const [affected, unaffected] = typed.map(numberOf);
  const last = measure.taken.at(-1);
  const send = (event: SyntheticEvent) => {
    event.preventDefault();
    if (affected === null || affected === undefined || unaffected === null || unaffected === undefined) {
      const isEmpty = typed.every((one) => one.trim() === '');
      setMissing(!isEmpty);
      if (isEmpty) kept();
      return;
    }
    setMissing(false);
    record.mutate({ test: measure.key, on, affected, unaffected, unit: last?.unit ?? measure.unit }, { onSuccess: () => { setTyped(['', '']); kept(); } });
  };
  const field = (at: 0 | 1) => {
    const told = faultAt(record.error, at === 0 ? 'affected' : 'unaffected') ?? (typed[at].trim() === '' ? (missing ? 'Both sides.' : undefined) : numberOf(typed[at]) === null ? 'A number.' : undefined);
    return <TextField label={sides[at]} value={typed[at]} onChange={(event) => setTyped(at === 0 ? [event.target.value, typed[1]] : [typed[0], event.target.value])} error={told !== undefined} helperText={told} slotProps={{ htmlInput: { inputMode: 'decimal' } }} sx={LARGE} data-first={at === 0 ? '' : undefined} />;
  };
  return (
    <Box component="form" noValidate onSubmit={send} aria-label={measure.title}>
      <Typography><b>{measure.title}</b>, {last?.unit ?? measure.unit}</Typography>
      {measure.due !== null && <Typography variant="body2" sx={{ color: 'watch.main' }}>Due: {measure.due}.</Typography>}
      {measure.instruction !== null && <Typography variant="body2" color="textSecondary">{measure.instruction}</Typography>}
      <Box sx={{ display: 'flex', gap: 1, mt: 0.75, alignItems: 'flex-start' }}>
        {field(0)}{field(1)}
        <Button type="submit" variant="outlined" loading={record.isPending} sx={{ height: 54 }}>Keep</Button>
      </Box>
      {record.error instanceof Refusal && faultAt(record.error, 'affected') === undefined && faultAt(record.error, 'unaffected') === undefined && <Typography color="error" variant="body2">{Object.values(record.error.fields)[0] ?? record.error.message}</Typography>}
      <Typography variant="body2" role="status" sx={{ mt: 0.5 }}>
        {measure.taken.length === 0 ? 'Not measured yet.' : measure.taken.slice(-3).reverse().map((one) => `${one.on === today ? 'Today' : day(one.on)}: ${one.affected} and ${one.unaffected} ${one.unit}, symmetry ${one.symmetry_percent} %`).join(' · ')}
      </Typography>
    </Box>
  );
}

function Score({ id, severity, today, on }: { id: string; severity: NonNullable<Visit['severity']>; today: string; on: string }) {
  const record = useRecordScore(id);
  const [typed, setTyped] = useState('');
  const score = numberOf(typed);
  const told = faultAt(record.error, 'score') ?? (typed.trim() !== '' && score === null ? 'A number.' : undefined);
  return (
    <Box component="form" noValidate aria-label={severity.title} onSubmit={(event) => { event.preventDefault(); if (score !== null) record.mutate({ score, on }, { onSuccess: () => setTyped('') }); }}>
      <Typography><b>{severity.title}</b>, {severity.lowest} to {severity.highest}, {severity.higher_is_better ? 'higher is better' : 'lower is better'}</Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 0.75, alignItems: 'flex-start' }}>
        <TextField label="Score" value={typed} onChange={(event) => setTyped(event.target.value)} error={told !== undefined} helperText={told} slotProps={{ htmlInput: { inputMode: 'decimal' } }} sx={LARGE} data-first="" />
        <Button type="submit" variant="outlined" loading={record.isPending} disabled={score === null} sx={{ height: 54 }}>Keep</Button>
      </Box>
      <Typography variant="body2" role="status" sx={{ mt: 0.5 }}>{severity.taken.length === 0 ? 'Not taken yet.' : severity.taken.slice(-3).reverse().map((one) => `${one.on === today ? 'Today' : day(one.on)}: ${one.score}`).join(' · ')}</Typography>
    </Box>
  );
}
