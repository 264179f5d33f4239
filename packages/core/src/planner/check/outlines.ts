import { NEAR, type Box } from './near.ts';

export interface Size {
  w: number;
  h: number;
}

/** Area of a polygon by its corners. */
export function polygonArea(corners: readonly Corner[]): number {
  let twice = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    twice += (p.x + q.x) * (q.y - p.y);
  });
  return Math.abs(twice) / 2;
}
export interface Corner {
  readonly x: number;
  readonly y: number;
}

/** Whether a box lies in a polygon: what is left of the polygon when clipped to the box is all of the box. */
export function within(outline: readonly Corner[], box: Box): boolean {
  const clip = (corners: Corner[], axis: 'x' | 'y', at: number, sign: 1 | -1): Corner[] =>
    corners.flatMap((p, i) => {
      const q = corners[(i + 1) % corners.length]!;
      const [a, b] = [(p[axis] - at) * sign, (q[axis] - at) * sign];
      const kept = a >= 0 ? [p] : [];
      if (a >= 0 === b >= 0) return kept;
      const share = a / (a - b);
      return [...kept, { x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) }];
    });
  let left = clip([...outline], 'x', box.x, 1);
  left = clip(left, 'x', box.x + box.width, -1);
  left = clip(left, 'y', box.y, 1);
  left = clip(left, 'y', box.y + box.height, -1);
  return box.width * box.height - polygonArea(left) <= NEAR * (box.width + box.height);
}
