import { describe, expect, test } from '@jest/globals';
import { RECIPE_IDS } from '@temnex/core/recipes';
import { DEFAULT_HABITS } from '@temnex/core/stock';
import { derivePage, pageSchema } from '@temnex/core/page';
import { planJob, readJob, verifyPlan } from '@temnex/core/planner';
import { buildPageJob } from '@temnex/core/cutting';
import { demoPapers, demoStock } from './demoDrawer.ts';
import { demoPages } from './demoPages.ts';

const drawer = { papers: demoPapers(), stock: demoStock() };

describe.each(demoPages())('the example, $id', ({ document }) => {
  const page = derivePage(document);
  test('is a page without a fault in it, nothing of which lies off it', () => {
    expect(pageSchema.safeParse(document).error).toBeUndefined();
    expect(page.problems).toEqual([]);
    expect(page.suggestions.filter((s) => s.suggestion.code === 'overhang')).toEqual([]);
  });
  test('has a paper for every piece, and comes out of the drawer', () => {
    expect(page.pieces.filter((p) => !p.wish).map((p) => p.name)).toEqual([]);
    const made = buildPageJob('demo', page, drawer, DEFAULT_HABITS);
    if (!made.ok) throw new Error(JSON.stringify(made.problem));
    const read = readJob({ ...made.job, plan: { ...made.job.plan, nodes: 60 } });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const plan = planJob(read.job, { now: () => 0 });
    expect(verifyPlan(read.job, plan)).toEqual([]);
    expect(plan.missing.map((m) => `${m.piece} ${m.why}`)).toEqual([]);
  });
});

test('each construction has its place in it', () => {
  const used = new Set(demoPages().flatMap(({ document }) => document.items.map((i) => i.recipe)));
  expect([...used].sort()).toEqual([...RECIPE_IDS].sort());
});
