import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { emptyPage } from '@temnex/core/page';
import { createApplication } from '../application.ts';
import sharp from 'sharp';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { DEMO_PAGE_ID } from '../demo/demoPages.ts';
import { testServer, type TestServer } from '../testing.ts';
import { BackupCopiesFolder } from './copies.ts';
import { BackupService } from './backup.service.ts';

let n = 0;
const newId = () => `keeping-test-${++n}`;
let full: TestServer;
let empty: TestServer;
beforeEach(async () => {
  [full, empty] = await Promise.all([testServer(true), testServer(false)]);
});
afterEach(async () => {
  await full.stop();
  await empty.stop();
});
const to = (server: TestServer) => {
  const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
  return {
    get: (path: string) => local(request(server.http).get(path)),
    post: (path: string, body: object) => local(request(server.http).post(path).send(body)),
    file: async (): Promise<Buffer> =>
      (await local(request(server.http).get('/api/backup/file')).buffer(true).parse((r, done) => {
        const parts: Buffer[] = [];
        r.on('data', (part: Buffer) => parts.push(part));
        r.on('end', () => done(null, Buffer.concat(parts)));
      })).body, // prettier-ignore
    look: (zip: Buffer) =>
      local(request(server.http).post('/api/backup/look')).set('content-type', 'application/zip').send(zip),
  };
};
/** All that somebody has, as the server answers it. */
const everything = async (server: TestServer) => {
  const { papers, stock } = (await to(server).get('/api/drawer')).body;
  const page = (await to(server).get(`/api/pages/${DEMO_PAGE_ID}`)).body;
  const pages = (await to(server).get('/api/pages')).body;
  return { papers, stock, page, pages };
};

describe('a backup', () => {
  test('holds everything, and is restored into an empty folder as it was, pictures too', async () => {
    const picture = await request(full.http)
      .post('/api/pictures/papers')
      .set('Host', '127.0.0.1:4310')
      .set('content-type', 'image/png')
      .send(await sharp({ create: { width: 8, height: 8, channels: 3, background: '#1f7a7a' } }).png().toBuffer()); // prettier-ignore
    const sky = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#9ab' } }).jpeg().toBuffer(); // prettier-ignore
    const photo = await request(full.http)
      .post('/api/photos?id=keeping-photo')
      .set('Host', '127.0.0.1:4310')
      .set('content-type', 'image/jpeg')
      .send(sky);
    const zip = await to(full).file();
    const inside = Object.keys(unzipSync(zip));
    expect(inside).toEqual(expect.arrayContaining(['README.txt', 'temnex.sqlite', `pages/${DEMO_PAGE_ID}.json`, `pictures/${picture.body.file}.webp`, `photos/${photo.body.photo.file}.jpg`])); // prettier-ignore
    const { body: preview } = await to(empty).look(zip);
    expect(preview.now).toMatchObject({ pages: 0, items: 0, pictures: 0 });
    expect(preview.holds).toMatchObject({ pictures: 1 });
    expect(preview.holds.items).toBeGreaterThan(5);
    // nothing is there until it is asked for
    expect((await to(empty).get('/api/pages')).body).toEqual([]);
    const restore = { id: newId(), ticket: preview.ticket };
    const { body: restored, status } = await to(empty).post('/api/backup/restore', restore);
    expect([status, restored.message]).toEqual([200, undefined]);
    expect(restored.now).toEqual(preview.holds);
    expect(await everything(empty)).toEqual(await everything(full));
    expect((await to(empty).get(`/api/pictures/${picture.body.file}`)).status).toBe(200);
    // the smaller ones are made anew
    for (const side of ['small', 'whole'])
      expect((await to(empty).get(`/api/photos/files/${photo.body.photo.file}?side=${side}`)).status).toBe(200);
    // asked again, because the answer was lost
    expect((await to(empty).post('/api/backup/restore', restore)).body).toEqual(restored);
  });
  test('never overwrites silently, and what was there before can be had again', async () => {
    const { body: preview } = await to(full).look(await to(empty).file());
    const asked = { id: newId(), ticket: preview.ticket };
    const refused = await to(full).post('/api/backup/restore', asked);
    expect([refused.status, refused.body.code]).toEqual([409, 'in-use']);
    const before = await everything(full);
    const seen = (await to(full).get('/api/drawer')).body;
    const { body } = await to(full).post('/api/backup/restore', { ...asked, replace: true });
    expect(body.now).toMatchObject({ pages: 0, items: 0 });
    // who has seen the drawer before sees all of it anew
    const after = (await to(full).get(`/api/drawer?book=${seen.book}&since=${seen.seq}`)).body;
    expect([after.whole, after.stock]).toEqual([true, []]);
    const { copies } = (await to(full).get('/api/backup/copies')).body;
    expect(copies.map((c: { name: string }) => c.name)).toContain(body.before);
    const back = (await to(full).post('/api/backup/look-at-copy', { name: body.before })).body;
    await to(full).post('/api/backup/restore', { id: newId(), ticket: back.ticket, replace: true });
    expect(await everything(full)).toEqual(before);
  });
  test('what is none is refused with a sentence, and changes nothing', async () => {
    const before = await everything(full);
    const zipped = (inside: Record<string, string>) => Buffer.from(zipSync(Object.fromEntries(Object.entries(inside).map(([k, v]) => [k, strToU8(v)])))); // prettier-ignore
    for (const [sent, says] of [
      [Buffer.from('no zip at all'), 'cannot be opened'],
      [zipped({ 'kite.txt': 'a kite' }), 'there is no temnex.sqlite in it'],
      [zipped({ 'temnex.sqlite': 'a kite' }), 'its database cannot be opened'],
      [zipped({ '../../temnex.sqlite': 'a kite' }), 'there is no temnex.sqlite in it'],
    ] as const) {
      const { status, body } = await to(full).look(sent);
      expect([status, body.message]).toEqual([400, expect.stringContaining(says)]);
    }
    const made = await to(full).post('/api/backup/restore', { id: newId(), ticket: 'made-up', replace: true });
    expect(made.status).toBe(404);
    expect((await to(full).post('/api/backup/look-at-copy', { name: '../test.sqlite' })).status).toBe(404);
    expect((await to(full).post('/api/backup/look', { kite: 1 })).status).toBe(400);
    expect(await everything(full)).toEqual(before);
  });
  test('nothing, another program’s database and what unfolds without end are none either', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-foreign-'));
    const foreign = new Sqlite(join(folder, 'foreign.sqlite'));
    foreign.exec('create table kites (id text)');
    foreign.close();
    const before = await everything(full);
    const zipped = (data: Uint8Array) => Buffer.from(zipSync({ 'temnex.sqlite': data }));
    const bomb = new Uint8Array(90e6);
    for (const [sent, says] of [
      [Buffer.alloc(0), 'No backup was sent'],
      [zipped(new Uint8Array()), 'its database cannot be opened'],
      [zipped(new Uint8Array([1])), 'its database cannot be opened'],
      [zipped(readFileSync(join(folder, 'foreign.sqlite'))), 'its database cannot be opened'],
      [zipped(bomb), 'it unfolds to too much'],
      [(await to(full).file()).subarray(0, 9000), 'it is damaged'],
    ] as const) {
      const { status, body } = await to(full).look(sent);
      expect([status, body.message]).toEqual([400, expect.stringContaining(says)]);
    }
    expect(await everything(full)).toEqual(before);
    // and nothing of them is kept
    expect(readdirSync(join(dirname(full.file), 'looking'))).toEqual([]);
    rmSync(folder, { recursive: true });
  });
  test('what a kill left half is healed: a photo that was cut short, and one that is sent again', async () => {
    const sky = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#9ab' } }).jpeg().toBuffer(); // prettier-ignore
    const send = (server: TestServer, id: string) =>
      request(server.http)
        .post(`/api/photos?id=${id}`)
        .set('Host', '127.0.0.1:4310')
        .set('content-type', 'image/jpeg')
        .send(sky);
    const { file } = (await send(full, 'healed-photo')).body.photo;
    const pathIn = (server: TestServer) => join(dirname(server.file), 'photos', `${file}.jpg`);
    const whole = readFileSync(pathIn(full));
    // cut short where it is to be put back
    mkdirSync(dirname(pathIn(empty)), { recursive: true });
    writeFileSync(pathIn(empty), whole.subarray(0, 100));
    const { body: preview } = await to(empty).look(await to(full).file());
    await to(empty).post('/api/backup/restore', { id: newId(), ticket: preview.ticket });
    expect(readFileSync(pathIn(empty)).equals(whole)).toBe(true);
    // cut short since: sent again it is whole
    writeFileSync(pathIn(empty), whole.subarray(0, 100));
    expect((await send(empty, 'healed-again')).body.again).toBe(true);
    expect(readFileSync(pathIn(empty)).equals(whole)).toBe(true);
  });
  test.each([1, 2, 3, 4, 5, 6])(
    'of version %i of the database it is looked into, brought up to date and put back',
    async (version) => {
      const old = readFileSync(new URL(`../../fixtures/database-${version}.sqlite`, import.meta.url));
      const { status, body: preview } = await to(empty).look(Buffer.from(zipSync({ 'temnex.sqlite': old })));
      expect([status, preview.message]).toEqual([200, undefined]);
      const restored = await to(empty).post('/api/backup/restore', { id: newId(), ticket: preview.ticket });
      expect([restored.status, restored.body.now]).toEqual([200, preview.holds]);
      expect((await to(empty).get('/api/pages')).body).toHaveLength(preview.holds.pages);
    },
  );
  test('a request from before is forgotten with what it made', async () => {
    const { body: preview } = await to(full).look(await to(empty).file());
    const made = { id: newId(), document: emptyPage('Before') };
    await to(full).post('/api/pages', made);
    await to(full).post('/api/backup/restore', { id: newId(), ticket: preview.ticket, replace: true });
    expect((await to(full).get('/api/pages')).body).toEqual([]);
    expect((await to(full).post('/api/pages', made)).status).toBe(201);
    expect((await to(full).get('/api/pages')).body).toHaveLength(1);
  });
  test('halves are cleared away at the start', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-halves-'));
    const halves = ['photos/a.jpg.half', `pictures/b.webp.${randomUUID()}`, 'copies/temnex-2026-05-31.sqlite.half', 'looking/backup-x/temnex.sqlite']; // prettier-ignore
    for (const name of [...halves, 'photos/whole.jpg']) {
      mkdirSync(dirname(join(folder, name)), { recursive: true });
      writeFileSync(join(folder, name), 'half');
    }
    const { app, database } = await createApplication({ databaseFile: join(folder, 'a.sqlite'), demo: false, quiet: true }); // prettier-ignore
    await app.init();
    expect(halves.filter((name) => existsSync(join(folder, name)))).toEqual([]);
    expect(existsSync(join(folder, 'photos/whole.jpg'))).toBe(true);
    await app.close();
    database.close();
    rmSync(folder, { recursive: true });
  });
  test('a copy is made once a day by itself', () => {
    const keeping = full.app.get(BackupService);
    expect(keeping.daily(new Date('2026-05-31T10:00:00Z'))).toBe(true);
    expect(keeping.daily(new Date('2026-05-31T23:00:00Z'))).toBe(false);
    expect(readdirSync(join(dirname(full.file), 'copies'))).toEqual(['temnex-2026-05-31.sqlite']);
  });
});

describe('the folder of copies', () => {
  test('keeps the last ten of the daily ones, those before a restoring for good, and nothing half', () => {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-copies-'));
    try {
      const copies = new BackupCopiesFolder(folder, (file) => writeFileSync(file, 'all of it'));
      const before = copies.beforeRestoring(new Date('2026-05-01T09:30:00Z'));
      for (let day = 1; day <= 14; day++) copies.daily(`2026-05-${String(day).padStart(2, '0')}`);
      const names = copies.list().map((c) => c.name);
      expect(names).toHaveLength(11);
      expect(names[0]).toBe('temnex-2026-05-14.sqlite');
      expect(names).toContain(before);
      expect(names).not.toContain('temnex-2026-05-04.sqlite');
      const full = new BackupCopiesFolder(folder, (file) => {
        writeFileSync(file, 'half');
        throw new Error('no space');
      });
      expect(() => full.daily('2026-05-20')).toThrow('no space');
      expect(copies.list().map((c) => c.name)).toEqual(names);
      expect(copies.fileOf('temnex-2026-05-20.sqlite.half')).toBeNull();
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
