import { describe, expect, test } from '@jest/globals';
import { NO_TRIM, parseStockQuery, type Paper, type StockQuery, type StockItem } from '../stock/index.ts';
import type { PlanNode } from '../planner/index.ts';
import { countPiecesFor, computePace, type UseUpCut } from './index.ts';

const look = { pattern: 'dots', ground: '#2f8a8c', ink: '#ffffff' } as const;
const papers: Paper[] = [
  { id: 'p', name: 'Swell', sides: [{ side: 'A', name: 'a', direction: 'none', along: 'height', look }] },
];
const item = (id: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: 'p',
  unit: 'in',
  width,
  height,
  quantity: 0,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  came: '2026-03-01',
  ...more,
});
const stock = new Map([item('thin', '4', '9'), item('wide', '8', '9'), item('sheet', '12', '12', { kind: 'sheet' })].map((s) => [s.id, s])); // prettier-ignore
const place = { x: 0, y: 0, width: 1, height: 1 };
const holds = (piece: string): PlanNode => ({ ...place, cut: null, holds: { piece, copy: 1, turn: 0, side: 'A' } });
const sheet = (of: string, ...pieces: string[]) => ({
  stock: of,
  copy: 1,
  tree: {
    ...place,
    cut: 'x' as const,
    parts: [...pieces.map(holds), { ...place, cut: null, holds: 'waste' as const }],
  },
});
const rule = (line: string) => (parseStockQuery(line, 'in', [], '2026-05-01') as { sought: StockQuery }).sought;
const cuts: UseUpCut[] = [
  { day: '2026-05-02', plan: { sheets: [sheet('thin', 'a', 'b'), sheet('wide', 'c')] }, pieces: ['a', 'b', 'c'] },
  {
    day: '2026-05-03',
    plan: { sheets: [sheet('thin', 'a', 'a spare', 'd'), sheet('gone', 'e')] },
    pieces: ['a', 'a', 'e'],
  },
];

describe('what counts', () => {
  test('each piece by the paper that it was cut from, once; what was not cut, or spoiled, does not', () =>
    expect(countPiecesFor(rule('narrower than 5'), cuts, papers, stock)).toEqual({
      counted: 4,
      days: { '2026-05-02': 2, '2026-05-03': 2 },
      not: [{ stock: 'wide', pieces: 1, why: ['narrower'] }],
    }));
  test.each<[string, object[]]>([
    ['sheets narrower than 5', [{ stock: 'thin', why: ['kind'] }, { stock: 'wide', why: ['narrower', 'kind'] }]],
    ['stripes', [{ stock: 'thin', why: ['pattern'] }, { stock: 'wide', why: ['pattern'] }]],
    ['dots older than 1 month', []],
    ['older than 1 year', [{ why: ['before'] }, { why: ['before'] }]],
  ])('%s', (line, not) => expect(countPiecesFor(rule(line), cuts, papers, stock).not).toMatchObject(not)); // prettier-ignore
  test('of two alike on the sheet of which one was spoiled, one counts', () => {
    const one: UseUpCut = { day: '2026-05-02', plan: { sheets: [sheet('thin', 'a', 'a')] }, pieces: ['a'] };
    expect(countPiecesFor(rule('scraps'), [one], papers, stock).counted).toBe(1);
  });
  test('held back afterwards it still was what it was', () => {
    const held = new Map([['thin', item('thin', '4', '9', { reserved: true })]]);
    expect(countPiecesFor(rule('free scraps'), cuts.slice(0, 1), papers, held).counted).toBe(2);
  });
});

test.each([
  ['2026-04-30', 0, { status: 'before', days: 6, perDay: 10 }],
  ['2026-05-01', 0, { status: 'running', left: 60, days: 6, perDay: 10 }],
  ['2026-05-04', 23, { status: 'running', left: 37, days: 3, perDay: 13 }],
  ['2026-05-06', 59, { status: 'running', left: 1, days: 1, perDay: 1 }],
  ['2026-05-07', 59, { status: 'over', left: 1 }],
  ['2026-05-03', 61, { status: 'done' }],
])('on %s with %i of 60', (today, counted, pace) =>
  expect(computePace({ pieces: 60, from: '2026-05-01', to: '2026-05-06' }, counted, today)).toEqual(pace),
);
