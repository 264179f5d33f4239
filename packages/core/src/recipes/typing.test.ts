import { describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '../length/index.ts';
import { recipeOf, setField, applyOffers, type FieldPath, type RecipeId, type LayoutContext } from './index.ts';

/*
 * What typing in each field does, and emptying it: what was given before and is not any more (−), and what is given now (+). Read
 * line by line once: what is typed stands, its own counterpart gives way first, and what is emptied is found again where it was.
 */

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const given = (id: RecipeId, input: unknown): string[] =>
  recipeOf(id)
    .fields(input)
    .flatMap((f) => (f.value === undefined ? [] : [`${f.path.join('.')} ${f.value}`]));
function changed(id: RecipeId, from: unknown, to: unknown): string {
  const [was, now] = [given(id, from), given(id, to)];
  const [gone, come] = [was.filter((w) => !now.includes(w)), now.filter((n) => !was.includes(n))];
  return [...gone.map((g) => `-${g}`), ...come.map((c) => `+${c}`)].join(', ') || 'nothing';
}

const CASES: ReadonlyArray<readonly [name: string, recipe: RecipeId, input: unknown, all: string]> = [
  [
    'a measured print and two mats by their reveals',
    'mat-stack',
    {
      print: { width: '4', height: '6', known: 'measured' },
      mats: [
        { id: 'a', reveal: { style: 'even', all: '1/8' } },
        { id: 'b', reveal: { style: 'footer', sides: '1/4', bottom: '3/4' } },
      ],
    },
    `
      print.width 9/16: -print.width 4, +print.width 9/16
      print.width emptied: -print.width 4, +mats.1.width 4 3/4
      print.height 9/16: -print.height 6, +print.height 9/16
      print.height emptied: -print.height 6, +mats.1.height 7 1/4
      shape oval: -shape straight, +shape oval
      shape emptied: nothing
      mats.0.reveal.style two: -mats.0.reveal.style even, -mats.0.reveal.all 1/8, +mats.0.reveal.style two, +mats.0.reveal.across 1/8, +mats.0.reveal.upDown 1/8
      mats.0.reveal.style footer: -mats.0.reveal.style even, -mats.0.reveal.all 1/8, +mats.0.reveal.style footer, +mats.0.reveal.sides 1/8, +mats.0.reveal.bottom 1/8
      mats.0.reveal.style four: -mats.0.reveal.style even, -mats.0.reveal.all 1/8, +mats.0.reveal.style four, +mats.0.reveal.left 1/8, +mats.0.reveal.right 1/8, +mats.0.reveal.top 1/8, +mats.0.reveal.bottom 1/8
      mats.0.reveal.style emptied: nothing
      mats.0.reveal.all 9/16: -mats.0.reveal.all 1/8, +mats.0.reveal.all 9/16
      mats.0.reveal.all emptied: -mats.0.reveal.all 1/8, +mats.0.width 4 1/4
      mats.0.width 9/16: -mats.0.reveal.all 1/8, +mats.0.width 9/16
      mats.0.width emptied: nothing
      mats.0.height 9/16: -mats.0.reveal.all 1/8, +mats.0.height 9/16
      mats.0.height emptied: nothing
      mats.1.reveal.style even: -mats.1.reveal.style footer, -mats.1.reveal.sides 1/4, -mats.1.reveal.bottom 3/4, +mats.1.reveal.style even, +mats.1.reveal.all 1/4
      mats.1.reveal.style two: -mats.1.reveal.style footer, -mats.1.reveal.sides 1/4, -mats.1.reveal.bottom 3/4, +mats.1.reveal.style two, +mats.1.reveal.across 1/4, +mats.1.reveal.upDown 1/4
      mats.1.reveal.style four: -mats.1.reveal.style footer, -mats.1.reveal.sides 1/4, +mats.1.reveal.style four, +mats.1.reveal.left 1/4, +mats.1.reveal.right 1/4, +mats.1.reveal.top 1/4
      mats.1.reveal.style emptied: nothing
      mats.1.reveal.sides 9/16: -mats.1.reveal.sides 1/4, +mats.1.reveal.sides 9/16
      mats.1.reveal.sides emptied: -mats.1.reveal.sides 1/4, +mats.1.width 4 3/4
      mats.1.reveal.bottom 9/16: -mats.1.reveal.bottom 3/4, +mats.1.reveal.bottom 9/16
      mats.1.reveal.bottom emptied: -mats.1.reveal.bottom 3/4, +mats.1.height 7 1/4
      mats.1.width 9/16: -mats.1.reveal.sides 1/4, +mats.1.width 9/16
      mats.1.width emptied: nothing
      mats.1.height 9/16: -mats.1.reveal.bottom 3/4, +mats.1.height 9/16
      mats.1.height emptied: nothing`,
  ],
  [
    'a believed print, a mat by its size',
    'mat-stack',
    {
      print: { width: '5', height: '3 1/2', known: 'assumed' },
      mats: [{ id: 'a', reveal: { style: 'two' }, width: '5 1/2', height: '4' }],
    },
    `
      print.width 9/16: -print.width 5, +print.width 9/16
      print.width emptied: -print.width 5
      print.height 9/16: -print.height 3 1/2, +print.height 9/16
      print.height emptied: -print.height 3 1/2
      shape oval: -shape straight, +shape oval
      shape emptied: nothing
      mats.0.reveal.style even: -mats.0.reveal.style two, +mats.0.reveal.style even
      mats.0.reveal.style footer: -mats.0.reveal.style two, +mats.0.reveal.style footer
      mats.0.reveal.style four: -mats.0.reveal.style two, +mats.0.reveal.style four
      mats.0.reveal.style emptied: nothing
      mats.0.reveal.across 9/16: -mats.0.width 5 1/2, +mats.0.reveal.across 9/16
      mats.0.reveal.across emptied: nothing
      mats.0.reveal.upDown 9/16: -mats.0.height 4, +mats.0.reveal.upDown 9/16
      mats.0.reveal.upDown emptied: nothing
      mats.0.width 9/16: -mats.0.width 5 1/2, +mats.0.width 9/16
      mats.0.width emptied: -mats.0.width 5 1/2, +mats.0.reveal.across 1/4
      mats.0.height 9/16: -mats.0.height 4, +mats.0.height 9/16
      mats.0.height emptied: -mats.0.height 4, +mats.0.reveal.upDown 1/4`,
  ],
  [
    'the print from the mat',
    'mat-stack',
    {
      print: { known: 'assumed' },
      mats: [{ id: 'a', reveal: { style: 'even', all: '1/4' }, width: '4 1/2', height: '5 7/8' }],
    },
    `
      print.width 9/16: -mats.0.width 4 1/2, +print.width 9/16
      print.width emptied: nothing
      print.height 9/16: -mats.0.height 5 7/8, +print.height 9/16
      print.height emptied: nothing
      shape oval: -shape straight, +shape oval
      shape emptied: nothing
      mats.0.reveal.style two: -mats.0.reveal.style even, -mats.0.reveal.all 1/4, +mats.0.reveal.style two, +mats.0.reveal.across 1/4, +mats.0.reveal.upDown 1/4
      mats.0.reveal.style footer: -mats.0.reveal.style even, -mats.0.reveal.all 1/4, +mats.0.reveal.style footer, +mats.0.reveal.sides 1/4, +mats.0.reveal.bottom 1/4
      mats.0.reveal.style four: -mats.0.reveal.style even, -mats.0.reveal.all 1/4, +mats.0.reveal.style four, +mats.0.reveal.left 1/4, +mats.0.reveal.right 1/4, +mats.0.reveal.top 1/4, +mats.0.reveal.bottom 1/4
      mats.0.reveal.style emptied: nothing
      mats.0.reveal.all 9/16: -mats.0.reveal.all 1/4, +mats.0.reveal.all 9/16
      mats.0.reveal.all emptied: -mats.0.reveal.all 1/4
      mats.0.width 9/16: -mats.0.width 4 1/2, +mats.0.width 9/16
      mats.0.width emptied: -mats.0.width 4 1/2
      mats.0.height 9/16: -mats.0.height 5 7/8, +mats.0.height 9/16
      mats.0.height emptied: -mats.0.height 5 7/8`,
  ],
  [
    'panels by reveal and by size',
    'base-panels',
    {
      panels: [
        { id: 'a', reveal: { style: 'even', all: '3/8' } },
        { id: 'b', reveal: { style: 'four' }, width: '9', height: '10' },
      ],
    },
    `
      edge shaved: -edge whole, +edge shaved, +shave.reveal.style even
      edge emptied: nothing
      panels.0.reveal.style two: -panels.0.reveal.style even, -panels.0.reveal.all 3/8, +panels.0.reveal.style two, +panels.0.reveal.across 3/8, +panels.0.reveal.upDown 3/8
      panels.0.reveal.style footer: -panels.0.reveal.style even, -panels.0.reveal.all 3/8, +panels.0.reveal.style footer, +panels.0.reveal.sides 3/8, +panels.0.reveal.bottom 3/8
      panels.0.reveal.style four: -panels.0.reveal.style even, -panels.0.reveal.all 3/8, +panels.0.reveal.style four, +panels.0.reveal.left 3/8, +panels.0.reveal.right 3/8, +panels.0.reveal.top 3/8, +panels.0.reveal.bottom 3/8
      panels.0.reveal.style emptied: nothing
      panels.0.reveal.all 9/16: -panels.0.reveal.all 3/8, +panels.0.reveal.all 9/16
      panels.0.reveal.all emptied: -panels.0.reveal.all 3/8, +panels.0.width 11 1/4
      panels.0.width 9/16: -panels.0.reveal.all 3/8, +panels.0.width 9/16
      panels.0.width emptied: nothing
      panels.0.height 9/16: -panels.0.reveal.all 3/8, +panels.0.height 9/16
      panels.0.height emptied: nothing
      panels.1.reveal.style even: -panels.1.reveal.style four, -panels.1.height 10, +panels.1.reveal.style even, +panels.1.reveal.all 1 1/8
      panels.1.reveal.style two: -panels.1.reveal.style four, +panels.1.reveal.style two
      panels.1.reveal.style footer: -panels.1.reveal.style four, +panels.1.reveal.style footer
      panels.1.reveal.style emptied: nothing
      panels.1.reveal.left 9/16: +panels.1.reveal.left 9/16
      panels.1.reveal.left emptied: nothing
      panels.1.reveal.right 9/16: +panels.1.reveal.right 9/16
      panels.1.reveal.right emptied: nothing
      panels.1.reveal.top 9/16: +panels.1.reveal.top 9/16
      panels.1.reveal.top emptied: nothing
      panels.1.reveal.bottom 9/16: +panels.1.reveal.bottom 9/16
      panels.1.reveal.bottom emptied: nothing
      panels.1.width 9/16: -panels.1.width 9, +panels.1.width 9/16
      panels.1.width emptied: -panels.1.width 9, +panels.1.reveal.left 1 1/8, +panels.1.reveal.right 1 1/8
      panels.1.height 9/16: -panels.1.height 10, +panels.1.height 9/16
      panels.1.height emptied: -panels.1.height 10, +panels.1.reveal.top 5/8, +panels.1.reveal.bottom 5/8`,
  ],
  [
    'a print with its border',
    'photo',
    {
      print: { width: '4', height: '6', known: 'measured' },
      image: {},
      border: '1/8',
      crop: { keep: 'fill', across: 'centre', upDown: 'centre', width: '8', height: '10' },
    },
    `
      print.width 9/16: -print.width 4, +print.width 9/16
      print.width emptied: -print.width 4, +image.width 3 3/4
      print.height 9/16: -print.height 6, +print.height 9/16
      print.height emptied: -print.height 6, +image.height 5 3/4
      border 9/16: -border 1/8, +border 9/16
      border emptied: -border 1/8, +image.width 3 3/4
      image.width 9/16: -border 1/8, +image.width 9/16
      image.width emptied: nothing
      image.height 9/16: -border 1/8, +image.height 9/16
      image.height emptied: nothing
      crop.width 9/16: -crop.width 8, +crop.width 9/16
      crop.width emptied: -crop.width 8, -crop.keep fill, -crop.across centre, -crop.upDown centre
      crop.height 9/16: -crop.height 10, +crop.height 9/16
      crop.height emptied: -crop.height 10, -crop.keep fill, -crop.across centre, -crop.upDown centre
      crop.keep whole: -crop.keep fill, +crop.keep whole
      crop.keep trim: -crop.keep fill, +crop.keep trim
      crop.keep emptied: nothing
      crop.across left: -crop.across centre, +crop.across left
      crop.across right: -crop.across centre, +crop.across right
      crop.across emptied: nothing
      crop.upDown bottom: -crop.upDown centre, +crop.upDown bottom
      crop.upDown top: -crop.upDown centre, +crop.upDown top
      crop.upDown emptied: nothing`,
  ],
  [
    'banners with a width and a gap',
    'banner-strip',
    {
      strip: { width: '2', length: '6' },
      count: 4,
      spread: 'room',
      row: { gap: '1/4' },
      end: { shape: 'notch', depth: '7/8', longer: 'left' },
    },
    `
      strip.width 9/16: -strip.width 2, +strip.width 9/16
      strip.width emptied: -strip.width 2, +row.margin 1 5/8
      strip.length 9/16: -strip.length 6, +strip.length 9/16
      strip.length emptied: nothing
      count 3: -count 4, +count 3
      count emptied: -count 4, +row.margin 1 5/8
      spread row: -spread room, +spread row
      spread emptied: nothing
      row.gap 9/16: -row.gap 1/4, +row.gap 9/16
      row.gap emptied: -row.gap 1/4, +row.margin 1 5/8
      row.margin 9/16: -row.gap 1/4, +row.margin 9/16
      row.margin emptied: nothing
      row.across 9/16: -row.gap 1/4, +row.across 9/16
      row.across emptied: nothing
      end.shape straight: -end.shape notch, -end.depth 7/8, +end.shape straight
      end.shape point: -end.shape notch, +end.shape point
      end.shape slant: -end.shape notch, +end.shape slant, +end.longer left
      end.shape mixed: -end.shape notch, +end.shape mixed
      end.shape emptied: nothing
      end.depth 9/16: -end.depth 7/8, +end.depth 9/16
      end.depth emptied: -end.depth 7/8
      ragged.as ragged: -ragged.as even, +ragged.as ragged
      ragged.as emptied: nothing
      hang.line slant: -hang.line level, +hang.line slant
      hang.line curve: -hang.line level, +hang.line curve
      hang.line emptied: nothing`,
  ],
  [
    'banners with a gap and a margin',
    'banner-strip',
    {
      strip: { length: '5' },
      count: 6,
      spread: 'room',
      row: { gap: '1/8', margin: '3/4' },
      end: { shape: 'point', longer: 'left' },
    },
    `
      strip.width 9/16: -row.margin 3/4, +strip.width 9/16
      strip.width emptied: nothing
      strip.length 9/16: -strip.length 5, +strip.length 9/16
      strip.length emptied: nothing
      count 3: -count 6, +count 3
      count emptied: -count 6, +strip.width 1 5/8
      spread row: -spread room, -row.margin 3/4, +strip.width 1 5/8, +spread row
      spread emptied: nothing
      row.gap 9/16: -row.gap 1/8, +row.gap 9/16
      row.gap emptied: -row.gap 1/8, +strip.width 1 5/8
      row.margin 9/16: -row.margin 3/4, +row.margin 9/16
      row.margin emptied: -row.margin 3/4, +row.across 10 3/8
      row.across 9/16: -row.margin 3/4, +row.across 9/16
      row.across emptied: nothing
      end.shape straight: -end.shape point, +end.shape straight
      end.shape notch: -end.shape point, +end.shape notch
      end.shape slant: -end.shape point, +end.shape slant, +end.longer left
      end.shape mixed: -end.shape point, +end.shape mixed
      end.shape emptied: nothing
      end.depth 9/16: +end.depth 9/16
      end.depth emptied: nothing
      ragged.as ragged: -ragged.as even, +ragged.as ragged
      ragged.as emptied: nothing
      hang.line slant: -hang.line level, +hang.line slant
      hang.line curve: -hang.line level, +hang.line curve
      hang.line emptied: nothing`,
  ],
  [
    'a row of as many as fit',
    'banner-strip',
    {
      strip: { width: '2', length: '5' },
      spread: 'row',
      row: { gap: '1/4', across: '11' },
      end: { shape: 'straight', longer: 'left' },
    },
    `
      strip.width 9/16: -strip.width 2, +strip.width 9/16
      strip.width emptied: -strip.width 2
      strip.length 9/16: -strip.length 5, +strip.length 9/16
      strip.length emptied: nothing
      count 3: -row.across 11, +count 3
      count emptied: nothing
      spread room: -spread row, +spread room
      spread emptied: nothing
      row.gap 9/16: -row.gap 1/4, +row.gap 9/16
      row.gap emptied: -row.gap 1/4
      row.across 9/16: -row.across 11, +row.across 9/16
      row.across emptied: -row.across 11
      end.shape notch: -end.shape straight, +end.shape notch
      end.shape point: -end.shape straight, +end.shape point
      end.shape slant: -end.shape straight, +end.shape slant, +end.longer left
      end.shape mixed: -end.shape straight, +end.shape mixed
      end.shape emptied: nothing
      ragged.as ragged: -ragged.as even, +ragged.as ragged
      ragged.as emptied: nothing
      hang.line slant: -hang.line level, +hang.line slant
      hang.line curve: -hang.line level, +hang.line curve
      hang.line emptied: nothing`,
  ],
];

describe.each(CASES)('%s', (_name, id, input, all) => {
  const recipe = recipeOf(id);
  const set = (path: FieldPath, value: string | number | undefined) =>
    changed(id, input, setField(recipe, input, path, value, table));
  // worked out in the tests, so that what breaks it fails them
  const said = (): string[] =>
    recipe.fields(input).flatMap((f) => {
      const at = f.path.join('.');
      const emptied = `${at} emptied: ${set(f.path, undefined)}`;
      if (f.kind !== 'choice') {
        const value = f.kind === 'count' ? 3 : '9/16';
        return [`${at} ${value}: ${set(f.path, value)}`, emptied];
      }
      const others = f.options.filter((option) => option !== f.value);
      return [...others.map((option) => `${at} ${option}: ${set(f.path, option)}`), emptied];
    });
  test.each(
    all
      .trim()
      .split('\n')
      .map((line, i) => [line.trim(), i] as const),
  )('%s', (line, i) => expect(said()[i]).toBe(line));
  test('and of no other field', () => expect(said()).toHaveLength(all.trim().split('\n').length));
});

test('what is no field stays as it is', () => {
  const input = { print: { width: '4', height: '6', known: 'measured' }, mats: [] };
  expect(setField(recipeOf('mat-stack'), input, ['mats', 3, 'width'], undefined, table)).toBe(input);
});

test('what was offered is put in its fields, one after the other, as if it had been typed', () => {
  const input = {
    strip: { width: '2 1/2', length: '6' },
    count: 5,
    spread: 'room',
    row: { gap: '0' },
    end: { shape: 'notch', longer: 'left' },
  };
  const recipe = recipeOf('banner-strip');
  const solved = recipe.solve(input, table);
  if (solved.status !== 'refused') throw new Error('was solved');
  const [fewer, narrower, overlap] = solved.offers.map((offer) =>
    changed('banner-strip', input, applyOffers(recipe, input, [offer], table)),
  );
  expect([fewer, narrower, overlap]).toEqual([
    '-count 5, +count 4',
    '-strip.width 2 1/2, +strip.width 2 3/8',
    '-row.gap 0, +row.gap -1/8',
  ]);
  expect(changed('banner-strip', input, applyOffers(recipe, input, solved.offers.slice(0, 2), table))).toBe(
    '-strip.width 2 1/2, -count 5, +strip.width 2 3/8, +count 4',
  );
  expect(applyOffers(recipe, input, [], table)).toBe(input);
});
