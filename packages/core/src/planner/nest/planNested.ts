import { areaWithin } from '../../geometry/index.ts';
import { TICKS_PER_UNIT } from '../../length/index.ts';
import { withBlocks } from '../documents/blocks.ts';
import type { Job } from '../documents/job.ts';
import type { JobDocument } from '../documents/jobDocument.ts';
import type { Plan, PlanBlock } from '../documents/plan.ts';
import { readJob } from '../documents/readJob.ts';
import { planAims, planJob, type PlanWatch } from '../planJob.ts';
import { listBlockLayouts } from './blocksFor.ts';

/*
 * A job of which some pieces may be cut in blocks: the ways into blocks are each planned in a hurry, and the best is planned as any other
 * job is.
 */

/** Steps of the search for each way that is tried. */
const STEPS = 30;
/** Of the time there is, what the ways into blocks may take. */
const SHARE = 0.5;

/** The plans of a job that was read, for all aims, in blocks where that is better; the job in blocks is had from `withBlocks`. */
export function planAimsNested(document: JobDocument, job: Job, watch: PlanWatch): Plan[] {
  return nested(document, job, watch, planAims);
}

/** The same, for the aim of the job alone. */
export function planJobNested(document: JobDocument, job: Job, watch: PlanWatch): Plan {
  return nested(document, job, watch, (one, how) => [planJob(one, how)])[0]!;
}

function nested(
  document: JobDocument,
  job: Job,
  watch: PlanWatch,
  plan: (job: Job, watch: PlanWatch) => Plan[],
): Plan[] {
  if (!job.pieces.some((p) => p.nest)) return plan(job, watch);
  const bound = boundOf(job);
  const blocks = bestBlocks(document, job, watch);
  const laid = blocks.length ? inBlocks(document, blocks) : null;
  const inItsBlocks = (one: Plan): Plan => {
    const proved = one.status === 'complete' && one.totals.newSheetArea <= bound.newSheetArea + 1e-9;
    const plain: Plan = { ...one, version: 3, bound: { ...bound, proved } };
    return laid ? { ...plain, blocks: [...blocks] } : plain;
  };
  // an earlier plan has its own blocks, and what it says of them is another job's
  const { better, earlier, ...clock } = watch;
  const told = better ? { better: (write: () => Plan) => better(() => inItsBlocks(write())) } : {};
  const kept = laid || earlier?.blocks?.length ? {} : { earlier: earlier ?? null };
  return plan(laid ?? job, { ...clock, ...told, ...kept }).map(inItsBlocks);
}

function inBlocks(document: JobDocument, blocks: readonly PlanBlock[]): Job | null {
  const laid = withBlocks(document, blocks);
  const read = laid ? readJob(laid) : null;
  return read?.ok ? read.job : null;
}

/** The best of the ways into blocks; none where each by itself is as good. */
function bestBlocks(document: JobDocument, job: Job, watch: PlanWatch): readonly PlanBlock[] {
  const until = watch.now() + 1000 * job.seconds * SHARE;
  const over = () => watch.now() > until || (watch.cancelled?.() ?? false);
  const quick = (one: Job): Plan => planJob({ ...one, seconds: job.seconds * 0.1, nodes: STEPS }, { now: watch.now });
  let best: { blocks: readonly PlanBlock[]; figure: readonly number[] } = {
    blocks: [],
    figure: figureOf(quick(job), job),
  };
  for (const blocks of listBlockLayouts(job, over)) {
    if (over()) break;
    const laid = inBlocks(document, blocks);
    if (!laid) continue;
    const figure = figureOf(quick(laid), laid);
    if (isLess(figure, best.figure)) best = { blocks, figure };
  }
  return best.blocks;
}

/** How good a plan is, the least first: what is missing, new paper, then what its aim asks. */
function figureOf({ missing, totals, aim }: Plan, job: Job): number[] {
  const times = new Map(job.pieces.map((p) => [p.id, p.block?.places.length ?? 1]));
  const short = missing.reduce((sum, m) => sum + m.quantity * (times.get(m.piece) ?? 1), 0);
  const { newSheetArea, cuts, usedArea, keptArea } = totals;
  const wasted = usedArea - keptArea;
  return [short, newSheetArea, ...(aim === 'easiest-cuts' ? [cuts, wasted] : [wasted, cuts])];
}

function isLess(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((value, i) => Math.abs(value - b[i]!) > 1e-9);
  return at >= 0 && a[at]! < b[at]!;
}

/** What no way of laying shapes can better: their area, less all scraps. What is proved of blocks is proved of these blocks only. */
function boundOf(job: Job): Plan['bound'] {
  const per = TICKS_PER_UNIT[job.unit];
  const need = job.pieces.reduce(
    (sum, p) => sum + p.quantity * (p.shape ? areaWithin(p.shape) : p.width * p.height),
    0,
  );
  const open = job.stock.filter((s) => !s.reserved);
  const isNew = (s: Job['stock'][number]) => s.kind === 'sheet' || s.kind === 'pad';
  const area = (s: Job['stock'][number]) => (s.outline ? areaWithin(s.outline) : s.width * s.height);
  const freed = job.pieces.reduce(
    (sum, p) => sum + (p.opening ? p.quantity * p.opening.width * p.opening.height : 0),
    0,
  );
  const lack = need - freed - open.filter((s) => !isNew(s)).reduce((sum, s) => sum + s.quantity * area(s), 0);
  const sizes = new Set(open.filter(isNew).map(area));
  const largest = Math.max(0, ...sizes);
  if (lack <= 0 || !largest) return { newSheetArea: 0, newSheets: 0, proved: false, how: 'nothing-needed' };
  const newSheets = Math.ceil(lack / largest - 1e-9);
  const newArea = sizes.size === 1 ? newSheets * largest : lack;
  return { newSheetArea: newArea / per / per, newSheets, proved: false, how: 'area' };
}
