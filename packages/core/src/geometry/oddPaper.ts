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
export function paperIn(outline: readonly Spot[], r: Box): Spot[] {
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
export function edgeThere(outline: readonly Spot[], r: Box, edge: Edge): number {
  const axis = edge === 'left' || edge === 'right' ? 'x' : 'y';
  const other = axis === 'x' ? 'y' : 'x';
  const size = axis === 'x' ? r.width : r.height;
  const at = r[axis] + (edge === 'right' || edge === 'top' ? size : 0);
  const paper = paperIn(outline, r);
  const on = (p: Spot) => Math.abs(p[axis] - at) < 0.5;
  // there and back is nothing
  const sum = paper.reduce((all, p, i) => {
    const q = paper[(i + 1) % paper.length]!;
    return on(p) && on(q) ? all + q[other] - p[other] : all;
  }, 0);
  return Math.abs(sum);
}

export type CornerName = 'lower left' | 'lower right' | 'upper left' | 'upper right';

/** The corners of a rectangle that the paper in it lacks, each with how far the gap reaches along the two edges. */
export function cornersGone(
  outline: readonly Spot[],
  r: Box,
): { readonly corner: CornerName; readonly width: number; readonly height: number }[] {
  const paper = paperIn(outline, r);
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
