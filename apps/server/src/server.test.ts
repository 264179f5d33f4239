import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import {
  derivePage,
  jobOfPage,
  planJob,
  readJob,
  type Drawer,
  type Habits,
  type JobDocument,
  type Page,
  type Plan,
} from '@temnex/core';
import { ROUTES, type CuttingRecord, type PageRecord, type PlanRecord } from '@temnex/contract';
import { DEMO_PAGE_ID, demoPage } from './demo/demo.ts';
import { testServer, type TestServer } from './testing.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());
const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const get = (path: string) => local(request(server.http).get(path));
const post = (path: string, body?: object) => local(request(server.http).post(path).send(body));
const put = (path: string, body: object) => local(request(server.http).put(path).send(body));

describe('pages', () => {
  test('the demo is there, and a page is made, read, saved and removed', async () => {
    expect((await get('/api/pages')).body).toMatchObject([{ id: DEMO_PAGE_ID, demo: true, stage: 'papers' }]);
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
    ['a length that is none', (p) => (p.photos[0].print.width = 'four'), 'document.photos[0].print.width'],
    ['a size of nothing', (p) => (p.width = '0'), 'document.width'],
    ['an unknown field', (p) => (p.glitter = 1), 'document'],
    ['an id used twice', (p) => (p.panels[1].id = p.panels[0].id), 'document.panels[1].id'],
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
    const changed = await local(
      request(server.http).patch(`/api/stock/${item.body.id}`).send({ quantity: 1, reserved: true }),
    );
    expect(changed.body).toMatchObject({ quantity: 1, reserved: true });
    expect((await local(request(server.http).delete(`/api/stock/${item.body.id}`))).status).toBe(204);
    expect((await get('/api/drawer')).body.stock.map((s: { id: string }) => s.id)).not.toContain(item.body.id);
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
    const habits = (await get('/api/habits')).body as Habits;
    const answer = await put('/api/habits', { ...habits, aim: 'easiest-cuts' });
    expect(answer.status).toBe(200);
    expect((await get('/api/habits')).body.aim).toBe('easiest-cuts');
    await put('/api/habits', habits);
    expect((await put('/api/habits', { ...habits, keep: { shorter: 'x', longer: '3' } })).body).toMatchObject({
      field: 'keep.shorter',
    });
  });
});

async function planDemo(): Promise<{ job: JobDocument; plan: Plan }> {
  const page = (await get(`/api/pages/${DEMO_PAGE_ID}`)).body.document as Page;
  const asked = jobOfPage(
    page.name,
    derivePage(page),
    (await get('/api/drawer')).body as Drawer,
    (await get('/api/habits')).body as Habits,
  );
  if (!asked.ok) throw new Error(asked.problem.code);
  const read = readJob(asked.job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: asked.job, plan: planJob({ ...read.job, nodes: 100 }, { now: () => 0 }) };
}

describe('cutting orders', () => {
  test('a plan that does not hold is not stored', async () => {
    const { job, plan } = await planDemo();
    const spoiled = structuredClone(plan);
    spoiled.totals.wasteArea += 1;
    expect((await post(`/api/pages/${DEMO_PAGE_ID}/plans`, { pageVersion: 1, job, plan: spoiled })).body).toMatchObject(
      { code: 'plan-refused', field: 'plan.totals.wasteArea' },
    );
    expect(
      (
        await post(`/api/pages/${DEMO_PAGE_ID}/plans`, {
          pageVersion: 1,
          job: { ...job, pieces: [{ ...job.pieces[0], width: '4 1/0' }] },
          plan,
        })
      ).body,
    ).toMatchObject({ code: 'bad-input', field: 'job.pieces[0].width' });
    expect((await get(`/api/pages/${DEMO_PAGE_ID}/plan`)).body).toEqual({ plan: null });
  });

  test('stored, printed, cut, taken back: the drawer is as it was', async () => {
    const { job, plan } = await planDemo();
    expect(plan.status).toBe('complete');
    const before = (await get('/api/drawer')).body;
    const stored = await post(`/api/pages/${DEMO_PAGE_ID}/plans`, { pageVersion: 1, job, plan });
    expect(stored.status).toBe(201);
    const { id } = stored.body as PlanRecord;
    expect((await get(`/api/pages/${DEMO_PAGE_ID}/plan`)).body.plan).toMatchObject({ id, plan });
    for (const paper of ['a4', 'letter']) {
      const pdf = await get(`/api/plans/${id}/print.pdf?paper=${paper}`).buffer(true);
      expect(pdf.headers['content-type']).toContain('application/pdf');
      expect(String(pdf.body)).toMatch(/^%PDF/);
    }
    expect((await get(`/api/plans/${id}/print.pdf?paper=a9`)).body).toMatchObject({ field: 'paper' });

    const cut = (await post(`/api/plans/${id}/cut`)).body as CuttingRecord;
    const after = (await get('/api/drawer')).body as Drawer;
    expect(cut.parts).toHaveLength(7);
    expect(after.stock.filter((s) => cut.kept.includes(s.id))).toHaveLength(cut.kept.length);
    for (const s of after.stock.filter((item) => cut.kept.includes(item.id)))
      expect(s.origin).toMatchObject({ page: DEMO_PAGE_ID });
    for (const { stock, count } of cut.used) {
      const was = before.stock.find((s: { id: string }) => s.id === stock).quantity;
      expect(after.stock.find((s) => s.id === stock)?.quantity ?? 0).toBe(was - count);
    }
    expect((await get('/api/pages')).body.find((p: { id: string }) => p.id === DEMO_PAGE_ID).stage).toBe('cut');
    expect((await post(`/api/plans/${id}/cut`)).body).toMatchObject({ code: 'already-cut' });

    expect((await post(`/api/cuttings/${cut.id}/undo`)).body.undoneAt).not.toBeNull();
    expect((await get('/api/drawer')).body).toEqual(before);
    expect((await post(`/api/cuttings/${cut.id}/undo`)).body).toMatchObject({ code: 'already-undone' });
  });

  test('a plan cut in part: sheets not touched stay, what is in hand becomes scraps, the plan is then spent', async () => {
    const before = (await get('/api/drawer')).body;
    const { job, plan } = await planDemo();
    const { id } = (await post(`/api/pages/${DEMO_PAGE_ID}/plans`, { pageVersion: 1, job, plan })).body as PlanRecord;
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
    expect((await get('/api/drawer')).body).toEqual(before);
  });

  test('a cut from a drawer that has changed is refused, and one whose offcut was used cannot be taken back', async () => {
    const { job, plan } = await planDemo();
    const { id } = (await post(`/api/pages/${DEMO_PAGE_ID}/plans`, { pageVersion: 1, job, plan })).body as PlanRecord;
    const item = plan.sheets[0]!.stock;
    await local(request(server.http).patch(`/api/stock/${item}`).send({ reserved: true }));
    expect((await post(`/api/plans/${id}/cut`)).body).toMatchObject({ code: 'stock-changed' });
    await local(request(server.http).patch(`/api/stock/${item}`).send({ reserved: false }));
    const cut = (await post(`/api/plans/${id}/cut`)).body as CuttingRecord;
    await local(request(server.http).delete(`/api/stock/${cut.kept[0]}`));
    expect((await post(`/api/cuttings/${cut.id}/undo`)).body).toMatchObject({ code: 'offcut-used' });
  });
});

test('of many orders of one page only the latest are kept, and those that were cut', async () => {
  const other = await testServer();
  const ask = (method: 'get' | 'post', path: string, body?: object) =>
    local(request(other.http)[method](path).send(body));
  const page = (await ask('get', `/api/pages/${DEMO_PAGE_ID}`)).body.document as Page;
  const asked = jobOfPage(
    page.name,
    derivePage(page),
    (await ask('get', '/api/drawer')).body as Drawer,
    (await ask('get', '/api/habits')).body as Habits,
  );
  const read = asked.ok ? readJob(asked.job) : null;
  if (!asked.ok || !read?.ok) throw new Error('the demo can be planned');
  const body = { pageVersion: 1, job: asked.job, plan: planJob({ ...read.job, nodes: 10 }, { now: () => 0 }) };
  const first = (await ask('post', `/api/pages/${DEMO_PAGE_ID}/plans`, body)).body as PlanRecord;
  await ask('post', `/api/plans/${first.id}/cut`);
  const ids: string[] = [];
  for (let i = 0; i < 8; i++)
    ids.push(((await ask('post', `/api/pages/${DEMO_PAGE_ID}/plans`, body)).body as PlanRecord).id);
  const found = await Promise.all(
    [first.id, ...ids].map(async (id) => (await ask('get', `/api/plans/${id}/print.pdf`)).status),
  );
  expect(found).toEqual([200, 404, 404, 404, 200, 200, 200, 200, 200]);
  await other.stop();
}, 30_000);

describe('the demo', () => {
  test('goes out without a trace, and in again', async () => {
    const other = await testServer();
    const ask = (method: 'get' | 'post' | 'delete', path: string) => local(request(other.http)[method](path));
    await ask('delete', '/api/demo');
    expect((await ask('get', '/api/pages')).body).toEqual([]);
    expect((await ask('get', '/api/drawer')).body).toEqual({ papers: [], stock: [] });
    expect((await ask('post', '/api/demo')).body).toEqual({ present: true });
    expect((await ask('get', '/api/drawer')).body.papers).toHaveLength(7);
    await other.stop();
  });
});

describe('the door', () => {
  test.each([
    ['a foreign host', { Host: 'kites.example' }, 403],
    ['a foreign origin', { Host: '127.0.0.1:4310', Origin: 'https://kites.example' }, 403],
    ['a name that only begins like ours', { Host: 'localhost.kites.example' }, 403],
    ['our own page', { Host: 'localhost:4310', Origin: 'http://localhost:4310' }, 200],
  ])('%s', async (_, headers, status) => {
    expect((await request(server.http).get('/api/health').set(headers)).status).toBe(status);
  });
  test('a strict policy, and no word about what it is built with', async () => {
    const { headers } = await get('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['content-security-policy']).not.toContain('unsafe-eval;');
    expect(headers['x-powered-by']).toBeUndefined();
  });
  test('too much, no JSON, nothing there', async () => {
    expect((await post('/api/pages', { document: 'x'.repeat(9_000_000) })).body.code).toBe('too-large');
    expect(
      (await local(request(server.http).post('/api/pages').set('content-type', 'application/json').send('{'))).body
        .code,
    ).toBe('bad-input');
    expect((await get('/api/kites')).body.code).toBe('not-found');
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
  test('every route that is documented answers, and none is missing from the description', async () => {
    const { body } = await get('/api/openapi.json');
    for (const route of ROUTES) {
      const answer = await local(request(server.http)[route.method](route.path.replace('{id}', 'nobody')));
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
