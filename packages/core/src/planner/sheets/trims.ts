import type { Job, JobStock } from '../documents/job.ts';
import { canCut } from './tree.ts';

/* Margins come off first, edge by edge: what is left of the sheet is shorter for those that come later. */

export type TrimEdge = 'left' | 'right' | 'bottom' | 'top';
export interface Trim {
  readonly edge: TrimEdge;
  readonly setting: number;
  /** Which cutter: 0 the first. */
  readonly by: number;
}
const EDGES: readonly TrimEdge[] = ['left', 'right', 'bottom', 'top'];

/** The trims of an item in an order in which a cutter can make them, the plain one if it can; null where none of them works. */
export function orderTrims(job: Job, item: JobStock): readonly Trim[] | null {
  const edges = EDGES.filter((e) => item.trim[e] > 0);
  if (edges.some((e) => cutsLine(job, item, e))) return null;
  for (const order of ordersOf(edges)) {
    const trims = inTurn(job, item, order);
    if (trims) return trims;
  }
  return null;
}

const ordersOf = (edges: readonly TrimEdge[]): TrimEdge[][] =>
  edges.length ? edges.flatMap((e) => ordersOf(edges.filter((o) => o !== e)).map((rest) => [e, ...rest])) : [[]];

function inTurn(job: Job, item: JobStock, order: readonly TrimEdge[]): Trim[] | null {
  const cutters = [job.cutter, ...job.cutter.then];
  let [width, height]: [number, number] = [item.width, item.height];
  const trims: Trim[] = [];
  for (const edge of order) {
    const setting = item.trim[edge];
    const upright = edge === 'left' || edge === 'right';
    const [across, rest] = upright ? [height, width - setting] : [width, height - setting];
    const by = cutters.findIndex((c) => canCut(c, across, setting, rest));
    if (by < 0) return null;
    trims.push({ edge, setting, by });
    if (upright) width = rest;
    else height = rest;
  }
  return trims;
}

/** Whether trimming an edge would go through a line that must stay whole, or its kerf take some of it. */
function cutsLine(job: Job, item: JobStock, edge: TrimEdge): boolean {
  const axis = edge === 'left' || edge === 'right' ? 'x' : 'y';
  const low = edge === 'left' || edge === 'bottom';
  const at = low ? item.trim[edge] : (axis === 'x' ? item.width : item.height) - item.trim[edge];
  const [from, to] = low ? [at - job.cutter.kerf, at] : [at, at + job.cutter.kerf];
  return item.uncut.some(([p, q]) => Math.min(p[axis], q[axis]) < to && Math.max(p[axis], q[axis]) > from);
}

/** The job without what cannot be trimmed as it must be: of that there is none to cut. */
export const withTrimmable = (job: Job): Job =>
  job.stock.every((item) => orderTrims(job, item))
    ? job
    : { ...job, stock: job.stock.map((item) => (orderTrims(job, item) ? item : { ...item, quantity: 0 })) };
