import { expect, test } from '@jest/globals';
import { MARKS, lengthOf } from '../length/index.ts';
import { PAGE, fact } from '../../testing/solving.ts';
import { splitCardReadings, recipeOf, parseRecipeLine } from './index.ts';

/** What comes of a line: pieces as number, width and height in inches; `asks` what is missing or not clear. */
function comesOf(line: string, table = PAGE): string {
  const heard = parseRecipeLine(line, table, () => 'x');
  if (!heard) return 'nothing';
  if (!heard.said.ok) return `asks ${'text' in heard.said.problem ? heard.said.problem.text : heard.said.problem.code}`;
  const solved = recipeOf(heard.recipe).solve(heard.said.input, heard.table);
  if (solved.status !== 'solved') return `asks ${solved.problems[0]?.code}`;
  const inches = (ticks: number) => Number((ticks / lengthOf('1')).toFixed(3));
  if (!solved.laid.blanks.length) return 'no pieces';
  return solved.laid.blanks.map((b) => `${b.quantity} of ${inches(b.width)} x ${inches(b.height)}`).join(', ');
}

test.each([
  // of several widths
  ['strips 1/2, 1, 1 1/2 and 2 wide by 12', '1 of 0.5 x 12, 1 of 1 x 12, 1 of 1.5 x 12, 1 of 2 x 12'],
  ['strips 1/2, 3/4 and 1 inch wide, 12 long', '1 of 0.5 x 12, 1 of 0.75 x 12, 1 of 1 x 12'],
  ['cut strips of 1/2 and 1 inch wide, 6 long', '1 of 0.5 x 6, 1 of 1 x 6'],
  // one mat round several prints
  ['two 4x6 side by side, 1/4 apart, a mat round both, 1/8 showing', '1 of 8.5 x 6.25'],
  ['two 4x6 side by side, a mat round both, 1/8 showing, 1/4 apart', '1 of 8.5 x 6.25'],
  ['one mat round two 4x6 photos side by side, 1/4 apart, 1/8 border', '1 of 8.5 x 6.25'],
  ['three 3x4 one above the other, touching, one mat behind all three, reveal 1/8', '1 of 3.25 x 12.25'],
  ['mat for two 4x6 photos side by side with 1/4 between and around', '1 of 8.75 x 6.5'],
  ['two 4x6 side by side, 1/4 apart, a mat round both', 'asks missing'],
  ['two 4x6 side by side, a mat round both', 'asks apart'],
  ['mat for two 4x6 side by side', 'asks apart'],
])('%s', (line, is) => expect(comesOf(line)).toBe(is));

test.each([
  // 5 mm are 0.1969 in: 4 + 2 × 0.1969 = 4.39, at a sixteenth
  ['mat for a 4x6, 5 mm', '1 of 4.375 x 6.375'],
  ['8x10 photo, 5 mm mat', '1 of 8.375 x 10.375'],
  // 100 × 150 mm are 3.94 × 5.91 in
  ['mat for a 100x150, 1/4 inch', '1 of 4.438 x 6.375'],
  ['10x15 photo, 5 mm mat', '1 of 4.313 x 6.313'],
  ['strips 2 x 12, gap 5 mm', '5 of 2 x 12'],
  ['two 4x6 side by side, 5 mm apart, a mat round both, reveal 5 mm', '1 of 8.563 x 6.375'],
  // numbers of rows are no size, and a size with its unit is as it is said
  ['grid 6 x 6 of 20 mm squares', '36 of 0.813 x 0.813'],
  ['5 x 5 mm squares, 12 of them', '12 of 0.188 x 0.188'],
])('no print is 4 mm wide or 100 inches high: %s', (line, is) => expect(comesOf(line)).toBe(is));
test('on a page in millimetres too', () => {
  const metric = { ...PAGE, unit: 'mm' as const, mark: MARKS['1 mm'] };
  // 111.6 × 162.4 mm
  expect(comesOf('mat for a 4x6, reveal 5 mm', metric)).toBe('1 of 4.409 x 6.378');
  // small pieces are small there, and nobody's print is one
  expect(comesOf('10 x 10 squares, 6 of them, 2 mm apart', metric)).toBe('6 of 0.394 x 0.394');
  expect(comesOf('six tags 15 x 20, gap 3 mm', metric)).toBe('6 of 0.591 x 0.787');
  // and too many inches are none
  expect(comesOf('six tags 15 x 20, gap 3 mm')).toBe('6 of 0.563 x 0.813');
});

test('how many words fit is an estimate by the letters, by hand and printed', () => {
  const heard = parseRecipeLine('how many words fit in 3 x 4', PAGE, () => 'x');
  if (!heard?.said.ok) throw new Error('not understood');
  const solved = recipeOf(heard.recipe).solve(heard.said.input, heard.table);
  // letters of 1/8: a word takes 9/16 by hand and 3/8 printed; thirteen strips of 1/4 with 1/16 between are 4 high
  expect(fact(solved, 'words')).toEqual([13 * 5, 13 * 8]);
  expect(comesOf('do 40 words fit in 3 x 4')).toMatch(/^asks/);
  expect(comesOf('8 words 2 inches long')).toMatch(/^asks/);
  expect(comesOf('journaling block 3 x 4')).toBe('1 of 3 x 4');
});

test.each([
  // one is one, and strips that are so low lie level
  ['a strip 2 inch wide across a 12x12', '1 of 2 x 12'],
  ['a 2 inch border strip across a 12x12', '1 of 2 x 12'],
  ['border strips top and bottom, 1 1/2 high on a 12x12', '2 of 12 x 1.5'],
  ['2 strips 1 1/2 high on a 12x12', '2 of 12 x 1.5'],
  // they lie as more of them fit
  ['cut an 8 1/2 x 11 into 3 x 4 cards', '6 of 4 x 3'],
  ['how many 3 x 4 cards from a letter sheet', '6 of 4 x 3'],
  ['12 squares 2 1/4 from 8.5x11', '12 of 2.25 x 2.25'],
  ['3 by 2 photo grid, 4x4 photos, 1/8 gap', '6 of 4 x 4'],
  ['six photos 2x2, 3 across 2 down, 1/8 apart', '6 of 2 x 2'],
  ['pennants 2 x 3, seven across 12', '7 of 2 x 3'],
  ['hexagons 2 inches, 7 across', '7 of 2 x 2.313'],
  ['strip of 12 inches in 4 equal blocks', '1 of 3 x 3, 1 of 3 x 3, 1 of 3 x 3, 1 of 3 x 3'],
  ['page mat 11 1/2', '1 of 12 x 12, 1 of 11.5 x 11.5'],
  ['base 12x12, mat 11 3/4, mat 11 1/2', '1 of 12 x 12, 1 of 11.75 x 11.75, 1 of 11.5 x 11.5'],
  ['split a 12 x 12 page down the middle', '1 of 6.25 x 12, 1 of 6 x 12'],
  ['half of a 12x12 blue, 1/4 overlap', '1 of 6.25 x 12, 1 of 6 x 12'],
  ['mat for a square photo 3 1/2, 1/8', '1 of 3.75 x 3.75'],
  ['journaling strips 1/2 high, 6 of them', '6 of 4 x 0.5'],
  ['journaling lines 3/8 apart on a 3x4', '13 of 3 x 0.25'],
  ['thin mat 1/16 on a 6x4', '1 of 6.125 x 4.125'],
  ['1/8 mat on a 5x7', '1 of 5.25 x 7.25'],
  ['2 inch squares, 4 across, 3 down, 1/4 between', '12 of 2 x 2'],
  ['half circles 2 inch across 12', '3 of 2 x 2'],
  ['block band: 3, 3, rest on 12', '1 of 3.25 x 3, 1 of 3.25 x 3, 1 of 6 x 3'],
  ['four circles 2 1/2 inches in a row', '4 of 2.5 x 2.5'],
  ['cut a letter sheet into 2 inch squares', '20 of 2 x 2'],
  ['half base 12x12, 5 inches at the bottom', '1 of 12 x 7.25, 1 of 12 x 5'],
  ['journal pocket 3 1/2 x 5', '1 of 3.5 x 5'],
  ['mat for a 6x4 with 1 inch at the bottom and 1/8 elsewhere', '1 of 6.25 x 5.125'],
  ['bunting, 9 flags 1 inch wide on 12', '9 of 1 x 4'],
  ['block band 12 wide: 4, 3, rest', '1 of 4.25 x 3, 1 of 3.25 x 3, 1 of 5 x 3'],
  ['tag 2 1/2 x 4 3/4 with the hole 1/2 down', '1 of 2.5 x 4.75'],
  ['3 strips 12 long: 1, 2 and 3 wide', '1 of 1 x 12, 1 of 2 x 12, 1 of 3 x 12'],
  ['4 strips 12 long: 1, 2 and 3 wide', 'asks 2'],
  ['how many 2 x 3 1/2 cards from letter', '12 of 2 x 3.5'],
  ['grid 2 across 3 down, photos 3x4, 1/8 gap', '6 of 3 x 4'],
  ['how big are the squares if I put 5 by 5 on 12x12 with 1/8 between', '25 of 2.063 x 2.063'],
  ['pocket 5x7 with three glued sides 1/4', '1 of 5 x 7'],
  ['photo in the middle of a 12x12, 5x7', '1 of 12 x 12, 1 of 5 x 7'],
  ['three 4x6 in a row on 12x12, how much between', '3 of 4 x 6'],
  ['three 3x4 photos side by side on a 12x12 page', '3 of 3 x 4'],
  // to leave is not to weave
  ['leave 1/4 around a 12x12', '1 of 12 x 12, 1 of 11.5 x 11.5'],
  ['TAG 2x4 for the title', 'asks TAG'],
  ['how large a print goes on a 6x8 mat with 1/2 showing', '1 of 6 x 8'],
  // all of them together are so long
  ['banner 12 long with 6 flags', '6 of 1.75 x 4'],
  ['banner strip 1 1/2 x 5, v cut 1/2', '1 of 1.5 x 5'],
  ['5 flags 1 1/2 x 4 with forked ends', '5 of 1.5 x 4'],
  ['bunting triangles 2 wide 2 1/2 high, nine', '9 of 2 x 2.5'],
  ['crop 5x7 photo to 4x4 with a 1/8 mat', '1 of 4.25 x 4.25'],
  ['panorama 4x10 with a 1/8 mat', '1 of 4.25 x 10.25'],
  ['I have a 4x6 and want 1/4 inch of kraft all round it', '1 of 4.5 x 6.5'],
  ['two layers behind 3x5, first 1/8 then 1/4', '1 of 3.75 x 5.75, 1 of 3.25 x 5.25'],
  ['panel 8 x 10 centred on 8 1/2 x 11', '1 of 8.5 x 11, 1 of 8 x 10'],
  ['3 x 3 squares of 3 3/4', '9 of 3.75 x 3.75'],
  ['2 columns and 4 rows of 2 x 3 with 1/4 gaps', '8 of 2 x 3'],
  // the band is 12 long, and no block of it is; they may lie edge to edge where that is what fills it
  ['band 12: 2, 3, 4, 3 butted', '1 of 2 x 3, 1 of 3 x 3, 1 of 4 x 3, 1 of 3 x 3'],
  ['band of blocks 2, 3, 4, 3 across 12', '1 of 2.25 x 3, 1 of 3.25 x 3, 1 of 4.25 x 3, 1 of 3 x 3'],
  ['half circle 4 inch', '1 of 4 x 4'],
  ['half circle edge 2 inches', '3 of 2 x 2'],
  ['half circles 1 1/2 across the bottom of 12', '4 of 1.5 x 1.5'],
  // half of a page is no half inch
  ['page split half blue half cream', '1 of 6.25 x 12, 1 of 6 x 12'],
  ['border strip 12 x 1 with scallops 1 inch wide', '1 of 12 x 1'],
  ['border strip 1 x 12, repeat 3/4', '1 of 12 x 1'],
  ['A7 envelope', '1 of 6.75 x 15.75'],
  ['pinwheel 5 inches from patterned paper', '1 of 5 x 5, 1 of 1.25 x 1.25'],
  ['letter tiles 3/4 square for SEASIDE', 'no pieces'],
])('as it would be said: %s', (line, is) => expect(comesOf(line)).toBe(is));

test.each([
  ['title in 1 inch letters, WIND', 'WIND'],
  ['1 inch letters, HELLO', 'HELLO'],
  ['how long is BEACH DAY in 1 inch letters', 'BEACH DAY'],
  ['how long would WINDY be in 1 inch letters', 'WINDY'],
  ['how wide is the word WIND in 1 inch letters', 'WIND'],
  ['letters WIND 3/4 wide, 1/8 between', 'WIND'],
  ['how long is KITES at 1 inch', 'KITES'],
  ['title 1 inch letters spelling BY THE SEA', 'BY THE SEA'],
  ['letter tiles 3/4 square for SEASIDE', 'SEASIDE'],
  ['words UP & AWAY 1 inch letters', 'UP & AWAY'],
])('the words of a title, and no more: %s', (line, title) => {
  const heard = parseRecipeLine(line, PAGE, () => 'x');
  expect(heard?.said).toMatchObject({ ok: true, input: { title } });
});

test.each([
  ['A2 card', '1 of 8.5 x 5.5, 1 of 4 x 5.25', '1 of 4.25 x 5.5'],
  ['card 5x7', '1 of 10 x 7, 1 of 4.75 x 6.75', '1 of 5 x 7'],
  ['a 4 x 6 card', '1 of 8 x 6, 1 of 3.75 x 5.75', '1 of 4 x 6'],
])('whether a card is folded is asked, and either answer is understood: %s', (line, folded, flat) => {
  expect(parseRecipeLine(line, PAGE, () => 'x')?.said).toEqual({
    ok: false,
    problem: { code: 'folded-or-flat', text: line },
  });
  const either = splitCardReadings(line)!;
  expect([comesOf(either.folded), comesOf(either.flat)]).toEqual([folded, flat]);
});
test.each(['A2 card with a panel', 'mat for a 5x7 card', '12 cards 4x6', 'card'])('%s is no such line', (line) =>
  expect(splitCardReadings(line)).toBeNull(),
);
