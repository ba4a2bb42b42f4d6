import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { PegMark } from '../../charts/Ladder';

export const NAMES = { met: 'met', not_yet: 'not yet', no_data: 'no data' } as const;

/** The criteria of the gate, each with its peg, its value and what is needed. */
export function PegList({ pegs }: { pegs: readonly Pick<Schemas['Peg'], 'type' | 'state' | 'words'>[] }) {
  return (
    <List disablePadding>
      {pegs.map((peg, i) => (
        <Box
          component="li"
          key={peg.type + String(i)}
          sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', py: 0.4 }}
        >
          <svg width={16} height={20} role="img" aria-label={NAMES[peg.state]} style={{ flex: 'none' }}>
            <PegMark state={peg.state} x={8} y={10} r={5} />
          </svg>
          <Typography variant="body2">
            {peg.words[0]?.toUpperCase()}
            {peg.words.slice(1)}
          </Typography>
        </Box>
      ))}
    </List>
  );
}
