import Box from '@mui/material/Box';
import { Fragment } from 'react';

import type { Schemas } from '../../api/client';
import { day } from '../../shell/dates';

/** The numbers that a proposal rests on, each against its limit; what is beyond it is marked by more than colour. */
export function Grounds({ grounds }: { grounds: readonly Schemas['Ground'][] }) {
  if (grounds.length === 0) return null;
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 13,
        my: 0.75,
        '& td, & th': { py: '1px', pr: 1, textAlign: 'left', verticalAlign: 'top', fontWeight: 400 },
      }}
    >
      <thead>
        <tr>
          <Box component="td" />
          <Box component="th" scope="col" sx={{ color: 'text.secondary' }}>
            Value
          </Box>
          <Box component="th" scope="col" sx={{ color: 'text.secondary' }}>
            Limit
          </Box>
        </tr>
      </thead>
      <tbody>
        {grounds.map((ground, i) => {
          const fresh = ground.on !== null && ground.on !== grounds[i - 1]?.on;
          return (
            <Fragment key={ground.what + String(i)}>
              {fresh && (
                <tr>
                  <Box component="th" scope="colgroup" colSpan={3} sx={{ '&&': { fontWeight: 600, pt: 0.5 } }}>
                    {day(ground.on ?? '')}
                  </Box>
                </tr>
              )}
              <tr>
                <Box component="th" scope="row" sx={{ color: 'text.secondary' }}>
                  {ground.what}
                </Box>
                <Box
                  component="td"
                  sx={{
                    whiteSpace: 'nowrap',
                    ...(ground.beyond ? { color: 'over.main', '&&': { fontWeight: 600 } } : {}),
                  }}
                >
                  {ground.value}
                  {ground.beyond ? ' !' : ''}
                </Box>
                <Box component="td" sx={{ color: 'text.secondary' }}>
                  {ground.limit}
                </Box>
              </tr>
            </Fragment>
          );
        })}
      </tbody>
    </Box>
  );
}
