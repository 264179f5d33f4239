import type { JobDocument, JobIssue, KeepingRule, Plan } from '@temnex/core/planner';
import type { OneByOneTotals } from '@temnex/core/cutting';

/**
 * What goes to the worker, and what comes back: better plans as they are found, then the best for each aim. A job of several pages is
 * planned for its own aim, and compared with the pages one by one.
 */
/** How it is planned: for all three aims, for its own alone, or as pages that are cut together, for its own or for all three. */
export type PlanningMode = 'alone' | 'one-aim' | 'together' | 'together-aims';
export type ToWorker = { job: JobDocument; earlier: Plan | null; keeping?: KeepingRule; how: PlanningMode };
export type FromWorker =
  | { kind: 'better'; plan: Plan }
  | { kind: 'done'; plans: Plan[]; alone: Omit<OneByOneTotals, 'plan'> | null }
  | { kind: 'refused'; issue: JobIssue };
