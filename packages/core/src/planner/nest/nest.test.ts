import { describe, expect, test } from '@jest/globals';
import { computeCutEffects, pagePieceIdOf } from '../../cutting/index.ts';
import { seededRandom } from '../../chance/index.ts';
import { planJob, planJobNested, readJob, verifyPlan, withBlocks, type JobDocument, type Plan } from '../index.ts';

const { checkPlan } = (await import(new URL('../../../../../scripts/check-plan.mjs', import.meta.url).href)) as {
  checkPlan(job: JobDocument, plan: Plan): { faults: string[] };
};

type Piece = JobDocument['pieces'][number];
type Stock = JobDocument['stock'][number];
const HEXAGON: [string, string][] = [
  ['1.125', '0'],
  ['2.25', '0.6495'],
  ['2.25', '1.9486'],
  ['1.125', '2.598'],
  ['0', '1.9486'],
  ['0', '0.6495'],
];
const hexagons = (quantity: number, more: Partial<Piece> = {}): Piece => ({
  id: 'hex',
  name: 'hexagons',
  quantity,
  papers: ['p'],
  width: '2 1/4',
  height: '2 5/8',
  shape: HEXAGON,
  finish: [{ do: 'outline', as: 'shape' }],
  nest: { turning: 'any', apart: 0 },
  ...more,
});
const sheet = (quantity: number, width = '12', height = '12'): Stock => ({
  id: `s${width}`,
  paper: 'p',
  width,
  height,
  quantity,
});
const job = (pieces: Piece[], stock: Stock[]): JobDocument => ({
  format: 'temnex-job',
  version: 3,
  unit: 'in',
  cutter: { step: '1/16' },
  plan: { seconds: 2, nodes: 60 },
  papers: [{ id: 'p' }],
  stock,
  pieces,
});
function planned(document: JobDocument): Plan {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  let now = 0;
  return planJobNested(document, read.job, { now: () => (now += 0.01) });
}
/** It holds, by the product's own check and by the one that stands alone. */
function holds(document: JobDocument, plan: Plan): void {
  const read = readJob(withBlocks(document, plan.blocks));
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  expect(verifyPlan(read.job, plan)).toEqual([]);
  expect(checkPlan(document, plan).faults).toEqual([]);
}
const cutIn = ({ blocks = [] }: Plan) => blocks.map((b) => [b.quantity, b.places.length]);

describe('many of one shape', () => {
  test('25 hexagons come from one sheet, where each by itself would take two', () => {
    const document = job([hexagons(25)], [sheet(9)]);
    const plan = planned(document);
    expect([plan.status, plan.totals.newSheets, cutIn(plan), plan.bound.proved]).toEqual([
      ...['complete', 1, [[1, 25]], true],
    ]);
    holds(document, plan);
    const alone = readJob(document);
    if (!alone.ok) throw new Error('unread');
    expect(planJob(alone.job, { now: () => 0 }).totals.newSheets).toBe(2);
  });
  test('more than a sheet yields: full sheets and the rest', () => {
    const document = job([hexagons(60)], [sheet(9)]);
    const plan = planned(document);
    expect([plan.totals.newSheets, cutIn(plan)]).toEqual([
      3,
      [
        [2, 25],
        [1, 10],
      ],
    ]);
    holds(document, plan);
  });
  test('scraps are filled before a sheet is opened', () => {
    const scraps: Stock[] = [
      { ...sheet(1, '5', '12'), kind: 'scrap' },
      { ...sheet(1, '7', '7'), kind: 'scrap' },
    ];
    const document = job([hexagons(14)], [...scraps, sheet(3)]);
    const plan = planned(document);
    expect([plan.status, plan.totals.newSheets]).toEqual(['complete', 0]);
    holds(document, plan);
  });
  test('beside other pieces, and short of paper: what is missing is told', () => {
    const other: Piece = { id: 'mat', quantity: 2, papers: ['p'], width: '4', height: '6' };
    const document = job([hexagons(40), other], [sheet(2)]);
    const plan = planned(document);
    holds(document, plan);
    expect(plan.status).toBe(plan.missing.length ? 'short' : 'complete');
  });
  test('a pattern that runs along it: none is turned', () => {
    const document: JobDocument = {
      ...job([hexagons(20, { direction: 'height' })], [sheet(4)]),
      papers: [{ id: 'p', sides: [{ side: 'A', direction: 'one-way', along: 'height' }] }],
    };
    const plan = planned(document);
    expect(plan.blocks!.flatMap((b) => b.places.map(([, , degrees]) => degrees))).toEqual(
      Array.from({ length: 20 }, () => 0),
    );
    holds(document, plan);
  });
  test('of seeded sizes and numbers: every plan holds, and none takes more paper than each by itself', () => {
    const random = seededRandom(5);
    for (let k = 0; k < Number(process.env.TEMNEX_NESTS ?? 1); k++) {
      const [a, b] = [1 + 2 * random(), 1 + 2 * random()];
      const triangle: Partial<Piece> = {
        width: String(Math.ceil(a * 16) / 16),
        height: String(Math.ceil(b * 16) / 16),
        shape: [
          ['0', '0'],
          [a.toFixed(4), '0'],
          [(a * random()).toFixed(4), b.toFixed(4)],
        ],
      };
      const document = job([hexagons(2 + Math.floor(30 * random()), triangle)], [sheet(20, '8', '10')]);
      const plan = planned(document);
      holds(document, plan);
      const read = readJob(document);
      if (!read.ok) throw new Error('unread');
      const alone = planJob({ ...read.job, nodes: 60 }, { now: () => 0 });
      expect([k, plan.totals.newSheets <= alone.totals.newSheets]).toEqual([k, true]);
      expect(plan.bound.newSheetArea).toBeLessThanOrEqual(plan.totals.newSheetArea);
    }
  });
  test('what is cut is so many pieces, each as large as it is', () => {
    const document = job([hexagons(25)], [sheet(2)]);
    const plan = planned(document);
    const read = readJob(withBlocks(document, plan.blocks));
    if (!read.ok) throw new Error('unread');
    const { pieces } = computeCutEffects(read.job, plan, 'page', '2026-05-02');
    expect(pieces).toHaveLength(25);
    expect(pieces[0]).toMatchObject({ piece: 'hex', width: '2 1/4', height: '2 5/8', paper: 'p' });
    expect(plan.blocks!.map((b) => pagePieceIdOf(b.id))).toEqual(['hex']);
  });
});

describe('blocks that are not believed', () => {
  const document = job([hexagons(25)], [sheet(9)]);
  const plan = planned(document);
  const [block] = plan.blocks!;
  const read = (change: object) => readJob(withBlocks(document, [{ ...block!, ...change }]));
  const problem = (change: object) => {
    const found = read(change);
    return found.ok ? null : found.issues[0]!.problem.code;
  };
  const moved = (by: number) =>
    block!.places.map(([x, y, d], i): [number, number, number] => [i === 7 ? x + by : x, y, d]);
  test('one lies over another, sticks out, or is one too many', () => {
    expect(problem({})).toBeNull();
    expect(problem({ places: moved(-0.3) })).toBe('block-overlap');
    expect(problem({ width: 11 })).toBe('block-outside');
    expect(withBlocks(document, [{ ...block!, quantity: 2 }])).toBeNull();
    expect(withBlocks(document, [{ ...block!, of: 'kite' }])).toBeNull();
    expect(checkPlan(document, { ...plan, blocks: [{ ...block!, places: moved(-0.3) }] }).faults[0]).toMatch(
      /lies over/,
    );
    expect(checkPlan(document, { ...plan, blocks: [{ ...block!, width: 11 }] }).faults[0]).toMatch(/sticks out/);
  });
  test('an earlier version has none of it, and a nest needs a shape', () => {
    const refused = (change: Partial<JobDocument>, piece: Partial<Piece> = {}) => {
      const found = readJob({ ...job([hexagons(3, piece)], [sheet(1)]), ...change });
      return found.ok ? [] : found.issues.map((i) => i.problem.code);
    };
    expect(refused({ version: 2 })).toEqual(['needs-version', 'needs-version']);
    expect(refused({}, { shape: undefined })).toEqual(['nest-without-shape']);
  });
});
