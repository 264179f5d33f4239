import { expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';
import { tabs, type TabsInput } from './tabs.ts';

const base: TabsInput = {
  edge: 'top',
  strip: { width: '1 1/2' },
  count: 5,
  spread: 'room',
  row: { gap: '1/4' },
  tab: { out: '1/2', tuck: '1/4', made: 'single' },
  corner: { how: 'round' },
};
const solve = (change: Partial<TabsInput> = {}) => tabs.solve({ ...base, ...change }, PAGE);

test('along an edge: five of 1 1/2, the margins follow', () => {
  const result = solve();
  expect(inInches(result, 'row', 'margin')).toBe((12 - 8.5) / 2);
  expect(solved(result).laid.layers.map((l) => l.box.x / inches(1))).toEqual([1.75, 3.5, 5.25, 7, 8.75]);
  expect(solved(result).laid.blanks).toMatchObject([
    { quantity: 5, width: lengthOf('1 1/2'), height: lengthOf('3/4') },
  ]);
});
test.each(['top', 'bottom', 'left', 'right'] as const)('its free corners are rounded, at the %s', (edge) => {
  const { layers, size } = solved(solve({ edge })).laid;
  const { box, shape } = layers[0]!;
  const upright = edge === 'left' || edge === 'right';
  expect([size.width, size.height]).toEqual(upright ? [lengthOf('3/4'), inches(12)] : [inches(12), lengthOf('3/4')]);
  const corners = flattenContour(shape!.outline, 1);
  // two quarter circles of 1/8
  expect(areaOf(corners) / inches(1) ** 2).toBeCloseTo(1.5 * 0.75 - (2 * (1 - Math.PI / 4)) / 64, 4);
  const there = (x: number, y: number) => corners.some(([px, py]) => Math.abs(px - x) < 2 && Math.abs(py - y) < 2);
  const sharp = {
    top: [
      [0, 0],
      [1, 0],
    ],
    bottom: [
      [0, 1],
      [1, 1],
    ],
    left: [
      [1, 0],
      [1, 1],
    ],
    right: [
      [0, 0],
      [0, 1],
    ],
  }[edge];
  for (const [x, y] of [
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ] as const)
    expect(there(box.x + x * box.width, box.y + y * box.height)).toBe(sharp.some(([sx, sy]) => sx === x && sy === y));
});
test('folded over the edge they are cut twice as long', () => {
  const result = solve({ tab: { ...base.tab, made: 'double' } });
  expect(fact(result, 'double')).toEqual([lengthOf('1 1/2'), lengthOf('1 1/2'), lengthOf('1/4')]);
  expect(solved(result).laid.blanks[0]!.finish[0]).toMatchObject({ do: 'fold', from: { y: lengthOf('3/4') } });
});
test('cropped or square', () => {
  expect(solved(solve({ corner: { how: 'square' } })).laid.layers[0]!.shape).toBeNull();
  expect(solved(solve({ corner: { how: 'cropped', by: '1/4' } })).laid.blanks[0]!.finish).toEqual([
    { do: 'corners', how: 'straight', by: lengthOf('1/4'), count: 2 },
  ]);
});
test.each<[string, Partial<TabsInput>, object]>([
  ['too many', { count: 9 }, { problems: [{ why: 'too-much' }], offers: [{ path: ['count'], count: 7 }, {}, {}] }],
  [
    'corners larger than the tab',
    { corner: { how: 'round', by: '3/4' } },
    { problems: [{ why: 'corner-too-large' }], offers: [{ length: lengthOf('1/2') }] },
  ],
  ['nothing that sticks out', { tab: { tuck: '0', made: 'single' } }, { problems: [{ code: 'missing' }] }],
])('refused: %s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));
