import { describe, expect, test } from '@jest/globals';
import { layer, page as pageOf, photo, wishFor } from '../../testing/pages.ts';
import { derivePage, newItem, type Item, type Page } from '../page/index.ts';
import { planJob, readJob, verifyPlan } from '../planner/index.ts';
import { NO_TRIM, DEFAULT_HABITS, type Drawer } from '../stock/index.ts';
import { buildPageJob, buildOrderSteps } from './index.ts';

/* A hollow mat of 12 x 12 whose centre comes free for the mats of photos: row by row as one would do it at the table. */

const look = { pattern: 'plain', ground: '#88aacc', ink: '#335577' } as const;
const drawer: Drawer = {
  papers: [
    { id: 'surf', name: 'Surf', sides: [{ side: 'A', name: 'surf', direction: 'none', along: 'height', look }] },
  ],
  stock: [
    {
      id: 's',
      paper: 'surf',
      unit: 'in',
      width: '12',
      height: '12',
      quantity: 1,
      kind: 'sheet',
      trim: NO_TRIM,
      turned: 0,
      reserved: false,
      origin: null,
    },
  ],
};
const ring: Item = {
  ...newItem({
    id: 'ring',
    name: 'ring',
    recipe: 'hollow-mat',
    input: {
      outer: { width: '12', height: '12', known: 'measured' },
      ring: { reveal: { style: 'even', all: '7/8' } },
      centre: {},
      above: { width: '11', height: '11' },
    },
  }),
  wishes: { ring: wishFor('surf') },
};
const mats = (n: number): Page =>
  pageOf(
    ring,
    ...Array.from({ length: n }, (_, i) =>
      photo(`p${i + 1}`, ['4', '6'], [layer('m', '1/4')], { wishes: { m: wishFor('surf') } }),
    ),
  );
function planned(page: Page) {
  const asked = buildPageJob('p', derivePage(page), drawer, DEFAULT_HABITS);
  if (!asked.ok) throw new Error(JSON.stringify(asked.problem));
  const read = readJob(asked.job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const job = { ...read.job, nodes: 200 };
  const plan = planJob(job, { now: () => 0 });
  expect(verifyPlan(job, plan)).toEqual([]);
  return { job, plan };
}

describe('the free centre of a hollow mat', () => {
  test('12: two mats of 4 1/2 x 6 1/2 fit in it, a third does not', () => {
    const { plan } = planned(mats(2));
    expect([plan.status, plan.sheets.length, plan.totals.newSheets]).toEqual(['complete', 1, 1]);
    expect(planned(mats(3)).plan.missing).toMatchObject([{ quantity: 1 }]);
  });
  test('is cut out once: not again by hand once the plan has opened it', () => {
    const used = planned(mats(2));
    const steps = buildOrderSteps(used.job, used.plan);
    expect(steps.filter((s) => s.do === 'plan' && s.step.do === 'open')).toHaveLength(1);
    expect(steps.filter((s) => s.do === 'finish')).toEqual([]);
    // nothing wants it: it is cut out by hand all the same
    const alone = planned(pageOf(ring));
    expect(
      buildOrderSteps(alone.job, alone.plan).flatMap((s) => (s.do === 'finish' ? [s.piece.finish[0]!.do] : [])),
    ).toEqual(['window']);
  });
});
