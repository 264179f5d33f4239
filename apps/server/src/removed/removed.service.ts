import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, isNotNull, sql } from 'drizzle-orm';
import type { RemovedItem } from '@temnex/contract';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { movements, pages, papers, photos, stock } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { findOffcutsOfUndoneCuts, recordMovement, markPaperChanged } from '../papers/movements.ts';

/** So many of the things taken out last are listed. */
const LISTED = 100;

/** What was taken out, and bringing it back. */
@Injectable()
export class RemovedService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  list(): RemovedItem[] {
    const name = sql<string>`coalesce(json_extract(${pages.summary}, '$.name'), 'A page that cannot be read')`;
    const all: RemovedItem[] = [
      ...this.db
        .select({ id: pages.id, name, removedAt: pages.removedAt })
        .from(pages)
        .where(isNotNull(pages.removedAt))
        .all()
        .map((row) => ({ kind: 'page' as const, ...row, removedAt: row.removedAt! })),
      ...this.db
        .select({ id: photos.id, name: photos.name, removedAt: photos.removedAt })
        .from(photos)
        .where(isNotNull(photos.removedAt))
        .all()
        .map((row) => ({ kind: 'photo' as const, ...row, removedAt: row.removedAt! })),
      ...this.db
        .select({ id: papers.id, name: papers.name, removedAt: papers.removedAt })
        .from(papers)
        .where(isNotNull(papers.removedAt))
        .all()
        .map((row) => ({ kind: 'paper' as const, ...row, removedAt: row.removedAt! })),
      ...this.db
        .select({
          id: stock.id,
          name: papers.name,
          removedAt: stock.removedAt,
          width: stock.width,
          height: stock.height,
          unit: stock.unit,
        })
        .from(stock)
        .innerJoin(papers, eq(papers.id, stock.paper))
        .where(and(isNotNull(stock.removedAt), eq(stock.quantity, 0)))
        .all()
        .map((row) => ({
          kind: 'stock' as const,
          ...row,
          removedAt: row.removedAt!,
          width: String(row.width),
          height: String(row.height),
          count: this.lastTaking(this.db, row.id).count,
        })),
    ];
    return all.sort((a, b) => (a.removedAt < b.removedAt ? 1 : -1)).slice(0, LISTED);
  }

  page(id: string, request: string): void {
    withIdempotencyKey(this.db, request, `page ${id} brought back`, (tx) => {
      const back = tx.update(pages).set({ removedAt: null }).where(eq(pages.id, id)).returning({ id: pages.id }).get();
      if (!back) throw notFound('page');
      return null;
    });
  }

  photo(id: string, request: string): void {
    withIdempotencyKey(this.db, request, `photo ${id} brought back`, (tx) => {
      if (!tx.update(photos).set({ removedAt: null }).where(eq(photos.id, id)).returning({ id: photos.id }).get())
        throw notFound('photo');
      return null;
    });
  }

  paper(id: string, request: string): void {
    withIdempotencyKey(this.db, request, `paper ${id} brought back`, (tx) => {
      const back = tx.update(papers).set({ removedAt: null }).where(eq(papers.id, id)).returning().get();
      if (!back) throw notFound('paper');
      markPaperChanged(tx, id);
      return null;
    });
  }

  /** As many of it as were taken out. */
  stock(id: string, request: string): void {
    withIdempotencyKey(this.db, request, `stock ${id} brought back`, (tx) => {
      const row = tx.select().from(stock).where(eq(stock.id, id)).get();
      if (!row) throw notFound('paper in the drawer');
      if (!row.removedAt || row.quantity)
        throw new RequestRefusal('stock-changed', 'It is in the drawer, or was used since; nothing was changed.');
      if (findOffcutsOfUndoneCuts(tx, [id]).length)
        throw new RequestRefusal(
          'stock-changed',
          'It was left by a cut that has been taken back since: its sheet is whole again.',
        );
      // of a step that took it, so that undoing the step does not bring it back once more
      const { count, step } = this.lastTaking(tx, id);
      recordMovement(tx, row, count, 'taken-back', { at: new Date().toISOString(), ...(step ? { step } : {}) });
      return null;
    });
  }

  /** How many the last taking out took, and in which step. */
  private lastTaking(db: Database | Transaction, id: string): { count: number; step: string | null } {
    const last = db
      .select({ by: movements.by, step: movements.step })
      .from(movements)
      .where(and(eq(movements.stock, id), eq(movements.why, 'taken')))
      .orderBy(desc(movements.at), desc(sql`rowid`))
      .limit(1)
      .get();
    return { count: Math.max(1, -(last?.by ?? -1)), step: last?.step ?? null };
  }
}
