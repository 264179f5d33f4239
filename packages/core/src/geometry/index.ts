export { alikeTogether, evenSeams, partedAgain, patchesOf, type Patch, type Seams } from './parting.ts';
export { cornersGone, edgeThere, holdsOutline, paperIn, type CornerName, type Spot } from './oddPaper.ts';
export { areaWithin, crossesItself, type Point } from './polygon.ts';
export type { Finish, Nesting, PencilMark } from './finish.ts';
export { EDGES, fitsIn, pastEdges, rect, shifted, shortfall, turned, type Edge, type Rect, type Size } from './rect.ts';
export {
  boundsOf,
  circle,
  oval,
  flattened,
  holdsRect,
  isRectangle,
  moved,
  polygon,
  rectangle,
  whole,
  type Contour,
  type Segment,
  type Shape,
} from './shape.ts';
