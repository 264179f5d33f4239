import { describe, expect, test } from '@jest/globals';
import {
  boundsOf,
  circle,
  flattenContour,
  holdsRect,
  isRectangle,
  moveContour,
  polygon,
  rect,
  rectangle,
  shapeOfOutline,
} from './index.ts';

const notched = shapeOfOutline(
  polygon([
    [0, 0],
    [50, 40],
    [100, 0],
    [100, 300],
    [0, 300],
  ]),
);

describe('shapes', () => {
  test('the bounds of straight lines and of arcs', () => {
    expect(boundsOf(notched)).toEqual(rect(0, 0, 100, 300));
    expect(boundsOf(shapeOfOutline(circle(1000, 500, 400)))).toEqual(rect(600, 100, 800, 800));
    expect(boundsOf(moveContour(notched, 7, -3))).toEqual(rect(7, -3, 100, 300));
  });
  test('only an upright rectangle without holes is one', () => {
    expect(isRectangle(rectangle(rect(3, 4, 5, 6)))).toBe(true);
    expect(isRectangle(notched)).toBe(false);
    expect(isRectangle(shapeOfOutline(circle(0, 0, 9)))).toBe(false);
    expect(isRectangle({ ...rectangle(rect(0, 0, 9, 9)), holes: [circle(4, 4, 2)] })).toBe(false);
    expect(
      isRectangle(
        shapeOfOutline(
          polygon([
            [0, 0],
            [9, 1],
            [9, 9],
            [0, 9],
          ]),
        ),
      ),
    ).toBe(false);
  });
  test('chords stray no further from an arc than is allowed', () => {
    for (const tolerance of [1, 20, 400]) {
      const ring = flattenContour(circle(0, 0, 12_000), tolerance);
      ring.forEach(([x, y], i) => {
        const [u, v] = ring[(i + 1) % ring.length]!;
        expect(Math.hypot((x + u) / 2, (y + v) / 2)).toBeGreaterThanOrEqual(12_000 - tolerance - 1);
      });
    }
  });
  test.each<[string, [number, number, number, number], boolean]>([
    ['well inside', [20, 60, 60, 100], true],
    ['the whole upper part, edges touching', [0, 40, 100, 260], true],
    ['over the notch', [30, 10, 40, 100], false],
    ['over an edge', [50, 100, 80, 50], false],
    ['past the top', [10, 250, 20, 60], false],
    ['elsewhere', [500, 500, 10, 10], false],
  ])('a rectangle in a notched strip: %s', (_, [x, y, w, h], inside) => {
    const strip = shapeOfOutline(
      polygon([
        [0, 0],
        [5000, 4000],
        [10_000, 0],
        [10_000, 30_000],
        [0, 30_000],
      ]),
    );
    expect(holdsRect(strip, rect(x * 100, y * 100, w * 100, h * 100))).toBe(inside);
  });
  test('a hole takes what lies over it, and no more', () => {
    const frame = { ...rectangle(rect(0, 0, 9000, 9000)), holes: [rectangle(rect(3000, 3000, 3000, 3000)).outline] };
    expect(holdsRect(frame, rect(0, 0, 9000, 3000))).toBe(true);
    expect(holdsRect(frame, rect(0, 0, 9000, 3500))).toBe(false);
    expect(holdsRect(frame, rect(3500, 3500, 500, 500))).toBe(false);
    expect(holdsRect(frame, rect(1000, 1000, 7000, 7000))).toBe(false);
  });
});
