export { crossesItself, type Point } from './polygon.ts';
export { EDGES, fitsIn, rect, turned, type Edge, type Rect, type Size } from './rect.ts';
