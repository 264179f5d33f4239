import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { eq, gt } from 'drizzle-orm';
import { NO_TRIM, inDrawerOrder, type Habits, type Paper, type StockItem, USUAL_HABITS } from '@temnex/core';
import type { ChangeStock, DrawerRecord, NewPaper, NewStock } from '@temnex/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { habits, papers, stock } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';

type StockRow = typeof stock.$inferSelect;

export const stockItemOf = ({
  demo: _demo,
  createdAt: _createdAt,
  origin,
  outline,
  uncut,
  ...row
}: StockRow): StockItem => ({
  ...row,
  ...(outline ? { outline } : {}),
  ...(uncut?.length ? { uncut } : {}),
  origin: origin ?? null,
});

/** Papers, the drawer, and the habits of the person who cuts. */
@Injectable()
export class PapersService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  drawer(): DrawerRecord {
    return {
      papers: this.db
        .select({ id: papers.id, name: papers.name, sides: papers.sides })
        .from(papers)
        .orderBy(papers.name)
        .all(),
      stock: inDrawerOrder(this.db.select().from(stock).where(gt(stock.quantity, 0)).all().map(stockItemOf)),
    };
  }

  addPaper(paper: NewPaper): Paper {
    const added = { id: randomUUID(), ...paper };
    this.db
      .insert(papers)
      .values({ ...added, createdAt: new Date().toISOString() })
      .run();
    return added;
  }

  addStock(item: NewStock): StockItem {
    if (!this.db.select({ id: papers.id }).from(papers).where(eq(papers.id, item.paper)).get())
      throw new Refused('bad-input', `paper: there is no paper "${item.paper}"`, { field: 'paper' });
    const added: StockItem = { trim: NO_TRIM, turned: 0, reserved: false, ...item, id: randomUUID(), origin: null };
    this.db
      .insert(stock)
      .values({ ...added, createdAt: new Date().toISOString() })
      .run();
    return added;
  }

  changeStock(id: string, change: ChangeStock): StockItem {
    const row = this.db.update(stock).set(change).where(eq(stock.id, id)).returning().get();
    if (!row) throw notFound('paper in the drawer');
    return stockItemOf(row);
  }

  /** Taken out by being used up: cuts that came from it can still be undone. */
  removeStock(id: string): void {
    const row = this.db.update(stock).set({ quantity: 0 }).where(eq(stock.id, id)).returning().get();
    if (!row) throw notFound('paper in the drawer');
  }

  habits(): Habits {
    const stored = this.db.select().from(habits).where(eq(habits.id, 1)).get()?.document;
    // habits that were stored before there was a choice about something have the usual one
    return stored ? { ...USUAL_HABITS, ...stored, cutter: { ...USUAL_HABITS.cutter, ...stored.cutter } } : USUAL_HABITS;
  }

  saveHabits(document: Habits): Habits {
    this.db
      .insert(habits)
      .values({ id: 1, document })
      .onConflictDoUpdate({ target: habits.id, set: { document } })
      .run();
    return document;
  }
}
