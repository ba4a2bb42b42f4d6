import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';

import { amount } from '../../shell/numbers';
import { colour } from '../../shell/theme';
import type { Weeks } from './useWeeks';

const WIDE = 132;

/** What a week amounts to: done in full colour, planned in outline, and the school's limit as a line. Sport minutes stand in their effort. */
export function WeekSums({ weeks, at }: { weeks: Weeks; at: number }) {
  const figures = weeks.sums[at]?.figures.filter((one) => one.key !== 'sport_load' || one.over !== null) ?? [];
  return (
    <Box sx={{ display: 'grid', gap: 0.25 }}>
      {figures.map((one) => {
        const all = weeks.sums.flatMap((week) => week.figures.filter((figure) => figure.key === one.key));
        const most = Math.max(1, ...all.map((figure) => Math.max(figure.done + figure.ahead, figure.limit ?? 0)));
        const x = (value: number) => (value / most) * (WIDE - 2);
        const unit = one.unit === '' ? '' : ` ${one.unit}`;
        return (
          <Box key={one.key} title={one.over ?? undefined}>
            <Typography sx={{ fontSize: '0.75rem', lineHeight: 1.2, color: one.over === null ? 'text.secondary' : 'watch.main' }}>
              {one.title} {one.done > 0 && one.ahead > 0 ? `${amount(one.done)} + ${amount(one.ahead)}` : amount(one.done + one.ahead)}{unit}{one.over !== null && ' ◇'}
              {one.limit !== null && <span style={visuallyHidden}>, the school's limit is {amount(one.limit)}{unit}</span>}
            </Typography>
            <svg width={WIDE} height={7} aria-hidden="true" style={{ display: 'block' }}>
              <rect x={0.5} y={0.5} width={Math.max(0.5, x(one.done + one.ahead))} height={5} fill="none" stroke={one.over === null ? colour('primary') : colour('watch')} strokeWidth={1} />
              <rect x={0} y={0} width={x(one.done)} height={6} fill={one.over === null ? colour('primary') : colour('watch')} />
              {one.limit !== null && <line x1={x(one.limit)} x2={x(one.limit)} y1={0} y2={7} stroke="currentColor" strokeWidth={2} />}
            </svg>
          </Box>
        );
      })}
    </Box>
  );
}
