import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { type Measure, MEASURES, StoryChart } from '../../charts/StoryChart';
import { plusDays } from '../../shell/dates';
import { useSettled } from '../../shell/useSettled';
import { SessionCard } from './SessionCard';
import type { Case } from './useCase';

type Span = 'fortnight' | 'six' | 'stage' | 'all';

const SPANS: [Span, string][] = [
  ['fortnight', '14 days'],
  ['six', '6 weeks'],
  ['stage', 'Stage'],
  ['all', 'All'],
];

/** Before a session that the pointer passes over is asked for, in milliseconds. */
const PASSING = 120;

/** The hooks over a span with test, stiffness and load on the same days, and one session in full. */
export function Story({ found, lit }: { found: Case; lit: readonly { on: string; fits: boolean }[] }) {
  const [span, setSpan] = useState<Span>('fortnight');
  const [chosen, setChosen] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const [picked, setPicked] = useState<Measure | null>(null);
  const today = found.standing.today;
  const opened = found.hooks[0]?.on ?? found.opened_on;
  const from = {
    fortnight: plusDays(today, -13),
    six: plusDays(today, -41),
    stage: found.stage_from,
    all: opened < found.opened_on ? opened : found.opened_on,
  }[span];
  const measures = (Object.keys(MEASURES) as Measure[]).filter((measure) =>
    found.loads.some((load) => load[measure] > 0),
  );
  const measure = picked ?? mostUsed(found, measures, from);
  const shown = useSettled(pointed ?? chosen ?? found.hooks.at(-1)?.session ?? null, PASSING);

  return (
    <Paper variant="panel" component="section" aria-label="Sessions">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 0.5, flexWrap: 'wrap' }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Sessions and mornings
        </Typography>
        {measures.length > 1 && (
          <TextField
            select
            label="Load"
            value={measure}
            onChange={(event) => setPicked(event.target.value as Measure)}
            sx={{ width: 120 }}
          >
            {measures.map((candidate) => (
              <MenuItem key={candidate} value={candidate}>
                {MEASURES[candidate].title}
                {MEASURES[candidate].unit === '' ? '' : `, ${MEASURES[candidate].unit}`}
              </MenuItem>
            ))}
          </TextField>
        )}
        <ToggleButtonGroup
          size="small"
          exclusive
          value={span}
          onChange={(_, value: Span | null) => {
            if (value !== null) setSpan(value);
          }}
          aria-label="Span"
        >
          {SPANS.map(([value, title]) => (
            <ToggleButton key={value} value={value}>
              {title}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      <StoryChart
        hooks={found.hooks}
        scores={found.scores}
        loads={found.loads}
        measure={measure}
        from={from}
        to={today}
        limit={found.rule.during_max}
        lit={lit}
        pointed={pointed}
        chosen={chosen}
        onPoint={setPointed}
        onChoose={setChosen}
      />
      <SessionCard id={found.id} of={shown} today={today} />
      <Typography variant="caption" color="textSecondary" sx={{ display: 'block', mt: 0.5 }}>
        Stem: baseline to worst pain in the session, 0–10. Hook: to the next morning’s test. Dot: back at baseline.
        Ring: above it. Cross: stop. Dotted line: morning test.
      </Typography>
    </Paper>
  );
}

/** The kind of load that was done on most days of the span. */
function mostUsed(found: Case, measures: readonly Measure[], from: string): Measure {
  const days = (measure: Measure) => found.loads.filter((load) => load.on >= from && load[measure] > 0).length;
  return [...measures].sort((a, b) => days(b) - days(a))[0] ?? 'isometric_s';
}
