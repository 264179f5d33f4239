import { describe, expect, test } from '@jest/globals';
import { inches, lengthOf } from '../length/index.ts';
import {
  EMPTY_STOCK_QUERY,
  NO_TRIM,
  colourRank,
  isCutFrom,
  compileStockQuery,
  isEmptyQuery,
  parseStockQuery,
  colourDifference,
  type Paper,
  type PaperFace,
  type StockQuery,
  type StockItem,
} from './index.ts';

const TODAY = '2026-05-31';
const heard = (line: string, unit: 'in' | 'mm' = 'in') =>
  parseStockQuery(line, unit, ['box 2', 'the tall folder'], TODAY);
/** Only what is asked, so that nothing else may have been heard. */
const asked = (line: string): Partial<StockQuery> => {
  const said = heard(line);
  if (!said.ok) throw new Error(JSON.stringify(said.problem));
  return Object.fromEntries(
    Object.entries(said.sought).filter(
      ([key, part]) => JSON.stringify(part) !== JSON.stringify(EMPTY_STOCK_QUERY[key as 'words']),
    ),
  );
};
const size = (width: string, height: string) => ({ width: lengthOf(width), height: lengthOf(height) });

describe('what is looked for, in one line', () => {
  test.each<[string, Partial<StockQuery>]>([
    ['', {}],
    ['all the paper', {}],
    ['reaches 11 1/2 x 3', { reaches: size('11 1/2', '3') }],
    ['11½ × 3', { reaches: size('11 1/2', '3') }],
    ['scraps that reach 4.5 by 6.5 in', { kind: 'scrap', reaches: size('4 1/2', '6 1/2') }],
    ['reaches 100 mm x 50 mm', { reaches: size('100 mm', '50 mm') }],
    ['smaller than 3 x 4', { within: size('3', '4') }],
    ['narrower than 5', { narrower: inches(5) }],
    ['narrower than 1 1/4 wider than 1/2', { narrower: lengthOf('1 1/4'), wider: lengthOf('1/2') }],
    ['striped', { pattern: 'stripes' }],
    ['dots one way', { pattern: 'dots', direction: 'one-way' }],
    ['two-way', { direction: 'two-way' }],
    ['without direction', { direction: 'none' }],
    ['near teal', { colour: { hex: '#2f8a8c', within: 14, said: null } }],
    ['near #3A70B8 within 6', { colour: { hex: '#3a70b8', within: 6, said: null } }],
    ['teal', { colour: { hex: '#2f8a8c', within: 14, said: 'teal' } }],
    ['teal swell', { colour: { hex: '#2f8a8c', within: 14, said: 'teal' }, words: ['swell'] }],
    ['sheets', { kind: 'sheet' }],
    ['branding strips', { kind: 'branding' }],
    ['finished pieces 4 x 6', { kind: 'piece', words: ['finished'], reaches: size('4', '6') }],
    ['in box 2', { place: 'box 2' }],
    ['scraps in the tall folder older than 1 week', { kind: 'scrap', place: 'the tall folder', before: '2026-05-24' }],
    ['stripes in box 9', { pattern: 'stripes', place: 'box 9' }],
    ['reaches 11 1/2 x 3 in box 2', { reaches: size('11 1/2', '3'), place: 'box 2' }],
    ['wider than 1/2 in box 9 dots', { wider: lengthOf('1/2'), place: 'box 9', pattern: 'dots' }],
    ['older than 3 months', { before: '2026-02-28' }],
    ['older than 2 years', { before: '2024-05-31' }],
    ['newer than 10 days', { since: '2026-05-21' }],
    ['before 2026-01-02', { before: '2026-01-02' }],
    ['since 2025-12-24 plain', { since: '2025-12-24', pattern: 'plain' }],
    ['held back', { held: 'held' }],
    ['reserved', { held: 'kept' }],
    ['free scraps', { held: 'free', kind: 'scrap' }],
    ['Marram grass', { words: ['marram'], pattern: 'grass' }],
  ])('%s', (line, sought) => expect(asked(line)).toEqual(sought));
  test.each<[string, object]>([
    ['reaches 0 x 4', { code: 'length', text: '0 x 4' }],
    ['narrower than 0', { code: 'length', text: '0' }],
    ['before 2026-13-02', { code: 'date', text: '2026-13-02' }],
    ['since 2026', { code: 'date', text: '2026' }],
    ['reaches 400 x 4', { code: 'length', text: '400 x 4' }],
  ])('%s is refused', (line, problem) => expect(heard(line)).toEqual({ ok: false, problem }));
  test('bare numbers are in the unit of the drawer', () =>
    expect(heard('reaches 100 x 50', 'mm')).toMatchObject({ sought: { reaches: size('100 mm', '50 mm') } }));
  test('what asks nothing is known', () => {
    expect(isEmptyQuery(EMPTY_STOCK_QUERY)).toBe(true);
    expect(isEmptyQuery({ ...EMPTY_STOCK_QUERY, words: ['x'] })).toBe(false);
    expect(isEmptyQuery({ ...EMPTY_STOCK_QUERY, held: 'free' })).toBe(false);
  });
});

const face = (name: string, pattern: PaperFace['look']['pattern'], ground: string, ink = '#ffffff', more = {}) =>
  ({ side: 'A', name, direction: 'none', along: 'height', look: { pattern, ground, ink }, ...more }) as PaperFace;
const papers: Paper[] = [
  {
    id: 'swell',
    name: 'Swell',
    sides: [face('waves', 'waves', '#2f8f93', '#8fd0cc', { direction: 'two-way' })],
    place: 'box 1',
  },
  {
    id: 'buoy',
    name: 'Buoy',
    sides: [face('orange', 'plain', '#e0772f'), { ...face('pale dots', 'dots', '#f6d9bd', '#e0772f'), side: 'B' }],
  },
  { id: 'name', name: 'Teal by name alone', sides: [face('chalk', 'plain', '#f7f6f2')] },
  { id: 'up', name: 'Up wind', sides: [face('words', 'words', '#f3ead9', '#c8543a', { direction: 'one-way' })] },
];
const item = (paper: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id: `${paper} ${width} ${height}`,
  paper,
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  came: '2026-03-01',
  ...more,
});
const stock: StockItem[] = [
  item('swell', '4', '6'),
  item('swell', '12', '12', { kind: 'sheet', place: 'Box 2', came: '2026-05-20' }),
  item('buoy', '6', '4', { reserved: true }),
  item('buoy', '5', '5', { quantity: 2, reserves: [{ page: 'p', count: 2 }] }),
  item('name', '3', '9', { came: undefined }),
  item('up', '8', '8', { trim: { ...NO_TRIM, bottom: '4 1/2' } }),
];
const found = (line: string): string[] => {
  const said = heard(line);
  if (!said.ok) throw new Error(JSON.stringify(said.problem));
  const { matches } = compileStockQuery(said.sought, papers);
  return stock.filter(matches).map((s) => s.id);
};

describe('what is found', () => {
  test.each<[string, string[]]>([
    ['', stock.map((s) => s.id)],
    ['reaches 6 x 4', ['swell 4 6', 'swell 12 12', 'buoy 6 4']],
    ['reaches 8 x 3 1/2', ['swell 12 12', 'up 8 8']],
    ['reaches 8 x 3 9/16', ['swell 12 12']],
    ['smaller than 4 x 6', ['swell 4 6', 'buoy 6 4']],
    ['narrower than 4', ['name 3 9']],
    ['wider than 5', ['swell 12 12', 'buoy 5 5', 'up 8 8']],
    ['narrower than 5 wider than 4', ['swell 4 6', 'buoy 6 4']],
    ['teal', ['swell 4 6', 'swell 12 12', 'name 3 9']],
    ['near teal', ['swell 4 6', 'swell 12 12']],
    ['near orange', ['buoy 6 4', 'buoy 5 5']],
    ['near orange plain', ['buoy 6 4', 'buoy 5 5']],
    ['near teal plain', []],
    ['dots', ['buoy 6 4', 'buoy 5 5']],
    ['one way', ['up 8 8']],
    ['two ways', ['swell 4 6', 'swell 12 12']],
    ['in box 2', ['swell 12 12']],
    ['in box', ['swell 4 6', 'swell 12 12']],
    ['box', ['swell 4 6', 'swell 12 12']],
    ['wind', ['up 8 8']],
    ['pale', ['buoy 6 4', 'buoy 5 5']],
    ['sheets', ['swell 12 12']],
    ['held', ['buoy 6 4']],
    ['reserved', ['buoy 5 5']],
    ['free', ['swell 4 6', 'swell 12 12', 'name 3 9', 'up 8 8']],
    ['older than 1 month', ['swell 4 6', 'buoy 6 4', 'buoy 5 5', 'up 8 8']],
    ['newer than 1 month', ['swell 12 12']],
    ['nothing is called so', []],
  ])('%s', (line, ids) => expect(found(line)).toEqual(ids));
  test('the nearest colour first; of what reaches, what leaves the least', () => {
    const rank = (line: string) => {
      const said = heard(line);
      const { rank: by, matches } = compileStockQuery((said as { sought: StockQuery }).sought, papers);
      return (
        by &&
        stock
          .filter(matches)
          .sort((a, b) => by(a) - by(b))
          .map((s) => s.id)
      );
    };
    expect(rank('reaches 3 x 3')![0]).toBe('swell 4 6');
    expect(rank('#f7f6f2')![0]).toBe('name 3 9');
    expect(rank('wind')).toBeNull();
  });
  test('an L reaches where it is whole', () => {
    const outline = [[0, 0], ['9', 0], ['9', '3'], ['4', '3'], ['4', '8'], [0, '8']] as StockItem['outline']; // prettier-ignore
    const l = item('swell', '9', '8', { outline });
    for (const [w, h, ok] of [
      ['9', '3', true],
      ['3', '9', true],
      ['4', '8', true],
      ['4 1/16', '8', false],
      ['5', '5', false],
      ['9', '3 1/64', false],
    ] as const)
      // prettier-ignore
      expect([w, h, isCutFrom(size(w, h), l)]).toEqual([w, h, ok]);
  });
});

test('a paper that is called by a pattern is found by it, however it is drawn', () => {
  const face = {
    side: 'A',
    name: 'front',
    direction: 'none',
    along: 'height',
    look: { pattern: 'plain', ground: '#ffffff', ink: '#ffffff' },
  } as const;
  const papers = [
    { id: 'd', name: 'Dotty dots', sides: [face] },
    { id: 's', name: 'Harbour stripe', sides: [face] },
    { id: 'n', name: 'Noon', sides: [{ ...face, look: { ...face.look, pattern: 'dots' as const } }] },
  ];
  const finds = (line: string) => {
    const said = parseStockQuery(line, 'in', ['box 1'], '2026-06-01');
    if (!said.ok) throw new Error(line);
    const { matches } = compileStockQuery(said.sought, papers);
    const item = (paper: string) => ({ ...stock[0]!, paper, place: 'box 1' });
    return papers.filter((p) => matches(item(p.id))).map((p) => p.id);
  };
  expect(finds('dots in box 1')).toEqual(['d', 'n']);
  expect(finds('stripes')).toEqual(['s']);
  expect(finds('checks')).toEqual([]);
});

describe('colours', () => {
  test('are as unlike as they look', () => {
    expect(colourDifference('#2f8f93', '#2f8f93')).toBe(0);
    expect(colourDifference('#2f8f93', '#2f9093')).toBeLessThan(1);
    // two yellows of which one leans green
    expect(colourDifference('#f2d13d', '#e2d93d')).toBeGreaterThan(4);
    expect(colourDifference('#ffffff', '#000000')).toBeCloseTo(100, 0);
  });
  test('stand as paper is stored: the rainbow, browns, then white to black', () => {
    const order = [
      '#d8403a', '#e2782c', '#f2d13d', '#3f8f4c', '#2f8a8c', '#9cc3e8', '#3a70b8', '#6f4a92', '#ea9ab6', '#c8a878', '#74502f', '#ffffff', '#f4ecd8', '#8a8a8a', '#161616',
    ]; // prettier-ignore
    expect([...order].reverse().sort((a, b) => colourRank(a) - colourRank(b))).toEqual(order);
  });
  test.each<[string, 'brown' | 'grey' | 'hue']>([
    ['0.619 0.129 60', 'brown'],
    ['0.621 0.129 60', 'hue'],
    ['0.619 0.131 60', 'hue'],
    ['0.819 0.084 60', 'brown'],
    ['0.821 0.084 60', 'hue'],
    ['0.819 0.086 60', 'hue'],
    ['0.5 0.1 21', 'brown'],
    ['0.5 0.1 19', 'hue'],
    ['0.5 0.1 99', 'brown'],
    ['0.5 0.1 101', 'hue'],
    ['0.5 0.036 60', 'brown'],
    ['0.5 0.034 60', 'grey'],
  ])('%s is stored as a %s', (of, as) => {
    const at = colourRank(`oklch(${of})`);
    expect(at < 100 ? 'hue' : at < 200 ? 'brown' : 'grey').toBe(as);
  });
});
