import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { Aim, JobDocument, Plan } from '@temnex/core/planner';
import type { FromWorker } from './messages.ts';

/** A worker that says what the test tells it to. */
class FakeWorker {
  static last: FakeWorker;
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: unknown = null;
  stopped = false;
  constructor() {
    FakeWorker.last = this;
  }
  postMessage(message: unknown): void {
    this.asked = message;
  }
  terminate(): void {
    this.stopped = true;
  }
  say(data: FromWorker): void {
    act(() => this.onmessage?.({ data }));
  }
}

jest.unstable_mockModule('./newWorker.ts', () => ({ newPlanWorker: () => new FakeWorker() }));
const { usePlanner } = await import('./usePlanner.ts');

const job = {
  format: 'temnex-job',
  version: 1,
  papers: [],
  stock: [],
  pieces: [],
  plan: { seconds: 2 },
} as JobDocument;
const plan = (settings: number, aim: Aim = 'least-paper') => ({ aim, totals: { settings } }) as Plan;

describe('planning beside the screen', () => {
  let hook: ReturnType<typeof renderHook<ReturnType<typeof usePlanner>, unknown>>['result'];
  beforeEach(() => {
    hook = renderHook(() => usePlanner()).result;
  });
  test('better plans are shown as they come, the last one stays', () => {
    act(() => hook.current.plan(job));
    expect(hook.current.state).toMatchObject({ status: 'planning', plans: {}, seconds: 2 });
    expect(FakeWorker.last.asked).toEqual({ job, earlier: null, how: 'alone' });
    FakeWorker.last.say({ kind: 'better', plan: plan(9) });
    expect(hook.current.state).toMatchObject({
      status: 'planning',
      plans: { 'least-paper': { totals: { settings: 9 } } },
    });
    FakeWorker.last.say({ kind: 'done', plans: [plan(7), plan(3, 'easiest-cuts')], alone: null });
    expect(hook.current.state).toEqual({
      status: 'done',
      plans: { 'least-paper': plan(7), 'easiest-cuts': plan(3, 'easiest-cuts') },
      stopped: false,
      alone: null,
    });
    expect(FakeWorker.last.stopped).toBe(true);
  });
  test('stopped, it keeps what was seen; before the first plan there is nothing to keep', () => {
    act(() => hook.current.plan(job));
    act(() => hook.current.stop({}));
    expect(hook.current.state).toEqual({ status: 'idle' });
    act(() => hook.current.plan(job));
    FakeWorker.last.say({ kind: 'better', plan: plan(9) });
    act(() => hook.current.stop({ 'least-paper': plan(9) }));
    expect(hook.current.state).toEqual({
      status: 'done',
      plans: { 'least-paper': plan(9) },
      stopped: true,
      alone: null,
    });
  });
  test('a new question ends the old one', () => {
    act(() => hook.current.plan(job));
    const first = FakeWorker.last;
    act(() => hook.current.plan(job));
    expect([first.stopped, FakeWorker.last.stopped]).toEqual([true, false]);
  });
  test('a job that is refused, and a worker that breaks, are told apart', () => {
    act(() => hook.current.plan(job));
    FakeWorker.last.say({
      kind: 'refused',
      issue: { path: ['pieces'], problem: { code: 'schema', message: 'too few' } },
    });
    expect(hook.current.state.status).toBe('refused');
    act(() => hook.current.plan(job));
    act(() => FakeWorker.last.onerror?.());
    expect(hook.current.state.status).toBe('failed');
  });
});
