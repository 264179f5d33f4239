import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type Plan } from '../planner/index.ts';
import { partNames } from './letters.ts';

/** A plan of one sheet whose steps are these. */
function planWith(steps: readonly object[]): Plan {
  const read = readJob({
    ...{ format: 'temnex-job', version: 2, papers: [{ id: 'gust' }], plan: { nodes: 1 } },
    stock: [{ id: 's', paper: 'gust', width: '12', height: '12' }],
    pieces: [{ id: 'panel', width: '12', height: '12', papers: ['gust'] }],
  });
  if (!read.ok) throw new Error('it reads');
  return { ...planJob(read.job, { now: () => 0 }), steps: steps as Plan['steps'] };
}
const cut = (part: string) => ({ do: 'cut', sheets: [0], part, edge: 'left', setting: 1, off: `${part}.0`, rest: `${part}.1` }); // prettier-ignore

describe('parts are named as they come to be, those that are cut again', () => {
  test('off a sheet, and what is left of it', () => {
    const name = partNames(planWith([cut('r'), cut('r.1'), cut('r.0')]));
    expect(['r', 'r.0', 'r.1', 'r.1.0', 'r.1.1'].map((path) => name(0, path))).toEqual(['A', 'A1', 'A2', null, null]);
  });
  test('a centre that is cut out, and what it is cut out of', () => {
    const open = { do: 'open', sheets: [0], part: 'r', off: 'r.o' };
    expect(partNames(planWith([open, cut('r.o')]))(0, 'r.o')).toBe('A1');
    expect(partNames(planWith([open]))(0, 'r.o')).toBeNull();
  });
  test('what four stop cuts free, once the last of them is made', () => {
    const stop = (line: number) => ({ do: 'stop', sheets: [0], part: 'r', line, edge: 'left', setting: 3, until: 6 });
    const name = partNames(planWith([...[1, 2, 3, 4].map(stop), cut('r.3'), cut('r.1')]));
    expect([0, 1, 2, 3, 4].map((n) => name(0, `r.${n}`))).toEqual([null, 'A1', null, 'A2', null]);
    expect(partNames(planWith([...[1, 2, 3].map(stop), cut('r.3')]))(0, 'r.3')).toBeNull();
  });
  test('a margin that is trimmed off names nothing', () => {
    const trim = { do: 'trim', sheets: [0], edge: 'left', setting: 0.25 };
    const name = partNames(planWith([trim, cut('r')]));
    expect(['r', 'r.0', 'r.1'].map((path) => name(0, path))).toEqual(['A', null, null]);
  });
});
