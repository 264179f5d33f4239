export { dayOf } from './day.ts';
export {
  NO_TRIM,
  PATTERNS,
  SCALES,
  STOCK_KINDS,
  USUAL_HABITS,
  inDrawerOrder,
  isSheet,
  oneLine,
  habitsSchema,
  facePictureSchema,
  lookSchema,
  paperFaceSchema,
  paperFacts,
  paperSchema,
  sizeOfItem,
  sidesSchema,
  stockItemSchema,
  stockItemShape,
  wholeItem,
  type Drawer,
  type Habits,
  type Look,
  type Paper,
  type PaperFace,
  type StockItem,
} from './drawer.ts';
export { USUAL_RULES, brandingOf, keptAs, monthsAfter, rulesSchema, type DrawerRules } from './rules.ts';
export { cornersOf, ticksOf } from './corners.ts';
export { availableTo, drawerFor, reservedFor, reservesWith } from './reserve.ts';
export { guessFace } from './guess.ts';
export { COLOUR_WORDS, colourOrder, coloursOf, unlike, unlikeFace } from './colour.ts';
export {
  ANYTHING,
  comesOutOf,
  finderOf,
  isAnything,
  placeOf,
  sayFind,
  whyNot,
  type FindProblem,
  type Finder,
  type SaidFind,
  type Sought,
} from './find.ts';
export {
  STOCK_COLUMNS,
  columnsGuessed,
  columnsNamed,
  headingOf,
  isEmptyRow,
  readRow,
  rowOf,
  stockRowOf,
  type ReadRow,
  type RowProblem,
  type StockColumn,
  type StockRow,
} from './table.ts';
export { sayBox, sayStock, type SaidBox, type SaidStock } from './say.ts';
