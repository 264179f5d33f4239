import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Size } from '@temnex/core/geometry';
import { migratePage, pageSchema, type Page } from '@temnex/core/page';
import { issueFromZod } from '@temnex/core/planner';
import {
  buildBasis,
  cutCountOf,
  assessCutPieces,
  findOftenCutSizes,
  isSameBasis,
  stageOf,
  wantedCountOf,
  type Basis,
  type CutState,
  type WantingPage,
} from '@temnex/core/cutting';
import { TERMINAL, describeIssue } from '@temnex/words';
import type { CreatePage, CuttingRecord, PageRecord, PageSummary, SavePage } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { RowCache } from '../database/rowCache.ts';
import { TableCache } from '../database/tableVersions.ts';
import { cuttings, habits, pages, papers, plans, type StoredSummary } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { summarizePage } from './summary.ts';

type Row = typeof pages.$inferSelect;

function recordOf({ createdAt: _createdAt, summary: _summary, removedAt: _removedAt, ...row }: Row): PageRecord {
  const read = pageSchema.safeParse(migratePage(row.document));
  if (read.success && !Number.isNaN(row.version)) return { ...row, document: read.data };
  const { id, document } = row;
  // the number of its changes is set right when the file is opened again
  const version = Number.isNaN(row.version) ? 1 : row.version;
  if (read.success)
    throw new RequestRefusal(
      'unreadable',
      'How often this page was changed cannot be read. Start Temnex again: that sets it right.',
      {
        current: { id, version, document },
      },
    );
  const isText = typeof document !== 'object' || document === null;
  const why = isText ? 'what is stored is no page' : describeIssue(issueFromZod(read.error.issues[0]!), TERMINAL);
  throw new RequestRefusal(
    'unreadable',
    `This page cannot be read: ${why}. It is kept as it is; mend its text, or take it out.`,
    { current: { id, version, document } },
  );
}

/** What lists need of a page: its row, and the summary that was kept when it was saved; null where that cannot be read. */
interface Listed {
  readonly id: string;
  readonly version: number;
  readonly demo: boolean;
  readonly updatedAt: string;
  readonly removedAt: string | null;
  readonly summary: StoredSummary | null;
}
/** A cut that was not taken back. */
interface StandingCut {
  readonly id: string;
  readonly pieces: CuttingRecord['pieces'];
}
const NOTHING_CUT: readonly StandingCut[] = [];

@Injectable()
export class PagesService {
  private readonly summaries: RowCache<StoredSummary>;
  private readonly bases: RowCache<Basis>;
  private readonly listed: TableCache<readonly Listed[]>;
  private readonly latestOrders: TableCache<ReadonlyMap<string, Basis>>;
  private readonly standingCuts: TableCache<ReadonlyMap<string, readonly StandingCut[]>>;
  /** By page, what the pieces that are cut are still good for, and of which summary and cuts that holds. */
  private readonly states = new WeakMap<
    StoredSummary,
    { readonly cuts: readonly StandingCut[]; readonly state: CutState }
  >();

  constructor(@Inject(DATABASE) private readonly db: Database) {
    // one that is no JSON is read as none
    this.summaries = new RowCache(db, (ids) =>
      db
        .select({ id: pages.id, summary: pages.summary })
        .from(pages)
        .where(inArray(pages.id, ids))
        .all()
        .map((row) => [row.id, row.summary]),
    );
    this.bases = new RowCache(db, (ids) =>
      db
        .select({ id: plans.id, basis: plans.basis })
        .from(plans)
        .where(inArray(plans.id, ids))
        .all()
        .map((row) => [row.id, row.basis]),
    );
    this.listed = new TableCache(db, ['pages'], () => this.readListed());
    this.latestOrders = new TableCache(db, ['plans'], () => this.readLatestOrders());
    this.standingCuts = new TableCache(db, ['cuttings'], () => this.readStandingCuts());
  }

  /** All pages, also those that were taken out, the latest first: from what was kept with each when it was saved. */
  all(): readonly Listed[] {
    return this.listed.get();
  }

  private readListed(): Listed[] {
    const { id, version, demo, updatedAt, removedAt } = pages;
    const rows = this.db
      .select({ id, version, demo, updatedAt, removedAt })
      .from(pages)
      .orderBy(desc(pages.updatedAt))
      .all();
    const summaries = this.summaries.of(rows.map((row) => ({ id: row.id, stamp: `${row.version} ${row.updatedAt}` })));
    return rows.map((row) => {
      const summary = summaries.get(row.id);
      return { ...row, summary: summary && readable(summary) ? summary : null };
    });
  }

  list(): PageSummary[] {
    const orders = this.latestOrders.get();
    const cut = this.standingCuts.get();
    const known = this.db.select({ id: papers.id, revision: papers.revision }).from(papers).all();
    const revisions = new Map(known.map((paper) => [paper.id, paper]));
    const habitsNow = this.db.select({ version: habits.version }).from(habits).get()?.version ?? 0;
    return this.listed.get().flatMap(({ removedAt, summary, ...row }): PageSummary[] => {
      if (removedAt !== null) return [];
      const { id, version, demo, updatedAt } = row;
      // one page that cannot be read never closes the list
      if (!summary) return [{ ...UNREADABLE, id, demo, updatedAt, name: this.nameInText(id) }];
      const cuts = cut.get(id) ?? NOTHING_CUT;
      const order = orders.get(id);
      const isCurrent = () => {
        const ids = cuts.map((c) => c.id);
        const wished = new Set(summary.pieces.flatMap(({ wish }) => wish?.papers ?? []));
        const papersNow = [...wished].flatMap((paper) => revisions.get(paper) ?? []);
        return isSameBasis(order!, buildBasis(version, summary.pieces, papersNow, habitsNow, ids));
      };
      const stage = stageOf(
        { ...summary, spares: summary.spares ?? [] },
        this.stateOf(summary, cuts),
        order ? (isCurrent() ? 'current' : 'old') : 'none',
      );
      const { name, width, height, unit, parts, pattern = false } = summary;
      return [{ id, name, width, height, unit, parts, pattern, demo, updatedAt, stage, unreadable: false }];
    });
  }

  /** By page: what its latest cutting order was made from. */
  private readLatestOrders(): ReadonlyMap<string, Basis> {
    const orders = this.db
      .select({ id: plans.id, page: plans.page })
      .from(plans)
      .where(isNull(plans.together))
      .orderBy(plans.createdAt, sql`rowid`)
      .all();
    const latest = new Map(orders.map(({ id, page }) => [page, id]));
    // what an order was made from never changes
    const bases = this.bases.of([...latest.values()].map((id) => ({ id, stamp: '' })));
    return new Map(
      [...latest].map(([page, id]) => {
        const basis = bases.get(id);
        return [page, basis && isBasis(basis) ? basis : NEVER];
      }),
    );
  }

  private stateOf(summary: StoredSummary, cuts: readonly StandingCut[]): CutState {
    const known = this.states.get(summary);
    if (known && sameCuts(known.cuts, cuts)) return known.state;
    const order = { copies: summary.copies, spares: summary.spares ?? [] };
    const state = assessCutPieces(
      summary.pieces,
      cuts.flatMap((c) => standingPieces(c.pieces)),
      (p) => wantedCountOf(p, order),
    );
    this.states.set(summary, { cuts, state });
    return state;
  }

  /** By page: what was cut of it and not taken back. */
  private readStandingCuts(): ReadonlyMap<string, readonly StandingCut[]> {
    const cut = new Map<string, StandingCut[]>();
    const { id, page, pieces } = cuttings;
    for (const row of this.db.select({ id, page, pieces }).from(cuttings).where(isNull(cuttings.undoneAt)).all())
      cut.set(row.page, [...(cut.get(row.page) ?? []), row]);
    return cut;
  }

  /** What every open page still wants cut: what is cut already, and will do, is left out. */
  wanting(): WantingPage[] {
    const cuts = this.standingCuts.get();
    return this.listed.get().flatMap(({ id, removedAt, summary }): WantingPage[] => {
      if (removedAt !== null || !summary || summary.pattern) return [];
      const { name, spares = [], copies } = summary;
      const order = { copies, spares };
      const state = this.stateOf(summary, cuts.get(id) ?? NOTHING_CUT);
      const pieces = summary.pieces.flatMap(({ id: piece, width, height, quantity, wish }) => {
        const left = wantedCountOf({ id: piece, quantity }, order) - cutCountOf(state, piece);
        return left > 0 ? [{ id: piece, width, height, quantity: left, wish }] : [];
      });
      return pieces.length ? [{ id, name, pieces }] : [];
    });
  }

  /** Sizes that were cut for several pages, also of those that were taken out since. */
  oftenCut(): Size[] {
    const cuts = this.standingCuts.get();
    return findOftenCutSizes(
      this.listed.get().flatMap(({ id, summary }) => {
        if (!summary || !cuts.has(id)) return [];
        const state = this.stateOf(summary, cuts.get(id)!);
        return [{ pieces: summary.pieces.filter(({ id: piece }) => cutCountOf(state, piece) > 0) }];
      }),
    );
  }

  get(id: string): PageRecord {
    const row = this.db.select().from(pages).where(standingPage(id)).get();
    if (!row) throw notFound('page');
    return recordOf(row);
  }

  /** The document of a page, also of one that was taken out; null where it is gone, or cannot be read. */
  known(id: string): Page | null {
    const row = this.db.select().from(pages).where(eq(pages.id, id)).get();
    try {
      return row ? recordOf(row).document : null;
    } catch {
      return null;
    }
  }

  /** What a page is called, also one that was taken out; null where it is gone. */
  nameOf(id: string): string | null {
    const row = this.db.select({ summary: pages.summary }).from(pages).where(eq(pages.id, id)).get();
    if (!row) return null;
    return typeof row.summary?.name === 'string' ? row.summary.name : this.nameInText(id);
  }

  /** What pages are called whose summaries say it, also those that were taken out. */
  names(): ReadonlyMap<string, string> {
    return new Map(this.listed.get().flatMap(({ id, summary }) => (summary ? [[id, summary.name]] : [])));
  }

  /** What a page is called whose summary does not say. */
  private nameInText(id: string): string {
    const text = this.db
      .select({ text: sql<string>`cast(${pages.document} as text)` })
      .from(pages)
      .where(eq(pages.id, id))
      .get()?.text;
    return /"name":"([^"\\]{1,80})"/.exec(text ?? '')?.[1] ?? 'A page that cannot be read';
  }

  create({ id, document }: CreatePage): PageRecord {
    return withIdempotencyKey(this.db, id, 'page', (tx) => {
      const now = new Date().toISOString();
      const row: Row = {
        id,
        version: 1,
        document,
        summary: summarizePage(document),
        demo: false,
        createdAt: now,
        updatedAt: now,
        removedAt: null,
      };
      tx.insert(pages).values(row).run();
      return recordOf(row);
    });
  }

  /** Saves over exactly the version it was made from; otherwise refuses, with what is stored now. */
  save(id: string, { version, document }: SavePage): PageRecord {
    const row = this.db
      .update(pages)
      .set({ document, summary: summarizePage(document), version: version + 1, updatedAt: new Date().toISOString() })
      .where(and(standingPage(id), eq(pages.version, version)))
      .returning()
      .get();
    if (row) return recordOf(row);
    const current = this.get(id);
    // the same save sent again, because its answer was lost, has been done
    if (current.version === version + 1 && same(current.document, document)) return current;
    throw new RequestRefusal(
      'stale',
      'This page was changed elsewhere since you opened it. Both versions are kept until you choose.',
      { current },
    );
  }

  /** Taken out, with its cuts and orders, to be brought back. */
  remove(id: string): void {
    const removedAt = new Date().toISOString();
    const gone = this.db.update(pages).set({ removedAt }).where(standingPage(id)).returning({ id: pages.id }).get();
    if (!gone) throw notFound('page');
  }
}

const standingPage = (id: string) => and(eq(pages.id, id), isNull(pages.removedAt));

const readable = (summary: StoredSummary): boolean =>
  typeof summary?.name === 'string' && Array.isArray(summary.pieces) && summary.pieces.every((p) => p?.id);
const UNREADABLE = {
  width: '',
  height: '',
  unit: 'in',
  parts: 0,
  pattern: false,
  stage: 'sizing',
  unreadable: true,
} as const;

/** What an order was made from where that cannot be read: a state that never comes again. */
const NEVER: Basis = { pageVersion: -1, papers: {}, habits: -1, cuts: [] };
const isBasis = ({ papers: of, cuts }: Partial<Basis>): boolean =>
  typeof of === 'object' && of !== null && Array.isArray(cuts);
const sameCuts = (a: readonly StandingCut[], b: readonly StandingCut[]): boolean =>
  a.length === b.length && a.every((one, i) => one.pieces === b[i]!.pieces);
const same = (a: Page, b: Page): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Pieces of a cut that have not become scraps since. */
export const standingPieces = (pieces: CuttingRecord['pieces']): CuttingRecord['pieces'] =>
  pieces.filter((p) => !p.scrap);
