import { describe, expect, test } from '@jest/globals';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import { letterRow, type LetterRowInput } from './letterRow.ts';

const base: LetterRowInput = {
  title: 'KITE WEEK',
  number: 8,
  letter: { width: '1', height: '1 1/4', made: 'there' },
  row: { gap: '1/16' },
};
const solve = (change: Partial<LetterRowInput> = {}) => letterRow.solve({ ...base, ...change }, PAGE);
const { title: _title, ...untitled } = base;

describe('letter by letter', () => {
  test('narrow ones half, wide ones a quarter more, a space half; six gaps', () => {
    // K T E E E K, I, W, a space
    expect(inInches(solve(), 'row', 'across')).toBe(6 + 0.5 + 1.25 + 0.5 + 6 / 16);
    expect(fact(solve(), 'left')).toEqual([inches(12 - 8.625), Math.floor(inches(12 - 8.625) / 2)]);
  });
  test('what is left after each', () => {
    const runs = fact(solve({ title: 'KIT' }), 'runs')!;
    expect(runs.map((t) => t / inches(1))).toEqual([11, 12 - 1 - 1 / 16 - 0.5, 12 - 2.5 - 2 / 16]);
  });
  test('each begins where the one before ends and its gap', () => {
    const { layers } = solved(solve()).laid;
    expect(layers.map((l) => l.says).join('')).toBe('KITEWEEK');
    const ends = layers.map(({ box }) => box.x + box.width);
    expect(layers.slice(1).map(({ box }, i) => (box.x - ends[i]!) / inches(1))).toEqual(
      [1, 1, 1, 8, 1, 1, 1].map((n) => n / 16),
    );
  });
  test('so many letters, whatever they are', () =>
    expect(
      inInches(
        letterRow.solve({ ...untitled, number: 9, letter: { ...base.letter, width: '1 1/4' } }, PAGE),
        'row',
        'across',
      ),
    ).toBe(9 * 1.25 + 8 / 16));
});

describe('any of it may be the unknown', () => {
  test.each<[Partial<LetterRowInput>, string[], number]>([
    [
      { letter: { ...base.letter, narrow: '3/8', wide: '1 1/2' }, row: { gap: '0', space: '1' } },
      ['row', 'across'],
      6 + 3 / 8 + 1.5 + 1,
    ],
    [{ row: { across: '9' } }, ['row', 'gap'], (9 - 8.25) / 6],
    // 9 − 6/16 is 8.25 letters, down to the mark
    [{ letter: { height: '1', made: 'there' }, row: { gap: '1/16', across: '9' } }, ['letter', 'width'], 1],
  ])('%j', (change, path, is) => expect(inInches(solve(change), ...path)).toBeCloseTo(is, 9));
  test('all of it typed, the gap follows', () => {
    const typed = setField(recipeOf('letter-row'), base, ['row', 'across'], '10', PAGE) as LetterRowInput;
    expect(typed.row).toEqual({ across: '10' });
  });
});

describe('too long', () => {
  test('by how much, how many letters fit, and what would help', () => {
    expect(solve({ row: { gap: '1/16', within: '8' } })).toMatchObject({
      status: 'refused',
      // K I T E, a space, W E E are 7 9/16
      problems: [{ why: 'too-long', lengths: [lengthOf('5/8'), 7] }],
      offers: [
        { path: ['row', 'gap'], length: -lengthOf('1/16') },
        { path: ['letter', 'width'], length: lengthOf('7/8') },
      ],
    });
  });
  test('letters on one another', () =>
    expect(solve({ row: { gap: '-1/2' } })).toMatchObject({ problems: [{ why: 'one-over-another' }] }));
});

test('letters that are left are counted against it', () => {
  expect(solved(solve({ have: 'AEEIKTW' })).suggestions).toMatchObject([
    { why: 'missing-letters', lengths: ['E', 'K'].map((c) => c.codePointAt(0)) },
  ]);
  expect(solved(solve({ have: 'EEE KK IT WW' })).suggestions).toEqual([]);
});

test('tiles to cut: one blank a width, of one paper', () => {
  const { blanks } = solved(solve({ letter: { ...base.letter, made: 'cut' } })).laid;
  expect(blanks.map((b) => [b.key, b.quantity, b.paperFrom])).toEqual([
    ['usual', 6, undefined],
    ['narrow', 1, 'usual'],
    ['wide', 1, 'usual'],
  ]);
});

test('without its title it is as many letters', () =>
  expect(setField(recipeOf('letter-row'), { ...base, have: 'KITE' }, ['title'], undefined, PAGE)).toEqual({
    ...untitled,
    number: 8,
  }));
