import { expect, test } from '@jest/globals';
import { derivePage, emptyPage } from '@temnex/core';
import { levelsOf } from './Stack.tsx';

test('each slab lies on the highest one that it covers; stacks beside each other start at the same height', () => {
  const at = (from: 'left' | 'right') => ({ across: { from, by: '1' }, upDown: { from: 'centre' as const, by: 0 } });
  const photo = (id: string, from: 'left' | 'right', mats: number) => ({
    id,
    name: id,
    print: { width: '3', height: '4', known: 'measured' as const },
    mats: Array.from({ length: mats }, (_, i) => ({
      id: `${id}${i}`,
      name: id,
      reveal: ['1/4'] as [string],
      paper: null,
    })),
    at: at(from),
  });
  const page = {
    ...emptyPage('p'),
    panels: [{ id: 'panel', name: 'panel', reveal: ['1/2'] as [string], paper: null }],
    photos: [photo('l', 'left', 2), photo('r', 'right', 1)],
  };
  const levels = levelsOf(derivePage(page).parts);
  expect(Object.fromEntries(levels)).toEqual({ base: 0, panel: 1, l1: 2, l0: 3, l: 4, r0: 2, r: 3 });
});
