import type { Cutter, Job, JobStock, Rectangle } from '../documents/job.ts';
import { cutterHolds, offcutTree, type Holding, type Room, type Tree } from '../sheets/tree.ts';
import { liesInside, roomsInOutline } from './outline.ts';
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
export interface Framing {
  readonly sheets: ReadonlyArray<readonly Frame[]>;
  /** [piece] copies that must be cut from a place where they cannot be */
  readonly unplaced: readonly number[];
}

/** Something on a sheet that no cut may go through. */
interface Obstacle extends Rectangle {
  readonly holds: Holding | null;
}

/** Ways to cut one sheet that are looked at, and of those tried. */
const MOST_FRAMES = 200;
const TRIED = 6;

/** Frames of all sheets that need one. */
export function framesOf(job: Job): Framing {
  const unplaced = job.pieces.map(() => 0);
  const sheets: Frame[][] = [];
  job.stock.forEach((item, s) => {
    const pinned = job.pieces.flatMap((p, k) => (p.from?.stock === item.id ? [k] : []));
    if (!pinned.length && !item.outline && !item.uncut.length) return;
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
      const frames = framesAround(job, s, [...linesOf(item), ...(copies[i] ?? [])], MOST_FRAMES);
      if (frames.length) sheets.push(best(frames));
    }
  });
  return { sheets, unplaced };
}

/** The item's usable rectangle. */
export const usable = (item: JobStock): Rectangle => ({
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
  const room = usable(item);
  const at = { x: piece.from!.x as number, y: piece.from!.y as number, width, height };
  const inside =
    at.x >= room.x &&
    at.y >= room.y &&
    at.x + width <= room.x + room.width &&
    at.y + height <= room.y + room.height &&
    (!item.outline || liesInside(item.outline, at));
  return inside ? { ...at, holds: { piece: k, ...way } } : null;
}

/** The boxes of the lines that must not be cut through. A line along an edge of the paper or of no width is given a tick. */
function linesOf(item: JobStock): Obstacle[] {
  return item.uncut.map(([a, b]) => ({
    x: Math.min(a.x, b.x, item.width - 1),
    y: Math.min(a.y, b.y, item.height - 1),
    width: Math.max(1, Math.abs(a.x - b.x)),
    height: Math.max(1, Math.abs(a.y - b.y)),
    holds: null,
  }));
}

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
  const all = [...pins, ...obstacles.filter((o) => !o.holds && !pins.some((p) => within(o, p)))];
  const trees = item.outline ? roomsInOutline(job, item, all) : around(job.cutter, usable(item), all, limit * 4);
  const frames: Frame[] = [];
  for (const tree of trees) {
    if (frames.length >= limit) break;
    const rooms: Rectangle[] = [];
    const numbered = number(tree, rooms, job.keep);
    if (!cutterHolds(numbered, job.cutter) || (!rooms.length && !pins.length)) continue;
    frames.push({ stock: s, tree: numbered, rooms, pins: pins.map((p) => p.holds!.piece), opens: pins.length > 0 });
  }
  return frames;
}

/** Numbers the rooms; what holds nothing and is no room is an offcut. */
function number(tree: Tree, rooms: Rectangle[], keep: Job['keep']): Tree {
  if (tree.cut) return { ...tree, parts: tree.parts.map((part) => number(part, rooms, keep)) };
  if (tree.holds === null) return offcutTree(tree, keep);
  if (tree.holds === 'waste' || tree.holds === 'keep' || 'piece' in tree.holds) return tree;
  rooms.push({ x: tree.x, y: tree.y, width: tree.width, height: tree.height });
  return { ...tree, holds: { room: rooms.length - 1 } };
}

const leaf = (r: Rectangle, holds: Holding | Room | null): Tree => ({
  ...{ x: r.x, y: r.y, width: r.width, height: r.height },
  ...{ cut: null, parts: [], lost: 0, holds },
});

/** The trees that cut `room` so that each obstacle ends up alone: every edge of an obstacle is a place for a cut. */
function around(
  cutter: Cutter & { kerf: number },
  room: Rectangle,
  obstacles: readonly Obstacle[],
  limit: number,
): Tree[] {
  const { kerf } = cutter;
  if (!obstacles.length) return [leaf(room, { room: 0 })];
  const [only] = obstacles;
  if (obstacles.length === 1 && only!.x === room.x && only!.y === room.y) {
    if (only!.width === room.width && only!.height === room.height) return [leaf(room, only!.holds)];
  }
  // lines alone may stay in an offcut of any size
  const found: Tree[] = obstacles.every((o) => !o.holds) ? [leaf(room, null)] : [];
  for (const cut of ['x', 'y'] as const) {
    const size = cut === 'x' ? 'width' : 'height';
    const end = room[cut] + room[size];
    const edges = new Set(obstacles.flatMap((o) => edgesOf(o, cut, room, cutter)));
    for (const at of edges) {
      // the part from the origin ends at `at`, the other starts beyond the kerf
      const after = at + kerf;
      if (at <= room[cut] || at >= end) continue;
      if (obstacles.some((o) => o[cut] < after && o[cut] + o[size] > at)) continue;
      const first = around(
        cutter,
        { ...room, [size]: at - room[cut] },
        obstacles.filter((o) => o[cut] < at),
        limit,
      );
      const rest: Tree[] | null =
        after >= end
          ? null
          : around(
              cutter,
              { ...room, [cut]: after, [size]: end - after },
              obstacles.filter((o) => o[cut] >= after),
              limit,
            );
      const whole = { ...{ x: room.x, y: room.y, width: room.width, height: room.height }, cut, holds: null };
      for (const a of first) {
        if (!rest) found.push({ ...whole, parts: [a], lost: end - at });
        else for (const b of rest) found.push({ ...whole, parts: [a, b], lost: 0 });
        if (found.length >= limit) return found;
      }
    }
  }
  return found;
}

/** Cuts either side of an obstacle: exactly along a pinned piece, on the mark where only a line is to be missed. */
function edgesOf(o: Obstacle, cut: 'x' | 'y', room: Rectangle, { kerf, step }: Cutter & { kerf: number }): number[] {
  const [before, after] = [o[cut] - kerf, o[cut] + (cut === 'x' ? o.width : o.height)];
  if (o.holds || !step) return [before, after];
  const down = (at: number) => room[cut] + Math.floor((at - room[cut]) / step) * step;
  return [down(before), down(after + step - 1)];
}
