import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, faultAt, Refusal, type Schemas, send } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { DAYS, GOALS, RISKS, SIGNS } from './choices';
import { StartCard } from './StartCard';

type Opening = Schemas['CaseOpening'];
type Day = keyof typeof DAYS;

interface Form {
  name: string; act: string; body_mass_kg: string; email: string;
  structure: string; side: Opening['side']; goal: Opening['goal']; history: string;
  signs: Record<string, string>; risks: string[]; screened: boolean;
  rest: string; test: string; settle_min: string; stiffness_min: string; affected: string; unaffected: string;
  programme: string; available: Day[]; training_days_per_week: string; events: string; stage: string;
}

const BLANK: Form = {
  name: '', act: '', body_mass_kg: '', email: '',
  structure: 'patellar_tendon', side: 'left', goal: 'jumping', history: '',
  signs: {}, risks: [], screened: false,
  rest: '', test: '', settle_min: '', stiffness_min: '', affected: '', unaffected: '',
  programme: 'knee_four_stage', available: Object.keys(DAYS) as Day[], training_days_per_week: '3', events: '', stage: '',
};

const number = (text: string): number | null => (text.trim() === '' ? null : Number(text.replace(',', '.')));

const opening = (form: Form): Opening => ({
  structure: form.structure,
  side: form.side,
  goal: form.goal,
  programme: form.programme,
  history: form.history === '' ? null : form.history,
  available: form.available,
  events: form.events.split(/[\s,]+/).filter((day) => day !== ''),
  training_days_per_week: number(form.training_days_per_week) ?? 0,
  rest: number(form.rest),
  test: number(form.test),
  settle_min: number(form.settle_min),
  stiffness_min: number(form.stiffness_min),
  risks: form.risks,
  referral_signs: Object.entries(form.signs).map(([sign, why]) => ({ sign, resolved: why.trim() !== '', why })),
  screened: form.screened,
  stage: form.stage === '' ? null : form.stage,
  strength: form.affected === '' || form.unaffected === ''
    ? null
    : { affected: number(form.affected) ?? 0, unaffected: number(form.unaffected) ?? 0, unit: 'N' },
});

/** Adds an athlete and opens the case, in the order of the work. */
export function OpenCase() {
  const [form, setForm] = useState(BLANK);
  const [athlete, setAthlete] = useState<{ id: string; name: string; password: string } | null>(null);
  const queries = useQueryClient();
  const catalogue = useQuery({ queryKey: ['catalogue'], queryFn: () => send(() => api.GET('/api/catalogue')), staleTime: Infinity });
  const body = opening(form);
  const start = useQuery({
    queryKey: ['start', body],
    queryFn: () => send(() => api.POST('/api/start-proposals', { body })),
    placeholderData: (previous) => previous,
    retry: false,
  });
  const open = useMutation({
    mutationFn: async () => {
      const person = athlete ?? await send(() => api.POST('/api/athletes', {
        body: { name: form.name, act: form.act === '' ? null : form.act, body_mass_kg: number(form.body_mass_kg) ?? Number.NaN, email: form.email },
      }));
      setAthlete(person);
      return send(() => api.POST('/api/athletes/{athlete}/cases', { params: { path: { athlete: person.id } }, body }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['round'] }),
  });

  if (catalogue.isPending) return <Loading what="the catalogue" />;
  if (catalogue.data === undefined) return <Failed problem={catalogue.error} again={() => void catalogue.refetch()} />;
  if (open.isSuccess && athlete !== null) return <Opened id={open.data.id} athlete={athlete} />;

  const set = <K extends keyof Form>(field: K, value: Form[K]) => setForm((now) => ({ ...now, [field]: value }));
  const fault = (field: string): string | undefined => faultAt(open.error, field) ?? faultAt(start.error, field);
  const field = (name: keyof Form, label: string, more: { at?: string; width?: number | string; type?: string; lines?: number } = {}) => (
    <TextField
      label={label}
      value={form[name]}
      onChange={(event) => set(name, event.target.value as never)}
      error={fault(more.at ?? name) !== undefined}
      helperText={fault(more.at ?? name)}
      type={more.type ?? 'text'}
      multiline={more.lines !== undefined}
      minRows={more.lines}
      disabled={athlete !== null && ['name', 'act', 'body_mass_kg', 'email'].includes(name)}
      sx={{ width: more.width ?? 200 }}
    />
  );
  const structure = catalogue.data.structures.find((one) => one.key === form.structure);
  const programme = catalogue.data.programmes.find((one) => one.key === form.programme);

  return (
    <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1280, mx: 'auto' }}>
      <Typography variant="h1" sx={{ py: 1.5 }}>New case</Typography>
      <Box component="form" noValidate onSubmit={(event) => { event.preventDefault(); open.mutate(); }} sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 350px' }, gap: 1.5, alignItems: 'start' }}>
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <Step number={1} title="Athlete">
            {field('name', 'Name', { width: 260 })}
            {field('act', 'Act or sport')}
            {field('body_mass_kg', 'Body mass, kg', { width: 150 })}
            {field('email', 'E-mail address to sign in with', { type: 'email', width: 280 })}
          </Step>
          <Step number={2} title="History and cause">
            <TextField select label="Structure" value={form.structure} onChange={(event) => set('structure', event.target.value)} sx={{ width: 200 }}>
              {catalogue.data.structures.map((one) => <MenuItem key={one.key} value={one.key}>{one.title}</MenuItem>)}
            </TextField>
            <TextField select label="Side" value={form.side} onChange={(event) => set('side', event.target.value as Form['side'])} sx={{ width: 110 }}>
              <MenuItem value="left">left</MenuItem><MenuItem value="right">right</MenuItem><MenuItem value="both">both</MenuItem>
            </TextField>
            <TextField select label="Must get back to" value={form.goal} onChange={(event) => set('goal', event.target.value as Form['goal'])} sx={{ width: 200 }}>
              {Object.entries(GOALS).map(([key, title]) => <MenuItem key={key} value={key}>{title}</MenuItem>)}
            </TextField>
            {field('history', 'Since when, after what change of load, what makes it worse', { width: '100%', lines: 2 })}
            {structure !== undefined && <Typography variant="body2" color="textSecondary">Load relief to advise: {structure.load_relief}</Typography>}
          </Step>
          <Step number={3} title="Screening">
            <Typography variant="body2" sx={{ width: '100%' }}>Signs that call for a referral. One that is ticked blocks the start until you say why it is safe to go on.</Typography>
            {SIGNS.map((sign) => (
              <Box key={sign} sx={{ width: '100%', display: 'flex', gap: 1, alignItems: 'center' }}>
                <FormControlLabel
                  control={<Checkbox size="small" sx={{ py: 0.25 }} checked={sign in form.signs} onChange={(event) => set('signs', event.target.checked ? { ...form.signs, [sign]: '' } : Object.fromEntries(Object.entries(form.signs).filter(([one]) => one !== sign)))} />}
                  label={`${sign[0]?.toUpperCase() ?? ''}${sign.slice(1)}`}
                />
                {sign in form.signs && <TextField label="Why it is safe to go on" value={form.signs[sign]} onChange={(event) => set('signs', { ...form.signs, [sign]: event.target.value })} sx={{ flex: 1 }} />}
              </Box>
            ))}
            <Typography variant="body2" sx={{ width: '100%', mt: 1 }}>Risks: each makes the start one rung easier.</Typography>
            {RISKS.map((risk) => (
              <FormControlLabel
                key={risk}
                control={<Checkbox size="small" sx={{ py: 0.25 }} checked={form.risks.includes(risk)} onChange={(event) => set('risks', event.target.checked ? [...form.risks, risk] : form.risks.filter((one) => one !== risk))} />}
                label={risk}
              />
            ))}
            <Box sx={{ width: '100%' }}>
              <FormControlLabel control={<Checkbox checked={form.screened} onChange={(event) => set('screened', event.target.checked)} />} label={<b>I have screened for referral signs and risks, and sign for it</b>} />
              {fault('screened') !== undefined && <FormHelperText error>{fault('screened')}</FormHelperText>}
              {fault('referral_signs') !== undefined && <FormHelperText error>{fault('referral_signs')}</FormHelperText>}
            </Box>
          </Step>
          <Step number={4} title="Irritability and baseline">
            {field('rest', 'Pain at rest, 0–10', { width: 150 })}
            {field('test', 'Test score, 0–10', { width: 150 })}
            {field('settle_min', 'Time to settle, min', { width: 165 })}
            {field('stiffness_min', 'Morning stiffness, min', { width: 185 })}
            {structure !== undefined && <Typography variant="body2" color="textSecondary" sx={{ width: '100%' }}><b>{structure.provocation_test.title}.</b> {structure.provocation_test.instruction}</Typography>}
            {field('affected', 'Strength, sore side, N', { at: 'strength.affected', width: 185 })}
            {field('unaffected', 'Strength, other side, N', { at: 'strength.unaffected', width: 185 })}
          </Step>
          <Step number={5} title="Programme and days">
            <TextField select label="Programme" value={form.programme} onChange={(event) => set('programme', event.target.value)} sx={{ width: 260 }}>
              {catalogue.data.programmes.map((one) => <MenuItem key={one.key} value={one.key}>{one.title}</MenuItem>)}
            </TextField>
            {field('training_days_per_week', 'Trains now, days a week', { width: 190 })}
            {field('events', 'Shows or matches, as 2026-12-24', { width: 280, at: 'events.0' })}
            {programme !== undefined && <Typography variant="body2" color="textSecondary" sx={{ width: '100%' }}>{programme.summary} School: {programme.school}. {programme.time_scale}</Typography>}
            <Box role="group" aria-label="Days the athlete has" sx={{ width: '100%' }}>
              {(Object.entries(DAYS) as [Day, string][]).map(([key, title]) => (
                <FormControlLabel key={key} control={<Checkbox size="small" checked={form.available.includes(key)} onChange={(event) => set('available', event.target.checked ? [...form.available, key] : form.available.filter((one) => one !== key))} />} label={title} />
              ))}
              {fault('available') !== undefined && <FormHelperText error>{fault('available')}</FormHelperText>}
            </Box>
          </Step>
        </Box>
        <Box sx={{ position: { md: 'sticky' }, top: 12 }}>
          <StartCard start={start.data} stale={start.isFetching} programme={programme} chosen={form.stage} choose={(stage) => set('stage', stage)} />
          {open.error instanceof Refusal && <Alert severity="error" sx={{ my: 1 }}>{open.error.message}</Alert>}
          <Button type="submit" variant="contained" size="large" fullWidth loading={open.isPending} disabled={start.data?.blocked ?? false} sx={{ mt: 1 }}>Sign and open the case</Button>
          {athlete !== null && <Typography variant="body2" sx={{ mt: 1 }}>{athlete.name} is added; what is left is the case.</Typography>}
        </Box>
      </Box>
    </Box>
  );
}

function Step({ number: index, title, children }: { number: number; title: string; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={title} sx={{ p: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 1.25 }}>{index} · {title}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'flex-start' }}>{children}</Box>
    </Paper>
  );
}

function Opened({ id, athlete }: { id: string; athlete: { name: string; password: string } }) {
  return (
    <Box component="main" sx={{ p: 4, maxWidth: 560, mx: 'auto' }}>
      <Typography variant="h1" sx={{ mb: 2 }}>The case of {athlete.name} is open</Typography>
      <Typography sx={{ mb: 1 }}>Hand this password over. It is shown only now:</Typography>
      <Typography component="p" sx={{ fontSize: 24, fontWeight: 600, mb: 2 }}>{athlete.password}</Typography>
      <Typography sx={{ mb: 3 }}>The athlete signs in on a phone at <b>/athlete</b> with the e-mail address and this password, and sees the first session.</Typography>
      <Button component={RouterLink} to={`/cases/${id}`} variant="contained">See ladder and first week</Button>
    </Box>
  );
}
