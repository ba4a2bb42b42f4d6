import { Body, type FigureData, POINTS } from './figure';
import { seenFrom } from './geometry';
import { type Look, paint, type Shape } from './paint';
import { DAYLIGHT } from './tones';

export interface Frame {
  x: number;
  y: number;
  w: number;
  h: number;
}

const MARGIN = 7;

/** The part of the world that a figure needs in all of its movement, square. */
export function frameOf(figure: FigureData): Frame {
  const bodies = [...figure.frames, ...(figure.lift ?? [])].map((frame) => new Body(figure, frame));
  if (figure.shows !== 'body') {
    const names = [
      ...HAND.map((name) => `${name}.work`),
      ...(figure.shows === 'arms' ? HAND.slice(1).map((name) => `${name}.other`) : []),
    ];
    return square(
      bodies.flatMap((body) => names.map((name) => body.point(name))),
      figure.sees,
    );
  }
  if (figure.near !== null) {
    const places = bodies.map((body) => body.point(figure.near ?? ''));
    const [x, y] = [mid(places.map((at) => at.x)), mid(places.map((at) => at.y))];
    return { x: x - figure.sees, y: y - figure.sees, w: figure.sees * 2, h: figure.sees * 2 };
  }
  const all = bodies.flatMap((body) => [
    ...POINTS.map((name) => body.point(name)),
    ...body
      .extras()
      .props.filter((prop) => prop.kind !== 'wall')
      .flatMap((prop) => prop.at),
  ]);
  const [left, right] = [Math.min(...all.map((at) => at.x)) - MARGIN, Math.max(...all.map((at) => at.x)) + MARGIN];
  const [top, bottom] = [Math.min(...all.map((at) => at.y)) - MARGIN, Math.max(...all.map((at) => at.y), 0) + 4];
  const side = Math.max(right - left, bottom - top, 70);
  return {
    x: (left + right - side) / 2,
    y: bottom - side + Math.max(0, (side - (bottom - top)) * 0.12),
    w: side,
    h: side,
  };
}

/** Of an arm, what a near view must hold. */
const HAND = ['elbow', 'wrist', 'knuckle', 'tip', 'thumb'];

function square(places: readonly { x: number; y: number }[], margin: number): Frame {
  const [left, right, top, bottom] = [
    Math.min(...places.map((at) => at.x)),
    Math.max(...places.map((at) => at.x)),
    Math.min(...places.map((at) => at.y)),
    Math.max(...places.map((at) => at.y)),
  ];
  const side = Math.max(right - left, bottom - top) + 2 * margin;
  return { x: (left + right - side) / 2, y: (top + bottom - side) / 2, w: side, h: side };
}

const mid = (values: number[]): number => (Math.min(...values) + Math.max(...values)) / 2;

/** The floor under a figure. */
export function floorOf(figure: FigureData, frame: Frame): Shape[] {
  if (figure.shows !== 'body') return [];
  const see = seenFrom(figure);
  if (figure.tilt > 30) return [{ d: `M${frame.x} ${frame.y}h${frame.w}v${frame.h}h${-frame.w}Z`, fill: 'floor' }];
  const edge = [see(0, 0, -300), see(0, 0, 300)].map((at) => at.y);
  const [y0, y1] = [Math.min(...edge), Math.max(...edge)];
  const d = `M${frame.x} ${Math.min(y0, -1)}h${frame.w}V${Math.max(y1, 2)}h${-frame.w}Z`;
  return [{ d, fill: 'floor' }];
}

const attributes = (shape: Shape): string =>
  `fill="${shape.fill === undefined ? 'none' : DAYLIGHT[shape.fill]}"${shape.stroke === undefined ? '' : ` stroke="${DAYLIGHT[shape.stroke]}" stroke-width="${shape.width ?? 1}" stroke-linejoin="round" stroke-linecap="round"`}${shape.opacity === undefined ? '' : ` opacity="${shape.opacity}"`}`;

/** A figure as SVG text, for paper and for contact sheets. */
export function svgOf(figure: FigureData, level: number, isLifting: boolean, look: Look, mirrored: boolean): string {
  const frame = frameOf(figure);
  const flip = `translate(${2 * frame.x + frame.w} 0) scale(-1 1)`;
  const shapes = [...floorOf(figure, frame), ...paint(figure, level, isLifting, look)];
  const size = Math.max(3, frame.w * 0.045);
  const body = shapes
    .map((shape) =>
      shape.text === undefined
        ? `<path d="${shape.d}" ${attributes(shape)}/>`
        : `<text x="${mirrored ? 2 * frame.x + frame.w - shape.text.x : shape.text.x}"${mirrored ? ` transform="${flip}"` : ''} y="${shape.text.y}" font-size="${size}" font-family="sans-serif" font-weight="600" text-anchor="middle" dominant-baseline="middle" fill="${DAYLIGHT.text}">${shape.text.says}</text>`,
    )
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${frame.x} ${frame.y} ${frame.w} ${frame.h}"><g${mirrored ? ` transform="${flip}"` : ''}>${body}</g></svg>`;
}
