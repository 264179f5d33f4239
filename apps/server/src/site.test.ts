import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { createApplication } from './application.ts';

const folder = mkdtempSync(join(tmpdir(), 'temnex-site-'));
const begin = 'document.title = "gale"';
const firstPage = `<!doctype html><title>First</title><script>${begin}</script>`;
const noting = 'document.title = "thermal"';
const script = 'console.log("kites");'.repeat(200);
let made: Awaited<ReturnType<typeof createApplication>>;
beforeAll(async () => {
  const site = join(folder, 'site');
  mkdirSync(join(site, 'assets'), { recursive: true });
  writeFileSync(join(site, 'index.html'), `<!doctype html><title>Temnex</title><script>${noting}</script>`);
  writeFileSync(join(site, 'first.html'), firstPage);
  writeFileSync(join(site, 'first.html.br'), brotliCompressSync(firstPage));
  writeFileSync(join(site, 'assets', 'main.js'), script);
  writeFileSync(join(site, 'assets', 'main.js.br'), brotliCompressSync(script));
  made = await createApplication({ databaseFile: join(folder, 'a.sqlite'), site, demo: false, quiet: true });
  await made.app.init();
});
afterAll(async () => {
  await made.app.close();
  made.database.close();
  rmSync(folder, { recursive: true });
});
const get = (path: string, encoding = 'identity') =>
  request(made.app.getHttpServer()).get(path).set('Host', 'localhost:4310').set('accept-encoding', encoding);

describe('the built interface', () => {
  test('is sent as it was compressed when it was built, to those who can read it', async () => {
    const packed = await get('/assets/main.js', 'gzip, br').buffer(false);
    expect(packed.headers['content-encoding']).toBe('br');
    expect(Number(packed.headers['content-length'])).toBeLessThan(200);
    const plain = await get('/assets/main.js');
    expect([plain.headers['content-encoding'], plain.headers['content-length']]).toEqual([
      undefined,
      String(script.length),
    ]);
    expect(plain.headers['cache-control']).toContain('immutable');
  });
  test('the first view has a page of its own, made when it was built; it is asked for anew each time', async () => {
    const first = await get('/?from=somewhere');
    expect([first.text, first.headers['cache-control']]).toEqual([firstPage, 'no-cache']);
    // the scripts that stand in the pages may run, and no other
    const [own, others] = [begin, noting].map((text) => createHash('sha256').update(text).digest('base64'));
    expect(first.headers['content-security-policy']).toContain(`script-src 'self' 'sha256-${others}' 'sha256-${own}';`);
    expect((await get('/', 'br').buffer(false)).headers['content-encoding']).toBe('br');
    expect((await get('/page/gale')).text).toContain('<title>Temnex</title>');
  });
  test('any address of a page gets the page, and none of the API or of a file', async () => {
    expect((await get('/page/gale/order')).text).toContain('<title>Temnex</title>');
    expect((await get('/api/kites')).body.code).toBe('not-found');
    expect((await get('/assets/nothing.js')).body.code).toBe('not-found');
  });
  test.each(['/assets/%c0', '/assets/..%2f..%2fa.sqlite', '/assets/%00'])('%s is no file', async (path) => {
    const { status } = await get(path);
    expect([400, 404]).toContain(status);
  });
});
