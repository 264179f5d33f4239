import { TICKS_PER_UNIT } from '../length/index.ts';
import { compile } from './blanks/compile.ts';
import type { Budget } from './budget.ts';
import type { Framing } from './blanks/frames.ts';
import type { Aim, Job } from './documents/job.ts';
import type { Plan, PlanNode } from './documents/plan.ts';
import type { Solution } from './sheets/score.ts';
import { search } from './search/search.ts';
import { standingOf } from './sheets/standing.ts';
import type { CutSheet, Tree } from './sheets/tree.ts';

/*
 * Planning again, after some cuts were made or a part was spoiled: sheets of the earlier plan that are still as they were, and
 * whose pieces are all still wanted, keep their cuts; only what is left is planned. That stands unless planning everything
 * anew is better in missing pieces, new paper, papers or waste.
 */

/** Sheets of an earlier plan that can be cut as it says, for a job that came after it. */
export function keptSheets(job: Job, earlier: Plan): CutSheet[] {
  if (earlier.unit !== job.unit) return [];
  const per = TICKS_PER_UNIT[job.unit];
  const left = job.pieces.map((p) => (p.from || p.opening ? 0 : p.quantity));
  const copies = job.stock.map((s) => (s.reserved || s.outline || s.uncut.length ? 0 : s.quantity));
  const kindOf = new Map(job.pieces.map((p, k) => [p.id, k]));
  return earlier.sheets.flatMap((sheet): CutSheet[] => {
    const stock = job.stock.findIndex((s) => s.id === sheet.stock);
    if (stock < 0 || copies[stock]! <= 0) return [];
    const wanted = new Map<number, number>();
    let holds = true;
    const ticks = (n: number) => Math.round(n * per);
    const read = (n: PlanNode): Tree => {
      const place = { x: ticks(n.x), y: ticks(n.y), width: ticks(n.width), height: ticks(n.height) };
      const lost = n.lost === undefined ? 0 : ticks(n.lost);
      if (n.cut === 'windmill' || n.opening || n.holds === 'odd') holds = false;
      if (n.cut) return { ...place, cut: n.cut, parts: (n.parts ?? []).map(read), lost, holds: null };
      if (typeof n.holds !== 'object')
        return { ...place, cut: null, parts: [], lost, holds: n.holds as 'keep' | 'waste' };
      const { piece, turn, side } = n.holds;
      const k = kindOf.get(piece);
      const is = k === undefined ? null : job.pieces[k]!;
      const [w, h] = turn % 180 ? [is?.height, is?.width] : [is?.width, is?.height];
      if (!is || w !== place.width || h !== place.height) holds = false;
      else wanted.set(k!, (wanted.get(k!) ?? 0) + 1);
      return { ...place, cut: null, parts: [], lost, holds: { piece: k ?? 0, turn, side } };
    };
    const tree = read(sheet.tree);
    const item = job.stock[stock]!;
    const same =
      tree.width === item.width - item.trim.left - item.trim.right &&
      tree.height === item.height - item.trim.top - item.trim.bottom;
    if (!holds || !same || [...wanted].some(([k, n]) => left[k]! < n)) return [];
    for (const [k, n] of wanted) left[k]! -= n;
    copies[stock]!--;
    return [{ stock, tree, settled: true }];
  });
}

/** The kept sheets, and the pieces that they do not give planned from what else there is. */
export function planRest(job: Job, framing: Framing, kept: readonly CutSheet[], aim: Aim, budget: Budget): Solution {
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
  const c = compile(rest, { frames: framing.sheets.map((ways) => ways[0]!), unplaced: framing.unplaced, wanted });
  const { solution } = search({ c, aim, newAreaBound: 0, budget });
  return { sheets: [...kept, ...solution.sheets], missing: solution.missing };
}

/** When sheets of the earlier plan lose their cuts: for any paper that this saves, or only for pieces that would be missing. */
export type Keeping = 'while-as-good' | 'while-complete';

/** Whether planning anew is so much better than keeping what was planned that the sheets kept lose their cuts. */
export function isWorthRecutting(job: Job, anew: Solution, kept: Solution, keeping: Keeping): boolean {
  const [a, b] = [standingOf(job, anew, false), standingOf(job, kept, false)];
  const figures = (s: typeof a) =>
    keeping === 'while-complete' ? s.missing : [...s.missing, s.newArea, s.disliked, s.waste];
  const [x, y] = [figures(a), figures(b)];
  const i = x.findIndex((v, n) => v !== y[n]);
  return i >= 0 && x[i]! < y[i]!;
}
