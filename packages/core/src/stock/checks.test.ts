import { describe, expect, test } from '@jest/globals';
import {
  NO_TRIM,
  DEFAULT_HABITS,
  habitsSchema,
  sortForDrawer,
  paperSchema,
  parseBoxLine,
  parseStockLine,
  stockItemSchema,
  type StockItem,
} from './index.ts';

const sheet = {
  id: 'a',
  paper: 'p',
  unit: 'in',
  width: '4',
  height: '6',
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
} as const satisfies StockItem;

/** Where and why an item is refused: `path code`, or [] where it is taken. */
const faults = (
  change: object,
  schema: typeof stockItemSchema | typeof habitsSchema | typeof paperSchema,
  of: object,
) =>
  (schema.safeParse({ ...of, ...change }).error?.issues ?? []).map((issue) => {
    const problem = (issue as { params?: { problem: { code: string } } }).params?.problem;
    return `${issue.path.join('.')} ${problem?.code ?? issue.code}`;
  });
const inItem = (change: object) => faults(change, stockItemSchema, sheet);

describe('an item is checked as a whole', () => {
  test.each<[string, object, string[]]>([
    ['margins that leave a little', { trim: { ...NO_TRIM, left: '2', right: '1 63/64' } }, []],
    ['margins to the last', { trim: { ...NO_TRIM, left: '2', right: '2' } }, ['trim.left trim-too-wide']],
    ['margins beyond it', { trim: { ...NO_TRIM, top: '5', bottom: '2' } }, ['trim.top trim-too-wide']],
    ['margins from above and below that leave a little', { trim: { ...NO_TRIM, top: '4', bottom: '1 63/64' } }, []],
    ['a margin that is longer than anything', { trim: { ...NO_TRIM, left: '101' } }, ['trim.left length-too-large']],
    ['a width that no ruler shows', { width: '0.001' }, ['width too-small-for-paper']],
    ['a height that no ruler shows', { height: '1/65' }, ['height too-small-for-paper']],
    ['the narrowest that is read off a ruler', { width: '1/64' }, []],
    ['a width longer than anything', { width: '150' }, ['width length-too-large']],
    ['a height longer than anything', { height: '150' }, ['height length-too-large']],
    [
      'a triangle',
      {
        outline: [
          [0, 0],
          ['4', 0],
          [0, '6'],
        ],
      },
      [],
    ],
    [
      'an outline away from the left',
      {
        outline: [
          ['1', 0],
          ['4', 0],
          ['1', '6'],
        ],
      },
      ['outline outline-not-at-corner'],
    ],
    [
      'an outline away from the bottom',
      {
        outline: [
          [0, '1'],
          ['4', '1'],
          [0, '6'],
        ],
      },
      ['outline outline-not-at-corner'],
    ],
    [
      'an outline too narrow',
      {
        outline: [
          [0, 0],
          ['3', 0],
          [0, '6'],
        ],
      },
      ['outline outline-not-its-size'],
    ],
    [
      'an outline too low',
      {
        outline: [
          [0, 0],
          ['4', 0],
          [0, '5'],
        ],
      },
      ['outline outline-not-its-size'],
    ],
    [
      'an outline too wide',
      {
        outline: [
          [0, 0],
          ['5', 0],
          [0, '6'],
        ],
      },
      ['outline outline-not-its-size'],
    ],
    [
      'an outline crossed',
      {
        outline: [
          [0, 0],
          ['4', '6'],
          ['4', 0],
          [0, '6'],
        ],
      },
      ['outline outline-crosses-itself'],
    ],
    [
      'an outline that reads nowhere',
      {
        outline: [
          [0, '101'],
          ['4', 0],
          ['102', '6'],
        ],
      },
      ['outline.0.1 length-too-large', 'outline.2.0 length-too-large'],
    ],
    [
      'two corners',
      {
        outline: [
          [0, 0],
          ['4', '6'],
        ],
      },
      ['outline too_small', 'outline outline-no-area'],
    ],
    [
      'a line across',
      {
        uncut: [
          [
            [0, 0],
            ['4', '6'],
          ],
        ],
      },
      [],
    ],
    [
      'a line out to the right',
      {
        uncut: [
          [
            [0, 0],
            ['5', '6'],
          ],
        ],
      },
      ['uncut.0.1 line-outside'],
    ],
    [
      'a line out above',
      {
        uncut: [
          [
            [0, 0],
            ['1', '1'],
          ],
          [
            ['4', '7'],
            ['4', '6'],
          ],
        ],
      },
      ['uncut.1.0 line-outside'],
    ],
    [
      'a line that reads nowhere',
      {
        uncut: [
          [
            ['101', 0],
            [0, '102'],
          ],
        ],
      },
      ['uncut.0.0.0 length-too-large', 'uncut.0.1.1 length-too-large'],
    ],
    ['ten thousand', { quantity: 10_000 }, []],
    ['more', { quantity: 10_001 }, ['quantity too_big']],
    ['none', { quantity: 0 }, ['quantity too_small']],
    ['no name', { id: '' }, ['id too_small']],
    ['a name of sixty-four', { id: 'x'.repeat(64) }, []],
    ['a longer one', { id: 'x'.repeat(65) }, ['id too_big']],
    ['turned by half', { turned: 180 }, []],
    ['turned by a quarter either way', { turned: 270 }, []],
    ['an origin', { origin: { page: 'p', stock: 's', date: '2026-05-01' } }, []],
    ['half an origin', { origin: { page: 'p' } }, ['origin.stock invalid_type', 'origin.date invalid_type']],
  ])('%s', (_, change, said) => expect(inItem(change)).toEqual(said));
  test('sixty corners are taken, and fifty lines', () => {
    const round = Array.from({ length: 60 }, (_, i) => i).map((i) =>
      i < 58 ? [`${i} mm`, i % 2 ? '1 mm' : 0] : i === 58 ? ['57 mm', '9 mm'] : [0, '9 mm'],
    );
    expect(inItem({ unit: 'mm', width: '57', height: '9', outline: round })).toEqual([]);
    expect(inItem({ outline: [...round, [0, '1']] })).toEqual(['outline too_big']);
    const line = [
      [0, 0],
      ['1', '1'],
    ];
    expect(inItem({ uncut: Array.from({ length: 50 }, () => line) })).toEqual([]);
    expect(inItem({ uncut: Array.from({ length: 51 }, () => line) })).toEqual(['uncut too_big']);
  });
});

describe('papers and habits are checked as a whole', () => {
  const face = {
    side: 'A',
    name: 'dots',
    direction: 'none',
    along: 'height',
    look: { pattern: 'dots', ground: '#ffffff', ink: '#000000' },
  };
  const paper = { id: 'p', name: 'Gust', sides: [face] };
  const inPaper = (change: object) => faults(change, paperSchema, paper);
  test('a side given twice is named', () => {
    expect(inPaper({ sides: [face, face] })).toEqual(['sides.1.side side-twice']);
    const read = paperSchema.safeParse({ ...paper, sides: [face, face] });
    expect(read.error!.issues[0]).toMatchObject({ params: { problem: { code: 'side-twice', side: 'A' } } });
    expect(inPaper({ sides: [face, { ...face, side: 'B' }] })).toEqual([]);
  });
  test.each(['#fffffff', 'x#ffffff', '#fffff', '#ggffff'])('%s is no colour', (ground) =>
    expect(inPaper({ sides: [{ ...face, look: { ...face.look, ground } }] })).toEqual([
      'sides.0.look.ground invalid_format',
    ]),
  );
  test.each<[string, object, string[]]>([
    ['no limit of reach', { cutter: { ...DEFAULT_HABITS.cutter, reach: null } }, []],
    [
      'a reach beyond anything',
      { cutter: { ...DEFAULT_HABITS.cutter, reach: '101' } },
      ['cutter.reach length-too-large'],
    ],
    [
      'a hold beyond anything',
      { cutter: { ...DEFAULT_HABITS.cutter, narrowest: '101' } },
      ['cutter.narrowest length-too-large'],
    ],
    ['a loss beyond anything', { cutter: { ...DEFAULT_HABITS.cutter, kerf: '101' } }, ['cutter.kerf length-too-large']],
    ['cuts short', { cutter: { ...DEFAULT_HABITS.cutter, long: '-1/16' } }, []],
    ['cuts beyond anything', { cutter: { ...DEFAULT_HABITS.cutter, long: '101' } }, ['cutter.long length-too-large']],
    ['a stack of none', { cutter: { ...DEFAULT_HABITS.cutter, stack: 0 } }, ['cutter.stack too_small']],
    ['a stack of twenty', { cutter: { ...DEFAULT_HABITS.cutter, stack: 20 } }, []],
    ['a stack of more', { cutter: { ...DEFAULT_HABITS.cutter, stack: 21 } }, ['cutter.stack too_big']],
    ['everything kept', { keep: { shorter: 0, longer: 0 } }, []],
    [
      'kept beyond anything',
      { keep: { shorter: '101', longer: '102' } },
      ['keep.shorter length-too-large', 'keep.longer length-too-large'],
    ],
    ['centres whole', { centres: null }, []],
    ['centres to the edge', { centres: 0 }, []],
    ['centres beyond anything', { centres: '101' }, ['centres length-too-large']],
  ])('%s', (_, change, said) => expect(faults(change, habitsSchema, DEFAULT_HABITS)).toEqual(said));
  test('what is not said of a cutter is off', () => {
    const { long: _l, stop: _s, knife: _k, ...cutter } = DEFAULT_HABITS.cutter;
    expect(habitsSchema.parse({ ...DEFAULT_HABITS, cutter }).cutter).toMatchObject({
      long: 0,
      stop: false,
      knife: false,
    });
    expect(DEFAULT_HABITS.cutter).toMatchObject({ stop: false, knife: false });
  });
});

test('of the same size, the drawer has an order all the same', () => {
  const items = ['c', 'a', 'b'].map((id) => ({ ...sheet, id }));
  expect(sortForDrawer(items).map((i) => i.id)).toEqual(['a', 'b', 'c']);
  expect(sortForDrawer(items.toReversed()).map((i) => i.id)).toEqual(['a', 'b', 'c']);
});

describe('one line about paper, at its edges', () => {
  const papers = [
    { id: 'r', name: 'Rust' },
    { id: 'r2', name: 'Rust dots' },
    { id: 'w', name: 'Chalk white' },
    { id: 'm', name: 'Marsh' },
    { id: 'm2', name: 'Marsh marigold' },
    { id: 'n', name: 'Night sky' },
    { id: 'n2', name: 'Night sea' },
  ];
  const said = (line: string, unit: 'in' | 'mm' = 'in') => parseStockLine(line, papers, unit);
  test.each<[string, object]>([
    ['12 x 12 white', { kind: 'sheet', quantity: 1 }],
    ['304.8 mm x 304.8 mm white', { kind: 'sheet' }],
    ['11 63/64 x 13 white', { kind: 'scrap' }],
    ['13 x 11 white', { kind: 'scrap' }],
    ['3 x 4 white x3', { quantity: 3 }],
    ['3 x 4 white 3x', { quantity: 3 }],
    ['3 x 4, 12x white', { quantity: 12 }],
    ['3 x 4 white x12', { quantity: 12 }],
    ['strips 3 x 4 white', { kind: 'strip', paperWords: 'white' }],
    ['branding strip 12 x 1 white', { kind: 'branding', paperWords: 'white' }],
    ['branding stripes 12 x 1 white', { kind: 'branding', paperWords: 'stripes white' }],
    ['branding airstrip 12 x 1 white', { kind: 'branding', paperWords: 'airstrip white' }],
    ['scrap strip 3 x 4 white', { kind: 'scrap', paperWords: 'strip white' }],
    ['offcut 3 x 4 white', { kind: 'scrap' }],
    ['Pad 12 x 12, white', { kind: 'pad', paperWords: 'white' }],
    ['ten pads 12 x 12 white', { kind: 'pad', quantity: 10 }],
    ['one scrap 3 x 4 white', { quantity: 1, paperWords: 'white' }],
    ['10000 sheets 12 x 12 white', { quantity: 10_000 }],
    ['3 x 4 rust', { paper: { id: 'r' }, paperWords: 'rust' }],
    ['3 x 4 dots rust', { paper: { id: 'r2' } }],
    ['3 x 4 marsh', { paper: { id: 'm' } }],
    ['3 x 4 marsh mari', { paper: { id: 'm2' } }],
    ['3 x 4', { paper: null, paperWords: '' }],
    ['3 x 4 4', { paper: null, paperWords: '4', quantity: 1 }],
    ['3 x 4 foam 4', { paper: null, paperWords: 'foam 4', quantity: 1 }],
    ['3 x 4 rust 4', { paper: { id: 'r' }, quantity: 4 }],
    ['3 x 4 rust 4 x2', { paper: null, quantity: 2, paperWords: 'rust 4' }],
    ['sheet pad 3 x 4 white', { kind: 'sheet', paperWords: 'pad white', paper: null }],
    ['2 sheets 3 pads 12 x 12', { kind: 'sheet', quantity: 2 }],
  ])('%s', (line, heard) => expect(said(line)).toMatchObject({ ok: true, ...heard }));
  test.each<[string, object]>([
    ['3 x 4 white x0', { code: 'quantity', text: '0' }],
    ['10001 sheets 12 x 12 white', { code: 'quantity', text: '10001' }],
    ['0 x 4 white', { code: 'length-not-positive', text: '0' }],
    ['3 x 4 night', { code: 'ambiguous-paper', words: 'night', names: ['Night sky', 'Night sea'] }],
    [' rust ', { code: 'size-unreadable', text: 'rust' }],
    ['9 x 9 less 4 x 0 rust', { code: 'length-not-positive', text: '0' }],
    ['9 x 8 less 9 x 4 rust', { code: 'size-unreadable', text: 'less 9 x 4' }],
    ['9 x 8 less 4 x 8 rust', { code: 'size-unreadable', text: 'less 4 x 8' }],
    ['9 x 8 & rust', { code: 'stray', text: '&' }],
    ['corners 0 x 0, 101 x 0, 4 x 5', { code: 'length-too-large', text: '101' }],
    ['corners 0 x 0, 9 x 101, 4 x 5', { code: 'length-too-large', text: '101' }],
    ['corners 1 x 1, 2 x 2 white', { code: 'corners', text: '1 x 1, 2 x 2' }],
    ['corners 4 white', { code: 'corners', text: '' }],
  ])('%s is refused', (line, problem) => expect(said(line)).toMatchObject({ ok: false, problem }));
  test('a corner gone is no more than the scrap', () =>
    expect(said('9 x 8 less 8 63/64 x 7 rust')).toMatchObject({ ok: true }));
  test('a unit that is named once holds for an outline too', () =>
    expect(said('scrap corners 0 x 0, 90 mm x 0, 0 x 60 white')).toMatchObject({
      width: '90 mm',
      height: '60 mm',
      outline: [
        [0, 0],
        ['90 mm', 0],
        [0, '60 mm'],
      ],
    }));
  test('three corners are enough', () =>
    expect(said('corner 0 x 0, 3 x 0, 0 x 4 white')).toMatchObject({ ok: true, width: '3 in', height: '4 in' }));
  test('of a box, the number that does not read is named, and nought is a number', () => {
    expect(parseBoxLine('1 x 2 to 4 x tall', 'in')).toEqual({
      ok: false,
      problem: { code: 'length-unreadable', text: 'tall' },
    });
    expect(parseBoxLine('0 x 0 to 4 x -1', 'in')).toEqual({
      ok: false,
      problem: { code: 'length-not-positive', text: '-1' },
    });
  });
});
