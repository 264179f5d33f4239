import { describe, expect, test } from '@jest/globals';
import { MARKS, formatExactLength, inches, lengthOf, type Ticks } from '../../length/index.ts';
import { fieldKey } from '../fields.ts';
import { setField } from '../typing.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { recipeOf } from '../registry.ts';
import { parseRecipeLine } from '../recipeLine.ts';
import { grid } from './grid.ts';
import type { GridInput } from './input.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: GridInput = {
  cell: { as: 'square' },
  columns: 6,
  rows: 6,
  gutter: '1/8',
  spread: 'room',
  margin: {},
  all: {},
  papers: 1,
  counts: {},
  large: [],
  loose: { seed: 1 },
};
const solve = (change: Partial<GridInput>, of: LayoutContext = table) => grid.solve({ ...base, ...change }, of);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const text = (t: Ticks | number) => formatExactLength(t as Ticks, 'in');
const value = (result: RecipeSolution, ...path: string[]) => text(Number(solved(result).values.get(fieldKey(path))!.n));

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
    ].map(([column, row], i) => ({
      id: `l${i}`,
      column: column!,
      row: row!,
      columns: 2,
      rows: 2,
      paper: 'own' as const,
    }));
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
  const heard = parseRecipeLine(line, table, () => `l${line.length}`);
  if (!heard?.said.ok) throw new Error(JSON.stringify(heard));
  expect(recipeOf(heard.recipe).solve(heard.said.input, table)).toMatchObject({ problems: [{ why }] });
});
test('a large cell of half a cell is not understood', () =>
  expect(parseRecipeLine('6 x 6 grid, 1 1/2 x 2 merged', table, () => 'l')?.said.ok).toBe(false));

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
      { margin: { across: '1/2' }, large: [{ id: 'l', column: 6, row: 1, columns: 2, rows: 1, paper: 'own' }] },
      { problems: [{ why: 'large-outside' }] },
    ],
    [
      'one over another',
      {
        margin: { across: '1/2' },
        large: [
          { id: 'a', column: 1, row: 1, columns: 2, rows: 2, paper: 'own' },
          { id: 'b', column: 2, row: 2, columns: 2, rows: 2, paper: 'own' },
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
  expect(one).toEqual({ id: 'x', column: 1, row: 1, columns: 2, rows: 2, paper: 'pattern' });
  expect(grid.entry({ ...typed, large: [one] }, ['large'], table, 'y')).toEqual({
    id: 'y',
    column: 3,
    row: 1,
    columns: 2,
    rows: 2,
    paper: 'pattern',
  });
  // where not one fits, one is added all the same, and it says why
  expect(grid.entry({ ...typed, cell: { as: 'square', width: '13' }, rows: undefined }, ['large'], table, 'n')).toEqual(
    {
      id: 'n',
      column: 1,
      row: 1,
      columns: 2,
      rows: 1,
      paper: 'pattern',
    },
  );
  const full: GridInput = {
    ...typed,
    large: [{ id: 'z', column: 1, row: 1, columns: 6, rows: 5, paper: 'own' }],
  };
  expect(grid.entry(full, ['large'], table, 'y')).toEqual({
    id: 'y',
    column: 1,
    row: 6,
    columns: 1,
    rows: 1,
    paper: 'pattern',
  });
});

test('each paper is a piece of its own', () => {
  const { laid } = solved(solve({ columns: 3, rows: 3, margin: { across: '1/2' }, papers: 3 }));
  expect(laid.blanks.map((b) => [b.key, b.quantity])).toEqual([
    ['cell-1', 3],
    ['cell-2', 3],
    ['cell-3', 3],
  ]);
  expect(laid.facts.find((f) => f.name === 'papers')?.lengths).toEqual([3, 3, 3]);
});

describe('papers and large ones', () => {
  const six: GridInput = { ...base, cell: { as: 'square', width: '1' } };
  const large = (paper: 'pattern' | 'own') => [{ id: 'l', column: 2, row: 2, columns: 2, rows: 2, paper }];
  test('a large one that takes part comes from the paper that its place has; one of its own does not', () => {
    const { laid } = solved(solve({ ...six, papers: 3, large: large('pattern') }));
    const blank = laid.blanks.find((b) => b.key === 'l')!;
    const beside = laid.layers.filter(({ key }) => ['cell-1-2', 'cell-2-1', 'cell-4-3', 'cell-3-4'].includes(key));
    expect(beside.map((l) => l.blank)).not.toContain(blank.paperFrom);
    expect(blank.paperFrom).toMatch(/^cell-[123]$/);
    expect(solved(solve({ ...six, papers: 3, large: large('own') })).laid.blanks.at(-1)).not.toHaveProperty(
      'paperFrom',
    );
  });
  test('counts as given, the rest shared out; what does not go up is refused, what must match is told', () => {
    const counted = (counts: GridInput['counts'], change: Partial<GridInput> = {}) =>
      solve({ ...six, papers: 3, counts, ...change });
    const result = counted({ '1': 18 });
    expect(['1', '2', '3'].map((p) => Number(solved(result).values.get(fieldKey(['counts', p]))!.n))).toEqual([
      18, 9, 9,
    ]);
    expect(counted({ '1': 30, '2': 7 })).toMatchObject({
      problems: [{ why: 'too-many-counted', path: ['counts', '2'], lengths: [37, 36] }],
    });
    expect(counted({ '1': 10, '2': 7, '3': 2 })).toMatchObject({ problems: [{ why: 'too-few-counted' }] });
    expect(solved(counted({ '1': 20 })).suggestions).toMatchObject([{ code: 'own', why: 'alike' }]);
    expect(solved(counted({ '1': 18 })).suggestions).toEqual([]);
  });
  test('laid by hand: rows from the top, repeated; what matches is told', () => {
    const by = (pattern: string) =>
      solved(solve({ columns: 3, rows: 2, margin: {}, cell: { as: 'square', width: '2' }, papers: 3, pattern }));
    const shown = (pattern: string) =>
      by(pattern)
        .laid.layers.toSorted((a, b) => a.n - b.n)
        .map((l) => l.blank!.slice(-1))
        .join('');
    expect([shown('abc bca'), shown('ab'), by('abc bca').suggestions]).toEqual(['231123', '121121', []]);
    expect(by('ab').suggestions).toMatchObject([{ why: 'by-hand-alike', lengths: [3] }]);
  });
  test('typed, it may be written as one likes, and brings the papers it names; fewer papers let it go', () => {
    const typed = setField(recipeOf('grid'), six, ['pattern'], ' AB/bd', table) as GridInput;
    expect([typed.pattern, typed.papers]).toEqual(['ab bd', 4]);
    const fewer = setField(recipeOf('grid'), { ...typed, counts: { '4': 2 } }, ['papers'], 3, table) as GridInput;
    expect([fewer.pattern, fewer.counts]).toEqual([undefined, {}]);
    expect((setField(recipeOf('grid'), typed, ['papers'], 5, table) as GridInput).pattern).toBe('ab bd');
  });
});

describe('by hand', () => {
  const hand = grid.hand!;
  const three: GridInput = { ...base, columns: 3, rows: 2, cell: { as: 'square', width: '2' }, papers: 2 };
  test('pressed, a cell gets the next paper and the others stay', () => {
    const papersIn = (input: GridInput) =>
      solved(grid.solve(input, table))
        .laid.layers.toSorted((a, b) => a.n - b.n)
        .map((l) => l.blank);
    const before = papersIn(three);
    const after = papersIn(hand.press(three, table, 'cell-2-1')!);
    expect(after.map((blank, i) => blank === before[i])).toEqual([true, false, true, true, true, true]);
    // of one paper there is another then
    expect(hand.press({ ...three, papers: 1 }, table, 'cell-1-2')).toMatchObject({ papers: 2, pattern: 'baa aaa' });
    expect(hand.press(three, table, 'nothing')).toBeNull();
  });
  test('dragged, those between become one, with any large one that they cut into', () => {
    const one = hand.span(three, table, 'cell-1-1', 'cell-2-1', 'x')!;
    expect(one.large).toEqual([{ id: 'x', column: 1, row: 1, columns: 2, rows: 1, paper: 'pattern' }]);
    const two = hand.span(one, table, 'cell-2-2', 'cell-3-1', 'y')!;
    expect(two.large).toEqual([{ id: 'y', column: 1, row: 1, columns: 3, rows: 2, paper: 'pattern' }]);
    expect(hand.span(one, table, 'x', 'x', 'z')).toBeNull();
    expect(hand.span(three, table, 'cell-1-1', 'cell-1-1', 'z')).toBeNull();
    expect(hand.apart(one, table, 'x')!.large).toEqual([]);
    expect(hand.apart(one, table, 'cell-3-1')).toBeNull();
  });
  test('a large one takes the next paper too', () => {
    const one = hand.span(three, table, 'cell-1-1', 'cell-2-2', 'x')!;
    const paper = (input: GridInput) =>
      solved(grid.solve(input, table)).laid.blanks.find((b) => b.key === 'x')!.paperFrom;
    expect(paper(hand.press(one, table, 'x')!)).not.toBe(paper(one));
  });
});

describe('loose', () => {
  const loose = (of: GridInput['loose'], change: Partial<GridInput> = {}) =>
    solved(solve({ columns: 4, rows: 3, margin: { across: '1/2' }, loose: of, ...change }));
  const angles = (result: ReturnType<typeof loose>) => result.laid.layers.map((l) => l.turned ?? 0);
  test('tilted no further than said, the same for the same shuffle, and cut as before', () => {
    const one = loose({ tilt: 5, seed: 7 });
    expect(Math.max(...angles(one).map(Math.abs))).toBeLessThanOrEqual(5);
    expect(new Set(angles(one)).size).toBe(12);
    expect(angles(loose({ tilt: 5, seed: 7 }))).toEqual(angles(one));
    expect(angles(loose({ tilt: 5, seed: 8 }))).not.toEqual(angles(one));
    expect(one.laid.blanks).toEqual(loose({ seed: 7 }).laid.blanks);
  });
  test('shifted no further than said, and nothing leaves the page', () => {
    const still = loose({ seed: 1 });
    const one = loose({ jitter: '1/4', seed: 1 });
    one.laid.layers.forEach(({ box }, i) => {
      const was = still.laid.layers[i]!.box;
      expect(Math.max(Math.abs(box.x - was.x), Math.abs(box.y - was.y))).toBeLessThanOrEqual(lengthOf('1/4'));
    });
    const edge = loose({ tilt: 10, jitter: '1/2', seed: 3 }, { margin: { across: '0' } });
    for (const { box } of edge.laid.layers) {
      expect(Math.min(box.x, box.y)).toBeGreaterThanOrEqual(0);
      expect(Math.max(box.x + box.width, box.y + box.height)).toBeLessThanOrEqual(inches(12));
    }
  });
  test('which lie over one another is told, with a gutter that keeps them apart', () => {
    const [advice] = loose({ tilt: 10, jitter: '1/4', seed: 2 }).suggestions.filter((s) => s.code === 'own');
    if (advice?.code !== 'own') throw new Error('nothing was said');
    expect([advice.why, advice.lengths[0]! > 0]).toEqual(['one-over-another', true]);
    const wide = loose({ tilt: 10, jitter: '1/4', seed: 2 }, { gutter: text(advice.lengths[1]!) });
    expect(wide.suggestions.filter((s) => s.code === 'own')).toEqual([]);
  });
  test('as large as it is, it reaches as far as its cells do', () => {
    const { laid } = loose({ tilt: 8, seed: 4 }, { spread: 'grid', cell: { as: 'square', width: '2' }, margin: {} });
    const right = Math.max(...laid.layers.map(({ box }) => box.x + box.width));
    expect([laid.size.width, Math.min(...laid.layers.map(({ box }) => box.x))]).toEqual([right, 0]);
    expect(Number(laid.size.width)).toBeGreaterThan(Number(lengthOf('8 3/8')));
  });
});

test('what was kept by version 1 is read: large ones have a paper of their own', () => {
  const { counts: _counts, loose: _loose, ...before } = base;
  const kept = { ...before, large: [{ id: 'a', column: 1, row: 1, columns: 2, rows: 2 }] };
  const now = grid.migrations.reduce<unknown>((value, { step }) => step(value), kept);
  expect(grid.input.parse(now)).toEqual({ ...base, large: [{ ...kept.large[0]!, paper: 'own' }] });
});
