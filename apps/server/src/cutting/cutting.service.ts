import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, inArray, isNull, lt } from 'drizzle-orm';
import {
  NO_TRIM,
  availableCountFor,
  brandingOf,
  storeOffcutAs,
  reservedCountFor,
  reserveForPage,
  sizeOfItem,
  type StockItem,
} from '@temnex/core/stock';
import { derivePage } from '@temnex/core/page';
import type { Job } from '@temnex/core/planner';
import {
  bagOf,
  assessCutPieces,
  computeCutEffects,
  parseTogetherId,
  wantedCountOf,
  type CutProgress,
} from '@temnex/core/cutting';
import { DEFAULT_NAMES } from '@temnex/words';
import type { CutRequest, CuttingRecord, PlanRecord, ScrapPiece } from '@temnex/contract';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { cuttings, movements, sessions, stock } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { PagesService, standingPieces } from '../pages/pages.service.ts';
import { reserveItemFor, recordMovement } from '../papers/movements.ts';
import { HabitsService } from '../habits/habits.service.ts';
import { PapersService } from '../papers/papers.service.ts';
import { insertStock } from '../papers/putIn.ts';
import { stockItemOf } from '../papers/rows.ts';
import { PlansService, readStoredJob } from '../plans/plans.service.ts';
import { standingCutsOf, isUnreadable } from './cuts.ts';

type StockRow = typeof stock.$inferSelect;

/**
 * Whether a cut that an order does not know of took pieces that it would cut once more, or is of the order itself. What was taken back
 * since leaves its pieces to be cut: a session that is gone on with can be ended, whatever was cut or taken back meanwhile.
 */
function isCutSince(
  tx: Transaction,
  record: PlanRecord,
  job: Job,
  pieces: readonly { readonly piece: string }[],
): boolean {
  const known = new Set(record.basis.cuts);
  const wanted = new Map<string, number>(job.pieces.map(({ id, quantity }) => [id, quantity]));
  const less = (piece: string, by: number) => wanted.set(piece, (wanted.get(piece) ?? 0) - by);
  for (const [i, page] of (record.together ?? [record.page]).entries()) {
    const rows = tx.select().from(cuttings).where(eq(cuttings.page, page)).all();
    for (const cut of rows) {
      // one that the order counts on changes nothing while it stands; one that it knows nothing of, while it is taken back
      if (known.has(cut.id) === (cut.undoneAt === null)) continue;
      if (cut.undoneAt === null && cut.plan === record.id) return true;
      for (const { piece, scrap } of cut.pieces)
        if (!scrap) less(record.together ? `${bagOf(i)}:${piece}` : piece, cut.undoneAt === null ? 1 : -1);
    }
  }
  for (const { piece } of pieces) less(piece, 1);
  return pieces.some(({ piece }) => wanted.get(piece)! < 0);
}

/** Carries plans out in the books: one transaction each, all of it or nothing. */
@Injectable()
export class CuttingService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PlansService) private readonly plans: PlansService,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(PapersService) private readonly papers: PapersService,
    @Inject(HabitsService) private readonly habits: HabitsService,
  ) {}

  ofPage(page: string): CuttingRecord[] {
    return this.db.select().from(cuttings).where(eq(cuttings.page, page)).orderBy(desc(cuttings.cutAt)).all();
  }

  cut(plan: string, { id, ...soFar }: CutRequest): CuttingRecord {
    return withIdempotencyKey(this.db, id, `cut of ${plan}`, (tx) => {
      const record = this.carryOut(tx, plan, id, soFar);
      // put down as a whole, it is not cut on at the trimmer
      const { page, together } = this.plans.get(plan);
      tx.update(sessions)
        .set({ endedAt: record.cutAt })
        .where(and(eq(sessions.pages, (together ?? [page]).join(' ')), isNull(sessions.endedAt)))
        .run();
      return record;
    });
  }

  /** The same within a transaction of somebody else's, who sees to it that it is done once. */
  carryOut(tx: Transaction, plan: string, id: string, soFar: CutProgress): CuttingRecord {
    const record = this.plans.get(plan);
    const job = readStoredJob(record);
    const now = new Date().toISOString();
    const effects = computeCutEffects(job, record.plan, record.page, now.slice(0, 10), soFar);
    if (!effects.used.length) throw new RequestRefusal('nothing-cut', 'Nothing of this cutting order is cut yet.');
    const pages = record.together ?? [record.page];
    if (isCutSince(tx, record, job, effects.pieces))
      throw new RequestRefusal(
        'already-cut',
        'Some of these pieces are already cut. Make a new cutting order for what is left.',
      );
    const rules = this.habits.rules();
    const strips: Omit<StockItem, 'id'>[] = [];
    for (const { stock: item, count } of effects.used) {
      const row = tx.select().from(stock).where(eq(stock.id, item)).get();
      const another = soFar.wrong?.how === 'paper' && soFar.wrong.stock === item;
      if (!row || availableCountFor(stockItemOf(row), pages) < count || (!another && !sameSize(job, stockItemOf(row))))
        throw new RequestRefusal(
          'stock-changed',
          'The drawer has changed since this cutting order was made. Make a new one.',
        );
      recordMovement(tx, row, -count, 'used', { cutting: id, pages, at: now });
      if (rules.branding)
        strips.push(
          ...brandingOf(stockItemOf(row), count, { page: record.page, stock: row.id, date: now.slice(0, 10) }),
        );
    }
    // of another paper than the order asked for, the drawer says which it is
    const paperOf = (item: Omit<StockItem, 'id'>): string =>
      item.paper || tx.select({ paper: stock.paper }).from(stock).where(eq(stock.id, item.origin!.stock)).get()!.paper;
    const named = effects.kept.map((item) => ({ ...item, paper: paperOf(item) }));
    const left = [...named.map((item) => storeOffcutAs(item, rules)), ...strips];
    const kept = left.map((item, i): StockItem => ({ ...item, id: `${id}-${i + 1}` }));
    insertStock(tx, kept, 'kept', { at: now, cutting: id });
    const rows = pages.map((page, i): CuttingRecord => {
      const bag = bagOf(i);
      const own = record.together
        ? effects.pieces.flatMap((p) => {
            const from = parseTogetherId(p.piece);
            return from.bag === bag ? [{ ...p, piece: from.piece }] : [];
          })
        : [...effects.pieces];
      return {
        id: i ? `${id}-${bag}` : id,
        page,
        plan,
        cutAt: now,
        undoneAt: null,
        session: record.together ? id : null,
        pieces: own,
        // the first of them has what all of them used and left
        used: i ? [] : [...effects.used],
        kept: i ? [] : kept.map((k) => k.id),
      };
    });
    // a page of which nothing was cut has no cut, but the first, which has the paper
    const cut = rows.filter((row, i) => !i || row.pieces.length);
    tx.insert(cuttings).values(cut).run();
    return rows[0]!;
  }

  /** Takes a cut back as if it had not happened, unless one of its offcuts has been used since. */
  undo(id: string, request: string): CuttingRecord {
    return withIdempotencyKey(this.db, request, `undo of ${id}`, (tx) => this.takeBack(tx, id));
  }

  takeBack(tx: Transaction, id: string): CuttingRecord {
    const asked = this.one(tx, id);
    if (asked.undoneAt) throw new RequestRefusal('already-undone', 'This cut was taken back before.');
    // pages that were cut together are taken back together
    const rows = asked.session ? tx.select().from(cuttings).where(eq(cuttings.session, asked.session)).all() : [asked];
    const row = rows.find((r) => r.id === (asked.session ?? id))!;
    if (rows.some(isUnreadable))
      throw new RequestRefusal('unreadable', 'What this cut used and left cannot be read, so it cannot be taken back.');
    const offcuts = row.kept.length ? tx.select().from(stock).where(inArray(stock.id, row.kept)).all() : [];
    if (offcuts.some((o) => o.quantity !== putInOf(tx, o.id)))
      throw new RequestRefusal(
        'offcut-used',
        'An offcut of this cut has been used or taken out since, so it cannot be taken back.',
      );
    if (rows.some((r) => r.pieces.some((p) => p.scrap)))
      throw new RequestRefusal(
        'offcut-used',
        'A piece of this cut has gone into the drawer as a scrap, so it cannot be taken back.',
      );
    const undoneAt = new Date().toISOString();
    for (const item of offcuts)
      recordMovement(tx, item, -item.quantity, 'taken-back', { cutting: row.id, at: undoneAt });
    for (const { stock: used, count } of row.used) {
      const item = tx.select().from(stock).where(eq(stock.id, used)).get();
      if (!item) continue;
      recordMovement(tx, item, count, 'taken-back', { cutting: row.id, at: undoneAt });
      this.keepAgain(tx, item, row.id, undoneAt);
    }
    const ids = rows.map((r) => r.id);
    tx.update(cuttings).set({ undoneAt }).where(inArray(cuttings.id, ids)).run();
    return { ...asked, undoneAt };
  }

  /** What pages had kept of an item before a cut took it, they keep again. */
  private keepAgain(tx: Transaction, item: StockRow, cutting: string, at: string): void {
    const lost = tx
      .select()
      .from(movements)
      .where(and(eq(movements.cutting, cutting), eq(movements.stock, item.id), lt(movements.held, 0)))
      .all();
    let { reserves } = item;
    for (const { page, held } of lost) {
      if (page === null) continue;
      const count = reservedCountFor({ reserves: reserves ?? undefined }, page) - held;
      reserveItemFor(tx, { id: item.id, reserves }, page, count, 'taken-back', { cutting, at });
      reserves = reserveForPage(reserves ?? undefined, page, count);
    }
  }

  /** A cut piece that nothing on its page wants any more becomes a scrap of its size. */
  scrap(id: string, { id: request, at }: ScrapPiece): CuttingRecord {
    return withIdempotencyKey(this.db, request, `scrap of ${id}`, (tx) => {
      const row = this.one(tx, id);
      const piece = row.pieces[at];
      if (!piece || piece.scrap || row.undoneAt) throw notFound('cut piece');
      const { document } = this.pages.get(row.page);
      const { pieces } = derivePage(document, DEFAULT_NAMES);
      const cut = standingCutsOf(tx, row.page).flatMap((c) => standingPieces(c.pieces));
      const { unwanted } = assessCutPieces(pieces, cut, (p) => wantedCountOf(p, document));
      const alike = (other: typeof piece) => JSON.stringify(other) === JSON.stringify(piece);
      if (!unwanted.some(alike)) throw new RequestRefusal('still-wanted', 'The page still wants this piece.');
      const now = new Date().toISOString();
      const item: StockItem = {
        id: request,
        paper: piece.paper,
        unit: piece.unit,
        width: piece.width,
        height: piece.height,
        quantity: 1,
        kind: 'scrap',
        trim: NO_TRIM,
        turned: 0,
        reserved: false,
        origin: { page: row.page, stock: row.used[0]?.stock ?? '', date: now.slice(0, 10) },
      };
      insertStock(tx, [item], 'kept', { at: now, cutting: id });
      const next = row.pieces.map((p, i) => (i === at ? { ...p, scrap: request } : p));
      tx.update(cuttings).set({ pieces: next }).where(eq(cuttings.id, id)).run();
      return { ...row, pieces: next };
    });
  }

  private one(tx: Transaction, id: string): CuttingRecord {
    const row = tx.select().from(cuttings).where(eq(cuttings.id, id)).get();
    if (!row) throw notFound('cut');
    return row;
  }
}

/** How many of an offcut the cut put in: as many as are there while nothing has become of it. */
const putInOf = (tx: Transaction, id: string): number =>
  tx
    .select({ by: movements.by })
    .from(movements)
    .where(and(eq(movements.stock, id), eq(movements.why, 'kept')))
    .get()?.by ?? 0;

/** Whether the drawer still holds what the job counted on: same paper, size and way it lies. */
function sameSize(job: Job, item: StockItem): boolean {
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
