import { gcd } from './perSheet.ts';
import type { Budget } from '../budget.ts';
import { compileJob, type CompiledJob } from '../blanks/compile.ts';
import type { FramedSheets } from '../blanks/frames.ts';
import type { Job } from '../documents/job.ts';
import { MAX_GRID_POINTS, PricedSheet, type Pattern } from './pricedSheet.ts';
import type { Solution } from '../sheets/score.ts';
import { search } from '../search/search.ts';
import { Simplex } from './simplex.ts';
import type { CutSheet } from '../sheets/tree.ts';

/*
 * Kits: few kinds of piece and many copies of each. What matters then is not where each copy lies but which patterns there are
 * for a sheet and how often each is cut:
 *
 *     price of each kind → the sheet worth most at these prices → a better mix of sheets → new prices → …
 *
 * until no sheet is worth more than it costs (P. C. Gilmore and R. E. Gomory, 1961, 1965). Whole numbers of each pattern are
 * cut; the few pieces left over are planned one by one.
 */

type Run = (
  budget: Budget,
  offer: (solution: Solution) => void,
  /** Told when no mix of patterns opens less new paper than this: in square ticks, and in sheets. */
  prove: (newArea: number, newSheets: number) => void,
) => void;

const FEWEST_PIECES = 400;
const COPIES_A_KIND = 12;
const MAX_KINDS = 40;
const MAX_STOCK = 12;
const ROUNDS = 400;

/** How to plan the job by patterns; null where that does not suit it. */
export function planByPatterns(job: Job, framing: FramedSheets): Run | null {
  const pieces = job.pieces.reduce((sum, p) => sum + p.quantity, 0);
  const kinds = job.pieces.length;
  if (pieces < FEWEST_PIECES || pieces < kinds * COPIES_A_KIND || kinds > MAX_KINDS) return null;
  if (framing.sheets.length || job.pieces.some((p) => p.opening || p.from) || job.cutter.stop) return null;
  const c = compileJob(job);
  if (!c.aligned || c.delicate.some((d) => d) || !c.stockCount || c.stockCount > MAX_STOCK) return null;
  const sheets = Array.from({ length: c.stockCount }, (_, s) => new PricedSheet(c, s));
  if (sheets.some((sheet) => sheet.points > MAX_GRID_POINTS)) return null;
  return (budget, offer, prove) => {
    const mix = columnGeneration(c, sheets, budget.share(0.6));
    if (mix.least > 0) prove(mix.least, Math.ceil(mix.least / Math.max(...c.stockArea) - 1e-9));
    const often = wholeNumbers(c, mix.often);
    offer(completed(c, often, budget.none(), mix.least));
    if (!budget.over()) offer(completed(c, often, budget, mix.least));
  };
}

interface Often {
  readonly pattern: Pattern;
  readonly times: number;
}

/** The cheapest mix of patterns in fractions; as often as the linear programme says, which need not be whole. */
function columnGeneration(
  c: CompiledJob,
  sheets: readonly PricedSheet[],
  budget: Budget,
): { often: Often[]; least: number } {
  const [K, S] = [c.pieceCount, c.stockCount];
  const dearest = Math.max(...c.stockArea);
  // rows: each kind's copies, then each stock kind's sheets. They start with pieces missing, and sheets left in the drawer
  const missing = Array.from(c.area, (area, k) => area * 100 * 8 ** c.urgency[k]! * (1 + dearest / area / 100));
  const lp = new Simplex([...c.quantity, ...c.copies], [...missing, ...new Array<number>(S).fill(0)]);
  const patterns: Pattern[] = [];
  let least = 0;
  for (let round = 0; round < ROUNDS && !budget.over(); round++) {
    budget.spend();
    const prices = lp.prices();
    const surplus = prices.slice(0, K).findIndex((p) => p < -1e-6);
    if (surplus >= 0) {
      const column = new Float64Array(K + S);
      column[surplus] = -1;
      if (!lp.enter(1e6 + surplus, column, 0)) break;
      continue;
    }
    let best: { pattern: Pattern; gain: number; cost: number } | null = null;
    for (const [s, sheet] of sheets.entries()) {
      // a scrap costs a little, so that none is cut for nothing
      const cost = c.isNew[s] ? c.stockArea[s]! : c.stockArea[s]! * 1e-3;
      const { pattern, worth } = sheet.worthMost(prices);
      const gain = worth + prices[K + s]! - cost;
      if (pattern && gain > dearest * 1e-7 && gain > (best?.gain ?? 0)) best = { pattern, gain, cost };
    }
    if (!best) {
      least = wholeSheets(c, lp.value());
      break;
    }
    const column = new Float64Array(K + S);
    column.set(best.pattern.gives);
    column[K + best.pattern.s] = 1;
    if (!lp.enter(patterns.length, column, best.cost)) break;
    patterns.push(best.pattern);
  }
  const amounts = lp.amounts();
  const often = Array.from(lp.basis).flatMap((name, row) => {
    const pattern = patterns[name];
    return pattern && amounts[row]! > 1e-6 ? [{ pattern, times: amounts[row]! }] : [];
  });
  const short = Array.from(lp.basis).some((name, row) => name < 0 && name >= -K && amounts[row]! > 1e-6);
  return { often, least: short ? 0 : least };
}

/** New paper comes in whole sheets. Scraps cost next to nothing, and what they cost is taken off. */
function wholeSheets(c: CompiledJob, value: number): number {
  const fresh = Array.from(c.stockArea).filter((_, s) => c.isNew[s]);
  if (!fresh.length) return 0;
  const scraps = c.stockArea.reduce((sum, area, s) => sum + (c.isNew[s] ? 0 : area * 1e-3 * c.copies[s]!), 0);
  const unit = fresh.reduce((a, b) => (b ? gcd(a, b) : a));
  return Math.max(0, Math.ceil((value - scraps) / unit - 1e-6)) * unit;
}

/** Whole numbers of each pattern, most used first, none giving more than is wanted. */
function wholeNumbers(c: CompiledJob, often: readonly Often[]): Often[] {
  const left = Float64Array.from(c.quantity);
  const copies = Float64Array.from(c.copies);
  const chosen: Often[] = [];
  for (const { pattern, times } of [...often].sort((a, b) => b.times - a.times)) {
    const fits = pattern.gives.reduce((t, n, k) => (n ? Math.min(t, Math.floor(left[k]! / n)) : t), copies[pattern.s]!);
    const whole = Math.min(fits, Math.floor(times + 1e-6));
    if (whole <= 0) continue;
    chosen.push({ pattern, times: whole });
    pattern.gives.forEach((n, k) => (left[k]! -= n * whole));
    copies[pattern.s]! -= whole;
  }
  return chosen;
}

/** The sheets of the patterns, and the pieces that they leave out planned one by one. */
function completed(c: CompiledJob, often: readonly Often[], budget: Budget, least: number): Solution {
  const { job } = c;
  const wanted = Array.from(c.quantity);
  const used = job.stock.map(() => 0);
  const sheets: CutSheet[] = [];
  for (const { pattern, times } of often) {
    const { stock } = c.blanks[pattern.s]!;
    for (let i = 0; i < times; i++) sheets.push({ stock, tree: pattern.tree });
    pattern.gives.forEach((n, k) => (wanted[k]! -= n * times));
    used[stock]! += times;
  }
  const left: Job = { ...job, stock: job.stock.map((s, i) => ({ ...s, quantity: s.quantity - used[i]! })) };
  const rest = compileJob(left, { wanted });
  const opened = often.reduce((sum, { pattern: { s }, times }) => sum + (c.isNew[s] ? c.stockArea[s]! * times : 0), 0);
  const newAreaBound = Math.max(0, least - opened);
  const { solution } = search({ c: rest, aim: job.aim, newAreaBound, budget });
  return { sheets: [...sheets, ...solution.sheets], missing: solution.missing };
}
