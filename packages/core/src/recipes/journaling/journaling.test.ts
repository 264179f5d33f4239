import { describe, expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import { journaling, type JournalingInput } from './journaling.ts';

const base: JournalingInput = {
  lines: 6,
  strip: { width: '4', letter: '3/16', edge: '1/16' },
  printed: { spacing: '3/8' },
  placed: { gap: '1/16' },
};
const solve = (change: Partial<JournalingInput> = {}) => journaling.solve({ ...base, ...change }, PAGE);
const { lines: _lines, ...uncounted } = base;

test('letters and edges make the strip, and what is over falls off', () => {
  const result = solve();
  expect(inInches(result, 'strip', 'height')).toBe(5 / 16);
  expect(fact(result, 'apart')).toEqual([lengthOf('1/16')]);
  // 5 × 3/8 + 5/16
  expect(fact(result, 'printed')).toEqual([lengthOf('2 3/16'), 6]);
  expect(inInches(result, 'placed', 'height')).toBe((6 * 5 + 5) / 16);
});
describe('any of it may be the unknown', () => {
  test.each<[Partial<JournalingInput>, string[], number]>([
    [{ strip: { width: '4', height: '3/8', letter: '3/16' }, printed: { spacing: '1/2' } }, ['strip', 'edge'], 3 / 32],
    [{ strip: { width: '4', height: '3/8', edge: '1/16' }, printed: { spacing: '1/2' } }, ['strip', 'letter'], 1 / 4],
    [{ printed: { spare: '1/8' } }, ['printed', 'spacing'], 7 / 16],
    [{ placed: { height: '3' } }, ['placed', 'gap'], (3 - 30 / 16) / 5],
  ])('%j', (change, path, is) => expect(inInches(solve(change), ...path)).toBeCloseTo(is, 9));
  test('how many fit', () => {
    const within = (height: string) => journaling.solve({ ...uncounted, placed: { gap: '1/16', height } }, PAGE);
    // 5/16 each and a gap less
    expect(solved(within('2')).laid.layers).toHaveLength(5);
    expect(fact(within('2'), 'left')).toEqual([lengthOf('3/16')]);
    expect(solved(within('2 3/16')).laid.layers).toHaveLength(6);
    // on the whole page
    expect(solved(journaling.solve(uncounted, PAGE)).laid.layers).toHaveLength(32);
  });
});
test('lines too close to be cut apart: what spacing, or what edge, would do', () => {
  expect(solve({ printed: { spacing: '1/4' } })).toMatchObject({
    status: 'refused',
    problems: [{ why: 'cannot-be-cut', lengths: [lengthOf('1/4'), lengthOf('5/16')] }],
    offers: [
      { path: ['printed', 'spacing'], length: lengthOf('5/16') },
      { path: ['strip', 'edge'], length: lengthOf('1/32') },
    ],
  });
  expect(solve({ printed: { spacing: '1/8' } })).toMatchObject({ offers: [{ path: ['printed', 'spacing'] }] });
});
test('larger letters make higher strips, and less falls off', () => {
  const typed = setField(recipeOf('journaling'), base, ['strip', 'letter'], '1/4', PAGE) as JournalingInput;
  expect(typed.printed).toEqual({ spacing: '3/8' });
  expect(inInches(journaling.solve(typed, PAGE), 'printed', 'spare')).toBe(0);
});
test('the first line lies on top', () => {
  const { layers, size } = solved(solve()).laid;
  expect(layers[0]!.box.y + layers[0]!.box.height).toBe(size.height);
  expect(layers[1]!.box.y).toBeLessThan(layers[0]!.box.y);
});
test.each<[string, JournalingInput, object]>([
  ['not even one', { ...uncounted, placed: { gap: '0', height: '1/4' } }, { problems: [{ why: 'none-fits' }] }],
  [
    'a gap below nothing',
    { ...base, placed: { height: '1' } },
    { problems: [{ code: 'size-not-positive', path: ['placed', 'gap'] }] },
  ],
  ['nothing said of the strip', { ...base, strip: { width: '4' } }, { problems: [{ code: 'missing' }] }],
  [
    'an edge of more than the strip',
    { ...base, strip: { width: '4', height: '1/4', edge: '1/4' } },
    { problems: [{ code: 'size-not-positive', path: ['strip', 'letter'] }] },
  ],
])('refused: %s', (_, input, expected) =>
  expect(journaling.solve(input, PAGE)).toMatchObject({ status: 'refused', ...expected }),
);
test('a single line needs no gap', () => {
  const { placed: _placed, ...rest } = base;
  expect(inInches(journaling.solve({ ...rest, lines: 1, placed: {} }, PAGE), 'placed', 'height') * inches(1)).toBe(
    lengthOf('5/16'),
  );
});
