import { ExactSheet, type Copy } from './exactSheet.ts';
import type { Job } from '../documents/job.ts';
import type { Solution } from './score.ts';
import { visitHeldPieces, measureSheetTree } from './standing.ts';
import { canCutTree, hasWindmill, type CutSheet, type Tree } from './tree.ts';
import { waysOf } from '../blanks/turning.ts';

/** At the most this many pieces on a sheet, and cuts tried for it: more where the whole job is as small. */
const MAX_PIECES = 6;
const LIMIT = 1_500_000;
const LIMIT_SMALL_JOB = 20_000_000;

/** Stock and pieces that have been looked into: the tree that wastes least, or null where that was too much to try. */
export type RecutCache = Map<string, { readonly tree: Tree; readonly waste: number } | null>;

/** The same pieces from the same sheets, each sheet with few pieces cut up in the way that wastes least. */
export function recutSolution(job: Job, solution: Solution, known: RecutCache, done: () => boolean): Solution {
  const { step, kerf } = job.cutter;
  const onMark = (length: number) => !step || length % step === 0;
  if (!onMark(kerf)) return solution;
  const sheets = solution.sheets.map((sheet) => {
    const item = job.stock[sheet.stock]!;
    const before = measureSheetTree(job, sheet.stock, sheet.tree);
    if (!before.waste || item.outline || item.uncut.length || done()) return sheet;
    const kinds: number[] = [];
    let plain = true;
    visitHeldPieces(sheet.tree, ({ holds, opening }) => {
      const piece = job.pieces[holds.piece]!;
      kinds.push(holds.piece);
      if (opening || piece.from || !onMark(piece.width) || !onMark(piece.height)) plain = false;
    });
    if (!plain || kinds.length > MAX_PIECES || hasWindmill(sheet.tree)) return sheet;
    const key = `${sheet.stock} ${kinds.sort((a, b) => a - b).join()}`;
    if (!known.has(key)) known.set(key, leastTree(job, sheet, kinds, done));
    const least = known.get(key);
    return least && least.waste < before.waste + before.kerf ? { stock: sheet.stock, tree: least.tree } : sheet;
  });
  return { sheets, missing: solution.missing };
}

function leastTree(
  job: Job,
  { stock, tree }: CutSheet,
  kinds: readonly number[],
  done: () => boolean,
): { tree: Tree; waste: number } | null {
  const item = job.stock[stock]!;
  const copies = kinds.map((k): Copy => ({
    ...waysOf(job.pieces[k]!, item),
    k,
    width: job.pieces[k]!.width,
    height: job.pieces[k]!.height,
  }));
  const small = job.pieces.reduce((sum, p) => sum + p.quantity, 0) <= MAX_PIECES;
  const exact = new ExactSheet(copies, job, small ? LIMIT_SMALL_JOB : LIMIT, done);
  const margins = item.width * item.height - tree.width * tree.height;
  const least = exact.least(exact.all, tree.width, tree.height);
  if (least === Infinity) return null;
  const better = exact.tree(exact.all, tree);
  return canCutTree(better, job) ? { tree: better, waste: least + margins } : null;
}
