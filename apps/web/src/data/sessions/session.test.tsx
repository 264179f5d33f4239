import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { planJob, readJob, type JobDocument } from '@temnex/core/planner';
import { applySessionEvent, foldSession, buildTrimmerSteps, type SessionEvent } from '@temnex/core/trimmer';
import type { Session, StoredEvent } from '@temnex/contract';
import {
  isOnlyInMemory,
  cacheStoredEvents,
  enqueueEvent,
  cachedEventsOf,
  dequeueEvents,
  pendingEventsOf,
} from './outbox.ts';
import { useSession, type LiveSession } from './useSession.ts';

const document: JobDocument = {
  format: 'temnex-job',
  version: 2,
  papers: [{ id: 'gust' }],
  plan: { nodes: 1 },
  stock: [{ id: 's', paper: 'gust', width: '12', height: '6' }],
  pieces: [{ id: 'mat', width: '5', height: '4', quantity: 2, papers: ['gust'] }],
} as JobDocument;
const read = readJob(document);
if (!read.ok) throw new Error('it reads');
const plan = planJob(read.job, { now: () => 0 });
const steps = buildTrimmerSteps(read.job, plan).length;

const answer = (body: unknown): Response => ({ ok: true, status: 200, headers: { get: () => null }, json: () => Promise.resolve(body) }) as unknown as Response; // prettier-ignore

/** A server that takes events in as the real one does; it can be gone, lose answers, and refuse one. */
class FakeServer {
  taken: StoredEvent[] = [];
  gone = false;
  losesAnswers = 0;
  refuses: string | null = null;
  posts = 0;
  asked = 0;
  session(): Session {
    return {
      session: {
        id: 'one',
        page: 'p',
        pages: ['p'],
        plans: ['plan'],
        startedAt: '2026-05-31T09:00:00Z',
        endedAt: null,
      },
      title: 'A windy week',
      mark: '1/16',
      kit: null,
      events: this.taken,
      unreadable: 0,
      plans: [{ id: 'plan', page: 'p', together: null, basis: { pageVersion: 1, papers: {}, habits: 1, cuts: [] }, job: document, plan, createdAt: '' }], // prettier-ignore
    } as Session;
  }
  press(event: SessionEvent): void {
    if (this.taken.some((t) => t.event.id === event.id)) return;
    const { state } = foldSession('plan', this.taken.map((t) => t.event), () => steps); // prettier-ignore
    const next = applySessionEvent(state, event, () => steps);
    this.taken = [...this.taken, { seq: this.taken.length + 1, event, idle: typeof next === 'string' ? next : null }];
  }
  fetch = async (path: string, init?: RequestInit): Promise<Response> => {
    if (this.gone) throw new TypeError('no network');
    if (init?.method !== 'POST') {
      this.asked++;
      return answer(this.session());
    }
    this.posts++;
    const { events, since } = JSON.parse(String(init.body)) as { events: SessionEvent[]; since: number };
    let refused = null;
    for (const event of events) {
      if (event.deed.do === this.refuses) {
        refused = { event: event.id, refusal: { code: 'stock-changed', message: 'The drawer has changed.' } };
        break;
      }
      this.press(event);
    }
    if (this.losesAnswers-- > 0) throw new TypeError('the answer was lost');
    return answer({ session: this.session().session, events: this.taken.filter((t) => t.seq > since), refused });
  };
}

let server: FakeServer;
const before = globalThis.fetch;
beforeEach(() => {
  localStorage.clear();
  server = new FakeServer();
  globalThis.fetch = server.fetch as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = before;
});

function opened() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result, unmount } = renderHook(() => useSession('one'), { wrapper });
  const live = () => result.current as LiveSession & { status: string };
  const press = (step: number) => act(() => void live().press({ do: 'done', order: 0, step }));
  return { live, press, unmount, ready: () => waitFor(() => expect(result.current.status).toBe('live')) };
}

describe('a session on a device', () => {
  test('shows a press at once, and has it taken in', async () => {
    const { live, press, ready } = opened();
    await ready();
    press(0);
    expect(live().state.at).toBe(1);
    expect(server.posts).toBe(0);
    await waitFor(() => expect(live().waiting).toBe(0));
    expect(server.taken).toHaveLength(1);
    expect(live().state.at).toBe(1);
  });
  test('without the server goes on, keeps what was pressed over a reload, and sends it once when it is back', async () => {
    const first = opened();
    await first.ready();
    server.gone = true;
    first.press(0);
    first.press(1);
    await waitFor(() => expect(first.live().offline).toBe(true));
    expect(first.live().state.at).toBe(2);
    first.unmount();
    expect(pendingEventsOf('one')).toHaveLength(2);
    server.gone = false;
    const second = opened();
    await second.ready();
    expect(second.live().state.at).toBe(2);
    await waitFor(() => expect(second.live().waiting).toBe(0));
    expect(server.taken.map((t) => t.event.deed)).toMatchObject([{ step: 0 }, { step: 1 }]);
  });
  test('an answer that was lost makes nothing twice', async () => {
    const { live, press, ready } = opened();
    await ready();
    server.losesAnswers = 1;
    press(0);
    await waitFor(() => expect(live().offline).toBe(true));
    await waitFor(() => expect(live().waiting).toBe(0));
    expect(server.taken).toHaveLength(1);
    expect(server.posts).toBe(2);
  });
  test('what another device did meanwhile is seen, and what that makes of a press is said', async () => {
    const { live, press, ready } = opened();
    await ready();
    server.press({ id: 'of-another', at: '2026-05-31T10:00:00.000Z', deed: { do: 'wrong', order: 0, step: 0, spoiled: [] } }); // prettier-ignore
    press(0);
    await waitFor(() => expect(live().waiting).toBe(0));
    expect(live().state).toMatchObject({ phase: 'waiting', at: 0 });
    expect(live().idle).toMatchObject([{ why: 'order-gone' }]);
  });
  test('pressed before it was opened anew, what changed nothing is still said; what others press is theirs', async () => {
    const at = '2026-05-31T10:00:00.000Z';
    enqueueEvent('one', { id: 'pressed-before', at, deed: { do: 'done', order: 0, step: 0 } });
    server.press({ id: 'of-another', at, deed: { do: 'wrong', order: 0, step: 0, spoiled: [] } });
    server.press({ id: 'of-another-2', at, deed: { do: 'done', order: 0, step: 0 } });
    const { live, ready } = opened();
    await ready();
    await waitFor(() => expect(live().waiting).toBe(0));
    expect(live().idle.map((i) => [i.event.id, i.why])).toEqual([['pressed-before', 'order-gone']]);
  });
  test('an order that another device goes on by is waited for, never shown as the one before', async () => {
    const at = '2026-05-31T10:00:00.000Z';
    server.press({ id: 'went-wrong', at, deed: { do: 'wrong', order: 0, step: 0, spoiled: [] } });
    server.press({ id: 'goes-on', at, deed: { do: 'order', order: 1, plan: 'not fetched yet' } });
    const { live } = opened();
    await waitFor(() => expect(server.asked).toBe(1));
    await act(() => new Promise((r) => setTimeout(r, 30)));
    expect(live().status).toBe('loading');
  });
  test('what the server refuses is said, and left out', async () => {
    const { live, ready } = opened();
    await ready();
    for (let step = 0; step < steps; step++) server.press({ id: `e${step}`, at: '2026-05-31T10:00:00.000Z', deed: { do: 'done', order: 0, step } }); // prettier-ignore
    server.refuses = 'end';
    const other = opened();
    await other.ready();
    act(() => void other.live().press({ do: 'end', order: 0 }));
    expect(other.live().state.phase).toBe('over');
    await waitFor(() => expect(other.live().trouble?.message).toBe('The drawer has changed.'));
    expect(other.live().state.phase).toBe('cutting');
    expect(pendingEventsOf('one')).toEqual([]);
    expect(live().status).toBe('live');
  });
});

describe('what waits on a device', () => {
  const event = (id: string): SessionEvent => ({ id, at: '2026-05-31T10:00:00.000Z', deed: { do: 'note', text: id } });
  test('is kept in its order, and what is half written is left', () => {
    enqueueEvent('two', event('a'));
    enqueueEvent('two', event('b'));
    expect(pendingEventsOf('two').map((e) => e.id)).toEqual(['a', 'b']);
    dequeueEvents('two', new Set(['a', 'not there']));
    expect(pendingEventsOf('two').map((e) => e.id)).toEqual(['b']);
    localStorage.setItem('temnex.session.two', '[{"id":"c');
    expect(pendingEventsOf('two')).toEqual([]);
    localStorage.setItem('temnex.taken.two', '{');
    expect(cachedEventsOf('two')).toEqual([]);
    cacheStoredEvents('two', [{ seq: 1, event: event('a'), idle: null }]);
    expect(cachedEventsOf('two')).toHaveLength(1);
  });
  test('what finds no room beside what is kept is not lost', () => {
    enqueueEvent('four', event('a'));
    const set = Storage.prototype.setItem;
    Storage.prototype.setItem = () => {
      throw new Error('no space');
    };
    try {
      enqueueEvent('four', event('b'));
      expect(pendingEventsOf('four').map((e) => e.id)).toEqual(['a', 'b']);
      expect(isOnlyInMemory('four')).toBe(true);
    } finally {
      Storage.prototype.setItem = set;
    }
    enqueueEvent('four', event('c'));
    expect(pendingEventsOf('four').map((e) => e.id)).toEqual(['a', 'b', 'c']);
    expect(isOnlyInMemory('four')).toBe(false);
    dequeueEvents('four', new Set(['a', 'b', 'c']));
  });
  test('where there is no room to keep it, it lives as long as the view does', () => {
    const set = Storage.prototype.setItem;
    Storage.prototype.setItem = () => {
      throw new Error('no space');
    };
    try {
      enqueueEvent('three', event('a'));
      expect(isOnlyInMemory('three')).toBe(true);
      expect(pendingEventsOf('three').map((e) => e.id)).toEqual(['a']);
      // closing the window is asked about, as long as something would be lost
      const isAsked = () => !dispatchEvent(new Event('beforeunload', { cancelable: true }));
      expect(isAsked()).toBe(true);
      dequeueEvents('three', new Set(['a']));
      expect(pendingEventsOf('three')).toEqual([]);
      expect(isAsked()).toBe(false);
    } finally {
      Storage.prototype.setItem = set;
    }
  });
});
