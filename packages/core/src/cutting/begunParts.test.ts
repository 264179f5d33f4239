import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type Job, type JobDocument, type Plan, type PlanNode } from '../planner/index.ts';
import { collectPartsAfter } from './begunParts.ts';

function planned(more: Partial<JobDocument>): { job: Job; plan: Plan } {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust' }],
    plan: { nodes: 100 },
    stock: [],
    pieces: [],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
}
const papers = (job: Job, plan: Plan, steps: number) =>
  collectPartsAfter(job, plan, steps).flatMap((p) => ('paper' in p ? [p.paper] : []));
const pieces = (job: Job, plan: Plan, steps: number) =>
  collectPartsAfter(job, plan, steps).flatMap((p) => ('piece' in p ? [p.piece.piece] : []));

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
      return collectPartsAfter(job, plan, steps).map((p) =>
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
    const sheets = collectPartsAfter(job, plan, 1).map((p) => p.sheet);
    expect([plan.steps.length, new Set(sheets).size]).toEqual([2, 1]);
    expect(new Set(collectPartsAfter(job, plan, 2).map((p) => p.sheet)).size).toBe(2);
  });
});

describe('what is in hand of a sheet that is cut half-way, worked out by hand', () => {
  const part = (x: number, width: number, holds: PlanNode['holds'], more: Partial<PlanNode> = {}): PlanNode => ({
    x,
    y: 0,
    width,
    height: 12,
    cut: null,
    holds,
    ...more,
  });
  const held = (piece: string) => ({ piece, copy: 1, turn: 0 as const, side: 'A' as const });
  /** Three upright parts, the first and the second of them pieces. */
  const tree: PlanNode = {
    x: 0,
    y: 0,
    width: 12,
    height: 12,
    cut: 'x',
    parts: [part(0, 6, held('a')), part(6, 3, held('b')), part(9, 3, 'keep')],
  };
  const cut = (of: string, off: string, rest: string): Plan['steps'][number] => ({
    do: 'cut',
    sheets: [0],
    part: of,
    edge: 'left',
    setting: 6,
    off,
    rest,
  });
  const steps: Plan['steps'] = [cut('r', 'r.0', 'r.1+'), cut('r.1+', 'r.1', 'r.2')];
  const planOf = (more: Partial<Plan> = {}) =>
    ({ unit: 'in', sheets: [{ stock: 's', copy: 1, tree }], steps, ...more }) as unknown as Plan;
  const inch = 24384;
  /** Of an L, the upper right corner from 9 across and 6 up is missing. */
  const outline = [
    [0, 0],
    [12, 0],
    [12, 6],
    [9, 6],
    [9, 12],
    [0, 12],
  ].map(([x, y]) => ({ x: x! * inch, y: y! * inch }));
  const jobOf = (shape: typeof outline | null) => ({ stock: [{ id: 's', outline: shape }] }) as unknown as Job;
  const told = (job: Job, plan: Plan, n: number) =>
    collectPartsAfter(job, plan, n).map((p) =>
      'piece' in p ? p.piece.piece : `${p.paper.x}, ${p.paper.y}: ${p.paper.width} x ${p.paper.height}`,
    );

  test('nothing of a sheet that is not begun, all of one that is done', () => {
    expect(told(jobOf(null), planOf(), 0)).toEqual([]);
    expect(told(jobOf(null), planOf(), 2)).toEqual(['a', 'b', '9, 0: 3 x 12']);
  });
  test('what follows the part that came off is in one', () => {
    expect(told(jobOf(null), planOf(), 1)).toEqual(['a', '6, 0: 6 x 12']);
  });
  test('of odd paper only the rectangles in it', () => {
    expect(told(jobOf(outline), planOf(), 1)).toEqual(['a', '6, 0: 3 x 12']);
    const low = outline.map(({ x, y }) => ({ x, y: y === 6 * inch ? 12 * inch : y }));
    expect(told(jobOf(low), planOf(), 1)).toEqual(['a', '6, 0: 6 x 12']);
  });
  test('and of an upright cut in what lies above', () => {
    const flat: PlanNode = {
      x: 0,
      y: 0,
      width: 12,
      height: 12,
      cut: 'y',
      parts: [
        { x: 0, y: 0, width: 12, height: 4, cut: null, holds: held('a') },
        { x: 0, y: 4, width: 12, height: 3, cut: null, holds: held('b') },
        { x: 0, y: 7, width: 12, height: 5, cut: null, holds: 'keep' },
      ],
    };
    const plan = planOf({ sheets: [{ stock: 's', copy: 1, tree: flat }] });
    expect(told(jobOf(null), plan, 1)).toEqual(['a', '0, 4: 12 x 8']);
    expect(told(jobOf(outline), plan, 1)).toEqual(['a']);
  });
  test('a piece whose centre is still to be cut out is a piece, and its centre nothing yet', () => {
    const opening: PlanNode = { x: 1, y: 1, width: 4, height: 10, cut: null, holds: 'keep' };
    const parts = [part(0, 6, held('a'), { opening }), ...tree.parts!.slice(1)];
    const open: Plan['steps'][number] = { do: 'open', sheets: [0], part: 'r.0', off: 'r.0.o' };
    const plan = planOf({ sheets: [{ stock: 's', copy: 1, tree: { ...tree, parts } }], steps: [...steps, open] });
    expect(told(jobOf(null), plan, 2)).toEqual(['a', 'b', '9, 0: 3 x 12']);
    expect(told(jobOf(null), plan, 3)).toEqual(['a', '1, 1: 4 x 10', 'b', '9, 0: 3 x 12']);
  });
});
