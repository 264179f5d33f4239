import { inUnit } from '@temnex/core/length';
import { sizeOfItem, type StockItem } from '@temnex/core/stock';

/* Papers on a wall, all at one scale: laid in rows as long as the wall is wide, bottoms on one line. */

export interface WallTile {
  readonly item: StockItem;
  /** Its place in the order in which everything was found. */
  readonly at: number;
  /** In pixels, from the left of the wall. */
  readonly x: number;
  readonly width: number;
  readonly height: number;
}
export interface WallRow {
  readonly items: readonly WallTile[];
  /** Of its tallest paper, in pixels, without what is written under it. */
  readonly height: number;
}

/** Between two papers, and the least width that what is written under one needs, in pixels. */
export const TILE_GAP_PX = 14;
export const MIN_TILE_WIDTH_PX = 58;

/** Lays papers in rows on a wall of `width` pixels, at `scale` pixels to the inch, in the order that they have. */
export function layOutWall(items: readonly StockItem[], width: number, scale: number): WallRow[] {
  const rows: WallRow[] = [];
  let row: WallTile[] = [];
  let x = 0;
  let tallest = 0;
  const end = () => {
    if (row.length) rows.push({ items: row, height: tallest });
    [row, x, tallest] = [[], 0, 0];
  };
  for (const [at, item] of items.entries()) {
    const size = sizeOfItem(item);
    const w = Math.max(3, inUnit(size.width, 'in') * scale);
    const height = Math.max(3, inUnit(size.height, 'in') * scale);
    const takes = Math.max(w, MIN_TILE_WIDTH_PX);
    if (row.length && x + takes > width) end();
    row.push({ item, at, x, width: w, height });
    x += takes + TILE_GAP_PX;
    tallest = Math.max(tallest, height);
  }
  end();
  return rows;
}

/** The paper one row further up or down that lies nearest under or over another; the same where there is none. */
export function findTileInNextRow(rows: readonly WallRow[], at: number, by: 1 | -1): number {
  const here = rows.findIndex((row) => at <= row.items.at(-1)!.at);
  const from = rows[here]?.items.find((one) => one.at === at);
  const there = rows[here + by];
  if (!from || !there) return at;
  const middle = from.x + from.width / 2;
  const off = (one: WallTile) => Math.abs(one.x + one.width / 2 - middle);
  return there.items.reduce((a, b) => (off(b) < off(a) ? b : a)).at;
}
