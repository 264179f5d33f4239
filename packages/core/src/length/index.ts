export { TICKS_PER_UNIT, ZERO, inUnit, inches, millimetres, ticks, type Ticks, type Unit } from './ticks.ts';
export { addExact, exact, isWhole, isZero, roundExact, scaleExact, type Exact, type Rounding } from './exact.ts';
export { MARKS, MARK_NAMES, isOnMark, roundToMark, type Mark, type MarkName } from './mark.ts';
export {
  LONGEST,
  lengthOf,
  parseLength,
  parseSize,
  type LengthProblem,
  type LengthResult,
  type ReadLength,
  type ReadOptions,
  type SizeResult,
} from './parse.ts';
export { exactText, figureOf, plainLength, typesetLength, type LengthFigure } from './format.ts';
export { BY_SAID, LENGTH_SAID, SHEET_NAME, lengthNamed, sizeOfSheet, unitOfLine } from './spoken.ts';
export { addProblem, lengthText, lengthsIn, type LengthText } from './schema.ts';
