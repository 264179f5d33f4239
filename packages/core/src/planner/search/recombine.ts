import { FLAT, UPRIGHT, type CompiledJob } from '../blanks/compile.ts';
import type { Budget } from '../budget.ts';
import { drawWeights } from './construct.ts';
import { Layout } from './layout.ts';
import { LEAF, ROW, type Planting } from './sheetTrees.ts';
import { findBestMix, type SheetOption } from './mix.ts';
import { measureSheet, type SheetFigures } from './measure.ts';
import { buildTree } from './buildTree.ts';
import { computeWasteBeside } from './solutionOfLayout.ts';

/*
 * A search comes past many good sheets that never stand together in one layout. They are kept, with others filled by chance,
 * and now and then the best mix of them is looked for that opens no more new paper than now.
 */

/** A sheet that was seen. Its cost is its waste and what less liked papers cost, in square ticks. */
interface Seen extends SheetOption {
  cost: number;
  planting: Planting;
}

const MAX_SEEN = 20_000;
/** A place further down in the list of a piece's papers counts like so much waste, more than there can be. */
const DISLIKE = 1e13;

export class Recombiner {
  private readonly c: CompiledJob;
  private readonly budget: Budget;
  private readonly seen = new Map<number, Seen>();
  /** [k], then [s] numbers whose sum names what a sheet holds */
  private readonly names: Float64Array;
  private readonly random: () => number;
  private readonly scratch: Layout;
  /** [s] what it costs to use a blank at all */
  private readonly beside: Float64Array;
  /** Sheets seen, or seen with less waste, since the last mix. */
  private news = 0;

  constructor(c: CompiledJob, random: () => number, budget: Budget) {
    this.c = c;
    this.budget = budget;
    this.random = random;
    this.scratch = new Layout(c);
    this.beside = computeWasteBeside(c);
    this.names = Float64Array.from({ length: c.pieceCount + c.stockCount }, () => Math.floor(random() * 2 ** 46));
  }

  /** Remembers a sheet whose figures have just been measured. */
  note(layout: Layout, b: number): void {
    const { c, names } = this;
    const s = layout.stock[b]!;
    let name = names[c.pieceCount + s]!;
    for (let n = layout.root[b]!; n >= 0; n = layout.after(n))
      if (layout.kind[n] === LEAF) name += names[layout.piece[n]!]!;
    const cost = this.costOf(layout, b);
    const known = this.seen.get(name);
    if (known) {
      if (cost >= known.cost) return;
      this.news++;
      known.cost = cost;
      known.planting = extractPlanting(layout, layout.root[b]!);
      return;
    }
    if (this.seen.size >= MAX_SEEN) return;
    this.news++;
    const counts = new Map<number, number>();
    for (let n = layout.root[b]!; n >= 0; n = layout.after(n))
      if (layout.kind[n] === LEAF) counts.set(layout.piece[n]!, (counts.get(layout.piece[n]!) ?? 0) + 1);
    const planting = extractPlanting(layout, layout.root[b]!);
    this.seen.set(name, { s, cost, kinds: [...counts.keys()], counts: [...counts.values()], planting });
  }

  private costOf(layout: Layout, b: number): number {
    return layout.figures[b * 5]! + this.beside[layout.stock[b]!]! + layout.figures[b * 5 + 3]! * DISLIKE;
  }

  /** Fills so many items by chance, and remembers them after every piece. */
  fill(on: Layout, items: number): void {
    const { c, random, scratch } = this;
    const one = (list: readonly number[]) => list[Math.floor(random() * list.length)]!;
    const S = c.stockCount;
    const stock = Array.from({ length: S }, (_, s) => s).filter((s) => !c.isNew[s] || on.opened[s]!);
    const kinds = stock.map((s) =>
      Array.from(c.quantity, (_, k) => k).filter((k) => c.ways[k * S + s] && c.quantity[k]),
    );
    if (!stock.length) return;
    for (let i = 0; i < items && !this.budget.over(); i++) {
      const at = Math.floor(random() * stock.length);
      const s = stock[at]!;
      const first = one(kinds[at]!);
      const ways = c.ways[first * S + s]!;
      const taste = drawWeights(random);
      scratch.clear();
      scratch.plant(s, { piece: first, flat: ways === FLAT || (ways !== UPRIGHT && random() < 0.5) });
      for (let misses = 0; misses < 4;) {
        if (c.delicate[s] && !buildTree(scratch, 0)) break;
        if (!scratch.measured[0]) this.measure();
        const k = one(kinds[at]!);
        if (scratch.pool[k]! > 0 && scratch.seekBeside(k, taste, random) < Infinity) scratch.put(k);
        else misses++;
      }
    }
  }

  private measure(): void {
    const { scratch } = this;
    measureSheet(scratch, 0, this.figures);
    const { waste, largestKept, cuts, disliked, pieceArea } = this.figures;
    scratch.figures.set([waste, largestKept, cuts, disliked, pieceArea]);
    scratch.measured[0] = 1;
    this.note(scratch, 0);
  }
  private readonly figures: SheetFigures = { waste: 0, largestKept: 0, cuts: 0, disliked: 0, pieceArea: 0 };

  /** Whether enough was seen since the last time to look again. */
  worthwhile(): boolean {
    return this.news > this.seen.size * 0.02;
  }

  /** A mix with less waste than a layout, that opens the same new paper at the most, put into `into`; false if none is found. */
  improve(on: Layout, into: Layout): boolean {
    const { c } = this;
    this.news = 0;
    let least = 0;
    for (let b = 0; b < on.sheets; b++) least += this.costOf(on, b);
    // a room that is used is no waste any more
    const spared = this.beside.reduce((sum, w) => sum - Math.min(0, w), 0);
    const copies = Float64Array.from({ length: c.stockCount }, (_, s) => (c.isNew[s] ? on.opened[s]! : c.copies[s]!));
    const wanted = Float64Array.from(c.quantity, (q, k) => q - on.pool[k]!);
    const columns = [...this.seen.values()].filter(
      (v) => v.cost < least + spared && copies[v.s]! > 0 && v.kinds.every((k, i) => v.counts[i]! <= wanted[k]!),
    );
    const over = () => this.budget.over();
    const mix = findBestMix({ columns, wanted, copies, area: c.area, below: least, over });
    if (!mix) return false;
    into.clear();
    for (const { s, planting } of mix) into.plant(s, planting);
    return true;
  }
}

export function extractPlanting(layout: Layout, n: number): Planting {
  if (layout.kind[n] === LEAF) return { piece: layout.piece[n]!, flat: layout.flat[n] === 1 };
  const parts: Planting[] = [];
  for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!)
    parts.push(extractPlanting(layout, child));
  return { row: layout.kind[n] === ROW, parts };
}
