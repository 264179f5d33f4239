import {
  traceHands,
  type FenceEdge as Edge,
  type Job,
  type JobPiece,
  type Plan,
  type PlanNode,
  type Step,
} from '../planner/index.ts';
import { buildOrderSteps, findSheetsUsedWhole } from '../cutting/index.ts';

/** One thing to do at the trimmer, one screen each. */
export type TrimmerStep =
  /** Sheets out of the drawer, stacked where there are several. */
  | { readonly do: 'take'; readonly sheets: readonly number[] }
  /** A part turned counter-clockwise by quarters, so that another edge lies on the fence. */
  | {
      readonly do: 'turn';
      readonly sheets: readonly number[];
      readonly part: string;
      readonly from: Edge;
      readonly to: Edge;
      readonly quarters: 1 | 2 | 3;
      /** The step of the plan that it is for. */
      readonly index: number;
      readonly picked: boolean;
    }
  /** A step of the plan; `picked`: the part lay aside and is taken up again. */
  | { readonly do: 'cut'; readonly index: number; readonly step: Step; readonly picked: boolean }
  /** Pieces that are seen from their back, turned over before anything is done to them. */
  | { readonly do: 'over'; readonly piece: JobPiece; readonly copies: number }
  | { readonly do: 'finish'; readonly piece: JobPiece; readonly copies: number }
  /** A sheet that is a piece as it is. */
  | { readonly do: 'whole'; readonly sheet: number };

/**
 * A cutting order as one does it, step by step: sheets are taken up, parts are turned where another edge comes to the fence, pieces
 * turned over that show their back. Every cut of the plan is in it once, in the plan's order.
 */
export function buildTrimmerSteps(job: Job, plan: Plan): TrimmerStep[] {
  const found: TrimmerStep[] = [];
  const hands = traceHands(plan.steps);
  for (const one of buildOrderSteps(job, plan)) {
    if (one.do === 'finish') {
      const { piece, copies } = one;
      if (faceOf(plan, piece.id) === 'B') found.push({ do: 'over', piece, copies });
      found.push({ do: 'finish', piece, copies });
      continue;
    }
    const { index, step } = one;
    const { fresh, picked, from, to, quarters } = hands[index]!;
    if (fresh.length) found.push({ do: 'take', sheets: fresh });
    const part = step.do === 'trim' ? 'r' : step.part;
    if (quarters) found.push({ do: 'turn', index, sheets: step.sheets, part, from, to, quarters, picked });
    found.push({ do: 'cut', index, step, picked: picked && !quarters });
  }
  for (const sheet of findSheetsUsedWhole(plan)) found.push({ do: 'whole', sheet });
  return found;
}

/** How many steps of the plan are done when so many of these are. */
export const countPlanStepsDone = (steps: readonly TrimmerStep[], done: number): number =>
  steps.slice(0, done).filter((s) => s.do === 'cut').length;

/** Which face of a piece is seen; what lies in no sheet shows its front. */
function faceOf(plan: Plan, piece: string): 'A' | 'B' {
  const find = (node: PlanNode): 'A' | 'B' | null => {
    if (node.holds && typeof node.holds === 'object' && node.holds.piece === piece) return node.holds.side;
    for (const part of [...(node.parts ?? []), ...(node.opening ? [node.opening] : [])]) {
      const found = find(part);
      if (found) return found;
    }
    return null;
  };
  for (const { tree } of plan.sheets) {
    const side = find(tree);
    if (side) return side;
  }
  return 'A';
}
