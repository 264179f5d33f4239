export { refusalSchema, type Refusal } from './refusals.ts';
export { bareRequestSchema, demoRequestSchema, requestId, type BareRequest, type DemoRequest } from './requests.ts';
export {
  createPageSchema,
  pageRecordSchema,
  pageSummarySchema,
  savePageSchema,
  stageSchema,
  type CreatePage,
  type PageRecord,
  type PageSummary,
  type SavePage,
} from './pages.ts';
export {
  MOVEMENTS,
  changePaperSchema,
  changeStockSchema,
  drawerSchema,
  habitsRecordSchema,
  movementSchema,
  newMovementSchema,
  newPaperSchema,
  newStockSchema,
  paperRecordSchema,
  stockRecordSchema,
  type ChangePaper,
  type ChangeStock,
  type DrawerRecord,
  type HabitsRecord,
  type Movement,
  type NewMovement,
  type NewPaper,
  type NewStock,
  type PaperRecord,
  type UnreadableStock,
} from './drawer.ts';
export { removedSchema, type Removed } from './removed.ts';
export { templatesSchema, type TemplatesRequest } from './templates.ts';
export {
  basisSchema,
  latestPlanSchema,
  planRecordSchema,
  printQuerySchema,
  storePlanSchema,
  type PlanRecord,
  type StorePlan,
} from './plans.ts';
export {
  cutPieceSchema,
  cutSchema,
  cuttingRecordSchema,
  scrapPieceSchema,
  type Cut,
  type CuttingRecord,
  type ScrapPiece,
} from './cuttings.ts';
export { ROUTES, demoSchema, healthSchema, openApi, type Route } from './routes.ts';
