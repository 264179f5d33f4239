import { describe, expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import { parseStockQuery, type StockQuery } from '@temnex/core/stock';
import type { SupplyCheck } from '@temnex/core/cutting';
import {
  formatPurchase,
  formatCost,
  describeCouldMake,
  describeDrawerStep,
  describeEnough,
  describeSearchProblem,
  describeMovement,
  describePace,
  describeRowProblem,
  describeSavings,
  describeStockQuery,
  describeWhyNot,
  describeAreaInSheets,
} from './index.ts';

const voice = { mark: MARKS['1/16'], figures: 'plain' } as const;
const sought = (line: string) =>
  (parseStockQuery(line, 'in', ['box 2'], '2026-05-31') as { sought: StockQuery }).sought;
const IN = 24_384;
const size = (w: number, h: number) => ({ width: w * IN, height: h * IN }) as SupplyCheck['buy']['size'];

test.each([
  ['scraps that reach 11 1/2 x 3', 'only scraps · reaches 11 1/2 × 3, either way round'],
  ['pads near #3a70b8', 'only pads · near #3a70b8'],
  ['teal stripes two way', 'stripes · running two ways · teal, by name or by eye'],
  ['words with an up', 'with words on it · called “up”'],
  ['narrower than 5 wider than 1/2 in box 2', 'narrower than 5 · at least 1/2 wide · in box 2'],
  ['smaller than 3 x 4 held', 'within 3 × 4 · held back'],
  ['since 2026-02-03 before 2026-04-01 kept for pages', 'came before 2026-04-01 · came on 2026-02-03 or later · kept for pages'],
])('%s is said back', (line, said) => expect(describeStockQuery(sought(line), voice).join(' · ')).toBe(said)); // prettier-ignore

test('what is not understood of it says what to say', () => {
  expect(describeSearchProblem({ code: 'date', text: '3/4' })).toBe('“3/4” is not a day. Say it as 2026-05-31.');
  expect(describeSearchProblem({ code: 'length', text: '0 x 4' })).toMatch(/not a size that paper can have/);
});

test.each([
  [{ column: 'kind', problem: { code: 'kind-unknown', text: 'tile' } }, /^Kind: “tile” is none of sheet/],
  [{ column: 'paper', problem: { code: 'paper-missing' } }, /^Paper: which paper is it\?/],
  [{ column: 'quantity', problem: { code: 'quantity', text: '0' } }, /^How many: 0 is not a number/],
  [{ column: 'held', problem: { code: 'held-unknown', text: 'x' } }, /^Held back: “x” is neither yes nor no/],
  [{ column: 'unit', problem: { code: 'unit-unknown', text: 'ft' } }, /^Unit: “ft” is neither in, mm nor cm/],
  [{ column: 'width', problem: { code: 'length-missing' } }, /^Width: /],
] as const)('a row names its column: %j', ({ column, problem }, says) =>
  expect(describeRowProblem(column, problem, voice)).toMatch(says),
);

describe('what is there against what is wanted', () => {
  const enough = (more: Partial<SupplyCheck>): SupplyCheck => ({
    paper: 'p',
    takes: { sheets: 2, scraps: 1 },
    buy: { count: 0, size: size(12, 12), pages: [] },
    beyond: [],
    ...more,
  });
  test.each<[Partial<SupplyCheck>, string]>([
    [{}, 'enough: it takes 2 sheets and 1 scrap'],
    [{ buy: { count: 3, size: size(12, 12), pages: ['p'] } }, '3 sheets of 12 × 12 short, with 2 sheets and 1 scrap from here'],
    [
      { beyond: [{ piece: 'x', why: 'size' }, { piece: 'y', why: 'side' }] },
      '1 piece larger than 12 × 12: no sheet is enough; 1 piece on a side, or a way round, that it does not have; for the rest enough: it takes 2 sheets and 1 scrap',
    ],
  ])('%j', (more, said) => expect(describeEnough(enough(more), voice)).toBe(said)); // prettier-ignore
  test('what is bought, and what it costs', () => {
    expect([
      formatPurchase({ count: 1, packs: null }),
      formatPurchase({ count: 20, packs: 2 }),
      formatCost(1490),
    ]).toEqual(['1 sheet', '2 packs', '14.90']);
    expect([
      describeAreaInSheets((12 * IN) ** 2 * 24),
      describeAreaInSheets((12 * IN) ** 2 * 0.35),
      describeAreaInSheets(1),
    ]).toEqual(['24 sheets’ worth', '35 % of a 12 × 12 sheet', '1 % of a 12 × 12 sheet']);
  });
});

describe('what planning together saves', () => {
  const totals = (newSheets: number, settings: number, cuts: number) => ({ newSheets, settings, cuts }) as never;
  const alone = { missing: 0, missingArea: 0, newSheets: 10, newSheetArea: 0, settings: 30, cuts: 60 };
  test.each([
    [[9, 23, 57], { first: '1 new sheet fewer', rest: 'than the pages one by one; 7 settings fewer, 3 cuts fewer.' }],
    [[10, 20, 62], { first: '10 settings fewer', rest: 'than the pages one by one; but 2 cuts more.' }],
    [[10, 30, 60], { first: 'Nothing saved', rest: 'One by one the pages would take as much.' }],
    [[10, 31, 61], { first: 'Nothing saved', rest: 'One by one the pages would take as much, with 1 cut more and 1 setting more together.' }],
  ] as const)('%j', ([a, b, c], said) =>
    expect(describeSavings({ totals: totals(a, b, c), missing: [] }, alone)).toEqual(said),
  ); // prettier-ignore
});

test('using up: the pace, and what does not count', () => {
  expect(describePace({ status: 'running', left: 37, days: 3, perDay: 13 })).toBe('37 left: 13 a day for 3 days.');
  expect(describePace({ status: 'running', left: 1, days: 1, perDay: 1 })).toBe('1 piece left, today is the last day.');
  expect(describePace({ status: 'over', left: 2 })).toBe('The time is over; 2 pieces short.');
  expect(describePace({ status: 'before', days: 6, perDay: 10 })).toBe('Not begun yet: 10 a day for 6 days.');
  expect(describePace({ status: 'done' })).toBe('All of it is done.');
  expect(describeWhyNot(['kind', 'narrower'], sought('scraps narrower than 5'), voice)).toBe(
    'not a scrap and not narrower than 5',
  );
});

test('a scrap would still give', () => {
  const of = (recipe: string, line: string, count: number) =>
    describeCouldMake({ recipe: recipe as never, line, count, each: size(2, 4) }, voice);
  expect(of('strips', '3 strips 1/2 x 9', 3)).toBe('3 strips of 2 × 4');
  expect(of('tag', 'tag 2 x 4', 1)).toBe('tag of 2 × 4');
  expect(of('mat-stack', 'mat 1/4 around 4 x 6', 1)).toBe('mat for a print of 4 × 6');
});

test('what was done, and what became of an item', () => {
  expect(describeDrawerStep({ says: 'kept-for', count: 2 })).toBe('2 kept for a page');
  expect(describeMovement({ by: 0, why: 'moved', place: 'box 2' })).toBe('moved to box 2');
  expect(describeMovement({ by: 0, why: 'moved' })).toBe('back to where its paper is kept');
  expect(describeMovement({ by: 0, why: 'kept-for', held: 2 })).toBe('2 kept for a page');
  expect(describeMovement({ by: 0, why: 'used', held: -1 })).toBe('1 no longer kept for a page');
  expect(describeMovement({ by: -2, why: 'taken' })).toBe('2 taken out');
});
