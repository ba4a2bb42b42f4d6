import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import type { Preview } from './useMeasures';

/** What the tries say together, and what would follow from them. */
export function Said({ preview, bothSides }: { preview: Preview; bothSides: boolean }) {
  const parts = [
    ...(preview.symmetry_percent === null
      ? []
      : [`${bothSides ? 'Weaker against stronger side' : 'Sore against other side'}: ${preview.symmetry_percent} %`]),
    ...(preview.moment_nm === null ? [] : [`Moment ${preview.moment_nm} Nm`]),
  ];
  return (
    <>
      {parts.length > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          <b>{parts.join(' · ')}</b>
        </Typography>
      )}
      {preview.loads.length > 0 && (
        <Box component="details" sx={{ fontSize: '0.875rem', mt: 0.5 }}>
          <summary>Maximum {preview.affected?.best} kg on the sore side: what could be lifted how often</summary>
          <Box
            component="table"
            aria-label="Loads by repetitions"
            sx={{ '& td, & th': { px: 1, textAlign: 'right' }, borderCollapse: 'collapse' }}
          >
            <tbody>
              {[preview.loads.slice(0, 10), preview.loads.slice(10)].map((half, i) => (
                <tr key={i}>
                  {half.map((row) => (
                    <td key={row.reps}>
                      <Box component="span" sx={{ color: 'text.secondary' }}>
                        {row.reps} RM
                      </Box>
                      <br />
                      {row.load_kg} kg
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      )}
      {preview.follows.length > 0 && (
        <Alert severity="info" icon={false} sx={{ mt: 0.5, py: 0 }}>
          By this: {preview.follows.map((follow) => `${follow.title}: ${follow.words}`).join('; ')}. Nothing changes by
          itself; prescribe it if it is to count.
        </Alert>
      )}
    </>
  );
}
