import type { CompiledJob } from '../blanks/compile.ts';
import type { Budget } from '../budget.ts';
import type { Aim } from '../documents/job.ts';
import { seededRandom } from '../../chance/index.ts';
import { compareScores, computeScore, type Solution } from '../sheets/score.ts';
import { buildSolution, measureLayout } from './solutionOfLayout.ts';
import { PLACEMENT_ORDERS, DEFAULT_WEIGHTS, placePool, sequenceKinds } from './construct.ts';
import { Improver } from './improve.ts';
import { MAX_BLOCK_COPIES, fillSheets } from './blocks.ts';
import { Layout, MANY_PIECES } from './layout.ts';
import { Recombiner } from './recombine.ts';

/** What a search is given besides the job. */
export interface SearchTask {
  readonly c: CompiledJob;
  readonly aim: Aim;
  /** No solution opens less new paper than this. */
  readonly newAreaBound: number;
  readonly budget: Budget;
  /** Called with every better solution, the first one included. */
  readonly better?: (solution: Solution) => void;
  /** Called now and then with the best so far, for what else may be done with it. */
  readonly round?: (solution: Solution) => void;
  /** The paper is settled: waste up to this, in square ticks, does not count, and the cuts do. */
  readonly alike?: number | undefined;
  /** Where to start, if somebody has been here before. */
  readonly from?: Layout | null;
}
export interface SearchResult {
  readonly solution: Solution;
  readonly layout: Layout;
}

/** How many accepted states the search looks back on (late acceptance: E. K. Burke and Y. Bykov, 2017). */
const MEMORY = 40;
/** Of so few pieces, where no less paper would do, a search ends after so many steps in vain: of n pieces this many times (n + 2)². */
const IN_VAIN = 20;

/**
 * The search: several constructions, then, while there is time, in turns (a) tries to do with less new paper
 * or with less missing, (b) polishes the best solution for what comes after in the score, (c) builds sheets
 * without waste where one less would be nearly full, (d) looks for a better mix of the sheets that were seen.
 */
export function search({ c, aim, newAreaBound, budget, better, round, from, alike }: SearchTask): SearchResult {
  const { job } = c;
  const random = seededRandom(job.seed);
  const over = () => budget.over();

  const best = new Layout(c);
  const trial = new Layout(c);
  let bestSolution: Solution = buildSolution(best);
  // settings take the longest to count: they are counted where they decide early, and where all before them is equal
  const early = aim === 'easiest-cuts' || alike !== undefined;
  const scoreOf = (layout: Layout, withSettings: boolean) =>
    computeScore(aim, measureLayout(layout, withSettings), alike);
  let bestScore = scoreOf(best, early);
  let bestWhole: typeof bestScore | null = null;
  /** Steps since the best was found. */
  let vain = 0;
  const offer = (layout: Layout): boolean => {
    if (early && compareScores(scoreOf(layout, false), bestScore) > 0) return false;
    const figure = scoreOf(layout, early);
    const against = compareScores(figure, bestScore);
    if (against > 0) return false;
    const whole = against < 0 ? null : scoreOf(layout, true);
    if (whole && compareScores(whole, (bestWhole ??= scoreOf(best, true))) >= 0) return false;
    best.copyFrom(layout);
    [bestScore, bestWhole] = [figure, whole];
    vain = 0;
    bestSolution = buildSolution(layout);
    better?.(bestSolution);
    return true;
  };
  if (from) offer(from);
  const { pieces } = c;
  for (const order of PLACEMENT_ORDERS) {
    trial.clear();
    placePool(
      trial,
      sequenceKinds(trial, order, () => 1),
      DEFAULT_WEIGHTS,
      Infinity,
      random,
      over,
    );
    offer(trial);
    if (pieces > MANY_PIECES || (pieces > 300 && over())) break;
  }
  if (pieces > MANY_PIECES || !pieces || !c.stockCount) return { solution: bestSolution, layout: best };

  const improver = new Improver(c, random);
  const current = new Layout(c);
  // a mix is told by its waste, which other aims put second
  const recombiner = aim === 'least-paper' && alike === undefined ? new Recombiner(c, random, budget) : null;
  const note = recombiner ? (b: number) => recombiner.note(trial, b) : undefined;
  const memory = new Float64Array(MEMORY);
  const missingNothing = () => best.pool.every((n) => n === 0);
  const settled = () => missingNothing() && best.newArea <= newAreaBound;

  /** (a): at most `limit` steps with no more than so much new paper; true when the best became better. */
  const reduce = (paper: number, limit: number): boolean => {
    current.copyFrom(best);
    improver.dissolve(current, paper);
    let homeless = improver.homeless(current);
    let least = improver.homeless(best) || Infinity;
    memory.fill(homeless);
    for (let i = 0; i < limit && !over(); i++) {
      budget.spend();
      trial.copyFrom(current);
      improver.change(trial, paper);
      const after = improver.homeless(trial);
      const slot = i % MEMORY;
      if (after > homeless && after > memory[slot]!) continue;
      current.copyFrom(trial);
      homeless = after;
      memory[slot] = after;
      if (after < least) {
        least = after;
        if (offer(current) && missingNothing()) return true;
      }
      if (after === 0) return offer(current);
    }
    return false;
  };

  /** (b): steps that keep everything placed and the new paper as it is. */
  const polish = (limit: number): void => {
    current.copyFrom(best);
    let now = bestScore;
    const past = new Array<typeof now>(MEMORY).fill(now);
    for (let i = 0; i < limit && !over(); i++) {
      budget.spend();
      vain++;
      trial.copyFrom(current);
      improver.change(trial, best.newArea);
      if (improver.homeless(trial) > improver.homeless(best)) continue;
      const slot = i % MEMORY;
      const isWorse = (than: typeof now) => compareScores(than, now) > 0 && compareScores(than, past[slot]!) > 0;
      // what is worse already needs no settings counted
      const rough = computeScore(aim, measureLayout(trial, false, note), alike);
      if (isWorse(rough)) continue;
      const figure = early ? scoreOf(trial, true) : rough;
      if (early && isWorse(figure)) continue;
      current.copyFrom(trial);
      past[slot] = now = figure;
      // where only settings could still be better, they are counted now and then
      const against = compareScores(figure, bestScore);
      if (against < 0 || (against === 0 && random() < 0.01)) offer(current);
    }
  };

  /** (c): where a kind of sheet could do with one less, were there hardly any waste: builds the sheets from the bottom up. */
  const build = (width: number): boolean => {
    for (let s = 0; s < c.stockCount; s++) {
      if (!c.isNew[s] || best.opened[s]! < 1) continue;
      current.copyFrom(best);
      const sheets = current.opened[s]! - 1;
      for (let b = current.sheets - 1; b >= 0; b--) if (current.stock[b] === s) current.empty(b);
      const copies = Array.from(current.pool).flatMap((n, k) => new Array<number>(n).fill(k));
      if (copies.length > MAX_BLOCK_COPIES) continue;
      const found = fillSheets({ c, s, sheets, copies, random, width, over });
      if (!found) continue;
      for (const planting of found) current.plant(s, planting);
      if (offer(current)) return true;
    }
    return false;
  };

  let rounded: Solution | null = null;
  let patience = 400;
  let width = 4000;
  const enough = IN_VAIN * (pieces + 2) ** 2;
  while (!over() && !(settled() && vain >= enough)) {
    if (!settled()) {
      while (!over() && !settled() && reduce(missingNothing() ? best.newArea - 1 : Infinity, patience));
      patience = Math.min(patience * 2, 20_000);
      if (!settled() && !over() && build(width)) continue;
      width *= 2;
    }
    polish(settled() ? Math.min(2000, enough) : Math.max(200, patience / 4));
    if (recombiner && !over()) {
      recombiner.fill(best, settled() ? 1000 : 200);
      if (recombiner.worthwhile() && recombiner.improve(best, current)) offer(current);
    }
    if (bestSolution !== rounded) round?.((rounded = bestSolution));
  }
  return { solution: bestSolution, layout: best };
}
