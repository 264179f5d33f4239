import type { Job, Rectangle } from '../documents/job.ts';
import { makeOffcutTree, isWorthKeeping, type Tree } from './tree.ts';
import type { Way } from '../blanks/turning.ts';

/** Cuts tried between two looks at the clock. */
const LOOKS_AT_CLOCK = 4096;

/** A copy of a piece, and how it may be laid. */
export interface Copy {
  readonly k: number;
  readonly width: number;
  readonly height: number;
  readonly upright: Way | null;
  readonly flat: Way | null;
}

/**
 * The least waste with which a few pieces come from one rectangle, over every edge-to-edge way to cut it: all ways to share the
 * pieces between the two sides of a first cut, which lies at a sum of sizes of those on its near side. Exponential: for up to about six pieces. Index domain:
 * a set of copies as bits.
 */
export class ExactSheet {
  private readonly copies: readonly Copy[];
  private readonly kerf: number;
  private readonly keep: Job['keep'];
  /** [set] sums of sizes of its copies: where a cut that takes just this set off may lie */
  private readonly cuts: readonly (readonly number[])[];
  private readonly areas: Float64Array;
  private readonly memo = new Map<string, number>();
  /** How many cuts may still be tried. */
  private left: number;
  private readonly over: () => boolean;

  constructor(
    copies: readonly Copy[],
    job: Pick<Job, 'cutter' | 'keep'>,
    limit = Infinity,
    over: () => boolean = () => false,
  ) {
    this.copies = copies;
    this.kerf = job.cutter.kerf;
    this.keep = job.keep;
    this.left = limit;
    this.over = over;
    this.areas = new Float64Array(1 << copies.length);
    const sums: Set<number>[] = [new Set([-this.kerf])];
    for (let set = 1; set < this.areas.length; set++) {
      const last = 31 - Math.clz32(set);
      const { width, height } = copies[last]!;
      this.areas[set] = this.areas[set ^ (1 << last)]! + width * height;
      const before = sums[set ^ (1 << last)]!;

      const now = new Set(before);
      for (const base of before) now.add(base + this.kerf + width).add(base + this.kerf + height);
      sums[set] = now;
    }
    this.cuts = sums.map((list) => [...list].filter((at) => at > 0).sort((p, q) => p - q));
  }

  /** There was more to try than the limit: what does not fit may fit after all. */
  get gaveUp(): boolean {
    return this.left <= 0;
  }
  get all(): number {
    return this.areas.length - 1;
  }
  /** Least waste, kerf included, of a set in w × h; Infinity where it does not fit. */
  least(set: number, w: number, h: number): number {
    if (!set) return w <= 0 || h <= 0 || isWorthKeeping(w, h, this.keep) ? 0 : w * h;
    if (this.areas[set]! > w * h) return Infinity;
    const key = `${set} ${w} ${h}`;
    const known = this.memo.get(key);
    if (known !== undefined) return known;
    const answer = this.exactly(set, w, h) ? 0 : this.left > 0 ? this.leastCut(set, w, h).waste : Infinity;
    this.memo.set(key, answer);
    return answer;
  }

  /** The tree of the least waste. The set must fit. */
  tree(set: number, room: Rectangle): Tree {
    const { x, y, width: w, height: h } = room;
    if (!set) return makeOffcutTree(room, this.keep);
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
      const [mine, others] = [this.areas[part]!, this.areas[set ^ part]!];
      for (const at of this.cuts[part]!) {
        if (at >= w && at >= h) break;
        if (--this.left % LOOKS_AT_CLOCK === 0 && this.over()) this.left = 0;
        for (let way = 0; way < 2; way++) {
          const upright = way === 0;
          const length = upright ? w : h;
          const across = upright ? h : w;
          if (at >= length || mine > at * across) continue;
          if (others > 0 && others > (length - at - this.kerf) * across) continue;
          const lost = Math.min(this.kerf, length - at) * across;
          const rest = Math.max(0, length - at - this.kerf);
          const one = upright ? this.least(part, at, h) : this.least(part, w, at);
          if (one + lost >= best.waste) continue;
          const two = upright ? this.least(set ^ part, rest, h) : this.least(set ^ part, w, rest);
          if (one + two + lost >= best.waste) continue;
          best.waste = one + two + lost;
          best.part = part;
          best.at = at;
          best.upright = upright;
        }
        if (best.waste === 0) return best;
      }
    }
    return best;
  }
}
