import { describe, expect, test } from '@jest/globals';
import { NO_TRIM, isCutFrom, type StockItem } from '../stock/index.ts';
import { recipeOf, parseRecipeLine } from '../recipes/index.ts';
import { PAGE } from '../../testing/solving.ts';
import { findScrapUses } from './index.ts';

const scrap = (width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id: 's',
  paper: 'p',
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const made = (item: StockItem, unit: 'in' | 'mm' = 'in') =>
  Object.fromEntries(findScrapUses(item, unit).map((m) => [m.line, m.count]));

describe('what a scrap would still give', () => {
  test('of each kind the largest, or the most', () => {
    expect(made(scrap('5 1/2', '7 1/4'))).toEqual({
      'mat 1/4 around 4 x 6': 1,
      'mat 1/4 around 5 x 5': 1,
      'tag 3 x 6': 1,
      'pinwheel 5': 1,
      '10 strips 1/2 x 7 1/4': 11,
      '5 banners 1 3/8 x 4': 5,
      'grid 2 x 2 cell 2': 6,
    });
    expect(made(scrap('1/2', '9'))).toEqual({ '1 strips 1/2 x 9': 1 });
    expect(made(scrap('3/4', '3/4'))).toEqual({});
  });
  test('in millimetres, and of an L once what comes out of it', () => {
    expect(Object.keys(made(scrap('120', '170', { unit: 'mm' }), 'mm'))).toContain('mat 6 around 100 x 150');
    const outline = [[0, 0], ['9', 0], ['9', '3'], ['4', '3'], ['4', '8'], [0, '8']] as StockItem['outline']; // prettier-ignore
    expect(made(scrap('9', '8', { outline }))).toMatchObject({ 'mat 1/4 around 3 1/2 x 5': 1, 'pinwheel 4': 1 });
  });
  test('what takes the most of it comes first, and all of it does come out', () => {
    for (const size of [['12', '12'], ['3', '11'], ['6', '6'], ['2 1/4', '4']] as const) {
      const item = scrap(size[0]!, size[1]!);
      const list = findScrapUses(item, 'in');
      const taken = list.map((m) => m.each.width * m.each.height * m.count);
      expect(taken).toEqual([...taken].sort((a, b) => b - a));
      for (const m of list) expect([m.line, isCutFrom(m.each, item)]).toEqual([m.line, true]);
    } // prettier-ignore
  });
  test('each is said as the recipe that it is about understands it, and takes the paper that it says', () => {
    for (const item of [scrap('12', '12'), scrap('7', '5 1/2'), scrap('1 1/2', '9')])
      for (const { line, recipe, each } of findScrapUses(item, 'in')) {
        const heard = parseRecipeLine(line, PAGE, () => 'x');
        if (!heard?.said.ok) throw new Error(line);
        expect([line, heard.recipe]).toEqual([line, recipe]);
        const solved = recipeOf(recipe).solve(heard.said.input, heard.table);
        if (solved.status !== 'solved') throw new Error(`${line}: ${solved.status}`);
        const sizes = solved.laid.blanks.map(({ width, height }) => [width, height].sort((a, b) => a - b).join());
        expect([line, sizes]).toEqual([line, expect.arrayContaining([[each.width, each.height].sort((a, b) => a - b).join()])]); // prettier-ignore
      }
  });
});
