import { Inject, Injectable } from '@nestjs/common';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import { reservedCountFor } from '@temnex/core/stock';
import { formatPath } from '@temnex/words';
import {
  stepRecordSchema,
  type DrawerStep,
  type Movement,
  type UnreadableRecord,
  type StepChange,
  type StepRecord,
} from '@temnex/contract';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { formatStored } from '../database/readable.ts';
import { pages, papers, steps, stock, type StepLine } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import {
  IDS_PER_QUERY,
  countReturnedByItem,
  reserveItemFor,
  findOffcutsOfUndoneCuts,
  recordMovement,
  insertMovement,
  markPaperChanged,
  type MovementContext,
} from '../papers/movements.ts';
import { createPaper, createStock } from '../papers/putIn.ts';
import { StockChanges } from '../papers/stockChanges.ts';

/** So many of the latest steps are listed. */
const LISTED = 50;

type StockRow = typeof stock.$inferSelect;

/** Many things done to the drawer as one, and undone as one. */
@Injectable()
export class StepsService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  list(): StepRecord[] {
    const { id, says, count, at, undoneAt } = steps;
    return (
      this.db
        .select({ id, says, count, at, undoneAt })
        .from(steps)
        .orderBy(desc(steps.at), desc(sql`rowid`))
        .limit(LISTED)
        .all()
        // of one that cannot be read nobody knows what would be undone
        .filter((step) => stepRecordSchema.safeParse(step).success)
    );
  }

  /** The latest of those that cannot be read. */
  setAside(): UnreadableRecord[] {
    const { id, says, count, at, undoneAt } = steps;
    return this.db
      .select({ id, says, count, at, undoneAt })
      .from(steps)
      .orderBy(desc(sql`rowid`))
      .all()
      .filter((step) => !stepRecordSchema.safeParse(step).success)
      .slice(0, LISTED)
      .map((step) => ({ what: 'step', id: step.id, says: formatStored(`${step.says} ${step.at}`) }));
  }

  /** Throws one away that cannot be read. What it did stays done; nothing could undo it. */
  throwAway(id: string): void {
    if (!this.setAside().some((step) => step.id === id)) throw notFound('step that cannot be read');
    this.db.delete(steps).where(eq(steps.id, id)).run();
  }

  /** All of a step or nothing of it. */
  take({ id, says, papers: made = [], put = [], change = [] }: DrawerStep): StepRecord {
    return withIdempotencyKey(this.db, id, `step: ${says}`, (tx) => {
      const at = new Date().toISOString();
      const more: MovementContext = { step: id, at };
      neverThere(
        tx,
        papers,
        'papers',
        made.map((p) => p.id),
      );
      neverThere(
        tx,
        stock,
        'put',
        put.map((p) => p.id),
      );
      for (const paper of made) createPaper(tx, paper, at);
      if (put.length) createStock(tx, put, (i) => formatPath(['put', i, 'paper']), more);
      const lines: StepLine[] = put.map((item) => ({ stock: item.id, by: item.quantity }));
      const rows = rowsOf(
        tx,
        change.map((c) => c.stock),
      );
      const open = new Set(
        tx
          .select({ id: pages.id })
          .from(pages)
          .all()
          .map((p) => p.id),
      );
      const seen = new Set<string>();
      const changes = new StockChanges(more);
      for (const [i, one] of change.entries()) {
        // an item that comes a second time is what the first has made of it
        if (seen.has(one.stock)) changes.write(tx);
        const row = seen.has(one.stock) ? rowOf(tx, one.stock) : rows.get(one.stock);
        seen.add(one.stock);
        if (!row) throw nothingCalled('paper in the drawer', 'change', i, 'stock');
        if (one.keep && !open.has(one.keep.page)) throw nothingCalled('page', 'change', i, 'keep', 'page');
        lines.push(changed(tx, row, one, says === 'put-in' ? 'added' : WHY[says], more, changes));
      }
      changes.write(tx);
      for (const paper of new Set(change.map((c) => rows.get(c.stock)!.paper))) markPaperChanged(tx, paper);
      const record: StepRecord = { id, says, count: lines.length, at, undoneAt: null };
      tx.insert(steps)
        .values({ ...record, papers: made.map((p) => p.id), lines })
        .run();
      return record;
    });
  }

  /** Takes a step back: what it put in goes, what it took out comes back, what it moved lies where it lay, unless that has changed since. */
  undo(id: string, request: string): StepRecord {
    return withIdempotencyKey(this.db, request, `undo of step ${id}`, (tx) => {
      const row = tx.select().from(steps).where(eq(steps.id, id)).get();
      if (!row) throw notFound('step');
      if (row.undoneAt) throw new RequestRefusal('already-undone', 'This was undone before.');
      const at = new Date().toISOString();
      const rows = rowsOf(
        tx,
        row.lines.map((l) => l.stock),
      );
      const used = row.lines.filter(({ stock: item, by }) => by > 0 && (rows.get(item)?.quantity ?? 0) < by);
      if (used.length)
        throw new RequestRefusal(
          'stock-changed',
          `${used.length === 1 ? 'One of them has' : `${used.length} of them have`} been used or taken out since, so this cannot be undone; nothing was changed.`,
        );
      const taken = row.lines.filter(({ by }) => by < 0).map((l) => l.stock);
      const whole = findOffcutsOfUndoneCuts(tx, taken).length;
      if (whole)
        throw new RequestRefusal(
          'stock-changed',
          `${whole === 1 ? 'One of them was' : `${whole} of them were`} left by a cut that has been taken back since: the sheet is whole again. Nothing was changed.`,
        );
      // brought back by itself, it does not come back once more
      const back = countReturnedByItem(tx, id);
      const more: MovementContext = { step: id, at };
      const changes = new StockChanges(more);
      const seen = new Set<string>();
      for (const line of row.lines.toReversed()) {
        if (seen.has(line.stock)) changes.write(tx);
        const item = seen.has(line.stock) ? rowOf(tx, line.stock) : rows.get(line.stock);
        seen.add(line.stock);
        const already = line.by < 0 ? Math.min(-line.by, back.get(line.stock) ?? 0) : 0;
        if (already) back.set(line.stock, back.get(line.stock)! - already);
        if (item) undone(tx, item, { ...line, by: line.by + already }, more, changes);
      }
      changes.write(tx);
      for (const paper of row.papers) {
        const left = tx
          .select({ n: sql<number>`sum(quantity)` })
          .from(stock)
          .where(eq(stock.paper, paper))
          .get();
        if (!left?.n) tx.update(papers).set({ removedAt: at }).where(eq(papers.id, paper)).run();
      }
      for (const paper of new Set([...rows.values()].map((r) => r.paper))) markPaperChanged(tx, paper);
      tx.update(steps).set({ undoneAt: at }).where(eq(steps.id, id)).run();
      const { says, count } = row;
      return { id, says, count, at: row.at, undoneAt: at };
    });
  }
}

/** What a movement is called that a step makes. */
const WHY: Readonly<Record<Exclude<DrawerStep['says'], 'put-in'>, Movement['why']>> = {
  moved: 'moved',
  'held-back': 'held-back',
  freed: 'freed',
  'kept-for': 'kept-for',
  'taken-out': 'taken',
  'cleared-out': 'taken',
};

/** A step names something that is not there. */
function nothingCalled(what: string, ...path: (string | number)[]): RequestRefusal {
  const field = formatPath(path);
  return new RequestRefusal('bad-input', `${field}: there is no such ${what}`, { field });
}

/** What is put in is called by ids that nothing has had, each once. */
function neverThere(tx: Transaction, table: typeof papers | typeof stock, field: string, ids: readonly string[]): void {
  const taken = new Set<string>();
  for (let i = 0; i < ids.length; i += IDS_PER_QUERY)
    for (const { id } of tx
      .select({ id: table.id })
      .from(table)
      .where(inArray(table.id, ids.slice(i, i + IDS_PER_QUERY)))
      .all())
      taken.add(id);
  for (const [i, id] of ids.entries()) {
    const at = formatPath([field, i, 'id']);
    if (taken.has(id)) throw new RequestRefusal('bad-input', `${at}: this id is taken`, { field: at });
    taken.add(id);
  }
}

const rowOf = (tx: Transaction, id: string): StockRow | undefined =>
  tx.select().from(stock).where(eq(stock.id, id)).get();

function rowsOf(tx: Transaction, ids: readonly string[]): Map<string, StockRow> {
  const rows = new Map<string, StockRow>();
  const each = [...new Set(ids)];
  for (let i = 0; i < each.length; i += IDS_PER_QUERY)
    for (const row of tx
      .select()
      .from(stock)
      .where(inArray(stock.id, each.slice(i, i + IDS_PER_QUERY)))
      .all())
      rows.set(row.id, row);
  return rows;
}

/** Does what a step asks of one item, and says what it was before. */
function changed(
  tx: Transaction,
  row: StockRow,
  { by = 0, place, reserved, keep }: StepChange,
  why: Movement['why'],
  more: MovementContext,
  changes: StockChanges,
): StepLine {
  const reserves = row.reserves ?? undefined;
  if (row.quantity + by < 0)
    throw new RequestRefusal(
      'stock-changed',
      `There are only ${row.quantity} of one of them left; nothing was changed.`,
    );
  const others = keep ? reservedCountFor({ reserves }) - reservedCountFor({ reserves }, keep.page) : 0;
  if (keep && others + keep.count > row.quantity + by)
    throw new RequestRefusal(
      'stock-changed',
      `Of one of them ${row.quantity} are there and ${others} are kept for other pages; nothing was changed.`,
    );
  const line: StepLine = {
    stock: row.id,
    by,
    ...(place !== undefined && place !== row.place ? { place: [row.place, place] } : {}),
    ...(reserved !== undefined && reserved !== row.reserved ? { reserved: [row.reserved, reserved] } : {}),
    ...(keep ? { keep: { page: keep.page, was: reservedCountFor({ reserves }, keep.page), is: keep.count } } : {}),
  };
  const isOut = by < 0 && row.quantity + by === 0;
  if (!keep && !reserves?.length) {
    if (by) changes.note(row, { by, why: by > 0 ? 'added' : why });
    if (line.place) changes.note(row, { by: 0, why: 'moved', place: line.place[1] });
    if (line.reserved) changes.note(row, { by: 0, why: reserved ? 'held-back' : 'freed' });
    if (by || line.place || line.reserved)
      changes.change(row, {
        by,
        ...(line.place ? { place: line.place[1] } : {}),
        ...(line.reserved ? { reserved: line.reserved[1] } : {}),
        ...(isOut ? { removedAt: more.at } : by > 0 ? { removedAt: null } : {}),
      });
    return line;
  }
  if (by) recordMovement(tx, row, by, by > 0 ? 'added' : why, more);
  if (line.place) insertMovement(tx, row.id, { by: 0, why: 'moved', place, ...more });
  if (line.reserved) insertMovement(tx, row.id, { by: 0, why: reserved ? 'held-back' : 'freed', ...more });
  // fewer of it may have let go of what pages kept
  if (keep) reserveItemFor(tx, by ? rowOf(tx, row.id)! : row, keep.page, keep.count, why, more);
  const set = {
    ...(line.place ? { place: place ?? null } : {}),
    ...(line.reserved ? { reserved: line.reserved[1] } : {}),
    ...(isOut ? { removedAt: more.at } : {}),
  };
  if (Object.keys(set).length) tx.update(stock).set(set).where(eq(stock.id, row.id)).run();
  return line;
}

/** Undoes on one item what a step did to it, as far as it is still so. */
function undone(
  tx: Transaction,
  row: StockRow,
  { by, place, reserved, keep }: StepLine,
  more: MovementContext,
  changes: StockChanges,
): void {
  const set = {
    ...(place && row.place === place[1] ? { place: place[0] } : {}),
    ...(reserved && row.reserved === reserved[1] ? { reserved: reserved[0] } : {}),
    ...(by < 0 ? { removedAt: null } : {}),
  };
  if (!keep && !row.reserves?.length) {
    if (by) changes.note(row, { by: -by, why: 'taken-back' });
    if (set.place !== undefined) changes.note(row, { by: 0, why: 'moved', place: set.place });
    if (set.reserved !== undefined) changes.note(row, { by: 0, why: set.reserved ? 'held-back' : 'freed' });
    if (by || Object.keys(set).length) changes.change(row, { by: -by, ...set });
    return;
  }
  if (by) recordMovement(tx, row, -by, 'taken-back', more);
  if ('place' in set) insertMovement(tx, row.id, { by: 0, why: 'moved', place: set.place ?? null, ...more });
  if ('reserved' in set) insertMovement(tx, row.id, { by: 0, why: set.reserved ? 'held-back' : 'freed', ...more });
  if (Object.keys(set).length) tx.update(stock).set(set).where(eq(stock.id, row.id)).run();
  const now = rowOf(tx, row.id)!;
  const reserves = now.reserves ?? undefined;
  if (keep && reservedCountFor({ reserves }, keep.page) === keep.is) {
    const others = reservedCountFor({ reserves }) - keep.is;
    reserveItemFor(tx, now, keep.page, Math.min(keep.was, now.quantity - others), 'taken-back', more);
  }
}
