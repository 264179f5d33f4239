import { describe, expect, test } from '@jest/globals';
import { readJob, type Job, type JobDocument } from '../index.ts';
import { compareScores, computeScore, type Standing } from './score.ts';
import { measureSheetTree, isNewPaper, missingAreasOf, measureSolution, rankUrgencies } from './standing.ts';
import type { CutSheet, Tree } from './tree.ts';

const standing: Standing = {
  missing: [0, 0],
  newArea: 10,
  disliked: 10,
  waste: 10,
  fromScraps: 10,
  items: 10,
  largestKept: 10,
  settings: 10,
  cuts: 10,
  useful: 10,
  wanted: 10,
};
/** What may be worse as long as what stands before it is better, most telling first; each with what is better about it. */
const orders = {
  'least-paper': [
    'newArea',
    'disliked',
    'waste',
    'fromScraps',
    'items',
    'largestKept',
    'settings',
    'cuts',
    'wanted',
    'useful',
  ],
  'easiest-cuts': [
    'newArea',
    'disliked',
    'settings',
    'cuts',
    'waste',
    'fromScraps',
    'items',
    'largestKept',
    'wanted',
    'useful',
  ],
  'largest-offcuts': [
    'newArea',
    'disliked',
    'largestKept',
    'waste',
    'fromScraps',
    'items',
    'settings',
    'cuts',
    'wanted',
    'useful',
  ],
} as const;
const moreIsBetter = new Set(['fromScraps', 'largestKept', 'useful', 'wanted']);
const changed = (name: Exclude<keyof Standing, 'missing'>, better: boolean): Partial<Standing> => ({
  [name]: 10 + (better === moreIsBetter.has(name) ? 1 : -1),
});

describe.each(Object.keys(orders) as (keyof typeof orders)[])('what is better, for %s', (aim) => {
  const order = orders[aim];
  test.each(order.map((name, at) => [name, order.slice(at + 1)] as const))('%s before %j', (name, after) => {
    const worse = Object.assign({}, ...after.map((other) => changed(other, false))) as Partial<Standing>;
    const better = computeScore(aim, { ...standing, ...worse, ...changed(name, true) });
    expect(compareScores(better, computeScore(aim, standing))).toBeLessThan(0);
    expect(compareScores(computeScore(aim, standing), better)).toBeGreaterThan(0);
    const best = Object.assign({}, ...after.map((other) => changed(other, true))) as Partial<Standing>;
    const notAsGood = computeScore(aim, { ...standing, ...best, ...changed(name, false) });
    expect(compareScores(notAsGood, computeScore(aim, standing))).toBeGreaterThan(0);
  });
  test('before all of it, what is missing, the most urgent first', () => {
    const all = Object.assign({}, ...order.map((name) => changed(name, false))) as Partial<Standing>;
    const less = computeScore(aim, { ...standing, ...all, missing: [0, 9] });
    expect(compareScores(less, computeScore(aim, { ...standing, missing: [1, 0] }))).toBeLessThan(0);
    expect(compareScores(less, computeScore(aim, { ...standing, missing: [0, 10] }))).toBeLessThan(0);
  });
});

test('of waste that nobody sees, the easier to cut is better; more waste than that never', () => {
  for (const aim of ['least-paper', 'largest-offcuts'] as const) {
    const easier = { ...standing, waste: 12, settings: 9, fromScraps: 0, items: 99, cuts: 99 };
    expect(compareScores(computeScore(aim, easier, 12), computeScore(aim, standing, 12))).toBeLessThan(0);
    expect(compareScores(computeScore(aim, easier, 11), computeScore(aim, standing, 11))).toBeGreaterThan(0);
    expect(
      compareScores(computeScore(aim, { ...easier, newArea: 11 }, 12), computeScore(aim, standing, 12)),
    ).toBeGreaterThan(0);
  }
  const smaller = { ...standing, largestKept: 9, settings: 1 };
  expect(
    compareScores(computeScore('largest-offcuts', smaller, 99), computeScore('largest-offcuts', standing, 99)),
  ).toBeGreaterThan(0);
});

test('what nobody has counted decides nothing, nor what comes after it', () => {
  const open = { ...standing, settings: null, cuts: 1 };
  expect(compareScores(computeScore('least-paper', open), computeScore('least-paper', standing))).toBe(0);
  expect(compareScores(computeScore('least-paper', standing), computeScore('least-paper', open))).toBe(0);
  expect(
    compareScores(computeScore('least-paper', { ...open, waste: 9 }), computeScore('least-paper', standing)),
  ).toBeLessThan(0);
  expect(compareScores([1, 2], [1, 2])).toBe(0);
});

const IN = 24384;
function job(more: Partial<JobDocument>): Job {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'p' }, { id: 'q' }],
    plan: { keep: { shorter: '1', longer: '2' } },
    stock: [
      { id: 'scrap', paper: 'p', width: '6', height: '4', kind: 'scrap' },
      { id: 'sheet', paper: 'q', width: '12', height: '12', kind: 'sheet', quantity: 3 },
      { id: 'pad', paper: 'q', width: '5', height: '5', kind: 'pad' },
      { id: 'strip', paper: 'q', width: '1', height: '12', kind: 'strip' },
      {
        id: 'L',
        paper: 'p',
        width: '6',
        height: '6',
        kind: 'scrap',
        outline: [
          [0, 0],
          [6, 0],
          [6, 2],
          [2, 2],
          [2, 6],
          [0, 6],
        ],
      },
    ],
    pieces: [
      { id: 'a', width: '2', height: '4', papers: ['p', 'q'], priority: 5, quantity: 2 },
      { id: 'b', width: '3', height: '3', papers: ['q', 'p'], priority: 1 },
      { id: 'c', width: '1', height: '1', papers: ['q'], priority: 5 },
    ],
    ...more,
  } as JobDocument);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.job;
}
/** A node in inches, its parts following each other with nothing lost between them. */
const node = (width: number, height: number, holds: Tree['holds'] | Tree[], cut: 'x' | 'y' = 'x'): Tree => ({
  x: 0,
  y: 0,
  width: width * IN,
  height: height * IN,
  lost: 0,
  ...(Array.isArray(holds) ? { cut, parts: holds, holds: null } : { cut: null, parts: [], holds }),
});
const piece = (index: number): Tree['holds'] => ({ piece: index, turn: 0, side: 'A' });
const square = IN * IN;

describe('how a solution stands', () => {
  const scrap: CutSheet = {
    stock: 0,
    tree: node(6, 4, [node(2, 4, piece(0)), node(2, 4, piece(0)), node(2, 4, 'keep')]),
  };
  const fresh: CutSheet = {
    stock: 1,
    tree: node(12, 12, [
      node(3, 12, [node(3, 3, piece(1)), node(3, 9, 'keep')], 'y'),
      node(8.5, 12, 'keep'),
      node(0.5, 12, 'waste'),
    ]),
  };
  test('every figure of two sheets', () => {
    expect(measureSolution(job({}), { sheets: [scrap, fresh], missing: [0, 0, 3] })).toEqual({
      missing: [3 * square, 0],
      newArea: 144 * square,
      disliked: 0,
      waste: 6 * square,
      fromScraps: 16 * square,
      items: 2,
      largestKept: 8.5 * 12 * square,
      settings: 3,
      cuts: 5,
      // 2 x 4, 3 x 9 and 8 1/2 x 12, each times its shorter side
      useful: (8 * 2 + 27 * 3 + 102 * 8.5) * IN ** 3,
      wanted: 0,
    });
  });
  test('second choices, and new paper of either kind, are counted', () => {
    const swapped = job({
      stock: [
        { id: 'scrap', paper: 'q', width: '6', height: '4', kind: 'scrap' },
        { id: 'pad', paper: 'p', width: '12', height: '12', kind: 'pad' },
      ],
    });
    const stands = measureSolution(swapped, { sheets: [scrap, fresh], missing: [0, 0, 0] }, false);
    expect(stands).toMatchObject({ disliked: 3, newArea: 144 * square, fromScraps: 16 * square, settings: null });
    expect(['sheet', 'pad', 'scrap', 'strip'].map((kind) => isNewPaper({ kind }))).toEqual([true, true, false, false]);
  });
  test('urgency is by rank, the most urgent first', () => {
    expect(rankUrgencies(job({}))).toEqual({ of: [1, 0, 1], levels: 2 });
    expect(missingAreasOf(job({}), [2, 1, 4])).toEqual([20 * square, 9 * square]);
  });
  test('margins are waste, and what cuts take is', () => {
    const trimmed = job({
      cutter: { kerf: '1/4' },
      stock: [{ id: 's', paper: 'p', width: '7', height: '4', kind: 'sheet', trim: { left: '1' } }],
    });
    const part = (x: number, width: number, holds: Tree['holds']): Tree => ({ ...node(width, 4, holds), x: x * IN });
    const tree = node(6, 4, [part(0, 2, piece(0)), part(2.25, 3.75, 'waste')]);
    expect(measureSheetTree(trimmed, 0, tree)).toMatchObject({
      waste: (4 + 15) * square,
      kerf: square,
      cuts: 1,
      kept: 0,
    });
    expect(measureSolution(trimmed, { sheets: [{ stock: 0, tree }], missing: [1, 1, 1] })).toMatchObject({
      waste: 20 * square,
      newArea: 28 * square,
    });
  });
  test('of an odd scrap only its own paper can be wasted', () => {
    const framed = (tree: Tree): Tree => ({ ...tree, frame: true });
    // cut across at 2: the foot holds a piece, what stands above is framed too, with no paper at its right
    const foot = node(6, 2, [node(4, 2, piece(0)), node(2, 2, 'keep')]);
    const above = framed(node(6, 4, [node(2, 4, piece(0)), framed(node(4, 4, 'waste'))]));
    const tree = framed(node(6, 6, [foot, above], 'y'));
    expect(measureSheetTree(job({}), 4, tree)).toMatchObject({
      waste: 0,
      cuts: 3,
      kept: 4 * square,
      largestKept: 4 * square,
    });
    const bare = framed(node(6, 6, [node(6, 2, piece(0)), framed(node(6, 4, 'waste'))], 'y'));
    expect(measureSheetTree(job({}), 4, bare)).toMatchObject({ waste: 8 * square, cuts: 1, kept: 0 });
  });
});
