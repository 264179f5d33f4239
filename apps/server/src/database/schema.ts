import { sql } from 'drizzle-orm';
import { check, customType, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { parseLength, type LengthText } from '@temnex/core/length';
import type { DrawerRules, Habits, Paper, StockItem } from '@temnex/core/stock';
import type { PhotoFacts } from '@temnex/core/photos';
import type { Page } from '@temnex/core/page';
import type { Basis, PageFacts } from '@temnex/core/cutting';
import type { NoOpReason, SessionEvent } from '@temnex/core/trimmer';
import type { Challenge, CuttingRecord, Movement, PhotoOnPage, DrawerStepKind } from '@temnex/contract';

/** What can be read of a field that holds a text, or should. */
const textIn = (value: unknown): string => (Buffer.isBuffer(value) ? value.toString('utf8') : String(value));
/** A length as it was typed. The one place where lengths meet storage: what cannot be read back is not written. */
const length = customType<{ data: LengthText; driverData: unknown }>({
  dataType: () => 'text',
  toDriver: (value) => {
    if (!parseLength(value, 'mm', { allow: 'zero' }).ok)
      throw new RangeError(`${JSON.stringify(value)} is not a length`);
    return String(value);
  },
  fromDriver: textIn,
});
/** A text that is no JSON reads as that text: no list fails for it, and what expects something else sets its row aside. */
export const parseJsonOrText = (value: string): unknown => {
  try {
    return JSON.parse(value);
  } catch {
    return value;
  }
};
const json = <T>(name: string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => parseJsonOrText(value) as T,
  })(name);
/** What a list reads as that cannot be read: nothing is in it, and nothing is done with it. */
export const UNREADABLE_LIST: readonly never[] = Object.freeze([]);
const list = <T extends readonly unknown[]>(name: string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => {
      const read = parseJsonOrText(value);
      return (Array.isArray(read) ? read : UNREADABLE_LIST) as unknown as T;
    },
  })(name);
/** A text; of a field that holds something else, what can be read of it. */
const words = <T extends string = string>(name: string) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'text',
    fromDriver: (value) => textIn(value) as T,
  })(name);
/** A whole number; NaN of a field that holds none, which no list takes for one. */
const whole = <T extends number = number>(name: string) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'integer',
    fromDriver: (value) => (Number.isSafeInteger(value) ? value : NaN) as T,
  })(name);
/** When it was taken out; it stays, to be brought back. */
const removedAt = () => words('removed_at');
/** At which change of the drawer it was last changed; triggers see to it (migration 0005), whoever writes. */
const seq = () => integer('seq').notNull().default(0);
const demo = () => integer('demo', { mode: 'boolean' }).notNull().default(false);

export const papers = sqliteTable('papers', {
  id: text('id').primaryKey(),
  name: words('name').notNull(),
  sides: json<Paper['sides']>('sides').notNull(),
  weight: whole('weight'),
  seeThrough: integer('see_through', { mode: 'boolean' }),
  place: words('place'),
  price: whole('price'),
  pack: whole('pack'),
  /** Rises with every change of it or of its stock: cutting orders know from which state they were made. */
  revision: whole('revision').notNull().default(1),
  demo: demo(),
  createdAt: words('created_at').notNull(),
  removedAt: removedAt(),
  seq: seq(),
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
  /** Which photos it shows; left out: none. */
  readonly shown?: readonly Omit<PhotoOnPage, 'page' | 'pageName' | 'copies'>[];
}

export const pages = sqliteTable('pages', {
  id: text('id').primaryKey(),
  version: whole('version').notNull(),
  document: json<Page>('document').notNull(),
  summary: json<StoredSummary>('summary')
    .notNull()
    .default(sql`'{}'`),
  demo: demo(),
  createdAt: words('created_at').notNull(),
  updatedAt: words('updated_at').notNull(),
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
    /** Of an order for several pages, `page` being the first of them: their ids in order, one space between. */
    together: words('together'),
    createdAt: words('created_at').notNull(),
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
    pieces: list<CuttingRecord['pieces']>('parts').notNull(),
    used: list<CuttingRecord['used']>('used').notNull(),
    kept: list<string[]>('kept').notNull(),
    /** Of pages that were cut together: the cut of the first, which has what was used and kept of all. */
    session: text('session'),
    cutAt: words('cut_at').notNull(),
    undoneAt: words('undone_at'),
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
    unit: words<StockItem['unit']>('unit').notNull(),
    width: length('width').notNull(),
    height: length('height').notNull(),
    /** The sum of its movements, kept in the same transaction; at 0 the item is used up, and kept for undo and the books. */
    quantity: whole('quantity').notNull(),
    kind: words<StockItem['kind']>('kind').notNull(),
    trim: json<StockItem['trim']>('trim').notNull(),
    turned: whole('turned').notNull().$type<StockItem['turned']>(),
    reserved: integer('reserved', { mode: 'boolean' }).notNull(),
    /** What pages keep of it: the sum of what its movements held, by page. */
    reserves: json<NonNullable<StockItem['reserves']>>('reserves'),
    place: words('place'),
    came: words('came'),
    origin: json<NonNullable<StockItem['origin']>>('origin'),
    outline: json<NonNullable<StockItem['outline']>>('outline'),
    uncut: json<NonNullable<StockItem['uncut']>>('uncut'),
    demo: demo(),
    createdAt: words('created_at').notNull(),
    removedAt: removedAt(),
    seq: seq(),
  },
  (t) => [
    index('stock_paper').on(t.paper),
    index('stock_seq').on(t.seq),
    check('stock_quantity', sql`${t.quantity} >= 0`),
  ],
);

/** Every change of how many there are of something. What there is is their sum. */
export const movements = sqliteTable(
  'movements',
  {
    id: text('id').primaryKey(),
    stock: text('stock')
      .notNull()
      .references(() => stock.id, { onDelete: 'cascade' }),
    by: whole('by').notNull(),
    why: words('why').notNull().$type<Movement['why']>(),
    cutting: text('cutting'),
    /** So many more, or fewer, are kept for a page. */
    held: whole('held').notNull().default(0),
    page: text('page'),
    /** Where it went to. */
    place: words('place'),
    /** The step it belongs to, with which it is undone. */
    step: text('step'),
    at: words('at').notNull(),
  },
  (t) => [
    index('movements_stock').on(t.stock),
    index('movements_cutting').on(t.cutting),
    index('movements_step').on(t.step),
  ],
);

/** The drawer itself: which one it is, and how often anything in it has changed. */
export const book = sqliteTable('book', {
  id: integer('id').primaryKey(),
  /** Another one once something went for good, so that whoever has seen the drawer looks through all of it again. */
  name: words('name').notNull(),
  seq: integer('seq').notNull(),
});

/** What one item was before a step, and became by it. */
export interface StepLine {
  readonly stock: string;
  readonly by: number;
  readonly place?: readonly [was: string | null, is: string | null];
  readonly reserved?: readonly [was: boolean, is: boolean];
  readonly keep?: { readonly page: string; readonly was: number; readonly is: number };
}

/** Things done to the drawer at once, each to be undone as one. */
export const steps = sqliteTable(
  'steps',
  {
    id: text('id').primaryKey(),
    says: words('says').notNull().$type<DrawerStepKind>(),
    /** Papers that it made. */
    papers: list<string[]>('papers').notNull(),
    lines: list<StepLine[]>('lines').notNull(),
    /** How many items it touched; kept apart so that a list of steps reads none of them. */
    count: whole('count').notNull(),
    at: words('at').notNull(),
    undoneAt: words('undone_at'),
  },
  (t) => [index('steps_at').on(t.at)],
);

/** A person's own rules of the drawer. */
export const rules = sqliteTable('rules', {
  id: integer('id').primaryKey(),
  document: json<DrawerRules>('document').notNull(),
});

/** What somebody has set out to use up, and by when. */
export const challenges = sqliteTable('challenges', {
  id: text('id').primaryKey(),
  document: json<Challenge>('document').notNull(),
  createdAt: words('created_at').notNull(),
  removedAt: removedAt(),
});

/** Searches that somebody keeps. */
export const searches = sqliteTable('searches', {
  id: text('id').primaryKey(),
  name: words('name').notNull(),
  line: words('line').notNull(),
  createdAt: words('created_at').notNull(),
});

/** Photos that were taken in; their files lie in the folder `photos`. */
export const photos = sqliteTable('photos', {
  id: text('id').primaryKey(),
  /** The hash of what was sent. */
  file: text('file').notNull().unique(),
  name: words('name').notNull(),
  width: whole('width').notNull(),
  height: whole('height').notNull(),
  /** The size of its largest file. */
  bytes: whole('bytes').notNull(),
  facts: json<PhotoFacts>('facts').notNull(),
  demo: demo(),
  addedAt: words('added_at').notNull(),
  removedAt: removedAt(),
});

/** Requests that made or used something, with what was answered: sent again, they are answered the same. */
export const requests = sqliteTable(
  'requests',
  {
    id: text('id').primaryKey(),
    what: words('what').notNull(),
    answer: json<unknown>('answer'),
    at: words('at').notNull(),
  },
  (t) => [index('requests_at').on(t.at)],
);

export const habits = sqliteTable('habits', {
  id: integer('id').primaryKey(),
  version: whole('version').notNull().default(1),
  document: json<Habits>('document').notNull(),
});

/** Sessions at the trimmer: which order each began with. What became of it, its events say. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    // a session stays in the books when its page goes
    page: text('page').notNull(),
    /** All its pages, one space between, where several are cut together. */
    pages: words('pages').notNull(),
    /** The orders that it has cut, the first of them first. */
    plans: list<string[]>('plans').notNull(),
    startedAt: words('started_at').notNull(),
    /** When it was put down, or left for another. */
    endedAt: words('ended_at'),
  },
  (t) => [index('sessions_page').on(t.page, t.startedAt)],
);

/** What happened in sessions, in the order in which it was taken in. */
export const sessionEvents = sqliteTable(
  'session_events',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    session: text('session')
      .notNull()
      .references(() => sessions.id, { onDelete: 'cascade' }),
    event: json<SessionEvent>('event').notNull(),
    /** Why it changed nothing; null: it did. */
    idle: words('idle').$type<NoOpReason>(),
    receivedAt: words('received_at').notNull(),
  },
  (t) => [index('session_events_session').on(t.session, t.seq)],
);

/** Other devices that were let in: each by a token of which only the hash is kept. */
export const devices = sqliteTable('devices', {
  id: text('id').primaryKey(),
  name: words('name').notNull(),
  token: words('token').notNull().unique(),
  admittedAt: words('admitted_at').notNull(),
  seenAt: words('seen_at').notNull(),
  /** When it was shown the door. */
  outAt: words('out_at'),
});
