import { describe, expect, test } from '@jest/globals';
import { computeLowerBound } from './bounds.ts';
import { maxPerSheet } from './perSheet.ts';
import { bruteForce } from '../../../testing/bruteForce.ts';
import { compileJob } from '../blanks/compile.ts';
import { buildFrames } from '../blanks/frames.ts';
import { readJob, type JobDocument } from '../index.ts';
import { seededRandom } from '../../chance/index.ts';

const jobOf = (document: Partial<JobDocument>) => {
  const read = readJob({ format: 'temnex-job', version: 1, papers: [{ id: 'p' }, { id: 'q' }], ...document });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.job;
};
const compiled = (document: Partial<JobDocument>) => compileJob(jobOf(document));
const boundOf = (document: Partial<JobDocument>) => computeLowerBound(jobOf(document), buildFrames(jobOf(document)));
const sheet = (paper = 'p', quantity = 9) => ({ id: `sheet-${paper}`, paper, width: '12', height: '12', quantity });
const piece = (width: string, height: string, quantity = 1, papers = ['p']) => ({
  id: `${width}x${height}${papers.join('')}`,
  width,
  height,
  quantity,
  papers,
});
const SHEET = (12 * 24384) ** 2;

describe('the most copies from one sheet', () => {
  test.each([
    ['4 1/4', '6 1/4', 3],
    ['2 1/4', '2 1/4', 25],
    ['5', '3', 8],
    ['3', '12', 4],
    ['7', '5', 3],
    ['6', '4', 6],
    ['12', '12', 1],
  ])('%s × %s from 12 × 12: %d', (w, h, most) => {
    expect(maxPerSheet(compiled({ stock: [sheet()], pieces: [piece(w, h)] }), 0, 0)).toBe(most);
  });
  test('locked upright it is the plain lattice; a kerf counts', () => {
    const papers = [{ id: 'p', sides: [{ side: 'A' as const, direction: 'one-way' as const }] }];
    expect(
      maxPerSheet(
        compiled({ papers, stock: [sheet()], pieces: [{ ...piece('4 1/4', '6 1/4'), direction: 'height' }] }),
        0,
        0,
      ),
    ).toBe(2);
    expect(
      maxPerSheet(compiled({ cutter: { kerf: '1/32' }, stock: [sheet()], pieces: [piece('3', '12')] }), 0, 0),
    ).toBe(3);
  });
});

describe('the lower bound', () => {
  const bound = (document: Partial<JobDocument>) => {
    const { newArea, newSheets, how } = boundOf(document);
    return { sheets: newArea / SHEET, newSheets, how };
  };
  test.each<[string, Partial<JobDocument>, { sheets: number; how: string }]>([
    ['area', { stock: [sheet()], pieces: [piece('6', '6', 9)] }, { sheets: 3, how: 'area' }],
    [
      'scraps count against it',
      {
        stock: [sheet(), { id: 'scrap', paper: 'p', width: '6', height: '6', kind: 'scrap' }],
        pieces: [piece('6', '6', 9)],
      },
      { sheets: 2, how: 'area' },
    ],
    [
      'a scrap that nothing fits does not',
      {
        stock: [sheet(), { id: 'scrap', paper: 'p', width: '5', height: '11', kind: 'scrap' }],
        pieces: [piece('6', '6', 9)],
      },
      { sheets: 3, how: 'area' },
    ],
    ['copies a sheet', { stock: [sheet()], pieces: [piece('7', '5', 7)] }, { sheets: 3, how: 'at-most-per-sheet' }],
    [
      'large pieces that cannot share',
      { stock: [sheet()], pieces: [piece('7', '7', 1), piece('8', '6 1/2', 1), piece('6 1/2', '9', 1)] },
      { sheets: 3, how: 'large-pieces' },
    ],
    [
      'scraps of which cuts can cover little',
      {
        stock: [sheet(), { id: 'scrap', paper: 'p', width: '7', height: '7', quantity: 2, kind: 'scrap' }],
        pieces: [piece('4', '4', 1), piece('4', '5', 1), piece('5', '5', 1)],
      },
      { sheets: 1, how: 'coverable' },
    ],
    [
      'papers apart add up',
      { stock: [sheet('p'), sheet('q')], pieces: [piece('6', '6', 1, ['p']), piece('5', '5', 1, ['q'])] },
      { sheets: 2, how: 'area' },
    ],
    [
      'nothing',
      {
        stock: [{ id: 'scrap', paper: 'p', width: '6', height: '6', kind: 'scrap' }, sheet()],
        pieces: [piece('3', '3', 4)],
      },
      { sheets: 0, how: 'nothing-needed' },
    ],
    [
      'a piece that may come from either paper joins them',
      { stock: [sheet('p'), sheet('q')], pieces: [piece('6', '6', 4, ['p', 'q']), piece('12', '12', 1, ['q'])] },
      { sheets: 2, how: 'area' },
    ],
  ])('%s', (_, document, expected) => expect(bound(document)).toMatchObject(expected));

  test('small sheets are counted as small', () => {
    const { newArea } = boundOf({
      stock: [sheet(), { id: 'pad', paper: 'p', width: '6', height: '6', quantity: 9, kind: 'pad' }],
      pieces: [piece('5', '5', 2)],
    });
    expect(newArea).toBe(2 * (6 * 24384) ** 2);
  });

  test('is never above what brute force needs, and often meets it', () => {
    let met = 0;
    const runs = 80;
    for (let seed = 1; seed <= runs; seed++) {
      const R = seededRandom(seed * 77);
      const size = () => String(3 + Math.floor(R() * 8));
      const job = jobOf({
        stock: [
          { ...sheet(), quantity: 5 },
          { id: 'scrap', paper: 'p', width: size(), height: size(), kind: 'scrap' },
        ],
        cutter: { kerf: seed % 3 ? 0 : '1/8' },
        pieces: Array.from({ length: 2 + Math.floor(R() * 3) }, (_, i) => ({ ...piece(size(), size()), id: `c${i}` })),
      });
      const best = bruteForce(compileJob(job));
      expect(best.missing).toBe(0);
      const { newArea } = computeLowerBound(job, buildFrames(job));
      expect({ seed, above: newArea > best.newArea }).toEqual({ seed, above: false });
      if (newArea === best.newArea) met++;
    }
    expect(met).toBeGreaterThan(runs * 0.7);
  });
});
