import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';

import { amount } from '../../shell/numbers';
import { colour } from '../../shell/theme';
import type { Weeks } from './useWeeks';

const WIDE = 132;

/** What a week amounts to: done in full colour, planned in outline, and the school's limit as a line. Sport minutes stand in their effort. */
export function WeekSums({ weeks, at }: { weeks: Weeks; at: number }) {
  const figures = weeks.sums[at]?.figures.filter((figure) => figure.key !== 'sport_load' || figure.over !== null) ?? [];
  return (
    <Box sx={{ display: 'grid', gap: 0.25 }}>
      {figures.map((other) => {
        const all = weeks.sums.flatMap((week) => week.figures.filter((figure) => figure.key === other.key));
        const most = Math.max(1, ...all.map((figure) => Math.max(figure.done + figure.ahead, figure.limit ?? 0)));
        const x = (value: number) => (value / most) * (WIDE - 2);
        const unit = other.unit === '' ? '' : ` ${other.unit}`;
        return (
          <Box key={other.key} title={other.over ?? undefined}>
            <Typography
              sx={{
                fontSize: '0.75rem',
                lineHeight: 1.2,
                color: other.over === null ? 'text.secondary' : 'watch.main',
              }}
            >
              {other.title}{' '}
              {other.done > 0 && other.ahead > 0
                ? `${amount(other.done)} + ${amount(other.ahead)}`
                : amount(other.done + other.ahead)}
              {unit}
              {other.over !== null && ' ◇'}
              {other.limit !== null && (
                <span style={visuallyHidden}>
                  , the school's limit is {amount(other.limit)}
                  {unit}
                </span>
              )}
            </Typography>
            <svg width={WIDE} height={7} aria-hidden="true" style={{ display: 'block' }}>
              <rect
                x={0.5}
                y={0.5}
                width={Math.max(0.5, x(other.done + other.ahead))}
                height={5}
                fill="none"
                stroke={other.over === null ? colour('primary') : colour('watch')}
                strokeWidth={1}
              />
              <rect
                x={0}
                y={0}
                width={x(other.done)}
                height={6}
                fill={other.over === null ? colour('primary') : colour('watch')}
              />
              {other.limit !== null && (
                <line x1={x(other.limit)} x2={x(other.limit)} y1={0} y2={7} stroke="currentColor" strokeWidth={2} />
              )}
            </svg>
          </Box>
        );
      })}
    </Box>
  );
}
