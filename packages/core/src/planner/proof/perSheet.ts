import { FLAT, UPRIGHT, type CompiledJob } from '../blanks/compile.ts';
import { maxAreaFrom } from './coverable.ts';

/** The largest whole number that divides both. */
export function gcd(a: number, b: number): number {
  let [p, q] = [a, b];
  while (q) [p, q] = [q, p % q];
  return p;
}

/** The most copies of one piece that edge-to-edge cuts get from one item; an upper bound where that is too much to try. */
export function maxPerSheet(c: CompiledJob, k: number, s: number): number {
  const ways = c.ways[k * c.stockCount + s]!;
  const [w, h] = [c.width[k]! + c.kerf, c.height[k]! + c.kerf];
  const [W, H] = [c.roomWidth[s]! + c.kerf, c.roomHeight[s]! + c.kerf];
  // stop cuts can do what edge-to-edge cuts cannot
  if (c.job.cutter.stop) return Math.floor(maxAreaFrom(c, s) / (c.area[k]! || 1));
  const lattice = (pw: number, ph: number) => Math.floor(W / pw) * Math.floor(H / ph);
  if (ways === UPRIGHT && w !== h) return lattice(w, h);
  if (ways === FLAT) return lattice(h, w);
  if (w === h) return lattice(w, h);
  if (!ways) return 0;
  const [xs, ys] = [sumsUpTo(W, w, h), sumsUpTo(H, w, h)];
  if (xs.length * ys.length > 4000) return Math.floor((W * H) / (w * h));
  // most[i][j]: copies from xs[i] by ys[j], by dynamic programming over first cuts (Gilmore and Gomory, 1965)
  const most = xs.map(() => new Array<number>(ys.length).fill(0));
  const below = (list: readonly number[], size: number) => {
    let i = list.length - 1;
    while (list[i]! > size) i--;
    return i;
  };
  xs.forEach((x, i) =>
    ys.forEach((y, j) => {
      let n = (x >= w && y >= h) || (x >= h && y >= w) ? 1 : 0;
      for (let p = 1; p < i && xs[p]! * 2 <= x; p++) n = Math.max(n, most[p]![j]! + most[below(xs, x - xs[p]!)]![j]!);
      for (let q = 1; q < j && ys[q]! * 2 <= y; q++) n = Math.max(n, most[i]![q]! + most[i]![below(ys, y - ys[q]!)]!);
      most[i]![j] = n;
    }),
  );
  return most.at(-1)!.at(-1)!;
}

/** All a·w + b·h up to `limit`, ascending, from 0. */
function sumsUpTo(limit: number, w: number, h: number): number[] {
  const sums = new Set<number>();
  for (let a = 0; a * w <= limit; a++) for (let b = 0; a * w + b * h <= limit; b++) sums.add(a * w + b * h);
  return [...sums].sort((p, q) => p - q);
}
