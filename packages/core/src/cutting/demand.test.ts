import { describe, expect, test } from '@jest/globals';
import { inches, lengthOf } from '../length/index.ts';
import { NO_TRIM, type Drawer, type Paper, type StockItem } from '../stock/index.ts';
import type { Wish } from '../page/index.ts';
import { readJob, type JobDocument } from '../planner/index.ts';
import {
  checkSupply,
  findStaleReservations,
  findOftenCutSizes,
  buildShoppingList,
  collectPaperDemand,
  collectDemandNotes,
  addOtherWantsToJob,
  type WantingPage,
} from './index.ts';

const look = { pattern: 'plain', ground: '#88aacc', ink: '#88aacc' } as const;
const paper = (id: string, more: Partial<Paper> = {}): Paper => ({
  id,
  name: id,
  sides: [
    { side: 'A', name: 'a', direction: 'none', along: 'height', look },
    { side: 'B', name: 'b', direction: 'none', along: 'height', look },
  ],
  ...more,
});
const item = (id: string, of: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: of,
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
const piece = (id: string, width: string, height: string, of: string, more: Partial<Wish> = {}, quantity = 1) => ({
  id,
  width: lengthOf(width),
  height: lengthOf(height),
  quantity,
  wish: { papers: [of], side: 'A', direction: 'any', ...more } as Wish,
});
const pages: WantingPage[] = [
  { id: 'launch', name: 'Launch', pieces: [piece('base', '12', '12', 'swell'), piece('mat', '5', '7', 'gust', {}, 2)] },
  {
    id: 'tails',
    name: 'Tails',
    pieces: [piece('base', '12', '12', 'swell', { side: 'B' }), { ...piece('x', '3', '3', 'gust'), wish: null }],
  },
];
const drawer = (stock: StockItem[]): Drawer => ({
  papers: [paper('swell', { price: 120 }), paper('gust', { price: 900, pack: 12 })],
  stock,
});
const clock = { now: () => 0 };
const swell = () => collectPaperDemand(pages).find((w) => w.paper === 'swell')!;
const gust = () => collectPaperDemand(pages).find((w) => w.paper === 'gust')!;

describe('a job beside other pages', () => {
  const job = {
    format: 'temnex-job',
    version: 2,
    unit: 'in',
    papers: [{ id: 'gust' }],
    pieces: [{ id: 'a', width: '2', height: '2', papers: ['gust'] }],
    stock: [{ id: 's', paper: 'gust', width: '12', height: '12' }],
  } as JobDocument;
  test('has what they want from its own papers, each size once, the largest first', () => {
    const more = { id: 'more', name: 'More', pieces: [piece('y', '7', '5', 'gust'), piece('z', '4 1/16', '8', 'gust'), piece('u', '1', '1', 'gust')] }; // prettier-ignore
    const made = addOtherWantsToJob(job, [...pages, more]);
    expect(made).toMatchObject({ version: 3, pieces: job.pieces, stock: job.stock });
    expect(made.wants).toEqual([
      { width: '5', height: '7', papers: ['gust'] },
      { width: '4 1/16', height: '8', papers: ['gust'] },
      { width: '1', height: '1', papers: ['gust'] },
    ]);
    const read = readJob(made);
    expect(read.ok && read.job.wants.get('gust')?.[0]).toEqual({ width: lengthOf('5'), height: lengthOf('7') });
  });
  test('what was often cut counts for papers of which nothing is wanted', () => {
    const size = (width: string, height: string) => ({ width: lengthOf(width), height: lengthOf(height) });
    const two = { ...job, papers: [{ id: 'gust' }, { id: 'chalk' }, { id: 'slate' }] };
    expect(addOtherWantsToJob(two, pages, [size('4', '6'), size('2', '3')]).wants).toEqual([
      { width: '5', height: '7', papers: ['gust'] },
      { width: '4', height: '6', papers: ['chalk', 'slate'] },
      { width: '2', height: '3', papers: ['chalk', 'slate'] },
    ]);
    // on one page alone it is chance, however many of it; turned it is the same size
    const cut = [
      { pieces: [size('4', '6'), size('2', '3'), size('1', '1'), size('1', '1')] },
      { pieces: [size('6', '4'), size('5', '7')] },
      { pieces: [size('6', '4'), size('7', '5'), size('2', '3')] },
    ];
    expect(findOftenCutSizes(cut).map((s) => [s.width, s.height].sort((a, b) => a - b))).toEqual([
      [lengthOf('4'), lengthOf('6')],
      [lengthOf('5'), lengthOf('7')],
      [lengthOf('2'), lengthOf('3')],
    ]);
    expect(findOftenCutSizes([cut[0]!])).toEqual([]);
  });
  test('stays as it is where they want nothing of its papers; only version 3 knows of it', () => {
    expect(addOtherWantsToJob(job, [])).toBe(job);
    expect(addOtherWantsToJob({ ...job, papers: [{ id: 'other' }] }, pages).wants).toBeUndefined();
    const early = readJob({ ...addOtherWantsToJob(job, pages), version: 2 });
    expect(early).toMatchObject({
      ok: false,
      issues: [{ path: ['wants'], problem: { code: 'needs-version', version: 3 } }],
    });
  });
});

describe('what pages want of each paper', () => {
  test('what is cut already, or of which none is left to cut, wants no paper', () => {
    const none = [
      { ...pages[0]!, pieces: [piece('base', '12', '12', 'swell', {}, 0), piece('mat', '5', '7', 'gust')] },
    ];
    expect(collectPaperDemand(none).map((w) => w.paper)).toEqual(['gust']);
  });
  test('is counted over all of them, the most first, and what has no paper is not counted', () => {
    expect(collectPaperDemand(pages).map((w) => [w.paper, w.count, w.pages.map((p) => [p.id, p.count, p.sides])])).toEqual([
      ['swell', 2, [['launch', 1, ['A']], ['tails', 1, ['B']]]],
      ['gust', 2, [['launch', 2, ['A']]]],
    ]); // prettier-ignore
  });
  test.each<[string, StockItem[], object]>([
    ['two sheets are enough', [item('s', 'swell', '12', '12', { quantity: 2 })], { takes: { sheets: 2 }, buy: { count: 0, pages: [] } }],
    ['of one, a second is bought', [item('s', 'swell', '12', '12')], { takes: { sheets: 1 }, buy: { count: 1 } }],
    ['of none, both, as large as usual', [], { buy: { count: 2, size: { width: inches(12), height: inches(12) }, pages: ['launch', 'tails'] } }],
    ['what is held back is not there', [item('s', 'swell', '12', '12', { reserved: true, quantity: 2 })], { buy: { count: 2 } }],
    ['sheets of one’s own size are bought', [item('s', 'swell', '13', '13')], { buy: { count: 1, size: { width: inches(13), height: inches(13) } } }],
  ])('%s', (_, stock, enough) => expect(checkSupply(swell(), drawer(stock), 'in', clock)).toMatchObject(enough)); // prettier-ignore
  test('scraps and finished pieces of their size count; a finished piece serves as it is', () => {
    const stock = [item('p', 'gust', '5', '7', { kind: 'piece' }), item('c', 'gust', '7', '5', { kind: 'scrap' })];
    expect(checkSupply(gust(), drawer(stock), 'in', clock)).toMatchObject({
      takes: { sheets: 0, scraps: 2 },
      buy: { count: 0 },
    });
    expect(checkSupply(gust(), drawer(stock.slice(1)), 'mm', clock)).toMatchObject({ buy: { count: 1 } });
  });
  test('what is larger than any sheet is named', () => {
    const large = collectPaperDemand([{ id: 'l', name: 'L', pieces: [piece('wall', '14', '20', 'gust')] }]);
    expect(checkSupply(large[0]!, drawer([]), 'in', clock)).toMatchObject({
      buy: { count: 0 },
      beyond: [{ piece: 'l wall', why: 'size' }],
    });
    const [front] = paper('gust').sides;
    const oneFace = { papers: [paper('gust', { sides: [front!] })], stock: [item('g', 'gust', '12', '12')] };
    const back = collectPaperDemand([{ id: 'l', name: 'L', pieces: [piece('x', '4', '4', 'gust', { side: 'B' })] }]);
    expect(checkSupply(back[0]!, oneFace, 'in', clock)).toMatchObject({ beyond: [{ piece: 'l x', why: 'side' }] });
    expect(checkSupply({ ...large[0]!, paper: 'nobody' }, drawer([]), 'in', clock)).toBeNull();
  });
  test('what is to be bought: by the sheet or in packs, with what it costs', () => {
    const list = [swell(), gust()].map((w) => checkSupply(w, drawer([]), 'in', clock)!);
    const papers = new Map(drawer([]).papers.map((p) => [p.id, p]));
    expect(buildShoppingList(list, papers)).toMatchObject([
      { paper: 'swell', count: 2, packs: null, cost: 240 },
      { paper: 'gust', count: 1, packs: 1, cost: 900 },
    ]);
    expect(buildShoppingList(list, new Map())).toMatchObject([{ packs: null, cost: null }, { cost: null }]);
  });
});

describe('what stands out', () => {
  test('both sides of one paper', () => {
    expect(collectDemandNotes(swell(), drawer([]))).toEqual([{ code: 'both-sides', a: ['launch'], b: ['tails'] }]);
    expect(collectDemandNotes(gust(), drawer([]))).toEqual([]);
  });
  test('one and the same sheet, wanted by several', () => {
    const from = { from: { stock: 's', x: '0', y: '0' } } as Partial<Wish>;
    const both = collectPaperDemand(
      ['a', 'b'].map((id) => ({ id, name: id, pieces: [piece('x', '4', '4', 'gust', from)] })),
    );
    expect(collectDemandNotes(both[0]!, drawer([item('s', 'gust', '12', '12')]))).toEqual([
      { code: 'same-item', stock: 's', pages: ['a', 'b'] },
    ]);
    expect(collectDemandNotes(both[0]!, drawer([item('s', 'gust', '12', '12', { quantity: 2 })]))).toEqual([]);
  });
  test('kept for a page that wants none of it', () => {
    const stock = [
      item('s', 'swell', '12', '12', { quantity: 3, reserves: [{ page: 'launch', count: 1 }, { page: 'gone', count: 2 }] }),
      item('t', 'gust', '12', '12', { reserves: [{ page: 'tails', count: 1 }] }),
    ]; // prettier-ignore
    expect(findStaleReservations(pages, stock)).toEqual([
      { code: 'kept-for-nothing', page: 'gone', count: 2 },
      { code: 'kept-for-nothing', page: 'tails', count: 1 },
    ]);
  });
});
