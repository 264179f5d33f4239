import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MARKS, TICKS_PER_UNIT, inches, type Ticks } from '../length/index.ts';
import {
  DEFAULT_FRAMING,
  EMPTY_PHOTO_FACTS,
  collectPrints,
  wholeCropOf,
  type PrintOnPage,
  type Photo,
  type PrintToMake,
} from '../photos/index.ts';
import { planJob, readJob, verifyPlan } from '../planner/index.ts';
import { DEFAULT_HABITS } from '../stock/index.ts';
import {
  computeCutMarks,
  buildGangJob,
  gangPieceId,
  locateGangPrints,
  type GangSheet,
  type PhotoSheet,
} from './gang.ts';

const photo = (id: string, more: Partial<Photo> = {}): Photo => ({
  id,
  file: 'ab'.repeat(32),
  name: `${id}.jpg`,
  width: 3000,
  height: 2000,
  addedAt: '',
  demo: false,
  ...EMPTY_PHOTO_FACTS,
  ...more,
});
const asked = (id: string, w: number, h: number, more: Partial<PrintOnPage> = {}): PrintOnPage => ({
  photo: id,
  page: 'page',
  pageName: 'A page',
  part: 'launch',
  width: inches(w),
  height: inches(h),
  crop: wholeCropOf({ width: 3000, height: 2000 }),
  measured: false,
  copies: 1,
  ...more,
});

describe('which prints are to be made', () => {
  test('what pages ask for and what is ordered; what is there already is told apart', () => {
    const photos = [
      photo('a', { orders: [{ id: 'o', width: '2', height: '2', unit: 'in', copies: 3, framing: DEFAULT_FRAMING }] }),
      photo('b', { print: { width: '100', height: '150', unit: 'mm', known: 'assumed' } }),
    ];
    const { toMake, there } = collectPrints(photos, [
      asked('a', 6, 4),
      asked('a', 3, 2, { measured: true, part: 'small' }),
      { ...asked('b', 1, 1), width: (100 * 960) as Ticks, height: (150 * 960) as Ticks },
      asked('gone', 4, 4),
    ]);
    expect(toMake.map((p) => [p.photo.id, p.width / inches(1), p.copies, p.page?.name ?? null])).toEqual([
      ['a', 6, 1, 'A page'],
      ['a', 2, 3, null],
    ]);
    expect(toMake[1]!.crop).toEqual({ x: 500, y: 0, width: 2000, height: 2000 });
    expect(there.map((p) => p.photo.id).sort()).toEqual(['a', 'b']);
    // two parts that are called alike
    const twice = collectPrints([photo('a')], [asked('a', 2, 2), asked('a', 2, 2)]).toMake;
    expect(new Set(twice.map((p) => p.key)).size).toBe(2);
  });
});

const print = (key: string, w: number, h: number, copies = 1): PrintToMake => ({
  key,
  photo: photo(key),
  width: inches(w),
  height: inches(h),
  crop: wholeCropOf({ width: 30, height: 20 }),
  copies,
  page: null,
});
const SHEET: PhotoSheet = { width: '6', height: '4', unit: 'in', margin: '0' };
const planned = (prints: readonly PrintToMake[], sheet = SHEET) => {
  const read = readJob({ ...buildGangJob(prints, sheet, DEFAULT_HABITS, MARKS['1/16']), plan: { nodes: 40 } });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  return { plan, sheets: locateGangPrints(plan, sheet) };
};
const area = (sheets: readonly GangSheet[]) => sheets.flatMap((s) => s.prints).reduce((n, p) => n + p.width * p.height, 0); // prettier-ignore

describe('prints put together on photo sheets', () => {
  test('six of 2 × 2 fill a 4 × 6', () => {
    const { plan, sheets } = planned([print('a', 2, 2, 6)]);
    expect(sheets).toHaveLength(1);
    expect(area(sheets)).toBe(inches(6) * inches(4));
    // where no paper is over there is nothing but meeting edges: no mark lies over a print or past the sheet
    expect(computeCutMarks(sheets[0]!)).toEqual([]);
    expect(plan.steps.length).toBeGreaterThan(2);
  });
  test('marks stand at the corners, beside the prints', () => {
    const { sheets } = planned([print('a', 2.5, 3)]);
    const [sheet] = sheets;
    const marks = computeCutMarks(sheet!);
    expect(marks.length).toBeGreaterThanOrEqual(4);
    for (const m of marks) expect(Math.hypot(m.x1 - m.x2, m.y1 - m.y2)).toBeLessThanOrEqual(TICKS_PER_UNIT.in / 8);
  });
  test('two marks at each corner, outwards, an eighth of an inch long, but none past the sheet', () => {
    const e = TICKS_PER_UNIT.in / 8;
    const [w, h] = [inches(4), inches(6)];
    const marks = (x: number, y: number) =>
      computeCutMarks({ width: inches(12), height: inches(12), prints: [{ x, y, width: w, height: h } as never] })
        .map(({ x1, y1, x2, y2 }) => [x1 - x, y1 - y, x2 - x1, y2 - y1].join())
        .sort();
    const all = [
      [0, 0, -e, 0], [0, 0, 0, -e], [w, 0, e, 0], [w, 0, 0, -e], [0, h, -e, 0], [0, h, 0, e], [w, h, e, 0], [w, h, 0, e],
    ]; // prettier-ignore
    expect(marks(inches(2), inches(3))).toEqual(all.map((m) => m.join()).sort());
    // in the lower left corner nothing is drawn past the edges of the sheet
    const inside = all.filter(([x, y, dx, dy]) => x! + dx! >= 0 && y! + dy! >= 0);
    expect(marks(0, 0)).toEqual(inside.map((m) => m.join()).sort());
  });
  test('a printer’s margin stays free of prints', () => {
    const { sheets } = planned([print('a', 4, 6, 2), print('b', 3, 3, 2)], { width: '210', height: '297', unit: 'mm', margin: '6' }); // prettier-ignore
    const margin = 6 * TICKS_PER_UNIT.mm;
    for (const { prints, width, height } of sheets)
      for (const p of prints) {
        expect(Math.min(p.x, p.y)).toBeGreaterThanOrEqual(margin - 1);
        expect(p.x + p.width).toBeLessThanOrEqual(width - margin + 1);
        expect(p.y + p.height).toBeLessThanOrEqual(height - margin + 1);
      }
    expect(sheets.flatMap((s) => s.prints)).toHaveLength(4);
  });
  test('any prints: each as often as it is wanted, none over another, all from edge to edge cuts, marks beside them', () => {
    const half = fc.integer({ min: 2, max: 8 }).map((n) => n / 2);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(half, half, fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 5 }),
        (all) => {
          const prints = all.map(([w, h, copies], i) => print(`p${i}`, w, h, copies));
          const { plan, sheets } = planned(prints);
          const counts = sheets.flatMap((s) => s.prints).reduce((m, p) => m.set(p.key, (m.get(p.key) ?? 0) + 1), new Map<string, number>()); // prettier-ignore
          const missing = (i: number) => plan.missing.find((m) => m.piece === gangPieceId(i))?.quantity ?? 0;
          const all_ = prints.every((p, i) => (counts.get(gangPieceId(i)) ?? 0) + missing(i) === p.copies);
          const apart = sheets.every(({ prints: on, width, height }) =>
          on.every(
            (a, i) =>
              a.x >= 0 && a.y >= 0 && a.x + a.width <= width && a.y + a.height <= height &&
              on.every((b, j) => i === j || a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y),
          ),
        ); // prettier-ignore
          const straight = plan.steps.every((s) => s.do === 'cut' || s.do === 'trim');
          const beside = sheets.every((s) => computeCutMarks(s).every((m) => s.prints.every((p) => (m.x1 + m.x2) / 2 <= p.x || (m.x1 + m.x2) / 2 >= p.x + p.width || (m.y1 + m.y2) / 2 <= p.y || (m.y1 + m.y2) / 2 >= p.y + p.height))); // prettier-ignore
          return all_ && apart && straight && beside;
        },
      ),
      { seed: 14, numRuns: 40 },
    );
  });
});
