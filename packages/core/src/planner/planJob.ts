import { Budget, type Clock } from './budget.ts';
import type { Aim, Job } from './documents/job.ts';
import type { Plan } from './documents/plan.ts';
import { Planner } from './planner.ts';
import type { KeepingRule } from './replan.ts';

export interface PlanWatch extends Clock {
  /** A plan made earlier, of which some is cut: what it says of sheets not touched is kept where that is as good. */
  readonly earlier?: Plan | null;
  readonly keeping?: KeepingRule;
  /** Called with every better plan as it is found; it is written out only when asked for. */
  readonly better?: (write: () => Plan) => void;
}

export const AIMS: readonly Aim[] = ['least-paper', 'easiest-cuts', 'largest-offcuts'];

/**
 * Plans the cutting of a job: the best plan found in the time (or within the steps) that the job allows.
 * With a limit on steps, the same job and seed give the same plan. Pieces that cannot be cut are listed with reasons.
 */
export function planJob(job: Job, watch: PlanWatch): Plan {
  const budget = Budget.of(watch, job.seconds, job.nodes);
  const planner = new Planner(job, budget, (write) => watch.better?.(write), watch.earlier ?? null, watch.keeping);
  planner.run(job.aim, budget);
  return planner.withWaysOut(planner.plan(job.aim), watch);
}

/**
 * Plans a job for all three aims, so that they can be seen side by side: the job's own aim first, with half of the time, then
 * the others, each from the best found so far. Less missing or less new paper found for one counts for all.
 */
export function planAims(job: Job, watch: PlanWatch): Plan[] {
  const budget = Budget.of(watch, job.seconds, job.nodes);
  const planner = new Planner(job, budget, (write) => watch.better?.(write), watch.earlier ?? null, watch.keeping);
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
