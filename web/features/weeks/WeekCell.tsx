import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { visuallyHidden } from '@mui/utils';
import { type DragEvent, type KeyboardEvent, useState } from 'react';

import { workPath, workSeconds } from '../../charts/ExerciseTrace';
import { HookGlyph, hookWords } from '../../charts/Hook';
import { day, shortDay } from '../../shell/dates';
import { colour } from '../../shell/theme';
import { isLeftOut, leftOut, type Mark, put, shifted, shiftedAll } from './grid';
import { ModeShape } from './ModeShape';
import type { Moves, Planned, Weeks } from './useWeeks';

/** What the weeks of a case show, and what can be done in them. */
export interface WeekProps {
  weeks: Weeks;
  moves: Moves;
  notPlaced: readonly string[];
  chosen: string | null;
  canMove: boolean;
  canMark: boolean;
  onChoose: (session: string) => void;
  onMove: (moves: Moves) => void;
  onMark: (days: readonly string[], as: Mark) => void;
  /** Asks what is practised on a day. */
  onAddSport: (on: string) => void;
  onDropSport: (on: string) => void;
  onLighter: (week: string, lessPercent: number) => void;
}

/** Days, and with Shift whether all that comes after goes too. */
const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

export const HATCH =
  'repeating-linear-gradient(135deg, transparent 0 5px, color-mix(in srgb, var(--mui-palette-line-main) 45%, transparent) 5px 6px)';

export function Cell({
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
  onChoose,
  onMove,
  onOpen,
}: WeekProps & {
  on: string;
  lanes: readonly string[];
  traces: ReadonlyMap<string, string>;
  sessions: readonly Planned[];
  onOpen: (at: HTMLElement) => void;
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
      onMove(event.shiftKey ? shiftedAll(weeks, session, moves, days) : shifted(weeks, session, moves, days));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onMove(leftOut(session, moves));
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
    if (session?.open === true && canMove && on >= weeks.today && on <= weeks.until) onMove(put(session, moves, on));
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
          onClick={(event) => onOpen(event.currentTarget)}
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
              onClick={() => onChoose(session.id)}
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
export function tracesOf(slots: Weeks['slots']): Map<string, string> {
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
