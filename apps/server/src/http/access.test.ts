import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { ROUTES } from '@temnex/contract';
import { createApplication } from '../application.ts';
import { openDatabase } from '../database/database.ts';
import { DeviceAccess } from './deviceAccess.ts';

const ADDRESS = '192.0.2.7';
const folder = mkdtempSync(join(tmpdir(), 'temnex-door-'));
let http: Parameters<typeof request>[0];
let stop: () => Promise<void>;
beforeAll(async () => {
  const { app, database } = await createApplication({
    databaseFile: join(folder, 'a.sqlite'),
    demo: true,
    quiet: true,
    share: [ADDRESS],
  });
  await app.init();
  http = app.getHttpServer();
  stop = async () => {
    await app.close();
    database.close();
    rmSync(folder, { recursive: true, force: true });
  };
});
afterAll(() => stop());

/** As the computer itself asks, and as somebody from the network does. */
const here = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const outside = (r: request.Test) => r.set('Host', `${ADDRESS}:4310`);
const newCode = async (): Promise<string> => (await here(request(http).post('/api/devices/code'))).body.code;
const knock = (code: string, name = 'the tablet') =>
  outside(request(http).post('/door').type('form').send({ code, name }));
const letIn = async (name?: string): Promise<string> => {
  const { headers, status } = await knock(await newCode(), name);
  expect(status).toBe(303);
  return String(headers['set-cookie']).split(';')[0]!;
};

describe('a shared server', () => {
  test('answers nothing but the door to whoever has not been let in', async () => {
    for (const { method, path } of ROUTES) {
      const { status, body } = await outside(request(http)[method](path.replace(/\{\w+\}/, 'demo-first-wind')));
      expect([path, status, body.code]).toEqual([path, 401, 'not-let-in']);
    }
    for (const path of ['/assets/main.js', '/mark.svg', '/sw.js'])
      expect((await outside(request(http).get(path))).status).toBe(401);
    const page = await outside(request(http).get('/page/demo-first-wind?code=123456'));
    expect([page.status, page.headers['cache-control']]).toEqual([401, 'no-store']);
    expect(page.text).toContain('value="123456"');
    expect(page.headers['referrer-policy']).toBe('same-origin');
    expect(page.text).not.toContain('<script');
    expect(page.headers['content-security-policy']).toContain("default-src 'none'");
    const odd = await outside(request(http).get('/?code=%22%3E%3Cscript%3E'));
    expect(odd.text).not.toContain('<script');
  });
  test('is no other in capital letters, and says what a device may not do before it reads what it sends', async () => {
    const { status, body } = await outside(request(http).get('/API/pages/demo-first-wind/print.pdf'));
    expect([status, body.code]).toEqual([401, 'not-let-in']);
    const cookie = await letIn('the phone');
    // read, it would be refused as something else
    for (const path of ['/api/backup/look', '/API/Backup/restore']) {
      const answer = await outside(request(http).post(path))
        .set('cookie', cookie)
        .set('content-type', path.endsWith('look') ? 'application/zip' : 'application/json')
        .send('{ no zip, no JSON');
      expect([path, answer.status, answer.body.code]).toEqual([path, 403, 'forbidden']);
    }
  });
  test('lets a device in by a code, once, with a cookie that scripts and other sites do not get', async () => {
    const code = await newCode();
    const answer = await knock(code);
    expect([answer.status, answer.headers.location]).toEqual([303, '/']);
    const cookie = String(answer.headers['set-cookie']);
    expect(cookie).toMatch(/^temnex_device=[\w-]{43}; Max-Age=\d+; Path=\/; Expires=.*; HttpOnly; SameSite=Strict$/);
    const pages = await outside(request(http).get('/api/pages')).set('Cookie', cookie.split(';')[0]!);
    expect(pages.status).toBe(200);
    const again = await knock(code);
    expect([again.status, again.text.includes('no code to give')]).toEqual([401, true]);
  });
  test('shows a device the door, and only the computer itself does that or lets another in', async () => {
    const cookie = await letIn('the phone');
    const { devices } = (await here(request(http).get('/api/devices'))).body;
    const phone = devices.find((d: { name: string }) => d.name === 'the phone');
    const asPhone = (r: request.Test) => outside(r).set('Cookie', cookie);
    expect((await asPhone(request(http).get('/api/devices'))).body.here).toBe('the phone');
    expect((await asPhone(request(http).post('/api/devices/code'))).status).toBe(403);
    expect((await asPhone(request(http).delete(`/api/devices/${phone.id}`))).status).toBe(403);
    expect((await here(request(http).delete(`/api/devices/${phone.id}`))).status).toBe(204);
    expect((await here(request(http).delete(`/api/devices/${phone.id}`))).status).toBe(404);
    expect((await asPhone(request(http).get('/api/pages'))).status).toBe(401);
  });
  test('a rebound name, another site and a made-up cookie are refused', async () => {
    const cookie = await letIn();
    const rebound = await request(http).get('/api/pages').set('Host', 'kites.example:4310').set('Cookie', cookie);
    expect([rebound.status, rebound.body.code]).toEqual([403, 'forbidden']);
    const site = await outside(request(http).post('/api/demo').send({ id: 'from-a-site' }))
      .set('Cookie', cookie)
      .set('Origin', 'http://kites.example');
    expect(site.status).toBe(403);
    const form = await knock(await newCode()).set('Origin', 'http://kites.example');
    expect(form.status).toBe(403);
    const fetched = await outside(request(http).get('/api/pages')).set('Cookie', cookie).set('Sec-Fetch-Site', 'cross-site'); // prettier-ignore
    expect(fetched.status).toBe(403);
    const made = await outside(request(http).get('/api/pages')).set('Cookie', `temnex_device=${'a'.repeat(43)}`);
    expect(made.status).toBe(401);
  });
  test('the code comes with its address, and as a picture that is scanned', async () => {
    const { body } = await here(request(http).post('/api/devices/code'));
    expect(body.url).toMatch(new RegExp(`^http://${ADDRESS}:\\d+/\\?code=${body.code}$`));
    expect(body.picture).toMatch(/^<svg /);
  });
});

describe('codes', () => {
  const { db, close } = openDatabase(join(folder, 'codes.sqlite'));
  afterAll(() => close());
  const at = { now: 1_000_000 };
  const sharing = () => new DeviceAccess(db, [ADDRESS], () => at.now);
  const wrongOf = (code: string) => String((Number(code) + 1) % 1_000_000).padStart(6, '0');
  test('wrong ones are answered later each time, and then not at all', () => {
    const s = sharing();
    const { code } = s.newCode();
    const waits = [1, 2, 3, 4, 5].map(() => s.admit(wrongOf(code), 'x', '10.0.0.9'));
    expect(waits.map((w) => (w.ok ? 0 : w.wait))).toEqual([400, 800, 1600, 3200, 6400]);
    expect(waits.at(-1)).toMatchObject({ why: 'locked' });
    // not even the right one, from there; from elsewhere it still is one
    expect(s.admit(code, 'x', '10.0.0.9')).toMatchObject({ ok: false, why: 'locked' });
    expect(s.admit(code, 'x', '10.0.0.10')).toMatchObject({ ok: true });
    // after ten minutes, by a new code
    at.now += 11 * 60_000;
    expect(s.admit(s.newCode().code, 'x', '10.0.0.9')).toMatchObject({ ok: true });
  });
  test('tried from many addresses, a code is worth nothing any more', () => {
    const s = sharing();
    const { code } = s.newCode();
    for (let i = 0; i < 12; i++) s.admit(wrongOf(code), 'x', `10.0.1.${i}`);
    expect(s.admit(code, 'x', '10.0.2.1')).toMatchObject({ ok: false, why: 'no-code' });
  });
  test('it lasts five minutes, and is worth nothing once there is another', () => {
    const s = sharing();
    const first = s.newCode().code;
    const second = s.newCode().code;
    if (first !== second) expect(s.admit(first, 'x', '10.0.3.1')).toMatchObject({ ok: false });
    at.now += 6 * 60_000;
    expect(s.admit(second, 'x', '10.0.3.2')).toMatchObject({ ok: false, why: 'no-code' });
  });
  test('only the hash of a token is kept', () => {
    const s = sharing();
    const admitted = s.admit(s.newCode().code, 'a kettle', '10.0.4.1');
    if (!admitted.ok) throw new Error('it was to be let in');
    expect(s.deviceOf(admitted.token)?.name).toBe('a kettle');
    expect(s.deviceOf(`${admitted.token.slice(0, -1)}_`)).toBeNull();
  });
});
