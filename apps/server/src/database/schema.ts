import { sql } from 'drizzle-orm';
import { check, customType, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import {
  parseLength,
  type Basis,
  type Habits,
  type LengthText,
  type Page,
  type PageFacts,
  type Paper,
  type StockItem,
} from '@temnex/core';
import type { CuttingRecord, Movement } from '@temnex/contract';

/** A length as it was typed. The one place where lengths meet storage: what cannot be read back is not written. */
const length = customType<{ data: LengthText; driverData: string }>({
  dataType: () => 'text',
  toDriver: (value) => {
    if (!parseLength(value, 'mm', { allow: 'zero' }).ok)
      throw new RangeError(`${JSON.stringify(value)} is not a length`);
    return String(value);
  },
  fromDriver: (value) => value,
});
const json = <T>(name: string) => text(name, { mode: 'json' }).$type<T>();
/** When it was taken out; it stays, to be brought back. */
const removedAt = () => text('removed_at');
const demo = () => integer('demo', { mode: 'boolean' }).notNull().default(false);

export const papers = sqliteTable('papers', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  sides: json<Paper['sides']>('sides').notNull(),
  /** Rises with every change of it or of its stock: cutting orders know from which state they were made. */
  revision: integer('revision').notNull().default(1),
  demo: demo(),
  createdAt: text('created_at').notNull(),
  removedAt: removedAt(),
});

/** What a list of pages shows, kept with each page when it is saved so that none has to be worked out again. */
export interface StoredSummary extends Omit<PageFacts, 'spares'> {
  /** Summaries of the first days did not say; a page has one that does from its next save on. */
  readonly spares?: readonly string[];
  readonly name: string;
  readonly width: string;
  readonly height: string;
  readonly unit: Page['unit'];
  readonly parts: number;
  /** Left out by summaries of the first days: then it is none. */
  readonly pattern?: boolean;
}

export const pages = sqliteTable('pages', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  document: json<Page>('document').notNull(),
  summary: json<StoredSummary>('summary')
    .notNull()
    .default(sql`'{}'`),
  demo: demo(),
  createdAt: text('created_at').notNull(),
  updatedAt: text('updated_at').notNull(),
  removedAt: removedAt(),
});

export const plans = sqliteTable(
  'plans',
  {
    id: text('id').primaryKey(),
    page: text('page')
      .notNull()
      .references(() => pages.id, { onDelete: 'cascade' }),
    /** An order from before this was kept was made from a state that never comes again. */
    basis: json<Basis>('basis')
      .notNull()
      .default(sql`'{"pageVersion":1,"papers":{},"habits":-1,"cuts":[]}'`),
    job: json<Record<string, unknown>>('job').notNull(),
    plan: json<unknown>('plan').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('plans_page').on(t.page, t.createdAt)],
);

export const cuttings = sqliteTable(
  'cuttings',
  {
    id: text('id').primaryKey(),
    // a cut stays in the books when its page goes
    page: text('page').notNull(),
    plan: text('plan').notNull(),
    // the column had only the ids of parts once
    pieces: json<CuttingRecord['pieces']>('parts').notNull(),
    used: json<CuttingRecord['used']>('used').notNull(),
    kept: json<string[]>('kept').notNull(),
    cutAt: text('cut_at').notNull(),
    undoneAt: text('undone_at'),
  },
  (t) => [index('cuttings_page').on(t.page)],
);

export const stock = sqliteTable(
  'stock',
  {
    id: text('id').primaryKey(),
    paper: text('paper')
      .notNull()
      .references(() => papers.id, { onDelete: 'restrict' }),
    unit: text('unit', { enum: ['in', 'mm'] }).notNull(),
    width: length('width').notNull(),
    height: length('height').notNull(),
    /** The sum of its movements, kept in the same transaction; at 0 the item is used up, and kept for undo and the books. */
    quantity: integer('quantity').notNull(),
    kind: text('kind', { enum: ['sheet', 'pad', 'scrap', 'strip'] }).notNull(),
    trim: json<StockItem['trim']>('trim').notNull(),
    turned: integer('turned').notNull().$type<StockItem['turned']>(),
    reserved: integer('reserved', { mode: 'boolean' }).notNull(),
    origin: json<NonNullable<StockItem['origin']>>('origin'),
    outline: json<NonNullable<StockItem['outline']>>('outline'),
    uncut: json<NonNullable<StockItem['uncut']>>('uncut'),
    demo: demo(),
    createdAt: text('created_at').notNull(),
    removedAt: removedAt(),
  },
  (t) => [index('stock_paper').on(t.paper), check('stock_quantity', sql`${t.quantity} >= 0`)],
);

/** Every change of how many there are of something. What there is is their sum. */
export const movements = sqliteTable(
  'movements',
  {
    id: text('id').primaryKey(),
    stock: text('stock')
      .notNull()
      .references(() => stock.id, { onDelete: 'cascade' }),
    by: integer('by').notNull(),
    why: text('why').notNull().$type<Movement['why']>(),
    cutting: text('cutting'),
    at: text('at').notNull(),
  },
  (t) => [index('movements_stock').on(t.stock)],
);

/** Requests that made or used something, with what was answered: sent again, they are answered the same. */
export const requests = sqliteTable(
  'requests',
  {
    id: text('id').primaryKey(),
    what: text('what').notNull(),
    answer: json<unknown>('answer'),
    at: text('at').notNull(),
  },
  (t) => [index('requests_at').on(t.at)],
);

export const habits = sqliteTable('habits', {
  id: integer('id').primaryKey(),
  version: integer('version').notNull().default(1),
  document: json<Habits>('document').notNull(),
});
