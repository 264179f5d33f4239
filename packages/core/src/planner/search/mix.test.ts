import { describe, expect, test } from '@jest/globals';
import { Budget } from '../budget.ts';
import { compileJob } from '../blanks/compile.ts';
import { readJob } from '../index.ts';
import { mixedJob, normalJob } from '../../../testing/makers.ts';
import { seededRandom } from '../../chance/index.ts';
import { PLACEMENT_ORDERS, DEFAULT_WEIGHTS, placePool, sequenceKinds } from './construct.ts';
import { Layout } from './layout.ts';
import { findBestMix, type SheetOption } from './mix.ts';
import { Recombiner, extractPlanting } from './recombine.ts';
import { buildSolution, measureLayout } from './solutionOfLayout.ts';

const never = () => false;

/** The least that any mix costs, by trying every sheet or leaving it. */
function leastOfAll(columns: readonly SheetOption[], wanted: readonly number[], copies: readonly number[]): number {
  const go = (j: number, rest: readonly number[], left: readonly number[]): number => {
    if (rest.every((n) => n === 0)) return 0;
    if (j === columns.length) return Infinity;
    const { s, cost, kinds, counts } = columns[j]!;
    const after = rest.map((n, k) => n - (kinds.includes(k) ? counts[kinds.indexOf(k)]! : 0));
    const without = go(j + 1, rest, left);
    if (left[s]! < 1 || after.some((n) => n < 0)) return without;
    // the same sheet may be cut once more
    return Math.min(without, cost + go(j, after, left.with(s, left[s]! - 1)));
  };
  return go(0, wanted, copies);
}

describe('the best mix of sheets', () => {
  const made = (seed: number) => {
    const R = seededRandom(seed);
    const int = (n: number) => Math.floor(R() * n);
    const wanted = Array.from({ length: 4 }, () => 1 + int(2));
    const copies = Array.from({ length: 4 }, () => 1 + int(2));
    const columns = Array.from({ length: 14 }, (): SheetOption => {
      const kinds = [0, 1, 2, 3].filter(() => R() < 0.45);
      if (!kinds.length) kinds.push(int(4));
      return { s: int(4), cost: 1000 * int(60), kinds, counts: kinds.map(() => 1 + int(2)) };
    });
    return { wanted, copies, columns };
  };
  const task = ({ wanted, copies, columns }: ReturnType<typeof made>, below: number) => ({
    columns,
    wanted: Float64Array.from(wanted),
    copies: Float64Array.from(copies),
    area: new Float64Array(4).fill(7),
    below,
    over: never,
  });
  test('costs as little as the best of all mixes, and holds what is wanted', () => {
    let possible = 0;
    for (let seed = 1; seed <= 150; seed++) {
      const job = made(seed);
      const least = leastOfAll(job.columns, job.wanted, job.copies);
      const mix = findBestMix(task(job, 1e7));
      const cost = mix?.reduce((sum, v) => sum + v.cost, 0) ?? Infinity;
      expect({ seed, cost }).toEqual({ seed, cost: least });
      if (!mix) continue;
      possible++;
      const held = job.wanted.map((_, k) => mix.reduce((n, v) => n + (v.counts[v.kinds.indexOf(k)] ?? 0), 0));
      expect(held).toEqual(job.wanted);
      job.copies.forEach((n, s) => expect(mix.filter((v) => v.s === s).length).toBeLessThanOrEqual(n));
    }
    expect(possible).toBeGreaterThan(40);
  });
  test('none where none costs less than what is known', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const job = made(seed);
      const least = leastOfAll(job.columns, job.wanted, job.copies);
      if (least === Infinity) continue;
      expect(findBestMix(task(job, least))).toBeNull();
      expect(findBestMix(task(job, least + 5))).not.toBeNull();
    }
  });
  test('nothing to mix', () => {
    const none = { wanted: [1, 0, 0, 0], copies: [1, 1, 1, 1], columns: [] };
    expect(findBestMix(task(none, 1e7))).toBeNull();
  });
});

describe('mixing what was seen', () => {
  test('a sheet that was seen is planted as it stood, between marks too', () => {
    let between = 0;
    for (let seed = 1200; seed <= 1290; seed++) {
      const read = readJob(mixedJob(seed));
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      const c = compileJob(read.job);
      const [seen, planted] = [new Layout(c), new Layout(c)];
      placePool(
        seen,
        sequenceKinds(seen, PLACEMENT_ORDERS[1]!, () => 1),
        DEFAULT_WEIGHTS,
        Infinity,
        seededRandom(seed),
      );
      if (!c.aligned && seen.sheets) between++;
      for (let b = 0; b < seen.sheets; b++) {
        planted.clear();
        planted.plant(seen.stock[b]!, extractPlanting(seen, seen.root[b]!));
        const outline = (layout: Layout, n: number) => [layout.w[n], layout.h[n], layout.roomW[n], layout.roomH[n]];
        expect({ seed, b, is: outline(planted, planted.root[0]!) }).toEqual({
          seed,
          b,
          is: outline(seen, seen.root[b]!),
        });
      }
    }
    expect(between).toBeGreaterThan(10);
  });
  test('wastes less than the first layout, with the same pieces and no more new paper', () => {
    let better = 0;
    for (let seed = 1; seed <= 6; seed++) {
      const read = readJob(normalJob(seed));
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      const c = compileJob(read.job);
      const random = seededRandom(seed);
      const [on, into] = [new Layout(c), new Layout(c)];
      const kinds = sequenceKinds(on, PLACEMENT_ORDERS[0]!, () => 1);
      placePool(on, kinds, DEFAULT_WEIGHTS, Infinity, random);
      const before = measureLayout(on, false);
      const recombiner = new Recombiner(c, random, Budget.of({ now: () => 0 }, 1, 1));
      recombiner.fill(on, 400);
      expect(recombiner.worthwhile()).toBe(true);
      // what stands is a mix too
      for (let b = 0; b < on.sheets; b++) recombiner.note(on, b);
      if (!recombiner.improve(on, into)) continue;
      better++;
      const after = measureLayout(into, false);
      expect(Array.from(into.pool)).toEqual(Array.from(on.pool));
      expect(after.newArea).toBeLessThanOrEqual(before.newArea);
      expect(after.disliked * 1e13 + after.waste).toBeLessThan(before.disliked * 1e13 + before.waste);
      const copies = new Map<number, number>();
      for (const { stock } of buildSolution(into).sheets) copies.set(stock, (copies.get(stock) ?? 0) + 1);
      for (const [stock, n] of copies) expect(n).toBeLessThanOrEqual(read.job.stock[stock]!.quantity);
    }
    expect(better).toBeGreaterThanOrEqual(5);
  });
});
