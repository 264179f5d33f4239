import { describe, expect, test } from '@jest/globals';
import { normalJob } from '../../../testing/makers.ts';
import { seededRandom } from '../../chance/index.ts';
import { planJob, readJob, readSheetOfPlan, verifyPlan, type Job, type JobDocument } from '../index.ts';
import { countSettings } from '../order/steps.ts';
import { writePlan } from '../order/write.ts';
import type { Solution } from './score.ts';
import { SettingSaver } from './settingSaver.ts';
import { makeOffcutTree, type CutSheet, type Tree } from './tree.ts';

const read = (document: Partial<JobDocument>): Job => {
  const made = readJob({ format: 'temnex-job', version: 2, papers: [{ id: 'p' }], ...document } as JobDocument);
  if (!made.ok) throw new Error(JSON.stringify(made.issues));
  return made.job;
};
/** A piece cut off the left of an item that is as high as it is. */
const cutOff = (job: Job, stock: number, piece: number): CutSheet => {
  const [{ width: wide, height }, { width }] = [job.stock[stock]!, job.pieces[piece]!];
  const leaf = { x: 0, y: 0, height, cut: null, parts: [], lost: 0 };
  const held: Tree = { ...leaf, width, holds: { piece, turn: 0, side: 'A' } };
  const rest = makeOffcutTree({ x: width, y: 0, width: wide - width, height }, job.keep);
  return { stock, tree: { x: 0, y: 0, width: wide, height, cut: 'x', parts: [held, rest], lost: 0, holds: null } };
};

describe('a setting less', () => {
  const two = {
    cutter: { step: '1/16' },
    pieces: [
      { id: 'a', width: '2', height: '4', papers: ['p'] },
      { id: 'b', width: '3', height: '4', papers: ['p'] },
    ],
    stock: [
      { id: 'six', paper: 'p', width: '6', height: '4', kind: 'scrap' },
      { id: 'seven', paper: 'p', width: '7 1/2', height: '4', kind: 'scrap' },
      { id: 'five', paper: 'p', width: '5', height: '4', kind: 'scrap' },
    ],
  } as Partial<JobDocument>;
  const fewest = (document: Partial<JobDocument>): number | null => {
    const job = read(document);
    const from: Solution = { sheets: [cutOff(job, 0, 0), cutOff(job, 1, 1)], missing: [0, 0] };
    expect(countSettings(from.sheets, job)).toBe(2);
    const sparing = new SettingSaver(job, seededRandom(1));
    const found = Array.from({ length: 60 }, () => sparing.change(from)).flatMap((s) =>
      s ? [countSettings(s.sheets, job)] : [],
    );
    return found.length ? Math.min(...found) : null;
  };
  const withStock = (change: object) => ({
    ...two,
    stock: two.stock!.map((item, i) => (i === 2 ? { ...item, ...change } : item)),
  });
  test('where what is left of another scrap is a setting that there is', () => {
    // from five, 2 is set for what is left of it, and 3 falls out
    expect(fewest(two)).toBe(1);
    expect(fewest({ ...two, pieces: [two.pieces![0]!, { ...two.pieces![1]!, width: '2 1/2' }] })).toBe(2);
  });
  test('not from a scrap that is held back, that is odd, or of another paper, nor from a new sheet', () => {
    for (const change of [
      { reserved: true },
      { outline: [[0, 0], ['5', 0], ['5', '4'], [0, '4']] }, // prettier-ignore
      { kind: 'sheet' },
    ])
      expect([change, fewest(withStock(change))]).toEqual([change, 2]);
    expect(fewest({ ...withStock({ paper: 'q' }), papers: [{ id: 'p' }, { id: 'q' }] })).toBe(2);
  });
  test('nothing is changed with a kerf, or where each piece has its place', () => {
    expect(fewest({ ...two, cutter: { kerf: '1/16' } })).toBeNull();
    const fixed = two.pieces!.map((piece, i) => ({ ...piece, from: { stock: i ? 'seven' : 'six', x: 0, y: 0 } }));
    expect(fewest({ ...two, pieces: fixed })).toBeNull();
  });

  test('whatever is changed can be cut, by hands, from no more new paper (seeded)', () => {
    let changes = 0;
    for (const seed of [1, 2, 3, 4]) {
      const document = normalJob(seed);
      const made = readJob({ ...document, plan: { ...document.plan, aim: 'least-paper', nodes: 40 } });
      if (!made.ok) throw new Error(JSON.stringify(made.issues));
      const { job } = made;
      const plan = planJob(job, { now: () => 0 });
      expect(plan.missing).toEqual([]);
      let now: Solution = {
        sheets: plan.sheets.map((_, i) => readSheetOfPlan(job, plan, i)!),
        missing: job.pieces.map(() => 0),
      };
      const sparing = new SettingSaver(job, seededRandom(seed));
      for (let i = 0; i < 40; i++) {
        const changed = sparing.change(now);
        if (!changed) continue;
        changes++;
        const written = writePlan(job, { newArea: 0, newSheets: 0, how: 'area' }, changed, job.aim, 2);
        expect(verifyPlan(job, { ...written, bound: plan.bound })).toEqual([]);
        expect(written.totals.newSheetArea).toBeLessThanOrEqual(plan.totals.newSheetArea);
        now = changed;
      }
    }
    expect(changes).toBeGreaterThan(60);
  });

  test('a page is planned with fewer settings than pieces have sizes', () => {
    const document = normalJob(3);
    const made = readJob({ ...document, plan: { ...document.plan, aim: 'easiest-cuts', nodes: 400 } });
    if (!made.ok) throw new Error(JSON.stringify(made.issues));
    const plan = planJob(made.job, { now: () => 0 });
    expect(verifyPlan(made.job, plan)).toEqual([]);
    expect(plan.totals.settings).toBeLessThanOrEqual(9);
    expect(plan.totals.newSheetArea).toBe(144);
  });
});
