import { describe, expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import { pocket, type PocketInput } from './pocket.ts';

const base: PocketInput = {
  card: { width: '3', height: '4', from: 'there' },
  pocket: {},
  play: '1/16',
  glue: '1/4',
  peek: '3/4',
  made: 'patch',
  opens: 'top',
  number: 1,
};
const solve = (change: Partial<PocketInput> = {}) => pocket.solve({ ...base, ...change }, PAGE);
const type = (path: string[], value: string) => setField(recipeOf('pocket'), base, path, value, PAGE) as PocketInput;

describe('card + play + glued edge', () => {
  test.each<[PocketInput['made'], PocketInput['opens'], string, string, string, string]>([
    // 3 + 2/16 + 2/4; 4 + 1/16 + 1/4 − 3/4
    ['patch', 'top', '3 5/8', '3 9/16', '3 5/8', '3 9/16'],
    // flaps add what is not glued on the front
    ['flaps', 'top', '3 1/8', '3 5/16', '3 5/8', '3 9/16'],
    // sides glued, the bottom folded, twice as high
    ['folded', 'top', '3 5/8', '3 5/16', '3 5/8', '6 5/8'],
    ['patch', 'right', '2 9/16', '4 5/8', '2 9/16', '4 5/8'],
    ['flaps', 'left', '2 5/16', '4 1/8', '2 9/16', '4 5/8'],
    ['folded', 'right', '2 5/16', '4 5/8', '4 5/8', '4 5/8'],
  ])('%s, open at the %s: %s × %s, cut %s × %s', (made, opens, w, h, cutW, cutH) => {
    const result = solve({ made, opens });
    expect([inInches(result, 'pocket', 'width'), inInches(result, 'pocket', 'height')]).toEqual(
      [w, h].map((t) => lengthOf(t) / inches(1)),
    );
    const front = solved(result).laid.blanks[0]!;
    expect([front.width, front.height]).toEqual([lengthOf(cutW), lengthOf(cutH)]);
  });
  test('the card lies in it with its play, and sticks out', () => {
    const { layers, slots, size } = solved(solve()).laid;
    const [card, front] = [layers[0]!.box, layers[1]!.box];
    expect([card.x - front.x, card.y - front.y]).toEqual([lengthOf('5/16'), lengthOf('5/16')]);
    expect(size.height - front.height).toBe(lengthOf('3/4'));
    expect(slots[0]!.box).toEqual({
      x: lengthOf('1/4'),
      y: lengthOf('1/4'),
      width: lengthOf('3 1/8'),
      height: lengthOf('3 5/16'),
    });
    expect(fact(solve(), 'keep-free')).toEqual([lengthOf('3 1/8'), lengthOf('3 5/16')]);
  });
});

describe('any of it may be the unknown', () => {
  test.each<[Partial<PocketInput>, string[], number]>([
    [{ card: { from: 'there' }, pocket: { width: '4', height: '4' } }, ['card', 'width'], 4 - 0.5 - 0.125],
    [{ pocket: { width: '3 3/4' }, play: undefined as never }, ['play'], 0.125],
    [{ pocket: { height: '3' }, peek: undefined as never }, ['peek'], 4 + 1 / 16 + 1 / 4 - 3],
  ])('%j', (change, path, is) => {
    const input = Object.fromEntries(Object.entries({ ...base, ...change }).filter(([, v]) => v !== undefined));
    expect(inInches(pocket.solve(input as PocketInput, PAGE), ...path)).toBeCloseTo(is, 9);
  });
  test('a lower pocket lets the card stick out further, a wider one gives it more play', () => {
    expect(type(['pocket', 'height'], '3')).not.toHaveProperty('peek');
    expect(type(['pocket', 'width'], '4')).toMatchObject({ card: { height: '4' }, pocket: { width: '4' } });
  });
});

test.each(['top', 'right', 'left'] as const)('a thumb hole in the edge that is open, %s', (opens) => {
  const plain = solved(solve({ opens })).laid.layers[1]!.box;
  const { layers, blanks } = solved(solve({ opens, thumb: '3/4' })).laid;
  const front = layers[1]!;
  expect(front.box).toEqual(plain);
  const area = areaOf(flattenContour(front.shape!.outline, 1)) / inches(1) ** 2;
  const whole = (plain.width * plain.height) / inches(1) ** 2;
  expect(whole - area).toBeCloseTo((Math.PI * (3 / 8) ** 2) / 2, 3);
  const hole = blanks[0]!.finish.find((f) => f.do === 'holes')!;
  const edge = { top: ['y', blanks[0]!.height], right: ['x', blanks[0]!.width], left: ['x', 0] }[opens] as [
    'x' | 'y',
    number,
  ];
  expect(hole.do === 'holes' && hole.at[0]![edge[0]]).toBe(edge[1]);
});

test('flaps do not lie on one another, and are folded where the front ends', () => {
  const { blanks } = solved(solve({ made: 'flaps' })).laid;
  const { shape, finish } = blanks[0]!;
  // the front, two flaps beside it and one below, each less two corners of half its square
  const area = areaOf(flattenContour(shape!.outline, 1)) / inches(1) ** 2;
  const [w, h, g] = [3.125, 3.3125, 0.25];
  expect(area).toBeCloseTo(w * h + w * g - g * g + 2 * (h * g - (g * g) / 2), 3);
  expect(finish.filter((f) => f.do === 'fold')).toHaveLength(3);
});

test('several, and cards cut with them', () => {
  const { blanks, layers } = solved(
    solve({ number: 3, gap: '1/8', card: { ...base.card, from: 'cut' }, peek: '0' }),
  ).laid;
  expect(blanks.map((b) => [b.key, b.quantity])).toEqual([
    ['front', 3],
    ['card', 3],
  ]);
  expect(layers).toHaveLength(6);
});

test.each<[string, Partial<PocketInput>, object]>([
  ['a card that is out altogether', { peek: '4' }, { problems: [{ why: 'out-altogether' }] }],
  [
    'a thumb hole too large',
    { thumb: '3' },
    { problems: [{ why: 'thumb-too-large' }], offers: [{ length: lengthOf('1 13/16') }] },
  ],
  [
    'smaller than its card',
    { pocket: { width: '3' }, play: undefined as never },
    { problems: [{ code: 'size-not-positive', path: ['play'] }] },
  ],
  ['more than there is room for', { number: 20 }, { problems: [{ why: 'too-many-for-room' }] }],
])('refused: %s', (_, change, expected) => {
  const input = Object.fromEntries(Object.entries({ ...base, ...change }).filter(([, v]) => v !== undefined));
  expect(pocket.solve(input as PocketInput, PAGE)).toMatchObject({ status: 'refused', ...expected });
});

test('without play it is said', () => {
  expect(solved(solve({ play: '0' })).suggestions).toMatchObject([{ why: 'no-play' }]);
});
