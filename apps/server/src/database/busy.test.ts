import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import request from 'supertest';
import { sql } from 'drizzle-orm';
import { demoPage } from '../demo/demoPages.ts';
import { createApplication } from '../application.ts';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { OpenDatabase } from './database.ts';

let app: NestExpressApplication;
let database: OpenDatabase;
const folder = mkdtempSync(join(tmpdir(), 'temnex-busy-'));
const file = join(folder, 'busy.sqlite');
beforeAll(async () => {
  ({ app, database } = await createApplication({ databaseFile: file, demo: true, quiet: true }));
  await app.init();
});
afterAll(async () => {
  await app.close();
  database.close();
  rmSync(folder, { recursive: true, force: true });
});
const save = () =>
  request(app.getHttpServer())
    .post('/api/pages')
    .set('Host', '127.0.0.1:4310')
    .send({ id: randomUUID(), document: demoPage() });

/** Another program that holds the file for so long, or until it is let go; it says when it has it, and when it had not any more. */
function held(ms?: number): Promise<{ letGo: () => void; over: Promise<number> }> {
  const text = `
    const Sqlite = require('better-sqlite3');
    const db = new Sqlite(${JSON.stringify(file)});
    db.exec('pragma busy_timeout = 5000');
    db.exec('BEGIN IMMEDIATE');
    db.exec("update book set seq = seq");
    const letGo = () => { console.log(Date.now()); db.exec('COMMIT'); db.close(); process.exit(); };
    console.log('held');
    ${ms === undefined ? "process.stdin.once('data', letGo);" : `setTimeout(letGo, ${ms});`}`;
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['-e', text], { stdio: ['pipe', 'pipe', 'inherit'] });
    let told = '';
    const over = new Promise<number>((done) => child.once('close', () => done(Number(told.trim().split('\n').at(-1)))));
    child.once('error', reject);
    child.stdout.on('data', (said: Buffer) => {
      told += String(said);
      resolve({ letGo: () => child.stdin.write('let go'), over });
    });
  });
}

test('while another program holds the file for two seconds, what is saved waits, and is saved; so is what comes after', async () => {
  const { over } = await held(2000);
  expect((await save()).status).toBe(201);
  const saved = Date.now();
  expect(saved).toBeGreaterThanOrEqual(await over);
  for (let i = 0; i < 3; i++) expect((await save()).status).toBe(201);
});

test('held for longer than anybody waits it says so, and goes on once it is let go', async () => {
  const { letGo, over } = await held();
  const refused = await save();
  expect([refused.status, refused.body.code]).toEqual([503, 'busy']);
  expect(refused.body.message).toMatch(/Another program/);
  letGo();
  await over;
  expect((await save()).status).toBe(201);
});

test('with no space left for the end of a transaction it says so too, though SQLite has taken it back by itself', async () => {
  const client = database.db.$client as unknown as { exec(text: string): unknown };
  const exec = client.exec.bind(client);
  client.exec = (text) => {
    if (text !== 'COMMIT') return exec(text);
    exec('ROLLBACK');
    throw Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' });
  };
  const { status, body } = await save();
  client.exec = exec;
  expect([status, body.code]).toEqual([507, 'no-space']);
  expect((await save()).status).toBe(201);
});

test('with no space left every change says so, whatever it was, and everything goes on once there is some', async () => {
  const pages = (most: number) => database.db.run(sql.raw(`pragma max_page_count = ${most}`));
  pages(1);
  const statuses = new Set<string>();
  for (let i = 0; i < 40; i++) {
    const { status, body } = await save();
    if (status !== 201) statuses.add(`${status} ${body.code}`);
  }
  expect([...statuses]).toEqual(['507 no-space']);
  pages(1_000_000_000);
  expect((await save()).status).toBe(201);
});
