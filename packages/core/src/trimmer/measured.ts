import { inches, lengthOf, type LengthText, type Unit } from '../length/index.ts';
import type { Job, Plan, PlanNode } from '../planner/index.ts';
import type { MeasuredPiece } from './session.ts';

/** A cutter that is off by less than this cuts as true as anybody measures: 1/64 in. */
const TRUE_ENOUGH = inches(1 / 64);
/** Sizes of one setting that are further apart than this were cut with a fence that moves: 1/32 in. */
const MOVES = inches(1 / 32);
/** So many in a row say something. */
const IN_A_ROW = 3;

export type FenceDiagnosis =
  /** It cuts so many ticks longer than set (shorter, below 0), each time. */
  | { readonly code: 'always-off'; readonly by: number }
  /** Each is off by something else: from so many to so many ticks. */
  | { readonly code: 'loose'; readonly from: number; readonly to: number };

/** What three sizes in a row say of the fence, by how much each was longer than it was to be, in ticks; null: nothing. */
export function diagnoseFence(off: readonly number[]): FenceDiagnosis | null {
  const last = off.slice(-IN_A_ROW);
  if (last.length < IN_A_ROW) return null;
  const [from, to] = [Math.min(...last), Math.max(...last)];
  if (to - from > MOVES) return { code: 'loose', from, to };
  const by = Math.round(last.reduce((sum, n) => sum + n, 0) / last.length);
  return last.every((n) => Math.abs(n) >= TRUE_ENOUGH && n > 0 === by > 0) ? { code: 'always-off', by } : null;
}

/** How a piece lay under the blade when it came off: across its width or its height; null where nothing was set for it. */
function cutAlong(plan: Plan, { piece, copy }: Pick<MeasuredPiece, 'piece' | 'copy'>): 'width' | 'height' | null {
  let along: 'width' | 'height' | null = null;
  plan.sheets.forEach(({ tree }, sheet) => {
    const walk = (node: PlanNode, path: string): void => {
      const { holds } = node;
      if (holds && typeof holds === 'object' && holds.piece === piece && holds.copy === copy) {
        const step = plan.steps.findLast(
          (s) => s.do === 'cut' && s.sheets.includes(sheet) && (s.off === path || s.rest === path),
        );
        if (step?.do !== 'cut') return;
        const across = step.edge === 'left' ? 'width' : 'height';
        along = holds.turn % 180 ? (across === 'width' ? 'height' : 'width') : across;
      }
      node.parts?.forEach((part, i) => walk(part, `${path}.${i}`));
      if (node.opening) walk(node.opening, `${path}.o`);
    };
    walk(tree, 'r');
  });
  return along;
}

/** By how much measured pieces are longer than they were to be, along the cut that freed them, in ticks, in the order measured. */
export function measureDeviations(job: Job, plan: Plan, measured: Iterable<MeasuredPiece>): number[] {
  return [...measured].flatMap((m) => {
    const piece = job.pieces.find((p) => p.id === m.piece);
    const along = piece && cutAlong(plan, m);
    return along ? [lengthOf(m[along], plan.unit) - piece[along]] : [];
  });
}

/** What a strip was set to, and what it measures. */
export interface StripMeasured {
  readonly set: LengthText;
  readonly measured: LengthText;
}
/**
 * What strips cut to be measured say of a cutter: how much longer than set it cuts, in ticks, and how far they are apart. Mean of
 * what each is over.
 */
export function computeCalibration(
  strips: readonly StripMeasured[],
  unit: Unit,
): { readonly long: number; readonly apart: number } | null {
  if (!strips.length) return null;
  const over = strips.map(({ set, measured }) => lengthOf(measured, unit) - lengthOf(set, unit));
  const long = Math.round(over.reduce((sum, n) => sum + n, 0) / over.length);
  return { long, apart: Math.max(...over) - Math.min(...over) };
}
