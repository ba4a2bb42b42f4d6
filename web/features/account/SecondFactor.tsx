import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { QrCode } from '../../charts/QrCode';
import { moment } from '../../shell/dates';
import { Failed } from '../../shell/States';
import { Part } from './AccountPage';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

const FEW = 3;

/** A code from an app beside the password: set up by a picture that the phone reads, with codes to write down for when the phone is lost. */
export function SecondFactor({
  account,
  onChange,
  onRetry,
}: {
  account: Schemas['Account'];
  onChange: (account: Schemas['Account']) => void;
  onRetry: () => void;
}) {
  const { since, recovery_left: left, needed } = account.second_factor;
  const queries = useQueryClient();
  const [codes, setCodes] = useState<string[] | null>(null);
  const begin = useMutation({ mutationFn: () => send(() => api.POST('/api/account/second-factor')) });
  const renew = useMutation({
    mutationFn: () => send(() => api.POST('/api/account/recovery-codes')),
    onSuccess: (answer) => {
      setCodes(answer.recovery_codes);
      onRetry();
    },
  });
  const remove = useMutation({
    mutationFn: () => send(() => api.DELETE('/api/account/second-factor')),
    onSuccess: onChange,
  });
  const problem = begin.error ?? renew.error ?? remove.error;
  if (codes !== null) {
    // The page behind may have waited for this.
    return (
      <RecoveryCodes
        codes={codes}
        onDone={() => {
          setCodes(null);
          onRetry();
          void queries.invalidateQueries({ queryKey: queryKeys.session });
        }}
      />
    );
  }
  return (
    <Part title="Second factor">
      {since === null && begin.data === undefined && (
        <>
          <Typography>
            With a second factor, your password alone is not enough: signing in also asks for a code from an app on your
            phone, which changes every 30 seconds. Any app that makes such codes will do.
          </Typography>
          <Box>
            <Button variant="contained" loading={begin.isPending} onClick={() => begin.mutate()}>
              Set it up
            </Button>
          </Box>
        </>
      )}
      {begin.data !== undefined && (
        <FirstCode
          address={begin.data.address}
          secret={begin.data.secret}
          onDone={(made) => {
            begin.reset();
            setCodes(made);
          }}
        />
      )}
      {since !== null && begin.data === undefined && (
        <>
          <Typography>
            On since {moment(since)}. {left} recovery codes are left.
          </Typography>
          {left < FEW && (
            <Alert severity="warning">Make new recovery codes: without your phone they are the only way in.</Alert>
          )}
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant="outlined" loading={renew.isPending} onClick={() => renew.mutate()}>
              New recovery codes
            </Button>
            <Button variant="outlined" loading={begin.isPending} onClick={() => begin.mutate()}>
              Another phone
            </Button>
            {!needed && (
              <Button loading={remove.isPending} onClick={() => remove.mutate()}>
                Take it off
              </Button>
            )}
          </Box>
        </>
      )}
      {problem !== null && <Failed problem={problem} />}
    </Part>
  );
}

function FirstCode({
  address,
  secret,
  onDone,
}: {
  address: string;
  secret: string;
  onDone: (codes: string[]) => void;
}) {
  const form = useSendForm({
    defaultValues: { code: '' },
    send: (body) => send(() => api.PUT('/api/account/second-factor', { body })),
    onSent: (answer) => onDone(answer.recovery_codes),
  });
  return (
    <SendForm form={form} sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '200px 1fr' }, gap: 2 }}>
      <QrCode text={address} label="The secret, for the camera of your phone" size={200} />
      <Box sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
        <Typography>1. Read the picture with the app. Without a camera, type this secret into it:</Typography>
        <Typography component="code" aria-label="The secret" sx={{ overflowWrap: 'anywhere', userSelect: 'all' }}>
          {secret.match(/.{1,4}/g)?.join(' ')}
        </Typography>
        <Typography>2. Type the six digits that it shows.</Typography>
        <FormText
          control={form.control}
          name="code"
          label="Code"
          autoComplete="one-time-code"
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <FormProblem form={form} />
        <SendButton form={form}>That is the code</SendButton>
      </Box>
    </SendForm>
  );
}

function RecoveryCodes({ codes, onDone }: { codes: string[]; onDone: () => void }) {
  return (
    <Part title="Write these down">
      <Typography>
        Each of these codes lets you in once when your phone is lost. They are shown only now: print them or write them
        down, and keep them apart from the phone.
      </Typography>
      <Box
        component="ol"
        aria-label="Recovery codes"
        sx={{
          columns: 2,
          m: 0,
          fontFamily: 'monospace',
          fontSize: 17,
          lineHeight: 1.8,
          bgcolor: 'background.default',
          p: 2,
          pl: 5,
          borderRadius: 1,
        }}
      >
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="contained" onClick={onDone}>
          I have them
        </Button>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
    </Part>
  );
}
