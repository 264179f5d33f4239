import { describe, expect, test } from '@jest/globals';
import { page as pageOf } from '../../testing/pages.ts';
import { rect, type Rect } from '../geometry/index.ts';
import { inches, ticks } from '../length/index.ts';
import { derivePage, type DerivedPage, type Part, type PieceToCut } from '../page/index.ts';
import { DEFAULT_HABITS } from '../stock/index.ts';
import { findHiddenCentre, findHiddenJoin, findLeastSize } from './hidden.ts';

/* A part of a page, and others that lie on it where each test says. Lengths in inches. */

const box = (x: number, y: number, width: number, height: number): Rect =>
  rect(inches(x), inches(y), inches(width), inches(height));
const part = (id: string, at: Rect, more: Partial<Part> = {}): Part =>
  ({ id, shape: null, opaque: true, ...at, ...more }) as Part;
const LEFT_OUT: Partial<PieceToCut> = {};
function under(at: Rect, over: readonly (Rect | Part)[], more = LEFT_OUT): [DerivedPage, PieceToCut] {
  const tops = over.map((o, i) => ('id' in o ? o : part(`on ${i}`, o)));
  const below = part('below', box(0, 0, 12, 12));
  const page = { ...derivePage(pageOf()), parts: [below, part('it', at), ...tops] };
  return [page, { id: 'it', parts: ['it'], finish: [], width: at.width, height: at.height, ...more } as PieceToCut];
}
const habits = { ...DEFAULT_HABITS, centres: '1/4' };
const centre = (at: Rect, over: readonly (Rect | Part)[], more?: Partial<PieceToCut>) =>
  findHiddenCentre(...under(at, over, more), habits).opening;
const join = (at: Rect, ...over: (Rect | Part)[]) => findHiddenJoin(...under(at, over)).join;
const least = (at: Rect, ...over: (Rect | Part)[]) => findLeastSize(...under(at, over)).least;

describe('a hidden centre', () => {
  const mat = box(1, 2, 6, 8);
  test('lies under what covers it, less the edge to glue it by on every side', () => {
    expect(centre(mat, [box(1.5, 2.75, 5, 7)])).toEqual({ x: '3/4', y: '1', width: '4 1/2', height: '6 1/2' });
    expect(centre(mat, [mat])).toEqual({ x: '1/4', y: '1/4', width: '5 1/2', height: '7 1/2' });
  });
  test('goes to the mark where it begins and in its size', () => {
    const between = box(1.51, 2.51, 5.02, 7.02);
    expect(centre(mat, [between])).toEqual({ x: '3/4', y: '3/4', width: '4 1/2', height: '6 1/2' });
  });
  test('is that of the largest part that lies wholly on it, whichever comes first', () => {
    const [small, large] = [box(2, 3, 2, 2), box(2, 3, 4, 3)];
    for (const over of [
      [small, large],
      [large, small],
    ])
      expect(centre(mat, over)).toMatchObject({ width: '3 1/2', height: '2 1/2' });
    const tall = box(2, 3, 3, 5);
    expect(centre(mat, [large, tall])).toMatchObject({ width: '2 1/2', height: '4 1/2' });
  });
  test.each([
    ['left', box(0.9, 3, 3, 3)],
    ['right', box(5, 3, 2.1, 3)],
    ['below', box(2, 1.9, 3, 3)],
    ['above', box(2, 8, 3, 2.1)],
  ])('not of what sticks out: %s', (_edge, over) => expect(centre(mat, [over])).toBeUndefined());
  test('not where one sees past it, or where so little is left', () => {
    expect(centre(mat, [part('glass', mat, { opaque: false })])).toBeUndefined();
    expect(centre(mat, [box(2, 3, 1, 1)])).toEqual({ x: '1 1/4', y: '1 1/4', width: '1/2', height: '1/2' });
    expect(centre(mat, [box(2, 3, 15 / 16, 3)])).toBeUndefined();
    expect(centre(mat, [box(2, 3, 3, 15 / 16)])).toBeUndefined();
  });
  test('not of several alike, of a patch, of what has a shape, of nothing on the page, or where nobody wants it', () => {
    expect(centre(mat, [mat], { parts: ['it', 'on 0'] })).toBeUndefined();
    expect(centre(mat, [mat], { parts: ['elsewhere'] })).toBeUndefined();
    expect(centre(mat, [mat], { patchOf: { width: ticks(1), height: ticks(1) } as never })).toBeUndefined();
    expect(findHiddenCentre(...under(mat, [mat]), { ...habits, centres: null })).toEqual({});
    expect(findHiddenCentre(...under(mat, [mat]), { ...habits, centres: '12 mm' }).opening).toMatchObject({
      x: '7/16',
    });
    const [page, piece] = under(mat, [mat]);
    const shape = { outline: [], holes: [] } as never;
    const parts = page.parts.map((p) => (p.id === 'it' ? { ...p, shape } : p));
    expect(findHiddenCentre({ ...page, parts }, piece, habits)).toEqual({});
  });
  test('what lies beneath hides nothing', () => expect(centre(box(0, 0, 12, 12), [])).toBeUndefined());
});

describe('a hidden join', () => {
  const band = box(1, 3, 10, 2);
  test('where something lies across it, an eighth from its edges, its overlap half an inch', () =>
    expect(join(band, box(4, 2, 3, 4))).toEqual({ along: 'width', from: '3 1/8', to: '5 3/8', overlap: '1/2' }));
  test('across a piece that stands upright', () =>
    expect(join(box(3, 1, 2, 10), box(2, 4, 4, 3))).toEqual({
      along: 'height',
      from: '3 1/8',
      to: '5 3/8',
      overlap: '1/2',
    }));
  test('from edge to edge, and no less', () => {
    expect(join(band, box(4, 3, 3, 2))).toMatchObject({ from: '3 1/8' });
    expect(join(band, box(4, 3.1, 3, 4))).toBeUndefined();
    expect(join(band, box(4, 2, 3, 2.9))).toBeUndefined();
  });
  test('at a mark where one lies', () =>
    expect(join(band, box(4.01, 2, 2.98, 4))).toMatchObject({ from: '3 3/16', to: '5 5/16' }));
  test('where there is the most room for it', () => {
    const [short, long] = [box(2, 2, 1, 4), box(5, 2, 3, 4)];
    for (const over of [
      [short, long],
      [long, short],
    ])
      expect(join(band, ...over)).toMatchObject({ from: '4 1/8', to: '6 3/8' });
  });
  test('not at an end of it, nor where it has no room', () => {
    expect(join(band, box(0, 2, 4, 4))).toMatchObject({ from: '1/8', to: '2 3/8' });
    expect(join(band, box(4, 2, 3 / 4, 4))).toMatchObject({ from: '3 1/8', to: '3 1/8' });
    expect(join(band, box(4, 2, 11 / 16, 4))).toBeUndefined();
    expect(join(band, part('shaped', box(4, 2, 3, 4), { shape: { outline: [], holes: [] } as never }))).toBeUndefined();
    expect(join(band, box(11, 2, 1, 4))).toBeUndefined();
    expect(findHiddenJoin(...under(band, [box(4, 2, 3, 4)], { parts: [] }))).toEqual({});
  });
  test('in millimetres twelve over, three away', () => {
    const [page, piece] = under(band, [box(4, 2, 3, 4)]);
    const mark = { ...page.mark, unit: 'mm', step: 960 } as DerivedPage['mark'];
    // from 76.2 to 152.4 mm along the band
    expect(findHiddenJoin({ ...page, mark }, piece).join).toEqual({
      along: 'width',
      from: '80',
      to: '137',
      overlap: '12',
    });
  });
});

describe('how small a piece may be made', () => {
  const band = box(1, 3, 10, 2);
  test('where its right or its left end lies under something: a quarter of an inch stays', () => {
    expect(least(band, box(9, 2, 3, 4))).toEqual({ width: '8 1/4', height: '2' });
    expect(least(band, box(0, 2, 3, 4))).toEqual({ width: '8 1/4', height: '2' });
    expect(least(band, box(9, 2, 3, 4), box(0, 2, 3, 4))).toEqual({ width: '6 1/2', height: '2' });
  });
  test('upright too', () => {
    const upright = box(3, 1, 2, 10);
    expect(least(upright, box(2, 9, 4, 3))).toEqual({ width: '2', height: '8 1/4' });
    expect(least(upright, box(2, 0, 4, 3))).toEqual({ width: '2', height: '8 1/4' });
  });
  test('by what hides the most of an end', () =>
    expect(least(band, box(10, 2, 1, 4), box(9, 2, 2, 4))).toEqual({ width: '8 1/4', height: '2' }));
  test('not where its middle is hidden, all of it, or no more than stays tucked under', () => {
    expect(least(band, box(4, 2, 3, 4))).toBeUndefined();
    expect(least(band, box(0, 2, 6, 4), box(6, 2, 6, 4))).toBeUndefined();
    expect(least(band, box(0, 2, 12, 4))).toBeUndefined();
    expect(least(band, box(10.75, 2, 1, 4))).toBeUndefined();
    expect(least(band, box(10.5, 2, 1, 4))).toEqual({ width: '9 3/4', height: '2' });
    expect(findLeastSize(...under(band, [box(9, 2, 3, 4)], { parts: [] }))).toEqual({});
  });
  test('down to a mark, in millimetres six tucked under', () => {
    const [page, piece] = under(band, [box(9, 2, 3, 4)]);
    const mark = { ...page.mark, unit: 'mm', step: 960 } as DerivedPage['mark'];
    // 50.8 mm of it are hidden: 44 whole millimetres less
    expect(findLeastSize({ ...page, mark }, piece).least).toEqual({ width: '210', height: '50.8' });
    expect(least(band, box(10 - 1 / 100, 2, 3, 4))).toEqual({ width: '9 1/4', height: '2' });
  });
});
