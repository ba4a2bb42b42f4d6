import { colour, faint } from '../shell/theme';
import { motifOf, type Pose } from './figures';

type Point = readonly [number, number];

const LENGTH = { trunk: 27, neck: 5, head: 5.5, thigh: 20, shank: 20, foot: 7, upper: 14, fore: 14 };

const along = ([x, y]: Point, degrees: number, length: number): Point => {
  const angle = (degrees * Math.PI) / 180;
  return [x + Math.sin(angle) * length, y + Math.cos(angle) * length];
};

const path = (...points: Point[]): string => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;

function legPath(hip: Point, [thigh, shank, foot]: [number, number, number]): string {
  const knee = along(hip, thigh, LENGTH.thigh);
  const ankle = along(knee, shank, LENGTH.shank);
  return path(hip, knee, ankle, along(ankle, foot, LENGTH.foot));
}

function Body({ pose, stroke, width }: { pose: Pose; stroke: string; width: number }) {
  const shoulder = along(pose.hip, pose.trunk, LENGTH.trunk);
  const head = along(shoulder, pose.trunk, LENGTH.neck + LENGTH.head);
  const elbow = along(shoulder, pose.arm[0], LENGTH.upper);
  return (
    <g fill="none" stroke={stroke} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round">
      <path d={path(pose.hip, shoulder)} />
      <circle cx={head[0]} cy={head[1]} r={LENGTH.head} />
      <path d={path(shoulder, elbow, along(elbow, pose.arm[1], LENGTH.fore))} />
      <path d={legPath(pose.hip, pose.leg)} />
      {pose.other !== undefined && <path d={legPath(pose.hip, pose.other)} strokeOpacity={0.6} />}
    </g>
  );
}

/** A line drawing of an exercise: pale where it begins, dark where it goes. One without a drawing says so. */
export function Movement({ exercise, mode, title, size = 104 }: { exercise: string; mode: string; title: string; size?: number }) {
  const motif = motifOf(exercise);
  return (
    <svg width={size} height={size} viewBox="-5 -10 110 110" role="img" aria-label={motif === null ? `No drawing of ${title} yet` : `${title}: from the pale to the dark figure`} style={{ flex: 'none' }}>
      <rect x={-4.4} y={-9.4} width={108.8} height={108.8} rx={6} fill="none" stroke={colour('line')} />
      {motif === null
        ? <text x={50} y={54} textAnchor="middle" fontSize={11} fill={faint}>{mode}, not drawn</text>
        : (
          <>
            {motif.prop !== undefined && <path d={motif.prop} fill="none" stroke={colour('line')} strokeWidth={2} strokeLinecap="round" />}
            <Body pose={motif.from} stroke={colour('line')} width={2.4} />
            <Body pose={motif.to} stroke={colour('primary')} width={3} />
          </>
        )}
    </svg>
  );
}
