import { describe, expect, test } from '@jest/globals';
import { inches, ticks } from '../length/index.ts';
import { boundsOf, flattenContour, oval, rect, shapeOfOutline, type Rect } from './index.ts';

const box = (width: number, height: number, x = 0, y = 0): Rect =>
  rect(inches(x), inches(y), inches(width), inches(height));
const outline = (of: Rect) => flattenContour(oval(of), 2);
/** How far a point lies from an outline. */
function away([px, py]: readonly [number, number], ring: readonly (readonly [number, number])[]): number {
  const nearest = ring.map(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const t = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
    return Math.hypot(ax + t * dx - px, ay + t * dy - py);
  });
  return Math.min(...nearest);
}

describe('an oval', () => {
  test.each([
    ['a circle', box(3, 3)],
    ['level', box(6, 4, 1, 2)],
    ['upright', box(4, 6, 2, 1)],
    ['long, with straight sides', box(6, 1.5)],
    ['on half ticks', rect(7, 11, 24385, 48771)],
    ['a circle on half ticks', rect(0, 0, 9999, 9999)],
  ])('%s fills its rectangle and no more', (_name, of) => expect(boundsOf(shapeOfOutline(oval(of)))).toEqual(of));
  test.each([
    [6, 4],
    [4, 6],
    [5, 5],
    [6, 3],
    [8, 1],
  ])('of %d x %d has no corners, and bends one way only', (width, height) => {
    const ring = outline(box(width, height));
    const turns = ring.map(([x, y], i) => {
      const [ax, ay] = ring.at(i - 1)!;
      const [bx, by] = ring[(i + 1) % ring.length]!;
      const turn = Math.atan2(by - y, bx - x) - Math.atan2(y - ay, x - ax);
      return Math.atan2(Math.sin(turn), Math.cos(turn));
    });
    expect(Math.min(...turns)).toBeGreaterThan(-0.01);
    expect(Math.max(...turns)).toBeLessThan(0.15);
    expect(turns.reduce((sum, t) => sum + t, 0)).toBeCloseTo(2 * Math.PI, 6);
  });
  test.each([
    [4, 6, 0.25],
    [3, 3, 0.5],
    [6, 4.5, 1],
  ])('%d x %d lies in the next one with the same reveal of %d everywhere', (width, height, reveal) => {
    const inner = outline(box(width, height, reveal, reveal));
    const ring = outline(box(width + 2 * reveal, height + 2 * reveal));
    const off = inner.map((p) => away(p, ring) - inches(reveal));
    // to a thousandth of an inch: points lie on ticks, and arcs are looked at as chords
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(24);
  });
  test('its points are whole ticks', () => {
    const { start, segments } = oval(rect(ticks(1), ticks(2), ticks(24383), ticks(30001)));
    const points = [start, ...segments.flatMap((s) => ('centre' in s ? [s.to, s.centre] : [s.to]))];
    expect(points.every(({ x, y }) => Number.isInteger(x) && Number.isInteger(y))).toBe(true);
    expect(segments.at(-1)!.to).toEqual(start);
  });
});
