import type { Job, Rectangle } from './job.ts';
import { offcutTree, worthKeeping, type Tree } from './tree.ts';
import type { Way } from './turning.ts';

/** A copy of a piece, and how it may be laid. */
export interface Copy {
  readonly k: number;
  readonly width: number;
  readonly height: number;
  readonly upright: Way | null;
  readonly flat: Way | null;
}

/**
 * The least waste with which a few pieces come from one rectangle, over every edge-to-edge way to cut it: all first cuts at sums
 * of piece sizes, all ways to share the pieces between the two sides. Exponential: for up to about six pieces. Index domain:
 * a set of copies as bits.
 */
export class ExactSheet {
  private readonly copies: readonly Copy[];
  private readonly kerf: number;
  private readonly keep: Job['keep'];
  private readonly cuts: readonly number[];
  private readonly areas: Float64Array;
  private readonly memo = new Map<string, number>();
  /** How many rectangles may still be looked into. */
  private left: number;

  constructor(copies: readonly Copy[], job: Pick<Job, 'cutter' | 'keep'>, limit = Infinity) {
    this.copies = copies;
    this.kerf = job.cutter.kerf;
    this.keep = job.keep;
    this.left = limit;
    const sums = new Set<number>([-this.kerf]);
    for (const { width, height } of copies)
      for (const base of [...sums]) for (const size of [width, height]) sums.add(base + this.kerf + size);
    this.cuts = [...sums].filter((at) => at > 0);
    this.areas = new Float64Array(1 << copies.length);
    for (let set = 1; set < this.areas.length; set++) {
      const last = 31 - Math.clz32(set);
      this.areas[set] = this.areas[set ^ (1 << last)]! + copies[last]!.width * copies[last]!.height;
    }
  }

  get all(): number {
    return this.areas.length - 1;
  }
  /** Least waste, kerf included, of a set in w × h; Infinity where it does not fit. */
  least(set: number, w: number, h: number): number {
    if (!set) return w <= 0 || h <= 0 || worthKeeping(w, h, this.keep) ? 0 : w * h;
    if (this.areas[set]! > w * h) return Infinity;
    const key = `${set} ${w} ${h}`;
    const known = this.memo.get(key);
    if (known !== undefined) return known;
    const answer = this.exactly(set, w, h) ? 0 : --this.left > 0 ? this.leastCut(set, w, h).waste : Infinity;
    this.memo.set(key, answer);
    return answer;
  }

  /** The tree of the least waste. The set must fit. */
  tree(set: number, room: Rectangle): Tree {
    const { x, y, width: w, height: h } = room;
    if (!set) return offcutTree(room, this.keep);
    const way = this.exactly(set, w, h);
    const leaf = { x, y, width: w, height: h, parts: [], lost: 0 };
    if (way) return { ...leaf, cut: null, holds: { piece: this.copies[31 - Math.clz32(set)]!.k, ...way } };
    const { part, at, upright } = this.leastCut(set, w, h);
    const from = at + this.kerf;
    const first = this.tree(part, upright ? { x, y, width: at, height: h } : { x, y, width: w, height: at });
    const left = (upright ? w : h) - from;
    const cut = upright ? 'x' : 'y';
    if (left <= 0) return { ...leaf, cut, parts: [first], lost: left + this.kerf, holds: null };
    const rest = upright ? { x: x + from, y, width: left, height: h } : { x, y: y + from, width: w, height: left };
    return { ...leaf, cut, parts: [first, this.tree(set ^ part, rest)], holds: null };
  }

  private exactly(set: number, w: number, h: number): Way | null {
    if (set & (set - 1)) return null;
    const { width, height, upright, flat } = this.copies[31 - Math.clz32(set)]!;
    if (upright && width === w && height === h) return upright;
    return flat && height === w && width === h ? flat : null;
  }

  private leastCut(set: number, w: number, h: number): { waste: number; part: number; at: number; upright: boolean } {
    const best = { waste: Infinity, part: 0, at: 0, upright: true };
    for (let part = set; part; part = (part - 1) & set) {
      for (const at of this.cuts) {
        for (const upright of [true, false]) {
          const [length, across] = upright ? [w, h] : [h, w];
          if (at >= length || (part !== set && at + this.kerf >= length)) continue;
          const lost = Math.min(this.kerf, length - at) * across;
          const rest = Math.max(0, length - at - this.kerf);
          const one = upright ? this.least(part, at, h) : this.least(part, w, at);
          if (one + lost >= best.waste) continue;
          const two = upright ? this.least(set ^ part, rest, h) : this.least(set ^ part, w, rest);
          if (one + two + lost < best.waste) Object.assign(best, { waste: one + two + lost, part, at, upright });
        }
        if (best.waste === 0) return best;
      }
    }
    return best;
  }
}
