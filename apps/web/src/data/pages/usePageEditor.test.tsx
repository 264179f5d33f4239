import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { Page } from '@temnex/core/page';
import { base, page as pageOf } from '@temnex/core/testing';
import type { PageRecord } from '@temnex/contract';
import { usePageEditor, type PageEditor } from './usePageEditor.ts';

/** A server with one page, as far as the editor can tell. */
class Store {
  record: PageRecord = {
    id: 'p',
    version: 1,
    document: { ...pageOf(base()), name: 'first' },
    demo: false,
    updatedAt: '',
  };
  puts: { version: number; document: Page }[] = [];
  down = false;
  /** It saves, and its answer never arrives. */
  mute = false;
  /** With this code every save is refused. */
  refuse: string | null = null;
  asked = 0;
  /** A save waits for this. */
  held: Promise<void> | null = null;
  fetch = async (_path: string, init?: { method?: string; body?: string }): Promise<unknown> => {
    const answer = (status: number, body: unknown) => ({ ok: status < 400, status, json: async () => body });
    if (init?.method !== 'PUT') return answer(200, this.record);
    this.asked++;
    if (this.held) await this.held;
    if (this.refuse) return answer(500, { code: this.refuse, message: this.refuse });
    if (this.down) throw new TypeError('no connection');
    const put = JSON.parse(init.body!) as { version: number; document: Page };
    this.puts.push(put);
    if (put.version !== this.record.version)
      return answer(409, { code: 'stale', message: 'stale', current: this.record });
    this.record = { ...this.record, version: put.version + 1, document: put.document };
    if (this.mute) throw new TypeError('connection lost');
    return answer(200, this.record);
  };
}

let store: Store;
beforeEach(() => {
  store = new Store();
  globalThis.fetch = jest.fn(store.fetch) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  localStorage.clear();
});

const newClient = () => new QueryClient({ defaultOptions: { queries: { retry: false } } });

async function open(client = newClient()): Promise<{ editor: () => PageEditor; unmount: () => void }> {
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result, unmount } = renderHook(() => usePageEditor('p'), { wrapper });
  await waitFor(() => expect(result.current.status).toBe('ready'));
  return {
    editor: () => {
      if (result.current.status !== 'ready') throw new Error(result.current.status);
      return result.current.editor;
    },
    unmount,
  };
}
const named = (editor: PageEditor, name: string) => act(() => editor.change({ ...editor.page, name }));

describe('a page being worked on', () => {
  test('every change is saved by itself, against the version it was made from', async () => {
    const { editor } = await open();
    named(editor(), 'second');
    expect(editor().saving).toBe('waiting');
    await waitFor(() => expect(editor().saving).toBe('saved'));
    named(editor(), 'third');
    await waitFor(() => expect(store.record.document.name).toBe('third'));
    expect(store.puts.map((p) => p.version)).toEqual([1, 2]);
  });

  test('quick changes go in one save', async () => {
    const { editor } = await open();
    for (const name of ['a', 'ab', 'abc']) named(editor(), name);
    await waitFor(() => expect(editor().saving).toBe('saved'));
    expect(store.puts.map((p) => p.document.name)).toEqual(['abc']);
  });

  test('undo and redo walk through the documents', async () => {
    const { editor } = await open();
    act(() => editor().change({ ...editor().page, ground: { ...editor().page.ground, width: '10' } }));
    named(editor(), 'x');
    act(() => editor().undo());
    act(() => editor().undo());
    expect([editor().page.ground.width, editor().canUndo, editor().canRedo]).toEqual(['12', false, true]);
    act(() => editor().redo());
    expect([editor().page.ground.width, editor().page.name]).toEqual(['10', 'first']);
    named(editor(), 'another way');
    expect(editor().canRedo).toBe(false);
  });

  test('a stale save stops, keeps both versions, and saves over theirs when told to', async () => {
    const { editor } = await open();
    store.record = { ...store.record, version: 5, document: { ...store.record.document, name: 'theirs' } };
    named(editor(), 'mine');
    await waitFor(() => expect(editor().conflict?.document.name).toBe('theirs'));
    expect([editor().page.name, editor().saving, store.record.document.name]).toEqual(['mine', 'failed', 'theirs']);
    act(() => editor().keepMine());
    await waitFor(() => expect(store.record.document.name).toBe('mine'));
    act(() => editor().undo());
    expect(editor().page.name).toBe('theirs');
  });

  test('opened again it is as it stands by then, and what is changed at once is no conflict', async () => {
    const client = newClient();
    (await open(client)).unmount();
    store.record = { ...store.record, version: 2, document: { ...store.record.document, name: 'with a mat on it' } };
    const { editor } = await open(client);
    expect(editor().page.name).toBe('with a mat on it');
    named(editor(), 'mine');
    await waitFor(() => expect(editor().saving).toBe('saved'));
    expect([editor().conflict, store.record.version, store.record.document.name]).toEqual([null, 3, 'mine']);
  });

  test('opened again while what was left is still on its way, it waits for that', async () => {
    const client = newClient();
    let arrive = () => {};
    store.held = new Promise((resolve) => (arrive = resolve));
    const left = await open(client);
    named(left.editor(), 'left at once');
    left.unmount();
    const opening = open(client);
    await new Promise((resolve) => setTimeout(resolve, 20));
    store.held = null;
    arrive();
    const { editor } = await opening;
    expect([editor().page.name, editor().version, editor().unsaved]).toEqual(['left at once', 2, null]);
    named(editor(), 'and more');
    await waitFor(() => expect(store.record.document.name).toBe('and more'));
    expect(editor().conflict).toBeNull();
  });

  test('or takes theirs, with mine one undo away', async () => {
    const { editor } = await open();
    store.record = { ...store.record, version: 5, document: { ...store.record.document, name: 'theirs' } };
    named(editor(), 'mine');
    await waitFor(() => expect(editor().conflict).not.toBeNull());
    act(() => editor().takeTheirs());
    expect([editor().page.name, editor().conflict]).toEqual(['theirs', null]);
    act(() => editor().undo());
    expect(editor().page.name).toBe('mine');
    await waitFor(() => expect(store.record).toMatchObject({ version: 6, document: { name: 'mine' } }));
  });

  test('without a server it keeps what was typed, says so, and saves when asked again', async () => {
    const { editor } = await open();
    store.down = true;
    named(editor(), 'unsaved');
    await waitFor(() => expect(editor().saving).toBe('failed'));
    expect(editor().trouble).toContain('does not answer');
    expect(editor().page.name).toBe('unsaved');
    store.down = false;
    act(() => editor().retry());
    await waitFor(() => expect(store.record.document.name).toBe('unsaved'));
  });

  test('leaving at once still sends the last change', async () => {
    const { editor, unmount } = await open();
    named(editor(), 'on the way out');
    unmount();
    await waitFor(() => expect(store.record.document.name).toBe('on the way out'));
  });

  test('a save that did not arrive is tried again by itself', async () => {
    const { editor } = await open();
    store.down = true;
    named(editor(), 'later');
    await waitFor(() => expect(editor().saving).toBe('failed'));
    store.down = false;
    await waitFor(() => expect(store.record.document.name).toBe('later'));
    await waitFor(() => expect(editor().saving).toBe('saved'));
  });

  test('no space is tried again by itself; what is wrong in itself is said, and is not', async () => {
    const { editor } = await open();
    store.refuse = 'no-space';
    named(editor(), 'later');
    await waitFor(() => expect(editor()).toMatchObject({ saving: 'failed', triesAgain: true, trouble: 'no-space' }));
    store.refuse = null;
    await waitFor(() => expect(store.record.document.name).toBe('later'));
    store.refuse = 'bad-input';
    named(editor(), 'wrong');
    await waitFor(() => expect(editor()).toMatchObject({ saving: 'failed', triesAgain: false }));
    const asked = store.asked;
    await new Promise((done) => setTimeout(done, 2000));
    expect(store.asked).toBe(asked);
  });

  test('a save whose answer was lost is no change from elsewhere, however much was typed since', async () => {
    const { editor } = await open();
    store.mute = true;
    named(editor(), 'arrived');
    await waitFor(() => expect(editor().saving).toBe('failed'));
    store.mute = false;
    named(editor(), 'and more');
    await waitFor(() => expect(store.record.document.name).toBe('and more'));
    expect(editor().conflict).toBeNull();
    await waitFor(() => expect(editor().saving).toBe('saved'));
  });

  test('what was never saved is offered on return, and is one step of undo', async () => {
    const first = await open();
    store.down = true;
    named(first.editor(), 'in the ferry');
    await waitFor(() => expect(first.editor().saving).toBe('failed'));
    first.unmount();
    store.down = false;
    const { editor } = await open();
    expect(editor().page.name).toBe('first');
    await waitFor(() => expect(editor().unsaved?.page.name).toBe('in the ferry'));
    act(() => editor().takeUp());
    expect([editor().page.name, editor().unsaved]).toEqual(['in the ferry', null]);
    await waitFor(() => expect(store.record.document.name).toBe('in the ferry'));
    act(() => editor().undo());
    expect(editor().page.name).toBe('first');
    await waitFor(() => expect(store.record.document.name).toBe('first'));
    await waitFor(() => expect(localStorage.length).toBe(0));
  });

  test('of two windows neither writes over what the other kept: both are offered, one after the other', async () => {
    const [first, second] = [await open(), await open()];
    store.down = true;
    named(first.editor(), 'from the pier');
    named(second.editor(), 'from the dune');
    await waitFor(() => expect(second.editor().saving).toBe('failed'));
    await waitFor(() => expect(first.editor().saving).toBe('failed'));
    first.unmount();
    second.unmount();
    store.down = false;
    const { editor } = await open();
    const offered: (string | undefined)[] = [];
    for (let n = 0; n < 2; n++) {
      await waitFor(() => expect(editor().unsaved).not.toBeNull());
      offered.push(editor().unsaved?.page.name);
      act(() => editor().leaveOut());
    }
    expect(offered.sort()).toEqual(['from the dune', 'from the pier']);
    expect([editor().unsaved, localStorage.length]).toEqual([null, 0]);
  });

  test('left out, it is gone; and what was saved after all is not offered', async () => {
    const first = await open();
    store.mute = true;
    named(first.editor(), 'arrived');
    await waitFor(() => expect(first.editor().saving).toBe('failed'));
    store.down = true;
    first.unmount();
    store.down = store.mute = false;
    const second = await open();
    expect([second.editor().page.name, second.editor().unsaved]).toEqual(['arrived', null]);
    store.down = true;
    named(second.editor(), 'left out');
    await waitFor(() => expect(second.editor().saving).toBe('failed'));
    second.unmount();
    store.down = false;
    const third = await open();
    await waitFor(() => expect(third.editor().unsaved).not.toBeNull());
    act(() => third.editor().leaveOut());
    expect([third.editor().page.name, third.editor().unsaved, localStorage.length]).toEqual(['arrived', null, 0]);
  });
});
