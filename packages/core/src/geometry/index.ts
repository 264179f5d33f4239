export {
  groupEqualSizes,
  spaceSeamsEvenly,
  splitSeamsAgain,
  computePatches,
  type Patch,
  type Seams,
} from './parting.ts';
export {
  findMissingCorners,
  edgeLengthOnPaper,
  holdsOutline,
  clipPaper,
  type CornerName,
  type Spot,
} from './oddPaper.ts';
export { areaWithin, isSelfCrossing, type Point } from './polygon.ts';
export type { Finish, Nesting, PencilMark } from './finish.ts';
export {
  EDGES,
  fitsIn,
  overhangPastEdges,
  rect,
  shiftRect,
  shortfall,
  turnSize,
  type Edge,
  type Rect,
  type Size,
} from './rect.ts';
export {
  boundsOf,
  circle,
  oval,
  flattenContour,
  holdsRect,
  isRectangle,
  moveContour,
  polygon,
  rectangle,
  shapeOfOutline,
  type Contour,
  type Segment,
  type Shape,
} from './shape.ts';
