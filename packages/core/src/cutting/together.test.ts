import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../chance/index.ts';
import { AIMS, planJobNested, readJob, verifyPlan, type JobDocument, type Plan } from '../planner/index.ts';
import { pagesOf } from '../../testing/makers.ts';
import {
  bagOf,
  parseTogetherId,
  mergeJobs,
  collectLeftovers,
  missingAreaOfPlan,
  planOneByOne,
  planTogether,
  planTogetherAims,
} from './index.ts';

const together = (jobs: readonly JobDocument[]) => {
  const made = mergeJobs('all', jobs);
  if (!made.ok) throw new Error(made.problem.code);
  const read = readJob(made.job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { document: made.job, job: read.job };
};

test('a piece knows its bag', () => {
  expect([0, 1, 11].map(bagOf)).toEqual(['1', '2', '12']);
  expect(parseTogetherId('12:item/blank 2 spare')).toEqual({ bag: '12', piece: 'item/blank 2 spare' });
});

describe('the jobs of pages as one', () => {
  test('has every piece once, with its bag, and every sheet once; the finest mark holds', () => {
    const jobs = pagesOf(1, { pages: 3 });
    const { document, job } = together(jobs);
    expect(document.pieces.map((p) => p.id)).toEqual(
      jobs.flatMap((j, i) => j.pieces.map((p) => `${bagOf(i)}:${p.id}`)),
    );
    expect(document.pieces[0]!.name).toBe('#1 mat 1');
    expect(document.stock).toEqual(jobs[0]!.stock);
    expect(document.cutter!.step).toBe('1/16');
    expect(job.pieces).toHaveLength(12);
  });
  test('pages in another unit are named', () => {
    const [a, b, c] = pagesOf(1, { pages: 3 });
    expect(mergeJobs('x', [a!, { ...b!, unit: 'mm' }, c!])).toEqual({
      ok: false,
      problem: { code: 'other-unit', at: [1] },
    });
  });
});

describe('one by one', () => {
  test('a page takes what the one before it left: of one sheet, both', () => {
    const [model] = pagesOf(1, { pages: 1, papers: 1, scraps: 0, sheets: 1 });
    const page = (width: string, height: string): JobDocument => ({
      ...model!,
      pieces: [{ id: 'x', width, height, papers: ['p0'] }],
    });
    const jobs = [page('7', '12'), page('5', '6')];
    const one = (list: readonly JobDocument[]) => {
      const { document, job } = together(list);
      return planOneByOne(document, job, { now: () => 0 });
    };
    const alone = one(jobs);
    expect([alone.missing, alone.newSheets, alone.plan!.sheets.length]).toEqual([0, 1, 1]);
    // and what they come to is an order for all of it
    const { job } = together(jobs);
    const pieces: string[] = [];
    const walk = (n: Plan['sheets'][number]['tree']): void => {
      if (typeof n.holds === 'object') pieces.push(n.holds.piece);
      n.parts?.forEach(walk);
    };
    alone.plan!.sheets.forEach((s) => walk(s.tree));
    expect(pieces.sort()).toEqual(job.pieces.map((p) => p.id).sort());
    // a third finds none
    expect(one([...jobs, page('6', '5')]).missing).toBe(0);
    expect(one([...jobs, page('7', '6')]).missing).toBe(1);
  });
});

/** More of them with TEMNEX_TOGETHER. */
const SEEDS = Number(process.env.TEMNEX_TOGETHER ?? 1);
test.each(Array.from({ length: SEEDS }, (_, i) => i + 1))('planned together, seed %i: it holds, and is never worse than one by one', (seed) => {
  const R = seededRandom(seed * 31);
  const jobs = pagesOf(seed, {
    pages: 2 + Math.floor(R() * 5),
    pieces: 2 + Math.floor(R() * 5),
    papers: 1 + Math.floor(R() * 3),
    scraps: Math.floor(R() * 25),
    sheets: 1 + Math.floor(R() * 5),
  });
  const { document, job } = together(jobs);
  const told: Plan[] = [];
  const { plan, alone } = planTogether(document, job, { now: () => performance.now(), better: (write) => told.push(write()) });
  // on the way there too, what is told is an order for all of the pages
  expect(told.length).toBeGreaterThan(0);
  for (const one of told) expect(verifyPlan(job, one)).toEqual([]);
  expect(verifyPlan(job, plan)).toEqual([]);
  const left = missingAreaOfPlan(job, plan);
  expect(left).toBeLessThanOrEqual(alone.missingArea + 1e-9);
  if (Math.abs(left - alone.missingArea) < 1e-9)
    expect(plan.totals.newSheetArea).toBeLessThanOrEqual(alone.newSheetArea + 1e-9);
}); // prettier-ignore

test.each([
  { aim: 'easiest-cuts', seed: 3 },
  { aim: 'largest-offcuts', seed: 7 },
] as const)(
  'cut for $aim they are no worse by that than the first order of all, whatever it wastes',
  ({ aim, seed }) => {
    const now = () => 0;
    const of = (plan: Plan): number =>
      aim === 'easiest-cuts'
        ? plan.totals.settings
        : -Math.max(0, ...collectLeftovers(plan).map(({ sides: [a, b] }) => a * b));
    const { document, job } = together(pagesOf(seed, { pages: 3 }));
    const asked = { ...job, aim, nodes: 200 };
    const first = planJobNested(document, asked, { now });
    const { plan } = planTogether(document, asked, { now });
    expect([plan.missing, plan.totals.newSheetArea]).toEqual([first.missing, first.totals.newSheetArea]);
    expect(of(plan)).toBeLessThanOrEqual(of(first) + 1e-9);
  },
);

test('each aim has the best by it of all that was found, and what is proved of the paper for one is proved for all', () => {
  const now = () => 0;
  const { document, job } = together(pagesOf(3, { pages: 2 }));
  const asked = { ...job, nodes: 60 };
  // one that somebody has seen already, and that is proved
  const seen = planTogether(document, { ...asked, aim: 'easiest-cuts', nodes: 2000 }, { now }).plan;
  const bound = { ...seen.bound, newSheetArea: seen.totals.newSheetArea, proved: true };
  const plans = planTogetherAims(document, asked, { now, earlier: { ...seen, bound } });
  expect(plans.map((p) => p.aim)).toEqual(AIMS);
  for (const plan of plans) {
    expect(verifyPlan({ ...asked, aim: plan.aim }, plan)).toEqual([]);
    expect([plan.aim, plan.bound.newSheetArea, plan.bound.proved]).toEqual([plan.aim, bound.newSheetArea, true]);
  }
  const [, easiest] = plans;
  for (const { totals } of plans)
    expect(easiest!.totals.settings * 1000 + easiest!.totals.cuts).toBeLessThanOrEqual(
      totals.settings * 1000 + totals.cuts,
    );
  expect(easiest!.totals.settings).toBeLessThanOrEqual(seen.totals.settings);
});
