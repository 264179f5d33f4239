import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { basisOf, migratePage, pageSchema, stageOf, type Basis, type Page } from '@temnex/core';
import type { CreatePage, CuttingRecord, PageRecord, PageSummary, SavePage } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { once } from '../database/once.ts';
import { cuttings, habits, pages, papers, plans } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';
import { summaryOf } from './summary.ts';

type Row = typeof pages.$inferSelect;

const recordOf = ({ createdAt: _createdAt, summary: _summary, ...row }: Row): PageRecord => ({
  ...row,
  document: pageSchema.parse(migratePage(row.document)),
});

@Injectable()
export class PagesService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** From what was kept with each page when it was saved: none is worked out again. */
  list(): PageSummary[] {
    const planned = new Map<string, Basis>(
      this.db
        .select({ page: plans.page, basis: plans.basis })
        .from(plans)
        .orderBy(plans.createdAt, sql`rowid`)
        .all()
        .map((p) => [p.page, p.basis]),
    );
    const cut = new Map<string, { id: string; pieces: CuttingRecord['pieces'] }[]>();
    for (const { page, ...row } of this.db
      .select({ id: cuttings.id, page: cuttings.page, pieces: cuttings.pieces })
      .from(cuttings)
      .where(isNull(cuttings.undoneAt))
      .all())
      cut.set(page, [...(cut.get(page) ?? []), row]);
    const revisions = this.db.select({ id: papers.id, revision: papers.revision }).from(papers).all();
    const habitsNow = this.db.select({ version: habits.version }).from(habits).get()?.version ?? 0;
    const rows = this.db
      .select({
        id: pages.id,
        version: pages.version,
        demo: pages.demo,
        updatedAt: pages.updatedAt,
        summary: pages.summary,
      })
      .from(pages)
      .orderBy(desc(pages.updatedAt))
      .all();
    return rows.map(({ id, version, demo, updatedAt, summary }) => {
      const cuts = cut.get(id) ?? [];
      const now = basisOf(
        version,
        summary.pieces,
        revisions,
        habitsNow,
        cuts.map((c) => c.id),
      );
      const { name, width, height, unit, parts } = summary;
      const stage = stageOf(
        { ...summary, spares: summary.spares ?? [] },
        cuts.flatMap((c) => standing(c.pieces)),
        planned.get(id) ?? null,
        now,
      );
      return { id, name, width, height, unit, parts, demo, updatedAt, stage };
    });
  }

  get(id: string): PageRecord {
    const row = this.db.select().from(pages).where(eq(pages.id, id)).get();
    if (!row) throw notFound('page');
    return recordOf(row);
  }

  create({ id, document }: CreatePage): PageRecord {
    return once(this.db, id, 'page', (tx) => {
      const now = new Date().toISOString();
      const row: Row = {
        id,
        version: 1,
        document,
        summary: summaryOf(document),
        demo: false,
        createdAt: now,
        updatedAt: now,
      };
      tx.insert(pages).values(row).run();
      return recordOf(row);
    });
  }

  /** Saves over exactly the version it was made from; otherwise refuses, with what is stored now. */
  save(id: string, { version, document }: SavePage): PageRecord {
    const row = this.db
      .update(pages)
      .set({ document, summary: summaryOf(document), version: version + 1, updatedAt: new Date().toISOString() })
      .where(and(eq(pages.id, id), eq(pages.version, version)))
      .returning()
      .get();
    if (row) return recordOf(row);
    const current = this.get(id);
    // the same save sent again, because its answer was lost, has been done
    if (current.version === version + 1 && same(current.document, document)) return current;
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

const same = (a: Page, b: Page): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Pieces of a cut that have not become scraps since. */
export const standing = (pieces: CuttingRecord['pieces']): CuttingRecord['pieces'] => pieces.filter((p) => !p.scrap);
