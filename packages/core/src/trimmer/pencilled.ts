import type { Pencilled } from '../cutting/index.ts';
import type { Plan } from '../planner/index.ts';
import type { SessionState } from './session.ts';
import { cutsDone, type TrimmerStep } from './steps.ts';

/**
 * What a session whose last cut went wrong has pencilled so far. `planOf` knows the session's orders by id, `steps` are those of
 * the last one, `parts` are the letters of what lies in the drawer now.
 */
export function pencilledIn(
  state: SessionState,
  planOf: (id: string) => Plan,
  steps: readonly TrimmerStep[],
  parts: Pencilled['parts'],
): Pencilled {
  const orders = state.plans.map(planOf);
  const { sheets, steps: cuts } = orders.at(-1)!;
  const done = cutsDone(steps, state.left.at(-1)?.at ?? 0);
  // The cut that went wrong had its sheets in hand.
  const touched = new Set(cuts.slice(0, done + 1).flatMap((cut) => cut.sheets));
  return { orders, untouched: sheets.flatMap((_, sheet) => (touched.has(sheet) ? [] : [sheet])), parts };
}

/** The part of the last order that nothing has touched: what a new order keeps as it is. */
export function untouchedPlan({ orders, untouched }: Pencilled): Plan {
  const last = orders.at(-1)!;
  return { ...last, sheets: untouched.map((sheet) => last.sheets[sheet]!) };
}
