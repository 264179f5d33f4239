import { ticks } from '../length/index.ts';
import type { Point } from './polygon.ts';
import { rect, type Rect } from './rect.ts';

/** A straight line to a point, or an arc about a centre: `left` runs counter-clockwise, `right` clockwise. */
export type Segment =
  { readonly to: Point } | { readonly to: Point; readonly centre: Point; readonly turn: 'left' | 'right' };

/** A closed line of segments, in ticks; the last one ends at the start. */
export interface Contour {
  readonly start: Point;
  readonly segments: readonly Segment[];
}

/** What a layer or a piece looks like from above: its outline, less its holes. */
export interface Shape {
  readonly outline: Contour;
  readonly holes: readonly Contour[];
}

const point = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });

/** A closed outline of straight lines; coordinates are rounded once, to the nearest tick. */
export function polygon(corners: ReadonlyArray<readonly [x: number, y: number]>): Contour {
  const [start, ...rest] = corners.map(([x, y]) => point(x, y));
  if (!start || rest.length < 2) throw new RangeError('an outline has three corners at least');
  return { start, segments: [...rest, start].map((to) => ({ to })) };
}

/** A full circle in ticks: two half turns. */
export function circle(x: number, y: number, radius: number): Contour {
  const [left, right, centre] = [point(x - radius, y), point(x + radius, y), point(x, y)];
  return {
    start: left,
    segments: [
      { to: right, centre, turn: 'left' },
      { to: left, centre, turn: 'left' },
    ],
  };
}

export const rectangle = ({ x, y, width, height }: Rect): Shape => ({
  outline: polygon([
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ]),
  holes: [],
});

export const whole = (outline: Contour): Shape => ({ outline, holes: [] });

function contourMoved({ start, segments }: Contour, dx: number, dy: number): Contour {
  const move = (p: Point) => point(p.x + dx, p.y + dy);
  return {
    start: move(start),
    segments: segments.map((s) =>
      'centre' in s ? { to: move(s.to), centre: move(s.centre), turn: s.turn } : { to: move(s.to) },
    ),
  };
}

export const moved = (shape: Shape, dx: number, dy: number): Shape => ({
  outline: contourMoved(shape.outline, dx, dy),
  holes: shape.holes.map((h) => contourMoved(h, dx, dy)),
});

/**
 * The corners of a contour with its arcs as chords that stray from them by at most `tolerance` ticks (a float, for
 * drawing and for asking what lies inside; never for sizes).
 */
export function flattened(contour: Contour, tolerance: number): [x: number, y: number][] {
  const found: [number, number][] = [[contour.start.x, contour.start.y]];
  let from = contour.start;
  for (const segment of contour.segments) {
    if ('centre' in segment) {
      const { centre, to, turn } = segment;
      const radius = Math.hypot(from.x - centre.x, from.y - centre.y);
      const first = Math.atan2(from.y - centre.y, from.x - centre.x);
      let sweep = Math.atan2(to.y - centre.y, to.x - centre.x) - first;
      if (turn === 'left' && sweep <= 0) sweep += 2 * Math.PI;
      if (turn === 'right' && sweep >= 0) sweep -= 2 * Math.PI;
      // a corner at each of the four outermost points, so that the bounds are exact
      const quarter = Math.PI / 2;
      const each = 2 * Math.acos(Math.max(0, 1 - tolerance / Math.max(radius, tolerance)));
      const step = quarter / Math.max(1, Math.ceil(quarter / Math.max(each, 1e-3)));
      const [low, high] = sweep > 0 ? [first, first + sweep] : [first + sweep, first];
      const angles: number[] = [];
      for (let i = Math.floor(low / step) + 1; i * step < high - 1e-9; i++)
        if (i * step > low + 1e-9) angles.push(i * step);
      for (const at of sweep > 0 ? angles : angles.reverse())
        found.push([centre.x + radius * Math.cos(at), centre.y + radius * Math.sin(at)]);
    }
    found.push([segment.to.x, segment.to.y]);
    from = segment.to;
  }
  found.pop();
  return found;
}

/** The smallest upright rectangle round a shape, to the nearest tick where arcs reach it. */
export function boundsOf(shape: Shape): Rect {
  const corners = flattened(shape.outline, 1);
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
  const [left, bottom] = [Math.round(Math.min(...xs)), Math.round(Math.min(...ys))];
  return rect(left, bottom, Math.round(Math.max(...xs)) - left, Math.round(Math.max(...ys)) - bottom);
}

/** Whether a shape is an upright rectangle without holes: then its bounds say all of it. */
export function isRectangle({ outline, holes }: Shape): boolean {
  if (holes.length || outline.segments.length !== 4 || outline.segments.some((s) => 'centre' in s)) return false;
  const corners = [outline.start, ...outline.segments.slice(0, 3).map((s) => s.to)];
  return corners.every((p, i) => {
    const q = corners[(i + 1) % 4]!;
    return (p.x === q.x) !== (p.y === q.y);
  });
}

/** Whether a rectangle lies inside a shape altogether; its edges may touch. */
export function holdsRect(shape: Shape, { x, y, width, height }: Rect): boolean {
  const corners = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ] as const;
  const outline = flattened(shape.outline, 24);
  if (!corners.every(([px, py]) => isInside(outline, px, py))) return false;
  const inner = { left: x, right: x + width, bottom: y, top: y + height };
  if (crossesBox(outline, inner)) return false;
  return shape.holes.every((hole) => {
    const ring = flattened(hole, 24);
    return !crossesBox(ring, inner) && !corners.some(([px, py]) => isInside(ring, px, py) && !isOn(ring, px, py));
  });
}

type Ring = readonly (readonly [number, number])[];

function isOn(ring: Ring, x: number, y: number): boolean {
  return ring.some(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const side = (bx - ax) * (y - ay) - (by - ay) * (x - ax);
    const span = Math.hypot(bx - ax, by - ay);
    const along = (bx - ax) * (x - ax) + (by - ay) * (y - ay);
    return Math.abs(side) <= span && along >= -span && along <= span * span + span;
  });
}

function isInside(ring: Ring, x: number, y: number): boolean {
  if (isOn(ring, x, y)) return true;
  let inside = false;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
  });
  return inside;
}

/** Whether a line of the ring runs through the inside of the box (touching its edge is not through). */
function crossesBox(ring: Ring, box: { left: number; right: number; bottom: number; top: number }): boolean {
  return ring.some(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    // clip the line to the box (Liang and Barsky, 1984); what is left must have length and lie off the edges
    let [from, to] = [0, 1];
    for (const [p, q] of [
      [ax - bx, ax - box.left - 1],
      [bx - ax, box.right - 1 - ax],
      [ay - by, ay - box.bottom - 1],
      [by - ay, box.top - 1 - ay],
    ] as const) {
      if (p === 0) {
        if (q < 0) return false;
      } else if (p < 0) from = Math.max(from, q / p);
      else to = Math.min(to, q / p);
    }
    return from < to;
  });
}
