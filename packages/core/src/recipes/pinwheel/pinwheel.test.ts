import { describe, expect, test } from '@jest/globals';
import { MARKS, inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';
import { fieldKey } from '../fields.ts';
import { recipeOf } from '../registry.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { setField } from '../typing.ts';
import { foldSquare, pinwheel, type PinwheelInput } from './pinwheel.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: PinwheelInput = {
  square: { side: '3', short: '3/8', back: 'own' },
  tips: {},
  hub: { as: 'paper' },
  number: 1,
};
const solve = (change: Partial<PinwheelInput> = {}) => pinwheel.solve({ ...base, ...change }, table);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const inchesOf = (result: RecipeSolution, ...path: string[]) => {
  const { n, d } = solved(result).values.get(fieldKey(path))!;
  return Number(n) / Number(d) / inches(1);
};

test('a square of 3, slits 3/8 short: slits of 1.746, cut as 1 3/4', () => {
  const result = solve();
  expect(inchesOf(result, 'square', 'slit')).toBeCloseTo(1.5 * Math.SQRT2 - 0.375, 6);
  const { blanks } = solved(result).laid;
  expect(blanks.map((b) => [b.key, b.width, b.quantity, b.makes])).toEqual([
    ['square', inches(3), 1, 5],
    ['hub', lengthOf('3/4'), 1, undefined],
  ]);
  for (const f of blanks[0]!.finish) {
    if (f.do !== 'slit') throw new Error(f.do);
    const long = Math.hypot(f.to.x - f.from.x, f.to.y - f.from.y);
    expect(Math.abs(long - lengthOf('1 3/4'))).toBeLessThan(2);
    // towards the middle
    const far = Math.hypot(f.to.x - inches(1.5), f.to.y - inches(1.5));
    expect(Math.abs(far - (1.5 * Math.SQRT2 - 1.75) * inches(1))).toBeLessThan(2);
  }
});

test.each([
  [{ side: '4', slit: '2 1/2' }, 'short', 2 * Math.SQRT2 - 2.5],
  [{ short: '1/2', slit: '2' }, 'side', 2.5 * Math.SQRT2],
] as const)('%j: %s', (square, unknown, is) =>
  expect(inchesOf(solve({ square: { ...square, back: 'own' } }), 'square', unknown)).toBeCloseTo(is, 5),
);

test('typing the slit lets the rest go along', () => {
  const typed = setField(recipeOf('pinwheel'), base, ['square', 'slit'], '1 1/2', table) as PinwheelInput;
  expect(typed.square).toEqual({ side: '3', slit: '1 1/2', back: 'own' });
});

describe('folded', () => {
  const area = (corners: readonly (readonly [number, number])[]) => Math.abs(areaOf(corners.map(([x, y]) => [x, y])));
  test.each([0, 0.25, 0.5])('tips %s past the middle: what is folded over is as large as what it left', (past) => {
    const { sail, blades } = foldSquare(3, past);
    const folded = blades.reduce((sum, blade) => sum + area(blade), 0);
    expect(area(sail) + folded).toBeCloseTo(9, 6);
    // each turned over its fold: the tip as far from it as the corner was
    const [tip, meet, edge] = blades[0]! as [number, number][] as [
      [number, number],
      [number, number],
      [number, number],
    ];
    const [dx, dy] = [edge[0] - meet[0], edge[1] - meet[1]];
    const from = ([x, y]: readonly [number, number]) =>
      Math.abs((x - meet[0]) * dy - (y - meet[1]) * dx) / Math.hypot(dx, dy);
    expect(from(tip)).toBeCloseTo(from([1.5, 1.5]), 6);
    expect(Math.hypot(...tip)).toBeCloseTo(past, 6);
  });
  test('shows the other face, or a lining', () => {
    const own = solved(solve()).laid.layers.filter((l) => l.role === 'blade');
    expect(own.map((l) => [l.blank, l.back])).toEqual(Array.from({ length: 4 }, () => ['square', true]));
    const { layers, blanks } = solved(solve({ square: { ...base.square, back: 'lined' }, number: 2, gap: '1/4' })).laid;
    expect(layers.filter((l) => l.role === 'blade').map((l) => [l.blank, l.back])).toEqual(
      Array.from({ length: 8 }, () => ['lining', undefined]),
    );
    expect(blanks.map((b) => [b.key, b.quantity])).toEqual([
      ['square', 2],
      ['lining', 2],
      ['hub', 2],
    ]);
    const square = layers.find((l) => l.role === 'square')!;
    expect(areaOf(flattenContour(square.shape!.outline, 1)) / inches(1) ** 2).toBeCloseTo(9 - 4 * (9 / 16), 3);
  });
});

test.each<[string, Partial<PinwheelInput>, object]>([
  ['covers where the slits end', {}, { across: 0.75, advice: 0 }],
  ['covers the tips', { tips: { past: '1/2' } }, { across: 1, advice: 0 }],
  ['is said to be too small', { hub: { as: 'button', across: '1/2' } }, { across: 0.5, advice: 1 }],
])('a hub %s', (_, change, { across, advice }: { across?: number; advice?: number }) => {
  const result = solve(change);
  expect(inchesOf(result, 'hub', 'across')).toBeCloseTo(across!, 6);
  expect(solved(result).suggestions).toHaveLength(advice!);
});

test.each<[string, Partial<PinwheelInput>, object]>([
  [
    'slits too short to fold',
    { square: { side: '3', short: '1 1/4', back: 'own' } },
    { problems: [{ why: 'slits-too-short' }], offers: [{ length: inches(1) }] },
  ],
  ['tips too far over', { tips: { past: '3' } }, { problems: [{ why: 'past-too-far' }] }],
  [
    'slits of nothing',
    { square: { side: '3', short: '3', back: 'own' } },
    { problems: [{ code: 'size-not-positive' }] },
  ],
  ['nothing said', { square: { back: 'own' } }, { problems: [{ code: 'missing' }] }],
  [
    'more than the page holds',
    { number: 20, gap: '1/2' },
    { problems: [{ why: 'too-many-for-room' }], offers: [{ count: 9 }] },
  ],
  [
    'two that disagree',
    { square: { side: '3', short: '1', slit: '1', back: 'own' } },
    { problems: [{ code: 'disagree' }] },
  ],
])('refused: %s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));

test('several go row by row from the upper left', () => {
  const { laid } = solved(solve({ number: 4, gap: '1/4' }));
  const at = laid.layers.filter((l) => l.role === 'square').map(({ box }) => [box.x / inches(1), box.y / inches(1)]);
  expect(at).toEqual([
    [0, 3.25],
    [3.25, 3.25],
    [6.5, 3.25],
    [0, 0],
  ]);
  expect(laid.size.width).toBe(inches(9.5));
});
