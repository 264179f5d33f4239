import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { drawerFor } from '@temnex/core/stock';
import { derivePage } from '@temnex/core/page';
import { readJob, verifyPlan, withBlocks, type Aim, type Job, type JobDocument, type Plan } from '@temnex/core/planner';
import {
  bagOf,
  buildBasis,
  mergeBases,
  buildPageJob,
  mergeJobs,
  isSameBasis,
  addOtherWantsToJob,
  type Basis,
} from '@temnex/core/cutting';
import { DEFAULT_NAMES, TERMINAL, describeIssue, formatPath } from '@temnex/words';
import {
  basisSchema,
  planRecordSchema,
  type PlanRecord,
  type SessionRest,
  type StorePlan,
  type StoreTogether,
  type Together,
} from '@temnex/contract';
import { standingCutsOf } from '../cutting/cuts.ts';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { cuttings, plans, sessions } from '../database/schema.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { PagesService, standingPieces } from '../pages/pages.service.ts';
import { HabitsService } from '../habits/habits.service.ts';
import { PapersService } from '../papers/papers.service.ts';

type Row = typeof plans.$inferSelect;
/** So many cutting orders of a page are kept, beside those that were cut. */
const KEPT = 5;
/** Of an order of which it cannot be read from what it was made: it never is the latest. */
const FROM_NOTHING: Basis = { pageVersion: 1, papers: {}, habits: -1, cuts: [] };
const readRecord = ({ together, ...row }: Row): PlanRecord | null => {
  const basis = basisSchema.safeParse(row.basis);
  const read = planRecordSchema.safeParse({
    ...row,
    together: together?.split(' ') ?? null,
    basis: basis.success ? basis.data : FROM_NOTHING,
  });
  return read.success ? read.data : null;
};
function recordOf(row: Row): PlanRecord {
  const record = readRecord(row);
  if (!record) throw new RequestRefusal('unreadable', 'This cutting order cannot be read. Work it out again.');
  return record;
}

/** A job as stored, read again. It was made here, so a failure is a fault of ours. */
export function readStoredJob(record: Pick<PlanRecord, 'job'>): Job {
  const read = readJob(record.job);
  if (!read.ok) throw new Error('a stored job no longer reads');
  return read.job;
}

@Injectable()
export class PlansService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PagesService) private readonly pages: PagesService,
    @Inject(PapersService) private readonly papers: PapersService,
    @Inject(HabitsService) private readonly habits: HabitsService,
  ) {}

  /** What is asked of the planner for a page as everything stands now. */
  asked(pageId: string, aim: Aim): { basis: Basis; job: JobDocument } {
    const { basis, asked } = this.askedOf(pageId, aim, pageId);
    if (!asked.ok)
      throw new RequestRefusal('out-of-date', 'Nothing can be planned for this page as it is now. Open it again.');
    return { basis, job: this.besideOthers(asked.job, [pageId]) };
  }

  /** A job with what all pages but its own still want from its papers, or else was often cut. */
  private besideOthers(job: JobDocument, own: readonly string[]): JobDocument {
    return addOtherWantsToJob(
      job,
      this.pages.wanting().filter(({ id }) => !own.includes(id)),
      this.pages.oftenCut(),
    );
  }

  /** What is left to be cut of a page. */
  rest(pageId: string): Omit<SessionRest, 'pages' | 'pencilled'> {
    const { basis, asked } = this.askedOf(pageId, this.habits.habits().habits.aim, pageId);
    if (asked.ok) return { job: this.besideOthers(asked.job, [pageId]), basis, left: 'some' };
    return { job: null, basis, left: asked.problem.code === 'nothing-to-cut' ? 'nothing' : 'unclear' };
  }

  /** The same for one of several pages that are cut together: what they keep is theirs together. */
  private askedOf(pageId: string, aim: Aim, pages: string | readonly string[]) {
    const { document, version } = this.pages.get(pageId);
    const { habits, version: habitsVersion } = this.habits.habits();
    const cuts = standingCutsOf(this.db, pageId);
    const derived = derivePage(document, DEFAULT_NAMES);
    const wished = [...new Set(derived.pieces.flatMap((p) => p.wish?.papers ?? []))];
    const drawer = drawerFor(this.papers.drawerOf(wished), pages);
    const basis = buildBasis(
      version,
      derived.pieces,
      drawer.papers,
      habitsVersion,
      cuts.map((c) => c.id),
    );
    const cut = cuts.flatMap((c) => standingPieces(c.pieces));
    return {
      name: document.name,
      basis,
      asked: buildPageJob(document.name, derived, drawer, { ...habits, aim }, cut, document),
    };
  }

  /** What is asked for several pages at once, each in its bag, and what stands in the way of it. */
  together(ids: readonly string[], aim?: Aim): Omit<Together, 'stored'> {
    const usual = aim ?? this.habits.habits().habits.aim;
    const each = ids.map((id) => ({ id, ...this.askedOf(id, usual, ids) }));
    const problems = each.flatMap(({ id, asked }): Together['problems'] =>
      asked.ok
        ? []
        : [{ page: id, code: asked.problem.code, parts: 'parts' in asked.problem ? [...asked.problem.parts] : [] }],
    );
    const jobs = each.flatMap(({ asked }) => (asked.ok ? [asked.job] : []));
    const made =
      problems.length || !jobs.length
        ? null
        : mergeJobs(
            each
              .map(({ name }) => name)
              .join(', ')
              .slice(0, 200),
            jobs,
          );
    if (made && !made.ok)
      problems.push(...made.problem.at.map((at) => ({ page: ids[at]!, code: made.problem.code, parts: [] })));
    return {
      pages: each.map(({ id, name }, i) => ({ id, name, bag: bagOf(i) })),
      basis: mergeBases(each),
      job: made?.ok ? this.besideOthers(made.job, ids) : null,
      problems,
    };
  }

  /** The order that stands for several pages, where it was made from exactly what is there now. */
  standingTogether(ids: readonly string[], basis: Basis): PlanRecord | null {
    const row = this.db
      .select()
      .from(plans)
      .where(eq(plans.together, ids.join(' ')))
      .orderBy(desc(plans.createdAt), desc(sql`rowid`))
      .limit(1)
      .get();
    return row && isSameBasis(row.basis, basis) ? recordOf(row) : null;
  }

  /** Never trusts a plan: it is verified against the job that is made here, of exactly the state that it was made from. */
  store(page: string, { id, basis, plan }: StorePlan): PlanRecord {
    return withIdempotencyKey(this.db, id, `order for ${page}`, (tx) =>
      this.keep(tx, { id, page, together: null, plan, basis }, this.asked(page, plan.aim)),
    );
  }

  storeTogether({ id, pages, basis, plan }: StoreTogether): PlanRecord {
    const together = pages.join(' ');
    return withIdempotencyKey(this.db, id, `order for ${together}`, (tx) => {
      const now = this.together(pages, plan.aim);
      if (!now.job)
        throw new RequestRefusal(
          'out-of-date',
          'These pages cannot be cut together as they are now. Look at them again.',
        );
      return this.keep(tx, { id, page: pages[0]!, together, plan, basis }, { basis: now.basis, job: now.job });
    });
  }

  private keep(
    tx: Transaction,
    { plan, basis, ...of }: Pick<Row, 'id' | 'page' | 'together' | 'basis'> & { plan: Plan },
    now: { readonly basis: Basis; readonly job: JobDocument },
  ): PlanRecord {
    if (!isSameBasis(basis, now.basis))
      throw new RequestRefusal(
        'out-of-date',
        'The page, the drawer or the habits have changed since this cutting order was made.',
      );
    // the blocks that the plan cuts in: nothing of them is believed either
    const job = withBlocks(now.job, plan.blocks);
    if (!job)
      throw new RequestRefusal(
        'plan-refused',
        'The cutting order does not hold: its blocks are not what the page asks for.',
        {
          field: 'plan.blocks',
        },
      );
    const read = readJob(job);
    if (!read.ok) {
      const issue = read.issues[0]!;
      throw new RequestRefusal('bad-input', `job.${describeIssue(issue, TERMINAL)}`, {
        field: `job.${formatPath(issue.path)}`,
      });
    }
    const fault = verifyPlan(read.job, plan)[0];
    if (fault)
      throw new RequestRefusal('plan-refused', `The cutting order does not hold: ${fault.code} at ${fault.where}.`, {
        field: `plan.${fault.where}`,
      });
    const row: Row = {
      ...of,
      basis: now.basis,
      job: job as Record<string, unknown>,
      plan,
      createdAt: new Date().toISOString(),
    };
    tx.insert(plans).values(row).run();
    this.forgetOld(tx, row);
    return recordOf(row);
  }

  /** Earlier orders for the same are of no more use, unless they were cut. */
  private forgetOld(tx: Transaction, { page, together }: Row): void {
    const cut = tx
      .select({ id: cuttings.plan })
      .from(cuttings)
      .where(eq(cuttings.page, page))
      .all()
      .map((c) => c.id);
    const same = and(eq(plans.page, page), together === null ? isNull(plans.together) : isNotNull(plans.together));
    const old = tx
      .select({ id: plans.id })
      .from(plans)
      .where(same)
      .orderBy(desc(plans.createdAt), desc(sql`rowid`))
      .all()
      .slice(KEPT)
      .map((p) => p.id);
    const inSessions = tx
      .select({ plans: sessions.plans })
      .from(sessions)
      .where(eq(sessions.page, page))
      .all()
      .flatMap((s) => s.plans);
    const useless = old.filter((other) => !cut.includes(other) && !inSessions.includes(other));
    if (useless.length) tx.delete(plans).where(inArray(plans.id, useless)).run();
  }

  latest(page: string): PlanRecord | null {
    const row = this.db
      .select()
      .from(plans)
      .where(and(eq(plans.page, page), isNull(plans.together)))
      .orderBy(desc(plans.createdAt), desc(sql`rowid`))
      .limit(1)
      .get();
    // one that cannot be read is worked out again
    return row ? readRecord(row) : null;
  }

  /** Null where it is gone, or cannot be read. */
  find(id: string): PlanRecord | null {
    const row = this.db.select().from(plans).where(eq(plans.id, id)).get();
    return row ? readRecord(row) : null;
  }

  get(id: string): PlanRecord {
    const row = this.db.select().from(plans).where(eq(plans.id, id)).get();
    if (!row) throw notFound('cutting order');
    return recordOf(row);
  }
}
