import { describe, expect, test } from '@jest/globals';
import { Budget, type Clock } from '../budget.ts';
import { buildFrames } from '../blanks/frames.ts';
import { planJob, readJob, verifyPlan, type Job, type JobDocument } from '../index.ts';
import { kitJob, normalJob, puzzleJob } from '../../../testing/makers.ts';
import { planByPatterns } from './patterns.ts';
import { seededRandom } from '../../chance/index.ts';
import { Simplex } from './simplex.ts';

const read = (document: JobDocument): Job => {
  const result = readJob(document);
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.job;
};

describe('a linear programme that grows by columns', () => {
  /** Takes in whichever of the columns is worth more than it costs, until none is. */
  function solve(right: number[], start: number[], columns: readonly { column: number[]; cost: number }[]): Simplex {
    const lp = new Simplex(right, start);
    for (let round = 0; round < 200; round++) {
      const prices = lp.prices();
      const gains = columns.map(({ column, cost }) => column.reduce((sum, v, i) => sum + v * prices[i]!, 0) - cost);
      const best = gains.indexOf(Math.max(...gains));
      if (gains[best]! <= 1e-9) return lp;
      lp.enter(best, columns[best]!.column, columns[best]!.cost);
    }
    throw new Error('it goes round in circles');
  }
  test('without columns, what it starts with is all there is', () => {
    const lp = new Simplex([3, 4], [10, 1]);
    expect([lp.value(), [...lp.prices()]]).toEqual([34, [10, 1]]);
  });
  test('the mix that a person would find', () => {
    // ten of one and six of the other; a sheet gives 2 + 0, 1 + 1 or 0 + 3
    const sheets = [
      [2, 0],
      [1, 1],
      [0, 3],
    ].map((column) => ({ column, cost: 1 }));
    expect(solve([10, 6], [100, 100], sheets).value()).toBeCloseTo(7);
  });
  test('random programmes: never above any whole mix, and the prices account for every unit', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const R = seededRandom(seed);
      const columns = Array.from({ length: 6 }, () => ({
        column: [1 + Math.floor(R() * 3), Math.floor(R() * 4)],
        cost: 1 + Math.floor(R() * 5),
      }));
      const right = [6 + Math.floor(R() * 9), 4 + Math.floor(R() * 9)];
      // slack columns, so that giving more than is wanted is allowed
      const slack = [
        [-1, 0],
        [0, -1],
      ].map((column) => ({ column, cost: 0 }));
      const lp = solve(right, [500, 500], [...columns, ...slack]);
      let least = Infinity;
      for (let a = 0; a < columns.length; a++)
        for (let b = a; b < columns.length; b++)
          for (let n = 0; n <= 15; n++)
            for (let m = 0; m <= 15; m++) {
              const gives = right.map((_, i) => n * columns[a]!.column[i]! + m * columns[b]!.column[i]!);
              if (gives.every((g, i) => g >= right[i]!))
                least = Math.min(least, n * columns[a]!.cost + m * columns[b]!.cost);
            }
      expect(lp.value()).toBeLessThanOrEqual(least + 1e-6);
      const prices = lp.prices();
      expect(right.reduce((sum, r, i) => sum + r * prices[i]!, 0)).toBeCloseTo(lp.value(), 5);
    }
  });
});

/** A clock by which every look at it takes so long: what is found does not hang on the machine. */
const steadyClock = (): Clock => {
  let ms = 0;
  return { now: () => (ms += 0.2) };
};

describe('planning by patterns', () => {
  const suits = (document: JobDocument) => {
    const job = read(document);
    return planByPatterns(job, buildFrames(job)) !== null;
  };
  test('is for few kinds and many copies, and for nothing that needs a place of its own', () => {
    expect(suits(kitJob(100))).toBe(true);
    expect([suits(kitJob(1)), suits(normalJob(1)), suits(puzzleJob(2, 8, 1))]).toEqual([false, false, false]);
    const kit = kitJob(100);
    expect(suits({ ...kit, cutter: { ...kit.cutter, step: '1/16', kerf: '1/64' } })).toBe(false);
    expect(suits({ ...kit, cutter: { ...kit.cutter, reach: '9' } })).toBe(false);
  });
  test('a kit for thirty: everything is cut, and the fewest sheets are proved', () => {
    const job = read(kitJob(30, 1.5));
    const plan = planJob(job, steadyClock());
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan).toMatchObject({ status: 'complete', bound: { proved: true, how: 'patterns' } });
    // 30 times what one kit is worth at the prices of the programme, 1.67383 sheets
    expect(plan.totals.newSheets).toBe(Math.ceil(30 * 1.6738281));
  });
  test('a kerf, and scraps that come first', () => {
    const kit = kitJob(20, 1);
    const job = read({
      ...kit,
      cutter: { step: '1/16', kerf: '1/16' },
      stock: [...kit.stock, { id: 'bit', paper: 'p', width: '7 1/2', height: '9', quantity: 4, kind: 'scrap' }],
    });
    const plan = planJob(job, steadyClock());
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan.status).toBe('complete');
    expect(plan.totals.scraps).toBe(4);
    expect(plan.bound.newSheetArea).toBeLessThanOrEqual(plan.totals.newSheetArea);
  });
  test('too little paper: what can be cut is cut, and nothing is proved', () => {
    const kit = kitJob(20, 1);
    const job = read({ ...kit, stock: kit.stock.map((s) => ({ ...s, quantity: 20 })) });
    const plan = planJob(job, steadyClock());
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan).toMatchObject({ status: 'short', totals: { newSheets: 20 }, bound: { proved: false } });
    expect(plan.totals.pieceArea / plan.totals.usedArea).toBeGreaterThan(0.9);
  });
});

describe('a budget', () => {
  test('of steps: parts of it count against the whole', () => {
    const whole = Budget.of({ now: () => 0 }, 1, 10);
    const part = whole.share(0.5);
    for (let i = 0; i < 5; i++) part.spend();
    expect([part.over(), whole.over()]).toEqual([true, false]);
    for (let i = 0; i < 5; i++) whole.spend();
    expect(whole.over()).toBe(true);
  });
  test('of time: a share ends sooner, and cancelling ends all', () => {
    let now = 0;
    let cancelled = false;
    const whole = Budget.of({ now: () => now, cancelled: () => cancelled }, 2, null);
    const half = whole.share(0.5);
    now = 1000;
    expect([half.over(), whole.over(), whole.none().over()]).toEqual([true, false, true]);
    cancelled = true;
    expect(whole.over()).toBe(true);
  });
});
