import type { Edge } from './rect.ts';
import { areaWithin } from './polygon.ts';

/* Odd paper: what of an outline lies in a part of it, which of the part's edges are there, and which corners are not. */

export interface Spot {
  readonly x: number;
  readonly y: number;
}
type Box = Readonly<Record<'x' | 'y' | 'width' | 'height', number>>;

/**
 * What of an outline lies in a rectangle (I. E. Sutherland and G. W. Hodgman, 1974). Of a hollow outline the pieces hang
 * together by lines there and back along the rectangle's edge, which have no area.
 */
export function clipPaper(outline: readonly Spot[], r: Box): Spot[] {
  const clip = (corners: readonly Spot[], axis: 'x' | 'y', at: number, sign: 1 | -1): Spot[] =>
    corners.flatMap((p, i) => {
      const q = corners[(i + 1) % corners.length]!;
      const [a, b] = [(p[axis] - at) * sign, (q[axis] - at) * sign];
      const share = a / (a - b);
      const crossing = { x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) };
      return [...(a >= 0 ? [p] : []), ...(a >= 0 === b >= 0 ? [] : [crossing])];
    });
  const sideways = clip(clip(outline, 'x', r.x, 1), 'x', r.x + r.width, -1);
  return clip(clip(sideways, 'y', r.y, 1), 'y', r.y + r.height, -1);
}

/** How much of one edge of a rectangle is an edge of the paper in it: 0 where there is at most a tip. */
export function edgeLengthOnPaper(outline: readonly Spot[], r: Box, edge: Edge): number {
  const axis = edge === 'left' || edge === 'right' ? 'x' : 'y';
  const other = axis === 'x' ? 'y' : 'x';
  const size = axis === 'x' ? r.width : r.height;
  const at = r[axis] + (edge === 'right' || edge === 'top' ? size : 0);
  const paper = clipPaper(outline, r);
  const on = (p: Spot) => Math.abs(p[axis] - at) < 0.5;
  // there and back is nothing
  const sum = paper.reduce((all, p, i) => {
    const q = paper[(i + 1) % paper.length]!;
    return on(p) && on(q) ? all + q[other] - p[other] : all;
  }, 0);
  return Math.abs(sum);
}

/**
 * Whether a rectangle, as it lies, has room within an outline somewhere. Where it has, it has where it can be pushed no further: two of
 * its sides or corners touch corners or edges of the outline, so those places are all that need be tried.
 */
export function holdsOutline(
  outline: readonly Spot[],
  size: { readonly width: number; readonly height: number },
): boolean {
  const { width, height } = size;
  const area = width * height;
  if (areaWithin(outline) < area) return false;
  // half a tick on two sides is nothing
  const least = area - (width + height) / 2;
  const holds = (x: number, y: number): boolean => areaWithin(clipPaper(outline, { x, y, width, height })) >= least;
  const lines = whereItTouches(outline, width, height);
  return lines.some((one, i) =>
    lines.slice(i + 1).some((other) => {
      const spin = one.a * other.b - other.a * one.b;
      if (Math.abs(spin) < 1e-9) return false;
      return holds((one.c * other.b - other.c * one.b) / spin, (one.a * other.c - other.a * one.c) / spin);
    }),
  );
}

/** Lines on which the lower left corner of a rectangle lies while it touches an outline: `a x + b y = c`, each once. */
function whereItTouches(
  outline: readonly Spot[],
  width: number,
  height: number,
): { a: number; b: number; c: number }[] {
  const lines = new Map<string, { a: number; b: number; c: number }>();
  const add = (a: number, b: number, c: number) =>
    lines.set(`${a.toFixed(9)} ${b.toFixed(9)} ${c.toFixed(3)}`, { a, b, c });
  for (const { x, y } of outline) {
    for (const w of [0, width]) add(1, 0, x - w);
    for (const h of [0, height]) add(0, 1, y - h);
  }
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    if (!dx || !dy) return;
    const length = Math.hypot(dx, dy);
    const [a, b] = [dy / length, -dx / length];
    for (const w of [0, width]) for (const h of [0, height]) add(a, b, a * (p.x - w) + b * (p.y - h));
  });
  return [...lines.values()];
}

export type CornerName = 'lower left' | 'lower right' | 'upper left' | 'upper right';

/** The corners of a rectangle that the paper in it lacks, each with how far the gap reaches along the two edges. */
export function findMissingCorners(
  outline: readonly Spot[],
  r: Box,
): { readonly corner: CornerName; readonly width: number; readonly height: number }[] {
  const paper = clipPaper(outline, r);
  if (areaWithin(paper) < 1) return [];
  const [right, top] = [r.x + r.width, r.y + r.height];
  const near = (a: number, b: number) => Math.abs(a - b) < 0.5;
  return (
    [
      ['lower left', r.x, r.y],
      ['lower right', right, r.y],
      ['upper left', r.x, top],
      ['upper right', right, top],
    ] as const
  ).flatMap(([corner, x, y]) => {
    const along = paper.filter((p) => near(p.y, y)).map((p) => Math.abs(p.x - x));
    const upright = paper.filter((p) => near(p.x, x)).map((p) => Math.abs(p.y - y));
    const [width, height] = [Math.min(r.width, ...along), Math.min(r.height, ...upright)];
    return width > 1 && height > 1 ? [{ corner, width, height }] : [];
  });
}
