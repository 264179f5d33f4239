import type { CompiledJob } from '../blanks/compile.ts';
import { PLACEMENT_ORDERS, placePool, sequenceKinds, drawWeights } from './construct.ts';
import { type Layout } from './layout.ts';
import { LEAF } from './sheetTrees.ts';
import { buildTree } from './buildTree.ts';

/**
 * Ruin and recreate (G. Schrimpf and others, 2000): takes pieces off a few sheets and puts them back in another
 * order, always on a copy, so that a change that is not accepted costs nothing but its time.
 */
export class Improver {
  private readonly c: CompiledJob;
  private readonly random: () => number;

  constructor(c: CompiledJob, random: () => number) {
    this.c = c;
    this.random = random;
  }

  private int(n: number): number {
    return Math.floor(this.random() * n);
  }

  /** Weighted area that has no place: what the search for less missing makes smaller. */
  homeless(layout: Layout): number {
    const { c } = this;
    let sum = 0;
    for (let k = 0; k < c.pieceCount; k++)
      if (layout.pool[k]) sum += layout.pool[k]! * c.area[k]! * 8 ** Math.min(8, c.urgency[k]!);
    return sum;
  }

  /** One ruin and one recreation on `layout`, opening new paper only up to `budget` of area. */
  change(layout: Layout, budget: number): void {
    this.ruin(layout);
    const taste = drawWeights(this.random);
    const order = this.random() < 0.5 ? PLACEMENT_ORDERS[0]! : PLACEMENT_ORDERS[this.int(PLACEMENT_ORDERS.length)]!;
    const spread = this.random() < 0.6 ? 0.25 : 0.7;
    placePool(
      layout,
      sequenceKinds(layout, order, () => 1 - spread * this.random()),
      taste,
      budget,
      this.random,
    );
  }

  private ruin(layout: Layout): void {
    if (!layout.sheets) return;
    const sheets = Math.min(layout.sheets, 1 + this.int(3));
    // sheets of one paper can take each other's pieces; those that waste more are taken more often
    const paper = this.paperOf(layout, this.wasteful(layout));
    const together = this.random() < 0.7;
    if (together && this.random() < 0.1) return this.emptyPaper(layout, paper);
    for (let i = 0; i < sheets && layout.sheets; i++) {
      let b = this.int(layout.sheets);
      for (let tries = 0; together && tries < 8 && this.paperOf(layout, b) !== paper; tries++)
        b = this.int(layout.sheets);
      const roll = this.random();
      if (roll < 0.12) layout.empty(b);
      else if (roll < 0.5) this.takeBranch(layout, b);
      else this.takeSome(layout, b, 1 + this.int(4));
    }
  }

  /** Of two sheets by chance, the one that wastes more, as far as that has been measured. */
  private wasteful(layout: Layout): number {
    const [a, b] = [this.int(layout.sheets), this.int(layout.sheets)];
    return layout.figures[b * 5]! > layout.figures[a * 5]! ? b : a;
  }

  /** All sheets of a paper, where they hold few enough pieces to start anew. */
  private emptyPaper(layout: Layout, paper: string): void {
    for (let b = layout.sheets - 1, emptied = 0; b >= 0 && emptied < 6; b--) {
      if (this.paperOf(layout, b) !== paper) continue;
      layout.empty(b);
      emptied++;
    }
  }

  private paperOf(layout: Layout, b: number): string {
    return this.c.blanks[layout.stock[b]!]!.item.paper.id;
  }

  /** Takes a whole branch of the tree, so that what comes free is one room. */
  private takeBranch(layout: Layout, b: number): void {
    const nodes: number[] = [];
    for (let n = layout.root[b]!; n >= 0; n = layout.after(n)) nodes.push(n);
    const branch = nodes[this.int(nodes.length)]!;
    const leaves: number[] = [];
    const gather = (n: number): void => {
      if (layout.kind[n] === LEAF) leaves.push(n);
      for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!) gather(child);
    };
    gather(branch);
    let at = b;
    for (const leaf of leaves) if (at >= 0) at = layout.remove(leaf);
    this.mend(layout, at);
  }

  private takeSome(layout: Layout, b: number, count: number): void {
    let at = b;
    for (let i = 0; i < count && at >= 0; i++) {
      const leaves: number[] = [];
      for (let n = layout.root[at]!; n >= 0; n = layout.after(n)) if (layout.kind[n] === LEAF) leaves.push(n);
      at = layout.remove(leaves[this.int(leaves.length)]!);
    }
    this.mend(layout, at);
  }

  /** Without the part that was held, a cut may have become impossible: such a sheet is emptied. */
  private mend(layout: Layout, b: number): void {
    if (b >= 0 && this.c.delicate[layout.stock[b]!] && !buildTree(layout, b)) layout.empty(b);
  }

  /** Closes new sheets, the emptiest first by chance, until the rest is within the budget. */
  dissolve(layout: Layout, budget: number): void {
    while (layout.newArea > budget && layout.newArea > 0) {
      let pick = -1;
      let most = -1;
      for (let b = 0; b < layout.sheets; b++) {
        if (!this.c.isNew[layout.stock[b]!]) continue;
        const emptiness =
          (layout.spare[b]! / (this.c.roomWidth[layout.stock[b]!]! * this.c.roomHeight[layout.stock[b]!]!) + 0.1) *
          this.random();
        if (emptiness > most) [most, pick] = [emptiness, b];
      }
      layout.empty(pick);
    }
  }
}
