import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';

import type { Practice } from './People';

/** Which role may do what: the same table that the server decides by. */
export function RolesTable({ practice }: { practice: Practice }) {
  return (
    <Paper variant="outlined" component="section" aria-label="What each role may do" sx={{ p: 2.5 }}>
      <Typography variant="h2">What each role may do</Typography>
      <TableContainer>
        <Table size="small" sx={{ minWidth: 620 }}>
          <TableHead>
            <TableRow>
              <TableCell />
              {practice.roles.map((role) => (
                <TableCell key={role.key} align="center" title={role.words}>
                  {role.title}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {practice.permissions.map((permission) => (
              <TableRow key={permission.key}>
                <TableCell component="th" scope="row">
                  {permission.words}
                </TableCell>
                {practice.roles.map((role) => (
                  <TableCell
                    key={role.key}
                    align="center"
                    sx={role.may.includes(permission.key) ? { fontWeight: 600 } : { color: 'text.secondary' }}
                  >
                    {role.may.includes(permission.key) ? 'yes' : 'no'}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        An assistant sees only the cases assigned to them (“Who sees this case …” on the case).
      </Typography>
    </Paper>
  );
}
