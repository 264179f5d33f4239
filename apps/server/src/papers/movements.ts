import { randomUUID } from 'node:crypto';
import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { reservedCountFor, reserveForPage, type StockItem } from '@temnex/core/stock';
import type { Movement } from '@temnex/contract';
import type { Transaction } from '../database/types.ts';
import { RequestRefusal } from '../http/requestRefusal.ts';
import { cuttings, movements, papers, stock } from '../database/schema.ts';

/** More of one item are refused wherever an item is read. */
const MAX_ITEM_QUANTITY = 10_000;

/** Refuses more of an item than there may be, and any change of one of which it cannot be read how many there are. */
export function refuseWrongCount(item: Pick<StockItem, 'quantity'>, by: number): void {
  if (Number.isNaN(item.quantity))
    throw new RequestRefusal(
      'unreadable',
      'How many there are of it cannot be read. Start Temnex again: its movements say it.',
    );
  if (by > 0 && item.quantity + by > MAX_ITEM_QUANTITY)
    throw new RequestRefusal(
      'bad-input',
      `by: there can be no more than ${MAX_ITEM_QUANTITY} of one item; nothing was changed.`,
      {
        field: 'by',
      },
    );
}

/** What a movement belongs to. */
export interface MovementContext {
  readonly id?: string;
  readonly cutting?: string;
  readonly step?: string;
  readonly at: string;
}
type Moved = Pick<StockItem, 'id' | 'paper' | 'quantity'> & { readonly reserves?: StockItem['reserves'] | null };

/**
 * Makes more or fewer of an item: the movement and the sum change together, and its paper is a state further. `pages`: fewer by what
 * was kept for those, as far as something was; never is more kept than there is.
 */
export function recordMovement(
  tx: Transaction,
  item: Moved,
  by: number,
  why: Movement['why'],
  { pages = [], ...more }: MovementContext & { readonly pages?: readonly string[] },
): void {
  refuseWrongCount(item, by);
  insertMovement(tx, item.id, { by, why, ...more });
  tx.update(stock)
    // what there is some of has not been taken out
    .set({ quantity: sql`${stock.quantity} + ${by}`, ...(by > 0 ? { removedAt: null } : {}) })
    .where(eq(stock.id, item.id))
    .run();
  if (by < 0 && item.reserves?.length) release(tx, item, -by, why, { ...more, pages });
  markPaperChanged(tx, item.paper);
}

/** Lets go of what was kept for the pages that took it, then of what is more than there is, the last first. */
function release(
  tx: Transaction,
  item: Moved,
  taken: number,
  why: Movement['why'],
  { pages, ...more }: MovementContext & { readonly pages: readonly string[] },
): void {
  let reserves = item.reserves ?? [];
  const less = (of: string, count: number) => {
    const was = reservedCountFor({ reserves }, of);
    if (count <= 0 || !was) return;
    const is = Math.max(0, was - count);
    reserves = reserveForPage(reserves, of, is);
    insertMovement(tx, item.id, { by: 0, held: is - was, page: of, why, ...more, id: randomUUID() });
  };
  let open = taken;
  for (const page of pages) {
    const own = Math.min(open, reservedCountFor({ reserves }, page));
    less(page, own);
    open -= own;
  }
  const left = item.quantity - taken;
  for (const { page: other } of reserves.toReversed()) less(other, reservedCountFor({ reserves }) - left);
  tx.update(stock)
    .set({ reserves: reserves.length ? reserves : null })
    .where(eq(stock.id, item.id))
    .run();
}

/** Keeps so many of an item for a page from now on. */
export function reserveItemFor(
  tx: Transaction,
  item: { readonly id: string; readonly reserves?: StockItem['reserves'] | null },
  page: string,
  count: number,
  why: Movement['why'],
  more: MovementContext,
): void {
  const held = count - reservedCountFor({ reserves: item.reserves ?? undefined }, page);
  if (!held) return;
  const reserves = reserveForPage(item.reserves ?? undefined, page, count);
  insertMovement(tx, item.id, { by: 0, held, page, why, ...more });
  tx.update(stock)
    .set({ reserves: reserves.length ? reserves : null })
    .where(eq(stock.id, item.id))
    .run();
}

/** Writes down what became of an item. */
export function insertMovement(
  tx: Transaction,
  item: string,
  {
    id = randomUUID(),
    cutting = null,
    step = null,
    held = 0,
    page = null,
    place = null,
    ...what
  }: Partial<Pick<Movement, 'id' | 'cutting' | 'step' | 'held' | 'page' | 'place'>> &
    Pick<Movement, 'by' | 'why' | 'at'>,
): void {
  tx.insert(movements)
    .values({ id, stock: item, cutting, step, held, page, place, ...what })
    .run();
}

/** Says that a paper, or what there is of it, has changed. */
export function markPaperChanged(tx: Transaction, paper: string): void {
  tx.update(papers)
    .set({ revision: sql`${papers.revision} + 1` })
    .where(eq(papers.id, paper))
    .run();
}

/** So many ids are asked for at a time. */
export const IDS_PER_QUERY = 500;

/** Those of some items that were left by a cut that has been taken back: its sheet is whole, so they are not there. */
export function findOffcutsOfUndoneCuts(tx: Transaction, items: readonly string[]): string[] {
  const chunks = Array.from({ length: Math.ceil(items.length / IDS_PER_QUERY) }, (_, i) =>
    items.slice(i * IDS_PER_QUERY, (i + 1) * IDS_PER_QUERY),
  );
  return chunks.flatMap((some) =>
    tx
      .selectDistinct({ id: movements.stock })
      .from(movements)
      .innerJoin(cuttings, eq(cuttings.id, movements.cutting))
      .where(and(inArray(movements.stock, some), eq(movements.why, 'kept'), isNotNull(cuttings.undoneAt)))
      .all()
      .map(({ id }) => id),
  );
}

/** How many have come back already of what a step took, by item. */
export function countReturnedByItem(tx: Transaction, step: string): Map<string, number> {
  const rows = tx
    .select({ item: movements.stock, n: sql<number>`sum("by")` })
    .from(movements)
    .where(and(eq(movements.step, step), eq(movements.why, 'taken-back')))
    .groupBy(movements.stock)
    .all();
  return new Map(rows.map(({ item, n }) => [item, n]));
}
