import { Body, between, type FigureData, frameAt, type Limb } from './figure';
import { capsuleOf, type Circle, curveOf, hullOf, pathOf, type Seen } from './geometry';
import { behind, inHand } from './props';
import type { Tone } from './tones';

export interface Shape {
  d: string;
  fill?: Tone;
  stroke?: Tone;
  /** In percent of the body's height. */
  width?: number;
  opacity?: number;
  text?: { x: number; y: number; says: string };
}

export interface Look {
  /** A small picture: fewer details, thicker lines. */
  isSmall?: boolean;
}

const ball = (at: Seen, r: number): Circle => ({ x: at.x, y: at.y, r });

/** A part of the body of one tone: its outline first, so that the joints show no seams. */
function part(paths: string[], fill: Tone, width: number): Shape[] {
  const d = paths.join('');
  return [
    { d, stroke: 'outline', width: width * 2 },
    { d, fill },
  ];
}

function leg(body: Body, limb: Limb, isFar: boolean, look: Look): Shape[] {
  const at = (name: string) => body.point(`${name}.${limb}`);
  const [hip, knee, ankle, heel, front, toe] = [at('hip'), at('knee'), at('ankle'), at('heel'), at('ball'), at('toe')];
  const line = look.isSmall === true ? 0.9 : 0.45;
  const calf = between(knee, ankle, 0.28);
  const cuff = between(hip, knee, 0.42);
  return [
    ...part(
      [
        capsuleOf(ball(hip, 5.0), ball(knee, 3.2)),
        capsuleOf(ball(knee, 3.1), ball(calf, 3.1)),
        capsuleOf(ball(calf, 3.1), ball(ankle, 1.9)),
        hullOf([ball(ankle, 1.9), ball(heel, 2.0), ball(front, 1.3)]),
        capsuleOf(ball(front, 1.3), ball(toe, 1.0)),
      ],
      isFar ? 'far' : 'near',
      line,
    ),
    { d: capsuleOf(ball(hip, 5.0), ball(cuff, 4.4)), fill: isFar ? 'farCloth' : 'cloth' },
  ];
}

function arm(body: Body, limb: Limb, isFar: boolean, look: Look): Shape[] {
  const at = (name: string) => body.point(`${name}.${limb}`);
  const [shoulder, elbow, wrist, knuckle] = [at('shoulder'), at('elbow'), at('wrist'), at('knuckle')];
  const fat = between(elbow, wrist, 0.25);
  const tone = isFar ? 'far' : 'near';
  const line = look.isSmall === true ? 0.9 : 0.45;
  return [
    ...part(
      [
        capsuleOf(ball(shoulder, 3.1), ball(elbow, 2.2)),
        capsuleOf(ball(elbow, 2.2), ball(fat, 2.3)),
        capsuleOf(ball(fat, 2.3), ball(wrist, 1.5)),
        capsuleOf(ball(wrist, 1.6), ball(knuckle, 1.7)),
      ],
      tone,
      line,
    ),
    ...part(
      look.isSmall === true
        ? [capsuleOf(ball(wrist, 1.6), ball(knuckle, 1.7)), capsuleOf(ball(knuckle, 1.4), ball(at('tip'), 1.2))]
        : [
            capsuleOf(ball(wrist, 1.5), ball(knuckle, 1.7)),
            capsuleOf(ball(knuckle, 1.35), ball(at('finger'), 1.15)),
            capsuleOf(ball(at('finger'), 1.1), ball(at('tip'), 0.9)),
            capsuleOf(ball(between(wrist, knuckle, 0.35), 1.0), ball(at('thumb'), 0.75)),
          ],
      tone,
      look.isSmall === true ? 0.6 : 0.35,
    ),
  ];
}

function trunk(body: Body, look: Look): Shape[] {
  const at = (name: string) => body.point(name);
  const line = look.isSmall === true ? 0.9 : 0.45;
  const [waist, ribs, neck, head, nose] = [at('waist'), at('ribs'), at('neck'), at('head'), at('nose')];
  const hips = [ball(at('hip.work'), 5.2), ball(at('hip.other'), 5.2)];
  const upper = [ball(ribs, 6.0), ball(at('shoulder.work'), 3.2), ball(at('shoulder.other'), 3.2), ball(waist, 5.0)];
  return [
    ...part(
      [
        hullOf([...hips, ball(waist, 5.0)]),
        hullOf(upper),
        capsuleOf(ball(neck, 2.7), ball(between(neck, head, 0.5), 2.5)),
        capsuleOf(ball(between(neck, head, 1.12), 5.0), ball(between(neck, head, 0.82), 4.3)),
        ...(nose.depth > head.depth + 2 ? [] : [capsuleOf(ball(between(head, nose, 0.72), 1.4), ball(nose, 0.8))]),
      ],
      'near',
      line,
    ),
    ...(nose.depth > head.depth + 2
      ? [{ d: capsuleOf(ball(between(head, nose, 0.85), 0.9), ball(nose, 0.7)), fill: 'far' as const }]
      : []),
    { d: hullOf([...hips, ball(between(at('pelvis'), waist, 0.35), 5.0)]), fill: 'cloth' },
  ];
}

function tissues(body: Body, limb: Limb, of: 'arm' | 'leg'): Shape[] {
  return body
    .extras()
    .tissue.filter((item) => item.limb === limb && item.of === of)
    .map(({ kind, points }): Shape =>
      kind === 'muscle'
        ? { d: curveOf(points), stroke: 'muscle', width: 3.4, opacity: 0.55 }
        : { d: curveOf(points), stroke: 'tendon', width: 1.7 },
    );
}

type Angle = NonNullable<FigureData['angle']>;

const endsOf = (angle: Angle): [number, number] => [
  Math.min(angle.low_deg, angle.high_deg),
  Math.max(angle.low_deg, angle.high_deg),
];

/** Ends so near each other that one angle is meant. */
const isOne = (angle: Angle): boolean => Math.abs(angle.low_deg - angle.high_deg) < 6;

/** The range to stay in, as it stands at the arc. */
export function rangeWords(angle: Angle): string {
  const [least, most] = endsOf(angle);
  return isOne(angle) ? `${most}°` : least < 0 ? `${most}° each way` : `${least}–${most}°`;
}

/** The range to stay in: an arc at the joint, from where it is straight, with its degrees. */
function range(body: Body): Shape[] {
  const { angle } = body.figure;
  const [joint, first, square] = body.extras().arc;
  if (angle === null || joint === undefined || first === undefined || square === undefined) return [];
  const on = (degrees: number, far: number) => {
    const [c, s] = [Math.cos((degrees * Math.PI) / 180) * far, Math.sin((degrees * Math.PI) / 180) * far];
    return {
      x: joint.x + (first.x - joint.x) * c + (square.x - joint.x) * s,
      y: joint.y + (first.y - joint.y) * c + (square.y - joint.y) * s,
    };
  };
  const [least, most] = endsOf(angle);
  const from = isOne(angle) ? 0 : least;
  const along = Array.from({ length: 13 }, (_, i) => on(from + ((most - from) * i) / 12, 1.25));
  const label = on((from + most) / 2, 1.72);
  return [
    { d: pathOf([joint, ...along]), fill: 'range', opacity: 0.22 },
    { d: pathOf(along, false), stroke: 'range', width: 0.8 },
    { d: '', text: { ...label, says: rangeWords(angle) }, fill: 'text' },
  ];
}

/** A figure at a level of its movement, as shapes from back to front. */
export function paint(figure: FigureData, level: number, isLifting = false, look: Look = {}): Shape[] {
  const body = new Body(figure, frameAt(figure, level, isLifting));
  const middle = body.point('ribs').depth;
  const pieces: { depth: number; shapes: Shape[] }[] = [];
  for (const limb of figure.shows === 'arm' ? (['work'] as const) : (['work', 'other'] as const)) {
    const armDepth = (body.point(`elbow.${limb}`).depth + body.point(`wrist.${limb}`).depth) / 2;
    const held = inHand(body, limb, look);
    pieces.push({
      depth: armDepth,
      shapes: [
        ...held.before,
        ...arm(
          body,
          limb,
          figure.shows === 'body' ? body.point(`shoulder.${limb}`).depth < middle - 4 : limb === 'other',
          look,
        ),
        ...tissues(body, limb, 'arm'),
        ...held.after,
      ],
    });
    const legDepth = (body.point(`knee.${limb}`).depth + body.point(`hip.${limb}`).depth) / 2;
    if (figure.shows === 'body')
      pieces.push({
        depth: legDepth,
        shapes: leg(body, limb, body.point(`hip.${limb}`).depth < body.point('pelvis').depth - 2, look).concat(
          tissues(body, limb, 'leg'),
        ),
      });
  }
  if (figure.shows === 'body')
    pieces.push({ depth: (middle + body.point('pelvis').depth) / 2, shapes: trunk(body, look) });
  pieces.sort((a, b) => a.depth - b.depth);
  const props = behind(body, look);
  return [
    ...props.before,
    ...pieces.flatMap((piece) => piece.shapes),
    ...props.after,
    ...(look.isSmall === true ? [] : range(body)),
  ];
}
