import type { CompiledJob } from '../blanks/compile.ts';
import { canCutTree, makeOffcutTree, isWorthKeeping, type Tree } from '../sheets/tree.ts';
import { type Layout } from './layout.ts';
import { COLUMN, LEAF } from './sheetTrees.ts';

/*
 * A layout says how pieces stand beside each other; a cutting order must also say where the room left over goes. The parts
 * of a run are taken from the highest to the lowest, and where the next is lower than the room, one of two cuts comes first:
 *
 *     +---+---------+          +---+-----+---+
 *     |   |    x    |          |   |  x  |   |
 *     | a +-----+---+    or    | a +-----+ y |
 *     |   |  b  | y |          |   |  b  |   |
 *     +---+-----+---+          +---+-----+---+
 *        level first             upright first
 *
 * whichever keeps more paper in offcuts worth keeping. The same decisions build a tree or, since the search asks after every
 * change, only add up its figures.
 */

/** What one blank of a layout amounts to. Areas in square ticks. */
export interface CutFigures {
  waste: number;
  largestKept: number;
  cuts: number;
}

type Policy = 'best' | 'level' | 'upright';

/** The slicing tree of one blank of a layout, with its offcuts. Null when the cutter cannot make it. */
export function buildTree(layout: Layout, b: number): Tree | null {
  const { c } = layout;
  const s = layout.stock[b]!;
  const { x, y, width, height } = c.blanks[s]!;
  // what the cutter cannot do one way it may do the other
  for (const policy of c.delicate[s] ? (['best', 'level', 'upright'] as const) : (['best'] as const)) {
    const cutting = new Cutting(layout, s, policy, true, { waste: 0, largestKept: 0, cuts: 0 });
    const tree = cutting.node(layout.root[b]!, x, y, width, height)!;
    if (!c.delicate[s] || (!cutting.overflows && canCutTree(tree, c.job))) return tree;
  }
  return null;
}

/** The figures of one blank, without its tree; only where every cut is possible. */
export function measureCuts(layout: Layout, b: number, out: CutFigures): void {
  const s = layout.stock[b]!;
  const { width, height } = layout.c.blanks[s]!;
  new Cutting(layout, s, 'best', false, out).node(layout.root[b]!, 0, 0, width, height);
}

/** Cuts up one blank. `build` makes the tree as well; without it every method gives null and adds to the figures. */
class Cutting {
  private readonly layout: Layout;
  private readonly c: CompiledJob;
  private readonly s: number;
  private readonly policy: Policy;
  private readonly build: boolean;
  private readonly out: CutFigures;
  /** A run rounded up to the mark is wider than its room. */
  overflows = false;

  constructor(layout: Layout, s: number, policy: Policy, build: boolean, out: CutFigures) {
    this.layout = layout;
    this.c = layout.c;
    this.s = s;
    this.policy = policy;
    this.build = build;
    this.out = out;
  }

  node(n: number, x: number, y: number, w: number, h: number): Tree | null {
    const { layout } = this;
    if (layout.kind[n] === LEAF) return this.leaf(n, x, y, w, h);
    const upright = layout.kind[n] !== COLUMN;
    const across = upright ? layout.h : layout.w;
    const along = upright ? layout.w : layout.h;
    const children: number[] = [];
    for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!) children.push(child);
    children.sort((p, q) => across[q]! - across[p]! || along[q]! - along[p]! || p - q);
    return this.stairs(children, 0, upright, x, y, w, h);
  }

  private leaf(n: number, x: number, y: number, w: number, h: number): Tree | null {
    const { layout, c } = this;
    const [a, b] = [w - layout.w[n]!, h - layout.h[n]!];
    if (a === 0 && b === 0) {
      if (!this.build) return null;
      const k = layout.piece[n]!;
      const holds = { piece: k, ...c.wayAt(k, this.s, layout.flat[n] === 1) };
      return { x, y, width: w, height: h, cut: null, parts: [], lost: 0, holds };
    }
    const upright = b === 0 || (a !== 0 && !this.levelFirst(w, h, layout.w[n]!, layout.h[n]!, 0));
    const size = upright ? layout.w[n]! : layout.h[n]!;
    const part = upright ? this.leaf(n, x, y, size, h) : this.leaf(n, x, y, w, size);
    return this.closed([part], size, upright, x, y, w, h);
  }

  /** Cuts up a room that holds the children from `i` on, side by side (`upright`) or one above the other. */
  private stairs(
    children: readonly number[],
    i: number,
    upright: boolean,
    x: number,
    y: number,
    w: number,
    h: number,
  ): Tree | null {
    const { layout, c } = this;
    const across = upright ? layout.h : layout.w;
    const along = upright ? layout.w : layout.h;
    const [length, height] = upright ? [w, h] : [h, w];
    const m = across[children[i]!]!;
    // the children as high as this one; between marks, a cut that frees several is not a setting
    let end = i + 1;
    while (end < children.length && across[children[end]!] === m && (c.aligned || m === height)) end++;
    let group = -c.kerf;
    for (let j = i; j < end; j++) group += along[children[j]!]! + c.kerf;
    if (m === height) {
      const list = children.slice(i, end);
      if (along[list.at(-1)!]! < c.job.cutter.narrowest) list.reverse();
      let at = 0;
      const parts: (Tree | null)[] = list.map((child) => {
        const size = along[child]!;
        const part = upright ? this.node(child, x + at, y, size, h) : this.node(child, x, y + at, w, size);
        at += size + c.kerf;
        return part;
      });
      if (end === children.length) return this.closed(parts, group, upright, x, y, w, h);
      const left = length - at;
      parts.push(
        upright
          ? this.stairs(children, end, true, x + at, y, left, h)
          : this.stairs(children, end, false, x, y + at, w, left),
      );
      return this.joined(parts, upright, x, y, w, h);
    }
    const next = end < children.length ? across[children[end]!]! : 0;
    const alone = end === children.length;
    const beyond = length - group - c.kerf;
    const level = (alone && length === group) || this.goesLevel(length, height, group, m, next, beyond, alone, upright);
    if (level) {
      const part = upright ? this.stairs(children, i, true, x, y, w, m) : this.stairs(children, i, false, x, y, m, h);
      return this.closed([part], m, !upright, x, y, w, h);
    }
    const list = children.slice(i, end);
    const part = upright ? this.stairs(list, 0, true, x, y, group, h) : this.stairs(list, 0, false, x, y, w, group);
    if (alone) return this.closed([part], group, upright, x, y, w, h);
    const rest = upright
      ? this.stairs(children, end, true, x + group + c.kerf, y, beyond, h)
      : this.stairs(children, end, false, x, y + group + c.kerf, w, beyond);
    return this.joined([part, rest], upright, x, y, w, h);
  }

  private goesLevel(
    length: number,
    height: number,
    group: number,
    m: number,
    next: number,
    beyond: number,
    alone: boolean,
    upright: boolean,
  ): boolean {
    // a run cut free along its own way is a setting: it must be on the mark
    if (!this.c.aligned && alone && group % this.c.step !== 0) return true;
    if (beyond <= 0) return true;
    return upright
      ? this.levelFirst(length, height, group, m, next)
      : !this.levelFirst(height, length, m, group, next, true);
  }

  /**
   * Of w × h with something of a × b in its corner: whether the level cut first keeps more. `next` is the size across of
   * what stands beyond it, upwards, or to the right where the parts lie one above the other (`turned`).
   */
  private levelFirst(w: number, h: number, a: number, b: number, next: number, turned = false): boolean {
    if (this.policy !== 'best') return this.policy === 'level';
    const { kerf, job } = this.c;
    const worth = (p: number, q: number) => (p > 0 && q > 0 && isWorthKeeping(p, q, job.keep) ? p * q : 0);
    const [p, q] = [w - a - kerf, h - b - kerf];
    const nextUp = turned || !next ? 0 : next + kerf;
    const nextRight = turned && next ? next + kerf : 0;
    const level1 = worth(w - nextRight, q);
    const level2 = worth(p, b - nextUp);
    const upright1 = worth(p, h - nextUp);
    const upright2 = worth(a - nextRight, q);
    return (level1 + level2 - upright1 - upright2 || Math.max(level1, level2) - Math.max(upright1, upright2)) >= 0;
  }

  private joined(
    parts: readonly (Tree | null)[],
    upright: boolean,
    x: number,
    y: number,
    w: number,
    h: number,
  ): Tree | null {
    this.cutsAcross(parts.length - 1, upright ? h : w);
    if (!this.build) return null;
    return { x, y, width: w, height: h, cut: upright ? 'x' : 'y', parts: parts as Tree[], lost: 0, holds: null };
  }

  /** Closes a list of parts with what is left of the room: an offcut, or nothing where the kerf swallows it. */
  private closed(
    parts: readonly (Tree | null)[],
    taken: number,
    upright: boolean,
    x: number,
    y: number,
    w: number,
    h: number,
  ): Tree | null {
    const { kerf, job } = this.c;
    const left = (upright ? w : h) - taken;
    if (left < 0) this.overflows = true;
    if (left === 0) {
      if (parts.length === 1) return parts[0]!;
      return this.joined(parts, upright, x, y, w, h);
    }
    if (left <= kerf) {
      this.cutsAcross(parts.length - 1, upright ? h : w);
      this.out.cuts++;
      this.out.waste += left * (upright ? h : w);
      if (!this.build) return null;
      return { x, y, width: w, height: h, cut: upright ? 'x' : 'y', parts: parts as Tree[], lost: left, holds: null };
    }
    const from = taken + kerf;
    const [rw, rh] = upright ? [left - kerf, h] : [w, left - kerf];
    if (!isWorthKeeping(rw, rh, job.keep)) this.out.waste += rw * rh;
    else this.out.largestKept = Math.max(this.out.largestKept, rw * rh);
    if (!this.build) return this.joined([...parts, null], upright, x, y, w, h);
    const rest = upright ? { x: x + from, y, width: rw, height: rh } : { x, y: y + from, width: rw, height: rh };
    return this.joined([...parts, makeOffcutTree(rest, job.keep)], upright, x, y, w, h);
  }

  private cutsAcross(cuts: number, across: number): void {
    this.out.cuts += cuts;
    this.out.waste += cuts * this.c.kerf * across;
  }
}
