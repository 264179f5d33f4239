import { ticks } from '../length/index.ts';
import {
  boundsOf,
  moveContour,
  polygon,
  shapeOfOutline,
  type Point,
  type Shape,
  type Size,
} from '../geometry/index.ts';

/* What lies about a point. Sines force floats: corners are rounded once, to the nearest tick. */

export type Corner = readonly [x: number, y: number];
export const degrees = (n: number): number => (n * Math.PI) / 180;

/** A strip along a direction, `from` and `to` so far from a point at 0, 0, its middle line through it; its ends square. */
export function makeRadialStrip(width: number, from: number, to: number, angle: number): Corner[] {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const at = (along: number, aside: number): Corner => [along * cos - aside * sin, along * sin + aside * cos];
  return [at(from, -width / 2), at(to, -width / 2), at(to, width / 2), at(from, width / 2)];
}

/** Outlines moved so that all of them together begin at 0, 0; and where the point went that was at 0, 0. */
export function moveToZero(outlines: readonly (readonly Corner[])[]): { shapes: Shape[]; size: Size; middle: Point } {
  const raw = outlines.map((corners) => shapeOfOutline(polygon(corners)));
  const boxes = raw.map(boundsOf);
  const [left, bottom] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))];
  const [right, top] = [Math.max(...boxes.map((b) => b.x + b.width)), Math.max(...boxes.map((b) => b.y + b.height))];
  return {
    shapes: raw.map((shape) => moveContour(shape, -left, -bottom)),
    size: { width: ticks(right - left), height: ticks(top - bottom) },
    middle: { x: ticks(-left), y: ticks(-bottom) },
  };
}
