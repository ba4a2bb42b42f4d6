import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { IfMay } from '../../shell/IfMay';
import { Compare } from './Compare';
import { Lines } from './ExerciseSheet';
import { Picks } from './Picks';
import { useCopy } from './useLibrary';
import type { Library } from './words';

/** The schools: whose view each is, its limits in words, and two side by side. */
export function Rules({ library }: { library: Library }) {
  const [a, setA] = useState(library.rules[0]?.key ?? '');
  const [b, setB] = useState('');
  const navigate = useNavigate();
  const copy = useCopy((kind, key) => void navigate(`/library/${kind}/${key}`));
  const shown = library.rules.find((rule) => rule.key === a) ?? library.rules[0];
  if (shown === undefined) return null;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '270px minmax(0, 1fr) 300px', gap: 1.5, alignItems: 'start' }}>
      <Picks
        label="Schools"
        picks={library.rules.map((rule) => ({
          ...rule,
          what: `${rule.points[1]?.words ?? ''}, stop ${rule.points.find((point) => point.point === 'Loading stops')?.words ?? ''}`,
        }))}
        chosen={shown.key}
        onChoose={setA}
      />
      <Paper variant="panel" component="section" aria-label={shown.title}>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
          <Typography variant="h2" sx={{ flex: 1 }}>
            {shown.title}
          </Typography>
          <TextField
            select
            label="Compare with"
            value={b === shown.key ? '' : b}
            onChange={(event) => setB(event.target.value)}
            sx={{ width: 220 }}
          >
            <MenuItem value="">no other</MenuItem>
            {library.rules
              .filter((rule) => rule.key !== shown.key)
              .map((rule) => (
                <MenuItem key={rule.key} value={rule.key}>
                  {rule.title}
                </MenuItem>
              ))}
          </TextField>
          <IfMay what="decide">
            {shown.version === null ? (
              <Button
                variant="outlined"
                loading={copy.isPending}
                onClick={() => copy.mutate({ kind: 'rule', key: shown.key })}
              >
                Copy
              </Button>
            ) : (
              <Button variant="outlined" onClick={() => void navigate(`/library/rule/${shown.key}`)}>
                Edit
              </Button>
            )}
          </IfMay>
        </Box>
        {b === '' || b === shown.key ? (
          <Lines lines={shown.points.map((point) => [point.point, point.words] as const)} />
        ) : (
          <Compare kind="rule" a={shown.key} b={b} />
        )}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
          No study fixes these limits. They are defaults: copy a rule to set your own.
        </Typography>
      </Paper>
      <Paper variant="panel" component="section" aria-label="Lint">
        <Typography variant="h2" sx={{ mb: 0.5 }}>
          What Rung points out
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
          In a prescription, without forbidding it.
        </Typography>
        {library.lint.map((note) => (
          <Typography key={note.key} variant="body2" sx={{ mb: 0.5 }}>
            <b>{note.title}.</b> {note.why}
          </Typography>
        ))}
      </Paper>
    </Box>
  );
}
