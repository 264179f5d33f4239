import { seededRandom } from '../chance/index.ts';
import {
  listOtherApproaches,
  buildPlainApproach,
  withFirstCutter,
  type Approach,
  type ApproachScore,
} from './approaches.ts';
import { Budget, type Clock } from './budget.ts';
import { buildFrames, type FramedSheets } from './blanks/frames.ts';
import { areaOf } from './blanks/outline.ts';
import type { Aim, Job } from './documents/job.ts';
import type { Plan } from './documents/plan.ts';
import { MAX_CUTS_SHOWN } from './order/steps.ts';
import { writePlan } from './order/write.ts';
import { computeLowerBound, type Bound } from './proof/bounds.ts';
import { planByPatterns } from './proof/patterns.ts';
import { solveSmallJob } from './proof/small.ts';
import { isWorthRecutting, collectKeptSheets, planRest, type KeepingRule } from './replan.ts';
import { MANY_PIECES, type Layout } from './search/layout.ts';
import { search } from './search/search.ts';
import { newAreaOfFrames } from './search/solutionOfLayout.ts';
import { recutSolution } from './sheets/recut.ts';
import { findEasierCuts, MAX_SHEETS_EASED } from './sheets/easierCuts.ts';
import { flattenRuns } from './sheets/flat.ts';
import { arrangeUsefulOffcuts } from './sheets/offcuts.ts';
import { compareScores, computeScore, type Solution } from './sheets/score.ts';
import { SettingSaver } from './sheets/settingSaver.ts';
import { visitHeldPieces, measureSolution, rankUrgencies } from './sheets/standing.ts';
import type { CutSheet } from './sheets/tree.ts';
import { withTrimmable } from './sheets/trims.ts';
import { withWaysOut } from './shortage/waysOut.ts';

/** Orders of cuts tried for a plan that is the answer, and for one that is shown until then. */
const FINAL_TRIES = 100;
const SHOWN_TRIES = 5;
/** Where only the order of cuts is still looked for, so many are tried of each way to cut the sheets. */
const EASING_TRIES = 60;
/** Of the largest sheet cut, so small a part is waste that nobody sees. */
const UNSEEN = 100;
/** Of the time there is, what is kept to make the cuts easier; sheets for which that is tried, and cuts tried for all of them. */
const EASING = 0.15;
/** Of the time there is, what is kept to lay the pieces another way where that is easier to cut. */
const SETTLED = 0.1;
/** Of that time, what goes to the search where it is not known that no less paper would do. */
const UNSETTLED = 0.8;
/** Where easy cuts are all that is asked for: of the time there is, what the search has, and of the rest, what doing with a setting less has. */
const SEARCHING = 0.4;
const SPARING = 0.8;
/** Accepted ways to cut that are looked back on, and changes that may be in vain. */
const SPARING_MEMORY = 8;
const SPARED_IN_VAIN = 6000;
/** Sheets of a plan for which a setting less is looked for. */
const MAX_SHEETS_SPARED = 40;
/** Of the time there is for more sheets than that, what is kept to see to their offcuts. */
const BROADENING = 0.04;
/** Steps of the search for each way out that is tried. */
const WAY_OUT_STEPS = 30;

/** The best plans of one job so far, one for each aim that is asked for. */
export class Planner {
  private readonly job: Job;
  private bound: Bound;
  private readonly better: (write: () => Plan) => void;
  private readonly framing: FramedSheets;
  /** Sheets of an earlier plan that may stay as they are, and what came of leaving them so. */
  private readonly keep: readonly CutSheet[];
  private readonly keeping: KeepingRule;
  private kept: Solution | null = null;
  /** Solutions in which those sheets are as they were. */
  private readonly keepers = new WeakSet<Solution>();
  /** The best so far for each aim asked for, and how it was come by. */
  private readonly best = new Map<Aim, Best>();
  private readonly flats = new WeakMap<Solution, Solution>();
  private readonly layouts = new Map<Approach, Layout>();
  /** For an aim whose cuts were made easier: waste up to which nobody sees a difference, in square ticks. */
  private readonly alike = new Map<Aim, number>();
  /** What is cut from which sheets → the fewest settings, where no way to cut these pieces from these sheets has fewer. */
  private readonly fewest = new Map<string, number>();
  /** Good is good enough: one of many plans that are only compared. */
  private readonly quick: boolean;

  constructor(
    given: Job,
    budget: Budget,
    better: (write: () => Plan) => void,
    earlier: Plan | null = null,
    keeping: KeepingRule = 'while-as-good',
    quick = false,
  ) {
    const job = withTrimmable(given);
    this.job = job;
    this.quick = quick;
    this.keeping = keeping;
    this.keep = earlier ? collectKeptSheets(job, earlier) : [];
    this.better = better;
    const preparing = budget.share(0.3);
    const over = () => preparing.over();
    this.framing = buildFrames(job, over);
    this.bound = computeLowerBound(job, this.framing, over);
  }

  /** The best plan for an aim; what was found for another aim may be it. */
  plan(aim: Aim): Plan {
    const eased = this.alike.has(aim);
    for (const { solution, approach } of [...this.best.values()]) this.offer(solution, aim, approach, false, eased);
    const { solution } = this.best.get(aim)!;
    const settings = this.fewest.get(describePiecesBySheet(solution));
    const bound = { ...this.bound, ...(settings === undefined ? {} : { settings }) };
    return writePlan(this.job, bound, solution, aim, FINAL_TRIES);
  }

  withWaysOut(plan: Plan, clock: Clock): Plan {
    if (!plan.missing.length || clock.cancelled?.()) return plan;
    const { solution } = this.best.get(plan.aim)!;
    // half as long again at the most, so that an answer is not kept waiting
    const budget = Budget.of(clock, this.job.seconds / 2, null);
    const solve = (job: Job): Solution => {
      const each = budget.capped(WAY_OUT_STEPS);
      const planner = new Planner({ ...job, nodes: WAY_OUT_STEPS }, each, () => {}, null, 'while-as-good', true);
      planner.run('least-paper', each);
      return planner.best.get('least-paper')!.solution;
    };
    return { ...plan, missing: withWaysOut(this.job, plan.missing, solution, solve, () => budget.over()) };
  }

  run(aim: Aim, budget: Budget): void {
    // of plans that are only compared the cuts are not made easier either
    if (this.quick) return this.search(aim, budget);
    this.search(aim, budget.share(aim === 'easiest-cuts' ? SEARCHING : 1 - EASING - SETTLED));
    const { length } = this.best.get(aim)!.solution.sheets;
    const isFew = length <= MAX_SHEETS_EASED;
    // while less paper might do, most of what is left goes there
    const isSettled = this.cannotBeBettered(aim);
    const isSpared = aim === 'easiest-cuts' && isSettled && length <= MAX_SHEETS_SPARED;
    // of so many sheets the cuts are not made easier: all of the time is for the paper
    if (!isFew && !isSpared) {
      this.search(aim, budget.share(1 - BROADENING));
      return this.broaden(aim, budget.inTime(), false);
    }
    if (!isSettled) this.search(aim, budget.share(UNSETTLED));
    this.settle(aim);
    if (isSettled && aim !== 'easiest-cuts') this.searchEasier(aim, budget.share(SETTLED / (EASING + SETTLED)));
    this.ease(aim, budget.inTime());
    const eased = this.best.get(aim);
    if (isSpared) this.spare(aim, budget.share(SPARING));
    if (this.best.get(aim) !== eased) this.ease(aim, budget.inTime());
    this.broaden(aim, budget.inTime(), true);
  }

  /** From here on waste that nobody sees does not count. */
  private settle(aim: Aim): void {
    const known = this.best.get(aim);
    if (!known) return;
    const { sheets } = known.solution;
    const largest = Math.max(0, ...sheets.map(({ stock }) => areaOf(this.job.stock[stock]!)));
    this.alike.set(aim, measureSolution(this.job, known.solution, false).waste + largest / UNSEEN);
  }

  /** Other ways to lay the same pieces that waste no more, and are easier to cut. */
  private searchEasier(aim: Aim, budget: Budget): void {
    const { approach } = this.best.get(aim)!;
    const from = approach && this.layouts.get(approach);
    if (this.kept || !from || budget.over()) return;
    const { c } = approach;
    const newAreaBound = Math.max(0, this.bound.newArea - newAreaOfFrames(c));
    const better = (found: Solution) => this.offer(approach.finish(found), aim, approach, true, true);
    search({ c, aim, newAreaBound, budget, from, better, alike: this.alike.get(aim) });
  }

  private search(aim: Aim, budget: Budget): void {
    const [known] = [...this.best.values()];
    if (this.keep.length) {
      this.kept ??= this.flat(planRest(withFirstCutter(this.job), this.framing, this.keep, aim, budget.share(0.3)));
      this.keepers.add(this.kept);
      this.offer(this.kept, aim, null);
    }
    if (known?.approach) return this.pursue(known.approach, aim, budget);
    if (known && !this.kept) return;
    const patterns = planByPatterns(this.job, this.framing);
    if (patterns) {
      const prove = (newArea: number, newSheets: number) => {
        if (newArea > this.bound.newArea) this.bound = { newArea, newSheets, how: 'patterns' };
      };
      return patterns(budget, (solution) => this.offer(solution, aim, null), prove);
    }
    const atOnce = (approach: Approach) => this.atOnce(approach, budget);
    const plain = buildPlainApproach(this.job, this.framing, atOnce, budget);
    const others = [...listOtherApproaches(this.job, plain, atOnce, budget)];
    if (!others.length) {
      this.pursue(plain, aim, budget.share(0.3));
      this.solveIfSmall(plain, aim);
      return this.pursue(plain, aim, budget);
    }
    const shares = others.length + 2;
    this.pursue(plain, aim, budget.share(1 / shares));
    others.forEach((other, i) => {
      if (!other.resort || !this.cannotBeBettered(aim)) this.pursue(other, aim, budget.share(1 / (shares - 1 - i)));
    });
    this.pursue(this.best.get(aim)!.approach ?? plain, aim, budget);
  }

  /** A few pieces are shared out exactly, however long the search had. */
  private solveIfSmall(approach: Approach, aim: Aim): void {
    const solved = this.quick || this.job.pieces.some((p) => p.opening) ? null : solveSmallJob(approach.c);
    if (!solved) return;
    const { newArea, newSheets, complete } = solved;
    if (complete && newArea > this.bound.newArea) this.bound = { newArea, newSheets, how: 'tried' };
    this.offer(solved.solution, aim, approach);
  }

  private pursue(approach: Approach, aim: Aim, budget: Budget): void {
    const { c } = approach;
    // of a great many pieces there is one construction, and in a hurry none is better
    if (c.pieces > MANY_PIECES && this.layouts.has(approach) && this.best.has(aim) && budget.over()) return;
    const found = search({
      c,
      aim,
      newAreaBound: Math.max(0, this.bound.newArea - newAreaOfFrames(c)),
      budget: budget.share(0.95),
      from: this.layouts.get(approach) ?? null,
      better: (solution) => this.offer(approach.finish(solution), aim, approach),
      round: (solution) => this.offerRecut(approach.finish(solution), aim, approach, budget),
    });
    const solution = approach.finish(found.solution);
    this.offer(solution, aim, approach);
    this.offerRecut(solution, aim, approach, budget);
    this.layouts.set(approach, found.layout);
  }

  private offerRecut(solution: Solution | null, aim: Aim, approach: Approach, budget: Budget): void {
    if (solution && !budget.over())
      this.offer(
        recutSolution(approach.c.job, solution, approach.recuts, () => budget.over()),
        aim,
        approach,
      );
  }

  /** The best so far with a setting less, as often as that is found. */
  private spare(aim: Aim, budget: Budget): void {
    const { solution: from, approach } = this.best.get(aim)!;
    if (this.kept || budget.over()) return;
    const figureOf = (solution: Solution): ApproachScore =>
      this.withResort(computeScore(aim, measureSolution(this.job, solution), this.alike.get(aim)), approach);
    const job = approach?.resort ? this.job : withFirstCutter(this.job);
    const sparing = new SettingSaver(job, seededRandom(job.seed));
    let [now, figure, best] = [from, figureOf(from), this.best.get(aim)];
    let least = figure;
    const past = new Array<ApproachScore>(SPARING_MEMORY).fill(figure);
    for (let i = 0, vain = 0; vain < SPARED_IN_VAIN && !budget.over(); i++, vain++) {
      budget.spend();
      const changed = sparing.change(now);
      if (!changed) continue;
      const slot = i % past.length;
      const other = figureOf(changed);
      if (compareScores(other, figure) > 0 && compareScores(other, past[slot]!) > 0) continue;
      past[slot] = other;
      [now, figure] = [changed, other];
      // settings are counted in more orders only for what looks as good as the best by the few
      if (compareScores(other, least) > 0) continue;
      least = other;
      this.offer(changed, aim, approach, true, true);
      if (this.best.get(aim) !== best) [best, vain] = [this.best.get(aim), 0];
    }
  }

  /** The best so far, its sheets cut as hands would and with the fewest settings: all of them, and one after the other. */
  private ease(aim: Aim, budget: Budget): void {
    const known = this.best.get(aim);
    if (!known) return;
    const { sheets } = known.solution;
    const keeps = this.keepers.has(known.solution);
    const { ways, fewest } = findEasierCuts(this.job, sheets, keeps, () => budget.over());
    if (fewest !== null) this.fewest.set(describePiecesBySheet(known.solution), fewest);
    for (const trees of ways) {
      const offer = (solution: Solution, which: (i: number) => boolean) => {
        const recutSheets = solution.sheets.map((s, i) => (trees[i] && which(i) ? { ...trees[i], stock: s.stock } : s));
        const offered = this.flat({ ...solution, sheets: recutSheets });
        if (keeps) this.keepers.add(offered);
        this.offer(offered, aim, known.approach, true, true);
      };
      offer(known.solution, () => true);
      if (sheets.length > 1)
        trees.forEach((tree, at) => {
          if (tree && !budget.over()) offer(this.best.get(aim)!.solution, (i) => i === at);
        });
    }
  }

  /** The best so far with its offcuts as useful as they can be at no cost: of all sheets at once, else one after the other. */
  private broaden(aim: Aim, budget: Budget, eased: boolean): void {
    const known = this.best.get(aim)!;
    const keeps = this.keepers.has(known.solution);
    const broader = known.solution.sheets.map((sheet) => arrangeUsefulOffcuts(sheet, this.job));
    const changed = broader.flatMap((sheet, i) => (sheet === known.solution.sheets[i] ? [] : [i]));
    const offer = (which: readonly number[]) => {
      const { solution } = this.best.get(aim)!;
      const offered = this.flat({
        ...solution,
        sheets: solution.sheets.map((s, i) => (which.includes(i) ? broader[i]! : s)),
      });
      if (keeps) this.keepers.add(offered);
      this.offer(offered, aim, known.approach, true, eased);
    };
    if (!changed.length) return;
    offer(changed);
    if (this.best.get(aim) === known && changed.length > 1) for (const i of changed) if (!budget.over()) offer([i]);
  }

  /** Takes a solution if it is better for the aim than what is known. */
  private offer(
    offeredSolution: Solution | null,
    aim: Aim,
    approach: Approach | null,
    tell = true,
    eased = false,
  ): void {
    if (!offeredSolution) return;
    const solution = this.flat(offeredSolution);
    const same = this.best.get(aim);
    if (same?.solution === solution) return;
    const offered: Best = { solution, approach };
    const known = this.best.get(aim);
    if (known) {
      if (!(eased ? this.isEasier(offered, known, aim) : this.isBetter(offered, known, aim))) return;
      const losesCuts = this.keepers.has(known.solution) && !this.keepers.has(solution);
      if (losesCuts && !isWorthRecutting(this.job, solution, known.solution, this.keeping)) return;
    }
    this.best.set(aim, offered);
    if (tell) this.better(() => writePlan(this.job, this.bound, solution, aim, SHOWN_TRIES, MAX_CUTS_SHOWN));
  }

  private isBetter(offered: Best, known: Best, aim: Aim): boolean {
    const figure = (b: Best) => (b.figure ??= this.figureOf(b.solution, aim, b.approach, false));
    const against = compareScores(figure(offered), figure(known));
    // settings are counted only where all before them is equal
    const whole = (b: Best) => (b.whole ??= this.figureOf(b.solution, aim, b.approach, true));
    return against < 0 || (against === 0 && compareScores(whole(offered), whole(known)) < 0);
  }

  /** Where only how it is cut is still looked for: settings in more orders, and waste that nobody sees does not count. */
  private isEasier(offered: Best, known: Best, aim: Aim): boolean {
    const figure = ({ solution, approach }: Best) =>
      this.withResort(
        computeScore(aim, measureSolution(this.job, solution, true, EASING_TRIES), this.alike.get(aim)),
        approach,
      );
    return compareScores(figure(offered), (known.eased ??= figure(known))) < 0;
  }

  /** Each once. */
  private flat(solution: Solution): Solution {
    const known = this.flats.get(solution);
    if (known) return known;
    const flat = flattenRuns(solution, this.job);
    this.flats.set(solution, flat).set(flat, flat);
    return flat;
  }

  private cannotBeBettered(aim: Aim): boolean {
    const { solution } = this.best.get(aim)!;
    return (
      solution.missing.every((n) => !n) && measureSolution(this.job, solution, false).newArea <= this.bound.newArea
    );
  }

  /** How an approach stands after the first constructions. */
  private atOnce(approach: Approach, budget: Budget): ApproachScore {
    const { job } = this;
    const { solution } = search({ c: approach.c, aim: job.aim, newAreaBound: 0, budget: budget.none() });
    return this.figureOf(solution, job.aim, approach, job.aim === 'easiest-cuts');
  }

  private figureOf(solution: Solution, aim: Aim, approach: Approach | null, withSettings: boolean): ApproachScore {
    return this.withResort(computeScore(aim, measureSolution(this.job, solution, withSettings)), approach);
  }

  /** A score, with the taking of another tool after missing pieces and new paper. */
  private withResort(figure: ApproachScore, approach: Approach | null): ApproachScore {
    return figure.toSpliced(rankUrgencies(this.job).levels + 1, 0, approach?.resort ? 1 : 0);
  }
}

/** What is known for an aim: its figure, without the settings and with them, once they were asked for. */
interface Best {
  readonly solution: Solution;
  readonly approach: Approach | null;
  figure?: ApproachScore;
  whole?: ApproachScore;
  /** The same with the settings of more orders. */
  eased?: ApproachScore;
}

/** Which pieces come from which sheets that are cut, as a name. */
const describePiecesBySheet = ({ sheets }: Solution): string =>
  sheets
    .filter(({ tree }) => tree.cut !== null)
    .map(({ stock, tree }) => {
      const held: number[] = [];
      visitHeldPieces(tree, ({ holds }) => held.push(holds.piece));
      return `${stock}: ${held.sort((a, b) => a - b).join()}`;
    })
    .sort()
    .join('; ');
