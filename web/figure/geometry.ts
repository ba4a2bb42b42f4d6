/** A place in the picture, and how near it is to the one who looks: x to the right, y down, all in percent of the body's height. */
export interface Seen {
  x: number;
  y: number;
  depth: number;
}

export interface Circle {
  x: number;
  y: number;
  r: number;
}

export interface Camera {
  /** Degrees round the body from its working side, and degrees above the level. */
  turn: number;
  tilt: number;
}

/** Where a place of the world (tenths of a percent: ahead, up, to the working side) is seen. */
export function seenFrom({ turn, tilt }: Camera): (ahead: number, up: number, right: number) => Seen {
  const [turned, tilted] = [(turn * Math.PI) / 180, (tilt * Math.PI) / 180];
  const [c, s, ct, st] = [Math.cos(turned), Math.sin(turned), Math.cos(tilted), Math.sin(tilted)];
  return (ahead, up, right) => {
    const towards = (ahead * s + right * c) / 10;
    return {
      x: (ahead * c - right * s) / 10,
      y: -((up / 10) * ct - towards * st),
      depth: towards * ct + (up / 10) * st,
    };
  };
}

const at = (value: number): string => String(Math.round(value * 100) / 100);

export const pathOf = (points: readonly { x: number; y: number }[], closed = true): string =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${at(x)} ${at(y)}`).join('') + (closed ? 'Z' : '');

/** A smooth line through points. */
export function curveOf(points: readonly { x: number; y: number }[]): string {
  const [first] = points;
  if (first === undefined) return '';
  let d = `M${at(first.x)} ${at(first.y)}`;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b, c, e] = [points[i - 1] ?? points[i], points[i], points[i + 1], points[i + 2] ?? points[i + 1]];
    if (a === undefined || b === undefined || c === undefined || e === undefined) break;
    d += `C${at(b.x + (c.x - a.x) / 6)} ${at(b.y + (c.y - a.y) / 6)} ${at(c.x - (e.x - b.x) / 6)} ${at(c.y - (e.y - b.y) / 6)} ${at(c.x)} ${at(c.y)}`;
  }
  return d;
}

export const circleOf = ({ x, y, r }: Circle): string =>
  `M${at(x - r)} ${at(y)}a${at(r)} ${at(r)} 0 1 1 ${at(2 * r)} 0a${at(r)} ${at(r)} 0 1 1 ${at(-2 * r)} 0Z`;

/** Two circles and all between them: a part of a limb that grows thinner. */
export function capsuleOf(one: Circle, other: Circle): string {
  const [dx, dy] = [other.x - one.x, other.y - one.y];
  const far = Math.hypot(dx, dy);
  if (far <= Math.abs(one.r - other.r) + 1e-6) return circleOf(one.r > other.r ? one : other);
  const [along, open] = [Math.atan2(dy, dx), Math.acos((one.r - other.r) / far)];
  const on = (circle: Circle, angle: number) =>
    `${at(circle.x + circle.r * Math.cos(angle))} ${at(circle.y + circle.r * Math.sin(angle))}`;
  const arc = (circle: Circle, isLong: boolean, end: string) =>
    `A${at(circle.r)} ${at(circle.r)} 0 ${isLong ? 1 : 0} 1 ${end}`;
  return `M${on(one, along + open)}${arc(one, open < Math.PI / 2, on(one, along - open))}L${on(other, along - open)}${arc(other, open > Math.PI / 2, on(other, along + open))}Z`;
}

const SIDES = 14;

/** What a rubber band round some circles encloses. */
export function hullOf(circles: readonly Circle[]): string {
  const points = circles
    .flatMap(({ x, y, r }) =>
      Array.from({ length: SIDES }, (_, i) => {
        const angle = (i / SIDES) * 2 * Math.PI;
        return { x: x + r * Math.cos(angle), y: y + r * Math.sin(angle) };
      }),
    )
    .sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (list: typeof points) => {
    const kept: typeof points = [];
    for (const point of list) {
      for (;;) {
        const [a, b] = [kept[kept.length - 2], kept[kept.length - 1]];
        if (a === undefined || b === undefined || (b.x - a.x) * (point.y - a.y) - (b.y - a.y) * (point.x - a.x) > 0)
          break;
        kept.pop();
      }
      kept.push(point);
    }
    return kept.slice(0, -1);
  };
  return pathOf([...half(points), ...half([...points].reverse())]);
}
