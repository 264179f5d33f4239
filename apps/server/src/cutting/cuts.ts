import { and, eq, isNull } from 'drizzle-orm';
import type { Database, Transaction } from '../database/types.ts';
import { cuttings } from '../database/schema.ts';

/** The cuts for a page that have not been taken back. */
export const cutsOf = (db: Database | Transaction, page: string) =>
  db
    .select()
    .from(cuttings)
    .where(and(eq(cuttings.page, page), isNull(cuttings.undoneAt)))
    .all();
