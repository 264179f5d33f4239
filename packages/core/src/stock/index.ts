export {
  NO_TRIM,
  PATTERNS,
  USUAL_HABITS,
  inDrawerOrder,
  habitsSchema,
  lookSchema,
  paperFaceSchema,
  paperSchema,
  sizeOfItem,
  stockItemSchema,
  type Drawer,
  type Habits,
  type Look,
  type Paper,
  type PaperFace,
  type StockItem,
} from './drawer.ts';
export { sayBox, sayStock, type SaidBox, type SaidStock } from './say.ts';
