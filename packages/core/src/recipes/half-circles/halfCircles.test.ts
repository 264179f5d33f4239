import { expect, test } from '@jest/globals';
import Clipper from 'clipper-lib';
import { MARKS, inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { fieldKey } from '../fields.ts';
import { recipeOf } from '../registry.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { setField } from '../typing.ts';
import { halfCircles, type HalfCirclesInput } from './halfCircles.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: HalfCirclesInput = {
  cut: 'halves',
  circle: { across: '2' },
  strip: {},
  count: 5,
  spread: 'room',
  row: { gap: '1/4' },
  lie: 'edge',
  round: 'up',
};
const solve = (change: Partial<HalfCirclesInput> = {}) => halfCircles.solve({ ...base, ...change }, table);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const number = (result: RecipeSolution, ...path: string[]) => {
  const { n, d } = solved(result).values.get(fieldKey(path))!;
  return Number(n) / Number(d);
};
const circles = (result: RecipeSolution) => solved(result).laid.facts.find((f) => f.name === 'circles')!.lengths;

test.each<[Partial<HalfCirclesInput>, number[]]>([
  [{}, [3, 2, 1]],
  [{ count: 4 }, [2, 2, 0]],
  [{ cut: 'quarters', count: 7 }, [2, 4, 1]],
])('%j: circles, parts of one, left over', (change, expected) => {
  const result = solve(change);
  expect(circles(result)).toEqual(expected);
  expect(solved(result).laid.blanks).toMatchObject([{ quantity: expected[0], makes: change.count ?? 5 }]);
});

test('any of it may be the unknown', () => {
  expect(number(solve(), 'row', 'margin')).toBe(lengthOf('1/2'));
  expect(number(solve({ circle: {}, row: { gap: '0', margin: '1' } }), 'circle', 'across')).toBe(inches(2));
  const { count: _count, ...many } = base;
  expect(number(halfCircles.solve({ ...many, row: { gap: '0', margin: '0' } }, table), 'count')).toBe(6);
  expect(number(solve({ cut: 'quarters', circle: {}, row: { gap: '0', margin: '1' } }), 'circle', 'across')).toBe(
    inches(4),
  );
});

test('halves are half of what they come from, quarters a quarter', () => {
  for (const [cut, parts] of [
    ['halves', 2],
    ['quarters', 4],
  ] as const) {
    const { layers, blanks } = solved(solve({ cut })).laid;
    const area = (corners: readonly (readonly [number, number])[]) =>
      Math.abs(Clipper.Clipper.Area(corners.map(([x, y]) => ({ X: Math.round(x), Y: Math.round(y) }))));
    const one = area(flattenContour(layers[0]!.shape!.outline, 1));
    expect(area(flattenContour(blanks[0]!.shape!.outline, 1)) / one).toBeCloseTo(parts, 3);
  }
});

test('a wave: every other one hangs from the line that the others stand on', () => {
  const { layers, size } = solved(solve({ lie: 'wave' })).laid;
  expect(layers.map((l) => l.box.y)).toEqual([1, 0, 1, 0, 1].map((n) => inches(n)));
  expect(size.height).toBe(inches(2));
  const down = solved(solve({ lie: 'wave', round: 'down' })).laid.layers;
  expect(down.map((l) => l.box.y)).toEqual([0, 1, 0, 1, 0].map((n) => inches(n)));
});

test('of halves the circle is the width; what is offered is said of it', () => {
  expect(solve({ count: 7 })).toMatchObject({
    status: 'refused',
    problems: [{ why: 'too-much' }],
    offers: [
      { path: ['count'], count: 5 },
      { path: ['circle', 'across'], length: lengthOf('1 1/2') },
      { path: ['row', 'gap'] },
    ],
  });
  expect(solve({ circle: { across: '13' } })).toMatchObject({ problems: [{ path: ['row', 'across'] }] });
});

test('quarters made halves keep the width of one', () => {
  const quarters = { ...base, cut: 'quarters', circle: {}, strip: { width: '1 1/2' } };
  const made = setField(recipeOf('half-circles'), quarters, ['cut'], 'halves', table);
  expect(made).toMatchObject({ cut: 'halves', strip: {}, circle: { across: '1 1/2' } });
});
