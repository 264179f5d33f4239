import { describe, expect, test } from '@jest/globals';
import { compileJob, type CompiledJob } from '../blanks/compile.ts';
import { readJob, type JobDocument } from '../index.ts';
import { puzzleJob } from '../../../testing/makers.ts';
import { seededRandom } from '../../chance/index.ts';
import { MAX_BLOCK_COPIES, fillSheets } from './blocks.ts';
import { Layout } from './layout.ts';
import { type Planting } from './sheetTrees.ts';

const compiled = (document: JobDocument): CompiledJob => {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return compileJob(read.job);
};
const fill = (c: CompiledJob, sheets: number, width = 3000) =>
  fillSheets({
    c,
    s: 0,
    sheets,
    copies: Array.from(c.quantity).flatMap((n, k) => new Array<number>(n).fill(k)),
    random: seededRandom(1),
    width,
    over: () => false,
  });

/** Outer size of a planting in ticks. */
function sizeOf(c: CompiledJob, p: Planting): [number, number] {
  if ('piece' in p) return p.flat ? [c.height[p.piece]!, c.width[p.piece]!] : [c.width[p.piece]!, c.height[p.piece]!];
  const sizes = p.parts.map((part) => sizeOf(c, part));
  const [along, across] = p.row ? [0, 1] : [1, 0];
  const sum = sizes.reduce((all, s) => all + s[along]!, 0) + (sizes.length - 1) * c.kerf;
  const most = Math.max(...sizes.map((s) => s[across]!));
  return p.row ? [sum, most] : [most, sum];
}
const job = (pieces: JobDocument['pieces'], more: Partial<JobDocument> = {}): JobDocument => ({
  format: 'temnex-job',
  version: 1,
  papers: [{ id: 'p' }],
  stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 9 }],
  pieces,
  ...more,
});

describe('sheets built from the bottom up', () => {
  test.each([
    [1, 8],
    [2, 6],
    [3, 8],
    [4, 5],
  ])('%d sheets cut into %d pieces each are put together again', (m, k) => {
    for (let seed = 1; seed <= 4; seed++) {
      const c = compiled(puzzleJob(m, k, seed));
      const found = fill(c, m);
      expect({ seed, sheets: found?.length }).toEqual({ seed, sheets: m });
      for (const planting of found!) expect(sizeOf(c, planting)).toEqual([c.roomWidth[0], c.roomHeight[0]]);
      const layout = new Layout(c);
      for (const planting of found!) layout.plant(0, planting);
      expect([...layout.pool].every((n) => n === 0)).toBe(true);
    }
  });

  test('a little waste is afforded where the job has it', () => {
    const c = compiled(
      job([
        { id: 'a', width: '6', height: '12', papers: ['p'] },
        { id: 'b', width: '5 7/8', height: '11 3/4', papers: ['p'] },
      ]),
    );
    const found = fill(c, 1);
    expect(found).toHaveLength(1);
    const [w, h] = sizeOf(c, found![0]!);
    expect(w <= c.roomWidth[0]! && h <= c.roomHeight[0]!).toBe(true);
  });

  test('a kerf is part of every join', () => {
    const halves = [{ id: 'a', width: '6', height: '12', quantity: 2, papers: ['p'] }];
    expect(fill(compiled(job(halves)), 1)).toHaveLength(1);
    expect(fill(compiled(job(halves, { cutter: { kerf: '1/32' } })), 1)).toBeNull();
  });

  test('what cannot be, or is too much to try, is answered with nothing', () => {
    expect(fill(compiled(job([{ id: 'a', width: '7', height: '7', quantity: 2, papers: ['p'] }])), 1)).toBeNull();
    expect(fill(compiled(job([{ id: 'a', width: '8', height: '9', quantity: 2, papers: ['p'] }])), 1)).toBeNull();
    expect(
      fill(compiled(job([{ id: 'a', width: '1', height: '1', quantity: MAX_BLOCK_COPIES + 1, papers: ['p'] }])), 1),
    ).toBeNull();
  });

  test('it stops when it is told to', () => {
    const c = compiled(puzzleJob(3, 8, 1));
    const copies = Array.from(c.quantity).flatMap((n, k) => new Array<number>(n).fill(k));
    expect(
      fillSheets({ c, s: 0, sheets: 3, copies, random: seededRandom(1), width: 3000, over: () => true }),
    ).toBeNull();
  });
});
