import { expect, test } from '@jest/globals';
import { derivePage } from '@temnex/core';
import { at, base, layer, page, photo } from '@temnex/core/testing';
import { levelsOf } from './Stack.tsx';

test('each slab lies on the highest one that it covers; stacks beside each other start at the same height', () => {
  const mats = (n: number) => Array.from({ length: n }, (_, i) => layer(`m${i + 1}`, '1/4'));
  const stacked = page(
    base([layer('panel', '1/2')]),
    photo('l', ['3', '4'], mats(2), { at: at('left', '1', 'centre', 0) }),
    photo('r', ['3', '4'], mats(1), { at: at('right', '1', 'centre', 0) }),
  );
  expect(Object.fromEntries(levelsOf(derivePage(stacked).parts))).toEqual({
    'base/base': 0,
    'base/panel': 1,
    'l/m2': 2,
    'l/m1': 3,
    'l/print': 4,
    'r/m1': 2,
    'r/print': 3,
  });
});
