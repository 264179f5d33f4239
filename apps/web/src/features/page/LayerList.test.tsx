import { expect, test } from '@jest/globals';
import { lengthOf } from '@temnex/core/length';
import { derivePage, emptyPage, newItem } from '@temnex/core/page';
import { banners, base, layer, page, photo } from '@temnex/core/testing';
import { computeCutOfSlab, buildLayerEntries } from './LayerList.tsx';

test('what is cut as one piece is one slab; every other layer has its own, from the bottom up', () => {
  const all = page(base([layer('panel', '1/2')]), photo('a', ['3', '4'], [layer('m', '1/4')]), banners('flags', {}));
  const slabs = buildLayerEntries(derivePage(all).parts).map((slab) => `${slab[0]!.item} ${slab.length}`);
  expect(slabs).toEqual(['base 1', 'base 1', 'a 1', 'a 1', 'flags 3']);
});

test('what is folded over, or goes over and under, is one slab with its piece, as many as are cut', () => {
  const square = { side: '3', short: '3/8', back: 'own' };
  const wheels = newItem({
    id: 'wheels',
    name: 'wheels',
    recipe: 'pinwheel',
    input: { square, tips: {}, hub: { as: 'paper' }, number: 2, gap: '1/4' },
  });
  const woven = newItem({
    id: 'woven',
    name: 'woven',
    recipe: 'weave',
    input: {
      area: {},
      both: 'alike',
      upright: { count: 4, width: '1/2', gap: '0' },
      level: {},
      pattern: 'plain',
      tail: '1/2',
      stock: '12',
      backing: { as: 'none' },
      divide: { across: 1, up: 1 },
    },
  });
  const derived = derivePage({ ...emptyPage('Wheels'), items: [wheels, woven] });
  const slabs = buildLayerEntries(derived.parts);
  expect(slabs.map((slab) => `${slab[0]!.piece} ${slab.length}`)).toEqual([
    ...['wheels/square 2', 'wheels/hub 2', 'woven/level-b 4', 'woven/upright-a 4'],
  ]);
  // how it is cut, with its tails, not how far it is seen
  const { width, height, many } = computeCutOfSlab(slabs.at(-1)!, derived);
  expect([many, width, height]).toEqual([4, lengthOf('1/2'), lengthOf('3')]);
  expect(computeCutOfSlab(slabs[0]!, derived)).toMatchObject({ many: 2, width: lengthOf('3') });
});
