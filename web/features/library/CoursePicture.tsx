import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import type { Schemas } from '../../api/client';
import { Failed, Loading } from '../../shell/States';
import { useCourse } from './useLibrary';

type Athlete = Schemas['Course']['athletes'][number];

const LABEL = 190;
const WIDTH = 520;
const ROW = 26;
const TOP = 24;

/** As much of a text as there is room for. */
const cut = (text: string, letters: number): string =>
  text.length <= letters ? text : letters < 4 ? '' : `${text.slice(0, letters - 1).trimEnd()}…`;

/** A programme's weeks before it is given to anybody: stages as bands, each exercise's work growing week by week. */
export function CoursePicture({ programme, structure }: { programme: string; structure: string }) {
  const [open, setOpen] = useState(false);
  const course = useCourse(programme, structure, open);
  return (
    <Box component="section" aria-label="How it goes" sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
      <Button variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        How it goes over weeks
      </Button>
      {open && course.isPending && <Loading what="the weeks" />}
      {open && course.isError && <Failed problem={course.error} onRetry={() => void course.refetch()} />}
      {open && course.data !== undefined && (
        <>
          <Typography variant="body2" color="textSecondary" sx={{ my: 1 }}>
            Played by the rules for two made-up athletes, moderately sore at the start. No forecast for a person. Bar:
            sets × repetitions or seconds of a set, week by week. Line: the load. Point at a bar for the dose.
          </Typography>
          {course.data.athletes.map((athlete) => (
            <Weeks key={athlete.key} athlete={athlete} weeks={course.data.weeks} />
          ))}
        </>
      )}
    </Box>
  );
}

function Weeks({ athlete, weeks }: { athlete: Athlete; weeks: number }) {
  const wide = Math.max(18, Math.min(48, WIDTH / weeks));
  const height = TOP + athlete.rows.length * ROW + 16;
  const x = (day: number) => LABEL + ((day - 1) / 7) * wide;
  const end = athlete.ended_week === null ? `Not ended in ${weeks} weeks` : `Ends in week ${athlete.ended_week}`;
  return (
    <Box sx={{ mb: 1.5, overflowX: 'auto' }}>
      <Typography variant="subtitle1">
        {athlete.words}. {end}.
      </Typography>
      <svg
        width={LABEL + weeks * wide}
        height={height}
        role="img"
        aria-label={`${athlete.words}: ${athlete.stages.map((stage) => `${stage.title} to day ${stage.to_day}`).join(', ')}. ${end}.`}
      >
        {athlete.stages.map((stage, i) => (
          <g key={stage.title}>
            <rect
              x={x(stage.from_day)}
              y={0}
              width={Math.max(2, x(stage.to_day + 1) - x(stage.from_day))}
              height={height - 16}
              fill="var(--mui-palette-primary-main)"
              opacity={i % 2 === 0 ? 0.06 : 0.12}
            />
            <text
              x={x(stage.from_day) + 3}
              y={14}
              fontSize={12}
              fontWeight={600}
              fill="var(--mui-palette-text-primary)"
            >
              {cut(stage.title, Math.floor((x(stage.to_day + 1) - x(stage.from_day)) / 6.5))}
              <title>{stage.title}</title>
            </text>
          </g>
        ))}
        {athlete.rows.map((row, i) => (
          <Growth key={row.title + String(i)} row={row} y={TOP + i * ROW} wide={wide} />
        ))}
        {Array.from({ length: Math.floor(weeks / 2) }, (_, i) => 2 * (i + 1)).map((week) => (
          <text
            key={week}
            x={LABEL + (week - 0.5) * wide}
            y={height - 3}
            fontSize={11}
            textAnchor="middle"
            fill="var(--mui-palette-text-secondary)"
          >
            {week === 2 ? 'week 2' : week}
          </text>
        ))}
      </svg>
    </Box>
  );
}

/** One exercise: a bar a week, as high as its work; a rising line where its load rises. */
function Growth({ row, y, wide }: { row: Athlete['rows'][number]; y: number; wide: number }) {
  const most = Math.max(1, ...row.weeks.map((week) => week.work));
  const heaviest = Math.max(0, ...row.weeks.map((week) => week.load_kg ?? 0));
  const loads = row.weeks.filter((week) => week.load_kg !== null && heaviest > 0);
  const middle = (week: number) => LABEL + (week - 0.5) * wide;
  return (
    <g>
      <text x={0} y={y + ROW - 8} fontSize={12} fill="var(--mui-palette-text-primary)">
        {cut(row.title, 30)}
        <title>{row.title}</title>
      </text>
      {row.weeks.map((week) => {
        const high = Math.max(2, (week.work / most) * (ROW - 8));
        return (
          <rect
            key={week.week}
            x={LABEL + (week.week - 1) * wide + 3}
            y={y + ROW - 4 - high}
            width={wide - 6}
            height={high}
            fill="var(--mui-palette-primary-main)"
            opacity={0.55}
          >
            <title>{`Week ${week.week}: ${week.words}`}</title>
          </rect>
        );
      })}
      {loads.length > 1 && (
        <polyline
          points={loads
            .map((load) => `${middle(load.week)},${y + ROW - 5 - ((load.load_kg ?? 0) / heaviest) * (ROW - 8)}`)
            .join(' ')}
          fill="none"
          stroke="var(--mui-palette-text-primary)"
          strokeWidth={1.5}
        />
      )}
    </g>
  );
}
