import { formatExactLength, ticks, TICKS_PER_UNIT } from '../length/index.ts';
import { splitSeamsAgain, type Seams } from '../geometry/index.ts';
import { choosePaper, seamsOf, setItemField, type DerivedPage, type Page, type Wish } from '../page/index.ts';
import type { WayOut } from '../planner/index.ts';
import { NO_TRIM, type StockItem } from '../stock/index.ts';
import { pagePieceIdOf } from './pieceIds.ts';

/** What taking a way out of a shortage changes: the page, an item of the drawer, or paper that was bought. */
export type WayOutChange =
  | { readonly page: Page }
  | { readonly item: string; readonly change: Partial<Pick<StockItem, 'reserved' | 'uncut'>> }
  | { readonly bought: Omit<StockItem, 'id' | 'origin'> };

/** A way out as a change; null where the part cannot be changed so. */
export function applyWayOut(page: Page, derived: DerivedPage, piece: string, how: WayOut['how']): WayOutChange | null {
  const wanted = derived.pieces.find((p) => p.id === pagePieceIdOf(piece));
  const wish = wanted?.wish;
  if (!wanted || !wish) return null;
  const { unit } = derived.mark;
  const text = (n: number) => formatExactLength(ticks(Math.round(n * TICKS_PER_UNIT[unit])), unit);
  const wished = (other: Wish): WayOutChange => ({ page: choosePaper(page, wanted, other) });
  const sized = (width: number | null, height: number | null): WayOutChange | null => {
    const fields = derived.parts.find((p) => p.id === wanted.parts[0])?.sized;
    if (!fields) return null;
    const typed = (next: Page, axis: 'width' | 'height', given: number | null): Page =>
      given === null ? next : setItemField(next, derived, wanted.item, fields[axis], text(given));
    return { page: typed(typed(page, 'width', width), 'height', height) };
  };
  /** Made of several; a part that is itself too large is parted once more. */
  const made = (how: Seams): WayOutChange => {
    const inTicks = (n: number) => Math.round(n * TICKS_PER_UNIT[unit]);
    const [across, up] = [how.across.map(inTicks), how.up.map(inTicks)];
    const { overlap, ...were } = seamsOf(wish, unit) ?? { across: [], up: [], overlap: inTicks(how.overlap) };
    const whole = wanted.patchOf ?? wanted;
    const { from: _from, ...rest } = wish;
    const said = (axis: 'across' | 'up', length: 'width' | 'height', at: readonly number[]) =>
      splitSeamsAgain(whole[length], were[axis], overlap, wanted[length], at).map((t) =>
        formatExactLength(ticks(t), unit),
      );
    return wished({
      ...rest,
      built: {
        across: said('across', 'width', across),
        up: said('up', 'height', up),
        overlap: formatExactLength(ticks(overlap), unit),
      },
    });
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
      return wanted.width > wanted.height ? sized(how.to, null) : sized(null, how.to);
    }
    case 'buy': {
      const { paper, quantity } = how;
      const size = { width: text(how.width), height: text(how.height) };
      return { bought: { paper, unit, ...size, quantity, kind: 'sheet', trim: NO_TRIM, turned: 0, reserved: false } };
    }
    case 'join': {
      const at = [how.at];
      return how.overlap === undefined
        ? null
        : made({ across: how.along === 'width' ? at : [], up: how.along === 'height' ? at : [], overlap: how.overlap });
    }
    case 'ends': {
      // each part reaches less than nothing over the next
      const at = [how.to];
      const overlap = how.from - how.to;
      return made({ across: how.along === 'width' ? at : [], up: how.along === 'height' ? at : [], overlap });
    }
    case 'build-up':
      return made(how);
  }
}
