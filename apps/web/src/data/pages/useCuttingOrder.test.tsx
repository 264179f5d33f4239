import { beforeEach, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { DEFAULT_HABITS } from '@temnex/core/stock';
import { derivePage } from '@temnex/core/page';
import { planAims, readJob, type JobDocument } from '@temnex/core/planner';
import type { Basis } from '@temnex/core/cutting';
import { layer, page as pageOf, photo } from '@temnex/core/testing';
import { recordRequests, type RecordedRequest } from '../../app/recordRequests.ts';
import type { FromWorker } from '../planning/messages.ts';
import type { PageContext } from './context.ts';

/** A worker that plans when the test says so. */
class Planner {
  static last: Planner | null = null;
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  job: JobDocument | null = null;
  constructor() {
    Planner.last = this;
  }
  postMessage({ job }: { job: JobDocument }): void {
    this.job = job;
  }
  terminate(): void {}
  better(): void {
    act(() => this.onmessage?.({ data: { kind: 'better', plan: this.plans()[0]! } }));
  }
  finish(): void {
    act(() => this.onmessage?.({ data: { kind: 'done', plans: this.plans(), alone: null } }));
  }
  plans() {
    const read = readJob({ ...this.job!, plan: { ...this.job!.plan, nodes: 60 } });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    return planAims(read.job, { now: () => 0 });
  }
}
jest.unstable_mockModule('../planning/newWorker.ts', () => ({ newPlanWorker: () => new Planner() }));
const { useCuttingOrder } = await import('./useCuttingOrder.ts');

let asked: RecordedRequest[] = [];
beforeEach(() => {
  asked = recordRequests();
  Planner.last = null;
});
const sent = () =>
  asked.filter((a) => a.method === 'POST').map((a) => a.body as { basis: Basis; plan: { aim: string } });

const mat = { papers: ['chalk'], side: 'A' as const, direction: 'any' as const };
const page = pageOf({ ...photo('launch', ['4', '6'], [layer('m1', '1/8')]), wishes: { m1: mat } });
const chalk = { id: 'chalk', name: 'Chalk', sides: [{ side: 'A', name: 'chalk', direction: 'none' }] };
const sheet = { id: 's', paper: 'chalk', unit: 'in', width: '12', height: '12', quantity: 1, kind: 'sheet' };
const trim = { left: 0, right: 0, top: 0, bottom: 0 };
const basis = (habits: number): Basis => ({ pageVersion: 1, papers: { chalk: 1 }, habits, cuts: [] });
const at = (aim: PageContext['habits']['aim'], habits: number) =>
  ({
    id: 'p1',
    editor: { page, saving: 'saved' },
    derived: derivePage(page),
    drawer: { papers: [chalk], stock: [{ ...sheet, trim, turned: 0, reserved: false, origin: null }] },
    habits: { ...DEFAULT_HABITS, aim },
    basis: basis(habits),
    cut: [],
    cuttings: [],
  }) as unknown as PageContext;
const withClient = () => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
};

test('from its first plan on an order is kept or can be settled: a button that is held down stays one', async () => {
  const seen: { planning: boolean; can: boolean }[] = [];
  const hook = renderHook(
    ({ saving }) => {
      const facts = at('least-paper', 1);
      const { order } = useCuttingOrder({ ...facts, editor: { ...facts.editor, saving } });
      if (order.status === 'shown') seen.push({ planning: order.planning !== null, can: order.settle !== null });
    },
    { wrapper: withClient(), initialProps: { saving: 'saving' as 'saving' | 'failed' } },
  );
  await waitFor(() => expect(Planner.last?.job).toBeTruthy());
  Planner.last!.better();
  Planner.last!.finish();
  await waitFor(() => expect(seen.at(-1)?.planning).toBe(false));
  expect(seen[0]!.planning).toBe(true);
  expect(seen.every((s) => s.can)).toBe(true);
  // of a page that could not be saved none is kept
  hook.rerender({ saving: 'failed' });
  expect(seen.at(-1)!.can).toBe(false);
});

test('a plan goes to the server for the state that is known, and again when that turns out to be an older one', async () => {
  const hook = renderHook(({ context }) => useCuttingOrder(context), {
    wrapper: withClient(),
    initialProps: { context: at('least-paper', 1) },
  });
  await waitFor(() => expect(Planner.last?.job).toBeTruthy());
  Planner.last!.finish();
  await waitFor(() => expect(sent()).toMatchObject([{ basis: { habits: 1 }, plan: { aim: 'least-paper' } }]));
  // another aim is shown at once, before the server has said how often the habits have changed now
  hook.rerender({ context: at('easiest-cuts', 1) });
  await waitFor(() => expect(sent()).toHaveLength(2));
  hook.rerender({ context: at('easiest-cuts', 2) });
  await waitFor(() => expect(sent()[2]).toMatchObject({ basis: { habits: 2 }, plan: { aim: 'easiest-cuts' } }));
  // while nothing changes it is not sent again, whatever came of it
  hook.rerender({ context: at('easiest-cuts', 2) });
  await new Promise((done) => setTimeout(done, 50));
  expect(sent()).toHaveLength(3);
});
