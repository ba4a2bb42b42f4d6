import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';

import { audioClock } from '../../pacer/sound';
import { useAwake } from '../../pacer/usePacer';

/** The rest between sets, counted down to a tone; it goes on while the page is away. */
export function Rest({
  until,
  seconds,
  loud,
  next,
  onOver,
}: {
  until: number;
  seconds: number;
  loud: boolean;
  next: string;
  onOver: () => void;
}) {
  const [left, setLeft] = useState(() => Math.max(0, (until - Date.now()) / 1000));
  const sounded = useRef(false);
  const ended = useRef(onOver);
  useEffect(() => {
    ended.current = onOver;
  });
  useAwake(true);
  useEffect(() => {
    const timer = setInterval(() => {
      const now = Math.max(0, (until - Date.now()) / 1000);
      setLeft(now);
      if (now <= 0 && !sounded.current) {
        sounded.current = true;
        const clock = audioClock(loud);
        clock.play('end', clock.now() + 0.02);
        ended.current();
      }
    }, 250);
    return () => clearInterval(timer);
  }, [until, loud]);
  return (
    <Box component="section" aria-label="Rest" sx={{ textAlign: 'center' }}>
      <Typography component="p" variant="subtitle1" sx={{ fontSize: '1.625rem' }}>
        Rest
      </Typography>
      <Typography
        component="p"
        role="timer"
        aria-label={`${Math.ceil(left)} seconds of rest left`}
        variant="subtitle1"
        sx={{ fontSize: '4rem', lineHeight: 1.1 }}
      >
        {Math.ceil(left)} s
      </Typography>
      <Box sx={{ height: 10, borderRadius: 5, bgcolor: 'divider', overflow: 'hidden', my: 1.5 }}>
        <Box
          sx={{ height: 1, bgcolor: 'primary.main', width: `${Math.min(100, (100 * left) / Math.max(1, seconds))}%` }}
        />
      </Box>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Next: {next}
      </Typography>
      <Button variant="outlined" fullWidth onClick={onOver} size="main">
        Go on now
      </Button>
    </Box>
  );
}
