import { describe, expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import type { RecipeSolution } from '../recipe.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import { prickAlongOutline, insetOutline } from './along.ts';
import { stitches, type StitchesInput } from './stitches.ts';

const line: StitchesInput = {
  along: 'line',
  ground: { width: '6', height: '1/2', is: 'cut' },
  inset: '1/4',
  spacing: '1/4',
  stitch: 'back',
};
const solve = (input: StitchesInput) => stitches.solve(input, PAGE);
const holes = (result: RecipeSolution): [number, number][] => {
  const finish = solved(result).laid.blanks[0]!.finish.find((f) => f.do === 'holes');
  return finish?.do === 'holes' ? finish.at.map((p) => [p.x / inches(1), p.y / inches(1)]) : [];
};
const apart = (at: [number, number][]) =>
  at.map(([x, y], i) => Math.hypot(x - at[(i + 1) % at.length]![0], y - at[(i + 1) % at.length]![1]));

describe('along a line', () => {
  test('ends alike, as near to the spacing as can be', () => {
    const at = holes(solve({ ...line, spacing: '3/8' }));
    // 5 1/2 is 14.67 of 3/8: 15 of 0.3667
    expect(at).toHaveLength(16);
    expect([at[0]![0], 6 - at.at(-1)![0]]).toEqual([0.25, 0.25]);
    for (const d of apart(at).slice(0, -1)) expect(Math.abs(d - 5.5 / 15)).toBeLessThan(1e-4);
  });
  test('running stitches begin and end on one face: an even number of holes', () => {
    for (const spacing of ['1/4', '5/16', '3/8', '7/16', '1/2'])
      expect(holes(solve({ ...line, spacing, stitch: 'running' })).length % 2).toBe(0);
    const { suggestions } = solved(solve({ ...line, holes: 21, stitch: 'running', spacing: undefined as never }));
    expect(suggestions).toMatchObject([{ why: 'ends-unlike', lengths: [21, 22] }]);
  });
  test.each<[Partial<StitchesInput>, string[], number]>([
    [{ holes: 23 }, ['spacing'], 0.25],
    [{ holes: 21, spacing: '1/4', ground: { height: '1/2', is: 'cut' } }, ['ground', 'width'], 5.5],
  ])('counted, the unknown: %j', (change, path, is) => {
    const { spacing: _s, ...rest } = line;
    expect(inInches(solve({ ...rest, ...change }), ...path)).toBeCloseTo(is, 9);
  });
});

test('round a panel: a hole in every corner, each pair of sides by itself', () => {
  const result = solve({
    ...line,
    along: 'panel',
    ground: { width: '4', height: '6', is: 'cut' },
    inset: '1/8',
    spacing: '3/8',
  });
  const at = holes(result);
  for (const corner of [
    [0.125, 0.125],
    [3.875, 0.125],
    [3.875, 5.875],
    [0.125, 5.875],
  ])
    expect(at).toContainEqual(corner);
  // 3 3/4 is ten of 3/8, 5 3/4 fifteen and a third
  expect(at).toHaveLength(2 * (10 + 15));
  expect(fact(result, 'sides')).toEqual([lengthOf('3/8'), Math.round(inches(5.75) / 15)]);
});

describe('along a shape', () => {
  test.each([
    ['circle', 0],
    ['heart', 2],
    ['star', 10],
    ['hexagon', 6],
  ] as const)('%s: evenly, a hole on each of its %s sharp corners, all in from the edge', (along, corners) => {
    const result = solve({ ...line, along, ground: { width: '4', is: 'cut' }, inset: '1/8', spacing: '1/4' });
    const at = holes(result);
    const even = fact(result, 'even')!.map((t) => t / inches(1));
    // between two holes on a curve the straight way is a little shorter
    for (const d of apart(at)) expect(even.some((e) => d < e + 0.002 && d > e * 0.9)).toBe(true);
    const outline = solved(result).laid.traced![0]!.shape.outline;
    expect(outline.segments.length).toBeGreaterThan(1);
    expect(even.every((e) => Math.abs(e - 0.25) < 0.06)).toBe(true);
    if (corners === 6) expect(at.length % 6).toBe(0);
  });
  test('of a square moved in by a quarter a smaller square is left', () => {
    const square = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ].map(([x, y]) => [x! * 1000, y! * 1000] as const);
    expect(insetOutline(square, 250)).toEqual([
      [250, 250],
      [3750, 250],
      [3750, 3750],
      [250, 3750],
    ]);
    expect(insetOutline([...square].reverse(), 250)).toEqual([
      [250, 3750],
      [3750, 3750],
      [3750, 250],
      [250, 250],
    ]);
    expect(insetOutline(square, 3000)).toEqual([]);
    expect(prickAlongOutline([], 5)).toBeNull();
  });
});

test('what is there already is not cut, and pricked by a template', () => {
  const { laid } = solved(solve({ ...line, ground: { ...line.ground, is: 'there' } }));
  expect(laid.blanks).toEqual([]);
  expect(laid.traced![0]!.holes).toHaveLength(23);
});

test.each<[string, Partial<StitchesInput>, object]>([
  ['an inset of half of it', { inset: '3' }, { problems: [{ why: 'no-room' }] }],
  ['more than can be', { spacing: '1/64' }, { problems: [{ why: 'too-many-holes' }] }],
  ['holes that run into each other', { across: '1/4' }, { problems: [{ why: 'hole-too-large' }] }],
  ['nothing of it', { ground: { height: '1', is: 'cut' } }, { problems: [{ code: 'missing' }] }],
])('refused: %s', (_, change, expected) =>
  expect(solve({ ...line, ...change })).toMatchObject({ status: 'refused', ...expected }),
);

test('a panel made a circle keeps its width, a line what it counts', () => {
  const counted = { ...line, holes: 20 };
  const circle = setField(recipeOf('stitches'), counted, ['along'], 'circle', PAGE);
  expect(circle).not.toHaveProperty('holes');
  expect(circle).toMatchObject({ along: 'circle', ground: { width: '6' } });
});
