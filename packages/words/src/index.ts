export { list } from './list.ts';
export { answerOf, marksWords, notUnderstood, sheetsWords, tooLongWords, type Answer } from './answer.ts';
export {
  SCREEN,
  TERMINAL,
  UNIT_WORDS,
  areaWords,
  count,
  figure,
  fullFigure,
  offWords,
  sizeWords,
  type Voice,
} from './lengths.ts';
export { constructionsFor, constructionsMeant } from './find.ts';
export { fieldWords, saidBackWords, sumWords } from './fields.ts';
export {
  capital,
  factWords,
  issueWords,
  lengthProblemWords,
  offerWords,
  pageProblemWords,
  pathWords,
  recipeProblemWords,
  saidWords,
  suggestionWords,
} from './problems.ts';
export {
  AIM_WORDS,
  CAUTION,
  boundWords,
  comparedWords,
  copyWords,
  IN_ORDER_WORDS,
  handlingWords,
  cutListText,
  finishStepWords,
  missingWords,
  movementWords,
  oddPaperOf,
  partWords,
  stepWords,
  totalsWords,
  wayOutWords,
  type StepWords,
  offcutChoiceWords,
} from './plans.ts';
export { KIND_WORDS, oddWords } from './kinds.ts';
export {
  boughtWords,
  costWords,
  couldMakeWords,
  drawerStepWords,
  enoughWords,
  findProblemWords,
  paceWords,
  rowProblemWords,
  savedWords,
  soughtWords,
  whyNotWords,
  worthWords,
} from './looking.ts';
export { stockLine, type StockLine } from './stockLine.ts';
export { leftOutWords, svgProblemWords } from './outlines.ts';
export { placeWords, placesWords } from './places.ts';
export { paperLetter } from './letters.ts';
export {
  DIRECTION_WORDS,
  builtWords,
  itemWords,
  paperReachWords,
  reachWords,
  sideWords,
  stockWords,
} from './drawer.ts';
export { NAMES, finishWords, finishesWords, recipeWords, type RecipeWords, type Say } from './recipes/index.ts';
export {
  IDLE_WORDS,
  WRONG_WORDS,
  lengthSpoken,
  pressWords,
  trimmerWords,
  type BagOf,
  type PlaceOf,
  type TrimmerWords,
} from './trimmer.ts';
export {
  SHARP_WORDS,
  dayInWords,
  dayWords,
  lostWords,
  photoName,
  photoWords,
  pixelWords,
  sharpWords,
  soughtPhotoWords,
  takingInWords,
  unlaidWords,
} from './photos.ts';
export { catchWords, coverageWords, cutAwayWords } from './catches.ts';
