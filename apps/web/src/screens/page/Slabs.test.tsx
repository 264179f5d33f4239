import { expect, test } from '@jest/globals';
import { derivePage } from '@temnex/core';
import { banners, base, layer, page, photo } from '@temnex/core/testing';
import { slabsOf } from './Slabs.tsx';

test('what is cut as one piece is one slab; every other layer has its own, from the bottom up', () => {
  const all = page(base([layer('panel', '1/2')]), photo('a', ['3', '4'], [layer('m', '1/4')]), banners('flags', {}));
  const slabs = slabsOf(derivePage(all).parts).map((slab) => `${slab[0]!.item} ${slab.length}`);
  expect(slabs).toEqual(['base 1', 'base 1', 'a 1', 'a 1', 'flags 3']);
});
