export { Filler, type Filled, type How, type LatticeLayout, type Place } from './fill.ts';
export {
  areaOf,
  extentOf,
  isRingOver,
  isRingWithin,
  shiftRing,
  turnRing,
  type Corner,
  type Extent,
  type Ring,
} from './outline.ts';
export type { Turning } from './rows.ts';
export { listRowKinds, buildRows, type RowKind, type Rows } from './rows.ts';
