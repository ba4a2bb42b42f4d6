import { type Ref, useEffect, useImperativeHandle, useMemo, useRef } from 'react';

import { type FigureData, frameAt, jointAt } from './figure';
import type { Place } from './motion';
import { type Look, paint, type Shape } from './paint';
import { floorOf, type Frame, frameOf } from './picture';

const SVG = 'http://www.w3.org/2000/svg';

/** Draws a figure at a place of its movement, without asking React. */
export interface Pen {
  draw: (place: Place) => void;
}

function set(element: Element, name: string, value: string | number | undefined): void {
  if (value === undefined) element.removeAttribute(name);
  else if (element.getAttribute(name) !== String(value)) element.setAttribute(name, String(value));
}

const tone = (name: string | undefined): string => (name === undefined ? 'none' : `var(--figure-${name})`);

/** Puts shapes into a group, using the elements that are there. */
function put(group: SVGGElement, shapes: readonly Shape[], frame: Frame, mirrored: boolean): void {
  shapes.forEach((shape, i) => {
    const name = shape.text === undefined ? 'path' : 'text';
    let element = group.children[i];
    if (element?.tagName !== name) {
      const fresh = document.createElementNS(SVG, name);
      if (element === undefined) group.append(fresh);
      else element.replaceWith(fresh);
      element = fresh;
    }
    set(element, 'fill', tone(shape.fill));
    set(element, 'opacity', shape.opacity);
    if (shape.text === undefined) {
      set(element, 'd', shape.d);
      set(element, 'stroke', shape.stroke === undefined ? undefined : tone(shape.stroke));
      set(element, 'stroke-width', shape.width);
      return;
    }
    const size = Math.max(3, frame.w * 0.05);
    element.textContent = shape.text.says;
    set(element, 'x', mirrored ? 2 * (frame.x + frame.w / 2) - shape.text.x : shape.text.x);
    set(element, 'y', shape.text.y);
    set(element, 'font-size', size);
    set(element, 'stroke', 'var(--figure-halo)');
    set(element, 'stroke-width', size * 0.28);
    // Words are not read in a mirror.
    set(element, 'transform', mirrored ? `translate(${2 * frame.x + frame.w} 0) scale(-1 1)` : undefined);
  });
  while (group.children.length > shapes.length) group.lastChild?.remove();
}

interface Props {
  figure: FigureData;
  /** Where it stands when it is first drawn, and whenever React draws it. */
  place: Place;
  label: string;
  size: number | string;
  mirrored?: boolean;
  look?: Look;
  pen?: Ref<Pen>;
}

/** A figure as a picture; whoever holds the pen can move it. */
export function Drawing({ figure, place, label, size, mirrored = false, look, pen }: Props) {
  const group = useRef<SVGGElement>(null);
  const frame = useMemo(() => frameOf(figure), [figure]);
  const draw = ({ level, isLifting }: Place) => {
    if (group.current === null) return;
    put(group.current, [...floorOf(figure, frame), ...paint(figure, level, isLifting, look)], frame, mirrored);
    const svg = group.current.ownerSVGElement;
    svg?.setAttribute('data-level', level.toFixed(4));
    const joint = jointAt(figure, frameAt(figure, level, isLifting));
    if (joint !== null) svg?.setAttribute('data-angle', joint.toFixed(1));
  };
  useImperativeHandle(pen, () => ({ draw }));
  useEffect(() => {
    draw(place);
  });
  return (
    <svg
      role="img"
      aria-label={label}
      data-figure={figure.exercise}
      width={size}
      height={size}
      viewBox={`${frame.x} ${frame.y} ${frame.w} ${frame.h}`}
      style={{ display: 'block', flex: 'none', maxWidth: '100%' }}
    >
      <g
        ref={group}
        strokeLinejoin="round"
        strokeLinecap="round"
        textAnchor="middle"
        dominantBaseline="middle"
        fontWeight={600}
        paintOrder="stroke"
        transform={mirrored ? `translate(${2 * frame.x + frame.w} 0) scale(-1 1)` : undefined}
      />
    </svg>
  );
}
