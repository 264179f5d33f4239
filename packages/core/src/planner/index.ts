export { formatFinish, formatShape } from './documents/finishing.ts';
export { outlinesInBlock, pieceOfBlock, withBlocks } from './documents/blocks.ts';
export { planAimsNested, planJobNested } from './nest/planNested.ts';
export { AIMS, planAims, planJob, type PlanWatch } from './planJob.ts';
export { reorderPlan } from './reorderPlan.ts';
export type { KeepingRule } from './replan.ts';
export { jobSchema, type JobDocument } from './documents/jobDocument.ts';
export { isNestedDeeperThan } from './documents/depth.ts';
export { issueFromZod, readJob } from './documents/readJob.ts';
export type {
  Aim,
  CutOrderKind,
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
  findPart,
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
export { listOffcutChoices, type OffcutChoice } from './sheets/offcuts.ts';
export { readSheetOfPlan } from './sheets/readSheet.ts';
export { verifyPlan } from './check/verifyPlan.ts';
export type { PlanFault } from './check/faults.ts';
export { isRectangleInside } from './blanks/outline.ts';
export { waysOf } from './blanks/turning.ts';
export { seededRandom } from '../chance/index.ts';
export { measureHandling, traceHands, turnsToFence, type Edge as FenceEdge, type Handling } from './order/hands.ts';
