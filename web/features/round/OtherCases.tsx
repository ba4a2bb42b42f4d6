import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

/** Cases of colleagues that the person does not see. One can be opened with a reason, which the owner reads. */
export function OtherCases({ search, onClose }: { search: string; onClose: () => void }) {
  const found = useQuery({
    queryKey: queryKeys.otherCases(search),
    queryFn: () => send(() => api.GET('/api/other-cases', { params: { query: { search } } })),
  });
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="other-cases">
      <DialogTitle id="other-cases">Cases of colleagues: “{search}”</DialogTitle>
      <DialogContent dividers sx={{ display: 'grid', gap: 1 }}>
        {found.isPending && <Loading what="the cases" />}
        {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
        {found.data?.cases.length === 0 && <Typography>No open case of the practice has that name either.</Typography>}
        {found.data?.cases.map((careCase) => (
          <Box key={careCase.id} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <Typography sx={{ flex: 1 }}>
                <b>{careCase.athlete}</b>, {careCase.structure}, with {careCase.practitioner}
              </Typography>
              {chosen !== careCase.id && (
                <Button
                  onClick={() => setChosen(careCase.id)}
                  aria-label={`Open the case of ${careCase.athlete} with a reason`}
                >
                  Open with a reason …
                </Button>
              )}
            </Box>
            {chosen === careCase.id && <OpenIt id={careCase.id} practitioner={careCase.practitioner} />}
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function OpenIt({ id, practitioner }: { id: string; practitioner: string }) {
  const navigate = useNavigate();
  const form = useSendForm({
    defaultValues: { reason: '' },
    send: (body) => send(() => api.POST('/api/other-cases/{other}/opening', { params: { path: { other: id } }, body })),
    onSent: () => void navigate(`/cases/${id}`),
  });
  return (
    <SendForm form={form} sx={{ display: 'grid', gap: 1, mt: 1 }}>
      <Alert severity="warning">
        For when there is no time to ask {practitioner}. It is open to you until tomorrow night; the owner of the
        practice reads your reason, and the athlete sees that you looked.
      </Alert>
      <FormText control={form.control} name="reason" label="Why you cannot wait" autoFocus multiline minRows={2} />
      <FormProblem form={form} />
      <Box>
        <SendButton form={form}>Open it</SendButton>
      </Box>
    </SendForm>
  );
}
