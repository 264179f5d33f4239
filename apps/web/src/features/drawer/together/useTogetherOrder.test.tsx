import { beforeEach, expect, jest, test } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import { readJob, type JobDocument, type Plan } from '@temnex/core/planner';
import { planTogetherAims } from '@temnex/core/cutting';
import type { FromWorker, PlanningMode } from '../../../data/planning/messages.ts';

/** A worker that plans when the test says so. */
class Planner {
  static all: Planner[] = [];
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  how: PlanningMode | null = null;
  constructor() {
    Planner.all.push(this);
  }
  postMessage({ how }: { how: PlanningMode }): void {
    this.how = how;
  }
  terminate(): void {}
  tell(data: FromWorker): void {
    act(() => this.onmessage?.({ data }));
  }
}
jest.unstable_mockModule('../../../data/planning/newWorker.ts', () => ({ newPlanWorker: () => new Planner() }));

const job: JobDocument = {
  format: 'temnex-job',
  version: 2,
  papers: [{ id: 'chalk' }],
  plan: { nodes: 30, aim: 'least-paper' },
  stock: [{ id: 's', paper: 'chalk', width: '12', height: '12', quantity: 2 }],
  pieces: ['1:mat', '2:mat'].map((id) => ({ id, width: '5', height: '7', papers: ['chalk'] })),
} as JobDocument;
const read = readJob(job);
if (!read.ok) throw new Error(JSON.stringify(read.issues));
const plans = planTogetherAims(job, read.job, { now: () => 0 });
const kept = plans[0]!;
/** The same, as if it were worse: one that is told on the way, or better. */
const like = (plan: Plan, settings: number): Plan => ({ ...plan, totals: { ...plan.totals, settings } });

const data = { pages: [], problems: [], job, basis: { p: 1 }, stored: { id: 'o', plan: kept, job } };
let sent: Plan[] = [];
const mutate = ({ plan }: { plan: Plan }) => void sent.push(plan);
jest.unstable_mockModule('../../../data/orders/queries.ts', () => ({
  useTogether: () => ({ data }),
  useStoreTogether: () => ({ mutate, error: null }),
}));
jest.unstable_mockModule('../../../data/habits.ts', () => ({ useIsSavingHabits: () => () => false }));
const { useTogetherOrder } = await import('./useTogetherOrder.ts');
beforeEach(() => {
  Planner.all = [];
  sent = [];
});
const comparing = async () => {
  const hook = renderHook(() => useTogetherOrder(['p', 'q']));
  await waitFor(() => expect(hook.result.current.compare).not.toBeNull());
  act(() => hook.result.current.compare!());
  return { hook, worker: Planner.all.find((one) => one.how === 'together-aims')! };
};

test('a comparison that is given up leaves the order that is kept as it is', async () => {
  const { hook, worker } = await comparing();
  worker.tell({ kind: 'better', plan: like(kept, 99) });
  act(() => hook.result.current.stopComparing());
  expect([hook.result.current.plan, Object.keys(hook.result.current.plans)]).toEqual([kept, ['least-paper']]);
  expect(hook.result.current.compare).not.toBeNull();
  expect(sent).toEqual([]);
});

test('side by side are all three; a better one for the chosen aim is kept, once', async () => {
  const { hook, worker } = await comparing();
  const better = like(kept, 0);
  worker.tell({ kind: 'done', plans: [better, plans[1]!, plans[2]!], alone: null });
  expect(Object.keys(hook.result.current.plans)).toHaveLength(3);
  // also while it is on its way to be kept: the figures do not change under somebody who reads them
  expect(hook.result.current.plans['least-paper']).toBe(better);
  expect(hook.result.current.compare).toBeNull();
  await waitFor(() => expect(sent).toEqual([better]));
  hook.rerender();
  expect(sent).toHaveLength(1);
});
