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
export { fieldWords, sumWords } from './fields.ts';
export {
  issueWords,
  lengthProblemWords,
  pageProblemWords,
  pathWords,
  recipeProblemWords,
  saidWords,
  suggestionWords,
  type NameOf,
} from './problems.ts';
export {
  AIM_WORDS,
  CAUTION,
  KIND_WORDS,
  boundWords,
  comparedWords,
  copyWords,
  cutListText,
  missingWords,
  partAt,
  partWords,
  sheetLetter,
  stepWords,
  totalsWords,
  type StepWords,
} from './plans.ts';
