import { describe, expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import { setEdgeLength, snapToMark, buildTracedScrap, listDrawnEdges } from './tracing.ts';

const IN = 24_384;
const mark = MARKS['1/16'];
const at = (...points: [number, number][]) => points.map(([x, y]) => ({ x: x * IN, y: y * IN }));

test('corners go to the nearest mark', () => {
  expect(snapToMark({ x: 1.03 * IN, y: 2.04 * IN }, mark)).toEqual({ x: IN, y: 2.0625 * IN });
  expect(snapToMark({ x: 1000, y: 950 }, MARKS['1 mm'])).toEqual({ x: 960, y: 960 });
});

test('an edge is made so long along the way it runs', () => {
  const [from, across, slanted] = at([1, 1], [3, 1], [4, 5]);
  expect(setEdgeLength(from!, across!, 5.5 * IN, mark)).toEqual({ x: 6.5 * IN, y: IN });
  expect(setEdgeLength(from!, slanted!, 10 * IN, mark)).toEqual({ x: 7 * IN, y: 9 * IN });
});

describe('what was traced', () => {
  test('is counted from its own lower left, in the unit of the drawer', () => {
    const l = at([2, 1], [11, 1], [11, 4], [6, 4], [6, 9], [2, 9]);
    expect(buildTracedScrap(l, 'in')).toEqual({
      ok: true,
      width: '9',
      height: '8',
      outline: [[0, 0], ['9', 0], ['9', '3'], ['4', '3'], ['4', '8'], [0, '8']], // prettier-ignore
    });
    expect(buildTracedScrap([{ x: 0, y: 0 }, { x: 96_000, y: 0 }, { x: 0, y: 48_000 }], 'mm')).toMatchObject({ width: '100', height: '50' }); // prettier-ignore
  });
  test.each<[string, [number, number][], string]>([
    ['two corners', [[0, 0], [1, 1]], 'few'],
    ['crossed', [[0, 0], [4, 6], [4, 0], [0, 6]], 'crosses'],
    ['a line', [[0, 0], [1, 1], [2, 2]], 'nothing'],
    ['too many', Array.from({ length: 61 }, (_, i): [number, number] => [i, i % 2]), 'many'],
  ])('%s is told', (_, points, why) => expect(buildTracedScrap(at(...points), 'in')).toEqual({ ok: false, why })); // prettier-ignore
});

test('edges are drawn between corners as they stand, closed once there are three', () => {
  const corners = [0, 1, 2].map((x) => ({ x, y: x * x }));
  const drawn = (n: number) => listDrawnEdges(corners.slice(0, n)).map(({ from, to }) => [from.x, to.x]);
  expect([0, 1, 2, 3].map(drawn)).toEqual([
    [],
    [],
    [[0, 1]],
    [
      [0, 1],
      [1, 2],
      [2, 0],
    ],
  ]);
});
