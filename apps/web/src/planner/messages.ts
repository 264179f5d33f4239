import type { JobDocument, JobIssue, Plan } from '@temnex/core';

/** What goes to the worker, and what comes back. */
export type ToWorker = { job: JobDocument };
export type FromWorker =
  { kind: 'better'; plan: Plan } | { kind: 'done'; plan: Plan } | { kind: 'refused'; issue: JobIssue };
