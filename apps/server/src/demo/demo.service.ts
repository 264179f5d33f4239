import { Inject, Injectable } from '@nestjs/common';
import { eq, inArray, notInArray, and, sql } from 'drizzle-orm';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { once } from '../database/once.ts';
import { cuttings, pages, papers, stock } from '../database/schema.ts';
import { summaryOf } from '../pages/summary.ts';
import { putIn } from '../papers/papers.service.ts';
import { DEMO_PAGE_ID, demoPage, demoPapers, demoStock } from './demo.ts';

/** The example: a page and a drawer of its own, put in and taken out as one. */
@Injectable()
export class DemoService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  present(): boolean {
    return this.db.select({ id: pages.id }).from(pages).where(eq(pages.demo, true)).limit(1).get() !== undefined;
  }

  put(request: string): { present: boolean } {
    return once(this.db, request, 'demo', (tx) => {
      const now = new Date().toISOString();
      const mark = { demo: true, createdAt: now };
      this.removeFrom(tx);
      for (const paper of demoPapers())
        tx.insert(papers)
          .values({ ...paper, ...mark })
          .onConflictDoUpdate({
            target: papers.id,
            set: { sides: paper.sides, name: paper.name, revision: sql`${papers.revision} + 1` },
          })
          .run();
      for (const item of demoStock()) putIn(tx, { ...item, demo: true }, 'added', now);
      const document = demoPage();
      tx.insert(pages)
        .values({ id: DEMO_PAGE_ID, version: 1, document, summary: summaryOf(document), ...mark, updatedAt: now })
        .run();
      return { present: true };
    });
  }

  take(): void {
    this.db.transaction((tx) => this.removeFrom(tx));
  }

  /** Removes the demo, but not papers that a person's own stock or pages have come to stand on. */
  private removeFrom(tx: Transaction): void {
    const demoPages = tx
      .select({ id: pages.id })
      .from(pages)
      .where(eq(pages.demo, true))
      .all()
      .map((p) => p.id);
    tx.delete(pages).where(eq(pages.demo, true)).run();
    if (demoPages.length) {
      const cuts = tx.select({ kept: cuttings.kept }).from(cuttings).where(inArray(cuttings.page, demoPages)).all();
      const offcuts = cuts.flatMap((c) => c.kept);
      if (offcuts.length) tx.delete(stock).where(inArray(stock.id, offcuts)).run();
      tx.delete(cuttings).where(inArray(cuttings.page, demoPages)).run();
    }
    tx.delete(stock).where(eq(stock.demo, true)).run();
    const inUse = tx
      .selectDistinct({ paper: stock.paper })
      .from(stock)
      .all()
      .map((s) => s.paper);
    const named = tx
      .select({ document: sql<string>`cast(${pages.document} as text)` })
      .from(pages)
      .all()
      .map((p) => p.document)
      .join();
    const demoPaperIds = tx
      .select({ id: papers.id })
      .from(papers)
      .where(eq(papers.demo, true))
      .all()
      .map((p) => p.id);
    const free = demoPaperIds.filter((id) => !inUse.includes(id) && !named.includes(`"${id}"`));
    if (free.length)
      tx.delete(papers)
        .where(and(inArray(papers.id, free), notInArray(papers.id, inUse.length ? inUse : [''])))
        .run();
  }
}
