import { describe, expect, test } from '@jest/globals';
import Clipper from 'clipper-lib';
import { seededRandom } from '../../chance/index.ts';
import { MARKS, inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { fieldKey } from '../fields.ts';
import { degrees } from '../radial.ts';
import { recipeOf } from '../registry.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { setField } from '../typing.ts';
import type { RaysInput } from './input.ts';
import { findLongestAslant, traceRay, visibleSectorOf } from './reach.ts';
import { rays } from './rays.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: RaysInput = {
  centre: { at: 'lower-left' },
  hub: { as: 'paper', radius: '3' },
  ray: { width: '3/4', tuck: '1/2' },
  angles: { as: 'typed', list: '15 30 45 60 75' },
  sheet: { width: '12', height: '12' },
  long: { how: 'whole' },
};
const solve = (change: Partial<RaysInput> = {}) => rays.solve({ ...base, ...change }, table);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const fact = (result: RecipeSolution, name: string) => solved(result).laid.facts.find((f) => f.name === name)?.lengths;
const number = (result: RecipeSolution, ...path: string[]) => Number(solved(result).values.get(fieldKey(path))!.n);
const even = (angles: Omit<RaysInput['angles'], 'as'>) => ({ angles: { as: 'even' as const, ...angles } });

describe('lengths', () => {
  test('from a corner, hub 3, tuck 1/2, 3/4 wide, rounded up', () => {
    const result = solve();
    expect(fact(result, 'lengths')).toEqual(
      ['10 1/16', '11 5/8', '14 1/2', '11 5/8', '10 1/16'].map((t) => lengthOf(t)),
    );
    expect(solved(result).suggestions).toMatchObject([
      // 12 √2 less the width is 16.22
      {
        why: 'too-long',
        lengths: [3, lengthOf('14 1/2'), inches(12), lengthOf('16 3/16')],
      },
    ]);
  });

  /** The furthest part of a ray on the page, by the polygon library. */
  function furthest(
    centre: { x: number; y: number },
    angle: number,
    width: number,
    begins: number,
    room: LayoutContext['room'],
  ): number {
    const [cos, sin] = [Math.cos(degrees(angle)), Math.sin(degrees(angle))];
    const at = (along: number, aside: number) => ({
      X: Math.round(centre.x + along * cos - aside * sin),
      Y: Math.round(centre.y + along * sin + aside * cos),
    });
    const far = 4 * inches(40);
    const strip = [at(begins, -width / 2), at(far, -width / 2), at(far, width / 2), at(begins, width / 2)];
    const page = [
      { X: 0, Y: 0 },
      { X: room.width, Y: 0 },
      { X: room.width, Y: room.height },
      { X: 0, Y: room.height },
    ];
    const clip = new Clipper.Clipper();
    clip.AddPath(strip, Clipper.PolyType.ptSubject, true);
    clip.AddPath(page, Clipper.PolyType.ptClip, true);
    const found: { X: number; Y: number }[][] = [];
    clip.Execute(Clipper.ClipType.ctIntersection, found);
    return Math.max(...found.flat().map((p) => (p.X - centre.x) * cos + (p.Y - centre.y) * sin));
  }
  test('reach over every part of the page under them and no further, from anywhere', () => {
    const random = seededRandom(24);
    let reached = 0;
    for (let i = 0; i < 400; i++) {
      const room = {
        width: inches(4 + Math.floor(random() * 8)),
        height: inches(4 + Math.floor(random() * 8)),
        seams: [],
      };
      const centre = { x: (random() * 1.6 - 0.3) * room.width, y: (random() * 1.6 - 0.3) * room.height };
      const { from, range } = visibleSectorOf(centre, room);
      const angle = from + random() * range;
      const width = inches(1) * (0.1 + random());
      const begins = random() * inches(2);
      const reach = traceRay(centre, room, { width, angle, begins });
      if (!reach) continue;
      reached += 1;
      expect(Math.abs(reach.to - furthest(centre, angle, width, begins, room))).toBeLessThan(6);
      expect(reach.from).toBeGreaterThanOrEqual(begins);
    }
    expect(reached).toBeGreaterThan(300);
  });
  test('every other one of another width', () => {
    const { blanks } = solved(solve({ ray: { width: '3/4', other: '1/4', tuck: '1/2' } })).laid;
    expect(blanks.filter((b) => b.role === 'ray').map((b) => b.width)).toEqual(
      ['3/4', '1/4', '3/4', '1/4', '3/4'].map((t) => lengthOf(t)),
    );
  });
});

describe('the centre', () => {
  test.each([
    [{ x: 0, y: 0 }, 0, 90],
    [{ x: 6, y: 0 }, 0, 180],
    [{ x: 12, y: 12 }, -180, 90],
    [{ x: 6, y: 6 }, 0, 360],
    // half as far below the page as it is wide
    [{ x: 6, y: -6 }, 45, 90],
  ])('%j: from %s° over %s°', ({ x, y }, from, range) => {
    const sector = visibleSectorOf({ x: inches(x), y: inches(y) }, table.room);
    expect(sector.range).toBeCloseTo(range, 6);
    expect((((sector.from - from) % 360) + 360) % 360).toBeCloseTo(0, 6);
  });
  test('off the page rays begin where the page does', () => {
    const result = solve({
      centre: { at: 'typed', x: '6', y: '-3' },
      hub: { as: 'none', radius: '0' },
      angles: { as: 'typed', list: '90' },
    });
    expect(fact(result, 'lengths')).toEqual([inches(12)]);
    expect(solved(result).laid.blanks[0]!.finish).toEqual([]);
  });
  test('a place of its own begins in the corner', () => {
    expect(setField(recipeOf('rays'), base, ['centre', 'at'], 'typed', table)).toMatchObject({
      centre: { at: 'typed', x: '0', y: '0' },
    });
  });
});

describe('angles', () => {
  test.each<[RaysInput['centre']['at'], Partial<RaysInput>, number[]]>([
    ['lower-left', even({ count: 5 }), [15, 30, 45, 60, 75]],
    ['lower-left', even({ apart: 15 }), [15, 30, 45, 60, 75]],
    ['bottom', even({ count: 3 }), [45, 90, 135]],
    ['middle', even({ count: 4 }), [0, 90, 180, 270]],
    ['middle', even({ count: 4, turn: 45 }), [45, 135, 225, 315]],
    ['middle', even({ apart: 60 }), [0, 60, 120, 180, 240, 300]],
  ])('from the %s, %j', (at, change, angles) =>
    expect(fact(solve({ centre: { at }, hub: { as: 'paper', radius: '1' }, ...change }), 'angles')).toEqual(
      angles.map((a) => a * 10),
    ),
  );
  test('how many and how far apart say each other', () => {
    const start = { ...base, ...even({ count: 5 }) };
    expect(number(rays.solve(start, table), 'angles', 'apart')).toBe(15);
    const typed = setField(recipeOf('rays'), start, ['angles', 'apart'], 30, table) as RaysInput;
    expect(typed.angles).toEqual({ as: 'even', apart: 30 });
    expect(number(rays.solve(typed, table), 'angles', 'count')).toBe(2);
    expect((setField(recipeOf('rays'), typed, ['angles', 'count'], 8, table) as RaysInput).angles).toEqual({
      as: 'even',
      count: 8,
    });
  });
});

describe('as they lie', () => {
  test('true shapes: what is seen of a ray is what is left of its strip', () => {
    const { layers, blanks } = solved(solve()).laid;
    const area = (corners: readonly (readonly [number, number])[]) =>
      Math.abs(Clipper.Clipper.Area(corners.map(([x, y]) => ({ X: Math.round(x), Y: Math.round(y) }))));
    for (const layer of layers.filter((l) => l.role === 'ray')) {
      const blank = blanks.find((b) => b.key === layer.blank)!;
      const [seen, left] = [layer.shape!, blank.shape!].map((shape) => area(flattenContour(shape.outline, 1)));
      expect(Math.abs(seen! - left!) / seen!).toBeLessThan(1e-3);
      expect(blank.finish).toEqual([{ do: 'flush', edge: 'top' }]);
    }
  });
  test('the hub is as much of a circle as lies on the page', () => {
    const hub = solved(solve()).laid.layers.find((l) => l.role === 'hub')!;
    expect([hub.box.width, hub.box.height]).toEqual([inches(3), inches(3)]);
    const inside = solved(solve({ centre: { at: 'middle' } })).laid.layers.find((l) => l.role === 'hub')!;
    expect(inside.box).toMatchObject({ x: inches(3), width: inches(6) });
    expect(solved(solve({ hub: { as: 'none', radius: '3' } })).laid.layers.some((l) => l.role === 'hub')).toBe(false);
  });
  test('papers in their order', () => {
    const { blanks } = solved(solve({ order: 'ab' })).laid;
    expect(blanks.slice(0, 5).map((b) => b.paperFrom)).toEqual([undefined, undefined, 'ray-1', 'ray-2', 'ray-1']);
  });
});

describe('longer than a sheet', () => {
  test('joined of two, the seam near the hub', () => {
    const { blanks } = solved(solve({ long: { how: 'join', lap: '1/2' } })).laid;
    const parts = blanks.filter((b) => b.key.startsWith('ray-3'));
    expect(parts.map((b) => [b.key, b.height])).toEqual([
      ['ray-3', inches(12)],
      ['ray-3-inner', inches(3)],
    ]);
    expect(fact(solve({ long: { how: 'join', lap: '1/2' } }), 'joined')).toEqual([3, inches(3), lengthOf('1/2')]);
    // of the paper that is chosen for its colour, not of a piece that has its own from another
    const striped = solved(solve({ long: { how: 'join' }, order: 'ab' })).laid.blanks;
    expect(striped.find((b) => b.key === 'ray-3-inner')!.paperFrom).toBe('ray-1');
  });
  test('on the diagonal: a strip of that length lies in the square', () => {
    const { blanks } = solved(solve({ long: { how: 'diagonal' } })).laid;
    const blank = blanks.find((b) => b.key === 'ray-3')!;
    const half = (14.5 + 0.75) * Math.SQRT1_2;
    expect(Math.abs(blank.width / inches(1) - half)).toBeLessThan(1 / 16);
    expect(blank.width).toBeLessThanOrEqual(inches(12));
    expect(blank.finish[0]).toEqual({ do: 'outline', as: 'shape' });
  });
  test.each([
    [0.75, 12, 12, 12 * Math.SQRT2 - 0.75],
    [1, 8.5, 11, null],
    [0.5, 6, 12, null],
  ])('the longest strip %s wide in %s × %s', (width, w, h, is) => {
    const sheet = { width: inches(w), height: inches(h) };
    const { length, angle } = findLongestAslant(inches(1) * width, sheet);
    if (is !== null) expect(length / inches(1)).toBeCloseTo(is, 4);
    // it touches all four edges, and no other angle gives more
    const at = (a: number) =>
      Math.min(
        (sheet.width - inches(1) * width * Math.sin(a)) / Math.cos(a),
        (sheet.height - inches(1) * width * Math.cos(a)) / Math.sin(a),
      );
    for (let a = 0.01; a < Math.PI / 2; a += 0.01) expect(at(a)).toBeLessThanOrEqual(length + 1);
    expect(Math.abs(at(angle) - length)).toBeLessThan(2);
  });
});

test('a tuck that shows at the sides is told', () => {
  const result = solve({ hub: { as: 'paper', radius: '1' }, ray: { width: '1', tuck: '1/16' } });
  const told = solved(result).suggestions.find((s) => s.code === 'own' && s.why === 'tuck-too-short');
  // 1 − √(1 − 1/4)
  expect(told).toMatchObject({ lengths: [Math.ceil(inches(1) - Math.sqrt(0.75) * inches(1))] });
});

test.each<[string, Partial<RaysInput>, object]>([
  [
    'one that misses the page',
    { angles: { as: 'typed', list: '45 200' } },
    { problems: [{ why: 'misses-page', lengths: [2000, inches(3)] }] },
  ],
  ['one under the hub', { hub: { as: 'paper', radius: '18' } }, { problems: [{ why: 'under-hub' }] }],
  [
    'wider than the hub',
    { hub: { as: 'paper', radius: '1/4' } },
    { problems: [{ why: 'wider-than-hub' }], offers: [{ length: lengthOf('3/4') }] },
  ],
  ['the same twice', { angles: { as: 'typed', list: '45 45' } }, { problems: [{ why: 'same-twice' }] }],
  ['too many', even({ apart: 1 }), { problems: [{ why: 'too-many-rays' }] }],
  ['nothing said of how many', even({}), { problems: [{ code: 'missing' }] }],
  [
    'none aslant either',
    { sheet: { width: '6', height: '6' }, long: { how: 'diagonal' } },
    { problems: [{ why: 'too-long-aslant' }] },
  ],
  [
    'joined of two from short sheets',
    { sheet: { width: '6', height: '6' }, long: { how: 'join' } },
    { problems: [{ why: 'lap-too-long' }] },
  ],
])('refused: %s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));
