import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, verifyPlan, type Job, type JobDocument, type Plan, type PlanNode } from '../index.ts';
import { mixedJob2 } from '../../../testing/makers.ts';
import { areaOf, isRectangleInside } from './outline.ts';

/* Where pieces may come from besides whole sheets: fixed places, hidden centres, odd scraps, windmills, other cutters. */

const still = { now: () => 0 };
const base = (more: Partial<JobDocument>): JobDocument => ({
  format: 'temnex-job',
  version: 1,
  papers: [{ id: 'gust' }],
  plan: { nodes: 200 },
  stock: [],
  pieces: [],
  ...more,
});
function planned(more: Partial<JobDocument>): { job: Job; plan: Plan } {
  const read = readJob(base(more));
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, still);
  expect(verifyPlan(read.job, plan)).toEqual([]);
  return { job: read.job, plan };
}
const leaves = (node: PlanNode): PlanNode[] => [
  node,
  ...(node.parts ?? []).flatMap(leaves),
  ...(node.opening ? leaves(node.opening) : []),
];
const holding = (plan: Plan, piece: string): PlanNode[] =>
  plan.sheets.flatMap((s) => leaves(s.tree)).filter((n) => typeof n.holds === 'object' && n.holds.piece === piece);
const sheet = (quantity = 9, more = {}) => ({
  id: 'sheet',
  paper: 'gust',
  width: '12',
  height: '12',
  quantity,
  ...more,
});

describe('pieces from a fixed place', () => {
  const scene = { id: 'scene', width: '4', height: '3', papers: ['gust'], from: { stock: 'sheet', x: '3', y: '5' } };
  test('is cut from exactly there, and the rest is planned round it', () => {
    const { plan } = planned({
      stock: [sheet()],
      pieces: [scene, { id: 'strip', width: '12', height: '2', quantity: 4, papers: ['gust'] }],
    });
    expect(holding(plan, 'scene')).toMatchObject([{ x: 3, y: 5, width: 4, height: 3 }]);
    expect(plan).toMatchObject({
      status: 'complete',
      totals: { newSheets: 1 },
      bound: { proved: true, how: 'pinned' },
    });
  });
  test('two on one sheet; a third in the same place comes from the next', () => {
    const { plan } = planned({
      stock: [sheet()],
      pieces: [scene, { ...scene, id: 'kite', from: { stock: 'sheet', x: '8', y: '1' } }, { ...scene, id: 'again' }],
    });
    expect(plan).toMatchObject({ status: 'complete', totals: { newSheets: 2 } });
  });
  test('a place beyond the sheet is said to be impossible, and anywhere else would help', () => {
    const { plan } = planned({ stock: [sheet()], pieces: [{ ...scene, from: { stock: 'sheet', x: '9', y: '5' } }] });
    expect(plan.missing).toMatchObject([{ piece: 'scene', why: 'place-taken' }]);
    expect(plan.missing[0]!.help.map((h) => h.how.do)).toContain('elsewhere');
  });
  test('lines that must not be cut through stay whole', () => {
    const uncut: JobDocument['stock'][number]['uncut'] = [
      [
        ['2', '2'],
        ['5', '6'],
      ],
    ];
    const { plan } = planned({
      version: 2,
      stock: [sheet(1, { uncut })],
      pieces: [{ id: 'mat', width: '6', height: '5', quantity: 2, papers: ['gust'] }],
    });
    expect(plan.status).toBe('complete');
    const whole = plan.sheets[0]!.tree;
    const around = leaves(whole).filter(
      (n) => !n.cut && n.x <= 2 && n.y <= 2 && n.x + n.width >= 5 && n.y + n.height >= 6,
    );
    expect(around).toHaveLength(1);
  });
});

describe('hidden centres', () => {
  const opening = { x: '1/2', y: '1/2', width: '7', height: '9' };
  const mat = { id: 'mat', width: '8', height: '10', papers: ['gust'], opening };
  const small = { id: 'small', width: '3 1/2', height: '4 1/2', quantity: 4, papers: ['gust'] };
  const { opening: _, ...solid } = mat;
  test('give pieces, cut by hand once the host is free', () => {
    const { plan } = planned({ stock: [sheet()], pieces: [mat, small] });
    expect(plan.totals.newSheets).toBe(1);
    const [host] = holding(plan, 'mat');
    expect(
      leaves(host!).filter((n) => typeof n.holds === 'object' && n.holds.piece === 'small').length,
    ).toBeGreaterThan(1);
    const open = plan.steps.findIndex((s) => s.do === 'open');
    const cut = plan.steps.findIndex((s) => s.do === 'cut' && s.part.includes('.o'));
    expect(open).toBeGreaterThan(-1);
    expect(cut).toBeGreaterThan(open);
  });
  test('where the centre may not be used, it takes another sheet', () =>
    expect(planned({ stock: [sheet()], pieces: [solid, small] }).plan.totals.newSheets).toBe(2));
  test('a mat in the centre of a mat, and a tag in the centre of that', () => {
    const inner = {
      id: 'inner',
      width: '7',
      height: '9',
      papers: ['gust'],
      opening: { x: '1', y: '1', width: '5', height: '7' },
    };
    const tag = { id: 'tag', width: '5', height: '7', papers: ['gust'] };
    const { plan } = planned({ stock: [{ ...sheet(1), width: '8', height: '10' }], pieces: [mat, inner, tag] });
    expect(plan.status).toBe('complete');
  });
  test('a direction holds in the centre too', () => {
    const papers: JobDocument['papers'] = [{ id: 'gust', sides: [{ side: 'A', direction: 'one-way' }] }];
    const lying = { ...small, width: '6', height: '4', quantity: 2, direction: 'height' as const };
    const { plan } = planned({
      papers,
      stock: [{ ...sheet(1), width: '8', height: '10', turned: 180 }],
      pieces: [{ ...mat, direction: 'height' }, lying],
    });
    expect(plan.status).toBe('complete');
  });
});

describe('odd scraps', () => {
  const corner = [
    ['0', '0'],
    ['9', '0'],
    ['9', '4'],
    ['4', '4'],
    ['4', '9'],
    ['0', '9'],
  ] as [string, string][];
  const scrap = { id: 'corner', paper: 'gust', kind: 'scrap' as const, outline: corner };
  test('an L gives both its arms', () => {
    const { plan } = planned({
      version: 2,
      stock: [scrap],
      pieces: [
        { id: 'a', width: '9', height: '4', papers: ['gust'] },
        { id: 'b', width: '4', height: '5', papers: ['gust'] },
      ],
    });
    expect(plan).toMatchObject({ status: 'complete', totals: { scraps: 1, wasteArea: 0, usedArea: 56 } });
  });
  test('what fits the box but not the paper is missing', () =>
    expect(
      planned({ version: 2, stock: [scrap], pieces: [{ id: 'a', width: '6', height: '6', papers: ['gust'] }] }).plan
        .status,
    ).toBe('short'));
  test('a torn edge is squared first: everything lies in the outline', () => {
    const torn = [
      ['1/4', '0'],
      ['8', '1/2'],
      ['7 1/2', '6'],
      ['3', '6 1/4'],
      ['0', '5 3/4'],
    ] as [string, string][];
    const { plan, job } = planned({
      version: 2,
      cutter: { step: '1/16' },
      stock: [{ ...scrap, outline: torn }],
      pieces: [{ id: 'a', width: '6 3/4', height: '5', papers: ['gust'] }],
    });
    expect(plan.status).toBe('complete');
    expect(plan.steps.length).toBeGreaterThanOrEqual(4);
    expect(plan.totals.usedArea).toBeCloseTo(areaOf(job.stock[0]!) / 24384 ** 2);
  });
  test('inside is inside, along the border too', () => {
    const L = [
      [0, 0],
      [9, 0],
      [9, 4],
      [4, 4],
      [4, 9],
      [0, 9],
    ].map(([x, y]) => ({ x, y })) as never;
    const at = (x: number, y: number, width: number, height: number) => isRectangleInside(L, { x, y, width, height });
    expect([at(0, 0, 9, 4), at(0, 0, 4, 9), at(1, 1, 2, 2), at(0, 0, 5, 5), at(4, 4, 2, 2), at(0, 0, 9, 9)]).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('stop cuts', () => {
  const arms = { id: 'arm', width: '4 1/2', height: '6 1/2', quantity: 4, papers: ['gust'] };
  const stock = [sheet(1, { width: '11', height: '11' })];
  test('four 4 1/2 x 6 1/2 from 11 x 11: only as a windmill', () => {
    expect(planned({ version: 2, stock, pieces: [arms] }).plan.status).toBe('short');
    const { plan } = planned({ version: 2, stock, pieces: [arms], cutter: { stop: true } });
    expect(plan.status).toBe('complete');
    expect(plan.sheets[0]!.tree.cut).toBe('windmill');
    expect(plan.steps.filter((s) => s.do === 'stop')).toHaveLength(4);
  });
  test('not where edge-to-edge cuts save as much', () => {
    const { plan } = planned({ version: 2, stock, pieces: [{ ...arms, quantity: 2 }], cutter: { stop: true } });
    expect(plan.sheets[0]!.tree.cut).not.toBe('windmill');
  });
});

describe('cutters', () => {
  const cutter = { reach: '9', then: [{ name: 'knife' }] };
  const piece = (width: string) => [{ id: 'a', width, height: '3', quantity: 1, papers: ['gust'] }];
  test('the second is taken up only where the first cannot', () => {
    const { plan } = planned({ version: 2, stock: [sheet()], pieces: piece('11'), cutter });
    expect(plan.status).toBe('complete');
    expect(plan.steps.some((s) => s.do === 'cut' && s.by === 1)).toBe(true);
    const short = planned({
      version: 2,
      stock: [sheet(), { ...sheet(), id: 'pad', width: '8', kind: 'pad', height: '8' }],
      pieces: piece('7'),
      cutter,
    });
    expect(short.plan.steps.every((s) => s.do === 'cut' && !s.by)).toBe(true);
  });
  test('the second cuts in a hidden centre too', () => {
    const base = { id: 'base', width: '12', height: '12', papers: ['gust'], quantity: 1 };
    const opening = { x: '1', y: '1', width: '10', height: '10' };
    const mat = { id: 'mat', width: '4', height: '6', papers: ['gust'], quantity: 1 };
    const asked = { version: 2 as const, stock: [sheet(1)], pieces: [{ ...base, opening }, mat] };
    expect(planned({ ...asked, cutter: { reach: '9' } }).plan.status).toBe('short');
    const { plan } = planned({ ...asked, cutter });
    expect(plan.status).toBe('complete');
    expect(plan.steps.some((s) => s.do === 'cut' && s.by === 1)).toBe(true);
  });
  test('one that cuts long is told to be set short', () => {
    const { plan } = planned({ version: 2, stock: [sheet()], pieces: piece('5'), cutter: { long: '1/32' } });
    for (const s of plan.steps) if (s.do === 'cut') expect(s.dial).toBeCloseTo(s.setting - 1 / 32);
  });
});

describe('ways out', () => {
  test('a join where it is hidden, and less tuck', () => {
    const { plan } = planned({
      version: 2,
      stock: [{ id: 'strip', paper: 'gust', width: '8', height: '2', quantity: 2, kind: 'scrap' }],
      pieces: [
        {
          id: 'band',
          width: '12',
          height: '1',
          papers: ['gust'],
          least: { width: '8', height: '1' },
          join: { along: 'width', from: '5', to: '7', overlap: '1/4' },
        },
      ],
    });
    const ways = plan.missing[0]!.help.map((h) => h.how.do);
    expect(ways).toContain('join');
    expect(ways).toContain('tuck');
  });
  test('how many sheets to buy is planned, not divided', () => {
    const { plan } = planned({
      stock: [],
      pieces: [{ id: 'mat', width: '7', height: '7', quantity: 3, papers: ['gust'] }],
    });
    const buy = plan.missing[0]!.help.find((h) => h.how.do === 'buy' && h.how.width === 12);
    expect(buy).toMatchObject({ how: { quantity: 3 }, cut: 3, newSheetArea: 432 });
  });
});

/** The standalone check that goes with the formats. */
const { checkPlan } = (await import(new URL('../../../../../scripts/check-plan.mjs', import.meta.url).href)) as {
  checkPlan: (job: unknown, plan: unknown) => { faults: string[] };
};

describe('a plan that is not as it says is found out', () => {
  const arms = { id: 'arm', width: '4 1/2', height: '6 1/2', quantity: 4, papers: ['gust'] };
  const mill = {
    version: 2 as const,
    stock: [sheet(1, { width: '11', height: '11' })],
    pieces: [arms],
    cutter: { stop: true },
  };
  const opening = { x: '1/2', y: '1/2', width: '7', height: '9' };
  const nested = {
    stock: [sheet(1)],
    pieces: [
      { id: 'mat', width: '8', height: '10', papers: ['gust'], opening },
      { id: 'small', width: '3 1/2', height: '4 1/2', quantity: 4, papers: ['gust'] },
    ],
  };
  const pinned = {
    stock: [sheet()],
    pieces: [{ id: 'scene', width: '4', height: '3', papers: ['gust'], from: { stock: 'sheet', x: '3', y: '5' } }],
  };
  const leafOf = (plan: Plan, piece: string) => holding(plan, piece)[0]!;
  test.each<[string, Partial<JobDocument>, (plan: Plan) => void]>([
    [
      'a stop cut that is missing',
      mill,
      (p) =>
        void p.steps.splice(
          p.steps.findIndex((s) => s.do === 'stop'),
          1,
        ),
    ],
    ['a stop cut that goes on too far', mill, (p) => void p.steps.forEach((s) => s.do === 'stop' && (s.until += 1))],
    ['an arm of a windmill moved', mill, (p) => void (p.sheets[0]!.tree.parts![1]!.x += 0.25)],
    ['an opening moved', nested, (p) => void (leafOf(p, 'mat').opening!.x += 0.125)],
    [
      'an opening that is never cut out',
      nested,
      (p) =>
        void p.steps.splice(
          p.steps.findIndex((s) => s.do === 'open'),
          1,
        ),
    ],
    [
      'an opening that the piece does not have',
      pinned,
      (p) => void (leafOf(p, 'scene').opening = { ...leafOf(p, 'scene') }),
    ],
    ['a pinned piece from elsewhere', pinned, (p) => void (leafOf(p, 'scene').x += 1)],
  ])('%s', (_name, more, spoil) => {
    const { job, plan } = planned(more);
    expect(checkPlan(base(more), JSON.parse(JSON.stringify(plan))).faults).toEqual([]);
    spoil(plan);
    expect(verifyPlan(job, plan)).not.toEqual([]);
  });
});

test('version 2 jobs of every kind: each plan holds', () => {
  let odd = 0;
  // npm run soak plans and verifies thousands
  for (let seed = 1; seed <= Number(process.env.TEMNEX_SOURCES ?? 5); seed++) {
    const read = readJob(mixedJob2(seed));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const plan = planJob(read.job, still);
    expect({ seed, faults: verifyPlan(read.job, plan) }).toEqual({ seed, faults: [] });
    const { faults } = checkPlan(mixedJob2(seed), JSON.parse(JSON.stringify(plan)));
    expect({ seed, faults }).toEqual({ seed, faults: [] });
    if (JSON.stringify(plan).includes('"odd"')) odd++;
  }
  expect(odd).toBeGreaterThan(0);
});
