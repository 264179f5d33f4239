import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, reorderPlan, verifyPlan, type JobDocument, type Plan } from '../index.ts';
import { mixedJob, normalJob } from '../../../testing/makers.ts';
import { collectKeptSheets } from '../replan.ts';
import { measureStepHandling } from './hands.ts';
import { findBestSchedule } from './steps.ts';
import type { CutSheet, Tree } from '../sheets/tree.ts';

function planned(document: JobDocument): Plan {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  return plan;
}
const job = (more: Partial<JobDocument>): JobDocument => ({
  format: 'temnex-job',
  version: 1,
  papers: [{ id: 'p' }],
  plan: { nodes: 60 },
  stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 20 }],
  pieces: [{ id: 'a', width: '4', height: '12', quantity: 6, papers: ['p'] }],
  ...more,
});
const settings = (plan: Plan) => plan.steps.flatMap((s) => (s.do === 'open' ? [] : [s.setting]));
const runs = (plan: Plan) => settings(plan).filter((s, i, all) => i === 0 || s !== all[i - 1]).length;

describe('steps a person can follow', () => {
  test('equal settings come together: one setting for six strips from two sheets', () => {
    const plan = planned(job({}));
    expect([plan.totals.newSheets, plan.totals.cuts, plan.totals.settings]).toEqual([2, 4, 1]);
    expect(runs(plan)).toBe(1);
  });
  test('equal sheets are stacked as the cutter can, and only so many', () => {
    const nine = {
      papers: [{ id: 'p', sides: [{ side: 'A' as const, direction: 'two-way' as const }] }],
      pieces: [{ id: 'a', width: '4', height: '12', quantity: 15, papers: ['p'], direction: 'height' as const }],
    };
    const stacks = (stack: number) => planned(job({ ...nine, cutter: { stack } })).steps.map((s) => s.sheets.length);
    expect(stacks(1).every((n) => n === 1)).toBe(true);
    expect(stacks(2).sort()).toEqual([1, 1, 2, 2, 2, 2]);
    expect(stacks(5)).toEqual([5, 5]);
  });
  test('margins come off first, each once', () => {
    const plan = planned(
      job({
        stock: [{ id: 's', paper: 'p', width: '12', height: '13', quantity: 2, trim: { bottom: '1/2', top: '1/2' } }],
      }),
    );
    const trims = plan.steps.filter((s) => s.do === 'trim');
    expect(trims.map((s) => s.edge).sort()).toEqual(['bottom', 'bottom', 'top', 'top']);
    expect(plan.steps.findIndex((s) => s.do === 'cut')).toBe(4);
  });
  test('a last remainder that the kerf swallows leaves nothing', () => {
    const plan = planned(
      job({
        cutter: { kerf: '1/8' },
        stock: [{ id: 's', paper: 'p', width: '4 1/16', height: '12' }],
        pieces: [{ id: 'a', width: '4', height: '12', papers: ['p'] }],
      }),
    );
    expect(plan.steps).toMatchObject([{ setting: 4, off: 'r.0', rest: null }]);
    expect(plan.sheets[0]!.tree).toMatchObject({ lost: 0.0625, parts: [{ holds: { piece: 'a' } }] });
  });
  test('a sheet used whole needs no step', () => {
    const plan = planned(job({ pieces: [{ id: 'a', width: '12', height: '12', papers: ['p'] }] }));
    expect([plan.steps, plan.totals.cuts, plan.totals.settings]).toEqual([[], 0, 0]);
  });
  test('fewer settings than cutting each sheet by itself', () => {
    let [together, cuts] = [0, 0];
    for (let seed = 1; seed <= 8; seed++) {
      const plan = planned({ ...normalJob(seed), plan: { ...normalJob(seed).plan, nodes: 40 } });
      expect(runs(plan)).toBe(plan.totals.settings);
      together += plan.totals.settings;
      cuts += plan.totals.cuts;
    }
    expect(together).toBeLessThan(cuts * 0.6);
  });
  test('settings are on the mark unless a piece is not', () => {
    const plan = planned(
      job({
        cutter: { step: '1/16', kerf: 0.01 },
        pieces: [{ id: 'a', width: '2 1/2', height: '3 1/8', quantity: 11, papers: ['p'] }],
      }),
    );
    for (const setting of settings(plan)) expect((setting * 16) % 1).toBeCloseTo(0, 6);
  });
});

test('the part that is cut least often goes last, where it needs no setting', () => {
  const read = readJob({
    format: 'temnex-job',
    version: 1,
    papers: [{ id: 'p' }],
    plan: { nodes: 50 },
    stock: [{ id: 's', paper: 'p', width: '12', height: '6' }],
    pieces: [
      { id: 'wide', width: '6', height: '6', papers: ['p'] },
      { id: 'strip', width: '2', height: '6', quantity: 3, papers: ['p'] },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  // three strips at one setting, and the wide piece is what is left
  expect(plan.totals).toMatchObject({ cuts: 3, settings: 1, wasteArea: 0 });
});

test('a run of which only offcuts may change places is still cut', () => {
  const read = readJob(mixedJob(1076));
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  expect(verifyPlan(read.job, planJob(read.job, { now: () => 0 }))).toEqual([]);
});

test('sheets planned before are stacked too where they are cut alike', () => {
  const read = readJob(job({ cutter: { stack: 2 } }));
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const inch = 24384;
  const leaf = (x: number, holds: Tree['holds']): Tree => ({
    x,
    y: 0,
    width: 6 * inch,
    height: 12 * inch,
    cut: null,
    parts: [],
    lost: 0,
    holds,
  });
  const tree: Tree = { ...leaf(0, null), width: 12 * inch, cut: 'x', parts: [leaf(0, 'keep'), leaf(6 * inch, 'keep')] };
  const sheets: CutSheet[] = [1, 2].map(() => ({ stock: 0, tree, settled: true }));
  expect(findBestSchedule(sheets, read.job, 0).steps.map((s) => s.sheets)).toEqual([[0, 1]]);
});

describe('sheet by sheet', () => {
  const inOrder = (document: JobDocument, order: 'by-setting' | 'sheet-by-sheet') => {
    const read = readJob({ ...document, version: 2, plan: { ...document.plan, nodes: 20, order } });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const plan = planJob(read.job, { now: () => 0 });
    expect(verifyPlan(read.job, plan)).toEqual([]);
    return { job: read.job, plan };
  };
  /** The sheets of the steps, one after the other, without repeats. */
  const visits = (plan: Plan) =>
    plan.steps.map((s) => s.sheets.join('+')).filter((s, i, all) => i === 0 || s !== all[i - 1]);

  test('each sheet, or stack, is finished before the next is taken', () => {
    for (const document of [mixedJob(3), mixedJob(8), normalJob(2), { ...normalJob(5), cutter: { stack: 2 } }]) {
      const { plan } = inOrder(document, 'sheet-by-sheet');
      expect(new Set(visits(plan)).size).toBe(visits(plan).length);
    }
    // trims too
    const trimmed = job({ stock: [{ id: 's', paper: 'p', width: '12', height: '12 1/2', quantity: 20, trim: { bottom: '1/2' } }] }); // prettier-ignore
    const { plan } = inOrder(trimmed, 'sheet-by-sheet');
    expect(plan.steps.filter((s) => s.do === 'trim')).toHaveLength(plan.sheets.length);
    expect(new Set(visits(plan)).size).toBe(visits(plan).length);
  });
  test('the same plan in the other order: the same sheets and pieces, fewer settings by setting, fewer parts waiting sheet by sheet', () => {
    for (const seed of [2, 4, 5]) {
      const { job: asked, plan } = inOrder(normalJob(seed), 'by-setting');
      const other = reorderPlan(asked, plan, 'sheet-by-sheet')!;
      expect(verifyPlan({ ...asked, order: 'sheet-by-sheet' }, other)).toEqual([]);
      const { settings: _, ...totals } = plan.totals;
      expect(other.totals).toMatchObject(totals);
      expect(other.totals.settings).toBeGreaterThanOrEqual(plan.totals.settings);
      expect(new Set(visits(other)).size).toBe(visits(other).length);
    }
  });
});

test('of orders with as few settings the one for which least is turned, taken up and left waiting', () => {
  let easier = 0;
  for (let seed = 1; seed <= 6; seed++) {
    const read = readJob({ ...normalJob(seed), plan: { nodes: 20, seconds: 60 } });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const sheets = collectKeptSheets(read.job, planJob(read.job, { now: () => 0 })).map(({ stock, tree }) => ({
      stock,
      tree,
    }));
    const [first, best] = [0, 60].map((tries) => {
      const { settings, steps } = findBestSchedule(sheets, read.job, tries);
      const { takenUp, waiting } = measureStepHandling(steps);
      return [settings, takenUp, waiting];
    });
    const at = best!.findIndex((n, i) => n !== first![i]);
    expect([seed, at < 0 || best![at]! < first![at]!]).toEqual([seed, true]);
    if (at > 0) easier++;
  }
  // in some of them as few settings need less of the hands
  expect(easier).toBeGreaterThan(0);
});
