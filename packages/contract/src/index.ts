export { refusalSchema, type Refusal } from './refusals.ts';
export {
  createPageSchema,
  pageRecordSchema,
  pageSummarySchema,
  savePageSchema,
  stageSchema,
  type PageRecord,
  type PageSummary,
  type SavePage,
} from './pages.ts';
export {
  changeStockSchema,
  drawerSchema,
  newPaperSchema,
  newStockSchema,
  type ChangeStock,
  type DrawerRecord,
  type NewPaper,
  type NewStock,
} from './drawer.ts';
export { planRecordSchema, printQuerySchema, storePlanSchema, type PlanRecord, type StorePlan } from './plans.ts';
export { cutSchema, cuttingRecordSchema, type Cut, type CuttingRecord } from './cuttings.ts';
export { ROUTES, demoSchema, healthSchema, openApi, type Route } from './routes.ts';
