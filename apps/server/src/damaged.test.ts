import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import { planJob, readJob } from '@temnex/core/planner';
import { ROUTES } from '@temnex/contract';
import request from 'supertest';
import { z } from 'zod';
import { createApplication } from './application.ts';
import { PlansService } from './plans/plans.service.ts';
import { testServer } from './testing.ts';

/*
 * A file of years has been through much: a disk that forgets, a program that writes what it likes. Whatever stands in one field of one
 * row, every list is told as the contract says, with all other rows in it.
 */

/** What a field may hold that it never should. */
const NONSENSE = ['x', '', Buffer.from([0xff, 0xfe, 0x41]), -1, 1.5] as const;
/** `npm run soak` tries all of it in every field, the tests one after the other, and what is no text. */
const isThorough = process.env.TEMNEX_DAMAGED === 'all';
/** Names by which rows hold together: with another one it is another row. */
const KEYS = new Set(['id', 'seq', 'stock', 'paper', 'page', 'plan', 'cutting', 'session', 'step', 'file']);
const TABLES = ['pages', 'papers', 'stock', 'movements', 'photos', 'searches', 'challenges', 'steps', 'sessions', 'session_events', 'plans', 'cuttings', 'habits', 'rules', 'book', 'devices']; // prettier-ignore

test('one field that holds nonsense takes nothing but its own row away', async () => {
  const server = await testServer();
  const ask = (method: 'get' | 'post' | 'put', path: string, body?: object) =>
    request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
  const made = async (path: string, body: object) => {
    const { status, body: said } = await ask('post', path, { id: randomUUID(), ...body });
    expect([path, status < 300, status < 300 || said]).toEqual([path, true, true]);
    return said as { id: string };
  };
  // something of everything is there
  await ask('put', '/api/habits', (await ask('get', '/api/habits')).body.habits);
  await ask('put', '/api/rules', (await ask('get', '/api/rules')).body);
  await made('/api/searches', { name: 'Small ones', line: 'scraps' });
  await made('/api/challenges', {
    name: 'Use it up',
    line: 'scraps',
    pieces: 10,
    rest: '',
    from: '2026-01-01',
    to: '2036-12-31',
  });
  await made('/api/drawer/steps', { says: 'taken-out', change: [{ stock: 'demo-stock-2', by: -1 }] });
  const { job, basis } = server.app.get(PlansService).asked('demo-first-wind', 'least-paper');
  const asked = readJob(job);
  if (!asked.ok) throw new Error('no job');
  const plan = planJob({ ...asked.job, nodes: 5 }, { now: () => 0 });
  const stored = await made('/api/pages/demo-first-wind/plans', { basis, plan });
  const session = randomUUID();
  await made('/api/sessions', { id: session, plan: stored.id });
  const note = { id: randomUUID(), at: new Date().toISOString(), deed: { do: 'note', text: 'windy' } };
  expect((await ask('post', `/api/sessions/${session}/events`, { since: 0, events: [note] })).status).toBeLessThan(300);
  await made(`/api/plans/${stored.id}/cut`, {});

  const lists = ROUTES.filter(({ method, path, answer }) => {
    const isRead = method === 'get' && !path.includes('{') && answer instanceof z.ZodType;
    return isRead && !/openapi|health|together|backup|code/.test(path);
  });
  expect(lists.length).toBeGreaterThan(10);
  /** How many of each kind an answer tells of. */
  const sizes = (answer: unknown): Record<string, number> =>
    Array.isArray(answer)
      ? { all: answer.length }
      : Object.fromEntries(
          Object.entries(answer as object).flatMap(([key, value]) =>
            Array.isArray(value) ? [[key, value.length]] : [],
          ),
        );
  const before = new Map<string, Record<string, number>>();
  for (const { path } of lists) before.set(path, sizes((await ask('get', path)).body));

  /** What is told of one thing, which may be refused with a sentence while a row of it holds nonsense. */
  const singles = (
    [
      ['/api/sessions/{id}', session, ['sessions', 'session_events', 'plans']],
      ['/api/pages/{id}', 'demo-first-wind', ['pages']],
      ['/api/pages/{id}/plan', 'demo-first-wind', ['plans', 'pages', 'papers', 'habits']],
      ['/api/pages/{id}/cuttings', 'demo-first-wind', ['cuttings']],
      ['/api/stock/{id}/movements', 'demo-stock-1', ['movements']],
    ] as const
  ).map(([path, of, tables]) => ({
    path: path.replace('{id}', of),
    tables: tables as readonly string[],
    answer: ROUTES.find((route) => route.method === 'get' && route.path === path)!.answer as z.ZodType,
  }));
  for (const { path, answer } of singles) {
    const { status, body } = await ask('get', path);
    expect([path, status, answer.safeParse(body).success]).toEqual([path, 200, true]);
  }

  // by another program, so that nothing that was read before stands for it
  const tampered = new Sqlite(server.file);
  const faults: string[] = [];
  const tried = new Set<string>();
  let fields = 0;
  for (const table of TABLES) {
    const row = tampered.prepare(`select rowid as at, * from ${table} limit 1`).get() as
      Record<string, unknown> | undefined;
    if (!row) continue;
    const columns = tampered.pragma(`table_info(${table})`) as { name: string }[];
    for (const { name: column } of columns.filter(({ name }) => !KEYS.has(name)))
      for (const nonsense of isThorough ? NONSENSE : [NONSENSE[fields++ % NONSENSE.length]!]) {
        const write = tampered.prepare(`update ${table} set ${column} = ? where rowid = ?`);
        try {
          write.run(nonsense, row.at);
        } catch {
          continue; // the database itself does not take it
        }
        tried.add(table);
        for (const { path, answer } of lists) {
          const { status, body } = await ask('get', path);
          const where = `${table}.${column} = ${String(JSON.stringify(nonsense))}: ${path}`;
          if (status !== 200) {
            faults.push(`${where} is answered ${status}`);
            continue;
          }
          const read = (answer as z.ZodType).safeParse(body);
          if (!read.success) faults.push(`${where} is not as it should be: ${read.error.issues[0]!.path.join('.')}`);
          const now = sizes(body);
          for (const [key, n] of Object.entries(before.get(path)!))
            if ((now[key] ?? 0) < n - 1 && !(column === 'removed_at' && key === 'stock') && key !== 'shown')
              faults.push(`${where} lost ${n - (now[key] ?? 0)} of ${key}`);
        }
        for (const { path, answer, tables } of singles) {
          if (!tables.includes(table)) continue;
          const { status, body } = await ask('get', path);
          const where = `${table}.${column} = ${String(JSON.stringify(nonsense))}: ${path}`;
          if (status >= 500) faults.push(`${where} is answered ${status}`);
          const read = status === 200 ? answer.safeParse(body) : null;
          if (read?.error) faults.push(`${where} is not as it should be: ${read.error.issues[0]!.path.join('.')}`);
        }
        write.run(row[column], row.at);
      }
  }
  tampered.close();
  await server.stop();
  expect(faults).toEqual([]);
  expect([...tried].sort()).toEqual(TABLES.filter((table) => table !== 'devices').sort());
});

test('what the rest of the file tells is right again when it is opened; a photo is as large as its file', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'temnex-'));
  const databaseFile = join(folder, 'temnex.sqlite');
  const open = async () => {
    const { app, database } = await createApplication({ databaseFile, demo: true, quiet: true });
    await app.init();
    const ask = (path: string) => request(app.getHttpServer()).get(path).set('Host', '127.0.0.1:4310');
    const close = () => app.close().then(() => database.close());
    return { ask, close };
  };
  const seen = async (ask: Awaited<ReturnType<typeof open>>['ask']) => ({
    stock: (await ask('/api/drawer')).body.stock.map((s: { id: string; quantity: number }) => [s.id, s.quantity]),
    page: (await ask('/api/pages/demo-post')).body.document,
    photos: (await ask('/api/photos')).body.photos.map((p: Record<string, unknown>) => [p.id, p.width, p.height]),
  });
  const before = await open();
  const was = await seen(before.ask);
  await before.close();
  const file = new Sqlite(databaseFile);
  file.exec("update stock set quantity = 'many' where id = 'demo-stock-10'");
  file.exec("update pages set version = 'x' where id = 'demo-post'");
  file.exec("update photos set width = 'wide' where id = 'demo-photo-delta'");
  file.close();
  const after = await open();
  expect(await seen(after.ask)).toEqual(was);
  await after.close();
  rmSync(folder, { recursive: true, force: true });
});
