import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { useMemo, useState } from 'react';

import { day } from '../../shell/dates';
import { dayOf, weeksOf } from './grid';
import { Cell, HATCH, tracesOf, type WeekProps } from './WeekCell';
import { WeekSums } from './WeekSums';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

const LIGHTER = [
  ['A third lighter …', 33],
  ['Half …', 50],
] as const;

/** Weeks as rows, days as columns, and each kind of work in a lane of its own; beside each week what it amounts to. */
export function WeekGrid(props: WeekProps) {
  const { weeks, moves, canMark, canMove, onMark, onAddSport, onDropSport, onLighter } = props;
  const [menu, setMenu] = useState<{ on: string; at: HTMLElement } | null>(null);
  const [week, setWeek] = useState<{ on: string; at: HTMLElement } | null>(null);
  const traces = useMemo(() => tracesOf(weeks.slots), [weeks.slots]);
  return (
    <>
      <Box
        component="table"
        aria-label="Weeks"
        sx={{
          width: '100%',
          minWidth: 740,
          borderCollapse: 'collapse',
          tableLayout: 'fixed',
          '& th': { fontWeight: 400, color: 'text.secondary', textAlign: 'left', fontSize: '0.875rem', p: 0.5 },
        }}
      >
        <thead>
          <tr>
            {DAYS.map((name) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
            <Box component="th" scope="col" sx={{ width: 146 }}>
              Done + planned
            </Box>
          </tr>
        </thead>
        <tbody>
          {weeksOf(weeks).map((row, i) => {
            const monday = row[0] ?? '';
            const sunday = row[6] ?? '';
            const here = weeks.sessions.filter((session) => row.includes(dayOf(session, moves)));
            const lanes = weeks.slots
              .filter(
                (slot) =>
                  here.some((session) => session.slot === slot.key) ||
                  weeks.later.some((session) => session.slot === slot.key && row.includes(session.on)),
              )
              .map((slot) => slot.key);
            return (
              <tr key={monday}>
                {row.map((on) => (
                  <Cell
                    key={on}
                    {...props}
                    on={on}
                    lanes={lanes}
                    traces={traces}
                    sessions={here.filter((session) => dayOf(session, moves) === on)}
                    onOpen={(at) => setMenu({ on, at })}
                  />
                ))}
                <Box
                  component="td"
                  sx={{ verticalAlign: 'top', pl: 1, py: 0.25, borderBottom: 1, borderColor: 'divider' }}
                >
                  <WeekSums weeks={weeks} at={i} />
                  {canMove &&
                    !weeks.stopped &&
                    sunday >= weeks.today &&
                    monday <= weeks.until &&
                    here.some((session) => session.open) && (
                      <Button
                        size="small"
                        onClick={(event) => setWeek({ on: monday, at: event.currentTarget })}
                        sx={{ p: 0, minWidth: 0, minHeight: 24, fontSize: '0.8125rem' }}
                      >
                        Lighter …<span style={visuallyHidden}> week of {day(monday)}</span>
                      </Button>
                    )}
                </Box>
              </tr>
            );
          })}
        </tbody>
      </Box>
      <Typography
        variant="body2"
        color="textSecondary"
        sx={{ mt: 1, display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}
      >
        <span>
          <Box
            component="span"
            sx={{
              display: 'inline-block',
              width: 22,
              height: 12,
              border: 1,
              borderColor: 'divider',
              backgroundImage: HATCH,
              verticalAlign: 'middle',
            }}
          />{' '}
          recovering
        </span>
        <span>○ not done</span>
        <span>↦ was moved</span>
        <span>a hook: how the next morning answered</span>
        <span>the foot of a session: what it asks for along time</span>
        <span>the line in a bar: how much your school lets a week grow</span>
      </Typography>
      <Menu open={menu !== null} anchorEl={menu?.at} onClose={() => setMenu(null)}>
        {(
          [
            ['event', 'A show or competition'],
            ['blocked', 'No training'],
            ['none', 'A day like others'],
          ] as const
        ).map(([as, title]) => (
          <MenuItem
            key={as}
            disabled={!canMark}
            onClick={() => {
              if (menu !== null) onMark([menu.on], as);
              setMenu(null);
            }}
          >
            {title}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem
          disabled={!canMark}
          onClick={() => {
            if (menu !== null) onAddSport(menu.on);
            setMenu(null);
          }}
        >
          Practice beside the plan …
        </MenuItem>
        {weeks.sport.some((practice) => practice.on === menu?.on) && (
          <MenuItem
            disabled={!canMark}
            onClick={() => {
              if (menu !== null) onDropSport(menu.on);
              setMenu(null);
            }}
          >
            Without that practice
          </MenuItem>
        )}
      </Menu>
      <Menu open={week !== null} anchorEl={week?.at} onClose={() => setWeek(null)}>
        {LIGHTER.map(([title, less]) => (
          <MenuItem
            key={less}
            onClick={() => {
              if (week !== null) onLighter(week.on, less);
              setWeek(null);
            }}
          >
            {title}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
