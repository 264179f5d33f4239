export {
  ACROSS,
  CENTRED,
  PAGE_VERSION,
  UP_DOWN,
  emptyPage,
  inOtherUnit,
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
export { PLAIN_NAMES, pieceId, type Namer, type PieceToCut } from './pieces.ts';
export { fromPattern, type Ground, type Misfit } from './pattern.ts';
export {
  LOWER_LEFT,
  markOf,
  marksOf,
  measuredOf,
  placedWith,
  type CornerMark,
  type Measuring,
  type Measurings,
} from './marks.ts';
export { seamsOf } from './seams.ts';
export { type Axis } from './place.ts';
export { whatMoved, type Move } from './moved.ts';
export {
  addEntry,
  addItem,
  addWhereFree,
  changeItem,
  choosePaper,
  countFrom,
  followLength,
  freeSpot,
  inRowWith,
  movePart,
  moveTo,
  removeItem,
  removePart,
  renamePart,
  putInput,
  setItemField,
  setPicture,
  spaceEvenly,
  startPage,
  stopFollowing,
  takeOffers,
} from './edit.ts';
export { hasMeasuredPrint, placeOfSpot, shownIn, type Shown } from './pictures.ts';
export { cameOutAs } from './cameOut.ts';
export { catchesOf, caughtAt, dropAt, keptCatch, type Catch, type CatchSays } from './catches.ts';
export {
  MOST_TILT,
  gapBetween,
  lineUp,
  loosened,
  sameGap,
  spreadOut,
  swapPlaces,
  tilted,
  type End,
} from './several.ts';
export { coverageOf, cutAwayFor, type Coverage } from './coverage.ts';
