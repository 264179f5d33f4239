import type { Size } from '../geometry/index.ts';
import { ticks, type Ticks } from '../length/index.ts';
import type { Wish } from '../page/index.ts';
import { waysOf } from '../planner/index.ts';
import type { Paper, StockItem } from '../stock/index.ts';

/**
 * The size, as it lies on an item of the drawer, of a piece that is cut from exactly there: upright where that may be, else turned.
 * Null where the item does not show the side that is wished for, the way it is wished for.
 */
export function exactSizeOnItem(piece: Size, wish: Wish, paper: Paper, item: Pick<StockItem, 'turned'>): Size | null {
  const faces = paper.sides.map(({ side, direction, along }) => ({ side, direction, along }));
  const ways = waysOf(wish, { paper: { faces }, turned: item.turned });
  const way = ways.upright ?? ways.flat;
  if (!way) return null;
  return way.turn % 180 ? { width: piece.height, height: piece.width } : { width: piece.width, height: piece.height };
}

/** Along one edge: how far along the paper a line of its artwork is, and how far along the page it is to lie, in ticks. */
export interface ArtworkAlong {
  readonly sheet: Ticks;
  readonly page: Ticks;
}

/**
 * Where a piece must be cut from (its lower left corner on the paper) so that artwork of the paper lies at a place of the page; along an
 * edge that nothing is said of, at the edge. `lies`: where the piece lies on the page. As far as the paper reaches: by how much it misses
 * is told, in ticks, past the right and the upper edge above 0.
 */
export function findArtworkPlace(
  artwork: { readonly x: ArtworkAlong | null; readonly y: ArtworkAlong | null },
  lies: { readonly x: number; readonly y: number },
  piece: Size,
  paper: Size,
): {
  readonly spot: { readonly x: Ticks; readonly y: Ticks };
  readonly misses: { readonly x: Ticks; readonly y: Ticks };
} {
  const along = (said: ArtworkAlong | null, at: number, long: number, most: number) => {
    const wanted = said ? said.sheet - (said.page - at) : 0;
    const got = Math.max(0, Math.min(most - long, wanted));
    return { got: ticks(got), missed: ticks(wanted - got) };
  };
  const x = along(artwork.x, lies.x, piece.width, paper.width);
  const y = along(artwork.y, lies.y, piece.height, paper.height);
  return { spot: { x: x.got, y: y.got }, misses: { x: x.missed, y: y.missed } };
}
