import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode } from 'react';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { tellTabs } from '../../shell/tabs';
import { SecondFactor } from './SecondFactor';
import { FormPassword, FormProblem, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

type Account = Schemas['Account'];

/** The own account: the second factor, the password, where it is signed in, and in which practices. */
export default function AccountPage() {
  const found = useQuery({ queryKey: queryKeys.account, queryFn: () => send(() => api.GET('/api/account')) });
  const queries = useQueryClient();
  if (found.isPending) return <Loading what="your account" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  const set = (account: Account) => {
    queries.setQueryData(queryKeys.account, account);
  };
  return (
    <Box component="main" sx={{ maxWidth: 640, mx: 'auto', p: 3, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h1">{found.data.name}</Typography>
        <Typography color="textSecondary">Signs in with {found.data.email}</Typography>
      </Box>
      <SecondFactor
        account={found.data}
        onChange={set}
        onRetry={() => void queries.invalidateQueries({ queryKey: queryKeys.account })}
      />
      <Password account={found.data} onChange={set} />
      <SignIns account={found.data} onChange={set} />
      {found.data.places.length > 1 && <Places account={found.data} />}
    </Box>
  );
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Paper variant="outlined" component="section" aria-label={title} sx={{ p: 2.5, display: 'grid', gap: 1.5 }}>
      <Typography variant="h2">{title}</Typography>
      {children}
    </Paper>
  );
}

function Password({ account, onChange }: { account: Account; onChange: (account: Account) => void }) {
  const form = useSendForm({
    defaultValues: { current: '', password: '' },
    send: (body) => send(() => api.PUT('/api/account/password', { body })),
    onSent: (answer, { reset }) => {
      onChange(answer);
      reset();
    },
  });
  return (
    <Part title="Password">
      <Typography color="textSecondary">
        {account.password_changed_at === null
          ? 'Not changed since it was first set.'
          : `Changed on ${moment(account.password_changed_at)}.`}{' '}
        Changing it signs you out everywhere else.
      </Typography>
      <SendForm form={form} sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
        <FormPassword control={form.control} name="current" label="Current password" sx={{ width: '100%' }} />
        <FormPassword control={form.control} name="password" label="New password" isNew sx={{ width: '100%' }} />
        <FormProblem form={form} sx={{ width: '100%' }} />
        {form.answer !== undefined && (
          <Alert severity="success" sx={{ width: '100%' }}>
            Your password has been changed.
          </Alert>
        )}
        <SendButton form={form} variant="outlined">
          Change the password
        </SendButton>
      </SendForm>
    </Part>
  );
}

function SignIns({ account, onChange }: { account: Account; onChange: (account: Account) => void }) {
  const end = useMutation({
    mutationFn: (signIn: string) =>
      send(() => api.DELETE('/api/account/sign-ins/{signIn}', { params: { path: { signIn } } })),
    onSuccess: onChange,
  });
  return (
    <Part title="Where you are signed in">
      {account.sign_ins.map((signIn) => (
        <Box
          key={signIn.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Box sx={{ flex: 1 }}>
            <Typography variant="subtitle1">
              {signIn.device}
              {signIn.current && ', this one'}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {signIn.place === null ? '' : `from ${signIn.place} · `}last used {moment(signIn.last)}
            </Typography>
          </Box>
          {!signIn.current && (
            <Button
              loading={end.isPending && end.variables === signIn.id}
              onClick={() => end.mutate(signIn.id)}
              aria-label={`End the sign-in of ${signIn.device}, last used ${moment(signIn.last)}`}
            >
              End it
            </Button>
          )}
        </Box>
      ))}
      {end.isError && <Failed problem={end.error} />}
    </Part>
  );
}

function Places({ account }: { account: Account }) {
  const change = useMutation({
    mutationFn: (place: string) => send(() => api.POST('/api/account/place', { body: { place } })),
    // A new page in every tab: nothing of the other practice stays.
    onSuccess: () => {
      tellTabs('other-person');
      window.location.assign('/');
    },
  });
  return (
    <Part title="Your practices">
      {account.places.map((place) => (
        <Box
          key={place.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
        >
          <Typography sx={{ flex: 1 }}>
            <b>{place.practice}</b>, {place.role.toLowerCase()}
            {place.current && ': you are here'}
          </Typography>
          {!place.current && (
            <Button variant="outlined" loading={change.isPending} onClick={() => change.mutate(place.id)}>
              Go on in {place.practice}
            </Button>
          )}
        </Box>
      ))}
      {change.isError && <Failed problem={change.error} />}
    </Part>
  );
}
