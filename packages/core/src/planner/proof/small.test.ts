import { describe, expect, test } from '@jest/globals';
import { bruteForce } from '../../../testing/bruteForce.ts';
import { compileJob } from '../blanks/compile.ts';
import { planJob, readJob, verifyPlan, type JobDocument } from '../index.ts';
import { mixedJob, tinyJob } from '../../../testing/makers.ts';
import { solveSmallJob } from './small.ts';
import { measureSolution } from '../sheets/standing.ts';

const read = (document: JobDocument) => {
  const job = readJob(document);
  if (!job.ok) throw new Error(JSON.stringify(job.issues));
  return job.job;
};
const job = (more: Partial<JobDocument>): JobDocument => ({
  format: 'temnex-job',
  version: 2,
  papers: [{ id: 'p' }, { id: 'q' }],
  plan: { nodes: 0 },
  stock: [
    { id: 's', paper: 'p', width: '12', height: '12', quantity: 2 },
    { id: 'scrap', paper: 'p', width: '6', height: '5', kind: 'scrap' },
  ],
  pieces: [
    { id: 'a', width: '4', height: '5', quantity: 2, papers: ['p'] },
    { id: 'b', width: '8', height: '11', papers: ['p'] },
  ],
  ...more,
});

describe('small jobs, exactly', () => {
  test('as good as the best of all plans', () => {
    for (let seed = 1; seed <= 9; seed++) {
      const tiny = read(tinyJob(seed));
      const c = compileJob(tiny);
      const solved = solveSmallJob(c)!;
      const least = bruteForce(c);
      const is = measureSolution(tiny, solved.solution!, false);
      const missing = is.missing.reduce((sum, area) => sum + area, 0);
      expect({ seed, is: [missing, is.newArea, is.waste] }).toEqual({
        seed,
        is: [least.missing, least.newArea, least.waste],
      });
      expect(solved.newArea).toBe(least.newArea);
      expect(solved.complete).toBe(least.missing === 0);
    }
  });
  test('without any search a plan is the best one, holds, and is proved', () => {
    for (let seed = 1; seed <= 9; seed++) {
      const tiny = read({ ...tinyJob(seed), plan: { nodes: 0 } });
      const plan = planJob(tiny, { now: () => 0 });
      expect({ seed, faults: verifyPlan(tiny, plan) }).toEqual({ seed, faults: [] });
      if (plan.status === 'complete') expect({ seed, proved: plan.bound.proved }).toEqual({ seed, proved: true });
    }
  });
  test('a better liked paper comes before less waste', () => {
    const liked = read(
      job({
        stock: [
          { id: 'exact', paper: 'q', width: '4', height: '5', kind: 'scrap' },
          { id: 'larger', paper: 'p', width: '5', height: '5 1/2', kind: 'scrap' },
        ],
        pieces: [{ id: 'a', width: '4', height: '5', papers: ['p', 'q'] }],
      }),
    );
    expect(solveSmallJob(compileJob(liked))!.solution!.sheets.map((s) => s.stock)).toEqual([1]);
  });
  test('what it is not for: many pieces, openings of a frame, another cutter, stop cuts, sizes between marks', () => {
    const solved = (more: Partial<JobDocument>) => solveSmallJob(compileJob(read(job(more))));
    expect(solved({})).not.toBeNull();
    expect(solved({ pieces: [{ id: 'a', width: '2', height: '2', quantity: 7, papers: ['p'] }] })).toBeNull();
    expect(solved({ cutter: { then: [{ name: 'knife' }] } })).toBeNull();
    expect(solved({ cutter: { stop: true } })).toBeNull();
    expect(
      solved({ cutter: { step: '1/16' }, pieces: [{ id: 'a', width: '2 1/32', height: '2', papers: ['p'] }] }),
    ).toBeNull();
  });
  test('what the cutter cannot make is not offered, and the bound holds all the same', () => {
    const narrow = read(
      job({ cutter: { reach: '11' }, pieces: [{ id: 'b', width: '8', height: '11', papers: ['p'] }] }),
    );
    const solved = solveSmallJob(compileJob(narrow))!;
    expect([solved.solution, solved.newSheets]).toEqual([null, 1]);
  });
  test('never a bound above what is planned', () => {
    for (let seed = 1; seed <= 18; seed++) {
      const mixed = read(mixedJob(seed));
      const few = {
        ...mixed,
        pieces: mixed.pieces.slice(0, 2).map((p) => ({ ...p, quantity: Math.min(p.quantity, 2) })),
      };
      const plan = planJob(few, { now: () => 0 });
      expect({ seed, faults: verifyPlan(few, plan) }).toEqual({ seed, faults: [] });
      if (plan.status === 'complete')
        expect(plan.totals.newSheetArea).toBeGreaterThanOrEqual(plan.bound.newSheetArea - 1e-9);
    }
  });
});
