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

/** Another program that holds the file for so long; it says when it has it. */
function held(ms: number): Promise<{ over: Promise<void> }> {
  const text = `
    const Sqlite = require('better-sqlite3');
    const db = new Sqlite(${JSON.stringify(file)});
    db.exec('pragma busy_timeout = 5000');
    db.exec('BEGIN IMMEDIATE');
    db.exec("update book set seq = seq");
    console.log('held');
    setTimeout(() => { db.exec('COMMIT'); db.close(); }, ${ms});`;
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['-e', text], { stdio: ['ignore', 'pipe', 'inherit'] });
    const over = new Promise<void>((done) => child.once('exit', () => done()));
    child.once('error', reject);
    child.stdout.once('data', () => resolve({ over }));
  });
}

test('while another program holds the file for two seconds, what is saved waits, and is saved; so is what comes after', async () => {
  const { over } = await held(2000);
  const began = performance.now();
  expect((await save()).status).toBe(201);
  expect(performance.now() - began).toBeGreaterThan(500);
  await over;
  for (let i = 0; i < 3; i++) expect((await save()).status).toBe(201);
});

test('held for longer than anybody waits it says so, and goes on once it is let go', async () => {
  const { over } = await held(7500);
  const refused = await save();
  expect([refused.status, refused.body.code]).toEqual([503, 'busy']);
  expect(refused.body.message).toMatch(/Another program/);
  await over;
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
