import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type Job, type JobDocument, type Plan } from '../planner/index.ts';
import { buildOrderSteps, findSheetsUsedWhole } from './index.ts';

const notch = { do: 'notch', edge: 'bottom', depth: '1', at: '1' } as const;
const tail = { width: '2', height: '6', papers: ['gust'], finish: [notch] };
function planned(more: Partial<JobDocument>): { job: Job; plan: Plan } {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust' }],
    plan: { nodes: 60 },
    stock: [],
    pieces: [],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
}
const said = ({ job, plan }: { job: Job; plan: Plan }) =>
  buildOrderSteps(job, plan).map((s) => (s.do === 'plan' ? s.index : `${s.copies} ${s.piece.id} after ${s.after}`));

describe('finishing among the cuts', () => {
  test('of what needs no cut comes before all', () => {
    const whole = planned({
      stock: [{ id: 's', paper: 'gust', width: '2', height: '6', quantity: 3 }],
      pieces: [{ id: 'tail', quantity: 3, ...tail }],
    });
    expect(said(whole)).toEqual(['3 tail after -1']);
    expect(findSheetsUsedWhole(whole.plan)).toEqual([0, 1, 2]);
  });
  test('of what is only trimmed comes after its trims', () => {
    const trimmed = planned({
      stock: [{ id: 's', paper: 'gust', width: '2 1/2', height: '6 1/4', trim: { left: '1/2', top: '1/4' } }],
      pieces: [{ id: 'tail', ...tail }],
    });
    expect(trimmed.plan.steps.map((s) => s.do)).toEqual(['trim', 'trim']);
    expect(said(trimmed)).toEqual([0, 1, '1 tail after 1']);
    expect(findSheetsUsedWhole(trimmed.plan)).toEqual([]);
  });
  test('of each kind once the last of it has come off, though others are still to be cut', () => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'gust', width: '12', height: '6' }],
      pieces: [
        { id: 'tail', quantity: 2, ...tail },
        { id: 'plain', quantity: 1, width: '5', height: '6', papers: ['gust'] },
        { id: 'short', quantity: 1, width: '3', height: '6', papers: ['gust'], finish: [{ ...notch, at: '3/2' }] },
      ],
    });
    const off = (id: string) =>
      Math.max(
        ...plan.sheets[0]!.tree.parts!.map((p, i) => {
          if (typeof p.holds !== 'object' || p.holds.piece !== id) return -1;
          // the last part comes off with the cut before it
          return Math.min(i, plan.steps.length - 1);
        }),
      );
    const order = said({ job, plan });
    expect(plan.sheets).toHaveLength(1);
    for (const [id, n] of [
      ['tail', 2],
      ['short', 1],
    ] as const) {
      const at = order.indexOf(`${n} ${id} after ${off(id)}`);
      expect([id, order[at - 1] === off(id) || String(order[at - 1]).endsWith(`after ${off(id)}`)]).toEqual([id, true]);
    }
    expect(order.filter((s) => typeof s === 'number')).toEqual(plan.steps.map((_, i) => i));
  });
  test('of what comes out of an opening, once that is cut', () => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'gust', width: '8', height: '10' }],
      pieces: [
        {
          id: 'ring',
          width: '8',
          height: '10',
          papers: ['gust'],
          opening: { x: '1', y: '1', width: '6', height: '8' },
        },
        { id: 'tail', quantity: 2, ...tail },
      ],
    });
    expect(plan.steps[0]!.do).toBe('open');
    const order = said({ job, plan });
    const at = order.findIndex((s) => String(s).startsWith('2 tail'));
    const after = Number(String(order[at]).split(' ').at(-1));
    expect(after).toBeGreaterThan(0);
    // neither is whole before the cut that it waits for
    const { part, off, rest } = plan.steps[after] as { part: string; off: string; rest: string };
    expect([part, off, rest].every((path) => path.startsWith('r.o'))).toBe(true);
    expect(order[at - 1]).toBe(after);
  });
  test('of two sheets, the later', () => {
    const two = planned({
      stock: [{ id: 's', paper: 'gust', width: '3', height: '6', quantity: 2 }],
      pieces: [{ id: 'tail', quantity: 2, ...tail }],
    });
    expect(said(two)).toEqual([0, 1, '2 tail after 1']);
  });
  test('a window that the plan has opened is done; all else that is cut by hand is still to do', () => {
    const opening = { x: '1', y: '1', width: '6', height: '4' };
    const others = [
      { do: 'window', ...opening, x: '1/2' },
      { do: 'window', ...opening, y: '5 1/2' },
      { do: 'window', ...opening, width: '5' },
      { do: 'window', ...opening, height: '3' },
      { do: 'slit', from: ['1', '9'], to: ['7', '9'] },
    ] as const;
    const ring = { id: 'ring', width: '8', height: '10', papers: ['gust'], opening };
    const { job, plan } = planned({
      stock: [
        { id: 's', paper: 'gust', width: '8', height: '10' },
        { id: 't', paper: 'gust', width: '8', height: '10' },
      ],
      pieces: [
        { ...ring, quantity: 2, finish: [{ do: 'window', ...opening }, ...others.map((f) => ({ ...f }))] as never },
        { id: 'tag', width: '6', height: '4', papers: ['gust'] },
      ],
    });
    expect(plan.steps.map((s) => s.do)).toEqual(['open']);
    const hand = buildOrderSteps(job, plan).flatMap((s) =>
      s.do === 'finish' ? [[s.copies, s.piece.finish.length, s.after]] : [],
    );
    // one of the two was opened, the other has its window still to be cut; the plain tag has nothing done to it
    expect(hand.sort()).toEqual([
      [1, 5, 0],
      [1, 6, -1],
    ]);
    const opened = buildOrderSteps(job, plan).find((s) => s.do === 'finish' && s.piece.finish.length === 5);
    expect(opened?.do === 'finish' && opened.piece.finish.map((f) => f.do)).toEqual([
      ...['window', 'window', 'window', 'window', 'slit'],
    ]);
  });
});
