import type { Ticks } from '../length/index.ts';

/** A point in ticks: origin lower left, x right, y up. */
export interface Point {
  readonly x: Ticks;
  readonly y: Ticks;
}

/** Whether two edges of a closed outline cross or touch, other than neighbours at their corner. */
export function isSelfCrossing(outline: readonly Point[]): boolean {
  const side = (a: Point, b: Point, p: Point) => Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
  const n = outline.length;
  for (let i = 0; i < n; i++) {
    const [a, b] = [outline[i]!, outline[(i + 1) % n]!];
    if (a.x === b.x && a.y === b.y) return true;
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [c, d] = [outline[j]!, outline[(j + 1) % n]!];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
    }
  }
  return false;
}

/** Area inside an outline, in square ticks. */
export function areaWithin(corners: ReadonlyArray<{ readonly x: number; readonly y: number }>): number {
  let twice = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    twice += p.x * q.y - q.x * p.y;
  });
  return Math.abs(twice) / 2;
}
