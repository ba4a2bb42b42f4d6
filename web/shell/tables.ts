import type { Theme } from '@mui/material/styles';

/** A table whose rows stand as blocks on a phone, where columns would be crushed. */
export const stackedOnPhones = (theme: Theme) => ({
  [theme.breakpoints.down('sm')]: {
    '& thead': { display: 'none' },
    '& tbody tr': {
      display: 'block',
      padding: theme.spacing(1, 0),
      borderBottom: `1px solid ${theme.palette.divider}`,
    },
    '& td': { display: 'block', borderBottom: 0, padding: theme.spacing(0.25, 0), textAlign: 'left' },
  },
});
