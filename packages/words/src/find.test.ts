import { expect, test } from '@jest/globals';
import { RECIPE_IDS } from '@temnex/core/recipes';
import { suggestConstructions } from './index.ts';

test.each([
  ['I want a row of banners', 'banner-strip'],
  ['banne', 'banner-strip'],
  ['pennants', 'banner-strip'],
  ['frame', 'strip-frame'],
  ['strips', 'strips'],
  ['mat', 'mat-stack'],
  ['scallop', 'border-strip'],
  ['band', 'block-band'],
  ['half and half', 'half-base'],
  ['hollow', 'hollow-mat'],
  ['patchwork', 'built-up'],
  ['Photo', 'photo'],
])('“%s” is about %s', (said, recipe) => expect(suggestConstructions(said)[0]).toBe(recipe));

test('more than one may be meant', () => {
  expect(suggestConstructions('frame')).toContain('hollow-mat');
  expect(suggestConstructions('strip')).toEqual(expect.arrayContaining(['strips', 'border-strip', 'strip-frame']));
});
test('nothing said is all of them; what none knows is none', () => {
  expect(suggestConstructions('')).toEqual(RECIPE_IDS);
  expect(suggestConstructions('I want some')).toEqual(RECIPE_IDS);
  expect(suggestConstructions('zeppelin')).toEqual([]);
});
