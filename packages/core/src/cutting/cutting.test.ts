import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import { base, banners, layer, page as pageOf, photo, wishFor } from '../../testing/pages.ts';
import { derivePage, type Page } from '../page/index.ts';
import { planJob, readJob, verifyPlan } from '../planner/index.ts';
import { NO_TRIM, DEFAULT_HABITS, parseStockLine, sizeOfItem, type Drawer } from '../stock/index.ts';
import { normalJob } from '../../testing/makers.ts';
import {
  assessCutPieces,
  computeCutEffects,
  isSpare,
  buildPageJob,
  buildOrderSteps,
  findSheetsUsedWhole,
  pagePieceIdOf,
  wantedCountOf,
  type CutPiece,
} from './index.ts';

const look = { pattern: 'plain', ground: '#88aacc', ink: '#335577' } as const;
const drawer: Drawer = {
  papers: [
    {
      id: 'teal',
      name: 'Teal dunes',
      sides: [
        { side: 'A', name: 'dunes', direction: 'one-way', along: 'height', look },
        { side: 'B', name: 'plain', direction: 'none', along: 'height', look },
      ],
    },
    { id: 'sand', name: 'Sand', sides: [{ side: 'A', name: 'sand', direction: 'none', along: 'height', look }] },
  ],
  stock: [
    {
      id: 't1',
      paper: 'teal',
      unit: 'in',
      width: '12',
      height: '12',
      quantity: 2,
      kind: 'sheet',
      trim: NO_TRIM,
      turned: 0,
      reserved: false,
      origin: null,
    },
    {
      id: 't2',
      paper: 'teal',
      unit: 'mm',
      width: '120',
      height: '170',
      quantity: 1,
      kind: 'scrap',
      trim: NO_TRIM,
      turned: 90,
      reserved: false,
      origin: null,
    },
    {
      id: 's1',
      paper: 'sand',
      unit: 'in',
      width: '12',
      height: '12',
      quantity: 1,
      kind: 'sheet',
      trim: NO_TRIM,
      turned: 0,
      reserved: false,
      origin: null,
    },
  ],
};
const page = (): Page =>
  pageOf(
    base([], { wishes: { base: wishFor('sand') } }),
    photo('p', ['4', '6'], [layer('m', '1/4')], { wishes: { m: wishFor('teal') } }),
  );
const cut = (piece: string, width: string, height: string, more: Partial<CutPiece> = {}): CutPiece => ({
  piece,
  unit: 'in',
  width,
  height,
  paper: piece.startsWith('base') ? 'sand' : 'teal',
  side: 'A',
  ...more,
});
const CUT_BASE = cut('base/base', '12', '12');
const CUT_MAT = cut('p/m', '4 1/2', '6 1/2');

describe('from a page to the drawer again', () => {
  test('the scrap is used, the base takes its sheet, a kept offcut goes back with its origin', () => {
    const asked = buildPageJob('page', derivePage(page()), drawer, DEFAULT_HABITS);
    if (!asked.ok) throw new Error(asked.problem.code);
    const read = readJob(asked.job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const job = { ...read.job, nodes: 100 };
    const plan = planJob(job, { now: () => 0 });
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan.status).toBe('complete');
    const effects = computeCutEffects(job, plan, 'page-1', '2026-03-02');
    expect(effects.used).toEqual([
      { stock: 't2', count: 1 },
      { stock: 's1', count: 1 },
    ]);
    expect([...effects.pieces].sort((a, b) => (a.piece < b.piece ? -1 : 1))).toEqual([CUT_BASE, CUT_MAT]);
    const areaIn = 120 * 960 * 170 * 960 + lengthOf('12') ** 2;
    const areaOut = effects.kept.map((k) => sizeOfItem(k).width * sizeOfItem(k).height).reduce((a, b) => a + b, 0);
    const cut = lengthOf('12') ** 2 + lengthOf('4 1/2') * lengthOf('6 1/2');
    expect(areaOut).toBeLessThanOrEqual(areaIn - cut);
    for (const kept of effects.kept)
      expect(kept).toMatchObject({ kind: 'scrap', origin: { page: 'page-1', date: '2026-03-02' } });
  });
  test('habits keep their unit on a page in another one, and a large drawer stays a small job', () => {
    const many: Drawer = {
      ...drawer,
      stock: [
        ...drawer.stock,
        ...Array.from({ length: 500 }, (_, i) => ({ ...drawer.stock[1]!, id: `bit${i}`, width: '20', height: '30' })),
      ],
    };
    const metric: Page = {
      ...pageOf(
        base([], { wishes: { base: wishFor('sand') } }),
        photo('p', ['100', '150'], [layer('m', '6')], { wishes: { m: wishFor('teal') } }),
      ),
      unit: 'mm',
      mark: '1 mm',
      ground: { width: '305', height: '305' },
    };
    const asked = buildPageJob('p', derivePage(metric), many, {
      ...DEFAULT_HABITS,
      cutter: { ...DEFAULT_HABITS.cutter, reach: '12', narrowest: '1/2' },
    });
    if (!asked.ok) throw new Error(asked.problem.code);
    const read = readJob(asked.job);
    expect(read.ok && [read.job.cutter.reach, read.job.cutter.narrowest, read.job.keep.longer]).toEqual([
      lengthOf('12'),
      lengthOf('1/2'),
      lengthOf('3'),
    ]);
    expect(asked.job.stock.length).toBeLessThan(10);
  });
  test('what is cut is left out; without a paper it says which parts', () => {
    const without = pageOf({ ...page().items[0]!, wishes: {} }, page().items[1]!);
    const asked = (of: Page, done: CutPiece[] = []) => buildPageJob('p', derivePage(of), drawer, DEFAULT_HABITS, done);
    expect(asked(without)).toEqual({ ok: false, problem: { code: 'no-paper-chosen', parts: ['base base 1'] } });
    expect(asked(without, [CUT_BASE])).toMatchObject({ ok: true, job: { pieces: [{ id: 'p/m' }] } });
    expect(asked(page(), [CUT_BASE, CUT_MAT])).toMatchObject({ ok: false, problem: { code: 'nothing-to-cut' } });
  });
  test('a page of which something cannot be is not planned, and says what', () => {
    const bad = pageOf(page().items[0]!, photo('p', ['4', '6'], [layer('m', { reveal: { style: 'even' } })]));
    expect(buildPageJob('p', derivePage(bad), drawer, DEFAULT_HABITS)).toEqual({
      ok: false,
      problem: { code: 'page-refused', parts: ['p'] },
    });
  });
});

describe('what is cut, after the page changed', () => {
  const state = (of: Page, done: CutPiece[]) =>
    assessCutPieces(derivePage(of).pieces, done, (p) => wantedCountOf(p, of));
  const withMat = (width: string, height: string, more: object = {}) =>
    pageOf(
      page().items[0]!,
      photo('p', [width, height], [layer('m', '1/4')], { wishes: { m: wishFor('teal', more) } }),
    );
  const mat = (of: Page, done: CutPiece[]) => state(of, done).pieces.get('p/m');
  test('still right, to be trimmed to it, or to be cut again', () => {
    expect(mat(page(), [CUT_MAT])).toEqual({ right: 1, trim: [], again: 0 });
    expect(mat(withMat('3 1/2', '6'), [CUT_MAT])).toEqual({ right: 0, trim: [CUT_MAT], again: 0 });
    const larger = state(withMat('4 1/2', '6'), [CUT_MAT]);
    expect(larger.pieces.get('p/m')).toEqual({ right: 0, trim: [], again: 1 });
    expect(larger.unwanted).toEqual([CUT_MAT]);
  });
  test('as wide but too high, or the other way round, it is trimmed; larger both ways too, and turned if need be', () => {
    const trims = (width: string, height: string) => mat(page(), [{ ...CUT_MAT, width, height }])?.trim.length;
    const { width, height } = CUT_MAT;
    expect([trims(String(width), '9'), trims('9', String(height)), trims('9', '9')]).toEqual([1, 1, 1]);
    expect([trims('9', String(width)), trims(String(height), '9')]).toEqual([1, 1]);
    expect([trims(String(width), '5'), trims('4', String(height))]).toEqual([0, 0]);
  });
  test('turned only where the pattern may be', () => {
    const flat = { ...CUT_MAT, width: CUT_MAT.height, height: CUT_MAT.width };
    expect(mat(page(), [flat])).toMatchObject({ right: 1 });
    expect(mat(withMat('4', '6', { direction: 'height' }), [flat])).toMatchObject({ right: 0, again: 1 });
  });
  test('from another paper or side it will not do', () => {
    expect(mat(page(), [{ ...CUT_MAT, paper: 'sand' }])).toMatchObject({ again: 1 });
    expect(mat(page(), [{ ...CUT_MAT, side: 'B' }])).toMatchObject({ again: 1 });
    expect(mat(withMat('4', '6', { side: 'any' }), [{ ...CUT_MAT, side: 'B' }])).toMatchObject({ right: 1 });
  });
  test('what nothing wants any more, or there is too much of, is free', () => {
    expect(state(pageOf(page().items[0]!), [CUT_BASE, CUT_MAT]).unwanted).toEqual([CUT_MAT]);
    expect(state(page(), [CUT_MAT, CUT_MAT]).unwanted).toEqual([CUT_MAT]);
    const spared = { ...page(), spares: ['p/m'] };
    expect(state(spared, [CUT_MAT, CUT_MAT]).unwanted).toEqual([]);
  });
  test('one that is right is taken before one that must be trimmed', () => {
    const big = cut('p/m', '9', '9');
    expect(mat(page(), [big, CUT_MAT])).toEqual({ right: 1, trim: [], again: 0 });
    expect(state(page(), [big, CUT_MAT]).unwanted).toEqual([big]);
  });
  test('a piece to be trimmed is not asked of the planner again', () => {
    const smaller = withMat('3 1/2', '6');
    expect(buildPageJob('p', derivePage(smaller), drawer, DEFAULT_HABITS, [CUT_MAT])).toMatchObject({
      ok: true,
      job: { pieces: [{ id: 'base/base' }] },
    });
  });
});

describe('pieces that are finished by hand', () => {
  const strips = pageOf(banners('tails', { count: 5 }, { wishes: { strip: wishFor('teal') } }));
  const asked = buildPageJob('p', derivePage(strips), drawer, DEFAULT_HABITS, [], {
    copies: 2,
    spares: ['tails/strip'],
    first: [],
  });
  if (!asked.ok) throw new Error(asked.problem.code);
  const read = readJob(asked.job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const job = { ...read.job, nodes: 100 };
  const plan = planJob(job, { now: () => 0 });
  test('are asked for as blanks, as often as they are wanted, with what is done to them', () => {
    expect(asked.job.pieces).toMatchObject([
      { id: 'tails/strip', quantity: 10, finish: [{ do: 'notch', edge: 'bottom', depth: '1', at: '1' }] },
      { id: 'tails/strip spare', quantity: 1 },
    ]);
    expect(asked.job.pieces[0]!.shape).toEqual([
      ['0', '0'],
      ['1', '1'],
      ['2', '0'],
      ['2', '6'],
      ['0', '6'],
    ]);
    expect(job.pieces[0]!.finish).toEqual([{ do: 'notch', edge: 'bottom', depth: lengthOf('1'), at: lengthOf('1') }]);
    expect(verifyPlan(job, plan)).toEqual([]);
  });
  test('once the last of them has come off, all at once', () => {
    const order = buildOrderSteps(job, plan);
    expect(order.filter((s) => s.do === 'plan').map((s) => s.do === 'plan' && s.index)).toEqual([...plan.steps.keys()]);
    const hand = order.filter((s) => s.do === 'finish');
    expect(hand.map((s) => s.do === 'finish' && [s.piece.id, s.copies])).toEqual(
      expect.arrayContaining([
        ['tails/strip', 10],
        ['tails/strip spare', 1],
      ]),
    );
    for (const step of hand) {
      if (step.do !== 'finish') continue;
      // every sheet that gives one of them has had its last cut for it
      const at = order.indexOf(step);
      const before = order.slice(0, at).flatMap((s) => (s.do === 'plan' ? [s.index] : []));
      expect(Math.max(-1, ...before)).toBe(step.after);
      const done = computeCutEffects(job, plan, 'p', 'd', { steps: step.after + 1 });
      const off = done.pieces.filter((p) => p.piece === pagePieceIdOf(step.piece.id)).length;
      expect(off).toBeGreaterThanOrEqual(step.copies);
    }
  });
  test('pieces without finishing add nothing', () => {
    const plain = buildPageJob('p', derivePage(page()), drawer, DEFAULT_HABITS);
    const again = plain.ok ? readJob(plain.job) : null;
    if (!again?.ok) throw new Error();
    const other = planJob({ ...again.job, nodes: 60 }, { now: () => 0 });
    expect(buildOrderSteps(again.job, other).map((s) => s.do)).toEqual(other.steps.map(() => 'plan'));
  });
});

describe('paper in one line', () => {
  const papers = [
    { id: 'teal', name: 'Teal dunes' },
    { id: 'deep', name: 'Deep teal' },
    { id: 'sand', name: 'Sand' },
  ];
  test.each([
    ['scrap 5 1/2 x 3 sand x2', { kind: 'scrap', width: '5 1/2', height: '3', quantity: 2, paper: { id: 'sand' } }],
    ['sheet 12x12 teal dunes', { kind: 'sheet', quantity: 1, paper: { id: 'teal' } }],
    ['3x sand 10 x 15 cm', { kind: 'scrap', width: '10 cm', height: '15 cm', quantity: 3, paper: { id: 'sand' } }],
    ['12 x 12 gull grey', { kind: 'sheet', paper: null, paperWords: 'gull grey' }],
    ['pad 6 by 6 deep', { kind: 'pad', paper: { id: 'deep' } }],
  ])('%s', (line, expected) => expect(parseStockLine(line, papers, 'in')).toMatchObject({ ok: true, ...expected }));
  test.each([
    ['scrap teal', 'size-unreadable'],
    ['scrap 5 x 3 teal', 'ambiguous-paper'],
    ['scrap 0 x 3 sand', 'length-not-positive'],
    ['scrap 5 x 3 sand x99999', 'quantity'],
  ])('%s: %s', (line, code) =>
    expect(parseStockLine(line, papers, 'in')).toMatchObject({ ok: false, problem: { code } }),
  );

  test('copies, spares and hidden centres are asked for; what is cut is not asked for again', () => {
    const order = { copies: 3, spares: ['p/m'], first: [] };
    const derived = derivePage(page());
    const asked = buildPageJob('p', derived, drawer, { ...DEFAULT_HABITS, centres: '1/2' }, [], order);
    expect(asked).toMatchObject({
      ok: true,
      job: {
        pieces: [
          // the mat lies on the base, the print on the mat
          { id: 'base/base', quantity: 3, opening: { width: '3 1/2', height: '5 1/2' } },
          { id: 'p/m', quantity: 3, opening: { x: '3/4', y: '3/4', width: '3', height: '5' } },
          { id: 'p/m spare', name: 'p mat 1, spare', quantity: 1, priority: 1 },
        ],
      },
    });
    expect([pagePieceIdOf('p/m spare'), isSpare('p/m spare'), isSpare('p/m')]).toEqual(['p/m', true, false]);
    const first = buildPageJob('p', derived, drawer, DEFAULT_HABITS, [], { ...order, first: ['p/m'] });
    expect(first.ok && first.job.pieces.map((p) => p.priority)).toEqual([2, 3, 1]);
    const done = [...Array(3).fill(CUT_BASE), CUT_MAT, CUT_MAT];
    const later = buildPageJob('p', derived, drawer, DEFAULT_HABITS, done, order);
    expect(later.ok && later.job.pieces.map((p) => [p.id, p.quantity])).toEqual([
      ['p/m', 1],
      ['p/m spare', 1],
    ]);
  });
});

describe('a plan cut in part', () => {
  const document = normalJob(6);
  document.plan = { ...document.plan, nodes: 100 };
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const { job } = read;
  const plan = planJob(job, { now: () => 0 });
  const areaOf = (list: readonly { width: unknown; height: unknown; unit: 'in' | 'mm' }[]) =>
    list.reduce((sum, item) => {
      const { width, height } = sizeOfItem(item as Parameters<typeof sizeOfItem>[0]);
      return sum + width * height;
    }, 0);
  test('after any number of cuts, paper is neither lost nor made', () => {
    for (let steps = 0; steps <= plan.steps.length; steps++) {
      const effects = computeCutEffects(job, plan, 'p', '2026-03-02', { steps });
      const taken = effects.used.reduce((sum, { stock, count }) => {
        const item = job.stock.find((s) => s.id === stock)!;
        return sum + item.width * item.height * count;
      }, 0);
      const pieces = areaOf(effects.pieces);
      const back = areaOf(effects.kept) + pieces;
      expect({ steps, made: back > taken }).toEqual({ steps, made: false });
      const waste = (plan.totals.wasteArea + plan.totals.kerfArea) * 24384 ** 2;
      expect({ steps, lost: taken - back > waste + 1 }).toEqual({ steps, lost: false });
      // what no step has touched yet is in the drawer still; a sheet used whole needs none
      const whole = findSheetsUsedWhole(plan).length;
      const touched =
        new Set(plan.steps.slice(0, steps).flatMap((s) => s.sheets)).size + (steps === plan.steps.length ? whole : 0);
      expect(effects.used.reduce((sum, { count }) => sum + count, 0)).toBe(touched);
    }
    expect(computeCutEffects(job, plan, 'p', 'd', { steps: 0 })).toMatchObject({ used: [], kept: [], pieces: [] });
    const wanted = job.pieces.reduce((sum, p) => sum + p.quantity, 0);
    const missing = plan.missing.reduce((sum, m) => sum + m.quantity, 0);
    for (const some of [{}, { steps: plan.steps.length }])
      expect(computeCutEffects(job, plan, 'p', 'd', some).pieces).toHaveLength(wanted - missing);
  });
  test('a spoiled copy is wanted again', () => {
    const all = computeCutEffects(job, plan, 'p', 'd').pieces;
    const { piece } = all[0]!;
    const { pieces } = computeCutEffects(job, plan, 'p', 'd', { spoiled: [{ piece, copy: 1 }] });
    const n = (list: readonly CutPiece[]) => list.filter((p) => p.piece === piece).length;
    expect(n(pieces)).toBe(n(all) - 1);
  });
  test('planned again with one piece more, sheets that are as good as before keep their cuts', () => {
    const piece = job.pieces[0]!;
    const more = { ...job, pieces: [{ ...piece, quantity: piece.quantity + 1 }, ...job.pieces.slice(1)] };
    const again = planJob(more, { now: () => 0, earlier: plan });
    expect(verifyPlan(more, again)).toEqual([]);
    const shapes = (p: typeof plan) =>
      p.sheets.map((s) => `${s.stock} ${JSON.stringify(s.tree).replace(/"copy":\d+/g, '')}`);
    const before = new Set(shapes(plan));
    const kept = shapes(again).filter((s) => before.has(s)).length;
    const anew = planJob(more, { now: () => 0 });
    const paper = (p: typeof plan) => [p.totals.newSheetArea, p.totals.wasteArea];
    // here planning anew saves none, so that all are kept
    paper(again).forEach((v, i) => expect(v).toBeLessThanOrEqual(paper(anew)[i]!));
    expect(kept).toBe(plan.sheets.length);
  });
});
