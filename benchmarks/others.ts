import { createRequire } from 'node:module';
import type * as Packing from 'maxrects-packer';
import { BestAreaFit, BestLongSideFit, BestShortSideFit, BottomLeft, pack2D } from 'binpackingjs/2d';
import { planJob, readJob, type Plan } from '@temnex/core/planner';
import { classicJob } from '@temnex/core/makers';

// its module for imports has no names that Node can find
const { MaxRectsPacker } = createRequire(import.meta.url)('maxrects-packer') as typeof Packing;

/*
 * General-purpose packing packages on the ten classic classes, under their own rules: they put rectangles into squares, and do
 * not ask whether a trimmer can cut them apart. Pieces keep their way round, as in the planner's measurement.
 */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
type Packer = (side: number, pieces: readonly (readonly [number, number])[]) => Box[][];

/** Whether boxes can be parted by cuts from edge to edge. */
function cuttable(boxes: readonly Box[]): boolean {
  if (boxes.length < 2) return true;
  for (const axis of ['x', 'y'] as const) {
    const size = axis === 'x' ? 'width' : 'height';
    const sorted = [...boxes].sort((a, b) => a[axis] - b[axis]);
    let reach = 0;
    for (const [i, box] of sorted.entries()) {
      if (i && box[axis] >= reach) return cuttable(sorted.slice(0, i)) && cuttable(sorted.slice(i));
      reach = Math.max(reach, box[axis] + box[size]);
    }
  }
  return false;
}

const largestFirst = (pieces: readonly (readonly [number, number])[]) =>
  [...pieces].sort((a, b) => b[0] * b[1] - a[0] * a[1]);
const maxrects =
  (logic: 0 | 1): Packer =>
  (side, pieces) => {
    const packer = new MaxRectsPacker(side, side, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: false,
      logic,
    });
    for (const [width, height] of largestFirst(pieces)) packer.add(width, height, null);
    return packer.bins.map((bin) => bin.rects.map(({ x, y, width, height }) => ({ x, y, width, height })));
  };
const binpacking =
  (Heuristic: new () => BestAreaFit): Packer =>
  (side, pieces) =>
    pack2D({
      bins: pieces.map(() => ({ width: side, height: side })),
      boxes: largestFirst(pieces).map(([width, height]) => ({ width, height, constrainRotation: true })),
      heuristic: new Heuristic(),
    })
      .packedBins.map((bin) => bin.boxes.map(({ x, y, width, height }) => ({ x, y, width, height })))
      .filter((boxes) => boxes.length);
const PACKERS: Record<string, readonly Packer[]> = {
  'maxrects-packer 2.7.4': [maxrects(0), maxrects(1)],
  'binpackingjs 4.1.0': [BestShortSideFit, BestAreaFit, BestLongSideFit, BottomLeft].map((h) => binpacking(h)),
};

/** Sheets of the ten classic classes, 100 instances, by general-purpose packages, and by the planner in as little time as it likes. */
export function* others(): Generator<string> {
  const jobs = Array.from({ length: 10 }, (_, c) =>
    [20, 40, 60, 80, 100].flatMap((n) => [1, 2].map((seed) => classicJob(c + 1, n, seed, 0))),
  ).flat();
  for (const [name, packers] of Object.entries(PACKERS)) {
    let [total, whole, first] = [0, 0, 0];
    const start = performance.now();
    for (const job of jobs) {
      const side = Number(job.stock[0]!.width);
      const pieces = job.pieces.flatMap((p) =>
        Array.from({ length: p.quantity ?? 1 }, () => [Number(p.width), Number(p.height)] as const),
      );
      const packed = packers.map((pack) => pack(side, pieces));
      if (packed.some((bins) => bins.flat().length !== pieces.length)) throw new Error(`${name} lost a piece`);
      const best = packed.reduce((a, b) => (b.length < a.length ? b : a));
      total += best.length;
      first += packed[0]!.length;
      whole += best.filter((boxes) => cuttable(boxes)).length;
    }
    const ms = (performance.now() - start) / jobs.length;
    yield `${name}: ${total} sheets, the best of its ${packers.length} rules each time (${first} by the first of them), ${ms.toFixed(1)} ms an instance; ${Math.round((100 * whole) / total)} % of the sheets could be cut edge to edge`;
  }
  const start = performance.now();
  const plans = jobs.map((job): Plan => {
    const read = readJob(job);
    if (!read.ok) throw new Error('a made job must read');
    return planJob(read.job, { now: () => performance.now() });
  });
  const sheets = plans.reduce((sum, p) => sum + p.totals.newSheets, 0);
  yield `the planner, first constructions alone: ${sheets} sheets, ${((performance.now() - start) / jobs.length).toFixed(1)} ms an instance, steps written; every sheet cut edge to edge`;
}
