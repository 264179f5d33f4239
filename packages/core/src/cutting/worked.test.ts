import { describe, expect, test } from '@jest/globals';
import { at, base, layer, page as pageOf, photo, wishFor } from '../../testing/pages.ts';
import { derivePage, newItem, type Item, type Page } from '../page/index.ts';
import { planJob, readJob, verifyPlan, type JobDocument, type WayOut } from '../planner/index.ts';
import { NO_TRIM, DEFAULT_HABITS, type Drawer, type Habits, type StockItem } from '../stock/index.ts';
import { buildPageJob, applyWayOut } from './index.ts';

/* Numbers worked out by hand and checked, from the page to the sheets: what it takes, and what would help. */

const look = { pattern: 'plain', ground: '#88aacc', ink: '#335577' } as const;
const side = (name: 'A' | 'B') => ({ side: name, name, direction: 'none', along: 'height', look }) as const;
const stock = (id: string, paper: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper,
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'sheet',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const drawerOf = (...items: StockItem[]): Drawer => ({
  papers: [
    { id: 'reed', name: 'Reed', sides: [side('A'), side('B')] },
    { id: 'chalk', name: 'Chalk', sides: [side('A')] },
  ],
  stock: items,
});
function asked(page: Page, drawer: Drawer, habits: Habits = DEFAULT_HABITS): JobDocument {
  const made = buildPageJob('worked numbers', derivePage(page), drawer, habits);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return { ...made.job, plan: { ...made.job.plan, nodes: 80 } };
}
const planned = (document: JobDocument) => {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  return plan;
};
const chalk = stock('chalk', 'chalk', '12', '12', { quantity: 9 });
const mat = (id: string, print: [string, string], paper = 'reed', direction: 'any' | 'height' = 'any'): Item =>
  photo(id, print, [layer('m', '1/8')], { wishes: { m: wishFor(paper, { direction, side: 'any' }) } });

describe('row 25: three 4 1/4 × 6 1/4 mats and a 5 × 3 tag from 12 × 12', () => {
  const page = (direction: 'any' | 'height') =>
    pageOf(
      ...['a', 'b', 'c'].map((id) => mat(id, ['4', '6'], 'reed', direction)),
      mat('tag', ['4 3/4', '2 3/4'], 'reed', direction),
    );
  const sheets = stock('reed', 'reed', '12', '12', { quantity: 4 });
  // a plain paper may always turn: a scene has an up
  const drawer: Drawer = {
    papers: [{ id: 'reed', name: 'Reed', sides: [{ ...side('A'), direction: 'one-way' }] }],
    stock: [sheets],
  };
  test('free to turn: one sheet', () => expect(planned(asked(page('any'), drawer)).totals.newSheets).toBe(1));
  test('mats locked upright: two', () => expect(planned(asked(page('height'), drawer)).totals.newSheets).toBe(2));
});

test('row 26: two 2 1/2 × 5 3/4 pieces come from a 3 × 12 scrap, and no sheet is opened', () => {
  const page = pageOf(mat('a', ['2 1/4', '5 1/2']), mat('b', ['2 1/4', '5 1/2']));
  const scrap = stock('scrap', 'reed', '3', '12', { kind: 'scrap' });
  const plan = planned(asked(page, drawerOf(scrap, stock('reed', 'reed', '12', '12'))));
  expect([plan.totals.newSheets, plan.totals.scraps]).toEqual([0, 1]);
});

describe('row 27: a band whose middle lies hidden', () => {
  /** 12 × 1, 3 1/2 of it under a mat that covers it from edge to edge. */
  const page: Page = pageOf(
    {
      ...newItem({
        id: 'band',
        name: 'band',
        recipe: 'block-band',
        input: {
          run: 'level',
          band: { high: '1' },
          blocks: [{ id: 'all', share: 1 }],
          join: { how: 'butt' },
        },
      }),
      wishes: { all: wishFor('reed') },
    },
    photo('p', ['3', '4'], [layer('m', '1/4')], { wishes: { m: wishFor('chalk') } }),
  );
  const drawer = drawerOf(stock('scrap', 'reed', '10 3/4', '1', { kind: 'scrap' }), chalk);
  const job = asked(page, drawer);
  const help = planned(job).missing[0]!.help;
  test('whole it is 1 1/4 short; two ends that tuck under do, before a join that overlaps', () => {
    expect(job.pieces.find((p) => p.id === 'band/all')!.ends).toEqual({ along: 'width', from: '4 1/2', to: '7 1/2' });
    expect(help.map((h) => h.how.do).filter((how) => how === 'ends' || how === 'join')[0]).toBe('ends');
    expect(help.find((h) => h.how.do === 'ends')).toEqual({
      how: { do: 'ends', along: 'width', from: 4.5, to: 7.5 },
      cut: 1,
      newSheetArea: 0,
    });
  });
  test('taken, it is two pieces of 4 1/2, and 1 3/4 of the scrap is left', () => {
    const way = help.find((h) => h.how.do === 'ends')!.how as WayOut['how'];
    const taken = applyWayOut(page, derivePage(page), 'band/all', way);
    if (!taken || !('page' in taken)) throw new Error('not taken');
    const again = asked(taken.page, drawer);
    expect(again.pieces.filter((p) => p.id.startsWith('band'))).toMatchObject([
      { width: '4 1/2', height: '1', quantity: 2 },
    ]);
    const plan = planned(again);
    expect([plan.status, plan.totals.newSheets]).toEqual(['complete', 1]);
    const widths: number[] = [];
    const walk = (node: (typeof plan.sheets)[number]['tree']): void => {
      if (node.parts) return node.parts.forEach(walk);
      widths.push(node.width);
    };
    plan.sheets.filter((s) => s.stock === 'scrap').forEach((s) => walk(s.tree));
    expect(widths.sort()).toEqual([1.75, 4.5, 4.5]);
  });
  test('not where its end is what lies hidden, or nothing but a corner', () => {
    const aside = (where: Item['at']) => ({
      ...page,
      items: page.items.map((i) => (i.id === 'p' ? { ...i, at: where } : i)),
    });
    const ends = (of: Page) => asked(of, drawer).pieces.find((p) => p.id === 'band/all')!.ends;
    expect(ends(aside(at('left', 0, 'centre', 0)))).toBeUndefined();
    expect(ends(aside(at('centre', 0, 'centre', '2 1/2')))).toBeUndefined();
  });
});

describe('row 28: both faces of one sheet', () => {
  const tag = (id: string): Item =>
    photo(id, ['1 3/4', '2 3/4'], [layer('m', '1/8')], { wishes: { m: wishFor('reed', { side: 'B' }) } });
  const page = (opaque: boolean): Page =>
    pageOf(
      base([layer('panel', { reveal: { style: 'two' }, width: '9 1/2', height: '10' })], {
        wishes: { base: wishFor('reed', { side: 'A' }), ...(opaque ? { panel: wishFor('chalk') } : {}) },
      }),
      ...['a', 'b', 'c', 'd'].map(tag),
    );
  const habits = { ...DEFAULT_HABITS, centres: '1/2' };
  const one = stock('reed', 'reed', '12', '12');
  test('the base from face A, four 2 × 3 tags from the hidden centre of face B: none to buy', () => {
    const plan = planned(asked(page(true), drawerOf(one, chalk), habits));
    expect(plan.status).toBe('complete');
    expect(plan.sheets.filter((s) => s.stock === 'reed')).toHaveLength(1);
  });
  test('left whole, the tags are short, and each can be bought for', () => {
    const short = planned(asked(page(true), drawerOf(one, chalk)));
    expect(short.missing.map((m) => m.piece)).toEqual(['a/m', 'b/m', 'c/m', 'd/m']);
    expect(short.missing[0]!.help[0]!.how.do).toBe('buy');
  });
});
