export { buildBlanksJob, collectLeftovers } from './blanksJob.ts';
export { buildPageJob, wantedCountOf, type CutOrder, type PageJob } from './pageJob.ts';
export { isSpare, pagePieceIdOf } from './pieceIds.ts';
export { cutCountOf, assessCutPieces, type CutPiece, type CutState } from './cutPieces.ts';
export { collectFacesOnPage, collectFacesUsed, type FaceUsed } from './facesUsed.ts';
export { buildOrderSteps, findSheetsUsedWhole, type OrderStep } from './order.ts';
export { collectPartsAfter, type BegunPart } from './begunParts.ts';
export {
  STAGES,
  buildBasis,
  mergeBases,
  isSameBasis,
  stageOf,
  type Basis,
  type PageFacts,
  type Stage,
} from './stage.ts';
export { applyWayOut, type WayOutChange } from './applyWayOut.ts';
export { findArtworkPlace, exactSizeOnItem, type ArtworkAlong } from './exactPlace.ts';
export {
  directionAsDrawn,
  layPaper,
  checkPaperReach,
  checkReach,
  takePaperOff,
  wishForOnePart,
  nextDirection,
  wishForOtherFace,
  wishWithPaper,
  type PaperReach,
  type Reach,
} from './reach.ts';
export { countPiecesFor, computePace, type CountedPieces, type Pace, type UseUpCut } from './useUp.ts';
export { findScrapUses, type ScrapUse } from './scrapUses.ts';
export { computeCutEffects, type CutEffects, type CutProgress } from './carryOut.ts';
export {
  bagOf,
  parseTogetherId,
  mergeJobs,
  missingAreaOfPlan,
  planOneByOne,
  planTogether,
  planTogetherAims,
  type MergedJob,
  type OneByOneTotals,
} from './together.ts';
export {
  USUAL_SHEET,
  checkSupply,
  findStaleReservations,
  buildShoppingList,
  collectPaperDemand,
  findOftenCutSizes,
  addOtherWantsToJob,
  collectDemandNotes,
  type SupplyCheck,
  type PaperDemand,
  type ShoppingEntry,
  type DemandNote,
  type WantingPage,
} from './demand.ts';
export {
  letterOfSheet,
  namePartsOfPlan,
  formatSheetLetter,
  applyPencilledLetters,
  type PencilledLetters,
} from './letters.ts';
export { layOutPartsAfter, type PartsOnTable, type PartOnTable } from './partsOnTable.ts';
export {
  WRONG_CUT_KINDS,
  partInHandFor,
  computeLeftByWrongCut,
  leftPaperSchema,
  spoiledPieceSchema,
  findPiecesThatStillFit,
  isLargerThanPart,
  wrongCutSchema,
  findWrongCutFault,
  type LeftPaper,
  type SpoiledPiece,
  type WrongCut,
  type WrongFault,
} from './wrongCut.ts';
export { isBagFull, bagOfCopy, missingCountInBag, nameOfBag, buildPackingList, type PackingLine } from './kits.ts';
export {
  MAX_PHOTO_SHEETS,
  computeCutMarks,
  buildGangJob,
  gangPieceId,
  locateGangPrints,
  type GangPrint,
  type GangSheet,
  type MarkLine,
  type PhotoSheet,
} from './gang.ts';
