import { sql } from 'drizzle-orm';
import { check, customType, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { parseLength, type Habits, type LengthText, type Page, type Paper, type StockItem } from '@temnex/core';

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

export const papers = sqliteTable('papers', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  sides: json<Paper['sides']>('sides').notNull(),
  demo: integer('demo', { mode: 'boolean' }).notNull().default(false),
  createdAt: text('created_at').notNull(),
});

export const pages = sqliteTable('pages', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  document: json<Page>('document').notNull(),
  demo: integer('demo', { mode: 'boolean' }).notNull().default(false),
  createdAt: text('created_at').notNull(),
  updatedAt: text('updated_at').notNull(),
});

export const plans = sqliteTable(
  'plans',
  {
    id: text('id').primaryKey(),
    page: text('page').notNull().references(() => pages.id, { onDelete: 'cascade' }),
    pageVersion: integer('page_version').notNull(),
    job: json<Record<string, unknown>>('job').notNull(),
    plan: json<unknown>('plan').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('plans_page').on(t.page, t.createdAt)],
); // prettier-ignore

export const cuttings = sqliteTable(
  'cuttings',
  {
    id: text('id').primaryKey(),
    // a cut stays in the books when its page goes
    page: text('page').notNull(),
    plan: text('plan').notNull(),
    parts: json<string[]>('parts').notNull(),
    used: json<{ stock: string; count: number }[]>('used').notNull(),
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
    paper: text('paper').notNull().references(() => papers.id, { onDelete: 'restrict' }),
    unit: text('unit', { enum: ['in', 'mm'] }).notNull(),
    width: length('width').notNull(),
    height: length('height').notNull(),
    /** How many there are; at 0 the item is used up, and kept for undo and the books. */
    quantity: integer('quantity').notNull(),
    kind: text('kind', { enum: ['sheet', 'pad', 'scrap', 'strip'] }).notNull(),
    trim: json<StockItem['trim']>('trim').notNull(),
    turned: integer('turned').notNull().$type<StockItem['turned']>(),
    reserved: integer('reserved', { mode: 'boolean' }).notNull(),
    origin: json<NonNullable<StockItem['origin']>>('origin'),
    outline: json<NonNullable<StockItem['outline']>>('outline'),
    uncut: json<NonNullable<StockItem['uncut']>>('uncut'),
    demo: integer('demo', { mode: 'boolean' }).notNull().default(false),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('stock_paper').on(t.paper), check('stock_quantity', sql`${t.quantity} >= 0`)],
); // prettier-ignore

export const habits = sqliteTable('habits', {
  id: integer('id').primaryKey(),
  document: json<Habits>('document').notNull(),
});
