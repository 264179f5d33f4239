import type { Drawer, StockItem } from './drawer.ts';

/* What of the drawer a page may take: what is held back is nobody's, what is kept for a page is that page's. */

/** How many of an item are kept for one page, or for all there are. */
export const reservedCountFor = ({ reserves }: Pick<StockItem, 'reserves'>, page?: string): number =>
  (reserves ?? []).reduce((n, r) => n + (page === undefined || r.page === page ? r.count : 0), 0);

/** How many of an item a page may take, or several that are cut together: never what others keep. */
export function availableCountFor(
  item: Pick<StockItem, 'reserves' | 'reserved' | 'quantity'>,
  pages: string | readonly string[],
): number {
  if (item.reserved) return 0;
  const own = typeof pages === 'string' ? [pages] : pages;
  const others = (item.reserves ?? []).reduce((n, r) => n + (own.includes(r.page) ? 0 : r.count), 0);
  return Math.max(0, item.quantity - others);
}

/** The drawer as a page sees it, or several together: with what others keep taken off, and what they keep whole held back. */
export function drawerFor<D extends Drawer>(drawer: D, pages: string | readonly string[]): D {
  if (!drawer.stock.some((item) => item.reserves?.length)) return drawer;
  const stock = drawer.stock.map((item) => {
    if (!item.reserves?.length || item.reserved) return item;
    const quantity = availableCountFor(item, pages);
    return quantity === item.quantity ? item : quantity ? { ...item, quantity } : { ...item, reserved: true };
  });
  return { ...drawer, stock };
}

/** The reservations of an item once `count` of it are kept for a page: none takes the page off. */
export function reserveForPage(
  reserves: StockItem['reserves'],
  page: string,
  count: number,
): NonNullable<StockItem['reserves']> {
  const others = (reserves ?? []).filter((r) => r.page !== page);
  return count > 0 ? [...others, { page, count }] : others;
}
