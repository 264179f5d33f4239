import { FLAT, UPRIGHT, type CompiledJob } from '../blanks/compile.ts';
import type { Planting } from './sheetTrees.ts';

/*
 * Tight jobs, in which nearly all of the sheets must be used, are not found by moving pieces about: one wrong neighbour
 * spoils a sheet. They are built from the bottom up instead (P. Y. Wang, 1983): two blocks whose sides agree, within a
 * waste that the job can afford, make a larger one, until some fill a sheet:
 *
 *     +---+-----+     +---------+
 *     | a |  b  |  →  |   ab    |  →  …  →  a whole sheet
 *     +---+-----+     +---------+
 *
 * Then sheets are chosen that share no piece and leave none out.
 */

/** At the most this many copies: a block's pieces are bits in four words. */
export const MAX_BLOCK_COPIES = 128;
const WORDS = 4;
/** Where more than this share of the paper may be waste, blocks are too many, and moving pieces about does better. */
const LOOSE = 0.05;

export interface BlockTask {
  readonly c: CompiledJob;
  /** The kind of stock to fill. */
  readonly s: number;
  /** How many of them may be used. */
  readonly sheets: number;
  /** Kinds of piece, one entry a copy. */
  readonly copies: readonly number[];
  readonly random: () => number;
  /** Blocks kept of each number of pieces; more are thinned out by chance. */
  readonly width: number;
  readonly over: () => boolean;
}

/** Sheets that hold all the copies, or null where none were found. */
export function fillSheets(task: BlockTask): Planting[] | null {
  const { c, s, copies, sheets } = task;
  const room = c.roomWidth[s]! * c.roomHeight[s]!;
  const wanted = copies.reduce((sum, k) => sum + c.area[k]!, 0);
  const slack = sheets * room - wanted;
  if (slack < 0 || slack > sheets * room * LOOSE) return null;
  if (copies.length > MAX_BLOCK_COPIES || !c.aligned || c.delicate[s]) return null;
  const store = new BlockStore(task, slack);
  const full = store.grow();
  const chosen = full.length ? cover(task, store, full) : null;
  return chosen && chosen.map((b) => store.planting(b));
}

/** Blocks in flat arrays, level by level: a level holds the blocks of one number of pieces. Index domain: i a block. */
class BlockStore {
  private readonly task: BlockTask;
  private readonly slack: number;
  private readonly W: number;
  private readonly H: number;
  private readonly w: number[] = [];
  private readonly h: number[] = [];
  private readonly waste: number[] = [];
  private readonly left: number[] = [];
  private readonly right: number[] = [];
  /** 1 side by side, 2 one above the other, 0 a piece upright, −1 a piece lying flat. */
  private readonly how: number[] = [];
  readonly bits: number[] = [];
  private readonly seen = new Set<string>();
  private asked = 0;
  private stopped = false;
  /** [level] blocks by height, by width */
  private readonly byHeight: Map<number, number[]>[] = [];
  private readonly byWidth: Map<number, number[]>[] = [];

  constructor(task: BlockTask, slack: number) {
    this.task = task;
    this.slack = slack;
    this.W = task.c.roomWidth[task.s]!;
    this.H = task.c.roomHeight[task.s]!;
  }

  /** Builds all levels; gives back the blocks that fill a sheet. */
  grow(): number[] {
    const { copies, c, s, over } = this.task;
    let level: number[] = [];
    copies.forEach((k, i) => {
      const ways = c.ways[k * c.stockCount + s]!;
      const [w, h] = [c.width[k]!, c.height[k]!];
      if (ways & UPRIGHT) this.piece(level, i, w, h, 0);
      if (ways & FLAT) this.piece(level, i, h, w, -1);
    });
    const full: number[] = [];
    // a level may be empty and a later one not: four pieces may be two and two
    for (let size = 1; size <= copies.length; size++) {
      level = this.thin(level);
      for (const i of level) if (this.fills(i)) full.push(i);
      this.byHeight[size] = this.index(level, this.h);
      this.byWidth[size] = this.index(level, this.w);
      const next: number[] = [];
      for (let a = 1; a * 2 <= size + 1; a++) {
        if (this.stopped || over()) return full;
        this.join(next, a, size + 1 - a, 1);
        this.join(next, a, size + 1 - a, 2);
      }
      level = next;
    }
    return full;
  }

  private fills(i: number): boolean {
    return this.W * this.H - this.areaOf(i) <= this.slack;
  }

  private areaOf(i: number): number {
    return this.w[i]! * this.h[i]! - this.waste[i]!;
  }

  private index(level: readonly number[], by: readonly number[]): Map<number, number[]> {
    const map = new Map<number, number[]>();
    for (const i of level) {
      const list = map.get(by[i]!);
      if (list) list.push(i);
      else map.set(by[i]!, [i]);
    }
    return map;
  }

  private thin(level: number[]): number[] {
    const { width, random } = this.task;
    if (level.length <= width) return level;
    // the least waste first, chance among equals
    const rank = level.map((i) => ({ i, key: this.waste[i]! / this.slack + random() * 0.5 }));
    if (!this.slack) for (const r of rank) r.key = random();
    return rank
      .sort((a, b) => a.key - b.key)
      .slice(0, width)
      .map(({ i }) => i);
  }

  private piece(level: number[], copy: number, w: number, h: number, how: number): void {
    const i = this.w.length;
    this.push(w, h, 0, copy, -1, how);
    for (let word = 0; word < WORDS; word++) this.bits.push(copy >> 5 === word ? 1 << (copy & 31) : 0);
    level.push(i);
  }

  private push(w: number, h: number, waste: number, left: number, right: number, how: number): void {
    this.w.push(w);
    this.h.push(h);
    this.waste.push(waste);
    this.left.push(left);
    this.right.push(right);
    this.how.push(how);
  }

  /** Joins every block of level a with every block of level b whose sides agree within the slack. */
  private join(into: number[], a: number, b: number, how: 1 | 2): void {
    const ones = (how === 1 ? this.byHeight : this.byWidth)[a];
    const others = (how === 1 ? this.byHeight : this.byWidth)[b];
    if (!ones || !others) return;
    const most = this.task.width * 8;
    for (const [side, list] of ones) {
      if (this.late()) return;
      if (!this.slack) {
        const same = others.get(side);
        if (same) this.joinLists(into, list, same, how, a === b, most);
        continue;
      }
      for (const [otherSide, same] of others)
        if (Math.abs(otherSide - side) * this.task.c.thinnest <= this.slack)
          this.joinLists(into, list, same, how, a === b, most);
    }
  }

  private joinLists(
    into: number[],
    list: readonly number[],
    same: readonly number[],
    how: 1 | 2,
    twin: boolean,
    most: number,
  ): void {
    const { kerf } = this.task.c;
    for (const x of list) {
      if (this.late()) return;
      for (const y of same) {
        if (twin && y <= x) continue;
        const w = how === 1 ? this.w[x]! + this.w[y]! + kerf : Math.max(this.w[x]!, this.w[y]!);
        const h = how === 2 ? this.h[x]! + this.h[y]! + kerf : Math.max(this.h[x]!, this.h[y]!);
        if (w > this.W || h > this.H || !this.apart(x, y)) continue;
        const waste = w * h - this.areaOf(x) - this.areaOf(y);
        if (waste > this.slack) continue;
        if (into.length >= most) return;
        this.add(into, x, y, w, h, waste, how);
      }
    }
  }

  /** Whether the time is up; asked often, so it looks at the clock only now and then. */
  private late(): boolean {
    if (!this.stopped && (++this.asked & 63) === 0) this.stopped = this.task.over();
    return this.stopped;
  }

  private apart(x: number, y: number): boolean {
    for (let word = 0; word < WORDS; word++)
      if (this.bits[x * WORDS + word]! & this.bits[y * WORDS + word]!) return false;
    return true;
  }

  private add(into: number[], x: number, y: number, w: number, h: number, waste: number, how: number): void {
    const at = this.bits.length;
    for (let word = 0; word < WORDS; word++)
      this.bits.push(this.bits[x * WORDS + word]! | this.bits[y * WORDS + word]!);
    const key = `${this.bits[at]},${this.bits[at + 1]},${this.bits[at + 2]},${this.bits[at + 3]},${w},${h}`;
    if (this.seen.has(key)) {
      this.bits.length = at;
      return;
    }
    this.seen.add(key);
    into.push(this.w.length);
    this.push(w, h, waste, x, y, how);
  }

  planting(i: number): Planting {
    const how = this.how[i]!;
    if (how <= 0) return { piece: this.task.copies[this.left[i]!]!, flat: how < 0 };
    return { row: how === 1, parts: [this.planting(this.left[i]!), this.planting(this.right[i]!)] };
  }
}

/** Chooses `sheets` full blocks that share no copy and leave none out: depth first over the copy with the fewest blocks. */
function cover(task: BlockTask, store: BlockStore, full: readonly number[]): number[] | null {
  const { copies, sheets, over } = task;
  const holding = copies.map((_, copy) =>
    full.filter((b) => store.bits[b * WORDS + (copy >> 5)]! & (1 << (copy & 31))),
  );
  const order = holding.map((_, i) => i).sort((a, b) => holding[a]!.length - holding[b]!.length);
  const used = new Int32Array(WORDS);
  const chosen: number[] = [];
  let tries = 0;
  let late = false;
  const go = (): boolean => {
    const next = order.find((copy) => !(used[copy >> 5]! & (1 << (copy & 31))));
    if (next === undefined) return true;
    if (chosen.length === sheets) return false;
    late ||= ++tries > 200_000 || (tries % 16 === 0 && over());
    for (const b of holding[next]!) {
      if (late) return false;
      let clash = 0;
      for (let word = 0; word < WORDS; word++) clash |= used[word]! & store.bits[b * WORDS + word]!;
      if (clash) continue;
      for (let word = 0; word < WORDS; word++) used[word]! ^= store.bits[b * WORDS + word]!;
      chosen.push(b);
      if (go()) return true;
      chosen.pop();
      for (let word = 0; word < WORDS; word++) used[word]! ^= store.bits[b * WORDS + word]!;
    }
    return false;
  };
  return go() ? chosen : null;
}
