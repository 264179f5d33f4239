import { describe, expect, test } from '@jest/globals';
import { IN, leaf, over, row, type Leaf } from '../../../testing/trees.ts';
import type { JobDocument } from '../index.ts';
import type { CutSheet, Tree } from '../sheets/tree.ts';
import { orderSheetParts, collectRuns } from './runs.ts';

const pieces: Parameters<typeof over>[0] = [
  ['a', 2, 12, 9],
  ['b', 5, 12, 9],
];
const three: [number, Leaf][] = [
  [5, { piece: 1 }],
  [2, { piece: 0 }],
  [5, 'keep'],
];
const loose = (sizes: [number, Leaf][], more: Partial<JobDocument> = {}, sheet: Partial<CutSheet> = {}) =>
  collectRuns([{ stock: 0, tree: row(sizes), ...sheet }], over(pieces, more)).runs[0]!.loose;
const cutter = (said: Partial<NonNullable<JobDocument['cutter']>>): Partial<JobDocument> => ({ cutter: said });

describe('which parts of a run may come off in any order', () => {
  test('all of them, where every setting will do', () => expect(loose(three)).toBe(3));
  test('of parts off the mark only the last one, and that stays the last', () => {
    const mark = cutter({ step: '1' });
    expect(loose(three, mark)).toBe(3);
    expect(loose([[5, { piece: 1 }], [2, { piece: 0 }], [4.5, 'keep']], mark)).toBe(2); // prettier-ignore
    expect(loose([[5, { piece: 1 }], [2.5, 'keep'], [4, 'keep']], mark)).toBe(0); // prettier-ignore
    expect(loose([[2.5, 'keep'], [2, { piece: 0 }], [5, { piece: 1 }]], mark)).toBe(0); // prettier-ignore
    // in quarters the same is on the mark
    expect(loose([[5, { piece: 1 }], [2.5, 'keep'], [4, 'keep']], cutter({ step: '1/4' }))).toBe(3); // prettier-ignore
  });
  test('none, where a part is no wider than what some cutter adds', () => {
    expect(loose(three, cutter({ long: '1' }))).toBe(3);
    expect(loose(three, cutter({ long: '2' }))).toBe(0);
    expect(loose(three, { cutter: { long: '1/8', then: [{ name: 'knife', long: '2' }] } })).toBe(0);
    expect(loose(three, { cutter: { long: '2', then: [{ name: 'knife', long: '1/8' }] } })).toBe(0);
  });
  test('none, where two parts are too narrow to hold: of the last two one has to be wide enough', () => {
    expect(loose(three, cutter({ narrowest: '3' }))).toBe(3);
    expect(loose(three, cutter({ narrowest: '5' }))).toBe(3);
    expect(loose([...three, [2, { piece: 0 }]], cutter({ narrowest: '2' }))).toBe(4);
    expect(loose([...three, [2, { piece: 0 }]], cutter({ narrowest: '3' }))).toBe(0);
  });
  test('none on a sheet that is cut as it was, has an outline, lines that stay whole, or a piece from a place on it', () => {
    expect(loose(three, {}, { settled: true })).toBe(0);
    const sheet = { id: 's', paper: 'p', width: '12', height: '12', kind: 'sheet' as const };
    const corners = [[0, 0], [12, 0], [12, 11], [11, 12], [0, 12]] as [number, number][]; // prettier-ignore
    expect(loose(three, { stock: [{ ...sheet, kind: 'scrap', outline: corners }] })).toBe(0);
    const line = [['1', '1'], ['1', '2']] as [[string, string], [string, string]]; // prettier-ignore
    expect(loose(three, { stock: [{ ...sheet, uncut: [line] }] })).toBe(0);
    const pinned = over([['a', 2, 12]], {
      pieces: [{ id: 'a', width: 2, height: 12, papers: ['p'], from: { stock: 's', x: 0, y: 0 } }],
    });
    expect(collectRuns([{ stock: 0, tree: row(three) }], pinned).runs[0]!.loose).toBe(0);
  });
});

describe('sheets that are cut alike', () => {
  const sheets = (...trees: Tree[]): CutSheet[] => trees.map((tree) => ({ stock: 0, tree }));
  const stacksOf = (all: CutSheet[], stack: number, then: object[] = []) =>
    collectRuns(all, over(pieces, { cutter: { stack, then: then as never } })).groups.map((g) => g.stacks);
  test('go together, in stacks as high as every cutter takes', () => {
    const five = sheets(...Array.from({ length: 5 }, () => row(three)));
    expect(stacksOf(five, 2)).toEqual([[[0, 1], [2, 3], [4]]]);
    expect(stacksOf(five, 4, [{ name: 'knife', stack: 1 }])).toEqual([[[0], [1], [2], [3], [4]]]);
  });
  test('but not one with another size, holding, turn, opening or past', () => {
    const turned = row(three);
    const other = (at: number, change: Partial<Tree>): Tree => ({
      ...turned,
      parts: turned.parts.map((part, i) => (i === at ? { ...part, ...change } : part)),
    });
    const trees = [
      turned,
      other(2, { holds: 'waste' }),
      other(0, { holds: { piece: 0, side: 'A', turn: 0 } }),
      other(0, { holds: { piece: 1, side: 'A', turn: 180 } }),
      other(0, { holds: { piece: 1, side: 'B', turn: 0 } }),
      other(0, { opening: leaf(IN, IN, 2 * IN, 4 * IN, 'keep') }),
      row([[5, { piece: 1 }], [3, { piece: 0 }], [4, 'keep']]), // prettier-ignore
    ];
    expect(stacksOf(sheets(...trees), 9)).toHaveLength(trees.length);
    expect(stacksOf([...sheets(turned), { stock: 0, tree: turned, settled: true }], 9)).toHaveLength(2);
  });
});

test('parts that change places take with them what lies in them, and the kerf stays between', () => {
  const kerf = 0.25;
  const column = row([[3, { piece: 0 }], [4, 'keep']], { cut: 'y', height: 2, x: 5.25, kerf }); // prettier-ignore
  const opened = { ...leaf(0, 0, 5 * IN, 12 * IN, { piece: 1 }), opening: leaf(IN, 2 * IN, 2 * IN, 4 * IN, 'keep') };
  const tree: Tree = { ...row([[5, { piece: 1 }], [2, 'keep']], { kerf }), parts: [opened, column] }; // prettier-ignore
  const job = over(pieces, { cutter: { kerf: '1/4' } });
  const all: CutSheet[] = [{ stock: 0, tree }];
  const { groups, runs } = collectRuns(all, job);
  const orders = runs.map((run) => (run.node === tree ? [1, 0] : [0, 1]));
  const [sheet] = orderSheetParts(all, groups, orders, kerf * IN);
  const [first, second] = sheet!.tree.parts;
  expect([first!.x, second!.x]).toEqual([0, 2.25 * IN]);
  expect(first!.parts.map((p) => [p.x, p.y])).toEqual([
    [0, 0],
    [0, 3.25 * IN],
  ]);
  expect([second!.opening!.x, second!.opening!.y]).toEqual([3.25 * IN, 2 * IN]);
});
