import { Inject, Injectable } from '@nestjs/common';
import { and, asc, desc, eq, gt, inArray, isNull, sql } from 'drizzle-orm';
import { Subject, filter, map, type Observable } from 'rxjs';
import { derivePage, type Page } from '@temnex/core/page';
import { findWrongCutFault, type CutProgress } from '@temnex/core/cutting';
import {
  beginSession,
  countPlanStepsDone,
  applySessionEvent,
  buildTrimmerSteps,
  type SessionDeed,
  type SessionEvent,
  type SessionState,
  type TrimmerStep,
} from '@temnex/core/trimmer';
import {
  storedEventSchema,
  type BeginSession,
  type PlanRecord,
  type SendEvents,
  type SentEvents,
  type Session,
  type SessionRecord,
  type SessionRest,
  type StoredEvent,
} from '@temnex/contract';
import { CuttingService } from '../cutting/cutting.service.ts';
import { book, cuttings, sessionEvents, sessions, stock } from '../database/schema.ts';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { DEFAULT_NAMES } from '@temnex/words';
import { PagesService, standingPieces } from '../pages/pages.service.ts';
import { PlansService, readStoredJob } from '../plans/plans.service.ts';

type Row = typeof sessions.$inferSelect;
/** So many sessions are listed. */
const LISTED = 1000;

/** So many sessions are remembered as they stand. */
const MAX_FOLDED = 200;
interface Folded {
  readonly seq: number;
  readonly state: SessionState;
}

/** What changes stock or what a session is; the rest is only put down as an event. */
const CHANGES_THE_BOOKS: ReadonlySet<SessionDeed['do']> = new Set(['wrong', 'right', 'order', 'end', 'on']);

const recordOf = ({ pages, ...row }: Row): SessionRecord => ({ ...row, pages: pages.split(' ') });

const WRONG_SAYS = {
  'no-such-step': 'There is no cut to have gone wrong at this step.',
  'no-such-stock': 'stock: say which paper was cut.',
  'left-too-large': 'left: that is more than was in hand.',
} as const;

/** Sessions at the trimmer: takes in what happened, once each, and carries out in the books what ends an order. */
@Injectable()
export class SessionsService {
  private readonly taken = new Subject<{ session: string; event: StoredEvent }>();
  /** The steps of orders; they never change. */
  private readonly steps = new Map<string, readonly TrimmerStep[]>();

  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PlansService) private readonly plans: PlansService,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(CuttingService) private readonly cutting: CuttingService,
  ) {}

  begin({ id, plan }: BeginSession): Session {
    return this.db.transaction((tx) => {
      const again = tx.select().from(sessions).where(eq(sessions.id, id)).get();
      if (again) return this.whole(tx, again);
      const order = this.plans.get(plan);
      const pages = (order.together ?? [order.page]).join(' ');
      const open = tx
        .select()
        .from(sessions)
        .where(and(eq(sessions.pages, pages), isNull(sessions.endedAt)))
        .get();
      const now = new Date().toISOString();
      const own = new Set(pages.split(' '));
      const others = tx.select().from(sessions).where(isNull(sessions.endedAt)).all();
      const other = others.find((one) => one.pages !== pages && one.pages.split(' ').some((page) => own.has(page)));
      // what is pencilled there would be cut here as well
      if (other && this.isBegun(tx, other))
        throw new RequestRefusal(
          'in-use',
          `${other.pages.includes(' ') ? 'Pages of this order are' : 'A page of this order is'} being cut in another session at the trimmer: put that one down first.`,
        );
      if (open) {
        // nothing of it is done: it gives way to the order of now
        const isFresh = this.stateOf(tx, open).plans.at(-1) !== plan && !this.isBegun(tx, open);
        if (!isFresh) return this.whole(tx, open);
        tx.update(sessions).set({ endedAt: now }).where(eq(sessions.id, open.id)).run();
      }
      const row: Row = { id, page: order.page, pages, plans: [plan], startedAt: now, endedAt: null };
      tx.insert(sessions).values(row).run();
      return this.whole(tx, row);
    });
  }

  /** Whether something was done in a session. */
  private isBegun(tx: Transaction, row: Row): boolean {
    const { at, order, phase } = this.stateOf(tx, row);
    return at > 0 || order > 0 || phase !== 'cutting';
  }

  list(page?: string): SessionRecord[] {
    return this.db
      .select()
      .from(sessions)
      .orderBy(desc(sessions.startedAt))
      .limit(LISTED)
      .all()
      .map(recordOf)
      .filter((s) => page === undefined || s.pages.includes(page));
  }

  one(id: string): Session {
    return this.whole(this.db, this.row(this.db, id));
  }

  /** What is asked of the planner for what is left of the session's pages, and from which state. */
  rest(id: string): SessionRest {
    const row = this.row(this.db, id);
    const { pages } = recordOf(row);
    const pencilled = this.pencilledIn(row);
    const each = pages.map((page) => this.plans.rest(page));
    const open = pages.filter((_, i) => each[i]!.left !== 'nothing');
    if (open.length < 2) {
      const at = pages.indexOf(open[0] ?? pages[0]!);
      return { ...each[at]!, pages: open, pencilled };
    }
    const { job, basis } = this.plans.together(open);
    return { job, basis, pages: open, left: job ? 'some' : 'unclear', pencilled };
  }

  /** What the session has pencilled on parts that lie in the drawer now. */
  private pencilledIn(row: Row): Record<string, string> {
    const events = this.stateOf(this.db, row).left.map(({ event }) => event);
    if (!events.length) return {};
    const kept = this.db
      .select({ kept: cuttings.kept })
      .from(cuttings)
      .where(inArray(cuttings.id, events))
      .all()
      .flatMap((cutting) => cutting.kept);
    const items = kept.length ? this.db.select().from(stock).where(inArray(stock.id, kept)).all() : [];
    return Object.fromEntries(items.flatMap((item) => (item.origin?.part ? [[item.id, item.origin.part]] : [])));
  }

  /** As they happen, from now on. Refuses a session that is not there. */
  told(id: string): Observable<StoredEvent> {
    this.row(this.db, id);
    return this.taken.pipe(
      filter(({ session }) => session === id),
      map(({ event }) => event),
    );
  }

  /**
   * Takes in what happened on a device, one after the other until one cannot be done, all of them in one transaction: what is
   * answered is on the disk. What one does to the books is taken back with it alone.
   */
  send(id: string, { events, since }: SendEvents): SentEvents {
    let refused: SentEvents['refused'] = null;
    const taken: StoredEvent[] = [];
    const after = this.db.transaction((tx) => {
      let state = this.stateOf(tx, this.row(tx, id));
      const known = knownEvents(tx, events);
      for (const event of events) {
        try {
          const session = known.get(event.id);
          if (session !== undefined && session !== id)
            throw new RequestRefusal('bad-input', 'id: this event belongs to another session.', { field: 'id' });
          if (session !== undefined) continue;
          const one = CHANGES_THE_BOOKS.has(event.deed.do)
            ? tx.transaction((own) => this.take(own, id, state, event))
            : this.take(tx, id, state, event);
          known.set(event.id, id);
          state = one.state;
          taken.push(one.taken);
        } catch (error) {
          if (!(error instanceof RequestRefusal)) throw error;
          refused = { event: event.id, refusal: error.refusal };
          break;
        }
      }
      return state;
    });
    const last = taken.at(-1);
    if (last) this.keepFolded(id, { seq: last.seq, state: after });
    for (const event of taken) this.taken.next({ session: id, event });
    const row = this.row(this.db, id);
    return { session: recordOf(row), events: this.eventsOf(this.db, id, since), refused };
  }

  /** What came of an event that was not taken in before. */
  private take(
    tx: Transaction,
    id: string,
    state: SessionState,
    event: SessionEvent,
  ): { taken: StoredEvent; state: SessionState } {
    const next = applySessionEvent(state, event, (plan) => this.stepsOf(plan).length);
    const idle = typeof next === 'string' ? next : null;
    if (typeof next !== 'string' && CHANGES_THE_BOOKS.has(event.deed.do))
      this.carryOut(tx, this.row(tx, id), state, event);
    const receivedAt = new Date().toISOString();
    const { seq } = tx
      .insert(sessionEvents)
      .values({ id: event.id, session: id, event, idle, receivedAt })
      .returning({ seq: sessionEvents.seq })
      .get();
    return { taken: { seq, event, idle }, state: typeof next === 'string' ? state : next };
  }

  /** What an event does to the books. */
  private carryOut(tx: Transaction, row: Row, state: SessionState, { id, deed }: SessionEvent): void {
    const plan = state.plans[state.order]!;
    switch (deed.do) {
      case 'wrong': {
        const done = countPlanStepsDone(this.stepsOf(plan), state.at);
        if (deed.wrong) {
          const record = this.plans.get(plan);
          const fault = findWrongCutFault(readStoredJob(record), record.plan, done, deed.wrong);
          if (fault) throw new RequestRefusal('bad-input', WRONG_SAYS[fault], { field: 'wrong' });
        }
        this.cutting.carryOut(tx, plan, id, {
          steps: done,
          spoiled: deed.spoiled,
          measured: [...state.measured.values()],
          ...(deed.wrong ? { wrong: deed.wrong } : {}),
        } satisfies CutProgress);
        return;
      }
      case 'end':
        if (state.phase === 'cutting') this.cutting.carryOut(tx, plan, id, { measured: [...state.measured.values()] });
        tx.update(sessions).set({ endedAt: new Date().toISOString() }).where(eq(sessions.id, row.id)).run();
        return;
      case 'right':
        this.cutting.takeBack(tx, state.left.at(-1)!.event);
        return;
      case 'on':
        if (state.ended !== null) this.cutting.takeBack(tx, state.ended);
        tx.update(sessions).set({ endedAt: null }).where(eq(sessions.id, row.id)).run();
        return;
      case 'order': {
        const order = this.plans.get(deed.plan);
        const own = new Set(row.pages.split(' '));
        if (!(order.together ?? [order.page]).every((page) => own.has(page)))
          throw new RequestRefusal('bad-input', 'plan: this order is for other pages.', { field: 'plan' });
        tx.update(sessions)
          .set({ plans: [...new Set([...row.plans, deed.plan])] })
          .where(eq(sessions.id, row.id))
          .run();
        return;
      }
      default:
    }
  }

  /** What came of a session's events; those that were looked at before are not looked at again. */
  private stateOf(tx: Transaction | Database, row: Row): SessionState {
    const known = this.foldedOf(row.id);
    const later = this.eventsOf(tx, row.id, known?.seq ?? 0);
    const state = later.reduce(
      (now, { event }) => {
        const next = applySessionEvent(now, event, (plan) => this.stepsOf(plan).length);
        return typeof next === 'string' ? now : next;
      },
      known?.state ?? beginSession(row.plans[0]!),
    );
    if (later.length) this.keepFolded(row.id, { seq: later.at(-1)!.seq, state });
    return state;
  }

  /** Sessions as they stood at one of their events, in this book: another one, as after a restoring, knows nothing of them. */
  private folded = { book: '', sessions: new Map<string, Folded>() };

  private foldedOf(id: string): Folded | undefined {
    const name = this.db.select({ name: book.name }).from(book).get()?.name ?? '';
    if (this.folded.book !== name) this.folded = { book: name, sessions: new Map() };
    return this.folded.sessions.get(id);
  }

  private keepFolded(id: string, folded: Folded): void {
    const { sessions: all } = this.folded;
    all.delete(id);
    all.set(id, folded);
    if (all.size > MAX_FOLDED) all.delete(all.keys().next().value!);
  }

  private stepsOf(plan: string): readonly TrimmerStep[] {
    let steps = this.steps.get(plan);
    if (!steps) {
      const record = this.plans.get(plan);
      this.steps.set(plan, (steps = buildTrimmerSteps(readStoredJob(record), record.plan)));
    }
    return steps;
  }

  private eventsOf(tx: Transaction | Database, session: string, since: number): StoredEvent[] {
    return (
      tx
        .select({ seq: sessionEvents.seq, event: sessionEvents.event, idle: sessionEvents.idle })
        .from(sessionEvents)
        .where(and(eq(sessionEvents.session, session), gt(sessionEvents.seq, since)))
        .orderBy(asc(sessionEvents.seq))
        .all()
        // one that cannot be read changed nothing
        .flatMap(({ event, idle, ...row }): StoredEvent[] => {
          const why = storedEventSchema.shape.idle.safeParse(idle);
          const read = storedEventSchema.safeParse({ ...row, event, idle: why.success ? why.data : null });
          return read.success ? [read.data] : [];
        })
    );
  }

  private whole(tx: Transaction | Database, row: Row): Session {
    const orders = row.plans.map((plan): PlanRecord => this.plans.get(plan));
    const session = recordOf(row);
    const documents = session.pages.flatMap((page) => this.pages.known(page) ?? []);
    const events = this.eventsOf(tx, row.id, 0);
    const kept = tx
      .select({ n: sql<number>`count(*)` })
      .from(sessionEvents)
      .where(eq(sessionEvents.session, row.id))
      .get()!.n;
    return {
      session,
      title: documents.map(({ name }) => name).join(', ') || 'a page that is gone',
      mark: documents[0]?.mark ?? '1/16',
      kit: documents.length === 1 ? kitOf(tx, documents[0]!, orders) : null,
      events,
      unreadable: kept - events.length,
      plans: orders,
    };
  }

  private row(tx: Transaction | Database, id: string): Row {
    const row = tx.select().from(sessions).where(eq(sessions.id, id)).get();
    if (!row) throw notFound('session at the trimmer');
    return row;
  }
}

/** Those of the events that were taken in before, each with its session. */
function knownEvents(tx: Transaction, events: readonly SessionEvent[]): Map<string, string> {
  const ids = events.map(({ id }) => id);
  const rows = tx
    .select({ id: sessionEvents.id, session: sessionEvents.session })
    .from(sessionEvents)
    .where(inArray(sessionEvents.id, ids))
    .all();
  return new Map(rows.map(({ id, session }) => [id, session]));
}

/** What is to be known to sort the pieces of a page that is made several times. */
function kitOf(tx: Transaction | Database, page: Page, orders: readonly PlanRecord[]): Session['kit'] {
  if (page.copies < 2) return null;
  const perPage = Object.fromEntries(derivePage(page, DEFAULT_NAMES).pieces.map((p) => [p.id, p.quantity]));
  const before: Record<string, Record<string, number>> = {};
  for (const { id, basis } of orders) {
    const cut = basis.cuts.length
      ? tx
          .select({ pieces: cuttings.pieces })
          .from(cuttings)
          .where(inArray(cuttings.id, [...basis.cuts]))
          .all()
      : [];
    const own: Record<string, number> = (before[id] = {});
    for (const { piece } of cut.flatMap((c) => standingPieces(c.pieces))) own[piece] = (own[piece] ?? 0) + 1;
  }
  return { copies: page.copies, names: page.bags ?? [], perPage, before };
}
