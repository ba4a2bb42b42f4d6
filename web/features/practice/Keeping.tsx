import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

type Retention = Schemas['Retention'];

/** For how long records are kept, and those that need not be kept any longer. */
export function Keeping() {
  const found = useQuery({
    queryKey: queryKeys.retention,
    queryFn: () => send(() => api.GET('/api/practice/retention')),
  });
  const queries = useQueryClient();
  const set = (answer: Retention) => {
    queries.setQueryData(queryKeys.retention, answer);
  };
  if (found.isPending) return <Loading what="the records" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Keeping records"
      sx={{ p: 2.5, display: 'grid', gap: 2, maxWidth: 720 }}
    >
      <Typography variant="h1" component="h2">
        Keeping records
      </Typography>
      <Years key={found.data.kept_years} years={found.data.kept_years} onChange={set} />
      {found.data.kept_years !== null && <Due due={found.data.due} onChange={set} />}
    </Paper>
  );
}

function Years({ years, onChange }: { years: number | null; onChange: (answer: Retention) => void }) {
  const form = useSendForm({
    defaultValues: { kept_years: years === null ? '' : String(years) },
    send: ({ kept_years: typed }) =>
      send(() =>
        api.PUT('/api/practice/retention', { body: { kept_years: typed.trim() === '' ? null : Number(typed) } }),
      ),
    onSent: onChange,
  });
  return (
    <SendForm form={form} sx={{ display: 'grid', gap: 1.5 }}>
      <Typography>
        How long records of treatment must be kept is a matter of your law. Rung counts from the day on which the last
        case of an athlete was closed. As long as this is empty, every record is kept.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <FormText
          control={form.control}
          name="kept_years"
          label="Years"
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 180 }}
        />
        <SendButton form={form} variant="outlined" sx={{ height: 37 }}>
          Save
        </SendButton>
      </Box>
      <FormProblem form={form} />
    </SendForm>
  );
}

function Due({ due, onChange }: { due: Retention['due']; onChange: (answer: Retention) => void }) {
  const [chosen, setChosen] = useState<string[]>([]);
  const [sure, setSure] = useState(false);
  const erase = useMutation({
    mutationFn: () => send(() => api.POST('/api/practice/retention', { body: { athletes: chosen } })),
    onSuccess: (answer) => {
      onChange(answer);
      setChosen([]);
      setSure(false);
    },
  });
  if (due.length === 0)
    return (
      <Typography>
        No record has passed that time{erase.data?.erased === undefined ? '' : ` any more; ${erase.data.erased} erased`}
        .
      </Typography>
    );
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h2">Need not be kept any longer</Typography>
      {due.map((athlete) => (
        <FormControlLabel
          key={athlete.id}
          control={
            <Checkbox
              checked={chosen.includes(athlete.id)}
              onChange={(_, checked) => {
                setSure(false);
                setChosen(checked ? [...chosen, athlete.id] : chosen.filter((other) => other !== athlete.id));
              }}
            />
          }
          label={`${athlete.name}, last case closed on ${day(athlete.closed_on)} ${athlete.closed_on.slice(0, 4)}`}
        />
      ))}
      {sure && (
        <Alert severity="warning">
          Everything of {chosen.length === 1 ? 'this athlete' : `these ${chosen.length} athletes`} goes, and cannot be
          had back.
        </Alert>
      )}
      {erase.isError && <Failed problem={erase.error} />}
      <Box>
        <Button
          variant={sure ? 'contained' : 'outlined'}
          color={sure ? 'error' : 'primary'}
          disabled={chosen.length === 0}
          loading={erase.isPending}
          onClick={() => {
            if (sure) erase.mutate();
            else setSure(true);
          }}
        >
          {sure ? 'Erase them for good' : 'Erase …'}
        </Button>
      </Box>
    </Box>
  );
}
