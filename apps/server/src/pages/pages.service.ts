import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { derivePage, migratePage, pageSchema, type Page } from '@temnex/core';
import type { PageRecord, PageSummary, SavePage } from '@temnex/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { cuttings, pages, plans } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';

type Row = typeof pages.$inferSelect;

const recordOf = ({ createdAt: _createdAt, ...row }: Row): PageRecord => ({
  ...row,
  document: pageSchema.parse(migratePage(row.document)),
});

@Injectable()
export class PagesService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  list(): PageSummary[] {
    const planned = new Map(
      this.db
        .select({ page: plans.page, version: plans.pageVersion })
        .from(plans)
        .orderBy(plans.createdAt)
        .all()
        .map((p) => [p.page, p.version]),
    );
    const cut = new Set(
      this.db
        .select({ page: cuttings.page })
        .from(cuttings)
        .where(isNull(cuttings.undoneAt))
        .all()
        .map((c) => c.page),
    );
    return this.db.select().from(pages).orderBy(desc(pages.updatedAt)).all().map((row) => {
      const { document, ...record } = recordOf(row);
      const derived = derivePage(document);
      const chosen = derived.pieces.every((p) => p.wish);
      const stage = cut.has(row.id) ? 'cut' : planned.get(row.id) === row.version ? 'planned' : chosen ? 'papers' : 'sizing';
      return { id: record.id, name: document.name, width: String(document.width), height: String(document.height), unit: document.unit, parts: derived.parts.length, demo: record.demo, updatedAt: record.updatedAt, stage };
    }); // prettier-ignore
  }

  get(id: string): PageRecord {
    const row = this.db.select().from(pages).where(eq(pages.id, id)).get();
    if (!row) throw notFound('page');
    return recordOf(row);
  }

  create(document: Page, demo = false): PageRecord {
    const now = new Date().toISOString();
    const row: Row = { id: randomUUID(), version: 1, document, demo, createdAt: now, updatedAt: now };
    this.db.insert(pages).values(row).run();
    return recordOf(row);
  }

  /** Saves over exactly the version it was made from; otherwise refuses, with what is stored now. */
  save(id: string, { version, document }: SavePage): PageRecord {
    const row = this.db
      .update(pages)
      .set({ document, version: version + 1, updatedAt: new Date().toISOString() })
      .where(and(eq(pages.id, id), eq(pages.version, version)))
      .returning()
      .get();
    if (row) return recordOf(row);
    const current = this.get(id);
    throw new Refused(
      'stale',
      'This page was changed elsewhere since you opened it. Both versions are kept until you choose.',
      { current },
    );
  }

  remove(id: string): void {
    const gone = this.db.delete(pages).where(eq(pages.id, id)).returning({ id: pages.id }).get();
    if (!gone) throw notFound('page');
  }
}
