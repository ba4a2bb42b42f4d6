import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';

import { IfMay } from '../../shell/IfMay';
import { useCopy } from './useLibrary';
import { type Library, MEASURE_KINDS } from './words';

/** What can be measured, by kind: how it is taken, and copied to be changed. */
export function Measures({ library }: { library: Library }) {
  const navigate = useNavigate();
  const copy = useCopy((kind, key) => void navigate(`/library/${kind}/${key}`));
  const titleOf = (key: string) => library.structures.find((structure) => structure.key === key)?.title ?? key;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'repeat(2, minmax(0, 1fr))' },
        alignItems: 'start',
      }}
    >
      {Object.entries(MEASURE_KINDS).map(([kind, title]) => {
        const found = library.measures.filter((measure) => measure.kind === kind);
        return found.length === 0 ? null : (
          <Paper key={kind} variant="panel" component="section" aria-label={`Measures: ${title}`}>
            <Typography variant="h2">
              {title.slice(0, 1).toUpperCase()}
              {title.slice(1)}
            </Typography>
            {found.map((item) => (
              <Box
                key={item.key}
                sx={{ display: 'flex', gap: 1, borderTop: 1, borderColor: 'divider', py: 0.75, mt: 0.5 }}
              >
                <Box sx={{ flex: 1 }}>
                  <Typography>
                    <b>{item.title}</b>, {item.unit}
                    {item.version !== null && ' · our own'}
                  </Typography>
                  <Typography variant="body2" color="textSecondary">
                    {item.instruction}
                  </Typography>
                  <Typography variant="body2">
                    {item.words}
                    {item.structures.length > 0 && `. Proposed for: ${item.structures.map(titleOf).join(', ')}`}.
                  </Typography>
                </Box>
                <IfMay what="decide">
                  {item.version === null ? (
                    <Button
                      aria-label={`Copy ${item.title}`}
                      loading={copy.isPending && copy.variables.key === item.key}
                      onClick={() => copy.mutate({ kind: 'measure', key: item.key })}
                    >
                      Copy
                    </Button>
                  ) : (
                    <Button
                      aria-label={`Edit ${item.title}`}
                      onClick={() => void navigate(`/library/measure/${item.key}`)}
                    >
                      Edit
                    </Button>
                  )}
                </IfMay>
              </Box>
            ))}
          </Paper>
        );
      })}
    </Box>
  );
}
