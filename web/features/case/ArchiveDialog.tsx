import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';

import { api, send } from '../../api/client';
import { MadeFile } from '../../shell/MadeFile';

/** All that is kept of an athlete, in one archive; for the owner of the practice. */
export function ArchiveDialog({ id, athlete, close }: { id: string; athlete: string; close: () => void }) {
  return (
    <Dialog open onClose={close} maxWidth="xs" fullWidth aria-labelledby="archive">
      <DialogTitle id="archive">All data of {athlete}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>Every case, open and closed: case file, health record (FHIR), tables and signed papers, in one zip archive. It holds health data: keep it as such. That you took it out stands in the record.</Typography>
        <MadeFile label="Make the archive" ask={() => send(() => api.POST('/api/cases/{case}/archive', { params: { path: { case: id } } }))} />
      </DialogContent>
      <DialogActions><Button onClick={close}>Close</Button></DialogActions>
    </Dialog>
  );
}
