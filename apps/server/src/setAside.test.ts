import { randomUUID } from 'node:crypto';
import { expect, test } from '@jest/globals';
import { planJob, readJob } from '@temnex/core/planner';
import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { PlansService } from './plans/plans.service.ts';
import { testServer } from './testing.ts';

/* What cannot be read is left out of its list, told where it belongs, and can be thrown away or mended. */

test('a search, a challenge and a step that cannot be read are told, and thrown away or mended', async () => {
  const server = await testServer();
  const ask = (method: 'get' | 'post' | 'delete', path: string, body?: object) =>
    request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
  const [search, nameless, challenge, unread, step] = Array.from({ length: 5 }, () => randomUUID());
  await ask('post', '/api/searches', { id: search, name: 'Small ones', line: 'scraps' });
  await ask('post', '/api/searches', { id: nameless, name: 'Large ones', line: 'sheets' });
  const useUp = { name: 'Use it up', line: 'scraps', pieces: 10, rest: '', from: '2026-01-01', to: '2036-12-31' };
  for (const id of [challenge, unread]) await ask('post', '/api/challenges', { id, ...useUp });
  await ask('post', '/api/drawer/steps', { id: step, says: 'taken-out', change: [{ stock: 'demo-stock-2', by: -1 }] });
  const setAside = async () => (await ask('get', '/api/drawer/set-aside')).body;
  expect(await setAside()).toEqual([]);

  const file = new Sqlite(server.file);
  file.prepare("update searches set line = '' where id = ?").run(search);
  file.prepare("update searches set name = '' where id = ?").run(nameless);
  file.prepare('update challenges set document = ? where id = ?').run(JSON.stringify({ ...useUp, to: 'x' }), challenge);
  file.prepare('update challenges set document = ? where id = ?').run(`no\u0007 JSON ${'x'.repeat(100)}`, unread);
  file.prepare("update steps set says = 'x' where id = ?").run(step);
  file.close();
  expect(await setAside()).toEqual([
    { what: 'search', id: search, says: 'Small ones' },
    { what: 'challenge', id: challenge, says: 'Use it up' },
    { what: 'challenge', id: unread, says: `no JSON ${'x'.repeat(72)}…` },
    { what: 'step', id: step, says: expect.stringMatching(/^x \d{4}-/) },
  ]);
  expect((await ask('get', '/api/searches')).body).toEqual([{ id: nameless, name: 'sheets', line: 'sheets' }]);

  // given a line again, a search is one again; the others go
  await ask('post', '/api/searches', { id: search, name: 'Small ones', line: 'scraps' });
  for (const id of [challenge, unread]) expect((await ask('delete', `/api/challenges/${id}`)).status).toBe(204);
  expect((await ask('delete', `/api/drawer/steps/${step}`)).status).toBe(204);
  expect(await setAside()).toEqual([]);
  expect((await ask('get', '/api/drawer/steps')).body).toEqual([]);
  // what it took out stays out
  expect((await ask('get', '/api/stock/demo-stock-2/movements')).body[0]).toMatchObject({ by: -1 });
  await server.stop();
});

test('a step that can be read is not thrown away', async () => {
  const server = await testServer();
  const step = randomUUID();
  const agent = () => request(server.http);
  const host = ['Host', '127.0.0.1:4310'] as const;
  await agent()
    .post('/api/drawer/steps')
    .set(...host)
    .send({ id: step, says: 'taken-out', change: [{ stock: 'demo-stock-2', by: -1 }] });
  const { status } = await agent()
    .delete(`/api/drawer/steps/${step}`)
    .set(...host);
  expect(status).toBe(404);
  const { body } = await agent()
    .get('/api/drawer/steps')
    .set(...host);
  expect(body).toHaveLength(1);
  await server.stop();
});

test('a session tells how many of its events cannot be read', async () => {
  const server = await testServer();
  const ask = (method: 'get' | 'post', path: string, body?: object) =>
    request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
  const { job, basis } = server.app.get(PlansService).asked('demo-first-wind', 'least-paper');
  const asked = readJob(job);
  if (!asked.ok) throw new Error('no job');
  const plan = planJob({ ...asked.job, nodes: 5 }, { now: () => 0 });
  const stored = await ask('post', '/api/pages/demo-first-wind/plans', { id: randomUUID(), basis, plan });
  const session = randomUUID();
  await ask('post', '/api/sessions', { id: session, plan: stored.body.id });
  const events = ['windy', 'still'].map((text) => ({
    id: randomUUID(),
    device: 'a computer',
    at: new Date().toISOString(),
    deed: { do: 'note', text },
  }));
  await ask('post', `/api/sessions/${session}/events`, { since: 0, events });
  expect((await ask('get', `/api/sessions/${session}`)).body).toMatchObject({ unreadable: 0 });
  const file = new Sqlite(server.file);
  file.exec("update session_events set event = 'x' where seq = (select min(seq) from session_events)");
  file.close();
  const { body } = await ask('get', `/api/sessions/${session}`);
  expect([body.unreadable, body.events.length]).toEqual([1, 1]);
  await server.stop();
});
