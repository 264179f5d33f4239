import type { Cutter, Rectangle } from '../documents/job.ts';
import type { HoldingTree, Room, Tree } from '../sheets/tree.ts';

/* What must not be cut through, and the ways to cut round it edge to edge. */

/** Something on a sheet that no cut may go through. */
export interface Obstacle extends Rectangle {
  readonly holds: HoldingTree | null;
}

const leaf = (r: Rectangle, holds: HoldingTree | Room | null): Tree => ({
  x: r.x,
  y: r.y,
  width: r.width,
  height: r.height,
  cut: null,
  parts: [],
  lost: 0,
  holds,
});

/** Rooms looked at before what was found is enough. */
const MAX_ROOMS = 3000;

/** The trees that cut `room` so that each obstacle ends up alone: every edge of an obstacle is a place for a cut. */
export function cutAroundObstacles(
  cutter: Cutter & { kerf: number },
  room: Rectangle,
  obstacles: readonly Obstacle[],
  limit: number,
  work = { left: MAX_ROOMS },
): Tree[] {
  const { kerf } = cutter;
  if (!obstacles.length) return [leaf(room, { room: 0 })];
  const [only] = obstacles;
  if (obstacles.length === 1 && only!.x === room.x && only!.y === room.y) {
    if (only!.width === room.width && only!.height === room.height) return [leaf(room, only!.holds)];
  }
  // lines alone may stay in an offcut of any size
  const found: Tree[] = obstacles.every((o) => !o.holds) ? [leaf(room, null)] : [];
  const cuts = (['x', 'y'] as const).flatMap((cut) => {
    const size = cut === 'x' ? ('width' as const) : ('height' as const);
    const edges = new Set(obstacles.flatMap((o) => edgesOf(o, cut, room, cutter)));
    return [...edges].flatMap((at) => {
      const outside = at <= room[cut] || at >= room[cut] + room[size];
      return outside || obstacles.some((o) => o[cut] < at + kerf && o[cut] + o[size] > at) ? [] : [{ cut, size, at }];
    });
  });
  // every first cut is followed as far as the others, and all of them together no further than the limit
  const each = Math.max(1, Math.floor(limit / Math.max(1, cuts.length)));
  for (const { cut, size, at } of cuts) {
    if (found.length >= limit || work.left-- <= 0) break;
    // the part from the origin ends at `at`, the other starts beyond the kerf
    const after = at + kerf;
    const end = room[cut] + room[size];
    const before = obstacles.filter((o) => o[cut] < at);
    const first = cutAroundObstacles(cutter, { ...room, [size]: at - room[cut] }, before, each, work);
    const beyond = obstacles.filter((o) => o[cut] >= after);
    const rest =
      after >= end
        ? null
        : cutAroundObstacles(cutter, { ...room, [cut]: after, [size]: end - after }, beyond, each, work);
    const whole = { x: room.x, y: room.y, width: room.width, height: room.height, cut, holds: null };
    const ways = rest
      ? first.flatMap((a) => rest.map((b): Tree => ({ ...whole, parts: [a, b], lost: 0 })))
      : first.map((a): Tree => ({ ...whole, parts: [a], lost: end - at }));
    found.push(...ways.slice(0, each));
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
