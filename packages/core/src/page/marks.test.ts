import { expect, test } from '@jest/globals';
import { at, base, layer, page as pageOf, photo } from '../../testing/pages.ts';
import { MARKS, formatExactLength, lengthOf, ticks } from '../length/index.ts';
import { recipeOf, type LayoutContext } from '../recipes/index.ts';
import {
  LOWER_LEFT,
  derivePage,
  computeCornerMark,
  collectCornerMarks,
  newItem,
  partPlacedWith,
  type Item,
  type MeasuredEdge,
  type Page,
} from './index.ts';

const told = (page: Page) =>
  collectCornerMarks(derivePage(page)).map(
    ({ part, page: of, x, y }) =>
      `${part.id}${of ? ` on the ${of}` : ''}: ${[x, y].map((t) => (t === 0 ? '0' : formatExactLength(ticks(Math.abs(t)), 'in'))).join(', ')}`,
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

test('a photo on its mats is placed by the outermost mat; what lies on a base is placed by itself', () => {
  const page = derivePage(
    pageOf(
      base([layer('panel', '1/2')]),
      photo('p', ['4', '6'], [layer('in', '1/8'), layer('out', '1/4')], { at: at('left', '2', 'bottom', '2') }),
    ),
  );
  const part = (id: string) => page.parts.find((p) => p.id === id)!;
  for (const id of ['p/print', 'p/in', 'p/out']) expect(partPlacedWith(page, part(id)).id).toBe('p/out');
  expect(partPlacedWith(page, part('base/panel')).id).toBe('base/panel');
  const { x, y } = computeCornerMark(page, partPlacedWith(page, part('p/print')));
  expect([x, y].map((t) => formatExactLength(t, 'in'))).toEqual(['2', '2']);
});

test('of a photo with strips round it too, to their outer edge', () => {
  const recipe = recipeOf('strip-frame');
  const table = { unit: 'in', mark: MARKS['1/16'], room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] } };
  const input = recipe.start(table as LayoutContext, () => 'x');
  const framed = {
    ...newItem({ id: 'f', name: 'f', recipe: 'strip-frame', input }),
    at: at('left', '2', 'bottom', '1'),
  };
  const page = derivePage(pageOf(base(), framed as Item));
  const print = page.parts.find((p) => p.item === 'f' && p.piece === null)!;
  const strip = page.parts.find((p) => p.item === 'f' && p.piece !== null)!;
  const { x, y } = computeCornerMark(page, partPlacedWith(page, print));
  expect([x, y].map((t) => formatExactLength(t, 'in'))).toEqual(['2', '1']);
  // a strip of it is placed by itself, and the photo by itself lies further in
  expect(partPlacedWith(page, strip)).toBe(strip);
  expect(computeCornerMark(page, print).x).toBeGreaterThan(x);
});

test.each([
  [{ of: 'low', from: 'low' }, '2', '1'],
  [{ of: 'high', from: 'low' }, '6', '7'],
  [{ of: 'middle', from: 'low' }, '4', '4'],
  [{ of: 'high', from: 'high' }, '6', '5'],
  [{ of: 'low', from: 'high' }, '10', '11'],
] as const)('measured otherwise: %j', (measuring: MeasuredEdge, x, y) => {
  const page = derivePage(pageOf(base(), photo('p', ['4', '6'], [], { at: at('left', '2', 'bottom', '1') })));
  const part = page.parts.find((p) => p.id === 'p/print')!;
  const mark = computeCornerMark(page, part, { ...LOWER_LEFT, across: measuring, upDown: measuring });
  expect([mark.x, mark.y].map((t) => formatExactLength(t, 'in'))).toEqual([x, y]);
});
