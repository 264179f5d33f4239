import { isRectangleInside, type Held, type Job, type Plan, type PlanNode } from '../planner/index.ts';
import { TICKS_PER_UNIT } from '../length/index.ts';

/** What there is of a begun sheet after some of a plan's steps: a piece that has come off, or paper to put away. */
export type BegunPart =
  | { readonly sheet: number; readonly piece: Held }
  | { readonly sheet: number; readonly paper: Box; readonly path: string };

/**
 * What the first `steps` of a plan leave of the sheets they touch, in the plan's unit: pieces, kept offcuts, and what is in hand
 * with cuts left. All steps done, sheets that are used whole count as touched.
 */
export function collectPartsAfter(job: Job, plan: Plan, steps: number): BegunPart[] {
  const per = TICKS_PER_UNIT[plan.unit];
  const done = plan.steps.slice(0, steps);
  const ahead = plan.steps.slice(steps);
  const begun = new Set(done.flatMap((s) => s.sheets));
  const pathsOf = (list: Plan['steps'], ...kinds: Plan['steps'][number]['do'][]) =>
    new Set(
      list.flatMap((s) => (s.do !== 'trim' && kinds.includes(s.do) ? s.sheets.map((at) => `${at} ${s.part}`) : [])),
    );
  const open = pathsOf(ahead, 'cut', 'stop');
  const unopened = pathsOf(ahead, 'open');
  const slit = pathsOf(done, 'stop');
  const found: BegunPart[] = [];
  plan.sheets.forEach((sheet, at) => {
    if (ahead.length && !begun.has(at)) return;
    const outline = job.stock.find((s) => s.id === sheet.stock)?.outline;
    const isWhole = (n: Box): boolean =>
      !outline ||
      isRectangleInside(outline, { x: n.x * per, y: n.y * per, width: n.width * per, height: n.height * per });
    // a part that is not all paper, or has slits in it, is not put away as a rectangle: the rectangles in it are
    const putAway = (node: PlanNode, path: string): void => {
      if (isWhole(node) && !slit.has(`${at} ${path}`)) found.push({ sheet: at, paper: node, path });
      else node.parts?.forEach((part, i) => putAway(part, `${path}.${i}`));
    };
    const walk = (node: PlanNode, path: string): void => {
      if (open.has(`${at} ${path}`)) return putAway(node, path);
      if (node.holds === 'keep') found.push({ sheet: at, paper: node, path });
      else if (node.holds && typeof node.holds === 'object') found.push({ sheet: at, piece: node.holds });
      if (node.opening && !unopened.has(`${at} ${path}`)) walk(node.opening, `${path}.o`);
      for (const [i, part] of (node.parts ?? []).entries()) {
        if (i > 0 && open.has(`${at} ${path}.${i}+`)) {
          // what follows the parts already taken off is still in one
          const rest = node.parts!.slice(i);
          const box = restOf(node, i);
          if (isWhole(box)) found.push({ sheet: at, paper: box, path: `${path}.${i}+` });
          else rest.forEach((p, j) => putAway(p, `${path}.${i + j}`));
          return;
        }
        walk(part, `${path}.${i}`);
      }
    };
    walk(sheet.tree, 'r');
  });
  return found;
}

/** Where on the sheet it was, in the plan's unit. */
type Box = Pick<PlanNode, 'x' | 'y' | 'width' | 'height'>;

/** The part of a node from its part `i` on to its end. */
function restOf(node: PlanNode, i: number): Box {
  const { x, y, width, height } = node.parts![i]!;
  return node.cut === 'x'
    ? { x, y, width: node.x + node.width - x, height }
    : { x, y, width, height: node.y + node.height - y };
}
