import { describe, expect, test } from '@jest/globals';
import { at, banners, base, layer, page as pageOf, photo } from '../../testing/pages.ts';
import { inches, ticks } from '../length/index.ts';
import { derivePage, emptyPage, newItem, type Item, type Page, type Wish } from '../page/index.ts';
import { planJob, readJob, verifyPlan, type JobDocument, type WayOut } from '../planner/index.ts';
import { NO_TRIM, DEFAULT_HABITS, type Drawer, type StockItem } from '../stock/index.ts';
import { computeCutEffects, buildPageJob, findArtworkPlace, exactSizeOnItem, applyWayOut } from './index.ts';

const look = { pattern: 'plain', ground: '#88aacc', ink: '#335577' } as const;
const item = (id: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: 'sky',
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
const drawerOf = (...stock: StockItem[]): Drawer => ({
  papers: [
    {
      id: 'sky',
      name: 'Sky wash',
      sides: [
        { side: 'A', name: 'clouds', direction: 'one-way', along: 'height', look },
        { side: 'B', name: 'plain', direction: 'none', along: 'height', look },
      ],
    },
    { id: 'sand', name: 'Sand', sides: [{ side: 'A', name: 'sand', direction: 'none', along: 'height', look }] },
  ],
  stock,
});
const wish: Wish = { papers: ['sky'], side: 'A', direction: 'any' };
/** A band across the page with a photo on it, whose mat covers the band from edge to edge for 4 1/2 in. */
const page = (band: Partial<Wish> = {}, where: Item['at'] = at('centre', 0, 'centre', 0)): Page =>
  pageOf(
    base([layer('band', { reveal: { style: 'two' }, width: '11 1/2', height: '3' })], {
      wishes: { band: { ...wish, ...band } },
      names: { band: 'band' },
    }),
    photo('p', ['4', '6'], [layer('m', '1/4')], { wishes: { m: { ...wish, papers: ['sand'] } }, at: where }),
  );
/** The same with a paper for its base. */
const based = (of: Page): Page => ({
  ...of,
  items: of.items.map((i) =>
    i.id === 'base' ? { ...i, wishes: { ...i.wishes, base: { ...wish, papers: ['sand'] } } } : i,
  ),
});
function asked(of: Page, drawer: Drawer): JobDocument {
  const made = buildPageJob('windsock page', derivePage(based(of)), drawer, DEFAULT_HABITS);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return { ...made.job, plan: { ...made.job.plan, nodes: 60 } };
}
const piece = (job: JobDocument, id: string) => job.pieces.find((p) => p.id === id)!;
const sand = item('sand-full', '12', '12', { paper: 'sand', quantity: 3 });
const planned = (document: JobDocument) => {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  return { job: read.job, plan };
};

describe('what a page hides of a part', () => {
  test('the centre of a folded card stays, whatever lies on it', () => {
    const card = newItem({
      id: 'card',
      name: 'card',
      recipe: 'folded-card',
      input: {
        card: { width: '6', height: '6' },
        fold: 'side',
        leaves: 4,
        base: {},
        panels: 'front',
        panel: {},
        reveal: '1/4',
      },
    });
    const of: Page = {
      ...emptyPage('Card'),
      items: [{ ...card, wishes: { base: wish, panel: { ...wish, papers: ['sand'] } } }],
    };
    const habits = { ...DEFAULT_HABITS, centres: '1/4' };
    const drawer = drawerOf(item('a', '12', '12'), item('b', '12', '12', { paper: 'sand' }));
    const made = buildPageJob('card', derivePage(of), drawer, habits);
    if (!made.ok) throw new Error(JSON.stringify(made.problem));
    expect(made.job.pieces.map((p) => [p.id, p.opening])).toEqual([
      ['card/base', undefined],
      ['card/panel', undefined],
    ]);
  });
  test('nothing is hidden by what is seen past, or of pieces of which there are several', () => {
    const strips = banners('tails', { count: 2, strip: { width: '2', length: '5' } }, { wishes: { strip: wish } });
    const drawer = drawerOf(item('s', '12', '12', { quantity: 4 }), sand);
    const centres = { ...DEFAULT_HABITS, centres: '1/4' };
    const under = pageOf(
      ...based(pageOf(base())).items,
      photo('p', ['6', '6'], [layer('m', '1')], { wishes: { m: wish } }),
      strips,
    );
    const made = buildPageJob('p', derivePage(under), drawer, centres);
    if (!made.ok) throw new Error(made.problem.code);
    const opening = (id: string) => piece(made.job, id).opening;
    // the largest that covers all of its own box is the mat, not the notched strips
    expect(opening('base/base')).toMatchObject({ width: '7 1/2' });
    expect(opening('p/m')).toMatchObject({ width: '5 1/2' });
    expect(opening('tails/strip')).toBeUndefined();
  });
  test('a join behind what lies across it, an eighth away from its edges', () => {
    const { join, least } = piece(asked(page(), drawerOf(item('s', '12', '12'), sand)), 'base/band');
    // the mat lies from 3 1/2 to 8 in along the band
    expect(join).toEqual({ along: 'width', from: '3 5/8', to: '7 3/8', overlap: '1/2' });
    expect(least).toBeUndefined();
    expect(piece(asked(page(), drawerOf(item('s', '12', '12'), sand)), 'p/m').join).toBeUndefined();
  });
  test('no join where the cover leaves some of the band to be seen, above or below it', () => {
    const joinOf = (up: string | number) =>
      piece(asked(page({}, at('centre', 0, 'centre', up)), drawerOf(item('s', '12', '12'), sand)), 'base/band').join;
    // the mat is 6 1/2 high and the band 3: it may lie up to 1 3/4 off the middle
    expect([joinOf('1 3/4'), joinOf('-1 3/4')].map((join) => join?.along)).toEqual(['width', 'width']);
    expect([joinOf('2'), joinOf('-2')]).toEqual([undefined, undefined]);
  });
  test('an end that is tucked further under than it need be', () => {
    const tucked = page({}, at('right', '0', 'centre', 0));
    const { least } = piece(asked(tucked, drawerOf(item('s', '12', '12'), sand)), 'base/band');
    // the band ends at 11 3/4; the mat begins at 7 1/2: 4 1/4 in are hidden, a quarter of which stays
    expect(least).toEqual({ width: '7 1/2', height: '3' });
  });
  test('where the paper is too short, the join is a way out', () => {
    const drawer = drawerOf(item('short', '8', '12', { quantity: 2 }), sand);
    const { plan } = planned(asked(page({ direction: 'height' }), drawer));
    const [missing] = plan.missing;
    expect(missing).toMatchObject({ piece: 'base/band', why: 'direction' });
    expect(missing!.help.map((h) => h.how.do)).toEqual(expect.arrayContaining(['join', 'turn']));
  });
});

test('what a blank yields by itself may be cut out and used: the largest of it, whether or not centres are used', () => {
  const derived = derivePage(based(page()));
  const box = (x: number, width: number) => ({ ...at0(x), width: ticks(width), height: ticks(24384) });
  const at0 = (x: number) => ({ x: ticks(x), y: ticks(12192) });
  const pieces = derived.pieces.map((p) =>
    p.id === 'p/m' ? { ...p, yields: [box(12192, 24384), box(48768, 48768)] } : p,
  );
  const made = buildPageJob('p', { ...derived, pieces }, drawerOf(item('s', '12', '12'), sand), {
    ...DEFAULT_HABITS,
    centres: null,
  });
  if (!made.ok) throw new Error(made.problem.code);
  expect(piece(made.job, 'p/m').opening).toEqual({ x: '2', y: '1/2', width: '2', height: '1' });
  expect(piece(made.job, 'base/band').opening).toBeUndefined();
  expect(planned({ ...made.job, plan: { ...made.job.plan, nodes: 100 } }).plan.status).toBe('complete');
});

describe('a piece from exactly there', () => {
  const from = { stock: 'motif', x: '1/2', y: '2 1/4' };
  const drawer = drawerOf(item('motif', '12', '12'), item('scrap', '12', '4', { kind: 'scrap' }), sand);
  test('is cut from there, though a scrap would do', () => {
    const document = asked(page({ from }), drawer);
    expect(piece(document, 'base/band').from).toEqual({ stock: 'motif', x: '1/2 in', y: '2 1/4 in' });
    const { plan } = planned(document);
    expect(plan.status).toBe('complete');
    const held = JSON.stringify(plan.sheets.find((s) => s.stock === 'motif'));
    expect(held).toMatch(/"x":0.5,"y":2.25,[^}]*"holds":\{"piece":"base\/band"/);
  });
  test('whose paper is gone is said, not cut from elsewhere', () => {
    const gone = page({ from: { ...from, stock: 'gone' } });
    const made = buildPageJob('p', derivePage(gone), drawer, DEFAULT_HABITS);
    expect(made).toMatchObject({ ok: false });
    const named = buildPageJob('p', derivePage(based(gone)), drawer, DEFAULT_HABITS);
    expect(named).toEqual({ ok: false, problem: { code: 'place-gone', parts: ['band'] } });
  });
  test('lies there upright where it may, else turned, or not at all', () => {
    const size = { width: 3, height: 2 } as never;
    const [sky] = drawer.papers;
    const on = (turned: StockItem['turned'], direction: Wish['direction'], side: Wish['side'] = 'A') =>
      exactSizeOnItem(size, { ...wish, direction, side }, sky!, { turned });
    expect(on(0, 'any')).toEqual({ width: 3, height: 2 });
    expect(on(90, 'height')).toEqual({ width: 2, height: 3 });
    expect(exactSizeOnItem(size, { ...wish, side: 'B' }, drawer.papers[1]!, { turned: 0 })).toBeNull();
  });
});

describe('lines not to be cut through', () => {
  const uncut: StockItem['uncut'] = [
    [
      ['6', '6'],
      ['9', '11'],
    ],
  ];
  test('go with the offcut that they lie on, counted from its corner', () => {
    const { job, plan } = planned(asked(page(), drawerOf(item('s', '12', '12', { uncut }), sand)));
    expect(plan.status).toBe('complete');
    const { kept } = computeCutEffects(job, plan, 'page', '2026-03-02');
    const [whole] = kept.filter((k) => k.uncut);
    expect(kept.filter((k) => k.uncut)).toHaveLength(1);
    const [[a, b]] = whole!.uncut as [[[string, string], [string, string]]];
    expect([Number(b[0]) - Number(a[0]), Number(b[1]) - Number(a[1])]).toEqual([3, 5]);
    expect(Number(b[1])).toBeLessThanOrEqual(Number(whole!.height));
  });
});

test('where what stays whole is in the way, that is said, and cutting through it is a way out', () => {
  const uncut: StockItem['uncut'] = [
    [
      ['1', '1'],
      ['11', '11'],
    ],
  ];
  const { plan } = planned(asked(page(), drawerOf(item('s', '12', '12', { uncut }), sand)));
  expect(plan.missing).toMatchObject([{ piece: 'base/band', why: 'kept-whole' }]);
  expect(plan.missing[0]!.help.map((h) => h.how)).toContainEqual({ do: 'cut-through', stock: 's' });
});

describe('taking a way out', () => {
  const of = page({ side: 'A', direction: 'height', from: { stock: 'motif', x: 0, y: 0 } });
  const take = (how: Parameters<typeof applyWayOut>[3], id = 'base/band', from = of) =>
    applyWayOut(from, derivePage(from), id, how);
  const itemOf = (taken: ReturnType<typeof take>) => (taken && 'page' in taken ? taken.page.items[0]! : null);
  const wishOf = (taken: ReturnType<typeof take>) => itemOf(taken)?.wishes.band;
  const bandOf = (taken: ReturnType<typeof take>) => (itemOf(taken)?.input as { panels: unknown[] }).panels[0];
  test('changes what the part is wished to be', () => {
    expect(wishOf(take({ do: 'turn' }))!.direction).toBe('any');
    expect(wishOf(take({ do: 'other-side', side: 'B' }))!.side).toBe('B');
    expect(wishOf(take({ do: 'other-paper', paper: 'sand' }))!.papers).toEqual(['sky', 'sand']);
    expect(wishOf(take({ do: 'elsewhere' }))).not.toHaveProperty('from');
  });
  test('or its size', () => {
    expect(bandOf(take({ do: 'shorten', to: 10.5 }))).toMatchObject({ width: '10 1/2', height: '3' });
    expect(bandOf(take({ do: 'tuck', width: 9, height: 3 }))).toMatchObject({ width: '9', height: '3' });
    expect(take({ do: 'shorten', to: 10 }, 'base/base', based(of))).toBeNull();
    const strips = pageOf(banners('tails', {}, { wishes: { strip: wish } }));
    expect(itemOf(take({ do: 'shorten', to: 5 }, 'tails/strip', strips))!.input).toMatchObject({
      strip: { length: '5' },
    });
  });
  test('or the drawer', () => {
    expect(take({ do: 'release', stock: 's' })).toEqual({ item: 's', change: { reserved: false } });
    expect(take({ do: 'cut-through', stock: 's' })).toEqual({ item: 's', change: { uncut: [] } });
    expect(take({ do: 'buy', paper: 'sky', width: 12, height: 12, quantity: 2 })).toMatchObject({
      bought: { paper: 'sky', width: '12', height: '12', quantity: 2, kind: 'sheet', unit: 'in' },
    });
  });
  test('made of two, or of many; a part that is too large itself is parted once more', () => {
    const built = (how: Parameters<typeof applyWayOut>[3], id?: string, from?: Page) =>
      wishOf(take(how, id, from))!.built;
    expect(built({ do: 'join', along: 'width', at: 4, overlap: 0.5 })).toEqual({
      across: ['4'],
      up: [],
      overlap: '1/2',
    });
    expect(built({ do: 'join', along: 'height', at: 1, overlap: 0.5 })).toMatchObject({ across: [], up: ['1'] });
    // as plans said it before
    expect(take({ do: 'join', along: 'width', at: 4 })).toBeNull();
    const up = { do: 'build-up', across: [6], up: [] as number[], overlap: 0.5 } satisfies WayOut['how'];
    const taken = take(up);
    expect(wishOf(taken)).toEqual({
      papers: ['sky'],
      side: 'A',
      direction: 'height',
      built: { across: ['6'], up: [], overlap: '1/2' },
    });
    if (!taken || !('page' in taken)) throw new Error('not taken');
    // the first part, 6 1/2 wide, is made of two: the second, 5 1/2, stays
    expect(built({ ...up, across: [3] }, 'base/band part 1', taken.page)).toMatchObject({ across: ['3', '6'] });
  });
});

test('artwork of a paper comes to lie at a place of the page, as far as the paper reaches', () => {
  const inch = (n: number) => inches(n);
  const size = { width: inch(4), height: inch(6) };
  const sheet = { width: inch(12), height: inch(12) };
  const place = (x: readonly [number, number] | null, y: readonly [number, number] | null) => {
    const along = (a: readonly [number, number] | null) => a && { sheet: inch(a[0]), page: inch(a[1]) };
    const { spot, misses } = findArtworkPlace({ x: along(x), y: along(y) }, { x: inch(2), y: inch(1) }, size, sheet);
    return [spot.x, spot.y, misses.x, misses.y].map((t) => t / inch(1));
  };
  // a horizon 5 inches up the sheet is to lie 4 inches up the page: the piece, 1 inch up, begins 2 inches up the sheet
  expect(place(null, [5, 4])).toEqual([0, 2, 0, 0]);
  expect(place([6, 3], [5, 4])).toEqual([5, 2, 0, 0]);
  // past the upper edge of the sheet, and before its left one
  expect(place([0, 3], [11, 4])).toEqual([0, 6, -1, 2]);
});
