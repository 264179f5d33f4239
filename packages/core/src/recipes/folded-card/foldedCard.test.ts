import { describe, expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import { foldedCard, type FoldedCardInput } from './foldedCard.ts';

const base: FoldedCardInput = {
  card: { width: '4 1/4', height: '5 1/2' },
  fold: 'side',
  leaves: 4,
  base: {},
  panels: 'front',
  panel: {},
  reveal: '1/8',
};
const solve = (change: Partial<FoldedCardInput> = {}) => foldedCard.solve({ ...base, ...change }, PAGE);

describe('the base and where it is folded', () => {
  test.each<[FoldedCardInput['fold'], string, string, string[]]>([
    ['side', '8 1/2', '5 1/2', ['4 1/4']],
    ['top', '4 1/4', '11', ['5 1/2']],
    ['gate', '8 1/2', '5 1/2', ['2 1/8', '6 3/8']],
    ['accordion', '17', '5 1/2', ['4 1/4', '8 1/2', '12 3/4']],
  ])('%s: %s × %s', (fold, w, h, folds) => {
    const result = solve({ fold });
    const { blanks } = solved(result).laid;
    expect([blanks[0]!.width, blanks[0]!.height]).toEqual([lengthOf(w), lengthOf(h)]);
    expect(fact(result, `folds-${fold}`)).toEqual(folds.map((t) => lengthOf(t)));
    expect(blanks[0]!.finish.map((f) => f.do)).toEqual(folds.map(() => 'fold'));
  });
  test('from the base that there is', () => {
    const result = solve({ card: {}, base: { width: '11', height: '8 1/2' } });
    expect([inInches(result, 'card', 'width'), inInches(result, 'card', 'height')]).toEqual([5.5, 8.5]);
  });
});

describe('panels', () => {
  test('on the front, less the reveal all round', () => {
    const { laid } = solved(solve());
    expect(laid.blanks.map((b) => [b.key, b.width, b.height])).toEqual([
      ['base', lengthOf('8 1/2'), lengthOf('5 1/2')],
      ['panel', lengthOf('4'), lengthOf('5 1/4')],
    ]);
    expect(laid.slots).toMatchObject([{ role: 'front', box: { width: lengthOf('4') } }]);
  });
  test('inside too; it is cut, and not seen', () => {
    const { blanks, layers } = solved(solve({ panels: 'both' })).laid;
    expect(blanks.at(-1)).toMatchObject({ key: 'inside', width: lengthOf('4'), makes: 0 });
    expect(layers.map((l) => l.role)).toEqual(['base', 'panel']);
  });
  test('of a gate one on each half', () => {
    const { blanks, layers } = solved(solve({ fold: 'gate' })).laid;
    // 4 1/4 / 2 − 2/8
    expect(blanks[1]).toMatchObject({ quantity: 2, width: lengthOf('1 7/8'), height: lengthOf('5 1/4') });
    expect(layers.filter((l) => l.role === 'panel').map((l) => l.box.x)).toEqual([lengthOf('1/8'), lengthOf('2 1/4')]);
  });
  test('the reveal of a panel of a size', () => {
    const typed = setField(recipeOf('folded-card'), base, ['panel', 'width'], '3 3/4', PAGE) as FoldedCardInput;
    expect(typed.reveal).toBeUndefined();
    expect(inInches(foldedCard.solve(typed, PAGE), 'reveal')).toBe(0.25);
  });
  test('none', () => expect(solved(solve({ panels: 'none' })).laid.blanks).toHaveLength(1));
});

test('an envelope for it is a quarter of an inch larger', () =>
  expect(fact(solve(), 'envelope')).toEqual([inches(4.5), inches(5.75)]));

test.each<[string, Partial<FoldedCardInput>, object]>([
  [
    'a panel larger than the card',
    { panel: { width: '5' }, reveal: undefined as never },
    { problems: [{ why: 'panel-larger' }] },
  ],
  [
    'a reveal that leaves nothing',
    { reveal: '3' },
    { problems: [{ code: 'size-not-positive' }, { code: 'size-not-positive' }] },
  ],
  ['no size', { card: {} }, { problems: [{ code: 'missing' }] }],
])('refused: %s', (_, change, expected) => {
  const input = Object.fromEntries(Object.entries({ ...base, ...change }).filter(([, v]) => v !== undefined));
  expect(foldedCard.solve(input as FoldedCardInput, PAGE)).toMatchObject({ status: 'refused', ...expected });
});
test('of one leaf there is no accordion', () =>
  expect(setField(recipeOf('folded-card'), { ...base, fold: 'accordion' }, ['leaves'], 1, PAGE)).toMatchObject({
    leaves: 2,
  }));
