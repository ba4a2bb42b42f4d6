import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { HookChart } from '../../charts/Hook';
import { day } from '../../shell/dates';
import type { Case } from './useCase';

type Span = 'fortnight' | 'stage' | 'all';

const minus = (iso: string, days: number): string =>
  new Date(new Date(`${iso}T12:00:00Z`).getTime() - days * 86_400_000).toISOString().slice(0, 10);

/** The hooks over a span, with the morning test on the same days. */
export function Story({ found }: { found: Case }) {
  const [span, setSpan] = useState<Span>('fortnight');
  const [chosen, setChosen] = useState<string | null>(null);
  const today = found.standing.today;
  const from = { fortnight: minus(today, 13), stage: found.stage_from, all: found.opened_on }[span];
  const told = found.hooks.find((hook) => hook.session === chosen) ?? found.hooks.at(-1);

  return (
    <Paper variant="outlined" component="section" aria-label="Sessions" sx={{ p: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 0.5 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>Sessions and mornings</Typography>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={span}
          onChange={(_, value: Span | null) => { if (value !== null) setSpan(value); }}
          aria-label="Span"
        >
          <ToggleButton value="fortnight">14 days</ToggleButton>
          <ToggleButton value="stage">Stage</ToggleButton>
          <ToggleButton value="all">All</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      <HookChart hooks={found.hooks} scores={found.scores} from={from} to={today} limit={found.rule.during_max} chosen={chosen} choose={setChosen} />
      <Typography variant="body2" color="textSecondary" sx={{ minHeight: 40 }}>
        {told === undefined
          ? 'No session yet. The first will stand here with its next morning.'
          : `${day(told.on)}: ${told.words}`}
      </Typography>
      <Typography variant="caption" color="textSecondary">
        Stem: baseline to worst pain in the session, 0–10. Hook: to the next morning’s test. Dot: back at baseline. Ring: above it. Cross: stop. Dotted line: morning test.
      </Typography>
    </Paper>
  );
}
