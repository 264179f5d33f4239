import type { Point } from '../geometry/index.ts';
import { lengthOf, ticks, type LengthText, type Ticks } from '../length/index.ts';
import { sizeOfItem, type StockItem } from './drawer.ts';

/** A length of an item already checked, in ticks; nought is one. */
export const ticksOf = (length: LengthText, unit: StockItem['unit']): Ticks =>
  Number(length) === 0 ? ticks(0) : lengthOf(length, unit);

/** The corners of a piece of paper in order round it, in ticks from its lower left: of an odd scrap its own. */
export function cornersOf(item: Pick<StockItem, 'width' | 'height' | 'unit' | 'outline'>): Point[] {
  if (item.outline) return item.outline.map(([x, y]) => ({ x: ticksOf(x, item.unit), y: ticksOf(y, item.unit) }));
  const { width, height } = sizeOfItem(item);
  const none = ticks(0);
  return [
    { x: none, y: none },
    { x: width, y: none },
    { x: width, y: height },
    { x: none, y: height },
  ];
}
