import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import { planSchema, readJob, verifyPlan, type Job } from '@temnex/core';
import { TERMINAL, issueWords, pathWords } from '@temnex/words';
import type { PlanRecord, StorePlan } from '@temnex/contract';
import { DATABASE, type Database } from '../database/database.ts';
import { cuttings, plans } from '../database/schema.ts';
import { Refused, notFound } from '../http/refused.ts';
import { PagesService } from '../pages/pages.service.ts';

type Row = typeof plans.$inferSelect;
/** So many cutting orders of a page are kept, beside those that were cut. */
const KEPT = 5;
const recordOf = (row: Row): PlanRecord => ({
  ...row,
  job: row.job as PlanRecord['job'],
  plan: planSchema.parse(row.plan),
});

/** A job as stored, read again. It was checked when it came in, so a failure here is a fault of ours. */
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
  ) {}

  /** Never trusts a plan: it is verified against its job before it is stored. */
  store(page: string, { job, plan, pageVersion }: StorePlan): PlanRecord {
    this.pages.get(page);
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
    const row: Row = { id: randomUUID(), page, pageVersion, job, plan, createdAt: new Date().toISOString() };
    this.db.transaction((tx) => {
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
      const useless = old.filter((id) => !cut.includes(id));
      if (useless.length) tx.delete(plans).where(inArray(plans.id, useless)).run();
    });
    return recordOf(row);
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
