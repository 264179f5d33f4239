import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import type { DrawerRecord, PageSummary, RemovedItem } from '@temnex/contract';
import { pages, stock } from './database/schema.ts';
import { DATABASE, type Database } from './database/types.ts';
import { DEMO_PAGE_ID, demoPage, demoPages } from './demo/demoPages.ts';
import { testServer, type TestServer } from './testing.ts';

let server: TestServer;
let n = 0;
const id = () => `request-${++n}`;
const ask = (method: 'get' | 'post' | 'put' | 'patch' | 'delete', path: string, body?: object) =>
  request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
const drawer = async () => (await ask('get', '/api/drawer')).body as DrawerRecord;
const removed = async () => (await ask('get', '/api/removed')).body as RemovedItem[];
beforeAll(async () => void (server = await testServer()));
afterAll(() => server.stop());

describe('what is taken out can be brought back', () => {
  test('a page, with all that was cut for it', async () => {
    const made = (await ask('post', '/api/pages', { id: id(), document: { ...demoPage(), name: 'Gale' } })).body;
    await ask('delete', `/api/pages/${made.id}`);
    expect((await ask('get', `/api/pages/${made.id}`)).status).toBe(404);
    expect((await ask('put', `/api/pages/${made.id}`, { version: 1, document: made.document })).status).toBe(404);
    expect(await removed()).toMatchObject([{ kind: 'page', id: made.id, name: 'Gale' }]);
    expect((await ask('post', `/api/pages/${made.id}/restore`, { id: id() })).status).toBe(204);
    expect((await ask('get', `/api/pages/${made.id}`)).body).toEqual(made);
    expect(await removed()).toEqual([]);
  });
  test('as many of a sheet as there were, once; and not over what happened since', async () => {
    const before = (await drawer()).stock.find((s) => s.id === 'demo-stock-8')!;
    await ask('delete', '/api/stock/demo-stock-8');
    expect((await drawer()).stock.some((s) => s.id === 'demo-stock-8')).toBe(false);
    expect(await removed()).toMatchObject([
      { kind: 'stock', id: 'demo-stock-8', name: 'Gust', count: before.quantity },
    ]);
    const again = { id: id() };
    for (let i = 0; i < 2; i++) expect((await ask('post', '/api/stock/demo-stock-8/restore', again)).status).toBe(204);
    expect((await drawer()).stock.find((s) => s.id === 'demo-stock-8')).toEqual(before);
    expect((await ask('post', '/api/stock/demo-stock-8/restore', { id: id() })).status).toBe(409);
  });
  test('a paper with all there is of it', async () => {
    const before = await drawer();
    const gust = before.stock.filter((s) => s.paper === 'demo-gust');
    await ask('delete', '/api/papers/demo-gust');
    const without = await drawer();
    expect(without.papers.some((p) => p.id === 'demo-gust')).toBe(false);
    expect(without.stock).toHaveLength(before.stock.length - gust.length);
    const sheet = { unit: 'in', width: '5', height: '3', quantity: 1, kind: 'scrap', paper: 'demo-gust' };
    expect((await ask('post', '/api/stock', { id: id(), ...sheet })).body).toMatchObject({ field: 'paper' });
    await ask('post', '/api/papers/demo-gust/restore', { id: id() });
    expect((await drawer()).stock).toEqual(before.stock);
  });
});

describe('the example', () => {
  test('goes, but not what somebody changed in it', async () => {
    const own = await testServer();
    const send = (method: 'get' | 'post' | 'put' | 'patch' | 'delete', path: string, body?: object) =>
      request(own.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
    const { body: page } = await send('get', `/api/pages/${DEMO_PAGE_ID}`);
    await send('put', `/api/pages/${DEMO_PAGE_ID}`, { version: 1, document: { ...page.document, name: 'Ours now' } });
    await send('patch', '/api/stock/demo-stock-8', { turned: 90 });
    const { body: gone } = await send('delete', '/api/demo');
    expect(gone).toEqual({ present: false });
    const { body: left } = (await send('get', '/api/pages')) as { body: PageSummary[] };
    expect(left).toMatchObject([{ id: DEMO_PAGE_ID, name: 'Ours now', demo: false }]);
    const { body: kept } = (await send('get', '/api/drawer')) as { body: DrawerRecord };
    expect(kept.stock).toMatchObject([{ id: 'demo-stock-8', turned: 90 }]);
    // put in again it stands beside
    await send('post', '/api/demo', { id: id() });
    const { body: both } = (await send('get', '/api/pages')) as { body: PageSummary[] };
    const others = demoPages().map(({ id: page }): [string, boolean] => [page, page !== DEMO_PAGE_ID]);
    expect(both.map((p) => [p.id, p.demo]).sort()).toEqual([...others, [`${DEMO_PAGE_ID}-2`, true]].sort());
    await own.stop();
  });
});

describe('whole objects are checked at the door, in their unit', () => {
  const good = { paper: 'demo-gust', unit: 'in', width: '10', height: '7', quantity: 1, kind: 'scrap' };
  test.each<[string, object, string]>([
    ['150 in wide', { width: '150' }, 'width'],
    ['margins wider than the paper', { trim: { left: 6, right: 4, top: 0, bottom: 0 } }, 'trim.left'],
    ['margins higher than the paper', { trim: { left: 0, right: 0, top: 3, bottom: 4 } }, 'trim.top'],
    [
      'an outline beyond its box',
      {
        outline: [
          [0, 0],
          [11, 0],
          [0, 7],
        ],
      },
      'outline',
    ],
    [
      'an outline off its corner',
      {
        outline: [
          [1, 0],
          [10, 0],
          [1, 7],
        ],
      },
      'outline',
    ],
    [
      'an outline without area',
      {
        outline: [
          [0, 0],
          [10, 7],
          [5, '3 1/2'],
        ],
      },
      'outline',
    ],
    [
      'an outline that crosses itself',
      {
        outline: [
          [0, 0],
          [10, 7],
          [10, 0],
          [0, 7],
        ],
      },
      'outline',
    ],
    [
      'a line off the paper',
      {
        uncut: [
          [
            [1, 1],
            [11, 1],
          ],
        ],
      },
      'uncut[0][1]',
    ],
  ])('%s', async (_, change, field) => {
    const answer = await ask('post', '/api/stock', { id: id(), ...good, ...change });
    expect(answer.body).toMatchObject({ code: 'bad-input', field });
    // nor can it be made of something that is there
    const there = (await ask('post', '/api/stock', { id: id(), ...good })).body;
    const patched = await ask('patch', `/api/stock/${there.id}`, change);
    expect(patched.body).toMatchObject({ code: 'bad-input', field });
  });
  test('side A twice, a page of 200 in, a reach of 150 in', async () => {
    const [paper] = (await drawer()).papers;
    const twice = [paper!.sides[0], paper!.sides[0]];
    expect((await ask('post', '/api/papers', { id: id(), name: 'Two', sides: twice })).body.field).toBe(
      'sides[1].side',
    );
    const document = { ...demoPage(), ground: { width: '200', height: '12' } };
    expect((await ask('post', '/api/pages', { id: id(), document })).body.field).toBe('document.ground.width');
    const { habits } = (await ask('get', '/api/habits')).body;
    const far = { ...habits, cutter: { ...habits.cutter, reach: '150' } };
    expect((await ask('put', '/api/habits', far)).body.field).toBe('cutter.reach');
  });
});

describe('what cannot be read', () => {
  test('in the drawer is told beside what can, and mended or taken out', async () => {
    const { db } = { db: server.app.get<Database>(DATABASE) };
    db.update(stock).set({ width: '150' }).where(eq(stock.id, 'demo-stock-8')).run();
    expect((await drawer()).unreadable).toMatchObject([{ id: 'demo-stock-8', width: '150', unit: 'in' }]);
    expect((await drawer()).stock.length).toBeGreaterThan(5);
    expect((await ask('patch', '/api/stock/demo-stock-8', { width: '6' })).status).toBe(200);
    expect((await drawer()).unreadable).toEqual([]);
  });
  test('among the pages is in the list, shows its text, and is saved again once that is mended', async () => {
    const { db } = { db: server.app.get<Database>(DATABASE) };
    const made = (await ask('post', '/api/pages', { id: id(), document: demoPage() })).body;
    const spoilt = { ...demoPage(), name: 'Torn', items: 'none' } as never;
    db.update(pages)
      .set({ document: spoilt, summary: {} as never })
      .where(eq(pages.id, made.id))
      .run();
    const list = (await ask('get', '/api/pages')).body as PageSummary[];
    expect(list.find((p) => p.id === made.id)).toMatchObject({ unreadable: true, name: 'Torn' });
    const answer = (await ask('get', `/api/pages/${made.id}`)).body;
    expect(answer).toMatchObject({ code: 'unreadable', current: { version: 1, document: { name: 'Torn' } } });
    const mended = { ...answer.current.document, items: [] };
    expect((await ask('put', `/api/pages/${made.id}`, { version: 1, document: mended })).status).toBe(200);
    expect((await ask('get', `/api/pages/${made.id}`)).body.document.items).toEqual([]);
  });
});
