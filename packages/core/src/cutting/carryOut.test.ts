import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type JobDocument } from '../planner/index.ts';
import { computeCutEffects } from './index.ts';

const planned = (more: Partial<JobDocument>) => {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'p' }],
    plan: { nodes: 40, keep: { shorter: '1', longer: '3' } },
    pieces: [{ id: 'a', width: '4', height: '12', papers: ['p'] }],
    ...more,
  } as JobDocument);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
};

describe('what goes back into the drawer', () => {
  test.each([0, 90, 180, 270] as const)('lies as its sheet lay: turned %d', (turned) => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', turned, kind: 'sheet' }],
    } as Partial<JobDocument>);
    const { kept, used, pieces } = computeCutEffects(job, plan, 'page', '2026-05-01');
    expect(kept).toEqual([
      {
        paper: 'p',
        unit: 'in',
        width: '12',
        height: '8',
        quantity: 1,
        kind: 'scrap',
        turned,
        reserved: false,
        trim: { left: 0, right: 0, top: 0, bottom: 0 },
        origin: { page: 'page', stock: 's', date: '2026-05-01' },
      },
    ]);
    expect(used).toEqual([{ stock: 's', count: 1 }]);
    expect(pieces).toEqual([{ piece: 'a', unit: 'in', width: '4', height: '12', paper: 'p', side: 'A' }]);
  });
  test('takes along what stays whole on it, counted from its own corner, and only that', () => {
    const { job, plan } = planned({
      stock: [
        {
          id: 's',
          paper: 'p',
          width: '12',
          height: '12',
          kind: 'sheet',
          uncut: [
            [
              ['5', '2'],
              ['7', '3'],
            ],
            [
              ['1', '1'],
              ['2', '2'],
            ],
          ],
        },
      ],
      pieces: [{ id: 'a', width: '4', height: '12', papers: ['p'], from: { stock: 's', x: 0, y: 0 } }],
    } as Partial<JobDocument>);
    const { kept } = computeCutEffects(job, plan, 'page', '2026-05-01');
    expect(kept.map(({ width, height, uncut }) => ({ width, height, uncut }))).toEqual([
      { width: '1', height: '12', uncut: undefined },
      {
        width: '7',
        height: '12',
        uncut: [
          [
            [0, '2'],
            ['2', '3'],
          ],
        ],
      },
    ]);
  });
  test('of several cut, each sheet is used once, and as far as it was touched', () => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'p', width: '5', height: '12', quantity: 3, kind: 'sheet' }],
      pieces: [{ id: 'a', width: '4', height: '12', papers: ['p'], quantity: 3 }],
    } as Partial<JobDocument>);
    const after = (steps?: number) => computeCutEffects(job, plan, 'p', 'd', steps === undefined ? {} : { steps });
    expect(after().used).toEqual([{ stock: 's', count: 3 }]);
    expect(after(1)).toMatchObject({ used: [{ stock: 's', count: 1 }], pieces: [{ piece: 'a' }] });
    expect(after(1).pieces).toHaveLength(1);
    expect(after().kept).toHaveLength(3);
    // what was spoiled is no piece, and is not put back either
    const spoiled = computeCutEffects(job, plan, 'p', 'd', { spoiled: [{ piece: 'a', copy: 2 }] });
    expect([spoiled.pieces.length, spoiled.kept.length]).toEqual([2, 3]);
  });
});
