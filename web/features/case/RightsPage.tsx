import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day, moment } from '../../shell/dates';
import { MadeFile } from '../../shell/MadeFile';
import { Failed, Loading } from '../../shell/States';
import { useMay } from '../../shell/useSignedIn';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

type Rights = Schemas['Rights'];

/** What the athlete agreed to and may ask for: agreements, the record set aside, all data exported, and erased. */
export function RightsPage() {
  const { id = '' } = useParams();
  const key = queryKeys.rights(id);
  const found = useQuery({
    queryKey: key,
    queryFn: () => send(() => api.GET('/api/cases/{case}/rights', { params: { path: { case: id } } })),
  });
  const queries = useQueryClient();
  const may = useMay();
  const set = (answer: Rights) => {
    queries.setQueryData(key, answer);
    void queries.invalidateQueries({ queryKey: queryKeys.case(id) });
  };
  if (found.isPending) return <Loading what="what the athlete agreed to" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <Box component="main" sx={{ maxWidth: 720, mx: 'auto', p: 3, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h1">{found.data.athlete}: the athlete’s data</Typography>
        <Link component={RouterLink} to={`/cases/${id}`} color="inherit">
          To the case
        </Link>
      </Box>
      <Agreements id={id} rights={found.data} onChange={set} />
      {may('manage') && <SetAside id={id} rights={found.data} onChange={set} />}
      {may('manage') && (
        <Part title="Export all data">
          <Typography>
            Every case, open and closed: case file, health record (FHIR), tables and signed papers, in one zip archive.
            It holds health data: keep it accordingly. The record shows that you exported it.
          </Typography>
          <MadeFile
            label="Make the archive"
            ask={() => send(() => api.POST('/api/cases/{case}/archive', { params: { path: { case: id } } }))}
          />
        </Part>
      )}
      {may('manage') && <Erase id={id} rights={found.data} />}
    </Box>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={title} sx={{ p: 2.5, display: 'grid', gap: 1.5 }}>
      <Typography variant="h2">{title}</Typography>
      {children}
    </Paper>
  );
}

const STATES = { null: 'not asked', true: 'agreed', false: 'does not agree' } as const;

function Agreements({ id, rights, onChange }: { id: string; rights: Rights; onChange: (answer: Rights) => void }) {
  const may = useMay();
  const form = useSendForm({
    defaultValues: { purpose: '', given: 'true', on: rights.today, how: '' },
    send: ({ purpose, given, on, how }) =>
      send(() =>
        api.POST('/api/cases/{case}/consents', {
          params: { path: { case: id } },
          body: { purpose, given: given === 'true', on, how: how.trim() },
        }),
      ),
    onSent: (answer, { resetField }) => {
      onChange(answer);
      resetField('purpose');
      resetField('how');
    },
  });
  return (
    <Part title="What the athlete agreed to">
      <Typography color="textSecondary">
        Treating, and keeping the record that the law asks for, need no agreement. Each of these does, and can be taken
        back at any time.
      </Typography>
      <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: '1fr auto', rowGap: 0.75, columnGap: 2, m: 0 }}>
        {rights.purposes.map((option) => (
          <Box key={option.key} sx={{ display: 'contents' }}>
            <Typography component="dt">{option.title}</Typography>
            <Typography
              component="dd"
              variant="subtitle1"
              sx={{
                m: 0,
                color: option.given === true ? 'primary.main' : option.given === false ? 'over.main' : 'text.secondary',
              }}
            >
              {STATES[`${option.given}`]}
            </Typography>
          </Box>
        ))}
      </Box>
      {may('decide') && (
        <SendForm
          form={form}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
            gap: 1.5,
            borderTop: 1,
            borderColor: 'divider',
            pt: 2,
          }}
        >
          <FormText control={form.control} name="purpose" select label="What it is about" sx={{ gridColumn: '1 / -1' }}>
            {rights.purposes.map((option) => (
              <MenuItem key={option.key} value={option.key}>
                {option.title}
              </MenuItem>
            ))}
          </FormText>
          <FormText control={form.control} name="given" select label="The athlete">
            <MenuItem value="true">agrees</MenuItem>
            <MenuItem value="false">takes it back, or does not agree</MenuItem>
          </FormText>
          <FormText control={form.control} name="on" label="On" type="date" />
          <FormText
            control={form.control}
            name="how"
            label="How"
            help="For instance in person, or by letter"
            sx={{ gridColumn: '1 / -1' }}
          />
          <FormProblem form={form} sx={{ gridColumn: '1 / -1' }} />
          <Box>
            <SendButton form={form} variant="outlined">
              Write it down
            </SendButton>
          </Box>
        </SendForm>
      )}
      {rights.consents.length > 0 && (
        <List component="ol" aria-label="Written down so far" disablePadding>
          {rights.consents.map((consent, i) => (
            <Typography
              component="li"
              variant="body2"
              key={`${consent.on} ${i}`}
              sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
            >
              <b>
                {day(consent.on)}: {consent.given ? 'agreed' : 'taken back'}.
              </b>{' '}
              {consent.purpose}, {consent.how}; written down by {consent.by}
            </Typography>
          ))}
        </List>
      )}
    </Part>
  );
}

function SetAside({ id, rights, onChange }: { id: string; rights: Rights; onChange: (answer: Rights) => void }) {
  const is = rights.restricted !== null;
  const form = useSendForm({
    defaultValues: { why: '' },
    send: ({ why }) =>
      send(() =>
        api.PUT('/api/cases/{case}/restriction', {
          params: { path: { case: id } },
          body: { restricted: !is, why: why.trim() },
        }),
      ),
    onSent: (answer, { reset }) => {
      onChange(answer);
      reset();
    },
  });
  return (
    <Part title="Set the record aside">
      {rights.restricted === null ? (
        <Typography>
          For an athlete who disputes the record or objects to it: only owners can then see it, and nothing is decided
          or entered at the desk until it is settled. The phone keeps working.
        </Typography>
      ) : (
        <Alert severity="warning">
          Set aside since {moment(rights.restricted.at)}: {rights.restricted.why}
        </Alert>
      )}
      <SendForm form={form} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <FormText
          control={form.control}
          name="why"
          label={is ? 'How it was settled' : 'What the athlete asks for, and why'}
          sx={{ flex: 1, minWidth: 220 }}
        />
        <SendButton form={form} variant="outlined" sx={{ height: 37 }}>
          {is ? 'Take it up again' : 'Set it aside'}
        </SendButton>
      </SendForm>
      <FormProblem form={form} />
    </Part>
  );
}

function Erase({ id, rights }: { id: string; rights: Rights }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const form = useSendForm({
    defaultValues: { name: '', why: '' },
    send: ({ name, why }) =>
      send(() =>
        api.POST('/api/cases/{case}/erasure', {
          params: { path: { case: id } },
          body: { name: name.trim(), why: why.trim() },
        }),
      ),
    onSent: () => {
      queries.removeQueries({ queryKey: queryKeys.case(id) });
      void queries.invalidateQueries();
      void navigate('/closed');
    },
  });
  if (rights.is_unnamed)
    return (
      <Part title="Erase">
        <Typography>
          The name was taken from this record. What is left goes when the time of keeping is over (Practice, “Keeping
          records”).
        </Typography>
      </Part>
    );
  return (
    <Part title="Erase">
      <Typography>
        {rights.is_kept
          ? `The record must be kept ${rights.kept_years === null ? 'until your practice says for how long (Practice, “Keeping records”)' : `for ${rights.kept_years} years after the last case was closed`}. Until then it stays without the name: messages, papers, the sign-in and the phone’s access go, and the name goes out of every note.`
          : 'The time of keeping is over: everything goes, and nothing is left to look up.'}{' '}
        This cannot be undone, and still applies after a backup is restored.
      </Typography>
      {rights.has_open_case ? (
        <Alert severity="info">
          A case of this athlete is open. Close it first, so that nobody is treated without a record.
        </Alert>
      ) : (
        <SendForm form={form} sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
          <FormText control={form.control} name="name" fullWidth label="Type the athlete’s name" />
          <FormText control={form.control} name="why" fullWidth label="Who asked for it, and when" />
          <FormProblem form={form} />
          <SendButton form={form} color="error">
            {rights.is_kept ? 'Remove the name for good' : 'Erase for good'}
          </SendButton>
        </SendForm>
      )}
    </Part>
  );
}
