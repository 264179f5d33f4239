export { Filler, type Filled, type How, type Laying, type Place } from './fill.ts';
export {
  areaOf,
  extentOf,
  liesOver,
  liesWithin,
  shiftedRing,
  turnedRing,
  type Corner,
  type Extent,
  type Ring,
} from './outline.ts';
export type { Turning } from './rows.ts';
export { rowKinds, rowsOf, type RowKind, type Rows } from './rows.ts';
