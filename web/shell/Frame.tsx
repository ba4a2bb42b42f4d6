import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { type ReactNode, useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { Mark } from '../charts/Mark';
import { KEYS, useKey } from './keys';
import { Failed } from './States';
import { type User, useSignOut } from './useSignedIn';

/** The bar over every page of the desk. */
export function Frame({ user, children }: { user: User; children: ReactNode }) {
  const [keys, setKeys] = useState(false);
  const signOut = useSignOut();
  useKey('?', () => setKeys(true));

  return (
    <>
      <Box
        component="header"
        sx={{
          display: 'flex',
          alignItems: 'center',
          flexWrap: { xs: 'wrap', sm: 'nowrap' },
          gap: { xs: 0.5, sm: 2 },
          px: 2,
          minHeight: 48,
          borderBottom: 1,
          borderColor: 'divider',
          bgcolor: 'background.paper',
          '@media print': { display: 'none' },
        }}
      >
        <Box
          component={RouterLink}
          to="/"
          sx={{ display: 'flex', alignItems: 'center', gap: 1, color: 'inherit', textDecoration: 'none' }}
        >
          <Mark size={24} />
          <Typography component="span" variant="subtitle1" sx={{ fontSize: 18 }}>
            Rung
          </Typography>
        </Box>
        <Box
          component="nav"
          aria-label="Pages"
          sx={{
            display: 'flex',
            gap: 0.5,
            flex: { xs: '1 0 100%', sm: 1 },
            order: { xs: 1, sm: 0 },
            minWidth: 0,
            overflowX: 'auto',
            '& a': { whiteSpace: 'nowrap', minWidth: 0, flex: 'none' },
          }}
        >
          <Button component={RouterLink} to="/">
            Round
          </Button>
          <Button component={RouterLink} to="/week">
            Week
          </Button>
          {user.may.includes('decide') && (
            <Button component={RouterLink} to="/new">
              New case
            </Button>
          )}
          <Button component={RouterLink} to="/messages">
            Messages
          </Button>
          <Button component={RouterLink} to="/library">
            Library
          </Button>
          <Button component={RouterLink} to="/caseload">
            Caseload
          </Button>
          <Button component={RouterLink} to="/closed">
            Closed cases
          </Button>
        </Box>
        <Button
          component={RouterLink}
          to="/practice"
          color="inherit"
          sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}
        >
          <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
            {user.practice}
          </Box>
          <Box component="span" sx={{ display: { md: 'none' } }}>
            Practice
          </Box>
        </Button>
        <Button
          component={RouterLink}
          to="/account"
          color="inherit"
          sx={{ whiteSpace: 'nowrap', fontWeight: 400 }}
          aria-label={`Your account: ${user.name}`}
        >
          <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
            {user.name}
          </Box>
          <Box component="span" sx={{ display: { md: 'none' } }}>
            Account
          </Box>
        </Button>
        <Button onClick={() => setKeys(true)} aria-label="Keys">
          ?
        </Button>
        <Button onClick={() => signOut.mutate()} loading={signOut.isPending} sx={{ whiteSpace: 'nowrap' }}>
          Sign out
        </Button>
      </Box>
      {signOut.isError && <Failed problem={signOut.error} onRetry={() => signOut.mutate()} />}
      {children}
      <Dialog open={keys} onClose={() => setKeys(false)} aria-labelledby="keys">
        <DialogTitle id="keys">Keys</DialogTitle>
        <DialogContent>
          <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 3, rowGap: 1, m: 0 }}>
            {KEYS.map(([key, what]) => (
              <Box key={key} sx={{ display: 'contents' }}>
                <Typography component="dt" variant="subtitle1">
                  {key}
                </Typography>
                <Typography component="dd" sx={{ m: 0 }}>
                  {what}
                </Typography>
              </Box>
            ))}
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}
