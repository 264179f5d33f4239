import { describe, expect, test } from '@jest/globals';
import { documentOfHands, fewestByTrying, handJob, stripsByHand, type HandJob } from '../../../testing/hands.ts';
import { findFewestSettings } from './fewestSettings.ts';
import { planJob, readJob, verifyPlan, type JobDocument, type Plan } from '../index.ts';

/** As many as TEMNEX_HANDS says. */
const SEEDS = Number(process.env.TEMNEX_HANDS ?? 6);

function handled(job: HandJob, aim: 'easiest-cuts' | 'least-paper' = 'easiest-cuts') {
  const document = documentOfHands(job);
  const read = readJob({ ...document, plan: { ...document.plan, aim, nodes: 60 } });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  expect(verifyPlan(read.job, plan)).toEqual([]);
  const { settings, cuts } = plan.totals;
  return { missing: plan.missing.length, settings, cuts };
}

describe('easiest cuts', () => {
  const sheet = { width: 192, height: 192 };
  test.each<[what: string, job: HandJob, settings: number, cuts: number]>([
    [
      'five 1 3/4 × 2 1/4 and one 4 1/2 × 6 1/2',
      {
        sheet,
        kinds: [
          { width: 28, height: 36, quantity: 5 },
          { width: 72, height: 104, quantity: 1 },
        ],
      },
      // one setting less than hands think of, for two cuts: a strip of 28/16 beside five that lie end to end
      3,
      10,
    ],
    [
      'five 4 × 1/4 from 8 1/2 × 11',
      { sheet: { width: 136, height: 176 }, kinds: [{ width: 64, height: 4, quantity: 5 }] },
      2,
      6,
    ],
    ['seven 1 11/16 squares', { sheet, kinds: [{ width: 27, height: 27, quantity: 7 }] }, 1, 8],
    // four strips, a shorter one across what is left of the sheet
    ['thirty-six 1 1/2 squares', { sheet, kinds: [{ width: 24, height: 24, quantity: 36 }] }, 1, 36],
    [
      '4 1/4 × 6 1/4 and 4 3/8 × 6 3/8',
      {
        sheet,
        kinds: [
          { width: 68, height: 100, quantity: 1 },
          { width: 70, height: 102, quantity: 1 },
        ],
      },
      4,
      4,
    ],
    // the strip of 1 falls out last: nothing else needs that setting, and 1 1/8 is set for its squares anyway
    [
      'six strips that fill the sheet, of which one is set for nothing else',
      {
        sheet: { width: 136, height: 176 },
        kinds: [
          { width: 18, height: 18, quantity: 3 },
          { width: 32, height: 38, quantity: 5 },
          { width: 39, height: 30, quantity: 5 },
          { width: 12, height: 16, quantity: 3 },
        ],
      },
      6,
      21,
    ],
    // three of 1 9/16 come off one after the other, not their sum first
    ['three 1 9/16 × 5 3/8', { sheet, kinds: [{ width: 25, height: 86, quantity: 3 }] }, 2, 4],
  ])('%s', (_what, job, settings, cuts) => expect(handled(job)).toEqual({ missing: 0, settings, cuts }));

  test('after a wrong cut what is left is as easy as by hand, and sheets that are not begun keep their cuts', () => {
    const begun: JobDocument = {
      format: 'temnex-job',
      version: 2,
      name: 'begun',
      papers: [{ id: 'dune' }, { id: 'p' }],
      cutter: { step: '1/16' },
      stock: [{ id: 'kept', paper: 'dune', width: '12', height: '12', quantity: 1 }],
      pieces: [
        { id: 'mat', width: '4 1/4', height: '6 1/4', quantity: 1, papers: ['dune'] },
        { id: 'tag', width: '1 3/4', height: '2 1/4', quantity: 5, papers: ['dune'] },
      ],
    };
    const plan = (document: JobDocument, earlier: Plan | null) => {
      const read = readJob({ ...document, plan: { aim: 'easiest-cuts', nodes: 60 } });
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      const made = planJob(read.job, { now: () => 0, ...(earlier ? { earlier, keeping: 'while-complete' } : {}) });
      expect(verifyPlan(read.job, made)).toEqual([]);
      return made;
    };
    const earlier = plan(begun, null);
    for (let seed = 1; seed <= 8; seed++) {
      const job = handJob(seed);
      const left = documentOfHands(job);
      const both = {
        ...begun,
        stock: [...begun.stock, ...left.stock],
        pieces: [...begun.pieces, ...left.pieces],
      };
      const made = plan(both, earlier);
      const kept = made.sheets.find((sheet) => sheet.stock === 'kept')!;
      expect([seed, kept.tree]).toEqual([seed, earlier.sheets[0]!.tree]);
      const byHand = stripsByHand(job)!;
      expect([seed, made.totals.settings <= earlier.totals.settings + byHand.settings]).toEqual([seed, true]);
    }
  });
  test('fewest settings are said only where no way has fewer', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const job = handJob(seed);
      const document = documentOfHands(job);
      const read = readJob({ ...document, version: 2, plan: { ...document.plan, aim: 'easiest-cuts', nodes: 30 } });
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      const { bound, totals } = planJob(read.job, { now: () => 0 });
      if (bound.settings === undefined) continue;
      expect(bound.settings).toBeLessThanOrEqual(totals.settings);
      expect(bound.settings).toBeLessThanOrEqual(stripsByHand(job)!.settings);
    }
    const square = { width: 27, height: 27, quantity: 7 };
    const boundOf = (kinds: HandJob['kinds'], quantity: number) => {
      const document = documentOfHands({ sheet, kinds });
      const stock = document.stock.map((s) => ({ ...s, quantity }));
      const read = readJob({
        ...document,
        stock,
        version: 2,
        plan: { ...document.plan, aim: 'easiest-cuts', nodes: 20 },
      });
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      return planJob(read.job, { now: () => 0 }).bound.settings;
    };
    expect(boundOf([square], 1)).toBe(1);
    expect(boundOf([{ ...square, width: 100, height: 150, quantity: 3 }], 3)).toBe(2);
  });

  test('never worse than strips cut by hand', () => {
    for (let seed = 1; seed <= SEEDS; seed++) {
      const job = handJob(seed);
      const hand = stripsByHand(job)!;
      const { missing, settings, cuts } = handled(job);
      expect({ seed, missing }).toEqual({ seed, missing: 0 });
      const worse = settings > hand.settings || (settings === hand.settings && cuts > hand.cuts);
      expect({ seed, settings, cuts, hand, worse }).toEqual({ seed, settings, cuts, hand, worse: false });
    }
  });

  test('more than can be tried is given up at once', () => {
    const kinds = Array.from({ length: 10 }, (_, i) => ({ width: 11 + 3 * i, height: 13 + 5 * i, quantity: 1 }));
    const read = readJob(documentOfHands({ sheet, kinds }));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const laid = read.job.pieces.map(({ width, height }, k) => ({
      k,
      count: 1,
      laid: [{ width, height, way: { turn: 0, side: 'A' } as const }],
    }));
    let looks = 0;
    const room = { x: 0, y: 0, width: read.job.stock[0]!.width, height: read.job.stock[0]!.height };
    expect(findFewestSettings(room, laid, read.job, 20_000, () => (looks++, false))).toBeNull();
    expect(looks).toBeGreaterThan(0);
    // and where the time is over
    expect(findFewestSettings(room, laid, read.job, 1e9, () => true)).toBeNull();
    const few = findFewestSettings(room, laid.slice(0, 2), read.job, 400_000, () => false);
    expect(few).toMatchObject({ proved: true });
    expect(few!.settings).toBeLessThanOrEqual(4);
  });

  test('two pieces: as few as every way and every order give', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const { sheet: from, kinds } = handJob(seed);
      const job = { sheet: from, kinds: [0, 1].map((i) => ({ ...kinds[i % kinds.length]!, quantity: 1 })) };
      const { settings, cuts } = handled(job);
      expect({ seed, settings, cuts }).toEqual({ seed, ...fewestByTrying(job) });
    }
  });
});
