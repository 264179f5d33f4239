export {
  countAt,
  hear,
  lengthAt,
  lengthsAt,
  sizeAt,
  ticksSaid,
  type Grammar,
  type Heard,
  type HeardLine,
  type HeardValue,
  type Mishearing,
  type Place,
} from './grammar.ts';
export { changesMeaning, lexiconOf } from './lexicon.ts';
export { cardEitherWay, lineWithout, otherReadings } from './readings.ts';
export { asOnePrint } from './together.ts';
export { sizesInTheOther, tokensOf, type Token } from './tokens.ts';
