import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { type DragEvent, type KeyboardEvent, useMemo, useState } from 'react';

import { workPath, workSeconds } from '../../charts/ExerciseTrace';
import { HookGlyph, hookWords } from '../../charts/Hook';
import { day, shortDay } from '../../shell/dates';
import { colour } from '../../shell/theme';
import { dayOf, isLeftOut, leftOut, type Mark, put, shifted, shiftedAll, weeksOf } from './grid';
import { ModeShape } from './ModeShape';
import type { Moves, Planned, Weeks } from './useWeeks';
import { WeekSums } from './WeekSums';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

const LIGHTER = [
  ['A third lighter …', 33],
  ['Half …', 50],
] as const;

interface Props {
  weeks: Weeks;
  moves: Moves;
  notPlaced: readonly string[];
  chosen: string | null;
  canMove: boolean;
  canMark: boolean;
  choose: (session: string) => void;
  move: (moves: Moves) => void;
  mark: (days: readonly string[], as: Mark) => void;
  /** Asks what is practised on a day. */
  addSport: (on: string) => void;
  dropSport: (on: string) => void;
  lighter: (week: string, lessPercent: number) => void;
}

/** Weeks as rows, days as columns, and each kind of work in a lane of its own; beside each week what it amounts to. */
export function WeekGrid(props: Props) {
  const { weeks, moves, canMark, canMove, mark, addSport, dropSport, lighter } = props;
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
                    open={(at) => setMenu({ on, at })}
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
              if (menu !== null) mark([menu.on], as);
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
            if (menu !== null) addSport(menu.on);
            setMenu(null);
          }}
        >
          Practice beside the plan …
        </MenuItem>
        {weeks.sport.some((practice) => practice.on === menu?.on) && (
          <MenuItem
            disabled={!canMark}
            onClick={() => {
              if (menu !== null) dropSport(menu.on);
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
              if (week !== null) lighter(week.on, less);
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

/** Days, and with Shift whether all that comes after goes too. */
const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

const HATCH =
  'repeating-linear-gradient(135deg, transparent 0 5px, color-mix(in srgb, var(--mui-palette-line-main) 45%, transparent) 5px 6px)';

function Cell({
  on,
  lanes,
  traces,
  weeks,
  sessions,
  moves,
  notPlaced,
  chosen,
  canMove,
  canMark,
  choose,
  move,
  open,
}: Props & {
  on: string;
  lanes: readonly string[];
  traces: ReadonlyMap<string, string>;
  sessions: readonly Planned[];
  open: (at: HTMLElement) => void;
}) {
  const [isOver, setOver] = useState(false);
  const isPast = on < weeks.today;
  const isEvent = weeks.events.includes(on);
  const isBlocked = weeks.blocked.includes(on);
  const recovery = weeks.recovery.find((session) => session.on === on);
  const titleOf = (slot: string) => weeks.slots.find((kind) => kind.key === slot)?.title ?? slot;
  const key = (event: KeyboardEvent, session: Planned) => {
    if (!session.open || !canMove) return;
    const days = KEYS[event.key];
    if (days !== undefined && !isLeftOut(session, moves)) {
      event.preventDefault();
      move(event.shiftKey ? shiftedAll(weeks, session, moves, days) : shifted(weeks, session, moves, days));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      move(leftOut(session, moves));
    }
  };
  const over = (event: DragEvent) => {
    if (isPast || !canMove) return;
    event.preventDefault();
    setOver(true);
  };
  const drop = (event: DragEvent) => {
    setOver(false);
    const session = weeks.sessions.find((planned) => planned.id === event.dataTransfer.getData('text/plain'));
    if (session?.open === true && canMove && on >= weeks.today && on <= weeks.until) move(put(session, moves, on));
  };
  const caption = `${on === weeks.today ? 'Today' : shortDay(on)}${isEvent ? ' · show' : ''}${isBlocked ? ' · no training' : ''}`;
  return (
    <Box
      component="td"
      title={recovery?.words}
      onDragOver={over}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      sx={{
        verticalAlign: 'top',
        border: 1,
        borderColor: 'divider',
        boxShadow: on === weeks.today ? 'inset 0 0 0 2px var(--mui-palette-primary-main)' : undefined,
        p: 0.5,
        bgcolor: isOver ? 'action.selected' : isBlocked ? 'action.disabledBackground' : undefined,
        backgroundImage: recovery === undefined ? undefined : HATCH,
      }}
    >
      {isPast || !canMark ? (
        <Typography component="span" sx={CAPTION}>
          {isEvent || isBlocked ? <b>{caption}</b> : caption}
        </Typography>
      ) : (
        <ButtonBase
          onClick={(event) => open(event.currentTarget)}
          sx={{
            ...CAPTION,
            fontWeight: isEvent || isBlocked || on === weeks.today ? 700 : 400,
            '&:focus-visible': FOCUS,
            textDecoration: 'underline dotted',
            textUnderlineOffset: 3,
          }}
        >
          {caption}
          <span style={visuallyHidden}>: what kind of day</span>
        </ButtonBase>
      )}
      {recovery !== undefined && <span style={visuallyHidden}>{recovery.words}</span>}
      <Box
        sx={{
          display: 'grid',
          gridTemplateRows: `repeat(${Math.max(1, lanes.length)}, minmax(28px, auto))`,
          gap: 0.25,
        }}
      >
        {sessions.map((session) => {
          const isOut = isLeftOut(session, moves);
          return (
            <ButtonBase
              key={session.id}
              draggable={session.open && canMove}
              onDragStart={(event) => event.dataTransfer.setData('text/plain', session.id)}
              onKeyDown={(event) => key(event, session)}
              onClick={() => choose(session.id)}
              disabled={!session.open || !canMove}
              focusRipple
              title={session.hook === null ? (session.missed_why ?? session.practice?.title) : hookWords(session.hook)}
              aria-label={`${titleOf(session.slot)}${session.number > 1 ? `, ${session.number}` : ''}, ${day(on)}${session.at === null ? '' : ` at ${session.at}`}${session.practice === null ? '' : `, ${session.practice.title}, ${session.practice.minutes} min at an effort of ${session.practice.effort}`}${stateWords(session)}${weeks.stopped && session.state === 'planned' ? ', waits for a review' : isOut ? ', left out' : session.id in moves ? `, from ${day(session.on)}` : ''}`}
              sx={{
                gridRow: lanes.indexOf(session.slot) + 1,
                position: 'relative',
                overflow: 'hidden',
                display: 'flex',
                gap: 0.5,
                alignItems: 'center',
                justifyContent: 'flex-start',
                textAlign: 'left',
                minWidth: 0,
                px: 0.5,
                pt: 0.25,
                pb: '9px',
                borderRadius: 1,
                fontSize: '0.8125rem',
                lineHeight: 1.15,
                bgcolor: 'background.paper',
                border: session.id in moves ? 2 : 1,
                borderStyle: notPlaced.includes(session.id) || session.state === 'missed' ? 'dashed' : 'solid',
                borderColor: session.id in moves || session.id === chosen ? 'primary.main' : 'line.main',
                textDecoration: isOut ? 'line-through' : undefined,
                color: session.state === 'planned' && !weeks.stopped ? 'text.primary' : 'text.secondary',
                opacity: session.state === 'planned' && weeks.stopped ? 0.6 : 1,
                cursor: session.open && canMove ? 'grab' : 'default',
                '&:focus-visible': FOCUS,
              }}
            >
              <Trace path={traces.get(session.slot)} />
              {session.hook !== null ? (
                <Response hook={session.hook} />
              ) : session.state === 'missed' ? (
                <span aria-hidden="true">○</span>
              ) : (
                <ModeShape mode={weeks.slots.find((slot) => slot.key === session.slot)?.mode} />
              )}
              <Box component="span" sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
                {session.at !== null && (
                  <Box component="span" sx={{ color: 'text.secondary', fontVariantNumeric: 'tabular-nums' }}>
                    {session.at}{' '}
                  </Box>
                )}
                {titleOf(session.slot)}
                {session.practice !== null && (
                  <Box
                    component="span"
                    sx={{ display: 'block', color: 'text.secondary', fontVariantNumeric: 'tabular-nums' }}
                  >
                    {session.practice.minutes} min, effort {session.practice.effort}
                  </Box>
                )}
                {session.moved_from !== null && !(session.id in moves) && ' ↦'}
              </Box>
            </ButtonBase>
          );
        })}
        {weeks.later
          .filter((session) => session.on === on)
          .map((session) => (
            <Box
              key={session.slot}
              sx={{
                gridRow: lanes.indexOf(session.slot) + 1,
                px: 0.5,
                py: 0.25,
                fontSize: '0.8125rem',
                lineHeight: 1.15,
                color: 'text.secondary',
                border: 1,
                borderColor: 'transparent',
              }}
            >
              <ModeShape mode={weeks.slots.find((slot) => slot.key === session.slot)?.mode} /> {titleOf(session.slot)}
            </Box>
          ))}
      </Box>
      {weeks.sport
        .filter((practice) => practice.on === on)
        .map((practice, i) => (
          <Typography
            key={practice.what + String(i)}
            sx={{ fontSize: '0.8125rem', lineHeight: 1.2, px: 0.5, opacity: isPast ? 0.6 : 1 }}
          >
            ◇ {practice.what === '' ? 'Practice' : practice.what} {practice.minutes} min, effort {practice.effort}
          </Typography>
        ))}
      {weeks.beside
        .filter((session) => session.on === on)
        .map((session, i) => (
          <Typography
            key={session.words + String(i)}
            color="textSecondary"
            sx={{ fontSize: '0.8125rem', lineHeight: 1.2, px: 0.5 }}
          >
            ◆ {session.words}
          </Typography>
        ))}
    </Box>
  );
}

const CAPTION = { display: 'block', fontSize: '0.75rem', lineHeight: 1.4, textAlign: 'left', mb: 0.25 } as const;
const FOCUS = { outline: '2px solid', outlineColor: 'primary.main' } as const;

const stateWords = (session: Planned): string => {
  if (session.hook !== null) return `, done: ${session.hook.words}`;
  return session.state === 'done' ? ', done' : session.state === 'missed' ? ', not done' : '';
};

/** What the session asks for along time, at the foot of its box: its length against the longest of the stage. */
function Trace({ path }: { path: string | undefined }) {
  if (path === undefined || path === '') return null;
  return (
    <svg
      viewBox={`0 0 ${TRACE.width} ${TRACE.height}`}
      preserveAspectRatio="none"
      aria-hidden="true"
      style={{
        position: 'absolute',
        left: 2,
        right: 2,
        bottom: 1,
        width: 'calc(100% - 4px)',
        height: TRACE.height,
        pointerEvents: 'none',
      }}
    >
      <path
        d={path}
        fill={colour('primary')}
        fillOpacity={0.25}
        stroke={colour('primary')}
        strokeWidth={0.8}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

const TRACE = { width: 100, height: 8 };

/** The line of each kind of session, on one scale of time. */
function tracesOf(slots: Weeks['slots']): Map<string, string> {
  const longest = Math.max(0, ...slots.map((slot) => workSeconds(slot.work)));
  return new Map(slots.map((slot) => [slot.key, workPath(slot.work, longest, TRACE.width, TRACE.height)]));
}

/** How it was answered, by the hook's shape. */
function Response({ hook }: { hook: NonNullable<Planned['hook']> }) {
  return (
    <svg width={18} height={24} aria-hidden="true" style={{ flex: 'none' }}>
      <HookGlyph hook={hook} x={0} y={(value) => 21 - value * 1.8} width={17} />
    </svg>
  );
}
