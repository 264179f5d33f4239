import { describe, expect, test } from '@jest/globals';
import {
  AIMS,
  planAims,
  planJob,
  readJob,
  verifyPlan,
  type Job,
  type JobDocument,
  type Plan,
  type WayOut,
} from '../index.ts';
import type { Solution } from '../sheets/score.ts';
import { withWaysOut } from './waysOut.ts';
import { kitJob, mixedJob, normalJob } from '../../../testing/makers.ts';

const still = { now: () => 0 };
const read = (document: JobDocument): Job => {
  const result = readJob(document);
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.job;
};

/** The job as a person would change it to take a way out; null where that cannot be said in a document. */
function taken(document: JobDocument, piece: string, { how }: WayOut): JobDocument | null {
  const with_ = (change: object) => ({
    ...document,
    pieces: document.pieces.map((p) => (p.id === piece ? { ...p, ...change } : p)),
  });
  switch (how.do) {
    case 'turn':
      return with_({ direction: 'any' });
    case 'elsewhere':
      return with_({ from: null });
    case 'other-side':
      return with_({ side: how.side });
    case 'other-paper':
      return with_({ papers: [...document.pieces.find((p) => p.id === piece)!.papers, how.paper] });
    case 'release':
      return { ...document, stock: document.stock.map((s) => (s.id === how.stock ? { ...s, reserved: false } : s)) };
    case 'buy':
      return {
        ...with_({ from: null }),
        stock: [
          ...document.stock,
          {
            id: 'bought',
            paper: how.paper,
            width: how.width,
            height: how.height,
            quantity: how.quantity,
            kind: 'sheet',
          },
        ],
      };
    default:
      return null;
  }
}

describe('ways out', () => {
  test('do what they say when they are taken; the most helpful first, two of a kind at the most', () => {
    const kinds = new Set<string>();
    const once = new Map<string, number>();
    for (let seed = 1; seed <= 8; seed++) {
      const document = mixedJob(seed);
      for (const missing of planJob(read(document), still).missing) {
        const { help } = missing;
        const cuts = help.map((w) => w.cut);
        expect(cuts).toEqual([...cuts].sort((a, b) => b - a));
        for (const way of help) {
          const kind = way.how.do;
          expect(help.filter((v) => v.how.do === kind).length).toBeLessThanOrEqual(2);
          // a few of each kind are enough
          if ((once.get(kind) ?? 0) >= 2) continue;
          const changed = taken(document, missing.piece, way);
          if (!changed) continue;
          once.set(kind, (once.get(kind) ?? 0) + 1);
          const after = planJob(read(changed), still);
          const left = after.missing.find((m) => m.piece === missing.piece)?.quantity ?? 0;
          expect({ seed, kind, helps: left < missing.quantity }).toEqual({ seed, kind, helps: true });
          kinds.add(kind);
        }
      }
    }
    for (const kind of ['other-side', 'other-paper', 'buy']) expect([...kinds]).toContain(kind);
  });
  test('what is larger than any sheet is built up, or a sheet of its size is bought', () => {
    const document: JobDocument = {
      format: 'temnex-job',
      version: 1,
      papers: [{ id: 'p' }],
      plan: { nodes: 60 },
      cutter: { step: '1/16' },
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 8 }],
      pieces: [{ id: 'base', width: '30', height: '14', papers: ['p'], quantity: 1 }],
    };
    const [missing] = planJob(read(document), still).missing;
    const how = (kind: string) => missing!.help.find((w) => w.how.do === kind);
    expect(how('build-up')).toMatchObject({ cut: 1, how: { across: [9.875, 19.75], up: [6.75], overlap: 0.5 } });
    expect(how('buy')!.how).toMatchObject({ width: 30, height: 14, quantity: 1 });
    // of a pattern that runs across its sheets, a sheet that is as high as the piece is wide
    const across = {
      ...document,
      papers: [{ id: 'p', sides: [{ side: 'A' as const, direction: 'two-way' as const, along: 'width' as const }] }],
    };
    const upright = { ...across, pieces: [{ ...document.pieces[0]!, direction: 'height' as const }] };
    expect(planJob(read(upright), still).missing[0]!.help.map((w) => w.how)).toContainEqual({
      do: 'buy',
      paper: 'p',
      width: 14,
      height: 30,
      quantity: 1,
    });
    // where no cutter reaches across it, one that is cut to size where it is bought
    const reach = {
      ...document,
      cutter: { step: '1/16', reach: '12 1/4' },
      pieces: [{ ...document.pieces[0]!, width: '29 1/4' }],
    };
    expect(
      planJob(read(reach), still).missing[0]!.help.flatMap(({ how }) => (how.do === 'buy' ? [how.width] : [])),
    ).toEqual([29.25]);
    // of its parts as many as it takes come out: six, from six sheets
    expect(how('build-up')!.newSheetArea).toBe(6 * 144);
    // where there are too few, more of the same are bought
    const buys = (stock: number, copies: number) =>
      planJob(
        read({
          ...document,
          stock: [{ ...document.stock[0]!, quantity: stock }],
          pieces: [{ ...document.pieces[0]!, quantity: copies }],
        }),
        still,
      ).missing[0]!.help.flatMap(({ how, cut }) => (how.do === 'build-up' ? [[cut, how.buy?.quantity ?? 0]] : []));
    expect(buys(5, 1)).toEqual([[1, 1]]);
    expect(buys(8, 2)).toEqual([[2, 4]]);
  });
  test('of papers with sheets of one size, more of the first are bought', () => {
    const sheet = { width: '12', height: '12', quantity: 1 };
    const [missing] = planJob(
      read({
        format: 'temnex-job',
        version: 1,
        papers: [{ id: 'p' }, { id: 'q' }],
        plan: { nodes: 60 },
        cutter: { step: '1/16' },
        stock: [
          { id: 's', paper: 'p', ...sheet },
          { id: 't', paper: 'q', ...sheet },
        ],
        pieces: [{ id: 'base', width: '30', height: '14', papers: ['p', 'q'], quantity: 1 }],
      }),
      still,
    ).missing;
    expect(missing!.help.some(({ how }) => how.do === 'build-up' && how.buy !== undefined)).toBe(true);
  });
  test('what fits on no other paper is not planned on it: what helps is there before the time is over', () => {
    const others = Array.from({ length: 12 }, (_, n) => `q${n}`);
    const sheet = { width: '12', height: '12', quantity: 2 };
    const job = read({
      format: 'temnex-job',
      version: 1,
      plan: { nodes: 60 },
      cutter: { step: '1/16' },
      papers: ['p', ...others].map((id) => ({ id })),
      stock: [
        { id: 's', paper: 'p', ...sheet },
        ...others.flatMap((paper) => [
          { id: paper, paper, ...sheet },
          { id: `${paper} held`, paper: 'p', ...sheet, reserved: true },
        ]),
      ],
      pieces: [{ id: 'base', width: '30', height: '14', papers: ['p'], quantity: 1, direction: 'width' }],
    });
    let planned = 0;
    const none = (changed: Job): Solution => {
      planned++;
      return { sheets: [], missing: changed.pieces.map((p) => p.quantity) };
    };
    const [missing] = planJob(job, still).missing;
    withWaysOut(job, [missing!], none(job), none, () => false);
    // a sheet is bought, it is cut shorter, or it is built up in one of two ways, from what there is or from more of it
    expect(planned - 1).toBeLessThanOrEqual(6);
    expect(missing!.help.map(({ how }) => how.do)).toContain('build-up');
  });
  test('there is no time: the reason is said without them', () => {
    const document = mixedJob(1);
    let now = 0;
    const job = read({ ...document, plan: { ...document.plan, nodes: null, seconds: 0.01 } });
    // a clock that runs away: nothing after the first answer is waited for
    const plan = planJob(job, { now: () => (now += 50) });
    expect(verifyPlan(job, plan)).toEqual([]);
    for (const m of plan.missing) expect(m.help).toEqual([]);
  });
});

describe('three aims', () => {
  const document = normalJob(4);
  document.plan = { ...document.plan, nodes: 600 };
  const job = read(document);
  const plans = planAims(job, still);
  const figures = (p: Plan) => ({
    missing: p.missing.reduce((n, m) => n + m.quantity, 0),
    paper: p.totals.newSheetArea,
  });
  test('each holds, and all miss and open the same', () => {
    expect(plans.map((p) => p.aim).sort()).toEqual([...AIMS].sort());
    for (const plan of plans) expect(verifyPlan(job, plan)).toEqual([]);
    expect(new Set(plans.map((p) => JSON.stringify(figures(p)))).size).toBe(1);
  });
  test('none is beaten by another at what it is for', () => {
    const by = (aim: string) => plans.find((p) => p.aim === aim)!;
    const waste = (p: Plan) => p.totals.wasteArea + p.totals.kerfArea;
    for (const other of plans) expect(waste(by('least-paper'))).toBeLessThanOrEqual(waste(other) + 1e-9);
  });
});

describe('planning again after some of it is cut', () => {
  const shapes = (p: Plan) =>
    p.sheets.map((s) => `${s.stock} ${JSON.stringify(s.tree).replace(/"copy":\d+/g, '')}`).sort();
  test('nothing changed: every sheet keeps its cuts, for every aim', () => {
    const document = normalJob(9);
    document.plan = { ...document.plan, nodes: 300 };
    const job = read(document);
    const plan = planJob(job, still);
    for (const again of planAims(job, { ...still, earlier: plan })) {
      expect(verifyPlan(job, again)).toEqual([]);
      const same = JSON.stringify(shapes(again)) === JSON.stringify(shapes(plan));
      // unless it was bettered, it is as it was
      if (!same) expect(again.totals.wasteArea).toBeLessThan(plan.totals.wasteArea);
    }
  });
  test('a kit with one piece more keeps nearly all of its sheets', () => {
    const kit = kitJob(20, 0.5);
    const plan = planJob(read(kit), { now: () => performance.now() });
    const more = read({
      ...kit,
      pieces: kit.pieces.map((p) => (p.id === 'square' ? { ...p, quantity: p.quantity! + 1 } : p)),
    });
    const again = planJob(more, { now: () => performance.now(), earlier: plan });
    expect(verifyPlan(more, again)).toEqual([]);
    expect(again.status).toBe('complete');
    expect(again.totals.newSheets).toBeLessThanOrEqual(plan.totals.newSheets + 1);
  });
  test('sheets that are gone, smaller, or hold a piece of another size are not kept', () => {
    const document: JobDocument = {
      format: 'temnex-job',
      version: 1,
      papers: [{ id: 'p' }],
      plan: { nodes: 60 },
      stock: [
        { id: 'a', paper: 'p', width: '6', height: '6', kind: 'scrap' },
        { id: 'b', paper: 'p', width: '8', height: '6', kind: 'scrap' },
      ],
      pieces: [
        { id: 'm', width: '6', height: '5', papers: ['p'] },
        { id: 'n', width: '8', height: '5', papers: ['p'] },
      ],
    };
    const plan = planJob(read(document), still);
    const smaller = read({ ...document, stock: document.stock.map((s) => ({ ...s, height: '5 1/2' })) });
    const other = read({ ...document, pieces: document.pieces.map((p) => ({ ...p, height: '4' })) });
    const gone = read({ ...document, stock: document.stock.slice(1) });
    for (const job of [smaller, other, gone]) {
      const again = planJob(job, { ...still, earlier: plan });
      expect(verifyPlan(job, again)).toEqual([]);
    }
  });
});
