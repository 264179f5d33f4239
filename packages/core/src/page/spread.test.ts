import { describe, expect, test } from '@jest/globals';
import { formatExactLength } from '../length/index.ts';
import { RECIPE_IDS, recipeOf, type RecipeId } from '../recipes/index.ts';
import { derivePage, emptyPage, newItem, type Item, type Page } from './index.ts';

/* Two facing pages: what runs across the seam is cut for each page by itself. */

const spread = (items: readonly Item[], seam = '0'): Page => ({
  ...emptyPage('Two days'),
  ground: { width: '12', height: '12', seam },
  items: [...items],
});
const item = (recipe: RecipeId, input: unknown, more: Partial<Item> = {}): Item => ({
  ...newItem({ id: recipe, name: recipe, recipe, input }),
  ...more,
});
const cut = (page: Page) =>
  derivePage(page).pieces.map(
    (p) => `${p.quantity} of ${formatExactLength(p.width, 'in')} x ${formatExactLength(p.height, 'in')}`,
  );

const strip = (width: string, height: string) =>
  item('hollow-mat', {
    outer: { width, height, known: 'assumed' },
    ring: { reveal: { style: 'even', all: '1/2' } },
    centre: {},
    above: {},
  });
const banner = (width: string, more = {}) =>
  item('banner-strip', {
    strip: { width, length: '2' },
    count: 1,
    spread: 'row',
    row: {},
    end: { shape: 'straight', longer: 'left' },
    ...more,
  });

describe('what lies over the seam', () => {
  test('a base is two pieces of one kind, a page each', () => {
    expect(cut(spread([item('base-panels', { panels: [] })]))).toEqual(['2 of 12 x 12']);
  });
  test('what is woven before it is laid is cut whole, each way', () => {
    const weave = item('weave', {
      area: {},
      both: 'alike',
      upright: { count: 8, width: '1/2', gap: '0' },
      level: {},
      pattern: 'plain',
      tail: '1/2',
      stock: '12',
      backing: { as: 'none' },
      divide: { across: 1, up: 1 },
    });
    expect(cut(spread([weave]))).toEqual(['8 of 1/2 x 5', '8 of 5 x 1/2']);
  });
  test('the gap between the pages is not cut', () => {
    expect(cut(spread([item('base-panels', { panels: [] })], '1/2'))).toEqual(['2 of 12 x 12']);
    expect(cut(spread([banner('10')], '1/2'))).toEqual(['2 of 4 3/4 x 2']);
  });
  test('what does not lie in the middle is parted where the seam is', () => {
    const left = { across: { from: 'left', by: '3' }, upDown: { from: 'bottom', by: 0 } } as const;
    expect(cut(spread([{ ...banner('10'), at: left }]))).toEqual(['1 of 9 x 2', '1 of 1 x 2']);
    const aside = { ...left, across: { from: 'left', by: '1' } } as const;
    expect(cut(spread([{ ...banner('10'), at: aside }]))).toEqual(['1 of 10 x 2']);
    expect(cut(spread([{ ...banner('11'), at: aside }]))).toEqual(['1 of 11 x 2']);
  });
  test('of several alike only those that do', () => {
    const row = { strip: { width: '5', length: '2' }, count: 3, spread: 'row', row: { gap: '1' } };
    const three = item('banner-strip', { ...row, end: { shape: 'straight', longer: 'left' } });
    expect(cut(spread([three]))).toEqual(['2 of 5 x 2', '2 of 2 1/2 x 2']);
  });
  test('what is worked on by hand stays whole', () => {
    expect(cut(spread([strip('11', '11')]))).toEqual(['1 of 11 x 11']);
    expect(cut(spread([strip('14', '11')]))).toEqual(['1 of 14 x 11']);
  });
  test('on one of the pages nothing is parted', () => {
    const on = { page: 'right' } as const;
    expect(cut(spread([item('base-panels', { panels: [] }, { on })]))).toEqual(['1 of 12 x 12']);
  });
  test('when the seam moves, what was derived before is not used again', () => {
    const page = spread([{ ...banner('10'), on: 'page' }], '1/2');
    const moved = { ...page, ground: { ...page.ground, seam: '1' } };
    expect(derivePage(moved, undefined, derivePage(page)).pieces).toEqual(derivePage(moved).pieces);
  });
});

test('whatever starts on a spread can be derived', () => {
  for (const recipe of RECIPE_IDS) {
    const page = spread([]);
    const room = { width: derivePage(page).width, height: derivePage(page).height, seams: [] };
    let n = 0;
    const input = recipeOf(recipe).start({ unit: 'in', mark: derivePage(page).mark, room }, () => `id${++n}`);
    const derived = derivePage(spread([item(recipe, input)]));
    expect(derived.problems).toEqual([]);
    expect(new Set(derived.pieces.map((p) => p.id)).size).toBe(derived.pieces.length);
  }
});
