import { ExactSheet, type Copy } from '../sheets/exactSheet.ts';
import type { CompiledJob } from '../blanks/compile.ts';
import type { Solution } from '../sheets/score.ts';
import { isNewPaper, missingAreasOf } from '../sheets/standing.ts';
import { canCutTree, type CutSheet } from '../sheets/tree.ts';
import { waysOf } from '../blanks/turning.ts';

/*
 * Jobs of a few pieces are solved exactly: for every set of the pieces and every item, the least waste over all edge-to-edge
 * cuts, and of all ways to share the pieces among the items the best in missing pieces, new paper, papers and waste.
 */

const MAX_PIECES = 6;
const MAX_ITEMS = 12;
/** Cuts tried, over all kinds of stock. */
const LIMIT = 3_000_000;

export interface SmallSolution {
  /** Null where the cutter cannot make it. */
  readonly solution: Solution | null;
  /** No plan that cuts as much opens less: in square ticks, and in sheets. */
  readonly newArea: number;
  readonly newSheets: number;
  readonly complete: boolean;
}
interface Shared {
  readonly cost: readonly number[];
  readonly used: readonly { readonly s: number; readonly set: number }[];
}

/** The best plan of a small job; null where the job is not small, or asks for more than whole sheets and cuts on the mark. */
export function solveSmallJob(c: CompiledJob): SmallSolution | null {
  const { job } = c;
  const kinds = Array.from(c.quantity).flatMap((n, k) => new Array<number>(Math.min(n, MAX_PIECES + 1)).fill(k));
  const copies = Array.from(c.copies, (n) => Math.min(n, kinds.length));
  const items = copies.reduce((sum, n) => sum + n, 0);
  if (!kinds.length || kinds.length > MAX_PIECES || !items || items > MAX_ITEMS) return null;
  if (c.frames.length || c.unplaced.some((n) => n) || !c.aligned || job.cutter.stop || job.cutter.then.length)
    return null;
  const sheets = c.blanks.map(({ item }) => {
    const laid = kinds.map((k): Copy => {
      const piece = job.pieces[k]!;
      const none = { upright: null, flat: null };
      const ways = piece.papers.includes(item.paper.id) ? waysOf(piece, item) : none;
      return { ...ways, k, width: piece.width, height: piece.height };
    });
    return new ExactSheet(laid, job, LIMIT / c.blanks.length);
  });
  // [set] the best way found to cut just these copies
  let best = new Map<number, Shared>([[0, { cost: [0, 0, 0], used: [] }]]);
  for (const [s, { item, width, height }] of c.blanks.entries()) {
    const sheet = sheets[s]!;
    const opens = isNewPaper(item) ? c.stockArea[s]! : 0;
    const margins = c.stockArea[s]! - width * height;
    const waste = Array.from({ length: sheet.all + 1 }, (_, set) => (set ? sheet.least(set, width, height) : Infinity));
    if (sheet.gaveUp) return null;
    const disliked = (set: number) =>
      kinds.reduce((sum, k, i) => sum + (set & (1 << i) ? c.place[k * c.stockCount + s]! : 0), 0);
    for (let copy = 0; copy < copies[s]!; copy++) {
      const next = new Map(best);
      for (const [placed, { cost, used }] of best)
        for (let set = 1; set <= sheet.all; set++) {
          if (set & placed || waste[set] === Infinity) continue;
          const sum = [cost[0]! + opens, cost[1]! + disliked(set), cost[2]! + waste[set]! + margins];
          const known = next.get(placed | set);
          if (!known || before(sum, known.cost)) next.set(placed | set, { cost: sum, used: [...used, { s, set }] });
        }
      best = next;
    }
  }
  const missingOf = (set: number) => {
    const missing = job.pieces.map(() => 0);
    kinds.forEach((k, i) => (missing[k]! += set & (1 << i) ? 0 : 1));
    return missing;
  };
  const ranked = [...best].map(([set, shared]) => ({
    set,
    shared,
    rank: [...missingAreasOf(job, missingOf(set)), ...shared.cost],
  }));
  const { set, shared } = ranked.reduce((a, b) => (before(b.rank, a.rank) ? b : a));
  const cut = shared.used.map(({ s, set: part }): CutSheet => {
    const { stock, x, y, width, height } = c.blanks[s]!;
    return { stock, tree: sheets[s]!.tree(part, { x, y, width, height }) };
  });
  return {
    solution: cut.every(({ tree }) => canCutTree(tree, job)) ? { sheets: cut, missing: missingOf(set) } : null,
    newArea: shared.cost[0]!,
    newSheets: shared.used.filter(({ s }) => isNewPaper(c.blanks[s]!.item)).length,
    complete: set === sheets[0]!.all,
  };
}

function before(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((v, n) => v !== b[n]);
  return i >= 0 && a[i]! < b[i]!;
}
