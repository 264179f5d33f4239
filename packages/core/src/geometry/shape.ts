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

/*
 * An oval of two radii that meet without a corner, as one draws it with compasses. With half as long a and half as wide b, and k = a − b,
 * the ends are drawn about points 1.5 k from the middle, the long sides about points 2 k beyond it: both hang on k alone, so that ovals
 * one round the other with the same reveal all round have the same centres, and the reveal is the same everywhere.
 *
 *          __----^----__
 *        /     |         \        ends: radius a − 1.5 k about (±1.5 k, 0)
 *       (    + + + ------>)       sides: radius b + 2 k about (0, ±2 k)
 *        \     |         /
 *          ‾‾----v----‾‾          √(1.5² + 2²) = 1.5 + 2 − 1: the radii differ by as much as the centres lie apart
 */
const END = 1.5;
const SIDE = 2;

/** The oval that fills a rectangle, a circle where it is a square; one much longer than wide has straight sides. Points go to the nearest tick. */
export function oval({ x, y, width, height }: Rect): Contour {
  const level = width >= height;
  const [a, b] = level ? [width / 2, height / 2] : [height / 2, width / 2];
  const k = a - b;
  const straight = END * k > 0.9 * a;
  const c = straight ? k : END * k;
  const d = straight ? 0 : SIDE * k;
  const reach = Math.hypot(c, d);
  // where end and side meet, as seen from the middle along and across
  const meet = straight ? [k, b] : [c + ((a - c) * c) / (reach || 1), ((a - c) * d) / (reach || 1)];
  const [cx, cy] = [x + Math.floor(width / 2), y + Math.floor(height / 2)];
  const at = (along: number, across: number) =>
    level ? point(cx + along, cy + across) : point(cx - across, cy + along);
  // the outermost points lie on the rectangle, half a tick from the middle or not
  const tip = { right: point(x + width, cy), top: point(cx, y + height), left: point(x, cy), bottom: point(cx, y) };
  const [end, side, otherEnd, otherSide] = level
    ? [tip.right, tip.top, tip.left, tip.bottom]
    : [tip.top, tip.left, tip.bottom, tip.right];
  const arc = (to: Point, along: number, across: number): Segment => ({ to, centre: at(along, across), turn: 'left' });
  if (k === 0) return { start: end, segments: [side, otherEnd, otherSide, end].map((to) => arc(to, 0, 0)) };
  const [m, n] = meet as [number, number];
  const along = (to: Point, across: number): Segment => (straight ? { to } : arc(to, 0, across));
  return {
    start: end,
    segments: [
      ...[arc(at(m, n), c, 0), along(side, -d), along(at(-m, n), -d), arc(otherEnd, -c, 0)],
      ...[arc(at(-m, -n), -c, 0), along(otherSide, d), along(at(m, -n), d), arc(end, c, 0)],
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

export const shapeOfOutline = (outline: Contour): Shape => ({ outline, holes: [] });

function contourMoved({ start, segments }: Contour, dx: number, dy: number): Contour {
  const move = (p: Point) => point(p.x + dx, p.y + dy);
  return {
    start: move(start),
    segments: segments.map((s) =>
      'centre' in s ? { to: move(s.to), centre: move(s.centre), turn: s.turn } : { to: move(s.to) },
    ),
  };
}

export const moveContour = (shape: Shape, dx: number, dy: number): Shape => ({
  outline: contourMoved(shape.outline, dx, dy),
  holes: shape.holes.map((h) => contourMoved(h, dx, dy)),
});

/**
 * The corners of a contour with its arcs as chords that stray from them by at most `tolerance` ticks (a float, for
 * drawing and for asking what lies inside; never for sizes).
 */
export function flattenContour(contour: Contour, tolerance: number): [x: number, y: number][] {
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
  const corners = flattenContour(shape.outline, 1);
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
  const outline = flattenContour(shape.outline, 24);
  if (!corners.every(([px, py]) => isInside(outline, px, py))) return false;
  const inner = { left: x, right: x + width, bottom: y, top: y + height };
  if (crossesBox(outline, inner)) return false;
  return shape.holes.every((hole) => {
    const ring = flattenContour(hole, 24);
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
