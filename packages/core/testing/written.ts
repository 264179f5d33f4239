import { expect } from '@jest/globals';
import { verifyPlan, type Job, type Plan } from '../src/planner/index.ts';
import { writePlan } from '../src/planner/order/write.ts';
import type { CutSheet } from '../src/planner/sheets/tree.ts';

/* Plans written from trees, and carried out by the check, which knows nothing of how steps are put in order. */

export const bound = { newArea: 0, newSheets: 0, how: 'area' } as const;

/** The plan of these sheets, carried out; nothing may be found wrong with it. */
export function written(job: Job, sheets: CutSheet[], tries = 2, missing = job.pieces.map(() => 0)): Plan {
  const plan = writePlan(job, bound, { sheets, missing }, 'least-paper', tries);
  expect(verifyPlan(job, plan)).toEqual([]);
  return plan;
}
export const settingsIn = (plan: Plan): number[] => plan.steps.flatMap((s) => (s.do === 'open' ? [] : [s.setting]));
export const changes = (settings: readonly number[]) =>
  settings.filter((s, i) => i === 0 || s !== settings[i - 1]).length;
