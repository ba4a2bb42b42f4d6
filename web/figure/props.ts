import { type Body, between, type Limb, type SeenProp } from './figure';
import { capsuleOf, circleOf, curveOf, hullOf, pathOf, type Seen } from './geometry';
import type { Look, Shape } from './paint';

const ball = (at: Seen, r: number) => ({ x: at.x, y: at.y, r });

/** The faces of a box that can be seen; its corners in tenths: ahead, up, right. */
function box(body: Body, from: readonly number[], to: readonly number[]): Shape[] {
  const [x0 = 0, y0 = 0, z0 = 0] = from;
  const [x1 = 0, y1 = 0, z1 = 0] = to;
  return prism(
    body,
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    z0,
    z1,
  );
}

/** An outline in the plane that divides left from right, as deep as from one side to the other. */
function prism(body: Body, outline: readonly (readonly [number, number])[], z0: number, z1: number): Shape[] {
  const near = outline.map(([x, y]) => body.place([x, y, Math.max(z0, z1)]));
  const far = outline.map(([x, y]) => body.place([x, y, Math.min(z0, z1)]));
  const faces: { points: Seen[]; tone: Shape['fill'] }[] = [
    { points: near, tone: 'prop' },
    { points: far, tone: 'prop' },
  ];
  outline.forEach(([x, y], i) => {
    const next = (i + 1) % outline.length;
    const [a, b, c, d] = [near[i], near[next], far[next], far[i]];
    const [nx, ny] = outline[next] ?? [0, 0];
    if (a !== undefined && b !== undefined && c !== undefined && d !== undefined)
      faces.push({ points: [a, b, c, d], tone: Math.abs(nx - x) > Math.abs(ny - y) ? 'propTop' : 'propSide' });
  });
  // From the farthest face to the nearest: what cannot be seen is painted over.
  return faces
    .sort((a, b) => mean(a.points) - mean(b.points))
    .map(({ points, tone }): Shape => ({ d: pathOf(points), fill: tone ?? 'prop', stroke: 'propLine', width: 0.35 }));
}

const mean = (points: readonly Seen[]): number => points.reduce((sum, point) => sum + point.depth, 0) / points.length;

const numbers = (value: string | readonly number[] | undefined): readonly number[] =>
  value === undefined || typeof value === 'string' ? [0, 0, 0] : value;

function legs(body: Body, from: readonly number[], to: readonly number[]): Shape[] {
  const [x0 = 0, y0 = 0, z0 = 0] = from;
  const [x1 = 0, , z1 = 0] = to;
  return [
    [x0 + 12, z0 + 12],
    [x1 - 12, z0 + 12],
    [x0 + 12, z1 - 12],
    [x1 - 12, z1 - 12],
  ].flatMap(([x = 0, z = 0]) => box(body, [x - 9, 0, z - 9], [x + 9, y0, z + 9]));
}

function straight(from: Seen, to: Seen, tone: Shape['stroke'], width: number): Shape {
  return { d: pathOf([from, to], false), stroke: tone ?? 'propLine', width };
}

const HELD = ['weight', 'hammer', 'stick', 'bar', 'ball'];

/** Which hand holds a prop; null where it stands by itself. */
const holder = (names: readonly (string | null)[]): string | null =>
  /^hand\.(work|other)$/.exec(names[0] ?? '')?.[1] ?? null;

/** What a hand holds: drawn with its arm. */
export function inHand(body: Body, limb: Limb, look: Look): { before: Shape[]; after: Shape[] } {
  const held = body.extras().props.filter((prop) => HELD.includes(prop.kind) && holder(prop.names) === limb);
  const shapesOf = (props: typeof held) =>
    props.flatMap(({ kind, size, at }): Shape[] => {
      const [a, b] = [body.point(`grip_a.${limb}`), body.point(`grip_b.${limb}`)];
      const on = (part: number) => between(b, a, part);
      const [middle] = at;
      const line = look.isSmall === true ? 0.8 : 0.4;
      if (middle === undefined) return [];
      switch (kind) {
        case 'weight': {
          const r = size === 0 ? 2.6 : size;
          return [
            straight(on(-0.1), on(1.1), 'propLine', 1.4),
            ...[on(-0.1), on(1.1)].map((end): Shape => ({
              d: circleOf(ball(end, r)),
              fill: 'load',
              stroke: 'outline',
              width: line,
            })),
          ];
        }
        case 'hammer': {
          const end = on(1 + (size === 0 ? 14 : size) / 8);
          const [dx, dy] = [a.x - b.x, a.y - b.y];
          const far = Math.hypot(dx, dy) + 0.01;
          const across = (k: number): Seen => ({
            x: end.x - (dy / far) * k,
            y: end.y + (dx / far) * k,
            depth: end.depth,
          });
          return [
            straight(on(-0.2), end, 'propLine', 1.5),
            {
              d: capsuleOf(ball(across(-3.4), 1.7), ball(across(3.4), 1.7)),
              fill: 'load',
              stroke: 'outline',
              width: line,
            },
          ];
        }
        case 'stick': {
          const [, other] = at;
          return [
            other === undefined
              ? straight(on(-1.1), on(2.1), 'propLine', 1.6)
              : straight(between(other, middle, -0.3), between(other, middle, 1.3), 'propLine', 1.6),
          ];
        }
        case 'ball':
          return [{ d: circleOf(ball(middle, size === 0 ? 3 : size)), fill: 'load', stroke: 'outline', width: line }];
        default: {
          const [, other] = at;
          if (other === undefined) return [];
          const [from, to] = [between(other, middle, -0.35), between(other, middle, 1.35)];
          return [
            straight(from, to, 'propLine', 1.5),
            ...(size === 0
              ? []
              : [from, to].map((end): Shape => ({
                  d: circleOf(ball(end, size)),
                  fill: 'load',
                  stroke: 'outline',
                  width: line,
                }))),
          ];
        }
      }
    });
  return {
    before: shapesOf(held.filter((prop) => prop.kind !== 'ball')),
    after: shapesOf(held.filter((prop) => prop.kind === 'ball')),
  };
}

function standing(body: Body, prop: SeenProp, look: Look): { shapes: Shape[]; isOver: boolean } {
  const { kind, size, at, raw } = prop;
  const [a, b, c] = at;
  const line = look.isSmall === true ? 0.8 : 0.4;
  const under = (shapes: Shape[]) => ({ shapes, isOver: false });
  const over = (shapes: Shape[]) => ({ shapes, isOver: true });
  if (a === undefined) return under([]);
  switch (kind) {
    case 'wall':
    case 'box':
    case 'step':
    case 'ledge':
    case 'cushion':
    case 'sled':
      return under(box(body, numbers(raw[0]), numbers(raw[1])));
    case 'bench':
    case 'table':
    case 'bed': {
      const [from, to] = [numbers(raw[0]), numbers(raw[1])];
      const [x0 = 0, , z0 = 0] = from;
      const top = to[1] ?? 0;
      const board = kind === 'table' ? top - 25 : top - 45;
      return under([...legs(body, [x0, board, z0], to), ...box(body, [x0, board, z0], to)]);
    }
    case 'chair': {
      const [from, to] = [numbers(raw[0]), numbers(raw[1])];
      const [x0 = 0, , z0 = 0] = from;
      const [x1 = 0, y1 = 0, z1 = 0] = to;
      return under([
        ...legs(body, [x0, y1 - 30, z0], [x1, y1, z1]),
        ...box(body, [x0, y1 - 30, z0], [x1, y1, z1]),
        ...(size === 0 ? [] : box(body, [x0 - 25, y1 - 30, z0], [x0, y1 + size * 10, z1])),
      ]);
    }
    case 'slope': {
      const [from, to] = [numbers(raw[0]), numbers(raw[1])];
      const [x0 = 0, y0 = 0, z0 = 0] = from;
      const [x1 = 0, y1 = 0, z1 = 0] = to;
      return under(
        prism(
          body,
          [
            [x0, 0],
            [x1, 0],
            [x1, y1],
            [x0, y0],
          ],
          z0,
          z1,
        ),
      );
    }
    case 'seat': {
      // Three places along the seat and its back, in the plane that divides left from right.
      const outline = raw.map((item) => numbers(item));
      return under(
        outline.slice(0, -1).flatMap((from, i): Shape[] => {
          const to = outline[i + 1] ?? from;
          const ends = [-110, 110].map(
            (z) => [body.place([from[0] ?? 0, from[1] ?? 0, z]), body.place([to[0] ?? 0, to[1] ?? 0, z])] as const,
          );
          const width = 2;
          return ends.map(([p, q]): Shape => ({
            d: capsuleOf(ball(p, width), ball(q, width)),
            fill: 'prop',
            stroke: 'propLine',
            width: 0.35,
          }));
        }),
      );
    }
    case 'post':
      return under(b === undefined ? [] : [straight(a, b, 'propLine', 2.6), straight(a, b, 'prop', 1.9)]);
    case 'rail':
      return under(b === undefined ? [] : [straight(a, b, 'propLine', 1.8)]);
    case 'line':
      return under(b === undefined ? [] : [straight(a, b, 'band', 0.9)]);
    case 'cone':
      return under([
        {
          d: pathOf([
            { x: a.x - 2.6, y: a.y },
            { x: a.x + 2.6, y: a.y },
            { x: a.x, y: a.y - 7 },
          ]),
          fill: 'band',
        },
      ]);
    case 'band':
      return over([{ d: pathOf(at, false), stroke: 'band', width: size === 0 ? 1.3 : size }]);
    case 'hanging':
      return over(
        b === undefined || c === undefined
          ? []
          : [{ d: pathOf([between(a, b, 0.5), c], false), stroke: 'band', width: 1.3 }],
      );
    case 'strap':
      return over([{ d: pathOf(at, false), stroke: 'propLine', width: 2.2 }]);
    case 'rope':
      return under([{ d: curveOf(at), stroke: 'propLine', width: 0.7 }]);
    case 'ball':
      return over([
        {
          d: circleOf(ball(b === undefined ? a : between(a, b, 0.5), size === 0 ? 4 : size)),
          fill: 'load',
          stroke: 'outline',
          width: line,
        },
      ]);
    case 'towel':
      return over([
        {
          d:
            b === undefined
              ? circleOf(ball(a, size === 0 ? 2 : size))
              : capsuleOf(ball(a, size === 0 ? 2 : size), ball(b, size === 0 ? 2 : size)),
          fill: 'propTop',
          stroke: 'propLine',
          width: 0.5,
        },
      ]);
    case 'weight':
      return over([
        { d: circleOf(ball(a, size === 0 ? 3 : size)), fill: 'load', stroke: 'outline', width: line },
        { d: circleOf(ball(a, (size === 0 ? 3 : size) * 0.3)), fill: 'prop' },
      ]);
    case 'bar':
      return over(
        b === undefined
          ? []
          : [
              straight(between(a, b, -0.5), between(a, b, 1.5), 'propLine', 1.6),
              ...[-0.5, 1.5].map((k): Shape => ({
                d: circleOf(ball(between(a, b, k), size === 0 ? 3.6 : size)),
                fill: 'load',
                stroke: 'outline',
                width: line,
              })),
            ],
      );
    case 'pack':
      return b === undefined || c === undefined
        ? under([])
        : over([
            { d: hullOf([ball(a, 2.6), ball(b, 3.4), ball(c, 2.6)]), fill: 'load', stroke: 'outline', width: line },
          ]);
    case 'plate':
      return b === undefined
        ? under([])
        : under([{ d: capsuleOf(ball(a, 1.5), ball(b, 1.5)), fill: 'load', stroke: 'outline', width: line }]);
    case 'lever':
      return b === undefined
        ? under([])
        : over([
            straight(a, b, 'propLine', 1.4),
            { d: circleOf(ball(a, 1.4)), fill: 'prop', stroke: 'propLine', width: 0.4 },
            { d: circleOf(ball(c ?? b, 2.0)), fill: 'load', stroke: 'outline', width: line },
          ]);
    case 'cloth':
      return under([{ d: capsuleOf(ball({ ...a, x: a.x - 4 }, 0.7), ball({ ...a, x: a.x + 6 }, 0.7)), fill: 'band' }]);
    case 'force': {
      // The way in which a hand, a wall or a band presses: an arrow to its place.
      if (b === undefined) return under([]);
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const far = Math.hypot(dx, dy) + 0.01;
      const [ux, uy] = [dx / far, dy / far];
      const back = { x: b.x - ux * 3, y: b.y - uy * 3 };
      return over([
        { d: pathOf([a, back], false), stroke: 'force', width: 1.1 },
        {
          d: pathOf([b, { x: back.x - uy * 2, y: back.y + ux * 2 }, { x: back.x + uy * 2, y: back.y - ux * 2 }]),
          fill: 'force',
        },
      ]);
    }
    default:
      return under([]);
  }
}

/** What stands by itself or goes with the body: shapes behind it and before it. */
export function behind(body: Body, look: Look): { before: Shape[]; after: Shape[] } {
  const props = body
    .extras()
    .props.filter((prop) => !HELD.includes(prop.kind) || holder(prop.names) === null)
    .map((prop) => standing(body, prop, look));
  return {
    before: props.filter((prop) => !prop.isOver).flatMap((prop) => prop.shapes),
    after: props.filter((prop) => prop.isOver).flatMap((prop) => prop.shapes),
  };
}
