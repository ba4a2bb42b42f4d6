import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { useMay } from '../../shell/useSignedIn';
import type { Case } from './useCase';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

type Shares = Schemas['Shares'];

/** Whose the case is, who else sees it, and handing it over. */
export function SharingDialog({ found, onClose }: { found: Case; onClose: () => void }) {
  const key = queryKeys.shares(found.id);
  const shares = useQuery({
    queryKey: key,
    queryFn: () => send(() => api.GET('/api/cases/{case}/shares', { params: { path: { case: found.id } } })),
  });
  const queries = useQueryClient();
  const may = useMay();
  const set = (answer: Shares) => {
    queries.setQueryData(key, answer);
  };
  const end = useMutation({
    mutationFn: (share: string) =>
      send(() => api.DELETE('/api/cases/{case}/shares/{share}', { params: { path: { case: found.id, share } } })),
    onSuccess: set,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="sharing">
      <DialogTitle id="sharing">{found.athlete.name}: who sees this case</DialogTitle>
      <DialogContent dividers sx={{ display: 'grid', gap: 1.5 }}>
        {shares.isPending && <Loading what="who sees it" />}
        {shares.isError && <Failed problem={shares.error} onRetry={() => void shares.refetch()} />}
        {shares.data !== undefined && (
          <>
            <Typography>
              <b>{shares.data.practitioner.name}</b> treats it.{' '}
              {shares.data.open_to_all
                ? 'Practitioners and readers of your practice see every case; assistants see those that are assigned to them.'
                : 'Beside the owners, these people see it:'}
            </Typography>
            {shares.data.shares.map((share) => (
              <Box
                key={share.id}
                sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', pt: 1 }}
              >
                <Box sx={{ flex: 1 }}>
                  <Typography>
                    <b>{share.name}</b>, {share.role.toLowerCase()}
                    {share.until !== null && `, until ${day(share.until)}`}
                  </Typography>
                  <Typography variant="body2" color="textSecondary">
                    {share.kind === 'opened' ? `opened it: “${share.reason ?? ''}”` : `shared by ${share.by}`}
                  </Typography>
                </Box>
                {may('decide') && (
                  <Button
                    loading={end.isPending && end.variables === share.id}
                    onClick={() => end.mutate(share.id)}
                    aria-label={`Stop sharing with ${share.name}`}
                  >
                    End it
                  </Button>
                )}
              </Box>
            ))}
            {end.isError && <Failed problem={end.error} />}
            {may('decide') && <Share id={found.id} shares={shares.data} onChange={set} />}
            {may('decide') && found.closed_on === null && (
              <HandOver id={found.id} shares={shares.data} onClose={onClose} />
            )}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

const others = (shares: Shares): Shares['colleagues'] =>
  shares.colleagues.filter((colleague) => colleague.id !== shares.practitioner.id);

function Share({ id, shares, onChange }: { id: string; shares: Shares; onChange: (answer: Shares) => void }) {
  const form = useSendForm({
    defaultValues: { user: '', until: '' },
    send: ({ user, until }) =>
      send(() =>
        api.POST('/api/cases/{case}/shares', {
          params: { path: { case: id } },
          body: { user, until: until === '' ? null : until },
        }),
      ),
    onSent: (answer, { reset }) => {
      onChange(answer);
      reset();
    },
  });
  return (
    <SendForm
      form={form}
      sx={{
        display: 'flex',
        gap: 1,
        alignItems: 'flex-start',
        flexWrap: 'wrap',
        borderTop: 1,
        borderColor: 'divider',
        pt: 2,
      }}
    >
      <FormText control={form.control} name="user" select label="Share with" sx={{ flex: 1, minWidth: 180 }}>
        {others(shares).map((other) => (
          <MenuItem key={other.id} value={other.id}>
            {other.name}, {other.role.toLowerCase()}
          </MenuItem>
        ))}
      </FormText>
      <FormText control={form.control} name="until" label="Until" type="date" help="empty: until you end it" />
      <SendButton form={form} variant="outlined" sx={{ height: 37 }}>
        Share
      </SendButton>
      <FormProblem form={form} />
    </SendForm>
  );
}

function HandOver({ id, shares, onClose }: { id: string; shares: Shares; onClose: () => void }) {
  const queries = useQueryClient();
  const form = useSendForm({
    defaultValues: { to: '', note: '' },
    send: ({ to, note }) =>
      send(() =>
        api.PUT('/api/cases/{case}/practitioner', { params: { path: { case: id } }, body: { to, note: note.trim() } }),
      ),
    onSent: () => {
      onClose();
      void queries.invalidateQueries();
    },
  });
  return (
    <SendForm form={form} sx={{ display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <FormText control={form.control} name="to" select label="Hand over to">
        {others(shares)
          .filter((other) => other.treats)
          .map((other) => (
            <MenuItem key={other.id} value={other.id}>
              {other.name}
            </MenuItem>
          ))}
      </FormText>
      {form.watch('to') !== '' && (
        <>
          <FormText control={form.control} name="note" label="Note for the record" multiline minRows={2} />
          {!shares.open_to_all && (
            <Alert severity="info">
              It is theirs from then on. You will no longer see it unless they share it with you.
            </Alert>
          )}
          <Box>
            <SendButton form={form}>Hand it over</SendButton>
          </Box>
        </>
      )}
      <FormProblem form={form} />
    </SendForm>
  );
}
