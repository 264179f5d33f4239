import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../chance/index.ts';
import { areaWithin, findMissingCorners, edgeLengthOnPaper, holdsOutline, clipPaper } from './index.ts';

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
    expect(areaWithin(clipPaper(L, box(0, 0, 10, 7)))).toBe(46e6);
    expect(areaWithin(clipPaper(L, box(4, 3, 6, 4)))).toBe(0);
    expect(areaWithin(clipPaper(L, box(2, 2, 4, 4)))).toBe(4e6 + 6e6);
  });
  test('edges that are there, by how much', () => {
    expect(edgeLengthOnPaper(L, box(0, 0, 10, 7), 'left')).toBe(7000);
    expect(edgeLengthOnPaper(L, box(0, 0, 10, 7), 'right')).toBe(3000);
    expect(edgeLengthOnPaper(TORN, box(0, 0, 10, 8), 'left')).toBe(0);
    // between its arms there is nothing, and nothing is counted there
    expect(edgeLengthOnPaper(U, box(0, 3, 9, 3), 'bottom')).toBe(6000);
  });
  test('corners that are gone', () => {
    expect(findMissingCorners(L, box(0, 0, 10, 7))).toEqual([{ corner: 'upper right', width: 6000, height: 4000 }]);
    expect(findMissingCorners(L, box(0, 0, 10, 3))).toEqual([]);
    expect(findMissingCorners(TORN, box(0, 0, 10, 8)).map((c) => c.corner)).toEqual([
      'lower left',
      'lower right',
      'upper left',
      'upper right',
    ]);
  });
});

describe('whether a rectangle has room in an outline', () => {
  const foot = [[0, 0], [90, 0], [90, 30], [40, 30], [40, 80], [0, 80]].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 })); // prettier-ignore
  const triangle = [[0, 0], [100, 0], [0, 100]].map(([x, y]) => ({ x: x! * 1000, y: y! * 1000 })); // prettier-ignore
  test.each<[string, typeof foot, number, number, boolean]>([
    ['along the foot', foot, 90, 30, true],
    ['up the leg', foot, 40, 80, true],
    ['over the inner corner', foot, 41, 31, false],
    ['half of a triangle', triangle, 50, 50, true],
    ['more than half of it', triangle, 51, 50, false],
    ['low and long in it', triangle, 80, 20, true],
    ['a little too long in it', triangle, 82, 20, false],
  ])('%s', (_, outline, width, height, holds) =>
    expect(holdsOutline(outline, { width: width * 1000, height: height * 1000 })).toBe(holds),
  );
  test('as far as a grid of places tells, for seeded outlines', () => {
    const R = seededRandom(77);
    let held = 0;
    for (let n = 0; n < 24; n++) {
      // a polygon round a middle, not crossing itself, on whole hundreds
      const corners = 4 + Math.floor(R() * 5);
      const outline = Array.from({ length: corners }, (_, i) => {
        const [turn, far] = [((i + R() * 0.8) / corners) * 2 * Math.PI, 30 + R() * 70];
        return { x: 100 + far * Math.cos(turn), y: 100 + far * Math.sin(turn) };
      });
      const size = { width: 10 + R() * 70, height: 10 + R() * 70 };
      const area = size.width * size.height;
      let onGrid = false;
      for (let x = 0; x < 200 && !onGrid; x += 4)
        for (let y = 0; y < 200 && !onGrid; y += 4)
          onGrid = areaWithin(clipPaper(outline, { x, y, ...size })) > area * 0.9999;
      const holds = holdsOutline(outline, size);
      if (onGrid) expect([n, holds]).toEqual([n, true]);
      // nor is anything said to hold that lies nowhere when it is made a tenth smaller
      if (holds) {
        held++;
        const small = { width: size.width - 4, height: size.height - 4 };
        let there = false;
        for (let x = 0; x < 200 && !there; x += 2)
          for (let y = 0; y < 200 && !there; y += 2)
            there = areaWithin(clipPaper(outline, { x, y, ...small })) > small.width * small.height * 0.9999;
        expect([n, there]).toEqual([n, true]);
      }
    }
    expect(held).toBeGreaterThan(4);
  });
});
