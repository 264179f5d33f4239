import { ticks, type Ticks } from '../../length/index.ts';
import {
  boundsOf,
  moveContour,
  polygon,
  shapeOfOutline,
  type Contour,
  type Rect,
  type Shape,
} from '../../geometry/index.ts';

/*
 * Strips that hang from a line that is not level. All lengths along it are measured on it; each strip is turned as its line is:
 *
 *      \                 (               )         drop: how much lower one end is, or how far the curve sags
 *       [ ]\              [ ]\       /[ ]
 *          [ ]\               [ ]-[ ]
 *
 * Sines force floats: places and corners are rounded once, to the nearest tick.
 */

export type HangingLine = 'slant' | 'curve';

/** The middle of an upper edge and by how much it is turned, in ticks and radians; x from the left end of the line, y up from it. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** The deepest that a curve as long as that may sag: half a circle. */
export const maxSag = (along: number): number => along / Math.PI;

/** Half the angle of the arc of that length and sag. */
function halfAngle(along: number, sag: number): number {
  let [low, high] = [0, Math.PI / 2];
  for (let i = 0; i < 60; i++) {
    const half = (low + high) / 2;
    if ((1 - Math.cos(half)) / (2 * half) < sag / along) low = half;
    else high = half;
  }
  return (low + high) / 2;
}

/** Where strips hang whose middles lie so far along the line. */
export function locateHangingSpots(line: HangingLine, along: number, drop: number, middles: readonly number[]): Spot[] {
  if (line === 'slant') {
    const angle = -Math.asin(drop / along);
    return middles.map((m) => ({ x: m * Math.cos(angle), y: m * Math.sin(angle), angle }));
  }
  const half = halfAngle(along, drop);
  const radius = along / (2 * half);
  return middles.map((m) => {
    const angle = m / radius - half;
    return {
      x: radius * (Math.sin(half) + Math.sin(angle)),
      y: radius * (Math.cos(half) - Math.cos(angle)),
      angle,
    };
  });
}

/** Shapes of strips, their own coordinates from the lower left, hung on their spots; together they begin at 0, 0. */
export function hangShapes(
  shapes: ReadonlyArray<{ readonly outline: Contour; readonly width: Ticks; readonly length: Ticks }>,
  spots: readonly Spot[],
): { readonly shapes: Shape[]; readonly boxes: Rect[]; readonly size: Rect; readonly spots: Spot[] } {
  const turned = shapes.map(({ outline, width, length }, i) => {
    const { x, y, angle } = spots[i]!;
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const corners = [outline.start, ...outline.segments.slice(0, -1).map((s) => s.to)];
    return shapeOfOutline(
      polygon(
        corners.map((p) => {
          const [px, py] = [p.x - width / 2, p.y - length];
          return [x + px * cos - py * sin, y + px * sin + py * cos] as const;
        }),
      ),
    );
  });
  const raw = turned.map(boundsOf);
  const [left, bottom] = [Math.min(...raw.map((b) => b.x)), Math.min(...raw.map((b) => b.y))];
  const placed = turned.map((s) => moveContour(s, -left, -bottom));
  const boxes = placed.map(boundsOf);
  const reach = (end: (b: Rect) => number) => ticks(Math.max(...boxes.map(end)));
  return {
    shapes: placed,
    boxes,
    size: { x: ticks(0), y: ticks(0), width: reach((b) => b.x + b.width), height: reach((b) => b.y + b.height) },
    spots: spots.map((s) => ({ ...s, x: s.x - left, y: s.y - bottom })),
  };
}
