import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';

import { api, Refusal, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { amount } from '../../shell/numbers';

type Preview = Schemas['CaseFilePreview'];
type Body = Record<string, unknown>;

/** More faults of a file than these are counted. */
const SHOWN_FAULTS = 12;

/** A case file comes in: looked at first, then made a case of a new athlete or of one who is here. */
export function ImportPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const look = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      let body: Body;
      try {
        body = JSON.parse(text) as Body;
      } catch {
        throw new Refusal(422, `${file.name} is no case file: it is not JSON. Export a case to see the format.`);
      }
      return { name: file.name, body, found: await send(() => api.POST('/api/import/preview', { body })) };
    },
    onMutate: () => take.reset(),
  });
  const take = useMutation({
    mutationFn: ({ body, athlete }: { body: Body; athlete: string | null }) =>
      send(() => api.POST('/api/import', { body, params: { query: athlete === null ? {} : { athlete } } })),
    onSuccess: async ({ id }) => {
      await queries.invalidateQueries({ queryKey: queryKeys.rounds });
      void navigate(`/cases/${id}`);
    },
  });
  const problem = look.error ?? take.error;
  const faults = problem instanceof Refusal ? Object.entries(problem.fields) : [];
  return (
    <Box component="main" sx={{ maxWidth: 860, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          A case from a file
        </Typography>
        <Button component={RouterLink} to="/new">
          To a new case
        </Button>
      </Box>
      <Paper variant="outlined" sx={{ p: 2, display: 'grid', gap: 1 }}>
        <Typography>
          A case file, or a health record that Rung wrote (FHIR), holds an athlete, stages with doses and gates, and all
          that was logged. You see what is in it before anything is stored.
        </Typography>
        <Box>
          <Button
            component="label"
            variant={look.data === undefined ? 'contained' : 'outlined'}
            loading={look.isPending}
          >
            {look.data === undefined ? 'Choose a case file' : 'Choose another file'}
            <input
              type="file"
              accept="application/json,.json"
              hidden
              aria-label="Case file"
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                if (file !== undefined) look.mutate(file);
              }}
            />
          </Button>
        </Box>
        {problem !== null && (
          <Alert severity="error">
            {faults.length === 0 ? (
              problem instanceof Refusal ? (
                problem.message
              ) : (
                'This could not be sent. Choose the file again.'
              )
            ) : (
              <>
                {faults.length === 1 ? 'One thing' : `${faults.length} things`} in the file cannot be imported. Nothing
                is stored.
                <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                  {faults.slice(0, SHOWN_FAULTS).map(([at, words]) => (
                    <li key={at}>
                      <code>{at}</code>: {words}
                    </li>
                  ))}
                  {faults.length > SHOWN_FAULTS && <li>and {faults.length - SHOWN_FAULTS} more</li>}
                </Box>
              </>
            )}
          </Alert>
        )}
      </Paper>
      {look.data !== undefined && (
        <Found
          key={look.data.name}
          name={look.data.name}
          found={look.data.found}
          taking={take.isPending}
          onTake={(athlete) => take.mutate({ body: look.data.body, athlete })}
        />
      )}
    </Box>
  );
}

const NEW = 'new';

function Found({
  name,
  found,
  taking,
  onTake,
}: {
  name: string;
  found: Preview;
  taking: boolean;
  onTake: (athlete: string | null) => void;
}) {
  // Only somebody who knows them can say whether it is the same person.
  const [athlete, setAthlete] = useState<string | null>(found.same.length === 0 ? NEW : null);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={`What ${name} holds`}
      sx={{ p: 2, display: 'grid', gap: 1, borderColor: 'primary.main', borderWidth: 2 }}
    >
      <Typography variant="h2">
        {found.athlete}: {found.structure}, {found.side === 'both' ? 'both sides' : found.side}
      </Typography>
      <Typography>
        Opened on {day(found.opened_on)}, now in {found.stage}.{' '}
        {found.counts
          .filter((count) => count.count > 0)
          .map((count) => `${amount(count.count)} ${count.title}`)
          .join(', ')}
        {found.from !== null && found.until !== null && `, from ${day(found.from)} to ${day(found.until)}`}.
      </Typography>
      <Box>
        <Typography variant="subtitle1">{found.headline}</Typography>
        <Typography variant="body2" color="textSecondary">
          {found.because}
        </Typography>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {found.programme === null
          ? 'Its stages are those of no programme here.'
          : `Its stages are those of ${found.programme}; the calendar comes from there.`}
      </Typography>
      {found.notes.map((words) => (
        <Alert key={words} severity="warning" sx={{ py: 0 }}>
          {words}
        </Alert>
      ))}
      {found.same.length > 0 && (
        <RadioGroup
          aria-label="Whose case it is"
          value={athlete ?? ''}
          onChange={(event) => setAthlete(event.target.value)}
        >
          <Typography variant="h3">Somebody of that name is here. Whose case is it?</Typography>
          {found.same.map((other) => (
            <FormControlLabel
              key={other.id}
              value={other.id}
              control={<Radio />}
              label={`${other.name} (${other.cases.join('; ') || 'no case yet'})`}
            />
          ))}
          <FormControlLabel value={NEW} control={<Radio />} label="Somebody else: a new athlete" />
        </RadioGroup>
      )}
      <Box>
        <Button
          variant="contained"
          size="large"
          disabled={athlete === null}
          loading={taking}
          onClick={() => onTake(athlete === NEW ? null : athlete)}
        >
          Make a case of it
        </Button>
      </Box>
    </Paper>
  );
}
