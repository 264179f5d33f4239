import { describe, expect, test } from '@jest/globals';
import { MARKS, lengthOf, ticks } from '@temnex/core/length';
import type { Finish } from '@temnex/core/geometry';
import { RECIPE_IDS, recipeOf, parseRecipeLine, type LayoutContext } from '@temnex/core/recipes';
import {
  DEFAULT_NAMES,
  SCREEN,
  describeFact,
  describeField,
  formatLength,
  describeFinish,
  describeFinishes,
  describeDifference,
  describeOffer,
  recipeText,
  describeParsedInput,
  describeSuggestion,
} from '../index.ts';

const tableIn = (unit: 'in' | 'mm'): LayoutContext => ({
  unit,
  mark: MARKS[unit === 'in' ? '1/16' : '1 mm'],
  room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
});
const table = tableIn('in');
const say = (length: number) => formatLength(length, SCREEN);
const newId = () => 'x';

describe.each(RECIPE_IDS)('the words of %s are complete:', (id) => {
  const recipe = recipeOf(id);
  const words = recipeText(id);
  const inputs = [
    recipe.start(table, newId),
    ...recipe.phrases.flatMap((phrase) => {
      const said = parseRecipeLine(phrase, tableIn(phrase.includes('mm') ? 'mm' : 'in'), newId)?.said;
      return said?.ok ? [said.input] : [];
    }),
  ];
  test('a title, what one asks of it, and what a new one is called', () => {
    for (const text of [words.title, words.asks, words.item(1), words.item(2)]) expect(text).toMatch(/\w{3}/);
    expect(words.item(1)).not.toBe(words.item(2));
  });
  test('every field, choice and group', () => {
    for (const input of inputs) {
      const names = recipe.fields(input).map((f) => describeField(id, f.path));
      // each has a name of its own
      expect(new Set(names).size).toBe(names.length);
      for (const field of recipe.fields(input)) {
        expect(words.group(field.group)).toMatch(/\w{3}/);
        expect(words.field(field.path)).not.toMatch(/undefined|upDown/);
        if (field.kind !== 'choice') continue;
        const options = field.options.map((o) => words.option(field.path, o));
        expect(new Set(options).size).toBe(options.length);
      }
    }
  });
  test('every part, piece, entry and reason', () => {
    for (const role of recipe.roles) {
      expect(DEFAULT_NAMES.part(id, role, 2, 'the gull')).toMatch(/\w{3}/);
      expect(DEFAULT_NAMES.piece(id, role, 2, 'the gull')).toMatch(/\w{3}/);
    }
    for (const input of inputs)
      for (const list of recipe.lists(input)) expect(words.entry(list.path)).toMatch(/^an? \w+/);
    const reasons = recipe.reasons.map((why) => words.reason(why, [lengthOf('1'), lengthOf('2')], 'Mat 1', say));
    expect(new Set(reasons).size).toBe(reasons.length);
    for (const reason of reasons) expect(reason).toMatch(/\w{3}/);
  });
  test('every fact that follows', () => {
    for (const input of inputs) {
      const solved = recipe.solve(input, table);
      for (const { name, lengths } of solved.status === 'solved' ? solved.laid.facts : [])
        expect(words.fact(name, lengths, say)).not.toBe('');
    }
  });
  test('every length in a fact that is not on a mark says so', () => {
    for (const mark of [MARKS['1/8'], MARKS['1/16'], MARKS['1 mm']]) {
      const voice = { mark, figures: 'plain' } as const;
      for (const input of inputs) {
        const solved = recipe.solve(input, { ...table, mark });
        for (const fact of solved.status === 'solved' ? solved.laid.facts : []) {
          const shown: number[] = [];
          words.fact(fact.name, fact.lengths, (length) => String(shown.push(length)));
          const says = describeFact(id, fact, voice);
          for (const length of shown)
            if (length % mark.step !== 0)
              expect(says).toContain(`(${describeDifference(ticks(Math.round(length)), voice)})`);
        }
      }
    }
  });
  test('every phrase is said back with all its numbers', () => {
    for (const phrase of recipe.phrases) {
      const said = parseRecipeLine(phrase, tableIn(phrase.includes('mm') ? 'mm' : 'in'), newId)!.said;
      if (!said.ok) throw new Error(phrase);
      const back = describeParsedInput(id, said.input);
      for (const number of phrase.match(/\d+\/\d+|\b\d+\b/g) ?? []) expect(back).toContain(number);
    }
  });
});

test.each<[Finish, string]>([
  [
    { do: 'notch', edge: 'bottom', depth: lengthOf('7/8'), at: lengthOf('1 1/4') },
    'cut a notch 7⁄8 deep, its tip 1\u202f1⁄4 from the side',
  ],
  [
    { do: 'point', edge: 'bottom', depth: lengthOf('1'), at: lengthOf('1') },
    'cut to a point 1 long, its tip 1 from the side',
  ],
  [
    { do: 'slant', edge: 'bottom', depth: lengthOf('1/2'), shorter: 'right' },
    'cut the end aslant, 1⁄2 shorter on the right',
  ],
  [{ do: 'corners', how: 'round', by: lengthOf('1/4'), count: 4 }, 'round 4 corners, radius 1⁄4'],
  [{ do: 'corners', how: 'straight', by: lengthOf('1/4'), count: 1 }, 'cut off a corner, 1⁄4 along each edge'],
  [{ do: 'outline', as: 'circle' }, 'cut it to a circle that touches all four edges'],
  [{ do: 'outline', as: 'oval' }, 'cut it to an oval that touches all four edges'],
  [{ do: 'punch', edge: 'top', depth: lengthOf('3/8'), repeats: 13 }, 'punch the top edge, 13 repeats 3⁄8 deep'],
  [
    { do: 'slit', from: { x: lengthOf('1'), y: lengthOf('2') }, to: { x: lengthOf('1'), y: lengthOf('4') } },
    'slit it from 1, 2 to 1, 4 from its lower left corner',
  ],
  [
    { do: 'window', box: { x: lengthOf('1/2'), y: lengthOf('1'), width: lengthOf('3'), height: lengthOf('4') } },
    'cut out a window of 3 × 4, 1⁄2 from the left and 1 from the bottom',
  ],
])('%j', (finish, words) => expect(describeFinish(finish, say)).toBe(words));

test('offers and what is left over', () => {
  expect(describeOffer('banner-strip', { path: ['count'], count: 4 }, SCREEN)).toBe('make it 4 banners');
  expect(describeOffer('mat-stack', { path: ['mats', 0, 'width'], length: lengthOf('4 1/4') }, SCREEN)).toBe(
    'make the width of mat 1 4\u202f1⁄4',
  );
  expect(
    describeSuggestion('banner-strip', { code: 'remainder', by: lengthOf('1/8'), to: ['row', 'margin'] }, SCREEN),
  ).toBe('1⁄8 is left over, since widths go down to the mark; it goes to the margin of the row.');
});

test('four slits from the corners are one thing to do, and no others are', () => {
  const at = (x: string, y: string) => ({
    x: lengthOf(x),
    y: lengthOf(y),
  });
  const slit = (from: [string, string], to: [string, string]): Finish => ({
    do: 'slit',
    from: at(...from),
    to: at(...to),
  });
  const four = [
    slit(['0', '0'], ['1', '1']),
    slit(['3', '0'], ['2', '1']),
    slit(['3', '3'], ['2', '2']),
    slit(['0', '3'], ['1', '2']),
  ];
  expect(describeFinishes(four, say)).toEqual([expect.stringContaining('slit it from each corner towards the middle')]);
  expect(describeFinishes(four.slice(0, 3), say)).toHaveLength(3);
  expect(describeFinishes([slit(['1', '1'], ['2', '2']), ...four.slice(1)], say)).toHaveLength(4);
});
