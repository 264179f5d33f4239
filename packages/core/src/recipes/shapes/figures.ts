import { ticks } from '../../length/index.ts';
import {
  boundsOf,
  circle,
  moveContour,
  polygon,
  shapeOfOutline,
  type Contour,
  type Point,
  type Segment,
  type Shape,
} from '../../geometry/index.ts';
import type { Figure, Measure, OwnOutline, ShapesInput } from './input.ts';

/*
 * What each figure looks like, from its measures in ticks as floats; corners are rounded once. Each begins at 0, 0.
 *
 *      ___            /\         \    /       .-.-.          heart: a square on its tip and half a circle on each
 *     /   \  hexagon /  \ triangle\  / pennant (   ) scalloped      of its upper sides, so that it is √2 − 1/2 times as high as wide
 *     \___/         /____\         \/         '-'-'
 */

/** The measures that a figure has, in the order in which one would say them. */
export const MEASURES_OF: Readonly<Record<Figure, readonly Measure[]>> = {
  hexagon: ['flats', 'corners', 'side'],
  circle: ['across'],
  triangle: ['side', 'height'],
  pennant: ['width', 'height'],
  tag: ['width', 'height'],
  scalloped: ['across'],
  star: ['across'],
  heart: ['width', 'height'],
  own: ['width', 'height'],
};

export type FigureMeasures = Readonly<Partial<Record<Measure, number>>>;
const at = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });

/** The figure, and what is cut out of it. */
export function makeFigure(input: ShapesInput, m: FigureMeasures): Shape {
  switch (input.figure) {
    case 'hexagon':
      return atOrigin(shapeOfOutline(hexagon(m.side!, input.pointing === 'flats-up')));
    case 'circle':
      return shapeOfOutline(circle(m.across! / 2, m.across! / 2, m.across! / 2));
    case 'triangle':
      return shapeOfOutline(
        polygon([
          [0, 0],
          [m.side!, 0],
          [m.side! / 2, m.height!],
        ]),
      );
    case 'pennant':
      return shapeOfOutline(
        polygon([
          [0, m.height!],
          [m.width! / 2, 0],
          [m.width!, m.height!],
        ]),
      );
    case 'tag':
      return tag(m.width!, m.height!);
    case 'scalloped':
      return atOrigin(shapeOfOutline(scalloped(m.across! / 2, input.points)));
    case 'star':
      return atOrigin(shapeOfOutline(star(m.across! / 2, input.points)));
    case 'heart':
      return atOrigin(shapeOfOutline(heart(m.width!)));
    case 'own':
      return ownShape(input.own!, m.width!, m.height!);
  }
}

function atOrigin(shape: Shape): Shape {
  const { x, y } = boundsOf(shape);
  return moveContour(shape, -x, -y);
}

function hexagon(side: number, flatsUp: boolean): Contour {
  const first = flatsUp ? 0 : Math.PI / 6;
  return polygon(
    Array.from({ length: 6 }, (_, k) => {
      const angle = first + (k * Math.PI) / 3;
      return [side * Math.cos(angle), side * Math.sin(angle)] as const;
    }),
  );
}

/** Upper corners cut off by a quarter of its width, a hole under the middle of what is left. */
function tag(width: number, height: number): Shape {
  const crop = Math.min(width / 4, height / 3);
  const radius = Math.min(width / 16, height / 16);
  return {
    outline: polygon([
      [0, 0],
      [width, 0],
      [width, height - crop],
      [width - crop, height],
      [crop, height],
      [0, height - crop],
    ]),
    holes: [circle(width / 2, height - crop * 0.8, radius)],
  };
}

/** Half circles side by side round a circle, the first to the right; `radius` to where they reach furthest. */
function scalloped(radius: number, scallops: number): Contour {
  const half = Math.PI / scallops;
  const valleys = radius / (Math.cos(half) + Math.sin(half));
  const valley = (k: number) => at(valleys * Math.cos((2 * k - 1) * half), valleys * Math.sin((2 * k - 1) * half));
  const middle = (k: number) => {
    const r = valleys * Math.cos(half);
    return at(r * Math.cos(2 * k * half), r * Math.sin(2 * k * half));
  };
  const segments = Array.from({ length: scallops }, (_, k): Segment => {
    return { to: valley((k + 1) % scallops), centre: middle(k), turn: 'left' };
  });
  return { start: valley(0), segments };
}

/** Its tips on a circle; from five on its sides go on straight from tip to tip. */
function star(radius: number, points: number): Contour {
  const step = Math.PI / points;
  const inner = points < 5 ? 0.4 : Math.cos(2 * step) / Math.cos(step);
  return polygon(
    Array.from({ length: 2 * points }, (_, k) => {
      const r = radius * (k % 2 ? inner : 1);
      return [r * Math.sin(k * step), r * Math.cos(k * step)] as const;
    }),
  );
}

function heart(width: number): Contour {
  const side = width / (1 + Math.SQRT1_2);
  const half = side * Math.SQRT1_2;
  const arc = (to: Point, x: number): Segment => ({ to, centre: at(x, half / 2), turn: 'left' });
  const [tip, top] = [at(0, -half), at(0, half)];
  return {
    start: tip,
    segments: [{ to: at(half, 0) }, arc(top, half / 2), arc(at(-half, 0), -half / 2), { to: tip }],
  };
}

/** An outline of one's own, stretched to a size. */
function ownShape({ outline, holes }: OwnOutline, width: number, height: number): Shape {
  const reach = extentOfOwn(outline);
  const sized = (ring: OwnOutline['outline']) =>
    polygon(ring.map(([x, y]) => [(x * width) / reach.width, (y * height) / reach.height]));
  return atOrigin({ outline: sized(outline), holes: holes.map(sized) });
}

export const extentOfOwn = (outline: OwnOutline['outline']): { readonly width: number; readonly height: number } => ({
  width: Math.max(1, ...outline.map(([x]) => x)),
  height: Math.max(1, ...outline.map(([, y]) => y)),
});
