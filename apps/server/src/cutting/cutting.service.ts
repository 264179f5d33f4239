import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, gt, gte, inArray, isNull, or, sql } from 'drizzle-orm';
import { effectsOf, sizeOfItem, type Job } from '@temnex/core';
import type { Cut, CuttingRecord } from '@temnex/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { cuttings, stock } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';
import { stockItemOf } from '../papers/papers.service.ts';
import { PlansService, jobOf } from '../plans/plans.service.ts';

/** Carries plans out in the books: one transaction each, all of it or nothing. */
@Injectable()
export class CuttingService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PlansService) private readonly plans: PlansService,
  ) {}

  ofPage(page: string): CuttingRecord[] {
    return this.db.select().from(cuttings).where(eq(cuttings.page, page)).orderBy(desc(cuttings.cutAt)).all();
  }

  cut(plan: string, soFar: Cut): CuttingRecord {
    const record = this.plans.get(plan);
    const job = jobOf(record);
    const now = new Date().toISOString();
    const effects = effectsOf(job, record.plan, record.page, now.slice(0, 10), soFar);
    if (!effects.used.length) throw new Refused('nothing-cut', 'Nothing of this cutting order is cut yet.');
    return this.db.transaction((tx) => {
      // what was cut since this order was made is not known to it
      const since = tx
        .select({ id: cuttings.id })
        .from(cuttings)
        .where(
          and(
            eq(cuttings.page, record.page),
            isNull(cuttings.undoneAt),
            or(eq(cuttings.plan, plan), gt(cuttings.cutAt, record.createdAt)),
          ),
        )
        .all();
      if (since.length)
        throw new Refused(
          'already-cut',
          'Some of these pieces are already cut. Make a new cutting order for what is left.',
        );
      for (const { stock: id, count } of effects.used) {
        const row = tx.select().from(stock).where(eq(stock.id, id)).get();
        if (!row || row.quantity < count || row.reserved || !sameSize(job, stockItemOf(row))) {
          throw new Refused(
            'stock-changed',
            'The drawer has changed since this cutting order was made. Make a new one.',
          );
        }
        tx.update(stock)
          .set({ quantity: sql`${stock.quantity} - ${count}` })
          .where(and(eq(stock.id, id), gte(stock.quantity, count)))
          .run();
      }
      const kept = effects.kept.map((item) => ({ ...item, id: randomUUID(), createdAt: now }));
      if (kept.length) tx.insert(stock).values(kept).run();
      const row: CuttingRecord = {
        id: randomUUID(),
        page: record.page,
        plan,
        cutAt: now,
        undoneAt: null,
        parts: [...effects.parts],
        used: [...effects.used],
        kept: kept.map((k) => k.id),
      };
      tx.insert(cuttings).values(row).run();
      return row;
    });
  }

  /** Takes a cut back as if it had not happened, unless one of its offcuts has been used since. */
  undo(id: string): CuttingRecord {
    return this.db.transaction((tx) => {
      const row = tx.select().from(cuttings).where(eq(cuttings.id, id)).get();
      if (!row) throw notFound('cut');
      if (row.undoneAt) throw new Refused('already-undone', 'This cut was taken back before.');
      const offcuts = row.kept.length ? tx.select().from(stock).where(inArray(stock.id, row.kept)).all() : [];
      if (offcuts.some((o) => o.quantity !== 1))
        throw new Refused(
          'offcut-used',
          'An offcut of this cut has been used or taken out since, so it cannot be taken back.',
        );
      if (row.kept.length) tx.delete(stock).where(inArray(stock.id, row.kept)).run();
      for (const { stock: item, count } of row.used)
        tx.update(stock)
          .set({ quantity: sql`${stock.quantity} + ${count}` })
          .where(eq(stock.id, item))
          .run();
      const undoneAt = new Date().toISOString();
      tx.update(cuttings).set({ undoneAt }).where(eq(cuttings.id, id)).run();
      return { ...row, undoneAt };
    });
  }
}

/** Whether the drawer still holds what the job counted on: same paper, size and way it lies. */
function sameSize(job: Job, item: ReturnType<typeof stockItemOf>): boolean {
  const asked = job.stock.find((s) => s.id === item.id);
  const now = sizeOfItem(item);
  return (
    asked !== undefined &&
    asked.paper.id === item.paper &&
    asked.width === now.width &&
    asked.height === now.height &&
    asked.turned === item.turned
  );
}
