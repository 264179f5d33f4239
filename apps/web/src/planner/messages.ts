import type { JobDocument, JobIssue, Plan } from '@temnex/core';

/** What goes to the worker, and what comes back: better plans as they are found, then the best for each aim. */
export type ToWorker = { job: JobDocument; earlier: Plan | null };
export type FromWorker =
  { kind: 'better'; plan: Plan } | { kind: 'done'; plans: Plan[] } | { kind: 'refused'; issue: JobIssue };
