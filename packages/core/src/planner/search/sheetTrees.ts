import { type CompiledJob } from '../blanks/compile.ts';

export const LEAF = 1;
/** A node whose children stand side by side, left to right: its cuts are upright lines. */
export const ROW = 2;
/** A node whose children lie one above the other: its cuts are level lines. */
export const COLUMN = 3;

/** A tree of pieces to be put on a fresh sheet as it is. */
export type Planting =
  { readonly piece: number; readonly flat: boolean } | { readonly row: boolean; readonly parts: readonly Planting[] };

/**
 * Sheets with slicing trees, all in flat arrays: a layout can be copied, changed and thrown away without
 * allocating. Each node keeps the room it may still grow into, found from the top down, so that whether a
 * piece fits beside it is answered in O(1):
 *
 *     +-----------+.........+     beside the node in a ROW: as wide as its room to the right allows,
 *     |   node    | room →  :     as high as the node and the room above it
 *     +-----------+.........+
 *
 * Index domains: n a node, b an opened sheet, k a kind of piece, s a kind of stock.
 */
export class SheetTrees {
  readonly c: CompiledJob;
  private readonly nodeCapacity: number;
  // [n]
  readonly kind: Uint8Array;
  readonly parent: Int32Array;
  readonly first: Int32Array;
  readonly next: Int32Array;
  readonly prev: Int32Array;
  readonly w: Int32Array;
  readonly h: Int32Array;
  readonly roomW: Int32Array;
  readonly roomH: Int32Array;
  readonly piece: Int32Array;
  readonly flat: Uint8Array;
  readonly sheet: Int32Array;
  private readonly free: Int32Array;
  private freeCount = 0;
  // [b]
  readonly root: Int32Array;
  readonly stock: Int32Array;
  /** Usable area not taken by pieces. */
  readonly spare: Float64Array;
  /** [b K + k] 1 where the sheet is known to have no room for k, so that it need not be searched again until it changes */
  protected readonly full: Uint8Array;
  /** 1 where `figures` still hold. */
  readonly measured: Uint8Array;
  /** [5 b …] what a sheet amounts to: see SheetFigures */
  readonly figures: Float64Array;
  sheets = 0;
  // [k] copies without a place; [s] copies opened
  readonly pool: Int32Array;
  readonly opened: Int32Array;
  newArea = 0;
  /** The leaf put last. */
  newest = -1;

  constructor(c: CompiledJob) {
    const copies = c.quantity.reduce((a, b) => a + b, 0);
    const N = (this.nodeCapacity = 2 * copies + 2);
    this.c = c;
    this.kind = new Uint8Array(N);
    this.flat = new Uint8Array(N);
    const ints = () => new Int32Array(N);
    [this.parent, this.first, this.next, this.prev] = [ints(), ints(), ints(), ints()];
    [this.w, this.h, this.roomW, this.roomH] = [ints(), ints(), ints(), ints()];
    [this.piece, this.sheet, this.free] = [ints(), ints(), ints()];
    this.root = new Int32Array(copies + 1);
    this.stock = new Int32Array(copies + 1);
    this.spare = new Float64Array(copies + 1);
    this.measured = new Uint8Array(copies + 1);
    this.full = new Uint8Array((copies + 1) * c.pieceCount);
    this.figures = new Float64Array(5 * (copies + 1));
    this.pool = new Int32Array(c.pieceCount);
    this.opened = new Int32Array(c.stockCount);
    this.clear();
  }

  clear(): void {
    this.sheets = 0;
    this.newArea = 0;
    this.opened.fill(0);
    this.pool.set(this.c.quantity);
    this.kind.fill(0);
    this.freeCount = this.nodeCapacity;
    for (let i = 0; i < this.nodeCapacity; i++) this.free[i] = this.nodeCapacity - 1 - i;
  }

  copyFrom(o: SheetTrees): void {
    this.kind.set(o.kind);
    this.flat.set(o.flat);
    this.parent.set(o.parent);
    this.first.set(o.first);
    this.next.set(o.next);
    this.prev.set(o.prev);
    this.w.set(o.w);
    this.h.set(o.h);
    this.roomW.set(o.roomW);
    this.roomH.set(o.roomH);
    this.piece.set(o.piece);
    this.sheet.set(o.sheet);
    this.free.set(o.free);
    this.freeCount = o.freeCount;
    this.root.set(o.root);
    this.stock.set(o.stock);
    this.spare.set(o.spare);
    this.measured.set(o.measured);
    // by far the largest: only of the sheets that there are, those opened later are cleared first
    this.full.set(o.full.subarray(0, o.sheets * this.c.pieceCount));
    this.figures.set(o.figures);
    this.sheets = o.sheets;
    this.pool.set(o.pool);
    this.opened.set(o.opened);
    this.newArea = o.newArea;
  }

  /** The nodes of a sheet, each before what it holds: `after(root)`, `after(that)`, … until −1. */
  after(n: number): number {
    if (this.first[n]! >= 0) return this.first[n]!;
    let at = n;
    while (at >= 0 && this.next[at]! < 0) at = this.parent[at]!;
    return at < 0 ? -1 : this.next[at]!;
  }

  /** Opens an item of stock kind s and puts a whole tree of pieces on it. The pieces must be in the pool and fit. */
  plant(s: number, planting: Planting): void {
    const { c } = this;
    const b = this.sheets++;
    this.stock[b] = s;
    this.spare[b] = c.roomWidth[s]! * c.roomHeight[s]!;
    this.opened[s]!++;
    if (c.isNew[s]) this.newArea += c.stockArea[s]!;
    this.root[b] = this.plantNode(planting, b);
    this.spread(b);
  }

  private plantNode(planting: Planting, b: number): number {
    const n = this.take();
    this.sheet[n] = b;
    if ('piece' in planting) {
      const { piece: k, flat } = planting;
      this.kind[n] = LEAF;
      this.piece[n] = k;
      this.flat[n] = flat ? 1 : 0;
      this.w[n] = flat ? this.c.height[k]! : this.c.width[k]!;
      this.h[n] = flat ? this.c.width[k]! : this.c.height[k]!;
      this.pool[k]!--;
      this.spare[b]! -= this.c.area[k]!;
      return n;
    }
    this.kind[n] = planting.row ? ROW : COLUMN;
    let last = -1;
    for (const part of runOf(planting)) {
      const child = this.plantNode(part, b);
      this.parent[child] = n;
      this.prev[child] = last;
      if (last < 0) this.first[n] = child;
      else this.next[last] = child;
      last = child;
    }
    // a run inside this one is a setting, which it was not yet when it was made
    for (let child = this.first[n]!; child >= 0; child = this.next[child]!)
      if (this.kind[child] !== LEAF) this.grow(child);
    this.grow(n);
    return n;
  }

  protected beside(n: number, leaf: number, run: number): void {
    const up = this.parent[n]!;
    let holder = up;
    if (up < 0 || this.kind[up] !== run) {
      holder = this.take();
      this.kind[holder] = run;
      this.sheet[holder] = this.sheet[n]!;
      this.replace(n, holder);
      this.first[holder] = n;
      this.parent[n] = holder;
      this.next[n] = this.prev[n] = -1;
    }
    const after = this.next[n]!;
    this.parent[leaf] = holder;
    this.prev[leaf] = n;
    this.next[leaf] = after;
    this.next[n] = leaf;
    if (after >= 0) this.prev[after] = leaf;
  }

  /** Puts `by` where `n` stands among its siblings, or at the root. */
  private replace(n: number, by: number): void {
    const up = this.parent[n]!;
    this.parent[by] = up;
    const [before, after] = [this.prev[n]!, this.next[n]!];
    this.prev[by] = before;
    this.next[by] = after;
    if (up < 0) this.root[this.sheet[n]!] = by;
    else if (before < 0) this.first[up] = by;
    if (before >= 0) this.next[before] = by;
    if (after >= 0) this.prev[after] = by;
  }

  /** Takes a leaf out and back into the pool, closing up what is left. May close the sheet. Returns its sheet, −1 if closed. */
  remove(leaf: number): number {
    const b = this.sheet[leaf]!;
    const k = this.piece[leaf]!;
    const up = this.parent[leaf]!;
    this.pool[k]!++;
    this.spare[b]! += this.c.area[k]!;
    const [before, after] = [this.prev[leaf]!, this.next[leaf]!];
    this.give(leaf);
    if (up < 0) {
      this.close(b);
      return -1;
    }
    if (before >= 0) this.next[before] = after;
    else this.first[up] = after;
    if (after >= 0) this.prev[after] = before;
    const only = this.first[up]!;
    let dirty = up;
    if (this.next[only]! < 0) dirty = this.dissolve(up, only);
    this.grow(dirty);
    this.spread(b);
    return b;
  }

  /** A run with one child left is that child; a child that is a run of the grandparent's kind joins it. */
  private dissolve(run: number, only: number): number {
    const grand = this.parent[run]!;
    if (grand < 0 || this.kind[only] !== this.kind[grand]) {
      this.replace(run, only);
      this.give(run);
      return grand;
    }
    const [before, after, head] = [this.prev[run]!, this.next[run]!, this.first[only]!];
    let tail = head;
    for (let n = head; n >= 0; n = this.next[n]!) {
      this.parent[n] = grand;
      tail = n;
    }
    this.prev[head] = before;
    this.next[tail] = after;
    if (before >= 0) this.next[before] = head;
    else this.first[grand] = head;
    if (after >= 0) this.prev[after] = tail;
    this.give(run);
    this.give(only);
    return grand;
  }

  private close(b: number): void {
    const s = this.stock[b]!;
    this.opened[s]!--;
    if (this.c.isNew[s]) this.newArea -= this.c.stockArea[s]!;
    const last = --this.sheets;
    if (b === last) return;
    this.root[b] = this.root[last]!;
    this.stock[b] = this.stock[last]!;
    this.spare[b] = this.spare[last]!;
    this.measured[b] = this.measured[last]!;
    this.full.copyWithin(b * this.c.pieceCount, last * this.c.pieceCount, (last + 1) * this.c.pieceCount);
    this.figures.copyWithin(b * 5, last * 5, last * 5 + 5);
    for (let n = this.root[b]!; n >= 0; n = this.after(n)) this.sheet[n] = b;
  }

  /** Empties a sheet into the pool and closes it. */
  empty(b: number): void {
    for (let n = this.root[b]!; n >= 0;) {
      const then = this.after(n);
      if (this.kind[n] === LEAF) this.pool[this.piece[n]!]!++;
      n = then;
    }
    this.giveAll(this.root[b]!);
    this.close(b);
  }

  private giveAll(n: number): void {
    for (let child = this.first[n]!; child >= 0;) {
      const then = this.next[child]!;
      this.giveAll(child);
      child = then;
    }
    this.give(n);
  }

  /** Width (ROW) or height (COLUMN) of a run's children with the kerfs between them, not rounded to the mark. */
  runLength(n: number): number {
    const sizes = this.kind[n] === ROW ? this.w : this.h;
    let sum = -this.c.kerf;
    for (let child = this.first[n]!; child >= 0; child = this.next[child]!) sum += sizes[child]! + this.c.kerf;
    return sum;
  }

  /** Recomputes sizes from a run up to the root. A run inside another is a setting, so it goes up to the mark. */
  protected grow(from: number): void {
    const { c, kind, w, h } = this;
    for (let n = from; n >= 0; n = this.parent[n]!) {
      let across = 0;
      const cross = kind[n] === ROW ? h : w;
      for (let child = this.first[n]!; child >= 0; child = this.next[child]!)
        if (cross[child]! > across) across = cross[child]!;
      let along = this.runLength(n);
      if (!c.aligned && this.parent[n]! >= 0) along = Math.ceil(along / c.step) * c.step;
      if (kind[n] === ROW) [w[n], h[n]] = [along, across];
      else [w[n], h[n]] = [across, along];
    }
  }

  /** Tells every node of a sheet, from the top down, how far it may still grow. */
  protected spread(b: number): void {
    const { kind, parent, w, h, roomW, roomH } = this;
    const s = this.stock[b]!;
    this.measured[b] = 0;
    this.full.fill(0, b * this.c.pieceCount, (b + 1) * this.c.pieceCount);
    for (let n = this.root[b]!; n >= 0; n = this.after(n)) {
      const up = parent[n]!;
      if (up < 0) {
        roomW[n] = this.c.roomWidth[s]! - w[n]!;
        roomH[n] = this.c.roomHeight[s]! - h[n]!;
      } else if (kind[up] === ROW) {
        roomW[n] = roomW[up]!;
        roomH[n] = roomH[up]! + h[up]! - h[n]!;
      } else {
        roomW[n] = roomW[up]! + w[up]! - w[n]!;
        roomH[n] = roomH[up]!;
      }
    }
  }

  protected take(): number {
    const n = this.free[--this.freeCount]!;
    this.parent[n] = this.first[n] = this.next[n] = this.prev[n] = -1;
    return n;
  }

  private give(n: number): void {
    this.kind[n] = 0;
    this.free[this.freeCount++] = n;
  }
}

/** The parts of a run, with those of runs of the same kind inside it. */
function runOf(planting: { readonly row: boolean; readonly parts: readonly Planting[] }): Planting[] {
  return planting.parts.flatMap((part) => ('parts' in part && part.row === planting.row ? runOf(part) : [part]));
}
