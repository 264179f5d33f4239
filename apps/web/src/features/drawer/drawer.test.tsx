import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { MARKS } from '@temnex/core/length';
import { NO_TRIM, type Paper, type StockItem } from '@temnex/core/stock';
import type { DrawerRecord } from '@temnex/contract';
import { applyDelta } from '../../data/drawer.ts';
import { parseCells, formatDrawerCsv, formatShoppingCsv } from '../../data/csv.ts';
import { listPlacesIn } from '../../widgets/stock/places.ts';
import { buildListKeys } from '../../design/listKeys.ts';
import { sortFound } from './order.ts';
import { useReadRows, useRows } from './add/rows.ts';
import { tileOf } from './tiles.ts';
import { usePicking } from '../../design/usePicking.ts';
import { findTileInNextRow, layOutWall } from './wall.ts';
import { itemName } from './Wall.tsx';

const paper = (id: string, name: string, ground: string, more: Partial<Paper> = {}): Paper => ({
  id,
  name,
  ...more,
  sides: [
    { side: 'A', name: 'a', direction: 'none', along: 'height', look: { pattern: 'plain', ground, ink: ground } },
  ],
});
const item = (id: string, of: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: of,
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
const papers = [
  paper('r', 'Rust', '#c4302b', { place: 'box 10' }),
  paper('t', 'Teal', '#2f8a8c'),
  paper('w', 'Chalk', '#fafafa'),
];
const known = new Map(papers.map((p) => [p.id, p]));
const stock = [
  item('w1', 'w', '12', '12'),
  item('t1', 't', '2', '3', { place: 'box 9', came: '2026-05-01' }),
  item('r1', 'r', '6', '6', { quantity: 2 }),
  item('r2', 'r', '8', '8'),
];
const ids = (list: readonly StockItem[]) => list.map((s) => s.id).join(' ');

describe('a drawer that was seen', () => {
  const seen: DrawerRecord = {
    book: 'b',
    seq: 4,
    whole: true,
    unreadable: [],
    gone: { papers: [], stock: [] },
    papers: papers.map((p) => ({ ...p, revision: 1 })),
    stock,
  };
  const change = (more: Partial<DrawerRecord>): DrawerRecord => ({
    book: 'b',
    seq: 5,
    whole: false,
    papers: [],
    stock: [],
    unreadable: [],
    gone: { papers: [], stock: [] },
    ...more,
  });
  test('is the very same where nothing has changed, and what has not changed in it too', () => {
    expect(applyDelta(seen, change({ seq: 4 }))).toBe(seen);
    const now = applyDelta(seen, change({ stock: [item('t1', 't', '2', '3', { place: 'desk' })] }));
    expect(now.papers).toBe(seen.papers);
    expect(now.stock).toHaveLength(4);
    expect(now.stock.find((s) => s.id === 't1')!.place).toBe('desk');
    expect(now.stock.find((s) => s.id === 'r1')).toBe(stock[2]);
    expect(now.seq).toBe(5);
  });
  test('gains what is new and loses what is gone, also what can no longer be read', () => {
    const bad = { id: 'r1', paper: 'r', why: 'why', unit: 'in', width: 'x', height: '6' };
    const now = applyDelta(
      seen,
      change({
        papers: [{ ...paper('a', 'Ash', '#777777'), revision: 1 }],
        stock: [item('n', 'a', '3', '3')],
        unreadable: [bad],
        gone: { papers: ['w'], stock: ['w1'] },
      }),
    );
    expect(now.papers.map((p) => p.id)).toEqual(['a', 'r', 't']);
    expect(now.stock.map((s) => s.id).sort()).toEqual(['n', 'r2', 't1']);
    expect(now.unreadable).toEqual([bad]);
    expect(applyDelta(now, change({ seq: 6, stock: [stock[2]!] })).unreadable).toEqual([]);
  });
});

describe('on the wall', () => {
  test('papers lie in rows at one scale, none past its end, each once', () => {
    const rows = layOutWall(stock, 300, 10);
    expect(rows.map((r) => r.items.map((one) => one.item.id))).toEqual([['w1', 't1', 'r1'], ['r2']]);
    expect(rows.map((r) => r.height)).toEqual([120, 80]);
    expect(rows[0]!.items.map((one) => [one.x, one.width])).toEqual([
      [0, 120],
      [134, 20],
      [206, 60],
    ]);
    // what is wider than the wall has a row of its own
    expect(layOutWall([stock[0]!, stock[3]!], 50, 10)).toHaveLength(2);
  });
  test('up and down lead to what lies nearest', () => {
    const rows = layOutWall([...stock, ...stock.map((s) => ({ ...s, id: `${s.id}b` }))], 300, 10);
    expect(rows.map((r) => r.items.length)).toEqual([3, 3, 2]);
    expect(findTileInNextRow(rows, 1, 1)).toBe(4);
    expect(findTileInNextRow(rows, 0, -1)).toBe(0);
    expect(findTileInNextRow(rows, 7, 1)).toBe(7);
  });
  test('a paper is called by all that is to be known of it', () =>
    expect(
      itemName(
        item('x', 'r', '5 1/2', '3', { quantity: 3, reserved: true, reserves: [{ page: 'p', count: 2 }] }),
        papers[0]!,
        MARKS['1/16'],
      ),
    ).toBe('5 1/2 × 3 scrap of Rust, 3 of it, in box 10, held back, 2 kept for pages'));
  test('a look is one picture, however often it is asked for', () => {
    const look = papers[0]!.sides[0]!.look;
    expect(tileOf(look, 0, 15)).toBe(tileOf({ ...look }, 0, 15));
    expect(tileOf(look, 90, 15)).not.toBe(tileOf(look, 0, 15));
    expect(tileOf({ ...look, scale: 'large' }, 0, 15).size).toBe('30px 30px');
  });
});

test.each([
  ['colour', 'r2 r1 t1 w1'],
  ['size', 'w1 r2 r1 t1'],
  ['newest', 't1 w1 r2 r1'],
  ['paper', 'w1 r2 r1 t1'],
  ['place', 't1 r2 r1 w1'],
  ['fitting', 'r2 r1 t1 w1'],
] as const)('in order, %s', (order, said) => expect(ids(sortFound(stock, order, known, null))).toBe(said));
test('what fits best comes first where something says so', () =>
  expect(ids(sortFound(stock, 'fitting', known, (s) => Number(s.width)))).toBe('t1 r1 r2 w1'));

describe('picking', () => {
  const hook = (list: string[]) => renderHook(({ all }) => usePicking(all), { initialProps: { all: list } });
  const picked = (h: ReturnType<typeof hook>) => [...h.result.current.picked].join('');
  test('one, one more, all between, all, none', () => {
    const h = hook(['a', 'b', 'c', 'd', 'e']);
    act(() => h.result.current.press(1));
    expect([picked(h), h.result.current.at]).toEqual(['b', 1]);
    act(() => h.result.current.press(3, { through: true }));
    expect(picked(h)).toBe('bcd');
    // from where it began, not from where one is
    act(() => h.result.current.press(0, { through: true }));
    expect(picked(h)).toBe('ab');
    act(() => h.result.current.press(4, { add: true }));
    act(() => h.result.current.press(0, { add: true }));
    expect(picked(h)).toBe('be');
    act(() => h.result.current.go(2, false));
    expect([picked(h), h.result.current.at]).toEqual(['be', 2]);
    act(() => h.result.current.go(3, true));
    expect(picked(h)).toBe('cd');
    act(() => h.result.current.go(9, false));
    expect(h.result.current.at).toBe(3);
    act(() => h.result.current.pickAll());
    expect(picked(h)).toBe('abcde');
    act(() => h.result.current.clear());
    expect(picked(h)).toBe('');
  });
  test('what is gone is not picked, and comes back picked with an undo', () => {
    const h = hook(['a', 'b']);
    act(() => h.result.current.pickAll());
    h.rerender({ all: ['b'] });
    expect(picked(h)).toBe('b');
    h.rerender({ all: ['a', 'b'] });
    expect(picked(h)).toBe('ab');
  });
});

describe('keys of a long list', () => {
  afterEach(cleanup);
  const told: string[] = [];
  const list = (at: number) => {
    told.length = 0;
    const say = (...what: unknown[]) => void told.push(what.join(' '));
    const picking = {
      picked: new Set<string>(),
      at,
      press: (to: number, how?: object) => say('press', to, Object.keys(how ?? {})),
      go: () => {},
      pickAll: () => say('all'),
      clear: () => say('none'),
    };
    const onKeyDown = buildListKeys({
      picking,
      count: 5,
      go: (to, through) => say('go', to, through),
      step: (key, from) => (key === 'ArrowDown' ? from + 1 : from - 1),
      onKey: (key) => (say('key', key), key === 'Delete'),
    });
    render(<div role="listbox" tabIndex={0} aria-label="list" onKeyDown={onKeyDown} />);
    return screen.getByRole('listbox');
  };
  test.each<[number, object, string[], boolean]>([
    [1, { key: 'ArrowDown' }, ['go 2 false'], true],
    [1, { key: 'ArrowDown', shiftKey: true }, ['go 2 true'], true],
    [-1, { key: 'ArrowDown' }, ['go 0 false'], true],
    [4, { key: 'ArrowDown' }, [], true],
    [1, { key: 'End' }, ['go 4 false'], true],
    [3, { key: 'Home' }, ['go 0 false'], true],
    [2, { key: ' ' }, ['press 2 add'], true],
    [2, { key: 'Enter' }, ['press 2 '], true],
    [2, { key: 'a', ctrlKey: true }, ['all'], true],
    [2, { key: 'Escape' }, ['none'], true],
    [2, { key: 'Delete' }, ['key Delete'], true],
    [2, { key: 'x' }, ['key x'], false],
    [2, { key: 'z', ctrlKey: true }, [], false],
  ])('at %i, %j', (at, press, does, taken) => {
    // a key that was meant goes no further
    expect([fireEvent.keyDown(list(at), press), told]).toEqual([!taken, does]);
  });
});

describe('rows that are typed', () => {
  beforeEach(() => localStorage.clear());
  test('are kept in the browser, with empty ones to go on in', () => {
    const first = renderHook(() => useRows());
    expect(first.result.current.rows).toHaveLength(12);
    const { id } = first.result.current.rows[0]!;
    act(() => first.result.current.set((rows) => rows.map((r) => (r.id === id ? { ...r, cells: { width: '5' } } : r))));
    expect(first.result.current.rows).toHaveLength(13);
    first.unmount();
    const again = renderHook(() => useRows());
    expect(again.result.current.rows.map((r) => r.cells.width ?? '').join('')).toBe('5');
    act(() => again.result.current.set(() => []));
    expect(localStorage.getItem('temnex-rows')).toBeNull();
  });
  test('what is kept of another shape is left', () => {
    localStorage.setItem('temnex-rows', '{"not": "a list"}');
    expect(renderHook(() => useRows()).result.current.rows).toHaveLength(12);
    localStorage.setItem('temnex-rows', 'nonsense');
    expect(renderHook(() => useRows()).result.current.rows).toHaveLength(12);
  });
  test('are read, empty ones not, and those that stay the same once', () => {
    const row = { id: 'a', cells: { width: '5 x 3', paper: 'Teal' } };
    const h = renderHook(({ rows }) => useReadRows(rows, papers, 'in'), {
      initialProps: { rows: [row, { id: 'b', cells: {} }] },
    });
    const [first, second] = h.result.current;
    expect([first, second]).toMatchObject([{ ok: true, paper: 't' }, null]);
    h.rerender({ rows: [row, { id: 'b', cells: { width: 'wide', paper: 'Teal' } as never }] });
    expect(h.result.current[0]).toBe(first);
    expect(h.result.current[1]).toMatchObject({ ok: false, column: 'width' });
  });
});

describe('CSV', () => {
  test('is read whatever stands between cells, with a mark at its beginning, and empty lines', () => {
    expect(parseCells('\ufeffa;b\n\n"x; y";2\n')).toEqual([['a', 'b'], ['x; y', '2']]); // prettier-ignore
    expect(parseCells('5 1/2\t3, or so\n')).toEqual([['5 1/2', '3, or so']]);
    expect(parseCells("'=cmd,-4")).toEqual([['=cmd', '-4']]);
  });
  test('is written so that nothing in it is a formula, and reads as it was', () => {
    const evil = paper('e', '=HYPERLINK("x")', '#000000');
    const text = formatDrawerCsv({ papers: [evil], stock: [item('x', 'e', '4', '3', { place: 'box, 1' })] });
    expect(text).toContain(`"'=HYPERLINK(""x"")"`);
    const [, row] = parseCells(text);
    expect(row!.slice(0, 8)).toEqual(['1', 'scrap', '4', '3', 'in', '=HYPERLINK("x")', 'box, 1', '2026-03-01']);
  });
  test('the list to buy has sheets or packs, and what is not known stays empty', () => {
    const size = { width: 292_608, height: 292_608 } as never;
    const text = formatShoppingCsv(
      [
        { paper: 't', count: 2, size, pages: ['p', 'q'], packs: null, cost: 240 },
        { paper: 'r', count: 3, size, pages: [], packs: 1, cost: null },
      ],
      known,
      new Map([['p', 'Launch']]),
    );
    expect(text.split('\r\n').slice(1)).toEqual(['2,,Teal,12,12,2.40,Launch', ',1,Rust,12,12,,']);
  });
});

test('places are known once each, in the order people count in', () =>
  expect(listPlacesIn({ papers, stock })).toEqual(['box 9', 'box 10']));
