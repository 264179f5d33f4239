import { describe, expect, test } from '@jest/globals';
import Clipper from 'clipper-lib';
import { seededRandom } from '../chance/index.ts';
import { inches } from '../length/index.ts';
import { Filler, areaOf, extentOf, shiftRing, turnRing, type Extent, type Filled, type Ring } from './index.ts';

/* What is laid is looked at with a polygon library that knows nothing of rows. */

const IN = inches(1);
const scaled = (ring: readonly (readonly [number, number])[]): Ring => ring.map(([x, y]) => [x * IN, y * IN]);
const round = (corners: number, radius: number, inner = radius): Ring =>
  scaled(
    Array.from({ length: corners }, (_, k) => {
      const r = k % 2 ? inner : radius;
      return [r * Math.cos((2 * Math.PI * k) / corners), r * Math.sin((2 * Math.PI * k) / corners)] as const;
    }),
  );
const hexagon = (flats: number) => round(6, flats / Math.sqrt(3));
const SHAPES: Readonly<Record<string, Ring>> = {
  hexagon: hexagon(1.7),
  circle: round(24, 0.9),
  triangle: scaled([
    [0, 0],
    [2, 0],
    [1, Math.sqrt(3)],
  ]),
  pennant: scaled([
    [0, 2],
    [1, 0],
    [2, 2],
  ]),
  star: round(10, 1.2, 0.5),
  arrow: scaled([
    [0, 0],
    [1.5, 1],
    [3, 0],
    [1.5, 2.5],
  ]),
  rectangle: scaled([
    [0, 0],
    [2.5, 0],
    [2.5, 1],
    [0, 1],
  ]),
};
const sheet = (width: number, height: number): Extent => ({ width: width * IN, height: height * IN });
const laid = (ring: Ring, { places }: Filled) => places.map((p) => shiftRing(turnRing(ring, p.degrees), p.x, p.y));
const pathOf = (ring: Ring) => ring.map(([x, y]) => ({ X: Math.round(x), Y: Math.round(y) }));
/** The area of what two outlines have in common, or of what the first has beyond the second. */
function areaBetween(a: Ring, b: Ring, how: 'ctIntersection' | 'ctDifference'): number {
  const clipper = new Clipper.Clipper();
  clipper.AddPath(pathOf(a), Clipper.PolyType.ptSubject, true);
  clipper.AddPath(pathOf(b), Clipper.PolyType.ptClip, true);
  const found: { X: number; Y: number }[][] = [];
  clipper.Execute(Clipper.ClipType[how], found);
  return Math.abs(found.reduce((sum, path) => sum + Clipper.Clipper.Area(path), 0));
}

/** Square ticks by which any two overlap or one sticks out, as a share of one of them. */
function overlap(rings: readonly Ring[], paper: Ring): number {
  const each = areaOf(rings[0]!);
  let worst = 0;
  rings.forEach((ring, i) => {
    worst = Math.max(worst, areaBetween(ring, paper, 'ctDifference') / each);
    const [x, y] = ring[0]!;
    for (const other of rings.slice(i + 1)) {
      const [px, py] = other[0]!;
      const far = 2 * Math.hypot(extentOf(turnRing(ring, 0)).width, extentOf(turnRing(ring, 0)).height);
      if (Math.hypot(px - x, py - y) > far) continue;
      worst = Math.max(worst, areaBetween(ring, other, 'ctIntersection') / each);
    }
  });
  return worst;
}
const rectangle = ({ width, height }: Extent): Ring => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];
/** Corners go to whole ticks where the areas are taken. */
const NOTHING = 5e-4;
const free = { turning: 'any', apart: 0, most: Infinity } as const;

/** So many of each shape; more in longer runs. The second is laid apart. */
const FILLS = Number(process.env.TEMNEX_FILLS ?? 1);

describe('how many a sheet yields', () => {
  test('hexagons 2 1/4 across flats from 12 × 12: 20 straight, 23 in a honeycomb, 25', () => {
    const filled = new Filler(hexagon(2.25), free).fill(sheet(12, 12));
    expect(filled.places).toHaveLength(25);
    expect(overlap(laid(hexagon(2.25), filled), rectangle(sheet(12, 12)))).toBeLessThan(NOTHING);
  });
  test.each<[string, Ring, Extent, number]>([
    [
      'squares go side by side',
      scaled([
        [0, 0],
        [2, 0],
        [2, 2],
        [0, 2],
      ]),
      sheet(12, 12),
      36,
    ],
    ['circles too', round(64, 1), sheet(12, 12), 36],
    ['circles moved over', round(64, 1), sheet(12, 9), 28],
    ['triangles one up and one down', SHAPES.triangle!, sheet(12, 1.75), 11],
    ['none', hexagon(3), sheet(2, 12), 0],
    ['one that just fits', hexagon(2), sheet(2, 2.3095), 1],
  ])('%s', (_, ring, size, count) => expect(new Filler(ring, free).fill(size).places).toHaveLength(count));
  test.each(Object.keys(SHAPES))('%ss of many sizes lie on the sheet and not over one another', (name) => {
    const random = seededRandom(name.length);
    for (let k = 0; k < FILLS; k++) {
      const ring = scaled(SHAPES[name]!.map(([x, y]) => [(x / IN) * (0.6 + random()), (y / IN) * (0.6 + random())]));
      const size = sheet(4.5 + 3 * random(), 4.5 + 3 * random());
      const turning = (['any', 'half', 'none'] as const)[(k + name.length) % 3]!;
      const apart = k === 1 ? (IN / 8) * random() : 0;
      // of all that is tried the first, so that it takes no minute
      let tried = 0;
      const over = () => (tried += 1) > 6;
      const filled = new Filler(ring, { ...free, turning, apart, over }).fill(size);
      expect(filled.places.length).toBeGreaterThan(0);
      expect([k, filled.how, overlap(laid(ring, filled), rectangle(size)) < NOTHING]).toEqual([k, filled.how, true]);
      if (turning === 'none') expect(filled.places.every((p) => p.degrees === 0)).toBe(true);
      if (turning === 'half') expect(filled.places.every((p) => p.degrees % 180 === 0)).toBe(true);
    }
  });
  test('so far apart at least', () => {
    for (const name of ['hexagon', 'triangle']) {
      const ring = SHAPES[name]!;
      const filled = new Filler(ring, { ...free, apart: IN / 4 }).rowsIn(sheet(8, 7));
      const rings = laid(ring, filled);
      let near = Infinity;
      rings.forEach((a, i) =>
        rings.forEach((b, j) => {
          if (i !== j)
            for (const p of a) near = Math.min(near, ...b.map((q, m) => fromLine(p, q, b[(m + 1) % b.length]!)));
        }),
      );
      expect(near).toBeGreaterThanOrEqual(IN / 4 - 2);
    }
  });
  test('never fewer than a plain lattice, turned and pushed as chance has it', () => {
    const random = seededRandom(20);
    for (const flats of [2.25]) {
      for (const [width, height] of [
        [12, 12],
        [12, 7],
      ] as const) {
        const size = sheet(width, height);
        const ours = new Filler(hexagon(flats), free).fill(size).places.length;
        let most = 0;
        for (let k = 0; k < 300; k++) most = Math.max(most, honeycomb(flats * IN, size, random));
        expect([flats, width, height, ours >= most]).toEqual([flats, width, height, true]);
      }
    }
  });
  test('no more than are wanted, and no longer than there is time', () => {
    const filler = new Filler(hexagon(1), { ...free, most: 7 });
    expect(filler.fill(sheet(12, 12)).places).toHaveLength(7);
    let asked = 0;
    const hurried = new Filler(hexagon(1), { ...free, over: () => (asked += 1) > 3 });
    expect(hurried.fill(sheet(12, 12)).places.length).toBeGreaterThan(140);
    expect(asked).toBeLessThan(8);
  });
});

describe('how many a scrap yields', () => {
  const ELL = scaled([
    [0, 0],
    [10, 0],
    [10, 4],
    [4, 4],
    [4, 9],
    [0, 9],
  ]);
  test.each(['hexagon', 'pennant'])('%ss from a corner that is left', (name) => {
    const filled = new Filler(SHAPES[name]!, free).fillOdd(ELL);
    expect(overlap(laid(SHAPES[name]!, filled), ELL)).toBeLessThan(NOTHING);
    // no fewer than from the larger of its two arms
    const arm = new Filler(SHAPES[name]!, free).rowsIn(sheet(10, 4)).places.length;
    expect(filled.places.length).toBeGreaterThanOrEqual(arm);
  });
  test('a triangle yields fewer than the rectangle round it', () => {
    const scrap = scaled([
      [0, 0],
      [9, 0],
      [0, 9],
    ]);
    const filled = new Filler(hexagon(1.5), free).fillOdd(scrap);
    expect(filled.places.length).toBeGreaterThanOrEqual(10);
    expect(overlap(laid(hexagon(1.5), filled), scrap)).toBeLessThan(NOTHING);
  });
});

function fromLine(
  [x, y]: readonly [number, number],
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
) {
  const [dx, dy] = [bx - ax, by - ay];
  const along = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - ax - along * dx, y - ay - along * dy);
}

/** How many hexagons of an unbroken honeycomb lie on a sheet, turned and pushed somehow. */
function honeycomb(flats: number, { width, height }: Extent, random: () => number): number {
  const turn = random() < 0.3 ? (Math.floor(random() * 12) * Math.PI) / 12 : random() * Math.PI;
  const side = flats / Math.sqrt(3);
  const corners = Array.from({ length: 6 }, (_, k) => [
    side * Math.cos(turn + (k * Math.PI) / 3),
    side * Math.sin(turn + (k * Math.PI) / 3),
  ]);
  const [right, top] = [Math.max(...corners.map(([x]) => x!)), Math.max(...corners.map(([, y]) => y!))];
  const [px, py] = [random() * flats, random() * 2 * flats];
  const reach = Math.ceil(Math.hypot(width, height) / flats) * 2;
  let count = 0;
  for (let i = -reach; i <= reach; i++)
    for (let j = -reach; j <= reach; j++) {
      // neighbours lie as far off as it is across flats, at right angles to them
      const [u, v] = [turn + Math.PI / 6, turn + Math.PI / 2];
      const x = px + flats * (i * Math.cos(u) + j * Math.cos(v));
      const y = py + flats * (i * Math.sin(u) + j * Math.sin(v));
      if (x - right >= 0 && x + right <= width && y - top >= 0 && y + top <= height) count += 1;
    }
  return count;
}
