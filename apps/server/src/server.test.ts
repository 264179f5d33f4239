import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { MARKS, inches } from '@temnex/core/length';
import { recipeOf } from '@temnex/core/recipes';
import { derivePage } from '@temnex/core/page';
import { planJob, readJob, type Plan } from '@temnex/core/planner';
import { buildBasis, buildPageJob, type Basis, type CutPiece } from '@temnex/core/cutting';
import {
  ROUTES,
  paperPictureSchema,
  backupPreviewSchema,
  uploadedPhotoSchema,
  type CuttingRecord,
  type DrawerRecord,
  type HabitsRecord,
  type Movement,
  type PageRecord,
  type PlanRecord,
} from '@temnex/contract';
import { DEFAULT_NAMES } from '@temnex/words';
import { pages } from './database/schema.ts';
import { DATABASE, type Database } from './database/types.ts';
import { DEMO_PAGE_ID, demoPage, demoPages } from './demo/demoPages.ts';
import { testServer, type TestServer } from './testing.ts';

// a plan takes its seconds, and on a busy machine a few more

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());
const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
let n = 0;
/** An id for a request of its own. */
const newId = () => `request-${++n}`;
const get = (path: string) => local(request(server.http).get(path));
const post = (path: string, body?: object) =>
  local(
    request(server.http)
      .post(path)
      .send({ id: newId(), ...body }),
  );
const put = (path: string, body: object) => local(request(server.http).put(path).send(body));

describe('pages', () => {
  test('the demo is there, and a page is made, read, saved and removed', async () => {
    expect((await get('/api/pages')).body).toMatchObject(
      demoPages().map(({ id }) => ({
        id,
        demo: true,
        stage: 'papers',
      })),
    );
    const made = await post('/api/pages', { document: { ...demoPage(), name: 'Second day' } });
    expect(made.status).toBe(201);
    const page = made.body as PageRecord;
    const saved = await put(`/api/pages/${page.id}`, { version: 1, document: { ...page.document, name: 'Third day' } });
    expect(saved.body).toMatchObject({ version: 2, document: { name: 'Third day' } });
    expect((await get(`/api/pages/${page.id}`)).body).toEqual(saved.body);
    expect((await local(request(server.http).delete(`/api/pages/${page.id}`))).status).toBe(204);
    expect((await get(`/api/pages/${page.id}`)).status).toBe(404);
  });

  test('a stale save is refused with what is stored, and changes nothing', async () => {
    const { body: page } = (await post('/api/pages', { document: demoPage() })) as { body: PageRecord };
    await put(`/api/pages/${page.id}`, { version: 1, document: { ...page.document, name: 'theirs' } });
    const mine = await put(`/api/pages/${page.id}`, { version: 1, document: { ...page.document, name: 'mine' } });
    expect(mine.status).toBe(409);
    expect(mine.body).toMatchObject({ code: 'stale', current: { version: 2, document: { name: 'theirs' } } });
    expect((await get(`/api/pages/${page.id}`)).body).toMatchObject({ version: 2, document: { name: 'theirs' } });
  });

  test('of many saves of one version at once exactly one goes through', async () => {
    const { body: page } = (await post('/api/pages', { document: demoPage() })) as { body: PageRecord };
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        put(`/api/pages/${page.id}`, { version: 1, document: { ...page.document, name: `writer ${i}` } }),
      ),
    );
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(11);
  });

  test.each<[string, (page: any) => void, string]>([
    ['a length that is none', (p) => (p.items[1].input.print.width = 'four'), 'document.items[1].input.print.width'],
    ['a size of nothing', (p) => (p.ground.width = '0'), 'document.ground.width'],
    ['an unknown field', (p) => (p.glitter = 1), 'document'],
    ['an id used twice', (p) => (p.items[1].id = p.items[0].id), 'document.items[1].id'],
    ['a recipe nobody knows', (p) => (p.items[1].recipe = 'kite'), 'document.items[1].recipe'],
    ['another version of the format', (p) => (p.version = 9), 'document.version'],
  ])('%s is refused, naming the field', async (_, spoil, field) => {
    const document = structuredClone(demoPage());
    spoil(document);
    const answer = await post('/api/pages', { document });
    expect(answer.status).toBe(400);
    expect(answer.body).toMatchObject({ code: 'bad-input', field });
    expect(answer.body.message).toContain(field);
  });
});

test('a page of an earlier version is brought up to date at the door', async () => {
  const old = {
    format: 'temnex-page',
    version: 1,
    name: 'old',
    unit: 'in',
    mark: '1/16',
    width: '8',
    height: '8',
    base: { name: 'base', paper: null },
    panels: [],
    photos: [],
  };
  const { body } = await post('/api/pages', { document: old });
  expect(body).toMatchObject({ document: { version: 2, ground: { width: '8' }, items: [{ recipe: 'base-panels' }] } });
});

test('300 pages are listed from what was kept of each when it was saved', async () => {
  const other = await testServer();
  const service = other.app.get((await import('./pages/pages.service.ts')).PagesService);
  for (let i = 0; i < 300; i++)
    service.create({ id: `many-${i}-pages`, document: { ...demoPage(), name: `page ${i}` } });
  // even documents that nobody can read any more do not keep the others from being listed
  const { db } = openedOf(other);
  db.update(pages)
    .set({ document: { kites: true } as never })
    .run();
  const { body } = await local(request(other.http).get('/api/pages'));
  expect(body).toHaveLength(300 + demoPages().length);
  expect(body[5]).toMatchObject({ parts: 13, stage: 'papers' });
  await other.stop();
});

describe('sent twice, done once', () => {
  const twice = async (path: string, body: object) => {
    const whole = { id: newId(), ...body };
    const [first, again] = [await post(path, whole), await post(path, whole)];
    expect([again.status, again.body]).toEqual([first.status, first.body]);
    expect(first.status).toBeLessThan(300);
    return first.body;
  };
  test('a page, a paper, stock, a movement', async () => {
    const before = (await get('/api/pages')).body.length;
    await twice('/api/pages', { document: demoPage() });
    expect((await get('/api/pages')).body).toHaveLength(before + 1);
    const look = { pattern: 'dots', ground: '#ffffff', ink: '#000000' };
    const sides = [{ side: 'A', name: 'dots', direction: 'none', along: 'height', look }];
    const paper = await twice('/api/papers', { name: 'Fog', sides });
    const item = await twice('/api/stock', {
      paper: paper.id,
      unit: 'in',
      width: '5',
      height: '3',
      quantity: 2,
      kind: 'scrap',
    });
    await twice(`/api/stock/${item.id}/movements`, { why: 'added', by: 3 });
    expect((await get('/api/drawer')).body.stock.find((s: { id: string }) => s.id === item.id).quantity).toBe(5);
    await local(request(server.http).delete(`/api/stock/${item.id}`));
  });
  test('an id that was for something else is refused', async () => {
    const id = newId();
    await post('/api/pages', { id, document: demoPage() });
    expect((await post('/api/demo', { id })).body).toMatchObject({ code: 'bad-input', field: 'id' });
    expect((await post('/api/demo', { id: 'no' })).body).toMatchObject({ code: 'bad-input', field: 'id' });
  });
  test('a save whose answer was lost has been saved', async () => {
    const { body: page } = (await post('/api/pages', { document: demoPage() })) as { body: PageRecord };
    const save = { version: 1, document: { ...page.document, name: 'once' } };
    const first = await put(`/api/pages/${page.id}`, save);
    const again = await put(`/api/pages/${page.id}`, save);
    expect([again.status, again.body]).toEqual([200, first.body]);
  });
});

describe('the drawer', () => {
  test('paper and stock go in, change and come out', async () => {
    const look = { pattern: 'dots', ground: '#ffffff', ink: '#000000' };
    const paper = await post('/api/papers', {
      name: 'Gull grey',
      sides: [{ side: 'A', name: 'dots', direction: 'none', along: 'height', look }],
    });
    expect(paper.status).toBe(201);
    const item = await post('/api/stock', {
      paper: paper.body.id,
      unit: 'in',
      width: '5 1/2',
      height: '3⅛',
      quantity: 2,
      kind: 'scrap',
    });
    expect(item.body).toMatchObject({ width: '5 1/2', height: '3⅛', turned: 0, reserved: false, origin: null });
    const changed = await local(request(server.http).patch(`/api/stock/${item.body.id}`).send({ reserved: true }));
    expect(changed.body).toMatchObject({ quantity: 2, reserved: true });
    // how many there are is never said by a screen that may be old
    const absolute = await local(request(server.http).patch(`/api/stock/${item.body.id}`).send({ quantity: 7 }));
    expect(absolute.body).toMatchObject({ code: 'bad-input' });
    expect((await local(request(server.http).patch(`/api/stock/${item.body.id}`).send({}))).status).toBe(200);
    expect((await local(request(server.http).delete(`/api/stock/${item.body.id}`))).status).toBe(204);
    expect((await get('/api/drawer')).body.stock.map((s: { id: string }) => s.id)).not.toContain(item.body.id);
  });
  test('what is there is the sum of its movements, and can be shown as a history', async () => {
    const item = (
      await post('/api/stock', { paper: 'demo-chalk', unit: 'in', width: '5', height: '3', quantity: 2, kind: 'scrap' })
    ).body;
    const move = (body: object) => post(`/api/stock/${item.id}/movements`, body);
    // two screens that both show 2 take one each, and one more is put in
    await Promise.all([move({ why: 'taken', by: 1 }), move({ why: 'taken', by: 1 }), move({ why: 'added', by: 1 })]);
    expect((await move({ why: 'taken', by: 5 })).body).toMatchObject({ code: 'stock-changed', field: 'by' });
    expect((await move({ why: 'corrected', to: 4 })).body.quantity).toBe(4);
    expect((await move({ why: 'added', by: 0 })).body).toMatchObject({ code: 'bad-input', field: 'by' });
    const history = (await get(`/api/stock/${item.id}/movements`)).body as Movement[];
    expect(history.map((m) => m.by).reduce((a, b) => a + b, 0)).toBe(4);
    expect(history[0]).toMatchObject({ why: 'corrected', by: 3, cutting: null });
    expect(history.at(-1)).toMatchObject({ why: 'added', by: 2 });
    expect((await get('/api/stock/nothing/movements')).status).toBe(404);
    await local(request(server.http).delete(`/api/stock/${item.id}`));
  });
  test('stock of a paper that is not there, and absurd sizes, are refused by field', async () => {
    const good = { paper: 'demo-chalk', unit: 'in', width: '5', height: '3', quantity: 1, kind: 'scrap' };
    expect((await post('/api/stock', { ...good, paper: 'none' })).body).toMatchObject({
      code: 'bad-input',
      field: 'paper',
    });
    expect((await post('/api/stock', { ...good, width: '-5' })).body).toMatchObject({ field: 'width' });
    expect((await post('/api/stock', { ...good, quantity: 0 })).body).toMatchObject({ field: 'quantity' });
  });
  test('habits are remembered', async () => {
    const { habits, version } = (await get('/api/habits')).body as HabitsRecord;
    const answer = await put('/api/habits', { ...habits, aim: 'easiest-cuts' });
    expect(answer.status).toBe(200);
    expect((await get('/api/habits')).body).toMatchObject({ version: version + 1, habits: { aim: 'easiest-cuts' } });
    await put('/api/habits', habits);
    expect((await put('/api/habits', { ...habits, keep: { shorter: 'x', longer: '3' } })).body).toMatchObject({
      field: 'keep.shorter',
    });
  });
});

/** Everything an order of the demo is made from, as a screen has it, and a plan. */
async function planDemo(ask = get): Promise<{ basis: Basis; plan: Plan }> {
  const page = (await ask(`/api/pages/${DEMO_PAGE_ID}`)).body as PageRecord;
  const drawer = (await ask('/api/drawer')).body as DrawerRecord;
  const { habits, version } = (await ask('/api/habits')).body as HabitsRecord;
  const cuts = ((await ask(`/api/pages/${DEMO_PAGE_ID}/cuttings`)).body as CuttingRecord[]).filter((c) => !c.undoneAt);
  const derived = derivePage(page.document, DEFAULT_NAMES);
  const done = cuts.flatMap((c) => c.pieces as CutPiece[]);
  const asked = buildPageJob(page.document.name, derived, drawer, habits, done, page.document);
  if (!asked.ok) throw new Error(asked.problem.code);
  const read = readJob(asked.job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const ids = cuts.map((c) => c.id);
  return {
    basis: buildBasis(page.version, derived.pieces, drawer.papers, version, ids),
    plan: planJob({ ...read.job, nodes: 100 }, { now: () => 0 }),
  };
}
const ORDERS = `/api/pages/${DEMO_PAGE_ID}/plans`;
const touch = (stock: string, change: object) => local(request(server.http).patch(`/api/stock/${stock}`).send(change));

describe('cutting orders', () => {
  test('a plan that does not hold is not stored', async () => {
    const { basis, plan } = await planDemo();
    const spoiled = structuredClone(plan);
    spoiled.totals.wasteArea += 1;
    expect((await post(ORDERS, { basis, plan: spoiled })).body).toMatchObject({
      code: 'plan-refused',
      field: 'plan.totals.wasteArea',
    });
    // one piece fewer than the page asks for is another plan
    const short = structuredClone(plan);
    short.sheets.pop();
    expect((await post(ORDERS, { basis, plan: short })).body).toMatchObject({ code: 'plan-refused' });
    expect((await get(`/api/pages/${DEMO_PAGE_ID}/plan`)).body).toEqual({ plan: null });
  });

  test('a plan is accepted only for exactly the page, drawer and habits that it was made from', async () => {
    const { basis, plan } = await planDemo();
    const refused = async (old: Basis) =>
      expect((await post(ORDERS, { basis: old, plan })).body).toMatchObject({ code: 'out-of-date' });
    await refused({ ...basis, pageVersion: basis.pageVersion + 1 });
    await refused({ ...basis, habits: basis.habits + 1 });
    await refused({ ...basis, cuts: ['another'] });
    // a paper of the page has changed; one that the page does not wish for does not matter
    const drawer = (await get('/api/drawer')).body as DrawerRecord;
    const item = drawer.stock.find((s) => s.paper === 'demo-gust')!;
    await touch(item.id, { reserved: true });
    await refused(basis);
    await touch(item.id, { reserved: false });
    await refused(basis);
    const fresh = await planDemo();
    await post('/api/papers', { name: 'Elsewhere', sides: drawer.papers[0]!.sides });
    expect((await post(ORDERS, fresh)).status).toBe(201);
    const stage = async () => (await get('/api/pages')).body.find((p: { id: string }) => p.id === DEMO_PAGE_ID).stage;
    expect(await stage()).toBe('planned');
    await touch(item.id, { reserved: true });
    expect(await stage()).toBe('out-of-date');
    await touch(item.id, { reserved: false });
  });

  test('stored, printed, cut, taken back: the drawer is as it was', async () => {
    const { basis, plan } = await planDemo();
    expect(plan.status).toBe('complete');
    const before = (await get('/api/drawer')).body as DrawerRecord;
    const stored = await post(ORDERS, { basis, plan });
    expect(stored.status).toBe(201);
    const { id } = stored.body as PlanRecord;
    expect((await get(`/api/pages/${DEMO_PAGE_ID}/plan`)).body.plan).toMatchObject({ id, plan, basis });
    for (const paper of ['a4', 'letter']) {
      const pdf = await get(`/api/plans/${id}/print.pdf?paper=${paper}`).buffer(true);
      expect(pdf.headers['content-type']).toContain('application/pdf');
      expect(String(pdf.body)).toMatch(/^%PDF/);
    }
    expect((await get(`/api/plans/${id}/print.pdf?paper=a9`)).body).toMatchObject({ field: 'paper' });

    const request_ = newId();
    const cut = (await post(`/api/plans/${id}/cut`, { id: request_ })).body as CuttingRecord;
    const after = (await get('/api/drawer')).body as DrawerRecord;
    // seven layers and four pennants
    expect(cut.pieces).toHaveLength(11);
    expect(cut.pieces.find((p) => p.piece === 'launch/m1')).toEqual({
      piece: 'launch/m1',
      unit: 'in',
      width: '4 1/4',
      height: '6 1/4',
      paper: 'demo-chalk',
      side: 'A',
    });
    expect(after.stock.filter((s) => cut.kept.includes(s.id))).toHaveLength(cut.kept.length);
    for (const s of after.stock.filter((item) => cut.kept.includes(item.id)))
      expect(s.origin).toMatchObject({ page: DEMO_PAGE_ID });
    for (const { stock, count } of cut.used) {
      const was = before.stock.find((s) => s.id === stock)!.quantity;
      expect(after.stock.find((s) => s.id === stock)?.quantity ?? 0).toBe(was - count);
      expect((await get(`/api/stock/${stock}/movements`)).body[0]).toMatchObject({
        why: 'used',
        by: -count,
        cutting: cut.id,
      });
    }
    expect((await get('/api/pages')).body.find((p: { id: string }) => p.id === DEMO_PAGE_ID).stage).toBe('cut');
    // the same press again, whose answer was lost, and another one
    expect((await post(`/api/plans/${id}/cut`, { id: request_ })).body).toEqual(cut);
    expect((await post(`/api/plans/${id}/cut`)).body).toMatchObject({ code: 'already-cut' });
    expect((await get('/api/drawer')).body).toEqual(after);

    expect((await post(`/api/cuttings/${cut.id}/undo`)).body.undoneAt).not.toBeNull();
    const back = (await get('/api/drawer')).body as DrawerRecord;
    expect(back.stock).toEqual(before.stock);
    expect((await post(`/api/cuttings/${cut.id}/undo`)).body).toMatchObject({ code: 'already-undone' });
  });

  test('a late plan cannot cut what is cut already, whatever it says', async () => {
    const [mine, theirs] = [await planDemo(), await planDemo()];
    const first = (await post(ORDERS, mine)).body as PlanRecord;
    const second = (await post(ORDERS, theirs)).body as PlanRecord;
    const cut = (await post(`/api/plans/${first.id}/cut`)).body as CuttingRecord;
    expect((await post(`/api/plans/${second.id}/cut`)).body).toMatchObject({ code: 'already-cut' });
    expect((await post(ORDERS, theirs)).body).toMatchObject({ code: 'out-of-date' });
    await post(`/api/cuttings/${cut.id}/undo`);
    // taken back, what it was made from is there again
    const again = (await post(`/api/plans/${second.id}/cut`)).body as CuttingRecord;
    expect(again.pieces).toHaveLength(11);
    await post(`/api/cuttings/${again.id}/undo`);
  });

  test('a plan cut in part: sheets not touched stay, what is in hand becomes scraps, the plan is then spent', async () => {
    const before = (await get('/api/drawer')).body as DrawerRecord;
    const { id } = (await post(ORDERS, await planDemo())).body as PlanRecord;
    expect((await post(`/api/plans/${id}/cut`, { steps: 0 })).body).toMatchObject({ code: 'nothing-cut' });
    expect((await post(`/api/plans/${id}/cut`, { steps: -1 })).body).toMatchObject({
      code: 'bad-input',
      field: 'steps',
    });
    const cut = (await post(`/api/plans/${id}/cut`, { steps: 1 })).body as CuttingRecord;
    expect(cut.used).toHaveLength(1);
    expect(cut.kept.length).toBeGreaterThan(0);
    expect((await post(`/api/plans/${id}/cut`)).body).toMatchObject({ code: 'already-cut' });
    await post(`/api/cuttings/${cut.id}/undo`);
    expect(((await get('/api/drawer')).body as DrawerRecord).stock).toEqual(before.stock);
  });

  test('a cut from a drawer that has changed is refused, and one whose offcut was used cannot be taken back', async () => {
    const { basis, plan } = await planDemo();
    const { id } = (await post(ORDERS, { basis, plan })).body as PlanRecord;
    const item = plan.sheets[0]!.stock;
    await touch(item, { reserved: true });
    expect((await post(`/api/plans/${id}/cut`)).body).toMatchObject({ code: 'stock-changed' });
    await touch(item, { reserved: false });
    const cut = (await post(`/api/plans/${id}/cut`)).body as CuttingRecord;
    await local(request(server.http).delete(`/api/stock/${cut.kept[0]}`));
    expect((await post(`/api/cuttings/${cut.id}/undo`)).body).toMatchObject({ code: 'offcut-used' });
  });

  test('a cut piece that the page no longer wants becomes a scrap of its size, once', async () => {
    const [cut] = ((await get(`/api/pages/${DEMO_PAGE_ID}/cuttings`)).body as CuttingRecord[]).filter(
      (c) => !c.undoneAt,
    );
    const at = cut!.pieces.findIndex((p) => p.piece === 'launch/m1');
    const scraps = `/api/cuttings/${cut!.id}/scraps`;
    expect((await post(scraps, { at })).body).toMatchObject({ code: 'still-wanted' });
    const { document, version } = (await get(`/api/pages/${DEMO_PAGE_ID}`)).body as PageRecord;
    const input = { ...(document.items[1]!.input as { mats: object[] }) };
    const items = document.items.map((i, k) =>
      k === 1 ? { ...i, input: { ...input, mats: input.mats.slice(1) } } : i,
    );
    await put(`/api/pages/${DEMO_PAGE_ID}`, { version, document: { ...document, items } });
    const answer = (await post(scraps, { at })).body as CuttingRecord;
    const scrap = answer.pieces[at]!.scrap;
    expect(((await get('/api/drawer')).body as DrawerRecord).stock.find((s) => s.id === scrap)).toMatchObject({
      paper: 'demo-chalk',
      width: '4 1/4',
      height: '6 1/4',
      kind: 'scrap',
    });
    expect((await post(scraps, { at })).status).toBe(404);
    expect((await post(`/api/cuttings/${cut!.id}/undo`)).body).toMatchObject({ code: 'offcut-used' });
  });
});

test('of many orders of one page only the latest are kept, and those that were cut', async () => {
  const other = await testServer();
  const ask = (path: string) => local(request(other.http).get(path));
  const send = (path: string, body: object = {}) =>
    local(
      request(other.http)
        .post(path)
        .send({ id: newId(), ...body }),
    );
  const first = (await send(ORDERS, await planDemo(ask))).body as PlanRecord;
  const cut = (await send(`/api/plans/${first.id}/cut`)).body as CuttingRecord;
  await send(`/api/cuttings/${cut.id}/undo`);
  const body = await planDemo(ask);
  const ids: string[] = [];
  for (let i = 0; i < 8; i++) ids.push(((await send(ORDERS, body)).body as PlanRecord).id);
  const found = await Promise.all(
    [first.id, ...ids].map(async (id) => (await ask(`/api/plans/${id}/print.pdf`)).status),
  );
  expect(found).toEqual([200, 404, 404, 404, 200, 200, 200, 200, 200]);
  await other.stop();
});

const gridStart = () =>
  recipeOf('grid').start(
    { unit: 'in', mark: MARKS['1/16'], room: { width: inches(12), height: inches(12), seams: [] } },
    () => 'a',
  );

/** A construction whose outlines are printed. */
const HEXAGONS = {
  recipe: 'shapes',
  input: {
    figure: 'hexagon',
    size: { flats: '2 1/4' },
    pointing: 'points-up',
    points: 5,
    columns: 3,
    rows: 2,
    gap: '1/16',
    all: {},
    lie: 'moved',
    edges: 'whole',
    papers: 2,
  },
  mark: '1/16',
  width: '12',
  height: '12',
  paper: 'a4',
};

describe('templates at true size', () => {
  const sent = (change: object) =>
    local(
      request(server.http)
        .post('/api/templates.pdf')
        .send({ ...HEXAGONS, ...change }),
    );
  test('as PDF, on the paper in the printer', async () => {
    for (const paper of ['a4', 'letter']) {
      const pdf = await sent({ paper }).buffer(true);
      expect([pdf.status, pdf.headers['content-type']]).toEqual([200, 'application/pdf']);
      expect(String(pdf.body)).toMatch(/^%PDF/);
    }
  });
  test.each<[string, object, string]>([
    ['an input that is none', { input: { figure: 'hexagon' } }, 'bad-input'],
    ['one that cannot be', { input: { ...HEXAGONS.input, size: {} } }, 'bad-input'],
    ['a recipe that there is not', { recipe: 'kite' }, 'bad-input'],
    ['a page of no length', { width: 'wide' }, 'bad-input'],
    ['nothing that is cut along an outline', { recipe: 'grid', input: gridStart() }, 'bad-input'],
  ])('not of %s', async (_, change, code) => {
    const answer = await sent(change);
    expect([answer.status, answer.body.code]).toEqual([400, code]);
    expect(answer.body.message).toMatch(/\w/);
  });
  test('what an input lacks is named', async () => {
    expect((await sent({ input: null })).body).toMatchObject({
      field: 'input',
      message: expect.stringMatching(/^input/),
    });
  });
});

describe('the demo', () => {
  test('goes out without a trace, and in again', async () => {
    const other = await testServer();
    const ask = (method: 'get' | 'post' | 'delete', path: string) => {
      const asked = request(other.http)[method](path);
      return local(method === 'post' ? asked.send({ id: newId() }) : asked);
    };
    await ask('delete', '/api/demo');
    expect((await ask('get', '/api/pages')).body).toEqual([]);
    expect((await ask('get', '/api/drawer')).body).toMatchObject({ papers: [], stock: [], unreadable: [] });
    expect((await ask('post', '/api/demo')).body).toEqual({ present: true });
    expect((await ask('get', '/api/drawer')).body.papers).toHaveLength(7);
    await other.stop();
  });
});

describe('the door', () => {
  test.each([
    ['a foreign host', { Host: 'kites.example' }, 403],
    ['a foreign origin', { Host: '127.0.0.1:4310', Origin: 'https://kites.example' }, 403],
    ['another page on this computer', { Host: '127.0.0.1:4310', Origin: 'http://127.0.0.1:4311' }, 403],
    ['another page, by what the browser says', { Host: '127.0.0.1:4310', 'Sec-Fetch-Site': 'same-site' }, 403],
    ['a name that only begins like ours', { Host: 'localhost.kites.example' }, 403],
    ['our own page', { Host: 'localhost:4310', Origin: 'http://localhost:4310' }, 200],
  ])('%s', async (_, headers, status) => {
    expect((await request(server.http).get('/api/health').set(headers)).status).toBe(status);
  });
  test('a strict policy, and no word about what it is built with', async () => {
    const { headers } = await get('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    const policy = Object.fromEntries(
      headers['content-security-policy']!.split(';').map((rule) => {
        const [name, ...sources] = rule.trim().split(/\s+/);
        return [name, sources];
      }),
    );
    expect(policy['script-src']).toEqual(["'self'"]);
    expect(policy['connect-src']).toEqual(["'self'"]);
    expect(headers['x-powered-by']).toBeUndefined();
  });
  test('too much, no JSON, nothing there', async () => {
    expect((await post('/api/pages', { document: 'x'.repeat(9_000_000) })).body.code).toBe('too-large');
    expect(
      (await local(request(server.http).post('/api/pages').set('content-type', 'application/json').send('{'))).body
        .code,
    ).toBe('bad-input');
    expect((await get('/api/kites')).body.code).toBe('not-found');
    const plain = local(request(server.http).post('/api/demo')).set('content-type', 'text/plain');
    expect(await plain.send(JSON.stringify({ id: newId() }))).toMatchObject({
      status: 415,
      body: { code: 'not-json' },
    });
  });
  test('what nobody foresaw is a 500 without detail', async () => {
    const broken = await testServer();
    const { PagesService } = await import('./pages/pages.service.ts');
    broken.app.get(PagesService).list = () => {
      throw new Error('secret path');
    };
    const answer = await local(request(broken.http).get('/api/pages'));
    expect(answer.status).toBe(500);
    expect(JSON.stringify(answer.body)).not.toContain('secret');
    await broken.stop();
  });
  test('every answer is what the description says it is', async () => {
    const fresh = await testServer(true, ['192.0.2.7']);
    const ask = (method: 'get' | 'post' | 'put' | 'patch' | 'delete', path: string, body?: object) =>
      local(request(fresh.http)[method](path).send(body));
    const seen = new Set<string>();
    const check = async (
      method: 'get' | 'post' | 'put' | 'patch' | 'delete',
      path: string,
      real: string,
      body?: object,
    ) => {
      const route = ROUTES.find((r) => r.method === method && r.path === path)!;
      const answer = await ask(method, real, body);
      seen.add(`${method} ${path}`);
      expect([path, answer.status < 300]).toEqual([path, true]);
      if (route.answer === 'pdf') expect(answer.headers['content-type']).toContain('pdf');
      else if (route.answer === 'picture' || route.answer === 'sheets')
        expect(answer.headers['content-type']).toContain('image/');
      else if (route.answer === 'zip') expect(answer.headers['content-type']).toContain('zip');
      else if (route.answer && route.answer !== 'stream')
        expect([path, route.answer.safeParse(answer.body).error?.issues]).toEqual([path, undefined]);
      else expect(answer.body).toEqual({});
      return answer.body;
    };
    const demo = `/api/pages/${DEMO_PAGE_ID}`;
    await check('get', '/api/health', '/api/health');
    await check('get', '/api/openapi.json', '/api/openapi.json');
    await check('get', '/api/demo', '/api/demo');
    await check('get', '/api/pages', '/api/pages');
    const page = await check('post', '/api/pages', '/api/pages', { id: newId(), document: demoPage() });
    await check('get', '/api/pages/{id}', demo);
    await check('put', '/api/pages/{id}', `/api/pages/${page.id}`, { version: 1, document: demoPage() });
    await check('delete', '/api/pages/{id}', `/api/pages/${page.id}`);
    await check('get', '/api/removed', '/api/removed');
    await check('post', '/api/pages/{id}/restore', `/api/pages/${page.id}/restore`, { id: newId() });
    const drawer = await check('get', '/api/drawer', '/api/drawer');
    const paper = await check('post', '/api/papers', '/api/papers', {
      id: newId(),
      name: 'Fog',
      sides: drawer.papers[0].sides,
    });
    const stock = { id: newId(), paper: paper.id, unit: 'in', width: '5', height: '3', quantity: 2, kind: 'scrap' };
    const item = await check('post', '/api/stock', '/api/stock', stock);
    await check('put', '/api/papers/{id}', `/api/papers/${paper.id}`, { name: 'Thick fog', sides: paper.sides });
    await check('delete', '/api/papers/{id}', `/api/papers/${paper.id}`);
    await check('post', '/api/papers/{id}/restore', `/api/papers/${paper.id}/restore`, { id: newId() });
    await check('patch', '/api/stock/{id}', `/api/stock/${item.id}`, { reserved: true });
    await check('post', '/api/stock/{id}/movements', `/api/stock/${item.id}/movements`, {
      id: newId(),
      why: 'added',
      by: 1,
    });
    await check('get', '/api/stock/{id}/movements', `/api/stock/${item.id}/movements`);
    await check('delete', '/api/stock/{id}', `/api/stock/${item.id}`);
    await check('post', '/api/stock/{id}/restore', `/api/stock/${item.id}/restore`, { id: newId() });
    const all = { id: newId(), why: 'taken', by: 3 };
    await check('post', '/api/stock/{id}/movements', `/api/stock/${item.id}/movements`, all);
    const line = { ...stock, id: newId() };
    const taken = await check('post', '/api/drawer/steps', '/api/drawer/steps', {
      id: newId(),
      says: 'put-in',
      papers: [{ id: newId(), name: 'Haar', sides: paper.sides }],
      put: [line],
    });
    await check('get', '/api/drawer/steps', '/api/drawer/steps');
    await check('get', '/api/wanting', '/api/wanting');
    await check('post', '/api/drawer/steps/{id}/undo', `/api/drawer/steps/${taken.id}/undo`, { id: newId() });
    const damaged = new Sqlite(fresh.file);
    damaged.prepare("update steps set says = 'x' where id = ?").run(taken.id);
    damaged.close();
    await check('get', '/api/drawer/set-aside', '/api/drawer/set-aside');
    await check('delete', '/api/drawer/steps/{id}', `/api/drawer/steps/${taken.id}`);
    const search = await check('post', '/api/searches', '/api/searches', { id: newId(), name: 'wide', line: '9 x 9' });
    await check('get', '/api/searches', '/api/searches');
    await check('delete', '/api/searches/{id}', `/api/searches/${search.id}`);
    const goal = {
      name: 'narrow ones',
      line: 'narrower than 5',
      pieces: 60,
      from: '2026-05-01',
      to: '2026-05-06',
      rest: '',
    };
    const challenge = await check('post', '/api/challenges', '/api/challenges', { id: newId(), ...goal });
    await check('get', '/api/challenges', '/api/challenges');
    await check('delete', '/api/challenges/{id}', `/api/challenges/${challenge.id}`);
    const rules = await check('get', '/api/rules', '/api/rules');
    await check('put', '/api/rules', '/api/rules', rules);
    const { habits } = await check('get', '/api/habits', '/api/habits');
    await check('put', '/api/habits', '/api/habits', habits);
    await check('get', '/api/pages/{id}/plan', `${demo}/plan`);
    const order = { id: newId(), ...(await planDemo((path) => ask('get', path))) };
    const plan = await check('post', '/api/pages/{id}/plans', `${demo}/plans`, order);
    await check('get', '/api/pages/{id}/plan', `${demo}/plan`);
    const both = `${DEMO_PAGE_ID},${page.id}`;
    const asked = await check('get', '/api/together', `/api/together?pages=${both}`);
    const readTogether = readJob(asked.job);
    if (!readTogether.ok) throw new Error(JSON.stringify(readTogether.issues));
    await check('post', '/api/together', '/api/together', {
      id: newId(),
      pages: both.split(','),
      basis: asked.basis,
      plan: planJob({ ...readTogether.job, nodes: 2 }, { now: () => 0 }),
    });
    await check('get', '/api/plans/{id}/print.pdf', `/api/plans/${plan.id}/print.pdf`);
    await check('post', '/api/templates.pdf', '/api/templates.pdf', HEXAGONS);
    const first = await check('post', '/api/plans/{id}/cut', `/api/plans/${plan.id}/cut`, { id: newId() });
    await check('post', '/api/cuttings/{id}/undo', `/api/cuttings/${first.id}/undo`, { id: newId() });
    const again = await ask('post', `${demo}/plans`, { id: newId(), ...(await planDemo((path) => ask('get', path))) });
    const cut = (await ask('post', `/api/plans/${again.body.id}/cut`, { id: newId() })).body;
    await check('get', '/api/pages/{id}/cuttings', `${demo}/cuttings`);
    const record = await check('get', '/api/pages/{id}', demo);
    await check('get', '/api/pages/{id}/print.pdf', `${demo}/print.pdf?scale=true&photos=light&items=launch`);
    await check('put', '/api/pages/{id}', demo, {
      version: 1,
      document: { ...record.document, items: record.document.items.slice(1) },
    });
    const at = cut.pieces.findIndex((p: { piece: string }) => p.piece === 'base/base');
    await check('post', '/api/cuttings/{id}/scraps', `/api/cuttings/${cut.id}/scraps`, { id: newId(), at });
    const session = await check('post', '/api/sessions', '/api/sessions', { id: newId(), plan: again.body.id });
    await check('get', '/api/sessions', `/api/sessions?page=${DEMO_PAGE_ID}`);
    const one = `/api/sessions/${session.session.id}`;
    await check('get', '/api/sessions/{id}', one);
    await check('get', '/api/sessions/{id}/rest', `${one}/rest`);
    const event = { id: newId(), at: new Date().toISOString(), deed: { do: 'done', order: 0, step: 0 } };
    await check('post', '/api/sessions/{id}/events', `${one}/events`, { events: [event] });
    // it goes on for as long as somebody listens
    seen.add('get /api/sessions/{id}/stream');
    await check('get', '/api/record', '/api/record');
    await check('get', '/api/backup/copies', '/api/backup/copies');
    const zip = await local(request(fresh.http).get('/api/backup/file')).buffer(true).parse(wholeBody);
    seen.add('get /api/backup/file');
    expect(zip.headers['content-type']).toContain('zip');
    const looked = await local(request(fresh.http).post('/api/backup/look'))
      .set('content-type', 'application/zip')
      .send(zip.body);
    seen.add('post /api/backup/look');
    expect(backupPreviewSchema.safeParse(looked.body).success).toBe(true);
    const restored = await check('post', '/api/backup/restore', '/api/backup/restore', {
      id: newId(),
      ticket: looked.body.ticket,
      replace: true,
    });
    await check('post', '/api/backup/look-at-copy', '/api/backup/look-at-copy', { name: restored.before });
    const { code } = await check('post', '/api/devices/code', '/api/devices/code', {});
    await request(fresh.http).post('/door').set('Host', '192.0.2.7').type('form').send({ code, name: 'a kettle' });
    const { devices } = await check('get', '/api/devices', '/api/devices');
    await check('delete', '/api/devices/{id}', `/api/devices/${devices[0].id}`);
    const picture = await local(request(fresh.http).post('/api/pictures/papers'))
      .set('content-type', 'image/png')
      .send(
        await sharp({ create: { width: 9, height: 9, channels: 3, background: '#1f7a7a' } })
          .png()
          .toBuffer(),
      );
    seen.add('post /api/pictures/papers');
    expect(paperPictureSchema.safeParse(picture.body).success).toBe(true);
    await check('get', '/api/pictures/{file}', `/api/pictures/${picture.body.file}?turn=90`);
    const photo = await local(request(fresh.http).post('/api/photos?id=one-more-photo'))
      .set('content-type', 'image/png')
      .send(
        await sharp({ create: { width: 30, height: 20, channels: 3, background: '#9ac' } })
          .png()
          .toBuffer(),
      );
    seen.add('post /api/photos');
    const { id, file } = uploadedPhotoSchema.parse(photo.body).photo;
    await check('get', '/api/photos', '/api/photos');
    await check('patch', '/api/photos', '/api/photos', { photos: [id], change: { favourite: true } });
    await check('post', '/api/photos/remove', '/api/photos/remove', { id: newId(), photos: [id] });
    await check('post', '/api/photos/{id}/restore', `/api/photos/${id}/restore`, { id: newId() });
    await check('get', '/api/photos/files/{file}', `/api/photos/files/${file}?side=small`);
    const print = { key: 'a', file, crop: { x: 0, y: 0, width: 30, height: 20 }, x: 0, y: 0, width: 24_384, height: 24_384, turn: 0 }; // prettier-ignore
    await check('post', '/api/photos/sheets', '/api/photos/sheets', {
      as: 'png',
      density: 150,
      sheets: [{ width: 24_384, height: 24_384, prints: [print] }],
    });
    await check('post', '/api/demo', '/api/demo', { id: newId() });
    await check('delete', '/api/demo', '/api/demo');
    await check('post', '/api/demo', '/api/demo', { id: newId() });
    expect([...seen].sort()).toEqual(ROUTES.map((r) => `${r.method} ${r.path}`).sort());
    await fresh.stop();
  });
  test('every route that is documented answers, and none is missing from the description', async () => {
    const { body } = await get('/api/openapi.json');
    for (const route of ROUTES) {
      const answer = await local(request(server.http)[route.method](route.path.replace(/\{\w+\}/, 'nobody')));
      expect({ route: route.path, nothing: answer.body?.message === 'There is nothing at this address.' }).toEqual({
        route: route.path,
        nothing: false,
      });
      expect(body.paths[route.path][route.method].summary).toBe(route.says);
    }
    const served = routesOf(server);
    expect(served.sort()).toEqual(ROUTES.map((r) => `${r.method} ${r.path}`).sort());
    const refs = [...JSON.stringify(body).matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map((m) => m[1]!);
    for (const ref of refs) expect(Object.keys(body.components.schemas)).toContain(ref);
  });
});

/** A body that is no text, as it came. */
const wholeBody = (response: request.Response, done: (error: Error | null, body: Buffer) => void): void => {
  const parts: Buffer[] = [];
  response.on('data', (part: Buffer) => parts.push(part));
  response.on('end', () => done(null, Buffer.concat(parts)));
};

const openedOf = (of: TestServer) => ({ db: of.app.get<Database>(DATABASE) });

/** The routes that the server really has. */
function routesOf({ app }: TestServer): string[] {
  const stack = app.getHttpAdapter().getInstance().router.stack as {
    route?: { path: string; methods: Record<string, boolean> };
  }[];
  return stack.flatMap((layer) =>
    layer.route
      ? Object.keys(layer.route.methods).map((m) => `${m} ${layer.route!.path.replace(/:(\w+)/g, '{$1}')}`)
      : [],
  );
}
