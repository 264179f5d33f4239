import { eq, lt } from 'drizzle-orm';
import { RequestRefusal } from '../http/requestRefusal.ts';
import type { Database, Transaction } from './types.ts';
import { requests } from './schema.ts';

/** So long a request is remembered: longer than anybody tries again. */
const KEPT_DAYS = 30;

/**
 * Does something once for a request, in one transaction with the note that it is done: the same request sent again, because its
 * answer was lost or a button was pressed twice, is answered the same and does nothing. What it refuses is not remembered.
 */
export function withIdempotencyKey<T>(db: Database, id: string, what: string, doIt: (tx: Transaction) => T): T {
  return db.transaction((tx) => {
    const before = tx.select().from(requests).where(eq(requests.id, id)).get();
    if (before) {
      if (before.what !== what)
        throw new RequestRefusal('bad-input', 'id: this request was for something else.', { field: 'id' });
      return before.answer as T;
    }
    const answer = doIt(tx);
    const now = new Date();
    tx.insert(requests).values({ id, what, answer, at: now.toISOString() }).run();
    const old = new Date(now.getTime() - KEPT_DAYS * 86_400_000).toISOString();
    tx.delete(requests).where(lt(requests.at, old)).run();
    return answer;
  });
}
