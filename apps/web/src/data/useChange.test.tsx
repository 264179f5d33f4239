import { afterEach, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { DrawerRecord } from '@temnex/contract';
import type { Paper } from '@temnex/core/stock';
import { useChangePaper, useDrawer } from './stock/queries.ts';

afterEach(cleanup);

const look = { pattern: 'plain', ground: '#2f8a8c', ink: '#2f8a8c' } as const;
const paper: Paper = {
  id: 'p',
  name: 'Swell',
  sides: [{ side: 'A', name: 'a', direction: 'none', along: 'height', look }],
};
const drawer: DrawerRecord = {
  book: 'b',
  seq: 7,
  whole: true,
  stock: [],
  unreadable: [],
  gone: { papers: [], stock: [] },
  papers: [{ ...paper, revision: 1 }],
};

/** A server whose drawer does not change, and which refuses a change of a paper once it is told to. */
function server(): { asked: string[]; refuse: () => void } {
  const asked: string[] = [];
  let refuse = () => {};
  const answer = (status: number, body: object) => ({ ok: status < 300, status, json: () => Promise.resolve(body) });
  globalThis.fetch = jest.fn((path: unknown, init?: RequestInit) => {
    asked.push(`${init?.method ?? 'GET'} ${String(path)}`);
    if (init?.method === 'PUT')
      return new Promise((resolve) => {
        refuse = () => resolve(answer(400, { code: 'bad-input', message: 'name: too long', field: 'name' }));
      });
    return Promise.resolve(
      answer(200, String(path).includes('since') ? { ...drawer, whole: false, papers: [] } : drawer),
    );
  }) as unknown as typeof fetch;
  return { asked, refuse: () => refuse() };
}

test('a paper is shown at once as it will be, and as it was where that is refused, though nothing of it is sent again', async () => {
  const { asked, refuse } = server();
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(() => ({ drawer: useDrawer(), change: useChangePaper() }), { wrapper });
  await waitFor(() => expect(hook.result.current.drawer.data?.papers[0]!.name).toBe('Swell'));
  hook.result.current.change.mutate({ ...paper, name: 'Tide' });
  await waitFor(() => expect(hook.result.current.drawer.data?.papers[0]!.name).toBe('Tide'));
  refuse();
  await waitFor(() => expect(hook.result.current.change.error?.message).toBe('name: too long'));
  await waitFor(() => expect(hook.result.current.drawer.data?.papers[0]!.name).toBe('Swell'));
  await waitFor(() => expect(asked).toContain('GET /api/drawer?book=b&since=7'));
  expect(hook.result.current.drawer.data?.papers[0]!.name).toBe('Swell');
});
