import type { Job, JobPiece, Plan, PlanNode, Step } from '../planner/index.ts';
import { orderOf, sheetsUsedWhole } from '../cutting/index.ts';

export type Edge = 'left' | 'bottom' | 'right' | 'top';

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

/** By how many quarters, counter-clockwise, a part lies turned from upright when this edge of it lies on the fence, which is on the left. */
const QUARTERS: Readonly<Record<Edge, 0 | 1 | 2 | 3>> = { left: 0, top: 1, right: 2, bottom: 3 };
export const quartersOf = (edge: Edge): 0 | 1 | 2 | 3 => QUARTERS[edge];

/**
 * A cutting order as one does it, step by step: sheets are taken up, parts are turned where another edge comes to the fence, pieces
 * turned over that show their back. Every cut of the plan is in it once, in the plan's order.
 */
export function trimmerSteps(job: Job, plan: Plan): TrimmerStep[] {
  const found: TrimmerStep[] = [];
  const taken = new Set<number>();
  /** How each part lies, by the edge that was on the fence when it was last in hand. */
  const lies = new Map<string, Edge>();
  /** What the cut before has left in the hands. */
  let hands = new Set<string>();
  for (const one of orderOf(job, plan)) {
    if (one.do === 'finish') {
      const { piece, copies } = one;
      if (faceOf(plan, piece.id) === 'B') found.push({ do: 'over', piece, copies });
      found.push({ do: 'finish', piece, copies });
      continue;
    }
    const { index, step } = one;
    const fresh = step.sheets.filter((s) => !taken.has(s));
    if (fresh.length) found.push({ do: 'take', sheets: fresh });
    for (const s of fresh) {
      taken.add(s);
      lies.set(`${s} r`, 'left');
      hands = new Set([`${s} r`]);
    }
    const part = step.do === 'trim' ? 'r' : step.part;
    const key = `${step.sheets[0]!} ${part}`;
    const picked = !fresh.length && !hands.has(key);
    if (step.do !== 'open') {
      const from = lies.get(key) ?? 'left';
      const quarters = (QUARTERS[step.edge] - QUARTERS[from] + 4) % 4;
      if (quarters)
        found.push({
          ...{ do: 'turn', index, sheets: step.sheets, part, from, to: step.edge, picked },
          quarters: quarters as 1 | 2 | 3,
        });
      found.push({ do: 'cut', index, step, picked: picked && !quarters });
      const left = partsOf(plan, step);
      for (const s of step.sheets) for (const path of left) lies.set(`${s} ${path}`, step.edge);
      hands = new Set(left.map((path) => `${step.sheets[0]!} ${path}`));
      continue;
    }
    found.push({ do: 'cut', index, step, picked });
    const how = lies.get(key) ?? 'left';
    for (const s of step.sheets) lies.set(`${s} ${step.off}`, how);
    hands = new Set([`${step.sheets[0]!} ${step.off}`, key]);
  }
  for (const sheet of sheetsUsedWhole(plan)) found.push({ do: 'whole', sheet });
  return found;
}

/** How many steps of the plan are done when so many of these are. */
export const cutsDone = (steps: readonly TrimmerStep[], done: number): number =>
  steps.slice(0, done).filter((s) => s.do === 'cut').length;

/** The parts that there are once a step is done. */
function partsOf(plan: Plan, step: Exclude<Step, { do: 'open' }>): string[] {
  if (step.do === 'trim') return ['r'];
  if (step.do === 'cut') return step.rest === null ? [step.off] : [step.off, step.rest];
  return step.line < 4 ? [step.part] : [0, 1, 2, 3, 4].map((n) => `${step.part}.${n}`);
}

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
