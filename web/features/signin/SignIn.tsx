import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { Mark } from '../../charts/Mark';
import { SignInForm } from './SignInForm';

export function SignIn({ words, stay = false }: { words: string; stay?: boolean }) {
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Paper variant="outlined" sx={{ p: 4, width: '100%', maxWidth: 380 }}>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 0.5 }}>
          <Mark size={34} />
          <Typography variant="h1">Rung</Typography>
        </Box>
        <Typography color="textSecondary" sx={{ mb: 3 }}>
          {words}
        </Typography>
        <SignInForm stay={stay} />
        {!stay && (
          <Typography variant="body2" sx={{ mt: 2 }}>
            <Link href="/password" color="inherit">
              Forgotten your password?
            </Link>
          </Typography>
        )}
        {stay && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
            First time here, or the PIN is lost? Your practitioner makes an invitation: open its link, or{' '}
            <Link href="/athlete/join" color="inherit">
              type its code
            </Link>
            . Your plan and everything you entered are still there.
          </Typography>
        )}
      </Paper>
    </Box>
  );
}
