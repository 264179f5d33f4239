import { describe, expect, test } from '@jest/globals';
import { MARKS, inches, lengthOf } from '../../length/index.ts';
import { fieldKey } from '../fields.ts';
import { countStripsFor } from '../fromStock.ts';
import { recipeOf } from '../registry.ts';
import type { Layer, RecipeSolution, LayoutContext } from '../recipe.ts';
import { setField } from '../typing.ts';
import type { WeaveInput } from './input.ts';
import { listCrossings, countLooseStrips, listSeenRuns } from './over.ts';
import { weave } from './weave.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: WeaveInput = {
  area: {},
  both: 'alike',
  upright: { count: 9, width: '3/8', gap: '1/16' },
  level: {},
  pattern: 'plain',
  tail: '1/2',
  stock: '12',
  backing: { as: 'none' },
  divide: { across: 1, up: 1 },
};
const solve = (change: Partial<WeaveInput> = {}) => weave.solve({ ...base, ...change }, table);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const fact = (result: RecipeSolution, name: string) => solved(result).laid.facts.find((f) => f.name === name)?.lengths;
const number = (result: RecipeSolution, ...path: string[]) => {
  const { n, d } = solved(result).values.get(fieldKey(path))!;
  return Number(n) / Number(d);
};
const COVER = { area: { width: '4 1/2', height: '4 1/2' }, upright: { width: '3/8', gap: '1/16' } };

describe('how many and how long', () => {
  test.each([
    ['0', '3 3/8'],
    ['1/16', '3 7/8'],
  ])('nine strips of 3/8, gap %s: %s', (gap, woven) => {
    const result = solve({ upright: { count: 9, width: '3/8', gap } });
    expect(number(result, 'area', 'width')).toBe(lengthOf(woven));
    expect(solved(result).laid.size).toEqual({ width: lengthOf(woven), height: lengthOf(woven) });
  });
  test('to cover 4 1/2: 11 each way, trimmed, 22 pieces of 5 1/2 from 11 strips', () => {
    const result = solve(COVER);
    expect(fact(result, 'woven')).toEqual(['4 3/4', '4 3/4', '4 1/2', '4 1/2'].map((t) => lengthOf(t)));
    expect(fact(result, 'cut')).toEqual([lengthOf('5 1/2'), lengthOf('5 1/2'), 11, 11]);
    expect(fact(result, 'from-strips')).toEqual([12, 22, 2, 11]);
    const { blanks, size } = solved(result).laid;
    expect(size.width).toBe(lengthOf('4 1/2'));
    expect(blanks.map((b) => [b.key, b.width, b.height, b.quantity])).toEqual([
      ['upright-a', lengthOf('3/8'), lengthOf('5 1/2'), 11],
      ['level-b', lengthOf('5 1/2'), lengthOf('3/8'), 11],
    ]);
  });
  test.each<[string, Partial<WeaveInput>, string[], number]>([
    ['the gap', { area: { width: '4' }, upright: { count: 9, width: '3/8' } }, ['upright', 'gap'], inches(5 / 64)],
    // up to the mark, since it must cover
    ['the width', { area: { width: '4' }, upright: { count: 9, gap: '1/16' } }, ['upright', 'width'], lengthOf('7/16')],
    ['the area', { upright: { count: 5, width: '1/2', gap: '0' } }, ['area', 'height'], lengthOf('2 1/2')],
    ['the number', { area: { width: '4' }, upright: { width: '1/2', gap: '0' } }, ['upright', 'count'], 8],
  ])('the unknown: %s', (_, change, path, is) => expect(number(solve(change), ...path)).toBe(is));
  test('each way its own', () => {
    const result = solve({
      both: 'apart',
      area: { width: '4', height: '6' },
      stock: '8',
      upright: { width: '1/2', gap: '0' },
      level: { width: '3/4', gap: '1/4' },
    });
    expect([number(result, 'upright', 'count'), number(result, 'level', 'count')]).toEqual([8, 7]);
    // 8 of 7 and 7 of 5, 8 long: one from each
    expect(fact(result, 'from-strips')).toEqual([15, 15, 0, 15]);
  });
  test('made apart they keep the numbers that they had', () => {
    const apart = setField(recipeOf('weave'), base, ['both'], 'apart', table) as WeaveInput;
    expect(apart.level).toEqual(base.upright);
    expect(setField(recipeOf('weave'), apart, ['both'], 'alike', table)).toEqual(base);
  });
});

describe('over and under', () => {
  const text = (over: readonly (readonly boolean[])[]) => over.map((row) => row.map((o) => (o ? 'o' : 'u')).join(''));
  test.each<[WeaveInput['pattern'], string | undefined, string[]]>([
    ['plain', undefined, ['ouou', 'uouo', 'ouou']],
    ['twill', undefined, ['oouu', 'uoou', 'uuoo']],
    ['typed', 'oou uoo', ['oouo', 'uoou', 'oouo']],
  ])('%s %s', (pattern, repeat, rows) =>
    expect(text(listCrossings({ pattern, ...(repeat ? { repeat } : {}) }, 4, 3))).toEqual(rows),
  );
  test('what is seen at every crossing is the strip that goes over', () => {
    for (const pattern of ['plain', 'twill'] as const) {
      const { layers } = solved(solve({ pattern, upright: { count: 6, width: '3/8', gap: '1/8' } })).laid;
      const over = listCrossings({ pattern }, 6, 6);
      const holds = ({ box }: Layer, x: number, y: number) =>
        box.x < x && x < box.x + box.width && box.y < y && y < box.y + box.height;
      const middle = (k: number) => lengthOf('3/16') + k * lengthOf('1/2');
      for (let c = 0; c < 6; c++)
        for (let r = 0; r < 6; r++) {
          const top = layers.filter((l) => holds(l, middle(c), middle(r))).at(-1)!;
          expect([pattern, c, r, top.role]).toEqual([pattern, c, r, over[5 - r]![c] ? 'level' : 'upright']);
        }
      // through the gaps one sees what is behind
      const gap = lengthOf('3/8') + lengthOf('1/16');
      expect(layers.filter((l) => holds(l, gap, gap))).toEqual([]);
    }
  });
  test.each([
    [
      [
        [true, true, true],
        [false, true, false],
        [true, false, true],
      ],
      1,
    ],
    [
      [
        [true, false],
        [true, false],
      ],
      2,
    ],
    [
      [
        [true, false],
        [false, true],
      ],
      0,
    ],
  ])('strips that nothing holds: %j', (over, loose) => expect(countLooseStrips(over)).toBe(loose));
  test('they are told', () => {
    expect(solved(solve({ pattern: 'typed', repeat: 'oo ou' })).suggestions).toMatchObject([{ why: 'loose-strips' }]);
  });
  test('stretches where it is seen', () => {
    expect(listSeenRuns([true, true, false, true])).toEqual([
      [0, 1],
      [3, 3],
    ]);
    expect(listSeenRuns([false])).toEqual([]);
  });
});

test('papers in their order; one letter is one paper both ways', () => {
  const { blanks } = solved(solve({ upright: { ...base.upright, order: 'aab' }, level: { order: 'b c' } })).laid;
  expect(blanks.map((b) => [b.key, b.quantity, b.paperFrom])).toEqual([
    ['upright-a', 6, undefined],
    ['upright-b', 3, undefined],
    ['level-b', 5, 'upright-b'],
    ['level-c', 4, undefined],
  ]);
});

test('fringe, backing, dividing', () => {
  const { laid, values } = solved(solve({ fringe: '1/4', backing: { as: 'behind' }, divide: { across: 3, up: 2 } }));
  expect(laid.size.width).toBe(lengthOf('4 3/8'));
  expect(laid.layers[0]).toMatchObject({
    key: 'backing',
    box: { x: lengthOf('3/8'), width: lengthOf('3 5/8') },
  });
  expect(values.get(fieldKey(['backing', 'setback']))).toEqual({ n: BigInt(lengthOf('1/8')), d: 1n });
  expect(laid.slots).toHaveLength(6);
  const [first, second, third] = laid.slots.map((s) => s.box);
  expect([first!.x, second!.x, third!.x + third!.width]).toEqual([
    ...[lengthOf('1/4'), lengthOf('1/4') + lengthOf('3 7/8') / 3, lengthOf('4 1/8')],
  ]);
  expect(laid.blanks[0]!.height).toBe(lengthOf('4 7/8'));
});

test('more strips than cover it are told, and those at the edges fall away', () => {
  const { suggestions, laid } = solved(solve({ area: { width: '1', height: '1' } }));
  expect(suggestions).toMatchObject([
    { why: 'more-than-cover', lengths: [9, 3] },
    { why: 'more-than-cover', lengths: [9, 3] },
  ]);
  for (const { box } of laid.layers) expect(box.width > 0 && box.height > 0).toBe(true);
});

test.each<[string, Partial<WeaveInput>, object]>([
  [
    'strips that do not cover',
    { area: { width: '4 1/2' }, upright: { count: 9, width: '3/8', gap: '1/16' } },
    {
      problems: [{ why: 'does-not-cover', lengths: [lengthOf('5/8'), lengthOf('3 7/8')] }],
      offers: [{ count: 11 }, { length: lengthOf('3 7/8') }],
    },
  ],
  [
    'more strips than there may be',
    { ...COVER, upright: { width: '1/16', gap: '0' } },
    { problems: [{ why: 'too-many-strips' }] },
  ],
  ['an uneven repeat', { pattern: 'typed', repeat: 'oo o' }, { problems: [{ why: 'repeat-uneven' }] }],
  [
    'a fringe longer than its tail',
    { fringe: '3/4' },
    { problems: [{ why: 'fringe-too-long' }], offers: [{ length: lengthOf('3/4') }] },
  ],
  [
    'strips too short to cut from',
    { stock: '4' },
    { problems: [{ why: 'strip-too-short' }], offers: [{ length: lengthOf('4 7/8') }] },
  ],
  ['no backing left', { backing: { as: 'behind', setback: '3' } }, { problems: [{ why: 'no-backing-left' }] }],
  ['nothing said of how many', { upright: { width: '3/8', gap: '0' } }, { problems: [{ code: 'missing' }] }],
  [
    'a gap below nothing',
    { area: { width: '3' }, upright: { count: 9, width: '3/8' } },
    { problems: [{ code: 'size-not-positive' }] },
  ],
])('refused: %s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));

test.each<[number[], number, number | null]>([
  [[5.5, 5.5, 5.5], 12, 2],
  [[7, 5, 5, 7], 12, 2],
  [[6, 6, 4, 4, 4], 12, 2],
  [[13], 12, null],
  [[], 12, 0],
])('pieces of %j from strips of %s: %s', (lengths, stock, n) => expect(countStripsFor(lengths, stock)).toBe(n));
