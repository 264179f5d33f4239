import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type Job, type JobDocument, type Plan } from '../planner/index.ts';
import { partsAfter } from './soFar.ts';

function planned(more: Partial<JobDocument>): { job: Job; plan: Plan } {
  const read = readJob({
    ...{ format: 'temnex-job', version: 2, papers: [{ id: 'gust' }], plan: { nodes: 100 }, stock: [], pieces: [] },
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
}
const papers = (job: Job, plan: Plan, steps: number) =>
  partsAfter(job, plan, steps).flatMap((p) => ('paper' in p ? [p.paper] : []));
const pieces = (job: Job, plan: Plan, steps: number) =>
  partsAfter(job, plan, steps).flatMap((p) => ('piece' in p ? [p.piece.piece] : []));

describe('what the first cuts leave', () => {
  const corner = [
    ['0', '0'],
    ['9', '0'],
    ['9', '4'],
    ['4', '4'],
    ['4', '9'],
    ['0', '9'],
  ] as [string, string][];
  const odd = () =>
    planned({
      stock: [{ id: 'corner', paper: 'gust', kind: 'scrap', outline: corner }],
      pieces: [
        { id: 'a', width: '8', height: '3', papers: ['gust'] },
        { id: 'b', width: '3', height: '4', papers: ['gust'] },
      ],
    });
  test('of an odd scrap: rectangles of paper only, never the corner that is not there', () => {
    const { job, plan } = odd();
    expect(plan.status).toBe('complete');
    for (let steps = 1; steps <= plan.steps.length; steps++) {
      const area = papers(job, plan, steps).reduce((sum, p) => sum + p.width * p.height, 0);
      const cut = pieces(job, plan, steps).reduce((sum, id) => sum + (id === 'a' ? 24 : 12), 0);
      // the L has 56 square inches
      expect({ steps, made: area + cut > 56 + 1e-6 }).toEqual({ steps, made: false });
    }
    expect(pieces(job, plan, plan.steps.length).sort()).toEqual(['a', 'b']);
  });
  test('of a windmill with a slit in it: its arms, not the sheet', () => {
    const { job, plan } = planned({
      cutter: { stop: true },
      stock: [{ id: 's', paper: 'gust', width: '11', height: '11' }],
      pieces: [{ id: 'arm', width: '4 1/2', height: '6 1/2', quantity: 4, papers: ['gust'] }],
    });
    expect(plan.sheets[0]!.tree.cut).toBe('windmill');
    expect(papers(job, plan, 1).length).toBeGreaterThanOrEqual(4);
    expect(papers(job, plan, 1).some((p) => p.width === 11)).toBe(false);
    expect(papers(job, plan, 0)).toEqual([]);
  });
  test('of a host: it is a piece before its centre is cut out, and the centre is paper only after', () => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'gust', width: '8', height: '10' }],
      pieces: [
        {
          id: 'mat',
          width: '8',
          height: '10',
          papers: ['gust'],
          opening: { x: '1/2', y: '1/2', width: '7', height: '9' },
        },
        { id: 'tag', width: '7', height: '4', papers: ['gust'] },
      ],
    });
    const open = plan.steps.findIndex((s) => s.do === 'open');
    expect(open).toBeGreaterThan(-1);
    expect(pieces(job, plan, open + 1)).toEqual(['mat']);
    expect(papers(job, plan, open + 1).some((p) => p.width === 7 && p.height === 9)).toBe(true);
    expect(pieces(job, plan, plan.steps.length).sort()).toEqual(['mat', 'tag']);
  });
  test('a sheet used whole counts when all is done, not before', () => {
    const { job, plan } = planned({
      stock: [
        { id: 's', paper: 'gust', width: '6', height: '6' },
        { id: 't', paper: 'gust', width: '5', height: '5' },
      ],
      pieces: [
        { id: 'whole', width: '6', height: '6', papers: ['gust'] },
        { id: 'part', width: '5', height: '3', papers: ['gust'] },
      ],
    });
    expect(plan.steps).toHaveLength(1);
    expect(pieces(job, plan, 0)).toEqual([]);
    expect(pieces(job, plan, 1).sort()).toEqual(['part', 'whole']);
  });

  test('what follows the parts already taken off is one piece of paper, whichever way it was cut', () => {
    const boxes = (cut: 'x' | 'y', steps: number) => {
      const upright = cut === 'x';
      const { job, plan } = planned({
        stock: [{ id: 's', paper: 'gust', width: '11', height: '11' }],
        pieces: [
          { id: 'a', width: upright ? '3' : '11', height: upright ? '11' : '3', papers: ['gust'] },
          { id: 'b', width: upright ? '2' : '11', height: upright ? '11' : '2', papers: ['gust'] },
        ].map((p) => ({ ...p, direction: 'height' as const })),
        papers: [{ id: 'gust', sides: [{ side: 'A', direction: 'one-way', along: 'height' }] }],
      });
      expect(plan.sheets[0]!.tree.cut).toBe(cut);
      return partsAfter(job, plan, steps).map((p) =>
        'paper' in p ? [p.paper.x, p.paper.y, p.paper.width, p.paper.height] : p.piece.piece,
      );
    };
    expect(boxes('x', 0)).toEqual([]);
    expect(boxes('x', 1)).toEqual(['a', [3, 0, 8, 11]]);
    expect(boxes('x', 2)).toEqual(['a', 'b', [5, 0, 6, 11]]);
    expect(boxes('y', 1)).toEqual(['a', [0, 3, 11, 8]]);
    expect(boxes('y', 2)).toEqual(['a', 'b', [0, 5, 11, 6]]);
  });
  test('waste is not put away, what is worth keeping is', () => {
    const left = (shorter: string) => {
      const { job, plan } = planned({
        plan: { nodes: 20, keep: { shorter, longer: '3' } },
        stock: [{ id: 's', paper: 'gust', width: '6', height: '6' }],
        pieces: [{ id: 'a', width: '5', height: '6', papers: ['gust'] }],
      });
      return papers(job, plan, plan.steps.length).map((p) => p.width * p.height);
    };
    expect([left('1'), left('1 1/8')]).toEqual([[6], []]);
  });
  test('each sheet by itself: of two begun one after the other, the second stays whole', () => {
    const { job, plan } = planned({
      stock: [{ id: 's', paper: 'gust', width: '6', height: '6', quantity: 2 }],
      pieces: [{ id: 'a', width: '5', height: '6', papers: ['gust'], quantity: 2 }],
      cutter: { stack: 1 },
    });
    const sheets = partsAfter(job, plan, 1).map((p) => p.sheet);
    expect([plan.steps.length, new Set(sheets).size]).toEqual([2, 1]);
    expect(new Set(partsAfter(job, plan, 2).map((p) => p.sheet)).size).toBe(2);
  });
});
