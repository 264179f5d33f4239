import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import { derivePage, type PieceToCut, type Wish } from '../page/index.ts';
import { sortForDrawer, NO_TRIM, type Paper, type StockItem } from '../stock/index.ts';
import { layer, page as pageOf, photo } from '../../testing/pages.ts';
import {
  directionAsDrawn,
  layPaper,
  checkPaperReach,
  checkReach,
  takePaperOff,
  nextDirection,
  wishForOtherFace,
  wishWithPaper,
} from './reach.ts';

const look = { pattern: 'plain', ground: '#88aacc', ink: '#ffffff' } as const;
const face = (side: 'A' | 'B', direction: 'none' | 'two-way' | 'one-way' = 'none') =>
  ({ side, name: side, direction, along: 'height', look }) as const;
const sky: Paper = { id: 'sky', name: 'Sky', sides: [face('A', 'one-way'), face('B')] };
const sand: Paper = { id: 'sand', name: 'Sand', sides: [face('A')] };
const item = (id: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: 'sky',
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const size = (width: string, height: string) => ({ width: lengthOf(width), height: lengthOf(height) });
const any = { side: 'A', direction: 'any' } as const;

describe('whether a piece comes out of an item', () => {
  test.each([
    ['as it lies', item('a', '4', '6'), any, { reaches: true, turned: false }],
    ['turned', item('a', '6', '4'), any, { reaches: true, turned: true }],
    [
      'not turned where its pattern must run up',
      item('a', '6', '4'),
      { side: 'A', direction: 'height' },
      { reaches: false, why: 'too-small', short: size('0', '2') },
    ],
    [
      'turned where the pattern runs across',
      item('a', '6', '4'),
      { side: 'A', direction: 'width' },
      { reaches: true, turned: true },
    ],
    [
      'not beyond its margins',
      item('a', '4', '6', { trim: { ...NO_TRIM, left: '1/8', top: '1/4' } }),
      any,
      { reaches: false, why: 'too-small', short: size('1/8', '1/4') },
    ],
    ['not what is held back', item('a', '9', '9', { reserved: true }), any, { reaches: false, why: 'held-back' }],
    [
      'perhaps from an odd scrap',
      item('a', '9', '9', {
        outline: [
          [0, 0],
          ['9', 0],
          [0, '9'],
        ],
      }),
      any,
      { reaches: 'perhaps' },
    ],
    [
      'not from an odd scrap that is too small all the same',
      item('a', '3', '9', {
        outline: [
          [0, 0],
          ['3', 0],
          [0, '9'],
        ],
      }),
      any,
      { reaches: false, why: 'too-small', short: size('1', '0') },
    ],
    [
      'the nearer way counts',
      item('a', '6', '3 7/8'),
      any,
      { reaches: false, why: 'too-small', short: size('0', '1/8') },
    ],
  ] as const)('%s', (_, of, wish, reach) => expect(checkReach(size('4', '6'), wish, sky, of)).toEqual(reach));
  test('not where the face is not there', () =>
    expect(checkReach(size('4', '6'), { side: 'B', direction: 'any' }, sand, item('a', '9', '9'))).toEqual({
      reaches: false,
      why: 'no-such-face',
    }));
});

describe('laying papers', () => {
  const wish: Wish = { papers: ['sky', 'sand'], side: 'B', direction: 'width', from: { stock: 's', x: '1', y: '1' } };
  test('on nothing, on another, beneath', () => {
    const plain = { side: 'A', direction: 'any' };
    const up = { side: 'A', direction: 'height' };
    expect(wishWithPaper(null, sky, 'first')).toEqual({ papers: ['sky'], ...up });
    expect(wishWithPaper(null, sky, 'second')).toEqual({ papers: ['sky'], ...up });
    expect(wishWithPaper(wish, sky, 'first')).toEqual(wish);
    expect(wishWithPaper(wish, sand, 'first')).toEqual({ papers: ['sand'], ...plain });
    expect(wishWithPaper({ ...wish, papers: ['gust', 'sand'] }, sky, 'first')).toEqual({
      papers: ['sky', 'sand'],
      ...up,
    });
    expect(wishWithPaper(wish, sand, 'second')).toEqual(wish);
    expect(wishWithPaper({ ...wish, papers: ['sky'] }, sand, 'second')).toEqual(wish);
    // beneath itself: there is no second choice then
    expect(wishWithPaper(wish, sky, 'second')).toEqual({ ...wish, papers: ['sky'] });
  });
  test('turning over and round goes through all there is', () => {
    const over = [wish, wishForOtherFace(wish, sky), wishForOtherFace(wishForOtherFace(wish, sky), sky)];
    expect(over.map((w) => w.side)).toEqual(['B', 'any', 'A']);
    expect(wishForOtherFace(wish, sand)).toBe(wish);
    const on = [wish, nextDirection(wish), nextDirection(nextDirection(wish))];
    expect(on.map((w) => w.direction)).toEqual(['width', 'any', 'height']);
  });
  test.each([
    ['stripes that run up', face('A', 'two-way'), 'height'],
    ['waves that run across', { ...face('A', 'two-way'), along: 'width' as const }, 'width'],
    ['clouds with an up', face('A', 'one-way'), 'height'],
    ['a plain one', face('A'), 'any'],
  ] as const)('a directed paper is cut the way it is drawn: %s', (_, side, direction) => {
    const paper = { ...sand, sides: [side] };
    expect(directionAsDrawn(paper, 'A')).toBe(direction);
    expect(wishWithPaper(null, paper, 'first').direction).toBe(direction);
  });
  test('a scrap that only reaches with the stripes level does not reach, until the piece may be turned', () => {
    const upright = wishWithPaper(null, sky, 'first');
    expect(checkReach(size('4', '6'), upright, sky, item('a', '6', '4')).reaches).toBe(false);
    const free = nextDirection(nextDirection(upright));
    expect(free.direction).toBe('any');
    expect(checkReach(size('4', '6'), free, sky, item('a', '6', '4')).reaches).toBe(true);
  });
  test('turned over, the other face lies as it is drawn; what may turn still may', () => {
    const both: Paper = { ...sky, sides: [face('A', 'one-way'), { ...face('B', 'two-way'), along: 'width' }] };
    expect(wishForOtherFace(wishWithPaper(null, both, 'first'), both)).toMatchObject({ side: 'B', direction: 'width' });
    expect(wishForOtherFace({ papers: ['sky'], side: 'A', direction: 'any' }, both).direction).toBe('any');
    expect(wishForOtherFace(wishForOtherFace(wishWithPaper(null, sky, 'first'), sky), sky)).toMatchObject({
      direction: 'height',
    });
    expect(wishForOtherFace({ papers: ['sky'], side: 'B', direction: 'any' }, sky)).toMatchObject({
      direction: 'height',
    });
  });
  const page = pageOf(photo('p', ['4', '6'], [layer('one', '1/4'), layer('two', '1/4')]));
  const pieces = (of = page): readonly PieceToCut[] => derivePage(of).pieces;
  test('on several layers at once, and off again', () => {
    const laid = layPaper(page, pieces(), sky, 'first');
    expect(pieces(laid).map((p) => p.wish?.papers)).toEqual([['sky'], ['sky']]);
    const beneath = layPaper(laid, pieces(laid).slice(0, 1), sand, 'second');
    expect(pieces(beneath).map((p) => p.wish?.papers)).toEqual([['sky', 'sand'], ['sky']]);
    expect(pieces(takePaperOff(beneath, pieces(beneath), 'second')).map((p) => p.wish?.papers)).toEqual([
      ['sky'],
      ['sky'],
    ]);
    expect(pieces(takePaperOff(beneath, pieces(beneath), 'first')).map((p) => p.wish)).toEqual([null, null]);
    expect(pieces(takePaperOff(page, pieces(), 'second')).map((p) => p.wish)).toEqual([null, null]);
  });

  describe('what of a paper reaches', () => {
    // 4 1/2 x 6 1/2 and 5 x 7
    const both = pieces();
    const of = (items: StockItem[], some = both) => {
      const found = checkPaperReach(some, sky, sortForDrawer(items));
      return {
        ...found,
        best: found.best?.id ?? null,
        nearest: found.nearest && [found.nearest.item.id, found.nearest.short],
      };
    };
    test('the smallest scrap that does, before a sheet', () =>
      expect(
        of([item('large', '9', '9'), item('small', '5', '7'), item('sheet', '6', '8', { kind: 'sheet' })]),
      ).toEqual({
        reached: 2,
        of: 2,
        best: 'small',
        nearest: null,
        why: null,
      }));
    test('a sheet where no scrap does, the smallest', () =>
      expect(
        of([item('low', '4', '4'), item('s', '12', '12', { kind: 'sheet' }), item('t', '8', '8', { kind: 'pad' })]),
      ).toMatchObject({ reached: 2, best: 't' }));
    test('an odd scrap comes last', () => {
      const odd = item('odd', '5', '7', {
        outline: [
          [0, 0],
          ['5', 0],
          [0, '7'],
        ],
      });
      expect(of([odd, item('s', '12', '12', { kind: 'sheet' })]).best).toBe('s');
      expect(of([odd])).toMatchObject({ reached: 2, best: 'odd' });
    });
    test('for some of them', () =>
      expect(of([item('a', '4 1/2', '6 1/2')])).toMatchObject({ reached: 1, of: 2, best: null, why: null }));
    test('nothing: what comes nearest, and what it lacks', () => {
      const inner = both.find((p) => p.width === lengthOf('4 1/2'));
      const near = of([item('a', '4 3/8', '6 1/2'), item('b', '4', '9')], [inner!]);
      expect(near).toMatchObject({ reached: 0, why: 'too-small', nearest: ['a', size('1/8', '0')] });
      expect(of([item('b', '1', '1')])).toMatchObject({ reached: 0, why: 'too-small', nearest: null });
    });
    test('nothing: none left, all held back, not that face', () => {
      expect(of([]).why).toBe('none-left');
      expect(of([item('a', '12', '12', { reserved: true })]).why).toBe('held-back');
      const wish = { papers: ['sky', 'sand'], side: 'B', direction: 'any' } as const;
      const wished = both.map((p) => ({ ...p, wish: { ...wish, papers: [...wish.papers] } }));
      expect(checkPaperReach(wished, sand, [item('a', '12', '12')], 'second').why).toBe('no-such-face');
      expect(checkPaperReach(wished, sand, [item('a', '12', '12')], 'first').why).toBeNull();
    });
    test('of no layers, nothing is said', () =>
      expect(of([item('a', '1', '1')], [])).toMatchObject({ reached: 0, of: 0, best: null, why: null }));
  });
});
