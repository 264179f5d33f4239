export { finishSaid, shapeSaid } from './documents/finishing.ts';
export { outlinesIn, pieceOfBlock, withBlocks } from './documents/blocks.ts';
export { planAimsNested, planJobNested } from './nest/planNested.ts';
export { AIMS, planAims, planJob, type PlanWatch } from './planJob.ts';
export { reordered } from './reordered.ts';
export type { Keeping } from './replan.ts';
export { jobSchema, type JobDocument } from './documents/jobDocument.ts';
export { nestedDeeperThan } from './documents/depth.ts';
export { issueOf, readJob } from './documents/readJob.ts';
export type {
  Aim,
  InOrder,
  Face,
  Job,
  JobIssue,
  JobPaper,
  JobPiece,
  JobProblem,
  JobStock,
  ReadJob,
  Side,
  StockKind,
  Turn,
} from './documents/job.ts';
export {
  partAt,
  planSchema,
  type Held,
  type Missing,
  type Plan,
  type PlanBlock,
  type PlanNode,
  type Step,
  type Totals,
  type WayOut,
} from './documents/plan.ts';
export { offcutChoices, type OffcutChoice } from './sheets/offcuts.ts';
export { sheetOfPlan } from './sheets/ofPlan.ts';
export { verifyPlan } from './check/verifyPlan.ts';
export type { PlanFault } from './check/faults.ts';
export { liesInside } from './blanks/outline.ts';
export { waysOf } from './blanks/turning.ts';
export { seededRandom } from '../chance/index.ts';
export { handlingOf, handsOf, quartersOf, type Edge as FenceEdge, type Handling } from './order/hands.ts';
