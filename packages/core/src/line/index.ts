export {
  countAt,
  matchGrammar,
  lengthAt,
  lengthsAt,
  sizeAt,
  parseTicks,
  type Grammar,
  type ParsedValues,
  type LineMatch,
  type ParsedValue,
  type UnclearValue,
  type Place,
} from './grammar.ts';
export { isMeaningChanger, compileLexicon } from './lexicon.ts';
export { splitCardReadings, dropWord, listOtherReadings } from './readings.ts';
export { mergeIntoOnePrint } from './onePrint.ts';
export { nameOtherUnitSizes, tokenize, type Token } from './tokens.ts';
