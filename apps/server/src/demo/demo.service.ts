import { Inject, Injectable } from '@nestjs/common';
import { eq, inArray, notInArray, and, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { cuttings, pages, papers, stock } from '../database/schema.ts';
import { DEMO_PAGE_ID, demoPage, demoPapers, demoStock } from './demo.ts';

/** The example: a page and a drawer of its own, put in and taken out as one. */
@Injectable()
export class DemoService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  present(): boolean {
    return this.db.select({ id: pages.id }).from(pages).where(eq(pages.demo, true)).limit(1).get() !== undefined;
  }

  put(): void {
    const now = new Date().toISOString();
    const mark = { demo: true, createdAt: now };
    this.db.transaction((tx) => {
      this.removeFrom(tx);
      for (const paper of demoPapers())
        tx.insert(papers)
          .values({ ...paper, ...mark })
          .onConflictDoUpdate({ target: papers.id, set: { sides: paper.sides, name: paper.name } })
          .run();
      tx.insert(stock)
        .values(demoStock().map((item) => ({ ...item, ...mark })))
        .run();
      tx.insert(pages)
        .values({ id: DEMO_PAGE_ID, version: 1, document: demoPage(), ...mark, updatedAt: now })
        .run();
    });
  }

  take(): void {
    this.db.transaction((tx) => this.removeFrom(tx));
  }

  /** Removes the demo, but not papers that a person's own stock or pages have come to stand on. */
  private removeFrom(tx: Parameters<Parameters<Database['transaction']>[0]>[0]): void {
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
