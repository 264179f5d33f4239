import { describe, expect, test } from '@jest/globals';
import { MARKS, lengthOf } from '@temnex/core/length';
import type { Size } from '@temnex/core/geometry';
import { recipeOf, parseRecipeLine, type LayoutContext } from '@temnex/core/recipes';
import { planJobNested, readJob } from '@temnex/core/planner';
import { buildBlanksJob } from '@temnex/core/cutting';
import { describeSheetCount } from './answer.ts';

const paper: Size = { width: lengthOf('12'), height: lengthOf('12') };
const table: LayoutContext = { unit: 'in', mark: MARKS['1/16'], room: { ...paper, seams: [] } };

/** What is said of the sheets that a line takes, by a clock that runs so much faster. */
function sheetsOf(line: string, faster: number): string {
  const heard = parseRecipeLine(line, table, () => 'x');
  if (!heard?.said.ok) throw new Error(`not heard: ${line}`);
  const solved = recipeOf(heard.recipe).solve(heard.said.input, heard.table);
  if (solved.status !== 'solved') throw new Error(`refused: ${line}`);
  const wanted = buildBlanksJob(solved.laid.blanks, paper, table);
  const read = readJob(wanted);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  // every look at the clock takes its time
  let looks = 0;
  const plan = planJobNested(wanted, read.job, { now: () => looks++ * faster });
  return describeSheetCount(plan, paper, { mark: table.mark, figures: 'plain' });
}

describe('how many sheets it takes', () => {
  const line = 'how many 1 inch hexagons from a 12 x 12';
  test('with time enough: the fewest', () => expect(sheetsOf(line, 0)).toMatch(/^1 sheet of 12 × 12/));
  test('on a machine with no time at all: what was found, as at most so many', () =>
    expect(sheetsOf(line, 10_000)).toMatch(/^at most \d+ sheets of 12 × 12/));
});
