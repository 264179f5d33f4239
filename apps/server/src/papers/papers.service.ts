import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, gt, inArray, isNull, sql, type SQL } from 'drizzle-orm';
import {
  NO_TRIM,
  DEFAULT_HABITS,
  DEFAULT_RULES,
  guessFace,
  habitsSchema,
  sortForDrawer,
  paperFacts,
  rulesSchema,
  sidesSchema,
  stockItemSchema,
  type Drawer,
  type DrawerRules,
  type Habits,
  type StockItem,
} from '@temnex/core/stock';
import { issueFromZod, type JobIssue } from '@temnex/core/planner';
import { TERMINAL, describeIssue, formatPath } from '@temnex/words';
import {
  movementSchema,
  type ChangePaper,
  type ChangeStock,
  type DrawerQuery,
  type DrawerRecord,
  type HabitsRecord,
  type Movement,
  type NewMovement,
  type NewPaper,
  type NewStock,
  type PaperRecord,
  type UnreadableStock,
} from '@temnex/contract';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { pickReadable } from '../database/readable.ts';
import { book, habits, movements, papers, rules, stock } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { recordMovement, markPaperChanged, type MovementContext } from './movements.ts';

type StockRow = typeof stock.$inferSelect;

/** Of a paper whose name cannot be read. */
const NO_NAME = 'a paper without a name';

export const presentPaper = (id: string) => and(eq(papers.id, id), isNull(papers.removedAt));

export const stockItemOf = ({
  demo: _demo,
  createdAt: _createdAt,
  removedAt: _removedAt,
  seq: _seq,
  origin,
  outline,
  uncut,
  reserves,
  place,
  came,
  ...row
}: StockRow): StockItem => ({
  ...row,
  ...(outline ? { outline } : {}),
  ...(uncut?.length ? { uncut } : {}),
  ...(reserves?.length ? { reserves } : {}),
  ...(place === null ? {} : { place }),
  ...(came === null ? {} : { came }),
  origin: origin ?? null,
});

export const paperOf = ({
  demo: _demo,
  createdAt: _createdAt,
  removedAt: _removedAt,
  seq: _seq,
  weight,
  seeThrough,
  place,
  price,
  pack,
  name,
  revision,
  ...row
}: typeof papers.$inferSelect): PaperRecord => ({
  ...row,
  name: name.trim() || NO_NAME,
  revision: Number.isNaN(revision) ? 0 : revision,
  // one whose faces cannot be read looks as its name says until somebody says how it does
  ...(sidesSchema.safeParse(row.sides).success ? {} : { sides: [guessFace(name)], guessed: true as const }),
  ...pickReadable(paperFacts, { weight, seeThrough, place, price, pack }),
});
/** What is known of a paper, as columns: what is left out is not known. */
const factsOf = ({ weight, seeThrough, place, price, pack }: Partial<PaperRecord>) => ({
  weight: weight ?? null,
  seeThrough: seeThrough ?? null,
  place: place ?? null,
  price: price ?? null,
  pack: pack ?? null,
});

/** Many at a time, so that a statement has no more values than it may. */
const AT_ONCE = 200;

/** Puts items into the drawer, each with the movement with which it comes to be there; its paper is a state further. */
export function insertStock(
  tx: Transaction,
  items: readonly (StockItem & { demo?: boolean })[],
  why: Movement['why'],
  more: MovementContext,
): void {
  const { at, step = null, cutting = null } = more;
  for (let from = 0; from < items.length; from += AT_ONCE) {
    const some = items.slice(from, from + AT_ONCE);
    tx.insert(stock)
      .values(some.map((item) => ({ came: at.slice(0, 10), ...item, createdAt: at })))
      .run();
    tx.insert(movements)
      .values(some.map(({ id, quantity }) => ({ id: randomUUID(), stock: id, by: quantity, why, cutting, step, at })))
      .run();
  }
  for (const paper of new Set(items.map((item) => item.paper))) markPaperChanged(tx, paper);
}

export function createPaper(tx: Transaction, { id, name, sides, ...facts }: NewPaper, createdAt: string): PaperRecord {
  const row = { id, name, sides, revision: 1, ...factsOf(facts) };
  tx.insert(papers)
    .values({ ...row, createdAt })
    .run();
  return paperOf({ ...row, createdAt, demo: false, removedAt: null, seq: 0 });
}

/** Puts new things into the drawer; `field` says what to correct where there is no such paper. */
export function createStock(
  tx: Transaction,
  items: readonly NewStock[],
  field: (at: number) => string,
  more: MovementContext,
): StockItem[] {
  const asked = [...new Set(items.map((item) => item.paper))];
  const there = new Set(
    tx
      .select({ id: papers.id })
      .from(papers)
      .where(and(inArray(papers.id, asked), isNull(papers.removedAt)))
      .all()
      .map((p) => p.id),
  );
  const missing = items.findIndex((item) => !there.has(item.paper));
  if (missing >= 0)
    throw new RequestRefusal('bad-input', `${field(missing)}: there is no paper "${items[missing]!.paper}"`, {
      field: field(missing),
    });
  const made = items.map((item): StockItem => ({
    trim: NO_TRIM,
    turned: 0,
    reserved: false,
    came: more.at.slice(0, 10),
    ...item,
    origin: null,
  }));
  insertStock(tx, made, 'added', more);
  return made;
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** From so many on, rows are read all at once. */
const MANY = 200;
/** What of a row may be damaged, as people call it. */
const PARTS_OF_ROW: Readonly<Record<string, string>> = {
  trim: 'its margins',
  origin: 'where it came from',
  quantity: 'how many there are',
  outline: 'its outline',
  uncut: 'its lines that stay whole',
  reserves: 'what is saved of it',
};
/** Problems of a form that nobody typed, so that what they say of it tells nobody anything. */
const FORMS = new Set<JobIssue['problem']['code']>(['schema', 'left-out', 'wrong-kind', 'too-much', 'too-little']);
const whyUnreadable = (issue: JobIssue): string =>
  FORMS.has(issue.problem.code)
    ? `${PARTS_OF_ROW[String(issue.path[0])] ?? String(issue.path[0] ?? 'something of it')} cannot be read`
    : describeIssue(issue, TERMINAL);

/** A row as it was read: what it is, and why not where it cannot be read. */
interface LookedInto {
  readonly id: string;
  readonly paper: string;
  readonly seq: number;
  readonly item: StockItem;
  readonly why: string | null;
}
function lookedInto(row: StockRow): LookedInto {
  const item = stockItemOf(row);
  // what is used up is as it was when there was some
  const read = stockItemSchema.safeParse({ ...item, quantity: Math.max(1, item.quantity) });
  const why = read.success ? null : whyUnreadable(issueFromZod(read.error.issues[0]!));
  return { id: row.id, paper: row.paper, seq: row.seq, item, why };
}

/** Papers, the drawer, and the habits of the person who cuts. */
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
  private readonly known = new Map<string, LookedInto>();

  /** The rows of the drawer that something holds for; those that have not changed since they were looked into are not read again. */
  private rowsNow(where: SQL | undefined): LookedInto[] {
    const all = this.db.select({ id: stock.id, seq: stock.seq }).from(stock).where(where).all();
    const changed = all.filter(({ id, seq }) => this.known.get(id)?.seq !== seq);
    const ids = changed.map(({ id }) => id);
    // those that have changed by their names where they are few, else all of them
    const isOne = ids.length > MANY ? where : inArray(stock.id, ids);
    const rows = ids.length ? this.db.select().from(stock).where(isOne).all() : [];
    for (const row of rows) if (this.known.get(row.id)?.seq !== row.seq) this.known.set(row.id, lookedInto(row));
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

  habits(): HabitsRecord {
    const row = this.db.select().from(habits).where(eq(habits.id, 1)).get();
    if (!row) return { version: 0, habits: DEFAULT_HABITS };
    // habits that were stored before there was a choice about something have the usual one; so do those that cannot be read
    const { document, version } = row;
    const cutter = { ...DEFAULT_HABITS.cutter, ...document?.cutter };
    const read = habitsSchema.safeParse({ ...DEFAULT_HABITS, ...(isObject(document) ? document : {}), cutter });
    return { version: Number.isNaN(version) ? 0 : version, habits: read.success ? read.data : DEFAULT_HABITS };
  }

  rules(): DrawerRules {
    const row = this.db.select().from(rules).where(eq(rules.id, 1)).get();
    const read = rulesSchema.safeParse({ ...DEFAULT_RULES, ...(isObject(row?.document) ? row.document : {}) });
    return read.success ? read.data : DEFAULT_RULES;
  }

  saveRules(document: DrawerRules): DrawerRules {
    this.db.insert(rules).values({ id: 1, document }).onConflictDoUpdate({ target: rules.id, set: { document } }).run();
    return document;
  }

  saveHabits(document: Habits): HabitsRecord {
    const row = this.db
      .insert(habits)
      .values({ id: 1, document, version: 1 })
      .onConflictDoUpdate({ target: habits.id, set: { document, version: sql`${habits.version} + 1` } })
      .returning()
      .get();
    return { version: row.version, habits: document };
  }
}
