import type { CutOrderKind, Job } from './documents/job.ts';
import type { Plan } from './documents/plan.ts';
import { writePlan } from './order/write.ts';
import { collectKeptSheets } from './replan.ts';

/** Orders of cuts tried. */
const TRIES = 20;

/**
 * The same sheets, cut into the same parts, in the other order: by setting, or sheet by sheet. Null where a sheet has a place that
 * nothing may be moved on: an odd scrap, lines that no cut crosses, a windmill, an opening.
 */
export function reorderPlan(job: Job, plan: Plan, order: CutOrderKind): Plan | null {
  const sheets = collectKeptSheets(job, plan).map(({ stock, tree }) => ({ stock, tree }));
  if (sheets.length !== plan.sheets.length) return null;
  const missing = job.pieces.map(({ id }) => plan.missing.find((m) => m.piece === id)?.quantity ?? 0);
  const bound = { newArea: 0, newSheets: 0, how: plan.bound.how };
  const other = writePlan({ ...job, order }, bound, { sheets, missing }, plan.aim, TRIES);
  return { ...other, missing: plan.missing, status: plan.status, bound: plan.bound };
}
