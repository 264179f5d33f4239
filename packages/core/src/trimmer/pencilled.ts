import type { PencilledLetters } from '../cutting/index.ts';
import type { Plan } from '../planner/index.ts';
import type { SessionState } from './session.ts';
import { countPlanStepsDone, type TrimmerStep } from './steps.ts';

/**
 * What a session whose last cut went wrong has pencilled so far. `writePlan` knows the session's orders by id, `steps` are those of
 * the last one, `parts` are the letters of what lies in the drawer now. `isHandSpoilt`: what was in hand was cut wrong; where only a
 * piece got ruined, or another paper was cut, the sheet that was next is whole and keeps its letter.
 */
export function collectPencilled(
  state: SessionState,
  planOf: (id: string) => Plan,
  steps: readonly TrimmerStep[],
  parts: PencilledLetters['parts'],
  isHandSpoilt: boolean,
): PencilledLetters {
  const orders = state.plans.map(planOf);
  const { sheets, steps: cuts } = orders.at(-1)!;
  const done = countPlanStepsDone(steps, state.left.at(-1)?.at ?? 0);
  const touched = new Set(cuts.slice(0, done + (isHandSpoilt ? 1 : 0)).flatMap((cut) => cut.sheets));
  return { orders, untouched: sheets.flatMap((_, sheet) => (touched.has(sheet) ? [] : [sheet])), parts };
}

/** The part of the last order that nothing has touched: what a new order keeps as it is. */
export function planOfUntouched({ orders, untouched }: PencilledLetters): Plan {
  const last = orders.at(-1)!;
  return { ...last, sheets: untouched.map((sheet) => last.sheets[sheet]!) };
}
