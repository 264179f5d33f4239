import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { MARKS, lengthOf } from '@temnex/core/length';
import { recipeOf } from '@temnex/core/recipes';
import { emptyPage, type Page } from '@temnex/core/page';
import { planJob, readJob } from '@temnex/core/planner';
import type { DrawerRecord } from '@temnex/contract';
import { sql } from 'drizzle-orm';
import { DATABASE, type Database } from './database/types.ts';
import { PlansService } from './plans/plans.service.ts';
import { testServer, type TestServer } from './testing.ts';

/* What somebody sends who wants to break it: each is refused with a sentence that names the field, and nothing is changed. */

let server: TestServer;
beforeAll(async () => void (server = await testServer()));
afterAll(() => server.stop());
const ask = (method: 'get' | 'post' | 'put' | 'delete', path: string, body?: object) =>
  request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
const id = () => randomUUID();
const drawer = async () => (await ask('get', '/api/drawer')).body as DrawerRecord;

test('ids that something has already', async () => {
  const { papers, stock } = await drawer();
  const page = { id: id(), document: emptyPage('One') };
  expect((await ask('post', '/api/pages', page)).status).toBe(201);
  const paper = { id: papers[0]!.id, name: 'Sea fog', sides: papers[0]!.sides };
  const item = { id: stock[0]!.id, paper: papers[0]!.id, unit: 'in', width: '3', height: '2', quantity: 1, kind: 'scrap' }; // prettier-ignore
  for (const [path, body] of [
    ['/api/papers', paper],
    ['/api/stock', item],
    ['/api/pages', { id: 'demo-first-wind', document: emptyPage('Two') }],
  ] as const) {
    const { status, body: said } = await ask('post', path, body);
    expect([path, status, said.field]).toEqual([path, 400, 'id']);
    expect(said.message).toMatch(/^id: /);
  }
});
test('what is not of the shape that is asked for is told as a sentence, never by a name of ours', async () => {
  const side = (await drawer()).papers[0]!.sides[0]!;
  const blue = { ...side, look: { ...side.look, ground: 'blue' } };
  const { document } = (await ask('get', '/api/pages/demo-first-wind')).body as { document: Page };
  const first = document.items[0]!;
  const withFirst = (change: object) => ({ id: id(), document: { ...document, items: [{ ...first, ...change }] } });
  const challenge = { id: id(), name: 'Use it up', line: 'scraps', pieces: 10, from: '2026-06-01', to: '2026-06-30' };
  const nextToNothing = { ...first.at, across: { from: 'before', by: '1' } };
  for (const [field, path, body] of [
    ['id', '/api/pages', { id: 'k!', document }],
    ['document.bags[0]', '/api/pages', { id: id(), document: { ...document, bags: ['Ada\nBo'] } }],
    ['document.items[0].id', '/api/pages', withFirst({ id: 'a/b' })],
    ['document.items[0].at.across.of', '/api/pages', withFirst({ at: nextToNothing })],
    ['name', '/api/challenges', { ...challenge, name: 'Use\nit up' }],
    ['from', '/api/challenges', { ...challenge, from: 'June' }],
    ['sides[0].look.ground', '/api/papers', { id: id(), name: 'Gust', sides: [blue] }],
  ] as const) {
    const answer = await ask('post', path, body);
    expect([field, answer.status, answer.body.message]).toEqual([field, 400, expect.stringMatching(/: (must|is) /)]);
    expect(answer.body.message).toContain(`${field}: `);
  }
});
test('more of an item than there can be', async () => {
  const item = (await drawer()).stock[0]!;
  const moved = await ask('post', `/api/stock/${item.id}/movements`, { id: id(), why: 'added', by: 10_000 });
  expect([moved.status, moved.body.field]).toEqual([400, 'by']);
  const change = [{ stock: item.id, by: 9_999 }, { stock: item.id, by: 9_999 }]; // prettier-ignore
  const step = await ask('post', '/api/drawer/steps', { id: id(), says: 'put-in', change });
  expect(step.status).toBe(400);
  const now = await drawer();
  expect(now.unreadable).toEqual([]);
  expect(now.stock.find((s) => s.id === item.id)!.quantity).toBe(item.quantity);
});
test('a paper whose looks cannot be read is named, and mended by saying how it looks', async () => {
  const [paper] = (await drawer()).papers;
  const db = server.app.get<Database>(DATABASE);
  db.run(sql`update papers set sides = 'no looks' where id = ${paper!.id}`);
  const now = (await drawer()).papers.find(({ id: one }) => one === paper!.id)!;
  expect([now.name, now.guessed, now.sides.length]).toEqual([paper!.name, true, 1]);
  const said = await ask('put', `/api/papers/${paper!.id}`, { name: now.name, sides: now.sides });
  expect([said.status, said.body.guessed]).toEqual([200, undefined]);
  const { guessed, ...mended } = (await drawer()).papers.find(({ id: one }) => one === paper!.id)!;
  expect([guessed, mended.sides]).toEqual([undefined, now.sides]);
});
test('days that are none, and pages that are too large to print', async () => {
  const challenge = { id: id(), name: 'Use it up', line: 'scraps', pieces: 10, from: '2026-13-01', to: '2026-13-31' };
  const { status, body } = await ask('post', '/api/challenges', challenge);
  expect([status, String(body.message)]).toEqual([400, expect.stringMatching(/from/)]);
  const room = { width: lengthOf('12'), height: lengthOf('12'), seams: [] };
  const input = recipeOf('shapes').start({ unit: 'in', mark: MARKS['1/16'], room }, id);
  for (const width of ['1212', '500']) {
    const made = { recipe: 'shapes', input, mark: '1/16', width, height: '12', paper: 'a4' };
    const answer = await ask('post', '/api/templates.pdf', made);
    expect([width, answer.status, answer.body.field]).toEqual([width, 400, 'width']);
  }
});

test('the same page twice is not cut twice', async () => {
  const { status } = await ask('get', '/api/together?pages=demo-first-wind,demo-first-wind');
  expect(status).toBe(400);
});
test('a row that is none takes nothing but itself away, and can be mended', async () => {
  const own = await testServer();
  const db = own.app.get<Database>(DATABASE);
  const at = (method: 'get' | 'put' | 'patch' | 'post', path: string, body?: object) =>
    request(own.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
  const lists = ['/api/pages', '/api/drawer', '/api/photos', '/api/habits', '/api/rules', '/api/challenges', '/api/searches', '/api/sessions', '/api/record', '/api/removed', '/api/drawer/steps', '/api/wanting']; // prettier-ignore
  for (const path of lists) expect([path, (await at('get', path)).status]).toEqual([path, 200]);
  await at('put', '/api/habits', (await at('get', '/api/habits')).body.habits);
  await at('put', '/api/rules', (await at('get', '/api/rules')).body);
  // something is cut, and being cut
  const { job, basis } = own.app.get(PlansService).asked('demo-first-wind', 'least-paper');
  const asked = readJob(job);
  if (!asked.ok) throw new Error('no job');
  const plan = planJob({ ...asked.job, nodes: 5 }, { now: () => 0 });
  const stored = (await at('post', '/api/pages/demo-first-wind/plans', { id: id(), basis, plan })).body;
  await at('post', '/api/sessions', { id: id(), plan: stored.id });
  expect((await at('post', `/api/plans/${stored.id}/cut`, { id: id() })).status).toBeLessThan(300);
  const seen = new Set<string>();
  const tampered = new Sqlite(own.file);
  const columns = ['stock.trim', 'stock.origin', 'stock.outline', 'stock.uncut', 'stock.reserves', 'pages.summary', 'pages.document', 'papers.sides', 'photos.facts', 'habits.document', 'rules.document', 'cuttings.parts', 'cuttings.used', 'cuttings.kept', 'sessions.plans', 'plans.basis', 'plans.plan', 'plans.job'].map((name) => name.split('.') as [string, string]); // prettier-ignore
  for (const [table, column] of columns)
    for (const text of ['{"half', '[1]', '12']) {
      const [name, set] = [sql.raw(table), sql.raw(column)];
      const before = db.all<{ id: string; v: string }>(sql`select rowid as id, ${set} as v from ${name} limit 1`)[0];
      if (!before) continue;
      seen.add(`${table}.${column}`);
      // by another program, so that nothing that was read before stands for it
      const write = tampered.prepare(`update ${table} set ${column} = ? where rowid = ?`);
      write.run(text, before.id);
      for (const path of [...lists, '/api/pages/demo-first-wind']) {
        const { status } = await at('get', path);
        expect([table, column, text, path, status < 500]).toEqual([table, column, text, path, true]);
      }
      write.run(before.v, before.id);
    }
  tampered.close();
  expect([...seen].sort()).toEqual(columns.map((one) => one.join('.')).sort());
  // of an item it is said in plain words what cannot be read
  db.run(sql`update stock set trim = '{"half' where id = 'demo-stock-8'`);
  const [aside] = (await at('get', '/api/drawer')).body.unreadable as { id: string; why: string }[];
  expect(aside).toMatchObject({ id: 'demo-stock-8', why: 'its margins cannot be read' });
  db.run(sql`update stock set trim = '{"left":0,"right":0,"top":0,"bottom":0}' where id = 'demo-stock-8'`);
  // a cut of which the books cannot be read is told as one, not as one that took nothing
  const cutBefore = db.all<{ id: string; used: string }>(sql`select id, used from cuttings limit 1`)[0]!;
  const recorded = async () => (await at('get', '/api/record')).body.entries[0].cuts[0].unreadable;
  expect(await recorded()).toBeUndefined();
  db.run(sql`update cuttings set used = '{"half' where id = ${cutBefore.id}`);
  expect(await recorded()).toBe(true);
  db.run(sql`update cuttings set used = ${cutBefore.used} where id = ${cutBefore.id}`);
  // a photo of which one thing is nonsense keeps the others
  const photo = (await at('get', '/api/photos')).body.photos[0] as { id: string; what: string };
  db.run(sql`update photos set facts = json_set(facts, '$.day', '+010007-06') where id = ${photo.id}`);
  const now = async () => (await at('get', '/api/photos')).body.photos.find((p: { id: string }) => p.id === photo.id);
  expect(await now()).toMatchObject({ day: null, what: photo.what });
  await at('patch', '/api/photos', { photos: [photo.id], change: { day: '2026-06-14' } });
  expect(await now()).toMatchObject({ day: '2026-06-14', what: photo.what });
  await own.stop();
});
