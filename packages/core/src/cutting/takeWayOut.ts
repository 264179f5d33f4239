import { exactText, ticks, TICKS_PER_UNIT } from '../length/index.ts';
import { choosePaper, giveSize, type DerivedPage, type Page, type Wish } from '../page/index.ts';
import type { WayOut } from '../planner/index.ts';
import { NO_TRIM, type StockItem } from '../stock/index.ts';
import { partOfPiece } from './jobOf.ts';

/** What taking a way out of a shortage changes: the page, an item of the drawer, or paper that was bought. */
export type Taken =
  | { readonly page: Page }
  | { readonly item: string; readonly change: Partial<Pick<StockItem, 'reserved' | 'uncut'>> }
  | { readonly bought: Omit<StockItem, 'id' | 'origin'> };

/** A way out as a change; null where it is for the hands alone (a join), or the part cannot be changed so. */
export function takeWayOut(page: Page, derived: DerivedPage, piece: string, how: WayOut['how']): Taken | null {
  const id = partOfPiece(piece);
  const wish = derived.pieces.find((p) => p.part === id)?.wish;
  if (!wish) return null;
  const { unit } = derived.mark;
  const text = (n: number) => exactText(ticks(Math.round(n * TICKS_PER_UNIT[unit])), unit);
  const wished = (other: Wish): Taken => ({ page: choosePaper(page, id, other) });
  const sized = (width: number | null, height: number | null): Taken | null => {
    const part = derived.parts.find((p) => p.id === id)!;
    if (part.kind === 'base') return null;
    const side = (given: number | null, is: typeof part.width) => (given === null ? exactText(is, unit) : text(given));
    return { page: giveSize(page, id, side(width, part.width), side(height, part.height)) };
  };
  switch (how.do) {
    case 'turn':
      return wished({ ...wish, direction: 'any' });
    case 'other-side':
      return wished({ ...wish, side: how.side });
    case 'elsewhere': {
      const { from: _from, ...rest } = wish;
      return wished(rest);
    }
    case 'other-paper':
      return wished({ ...wish, papers: [...wish.papers, how.paper] });
    case 'release':
      return { item: how.stock, change: { reserved: false } };
    case 'cut-through':
      return { item: how.stock, change: { uncut: [] } };
    case 'tuck':
      return sized(how.width, how.height);
    case 'shorten': {
      const { width, height } = derived.pieces.find((p) => p.part === id)!;
      return width > height ? sized(how.to, null) : sized(null, how.to);
    }
    case 'buy': {
      const { paper, quantity } = how;
      const size = { width: text(how.width), height: text(how.height) };
      return { bought: { paper, unit, ...size, quantity, kind: 'sheet', trim: NO_TRIM, turned: 0, reserved: false } };
    }
    case 'join':
      return null;
  }
}
