import Box from '@mui/material/Box';

import type { Schemas } from '../../api/client';
import { MODES } from '../library/words';

/** The kind of work by a shape: a bar that is held, a slope, a spring. */
export function ModeShape({ mode }: { mode: Schemas['Mode'] | undefined }) {
  const shape =
    mode === 'isometric'
      ? '▬'
      : mode === 'plyometric' || mode === 'running' || mode === 'throwing'
        ? '⌃'
        : mode === 'sport'
          ? '◆'
          : '◢';
  return (
    <Box
      component="span"
      aria-hidden="true"
      title={mode === undefined ? undefined : MODES[mode]}
      sx={{ color: 'primary.main', flex: 'none' }}
    >
      {shape}
    </Box>
  );
}
