import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed, Loading } from '../../shell/States';

/** Two programmes or two rules, point by point; where they differ stands out. */
export function Compare({ kind, a, b }: { kind: 'programme' | 'rule'; a: string; b: string }) {
  const found = useQuery({
    queryKey: queryKeys.comparison(kind, a, b),
    queryFn: () => send(() => api.GET('/api/library/compare', { params: { query: { kind, a, b } } })),
  });
  if (found.isPending) return <Loading what="the comparison" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return (
    <Box
      component="table"
      aria-label={`${found.data.a} beside ${found.data.b}`}
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 14,
        '& td, & th': { textAlign: 'left', verticalAlign: 'top', p: 0.75, borderTop: 1, borderColor: 'divider' },
      }}
    >
      <thead>
        <tr>
          <th style={{ width: 150 }}>Point</th>
          <th>{found.data.a}</th>
          <th>{found.data.b}</th>
        </tr>
      </thead>
      <tbody>
        {found.data.points.map((point) => (
          <tr key={point.point}>
            <Box component="th" scope="row" sx={{ fontWeight: 400, color: 'text.secondary' }}>
              {point.point}
            </Box>
            {point.differs ? (
              <>
                <Box component="td" sx={{ fontWeight: 600 }}>
                  {point.a}
                </Box>
                <Box component="td" sx={{ fontWeight: 600 }}>
                  {point.b}
                </Box>
              </>
            ) : (
              <td colSpan={2}>
                <Typography component="span" variant="body2" color="textSecondary">
                  both:{' '}
                </Typography>
                {point.a}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
