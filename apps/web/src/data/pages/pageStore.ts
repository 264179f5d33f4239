import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { Page } from '@temnex/core/page';
import { pageRecordSchema, type PageRecord } from '@temnex/contract';
import { ServerRefusal, requestJson } from '../client.ts';
import { KEYS } from '../keys.ts';

/** More than this a browser does not send on its way out. */
const LEAVING = 60_000;
/** How often a change is made anew because somebody else saved the page meanwhile. */
const REMADE = 3;

/**
 * Where every view reads and saves pages. Saves of one page go out one after the other, a page is read after what is on its way
 * there, and what was saved is what every view shows next.
 */
export class PageStore {
  private readonly client: QueryClient;
  /** By page, the last of what is on its way. */
  private readonly queues = new Map<string, Promise<unknown>>();

  constructor(client: QueryClient) {
    this.client = client;
  }

  /** The page as the server has it, once what is on its way there has arrived or not. Throws as `requestJson` does. */
  async fetch(id: string): Promise<PageRecord> {
    await this.queues.get(id);
    return requestJson('GET', `/api/pages/${id}`, pageRecordSchema);
  }

  /** Saves a page over the version that it was made from. Throws as `requestJson` does: a refusal `stale` has what stands there. */
  save(id: string, version: number, document: Page): Promise<PageRecord> {
    return this.inTurn(id, () => this.put(id, version, document));
  }

  /** Saves what somebody wrote by hand, which may be no page. */
  mend(id: string, version: number, document: unknown): Promise<PageRecord> {
    return this.inTurn(id, () => this.put(id, version, document));
  }

  /**
   * Changes a page that nobody is working on here; made anew where somebody else saved it meanwhile. Null where `make` gives null:
   * then nothing is saved.
   */
  update(id: string, make: (page: Page) => Page | null): Promise<PageRecord | null> {
    return this.inTurn(id, async () => {
      for (let made = 1; ; made++) {
        const { version, document } = await requestJson('GET', `/api/pages/${id}`, pageRecordSchema);
        const changed = make(document);
        if (!changed) return null;
        try {
          return await this.put(id, version, changed);
        } catch (error) {
          if (made >= REMADE || !isStale(error)) throw error;
        }
      }
    });
  }

  /** Sent while the window closes, which nothing can be done after. */
  saveOnLeaving(id: string, version: number, document: Page): Promise<boolean> {
    const body = JSON.stringify({ version, document });
    return fetch(`/api/pages/${id}`, {
      method: 'PUT',
      keepalive: body.length < LEAVING,
      headers: { 'content-type': 'application/json' },
      body,
    }).then(
      ({ ok }) => ok,
      () => false,
    );
  }

  private async put(id: string, version: number, document: unknown): Promise<PageRecord> {
    const saved = await requestJson('PUT', `/api/pages/${id}`, pageRecordSchema, { version, document });
    // an answer on its way is older than this one
    await this.client.cancelQueries({ queryKey: KEYS.page(id) });
    this.client.setQueryData(KEYS.page(id), saved);
    void this.client.invalidateQueries({ queryKey: KEYS.pages });
    return saved;
  }

  private inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
    // at once where nothing is on its way: a view that is left may be the last thing that happens
    const before = this.queues.get(id);
    const done = before ? before.then(work) : work();
    const settled = done.then(
      () => {},
      () => {},
    );
    this.queues.set(id, settled);
    void settled.then(() => {
      if (this.queues.get(id) === settled) this.queues.delete(id);
    });
    return done;
  }
}

/** Whether somebody else saved the page first. */
export const isStale = (error: unknown): error is ServerRefusal =>
  error instanceof ServerRefusal && error.refusal.code === 'stale';

const stores = new WeakMap<QueryClient, PageStore>();
/** The one store of a client. */
export function pageStoreOf(client: QueryClient): PageStore {
  const known = stores.get(client) ?? new PageStore(client);
  stores.set(client, known);
  return known;
}
export const usePageStore = (): PageStore => pageStoreOf(useQueryClient());
