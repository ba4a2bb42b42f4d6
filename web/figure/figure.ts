import type { Schemas } from '../api/client';
import { type Camera, type Seen, seenFrom } from './geometry';

export type FigureData = Schemas['Figure'];

export type Limb = 'work' | 'other';

const MIDDLE = ['pelvis', 'waist', 'ribs', 'neck', 'head', 'nose'];
const SIDED = [
  'shoulder',
  'elbow',
  'wrist',
  'knuckle',
  'finger',
  'tip',
  'thumb',
  'grip_a',
  'grip_b',
  'hip',
  'knee',
  'ankle',
  'heel',
  'ball',
  'toe',
];

/** The points of the body in the order in which every frame gives them, three numbers each. */
export const POINTS: readonly string[] = [
  ...MIDDLE,
  ...SIDED.map((name) => `${name}.work`),
  ...SIDED.map((name) => `${name}.other`),
];

const INDEX = new Map(POINTS.map((name, i) => [name, i]));

/** A frame between the frames of the movement, at a level from 0 (lowered) to 1 (lifted). */
export function frameAt(figure: FigureData, level: number, isLifting = false): number[] {
  const frames = isLifting && figure.lift !== null ? figure.lift : figure.frames;
  const place = Math.min(1, Math.max(0, level)) * (frames.length - 1);
  const [from, to] = [frames[Math.floor(place)] ?? [], frames[Math.ceil(place)] ?? []];
  const part = place - Math.floor(place);
  return part === 0 ? from : from.map((value, i) => value + ((to[i] ?? value) - value) * part);
}

/** A prop with its places in the picture, their names where they are points of the body, and as they were sent. */
export interface SeenProp {
  kind: string;
  size: number;
  at: Seen[];
  names: (string | null)[];
  raw: (string | readonly number[])[];
}

interface Extras {
  tissue: { kind: string; limb: string; of: string; points: Seen[] }[];
  props: SeenProp[];
  arc: Seen[];
}

/** A frame as a camera sees it. */
export class Body {
  private readonly see: (ahead: number, up: number, right: number) => Seen;
  private read: Extras | undefined;

  constructor(
    readonly figure: FigureData,
    private readonly frame: readonly number[],
    camera: Camera = figure,
  ) {
    this.see = seenFrom(camera);
  }

  /** The point of that number in the frame. */
  nth(i: number): Seen {
    return this.see(this.frame[i * 3] ?? 0, this.frame[i * 3 + 1] ?? 0, this.frame[i * 3 + 2] ?? 0);
  }

  point(name: string): Seen {
    if (name === 'hand.work' || name === 'hand.other') {
      const limb = name.slice(5);
      return between(this.point(`grip_a.${limb}`), this.point(`grip_b.${limb}`), 0.5);
    }
    return this.nth(INDEX.get(name) ?? 0);
  }

  place([ahead = 0, up = 0, right = 0]: readonly number[]): Seen {
    return this.see(ahead, up, right);
  }

  /** Where the places of each prop are, and those of the tissue and of the arc, which follow the body's points in the frame; read once. */
  extras(): Extras {
    return (this.read ??= this.readExtras());
  }

  private readExtras(): Extras {
    let next = POINTS.length;
    const tissue = this.figure.tissue.map(({ kind, limb, of, points }) => ({
      kind,
      limb,
      of,
      points: Array.from({ length: points }, () => this.nth(next++)),
    }));
    const props = this.figure.props.map(({ kind, size, at }) => ({
      kind,
      size,
      raw: at,
      names: at.map((item) => (typeof item === 'string' && item !== 'fastened' ? item : null)),
      at: at.map((item) =>
        typeof item !== 'string' ? this.place(item) : item === 'fastened' ? this.nth(next++) : this.point(item),
      ),
    }));
    const arc = this.figure.angle === null ? [] : [this.nth(next), this.nth(next + 1), this.nth(next + 2)];
    return { tissue, props, arc };
  }
}

export const between = (a: Seen, b: Seen, part: number): Seen => ({
  x: a.x + (b.x - a.x) * part,
  y: a.y + (b.y - a.y) * part,
  depth: a.depth + (b.depth - a.depth) * part,
});

/** The three points between which each joint is measured: before it, the joint, behind it. */
const JOINTS: Record<string, readonly [string, string, string]> = {
  knee: ['hip', 'knee', 'ankle'],
  hip: ['neck', 'hip', 'knee'],
  elbow: ['shoulder', 'elbow', 'wrist'],
  arm: ['hip', 'shoulder', 'elbow'],
};

/** How far the joint of the shown range is bent in a frame, in degrees, measured off the points that are drawn; null where none is shown. */
export function jointAt(figure: FigureData, frame: readonly number[]): number | null {
  const names = figure.angle === null ? undefined : JOINTS[figure.angle.joint];
  if (names === undefined) return null;
  const [a, b, c] = names.map((name) => {
    const i = (INDEX.get(name) ?? INDEX.get(`${name}.work`) ?? 0) * 3;
    return [frame[i] ?? 0, frame[i + 1] ?? 0, frame[i + 2] ?? 0] as const;
  });
  if (a === undefined || b === undefined || c === undefined) return null;
  const [u, v] = [a.map((value, i) => value - (b[i] ?? 0)), c.map((value, i) => value - (b[i] ?? 0))];
  const cos = u.reduce((sum, value, i) => sum + value * (v[i] ?? 0), 0) / (Math.hypot(...u) * Math.hypot(...v));
  const between = (Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI;
  return figure.angle?.joint === 'arm' ? between : 180 - between;
}
