import { Controller, useFieldArray } from 'react-hook-form';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { api, Refusal, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day, moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { GOALS, number, text } from '../open/form';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

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

/** As it is typed: numbers, days and lists as text. */
const typedOf = (found: Intake) => ({
  history: found.history ?? '',
  began_on: found.began_on ?? '',
  load_change: found.load_change ?? '',
  aggravating: found.aggravating ?? '',
  occupation: found.occupation ?? '',
  medicines: found.medicines ?? '',
  goal: found.goal,
  goal_on: found.goal_on ?? '',
  events: found.events.join(', '),
  blocked: found.blocked.join(', '),
  equipment: (found.equipment ?? []).join(', '),
  session_minutes: found.session_minutes === null ? '' : String(found.session_minutes),
  born_on: found.born_on ?? '',
  season_from: found.season_from ?? '',
  season_until: found.season_until ?? '',
  body_mass_kg: found.body_mass_kg === null ? '' : String(found.body_mass_kg),
  found: found.found,
  advice: found.advice.map((line) => ({ words: line.words, until: line.until ?? '' })),
  why: '',
});

const bodyOf = (typed: ReturnType<typeof typedOf>, found: Intake): Omit<Schemas['IntakeRequest'], 'revision'> => ({
  goal: typed.goal,
  why: text(typed.why),
  history: text(typed.history),
  began_on: text(typed.began_on),
  load_change: text(typed.load_change),
  aggravating: text(typed.aggravating),
  occupation: text(typed.occupation),
  medicines: text(typed.medicines),
  goal_on: text(typed.goal_on),
  events: days(typed.events),
  blocked: days(typed.blocked),
  equipment:
    typed.equipment.trim() === '' && found.equipment === null
      ? null
      : typed.equipment
          .split(',')
          .map((part) => part.trim())
          .filter((item) => item !== ''),
  found: typed.found,
  session_minutes: number(typed.session_minutes),
  body_mass_kg: number(typed.body_mass_kg),
  born_on: text(typed.born_on),
  season_from: text(typed.season_from),
  season_until: text(typed.season_until),
  advice: typed.advice
    .filter((line) => line.words.trim() !== '')
    .map((line) => ({ words: line.words.trim(), until: text(line.until) })),
});

function IntakeForm({ id, found }: { id: string; found: Intake }) {
  // The changes that are shown below and that saving replaces; loaded again where somebody else saved first.
  const [seen, setSeen] = useState({ revision: found.revision, changes: found.changes });
  const queries = useQueryClient();
  const form = useSendForm({
    defaultValues: typedOf(found),
    send: (typed) => {
      // Empty lines go, so that a fault in a line stands at that line.
      const lines = typed.advice.filter((line) => line.words.trim() !== '');
      if (lines.length < typed.advice.length) advice.replace(lines);
      return send(() =>
        api.PUT('/api/cases/{case}/intake', {
          params: { path: { case: id } },
          body: { revision: seen.revision, ...bodyOf(typed, found) },
        }),
      ).catch(async (problem: unknown) => {
        if (problem instanceof Refusal && problem.status === 409) {
          const now = await send(() => api.GET('/api/cases/{case}/intake', { params: { path: { case: id } } })).catch(
            () => null,
          );
          if (now !== null) setSeen({ revision: now.revision, changes: now.changes });
        }
        throw problem;
      });
    },
    onSent: () => {
      void queries.invalidateQueries({ queryKey: queryKeys.case(id) });
      void queries.invalidateQueries({ queryKey: queryKeys.rounds });
    },
  });
  const { control } = form;
  const advice = useFieldArray({ control, name: 'advice' });
  const field = (name: Text, label: string, width: number | string, more: object = {}) => (
    <FormText control={control} name={name} label={label} sx={{ width }} {...more} />
  );
  const date = { type: 'date' };
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
      <Paper variant="panel">
        <SendForm form={form} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
          {field('history', 'History, what was tried', '100%', { multiline: true, minRows: 2 })}
          {field('began_on', 'Pain began on', 170, date)}
          {field('load_change', 'Cause: after what change of load', 330)}
          {field('aggravating', 'What makes it worse', 330)}
          {field('occupation', 'Occupation', 240)}
          {field('medicines', 'Medicines', 330)}
          {field('born_on', 'Date of birth', 170, date)}
          {field('body_mass_kg', 'Body mass, kg', 130, { slotProps: { htmlInput: { inputMode: 'decimal' } } })}
          <FormText control={control} name="goal" select label="Must get back to" sx={{ width: 200 }}>
            {Object.entries(GOALS).map(([key, title]) => (
              <MenuItem key={key} value={key}>
                {title}
              </MenuItem>
            ))}
          </FormText>
          {form.watch('goal') !== found.goal && (
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
              <Controller
                control={control}
                name="found"
                render={({ field: { value, onChange } }) => (
                  <>
                    {found.findings.map((finding) => (
                      <FormControlLabel
                        key={finding.key}
                        sx={{ width: 300 }}
                        control={
                          <Checkbox
                            size="small"
                            checked={value.includes(finding.key)}
                            onChange={(_, checked) =>
                              onChange(checked ? [...value, finding.key] : value.filter((key) => key !== finding.key))
                            }
                          />
                        }
                        label={finding.words}
                      />
                    ))}
                  </>
                )}
              />
            </Box>
          )}
          <Box role="group" aria-label="Advice to the athlete" sx={{ width: '100%', display: 'grid', gap: 1 }}>
            <Typography variant="h3">Advice to the athlete, beside the exercises</Typography>
            {advice.fields.map((line, i) => (
              <Box key={line.id} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
                <FormText control={control} name={`advice.${i}.words`} label={`Advice ${i + 1}`} sx={{ flex: 1 }} />
                <FormText control={control} name={`advice.${i}.until`} label="Until" type="date" />
                <Button onClick={() => advice.remove(i)} aria-label={`Take away advice ${i + 1}`}>
                  Take away
                </Button>
              </Box>
            ))}
            <Box>
              <Button onClick={() => advice.append({ words: '', until: '' })}>Add advice</Button>
            </Box>
          </Box>
          <Typography variant="body2" color="textSecondary" sx={{ width: '100%' }}>
            The days of the week that the athlete has, and the rhythm, are set where the plan is prescribed.
          </Typography>
          <FormText control={control} name="why" label="Why (may be left empty)" sx={{ flex: 1, minWidth: 240 }} />
          <SendButton form={form} sx={{ height: 37 }}>
            Save
          </SendButton>
          <FormProblem form={form} sx={{ width: '100%' }} />
        </SendForm>
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
