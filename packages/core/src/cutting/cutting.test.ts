import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import { derivePage, emptyPage, type Page, type Wish } from '../page/index.ts';
import { planJob, readJob, verifyPlan } from '../planner/index.ts';
import { NO_TRIM, USUAL_HABITS, sayStock, sizeOfItem, type Drawer } from '../stock/index.ts';
import { normalJob } from '../planner/makers.ts';
import { effectsOf, jobOfPage, partOfPiece } from './index.ts';

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
const wish = (paper: string): Wish => ({ papers: [paper], side: 'A', direction: 'any' });
const page = (): Page => ({
  ...emptyPage('page'),
  base: { name: 'base', paper: wish('sand') },
  photos: [
    {
      id: 'p',
      name: 'photo',
      print: { width: '4', height: '6', known: 'measured' },
      mats: [{ id: 'm', name: 'mat', reveal: ['1/4'], paper: wish('teal') }],
      at: { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } },
    },
  ],
});

describe('from a page to the drawer again', () => {
  test('the scrap is used, the base takes its sheet, a kept offcut goes back with its origin', () => {
    const asked = jobOfPage('page', derivePage(page()), drawer, USUAL_HABITS);
    if (!asked.ok) throw new Error(asked.problem.code);
    const read = readJob(asked.job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const job = { ...read.job, nodes: 100 };
    const plan = planJob(job, { now: () => 0 });
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan.status).toBe('complete');
    const effects = effectsOf(job, plan, 'page-1', '2026-03-02');
    expect(effects.used).toEqual([
      { stock: 't2', count: 1 },
      { stock: 's1', count: 1 },
    ]);
    expect([...effects.parts].sort()).toEqual(['base', 'm']);
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
    const metric = { ...page(), unit: 'mm' as const, mark: '1 mm' as const, width: '305', height: '305' };
    metric.photos[0]!.print = { width: '100', height: '150', known: 'measured' };
    metric.photos[0]!.mats[0]!.reveal = ['6'];
    const asked = jobOfPage('p', derivePage(metric), many, {
      ...USUAL_HABITS,
      cutter: { ...USUAL_HABITS.cutter, reach: '12', narrowest: '1/2' },
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
  test('parts already cut are left out; without a paper it says which parts', () => {
    const without = page();
    without.base.paper = null;
    expect(jobOfPage('p', derivePage(without), drawer, USUAL_HABITS)).toEqual({
      ok: false,
      problem: { code: 'no-paper-chosen', parts: ['base'] },
    });
    expect(jobOfPage('p', derivePage(without), drawer, USUAL_HABITS, new Map([['base', 1]]))).toMatchObject({
      ok: true,
      job: { pieces: [{ id: 'm' }] },
    });
    expect(
      jobOfPage(
        'p',
        derivePage(page()),
        drawer,
        USUAL_HABITS,
        new Map([
          ['base', 1],
          ['m', 1],
        ]),
      ),
    ).toMatchObject({
      ok: false,
      problem: { code: 'nothing-to-cut' },
    });
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
  ])('%s', (line, expected) => expect(sayStock(line, papers, 'in')).toMatchObject({ ok: true, ...expected }));
  test.each([
    ['scrap teal', 'size-unreadable'],
    ['scrap 5 x 3 teal', 'ambiguous-paper'],
    ['scrap 0 x 3 sand', 'length-not-positive'],
    ['scrap 5 x 3 sand x99999', 'quantity'],
  ])('%s: %s', (line, code) => expect(sayStock(line, papers, 'in')).toMatchObject({ ok: false, problem: { code } }));

  test('copies, spares and hidden centres are asked for; what is cut is not asked for again', () => {
    const order = { copies: 3, spares: ['m'] };
    const asked = jobOfPage('p', derivePage(page()), drawer, { ...USUAL_HABITS, centres: '1/2' }, new Map(), order);
    expect(asked).toMatchObject({
      ok: true,
      job: {
        pieces: [
          // the mat lies on the base, the print on the mat
          { id: 'base', quantity: 3, opening: { width: '3 1/2', height: '5 1/2' } },
          { id: 'm', quantity: 3, opening: { x: '3/4', y: '3/4', width: '3', height: '5' } },
          { id: 'm spare', name: 'mat, spare', quantity: 1, priority: 1 },
        ],
      },
    });
    expect(partOfPiece('m spare')).toBe('m');
    const first = jobOfPage('p', derivePage(page()), drawer, USUAL_HABITS, new Map(), { ...order, first: ['m'] });
    expect(first.ok && first.job.pieces.map((p) => p.priority)).toEqual([2, 3, 1]);
    const later = jobOfPage('p', derivePage(page()), drawer, USUAL_HABITS, new Map([['base', 3], ['m', 2]]), order); // prettier-ignore
    expect(later.ok && later.job.pieces.map((p) => [p.id, p.quantity])).toEqual([['m', 1], ['m spare', 1]]); // prettier-ignore
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
      const effects = effectsOf(job, plan, 'p', '2026-03-02', { steps });
      const taken = effects.used.reduce((sum, { stock, count }) => {
        const item = job.stock.find((s) => s.id === stock)!;
        return sum + item.width * item.height * count;
      }, 0);
      const pieces = effects.parts.reduce((sum, id) => {
        const piece = job.pieces.find((p) => p.id === id)!;
        return sum + piece.width * piece.height;
      }, 0);
      const back = areaOf(effects.kept) + pieces;
      expect({ steps, made: back > taken }).toEqual({ steps, made: false });
      const waste = (plan.totals.wasteArea + plan.totals.kerfArea) * 24384 ** 2;
      expect({ steps, lost: taken - back > waste + 1 }).toEqual({ steps, lost: false });
      expect(new Set(plan.steps.slice(0, steps).flatMap((s) => s.sheets)).size <= plan.sheets.length).toBe(true);
    }
    expect(effectsOf(job, plan, 'p', 'd', { steps: 0 })).toMatchObject({ used: [], kept: [], parts: [] });
    expect(effectsOf(job, plan, 'p', 'd').parts).toHaveLength(
      effectsOf(job, plan, 'p', 'd', { steps: plan.steps.length }).parts.length,
    );
  });
  test('a spoiled copy is wanted again', () => {
    const [first] = effectsOf(job, plan, 'p', 'd').parts;
    const copy = 1;
    const { parts } = effectsOf(job, plan, 'p', 'd', { spoiled: [{ piece: first!, copy }] });
    const n = (list: readonly string[]) => list.filter((p) => p === first).length;
    expect(n(parts)).toBe(n(effectsOf(job, plan, 'p', 'd').parts) - 1);
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
    // kept throughout, unless planning anew saves paper
    const paper = (p: typeof plan) => [p.totals.newSheetArea, p.totals.wasteArea];
    if (paper(again).every((v, i) => v <= paper(anew)[i]!)) expect(kept).toBe(plan.sheets.length);
    expect(again.totals.newSheetArea).toBeLessThanOrEqual(anew.totals.newSheetArea);
  });
});
