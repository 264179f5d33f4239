export { parseDay } from './day.ts';
export {
  NO_TRIM,
  PATTERNS,
  SCALES,
  STOCK_KINDS,
  DEFAULT_HABITS,
  sortForDrawer,
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
export { DEFAULT_RULES, brandingOf, storeOffcutAs, addMonths, rulesSchema, type DrawerRules } from './rules.ts';
export { cornersOf, ticksOf } from './corners.ts';
export { availableCountFor, drawerFor, reservedCountFor, reserveForPage } from './reserve.ts';
export { guessFace } from './guess.ts';
export { COLOURS_BY_NAME, colourRank, coloursOf, colourDifference, faceDifference } from './colour.ts';
export {
  EMPTY_STOCK_QUERY,
  isCutFrom,
  compileStockQuery,
  isEmptyQuery,
  placeOf,
  parseStockQuery,
  findMismatches,
  type FindProblem,
  type StockMatcher,
  type ParsedStockQuery,
  type StockQuery,
} from './stockQuery.ts';
export {
  STOCK_COLUMNS,
  guessColumns,
  matchNamedColumns,
  headingOf,
  isEmptyRow,
  readRow,
  readTableRow,
  stockRowOf,
  type ReadRow,
  type RowProblem,
  type StockColumn,
  type StockRow,
} from './table.ts';
export { parseBoxLine, parseStockLine, type ParsedBox, type ParsedStock } from './stockLine.ts';
