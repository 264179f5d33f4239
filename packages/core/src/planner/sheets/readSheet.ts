import { TICKS_PER_UNIT } from '../../length/index.ts';
import type { Job } from '../documents/job.ts';
import type { Plan, PlanNode } from '../documents/plan.ts';
import type { CutSheet, Tree } from './tree.ts';

/**
 * A sheet of a plan as the planner holds it, in ticks, for a job that has its stock and its pieces. Null where it has not, in that size
 * or at all, and where a sheet has a place that nothing may be moved on: an odd scrap, a windmill, an opening.
 */
export function readSheetOfPlan(job: Job, plan: Plan, index: number): CutSheet | null {
  const sheet = plan.sheets[index]!;
  const stock = job.stock.findIndex((s) => s.id === sheet.stock);
  if (plan.unit !== job.unit || stock < 0) return null;
  const item = job.stock[stock]!;
  const tree = treeOf(job, sheet.tree);
  const isWhole =
    tree?.width === item.width - item.trim.left - item.trim.right &&
    tree.height === item.height - item.trim.top - item.trim.bottom;
  return isWhole ? { stock, tree } : null;
}

function treeOf(job: Job, node: PlanNode): Tree | null {
  const ticks = (n: number) => Math.round(n * TICKS_PER_UNIT[job.unit]);
  const place = { x: ticks(node.x), y: ticks(node.y), width: ticks(node.width), height: ticks(node.height) };
  const lost = ticks(node.lost ?? 0);
  const { cut, holds } = node;
  if (cut === 'windmill' || node.opening || holds === 'odd') return null;
  if (cut) {
    const parts = (node.parts ?? []).map((part) => treeOf(job, part));
    return parts.every((part) => part !== null) ? { ...place, cut, parts, lost, holds: null } : null;
  }
  const leaf = { ...place, cut, parts: [], lost };
  if (typeof holds !== 'object') return { ...leaf, holds: holds ?? 'waste' };
  const piece = job.pieces.findIndex((p) => p.id === holds.piece);
  const is = job.pieces[piece];
  const [width, height] = holds.turn % 180 ? [is?.height, is?.width] : [is?.width, is?.height];
  if (width !== place.width || height !== place.height) return null;
  return { ...leaf, holds: { piece, turn: holds.turn, side: holds.side } };
}
