import { Inject, Injectable } from '@nestjs/common';
import { asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { minutesOf, wantedAs, type Plan, type PlanNode, type SessionEvent } from '@temnex/core';
import type { RecordEntry, RecordQuery, RecordedCut, RecordedItem, TheRecord } from '@temnex/contract';
import { cuttings, papers, sessionEvents, sessions, stock } from '../database/schema.ts';
import { DATABASE, type Database } from '../database/types.ts';
import { PagesService } from '../pages/pages.service.ts';
import { PlansService } from '../plans/plans.service.ts';

/** So many entries at once. */
const AT_ONCE = 40;
/** No paper has gone through more hands than this. */
const LONGEST_CHAIN = 30;
type CuttingRow = typeof cuttings.$inferSelect;
type SessionRow = typeof sessions.$inferSelect;
type ListedCut = Pick<CuttingRow, 'id' | 'page' | 'session' | 'cutAt'>;

/** What was cut, when, from what, and what became of it; what was taken back stays in it. */
@Injectable()
export class RecordService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(PlansService) private readonly plans: PlansService,
  ) {}

  entries({ page, after }: RecordQuery): TheRecord {
    const all = this.listed(page);
    const shown = all.slice(after, after + AT_ONCE);
    const names = new Map<string, string>();
    return { entries: shown.map((one) => this.entryOf(one, names)), more: all.length > after + AT_ONCE };
  }

  /** Sessions, and cuts that belong to none, the latest first. */
  private listed(page: string | undefined): { at: string; session: SessionRow | null; cuts: ListedCut[] }[] {
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
    const isOf = (e: (typeof entries)[number]): boolean =>
      page === undefined || (e.session?.pages.split(' ') ?? e.cuts.map((c) => c.page)).includes(page);
    // begun and left with nothing done: nothing happened
    return entries
      .filter((e) => isOf(e) && (e.cuts.length > 0 || (e.session !== null && e.session.endedAt === null)))
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  private entryOf(
    { at, session, cuts: listed }: ReturnType<RecordService['listed']>[number],
    names: Map<string, string>,
  ): RecordEntry {
    const ids = listed.map((c) => c.id);
    const cuts = ids.length
      ? this.db.select().from(cuttings).where(inArray(cuttings.id, ids)).orderBy(asc(cuttings.cutAt)).all()
      : [];
    const pages = session?.pages.split(' ') ?? [...new Set(cuts.map((c) => c.page))];
    const events: SessionEvent[] = session
      ? this.db
          .select({ event: sessionEvents.event, idle: sessionEvents.idle })
          .from(sessionEvents)
          .where(eq(sessionEvents.session, session.id))
          .orderBy(asc(sessionEvents.seq))
          .all()
          .flatMap((e) => (e.idle === null ? [e.event] : []))
      : [];
    const undone = new Set(cuts.filter((c) => c.undoneAt).map((c) => c.id));
    return {
      id: session?.id ?? cuts[0]!.id,
      at,
      title: pages.map((id) => this.pageName(id, names)).join(', '),
      pages,
      session: session?.id ?? null,
      open: session !== null && session.endedAt === null,
      minutes: events.length ? minutesOf(events) : null,
      notes: events.flatMap(({ deed }) => (deed.do === 'note' ? [deed.text] : [])),
      wrong: events.flatMap(({ id, deed }) =>
        deed.do === 'wrong' && !undone.has(id) ? [{ how: deed.wrong?.how ?? null, spoiled: deed.spoiled.length }] : [],
      ),
      cuts: cuts.map((cut) => this.cutOf(cut, names)),
    };
  }

  private cutOf(cut: CuttingRow, names: Map<string, string>): RecordedCut {
    const plan = this.planOf(cut.plan);
    const froms = plan ? sheetsOfPieces(plan.plan) : new Map<string, string[]>();
    const bag = cut.session && cut.id !== cut.session ? cut.id.slice(cut.session.length + 1) : null;
    const itemsOf = (ids: readonly string[]) => {
      const rows = ids.length ? this.db.select().from(stock).where(inArray(stock.id, [...ids])).all() : []; // prettier-ignore
      return new Map(rows.map((r) => [r.id, r]));
    };
    const used = itemsOf(cut.used.map((u) => u.stock));
    const kept = itemsOf(cut.kept);
    return {
      id: cut.id,
      cutAt: cut.cutAt,
      undoneAt: cut.undoneAt,
      pieces: cut.pieces.map(({ scrap: _scrap, ...piece }) => {
        const key = bag || plan?.together ? `${bag ?? '1'}:${piece.piece}` : piece.piece;
        return {
          ...piece,
          name: plan?.names.get(key) ?? plan?.names.get(piece.piece) ?? piece.piece,
          paper: this.paperName(piece.paper),
          stock: froms.get(key)?.shift() ?? null,
        };
      }),
      used: cut.used.flatMap(({ stock: id, count }) => {
        const row = used.get(id);
        return row ? [{ ...this.itemOf(row, names), count }] : [];
      }),
      kept: cut.kept.flatMap((id) => {
        const row = kept.get(id);
        return row ? [{ ...this.itemOf(row, names), there: row.quantity }] : [];
      }),
    };
  }

  private planOf(id: string): { plan: Plan; names: ReadonlyMap<string, string>; together: boolean } | null {
    try {
      const record = this.plans.get(id);
      const pieces = (record.job as { pieces?: { id: string; name?: string }[] }).pieces ?? [];
      const names = new Map(pieces.map((p) => [wantedAs(p.id), p.name ?? p.id]));
      return { plan: record.plan, names, together: record.together !== null };
    } catch {
      // orders that were never cut are forgotten; of one that is gone the sizes are still known
      return null;
    }
  }

  private itemOf(row: typeof stock.$inferSelect, names: Map<string, string>): RecordedItem {
    const { unit, width, height, kind } = row;
    const from: RecordedItem['from'] = [];
    let at: typeof stock.$inferSelect | undefined = row;
    while (at?.origin && from.length < LONGEST_CHAIN) {
      const { origin } = at as { origin: NonNullable<typeof row.origin> };
      at = this.db.select().from(stock).where(eq(stock.id, origin.stock)).get();
      if (!at) break;
      from.push({
        ...{ stock: at.id, unit: at.unit, width: at.width, height: at.height },
        page: this.pageName(origin.page, names),
        day: origin.date,
      });
    }
    return { stock: row.id, paper: this.paperName(row.paper), kind, unit, width, height, came: row.came, from };
  }

  /** As its summary says; each is asked for once. */
  private pageName(id: string, names: Map<string, string>): string {
    const known = names.get(id);
    if (known !== undefined) return known;
    const name = this.pages.nameOf(id) ?? 'a page that is gone';
    names.set(id, name);
    return name;
  }

  private paperName(id: string): string {
    return (
      this.db.select({ name: papers.name }).from(papers).where(eq(papers.id, id)).orderBy(desc(papers.seq)).get()
        ?.name ?? 'a paper that is gone'
    );
  }
}

/** From which items copies of each piece come, in the order of the sheets. */
function sheetsOfPieces(plan: Plan): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const { stock: item, tree } of plan.sheets) {
    const walk = (node: PlanNode): void => {
      if (node.holds && typeof node.holds === 'object') {
        const piece = wantedAs(node.holds.piece);
        found.set(piece, [...(found.get(piece) ?? []), item]);
      }
      node.parts?.forEach(walk);
      if (node.opening) walk(node.opening);
    };
    walk(tree);
  }
  return found;
}
