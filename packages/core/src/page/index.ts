export {
  ACROSS,
  CENTRED,
  PAGE_VERSION,
  UP_DOWN,
  emptyPage,
  convertPageUnit,
  newItem,
  pageSchema,
  placeSchema,
  wishSchema,
  type Follow,
  type Item,
  type Page,
  type Place,
  type Wish,
} from './document.ts';
export { PAGE_STEPS, migratePage, piecesOfParts } from './migrate.ts';
export {
  derivePage,
  type DerivedItem,
  type DerivedPage,
  type PageProblem,
  type PageSuggestion,
  type Part,
} from './derive.ts';
export { FALLBACK_NAMES, pieceId, type ItemNames, type PieceToCut } from './pieces.ts';
export { beginFromPattern, type Ground, type Misfit } from './pattern.ts';
export {
  LOWER_LEFT,
  computeCornerMark,
  collectCornerMarks,
  measuredSpansOf,
  partPlacedWith,
  type CornerMark,
  type MeasuredEdge,
  type MeasuredEdges,
} from './marks.ts';
export { seamsOf } from './seams.ts';
export { type Axis } from './place.ts';
export { listMoves, type Move } from './moves.ts';
export {
  addEntry,
  addItem,
  addWhereFree,
  changeItem,
  choosePaper,
  countFrom,
  followLength,
  findFreeSpot,
  findRowNeighbours,
  movePart,
  moveTo,
  removeItem,
  removePart,
  renamePart,
  replaceInput,
  setItemField,
  setPicture,
  spaceEvenly,
  startPage,
  stopFollowing,
  takeOffers,
} from './edit.ts';
export { hasMeasuredPrint, locateSpot, framePicture, type ShownPicture } from './pictures.ts';
export { applyMeasuredPiece } from './measuredPiece.ts';
export {
  collectSnapTargets,
  findSnapTarget,
  dropItem,
  snapTargetOfPlace,
  type SnapTarget,
  type CatchReason,
} from './snapTargets.ts';
export {
  MAX_TILT_DEGREES,
  gapTextBetween,
  lineUpItems,
  scatterTilts,
  setSameGap,
  distributeItems,
  swapPlaces,
  tiltItem,
  type End,
} from './several.ts';
export { collectCoverage, computeCutAway, type Coverage } from './coverage.ts';
