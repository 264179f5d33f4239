import { describe, expect, test } from '@jest/globals';
import { everyJob2 } from '@temnex/core/makers';
import { planJob, readJob, verifyPlan, type JobDocument } from './index.ts';

type Check = (job: unknown, plan: unknown) => { faults: string[] };
const { checkPlan } = (await import(new URL('../../../../scripts/check-plan.mjs', import.meta.url).href)) as {
  checkPlan: Check;
};

/** How many jobs are planned of whatever is allowed; `npm run soak` plans more. */
const TABLES = Number(process.env.TEMNEX_TABLES ?? 3);
const document = (changes: Partial<JobDocument>): JobDocument =>
  ({
    format: 'temnex-job',
    version: 2,
    name: 'table',
    unit: 'in',
    cutter: {},
    plan: { nodes: 60, seconds: 5 },
    papers: [{ id: 'p' }],
    stock: [{ id: 's', paper: 'p', width: 12, height: 12 }],
    pieces: [{ id: 'a', width: 4, height: 6, papers: ['p'] }],
    ...changes,
  }) as JobDocument;

const jobOf = (d: JobDocument) => {
  const read = readJob(d);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.job;
};
const planned = (d: JobDocument) => planJob(jobOf(d), { now: () => 0 });
const stockOf = (changes: object) =>
  [{ id: 's', paper: 'p', width: 12, height: 12, ...changes }] as JobDocument['stock'];

describe('what hands cannot do is a fault, for both checks', () => {
  // a plan for what is easy, held against what is asked of the same hands in earnest
  test.each<[string, Partial<JobDocument>, Partial<JobDocument>, string]>([
    [
      'a dial at or below 0',
      { pieces: [{ id: 'a', width: '1/16', height: 6, papers: ['p'] }] } as never,
      { cutter: { long: '1/8' } } as never,
      'dial',
    ],
    [
      'a margin longer than the reach',
      { stock: stockOf({ height: 8, trim: { top: '1/2' } }) },
      { cutter: { reach: 9 } } as never,
      'beyond-reach',
    ],
    [
      'a margin through what stays whole',
      { stock: stockOf({ trim: { left: 1 } }) },
      {
        stock: stockOf({
          trim: { left: 1 },
          uncut: [
            [
              ['1/2', 6],
              [3, 7],
            ],
          ],
        }),
      },
      'cut-through',
    ],
    [
      'a cut through what stays whole',
      {},
      {
        stock: stockOf({
          uncut: [
            [
              [1, 1],
              [11, 1],
            ],
          ],
        }),
      },
      'cut-through',
    ],
    [
      'a line that the kerf takes away',
      { cutter: { kerf: '1/8' }, pieces: [{ id: 'a', width: 5, height: 5, papers: ['p'] }] } as never,
      {
        cutter: { kerf: '1/8' },
        stock: stockOf({
          uncut: [
            [
              ['5 1/16', 1],
              ['5 1/16', 3],
            ],
          ],
        }),
      } as never,
      'cut-through',
    ],
    [
      'a setting off the mark',
      { pieces: [{ id: 'a', width: '4 1/16', height: '6 1/16', papers: ['p'], quantity: 2 }] } as never,
      { cutter: { step: '1/8' } } as never,
      '',
    ],
    [
      'nothing wide enough to hold',
      { stock: stockOf({ width: '4 1/16', height: 6 }) },
      { cutter: { narrowest: 5 }, stock: stockOf({ width: '4 1/16', height: 6 }) } as never,
      'too-narrow',
    ],
  ])('%s', (_, easy, hard, code) => {
    const plan = planned(document(easy));
    expect(plan.status).toBe('complete');
    expect(verifyPlan(jobOf(document(easy)), plan)).toEqual([]);
    expect(checkPlan(document(easy), plan).faults).toEqual([]);
    const harder = document({ ...easy, ...hard });
    const faults = verifyPlan(jobOf(harder), plan).map((f) => f.code);
    // a piece between marks is cut between marks, whoever cuts it
    if (code === '') return expect(faults).toEqual([]);
    expect(faults).toContain(code);
    expect(checkPlan(harder, plan).faults).not.toEqual([]);
  });

  test('a part that is not in hand, a sheet not trimmed, and two unlike parts in one stack', () => {
    const d = document({
      cutter: { stack: 2 } as never,
      stock: stockOf({ quantity: 2, trim: { left: 1 } }),
      pieces: [{ id: 'a', width: 9, height: 9, papers: ['p'], quantity: 2 }] as never,
    });
    const plan = planned(d);
    const job = jobOf(d);
    expect(verifyPlan(job, plan)).toEqual([]);
    expect(plan.steps[0]).toMatchObject({ do: 'trim', sheets: [0, 1] });
    const without = { ...plan, steps: plan.steps.slice(1) };
    const swapped = { ...plan, steps: [plan.steps[0]!, ...plan.steps.slice(1).reverse()] };
    for (const wrong of [without, swapped]) {
      expect(verifyPlan(job, wrong).map((f) => f.code)).toContain('step-part');
      expect(checkPlan(d, wrong).faults).not.toEqual([]);
    }
  });
});

describe('the planner asks for nothing that hands cannot do', () => {
  const L = [
    [0, 0],
    [10, 0],
    [10, 3],
    ['4 3/4', 3],
    ['4 3/4', 7],
    [0, 7],
  ];
  const odd = (uncut: unknown) => [{ id: 's', paper: 'p', kind: 'scrap', outline: L, uncut }] as JobDocument['stock'];
  const small = [
    { id: 'a', width: '2 1/4', height: '3 1/4', papers: ['p'] },
    { id: 'b', width: '1 1/2', height: '1 1/2', papers: ['p'], quantity: 4 },
  ] as JobDocument['pieces'];
  test.each<[string, Partial<JobDocument>, string]>([
    [
      'a strip narrower than what the cutter adds',
      { cutter: { long: '1/8' } as never, pieces: [{ id: 'a', width: '1/16', height: 6, papers: ['p'] }] as never },
      'too-narrow',
    ],
    [
      'a margin beyond the reach',
      { cutter: { reach: 9 } as never, stock: stockOf({ height: 8, trim: { top: '1/2' } }) },
      'beyond-reach',
    ],
    [
      'a margin beyond the reach of the first cutter, not of the second',
      { cutter: { reach: 9, then: [{ name: 'knife' }] } as never, stock: stockOf({ height: 8, trim: { top: '1/2' } }) },
      '',
    ],
    [
      'margins within reach once others are off',
      {
        cutter: { reach: 11 } as never,
        stock: stockOf({ height: 12, trim: { top: 1, bottom: 1, left: 1 } }),
        pieces: [{ id: 'a', width: 4, height: 10, papers: ['p'] }] as never,
      },
      'beyond-reach',
    ],
    [
      'a line over a margin',
      {
        stock: stockOf({
          trim: { left: 1 },
          uncut: [
            [
              ['1/2', 6],
              [3, 7],
            ],
          ],
        }),
      },
      'kept-whole',
    ],
    [
      'a level line beside a kerf',
      {
        cutter: { kerf: '1/64' } as never,
        stock: stockOf({
          width: 6,
          height: 7,
          uncut: [
            [
              [1, 2],
              [3, 2],
            ],
          ],
        }),
        pieces: [{ id: 'a', width: 4, height: 3, papers: ['p'] }] as never,
      },
      '',
    ],
    [
      'an odd scrap with a slanted line, kerfs off the mark',
      {
        cutter: { step: '1/16', kerf: '1/64' } as never,
        stock: odd([
          [
            ['1 5/8', '3 1/4'],
            ['2 7/8', '4 1/2'],
          ],
        ]),
        pieces: small,
      },
      '',
    ],
    [
      'an odd scrap with a level line',
      {
        cutter: { step: '1/16' } as never,
        stock: odd([
          [
            [1, 4],
            [3, 4],
          ],
        ]),
        pieces: small,
      },
      '',
    ],
    [
      'an odd scrap with margins',
      {
        cutter: { step: '1/16' } as never,
        stock: odd([]).map((s) => ({ ...s, trim: { left: '1/2', bottom: '1/4' } })) as never,
        pieces: small,
      },
      '',
    ],
  ])('%s', (_, changes, why) => {
    const d = document(changes);
    const plan = planned(d);
    expect(verifyPlan(jobOf(d), plan)).toEqual([]);
    expect(checkPlan(d, plan).faults).toEqual([]);
    expect(plan.missing.map((m) => m.why)).toEqual(why ? [why] : []);
    const strips = plan.steps.map((s) => ('setting' in s ? s.setting : 1));
    expect(Math.min(...strips, 1)).toBeGreaterThanOrEqual(1 / 64);
  });

  test('whatever version 2 allows', () => {
    let whole = 0;
    for (let seed = 9001; seed <= 9000 + TABLES; seed++) {
      const d = everyJob2(seed);
      const job = jobOf(d);
      const plan = planJob({ ...job, nodes: 20, seconds: 0.3 }, { now: () => performance.now() });
      expect([seed, verifyPlan(job, plan)]).toEqual([seed, []]);
      expect([seed, checkPlan(d, plan).faults]).toEqual([seed, []]);
      if (plan.sheets.length) whole++;
    }
    expect(whole).toBeGreaterThan(TABLES / 2);
  });
});
