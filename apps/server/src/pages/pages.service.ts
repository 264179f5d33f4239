import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, isNull, sql, type SQLWrapper } from 'drizzle-orm';
import {
  basisOf,
  cutOf,
  cutStateOf,
  issueOf,
  migratePage,
  pageSchema,
  stageOf,
  wantedOf,
  type Basis,
  type Page,
  type WantingPage,
} from '@temnex/core';
import { TERMINAL, issueWords } from '@temnex/words';
import type { CreatePage, CuttingRecord, PageRecord, PageSummary, SavePage } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { once } from '../database/once.ts';
import { ParseCache } from '../database/parseCache.ts';
import { UNREADABLE_LIST, cuttings, habits, pages, papers, plans, type StoredSummary } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';
import { summaryOf } from './summary.ts';

type Row = typeof pages.$inferSelect;

function recordOf({ createdAt: _createdAt, summary: _summary, removedAt: _removedAt, ...row }: Row): PageRecord {
  const read = pageSchema.safeParse(migratePage(row.document));
  if (read.success) return { ...row, document: read.data };
  const { id, version, document } = row;
  throw new Refused(
    'unreadable',
    `This page cannot be read: ${issueWords(issueOf(read.error.issues[0]!), TERMINAL)}. It is kept as it is; mend its text, or take it out.`,
    { current: { id, version, document } },
  );
}

/** A column as it is stored, not parsed. */
const asText = (column: SQLWrapper) => sql<string>`${column}`;

@Injectable()
export class PagesService {
  /** What lists go through again and again, parsed once: summaries by page, what orders were made from, pieces by cut. */
  private readonly summaries = new ParseCache<StoredSummary>();
  private readonly bases = new ParseCache<Basis>();
  private readonly cutPieces = new ParseCache<CuttingRecord['pieces']>();

  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** From what was kept with each page when it was saved: none is worked out again. */
  list(): PageSummary[] {
    const orders = this.db
      .select({ id: plans.id, page: plans.page, basis: asText(plans.basis) })
      .from(plans)
      .where(isNull(plans.together))
      .orderBy(plans.createdAt, sql`rowid`)
      .all();
    this.bases.keep(new Set(orders.map(({ id }) => id)));
    const planned = new Map(orders.map((o) => [o.page, this.bases.of(o.id, o.basis)]));
    const cut = this.standingCuts();
    const revisions = this.db.select({ id: papers.id, revision: papers.revision }).from(papers).all();
    const habitsNow = this.db.select({ version: habits.version }).from(habits).get()?.version ?? 0;
    const rows = this.db
      .select({
        id: pages.id,
        version: pages.version,
        demo: pages.demo,
        updatedAt: pages.updatedAt,
        text: asText(pages.summary),
      })
      .from(pages)
      .where(isNull(pages.removedAt))
      .orderBy(desc(pages.updatedAt))
      .all();
    this.summaries.keep(new Set(rows.map(({ id }) => id)));
    return rows.map(({ id, version, demo, updatedAt, text }): PageSummary => {
      const summary = this.summaries.of(id, text);
      // one page that cannot be read never closes the list
      if (!readable(summary)) return { ...UNREADABLE, id, demo, updatedAt, name: this.nameInText(id) };
      const cuts = cut.get(id) ?? [];
      const now = basisOf(
        version,
        summary.pieces,
        revisions,
        habitsNow,
        cuts.map((c) => c.id),
      );
      const { name, width, height, unit, parts } = summary;
      const stage = stageOf(
        { ...summary, spares: summary.spares ?? [] },
        cuts.flatMap((c) => standing(c.pieces)),
        planned.get(id) ?? null,
        now,
      );
      const { pattern = false } = summary;
      return { id, name, width, height, unit, parts, pattern, demo, updatedAt, stage, unreadable: false };
    });
  }

  /** By page: what was cut of it and not taken back. */
  private standingCuts(): ReadonlyMap<string, readonly { id: string; pieces: CuttingRecord['pieces'] }[]> {
    const cut = new Map<string, { id: string; pieces: CuttingRecord['pieces'] }[]>();
    const rows = this.db
      .select({ id: cuttings.id, page: cuttings.page, text: asText(cuttings.pieces) })
      .from(cuttings)
      .where(isNull(cuttings.undoneAt))
      .all();
    this.cutPieces.keep(new Set(rows.map(({ id }) => id)));
    for (const { id, page, text } of rows) {
      const read = this.cutPieces.of(id, text);
      const row = { id, pieces: Array.isArray(read) ? read : (UNREADABLE_LIST as unknown as typeof read) };
      const of = cut.get(page);
      if (of) of.push(row);
      else cut.set(page, [row]);
    }
    return cut;
  }

  /** What every open page still wants cut: what is cut already, and will do, is left out. */
  wanting(): WantingPage[] {
    const rows = this.db
      .select({ id: pages.id, text: asText(pages.summary) })
      .from(pages)
      .where(isNull(pages.removedAt))
      .orderBy(desc(pages.updatedAt))
      .all();
    const cuts = this.standingCuts();
    return rows.flatMap(({ id, text }): WantingPage[] => {
      const summary = this.summaries.of(id, text);
      if (!readable(summary) || summary.pattern) return [];
      const { name, spares = [], copies } = summary;
      const order = { copies, spares };
      const cut = (cuts.get(id) ?? []).flatMap((c) => standing(c.pieces));
      const state = cutStateOf(summary.pieces, cut, (p) => wantedOf(p, order));
      const pieces = summary.pieces.flatMap(({ id: piece, width, height, quantity, wish }) => {
        const left = wantedOf({ id: piece, quantity }, order) - cutOf(state, piece);
        return left > 0 ? [{ id: piece, width, height, quantity: left, wish }] : [];
      });
      return pieces.length ? [{ id, name, pieces }] : [];
    });
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
    const name = sql<unknown>`case when json_valid(${pages.summary}) then json_extract(${pages.summary}, '$.name') end`;
    const rows = this.db.select({ id: pages.id, name }).from(pages).all();
    return new Map(rows.flatMap((row) => (typeof row.name === 'string' ? [[row.id, row.name]] : [])));
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
    return once(this.db, id, 'page', (tx) => {
      const now = new Date().toISOString();
      const row: Row = {
        id,
        version: 1,
        document,
        summary: summaryOf(document),
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
      .set({ document, summary: summaryOf(document), version: version + 1, updatedAt: new Date().toISOString() })
      .where(and(standingPage(id), eq(pages.version, version)))
      .returning()
      .get();
    if (row) return recordOf(row);
    const current = this.get(id);
    // the same save sent again, because its answer was lost, has been done
    if (current.version === version + 1 && same(current.document, document)) return current;
    throw new Refused(
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

const same = (a: Page, b: Page): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Pieces of a cut that have not become scraps since. */
export const standing = (pieces: CuttingRecord['pieces']): CuttingRecord['pieces'] => pieces.filter((p) => !p.scrap);
