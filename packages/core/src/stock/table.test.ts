import { describe, expect, test } from '@jest/globals';
import {
  NO_TRIM,
  availableCountFor,
  guessColumns,
  matchNamedColumns,
  drawerFor,
  headingOf,
  isEmptyRow,
  readRow,
  reservedCountFor,
  reserveForPage,
  readTableRow,
  parseStockLine,
  sizeOfItem,
  stockRowOf,
  type Paper,
  type StockItem,
  type StockRow,
} from './index.ts';

const papers = [
  { id: 'teal', name: 'Teal swell' },
  { id: 'teal2', name: 'Teal dunes' },
  { id: 'chalk', name: 'Chalk' },
];
const read = (row: StockRow, unit: 'in' | 'mm' = 'in') => readRow(row, papers, unit);

describe('a row of a table', () => {
  test.each<[string, StockRow, object]>([
    ['a size and a paper', { width: '5 1/2', height: '3', paper: 'chalk' }, { width: '5 1/2 in', height: '3 in', kind: 'scrap', quantity: 1 }],
    ['a size in one cell', { width: '5 1/2 x 3', paper: 'Chalk', quantity: '4' }, { width: '5 1/2', height: '3', quantity: 4 }],
    ['a whole sheet', { width: '12', height: '12', paper: 'Chalk' }, { kind: 'sheet' }],
    ['a pad', { kind: 'Pads', width: '6', height: '6', quantity: '24', paper: 'Chalk' }, { kind: 'pad', quantity: 24 }],
    ['an offcut', { kind: 'offcut', width: '12', height: '12', paper: 'Chalk' }, { kind: 'scrap' }],
    ['a branding strip', { kind: 'branding strip', width: '12', height: '1/2', paper: 'Chalk' }, { kind: 'branding' }],
    ['millimetres of its own', { width: '90', height: '60', unit: 'mm', paper: 'Chalk' }, { unit: 'mm', width: '90', height: '60' }],
    ['centimetres', { width: '9', height: '6.5', unit: 'cm', paper: 'Chalk' }, { unit: 'mm', width: '9 cm', height: '6.5 cm' }],
    ['place, day and held back', { width: '4', height: '4', paper: 'Chalk', place: 'box 2', came: '2026-05-01', held: 'yes' }, { place: 'box 2', came: '2026-05-01', reserved: true }],
    ['a day with its month first', { width: '4', height: '4', paper: 'Chalk', came: '12/25/2025' }, { came: '2025-12-25' }],
    ['a day with its month second', { width: '4', height: '4', paper: 'Chalk', came: '25/12/2025' }, { came: '2025-12-25' }],
    ['the same both ways', { width: '4', height: '4', paper: 'Chalk', came: '5/5/2025' }, { came: '2025-05-05' }],
    ['a month by its name', { width: '4', height: '4', paper: 'Chalk', came: 'May 1, 2026' }, { came: '2026-05-01' }],
    ['a month behind its day', { width: '4', height: '4', paper: 'Chalk', came: '1 May 2026' }, { came: '2026-05-01' }],
    ['a day with dots', { width: '4', height: '4', paper: 'Chalk', came: '1.5.2026' }, { came: '2026-05-01' }],
    ['an outline', { outline: '0 x 0, 9 x 0, 4 x 7', paper: 'Chalk' }, { width: '9', height: '7', outline: [[0, 0], ['9', 0], ['4', '7']] }],
  ])('%s', (_, row, item) => {
    const said = read(row);
    if (!said.ok) throw new Error(JSON.stringify(said));
    const plain = (v: unknown) => (typeof v === 'string' ? v.replace(/ in$/, '') : v);
    expect(Object.fromEntries(Object.entries(said.item).map(([k, v]) => [k, plain(v)]))).toMatchObject(
      Object.fromEntries(Object.entries(item).map(([k, v]) => [k, plain(v)])),
    );
    expect(said.paper).toBe('chalk');
  }); // prettier-ignore
  test.each<[string, StockRow, string, string]>([
    ['no size', { paper: 'Chalk' }, 'width', 'length-missing'],
    ['half a size', { width: '4', paper: 'Chalk' }, 'height', 'length-missing'],
    ['a size of words', { width: 'large', height: '4', paper: 'Chalk' }, 'width', 'length-unreadable'],
    ['nothing wide', { width: '0', height: '4', paper: 'Chalk' }, 'width', 'length-not-positive'],
    ['a kind of its own', { kind: 'tile', width: '4', height: '4', paper: 'Chalk' }, 'kind', 'kind-unknown'],
    ['none of it', { quantity: '0', width: '4', height: '4', paper: 'Chalk' }, 'quantity', 'quantity'],
    ['half of it', { quantity: '1.5', width: '4', height: '4', paper: 'Chalk' }, 'quantity', 'quantity'],
    ['no paper', { width: '4', height: '4' }, 'paper', 'paper-missing'],
    ['two papers it may be', { width: '4', height: '4', paper: 'teal' }, 'paper', 'ambiguous-paper'],
    ['a day that is none', { width: '4', height: '4', paper: 'Chalk', came: '2026-02-30' }, 'came', 'date'],
    ['a day that may be two', { width: '4', height: '4', paper: 'Chalk', came: '3/4/2026' }, 'came', 'date'],
    ['a unit of its own', { width: '4', height: '4', paper: 'Chalk', unit: 'ft' }, 'unit', 'unit-unknown'],
    ['held perhaps', { width: '4', height: '4', paper: 'Chalk', held: 'perhaps' }, 'held', 'held-unknown'],
    ['an outline that crosses itself', { outline: '0 x 0, 4 x 6, 4 x 0, 0 x 6', paper: 'Chalk' }, 'outline', 'corners-cross'],
    ['words in a size', { width: '4 x 6 blue', paper: 'Chalk' }, 'width', 'stray'],
  ])('%s is told, with its column', (_, row, column, code) =>
    expect(read(row)).toMatchObject({ ok: false, column, problem: { code } }),
  ); // prettier-ignore
  test('a paper that is not known keeps its words, to become one', () =>
    expect(read({ width: '4', height: '4', paper: 'Sea fog' })).toMatchObject({
      ok: true,
      paper: null,
      paperWords: 'Sea fog',
    }));
  test('an empty row is none', () => {
    expect(isEmptyRow({ width: ' ', paper: '' })).toBe(true);
    expect(isEmptyRow({ paper: 'x' })).toBe(false);
  });
});

describe('columns of others', () => {
  test.each<[string[], (string | null)[]]>([
    [
      ['Qty', 'Size', 'Design', 'Location'],
      ['quantity', 'width', 'paper', 'place'],
    ],
    [
      ['Paper name', 'W', 'H', 'Box no.', 'Bought on'],
      ['paper', 'width', 'height', 'place', 'came'],
    ],
    [
      ['4', '5 x 3', 'Chalk'],
      [null, null, null],
    ],
    [
      ['Width', 'Length', 'Width'],
      ['width', 'height', null],
    ],
  ])('%j', (cells, columns) => expect(matchNamedColumns(cells)).toEqual(columns));
  test('its own are known again', () => {
    const own = ['quantity', 'kind', 'width', 'height', 'unit', 'paper', 'place', 'came', 'held', 'outline'] as const;
    expect(matchNamedColumns(own.map(headingOf))).toEqual(own);
  });
  test.each<[string[][], (string | null)[]]>([
    [[['2', 'scrap', '5 1/2', '3', 'Teal swell'], ['1', 'sheet', '12', '12', 'Chalk']], ['quantity', 'kind', 'width', 'height', 'paper']],
    [[['5 1/2 x 3', 'Chalk', '2', 'box 1']], ['width', 'paper', 'quantity', 'place']],
    [[['Chalk', '5.5', '3', '4']], ['paper', 'width', 'height', 'quantity']],
  ])('without a heading: %j', (rows, columns) => expect(guessColumns(rows)).toEqual(columns)); // prettier-ignore
  test('cells without a column are left', () =>
    expect(readTableRow(['a', 'b', ''], [null, 'paper', 'place'])).toEqual({ paper: 'b' }));
});

test('what is written reads as it was, an odd one too', () => {
  const item: StockItem = {
    id: 'x',
    paper: 'chalk',
    unit: 'mm',
    width: '90.5',
    height: '60',
    quantity: 3,
    kind: 'scrap',
    trim: NO_TRIM,
    turned: 0,
    reserved: true,
    origin: null,
    place: 'box 3',
    came: '2026-01-09',
    outline: [[0, 0], ['90.5', 0], ['90.5', '20'], ['40', '20'], ['40', '60'], [0, '60']], // prettier-ignore
  };
  const back = read(stockRowOf(item, papers[2] as Paper));
  if (!back.ok) throw new Error(JSON.stringify(back));
  const { id: _id, paper: _paper, origin: _origin, ...same } = item;
  expect(sizeOfItem(back.item)).toEqual(sizeOfItem(item));
  expect(back.item).toEqual({ ...same, width: '90.5 mm', height: '60 mm' });
  const plain = { ...item, outline: undefined, place: undefined };
  expect(stockRowOf(plain, { ...papers[2], place: 'tray', sides: [] } as unknown as Paper)).toMatchObject({
    width: '90.5',
    outline: '',
    place: 'tray',
    held: 'yes',
  });
});

describe('kept for pages', () => {
  const of = (quantity: number, reserves: StockItem['reserves'], reserved = false) => ({
    quantity,
    reserves,
    reserved,
  });
  test('others have what is left; the page has what is left and its own', () => {
    const sheets = of(5, [{ page: 'a', count: 2 }, { page: 'b', count: 1 }]); // prettier-ignore
    expect([reservedCountFor(sheets), reservedCountFor(sheets, 'a'), reservedCountFor(sheets, 'c')]).toEqual([3, 2, 0]);
    expect(['a', 'b', 'c'].map((page) => availableCountFor(sheets, page))).toEqual([4, 3, 2]);
    expect(availableCountFor({ ...sheets, reserved: true }, 'a')).toBe(0);
    expect(reserveForPage(sheets.reserves, 'a', 0)).toEqual([{ page: 'b', count: 1 }]);
    expect(reserveForPage(undefined, 'c', 2)).toEqual([{ page: 'c', count: 2 }]);
  });
  test('the drawer as a page sees it is the same drawer where nothing is kept', () => {
    const drawer = { papers: [], stock: [{ id: 'x', ...of(2, undefined) }] } as never;
    expect(drawerFor(drawer, 'a')).toBe(drawer);
    const kept = { papers: [], stock: [{ id: 'x', ...of(2, [{ page: 'b', count: 2 }]) }, { id: 'y', ...of(3, [{ page: 'b', count: 1 }]) }] } as never; // prettier-ignore
    expect(drawerFor(kept, 'a')).toMatchObject({
      stock: [
        { id: 'x', reserved: true },
        { id: 'y', quantity: 2 },
      ],
    });
    expect(drawerFor(kept, 'b')).toMatchObject({ stock: [{ quantity: 2, reserved: false }, { quantity: 3 }] });
  });
});

describe('where it is kept, said with the paper', () => {
  test.each<[string, object]>([
    ['scrap 5 x 3 chalk in box 2', { paper: { id: 'chalk' }, place: 'box 2' }],
    ['scrap 5 x 3 chalk in the window sill', { place: undefined }],
    ['scrap 5 x 3 in chalk', { paper: { id: 'chalk' }, place: undefined }],
    ['branding strip 12 x 1/2 chalk in tray 1', { kind: 'branding', paper: { id: 'chalk' }, place: 'tray 1' }],
    ['2 pieces 4 x 6 chalk', { kind: 'piece', quantity: 2 }],
  ])('%s', (line, said) => {
    const heard = parseStockLine(line, papers, 'in');
    expect({ place: undefined, ...heard }).toMatchObject(said);
  });
  test('a place that is known by any name', () =>
    expect(parseStockLine('5 x 3 chalk in Window sill', papers, 'in', ['window', 'window sill'])).toMatchObject({
      paper: { id: 'chalk' },
      place: 'window sill',
    }));
});
