import { eq } from 'drizzle-orm';
import { migratePage, pageSchema, piecesOfParts, type Page } from '@temnex/core/page';
import type { CutPiece } from '@temnex/core/cutting';
import { summarizePage } from '../pages/summary.ts';
import type { Transaction } from './types.ts';
import { cuttings, movements, pages, plans, stock } from './schema.ts';

/*
 * What stands in the rows of an older database, brought up to date one named step a version, after its tables have been. A
 * fixture of every version is kept in `fixtures/`, and a test opens each.
 */

export const DATABASE_VERSION = 6;

export const DATABASE_MIGRATIONS: ReadonlyArray<{
  readonly from: number;
  readonly name: string;
  readonly step: (tx: Transaction) => void;
}> = [
  { from: 1, name: 'pages of items, cut pieces with their sizes, stock as movements', step: itemsAndMovements },
  // the columns say it all: nothing had been taken out that could be brought back
  { from: 2, name: 'what is taken out stays, to be brought back', step: () => {} },
  // the day that each came is set where its column is made
  { from: 3, name: 'places, days, reservations, steps and what has changed since', step: () => {} },
  { from: 4, name: 'sessions at the trimmer, and devices', step: () => {} },
  { from: 5, name: 'photos', step: () => {} },
];

export function migrateDatabase(tx: Transaction, version: number): void {
  for (const { from, step } of DATABASE_MIGRATIONS) if (from >= version) step(tx);
}

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

function itemsAndMovements(tx: Transaction): void {
  const renamed = new Map<string, ReadonlyMap<string, string>>();
  for (const row of tx.select().from(pages).all()) {
    renamed.set(row.id, piecesOfParts(row.document));
    const document = migratePage(row.document) as Page;
    const good = pageSchema.safeParse(document).success;
    const patch = good ? { document, summary: summarizePage(document) } : { document };
    tx.update(pages).set(patch).where(eq(pages.id, row.id)).run();
  }
  const orders = new Map(
    tx
      .select()
      .from(plans)
      .all()
      .map((p) => [p.id, p]),
  );
  for (const row of tx.select().from(cuttings).all()) {
    const names = renamed.get(row.page) ?? new Map<string, string>();
    // the column held ids of parts
    const parts = row.pieces as unknown as string[];
    const sizes = sizesIn(orders.get(row.plan));
    const pieces = parts.map((part): CutPiece => {
      const size = sizes.get(part) ?? { unit: 'in', width: '0', height: '0', paper: '', side: 'A' };
      return { piece: names.get(part) ?? part, ...size };
    });
    tx.update(cuttings).set({ pieces }).where(eq(cuttings.id, row.id)).run();
  }
  // pieces of stored orders are called by what they are called on the page now
  for (const row of orders.values()) {
    const names = renamed.get(row.page) ?? new Map<string, string>();
    const name = (id: unknown): unknown => {
      if (typeof id !== 'string') return id;
      const spare = id.endsWith(' spare') ? ' spare' : '';
      return `${names.get(id.slice(0, id.length - spare.length)) ?? id.slice(0, id.length - spare.length)}${spare}`;
    };
    const job = { ...row.job, pieces: listOf(row.job.pieces).map((p) => (isObject(p) ? { ...p, id: name(p.id) } : p)) };
    const walk = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(walk)
        : isObject(value)
          ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, k === 'piece' ? name(v) : walk(v)]))
          : value;
    tx.update(plans)
      .set({ job, plan: walk(row.plan) })
      .where(eq(plans.id, row.id))
      .run();
  }
  for (const { id, quantity, createdAt } of tx.select().from(stock).all())
    tx.insert(movements)
      .values({ id: `had-${id}`, stock: id, by: quantity, why: 'had', at: createdAt })
      .run();
}

/** Size, paper and side of every piece of a stored order, by the part that it was for. */
function sizesIn(order: { job: unknown; plan: unknown } | undefined): Map<string, Omit<CutPiece, 'piece'>> {
  const found = new Map<string, Omit<CutPiece, 'piece'>>();
  if (!order || !isObject(order.job) || !isObject(order.plan)) return found;
  const unit = order.job.unit === 'mm' ? 'mm' : 'in';
  const items = new Map(listOf(order.job.stock).flatMap((s) => (isObject(s) ? [[s.id, s]] : [])));
  const asked = new Map(listOf(order.job.pieces).flatMap((p) => (isObject(p) ? [[p.id, p]] : [])));
  for (const sheet of listOf(order.plan.sheets)) {
    if (!isObject(sheet)) continue;
    const paper = String(items.get(sheet.stock)?.paper ?? '');
    const walk = (node: unknown): void => {
      if (!isObject(node)) return;
      const held = node.holds;
      const piece = isObject(held) ? asked.get(held.piece) : undefined;
      if (isObject(held) && piece)
        found.set(String(held.piece).replace(/ spare$/, ''), {
          unit,
          width: piece.width as string,
          height: piece.height as string,
          paper,
          side: held.side === 'B' ? 'B' : 'A',
        });
      listOf(node.parts).forEach(walk);
      walk(node.opening);
    };
    walk(sheet.tree);
  }
  return found;
}
