import { randomUUID } from 'node:crypto';
import { and, inArray, isNull } from 'drizzle-orm';
import { NO_TRIM, type StockItem } from '@temnex/core/stock';
import type { Movement, NewPaper, NewStock, PaperRecord } from '@temnex/contract';
import type { Transaction } from '../database/types.ts';
import { movements, papers, stock } from '../database/schema.ts';
import { RequestRefusal } from '../http/requestRefusal.ts';
import { markPaperChanged, type MovementContext } from './movements.ts';
import { paperOf } from './rows.ts';

/** What is known of a paper, as columns: what is left out is not known. */
export const factsOf = ({ weight, seeThrough, place, price, pack }: Partial<PaperRecord>) => ({
  weight: weight ?? null,
  seeThrough: seeThrough ?? null,
  place: place ?? null,
  price: price ?? null,
  pack: pack ?? null,
});

/** Many at a time, so that a statement has no more values than it may. */
const AT_ONCE = 200;

/** Puts items into the drawer, each with the movement with which it comes to be there; its paper is a state further. */
export function insertStock(
  tx: Transaction,
  items: readonly (StockItem & { demo?: boolean })[],
  why: Movement['why'],
  more: MovementContext,
): void {
  const { at, step = null, cutting = null } = more;
  for (let from = 0; from < items.length; from += AT_ONCE) {
    const some = items.slice(from, from + AT_ONCE);
    tx.insert(stock)
      .values(some.map((item) => ({ came: at.slice(0, 10), ...item, createdAt: at })))
      .run();
    tx.insert(movements)
      .values(some.map(({ id, quantity }) => ({ id: randomUUID(), stock: id, by: quantity, why, cutting, step, at })))
      .run();
  }
  for (const paper of new Set(items.map((item) => item.paper))) markPaperChanged(tx, paper);
}

export function createPaper(tx: Transaction, { id, name, sides, ...facts }: NewPaper, createdAt: string): PaperRecord {
  const row = { id, name, sides, revision: 1, ...factsOf(facts) };
  tx.insert(papers)
    .values({ ...row, createdAt })
    .run();
  return paperOf({ ...row, createdAt, demo: false, removedAt: null, seq: 0 });
}

/** Puts new things into the drawer; `field` says what to correct where there is no such paper. */
export function createStock(
  tx: Transaction,
  items: readonly NewStock[],
  field: (at: number) => string,
  more: MovementContext,
): StockItem[] {
  const asked = [...new Set(items.map((item) => item.paper))];
  const there = new Set(
    tx
      .select({ id: papers.id })
      .from(papers)
      .where(and(inArray(papers.id, asked), isNull(papers.removedAt)))
      .all()
      .map((p) => p.id),
  );
  const missing = items.findIndex((item) => !there.has(item.paper));
  if (missing >= 0)
    throw new RequestRefusal('bad-input', `${field(missing)}: there is no paper "${items[missing]!.paper}"`, {
      field: field(missing),
    });
  const made = items.map((item): StockItem => ({
    trim: NO_TRIM,
    turned: 0,
    reserved: false,
    came: more.at.slice(0, 10),
    ...item,
    origin: null,
  }));
  insertStock(tx, made, 'added', more);
  return made;
}
