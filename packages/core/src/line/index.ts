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
export { lexiconOf } from './lexicon.ts';
export { tokensOf, type Token } from './tokens.ts';
