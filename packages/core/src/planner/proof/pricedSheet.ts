import { FLAT, UPRIGHT, compileJob, type CompiledJob } from '../blanks/compile.ts';
import { Layout } from '../search/layout.ts';
import { type Planting } from '../search/sheetTrees.ts';
import { buildTree } from '../search/buildTree.ts';
import type { Tree } from '../sheets/tree.ts';

/** A way to cut one sheet of stock kind s. */
export interface Pattern {
  readonly s: number;
  /** [k] copies that come from it */
  readonly gives: Float64Array;
  readonly tree: Tree;
}

/** More sums of sizes than this, along one edge, are too many. */
export const MAX_GRID_POINTS = 320;

/**
 * The pattern of one stock kind that is worth most at given prices, by dynamic programming over first cuts at sums of piece
 * sizes. Index domains: i a point across, j a point up.
 */
export class PricedSheet {
  private readonly c: CompiledJob;
  private readonly s: number;
  private readonly xs: Int32Array;
  private readonly ys: Int32Array;
  private readonly worth: Float64Array;
  /** [i j] 0 nothing, k + 1 a piece upright, −k − 1 lying flat; CUT + p a cut at point p across, 2 CUT + q one up */
  private readonly how: Int32Array;
  readonly points: number;
  private static readonly CUT = 1 << 20;

  constructor(c: CompiledJob, s: number) {
    this.c = c;
    this.s = s;
    const widths = new Set<number>();
    const heights = new Set<number>();
    for (let k = 0; k < c.pieceCount; k++) {
      const ways = c.ways[k * c.stockCount + s]!;
      if (ways & UPRIGHT) {
        widths.add(c.width[k]! + c.kerf);
        heights.add(c.height[k]! + c.kerf);
      }
      if (ways & FLAT) {
        widths.add(c.height[k]! + c.kerf);
        heights.add(c.width[k]! + c.kerf);
      }
    }
    this.xs = sumsOf(widths, c.roomWidth[s]! + c.kerf);
    this.ys = sumsOf(heights, c.roomHeight[s]! + c.kerf);
    this.points = Math.max(this.xs.length, this.ys.length);
    const size = this.points > MAX_GRID_POINTS ? 0 : this.xs.length * this.ys.length;
    this.worth = new Float64Array(size);
    this.how = new Int32Array(size);
  }

  /** The pattern that is worth most. */
  worthMost(prices: ArrayLike<number>): { pattern: Pattern | null; worth: number } {
    const worth = this.worthAtMost(prices);
    const planting = this.draw(this.xs.length - 1, this.ys.length - 1);
    return { pattern: planting && this.patternOf(planting), worth };
  }

  /** What any edge-to-edge pattern is worth at the most. */
  worthAtMost(prices: ArrayLike<number>): number {
    const { xs, ys, worth, how, c } = this;
    const [X, Y] = [xs.length, ys.length];
    worth.fill(0);
    how.fill(0);
    for (let k = 0; k < c.pieceCount; k++) {
      const ways = c.ways[k * c.stockCount + this.s]!;
      if (ways & UPRIGHT) this.place(k + 1, c.width[k]! + c.kerf, c.height[k]! + c.kerf, prices[k]!);
      if (ways & FLAT) this.place(-k - 1, c.height[k]! + c.kerf, c.width[k]! + c.kerf, prices[k]!);
    }
    for (let i = 1; i < X; i++)
      for (let j = 1; j < Y; j++) {
        const here = i * Y + j;
        let most = worth[here]!;
        let best = how[here]!;
        // a smaller rectangle's pattern will do as well
        if (worth[here - Y]! > most) [most, best] = [worth[here - Y]!, how[here - Y]!];
        if (worth[here - 1]! > most) [most, best] = [worth[here - 1]!, how[here - 1]!];
        let rest = i;
        for (let p = 1; 2 * xs[p]! <= xs[i]!; p++) {
          while (xs[rest]! > xs[i]! - xs[p]!) rest--;
          const sum = worth[p * Y + j]! + worth[rest * Y + j]!;
          if (sum > most + 1e-9) [most, best] = [sum, PricedSheet.CUT + p];
        }
        rest = j;
        for (let q = 1; 2 * ys[q]! <= ys[j]!; q++) {
          while (ys[rest]! > ys[j]! - ys[q]!) rest--;
          const sum = worth[i * Y + q]! + worth[i * Y + rest]!;
          if (sum > most + 1e-9) [most, best] = [sum, 2 * PricedSheet.CUT + q];
        }
        worth[here] = most;
        how[here] = best;
      }
    return worth[X * Y - 1]!;
  }

  private place(code: number, w: number, h: number, price: number): void {
    const { xs, ys, worth, how } = this;
    if (price <= 0) return;
    const i = xs.indexOf(w);
    const j = ys.indexOf(h);
    if (i < 0 || j < 0) return;
    const here = i * ys.length + j;
    if (price > worth[here]!) [worth[here], how[here]] = [price, code];
  }

  private draw(i: number, j: number): Planting | null {
    const { xs, ys, how } = this;
    const { CUT } = PricedSheet;
    const code = how[i * ys.length + j]!;
    if (code === 0) return null;
    if (code < CUT) return { piece: Math.abs(code) - 1, flat: code < 0 };
    const row = code < 2 * CUT;
    const at = row ? code - CUT : code - 2 * CUT;
    const list = row ? xs : ys;
    // a code taken over from a smaller rectangle cuts there: the rest is then at least as large
    const end = row ? i : j;
    let rest = end;
    while (list[rest]! > list[end]! - list[at]!) rest--;
    const parts = row ? [this.draw(at, j), this.draw(rest, j)] : [this.draw(i, at), this.draw(i, rest)];
    const there = parts.filter((part) => part !== null);
    return there.length > 1 ? { row, parts: there } : (there[0] ?? null);
  }

  private patternOf(planting: Planting): Pattern | null {
    const { c, s } = this;
    const gives = new Float64Array(c.pieceCount);
    const count = (p: Planting): void => ('piece' in p ? void gives[p.piece]!++ : p.parts.forEach(count));
    count(planting);
    const layout = new Layout(compileJob(c.job, { wanted: Array.from(gives) }));
    const at = layout.c.blanks.findIndex((b) => b.stock === c.blanks[s]!.stock);
    layout.plant(at, planting);
    const tree = buildTree(layout, 0);
    return tree && { s, gives, tree };
  }
}

/** All sums of the sizes up to a limit, ascending, from 0. */
function sumsOf(sizes: ReadonlySet<number>, limit: number): Int32Array {
  const sums = new Set<number>([0]);
  const queue = [0];
  for (let at = queue.pop(); at !== undefined && sums.size <= MAX_GRID_POINTS; at = queue.pop())
    for (const size of sizes) {
      const next = at + size;
      if (next > limit || sums.has(next)) continue;
      sums.add(next);
      queue.push(next);
    }
  return Int32Array.from([...sums].sort((a, b) => a - b));
}
