export { EDGES, fitsIn, rect, turned, type Edge, type Rect, type Size } from './rect.ts';
