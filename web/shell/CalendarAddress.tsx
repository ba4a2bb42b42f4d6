import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

/** The address of a calendar, to be opened by the calendar itself or copied. */
export function CalendarAddress({ path }: { path: string }) {
  const [copied, setCopied] = useState<boolean | null>(null);
  const address = window.location.origin + path;
  const copy = () => {
    const clipboard = navigator.clipboard as Clipboard | undefined;
    if (clipboard === undefined) {
      setCopied(false);
      return;
    }
    clipboard.writeText(address).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  };
  return (
    <Box sx={{ display: 'grid', gap: 1, mt: 1 }}>
      <Typography sx={{ overflowWrap: 'anywhere' }}>{address}</Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button href={address.replace(/^https?:/, 'webcal:')} variant="contained" sx={{ minHeight: 48 }}>
          Open in the calendar
        </Button>
        <Button onClick={copy} variant="outlined" sx={{ minHeight: 48 }}>
          Copy the address
        </Button>
      </Box>
      {copied !== null && (
        <Typography role="status">
          {copied ? 'Copied.' : 'It could not be copied: press long on the address.'}
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary">
        It is shown once; a new one ends it.
      </Typography>
    </Box>
  );
}
