import { expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import { recipeOf, parseRecipeLine, type LayoutContext } from '@temnex/core/recipes';
import { TERMINAL, describePencilMarks } from './index.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
function marks(line: string): string[] {
  let n = 0;
  const heard = parseRecipeLine(line, table, () => `l${(n += 1)}`);
  if (!heard?.said.ok) throw new Error(line);
  const solved = recipeOf(heard.recipe).solve(heard.said.input, table);
  if (solved.status !== 'solved') throw new Error(JSON.stringify(solved.problems));
  return describePencilMarks(solved.laid, TERMINAL);
}

test.each([
  [
    'five strips across 12 with quarter gaps',
    ['from its left end: 0, 2 7/16, 4 7/8, 7 5/16, 9 3/4; the last ends at 11 15/16'],
  ],
  // graded ones are flush below, ragged ones above: that says nothing
  ['3 strips 1 x 6 gap 1/4 graded', ['from its left end: 4 1/4, 5 1/2, 6 3/4; the last ends at 7 3/4']],
  ['3 banners 1 x 4 gap 1/4 ragged', ['from its left end: 4 1/4, 5 1/2, 6 3/4; the last ends at 7 3/4']],
  ['2 level strips 1 wide, gap 1/2', ['from its lower end: 4 3/4, 6 1/4; the last ends at 7 1/4']],
  ['block band 3 high: 3 1/4, 5 7/8, rest', ['from its left end: 0, 3 1/4, 9 1/8; the last ends at 12']],
  [
    'four 6 x 6 patches pieced into a sheet',
    ['from its left end: 0, 6; the last ends at 12', 'from its lower end: 0, 6; the last ends at 12'],
  ],
  // large ones begin where small ones do
  [
    '6 x 6 grid of 1 1/2 cells, gap 1/8',
    [
      'from its left end: 1 3/16, 2 13/16, 4 7/16, 6 1/16, 7 11/16, 9 5/16; the last ends at 10 13/16',
      'from its lower end: 1 3/16, 2 13/16, 4 7/16, 6 1/16, 7 11/16, 9 5/16; the last ends at 10 13/16',
    ],
  ],
  // 1 9/32 apart: said that they are rounded
  [
    'five banners 1 3/8 x 4 1/2 across 12',
    ['from its left end, to the nearest 1/16: 0, 2 11/16, 5 5/16, 8, 10 5/8; the last ends at 12'],
  ],
  // one inside the other, one alone, and what hangs aslant
  ['mats 1/8 1/4 around 4 x 6', []],
  ['banner 2 1/2 x 6 gap 8', []],
  ['3 banners 1 x 4 gap 1/4 on a curve', []],
])('%s', (line, says) =>
  expect(marks(line).filter((m) => !m.includes('backing'))).toEqual(says.map((s) => `pencil where they begin, ${s}`)),
);
