import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';

const TABLES = [
  ['sessions', 'Sessions', 'when, worst pain, time to settle, signs'],
  ['sets', 'Sets', 'what was done of each exercise, set by set'],
  ['mornings', 'Mornings', 'the morning test, stiffness, signs'],
  ['tests', 'Tests', 'strength, range and counts, both sides'],
  ['scores', 'Scores', 'questionnaires'],
  ['decisions', 'Decisions', 'who decided what, and why'],
  ['plan', 'Plan', 'the doses in force'],
] as const;

/** What was logged, as tables for a spreadsheet. */
export function TablesDialog({
  of,
  path,
  onClose,
}: {
  of: string;
  path: (table: string) => string;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="tables">
      <DialogTitle id="tables">Tables of {of}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          For a spreadsheet (CSV, UTF-8). They hold health data: keep them accordingly. The record shows that you
          exported them.
        </Typography>
        <List disablePadding>
          {TABLES.map(([table, title, what]) => (
            <Box component="li" key={table} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
              <Link href={path(table)} download sx={{ fontWeight: 600 }}>
                {title}
              </Link>
              <Typography variant="body2" color="textSecondary">
                {what}
              </Typography>
            </Box>
          ))}
        </List>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
