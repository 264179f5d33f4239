import { expect, test } from '@jest/globals';
import { at, base, layer, page as pageOf, photo } from '../../testing/pages.ts';
import { exactText, ticks } from '../length/index.ts';
import { derivePage, marksOf, type Page } from './index.ts';

const told = (page: Page) =>
  marksOf(derivePage(page)).map(
    ({ part, page: of, x, y }) =>
      `${part.id}${of ? ` on the ${of}` : ''}: ${[x, y].map((t) => (t === 0 ? '0' : exactText(ticks(Math.abs(t)), 'in'))).join(', ')}`,
  );

test('corners are counted from the left and the lower edge, and what lies in that corner needs no mark', () => {
  const page = pageOf(
    base([layer('panel', '1/2')]),
    photo('p', ['4', '6'], [layer('m', '1/4')], { at: at('right', '1', 'top', '1') }),
  );
  expect(told(page)).toEqual(['base/panel: 1/2, 1/2', 'p/m: 6 1/2, 4 1/2', 'p/print: 6 3/4, 4 3/4']);
});

test('of two facing pages each counts from its own left edge', () => {
  const spread: Page = {
    ...pageOf(
      base(),
      photo('l', ['2', '2'], [], { on: { page: 'left' }, at: at('left', '3', 'bottom', '0') }),
      photo('r', ['2', '2'], [], { on: { page: 'right' }, at: at('left', '3', 'bottom', '1') }),
      photo('over', ['2', '2'], [], { at: at('centre', '0', 'bottom', '1') }),
    ),
    ground: { width: '12', height: '12', seam: '1/2' },
  };
  expect(told(spread)).toEqual([
    'l/print on the left: 3, 0',
    'r/print on the right: 3, 1',
    'over/print on the left: 11 1/4, 1',
  ]);
});
