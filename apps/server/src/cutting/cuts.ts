import { and, eq, isNull } from 'drizzle-orm';
import type { Database, Transaction } from '../database/types.ts';
import { UNREADABLE_LIST, cuttings } from '../database/schema.ts';

/** The cuts for a page that have not been taken back. */
export const standingCutsOf = (db: Database | Transaction, page: string) =>
  db
    .select()
    .from(cuttings)
    .where(and(eq(cuttings.page, page), isNull(cuttings.undoneAt)))
    .all();

/** Whether what a cut took or gave cannot be read. */
export const isUnreadable = ({ used, kept, pieces }: typeof cuttings.$inferSelect): boolean =>
  [used, kept, pieces].some((one) => (one as unknown) === UNREADABLE_LIST);
