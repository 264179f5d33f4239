import { areaWithin, clipPaper, type Point } from '../../geometry/index.ts';
import { ticks } from '../../length/index.ts';
import type { Job, JobStock, Rectangle } from '../documents/job.ts';
import { isRoom, type Tree } from '../sheets/tree.ts';
import { cutAroundObstacles, type Obstacle } from './obstacles.ts';

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
/** 1/64 in: no fence is set nearer to the blade. */
export const SLIVER_TICKS = 381;
/** Ways looked at to cut round what must stay whole in a rectangle that is all paper. */
const SPARING = 3;
const MAX_SPARED = 300;

/** Area of a polygon in square ticks, or of the rectangle where there is no outline. */
export const areaOf = ({ outline, width, height }: Pick<JobStock, 'width' | 'height' | 'outline'>): number =>
  outline ? areaWithin(outline) : width * height;

/** Whether a rectangle lies wholly inside an outline. */
export function isRectangleInside(outline: readonly Point[], r: Rectangle): boolean {
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
export function listRoomsInOutline(job: Job, item: JobStock, taken: readonly Obstacle[]): Tree[] {
  const thin = Math.min(...job.pieces.map((p) => Math.min(p.width, p.height)));
  const { kerf, step } = job.cutter;
  const { left, right, top, bottom } = item.trim;
  const key = JSON.stringify([thin, kerf, step, taken, left, right, top, bottom]);
  const trees = known.get(item.outline!) ?? new Map<string, Tree[]>();
  known.set(item.outline!, trees);
  // looked at from the corner that trimming leaves
  const from = <P extends { readonly x: number; readonly y: number }>(p: P): P => ({
    ...p,
    x: p.x - left,
    y: p.y - bottom,
  });
  const trimmed = {
    ...item,
    width: ticks(item.width - left - right),
    height: ticks(item.height - top - bottom),
    outline: item.outline!.map(from),
  };
  const found =
    trees.get(key) ?? findRooms(job, trimmed, taken.map(from), thin).map((tree) => movedTree(tree, left, bottom));
  trees.set(key, found);
  return found;
}

const movedTree = (tree: Tree, dx: number, dy: number): Tree =>
  dx || dy
    ? { ...tree, x: tree.x + dx, y: tree.y + dy, parts: tree.parts.map((part) => movedTree(part, dx, dy)) }
    : tree;

function findRooms(job: Job, item: JobStock, taken: readonly Obstacle[], thin: number): Tree[] {
  const outline = item.outline!;
  const { kerf } = job.cutter;
  const step = job.cutter.step ?? 1;
  const down = (at: number) => Math.floor(at / step) * step;
  const up = (at: number) => Math.ceil(at / step) * step;
  // where every edge is upright or level, the best rooms end at corners
  const slanted = outline.some((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return p.x !== q.x && p.y !== q.y;
  });
  const xs = gridOf(
    item.width,
    outline.map((p) => p.x),
    taken.flatMap((t) => (t.holds ? [t.x - kerf, t.x + t.width] : [down(t.x - kerf), up(t.x + t.width)])),
    step,
    kerf,
    slanted,
  );
  const ys = gridOf(
    item.height,
    outline.map((p) => p.y),
    taken.flatMap((t) => (t.holds ? [t.y - kerf, t.y + t.height] : [down(t.y - kerf), up(t.y + t.height)])),
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
        outside[i - 1]![j]! +
        outside[i]![j - 1]! -
        outside[i - 1]![j - 1]! +
        (isRectangleInside(outline, cell) ? 0 : 1);
    }
  // where the kerf takes what is not paper, the rest may be
  const full = (i: number, k: number, j: number, l: number) =>
    outside[k]![l]! - outside[i]![l]! - outside[k]![j]! + outside[i]![j]! === 0 ||
    (kerf > 0 && isRectangleInside(outline, box(i, k, j, l)));
  const none = (i: number, k: number, j: number, l: number) =>
    outside[k]![l]! - outside[i]![l]! - outside[k]![j]! + outside[i]![j]! === (k - i) * (l - j);
  const meets = (r: Rectangle, t: Rectangle) =>
    r.x < t.x + t.width && t.x < r.x + r.width && r.y < t.y + t.height && t.y < r.y + r.height;
  const crosses = (cut: 'x' | 'y', at: number, r: Rectangle) => {
    const size = cut === 'x' ? 'width' : 'height';
    return taken.some((t) => meets(r, t) && t[cut] < at + kerf && t[cut] + t[size] > at);
  };

  /** Off the mark, counted from where the paper begins, and not along a pinned piece. */
  const offMark = (cut: 'x' | 'y', at: number, r: Rectangle) =>
    (at - r[cut]) % step !== 0 &&
    !taken.some((t) => t.holds && (at === t[cut] - kerf || at === t[cut] + (cut === 'x' ? t.width : t.height)));
  /** Where kerfs shift the marks: all paper with something in it to spare is cut as any blank is, at marks from its own edges. */
  const shifted = kerf % step !== 0;
  const spared = new Map<string, Tree[]>();
  const sparing = (r: Rectangle, inside: readonly Obstacle[]): Tree[] => {
    const key = `${r.x} ${r.y} ${r.width} ${r.height}`;
    const ways =
      spared.get(key) ?? (spared.size < MAX_SPARED ? cutAroundObstacles(job.cutter, r, inside, SPARING) : []);
    spared.set(key, ways);
    return ways;
  };
  const trees: Tree[] = [];
  for (const worth of WORTHS) {
    const shareWorth = (r: Rectangle) =>
      Math.min(r.width, r.height) < thin ? 0 : worth(r.width / item.width, r.height / item.height);
    const worthOf = (tree: Tree): number =>
      tree.cut
        ? tree.parts.reduce((sum, part) => sum + worthOf(part), 0) - TIE
        : isRoom(tree.holds)
          ? shareWorth(tree)
          : tree.holds
            ? PINNED
            : 0;
    const bestSparing = (r: Rectangle, inside: readonly Obstacle[]) => {
      const ways = sparing(r, inside).map((tree) => ({ tree, worth: worthOf(tree) }));
      return ways.reduce((a, b) => (b.worth > a.worth ? b : a), { tree: leafOf(r), worth: 0 });
    };
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
      const whole = full(i, k, j, l);
      if (shifted && inside.length && whole) return (value[here] = bestSparing(r, inside).worth);
      if (pin && pin.x === r.x && pin.y === r.y && pin.width === r.width && pin.height === r.height) most = PINNED;
      else if (!inside.length && whole) most = shareWorth(r);
      // all inside, it is best left whole, since powers are above 1; all outside, there is nothing in it
      const settled = !inside.length && (whole || none(i, k, j, l));
      if (most < PINNED && !settled) {
        for (let m = i + 1; m < k; m++) {
          if (inside.length && (crosses('x', xs[m]!, r) || (whole && offMark('x', xs[m]!, r)))) continue;
          const sum = weigh(i, m, j, l) + weigh(m, k, j, l) - TIE;
          if (sum > most) [most, how] = [sum, m];
        }
        for (let m = j + 1; m < l; m++) {
          if (inside.length && (crosses('y', ys[m]!, r) || (whole && offMark('y', ys[m]!, r)))) continue;
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
      const inside = taken.filter((t) => meets(r, t));
      if (shifted && inside.length && full(i, k, j, l)) return bestSparing(r, inside).tree;
      const odd = full(i, k, j, l) || (how === 0 && isPaper(outline, r)) ? {} : { frame: true };
      if (how > 0)
        return { ...r, cut: 'x', parts: [draw(i, how, j, l), draw(how, k, j, l)], lost: 0, holds: null, ...odd };
      if (how < 0)
        return { ...r, cut: 'y', parts: [draw(i, k, j, -how), draw(i, k, -how, l)], lost: 0, holds: null, ...odd };
      const pin = inside.find((t) => t.holds);
      const room = !inside.length && full(i, k, j, l) && Math.min(r.width, r.height) >= thin;
      return { ...leafOf(r), holds: pin ? pin.holds : room ? { room: 0 } : odd.frame ? 'waste' : null, ...odd };
    };
    const got = weigh(0, nx - 1, 0, ny - 1);
    const pins = taken.filter((t) => t.holds).length;
    if (got > 0 && got > (pins - 0.5) * PINNED) trees.push(draw(0, nx - 1, 0, ny - 1));
  }
  return trees;
}

const leafOf = (r: Rectangle): Tree => ({ ...r, cut: null, parts: [], lost: 0, holds: null });

/** Whether a rectangle is all paper but for half a tick along its edges: the outline clipped to it fills it. */
function isPaper(outline: readonly Point[], r: Rectangle): boolean {
  return r.width * r.height - areaWithin(clipPaper(outline, r)) <= (r.width + r.height) / 2;
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
    // two lines nearer than the kerf leave nothing between them, or a sliver that nobody can cut
    const apart = kerf + SLIVER_TICKS;
    if (v >= SLIVER_TICKS && length - v >= apart && ![...wanted].some((w) => Math.abs(w - v) < apart)) wanted.add(v);
  };
  const distinct = [...new Set(corners)];
  if (distinct.length <= LINES / 2)
    for (const v of distinct) [down(v), down(v + step - 1) - kerf > v ? v : down(v + step - 1)].forEach(add);
  for (let n = 2; slanted && n <= LINES && wanted.size < LINES - 2; n *= 2)
    for (let i = 1; i < n; i += 2) add(down((length * i) / n));
  return [0, ...[...wanted].sort((a, b) => a - b), length];
}
