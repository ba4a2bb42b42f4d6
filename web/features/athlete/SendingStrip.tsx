import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { takeOut, tryAgain } from '../../phone/outbox';
import { useIsFull } from '../../phone/store';
import { useOutbox } from '../../phone/useToday';

/** How the sending stands, always in sight: all sent, waiting, refused, no room. */
export function SendingStrip({ person, offline }: { person: string; offline: boolean }) {
  const waiting = useOutbox(person).filter((one) => one.sent !== true);
  const full = useIsFull();
  const [open, setOpen] = useState(false);
  const refused = waiting.filter((one) => one.refused !== undefined);
  const bad = full || refused.length > 0;
  const words = full ? 'This phone is full: make room'
    : refused.length > 0 ? `${refused.length} not taken: look`
      : waiting.length > 0 ? `${waiting.length} kept on this phone, ${offline ? 'no reception' : 'being sent'}`
        : offline ? 'No reception: it works all the same' : 'All sent';
  return (
    <Box sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper' }}>
      <Box
        component="button"
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        disabled={waiting.length === 0}
        sx={{ width: '100%', minHeight: 32, border: 0, bgcolor: 'transparent', font: 'inherit', fontSize: 14, color: bad ? 'over.main' : 'text.secondary', fontWeight: bad ? 600 : 400 }}
      >
        <span role="status">{bad ? '! ' : waiting.length > 0 ? '↑ ' : offline ? '○ ' : '✓ '}{words}</span>
      </Box>
      {open && waiting.map((one) => (
        <Box key={one.what + one.id} sx={{ px: 2, py: 0.75, borderTop: 1, borderColor: 'divider' }}>
          <Typography sx={{ fontWeight: 600 }}>{one.title}, entered {one.made_at.slice(8, 10)}.{one.made_at.slice(5, 7)}. {one.made_at.slice(11, 16)}</Typography>
          {one.refused === undefined
            ? <Typography variant="body2" color="textSecondary">Waits to be sent.</Typography>
            : (
              <>
                <Typography variant="body2" color="error">{one.refused}</Typography>
                <Button onClick={() => tryAgain(one)}>Send again</Button>
                <Button color="inherit" onClick={() => takeOut(one)}>Discard it</Button>
              </>
            )}
        </Box>
      ))}
    </Box>
  );
}
