import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';

import { api, faultAt, Refusal, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day, moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { GOALS, number, text } from '../open/form';

type Intake = Schemas['CaseIntake'];
type Text =
  | 'history'
  | 'began_on'
  | 'load_change'
  | 'aggravating'
  | 'occupation'
  | 'medicines'
  | 'goal_on'
  | 'events'
  | 'blocked'
  | 'equipment'
  | 'session_minutes'
  | 'body_mass_kg'
  | 'born_on'
  | 'season_from'
  | 'season_until';

const days = (typed: string): string[] => typed.split(/[\s,;]+/).filter((part) => part !== '');

/** What intake asked for, kept up to date where the case is; what it said before stands below. */
export function IntakePage() {
  const id = useParams().id ?? '';
  const found = useQuery({
    queryKey: queryKeys.intake(id),
    queryFn: () => send(() => api.GET('/api/cases/{case}/intake', { params: { path: { case: id } } })),
    // What is typed stays; it is looked at again after saving.
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  if (found.isPending) return <Loading what="the intake" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <IntakeForm key={`${id} ${found.dataUpdatedAt}`} id={id} found={found.data} />;
}

function IntakeForm({ id, found }: { id: string; found: Intake }) {
  const [form, setForm] = useState<Record<Text, string>>({
    history: found.history ?? '',
    began_on: found.began_on ?? '',
    load_change: found.load_change ?? '',
    aggravating: found.aggravating ?? '',
    occupation: found.occupation ?? '',
    medicines: found.medicines ?? '',
    goal_on: found.goal_on ?? '',
    events: found.events.join(', '),
    blocked: found.blocked.join(', '),
    equipment: (found.equipment ?? []).join(', '),
    session_minutes: found.session_minutes === null ? '' : String(found.session_minutes),
    born_on: found.born_on ?? '',
    season_from: found.season_from ?? '',
    season_until: found.season_until ?? '',
    body_mass_kg: found.body_mass_kg === null ? '' : String(found.body_mass_kg),
  });
  const [goal, setGoal] = useState(found.goal);
  const [advice, setAdvice] = useState(found.advice.map((line) => ({ words: line.words, until: line.until ?? '' })));
  const [findings, setFindings] = useState(found.found);
  const [why, setWhy] = useState('');
  // The changes that are shown below and that saving replaces; loaded again where somebody else saved first.
  const [seen, setSeen] = useState({ revision: found.revision, changes: found.changes });
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      send(() =>
        api.PUT('/api/cases/{case}/intake', {
          params: { path: { case: id } },
          body: {
            revision: seen.revision,
            goal,
            why: text(why),
            history: text(form.history),
            began_on: text(form.began_on),
            load_change: text(form.load_change),
            aggravating: text(form.aggravating),
            occupation: text(form.occupation),
            medicines: text(form.medicines),
            goal_on: text(form.goal_on),
            events: days(form.events),
            blocked: days(form.blocked),
            equipment:
              form.equipment.trim() === '' && found.equipment === null
                ? null
                : form.equipment
                    .split(',')
                    .map((part) => part.trim())
                    .filter((item) => item !== ''),
            found: findings,
            session_minutes: number(form.session_minutes),
            body_mass_kg: number(form.body_mass_kg),
            born_on: text(form.born_on),
            season_from: text(form.season_from),
            season_until: text(form.season_until),
            advice: advice
              .filter((line) => line.words.trim() !== '')
              .map((line) => ({ words: line.words.trim(), until: text(line.until) })),
          },
        }),
      ),
    onError: async (problem) => {
      if (!(problem instanceof Refusal) || problem.status !== 409) return;
      const now = await send(() => api.GET('/api/cases/{case}/intake', { params: { path: { case: id } } })).catch(
        () => null,
      );
      if (now !== null) setSeen({ revision: now.revision, changes: now.changes });
    },
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: queryKeys.case(id) }),
        queries.invalidateQueries({ queryKey: queryKeys.rounds }),
      ]),
  });
  const at = (field: string) => {
    const seen =
      faultAt(save.error, field) ??
      (save.error instanceof Refusal
        ? Object.entries(save.error.fields).find(([name]) => name.startsWith(`${field}.`))?.[1]
        : undefined);
    return { error: seen !== undefined, helperText: seen };
  };
  const field = (name: Text, label: string, width: number | string, more: object = {}) => (
    <TextField
      label={label}
      value={form[name]}
      onChange={(event) => setForm((now) => ({ ...now, [name]: event.target.value }))}
      sx={{ width }}
      {...at(name)}
      {...more}
    />
  );
  const date = { type: 'date', slotProps: { inputLabel: { shrink: true } } };
  return (
    <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1">{found.athlete}: intake</Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {found.structure}, {found.side === 'both' ? 'both sides' : found.side}
        </Typography>
        <Button component={RouterLink} to={`/cases/${id}`}>
          Back to the case
        </Button>
      </Box>
      {found.signs.map((sign) => (
        <Alert key={sign.key} severity="warning">
          <b>Referral sign at the start: {sign.words}.</b> Gone on because: {sign.why} ({sign.by}, {day(sign.on)})
        </Alert>
      ))}
      <Paper
        variant="panel"
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}
      >
        {field('history', 'History, what was tried', '100%', { multiline: true, minRows: 2 })}
        {field('began_on', 'Pain began on', 170, date)}
        {field('load_change', 'Cause: after what change of load', 330)}
        {field('aggravating', 'What makes it worse', 330)}
        {field('occupation', 'Occupation', 240)}
        {field('medicines', 'Medicines', 330)}
        {field('born_on', 'Date of birth', 170, date)}
        {field('body_mass_kg', 'Body mass, kg', 130, { slotProps: { htmlInput: { inputMode: 'decimal' } } })}
        <TextField
          select
          label="Must get back to"
          value={goal}
          onChange={(event) => setGoal(event.target.value as Intake['goal'])}
          sx={{ width: 200 }}
          {...at('goal')}
        >
          {Object.entries(GOALS).map(([key, title]) => (
            <MenuItem key={key} value={key}>
              {title}
            </MenuItem>
          ))}
        </TextField>
        {goal !== found.goal && (
          <Alert severity="info" sx={{ width: '100%' }}>
            A way back to sport that stands in the plan stays as it is. Once this is saved, Prescribe offers the usual
            one for the new goal.
          </Alert>
        )}
        {found.purpose === 'prevention' && (
          <>
            {field('season_from', 'Season begins on', 170, date)}
            {field('season_until', 'Season ends on', 170, date)}
          </>
        )}
        {field('goal_on', 'By when', 170, date)}
        {field('session_minutes', 'Time for a session, min', 210)}
        {field('equipment', 'Equipment at hand', 330)}
        {field('events', 'Shows or matches, as 2026-12-24', '100%')}
        {field('blocked', 'Days without any session, as 2026-12-24', '100%')}
        {found.findings.length > 0 && (
          <Box role="group" aria-label="Found beside it" sx={{ width: '100%' }}>
            <Typography variant="h3">Found beside it</Typography>
            <Typography variant="body2" color="textSecondary">
              Ticking a finding starts work on it, where the plan has some waiting.
            </Typography>
            {found.findings.map((finding) => (
              <FormControlLabel
                key={finding.key}
                sx={{ width: 300 }}
                control={
                  <Checkbox
                    size="small"
                    checked={findings.includes(finding.key)}
                    onChange={(event) =>
                      setFindings((all) =>
                        event.target.checked ? [...all, finding.key] : all.filter((key) => key !== finding.key),
                      )
                    }
                  />
                }
                label={finding.words}
              />
            ))}
          </Box>
        )}
        <Box role="group" aria-label="Advice to the athlete" sx={{ width: '100%', display: 'grid', gap: 1 }}>
          <Typography variant="h3">Advice to the athlete, beside the exercises</Typography>
          {advice.map((line, i) => {
            const change = (part: Partial<typeof line>) =>
              setAdvice((all) => all.map((each, at) => (at === i ? { ...each, ...part } : each)));
            return (
              <Box key={i} sx={{ display: 'flex', gap: 1 }}>
                <TextField
                  label={`Advice ${i + 1}`}
                  value={line.words}
                  onChange={(event) => change({ words: event.target.value })}
                  sx={{ flex: 1 }}
                  {...at(`advice.${i}.words`)}
                />
                <TextField
                  type="date"
                  label="Until"
                  value={line.until}
                  onChange={(event) => change({ until: event.target.value })}
                  slotProps={{ inputLabel: { shrink: true } }}
                />
                <Button
                  onClick={() => setAdvice((all) => all.filter((_, at) => at !== i))}
                  aria-label={`Take away advice ${i + 1}`}
                >
                  Take away
                </Button>
              </Box>
            );
          })}
          <Box>
            <Button onClick={() => setAdvice((all) => [...all, { words: '', until: '' }])}>Add advice</Button>
          </Box>
        </Box>
        <Typography variant="body2" color="textSecondary" sx={{ width: '100%' }}>
          The days of the week that the athlete has, and the rhythm, are set where the plan is prescribed.
        </Typography>
        <TextField
          label="Why (may be left empty)"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          sx={{ flex: 1, minWidth: 240 }}
          {...at('why')}
        />
        <Button type="submit" variant="contained" loading={save.isPending} sx={{ height: 37 }}>
          Save
        </Button>
        {save.error instanceof Refusal && (
          <Alert severity="error" sx={{ width: '100%' }}>
            {Object.values(save.error.fields)[0] ?? save.error.message}
          </Alert>
        )}
        {save.error !== null && !(save.error instanceof Refusal) && (
          <Alert severity="error" sx={{ width: '100%' }}>
            This could not be sent. Try again.
          </Alert>
        )}
      </Paper>
      <Paper variant="panel" component="section" aria-label="What it said before">
        <Typography variant="h2">What it said before</Typography>
        {seen.changes.length === 0 && (
          <Typography color="textSecondary">Nothing was changed since the case was opened.</Typography>
        )}
        {seen.changes.map((change) => (
          <Box key={change.at} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
            <Typography variant="body2">{change.words}</Typography>
            <Typography variant="body2" color="textSecondary">
              {change.by}, {moment(change.at)}
              {change.why === null ? '' : `: ${change.why}`}
            </Typography>
          </Box>
        ))}
        {found.screened_by !== null && found.screened_on !== null && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Screened and signed by {found.screened_by}, {day(found.screened_on)}
            {found.risks.length === 0 ? '' : `. Risks: ${found.risks.join('; ')}`}.
          </Typography>
        )}
      </Paper>
    </Box>
  );
}
