import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { PegMark } from '../../charts/Ladder';
import { day, daysBetween } from '../../shell/dates';
import { NAMES } from './PegList';
import type { Case } from './useCase';

type Criterion = Case['gate']['criteria'][number];

/** The gate: how each criterion stands, since when, how far, and the earliest day. Pointing at one lights up its days. */
export function GatePanel({
  found,
  onHighlight,
  onSignOff,
}: {
  found: Case;
  onHighlight: (days: Criterion['days']) => void;
  onSignOff?: () => void;
}) {
  const { gate, standing } = found;
  const waitsForSignOff = gate.criteria.some((criterion) => criterion.type === 'sign_off' && criterion.state !== 'met');
  return (
    <Paper variant="panel" component="section" aria-label="Gate">
      <Typography variant="h2">Gate out of {standing.stage.title}</Typography>
      {gate.criteria.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          This stage has no gate; you decide when it ends.
        </Typography>
      )}
      <List disablePadding>
        {gate.criteria.map((criterion, i) => (
          <Box component="li" key={criterion.type + String(i)}>
            <Box
              component="button"
              type="button"
              onMouseEnter={() => onHighlight(criterion.days)}
              onMouseLeave={() => onHighlight([])}
              onFocus={() => onHighlight(criterion.days)}
              onBlur={() => onHighlight([])}
              sx={{
                display: 'flex',
                gap: 1,
                width: '100%',
                textAlign: 'left',
                border: 0,
                bgcolor: 'transparent',
                color: 'inherit',
                font: 'inherit',
                px: 0.5,
                py: 0.4,
                mx: -0.5,
                borderRadius: 1,
                cursor: 'default',
                '&:hover': { bgcolor: 'action.hover' },
              }}
            >
              <svg width={16} height={20} role="img" aria-label={NAMES[criterion.state]} style={{ flex: 'none' }}>
                <PegMark state={criterion.state} x={8} y={10} r={5} />
              </svg>
              <span>
                <Typography variant="body2" component="span" sx={{ display: 'block' }}>
                  {criterion.words[0]?.toUpperCase()}
                  {criterion.words.slice(1)}
                </Typography>
                <Typography
                  variant="caption"
                  component="span"
                  color="textSecondary"
                  sx={{ display: 'block', lineHeight: 1.25 }}
                >
                  {standsHow(criterion, standing.today)}
                </Typography>
              </span>
            </Box>
          </Box>
        ))}
      </List>
      {gate.criteria.length > 0 && !gate.open && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {gate.earliest === null ? (
            'No date can be given yet: the dose has to grow, or something has to be planned.'
          ) : (
            <>
              Earliest day: <b>{when(gate.earliest, standing.today)}</b>, if every session from now on is done and
              settles.
            </>
          )}
        </Typography>
      )}
      {onSignOff !== undefined && waitsForSignOff && found.closed_on === null && (
        <Button variant="outlined" onClick={onSignOff} sx={{ mt: 0.75 }}>
          Sign off technique …
        </Button>
      )}
    </Paper>
  );
}

const when = (on: string, today: string): string => {
  const days = daysBetween(today, on);
  return days === 0 ? 'today' : days === 1 ? 'tomorrow' : `${day(on)} (in ${days} days)`;
};

function standsHow(criterion: Criterion, today: string): string {
  if (criterion.state === 'met')
    return criterion.since === null ? 'met' : `met since ${criterion.since === today ? 'today' : day(criterion.since)}`;
  return [criterion.distance, criterion.earliest === null ? null : `earliest ${when(criterion.earliest, today)}`]
    .filter((part) => part !== null)
    .join(' · ');
}
