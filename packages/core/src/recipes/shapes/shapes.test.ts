import { describe, expect, test } from '@jest/globals';
import Clipper from 'clipper-lib';
import { MARKS, formatExactLength, inches, lengthOf, type Ticks } from '../../length/index.ts';
import { boundsOf, flattenContour, type Shape } from '../../geometry/index.ts';
import { areaOf } from '../../lattice/index.ts';
import { fieldKey } from '../fields.ts';
import { recipeOf } from '../registry.ts';
import { setField } from '../typing.ts';
import type { RecipeSolution, LayoutContext } from '../recipe.ts';
import { countServedBy } from './clip.ts';
import { makeFigure } from './figures.ts';
import type { Figure, ShapesInput } from './input.ts';
import { shapes } from './shapes.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const base: ShapesInput = {
  figure: 'hexagon',
  size: { flats: '2 1/4' },
  pointing: 'points-up',
  points: 5,
  columns: 4,
  rows: 3,
  gap: '0',
  all: {},
  lie: 'moved',
  edges: 'whole',
  papers: 1,
};
const solve = (change: Partial<ShapesInput> = {}, of: LayoutContext = table) =>
  shapes.solve({ ...base, ...change }, of);
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const number = (result: RecipeSolution, ...path: string[]) => {
  const { n, d } = solved(result).values.get(fieldKey(path))!;
  return Number(n) / Number(d);
};
const measure = (result: RecipeSolution, name: string) =>
  Math.round((10_000 * number(result, 'size', name)) / inches(1)) / 10_000;
const without = <K extends keyof ShapesInput>(input: ShapesInput, key: K): ShapesInput => {
  const { [key]: _gone, ...others } = input;
  return others as ShapesInput;
};

describe('measures', () => {
  test('a hexagon 2 1/4 across flats has sides of 1.299 and is 2.598 across corners', () => {
    const result = solve();
    expect([measure(result, 'side'), measure(result, 'corners')]).toEqual([1.299, 2.5981]);
    const { blanks } = solved(result).laid;
    // the nearest mark above, so that the outline lies on it
    expect(
      blanks.map((b) => [formatExactLength(b.width, 'in'), formatExactLength(b.height, 'in'), b.quantity]),
    ).toEqual([['2 1/4', '2 5/8', 12]]);
  });
  test.each<[Figure, ShapesInput['size'], string, number]>([
    ['hexagon', { side: '1' }, 'flats', 1.7321],
    ['hexagon', { corners: '2' }, 'side', 1],
    ['triangle', { side: '2' }, 'height', 1.7321],
    ['triangle', { height: '2' }, 'side', 2.3094],
    ['heart', { width: '2' }, 'height', 1.8284],
    ['heart', { height: '2' }, 'width', 2.1877],
  ])('%s %j: %s', (figure, size, name, is) => expect(measure(solve({ figure, size, lie: 'straight' }), name)).toBe(is));
  test('all of a row says how large they are: five across 12 with gaps of 1/8, every other row moved over', () => {
    const input = { ...base, size: {}, columns: 5, rows: 2, gap: '1/8', all: { length: '12' } };
    const result = shapes.solve(input, table);
    // 5 1/2 flats and 4 1/2 gaps
    expect(number(result, 'size', 'flats') * 5.5 + lengthOf('1/8') * 4.5).toBeCloseTo(inches(12), 3);
    expect(Math.abs(solved(result).laid.size.width - inches(12))).toBeLessThan(5);
  });
  test('typed over, another measure gives way; another figure is about as large', () => {
    const typed = setField(recipeOf('shapes'), base, ['size', 'side'], '1', table) as ShapesInput;
    expect(typed.size).toEqual({ side: '1' });
    const heart = setField(recipeOf('shapes'), base, ['figure'], 'heart', table) as ShapesInput;
    expect([heart.size, heart.figure]).toEqual([{ width: '2 1/4' }, 'heart']);
    const tag = setField(recipeOf('shapes'), base, ['figure'], 'tag', table) as ShapesInput;
    expect(tag.size).toEqual({ width: '2 1/4', height: '2 1/4' });
  });
});

describe('figures', () => {
  const figure = (input: Partial<ShapesInput>, measured: object): Shape =>
    makeFigure({ ...base, ...input }, Object.fromEntries(Object.entries(measured).map(([k, v]) => [k, v * inches(1)])));
  /** Square inches, by the polygon library too. */
  const area = (shape: Shape) => {
    const corners = flattenContour(shape.outline, 1);
    const path = corners.map(([x, y]) => ({ X: Math.round(x), Y: Math.round(y) }));
    expect(Math.abs(Clipper.Clipper.Area(path)) / areaOf(corners)).toBeCloseTo(1, 4);
    return areaOf(corners) / inches(1) ** 2;
  };
  test.each<[string, Partial<ShapesInput>, object, number]>([
    ['a hexagon', {}, { flats: 2, corners: 4 / Math.sqrt(3), side: 2 / Math.sqrt(3) }, 2 * Math.sqrt(3)],
    ['a circle', { figure: 'circle' }, { across: 2 }, Math.PI],
    ['a triangle', { figure: 'triangle' }, { side: 2, height: Math.sqrt(3) }, Math.sqrt(3)],
    ['a pennant', { figure: 'pennant' }, { width: 2, height: 3 }, 3],
    // 2 × 3 less two corners of 1/2
    ['a tag', { figure: 'tag' }, { width: 2, height: 3 }, 5.75],
    // a square of side s and half a circle on two of its sides
    ['a heart', { figure: 'heart' }, { width: 1 + Math.SQRT1_2, height: 1 }, 1 + Math.PI / 4],
    // five tips: 10 × half × R × r × sin 36°
    ['a star', { figure: 'star' }, { across: 2 }, 5 * 0.381966 * Math.sin(Math.PI / 5)],
  ])('%s has the area that it should', (_, input, measured, is) =>
    expect(area(figure(input, measured))).toBeCloseTo(is, 3),
  );
  test('a scalloped circle reaches as far as it is across, and its valleys lie on a circle', () => {
    const shape = figure({ figure: 'scalloped', points: 12 }, { across: 3 });
    const { width, height } = boundsOf(shape);
    expect([Math.abs(width - inches(3)) < 3, Math.abs(height - inches(3)) < 3]).toEqual([true, true]);
    expect(shape.outline.segments).toHaveLength(12);
  });
  test('a tag has its hole; an outline of one’s own is stretched to its size with its holes', () => {
    expect(figure({ figure: 'tag' }, { width: 2, height: 3 }).holes).toHaveLength(1);
    const own = {
      name: 'kite',
      outline: [
        [0, 0],
        [100, 0],
        [50, 200],
      ] as [number, number][],
      holes: [],
    };
    expect(boundsOf(figure({ figure: 'own', own }, { width: 2, height: 4 }))).toMatchObject({
      width: inches(2),
      height: inches(4),
    });
  });
});

describe('rows', () => {
  test('a honeycomb: rows go between one another, as far apart as the gap says, in all directions', () => {
    const gap = lengthOf('1/8');
    const { layers } = solved(solve({ gap: '1/8' })).laid;
    const middle = (i: number) => {
      const { x, y, width, height } = layers[i]!.box;
      return [x + width / 2, y + height / 2] as const;
    };
    const far = (i: number, j: number) => Math.hypot(middle(i)[0] - middle(j)[0], middle(i)[1] - middle(j)[1]);
    const flats = lengthOf('2 1/4');
    // in the row, and to the next row
    for (const other of [1, 4]) expect(Math.abs(far(0, other) - flats - gap)).toBeLessThan(5);
  });
  test('flats up, it is moved over column by column', () => {
    const { laid } = solved(solve({ pointing: 'flats-up', columns: 3, rows: 4 }));
    const [first, second] = laid.layers.filter((l) => l.box.x === 0).slice(0, 2);
    expect(second!.box.y - first!.box.y).toBe(lengthOf('2 1/4'));
  });
  test('triangles one up and one down fill their row', () => {
    const { laid } = solved(
      solve({ figure: 'triangle', size: { side: '2' }, lie: 'alternating', columns: 5, rows: 1 }),
    );
    expect(Math.abs(laid.size.width - inches(6))).toBeLessThan(4);
  });
  test('what stands on its head is all of it, with its hole', () => {
    const tags = { figure: 'tag', size: { width: '2', height: '3' }, lie: 'alternating', columns: 2, rows: 1 } as const;
    const [up, down] = solved(solve(tags)).laid.layers.map((l) => l.shape!);
    expect([up!.holes.length, down!.holes.length]).toEqual([1, 1]);
    const middle = (shape: Shape) => boundsOf({ outline: shape.holes[0]!, holes: [] }).y;
    expect(middle(up!)).toBeGreaterThan(inches(2));
    expect(middle(down!)).toBeLessThan(inches(1));
  });
  test('as many as fit, or so many, the last row shorter', () => {
    const some = (change: Partial<ShapesInput>) => {
      const result = shapes.solve({ ...without(without(base, 'columns'), 'rows'), ...change }, table);
      return ['columns', 'rows', 'number'].map((name) => number(result, name));
    };
    expect(some({ lie: 'straight' })).toEqual([5, 4, 20]);
    expect(some({})).toEqual([4, 5, 20]);
    expect(some({ number: 7 })).toEqual([4, 2, 7]);
    expect(solved(solve({ number: 7 })).laid.layers).toHaveLength(7);
  });
  test('a honeycomb in three papers: none beside its own', () => {
    const { laid, suggestions } = solved(solve({ papers: 3, columns: 4, rows: 4 }));
    expect([laid.blanks.length, suggestions]).toEqual([3, []]);
    expect(laid.blanks.reduce((sum, b) => sum + b.quantity, 0)).toBe(16);
    expect(solved(solve({ papers: 2 })).suggestions).toMatchObject([{ code: 'own', why: 'alike' }]);
  });
  test.each<[string, Partial<ShapesInput>, object]>([
    [
      'too many in a row',
      { columns: 6 },
      { problems: [{ why: 'too-much', path: ['columns'] }], offers: [{ count: 4 }] },
    ],
    ['too many rows', { rows: 7 }, { problems: [{ why: 'too-much', path: ['rows'] }], offers: [{ count: 5 }] }],
    [
      'three that would take a row more',
      { number: 3, rows: undefined, size: { side: '55/16' } },
      { problems: [{ why: 'too-much' }], offers: [{ path: ['number'], count: 2 }] },
    ],
    ['none fits', { size: { flats: '13' }, columns: undefined, rows: undefined }, { problems: [{ why: 'none-fits' }] }],
    ['more than can be laid', { columns: 60, rows: 60, edges: 'free' }, { problems: [{ why: 'too-many' }] }],
    ['nothing said', { size: {} }, { problems: [{ code: 'missing' }] }],
    ['of no size', { size: { flats: '0' } }, { problems: [{ code: 'field', path: ['size', 'flats'] }] }],
    ['no outline yet', { figure: 'own', size: { width: '1' } }, { problems: [{ why: 'no-outline' }] }],
    ['two that disagree', { size: { flats: '2', side: '2' } }, { problems: [{ code: 'disagree' }] }],
  ])('%s', (_, change, expected) => expect(solve(change)).toMatchObject({ status: 'refused', ...expected }));
});

describe('over all of a page', () => {
  test('cut off at its edges: nothing sticks out, nothing of the page is left, and what is cut off serves across', () => {
    const { laid } = solved(solve({ edges: 'cut' }));
    let area = 0;
    for (const { box, shape } of laid.layers) {
      expect(Math.min(box.x, box.y)).toBeGreaterThanOrEqual(0);
      expect(Math.max(box.x + box.width, box.y + box.height)).toBeLessThanOrEqual(inches(12));
      area += areaOf(flattenContour(shape!.outline, 1));
    }
    expect(area / (inches(12) * inches(12))).toBeCloseTo(1, 3);
    const [whole, partial, served, cut] = laid.facts.find((f) => f.name === 'at-edges')!.lengths;
    expect(whole! + partial!).toBe(laid.layers.length);
    expect(cut).toBe(laid.layers.length - served!);
    expect(Number(served)).toBeGreaterThan(0);
    expect(laid.blanks[0]).toMatchObject({ quantity: Number(cut), makes: laid.layers.length });
  });
  test('what one edge loses and the other sees', () => {
    // a half serves a half, a third serves a third but no half
    expect([
      countServedBy([0.5, 0.5], [0.5]),
      countServedBy([0.3], [0.6]),
      countServedBy([0.5], [0.6]),
      countServedBy([], [0.5]),
    ]).toEqual([...[1, 1, 0, 0]]);
  });
  test('too small for that', () =>
    expect(solve({ edges: 'cut', size: { flats: '1/4' } })).toMatchObject({ problems: [{ why: 'too-many' }] }));
});

test('an outline from a file is taken in as large as it is, or as the page has room for', () => {
  const own = (side: Ticks): Parameters<NonNullable<typeof shapes.takesOutline>>[1] => ({
    name: 'kite',
    holes: [],
    outline: [
      [0, 0],
      [side, 0],
      [side, side],
      [0, side],
    ],
  });
  const small = shapes.takesOutline!(base, own(lengthOf('1 1/2')), table);
  expect([small.figure, small.size, small.lie]).toEqual(['own', { width: '1 1/2' }, 'straight']);
  expect(shapes.takesOutline!(base, own(inches(40)), table).size).toEqual({ width: '4' });
  expect(solved(shapes.solve(small, table)).laid.layers).toHaveLength(4);
});
