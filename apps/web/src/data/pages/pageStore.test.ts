import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import type { Page } from '@temnex/core/page';
import { base, page as pageOf } from '@temnex/core/testing';
import { pageRecordSchema, type PageRecord } from '@temnex/contract';
import { requestJson } from '../client.ts';
import { PageStore, isStale } from './pageStore.ts';
import { KEYS } from '../keys.ts';

const named = (page: Page, name: string): Page => ({ ...page, name });
const first: PageRecord = { id: 'p', version: 1, document: named(pageOf(base()), 'begun'), demo: false, updatedAt: '' };

/** A server with one page; what it is asked waits until it is let go, one after the other. */
let record: PageRecord;
let waiting: (() => void)[];
let slow: boolean;
let beforePut: (() => void) | null;
let client: QueryClient;
let store: PageStore;
beforeEach(() => {
  [record, waiting, slow, beforePut] = [first, [], false, null];
  client = new QueryClient();
  store = new PageStore(client);
  globalThis.fetch = jest.fn(async (_path: string, init?: { method?: string; body?: string }) => {
    const answer = (status: number, body: unknown) => ({
      ok: status < 400,
      status,
      headers: new Map(),
      json: async () => body,
    });
    const now = record;
    if (slow) await new Promise<void>((resolve) => waiting.push(resolve));
    if (init?.method !== 'PUT') return answer(200, now);
    beforePut?.();
    const { version, document } = JSON.parse(init.body!) as { version: number; document: Page };
    if (version !== record.version) return answer(409, { code: 'stale', message: 'stale', current: record });
    record = { ...record, version: version + 1, document };
    return answer(200, record);
  }) as unknown as typeof fetch;
});
afterEach(() => client.clear());
const soon = () => new Promise((resolve) => setTimeout(resolve, 0));
const calls = () => (globalThis.fetch as unknown as jest.Mock).mock.calls.length;

describe('pages as the server has them', () => {
  test('what was saved is what is shown next, and the list of pages is old', async () => {
    client.setQueryData(['pages'], []);
    expect((await store.save('p', 1, named(first.document, 'a'))).version).toBe(2);
    expect(client.getQueryData<PageRecord>(KEYS.page('p'))).toMatchObject({ version: 2, document: { name: 'a' } });
    expect(client.getQueryState(['pages'])?.isInvalidated).toBe(true);
  });

  test('a change is made to the page as it stands, after what is on its way there', async () => {
    slow = true;
    const saved = store.save('p', 1, named(first.document, 'a'));
    const changed = store.update('p', (page) => named(page, `${page.name} b`));
    const read = store.fetch('p');
    expect(calls()).toBe(1);
    while (waiting.length) {
      waiting.shift()!();
      await soon();
    }
    expect([(await saved).version, (await changed)?.version, (await read).document.name]).toEqual([2, 3, 'a b']);
  });

  test('where somebody else saved meanwhile, the change is made anew; three times at the most', async () => {
    let others = 0;
    const other = (times: number) => () => {
      if (others++ < times)
        record = { ...record, version: record.version + 1, document: named(record.document, `other ${others}`) };
    };
    beforePut = other(2);
    expect((await store.update('p', (page) => named(page, `${page.name}, mine`)))?.document.name).toBe('other 2, mine');
    others = 0;
    beforePut = other(3);
    const refused = await store.update('p', (page) => named(page, 'mine')).catch((error: unknown) => error);
    expect([isStale(refused), record.document.name]).toEqual([true, 'other 3']);
  });

  test('what gives no page changes nothing', async () => {
    expect(await store.update('p', () => null)).toBeNull();
    expect([calls(), record]).toEqual([1, first]);
  });

  test('a save that failed stops none after it', async () => {
    const stale = store.save('p', 7, first.document).catch((error: unknown) => error);
    const next = store.save('p', 1, named(first.document, 'b'));
    expect([isStale(await stale), (await next).document.name]).toEqual([true, 'b']);
  });

  test('an answer asked for before a save does not stand over it', async () => {
    slow = true;
    const asked = client
      .fetchQuery({ queryKey: KEYS.page('p'), queryFn: () => requestJson('GET', '/api/pages/p', pageRecordSchema) })
      .catch(() => null);
    const saved = store.save('p', 1, named(first.document, 'a'));
    waiting[1]!();
    await saved;
    waiting[0]!();
    await asked;
    await soon();
    expect(client.getQueryData<PageRecord>(KEYS.page('p'))).toMatchObject({ version: 2, document: { name: 'a' } });
  });
});
