import type { Size } from '../geometry/index.ts';
import type { Wish } from '../page/index.ts';
import { waysOf } from '../planner/index.ts';
import type { Paper, StockItem } from '../stock/index.ts';

/**
 * The size, as it lies on an item of the drawer, of a piece that is cut from exactly there: upright where that may be, else turned.
 * Null where the item does not show the side that is wished for, the way it is wished for.
 */
export function sizeOnItem(piece: Size, wish: Wish, paper: Paper, item: Pick<StockItem, 'turned'>): Size | null {
  const faces = paper.sides.map(({ side, direction, along }) => ({ side, direction, along }));
  const ways = waysOf(wish, { paper: { faces }, turned: item.turned });
  const way = ways.upright ?? ways.flat;
  if (!way) return null;
  return way.turn % 180 ? { width: piece.height, height: piece.width } : { width: piece.width, height: piece.height };
}
