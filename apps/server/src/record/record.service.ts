import { Inject, Injectable } from '@nestjs/common';
import { and, asc, inArray, isNull, sql } from 'drizzle-orm';
import { parseLength, type LengthText } from '@temnex/core/length';
import type { StockItem } from '@temnex/core/stock';
import { measureHandling, type Handling, type Plan, type PlanNode } from '@temnex/core/planner';
import { pagePieceIdOf } from '@temnex/core/cutting';
import { countMinutes, type SessionEvent } from '@temnex/core/trimmer';
import {
  handlingSchema,
  type RecordEntry,
  type RecordQuery,
  type RecordedCut,
  type RecordedItem,
  type RecordPage,
} from '@temnex/contract';
import { isUnreadable } from '../cutting/cuts.ts';
import { cuttings, papers, plans, sessionEvents, sessions } from '../database/schema.ts';
import { TableCache } from '../database/tableVersions.ts';
import { DATABASE, type Database } from '../database/types.ts';
import { PagesService } from '../pages/pages.service.ts';
import { PapersService } from '../papers/papers.service.ts';

/** So many entries at once. */
const AT_ONCE = 20;
/** Orders of which it is remembered what their pieces are called. */
const MAX_ORDERS = 2000;
/** No paper has gone through more hands than this. */
const LONGEST_CHAIN = 30;
type CuttingRow = typeof cuttings.$inferSelect;
type SessionRow = typeof sessions.$inferSelect;
type ListedCut = Pick<CuttingRow, 'id' | 'page' | 'session' | 'cutAt'>;
/** A session, or cuts that belong to none. */
interface Entry {
  readonly at: string;
  readonly session: SessionRow | null;
  readonly cuts: readonly ListedCut[];
}
const pagesOf = ({ session, cuts }: Entry): string[] => session?.pages.split(' ') ?? cuts.map((c) => c.page);

/** What was cut, when, from what, and what became of it; what was taken back stays in it. */
@Injectable()
export class RecordService {
  private readonly orders = new Map<string, KnownOrder>();
  private readonly listed: TableCache<Entry[]>;

  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(PapersService) private readonly papers: PapersService,
  ) {
    this.listed = new TableCache(db, ['cuttings', 'sessions', 'session_events'], () => this.readListed());
  }

  entries({ page, after }: RecordQuery): RecordPage {
    const all = this.listed.get().filter((entry) => page === undefined || pagesOf(entry).includes(page));
    const shown = all.slice(after, after + AT_ONCE);
    const known = this.knownOf(shown);
    return { entries: shown.map((one) => entryOf(one, known)), more: all.length > after + AT_ONCE };
  }

  /** All that these entries speak of, each kind asked for at once. */
  private knownOf(shown: readonly Entry[]): Known {
    const { db } = this;
    const among = <T>(ids: Iterable<string>, ask: (ids: string[]) => T[]): T[] => {
      const list = [...new Set(ids)];
      return list.length ? ask(list) : [];
    };
    const cuts = among(
      shown.flatMap((e) => e.cuts.map((c) => c.id)),
      (ids) => db.select().from(cuttings).where(inArray(cuttings.id, ids)).orderBy(asc(cuttings.cutAt)).all(),
    );
    const events = new Map<string, SessionEvent[]>();
    for (const { session, event } of among(
      shown.flatMap((e) => (e.session ? [e.session.id] : [])),
      (ids) =>
        db
          .select({ session: sessionEvents.session, event: sessionEvents.event })
          .from(sessionEvents)
          .where(and(inArray(sessionEvents.session, ids), isNull(sessionEvents.idle)))
          .orderBy(asc(sessionEvents.seq))
          .all(),
    ))
      events.set(session, [...(events.get(session) ?? []), event]);
    if (this.orders.size > MAX_ORDERS) this.orders.clear();
    // an order that is kept never changes, so what is known of one stays
    const orders = among(
      cuts.flatMap((c) => (this.orders.has(c.plan) ? [] : [c.plan])),
      (ids) =>
        db
          .select({ id: plans.id, plan: plans.plan, job: plans.job, together: plans.together })
          .from(plans)
          .where(inArray(plans.id, ids))
          .all(),
    );
    for (const row of orders) this.orders.set(row.id, orderOf(row));
    const items = new Map<string, StockItem>();
    let wanted = new Set(cuts.flatMap((c) => [...c.used.map((u) => u.stock), ...c.kept]));
    // what they came from, and what that came from
    for (let hand = 0; wanted.size && hand <= LONGEST_CHAIN; hand++) {
      const found = this.papers.itemsBy([...wanted]);
      for (const [id, item] of found) items.set(id, item);
      wanted = new Set(
        [...found.values()].flatMap(({ origin }) =>
          typeof origin?.stock === 'string' && !items.has(origin.stock) ? [origin.stock] : [],
        ),
      );
    }
    const pageNames = new Map(this.pages.names());
    return {
      cuts: new Map(cuts.map((c) => [c.id, c])),
      events,
      plans: this.orders,
      items,
      papers: new Map(
        db
          .select({ id: papers.id, name: papers.name })
          .from(papers)
          .all()
          .map((p) => [p.id, p.name]),
      ),
      pageName: (id) => {
        const name = pageNames.get(id) ?? this.pages.nameOf(id) ?? 'a page that is gone';
        pageNames.set(id, name);
        return name;
      },
    };
  }

  /** Sessions, and cuts that belong to none, the latest first. */
  private readListed(): Entry[] {
    // what each took and gave is read of those that are shown
    const { id, page: of, session: session_, cutAt } = cuttings;
    const cuts: ListedCut[] = this.db
      .select({ id, page: of, session: session_, cutAt })
      .from(cuttings)
      .orderBy(asc(cuttings.cutAt))
      .all();
    const rows = this.db.select().from(sessions).all();
    // a cut that a session made is called by the event that made it
    const ofEvent = new Map(
      this.db
        .select({ id: sessionEvents.id, session: sessionEvents.session })
        .from(sessionEvents)
        .where(sql`${sessionEvents.id} in (select coalesce(${cuttings.session}, ${cuttings.id}) from ${cuttings})`)
        .all()
        .map((e) => [e.id, e.session]),
    );
    const bySession = new Map<string, ListedCut[]>();
    const alone: ListedCut[][] = [];
    for (const cut of cuts) {
      const session = ofEvent.get(cut.session ?? cut.id);
      if (session !== undefined) bySession.set(session, [...(bySession.get(session) ?? []), cut]);
      else {
        const first = alone.find((list) => cut.session !== null && list[0]!.session === cut.session);
        if (first) first.push(cut);
        else alone.push([cut]);
      }
    }
    const entries = [
      ...rows.map((session) => ({ at: session.startedAt, session, cuts: bySession.get(session.id) ?? [] })),
      ...alone.map((list) => ({ at: list[0]!.cutAt, session: null, cuts: list })),
    ];
    // begun and left with nothing done: nothing happened
    return entries
      .filter((e) => e.cuts.length > 0 || (e.session !== null && e.session.endedAt === null))
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  }
}

/** What the entries that are shown speak of. */
interface Known {
  readonly cuts: ReadonlyMap<string, CuttingRow>;
  /** By session, those that changed something. */
  readonly events: ReadonlyMap<string, readonly SessionEvent[]>;
  readonly plans: ReadonlyMap<string, KnownOrder>;
  readonly items: ReadonlyMap<string, StockItem>;
  readonly papers: ReadonlyMap<string, string>;
  readonly pageName: (id: string) => string;
}
/** An order that was cut: what its pieces are called and from which items they come. */
interface KnownOrder {
  readonly names: ReadonlyMap<string, string>;
  readonly from: ReadonlyMap<string, readonly string[]>;
  readonly together: boolean;
  /** Null where its steps cannot be read. */
  readonly handling: Handling | null;
}

function orderOf({ plan, job, together }: { plan: unknown; job: unknown; together: unknown }): KnownOrder {
  const pieces = (job as { pieces?: { id: string; name?: string }[] } | null)?.pieces;
  const names = new Map((Array.isArray(pieces) ? pieces : []).map((p) => [pagePieceIdOf(p.id), p.name ?? p.id]));
  const sheets = (plan as Partial<Plan> | null)?.sheets;
  return {
    names,
    from: Array.isArray(sheets) ? sheetsOfPieces(sheets) : new Map(),
    together: together !== null,
    handling: handlingIfReadable(plan),
  };
}

/** An order whose row was damaged costs only what would be said of it. */
function handlingIfReadable(plan: unknown): Handling | null {
  try {
    return handlingSchema.safeParse(measureHandling(plan as Plan)).data ?? null;
  } catch {
    return null;
  }
}

function entryOf({ at, session, cuts: listed }: Entry, known: Known): RecordEntry {
  const cuts = listed.flatMap(({ id }) => known.cuts.get(id) ?? []);
  const pages = session?.pages.split(' ') ?? [...new Set(cuts.map((c) => c.page))];
  const events = (session && known.events.get(session.id)) ?? [];
  const undone = new Set(cuts.filter((c) => c.undoneAt).map((c) => c.id));
  return {
    id: session?.id ?? cuts[0]!.id,
    at,
    title: pages.map(known.pageName).join(', '),
    pages,
    session: session?.id ?? null,
    open: session !== null && session.endedAt === null,
    minutes: events.length ? countMinutes(events) : null,
    notes: events.flatMap(({ deed }) => (deed.do === 'note' ? [deed.text] : [])),
    wrong: events.flatMap(({ id, deed }) =>
      deed.do === 'wrong' && !undone.has(id) ? [{ how: deed.wrong?.how ?? null, spoiled: deed.spoiled.length }] : [],
    ),
    cuts: cuts.map((cut) => cutOf(cut, known)),
    handling: [...new Set(cuts.flatMap((c) => (c.undoneAt ? [] : [c.plan])))].flatMap(
      (plan) => known.plans.get(plan)?.handling ?? [],
    ),
  };
}

function cutOf(cut: CuttingRow, known: Known): RecordedCut {
  // of an order that is gone the sizes are still known
  const order = known.plans.get(cut.plan);
  const left = new Map([...(order?.from ?? [])].map(([piece, items]) => [piece, [...items]]));
  const bag = cut.session && cut.id !== cut.session ? cut.id.slice(cut.session.length + 1) : null;
  const item = (id: string): [RecordedItem, StockItem] | null => {
    const row = known.items.get(id);
    return row ? [itemOf(row, known), row] : null;
  };
  return {
    id: cut.id,
    cutAt: cut.cutAt,
    undoneAt: cut.undoneAt,
    ...(isUnreadable(cut) ? { unreadable: true as const } : {}),
    pieces: cut.pieces.map(({ scrap: _scrap, ...piece }) => {
      const key = bag || order?.together ? `${bag ?? '1'}:${piece.piece}` : piece.piece;
      return {
        ...piece,
        name: order?.names.get(key) ?? order?.names.get(piece.piece) ?? piece.piece,
        paper: paperName(piece.paper, known),
        stock: left.get(key)?.shift() ?? null,
      };
    }),
    used: cut.used.flatMap(({ stock: id, count }) => {
      const found = item(id);
      return found ? [{ ...found[0], count }] : [];
    }),
    kept: cut.kept.flatMap((id) => {
      const found = item(id);
      const there = found?.[1].quantity ?? 0;
      return found ? [{ ...found[0], there: Number.isNaN(there) ? 0 : there }] : [];
    }),
  };
}

function itemOf(row: StockItem, known: Known): RecordedItem {
  const { kind, came } = row;
  const from: RecordedItem['from'] = [];
  let at: StockItem | undefined = row;
  while (at?.origin && from.length < LONGEST_CHAIN) {
    const { origin } = at as { origin: NonNullable<StockItem['origin']> };
    at = known.items.get(origin.stock);
    if (!at) break;
    from.push({
      stock: at.id,
      ...readItemSize(at),
      page: known.pageName(origin.page),
      day: origin.date,
    });
  }
  return { stock: row.id, paper: paperName(row.paper, known), kind, ...readItemSize(row), came: came ?? null, from };
}

/** The size of an item as it was typed; nothing of a side that cannot be read. */
function readItemSize({ unit, width, height }: StockItem): Pick<RecordedItem, 'unit' | 'width' | 'height'> {
  const read = (side: LengthText) => (parseLength(side, unit).ok ? side : null);
  const isKnown = unit === 'in' || unit === 'mm';
  return isKnown ? { unit, width: read(width), height: read(height) } : { unit: 'in', width: null, height: null };
}

const paperName = (id: string, { papers: names }: Known): string => names.get(id) ?? 'a paper that is gone';

/** From which items copies of each piece come, in the order of the sheets. */
function sheetsOfPieces(sheets: Plan['sheets']): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const { stock: item, tree } of sheets) {
    const walk = (node: PlanNode): void => {
      if (node.holds && typeof node.holds === 'object') {
        const piece = pagePieceIdOf(node.holds.piece);
        found.set(piece, [...(found.get(piece) ?? []), item]);
      }
      node.parts?.forEach(walk);
      if (node.opening) walk(node.opening);
    };
    walk(tree);
  }
  return found;
}
