import { describe, expect, test } from '@jest/globals';
import { findBestSchedule } from '../order/steps.ts';
import { compileJob } from '../blanks/compile.ts';
import { ExactSheet, type Copy } from './exactSheet.ts';
import { planJob, readJob, verifyPlan, type Job, type JobDocument } from '../index.ts';
import { mixedJob, normalJob } from '../../../testing/makers.ts';
import { areaOf, isRectangleInside } from '../blanks/outline.ts';
import { seededRandom } from '../../chance/index.ts';
import { recutSolution } from './recut.ts';
import { Budget } from '../budget.ts';
import { search } from '../search/search.ts';
import { measureSolution } from './standing.ts';
import { visitHeldPieces } from './standing.ts';
import { canCutTree, addTreeFigures, emptyFigures } from './tree.ts';

const read = (document: JobDocument): Job => {
  const result = readJob(document);
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.job;
};
const way = { turn: 0 as const, side: 'A' as const };
const copy = (k: number, width: number, height: number): Copy => ({
  k,
  width,
  height,
  upright: way,
  flat: { ...way, turn: 90 as const },
});
const rules = (kerf: number) => ({
  cutter: { kerf } as Job['cutter'],
  keep: { shorter: 10, longer: 30 } as Job['keep'],
});

describe('a sheet with few pieces, exactly', () => {
  test('leftovers come together where that makes one worth keeping', () => {
    // two of 20 × 40 side by side in 40 × 55: one strip of 40 × 15 is kept, two of 20 × 15 would be waste
    const exact = new ExactSheet([copy(0, 20, 40), copy(0, 20, 40)], rules(0));
    expect(exact.least(exact.all, 40, 55)).toBe(0);
    const tree = exact.tree(exact.all, { x: 0, y: 0, width: 40, height: 55 });
    expect(tree).toMatchObject({ cut: 'y', parts: [{ cut: 'x' }, { holds: 'keep', width: 40, height: 15 }] });
  });
  test('what does not fit, does not', () => {
    const exact = new ExactSheet([copy(0, 30, 30), copy(0, 30, 30)], rules(0));
    expect(exact.least(exact.all, 40, 40)).toBe(Infinity);
  });
  test('a kerf is waste, and its last one may swallow what is left', () => {
    const exact = new ExactSheet([copy(0, 20, 30)], rules(2));
    expect(exact.least(exact.all, 21, 30)).toBe(30);
    expect(exact.tree(exact.all, { x: 0, y: 0, width: 21, height: 30 })).toMatchObject({ cut: 'x', lost: 1 });
  });
  test('the tree wastes what was said, holds every copy once, and fills its rectangle', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const R = seededRandom(seed);
      const kerf = seed % 3 === 0 ? 1 : 0;
      const copies = Array.from({ length: 1 + Math.floor(R() * 4) }, (_, k) =>
        copy(k, 8 + Math.floor(R() * 20), 8 + Math.floor(R() * 20)),
      );
      const exact = new ExactSheet(copies, rules(kerf));
      const room = { x: 3, y: 5, width: 60, height: 50 };
      const least = exact.least(exact.all, room.width, room.height);
      if (least === Infinity) continue;
      const tree = exact.tree(exact.all, room);
      const figures = addTreeFigures(tree, kerf, emptyFigures());
      expect({ seed, waste: figures.waste + figures.kerf }).toEqual({ seed, waste: least });
      const held: number[] = [];
      let area = figures.waste + figures.kerf + figures.kept;
      visitHeldPieces(tree, ({ holds, width, height }) => {
        held.push(holds.piece);
        area += width * height;
      });
      expect(held.sort()).toEqual(copies.map((c) => c.k));
      expect(area).toBe(room.width * room.height);
    }
  });
});

describe('what is done to a solution after the search', () => {
  const found = (document: JobDocument) => {
    const job = read(document);
    const budget = Budget.of({ now: () => 0 }, 1, 60);
    return { job, solution: search({ c: compileJob(job), aim: 'least-paper', newAreaBound: 0, budget }).solution };
  };
  test('cutting its sheets anew never wastes more, and loses nothing', () => {
    let better = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const { job, solution } = found(normalJob(seed));
      const after = recutSolution(job, solution, new Map(), () => false);
      const [a, b] = [measureSolution(job, solution, false), measureSolution(job, after, false)];
      expect(b.waste).toBeLessThanOrEqual(a.waste);
      expect([b.newArea, b.items, b.missing]).toEqual([a.newArea, a.items, a.missing]);
      for (const { tree } of after.sheets) expect(canCutTree(tree, job)).toBe(true);
      if (b.waste < a.waste) better++;
    }
    expect(better).toBeGreaterThan(0);
  });
  test('parts in the order in which they come off: the same pieces and offcuts, never more settings', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const { job, solution } = found(normalJob(seed + 20));
      const { sheets: after, settings } = findBestSchedule(solution.sheets, job, 20);
      const [a, b] = [measureSolution(job, solution), measureSolution(job, { ...solution, sheets: after })];
      expect({ ...b, settings: 0 }).toEqual({ ...a, settings: 0 });
      expect(settings).toBeLessThanOrEqual(a.settings!);
      for (const { tree } of after) expect(canCutTree(tree, job)).toBe(true);
    }
  });
});

test('rooms between marks: a run rounded up to the mark never overflows its room', () => {
  // seeds in which a pinned piece leaves such rooms beside pieces that are off the mark
  for (const seed of [8056, 8061, 8074, 5023, 7011]) {
    const job = read(mixedJob(seed));
    expect({ seed, faults: verifyPlan(job, planJob(job, { now: () => 0 })) }).toEqual({ seed, faults: [] });
  }
});

describe('outlines', () => {
  /** A star-shaped polygon round (50, 50), as corners in whole numbers. */
  const star = (R: () => number) =>
    Array.from({ length: 8 }, (_, i) => {
      const reach = 15 + R() * 35;
      const at = (2 * Math.PI * i) / 8;
      return { x: Math.round(50 + reach * Math.cos(at)), y: Math.round(50 + reach * Math.sin(at)) };
    }) as never;
  test('a rectangle lies inside when every point of it does', () => {
    const R = seededRandom(7);
    let [yes, no] = [0, 0];
    for (let n = 0; n < 300; n++) {
      const outline = star(R) as readonly { x: number; y: number }[];
      const box = { x: 30 + R() * 30, y: 30 + R() * 30, width: 2 + R() * 20, height: 2 + R() * 20 };
      const inside = (x: number, y: number) => {
        let odd = false;
        outline.forEach((a, i) => {
          const b = outline[(i + 1) % outline.length]!;
          if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
        });
        return odd;
      };
      let all = true;
      for (let i = 0; i <= 24 && all; i++)
        for (let j = 0; j <= 24 && all; j++)
          all = inside(box.x + (0.001 + i / 24.05) * box.width, box.y + (0.001 + j / 24.05) * box.height);
      const said = isRectangleInside(outline as never, box);
      // a corner may poke in between two points that were looked at, never the other way round
      if (said) expect(all).toBe(true);
      if (said) yes++;
      else if (!all) no++;
    }
    expect([yes > 40, no > 40]).toEqual([true, true]);
  });
  test('the area is that of the triangles from its middle', () => {
    const R = seededRandom(9);
    for (let n = 0; n < 20; n++) {
      const outline = star(R) as readonly { x: number; y: number }[];
      const sum = outline.reduce((total, a, i) => {
        const b = outline[(i + 1) % outline.length]!;
        return total + ((a.x - 50) * (b.y - 50) - (b.x - 50) * (a.y - 50)) / 2;
      }, 0);
      expect(areaOf({ width: 0, height: 0, outline } as never)).toBeCloseTo(sum);
    }
  });
});
