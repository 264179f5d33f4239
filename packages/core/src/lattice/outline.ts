/*
 * Outlines as corners, in ticks as floats: what is laid out in rows is traced and cut by hand, so that a thousandth of an inch is more
 * than is asked for. Nothing here decides a size that goes to the cutter.
 */

export type Corner = readonly [x: number, y: number];
export type Ring = readonly Corner[];

export interface Extent {
  readonly width: number;
  readonly height: number;
}

/** Turned counter-clockwise by degrees, then moved so that its bounds begin at 0, 0. */
export function turnRing(ring: Ring, degrees: number): Ring {
  const quarters = ((degrees % 360) + 360) % 360;
  const [sin, cos] = SQUARE[quarters] ?? [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  return moveRingToOrigin(ring.map(([x, y]): Corner => [x * cos - y * sin, x * sin + y * cos]));
}
/** Sine and cosine where they are whole. */
const SQUARE: Readonly<Record<number, readonly [number, number]>> = {
  0: [0, 1],
  90: [1, 0],
  180: [0, -1],
  270: [-1, 0],
};

export function moveRingToOrigin(ring: Ring): Ring {
  const [left, bottom] = [Math.min(...ring.map(([x]) => x)), Math.min(...ring.map(([, y]) => y))];
  return ring.map(([x, y]): Corner => [x - left, y - bottom]);
}

export const extentOf = (ring: Ring): Extent => ({
  width: Math.max(...ring.map(([x]) => x)),
  height: Math.max(...ring.map(([, y]) => y)),
});

export const shiftRing = (ring: Ring, dx: number, dy: number): Ring => ring.map(([x, y]): Corner => [x + dx, y + dy]);

/** Area within, in square ticks. */
export const areaOf = (ring: Ring): number =>
  Math.abs(
    ring.reduce((twice, [x, y], i) => {
      const [px, py] = ring[(i + 1) % ring.length]!;
      return twice + x * py - px * y;
    }, 0),
  ) / 2;

/** Whether two outlines are the same, corner by corner in any order, to within so much. */
export const isAlikeRing = (a: Ring, b: Ring, within: number): boolean =>
  a.length === b.length &&
  a.every(([x, y]) => b.some(([px, py]) => Math.abs(px - x) < within && Math.abs(py - y) < within));

/** Whether a ring lies inside another, touching its edge or not. */
export function isRingWithin(ring: Ring, paper: Ring, slack: number): boolean {
  const next = (of: Ring, i: number) => of[(i + 1) % of.length]!;
  return (
    ring.every(([x, y]) => isWithin(paper, x, y, slack)) &&
    // the corners may all lie on the edge of a paper that is not there between them
    ring.every(([x, y], i) => {
      const [px, py] = next(ring, i);
      return isWithin(paper, (x + px) / 2, (y + py) / 2, slack);
    }) &&
    !ring.some((a, i) => paper.some((c, k) => crosses(a, next(ring, i), c, next(paper, k), slack))) &&
    !paper.some(([x, y]) => isWithin(ring, x, y, -slack))
  );
}

/** Whether two rings have more than their rims in common. */
export function isRingOver(a: Ring, b: Ring, slack: number): boolean {
  const reach = (ring: Ring, axis: 0 | 1) => [
    Math.min(...ring.map((p) => p[axis])),
    Math.max(...ring.map((p) => p[axis])),
  ];
  for (const axis of [0, 1] as const) {
    const [[low, high], [from, to]] = [reach(a, axis), reach(b, axis)] as [[number, number], [number, number]];
    if (high - slack <= from || to - slack <= low) return false;
  }
  const next = (of: Ring, i: number) => of[(i + 1) % of.length]!;
  const inside = (of: Ring, other: Ring) =>
    of.some(([x, y], i) => {
      const [px, py] = next(of, i);
      return isWithin(other, x, y, -slack) || isWithin(other, (x + px) / 2, (y + py) / 2, -slack);
    });
  return (
    a.some((p, i) => b.some((q, k) => crosses(p, next(a, i), q, next(b, k), slack))) ||
    inside(a, b) ||
    inside(b, a) ||
    isAlikeRing(a, b, slack)
  );
}

/** Slack below 0: further inside than that. */
function isWithin(ring: Ring, x: number, y: number, slack: number): boolean {
  let inside = false;
  for (let i = 0; i < ring.length; i++) {
    const [ax, ay] = ring[i]!;
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const span = dx * dx + dy * dy;
    const along = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (span || 1)));
    if (Math.hypot(x - ax - along * dx, y - ay - along * dy) <= Math.abs(slack)) return slack >= 0;
    if (ay > y !== by > y && x < ax + ((y - ay) * dx) / dy) inside = !inside;
  }
  return inside;
}

/** Whether two lines cross beyond touching: the ends of each lie on both sides of the other, by more than the slack. */
function crosses(a: Corner, b: Corner, c: Corner, d: Corner, slack: number): boolean {
  const side = ([px, py]: Corner, [qx, qy]: Corner, [x, y]: Corner) => {
    const far = ((qx - px) * (y - py) - (qy - py) * (x - px)) / (Math.hypot(qx - px, qy - py) || 1);
    return Math.abs(far) <= slack ? 0 : Math.sign(far);
  };
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
