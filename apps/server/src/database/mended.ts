import { sql } from 'drizzle-orm';
import type { Transaction } from './types.ts';

/**
 * Sets right what the rest of the file tells, where a field that holds a number holds something else: how many there are of an item is
 * the sum of its movements; the state of a page, a paper or the habits is only ever compared, and begins anew.
 */
export function mendNumbers(tx: Transaction): void {
  const isNone = (column: string) => sql.raw(`typeof(${column}) <> 'integer'`);
  tx.run(
    sql`update stock set quantity = max(0, coalesce((select sum("by") from movements where movements.stock = stock.id and typeof("by") = 'integer'), 0)) where ${isNone('quantity')}`,
  );
  tx.run(sql`update pages set version = 1 where ${isNone('version')}`);
  tx.run(sql`update papers set revision = 1 where ${isNone('revision')}`);
  tx.run(sql`update habits set version = 1 where ${isNone('version')}`);
}
