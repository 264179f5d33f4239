export { TICKS_PER_UNIT, ZERO, inUnit, inches, millimetres, ticks, type Ticks, type Unit } from './ticks.ts';
export { addExact, exact, isWhole, isZero, roundExact, scaleExact, type Exact, type Rounding } from './exact.ts';
export { MARKS, MARK_NAMES, isOnMark, roundToMark, type Mark, type MarkName } from './mark.ts';
export {
  MAX_LENGTH_TICKS,
  lengthOf,
  parseLength,
  parseSize,
  type LengthProblem,
  type LengthResult,
  type ReadLength,
  type ReadOptions,
  type SizeResult,
} from './parse.ts';
export {
  formatExactLength,
  computeLengthFigure,
  formatPlainLength,
  formatTypesetLength,
  type LengthFigure,
} from './format.ts';
export {
  BY_PATTERN,
  LENGTH_PATTERN,
  SHEET_NAME_PATTERN,
  withUnitNamed,
  sizeOfSheet,
  detectLineUnit,
} from './spoken.ts';
export { addLengthProblem, lengthText, checkLengthsIn, type LengthText } from './schema.ts';
