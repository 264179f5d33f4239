import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type Plan } from '../planner/index.ts';
import { letterOfSheet, namePartsOfPlan, formatSheetLetter, applyPencilledLetters } from './letters.ts';

/** A plan of one sheet whose steps are these. */
function planWith(steps: readonly object[]): Plan {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust' }],
    plan: { nodes: 1 },
    stock: [{ id: 's', paper: 'gust', width: '12', height: '12' }],
    pieces: [{ id: 'panel', width: '12', height: '12', papers: ['gust'] }],
  });
  if (!read.ok) throw new Error('it reads');
  return { ...planJob(read.job, { now: () => 0 }), steps: steps as Plan['steps'] };
}
const cut = (part: string) => ({ do: 'cut', sheets: [0], part, edge: 'left', setting: 1, off: `${part}.0`, rest: `${part}.1` }); // prettier-ignore

describe('parts are named as they come to be, those that are cut again', () => {
  test('off a sheet, and what is left of it', () => {
    const name = namePartsOfPlan(planWith([cut('r'), cut('r.1'), cut('r.0')]));
    expect(['r', 'r.0', 'r.1', 'r.1.0', 'r.1.1'].map((path) => name(0, path))).toEqual(['A', 'A1', 'A2', null, null]);
  });
  test('a centre that is cut out, and what it is cut out of', () => {
    const open = { do: 'open', sheets: [0], part: 'r', off: 'r.o' };
    expect(namePartsOfPlan(planWith([open, cut('r.o')]))(0, 'r.o')).toBe('A1');
    expect(namePartsOfPlan(planWith([open]))(0, 'r.o')).toBeNull();
  });
  test('what four stop cuts free, once the last of them is made', () => {
    const stop = (line: number) => ({ do: 'stop', sheets: [0], part: 'r', line, edge: 'left', setting: 3, until: 6 });
    const name = namePartsOfPlan(planWith([...[1, 2, 3, 4].map(stop), cut('r.3'), cut('r.1')]));
    expect([0, 1, 2, 3, 4].map((n) => name(0, `r.${n}`))).toEqual([null, 'A1', null, 'A2', null]);
    expect(namePartsOfPlan(planWith([...[1, 2, 3].map(stop), cut('r.3')]))(0, 'r.3')).toBeNull();
  });
  test('a margin that is trimmed off names nothing', () => {
    const trim = { do: 'trim', sheets: [0], edge: 'left', setting: 0.25 };
    const name = namePartsOfPlan(planWith([trim, cut('r')]));
    expect(['r', 'r.0', 'r.1'].map((path) => name(0, path))).toEqual(['A', null, null]);
  });
});

test('letters go from A to Z, then AA', () => {
  expect([0, 1, 25, 26, 27, 51, 52, 701, 702].map(formatSheetLetter)).toEqual(['A', 'B', 'Z', 'AA', 'AB', 'AZ', 'BA', 'ZZ', 'AAA']); // prettier-ignore
});

describe('a new order of the same session', () => {
  /** An order of sheets of these items; a tree is told by its width. */
  const order = (sheets: readonly { stock: string; cut: number; letter?: string; named?: number }[], steps: readonly object[] = []): Plan => ({
    ...planWith(steps),
    sheets: sheets.map(({ stock, cut: width, ...more }) => ({ stock, copy: 1, tree: { x: 0, y: 0, width, height: 1 }, ...more })) as unknown as Plan['sheets'],
  }); // prettier-ignore
  const letters = (plan: Plan) => plan.sheets.map((_, i) => letterOfSheet(plan, i));
  test('a part keeps the name that is pencilled on it, and new sheets go on from the last letter', () => {
    const first = order([{ stock: 's', cut: 1 }, { stock: 's', cut: 2 }], [cut('r'), cut('r.1'), cut('r.0')]); // prettier-ignore
    const next = applyPencilledLetters(order([{ stock: 'offcut', cut: 3 }, { stock: 's', cut: 4 }, { stock: 't', cut: 5 }]), {
      orders: [first],
      untouched: [1],
      parts: { offcut: 'A2' },
    }); // prettier-ignore
    // of what is left of A, two parts are named: the next is A3
    expect(letters(next)).toEqual(['A2', 'B', 'C']);
    expect(next.sheets.map((s) => s.named)).toEqual([2, undefined, undefined]);
    // and once more: what was given stays given
    const third = applyPencilledLetters(order([{ stock: 't', cut: 9 }, { stock: 'new', cut: 1 }]), { orders: [first, next], untouched: [], parts: {} }); // prettier-ignore
    expect(letters(third)).toEqual(['D', 'E']);
  });
  test('a sheet that is to be cut just as before keeps its letter, whoever comes first in the list', () => {
    const first = order([{ stock: 's', cut: 1 }, { stock: 's', cut: 2 }, { stock: 's', cut: 3 }]); // prettier-ignore
    const next = applyPencilledLetters(order([{ stock: 's', cut: 9 }, { stock: 's', cut: 3 }, { stock: 's', cut: 1 }]), {
      orders: [first],
      untouched: [0, 1, 2],
      parts: {},
    }); // prettier-ignore
    expect(letters(next)).toEqual(['B', 'C', 'A']);
  });
  test('a name is given once, and nobody has pencilled the parts of a sheet that was not begun', () => {
    const steps = [cut('r'), cut('r.1'), { ...cut('r'), sheets: [1] }, { ...cut('r.1'), sheets: [1] }];
    const first = order([{ stock: 's', cut: 1, letter: 'J', named: 2 }, { stock: 's', cut: 2, letter: 'K' }], steps); // prettier-ignore
    const next = applyPencilledLetters(order([{ stock: 'p', cut: 1 }, { stock: 'p', cut: 2 }, { stock: 's', cut: 2 }]), {
      orders: [first],
      untouched: [1],
      parts: { p: 'J3' },
    }); // prettier-ignore
    expect(letters(next)).toEqual(['J3', 'L', 'K']);
    expect(next.sheets.map((s) => s.named)).toEqual([3, undefined, undefined]);
  });
});
