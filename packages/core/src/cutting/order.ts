import type { Finish } from '../geometry/index.ts';
import type { Job, JobPiece, Plan, PlanNode, Step } from '../planner/index.ts';

/** One thing to do: a step of the plan, or what is done by hand to pieces that have come off. */
export type OrderStep =
  | { readonly do: 'plan'; readonly index: number; readonly step: Step }
  /** So many of a piece, the last of which came off with step `after` (−1: no cut is needed for it). */
  | { readonly do: 'finish'; readonly after: number; readonly piece: JobPiece; readonly copies: number };

/**
 * A plan's steps with the finishing among them: what is notched, pointed, rounded or punched by hand, all of a kind at once, as
 * soon as the last of them has come off the trimmer.
 */
export function buildOrderSteps(job: Job, plan: Plan): OrderStep[] {
  const finishing = finishingOf(job, plan);
  const after = (index: number) => finishing.filter((f) => f.after === index);
  return [
    ...after(-1),
    ...plan.steps.flatMap((step, index): OrderStep[] => [{ do: 'plan', index, step }, ...after(index)]),
  ];
}

/** Sheets, by their place in the plan, that are a piece as they are: no step touches them. */
export const findSheetsUsedWhole = (plan: Plan): number[] =>
  plan.sheets.flatMap(({ tree }, i) => (tree.cut || plan.steps.some((s) => s.sheets.includes(i)) ? [] : [i]));

function finishingOf(job: Job, plan: Plan): Extract<OrderStep, { do: 'finish' }>[] {
  const pieces = new Map(job.pieces.filter((p) => p.finish.length).map((p) => [p.id, p]));
  if (!pieces.size) return [];
  const found = new Map<string, { after: number; copies: number; piece: JobPiece }>();
  plan.sheets.forEach((sheet, at) => {
    const steps = [...plan.steps.entries()].filter(([, step]) => step.sheets.includes(at));
    const walk = (node: PlanNode, path: string): void => {
      const piece = node.holds && typeof node.holds === 'object' ? pieces.get(node.holds.piece) : undefined;
      const left = piece && leftToDo(piece, node);
      if (left?.finish.length) {
        const key = `${left.id} ${left.finish.length}`;
        const before = found.get(key) ?? { after: -1, copies: 0 };
        const last = steps.filter(([, step]) => step.do === 'trim' || frees(step.part, path)).at(-1)?.[0] ?? -1;
        found.set(key, { after: Math.max(before.after, last), copies: before.copies + 1, piece: left });
      }
      node.parts?.forEach((part, i) => walk(part, `${path}.${i}`));
      if (node.opening) walk(node.opening, `${path}.o`);
    };
    walk(sheet.tree, 'r');
  });
  return [...found.values()].map(({ after, piece, copies }) => ({ do: 'finish', after, piece, copies }));
}

/** A piece with what is still to be done to it: its window is open where the plan has cut it out to use it. */
function leftToDo(piece: JobPiece, { opening }: PlanNode): JobPiece {
  if (!opening || !piece.opening) return piece;
  const { x, y, width, height } = piece.opening;
  const opened = (f: Finish): boolean =>
    f.do === 'window' && f.box.x === x && f.box.y === y && f.box.width === width && f.box.height === height;
  return { ...piece, finish: piece.finish.filter((f) => !opened(f)) };
}

/** Whether a step on one part has to do with the part at a path: `r.0.2+` is part 2 of `r.0` with all after it. */
function frees(part: string, path: string): boolean {
  const [, base = part, from] = /^(.*?)(?:\.(\d+)\+)?$/.exec(part) ?? [];
  if (from === undefined) return path === base || path.startsWith(`${base}.`);
  return path.startsWith(`${base}.`) && Number(path.slice(base.length + 1).split('.')[0]) >= Number(from);
}
