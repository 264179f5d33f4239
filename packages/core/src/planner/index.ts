export { finishSaid, shapeSaid } from './finishing.ts';
export { AIMS, planAims, planJob, type PlanWatch } from './planJob.ts';
export {
  readJob,
  jobSchema,
  issueOf,
  type Aim,
  type Face,
  type Job,
  type JobDocument,
  type JobIssue,
  type JobPaper,
  type JobPiece,
  type JobProblem,
  type JobStock,
  type ReadJob,
  type Side,
  type StockKind,
  type Turn,
} from './job.ts';
export {
  planSchema,
  type Held,
  type Missing,
  type Plan,
  type PlanNode,
  type Step,
  type Totals,
  type WayOut,
} from './plan.ts';
export { verifyPlan, type PlanFault } from './verifyPlan.ts';
export { liesInside } from './outline.ts';
export { waysOf } from './turning.ts';
export { seededRandom } from './random.ts';
