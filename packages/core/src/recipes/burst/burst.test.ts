import { describe, expect, test } from '@jest/globals';
import { MARKS, inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { fieldKey } from '../fields.ts';
import { recipeOf } from '../registry.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { setField } from '../typing.ts';
import { burst, type BurstInput } from './burst.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: BurstInput = {
  form: 'fan',
  strip: { width: '1/2', length: '5' },
  strips: [],
  count: 7,
  angle: { spread: 150 },
  towards: 'up',
  held: { by: 'brad' },
};
const solve = (change: Partial<BurstInput> = {}) => burst.solve({ ...base, ...change }, table);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const fact = (result: RecipeSolution, name: string) => solved(result).laid.facts.find((f) => f.name === name)?.lengths;
const number = (result: RecipeSolution, ...path: string[]) => {
  const { n, d } = solved(result).values.get(fieldKey(path))!;
  return Number(n) / Number(d);
};
const LENGTHS = ['5 1/4', '4 7/8', '5 1/16', '4 13/16'].map((length, i) => ({ id: `s${i}`, length }));
const { count: _count, ...uncounted } = base;

test('strips of unlike length are all trimmed to the shortest', () => {
  const result = burst.solve({ ...uncounted, strip: { width: '1/2' }, strips: LENGTHS }, table);
  expect(number(result, 'strip', 'length')).toBe(lengthOf('4 13/16'));
  expect(fact(result, 'off')).toEqual(['7/16', '1/16', '1/4'].map((t) => lengthOf(t)).concat([0 as never]));
  expect(solved(result).laid.blanks).toMatchObject([{ quantity: 4, height: lengthOf('4 13/16') }]);
});

test.each<[Partial<BurstInput>, number]>([
  [{}, 25],
  [{ angle: { spread: 360 }, count: 8 }, 45],
  [{ form: 'burst', angle: { spread: 180 }, count: 6 }, 30],
  [{ form: 'burst', angle: { spread: 90 }, count: 4 }, 30],
])('%j: so many degrees apart', (change, apart) => {
  const result = solve(change);
  expect(number(result, 'angle', 'apart')).toBeCloseTo(apart, 9);
  expect(fact(result, 'apart')).toEqual([apart * 10]);
});

test.each<[BurstInput['angle'], number]>([
  [{ spread: 150, apart: 25 }, 7],
  [{ spread: 100, apart: 30 }, 4],
  [{ spread: 360, apart: 45 }, 8],
])('as many as go into %j: %s', (angle, n) => {
  const result = burst.solve({ ...uncounted, angle }, table);
  expect([number(result, 'count'), solved(result).laid.layers.length]).toEqual([n, n]);
});

test('seven strips at 20° turn by 120°, and what is typed last stands', () => {
  expect(number(solve({ angle: { apart: 20 } }), 'angle', 'spread')).toBe(120);
  const typed = setField(recipeOf('burst'), base, ['angle', 'apart'], 20, table) as BurstInput;
  expect(typed.angle).toEqual({ apart: 20 });
});

describe('as they lie', () => {
  /** The angle of each strip and how far its ends are from the point, from its corners. */
  const lying = (change: Partial<BurstInput>) => {
    const { layers } = solved(solve(change)).laid;
    return layers.map(({ shape, turned }) => {
      const [a, b, c, d] = flattenContour(shape!.outline, 1) as [number, number][] as [
        ...[[number, number], [number, number], [number, number], [number, number]],
      ];
      const from = [(a[0] + d[0]) / 2, (a[1] + d[1]) / 2] as const;
      const to = [(b[0] + c[0]) / 2, (b[1] + c[1]) / 2] as const;
      const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
      return { angle, turned: turned!, long: Math.hypot(to[0] - from[0], to[1] - from[1]), from, to };
    });
  };
  test('all are as long as they should be, and turned as they say', () => {
    for (const form of ['fan', 'burst'] as const)
      for (const { angle, turned, long } of lying({ form })) {
        expect(Math.abs(long - inches(5))).toBeLessThan(3);
        expect(Math.abs(angle - 90 - turned)).toBeLessThan(0.02);
      }
  });
  test('a fan turns about its holes', () => {
    const inset = inches(0.25);
    const pins = lying({}).map(({ from, to }) =>
      [0, 1].map((k) => from[k]! + (inset / inches(5)) * (to[k]! - from[k]!)),
    );
    for (const [x, y] of pins) {
      expect(Math.abs(x! - pins[0]![0]!)).toBeLessThan(4);
      expect(Math.abs(y! - pins[0]![1]!)).toBeLessThan(4);
    }
  });
  test.each([
    ['up', 90],
    ['right', 0],
    ['down', -90],
  ] as const)('it looks %s', (towards, middle) => expect(lying({ towards })[3]!.angle).toBeCloseTo(middle, 1));
});

test('where one is clear of the next their edges meet', () => {
  const [clear] = fact(solve(), 'clear')!;
  // an edge is half a width aside of its middle line
  expect(
    Math.abs(clear! * Math.sin((12.5 * Math.PI) / 180) - inches(0.25) * Math.cos((12.5 * Math.PI) / 180)),
  ).toBeLessThan(2);
});

test('the hole', () => {
  expect(solved(solve({ held: { by: 'brad', inset: '3/8' } })).laid.blanks[0]!.finish).toEqual([
    { do: 'holes', at: [{ x: lengthOf('1/4'), y: lengthOf('3/8') }], across: lengthOf('1/8') },
  ]);
  expect(solved(solve({ held: { by: 'glue' } })).laid.blanks[0]!.finish).toEqual([]);
  expect(solved(solve({ form: 'burst', angle: { spread: 180 } })).laid.blanks[0]!.finish).toMatchObject([
    { at: [{ y: lengthOf('2 1/2') }] },
  ]);
});

test.each<[string, Partial<BurstInput>, object]>([
  [
    'longer than the shortest',
    { strips: LENGTHS },
    { problems: [{ why: 'longer-than-shortest' }], offers: [{ length: lengthOf('4 13/16') }] },
  ],
  [
    'fewer than are there',
    { strip: { width: '1/2' }, strips: LENGTHS, count: 2 },
    { problems: [{ why: 'more-are-there' }], offers: [{ count: 4 }] },
  ],
  [
    'too far round',
    { count: 9, angle: { apart: 60 } },
    { problems: [{ why: 'too-far-round' }], offers: [{ count: 360 }] },
  ],
  ['a hole too near the end', { held: { by: 'brad', inset: '1/32' } }, { problems: [{ why: 'hole-outside' }] }],
  ['a hole as wide as the strip', { held: { by: 'brad', hole: '1/2' } }, { problems: [{ why: 'hole-outside' }] }],
  ['no width', { strip: { length: '5' } }, { problems: [{ code: 'missing' }] }],
  ['two angles that disagree', { angle: { spread: 150, apart: 20 } }, { problems: [{ code: 'disagree' }] }],
])('refused: %s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));

test('a fan of more than half round becomes a burst of half round', () => {
  const typed = setField(recipeOf('burst'), { ...base, angle: { spread: 300 } }, ['form'], 'burst', table);
  expect(typed).toMatchObject({ form: 'burst' });
  expect(burst.solve(typed as BurstInput, table).status).toBe('solved');
});
