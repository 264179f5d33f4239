export { jobOfBlanks, leftOf } from './jobOfBlanks.ts';
export { jobOfPage, wantedOf, type CutOrder, type JobOfPage } from './jobOf.ts';
export { isSpare, wantedAs } from './pieceIds.ts';
export { cutOf, cutStateOf, type CutPiece, type CutState } from './cutPieces.ts';
export { facesOnPage, facesUsed, type FaceUsed } from './facesUsed.ts';
export { orderOf, sheetsUsedWhole, type OrderStep } from './order.ts';
export { partsAfter, type PartSoFar } from './soFar.ts';
export { STAGES, basisOf, basisTogether, sameBasis, stageOf, type Basis, type PageFacts, type Stage } from './stage.ts';
export { takeWayOut, type Taken } from './takeWayOut.ts';
export { placeForArtwork, sizeOnItem, type ArtworkAlong } from './exactPlace.ts';
export {
  drawnDirection,
  layPaper,
  paperReach,
  reachOf,
  takeOff,
  ofOne,
  turnedOn,
  turnedOver,
  wishWith,
  type PaperReach,
  type Reach,
} from './reach.ts';
export { countedFor, paceOf, type Counted, type Pace, type UseUpCut } from './useUp.ts';
export { couldMake, type CouldMake } from './couldMake.ts';
export { effectsOf, type CutEffects, type CutSoFar } from './carryOut.ts';
export {
  bagOf,
  fromTogether,
  jobTogether,
  missingArea,
  oneByOne,
  planTogether,
  planTogetherAims,
  type JobTogether,
  type OneByOne,
} from './together.ts';
export {
  USUAL_SHEET,
  enoughOf,
  keptForNothing,
  toBuy,
  wantedByPaper,
  oftenCut,
  withWants,
  wantedNotes,
  type Enough,
  type PaperWanted,
  type ToBuy,
  type WantedNote,
  type WantingPage,
} from './wanting.ts';
export { letterOfSheet, partNames, sheetLetter, withLetters, type Pencilled } from './letters.ts';
export { lyingAfter, type Lying, type LyingPart } from './lying.ts';
export {
  WRONGS,
  inHandFor,
  leftByWrong,
  leftSchema,
  spoiledSchema,
  stillFit,
  tooLarge,
  wrongCutSchema,
  wrongFault,
  type Left,
  type Spoiled,
  type WrongCut,
  type WrongFault,
} from './wrong.ts';
export { bagIsFull, bagOfCopy, lackingIn, nameOfBag, packingList, type PackingLine } from './kits.ts';
export {
  MOST_PHOTO_SHEETS,
  cutMarksOf,
  gangJob,
  gangPiece,
  gangSheets,
  type GangPrint,
  type GangSheet,
  type MarkLine,
  type PhotoSheet,
} from './gang.ts';
