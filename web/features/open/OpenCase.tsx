import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { Link as RouterLink, useLocation, useParams } from 'react-router';

import { api, faultAt, Refusal, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';
import { useLibrary } from '../library/useLibrary';
import { Baseline, IrritabilityStep, LoadRelief, Screening } from './Examination';
import {
  BLANK,
  body,
  type Form,
  forProposal,
  type Library,
  missingAtFirst,
  OpeningContext,
  stepOf,
  STEPS,
  useOpening,
} from './form';
import { Intake } from './Intake';
import { LeftOpenings } from './LeftOpenings';
import { ProposalStep } from './ProposalStep';
import { StartCard } from './StartCard';
import { useDraft } from './useDraft';

/** Opens a case in the order of the work; it can be left at any step and taken up again. */
export function OpenCase() {
  const id = useParams().id ?? null;
  // Going to "New case" again leaves what was typed and starts over.
  const visit = useLocation().key;
  const library = useLibrary();
  const left = useQuery({
    queryKey: queryKeys.opening(id),
    queryFn: () => send(() => api.GET('/api/openings/{opening}', { params: { path: { opening: id ?? '' } } })),
    enabled: id !== null,
    // Taken up, it is typed on here; what an earlier visit saw must not come back.
    gcTime: 0,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
  });
  if (library.isPending || (id !== null && left.isPending)) return <Loading what="the library" />;
  if (library.data === undefined) return <Failed problem={library.error} onRetry={() => void library.refetch()} />;
  if (id !== null && left.data === undefined)
    return <Failed problem={left.error} onRetry={() => void left.refetch()} />;
  const begun = { ...BLANK, ...(left.data?.form as Partial<Form> | undefined) };
  return <Opening key={id ?? visit} id={id} begun={begun} at={left.data?.step ?? 1} library={library.data} />;
}

function Opening({ id, begun, at, library }: { id: string | null; begun: Form; at: number; library: Library }) {
  const [form, setForm] = useState(begun);
  const [step, setStep] = useState(at);
  // Sent again after a lost answer, it opens the same case.
  const [opening] = useState(() => crypto.randomUUID());
  const queries = useQueryClient();
  const fields = useRef<HTMLDivElement>(null);
  const [moved, setMoved] = useState(0);
  // Once the first step was to be left with something missing, that is marked until it is there.
  const [checked, setChecked] = useState(false);
  const draft = useDraft(id, form, step);
  const asked = useDeferredValue(JSON.stringify(forProposal(form)));
  const start = useQuery({
    queryKey: queryKeys.start(asked),
    queryFn: () =>
      send(() => api.POST('/api/start-proposals', { body: JSON.parse(asked) as ReturnType<typeof forProposal> })),
    placeholderData: (previous) => previous,
    retry: false,
    // Where nothing is chosen yet there is nothing to propose.
    enabled:
      form.purpose !== '' &&
      form.structure !== '' &&
      form.side !== '' &&
      form.goal !== '' &&
      form.training_days_per_week.trim() !== '',
  });
  const open = useMutation({
    mutationFn: () => send(() => api.POST('/api/cases', { body: { ...body(form, draft.draft), id: opening } })),
    onError: (problem) => {
      const first =
        problem instanceof Refusal
          ? Object.keys(problem.fields)
              .map(stepOf)
              .filter((item) => item > 0)
              .sort((a, b) => a - b)[0]
          : undefined;
      if (first !== undefined) setStep(first);
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: queryKeys.rounds }),
  });
  // The hands go on in the first field of the step.
  useEffect(() => {
    if (moved === 0) return;
    const first =
      fields.current?.querySelector<HTMLElement>('[aria-invalid=true], .Mui-error [role=combobox]') ??
      fields.current?.querySelector<HTMLElement>('input:not([type=hidden]), textarea, [role=combobox], button');
    first?.focus();
  }, [moved]);
  if (open.isSuccess)
    return (
      <Opened id={open.data.id} name={open.data.athlete} password={open.data.password} signIn={open.data.sign_in} />
    );

  const missing = checked ? missingAtFirst(form) : {};
  const fault = (field: string) => faultAt(open.error, field) ?? faultAt(start.error, field) ?? missing[field];
  const faults = [open.error, start.error].flatMap((problem) =>
    problem instanceof Refusal ? Object.keys(problem.fields) : [],
  );
  const marked = new Set(faults.map(stepOf));
  const go = (to: number) => {
    setStep(Math.max(1, Math.min(STEPS.length, to)));
    setMoved((times) => times + 1);
  };
  const context = {
    form,
    fault,
    library,
    set: <K extends keyof Form>(field: K, value: Form[K]) => {
      // Typing clears a fault that was found at signing; signing again checks once more.
      if (open.isError) open.reset();
      setForm((now) => ({ ...now, [field]: value }));
    },
    start: start.isError ? undefined : start.data,
    stale: start.isFetching,
    draft: draft.state === 'kept' ? draft.draft : null,
  };

  return (
    <OpeningContext value={context}>
      <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1280, mx: 'auto' }}>
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, py: 1.25 }}>
          <Typography variant="h1">New case{form.name.trim() === '' ? '' : `: ${form.name.trim()}`}</Typography>
          <Typography variant="body2" color="textSecondary" role="status" sx={{ flex: 1 }}>
            {
              {
                fresh: 'Kept as you type; leave it at any step.',
                keeping: 'Keeping …',
                kept: 'Kept. You can leave it here and take it up again.',
                failed: '',
              }[draft.state]
            }
          </Typography>
          {id === null && (
            <Button component={RouterLink} to="/import">
              From a case file …
            </Button>
          )}
        </Box>
        {draft.state === 'failed' && <Failed problem={draft.problem} onRetry={draft.again} />}
        {id === null && <LeftOpenings except={draft.draft} />}
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', md: '180px minmax(0, 1fr) 300px' },
            gap: 1.5,
            alignItems: 'start',
          }}
        >
          <List component="ol" aria-label="Steps" disablePadding sx={{ display: 'grid', gap: 0.25 }}>
            {STEPS.map(({ title }, i) => (
              <li key={title}>
                <Button
                  fullWidth
                  aria-current={step === i + 1 ? 'step' : undefined}
                  onClick={() => go(i + 1)}
                  sx={{
                    justifyContent: 'flex-start',
                    textAlign: 'left',
                    color: step === i + 1 ? 'primary.main' : 'text.primary',
                    fontWeight: step === i + 1 ? 600 : 400,
                    bgcolor: step === i + 1 ? 'action.selected' : undefined,
                  }}
                >
                  {i + 1} · {title}
                  {marked.has(i + 1) && (
                    <Typography
                      component="span"
                      role="img"
                      sx={{ color: 'error.main', ml: 0.5 }}
                      aria-label="something to correct"
                    >
                      !
                    </Typography>
                  )}
                </Button>
              </li>
            ))}
          </List>
          <Paper
            key={step}
            variant="panel"
            component="form"
            noValidate
            aria-label={STEPS[step - 1]?.title ?? ''}
            onSubmit={(event) => {
              event.preventDefault();
              if (step === 1 && Object.keys(missingAtFirst(form)).length > 0) {
                setChecked(true);
                setMoved((times) => times + 1);
              } else if (step < STEPS.length) go(step + 1);
              else open.mutate();
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && event.ctrlKey) event.currentTarget.requestSubmit();
            }}
          >
            <Typography variant="h2" sx={{ mb: 1.25 }}>
              {step} · {STEPS[step - 1]?.title}
            </Typography>
            <Box ref={fields} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'flex-start' }}>
              {step === 1 && <Intake />}
              {step === 2 && <Screening />}
              {step === 3 && <IrritabilityStep />}
              {step === 4 && <LoadRelief />}
              {step === 5 && <Baseline />}
              {step === 6 && <ProposalStep />}
              {step === 7 && <Sign />}
            </Box>
            {open.error instanceof Refusal && (
              <Alert severity="error" sx={{ mt: 1.5 }}>
                {open.error.message}
              </Alert>
            )}
            <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
              {step > 1 && <Button onClick={() => go(step - 1)}>Back</Button>}
              {step < STEPS.length ? (
                <Button type="submit" variant="contained">
                  On to {STEPS[step]?.title.toLowerCase()}
                </Button>
              ) : (
                <Button
                  type="submit"
                  variant="contained"
                  size="large"
                  loading={open.isPending}
                  disabled={context.start?.blocked ?? false}
                >
                  Sign and open the case
                </Button>
              )}
              <Typography variant="body2" color="textSecondary" sx={{ alignSelf: 'center' }}>
                Ctrl + Enter goes on from any field.
              </Typography>
            </Box>
          </Paper>
          <Box sx={{ position: { md: 'sticky' }, top: 12 }}>
            <StartCard />
          </Box>
        </Box>
      </Box>
    </OpeningContext>
  );
}

function Sign() {
  const { form, set, fault, start, library } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  return (
    <Box sx={{ width: '100%' }}>
      <Typography sx={{ mb: 1 }}>
        {form.name || 'The athlete'}: {structure?.title}, {form.side === 'both' ? 'both sides' : form.side}.{' '}
        {start?.words ?? ''}
      </Typography>
      {start?.choices.map((choice) => (
        <Typography key={choice.prescription} variant="body2">
          {choice.title}, {choice.words}
        </Typography>
      ))}
      {Object.entries(form.signs).map(([key, why]) => (
        <Alert key={key} severity="warning" sx={{ mt: 1 }}>
          <b>{library.signs.find((sign) => sign.key === key)?.words ?? key}.</b>{' '}
          {why.trim() === '' ? 'No reason is given yet: nothing starts.' : `Gone on because: ${why}`}
        </Alert>
      ))}
      {Object.keys(form.risks).length > 0 && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          Risks:{' '}
          {Object.keys(form.risks)
            .map((key) => library.risks.find((risk) => risk.key === key)?.words ?? key)
            .join(', ')}
          .
        </Typography>
      )}
      {form.advice.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          Advice: {form.advice.join(' ')}
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ my: 1 }}>
        Rung supports licensed practitioners and replaces none; local rules and scope of practice come first. On
        signing, the first weeks are on the calendar.
      </Typography>
      <FormControlLabel
        control={
          <Checkbox autoFocus checked={form.screened} onChange={(event) => set('screened', event.target.checked)} />
        }
        label={<b>I have screened for referral signs and risks, and sign for it</b>}
      />
      {fault('screened') !== undefined && <FormHelperText error>{fault('screened')}</FormHelperText>}
    </Box>
  );
}

function Opened({
  id,
  name,
  password,
  signIn,
}: {
  id: string;
  name: string;
  password: string | null;
  signIn: string | null;
}) {
  return (
    <Box component="main" sx={{ p: 4, maxWidth: 560, mx: 'auto' }}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        The case of {name} is open
      </Typography>
      {password !== null && (
        <>
          <Typography sx={{ mb: 1 }}>Hand this password over. It is shown only now:</Typography>
          <Typography component="p" variant="subtitle1" sx={{ fontSize: 24, mb: 2 }}>
            {password}
          </Typography>
          <Typography sx={{ mb: 3 }}>
            The athlete signs in on a phone at <b>/athlete</b> as <b>{signIn}</b> with this password, and sees the first
            session.
          </Typography>
        </>
      )}
      <Button component={RouterLink} to={`/cases/${id}`} variant="contained">
        See ladder and first week
      </Button>
    </Box>
  );
}
