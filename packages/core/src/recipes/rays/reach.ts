import type { Size } from '../../geometry/index.ts';
import { clipToPage } from '../onPage.ts';
import { degrees, makeRadialStrip, type Corner } from '../radial.ts';

/*
 * How far rays go: a strip about a line from the centre, until no part of it is on the page any more.
 *
 *        ____________ page      at 15° it is the side of the strip that leaves the page last;
 *       |      __--/ |          into a corner its tip
 *       | __--  _-   |
 *       (hub)--      |
 */

/** From which to which angle, in degrees, the page is seen from a point; all round from inside it. */
export function visibleSectorOf({ x, y }: { x: number; y: number }, room: Size): { from: number; range: number } {
  const inside = x > 0 && y > 0 && x < room.width && y < room.height;
  if (inside) return { from: 0, range: 360 };
  const middle = Math.atan2(room.height / 2 - y, room.width / 2 - x);
  const turns = (
    [
      [0, 0],
      [room.width, 0],
      [0, room.height],
      [room.width, room.height],
    ] as const
  )
    .filter(([cx, cy]) => cx !== x || cy !== y)
    .map(([cx, cy]) => {
      const turn = Math.atan2(cy - y, cx - x) - middle;
      return Math.atan2(Math.sin(turn), Math.cos(turn));
    });
  const [low, high] = [Math.min(...turns), Math.max(...turns)];
  const inDegrees = (radians: number) => (radians * 180) / Math.PI;
  return { from: inDegrees(middle + low), range: inDegrees(high - low) };
}

export interface RayReach {
  /** From the centre to where it begins, and to where no part of it is on the page any more. */
  readonly from: number;
  readonly to: number;
  /** What of it lies on the page, seen and tucked, in page coordinates. */
  readonly seen: readonly Corner[];
}

/** One ray from a centre: it begins so far out, or where the page does; null where it misses the page. */
export function traceRay(
  centre: { x: number; y: number },
  room: Size,
  { width, angle, begins }: { readonly width: number; readonly angle: number; readonly begins: number },
): RayReach | null {
  const far = 4 * (Math.hypot(room.width, room.height) + Math.hypot(centre.x, centre.y));
  const turn = degrees(angle);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const there = (from: number, to: number): Corner[] =>
    clipToPage(
      makeRadialStrip(width, from, to, turn).map(([px, py]): Corner => [px + centre.x, py + centre.y]),
      room.width,
      room.height,
    ).map(([px, py]): Corner => [px!, py!]);
  const along = ([px, py]: Corner): number => (px - centre.x) * cos + (py - centre.y) * sin;
  const all = there(begins, far);
  if (all.length < 3) return null;
  const from = Math.max(begins, Math.min(...all.map(along)));
  const to = Math.max(...all.map(along));
  return to - from < 1 ? null : { from, to, seen: all };
}

/** The longest strip of a width that lies in a sheet aslant, and how: by the angle of its long side. */
export function findLongestAslant(width: number, sheet: Size): { readonly length: number; readonly angle: number } {
  const at = (angle: number) =>
    Math.min(
      (sheet.width - width * Math.sin(angle)) / Math.cos(angle),
      (sheet.height - width * Math.cos(angle)) / Math.sin(angle),
    );
  // one side of the sheet gives more the steeper it lies, the other less
  let [low, high] = [1e-6, Math.PI / 2 - 1e-6];
  for (let i = 0; i < 60; i++) {
    const angle = (low + high) / 2;
    const first = (sheet.width - width * Math.sin(angle)) / Math.cos(angle);
    const second = (sheet.height - width * Math.cos(angle)) / Math.sin(angle);
    if (first < second) low = angle;
    else high = angle;
  }
  return { length: Math.max(0, at(low)), angle: low };
}
