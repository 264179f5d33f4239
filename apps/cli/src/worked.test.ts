import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import { parseRecipeLine, type LayoutContext } from '@temnex/core/recipes';
import { emptyPage, newItem } from '@temnex/core/page';
import { run } from './run.ts';

/* Numbers worked out by hand and checked, each asked in one line, and from a page file that holds the same. */

const folder = mkdtempSync(join(tmpdir(), 'temnex-worked-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function told(...args: string[]) {
  let [out, err] = ['', ''];
  const world = { out: (t: string) => (out += t), err: (l: string) => (err += `${l}\n`), now: () => 0 };
  const code = await run(args, world);
  return { code, out, err };
}
const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
/** What `temnex size` says of a page with that alone on it. */
async function sized(line: string) {
  let n = 0;
  const heard = parseRecipeLine(line, table, () => `l${(n += 1)}`);
  if (!heard?.said.ok) throw new Error(line);
  const item = newItem({ id: 'one', name: 'it', recipe: heard.recipe, input: heard.said.input });
  const file = join(folder, 'page.json');
  writeFileSync(file, JSON.stringify({ ...emptyPage('Worked numbers'), items: [item] }));
  return told('size', file);
}

const ROWS: ReadonlyArray<readonly [row: number, line: string, says: readonly string[], size: readonly string[]]> = [
  [1, 'mat 3/16 round 3 7/8 x 5 5/8', ['4 1/4 x 6'], ['4 1/4 x 6', '3 7/8 + 3/16 + 3/16 = 4 1/4']],
  [
    2,
    'mats 1/8, 1/16, 3/8 round 3 1/2 x 5',
    ['3 3/4 x 5 1/4', '3 7/8 x 5 3/8', '4 5/8 x 6 1/8'],
    ['3 3/4 x 5 1/4', '3 7/8 x 5 3/8', '4 5/8 x 6 1/8'],
  ],
  [
    3,
    'mat 5 1/2 x 3 3/4 round a 5 x 3 1/2 print',
    ['left and right of mat 1: 1/4', 'top and bottom of mat 1: 1/8'],
    ['reveals left 1/4, right 1/4, top 1/8, bottom 1/8'],
  ],
  [4, 'footer mat 3/16, 11/16 at the bottom, round 2 1/4 square', ['2 5/8 x 3 1/8'], ['2 5/8 x 3 1/8']],
  [
    5,
    'how big a photo on 4 1/2 x 5 7/8 with a quarter showing',
    ['width of the print: 4', 'height of the print: 5 3/8'],
    ['4 x 5 3/8'],
  ],
  [
    7,
    'panels 11 1/4 square, 9 1/2 square, 9 square',
    ['panel 1: reveals 3/8 all round', 'panel 2: reveals 7/8 all round', 'panel 3: reveals 1/4 all round'],
    ['reveals 3/8 all round', 'reveals 7/8 all round', 'reveals 1/4 all round'],
  ],
  [
    8,
    'print 4 x 6 as 8 x 10',
    ['the whole picture: 8 × 12', 'lost: 1 at the top and 1 at the bottom', 'of the print as it is: 1'],
    ['the whole picture: 8 × 12', 'lost: 1 at the top and 1 at the bottom', 'of the print as it is: 1'],
  ],
  [8, 'print 4 x 6 as 8 x 10 without losing anything', ['6 11/16 (1/64 under) × 10', 'short by 1 5/16'], []],
  [
    12,
    'hollow mat 12 x 12 ring 7/8 under 11 x 11',
    ['width of the centre: 10 1/4', 'lip: 3/8', 'each from 7/8 in, 10 1/4 long', 'of the ring is seen 1/2'],
    ['12 x 12', 'each from 7/8 in, 10 1/4 long', 'of the ring is seen 1/2'],
  ],
  [
    13,
    'crop a 12 x 12 scene to 9 1/2 x 10, 1/2 off the left, top flush',
    ['cut off: 1/2 left, 2 right, 2 at the bottom', '1/2 × 12, 2 × 12, 9 1/2 × 2'],
    ['9 1/2 x 10', '1/2 × 12, 2 × 12, 9 1/2 × 2'],
  ],
  [
    14,
    'block band 3 high: 3 1/4, 5 7/8, rest',
    ['width seen of block 3: 2 7/8', '3 1/2 x 3', '6 1/8 x 3', 'they come to 12 1/2 in all'],
    ['2 7/8 x 3', '12 − 3 1/4 − 5 7/8 = 2 7/8', 'they come to 12 1/2 in all'],
  ],
  [15, 'four 2 1/2 strips edge to edge', ['side by side in all of the row: 10', 'cut 4 × strips'], ['2 1/2 x 12']],
  [15, 'five 2 3/8 strips edge to edge', ['side by side in all of the row: 11 7/8'], ['2 3/8 x 12']],
  [15, 'five 2 1/2 strips overlap 1/8', ['side by side in all of the row: 12', 'margin of the row: 0'], ['2 1/2 x 12']],
  [
    16,
    'seven 2 1/2 x 6 strips from 6 x 6 sheets',
    ['cut 7 × strips: 2 1/2 x 6', '4 sheets of 6 × 6; left over: 3 1/2 × 6, 3 of 1 × 6'],
    ['2 1/2 x 6'],
  ],
  [
    17,
    'banner 2 1/2 x 6 notch 7/8',
    ['its tip 1 1/4 from the side', 'on that line it is 5 1/8 long'],
    ['2 1/2 x 6', '1 1/4 from the side', '5 1/8 long'],
  ],
  [17, 'banner 2 1/2 x 6', ['depth of the end: 1 1/4', 'on that line it is 4 3/4 long'], ['4 3/4 long']],
  [
    9,
    'five 2 squares across 12, gap 1/4',
    ['width of the grid: 11', 'margin left and right of the grid: 1/2'],
    ['2 x 2'],
  ],
  [
    10,
    'six squares across 12, margin 3/4, gap 1/8',
    ['width of one cell: 1 5/8', 'cell 1 begins, from the left: 13/16', 'width of the grid: 10 3/8'],
    ['1 5/8 x 1 5/8'],
  ],
  [
    11,
    '6 x 6 grid of 1 1/2 cells, gap 1/8, three 2 x 2 merged cells',
    [
      'width of the grid: 9 5/8',
      '24 cells and 3 large',
      '3 1/8 x 3 1/8',
      'mark 2, from the left: 2 13/16',
      'the last column ends, from the left: 10 13/16',
      'mark 2, from the bottom: 4 7/16',
    ],
    ['1 1/2 x 1 1/2', '3 1/8 x 3 1/8'],
  ],
  [
    20,
    'hexagon 2 1/4 across flats from 12 x 12',
    [
      'across corners of one of them: 2 5/8 (1/32 under)',
      'side of one of them: 1 5/16 (1/64 under)',
      'cut 25 × shapes: 2 1/4 x 2 5/8',
      '1 sheet of 12 × 12',
    ],
    ['2 1/4 x 2 5/8'],
  ],
  [
    18,
    'frame of 1/2 x 12 strips round 3 1/2 x 5, open corners',
    ['edges left and right 5, top and bottom 3 1/2', 'it takes 2 strips; 3 edges come from one'],
    ['1/2 x 5', '3 1/2 x 1/2', 'it takes 2 strips; 3 edges come from one'],
  ],
  [
    18,
    'frame of 1/2 x 12 strips round 3 1/2 x 5',
    ['top and bottom 4 1/2', 'it takes 2 strips; 2 edges come from one', 'the longest piece left over is 3'],
    ['4 1/2 x 1/2', 'the longest piece left over is 3'],
  ],
  [
    19,
    'border strip 12 long repeat 7/8, crest',
    ['a crest on the middle mark: 13 repeats, 5/16 over', 'a valley there instead: 12 repeats, 3/4 over'],
    ['13 repeats, 5/16 over', '12 repeats, 3/4 over'],
  ],
  [
    21,
    'pinwheel 3 square, slits stop 3/8 short',
    ['slit of the square: 1 3/4 (0.004 under)', 'slits from each corner 1 3/4', 'diameter of the hub: 3/4'],
    ['slits from each corner 1 3/4', 'square 1: 3 x 3', 'hub 1: 3/4 x 3/4'],
  ],
  [
    22,
    'burst of strips 5 1/4, 4 7/8, 5 1/16, 4 13/16',
    ['off 7/16, 1/16, 1/4, 0', 'cut 4 × burst, strips: 1/2 x 4 13/16'],
    ['off 7/16, 1/16, 1/4, 0', '1/2 x 4 13/16'],
  ],
  [23, 'weave nine 3/8 strips', ['woven 3 3/8 × 3 3/8'], ['woven 3 3/8 × 3 3/8']],
  [23, 'weave nine 3/8 strips, gap 1/16', ['woven 3 7/8 × 3 7/8'], ['woven 3 7/8 × 3 7/8']],
  [
    23,
    'weave to cover 4 1/2 x 4 1/2 with 3/8 strips, 1/16 gaps, tails 1/2',
    [
      'strips of upright strips: 11',
      'woven 4 3/4 × 4 3/4, trimmed to 4 1/2 × 4 1/2',
      'cut 11 × weave, upright strips: 3/8 x 5 1/2',
      '2 come from one strip; 22 pieces from 11 strips',
    ],
    ['2 come from one strip; 22 pieces from 11 strips', 'trimmed to 4 1/2 × 4 1/2'],
  ],
  [
    24,
    'rays 3/4 wide from the lower left corner, hub 3, tuck 1/2, at 15/30/45/60/75°',
    ['1: 10 1/16, 2: 11 5/8, 3: 14 1/2, 4: 11 5/8, 5: 10 1/16 long', 'rays, ray 3: 3/4 x 14 1/2'],
    ['1: 10 1/16, 2: 11 5/8, 3: 14 1/2, 4: 11 5/8, 5: 10 1/16 long', 'ray 3: 3/4 x 14 1/2, turned by -45°'],
  ],
  [22, 'fan of seven strips 1/2 x 4 13/16 over 150 degrees', ['they stand 25° apart'], ['they stand 25° apart']],
];

describe.each(ROWS)('row %i: %s', (_row, line, says, size) => {
  test('said in one line', async () => {
    const { code, out } = await told('say', line);
    expect(code).toBe(0);
    for (const text of says) expect(out).toContain(text);
  });
  test('from a page file', async () => {
    const { code, out } = await sized(line);
    expect(code).toBe(0);
    for (const text of size) expect(out).toContain(text);
  });
});

describe('refused, with what works', () => {
  test('row 6: a mat that does not come from 6 × 6 sheets', async () => {
    const { code, out, err } = await told('say', 'mat 3/16 round 4 x 6', '--paper', '6 x 6');
    expect(code).toBe(3);
    expect(out).toContain('4 3/8 x 6 3/8');
    expect(err).toContain('too long by 3/8');
    expect(err).toContain('make the height of the print 5 5/8');
    const trimmed = await told('say', 'mat 3/16 round 4 x 5 5/8', '--paper', '6 x 6');
    expect(trimmed.out).toContain('4 3/8 x 6');
    expect(trimmed.out).toContain('1 sheet of 6 × 6');
  });
  test('row 15: five strips that are half an inch too much', async () => {
    const { code, err } = await told('say', 'five 2 1/2 strips across 12 edge to edge');
    expect(code).toBe(3);
    expect(err.split('\n')).toEqual([
      'Together they are 1/2 too much.',
      'you could make it 4 strips',
      'you could make the width of one strip 2 3/8',
      'you could overlap each join by 1/8',
      '',
    ]);
    expect((await sized('five 2 1/2 strips across 12 edge to edge')).err).toContain('Together they are 1/2 too much.');
  });
  test('row 24: a ray that no sheet of 12 gives, and the ways out', async () => {
    const { out, err } = await told('say', 'rays 3/4 wide from the lower left corner, hub 3, tuck 1/2, at 45 60');
    expect(out).toContain('ray 1: 3/4 x 14 1/2');
    expect(err + out).toContain('Ray 1 is 14 1/2 long, a sheet 12');
    expect(err + out).toContain('on the diagonal (up to 16 3/16 at that width)');
  });
  test('row 29: a mat that is smaller than its print', async () => {
    const { code, err } = await told('say', 'mat 4 x 6 for a 4 1/4 x 6 print');
    expect(code).toBe(3);
    expect(err).toContain('−1/8 left and right');
    expect((await sized('mat 4 x 6 for a 4 1/4 x 6 print')).code).toBe(2);
  });
  test('a paper that is no size', async () => {
    expect((await told('say', 'mat 1/8 round 4 x 6', '--paper', 'large')).err).toContain(
      '--paper: "large" is not a size',
    );
  });
});
