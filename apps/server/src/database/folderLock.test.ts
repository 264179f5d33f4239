import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { lockFolder } from './folderLock.ts';

let folder: string;
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'temnex-alone-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const note = () => join(folder, 'temnex.lock');
/** The parent of this process lives as long as it does. */
const OTHER = process.ppid;

test('a folder is used by one server, which says where it answers, and leaves nothing behind', async () => {
  const alone = await lockFolder(join(folder, 'deep'));
  alone.setAddress('http://127.0.0.1:4310');
  expect(JSON.parse(readFileSync(join(folder, 'deep', 'temnex.lock'), 'utf8'))).toEqual({
    pid: process.pid,
    address: 'http://127.0.0.1:4310',
  });
  alone.leave();
  expect(existsSync(join(folder, 'deep', 'temnex.lock'))).toBe(false);
});
test('a second one is refused with the address of the first, while that answers', async () => {
  const first = createServer((_, response) => response.end('{}'));
  await new Promise<void>((up) => first.listen(0, '127.0.0.1', up));
  const address = `http://127.0.0.1:${(first.address() as AddressInfo).port}`;
  writeFileSync(note(), JSON.stringify({ pid: OTHER, address }));
  await expect(lockFolder(folder)).rejects.toThrow(`already, at ${address}`);
  await new Promise((down) => first.close(down));
  // another program has its number now, and nobody answers
  (await lockFolder(folder)).leave();
});
test('one that is too busy to answer is there all the same', async () => {
  const busy = createServer(() => undefined);
  await new Promise<void>((up) => busy.listen(0, '127.0.0.1', up));
  const address = `http://127.0.0.1:${(busy.address() as AddressInfo).port}`;
  writeFileSync(note(), JSON.stringify({ pid: OTHER, address }));
  await expect(lockFolder(folder)).rejects.toThrow(`already, at ${address}`);
  busy.closeAllConnections();
  await new Promise((down) => busy.close(down));
  rmSync(note());
});
test('one that was killed, and a note that is none, are written over', async () => {
  for (const text of ['{"pid":999999999,"address":"http://127.0.0.1:1"}', '', 'a kite', '{"pid":"x"}', 'null']) {
    writeFileSync(note(), text);
    (await lockFolder(folder)).leave();
  }
});
test('one that is starting is waited for a while', async () => {
  writeFileSync(note(), JSON.stringify({ pid: OTHER, address: null }));
  setTimeout(() => rmSync(note()), 500);
  const began = Date.now();
  (await lockFolder(folder)).leave();
  expect(Date.now() - began).toBeGreaterThan(300);
});
