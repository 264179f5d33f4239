import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import type { Movement } from '@temnex/contract';
import type { Transaction } from '../database/types.ts';
import { movements, papers, stock } from '../database/schema.ts';

/** Makes more or fewer of an item: the movement and the sum change together, and its paper is a state further. */
export function move(
  tx: Transaction,
  item: { readonly id: string; readonly paper: string },
  by: number,
  why: Movement['why'],
  more: { readonly id?: string; readonly cutting?: string; readonly at: string },
): void {
  const { id = randomUUID(), cutting = null, at } = more;
  tx.insert(movements).values({ id, stock: item.id, by, why, cutting, at }).run();
  tx.update(stock)
    .set({ quantity: sql`${stock.quantity} + ${by}` })
    .where(eq(stock.id, item.id))
    .run();
  touch(tx, item.paper);
}

/** Says that a paper, or what there is of it, has changed. */
export function touch(tx: Transaction, paper: string): void {
  tx.update(papers)
    .set({ revision: sql`${papers.revision} + 1` })
    .where(eq(papers.id, paper))
    .run();
}
