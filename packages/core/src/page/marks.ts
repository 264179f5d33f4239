import { ticks, type Ticks } from '../length/index.ts';
import type { DerivedPage, Part } from './derive.ts';

/** Where to pencil the lower left corner of a part: from the left and the lower edge of the page that it lies on, always those two. */
export interface CornerMark {
  readonly part: Part;
  /** Of two facing pages, which one it lies on, or begins on. */
  readonly page: 'left' | 'right' | null;
  readonly x: Ticks;
  readonly y: Ticks;
}

export function markOf({ seam }: Pick<DerivedPage, 'seam'>, part: Part): CornerMark {
  const start = seam ? seam.x + seam.width : 0;
  const right = seam !== null && part.x >= start;
  return {
    part,
    page: seam ? (right ? 'right' : 'left') : null,
    x: ticks(right ? part.x - start : part.x),
    y: part.y,
  };
}

/** Of every part that is placed by itself and does not lie in the corner anyway, bottom to top. */
export const marksOf = (page: Pick<DerivedPage, 'seam' | 'parts'>): CornerMark[] =>
  page.parts
    .filter((part) => !part.along)
    .map((part) => markOf(page, part))
    .filter(({ x, y }) => x !== 0 || y !== 0);
