import { expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';
import { tag, type TagInput } from './tag.ts';

const base: TagInput = { tag: { width: '2', height: '4' }, top: 'cropped', hole: { as: 'hole' }, number: 1 };
const solve = (change: Partial<TagInput> = {}) => tag.solve({ ...base, ...change }, PAGE);

test.each<[TagInput['top'], number]>([
  ['cropped', 8 - 0.25],
  ['round', 8 - 2 * (0.25 - Math.PI / 16)],
  ['straight', 8],
])('%s: as large as it should be', (top, area) => {
  const shape = solved(solve({ top })).laid.layers[0]!.shape!;
  expect(areaOf(flattenContour(shape.outline, 1)) / inches(1) ** 2).toBeCloseTo(area, 3);
});
test('a quarter of the width off each corner, the hole below the middle of the edge', () => {
  const result = solve();
  expect([inInches(result, 'crop'), inInches(result, 'hole', 'below'), inInches(result, 'hole', 'across')]).toEqual([
    0.5,
    0.5,
    3 / 16,
  ]);
  expect(solved(result).laid.blanks[0]!.finish).toEqual([
    { do: 'corners', how: 'straight', by: lengthOf('1/2'), count: 2 },
    { do: 'holes', at: [{ x: inches(1), y: lengthOf('3 1/2') }], across: lengthOf('3/16') },
  ]);
  expect(fact(result, 'cropped')).toEqual([lengthOf('1/2'), inches(1)]);
});
test('as it is cut where nothing is done to it', () => {
  const { blanks, layers } = solved(solve({ top: 'straight', hole: { as: 'none' }, number: 4, gap: '1/4' })).laid;
  expect([blanks[0]!.finish, blanks[0]!.shape, layers[0]!.shape, layers.length]).toEqual([[], null, null, 4]);
});
test.each<[string, Partial<TagInput>, object]>([
  [
    'a crop of half the width',
    { crop: '1' },
    { problems: [{ why: 'crop-too-large' }], offers: [{ length: lengthOf('1/2') }] },
  ],
  [
    'a hole past the edge',
    { hole: { as: 'hole', across: '1/2', below: '1/8' } },
    { problems: [{ why: 'hole-outside' }] },
  ],
  ['a hole as wide as the tag there', { hole: { as: 'hole', across: '1 1/2', below: '1' } }, {}],
  ['a hole below the tag', { hole: { as: 'hole', below: '4' } }, { problems: [{ why: 'hole-outside' }] }],
  ['no size', { tag: { width: '2' } }, { problems: [{ code: 'missing' }] }],
])('%s', (_, change, expected) => {
  const result = solve(change);
  if ('problems' in expected) expect(result).toMatchObject({ status: 'refused', ...expected });
  else expect(result.status).toBe('solved');
});
