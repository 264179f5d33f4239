import { z } from 'zod';
import { TICKS_PER_UNIT, formatExactLength, lengthOf, lengthText, ticks, type LengthText } from '../length/index.ts';
import type { Job, Plan, Step } from '../planner/index.ts';
import { layOutPartsAfter, cutPartInTwo, type Box } from './partsOnTable.ts';

/*
 * A cut that went wrong: what was in hand is not what the plan says, and only what can still be used of it is paper again.
 */

export const WRONG_CUT_KINDS = ['size', 'edge', 'torn', 'paper'] as const;
const sizeSchema = z.strictObject({ width: lengthText(), height: lengthText() });
export const leftPaperSchema = z.array(sizeSchema).max(8);
/** Sizes are in the plan's unit, with the sheet upright. */
export const wrongCutSchema = z.strictObject({
  /** Cut at another setting, or from another edge; torn or crooked; cut from another paper. */
  how: z.enum(WRONG_CUT_KINDS),
  /** What can still be used of each sheet that was in hand. */
  left: leftPaperSchema,
  /** Of another paper: the item of the drawer that was cut. */
  stock: z.string().max(64).optional(),
});
export type WrongCut = z.infer<typeof wrongCutSchema>;
/** A piece that had come off and is spoiled: what can still be used of it. */
export const spoiledPieceSchema = z.strictObject({
  piece: z.string().max(200),
  copy: z.int().min(1),
  left: leftPaperSchema.optional(),
});
export type SpoiledPiece = z.infer<typeof spoiledPieceSchema>;
export type LeftPaper = z.infer<typeof sizeSchema>;

const stepAt = (plan: Plan, steps: number): Step | null => plan.steps[steps] ?? null;

/** The part that was in hand for the step after the first `steps`, as a rectangle of its first sheet. */
export function partInHandFor(job: Job, plan: Plan, steps: number): Box | null {
  const step = stepAt(plan, steps);
  if (!step) return null;
  const [sheet] = step.sheets;
  const path = step.do === 'trim' ? 'r' : step.part;
  const { parts } = layOutPartsAfter(job, plan, steps);
  const lying = parts.find((p) => p.sheet === sheet && p.path === path);
  if (lying) return lying;
  const item = job.stock.find((s) => s.id === plan.sheets[sheet!]!.stock);
  const per = TICKS_PER_UNIT[plan.unit];
  return item ? { x: 0, y: 0, width: item.width / per, height: item.height / per } : null;
}

/**
 * What a cut at the wrong setting, or from the wrong edge, leaves to be used of the paper in hand: both parts, upright, in the
 * plan's unit. `of` is the size of another paper that was cut in its place.
 */
export function computeLeftByWrongCut(
  job: Job,
  plan: Plan,
  steps: number,
  { setting, edge, of }: { readonly setting: number; readonly edge: 'left' | 'bottom'; readonly of?: Box | undefined },
): LeftPaper[] {
  const box = of ?? partInHandFor(job, plan, steps);
  if (!box) return [];
  const along = edge === 'left' ? box.width : box.height;
  const kerf = job.cutter.kerf / TICKS_PER_UNIT[plan.unit];
  const [off, rest] = cutPartInTwo(box, edge, Math.min(setting, along), kerf);
  return [off, rest]
    .filter(({ width, height }) => width > 0 && height > 0)
    .map(({ width, height }) => ({ width: lengthIn(plan, width), height: lengthIn(plan, height) }));
}

const lengthIn = (plan: Plan, n: number): LengthText =>
  formatExactLength(ticks(Math.round(n * TICKS_PER_UNIT[plan.unit])), plan.unit);

export type WrongFault = 'no-such-step' | 'no-such-stock' | 'left-too-large';

/** What about a wrong cut cannot be; null: nothing. Nobody has more paper left than was in hand. */
export function findWrongCutFault(job: Job, plan: Plan, steps: number, wrong: WrongCut): WrongFault | null {
  const hand = partInHandFor(job, plan, steps);
  if (!hand) return 'no-such-step';
  const per = TICKS_PER_UNIT[plan.unit];
  if (wrong.how === 'paper') {
    const other = job.stock.find((s) => s.id === wrong.stock);
    // what the order did not ask for is looked up by whoever keeps the drawer
    return wrong.stock === undefined
      ? 'no-such-stock'
      : other && isLargerThanPart(wrong.left, { width: other.width / per, height: other.height / per }, plan)
        ? 'left-too-large'
        : null;
  }
  return isLargerThanPart(wrong.left, hand, plan) ? 'left-too-large' : null;
}

/** Whether what is said to be left cannot have been part of this. */
export function isLargerThanPart(
  left: readonly LeftPaper[],
  of: Pick<Box, 'width' | 'height'>,
  plan: Pick<Plan, 'unit'>,
): boolean {
  const per = TICKS_PER_UNIT[plan.unit];
  const [w, h] = [Math.round(of.width * per), Math.round(of.height * per)];
  let area = 0;
  for (const size of left) {
    const [width, height] = [lengthOf(size.width, plan.unit), lengthOf(size.height, plan.unit)];
    if (width > w || height > h) return true;
    area += width * height;
  }
  return area > w * h;
}

/**
 * What of a plan that is still to be cut could be cut from what is left of a paper: names of pieces, each once, by the size of
 * each rectangle alone. Whether it will be, the new order says.
 */
export function findPiecesThatStillFit(
  job: Job,
  plan: Plan,
  steps: number,
  paper: string,
  left: readonly LeftPaper[],
): string[] {
  const off = new Set(
    layOutPartsAfter(job, plan, steps).parts.flatMap(({ is }) =>
      typeof is === 'object' ? [`${is.piece} ${is.copy}`] : [],
    ),
  );
  const ahead = new Set<string>();
  const walk = (node: Plan['sheets'][number]['tree']): void => {
    const { holds } = node;
    if (holds && typeof holds === 'object' && !off.has(`${holds.piece} ${holds.copy}`)) ahead.add(holds.piece);
    node.parts?.forEach(walk);
    if (node.opening) walk(node.opening);
  };
  plan.sheets.forEach(({ tree }) => walk(tree));
  const sizes = left.map((l) => [lengthOf(l.width, plan.unit), lengthOf(l.height, plan.unit)] as const);
  return job.pieces.flatMap((p) => {
    if (!ahead.has(p.id) || !p.papers.includes(paper)) return [];
    const turns = p.direction === 'any';
    const fits = sizes.some(([w, h]) => (w >= p.width && h >= p.height) || (turns && w >= p.height && h >= p.width));
    return fits ? [p.name] : [];
  });
}
