import { describe, expect, test } from '@jest/globals';
import { inches } from '../length/index.ts';
import { planJob, readJob, type JobDocument, type Plan } from '../planner/index.ts';
import { computeCalibration, diagnoseFence, measureDeviations } from './measured.ts';
import { countMinutes } from './minutes.ts';

const in32 = (n: number) => inches(n / 32);

describe('what sizes say of the fence', () => {
  test.each([
    ['two are too few', [in32(1), in32(1)], null],
    ['right each time', [0, 0, 0], null],
    ['off by less than one can measure', [10, -20, 30], null],
    ['always 1/32 too long', [in32(1), in32(1), in32(1)], { code: 'always-off', by: in32(1) }],
    ['always a little too short', [-in32(2), -in32(1), -in32(1.5)], { code: 'always-off', by: -in32(1.5) }],
    ['a little over and a little under', [in32(0.5), -in32(0.4), in32(0.5)], null],
    ['over and under by as much as one can measure', [in32(0.5), -in32(0.5), in32(0.5)], null],
    ['always over by just as much as one can measure', Array(3).fill(in32(0.5)), { code: 'always-off', by: in32(0.5) }],
    ['further off each time', [0, in32(1), in32(3)], { code: 'loose', from: 0, to: in32(3) }],
    ['as far apart as a fence may be', [0, in32(1), in32(0.5)], null],
    ['a little further apart', [0, in32(1.5), in32(0.5)], { code: 'loose', from: 0, to: in32(1.5) }],
    ['only the last three count', [in32(9), in32(1), in32(1), in32(1)], { code: 'always-off', by: in32(1) }],
  ])('%s', (_, off, says) => {
    expect(diagnoseFence(off)).toEqual(says);
  });
  test('a piece is compared along the cut that freed it, also where it lay turned', () => {
    const read = readJob({
      format: 'temnex-job',
      version: 2,
      papers: [{ id: 'gust' }],
      plan: { nodes: 1 },
      stock: [{ id: 's', paper: 'gust', width: '12', height: '3' }],
      pieces: [{ id: 'strip', width: '3', height: '5', quantity: 2, papers: ['gust'] }],
    } as JobDocument);
    if (!read.ok) throw new Error('it reads');
    const plan = planJob(read.job, { now: () => 0 });
    const strip = (copy: number, height: string) => ({ piece: 'strip', copy, width: '3', height });
    expect(measureDeviations(read.job, plan, [strip(1, '5 1/32'), strip(2, '4 31/32')])).toEqual([in32(1), -in32(1)]);
    expect(measureDeviations(read.job, plan, [{ piece: 'gone', copy: 1, width: '3', height: '5' }])).toEqual([]);
  });
  test('on sheets cut both ways: what comes off, what is left, what lies turned; not what no cut freed', () => {
    const pieces = ['a', 'b', 'c', 'd', 'e', 'f'].map((id) => ({ id, width: '3', height: '4', papers: ['gust'] }));
    const read = readJob({
      format: 'temnex-job',
      version: 2,
      papers: [{ id: 'gust' }],
      pieces,
      stock: [{ id: 's', paper: 'gust', width: '12', height: '12' }],
    } as JobDocument);
    if (!read.ok) throw new Error('it reads');
    const box = { x: 0, y: 0, width: 3, height: 4 };
    const leaf = (piece: string, copy = 1, turn = 0, more = {}) => ({ ...box, cut: null, holds: { piece, copy, turn, side: 'A' }, ...more }); // prettier-ignore
    const run = (cut: 'x' | 'y', ...parts: object[]) => ({ ...box, cut, parts });
    const waste = { ...box, cut: null, holds: 'waste' };
    const trees = [
      run('y', run('x', leaf('a'), leaf('a', 2, 90)), leaf('b', 1, 180)),
      run('x', leaf('c', 1, 0, { opening: leaf('d') }), waste),
      leaf('e'),
      run('y', leaf('f', 1, 270), waste),
    ];
    const cut = (sheet: number, part: string, edge: 'left' | 'bottom') => ({
      do: 'cut',
      sheets: [sheet],
      part,
      edge,
      setting: 3,
      off: `${part}.0`,
      rest: `${part}.1`,
    });
    const plan = {
      unit: 'in',
      sheets: trees.map((tree) => ({ stock: 's', copy: 1, tree })),
      steps: [
        { do: 'trim', sheets: [0, 2], edge: 'left', setting: 1 },
        cut(0, 'r', 'bottom'),
        cut(0, 'r.0', 'left'),
        cut(3, 'r', 'bottom'),
        cut(1, 'r', 'left'),
        { do: 'open', sheets: [1], part: 'r.0', off: 'r.0.o' },
      ],
    } as unknown as Plan;
    // 1/32 too wide, 1/16 too high: what is told is along the cut
    const of = (piece: string, copy = 1) =>
      measureDeviations(read.job, plan, [{ piece, copy, width: '3 1/32', height: '4 1/16' }]);
    const [wide, high] = [[in32(1)], [in32(2)]];
    expect([of('a'), of('a', 2), of('b'), of('c')]).toEqual([wide, high, high, wide]);
    expect([of('d'), of('e'), of('f')]).toEqual([[], [], wide]);
  });
  test('of two pieces each by its own cut', () => {
    const read = readJob({
      format: 'temnex-job',
      version: 2,
      papers: [{ id: 'gust' }, { id: 'foam' }],
      plan: { nodes: 1 },
      stock: [
        { id: 's', paper: 'gust', width: '12', height: '3' },
        { id: 't', paper: 'foam', width: '12', height: '3' },
      ],
      pieces: [
        { id: 'strip', width: '3', height: '5', papers: ['gust'] },
        { id: 'bar', width: '5', height: '3', papers: ['foam'] },
      ],
    } as JobDocument);
    if (!read.ok) throw new Error('it reads');
    const plan = planJob(read.job, { now: () => 0 });
    const strip = { piece: 'strip', copy: 1, width: '3', height: '5 1/32' };
    const bar = { piece: 'bar', copy: 1, width: '5 1/16', height: '3' };
    expect(measureDeviations(read.job, plan, [strip, bar])).toEqual([in32(1), in32(2)]);
  });
});

describe('strips cut to be measured', () => {
  test('say how much longer than set a cutter cuts, and how far they are apart', () => {
    const strips = [
      { set: '1', measured: '1 1/32' },
      { set: '3', measured: '3 1/32' },
      { set: '6', measured: '6 1/16' },
    ];
    expect(computeCalibration(strips, 'in')).toEqual({ long: Math.round((in32(1) * 4) / 3), apart: in32(1) });
    expect(computeCalibration([{ set: '25', measured: '24.5' }], 'mm')).toEqual({ long: -480, apart: 0 });
    expect(computeCalibration([], 'in')).toBeNull();
  });
});

describe('how long it took', () => {
  const at = (...minutes: number[]) => minutes.map((m) => ({ at: new Date(m * 60_000).toISOString() }));
  test.each([
    ['nothing is a minute', [], 1],
    ['from the first press to the last', [0, 3, 8], 8],
    ['a pause is none of it', [0, 3, 60, 64], 7],
    ['in whatever order they were taken in', [8, 0, 3], 8],
  ])('%s', (_, minutes, took) => {
    expect(countMinutes(at(...minutes))).toBe(took);
  });
});
