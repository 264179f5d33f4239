import { randomUUID } from 'node:crypto';
import { eq, inArray, sql } from 'drizzle-orm';
import type { StockItem } from '@temnex/core/stock';
import type { Movement } from '@temnex/contract';
import type { Transaction } from '../database/types.ts';
import { movements, papers, stock } from '../database/schema.ts';
import { IDS_PER_QUERY, refuseWrongCount, type MovementContext } from './movements.ts';

/** As many rows as one statement may bring in. */
const ROWS_PER_INSERT = 200;

interface Change {
  readonly by: number;
  readonly place?: string | null;
  readonly reserved?: boolean;
  /** Undefined: as it is. */
  readonly removedAt?: string | null;
}

/**
 * Changes of many items that wait to be written: the same change of many items is one statement, and their movements go in together.
 * For items of which nothing is kept for a page, each of them once.
 */
export class StockChanges {
  private readonly more: MovementContext;
  private notes: (typeof movements.$inferInsert)[] = [];
  /** By the change, as text. */
  private alike = new Map<string, { readonly change: Change; readonly ids: string[] }>();
  private papers = new Set<string>();

  constructor(more: MovementContext) {
    this.more = more;
  }

  /** Writes down what becomes of an item, with what is changed of it. */
  note(item: Pick<StockItem, 'id'>, what: Pick<Movement, 'by' | 'why'> & { readonly place?: string | null }): void {
    const { cutting = null, step = null, at } = this.more;
    this.notes.push({ id: randomUUID(), stock: item.id, cutting, step, held: 0, page: null, place: null, at, ...what });
  }

  /** More or fewer of an item, which lies somewhere else, is held back or freed. Refused where there would be too many of it. */
  change(item: Pick<StockItem, 'id' | 'quantity' | 'paper'>, change: Change): void {
    refuseWrongCount(item, change.by);
    const key = JSON.stringify(change);
    const known = this.alike.get(key);
    if (known) known.ids.push(item.id);
    else this.alike.set(key, { change, ids: [item.id] });
    this.papers.add(item.paper);
  }

  write(tx: Transaction): void {
    for (let from = 0; from < this.notes.length; from += ROWS_PER_INSERT)
      tx.insert(movements)
        .values(this.notes.slice(from, from + ROWS_PER_INSERT))
        .run();
    for (const { change, ids } of this.alike.values()) {
      const { by, ...set } = change;
      const quantity = by ? { quantity: sql`${stock.quantity} + ${by}` } : {};
      for (let from = 0; from < ids.length; from += IDS_PER_QUERY)
        tx.update(stock)
          .set({ ...set, ...quantity })
          .where(inArray(stock.id, ids.slice(from, from + IDS_PER_QUERY)))
          .run();
    }
    for (const paper of this.papers)
      tx.update(papers)
        .set({ revision: sql`${papers.revision} + 1` })
        .where(eq(papers.id, paper))
        .run();
    [this.notes, this.alike, this.papers] = [[], new Map(), new Set()];
  }
}
