import { describe, expect, test } from '@jest/globals';
import { areaWithin, cornersGone, edgeThere, paperIn } from './index.ts';

/*   +---+
 *   |   |          an L: its upper right corner is gone, 6 x 4
 *   |   +-----+
 *   |         |
 *   +---------+   */
const L = [
  [0, 0],
  [10, 0],
  [10, 3],
  [4, 3],
  [4, 7],
  [0, 7],
].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 }));
const TORN = [
  [1, 0],
  [9, 1],
  [10, 6],
  [5, 8],
  [0, 5],
].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 }));
const U = [
  [0, 0],
  [9, 0],
  [9, 6],
  [6, 6],
  [6, 2],
  [3, 2],
  [3, 6],
  [0, 6],
].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 }));
const box = (x: number, y: number, width: number, height: number) => ({
  x: x * 1000,
  y: y * 1000,
  width: width * 1000,
  height: height * 1000,
});

describe('odd paper', () => {
  test('what lies in a part of it', () => {
    expect(areaWithin(paperIn(L, box(0, 0, 10, 7)))).toBe(46e6);
    expect(areaWithin(paperIn(L, box(4, 3, 6, 4)))).toBe(0);
    expect(areaWithin(paperIn(L, box(2, 2, 4, 4)))).toBe(4e6 + 6e6);
  });
  test('edges that are there, by how much', () => {
    expect(edgeThere(L, box(0, 0, 10, 7), 'left')).toBe(7000);
    expect(edgeThere(L, box(0, 0, 10, 7), 'right')).toBe(3000);
    expect(edgeThere(TORN, box(0, 0, 10, 8), 'left')).toBe(0);
    // between its arms there is nothing, and nothing is counted there
    expect(edgeThere(U, box(0, 3, 9, 3), 'bottom')).toBe(6000);
  });
  test('corners that are gone', () => {
    expect(cornersGone(L, box(0, 0, 10, 7))).toEqual([{ corner: 'upper right', width: 6000, height: 4000 }]);
    expect(cornersGone(L, box(0, 0, 10, 3))).toEqual([]);
    expect(cornersGone(TORN, box(0, 0, 10, 8)).map((c) => c.corner)).toEqual([
      'lower left',
      'lower right',
      'upper left',
      'upper right',
    ]);
  });
});
