import { compileJob } from './blanks/compile.ts';
import type { Budget } from './budget.ts';
import type { FramedSheets } from './blanks/frames.ts';
import type { Aim, Job } from './documents/job.ts';
import type { Plan } from './documents/plan.ts';
import type { Solution } from './sheets/score.ts';
import { search } from './search/search.ts';
import { readSheetOfPlan } from './sheets/readSheet.ts';
import { visitHeldPieces, measureSolution } from './sheets/standing.ts';
import type { CutSheet, Tree } from './sheets/tree.ts';

/*
 * Planning again, after some cuts were made or a part was spoiled: sheets of the earlier plan that are still as they were, and
 * whose pieces are all still wanted, keep their cuts; only what is left is planned. That stands unless planning everything
 * anew is better in missing pieces, new paper, papers or waste.
 */

/** Sheets of an earlier plan that can be cut as it says, for a job that came after it. */
export function collectKeptSheets(job: Job, earlier: Plan): CutSheet[] {
  const left = job.pieces.map((p) => (p.from || p.opening ? 0 : p.quantity));
  const copies = job.stock.map((s) => (s.reserved || s.outline || s.uncut.length ? 0 : s.quantity));
  return earlier.sheets.flatMap((_, i): CutSheet[] => {
    const sheet = readSheetOfPlan(job, earlier, i);
    if (!sheet || copies[sheet.stock]! <= 0) return [];
    const wanted = new Map<number, number>();
    visitHeldPieces(sheet.tree, ({ holds: { piece } }) => wanted.set(piece, (wanted.get(piece) ?? 0) + 1));
    if ([...wanted].some(([k, n]) => left[k]! < n)) return [];
    for (const [k, n] of wanted) left[k]! -= n;
    copies[sheet.stock]!--;
    return [{ ...sheet, settled: true }];
  });
}

/** The kept sheets, and the pieces that they do not give planned from what else there is. */
export function planRest(
  job: Job,
  framing: FramedSheets,
  kept: readonly CutSheet[],
  aim: Aim,
  budget: Budget,
): Solution {
  const wanted = job.pieces.map((p) => (p.from ? 0 : p.quantity));
  const used = job.stock.map(() => 0);
  const count = (tree: Tree): void => {
    if (tree.holds && typeof tree.holds === 'object' && 'piece' in tree.holds) wanted[tree.holds.piece]!--;
    tree.parts.forEach(count);
  };
  for (const { stock, tree } of kept) {
    used[stock]!++;
    count(tree);
  }
  const rest: Job = { ...job, stock: job.stock.map((s, i) => ({ ...s, quantity: s.quantity - used[i]! })) };
  const c = compileJob(rest, { frames: framing.sheets.map((ways) => ways[0]!), unplaced: framing.unplaced, wanted });
  const { solution } = search({ c, aim, newAreaBound: 0, budget });
  return { sheets: [...kept, ...solution.sheets], missing: solution.missing };
}

/** When sheets of the earlier plan lose their cuts: for any paper that this saves, or only for pieces that would be missing. */
export type KeepingRule = 'while-as-good' | 'while-complete';

/** Whether planning anew is so much better than keeping what was planned that the sheets kept lose their cuts. */
export function isWorthRecutting(job: Job, anew: Solution, kept: Solution, keeping: KeepingRule): boolean {
  const [a, b] = [measureSolution(job, anew, false), measureSolution(job, kept, false)];
  const figures = (s: typeof a) =>
    keeping === 'while-complete' ? s.missing : [...s.missing, s.newArea, s.disliked, s.waste];
  const [x, y] = [figures(a), figures(b)];
  const i = x.findIndex((v, n) => v !== y[n]);
  return i >= 0 && x[i]! < y[i]!;
}
