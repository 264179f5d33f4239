import { ticks } from '../../length/index.ts';
import type { Point } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';

/* Holes along outlines: a hole at every sharp corner, between two of them evenly. Roots force floats; each hole is rounded once. */

export type HolePoint = readonly [x: number, y: number];

export interface PrickedHoles {
  readonly at: readonly Point[];
  /** How far apart they are, each side by itself or each stretch that differs. */
  readonly spacings: readonly number[];
  /** All the way along. */
  readonly length: number;
}

/** Corners that turn by more than this are kept: a hole lies on them. */
const SHARP = Math.PI / 7;

const point = ([x, y]: HolePoint): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });

/** Round a rectangle, a hole in every corner, each pair of sides spaced by itself. */
export function prickRoundPanel(width: number, height: number, inset: number, wished: number): PrickedHoles | null {
  const [w, h] = [width - 2 * inset, height - 2 * inset];
  if (w <= 0 || h <= 0) return null;
  const [across, up] = [Math.max(1, Math.round(w / wished)), Math.max(1, Math.round(h / wished))];
  const [dx, dy] = [w / across, h / up];
  const corners: [from: HolePoint, by: HolePoint, n: number][] = [
    [[inset, inset], [dx, 0], across],
    [[inset + w, inset], [0, dy], up],
    [[inset + w, inset + h], [-dx, 0], across],
    [[inset, inset + h], [0, -dy], up],
  ];
  const at = corners.flatMap(([[x, y], [bx, by], n]) =>
    Array.from({ length: n }, (_, i) => point([x + i * bx, y + i * by])),
  );
  return { at, spacings: [dx, dy], length: 2 * (w + h) };
}

/** Whether an outline runs counter-clockwise. */
const isLeft = (ring: readonly HolePoint[]): boolean => signed(ring) > 0;
const signed = (ring: readonly HolePoint[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!;
    return sum + x * ny - nx * y;
  }, 0) / 2;

/**
 * An outline moved inward by so much: every side by itself, neighbours meeting again. What turns out crossed or inside out (a narrow
 * place, sides that the inset swallows) is left out.
 */
export function insetOutline(ring: readonly HolePoint[], by: number): HolePoint[] {
  if (by <= 0) return ring.map(([x, y]) => [x, y]);
  const left = isLeft(ring) ? 1 : -1;
  const sides = ring.map((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    const [ux, uy] = [(q[0] - p[0]) / long, (q[1] - p[1]) / long];
    return { ux, uy, px: p[0] - uy * by * left, py: p[1] + ux * by * left };
  });
  const moved = sides.map((b, i): HolePoint => {
    const a = sides[(i + sides.length - 1) % sides.length]!;
    const cross = a.ux * b.uy - a.uy * b.ux;
    if (Math.abs(cross) < 1e-9) return [b.px, b.py];
    const t = ((b.px - a.px) * b.uy - (b.py - a.py) * b.ux) / cross;
    return [a.px + a.ux * t, a.py + a.uy * t];
  });
  const near = ([x, y]: HolePoint): number =>
    Math.min(
      ...ring.map(([px, py], i) => {
        const [qx, qy] = ring[(i + 1) % ring.length]!;
        const [dx, dy] = [qx - px, qy - py];
        const share = Math.max(0, Math.min(1, ((x - px) * dx + (y - py) * dy) / (dx * dx + dy * dy || 1)));
        return Math.hypot(x - px - share * dx, y - py - share * dy);
      }),
    );
  return moved.filter((p) => near(p) > by * 0.98 - 2);
}

/** Holes along a closed outline; null where nothing of it is left. */
export function prickAlongOutline(ring: readonly HolePoint[], wished: number): PrickedHoles | null {
  if (ring.length < 3 || areaOf(ring.map(([x, y]) => [x, y])) < 1) return null;
  const turnAt = (i: number): number => {
    const [a, b, c] = [ring[(i + ring.length - 1) % ring.length]!, ring[i]!, ring[(i + 1) % ring.length]!];
    const turn = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)));
  };
  const sharp = ring.map((_, i) => i).filter((i) => turnAt(i) > SHARP);
  // all round without a corner it begins anywhere
  const starts = sharp.length ? sharp : [0];
  const at: Point[] = [];
  const spacings: number[] = [];
  let length = 0;
  starts.forEach((from, k) => {
    const to = starts[(k + 1) % starts.length]!;
    const steps = (to - from + ring.length) % ring.length || ring.length;
    const stretch = Array.from({ length: steps + 1 }, (_, i) => ring[(from + i) % ring.length]!);
    const ends = stretch.map((_, i) =>
      i ? Math.hypot(stretch[i]![0] - stretch[i - 1]![0], stretch[i]![1] - stretch[i - 1]![1]) : 0,
    );
    const all = ends.reduce((a, b) => a + b, 0);
    const n = Math.max(sharp.length ? 1 : 3, Math.round(all / wished));
    const each = all / n;
    let [i, gone] = [1, 0];
    for (let hole = 0; hole < n; hole++) {
      const far = hole * each;
      while (i < stretch.length - 1 && gone + ends[i]! < far) gone += ends[i++]!;
      const share = ends[i]! > 0 ? (far - gone) / ends[i]! : 0;
      const [a, b] = [stretch[i - 1]!, stretch[i]!];
      at.push(point([a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])]));
    }
    length += all;
    if (!spacings.some((s) => Math.abs(s - each) < 2)) spacings.push(each);
  });
  return { at, spacings, length };
}
