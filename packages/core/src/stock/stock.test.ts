import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import {
  NO_TRIM,
  DEFAULT_HABITS,
  guessFace,
  habitsSchema,
  sortForDrawer,
  paperSchema,
  parseBoxLine,
  parseStockLine,
  sizeOfItem,
  stockItemSchema,
  type StockItem,
} from './index.ts';

const item = (
  id: string,
  width: string,
  height: string,
  kind: StockItem['kind'] = 'scrap',
  unit: StockItem['unit'] = 'in',
): StockItem => ({
  id,
  paper: 'p',
  unit,
  width,
  height,
  quantity: 1,
  kind,
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
});
const look = { pattern: 'dots', ground: '#ffffff', ink: '#000000' };
const face = { side: 'A', name: 'dots', direction: 'none', along: 'height', look };

describe('the drawer', () => {
  test('is looked through scraps first, the largest first', () => {
    const items = [
      item('sheet', '12', '12', 'sheet'),
      item('small', '2', '2'),
      item('metric', '200', '100', 'scrap', 'mm'),
      item('pad', '6', '6', 'pad'),
      item('large', '9', '9'),
    ];
    expect(sortForDrawer(items).map((i) => i.id)).toEqual(['large', 'metric', 'small', 'sheet', 'pad']);
    expect(items[0]!.id).toBe('sheet');
  });
  test('sizes are read in the unit of the item', () => {
    expect(sizeOfItem(item('a', '200', '1 in', 'scrap', 'mm'))).toEqual({
      width: lengthOf('200 mm'),
      height: lengthOf('1'),
    });
  });
});

describe('what the drawer takes', () => {
  test.each<[string, object]>([
    ['12x12 cream cardstock, 4', { kind: 'sheet', quantity: 4, paperWords: 'cream cardstock' }],
    ['8.5 x 11 cream', { kind: 'sheet', quantity: 1, paperWords: 'cream' }],
    ['scrap 8.5 x 11 cream', { kind: 'scrap' }],
    ['8 x 11 cream', { kind: 'scrap' }],
    ['4 x 6 cream x 5', { kind: 'scrap', quantity: 5, paperWords: 'cream' }],
    ['leftover 3 x 5 cream', { kind: 'scrap', quantity: 1, paperWords: 'cream' }],
    ['A4 vellum', { kind: 'sheet', width: '210 mm', height: '297 mm', paperWords: 'vellum' }],
    ['A5 vellum, 10', { kind: 'sheet', width: '148 mm', quantity: 10, paperWords: 'vellum' }],
    ['letter paper cream x3', { kind: 'sheet', quantity: 3 }],
    ['scrap of A4 vellum', { kind: 'scrap', paperWords: 'vellum' }],
    ['5 x 5 route 66', { quantity: 1, paperWords: 'route 66' }],
  ])('as it is said at the table: %s', (line, heard) =>
    expect(parseStockLine(line, [], 'in')).toMatchObject({ ok: true, ...heard }),
  );
  test.each([
    ['Navy', 'plain', '#20315c', 'none'],
    ['Teal stripes', 'stripes', '#2f8a8c', 'two-way'],
    ['Dotty', 'plain', '#fafafa', 'none'],
    ['Grey dots', 'dots', '#8a8a8a', 'none'],
    ['Tuesday', 'plain', '#fafafa', 'none'],
  ] as const)('%s is guessed to look %s', (name, pattern, ground, direction) =>
    expect(guessFace(name)).toMatchObject({ direction, look: { pattern, ground } }),
  );
  test('what is printed on a guessed paper can be seen on it', () => {
    const inkOf = (name: string) => guessFace(name).look?.ink;
    expect([inkOf('White dots'), inkOf('Dots'), inkOf('Navy stripes')]).toEqual(['#8a8a8a', '#8a8a8a', '#fafafa']);
    expect(inkOf('Navy')).toBe(guessFace('Navy').look?.ground);
  });
  test.each<[string, object, string]>([
    ['a size of nothing', { width: '0' }, 'width'],
    ['a size that is none', { height: 'tall' }, 'height'],
    ['half a sheet', { quantity: 0.5 }, 'quantity'],
    ['a turn by an eighth', { turned: 45 }, 'turned'],
    ['a margin below nothing', { trim: { ...NO_TRIM, left: '-1' } }, 'trim.left'],
  ])('not %s', (_, change, path) => {
    const result = stockItemSchema.safeParse({ ...item('a', '4', '6'), ...change });
    expect(result.error?.issues[0]?.path.join('.')).toBe(path);
  });
  test('a paper has one or two faces, each side once', () => {
    const paper = { id: 'p', name: 'Gust', sides: [face] };
    expect(paperSchema.safeParse(paper).success).toBe(true);
    expect(paperSchema.safeParse({ ...paper, sides: [face, face] }).success).toBe(false);
    expect(paperSchema.safeParse({ ...paper, sides: [] }).success).toBe(false);
    expect(paperSchema.safeParse({ ...paper, sides: [{ ...face, look: { ...look, ground: 'red' } }] }).success).toBe(
      false,
    );
    expect(paperSchema.safeParse({ ...paper, name: '   ' }).success).toBe(false);
  });
  test('usual habits are good habits', () => expect(habitsSchema.safeParse(DEFAULT_HABITS).success).toBe(true));
});

describe('a scrap with a corner gone', () => {
  const papers = [{ id: 't', name: 'Teal swell' }];
  test.each<[string, object]>([
    ['scrap 4 x 7 1/2 of teal', { kind: 'scrap', paperWords: 'teal', quantity: 1 }],
    ['a scrap of the teal, 4 x 7 1/2', { kind: 'scrap', paperWords: 'teal' }],
    ['3 pads 6x6 dots 24 sheets', { kind: 'pad', paperWords: 'dots', quantity: 72 }],
    ['pad 6 x 6 dots, 36 sheets left', { kind: 'pad', paperWords: 'dots', quantity: 36 }],
    ['teal scrap L-shaped 6x4 with 2x1 missing', { kind: 'scrap', paperWords: 'teal' }],
    ['teal scrap 6x4, a 2 x 1 gone', { kind: 'scrap', paperWords: 'teal' }],
    ['scarp 3 x 4 teal', { kind: 'scrap', paperWords: 'teal' }],
    ['2 shets 12 x 12 teal', { kind: 'sheet', paperWords: 'teal', quantity: 2 }],
    ['stripe 12 x 12', { kind: 'sheet', paperWords: 'stripe' }],
    ['sheep 12 x 12', { paperWords: 'sheep' }],
  ])('%s, as one says it', (line, all) => {
    const said = parseStockLine(line, [], 'in');
    expect(said).toMatchObject({ ok: true, ...all });
    const odd = /missing|gone/.test(line);
    expect(said.ok && said.outline?.length).toBe(odd ? 6 : undefined);
  });
  test('what stands round a name is a part of it where a paper is called so', () => {
    const papers = [{ id: 'p', name: 'The Scarp' }];
    expect(parseStockLine('3 x 4 the scarp', papers, 'in')).toMatchObject({ paper: papers[0], kind: 'scrap' });
  });
  test('is said in one line, and is an L', () => {
    expect(parseStockLine('scrap 9 x 9 less 5 x 4 1/2 teal', papers, 'in')).toMatchObject({
      ok: true,
      kind: 'scrap',
      width: '9',
      paper: { id: 't' },
      outline: [
        [0, 0],
        ['9', 0],
        ['9', '4 1/2'],
        ['4', '4 1/2'],
        ['4', '9'],
        [0, '9'],
      ],
    });
    expect(parseStockLine('scrap 90 x 90 less 40 x 30 teal', papers, 'mm')).toMatchObject({
      ok: true,
      outline: [
        [0, 0],
        ['90', 0],
        ['90', '60'],
        ['50', '60'],
        ['50', '90'],
        [0, '90'],
      ],
    });
  });
  test('the corner must be smaller than the scrap', () =>
    expect(parseStockLine('scrap 4 x 4 less 4 x 2 teal', papers, 'in')).toMatchObject({
      ok: false,
      problem: { code: 'size-unreadable' },
    }));
});

describe('an odd scrap by its corners', () => {
  const papers = [{ id: 't', name: 'Teal swell' }];
  test.each([
    [
      'scrap corners 0 x 0, 9 x 0, 9 x 4 1/2, 3 x 7 1/2 teal',
      '9 in',
      '7 1/2 in',
      [
        [0, 0],
        ['9', 0],
        ['9', '4 1/2'],
        ['3', '7 1/2'],
      ],
      1,
    ],
    [
      'corners 0x0 9x0 4x6 teal x2',
      '9 in',
      '6 in',
      [
        [0, 0],
        ['9', 0],
        ['4', '6'],
      ],
      2,
    ],
    [
      'corners 2 x 1; 11 x 1; 6 x 7 teal',
      '9 in',
      '6 in',
      [
        [0, 0],
        ['9', 0],
        ['4', '6'],
      ],
      1,
    ],
  ])('%s', (said, width, height, outline, quantity) => {
    expect(parseStockLine(said, papers, 'in')).toMatchObject({
      ok: true,
      kind: 'scrap',
      width,
      height,
      outline,
      quantity,
    });
  });
  test.each([
    ['corners 1 x 1, 2 x 2 teal', 'corners'],
    ['corners 0 x 0, 4 x 4, 4 x 0, 0 x 4 teal', 'corners-cross'],
    ['corners 0 x 0, 4 x 0, 9 x 0 teal', 'corners-cross'],
  ])('%s: %s', (said, code) =>
    expect(parseStockLine(said, papers, 'in')).toMatchObject({ ok: false, problem: { code } }),
  );
  test('a paper may be called so', () =>
    expect(parseStockLine('sheet 12 x 12 corner shop', papers, 'in')).toMatchObject({
      ok: true,
      paperWords: 'corner shop',
    }));
});

describe('a box by two of its corners', () => {
  test.each([
    ['1 x 2 to 4 1/2 x 6', ['1', '2'], ['4 1/2', '6']],
    ['0,0 to 3 , 1/2', [0, 0], ['3', '1/2']],
    ['25.4 mm x 0 to 3 x 4', ['1', 0], ['3', '4']],
  ])('%s', (said, from, to) => expect(parseBoxLine(said, 'in')).toEqual({ ok: true, from, to }));
  test.each(['', '1 x 2', '1 x 2 to 3', '1 to 2 to 3'])('"%s" is none', (said) =>
    expect(parseBoxLine(said, 'in')).toMatchObject({ ok: false, problem: { code: 'box-unreadable' } }),
  );
  test('a number that is none is named', () =>
    expect(parseBoxLine('1 x 2 to 4 x tall', 'in')).toMatchObject({ ok: false }));
});

describe('one line about paper', () => {
  const papers = [
    { id: 'r', name: 'Rust' },
    { id: 'w', name: 'Chalk white' },
  ];
  test.each<[string, object]>([
    ['6 sheets 12 x 12 white', { quantity: 6, kind: 'sheet', paper: { id: 'w' } }],
    ['two scraps 3 x 4 rust', { quantity: 2, kind: 'scrap', paper: { id: 'r' } }],
    ['scrap 5 x 3 rust 3', { quantity: 3, paper: { id: 'r' } }],
    ['scrap 5 x 3 route 66', { quantity: 1, paper: null, paperWords: 'route 66' }],
    ["scrap 12'' x 5 rust", { width: "12''", height: '5' }],
    ['scrap 4⅙ x ⅙ rust', { width: '4 1/6', height: '1/6' }],
  ])('%s', (line, heard) => expect(parseStockLine(line, papers, 'in')).toMatchObject({ ok: true, ...heard }));
  test('in another unit than the usual one, all of it is named', () =>
    expect(parseStockLine('scrap 127 mm x 89 rust', papers, 'in')).toMatchObject({ width: '127 mm', height: '89 mm' }));
  test.each([
    ['scrap -5 x 3 rust', 'length-not-positive'],
    ['scrap 5 x -3 rust', 'length-not-positive'],
    ['scrap 5 x 3 - rust', 'stray'],
    ['rust 3', 'size-unreadable'],
  ])('%s: %s', (line, code) =>
    expect(parseStockLine(line, papers, 'in')).toMatchObject({ ok: false, problem: { code } }),
  );
});
