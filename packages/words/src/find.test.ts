import { expect, test } from '@jest/globals';
import { RECIPE_IDS } from '@temnex/core';
import { constructionsFor } from './index.ts';

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
])('“%s” is about %s', (said, recipe) => expect(constructionsFor(said)[0]).toBe(recipe));

test('more than one may be meant', () => {
  expect(constructionsFor('frame')).toContain('hollow-mat');
  expect(constructionsFor('strip')).toEqual(expect.arrayContaining(['strips', 'border-strip', 'strip-frame']));
});
test('nothing said is all of them; what none knows is none', () => {
  expect(constructionsFor('')).toEqual(RECIPE_IDS);
  expect(constructionsFor('I want some')).toEqual(RECIPE_IDS);
  expect(constructionsFor('zeppelin')).toEqual([]);
});
