import { jest } from '@jest/globals';

/** One request that a screen made. */
export interface RecordedRequest {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** For tests: a server that answers every request with what was sent, and writes them all down. */
export function recordRequests(): RecordedRequest[] {
  const asked: RecordedRequest[] = [];
  globalThis.fetch = jest.fn((path: unknown, init?: RequestInit) => {
    const body: unknown = JSON.parse(String(init?.body ?? 'null'));
    asked.push({ method: init?.method ?? 'GET', path: String(path), body });
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(body ?? {}) });
  }) as unknown as typeof fetch;
  return asked;
}
