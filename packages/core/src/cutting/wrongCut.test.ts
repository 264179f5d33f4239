import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type JobDocument } from '../planner/index.ts';
import { computeCutEffects, computeLeftByWrongCut, findPiecesThatStillFit, findWrongCutFault } from './index.ts';
import { layOutPartsAfter, cutPartInTwo } from './partsOnTable.ts';
import { partInHandFor, isLargerThanPart } from './wrongCut.ts';

/** Two pieces 4 x 12 from a sheet of 12 x 12: a cut at 4, another at 4, and 4 x 12 is left. */
const asked = (more: Partial<JobDocument> = {}) => {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'p', sides: [{ side: 'A', direction: 'one-way', along: 'height' }] }, { id: 'q' }],
    cutter: { step: '1/16' },
    plan: { nodes: 40, keep: { shorter: '1', longer: '3' } },
    stock: [
      { id: 's', paper: 'p', width: '12', height: '12', quantity: 2, kind: 'sheet' },
      { id: 'other', paper: 'q', width: '8', height: '10', kind: 'sheet' },
    ],
    pieces: [{ id: 'a', name: 'tail', width: '4', height: '12', papers: ['p'], quantity: 2, direction: 'height' }],
    ...more,
  } as JobDocument);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
};
const { job, plan } = asked();
const boxes = (steps: number) =>
  layOutPartsAfter(job, plan, steps)
    .parts.map(({ is, x, y, width, height }) => [
      typeof is === 'object' ? `${is.piece} ${is.copy}` : is,
      x,
      y,
      width,
      height,
    ])
    .sort((a, b) => Number(a[1]) - Number(b[1]));

describe('what lies on the table', () => {
  test('before a cut nothing; then what came off, and what is to be cut again', () => {
    expect(boxes(0)).toEqual([]);
    expect(boxes(1)).toEqual([
      ['a 1', 0, 0, 4, 12],
      ['begun', 4, 0, 8, 12],
    ]);
    expect(boxes(2)).toEqual([
      ['a 1', 0, 0, 4, 12],
      ['a 2', 4, 0, 4, 12],
      ['keep', 8, 0, 4, 12],
    ]);
  });
  test('what the blade swallows is counted, and with it all of the sheet is there', () => {
    const wide = asked({ cutter: { step: '1/16', kerf: '1/16' } });
    const { parts, kerf } = layOutPartsAfter(wide.job, wide.plan, 2);
    expect(kerf.get(0)).toBeCloseTo(2 * 12 * (1 / 16), 9);
    expect(parts.reduce((sum, p) => sum + p.width * p.height, kerf.get(0)!)).toBeCloseTo(144, 9);
  });
  test('margins that are trimmed off are waste, each at its edge', () => {
    const trims = asked({
      stock: [
        { id: 's', paper: 'p', width: '13', height: '14', trim: { left: '1/4', right: '1/2', bottom: '1', top: '3/4' } },
      ],
    } as Partial<JobDocument>);
    const n = trims.plan.steps.filter((s) => s.do === 'trim').length;
    const margins = layOutPartsAfter(trims.job, trims.plan, n).parts.filter(({ path }) => path.startsWith('m.'));
    expect(margins.every(({ is }) => is === 'waste')).toBe(true);
    const at = (edge: string) => margins.find(({ path }) => path === `m.${edge}`);
    for (const [edge, x, y] of [['left', 0, 0], ['right', 12.5, 0], ['bottom', 0, 0], ['top', 0, 13.25]] as const) {
      const margin = at(edge);
      // only what the cuts ask for is trimmed
      if (!margin) continue;
      expect([edge, edge === 'left' || edge === 'right' ? margin.x : margin.y]).toEqual([edge, edge === 'left' || edge === 'right' ? x : y]); // prettier-ignore
    }
    expect(margins.length).toBe(n);
    expect(n).toBeGreaterThanOrEqual(2);
  }); // prettier-ignore
  test('a centre that is cut out lies by itself, and its hole is in what it came from', () => {
    const open = asked({
      pieces: [
        {
          id: 'base',
          width: '12',
          height: '12',
          papers: ['p'],
          opening: { x: '1', y: '1', width: '10', height: '10' },
        },
        { id: 'tag', width: '10', height: '3', papers: ['p'] },
      ],
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', kind: 'sheet' }],
    } as unknown as Partial<JobDocument>);
    const at = open.plan.steps.findIndex((s) => s.do === 'open');
    if (at < 0) throw new Error('no centre is cut out');
    const { parts } = layOutPartsAfter(open.job, open.plan, at + 1);
    const hole = parts.find((p) => p.hole)!.hole!;
    const out = parts.find((p) => !p.hole)!;
    expect(hole).toEqual({ x: out.x, y: out.y, width: out.width, height: out.height });
  });
});

test('what a cut takes off and leaves, from either edge, and what the blade swallows', () => {
  const box = { x: 1, y: 2, width: 8, height: 10 };
  const where = ([off, rest, lost]: ReturnType<typeof cutPartInTwo>) => [
    ...[off, rest].map(({ x, y, width, height }) => [x, y, width, height]),
    lost,
  ];
  expect(where(cutPartInTwo(box, 'left', 3, 0.5))).toEqual([[1, 2, 3, 10], [4.5, 2, 4.5, 10], 5]); // prettier-ignore
  expect(where(cutPartInTwo(box, 'bottom', 3, 0.5))).toEqual([[1, 2, 8, 3], [1, 5.5, 8, 6.5], 4]); // prettier-ignore
  // the blade swallows no more than there is
  expect(where(cutPartInTwo(box, 'left', 7.75, 0.5))[2]).toBe(2.5);
  expect(where(cutPartInTwo(box, 'bottom', 9.75, 0.5))[2]).toBe(2);
});

describe('a cut that went wrong', () => {
  test('what was in hand for it, the whole sheet before the first', () => {
    expect(partInHandFor(job, plan, 0)).toMatchObject({ x: 0, y: 0, width: 12, height: 12 });
    expect(partInHandFor(job, plan, 1)).toMatchObject({ x: 4, y: 0, width: 8, height: 12 });
    expect(partInHandFor(job, plan, plan.steps.length)).toBeNull();
  });
  test('both parts are left, from whichever edge; no more than there was', () => {
    const left = (setting: number, edge: 'left' | 'bottom') =>
      computeLeftByWrongCut(job, plan, 1, { setting, edge }).map(({ width, height }) => `${width} x ${height}`);
    expect(left(3, 'left')).toEqual(['3 x 12', '5 x 12']);
    expect(left(3, 'bottom')).toEqual(['8 x 3', '8 x 9']);
    expect(left(8, 'left')).toEqual(['8 x 12']);
    expect(left(20, 'bottom')).toEqual(['8 x 12']);
    expect(computeLeftByWrongCut(job, plan, 9, { setting: 1, edge: 'left' })).toEqual([]);
  });
  test('nobody has more left than was in hand', () => {
    const fault = (how: 'size' | 'paper', left: [string, string][], stock?: string) =>
      findWrongCutFault(job, plan, 1, { how, left: left.map(([width, height]) => ({ width, height })), ...(stock ? { stock } : {}) }); // prettier-ignore
    expect(fault('size', [['8', '12']])).toBeNull();
    expect(fault('size', [['3', '12'], ['5', '12']])).toBeNull(); // prettier-ignore
    expect(fault('size', [['8 1/16', '12']])).toBe('left-too-large');
    expect(fault('size', [['8', '12'], ['1/16', '1/16']])).toBe('left-too-large'); // prettier-ignore
    expect(fault('paper', [['8', '10']], 'other')).toBeNull();
    expect(fault('paper', [['8', '10 1/16']], 'other')).toBe('left-too-large');
    expect(fault('paper', [])).toBe('no-such-stock');
    expect(findWrongCutFault(job, plan, 9, { how: 'size', left: [] })).toBe('no-such-step');
    expect(isLargerThanPart([{ width: '1', height: '12 1/16' }], { width: 12, height: 12 }, plan)).toBe(true);
  });
  test('what may still be cut from what is left: of the paper, not yet off, the way its pattern runs', () => {
    const fits = (steps: number, paper: string, width: string, height: string) =>
      findPiecesThatStillFit(job, plan, steps, paper, [{ width, height }]);
    expect(fits(1, 'p', '4', '12')).toEqual(['tail']);
    expect(fits(1, 'p', '12', '4')).toEqual([]);
    expect(fits(1, 'p', '3 15/16', '12')).toEqual([]);
    expect(fits(1, 'q', '4', '12')).toEqual([]);
    expect(fits(2, 'p', '4', '12')).toEqual([]);
    const any = asked({ pieces: [{ id: 'a', name: 'tail', width: '4', height: '12', papers: ['p'], quantity: 2 }] });
    expect(findPiecesThatStillFit(any.job, any.plan, 1, 'p', [{ width: '12', height: '4' }])).toEqual(['tail']);
  });
  test('what is left of it goes into the drawer by the name that it bears, and what came off before is a piece', () => {
    const after = (left: { width: string; height: string }[]) =>
      computeCutEffects(job, plan, 'page', '2026-05-01', { steps: 1, wrong: { how: 'size', left } });
    const one = after([{ width: '5', height: '12' }]);
    expect(one.pieces).toHaveLength(1);
    expect(one.used).toEqual([{ stock: 's', count: 1 }]);
    expect(one.kept).toMatchObject([{ width: '5', height: '12', origin: { stock: 's', part: 'A1' } }]);
    const two = after([{ width: '3', height: '12' }, { width: '5', height: '12' }]); // prettier-ignore
    expect(two.kept.map(({ width, origin }) => [width, origin?.part])).toEqual([
      ['3', undefined],
      ['5', undefined],
    ]);
    // torn before it was cut: nothing is left of what was in hand
    expect(after([]).kept).toEqual([]);
  });
  test('of another paper, that one is used, and what the order had in hand lies there still', () => {
    const { used, kept } = computeCutEffects(job, plan, 'page', '2026-05-01', {
      steps: 1,
      wrong: { how: 'paper', left: [{ width: '4', height: '10' }], stock: 'other' },
    });
    expect(used).toEqual([
      { stock: 's', count: 1 },
      { stock: 'other', count: 1 },
    ]);
    expect(kept.map(({ paper, width, height, origin }) => [paper, width, height, origin?.stock, origin?.part])).toEqual(
      [
        ['p', '8', '12', 's', 'A1'],
        ['q', '4', '10', 'other', undefined],
      ],
    );
  });
});
