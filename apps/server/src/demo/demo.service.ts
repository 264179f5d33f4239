import { Inject, Injectable } from '@nestjs/common';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { StockItem } from '@temnex/core/stock';
import type { Plan } from '@temnex/core/planner';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { cuttings, movements, pages, papers, photos, plans, sessions, stock } from '../database/schema.ts';
import { summarizePage } from '../pages/summary.ts';
import { insertStock } from '../papers/putIn.ts';
import { stockItemOf } from '../papers/rows.ts';
import { demoPapers, demoStock } from './demoDrawer.ts';
import { demoPages } from './demoPages.ts';
import { demoPhotos } from './demoPhotos.ts';

/** The example: its pages and a drawer of its own, put in and taken out as one. */
@Injectable()
export class DemoService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  present(): boolean {
    return this.db.select({ id: pages.id }).from(pages).where(UNTOUCHED).limit(1).get() !== undefined;
  }

  put(request: string, afresh = false): { present: boolean } {
    return withIdempotencyKey(this.db, request, 'demo', (tx) => {
      const now = new Date().toISOString();
      const mark = { demo: true, createdAt: now };
      if (afresh) forget(tx);
      this.removeFrom(tx);
      // what somebody made their own stays as it is
      for (const paper of demoPapers())
        tx.insert(papers)
          .values({ ...paper, ...mark })
          .onConflictDoUpdate({ target: papers.id, set: { removedAt: null } })
          .run();
      const there = new Set(
        tx
          .select({ id: stock.id })
          .from(stock)
          .all()
          .map((s) => s.id),
      );
      const missing = demoStock().filter((item) => !there.has(item.id));
      insertStock(
        tx,
        missing.map((item) => ({ ...item, demo: true })),
        'added',
        { at: now },
      );
      for (const { photo } of demoPhotos) {
        const { id, file, name, width, height, addedAt, demo, ...facts } = photo;
        const row = { id, file, name, width, height, bytes: 0, facts, demo, addedAt };
        tx.insert(photos)
          .values(row)
          .onConflictDoUpdate({ target: photos.id, set: { removedAt: null } })
          .run();
      }
      // the one to begin with is the one last touched
      demoPages().forEach(({ id, document }, i) => {
        const updatedAt = new Date(Date.parse(now) - i).toISOString();
        const page = { version: 1, document, summary: summarizePage(document), ...mark, updatedAt };
        tx.insert(pages)
          .values({ id: freeId(tx, id), ...page })
          .run();
      });
      return { present: true };
    });
  }

  take(): void {
    this.db.transaction((tx) => this.removeFrom(tx));
  }

  /**
   * Takes the demo out as far as nobody has touched it. A page that was changed or cut for, or is being cut, stays, as the person's own,
   * with the papers it wishes for, what its cuts used and left, so that they can still be undone, and what its order is cut from.
   */
  private removeFrom(tx: Transaction): void {
    const cut = new Set(
      tx
        .select({ page: cuttings.page })
        .from(cuttings)
        .all()
        .map((c) => c.page),
    );
    const demoPages = tx.select().from(pages).where(eq(pages.demo, true)).all();
    const atTheTrimmer = tx.select().from(sessions).where(isNull(sessions.endedAt)).all();
    const beingCut = new Set(atTheTrimmer.flatMap((session) => session.pages.split(' ')));
    const touched = demoPages.filter((p) => p.version > 1 || cut.has(p.id) || beingCut.has(p.id)).map((p) => p.id);
    if (touched.length) tx.update(pages).set({ demo: false }).where(inArray(pages.id, touched)).run();
    tx.delete(pages).where(eq(pages.demo, true)).run();

    const named = tx
      .select({ document: sql<string>`cast(${pages.document} as text)` })
      .from(pages)
      .all()
      .map((p) => p.document)
      .join();
    // of photos those that nobody has said anything else of
    const asDrawn = new Map(demoPhotos.map(({ photo }) => [photo.id, photo]));
    for (const { id, facts } of tx.select().from(photos).where(eq(photos.demo, true)).all()) {
      const drawn = asDrawn.get(id);
      const same = drawn && (Object.keys(facts) as (keyof typeof facts)[]).every((k) => JSON.stringify(facts[k]) === JSON.stringify(drawn[k])); // prettier-ignore
      const shown = named.includes(JSON.stringify(id));
      if (same && !shown) tx.delete(photos).where(eq(photos.id, id)).run();
      else tx.update(photos).set({ demo: false }).where(eq(photos.id, id)).run();
    }

    const moved = new Set(
      tx
        .select({ stock: movements.stock })
        .from(movements)
        .groupBy(movements.stock)
        .having(sql`count(*) > 1`)
        .all()
        .map((m) => m.stock),
    );
    // what is there goes where it lies as it was put in
    const asPut = new Map(demoStock().map((item) => [item.id, alike(item)]));
    const demoItems = tx.select().from(stock).where(eq(stock.demo, true)).all();
    const orders = [...new Set(atTheTrimmer.flatMap((session) => session.plans))];
    const plansNow = orders.length ? tx.select().from(plans).where(inArray(plans.id, orders)).all() : [];
    const wantedNow = new Set(plansNow.flatMap(({ plan }) => (plan as Plan).sheets.map((sheet) => sheet.stock)));
    const going = demoItems
      .filter((row) => !moved.has(row.id) && !wantedNow.has(row.id) && asPut.get(row.id) === alike(stockItemOf(row)))
      .map((row) => row.id);
    if (going.length) tx.delete(stock).where(inArray(stock.id, going)).run();
    tx.update(stock).set({ demo: false }).where(eq(stock.demo, true)).run();
    const inUse = new Set(
      tx
        .selectDistinct({ paper: stock.paper })
        .from(stock)
        .all()
        .map((s) => s.paper),
    );
    const wanted = (paper: string) => named.includes(JSON.stringify(paper));
    const asMade = new Map(demoPapers().map(({ id, name, sides }) => [id, JSON.stringify([name, sides])]));
    const free = tx
      .select()
      .from(papers)
      .where(eq(papers.demo, true))
      .all()
      .filter(
        ({ id, name, sides }) => !inUse.has(id) && !wanted(id) && asMade.get(id) === JSON.stringify([name, sides]),
      )
      .map((p) => p.id);
    if (free.length) tx.delete(papers).where(inArray(papers.id, free)).run();
    tx.update(papers).set({ demo: false }).where(eq(papers.demo, true)).run();
  }
}

/** Takes everything of the example out for good, whatever became of it, but papers that are used elsewhere. */
function forget(tx: Transaction): void {
  const ids = demoPages().map((page) => page.id);
  const cuts = tx.select({ kept: cuttings.kept }).from(cuttings).where(inArray(cuttings.page, ids)).all();
  const gone = [...demoStock().map((s) => s.id), ...cuts.flatMap((c) => c.kept)];
  tx.delete(cuttings).where(inArray(cuttings.page, ids)).run();
  tx.delete(sessions).where(inArray(sessions.page, ids)).run();
  tx.delete(stock).where(inArray(stock.id, gone)).run();
  tx.delete(pages).where(inArray(pages.id, ids)).run();
  tx.delete(photos)
    .where(inArray(photos.id, demoPhotos.map(({ photo }) => photo.id)))
    .run(); // prettier-ignore
  for (const { id, name, sides } of demoPapers())
    tx.update(papers)
      .set({ name, sides, removedAt: null, revision: sql`${papers.revision} + 1` })
      .where(eq(papers.id, id))
      .run();
}

/** An item as a text, to be compared: whatever the order of its keys, and the day it came, which the first examples did not say. */
const alike = ({ came: _came, ...item }: StockItem): string =>
  JSON.stringify(Object.entries(item).sort(([a], [b]) => (a < b ? -1 : 1)));

/** A page of the example that is there, and has not been taken out. */
const UNTOUCHED = and(eq(pages.demo, true), isNull(pages.removedAt));

/** The id, or with a number where somebody has made that page their own. */
function freeId(tx: Transaction, id: string): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? id : `${id}-${n}`;
    if (!tx.select({ id: pages.id }).from(pages).where(eq(pages.id, name)).get()) return name;
  }
}
