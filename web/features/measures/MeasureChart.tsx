import { colour, faint } from '../../shell/theme';
import { daysBetween, shortDay } from '../../shell/dates';
import type { Measure } from './useMeasures';

const WIDTH = 320;
const HEIGHT = 116;
const LEFT = 36;
const RIGHT = 10;
const TOP = 8;
const BOTTOM = 20;
const INSET = 8;

/** Values over time: filled marks for the sore side, open ones for the other, the noise shaded, the gate as a dashed line. */
export function MeasureChart({ measure, from, today }: { measure: Measure; from: string; today: string }) {
  const { taken, noise, gate } = measure;
  const first = taken[0];
  if (first === undefined) return null;
  const values = [
    ...taken.flatMap((reading) => [reading.affected, ...(reading.unaffected === null ? [] : [reading.unaffected])]),
    ...(noise === null ? [] : [noise.low, noise.high]),
    ...(gate?.to_reach === null || gate === null ? [] : [gate.to_reach]),
  ];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const room = Math.max((high - low) * 0.1, Math.abs(high) * 0.02, 1e-6);
  const begin = first.on < from ? first.on : from;
  const days = Math.max(1, daysBetween(begin, today));
  const x = (on: string) => LEFT + INSET + ((WIDTH - LEFT - RIGHT - 2 * INSET) * daysBetween(begin, on)) / days;
  const y = (value: number) => TOP + ((HEIGHT - TOP - BOTTOM) * (high + room - value)) / (high - low + 2 * room);
  const line = (side: 'affected' | 'unaffected') =>
    taken
      .flatMap((reading) => {
        const value = reading[side];
        return value === null ? [] : [`${x(reading.on)},${y(value)}`];
      })
      .join(' ');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${measure.title}: ${measure.words}`}
      style={{ display: 'block', width: '100%', maxWidth: 420 }}
    >
      {noise !== null && (
        <rect
          x={LEFT}
          y={y(noise.high)}
          width={WIDTH - LEFT - RIGHT}
          height={y(noise.low) - y(noise.high)}
          fill={colour('unknown')}
          fillOpacity={0.12}
        />
      )}
      <line x1={LEFT} x2={LEFT} y1={TOP} y2={HEIGHT - BOTTOM} stroke={faint} />
      <line x1={LEFT} x2={WIDTH - RIGHT} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM} stroke={faint} />
      {[low, high]
        .filter((item, i, all) => i === 0 || item !== all[0])
        .map((value) => (
          <text key={value} x={LEFT - 4} y={y(value) + 4} textAnchor="end" fontSize={11} fill="currentColor">
            {Math.round(value * 10) / 10}
          </text>
        ))}
      {typeof gate?.to_reach === 'number' && (
        <>
          <line
            x1={LEFT}
            x2={WIDTH - RIGHT}
            y1={y(gate.to_reach)}
            y2={y(gate.to_reach)}
            stroke={colour('primary')}
            strokeWidth={1.5}
            strokeDasharray="5 4"
          />
          <text x={WIDTH - RIGHT} y={y(gate.to_reach) - 3} textAnchor="end" fontSize={11} fill={colour('primary')}>
            gate {gate.to_reach}
          </text>
        </>
      )}
      <polyline
        points={line('unaffected')}
        fill="none"
        stroke={colour('unknown')}
        strokeWidth={1}
        strokeDasharray="2 3"
      />
      <polyline points={line('affected')} fill="none" stroke="currentColor" strokeWidth={1.5} />
      {taken.map((reading) => (
        <g key={reading.id}>
          {reading.unaffected !== null && (
            <circle
              cx={x(reading.on)}
              cy={y(reading.unaffected)}
              r={3.5}
              fill="none"
              stroke={colour('unknown')}
              strokeWidth={1.5}
            />
          )}
          <rect x={x(reading.on) - 3.5} y={y(reading.affected) - 3.5} width={7} height={7} fill="currentColor" />
        </g>
      ))}
      <text x={LEFT} y={HEIGHT - 5} fontSize={11} fill="currentColor">
        {shortDay(begin)}
      </text>
      <text x={WIDTH - RIGHT} y={HEIGHT - 5} textAnchor="end" fontSize={11} fill="currentColor">
        {shortDay(today)}
      </text>
    </svg>
  );
}
