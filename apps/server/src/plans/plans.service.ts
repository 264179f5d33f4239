import { Inject, Injectable } from '@nestjs/common';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import {
  basisOf,
  derivePage,
  drawerFor,
  jobOfPage,
  planSchema,
  readJob,
  sameBasis,
  verifyPlan,
  withBlocks,
  type Aim,
  type Basis,
  type Job,
  type JobDocument,
} from '@temnex/core';
import { NAMES, TERMINAL, issueWords, pathWords } from '@temnex/words';
import type { PlanRecord, StorePlan } from '@temnex/contract';
import { cutsOf } from '../cutting/cuts.ts';
import { DATABASE, type Database } from '../database/types.ts';
import { once } from '../database/once.ts';
import { cuttings, plans } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';
import { PagesService, standing } from '../pages/pages.service.ts';
import { PapersService } from '../papers/papers.service.ts';

type Row = typeof plans.$inferSelect;
/** So many cutting orders of a page are kept, beside those that were cut. */
const KEPT = 5;
const recordOf = ({ together: _together, ...row }: Row): PlanRecord => ({
  ...row,
  job: row.job as PlanRecord['job'],
  plan: planSchema.parse(row.plan),
});

/** A job as stored, read again. It was made here, so a failure is a fault of ours. */
export function jobOf(record: Pick<PlanRecord, 'job'>): Job {
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
  ) {}

  /** What is asked of the planner for a page as everything stands now. */
  asked(pageId: string, aim: Aim): { basis: Basis; job: JobDocument } {
    const { document, version } = this.pages.get(pageId);
    const { habits, version: habitsVersion } = this.papers.habits();
    const cuts = cutsOf(this.db, pageId);
    const derived = derivePage(document, NAMES);
    const wished = [...new Set(derived.pieces.flatMap((p) => p.wish?.papers ?? []))];
    const drawer = drawerFor(this.papers.drawerOf(wished), pageId);
    const basis = basisOf(
      version,
      derived.pieces,
      drawer.papers,
      habitsVersion,
      cuts.map((c) => c.id),
    );
    const cut = cuts.flatMap((c) => standing(c.pieces));
    const asked = jobOfPage(document.name, derived, drawer, { ...habits, aim }, cut, document);
    if (!asked.ok)
      throw new Refused('out-of-date', 'Nothing can be planned for this page as it is now. Open it again.');
    return { basis, job: asked.job };
  }

  /** Never trusts a plan: it is verified against the job that is made here, of exactly the state that it was made from. */
  store(page: string, { id, basis, plan }: StorePlan): PlanRecord {
    return once(this.db, id, `order for ${page}`, (tx) => {
      const now = this.asked(page, plan.aim);
      if (!sameBasis(basis, now.basis))
        throw new Refused(
          'out-of-date',
          'The page, the drawer or the habits have changed since this cutting order was made.',
        );
      // the blocks that the plan cuts in: nothing of them is believed either
      const job = withBlocks(now.job, plan.blocks);
      if (!job)
        throw new Refused(
          'plan-refused',
          'The cutting order does not hold: its blocks are not what the page asks for.',
          {
            field: 'plan.blocks',
          },
        );
      const read = readJob(job);
      if (!read.ok) {
        const issue = read.issues[0]!;
        throw new Refused('bad-input', `job.${issueWords(issue, TERMINAL)}`, { field: `job.${pathWords(issue.path)}` });
      }
      const fault = verifyPlan(read.job, plan)[0];
      if (fault)
        throw new Refused('plan-refused', `The cutting order does not hold: ${fault.code} at ${fault.where}.`, {
          field: `plan.${fault.where}`,
        });
      const row: Row = {
        id,
        page,
        together: null,
        basis: now.basis,
        job: job as Record<string, unknown>,
        plan,
        createdAt: new Date().toISOString(),
      };
      tx.insert(plans).values(row).run();
      // earlier ones are of no more use, unless they were cut
      const cut = tx
        .select({ id: cuttings.plan })
        .from(cuttings)
        .where(eq(cuttings.page, page))
        .all()
        .map((c) => c.id);
      const old = tx
        .select({ id: plans.id })
        .from(plans)
        .where(eq(plans.page, page))
        .orderBy(desc(plans.createdAt), desc(sql`rowid`))
        .all()
        .slice(KEPT)
        .map((p) => p.id);
      const useless = old.filter((other) => !cut.includes(other));
      if (useless.length) tx.delete(plans).where(inArray(plans.id, useless)).run();
      return recordOf(row);
    });
  }

  latest(page: string): PlanRecord | null {
    const row = this.db
      .select()
      .from(plans)
      .where(eq(plans.page, page))
      .orderBy(desc(plans.createdAt), desc(sql`rowid`))
      .limit(1)
      .get();
    return row ? recordOf(row) : null;
  }

  get(id: string): PlanRecord {
    const row = this.db.select().from(plans).where(eq(plans.id, id)).get();
    if (!row) throw notFound('cutting order');
    return recordOf(row);
  }
}
