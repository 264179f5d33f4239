import { expect, test } from '@jest/globals';
import { polygon } from '../geometry/index.ts';
import { MARKS, inches } from '../length/index.ts';
import { planJob, readJob } from '../planner/index.ts';
import { buildBlanksJob, collectLeftovers } from './index.ts';

const blank = (key: string, width: number, height: number, quantity: number) => ({
  key,
  quantity,
  finish: [],
  shape: null,
  width: inches(width),
  height: inches(height),
});
const paper = { width: inches(12), height: inches(12) };
const asked = (blanks: ReturnType<typeof blank>[]) =>
  buildBlanksJob(blanks, paper, { unit: 'in', mark: MARKS['1/16'] });

test('there are sheets for every piece, at the mark of the table, in the second version where none is nested', () => {
  const job = asked([blank('a', 12, 12, 2), blank('b', 3, 4, 3)]);
  expect(job).toMatchObject({
    version: 2,
    unit: 'in',
    cutter: { step: '1/16' },
    stock: [{ width: '12', height: '12', quantity: 5 }],
    pieces: [
      { id: 'a', width: '12', height: '12', quantity: 2 },
      { id: 'b', width: '3', height: '4', quantity: 3 },
    ],
  });
  const nests = { turning: 'any', apart: inches(1 / 8) } as const;
  const outline = polygon([[0, 0], [inches(3), 0], [0, inches(4)]]); // prettier-ignore
  const nested = buildBlanksJob([{ ...blank('b', 3, 4, 3), nests, shape: { outline } } as never], paper, { unit: 'in', mark: MARKS['1/16'] }); // prettier-ignore
  expect([nested.version, nested.pieces[0]!.nest]).toEqual([3, { turning: 'any', apart: '1/8' }]);
});

test('what is left, and worth keeping: the largest first, alike ones counted, the longer side last', () => {
  const read = readJob(asked([blank('a', 12, 5, 2)]));
  if (!read.ok) throw new Error('it reads');
  const [sheet] = planJob(read.job, { now: () => 0 }).sheets;
  const leaf = (holds: unknown, width: number, height: number) => ({ x: 0, y: 0, width, height, holds });
  const tree = {
    x: 0, y: 0, width: 12, height: 12,
    parts: [leaf('keep', 2, 3), leaf('keep', 3, 2), leaf('keep', 7, 5), leaf(undefined, 9, 9), leaf({ piece: 'a', copy: 1 }, 12, 5)],
    opening: leaf('keep', 1, 1),
  }; // prettier-ignore
  const plan = {
    sheets: [
      { ...sheet!, tree },
      { ...sheet!, tree: leaf('keep', 7, 5) },
    ],
  } as never;
  expect(collectLeftovers(plan)).toEqual([
    { sides: [5, 7], quantity: 2 },
    { sides: [2, 3], quantity: 2 },
    { sides: [1, 1], quantity: 1 },
  ]);
});
