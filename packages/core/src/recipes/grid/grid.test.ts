import { describe, expect, test } from '@jest/globals';
import { MARKS, exactText, inches, lengthOf, type Ticks } from '../../length/index.ts';
import { fieldKey } from '../fields.ts';
import { setField } from '../typing.ts';
import type { Solved, Table } from '../recipe.ts';
import { recipeOf } from '../registry.ts';
import { sayRecipe } from '../say.ts';
import { assignPapers } from './assign.ts';
import { grid } from './grid.ts';
import type { GridInput } from './input.ts';

const table: Table = {
  ...{ unit: 'in', mark: MARKS['1/16'] },
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: GridInput = {
  ...{ cell: { as: 'square' }, columns: 6, rows: 6, gutter: '1/8', spread: 'room', margin: {}, all: {} },
  ...{ papers: 1, large: [] },
};
const solve = (change: Partial<GridInput>, of: Table = table) => grid.solve({ ...base, ...change }, of);
function solved(result: Solved): Extract<Solved, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const text = (t: Ticks | number) => exactText(t as Ticks, 'in');
const value = (result: Solved, ...path: string[]) => text(Number(solved(result).values.get(fieldKey(path))!.n));

describe('cells', () => {
  test('six squares across 12, margins of 3/4 wished: 1 5/8 each, 10 3/8 in all, margins of 13/16', () => {
    const result = solve({ rows: 1, margin: { across: '3/4' } });
    expect([value(result, 'cell', 'width'), value(result, 'all', 'width'), value(result, 'margin', 'across')]).toEqual([
      ...['1 5/8', '10 3/8', '13/16'],
    ]);
    expect(solved(result).sums.get(fieldKey(['cell', 'width']))).toBeDefined();
  });
  test('6 × 6 of 1 1/2 with three large ones: 24 small, large ones of 3 1/8, and where to pencil', () => {
    const large = [
      [1, 1],
      [4, 2],
      [2, 5],
    ].map(([column, row], i) => ({ id: `l${i}`, column: column!, row: row!, columns: 2, rows: 2 }));
    const result = solve({ cell: { as: 'square', width: '1 1/2' }, large });
    const { laid } = solved(result);
    expect([value(result, 'all', 'width'), value(result, 'margin', 'across')]).toEqual(['9 5/8', '1 3/16']);
    expect(laid.blanks.map((b) => [b.key, text(b.width), text(b.height), b.quantity])).toEqual([
      ['cell-1', '1 1/2', '1 1/2', 24],
      ...['l0', 'l1', 'l2'].map((key) => [key, '3 1/8', '3 1/8', 1]),
    ]);
    const x = new Set(laid.layers.map(({ box }) => text(box.x)));
    expect([...x]).toEqual(['4 7/16', '6 1/16', '7 11/16', '9 5/16', '1 3/16', '2 13/16']);
    expect(laid.slots.map(({ key, box }) => [key, text(box.x), text(box.y)])).toEqual([
      ['l0', '1 3/16', '1 3/16'],
      ['l1', '6 1/16', '2 13/16'],
      ['l2', '2 13/16', '7 11/16'],
    ]);
  });
  test('as many as fit, each way for itself', () => {
    const result = solve({ cell: { as: 'free', width: '2', height: '3' }, columns: undefined, rows: undefined });
    expect([Number(solved(result).values.get('columns')!.n), Number(solved(result).values.get('rows')!.n)]).toEqual([
      5, 3,
    ]);
    expect(value(result, 'margin', 'upDown')).toBe('1 3/8');
  });
  test('by itself it is as large as it is', () => {
    const { laid } = solved(solve({ columns: 3, rows: 2, cell: { as: 'square', width: '1' }, spread: 'grid' }));
    expect([text(laid.size.width), text(laid.size.height)]).toEqual(['3 1/4', '2 1/8']);
    expect(text(laid.layers[0]!.box.x)).toBe('0');
  });
  test('a side in millimetres stands as it is given, both ways', () => {
    const { laid } = solved(solve({ columns: 2, rows: 2, cell: { as: 'square', width: '20 mm' } }));
    expect(laid.layers.every(({ box }) => box.width === lengthOf('20 mm') && box.height === lengthOf('20 mm'))).toBe(
      true,
    );
  });
});

test.each([
  ['6 x 6 grid of 1 1/2 cells, 8 x 8 merged', 'large-outside'],
  ['2 x 2 grid of 1 1/2 cells, 2 x 2 merged, 1 x 1 merged', 'large-overlap'],
])('%s is not quietly made smaller', (line, why) => {
  const heard = sayRecipe(line, table, () => `l${line.length}`);
  if (!heard?.said.ok) throw new Error(JSON.stringify(heard));
  expect(recipeOf(heard.recipe).solve(heard.said.input, table)).toMatchObject({ problems: [{ why }] });
});
test('a large cell of half a cell is not understood', () =>
  expect(sayRecipe('6 x 6 grid, 1 1/2 x 2 merged', table, () => 'l')?.said.ok).toBe(false));

describe('what cannot be', () => {
  test.each<[string, Partial<GridInput>, object]>([
    [
      'too many',
      { cell: { as: 'square', width: '3' } },
      { problems: [{ why: 'too-much' }, { why: 'too-much' }], offers: [{ path: ['columns'], count: 3 }, {}, {}, {}] },
    ],
    [
      'none',
      { cell: { as: 'square', width: '13' }, columns: undefined, rows: 1 },
      { problems: [{ why: 'none-fits' }] },
    ],
    ['nothing said', { columns: undefined, rows: undefined }, { problems: [{ code: 'missing' }] }],
    [
      'a large one beyond it',
      { margin: { across: '1/2' }, large: [{ id: 'l', column: 6, row: 1, columns: 2, rows: 1 }] },
      { problems: [{ why: 'large-outside' }] },
    ],
    [
      'one over another',
      {
        margin: { across: '1/2' },
        large: [
          { id: 'a', column: 1, row: 1, columns: 2, rows: 2 },
          { id: 'b', column: 2, row: 2, columns: 2, rows: 2 },
        ],
      },
      { problems: [{ why: 'large-overlap' }] },
    ],
  ])('%s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));
  test('what does not read is named', () =>
    expect(solve({ gutter: '1/0', margin: { across: '1' } })).toMatchObject({
      problems: [{ code: 'field', path: ['gutter'] }],
    }));
});

test('typed over, the cell is given and the margins follow; a large one is added where there is room', () => {
  const start = { ...base, margin: { across: '1/2' } };
  const typed = setField(recipeOf('grid'), start, ['cell', 'width'], '1 1/2', table) as GridInput;
  expect([typed.cell.width, typed.margin.across]).toEqual(['1 1/2', undefined]);
  const one = grid.entry(typed, ['large'], table, 'x') as GridInput['large'][number];
  expect(one).toEqual({ id: 'x', column: 1, row: 1, columns: 2, rows: 2 });
  expect(grid.entry({ ...typed, large: [one] }, ['large'], table, 'y')).toEqual({
    ...{ id: 'y', column: 3, row: 1, columns: 2, rows: 2 },
  });
  // where not one fits, one is added all the same, and it says why
  expect(grid.entry({ ...typed, cell: { as: 'square', width: '13' }, rows: undefined }, ['large'], table, 'n')).toEqual(
    {
      ...{ id: 'n', column: 1, row: 1, columns: 2, rows: 1 },
    },
  );
  const full = { ...typed, large: [{ id: 'z', column: 1, row: 1, columns: 6, rows: 5 }] };
  expect(grid.entry(full, ['large'], table, 'y')).toEqual({ id: 'y', column: 1, row: 6, columns: 1, rows: 1 });
});

describe('papers, so that no two neighbours match', () => {
  const shown = (columns: number, rows: number, papers: number, gone: readonly number[] = []) =>
    assignPapers(columns, rows, papers, (c, r) => !gone.includes(r * columns + c));
  const counts = (all: readonly (number | null)[], papers: number) =>
    Array.from({ length: papers }, (_, p) => all.filter((one) => one === p).length);
  const alike = (all: readonly (number | null)[], columns: number) =>
    all.some(
      (one, i) =>
        one !== null && ((i % columns > 0 && all[i - 1] === one) || (i >= columns && all[i - columns] === one)),
    );
  /** Every way there is: whether any is even with no two alike. */
  function possible(columns: number, rows: number, papers: number, gone: readonly number[]): boolean {
    const cells = Array.from({ length: columns * rows }, (_, i) => i).filter((i) => !gone.includes(i));
    const all: (number | null)[] = Array.from({ length: columns * rows }, () => null);
    const even = Math.floor(cells.length / papers);
    const go = (at: number): boolean => {
      const i = cells[at];
      if (i === undefined) return counts(all, papers).every((n) => n === even || n === even + 1);
      for (let p = 0; p < papers; p++) {
        all[i] = p;
        const clash = (i % columns > 0 && all[i - 1] === p) || (i >= columns && all[i - columns] === p);
        if (!clash && go(at + 1)) return true;
        all[i] = null;
      }
      return false;
    };
    return go(0);
  }
  test.each([
    [6, 6, 2],
    [5, 5, 3],
    [7, 4, 5],
    [12, 12, 12],
    [40, 40, 7],
    [1, 9, 2],
  ])('%i × %i in %i: even, none alike', (columns, rows, papers) => {
    const all = shown(columns, rows, papers);
    const got = counts(all, papers);
    expect([alike(all, columns), Math.max(...got) - Math.min(...got) <= 1]).toEqual([false, true]);
  });
  test('on every small grid, with cells gone, even wherever that is possible at all', () => {
    for (const [columns, rows] of [
      [2, 2],
      [3, 2],
      [3, 3],
    ] as const)
      for (let mask = 0; mask < 1 << (columns * rows); mask += 3)
        for (const papers of [2, 3]) {
          const gone = Array.from({ length: columns * rows }, (_, i) => i).filter((i) => mask & (1 << i));
          const all = shown(columns, rows, papers, gone);
          const got = counts(all, papers);
          const even = Math.max(...got) - Math.min(...got) <= 1;
          expect([mask, alike(all, columns), even]).toEqual([mask, false, possible(columns, rows, papers, gone)]);
        }
  });
  test('one paper is everywhere', () => expect(shown(2, 2, 1, [3])).toEqual([0, 0, 0, null]));
  test('each paper is a piece of its own', () => {
    const { laid } = solved(solve({ columns: 3, rows: 3, margin: { across: '1/2' }, papers: 3 }));
    expect(laid.blanks.map((b) => [b.key, b.quantity])).toEqual([
      ['cell-1', 3],
      ['cell-2', 3],
      ['cell-3', 3],
    ]);
    expect(laid.facts.find((f) => f.name === 'papers')?.lengths).toEqual([3, 3, 3]);
  });
});
