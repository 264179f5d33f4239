import { lowerBound, type Bound } from './bounds.ts';
import { Budget, type Clock } from './budget.ts';
import { compile, type Compiled } from './compile.ts';
import { framesOf, type Framing } from './frames.ts';
import type { Aim, Job } from './job.ts';
import { nest } from './nest.ts';
import { patternsFor } from './patterns.ts';
import type { Plan } from './plan.ts';
import { compareScores, score, type Solution } from './score.ts';
import type { Layout } from './search/layout.ts';
import { keptSheets, planRest, savesPaper } from './replan.ts';
import { recut, type Recuts } from './recut.ts';
import { search } from './search/search.ts';
import { newAreaOfFrames } from './search/stand.ts';
import { solveSmall } from './small.ts';
import { eachHeld, standingOf } from './standing.ts';
import { withWaysOut } from './waysOut.ts';
import { windmillFrames } from './windmill.ts';
import type { CutSheet } from './tree.ts';
import { planOf } from './write.ts';

export interface PlanWatch extends Clock {
  /** A plan made earlier, of which some is cut: what it says of sheets not touched is kept where that is as good. */
  readonly earlier?: Plan | null;
  /** Called with every better plan as it is found; it is written out only when asked for. */
  readonly better?: (write: () => Plan) => void;
}

/** Orders of cuts tried for a plan that is the answer. */
const FINAL_TRIES = 100;
/** Steps of the search for each way out that is tried. */
const WAY_OUT_STEPS = 30;

export const AIMS: readonly Aim[] = ['least-paper', 'easiest-cuts', 'largest-offcuts'];

/** One way to go about a job: what is settled before the search, and what is done with what it finds. */
interface Approach {
  readonly c: Compiled;
  readonly finish: (solution: Solution) => Solution | null;
  /** It asks for another tool: taken only where that saves pieces or new paper. */
  readonly resort: boolean;
  /** Sheets of it that have been cut exactly. */
  readonly recuts: Recuts;
}
const approachOf = (c: Compiled, finish: Approach['finish'] = (s) => s, resort = false): Approach => ({
  ...{ c, finish, resort, recuts: new Map() },
});

/**
 * Plans the cutting of a job: the best plan found in the time (or within the steps) that the job allows.
 * With a limit on steps, the same job and seed give the same plan. Pieces that cannot be cut are listed with reasons.
 */
export function planJob(job: Job, watch: PlanWatch): Plan {
  const budget = Budget.of(watch, job.seconds, job.nodes);
  const planner = new Planner(job, (write) => watch.better?.(write), watch.earlier ?? null);
  planner.run(job.aim, budget);
  return planner.withWaysOut(planner.plan(job.aim), watch);
}

/**
 * Plans a job for all three aims, so that they can be seen side by side: the job's own aim first, with half of the time, then
 * the others, each from the best found so far. Less missing or less new paper found for one counts for all.
 */
export function planAims(job: Job, watch: PlanWatch): Plan[] {
  const budget = Budget.of(watch, job.seconds, job.nodes);
  const planner = new Planner(job, (write) => watch.better?.(write), watch.earlier ?? null);
  const others = AIMS.filter((aim) => aim !== job.aim);
  planner.run(job.aim, budget.share(0.5));
  others.forEach((aim, i) => planner.run(aim, budget.share(1 / (others.length - i))));
  const plans = [job.aim, ...others].map((aim) => planner.plan(aim));
  // what is missing is missing for every aim, and so are the ways out
  const [first] = plans;
  const { missing } = planner.withWaysOut(first!, watch);
  return plans.map((plan) => ({
    ...plan,
    missing: plan.missing.map((m) => ({ ...m, help: missing.find((n) => n.piece === m.piece)?.help ?? [] })),
  }));
}

class Planner {
  private readonly job: Job;
  private bound: Bound;
  private readonly better: (write: () => Plan) => void;
  private readonly framing: Framing;
  /** Sheets of an earlier plan that may stay as they are, and what came of leaving them so. */
  private readonly keep: readonly CutSheet[];
  private kept: Solution | null = null;
  /** The best so far for each aim asked for, and how it was come by. */
  private readonly best = new Map<Aim, Best>();
  private readonly layouts = new Map<Approach, Layout>();
  /** Good is good enough: one of many plans that are only compared. */
  private readonly quick: boolean;

  constructor(job: Job, better: (write: () => Plan) => void, earlier: Plan | null = null, quick = false) {
    this.job = job;
    this.quick = quick;
    this.keep = earlier ? keptSheets(job, earlier) : [];
    this.better = better;
    this.framing = framesOf(job);
    this.bound = lowerBound(job, this.framing);
  }

  /** The best plan for an aim; what was found for another aim may be it. */
  plan(aim: Aim): Plan {
    for (const { solution, approach } of [...this.best.values()]) this.offer(solution, aim, approach, false);
    return planOf(this.job, this.bound, this.best.get(aim)!.solution, aim, FINAL_TRIES);
  }

  withWaysOut(plan: Plan, clock: Clock): Plan {
    if (!plan.missing.length || clock.cancelled?.()) return plan;
    const { solution } = this.best.get(plan.aim)!;
    const solve = (job: Job): Solution => {
      const planner = new Planner({ ...job, nodes: WAY_OUT_STEPS }, () => {}, null, true);
      planner.run('least-paper', Budget.of(clock, 1, WAY_OUT_STEPS));
      return planner.best.get('least-paper')!.solution;
    };
    // half as long again at the most, so that an answer is not kept waiting; steps are counted one by one
    const { seconds, nodes } = this.job;
    const budget = Budget.of(clock, seconds / 2, nodes === null ? null : Infinity);
    return { ...plan, missing: withWaysOut(this.job, plan.missing, solution, solve, () => budget.over()) };
  }

  run(aim: Aim, budget: Budget): void {
    const [known] = [...this.best.values()];
    if (this.keep.length) {
      this.kept ??= planRest(withFirstCutter(this.job), this.framing, this.keep, aim, budget.share(0.3));
      this.offer(this.kept, aim, null);
    }
    if (known?.approach) return this.pursue(known.approach, aim, budget);
    if (known && !this.kept) return;
    const patterns = patternsFor(this.job, this.framing);
    if (patterns) {
      const prove = (newArea: number, newSheets: number) => {
        if (newArea > this.bound.newArea) this.bound = { newArea, newSheets, how: 'patterns' };
      };
      return patterns(budget, (solution) => this.offer(solution, aim, null), prove);
    }
    const plain = this.plainApproach(budget);
    const others = [...this.otherApproaches(plain, budget)];
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
    const solved = this.quick || this.job.pieces.some((p) => p.opening) ? null : solveSmall(approach.c);
    if (!solved) return;
    const { newArea, newSheets, complete } = solved;
    if (complete && newArea > this.bound.newArea) this.bound = { newArea, newSheets, how: 'tried' };
    this.offer(solved.solution, aim, approach);
  }

  private pursue(approach: Approach, aim: Aim, budget: Budget): void {
    const { c } = approach;
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
    if (solution)
      this.offer(
        recut(approach.c.job, solution, approach.recuts, () => budget.over()),
        aim,
        approach,
      );
  }

  /** Takes a solution if it is better for the aim than what is known. */
  private offer(solution: Solution | null, aim: Aim, approach: Approach | null, tell = true): void {
    if (!solution) return;
    const offered: Best = { solution, approach, figure: this.figureOf(solution, aim, approach, false) };
    const known = this.best.get(aim);
    if (known) {
      const against = compareScores(offered.figure, known.figure);
      // settings are counted only where all before them is equal
      const whole = ({ solution: s, approach: a }: Best) => this.figureOf(s, aim, a, true);
      if (against > 0 || (against === 0 && compareScores(whole(offered), (known.whole ??= whole(known))) >= 0)) return;
      if (this.kept && known.solution === this.kept && !savesPaper(this.job, solution, this.kept)) return;
    }
    this.best.set(aim, offered);
    if (tell) this.better(() => planOf(this.job, this.bound, solution, aim));
  }

  private cannotBeBettered(aim: Aim): boolean {
    const { solution } = this.best.get(aim)!;
    return solution.missing.every((n) => !n) && standingOf(this.job, solution, false).newArea <= this.bound.newArea;
  }

  /** The job with its most liked cutter, the framed sheets cut in the way that does best at once. */
  private plainApproach(budget: Budget): Approach {
    const { sheets, unplaced } = this.framing;
    const job = withFirstCutter(this.job);
    const frames = sheets.map((ways) => ways[0]!);
    const asFramed = () => approachOf(compile(job, { frames: [...frames], unplaced }));
    let best = asFramed();
    if (!sheets.length || sheets.length > 24) return best;
    // looking for the best frames leaves most of the time for the search
    const looking = budget.share(0.15);
    let figure = this.atOnce(best, budget);
    sheets.forEach((ways, i) => {
      let chosen = ways[0]!;
      for (const way of ways.slice(1)) {
        if (looking.over()) break;
        frames[i] = way;
        const tried = asFramed();
        const other = this.atOnce(tried, budget);
        if (compareScores(other, figure) < 0) [best, figure, chosen] = [tried, other, way];
      }
      frames[i] = chosen;
    });
    return best;
  }

  /** Hidden centres as a source, the cutters that come after the first, stop cuts: each only where the job allows it. */
  private *otherApproaches(plain: Approach, budget: Budget): Generator<Approach> {
    const { frames, unplaced } = plain.c;
    const nested = nest(plain.c.job, budget.share(0.1));
    if (nested) yield approachOf(compile(nested.job, { frames, unplaced, wanted: nested.wanted }), nested.finish);
    if (this.job.cutter.then.length) yield approachOf(compile(this.job, { frames, unplaced }), undefined, true);
    if (!this.job.cutter.stop) return;
    const tried = windmillFrames(plain.c.job, frames).map((more) => {
      const c = compile(plain.c.job, { frames: [...frames, ...more], unplaced });
      return approachOf(c, (s) => (yieldsAlways(s) ? s : null), true);
    });
    const ranked = tried
      .map((approach) => ({ approach, figure: this.atOnce(approach, budget) }))
      .sort((a, b) => compareScores(a.figure, b.figure));
    if (ranked.length) yield ranked[0]!.approach;
  }

  /** How an approach stands after the first constructions. */
  private atOnce(approach: Approach, budget: Budget): Figure {
    const { job } = this;
    const { solution } = search({ c: approach.c, aim: job.aim, newAreaBound: 0, budget: budget.none() });
    return this.figureOf(solution, job.aim, approach, job.aim === 'easiest-cuts');
  }

  /** The score, with the taking of another tool after missing pieces and new paper. */
  private figureOf(solution: Solution, aim: Aim, approach: Approach | null, withSettings: boolean): Figure {
    const standing = standingOf(this.job, solution, withSettings);
    return score(aim, standing).toSpliced(standing.missing.length + 1, 0, approach?.resort ? 1 : 0);
  }
}

type Figure = readonly (number | null)[];

/** What is known for an aim: its figure, without the settings, and with them once they have been counted. */
interface Best {
  readonly solution: Solution;
  readonly approach: Approach | null;
  readonly figure: Figure;
  whole?: Figure;
}

const yieldsAlways = (solution: Solution): boolean =>
  solution.sheets.every(({ tree }) => {
    let holds = false;
    eachHeld(tree, () => (holds = true));
    return holds;
  });

/** The job with the most liked cutter only. */
const withFirstCutter = (job: Job): Job =>
  job.cutter.then.length ? { ...job, cutter: { ...job.cutter, then: [] } } : job;
