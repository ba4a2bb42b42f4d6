import { type KeyboardEvent, type PointerEvent, useLayoutEffect, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { daysBetween, plusDays, shortDay } from '../shell/dates';
import { colour, faint } from '../shell/theme';
import { HookGlyph, inWords } from './Hook';

type Load = Schemas['DayLoad'];
export type Measure = 'isometric_s' | 'moving_s' | 'volume_load_kg' | 'contacts' | 'sport_min';

export const MEASURES: Record<Measure, { title: string; unit: string }> = {
  isometric_s: { title: 'Held', unit: 's' },
  moving_s: { title: 'Moved', unit: 's' },
  volume_load_kg: { title: 'Lifted', unit: 'kg' },
  contacts: { title: 'Landings', unit: '' },
  sport_min: { title: 'Sport', unit: 'min' },
};

interface Story {
  hooks: readonly Schemas['Hook'][];
  scores: readonly { on: string; score: number; stiffness_min: number | null }[];
  loads: readonly Load[];
  measure: Measure;
  from: string;
  to: string;
  /** Pain in exercise that is still accepted, 0–10. */
  limit: number;
  /** Days that a criterion looks at. */
  lit: readonly { on: string; fits: boolean }[];
  pointed: string | null;
  chosen: string | null;
  onPoint: (session: string | null) => void;
  onChoose: (session: string | null) => void;
}

const LEFT = 34;
const RIGHT = 8;
const TOP = 16;
const PLOT = 150;
const STIFF = 30;
const LOAD = 42;
const GAP = 16;
const HEIGHT = TOP + PLOT + GAP + STIFF + GAP + LOAD + 22;

/** The width that the page gives, in whole pixels, so that lines fall on pixels. */
function useWidth() {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(600);
  useLayoutEffect(() => {
    const element = box.current;
    if (element === null) return undefined;
    const watch = new ResizeObserver(() => setWidth(Math.max(260, Math.floor(element.clientWidth))));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return { box, width };
}

/**
 * The story of a span of days: hooks and the morning test on one scale, stiffness and load under them on the same days.
 * Arrow keys go from session to session.
 */
export function StoryChart(story: Story) {
  const { hooks, scores, loads, measure, from, to, limit, lit } = story;
  const { box, width } = useWidth();
  const days = daysBetween(from, to) + 1;
  const step = Math.min(46, (width - LEFT - RIGHT) / days);
  const x = (on: string) => LEFT + daysBetween(from, on) * step;
  const y = (value: number) => TOP + PLOT - (value * PLOT) / 10;
  const inside = (on: string) => on >= from && on <= to;
  const shown = hooks.filter((hook) => inside(hook.on));
  const current = story.pointed ?? story.chosen;
  const at = shown.findIndex((hook) => hook.session === current);

  const nearest = (event: PointerEvent<SVGSVGElement>): string | null => {
    const place = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const ranked = shown
      .map((hook) => ({ id: hook.session, far: Math.abs(x(hook.on) + step / 2 - place) }))
      .sort((a, b) => a.far - b.far);
    return ranked[0] !== undefined && ranked[0].far <= Math.max(14, step) ? ranked[0].id : null;
  };
  const press = (event: KeyboardEvent) => {
    const move = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (move === 0 || shown.length === 0) return;
    event.preventDefault();
    const next = at < 0 ? shown.length - 1 : Math.min(shown.length - 1, Math.max(0, at + move));
    story.onPoint(null);
    story.onChoose(shown[next]?.session ?? null);
  };

  return (
    <div
      ref={box}
      // One stop of the tab key for all sessions; the arrow keys go along them.
      tabIndex={0}
      role="slider"
      aria-valuemin={shown.length === 0 ? 0 : 1}
      aria-valuemax={shown.length}
      aria-valuenow={at < 0 ? shown.length : at + 1}
      aria-valuetext={shown[at < 0 ? shown.length - 1 : at]?.words ?? 'no session'}
      aria-label={`Sessions from ${shortDay(from)} to ${shortDay(to)}. ${inWords(shown)}. Left and right arrow keys go from session to session.`}
      onKeyDown={press}
      style={{ width: '100%' }}
    >
      <svg
        width={width}
        height={HEIGHT}
        aria-hidden="true"
        style={{ display: 'block', cursor: 'pointer', touchAction: 'pan-y' }}
        onPointerMove={(event) => story.onPoint(nearest(event))}
        onPointerLeave={() => story.onPoint(null)}
        onClick={() => {
          if (story.pointed !== null) story.onChoose(story.chosen === story.pointed ? null : story.pointed);
        }}
      >
        {lit
          .filter((hook) => inside(hook.on))
          .map((hook, i) => (
            <rect
              key={hook.on + String(i)}
              x={Math.round(x(hook.on))}
              y={TOP}
              width={Math.max(2, Math.floor(step))}
              height={HEIGHT - TOP - 22}
              fill={hook.fits ? colour('primary') : colour('over')}
              fillOpacity={0.16}
            />
          ))}
        <Scale y={y} right={width - RIGHT} limit={limit} />
        {current !== null && at >= 0 && shown[at] !== undefined && (
          <rect
            x={Math.round(x(shown[at].on))}
            y={TOP - 6}
            width={Math.max(5, Math.floor(step))}
            height={HEIGHT - TOP - 14}
            fill="none"
            stroke={colour('primary')}
            strokeWidth={1}
            shapeRendering="crispEdges"
          />
        )}
        <polyline
          fill="none"
          stroke={faint}
          strokeWidth={1}
          strokeDasharray={step > 8 ? '1 3' : undefined}
          points={scores
            .filter((score) => inside(score.on))
            .map((score) => `${x(score.on) + step / 2},${y(score.score)}`)
            .join(' ')}
        />
        {shown.map((hook) => {
          const glyph = Math.max(3, Math.min(26, step));
          return <HookGlyph key={hook.session} hook={hook} x={x(hook.on) + (step - glyph) / 2} y={y} width={glyph} />;
        })}
        <Stiffness
          scores={scores.filter((score) => inside(score.on))}
          x={x}
          step={step}
          top={TOP + PLOT + GAP}
          right={width - RIGHT}
        />
        <Loads
          loads={loads.filter((load) => inside(load.on))}
          measure={measure}
          x={x}
          step={step}
          top={TOP + PLOT + GAP + STIFF + GAP}
          right={width - RIGHT}
        />
        <Days from={from} days={days} x={x} step={step} />
      </svg>
    </div>
  );
}

function Scale({ y, right, limit }: { y: (value: number) => number; right: number; limit: number }) {
  return (
    <>
      {[0, 2, 4, 6, 8, 10].map((value) => (
        <g key={value}>
          <line
            x1={LEFT}
            x2={right}
            y1={Math.round(y(value)) + 0.5}
            y2={Math.round(y(value)) + 0.5}
            stroke={colour('line')}
            strokeWidth={1}
            strokeOpacity={0.45}
            shapeRendering="crispEdges"
          />
          <text x={LEFT - 6} y={y(value) + 4} textAnchor="end" fontSize={11} fill={faint}>
            {value}
          </text>
        </g>
      ))}
      <line
        x1={LEFT}
        x2={right}
        y1={Math.round(y(limit)) + 0.5}
        y2={Math.round(y(limit)) + 0.5}
        stroke={colour('watch')}
        strokeWidth={1}
        strokeDasharray="5 4"
        shapeRendering="crispEdges"
      />
      <text
        x={LEFT + 4}
        y={y(limit) - 4}
        fontSize={11}
        fill={colour('watch')}
        stroke="var(--mui-palette-background-paper)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        limit in exercise {limit}
      </text>
    </>
  );
}

interface Strip {
  x: (on: string) => number;
  step: number;
  top: number;
  right: number;
}

const barOf = (step: number): number => Math.max(1, Math.min(18, Math.floor(step) - 1));

function Stiffness({ scores, x, step, top, right }: Strip & { scores: Story['scores'] }) {
  const most = Math.max(30, ...scores.map((score) => score.stiffness_min ?? 0));
  const base = top + STIFF;
  return (
    <g shapeRendering="crispEdges">
      <text x={LEFT} y={top - 3} fontSize={11} fill={faint} shapeRendering="auto">
        Morning stiffness, to {most} min
      </text>
      <line x1={LEFT} x2={right} y1={base + 0.5} y2={base + 0.5} stroke={colour('line')} />
      {scores.map((score, i) => {
        const height = Math.round(((score.stiffness_min ?? 0) * (STIFF - 4)) / most);
        return height === 0 ? null : (
          <rect
            key={score.on + String(i)}
            x={Math.round(x(score.on) + (step - barOf(step)) / 2)}
            y={base - height}
            width={barOf(step)}
            height={height}
            fill={colour('unknown')}
            fillOpacity={0.75}
          />
        );
      })}
    </g>
  );
}

function Loads({ loads, measure, x, step, top, right }: Strip & { loads: readonly Load[]; measure: Measure }) {
  const most = Math.max(1, ...loads.map((load) => load[measure]));
  const base = top + LOAD;
  const { title, unit } = MEASURES[measure];
  return (
    <g shapeRendering="crispEdges">
      <text x={LEFT} y={top - 3} fontSize={11} fill={faint} shapeRendering="auto">
        {title} a day, to {most} {unit}
      </text>
      <line x1={LEFT} x2={right} y1={base + 0.5} y2={base + 0.5} stroke={colour('line')} />
      {loads.map((load) => {
        const height = Math.round((load[measure] * (LOAD - 4)) / most);
        return (
          <rect
            key={load.on}
            x={Math.round(x(load.on) + (step - barOf(step)) / 2)}
            y={base - height}
            width={barOf(step)}
            height={height}
            fill={colour('primary')}
            fillOpacity={0.55}
          />
        );
      })}
    </g>
  );
}

function Days({ from, days, x, step }: { from: string; days: number; x: (on: string) => number; step: number }) {
  const every = [1, 2, 7, 14, 28].find((count) => count * step >= 60) ?? 56;
  return (
    <>
      {Array.from({ length: days }, (_, i) => i)
        .filter((i) => i % every === 0)
        .map((i) => {
          const on = plusDays(from, i);
          const middle = x(on) + step / 2;
          return (
            <text
              key={on}
              x={i === 0 ? Math.max(LEFT, middle - 14) : middle}
              y={HEIGHT - 5}
              fontSize={11}
              fill={faint}
              textAnchor={i === 0 ? 'start' : 'middle'}
            >
              {shortDay(on)}
            </text>
          );
        })}
    </>
  );
}
