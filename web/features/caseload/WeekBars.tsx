import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { shortDay } from '../../shell/dates';
import { colour } from '../../shell/theme';

type Week = Schemas['Caseload']['weeks'][number];

const HEIGHT = 56;
const STEP = 16;

/** A count for each week, the present one lighter: it is not over yet. */
export function WeekBars({ title, weeks, of }: { title: string; weeks: readonly Week[]; of: (week: Week) => number }) {
  const most = Math.max(1, ...weeks.map(of));
  const label = weeks.map((week) => `week of ${shortDay(week.from)}: ${of(week)}`).join(', ');
  const first = weeks[0];
  const last = weeks.at(-1);
  return (
    <Box>
      <Typography variant="body2">
        {title}, <b>{last === undefined ? 0 : of(last)}</b> this week
      </Typography>
      <svg
        viewBox={`0 0 ${weeks.length * STEP} ${HEIGHT + 1}`}
        width="100%"
        role="img"
        aria-label={`${title}: ${label}`}
        style={{ display: 'block', maxWidth: 320 }}
      >
        {weeks.map((week, i) => {
          const height = Math.round((of(week) / most) * HEIGHT);
          return (
            <rect
              key={week.from}
              x={i * STEP + 2}
              y={HEIGHT - height}
              width={STEP - 4}
              height={height}
              fill={colour('primary')}
              opacity={i === weeks.length - 1 ? 0.45 : 0.8}
            >
              <title>{`Week of ${shortDay(week.from)}: ${of(week)}`}</title>
            </rect>
          );
        })}
        <line x1={0} x2={weeks.length * STEP} y1={HEIGHT + 0.5} y2={HEIGHT + 0.5} stroke="currentColor" opacity={0.4} />
      </svg>
      <Typography
        variant="caption"
        color="textSecondary"
        sx={{ display: 'flex', justifyContent: 'space-between', maxWidth: 320 }}
      >
        <span>{first === undefined ? '' : shortDay(first.from)}</span>
        <span>most {most}</span>
        <span>this week</span>
      </Typography>
    </Box>
  );
}
