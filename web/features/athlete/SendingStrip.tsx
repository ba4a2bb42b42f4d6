import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { SIGN_IN_WANTED } from '../../api/client';
import { type Sending, takeOut, tryAgain, useSendingState } from '../../phone/outbox';
import { useIsFull } from '../../phone/store';
import { useOutbox } from '../../phone/usePhone';
import { isBegun, useRun } from './run';

const HOW: Record<Sending, string> = {
  idle: 'sent soon',
  sending: 'being sent',
  away: 'no reception',
  signed_out: 'sign in to send',
  failing: 'tried again soon',
};

/** How the sending stands, always in sight; "all sent" only where the server has everything and has said so. */
export function SendingStrip({ person, offline, fresh }: { person: string; offline: boolean; fresh: boolean }) {
  const sending = useSendingState();
  const run = useRun(person);
  const waiting = useOutbox(person).filter((item) => item.sent !== true);
  const full = useIsFull();
  const [open, setOpen] = useState(false);
  const refused = waiting.filter((item) => item.refused !== undefined);
  const bad = full || refused.length > 0;
  const words = full
    ? 'This phone is full: make room'
    : refused.length > 0
      ? `${refused.length} not taken: look`
      : waiting.length > 0
        ? `${waiting.length} kept on this phone, ${offline && sending !== 'signed_out' ? 'no reception' : HOW[sending]}`
        : offline
          ? 'No reception: everything still works'
          : sending === 'signed_out'
            ? 'Signed out: sign in to go on'
            : run !== null && isBegun(run)
              ? 'Session under way, kept on this phone'
              : fresh
                ? 'All sent'
                : 'Looking for what is new';
  const isSure = words === 'All sent';
  return (
    <Box
      sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper', '@media print': { display: 'none' } }}
    >
      <Box
        component="button"
        type="button"
        aria-expanded={open}
        onClick={() => {
          if (sending === 'signed_out') window.dispatchEvent(new Event(SIGN_IN_WANTED));
          else setOpen(!open);
        }}
        disabled={waiting.length === 0 && sending !== 'signed_out'}
        sx={{
          width: '100%',
          minHeight: waiting.length > 0 || sending === 'signed_out' ? 44 : 32,
          border: 0,
          bgcolor: 'transparent',
          font: 'inherit',
          fontSize: '0.875rem',
          color: bad ? 'over.main' : 'text.secondary',
          fontWeight: bad ? 600 : 400,
        }}
      >
        <span role="status">
          {bad ? '! ' : waiting.length > 0 ? '↑ ' : isSure ? '✓ ' : '○ '}
          {words}
        </span>
      </Box>
      {open &&
        waiting.map((item) => (
          <Box key={item.what + item.id} sx={{ px: 2, py: 0.75, borderTop: 1, borderColor: 'divider' }}>
            <Typography variant="subtitle1">
              {item.title}, entered {item.made_at.slice(8, 10)}.{item.made_at.slice(5, 7)}. {item.made_at.slice(11, 16)}
            </Typography>
            {item.refused === undefined ? (
              <Typography variant="body2" color="textSecondary">
                Waits to be sent.
              </Typography>
            ) : (
              <>
                <Typography variant="body2" color="error">
                  {item.refused}
                </Typography>
                <Button onClick={() => void tryAgain(item)}>Send again</Button>
                <Button color="inherit" onClick={() => void takeOut(item)}>
                  Discard it
                </Button>
              </>
            )}
          </Box>
        ))}
    </Box>
  );
}
