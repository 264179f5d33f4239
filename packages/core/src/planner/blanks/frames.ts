import type { Job, JobStock, Rectangle } from '../documents/job.ts';
import { alongOf, canCutTree, countCuts, isHolding, makeOffcutTree, type Tree } from '../sheets/tree.ts';
import { cutAroundObstacles, type Obstacle } from './obstacles.ts';
import { SLIVER_TICKS, isRectangleInside, listRoomsInOutline } from './outline.ts';
import { waysOf } from './turning.ts';

/*
 * A frame is the part of a sheet's cuts that is settled before the search: the cuts that free what must be cut from
 * exactly there, what must stay whole, or the rectangles in an odd scrap. What it leaves are rooms, which the search fills:
 *
 *     +---------+-----------+
 *     |         |  room 2   |
 *     | room 1  +-----+-----+
 *     |         | pin | r 3 |
 *     +---------+-----+-----+
 */

/** One sheet whose first cuts are settled. */
export interface Frame {
  /** Index into the job's stock. */
  readonly stock: number;
  readonly tree: Tree;
  readonly rooms: readonly Rectangle[];
  /** Pieces in the frame. */
  readonly pins: readonly number[];
  /** The sheet is cut even when no room is used. */
  readonly opens: boolean;
}
/** The sheets with frames, each with the ways to cut it that are worth trying, and what could not be given its place. */
export interface FramedSheets {
  readonly sheets: ReadonlyArray<readonly Frame[]>;
  /** [piece] copies that must be cut from a place where they cannot be */
  readonly unplaced: readonly number[];
}

/** Ways to cut one sheet that are looked at, and of those tried. */
const MAX_FRAMES = 60;
const TRIED = 6;
/** Found once for each set of lines: ways out of a shortage plan the same sheets again and again. */
const known = new WeakMap<JobStock['uncut'], Map<string, Tree[]>>();

/** Frames of all sheets that need one; of those that nothing must be cut from exactly there, as many as there is time for. */
export function buildFrames(job: Job, over: () => boolean = () => false): FramedSheets {
  const unplaced = job.pieces.map(() => 0);
  const sheets: Frame[][] = [];
  const pinnedAt = new Map<string, number[]>();
  job.pieces.forEach((p, k) => {
    if (p.from) pinnedAt.set(p.from.stock, [...(pinnedAt.get(p.from.stock) ?? []), k]);
  });
  job.stock.forEach((item, s) => {
    const pinned = pinnedAt.get(item.id) ?? [];
    if (!pinned.length && ((!item.outline && !item.uncut.length) || over())) return;
    const copies: Obstacle[][] = [];
    for (const k of pinned) {
      const piece = job.pieces[k]!;
      for (let n = 0; n < piece.quantity; n++) {
        const obstacle = pinOf(job, k, item);
        const at = obstacle
          ? Array.from({ length: item.quantity }, (_, i) => i).find(
              (i) => framesAround(job, s, [...linesOf(item), ...(copies[i] ?? []), obstacle], 1).length,
            )
          : undefined;
        if (at === undefined) unplaced[k]!++;
        else copies[at] = [...(copies[at] ?? []), obstacle!];
      }
    }
    const plain = item.outline || item.uncut.length ? Math.min(item.quantity, 50) : copies.length;
    for (let i = 0; i < plain; i++) {
      const frames = framesAround(job, s, [...linesOf(item), ...(copies[i] ?? [])], MAX_FRAMES);
      if (frames.length) sheets.push(best(frames));
    }
  });
  return { sheets, unplaced };
}

/** The item's usable rectangle. */
export const usableRectangleOf = (item: JobStock): Rectangle => ({
  x: item.trim.left,
  y: item.trim.bottom,
  width: item.width - item.trim.left - item.trim.right,
  height: item.height - item.trim.top - item.trim.bottom,
});

/** Where a pinned piece lies; null where it may not. Of the ways it may be laid there, the first. */
function pinOf(job: Job, k: number, item: JobStock): Obstacle | null {
  const piece = job.pieces[k]!;
  if (!piece.papers.includes(item.paper.id) || item.reserved) return null;
  const ways = waysOf(piece, item);
  const way = ways.upright ?? ways.flat;
  if (!way) return null;
  const [width, height] = way.turn % 180 ? [piece.height, piece.width] : [piece.width, piece.height];
  const room = usableRectangleOf(item);
  const at = { x: piece.from!.x as number, y: piece.from!.y as number, width, height };
  const inside =
    at.x >= room.x &&
    at.y >= room.y &&
    at.x + width <= room.x + room.width &&
    at.y + height <= room.y + room.height &&
    (!item.outline || isRectangleInside(item.outline, at));
  return inside ? { ...at, holds: { piece: k, ...way } } : null;
}

/** The boxes of the lines that must not be cut through. What is narrower is given a strip that can be cut. */
const linesOf = (item: JobStock): Obstacle[] =>
  item.uncut.map(([a, b]) => {
    const along = (axis: 'x' | 'y', size: number) => {
      const [low, high] = a[axis] < b[axis] ? [a[axis], b[axis]] : [b[axis], a[axis]];
      const from = Math.max(0, Math.min(low, size - LINE));
      return [from, Math.max(LINE, high - from)] as const;
    };
    const [[x, width], [y, height]] = [along('x', item.width), along('y', item.height)];
    return { x, y, width, height, holds: null };
  });
/** 1/16 in. */
const LINE = 1524;

/** The frames that hold by the cutter, the one with the largest rooms first and then those that differ most usefully. */
function best(frames: readonly Frame[]): Frame[] {
  const largeRooms = (power: number) => (f: Frame) =>
    f.rooms.reduce((sum, r) => sum + (r.width * r.height) ** power, 0);
  const longest = (f: Frame) => Math.max(0, ...f.rooms.map((r) => Math.max(r.width, r.height)));
  const chosen: Frame[] = [];
  for (const by of [largeRooms(2), largeRooms(1), longest, largeRooms(1.3)]) {
    const order = [...frames].sort((a, b) => by(b) - by(a));
    for (const frame of order.slice(0, 2)) if (!chosen.includes(frame)) chosen.push(frame);
  }
  return chosen.slice(0, TRIED);
}

/** All ways, up to a limit, to free the obstacles by edge-to-edge cuts. */
function framesAround(job: Job, s: number, obstacles: readonly Obstacle[], limit: number): Frame[] {
  const item = job.stock[s]!;
  // a line inside a pinned piece is cut out with it
  const within = (o: Rectangle, p: Rectangle) =>
    o.x >= p.x && o.y >= p.y && o.x + o.width <= p.x + p.width && o.y + o.height <= p.y + p.height;
  const pins = obstacles.filter((o) => o.holds);
  const room = usableRectangleOf(item);
  const meets = (o: Rectangle) =>
    o.x < room.x + room.width && o.x + o.width > room.x && o.y < room.y + room.height && o.y + o.height > room.y;
  const all = [...pins, ...obstacles.filter((o) => !o.holds && meets(o) && !pins.some((p) => within(o, p)))];
  const trees = item.outline ? listRoomsInOutline(job, item, all) : treesAround(job, item, room, all, limit * 4);
  const frames: Frame[] = [];
  for (const tree of trees) {
    if (frames.length >= limit) break;
    const rooms: Rectangle[] = [];
    const numbered = number(tree, rooms, job.keep);
    if (!canCutTree(numbered, job) || hasSliver(numbered) || (!rooms.length && !pins.length)) continue;
    frames.push({ stock: s, tree: numbered, rooms, pins: pins.map((p) => p.holds!.piece), opens: pins.length > 0 });
  }
  return frames;
}

function treesAround(job: Job, item: JobStock, room: Rectangle, all: readonly Obstacle[], limit: number): Tree[] {
  const trees = known.get(item.uncut) ?? new Map<string, Tree[]>();
  known.set(item.uncut, trees);
  const key = JSON.stringify([room, all, job.cutter.kerf, job.cutter.step, limit]);
  const found = trees.get(key) ?? cutAroundObstacles(job.cutter, room, all, limit);
  trees.set(key, found);
  return found;
}

/** Whether the fence would be set so near to the blade that nobody can cut it; a piece may be as narrow as somebody likes. */
const hasSliver = (tree: Tree): boolean => {
  const { cut, parts } = tree;
  if (cut !== 'x' && cut !== 'y') return false;
  const off = parts.slice(0, countCuts(tree));
  return off.some((part) => alongOf(part, cut) < SLIVER_TICKS && !isHolding(part.holds)) || parts.some(hasSliver);
};

/** Numbers the rooms; what holds nothing and is no room is an offcut. */
function number(tree: Tree, rooms: Rectangle[], keep: Job['keep']): Tree {
  if (tree.cut) return { ...tree, parts: tree.parts.map((part) => number(part, rooms, keep)) };
  if (tree.holds === null) return makeOffcutTree(tree, keep);
  if (tree.holds === 'waste' || tree.holds === 'keep' || 'piece' in tree.holds) return tree;
  rooms.push({ x: tree.x, y: tree.y, width: tree.width, height: tree.height });
  return { ...tree, holds: { room: rooms.length - 1 } };
}
