import { jest } from '@jest/globals';

/** One request that a screen made. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** For tests: a server that answers every request with what was sent, and writes them all down. */
export function askedOfServer(): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = jest.fn((path: unknown, init?: RequestInit) => {
    asked.push({ method: init?.method ?? 'GET', path: String(path), body: JSON.parse(String(init?.body ?? 'null')) });
    const headers = { 'content-type': 'application/json' };
    return Promise.resolve(new Response(String(init?.body ?? '{}'), { status: 200, headers }));
  }) as unknown as typeof fetch;
  return asked;
}
