import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, gt, inArray, isNull, sql, type SQL } from 'drizzle-orm';
import { sortForDrawer, stockItemSchema, type Drawer, type StockItem } from '@temnex/core/stock';
import { issueFromZod } from '@temnex/core/planner';
import { TERMINAL, describeIssue, formatPath } from '@temnex/words';
import {
  movementSchema,
  type ChangePaper,
  type ChangeStock,
  type DrawerQuery,
  type DrawerRecord,
  type Movement,
  type NewMovement,
  type NewPaper,
  type NewStock,
  type PaperRecord,
  type UnreadableStock,
} from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { book, movements, papers, stock } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { recordMovement, markPaperChanged } from './movements.ts';
import { createPaper, createStock, factsOf } from './putIn.ts';
import { checkRow, paperOf, presentPaper, stockItemOf, type CheckedRow } from './rows.ts';

/** From so many on, rows are read all at once. */
const MANY = 200;
/** Papers and the drawer. */
@Injectable()
export class PapersService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /**
   * What is there, or what of it has changed since somebody saw it. One row that cannot be read never closes the drawer: it is told
   * as it stands.
   */
  drawer({ book: seen, since }: DrawerQuery = {}): DrawerRecord {
    const { name, seq } = this.db.select().from(book).get() ?? { name: '', seq: 0 };
    const whole = since === undefined || seen !== name || since > seq;
    const changed = this.db
      .select()
      .from(papers)
      .where(whole ? undefined : gt(papers.seq, since))
      .orderBy(papers.name)
      .all();
    const there = new Set(
      this.db
        .select({ id: papers.id })
        .from(papers)
        .where(isNull(papers.removedAt))
        .all()
        .map((p) => p.id),
    );
    const items: StockItem[] = [];
    const unreadable: UnreadableStock[] = [];
    const gone: string[] = [];
    for (const { id, paper, item, why } of this.rowsNow(whole ? gt(stock.quantity, 0) : gt(stock.seq, since))) {
      if (item.quantity === 0 || !there.has(paper)) {
        if (!whole) gone.push(id);
      } else if (why === null) items.push(item);
      else {
        const { unit, width, height } = item;
        unreadable.push({
          id,
          paper,
          unit: unit === 'mm' ? 'mm' : 'in',
          width: String(width),
          height: String(height),
          why,
        });
      }
    }
    return {
      book: name,
      seq,
      whole,
      papers: changed.filter((p) => p.removedAt === null).map(paperOf),
      stock: sortForDrawer(items),
      unreadable,
      gone: { papers: whole ? [] : changed.filter((p) => p.removedAt !== null).map((p) => p.id), stock: gone },
    };
  }

  /** What there is of some papers: of a full drawer, what a page needs of it. */
  drawerOf(wanted: readonly string[]): Drawer & { readonly papers: readonly PaperRecord[] } {
    const known = this.papers().filter((p) => wanted.includes(p.id));
    const rows = this.rowsNow(
      and(
        inArray(
          stock.paper,
          known.map((p) => p.id),
        ),
        gt(stock.quantity, 0),
      ),
    );
    const items = rows.filter(({ why }) => why === null).map(({ item }) => item);
    return { papers: known, stock: sortForDrawer(items) };
  }

  /** Rows that were looked into, as they were then: of a full drawer hardly any has changed. */
  private readonly known = new Map<string, CheckedRow>();

  /** The rows of the drawer that something holds for; those that have not changed since they were looked into are not read again. */
  private rowsNow(where: SQL | undefined): CheckedRow[] {
    const all = this.db.select({ id: stock.id, seq: stock.seq }).from(stock).where(where).all();
    const changed = all.filter(({ id, seq }) => this.known.get(id)?.seq !== seq);
    const ids = changed.map(({ id }) => id);
    // those that have changed by their names where they are few, else all of them
    const isOne = ids.length > MANY ? where : inArray(stock.id, ids);
    const rows = ids.length ? this.db.select().from(stock).where(isOne).all() : [];
    for (const row of rows) if (this.known.get(row.id)?.seq !== row.seq) this.known.set(row.id, checkRow(row));
    return all.map(({ id }) => this.known.get(id)!);
  }

  /** Items by their ids, also those that are used up. */
  itemsBy(ids: readonly string[]): ReadonlyMap<string, StockItem> {
    return new Map(this.rowsNow(inArray(stock.id, [...ids])).map(({ id, item }) => [id, item]));
  }

  /** The same without those that cannot be read. */
  readableItemsBy(ids: readonly string[]): ReadonlyMap<string, StockItem> {
    const rows = this.rowsNow(inArray(stock.id, [...ids])).filter(({ why }) => why === null);
    return new Map(rows.map(({ id, item }) => [id, item]));
  }

  /** Looks into all there is, a few at a time so that requests are answered meanwhile: who opens the drawer first need not wait for it. */
  async warm(): Promise<void> {
    const all = this.db.select({ id: stock.id }).from(stock).where(gt(stock.quantity, 0)).all();
    for (let from = 0; from < all.length; from += MANY) {
      const ids = all.slice(from, from + MANY).map(({ id }) => id);
      this.rowsNow(inArray(stock.id, ids));
      await new Promise((later) => setImmediate(later));
    }
  }

  papers(): PaperRecord[] {
    return this.db.select().from(papers).where(isNull(papers.removedAt)).orderBy(papers.name).all().map(paperOf);
  }

  /** Every place in which something is kept. */
  places(): string[] {
    const own = this.db.selectDistinct({ place: stock.place }).from(stock).where(gt(stock.quantity, 0)).all();
    const all = [...own, ...this.papers()].flatMap(({ place }) => (place ? [place] : []));
    return [...new Set(all)];
  }

  addPaper(paper: NewPaper): PaperRecord {
    return withIdempotencyKey(this.db, paper.id, 'paper', (tx) => createPaper(tx, paper, new Date().toISOString()));
  }

  /** Its name, its faces: how it looks, how it runs. */
  changePaper(id: string, { name, sides, ...facts }: ChangePaper): PaperRecord {
    const row = this.db
      .update(papers)
      .set({ name, sides, ...factsOf(facts), revision: sql`${papers.revision} + 1` })
      .where(presentPaper(id))
      .returning()
      .get();
    if (!row) throw notFound('paper');
    return paperOf(row);
  }

  /** Taken out with all there is of it, to be brought back. */
  removePaper(id: string): void {
    const removedAt = new Date().toISOString();
    const gone = this.db
      .update(papers)
      .set({ removedAt, revision: sql`${papers.revision} + 1` })
      .where(presentPaper(id))
      .returning({ id: papers.id })
      .get();
    if (!gone) throw notFound('paper');
  }

  addStock(item: NewStock): StockItem {
    return withIdempotencyKey(this.db, item.id, 'stock', (tx) => {
      const [made] = createStock(tx, [item], () => 'paper', { at: new Date().toISOString() });
      return made!;
    });
  }

  changeStock(id: string, change: ChangeStock): StockItem {
    return this.db.transaction((tx) => {
      const row = tx.select().from(stock).where(eq(stock.id, id)).get();
      if (!row) throw notFound('paper in the drawer');
      if (!Object.keys(change).length) return stockItemOf(row);
      const changed = stockItemSchema.safeParse({
        ...stockItemOf(row),
        quantity: Math.max(1, row.quantity),
        ...change,
        ...(change.outline === null ? { outline: undefined } : {}),
      });
      if (!changed.success) {
        const issue = issueFromZod(changed.error.issues[0]!);
        throw new RequestRefusal('bad-input', describeIssue(issue, TERMINAL), { field: formatPath(issue.path) });
      }
      markPaperChanged(tx, row.paper);
      return stockItemOf(tx.update(stock).set(change).where(eq(stock.id, id)).returning().get());
    });
  }

  /** More or fewer of an item; what there is can never be less than nothing. */
  moveStock(id: string, change: NewMovement): StockItem {
    return withIdempotencyKey(this.db, change.id, `movement of ${id}`, (tx) => {
      const row = tx.select().from(stock).where(eq(stock.id, id)).get();
      if (!row) throw notFound('paper in the drawer');
      const by =
        change.why === 'corrected' ? change.to - row.quantity : change.why === 'taken' ? -change.by : change.by;
      if (row.quantity + by < 0)
        throw new RequestRefusal('stock-changed', `There are only ${row.quantity} of it left.`, { field: 'by' });
      recordMovement(tx, row, by, change.why, { id: change.id, at: new Date().toISOString() });
      return stockItemOf({ ...row, quantity: row.quantity + by });
    });
  }

  historyOf(id: string): Movement[] {
    if (!this.db.select({ id: stock.id }).from(stock).where(eq(stock.id, id)).get())
      throw notFound('paper in the drawer');
    return this.db
      .select()
      .from(movements)
      .where(eq(movements.stock, id))
      .orderBy(desc(movements.at), desc(sql`rowid`))
      .all()
      .filter((movement) => movementSchema.safeParse(movement).success);
  }

  /** Taken out by being used up: cuts that came from it can still be undone. */
  removeStock(id: string): void {
    this.db.transaction((tx) => {
      const row = tx.select().from(stock).where(eq(stock.id, id)).get();
      if (!row) throw notFound('paper in the drawer');
      const at = new Date().toISOString();
      if (row.quantity === 0) return;
      // of how many cannot be read, none are left
      if (Number.isNaN(row.quantity)) tx.update(stock).set({ quantity: 0 }).where(eq(stock.id, id)).run();
      else recordMovement(tx, row, -row.quantity, 'taken', { at });
      tx.update(stock).set({ removedAt: at }).where(eq(stock.id, id)).run();
    });
  }
}
