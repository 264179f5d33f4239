import { Inject, Injectable } from '@nestjs/common';
import { and, eq, gte, isNull, lt } from 'drizzle-orm';
import { parseStockQuery, type StockQuery } from '@temnex/core/stock';
import { bagOf, countPiecesFor, type UseUpCut } from '@temnex/core/cutting';
import { SCREEN, describeSearchProblem, describeStockItem } from '@temnex/words';
import {
  challengeSchema,
  type Challenge,
  type ChallengeRecord,
  type NewChallenge,
  type UnreadableRecord,
} from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { pickReadable, formatStored } from '../database/readable.ts';
import { challenges, cuttings } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { HabitsService } from '../habits/habits.service.ts';
import { PapersService } from '../papers/papers.service.ts';
import { PlansService } from '../plans/plans.service.ts';

/** What somebody has set out to use up, and how far it has come: counted anew from the cuts, so that one taken back counts no more. */
@Injectable()
export class ChallengesService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PapersService) private readonly papers: PapersService,
    @Inject(HabitsService) private readonly habits: HabitsService,
    @Inject(PlansService) private readonly plans: PlansService,
  ) {}

  list(): ChallengeRecord[] {
    return this.going().flatMap(({ id, document }) => {
      // one that cannot be read never closes the list
      const read = challengeSchema.safeParse(document);
      return read.success ? [this.recordOf(id, read.data)] : [];
    });
  }

  /** Those that cannot be read: what they are called, or what stands there. */
  setAside(): UnreadableRecord[] {
    return this.going()
      .filter(({ document }) => !challengeSchema.safeParse(document).success)
      .map(({ id, document }) => {
        const { name } = pickReadable({ name: challengeSchema.shape.name }, document ?? {});
        return { what: 'challenge', id, says: formatStored(name ?? document) };
      });
  }

  private going() {
    return this.db.select().from(challenges).where(isNull(challenges.removedAt)).orderBy(challenges.createdAt).all();
  }

  begin({ id, ...document }: NewChallenge): ChallengeRecord {
    return withIdempotencyKey(this.db, id, 'challenge', (tx) => {
      if (document.to < document.from)
        throw new RequestRefusal('bad-input', 'to: the last day is before the first.', { field: 'to' });
      this.soughtOf(document);
      tx.insert(challenges).values({ id, document, createdAt: new Date().toISOString() }).run();
      return this.recordOf(id, document);
    });
  }

  giveUp(id: string): void {
    const gone = this.db
      .update(challenges)
      .set({ removedAt: new Date().toISOString() })
      .where(and(eq(challenges.id, id), isNull(challenges.removedAt)))
      .returning({ id: challenges.id })
      .get();
    if (!gone) throw notFound('challenge');
  }

  /** The rule; ages in it are counted from the day on which it begins. */
  private soughtOf({ line, from }: Pick<Challenge, 'line' | 'from'>): StockQuery {
    const said = parseStockQuery(line, this.habits.habits().habits.unit, this.papers.places(), from);
    if (!said.ok)
      throw new RequestRefusal('bad-input', `line: ${describeSearchProblem(said.problem)}`, { field: 'line' });
    return said.sought;
  }

  private recordOf(id: string, document: Challenge): ChallengeRecord {
    const { from, to } = document;
    const end = new Date(Date.parse(to) + 86_400_000).toISOString().slice(0, 10);
    const rows = this.db
      .select()
      .from(cuttings)
      .where(and(isNull(cuttings.undoneAt), gte(cuttings.cutAt, from), lt(cuttings.cutAt, end)))
      .all();
    const cuts = rows.flatMap((row): UseUpCut[] => {
      // pages that were cut together are one cut, told by the first of them
      if (row.session !== null && row.session !== row.id) return [];
      // of an order that cannot be read nobody knows what came from what
      const order = this.plans.find(row.plan);
      if (!order) return [];
      const { plan, together } = order;
      const pieces = (together ?? [row.page]).flatMap((page, i) =>
        rows
          .filter((r) => (row.session === null ? r.id === row.id : r.session === row.id && r.page === page))
          .flatMap((r) => r.pieces.map((p) => (together ? `${bagOf(i)}:${p.piece}` : p.piece))),
      );
      return [{ day: row.cutAt.slice(0, 10), plan, pieces }];
    });
    const ids = [...new Set(cuts.flatMap(({ plan }) => plan.sheets.map((s) => s.stock)))];
    const items = this.papers.readableItemsBy(ids);
    const papers = this.papers.papers();
    const { counted, days, not } = countPiecesFor(this.soughtOf(document), cuts, papers, items);
    const names = new Map(papers.map((p) => [p.id, p.name]));
    const what = (of: string) => {
      const item = items.get(of)!;
      return `${describeStockItem(item, SCREEN)}, ${names.get(item.paper) ?? 'a paper that is gone'}`;
    };
    return { id, ...document, counted, days, not: not.map((n) => ({ ...n, what: what(n.stock), why: [...n.why] })) };
  }
}
