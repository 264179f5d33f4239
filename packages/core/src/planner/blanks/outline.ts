import type { Point } from '../../geometry/index.ts';
import type { Job, JobStock, Rectangle } from '../documents/job.ts';
import type { Tree, Holding } from '../sheets/tree.ts';

/*
 * Odd scraps: the usable rectangles in an outline. A grid of lines is laid over it, through its corners and between; which
 * cells lie wholly inside is known exactly; then every way to cut the grid apart edge to edge is weighed by dynamic
 * programming over the rectangles of the grid, a rectangle all inside counting as its area to a power:
 *
 *     +-------+            +-------+
 *     |       |            | room 1|
 *     |       +----+   →   +-------+----+
 *     |            |       |   room 2   |
 *     +------------+       +------------+
 *
 * A power near 1 keeps the most paper, a high one the largest rectangle; others like wide rooms, or high ones.
 */

const LINES = 20;
type Worth = (width: number, height: number) => number;
/** What a room is worth, by its sides as shares of the box. Of each, a whole is worth more than its parts. */
const WORTHS: readonly Worth[] = [
  (w, h) => (w * h) ** 1.1,
  (w, h) => (w * h) ** 2,
  (w, h) => (w * h) ** 1.05 * w,
  (w, h) => (w * h) ** 1.05 * h,
];
/** What a pinned piece counts beside shares of the box, and what a cut costs, so that of ways that give the same the fewest cuts win. */
const PINNED = 1000;
const TIE = 1e-7;

/** Area of a polygon in square ticks, or of the rectangle where there is no outline. */
export function areaOf(item: Pick<JobStock, 'width' | 'height' | 'outline'>): number {
  const { outline } = item;
  if (!outline) return item.width * item.height;
  let twice = 0;
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    twice += p.x * q.y - q.x * p.y;
  });
  return Math.abs(twice) / 2;
}

/** Whether a rectangle lies wholly inside an outline. */
export function liesInside(outline: readonly Point[], r: Rectangle): boolean {
  const [x0, x1, y0, y1] = [r.x, r.x + r.width, r.y, r.y + r.height];
  const [cx, cy] = [(x0 + x1) / 2, (y0 + y1) / 2];
  let inside = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[i]!, outline[j]!];
    if (a.y > cy !== b.y > cy && cx < ((b.x - a.x) * (cy - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    if (passesThrough(a, b, x0, x1, y0, y1)) return false;
  }
  return inside;
}

/** Whether a line goes through the inside of a box: along its border does not count (L.-D. Liang and B. A. Barsky, 1984). */
function passesThrough(a: Point, b: Point, x0: number, x1: number, y0: number, y1: number): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  let [from, to] = [0, 1];
  for (const [step, room] of [
    [-dx, a.x - x0],
    [dx, x1 - a.x],
    [-dy, a.y - y0],
    [dy, y1 - a.y],
  ] as const) {
    if (step === 0) {
      if (room <= 0) return false;
    } else if (step < 0) from = Math.max(from, room / step);
    else to = Math.min(to, room / step);
  }
  return to - from > 1e-9;
}

/** Found once for each outline: ways out of a shortage plan the same scraps again and again. */
const known = new WeakMap<readonly Point[], Map<string, Tree[]>>();

/** Trees over the outline's box whose rooms lie inside the outline; `taken` must stay whole. */
export function roomsInOutline(
  job: Job,
  item: JobStock,
  taken: ReadonlyArray<Rectangle & { readonly holds: Holding | null }>,
): Tree[] {
  const thin = Math.min(...job.pieces.map((p) => Math.min(p.width, p.height)));
  const { kerf, step } = job.cutter;
  const key = JSON.stringify([thin, kerf, step, taken]);
  const trees = known.get(item.outline!) ?? new Map<string, Tree[]>();
  known.set(item.outline!, trees);
  const found = trees.get(key) ?? findRooms(job, item, taken, thin);
  trees.set(key, found);
  return found;
}

function findRooms(
  job: Job,
  item: JobStock,
  taken: ReadonlyArray<Rectangle & { readonly holds: Holding | null }>,
  thin: number,
): Tree[] {
  const outline = item.outline!;
  const { kerf } = job.cutter;
  const step = job.cutter.step ?? 1;
  // where every edge is upright or level, the best rooms end at corners
  const slanted = outline.some((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return p.x !== q.x && p.y !== q.y;
  });
  const xs = gridOf(
    item.width,
    outline.map((p) => p.x),
    taken.flatMap((t) => [t.x - kerf, t.x + t.width]),
    step,
    kerf,
    slanted,
  );
  const ys = gridOf(
    item.height,
    outline.map((p) => p.y),
    taken.flatMap((t) => [t.y - kerf, t.y + t.height]),
    step,
    kerf,
    slanted,
  );
  const [nx, ny] = [xs.length, ys.length];
  // what starts at a line inside the box starts beyond the kerf of the cut there
  const box = (i: number, k: number, j: number, l: number): Rectangle => {
    const [x, y] = [xs[i]! + (i ? kerf : 0), ys[j]! + (j ? kerf : 0)];
    return { x, y, width: xs[k]! - x, height: ys[l]! - y };
  };
  // outside[i][j]: cells not wholly inside, up to column i and row j
  const outside = Array.from({ length: nx }, () => new Int32Array(ny));
  for (let i = 1; i < nx; i++)
    for (let j = 1; j < ny; j++) {
      const cell = { x: xs[i - 1]!, y: ys[j - 1]!, width: xs[i]! - xs[i - 1]!, height: ys[j]! - ys[j - 1]! };
      outside[i]![j] =
        outside[i - 1]![j]! + outside[i]![j - 1]! - outside[i - 1]![j - 1]! + (liesInside(outline, cell) ? 0 : 1);
    }
  const full = (i: number, k: number, j: number, l: number) =>
    outside[k]![l]! - outside[i]![l]! - outside[k]![j]! + outside[i]![j]! === 0;
  const none = (i: number, k: number, j: number, l: number) =>
    outside[k]![l]! - outside[i]![l]! - outside[k]![j]! + outside[i]![j]! === (k - i) * (l - j);
  const meets = (r: Rectangle, t: Rectangle) =>
    r.x < t.x + t.width && t.x < r.x + r.width && r.y < t.y + t.height && t.y < r.y + r.height;
  const crosses = (cut: 'x' | 'y', at: number, r: Rectangle) => {
    const size = cut === 'x' ? 'width' : 'height';
    return taken.some((t) => meets(r, t) && t[cut] < at + kerf && t[cut] + t[size] > at);
  };

  const trees: Tree[] = [];
  for (const worth of WORTHS) {
    const value = new Float64Array(nx * nx * ny * ny).fill(NaN);
    const choice = new Int16Array(nx * nx * ny * ny);
    const at = (i: number, k: number, j: number, l: number) => ((i * nx + k) * ny + j) * ny + l;
    const weigh = (i: number, k: number, j: number, l: number): number => {
      const here = at(i, k, j, l);
      if (!Number.isNaN(value[here]!)) return value[here]!;
      const r = box(i, k, j, l);
      const inside = taken.length ? taken.filter((t) => meets(r, t)) : taken;
      const pin = inside.find((t) => t.holds);
      let [most, how] = [0, 0];
      if (pin && pin.x === r.x && pin.y === r.y && pin.width === r.width && pin.height === r.height) most = PINNED;
      else if (!inside.length && full(i, k, j, l))
        most = Math.min(r.width, r.height) < thin ? 0 : worth(r.width / item.width, r.height / item.height);
      // all inside, it is best left whole, since powers are above 1; all outside, there is nothing in it
      const settled = !inside.length && (full(i, k, j, l) || none(i, k, j, l));
      if (most < PINNED && !settled) {
        for (let m = i + 1; m < k; m++) {
          if (inside.length && crosses('x', xs[m]!, r)) continue;
          const sum = weigh(i, m, j, l) + weigh(m, k, j, l) - TIE;
          if (sum > most) [most, how] = [sum, m];
        }
        for (let m = j + 1; m < l; m++) {
          if (inside.length && crosses('y', ys[m]!, r)) continue;
          const sum = weigh(i, k, j, m) + weigh(i, k, m, l) - TIE;
          if (sum > most) [most, how] = [sum, -m];
        }
      }
      value[here] = most;
      choice[here] = how;
      return most;
    };
    const draw = (i: number, k: number, j: number, l: number): Tree => {
      const r = box(i, k, j, l);
      const how = choice[at(i, k, j, l)]!;
      const odd = full(i, k, j, l) ? {} : { frame: true };
      if (how > 0)
        return { ...r, cut: 'x', parts: [draw(i, how, j, l), draw(how, k, j, l)], lost: 0, holds: null, ...odd };
      if (how < 0)
        return { ...r, cut: 'y', parts: [draw(i, k, j, -how), draw(i, k, -how, l)], lost: 0, holds: null, ...odd };
      const pin = taken.find((t) => t.holds && meets(r, t));
      const isRoom = !taken.some((t) => meets(r, t)) && full(i, k, j, l);
      return {
        ...r,
        cut: null,
        parts: [],
        lost: 0,
        holds: pin ? pin.holds : isRoom ? { room: 0 } : odd.frame ? 'waste' : null,
        ...odd,
      };
    };
    const got = weigh(0, nx - 1, 0, ny - 1);
    const pins = taken.filter((t) => t.holds).length;
    if (got > 0 && got > (pins - 0.5) * PINNED) trees.push(draw(0, nx - 1, 0, ny - 1));
  }
  return trees;
}

/** Lines of the grid along one way: the box's ends, corners on the mark either side, and where it has slanted edges evenly between them. */
function gridOf(
  length: number,
  corners: readonly number[],
  exact: readonly number[],
  step: number,
  kerf: number,
  slanted: boolean,
): number[] {
  const wanted = new Set<number>(exact.filter((v) => v > 0 && v < length));
  const down = (v: number) => Math.floor(v / step) * step;
  const add = (v: number) => {
    if (v <= 0 || v >= length || wanted.size >= LINES - 2) return;
    // two lines nearer than the kerf leave nothing between them
    if (![...wanted].some((w) => Math.abs(w - v) <= kerf)) wanted.add(v);
  };
  const distinct = [...new Set(corners)];
  if (distinct.length <= LINES / 2)
    for (const v of distinct) [down(v), down(v + step - 1) - kerf > v ? v : down(v + step - 1)].forEach(add);
  for (let n = 2; slanted && n <= LINES && wanted.size < LINES - 2; n *= 2)
    for (let i = 1; i < n; i += 2) add(down((length * i) / n));
  return [0, ...[...wanted].sort((a, b) => a - b), length];
}
