import { describe, expect, test } from '@jest/globals';
import { compileJob, type CompiledJob } from '../blanks/compile.ts';
import { readJob, type JobDocument } from '../index.ts';
import { mixedJob, mixedJob2, normalJob, puzzleJob } from '../../../testing/makers.ts';
import { seededRandom } from '../../chance/index.ts';
import { addTreeFigures, emptyFigures } from '../sheets/tree.ts';
import { DEFAULT_WEIGHTS } from './construct.ts';
import { buildFrames } from '../blanks/frames.ts';
import { measureSolution } from '../sheets/standing.ts';
import { buildSolution, measureLayout } from './solutionOfLayout.ts';
import { Layout } from './layout.ts';
import { COLUMN, LEAF, ROW } from './sheetTrees.ts';
import { measureSheet, type SheetFigures } from './measure.ts';
import { buildTree } from './buildTree.ts';

function compiled(document: JobDocument): CompiledJob {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const { sheets, unplaced } = buildFrames(read.job);
  return compileJob(read.job, { frames: sheets.map((ways) => ways[0]!), unplaced });
}

/** What must hold of a layout at any time; the first thing that does not, or null. */
function broken(layout: Layout): string | null {
  const { c } = layout;
  const placed = new Int32Array(c.pieceCount);
  const opened = new Int32Array(c.stockCount);
  let newArea = 0;
  for (let b = 0; b < layout.sheets; b++) {
    const s = layout.stock[b]!;
    opened[s]!++;
    if (c.isNew[s]) newArea += c.stockArea[s]!;
    let spare = c.roomWidth[s]! * c.roomHeight[s]!;
    if (layout.parent[layout.root[b]!] !== -1) return 'a root with a parent';
    for (let n = layout.root[b]!; n >= 0; n = layout.after(n)) {
      if (layout.sheet[n] !== b) return 'a node that thinks it is on another sheet';
      if (layout.roomW[n]! < 0 || layout.roomH[n]! < 0) return 'a node with less than no room';
      if (layout.kind[n] === LEAF) {
        const k = layout.piece[n]!;
        placed[k]!++;
        spare -= c.area[k]!;
        const [w, h] = layout.flat[n] ? [c.height[k], c.width[k]] : [c.width[k], c.height[k]];
        if (layout.w[n] !== w || layout.h[n] !== h) return 'a leaf that is not as large as its piece';
        continue;
      }
      const children: number[] = [];
      for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!) children.push(child);
      if (children.length < 2) return 'a run of one';
      if (children.some((child) => layout.parent[child] !== n)) return 'a child of another parent';
      if (children.some((child) => layout.kind[child] === layout.kind[n])) return 'a run inside a run of its own kind';
      const across = Math.max(...children.map((child) => (layout.kind[n] === ROW ? layout.h : layout.w)[child]!));
      if ((layout.kind[n] === ROW ? layout.h : layout.w)[n] !== across)
        return 'a run that is not as high as its highest';
      if ((layout.kind[n] === COLUMN ? layout.h : layout.w)[n]! < layout.runLength(n))
        return 'a run shorter than its children';
    }
    if (Math.abs(spare - layout.spare[b]!) > 1) return 'spare area that does not add up';
  }
  for (let k = 0; k < c.pieceCount; k++)
    if (placed[k]! + layout.pool[k]! !== c.quantity[k]) return 'a copy lost or made up';
  for (let s = 0; s < c.stockCount; s++)
    if (opened[s] !== layout.opened[s] || opened[s]! > c.copies[s]!) return 'more of a stock item than there is';
  return Math.abs(newArea - layout.newArea) > 1 ? 'new area that does not add up' : null;
}

/** How many jobs of each kind are laid out; `npm run soak` lays out more. */
const LAYOUTS = Number(process.env.TEMNEX_LAYOUTS ?? 2);
const leavesOf = (layout: Layout): number[] => {
  const leaves: number[] = [];
  for (let b = 0; b < layout.sheets; b++)
    for (let n = layout.root[b]!; n >= 0; n = layout.after(n)) if (layout.kind[n] === LEAF) leaves.push(n);
  return leaves;
};

/** Puts, removes and empties at random; calls `look` after every change. */
function wander(layout: Layout, steps: number, random: () => number, look: (step: number) => void): void {
  const { c } = layout;
  for (let step = 0; step < steps; step++) {
    const roll = random();
    const leaves = leavesOf(layout);
    if (roll < 0.65 || !leaves.length) {
      const k = Math.floor(random() * c.pieceCount);
      if (
        layout.pool[k]! > 0 &&
        layout.seek(k, { ...DEFAULT_WEIGHTS, blink: random() < 0.5 ? 0 : 0.3 }, Infinity, random, -1)
      )
        layout.put(k);
    } else if (roll < 0.95) layout.remove(leaves[Math.floor(random() * leaves.length)]!);
    else layout.empty(Math.floor(random() * layout.sheets));
    look(step);
  }
}

const JOBS: [string, (seed: number) => JobDocument][] = [
  ['puzzles', (seed) => puzzleJob(2, 8, seed)],
  ['normal jobs', (seed) => normalJob(seed)],
  ['mixed jobs', (seed) => mixedJob(seed)],
];

describe('a layout stays sound', () => {
  test.each(JOBS)('%s: whatever is put in and taken out', (_, make) => {
    for (let seed = 1; seed <= 8; seed++) {
      const c = compiled(make(seed));
      if (!c.stockCount) continue;
      const layout = new Layout(c);
      wander(layout, 120, seededRandom(seed), (step) => {
        expect({ seed, step, broken: broken(layout) }).toEqual({ seed, step, broken: null });
      });
    }
  });

  test('a copy is the same layout, and changing it leaves the other as it was', () => {
    const c = compiled(normalJob(5));
    const [one, two] = [new Layout(c), new Layout(c)];
    wander(one, 60, seededRandom(9), () => {});
    two.copyFrom(one);
    const before = leavesOf(one).length;
    expect(broken(two)).toBeNull();
    expect([two.sheets, two.newArea, leavesOf(two).length]).toEqual([one.sheets, one.newArea, before]);
    wander(two, 40, seededRandom(10), () => {});
    expect([broken(one), leavesOf(one).length]).toEqual([null, before]);
  });

  test('no place is found beyond the budget of new paper', () => {
    const c = compiled(puzzleJob(2, 6, 1));
    const layout = new Layout(c);
    const random = seededRandom(1);
    const sheet = c.stockArea[0]!;
    for (let k = 0; k < c.pieceCount; k++)
      while (layout.pool[k]! > 0 && layout.seek(k, DEFAULT_WEIGHTS, sheet, random, -1)) layout.put(k);
    expect(layout.newArea).toBe(sheet);
    expect(layout.sheets).toBe(1);
  });

  test('a sheet known to be full is looked at again once it has changed', () => {
    const c = compiled({
      ...puzzleJob(1, 4, 2),
      stock: [{ id: 's', paper: 'p', width: '4', height: '4', quantity: 1 }],
      pieces: [{ id: 'a', width: '4', height: '2', quantity: 3, papers: ['p'] }],
    });
    const layout = new Layout(c);
    const random = seededRandom(1);
    const seek = () => layout.seek(0, DEFAULT_WEIGHTS, Infinity, random, -1);
    for (let i = 0; i < 2; i++) {
      expect(seek()).toBe(true);
      layout.put(0);
    }
    expect([seek(), seek()]).toEqual([false, false]);
    layout.remove(leavesOf(layout)[0]!);
    expect(seek()).toBe(true);
  });

  test('a planted tree stands as it was given, its runs flattened', () => {
    const c = compiled({
      ...puzzleJob(1, 4, 2),
      stock: [{ id: 's', paper: 'p', width: '12', height: '12' }],
      pieces: [{ id: 'a', width: '4', height: '6', quantity: 4, papers: ['p'] }],
    });
    const layout = new Layout(c);
    const a = { piece: 0, flat: false };
    layout.plant(0, { row: true, parts: [a, { row: true, parts: [a, { row: false, parts: [a, a] }] }] });
    expect(broken(layout)).toBeNull();
    const root = layout.root[0]!;
    const children: number[] = [];
    for (let n = layout.first[root]!; n >= 0; n = layout.next[n]!) children.push(layout.kind[n]!);
    expect(children).toEqual([LEAF, LEAF, COLUMN]);
    expect([layout.w[root], layout.h[root]]).toEqual([12 * 24384, 12 * 24384]);
  });
});

describe('measuring', () => {
  test.each(JOBS)('%s: the numbers are those of the tree that would be cut', (_, make) => {
    for (let seed = 1; seed <= 9; seed++) {
      const c = compiled(make(seed));
      if (!c.stockCount) continue;
      const layout = new Layout(c);
      wander(layout, 50, seededRandom(seed + 100), () => {});
      for (let b = 0; b < layout.sheets; b++) {
        const made = buildTree(layout, b);
        if (!made) continue;
        const s = layout.stock[b]!;
        const tree = addTreeFigures(made, c.kerf, emptyFigures());
        const out: SheetFigures = { waste: 0, largestKept: 0, cuts: 0, disliked: 0, pieceArea: 0 };
        measureSheet(layout, b, out);
        if (c.blanks[s]!.frame >= 0) continue;
        const margins = c.stockArea[s]! - c.roomWidth[s]! * c.roomHeight[s]!;
        expect({ seed, b, waste: out.waste, largest: out.largestKept, cuts: out.cuts }).toEqual({
          seed,
          b,
          waste: tree.waste + tree.kerf + margins,
          largest: tree.largestKept,
          cuts: tree.cuts,
        });
        expect(Math.abs(out.waste + tree.kept + out.pieceArea - c.stockArea[s]!)).toBeLessThan(1);
      }
    }
  });

  test.each([...JOBS, ['mixed jobs of version 2', mixedJob2] as const])(
    '%s: a layout stands as the solution that it stands for',
    (_, make) => {
      let framed = 0;
      for (let seed = 1; seed <= LAYOUTS; seed++) {
        const c = compiled(make(seed));
        if (!c.stockCount) continue;
        framed += c.frames.length;
        const layout = new Layout(c);
        wander(layout, 50, seededRandom(seed + 300), () => {});
        if (Array.from({ length: layout.sheets }, (__, b) => buildTree(layout, b)).some((tree) => !tree)) continue;
        const quick = measureLayout(layout, true);
        const exact = measureSolution(c.job, buildSolution(layout));
        for (const key of Object.keys(exact) as (keyof typeof exact)[])
          // the search does not ask how useful the offcuts are
          if (key !== 'useful')
            expect({ seed, key, value: Math.round(Number(quick[key])) }).toEqual({
              seed,
              key,
              value: Math.round(Number(exact[key])),
            });
      }
      if (make === mixedJob2) expect(framed).toBeGreaterThan(LAYOUTS / 2);
    },
  );
});
