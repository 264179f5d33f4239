import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { lengthOf, formatPlainLength } from '../length/index.ts';
import { at, banners, base, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  CENTRED,
  PAGE_STEPS,
  PAGE_VERSION,
  addEntry,
  changeItem,
  derivePage,
  convertPageUnit,
  migratePage,
  pageSchema,
  setItemField,
  listMoves,
  type Item,
  type Page,
} from './index.ts';

const panels = (): Item =>
  base([
    layer('field', '3/8'),
    layer('strip', { reveal: { style: 'four', right: '0' }, width: '9 1/2', height: '11' }),
  ]);
const launch = (): Item =>
  photo('launch', ['4', '6'], [layer('m1', '1/8'), layer('m2', '1/4')], {
    known: 'assumed',
    at: at('left', '1', 'top', '1 1/2'),
  });
const kitePage = (): Page => page(panels(), launch());
const part = (of: Page, id: string) => derivePage(of).parts.find((p) => p.id === id)!;

describe('what follows from a page', () => {
  test('parts from the bottom up, each where it lies', () => {
    const { parts, problems } = derivePage(kitePage());
    expect(problems).toEqual([]);
    expect(parts.map((p) => p.id)).toEqual([
      'base/base',
      'base/field',
      'base/strip',
      'launch/m2',
      'launch/m1',
      'launch/print',
    ]);
    const m2 = part(kitePage(), 'launch/m2');
    expect([m2.width, m2.height, m2.x, m2.y + m2.height]).toEqual(
      ['4 3/4', '6 3/4', '1', '10 1/2'].map((t) => lengthOf(t)),
    );
    const print = part(kitePage(), 'launch/print');
    expect([print.x, print.y]).toEqual([
      lengthOf('1 3/8'),
      lengthOf('12') - lengthOf('1 1/2') - lengthOf('3/8') - lengthOf('6'),
    ]);
    expect(part(kitePage(), 'base/strip').x).toBe(lengthOf('12') - lengthOf('3/8') - lengthOf('9 1/2'));
  });
  test('the base, panels and mats are pieces to cut; the print is not', () => {
    expect(derivePage(kitePage()).pieces.map((p) => p.id)).toEqual([
      'base/base',
      'base/field',
      'base/strip',
      'launch/m2',
      'launch/m1',
    ]);
  });
  test('several alike are one piece, so often, that makes several parts', () => {
    const { pieces, parts } = derivePage(page(banners('tails', { count: 5 })));
    expect(pieces).toMatchObject([{ id: 'tails/strip', quantity: 5, finish: [{ do: 'notch' }] }]);
    expect(pieces[0]!.parts).toEqual(parts.map((p) => p.id));
    expect(parts.map((p) => p.piece)).toEqual(Array(5).fill('tails/strip'));
    expect(parts[0]!.shape!.outline.start).toEqual({ x: parts[0]!.x, y: parts[0]!.y });
  });
  test('a size between marks is cut at the nearest one, and says by how much', () => {
    const odd = page(photo('launch', ['4 1/64', '6'], [layer('m1', '1/8')]));
    const [piece] = derivePage(odd).pieces;
    expect([piece!.width, piece!.off.width]).toEqual([lengthOf('4 1/4'), lengthOf('1/64')]);
  });
  test('long on purpose: cut longer both ways, and said', () => {
    const trimmed = page(photo('launch', ['4', '6'], [layer('m1', '1/8')], { fit: { by: '1/4' } }));
    expect(derivePage(trimmed).pieces[0]).toMatchObject({
      width: lengthOf('4 1/2'),
      height: lengthOf('6 1/2'),
      over: lengthOf('1/4'),
    });
    const bad = page(photo('launch', ['4', '6'], [], { fit: { by: 'lots' } }));
    expect(derivePage(bad).problems).toMatchObject([
      { item: 'launch', problem: { code: 'field', path: ['fit', 'by'] } },
    ]);
  });
  test('changing the print moves the mats and what lies beside them, and says so', () => {
    const before = kitePage();
    const after = page(panels(), {
      ...launch(),
      input: { ...(launch().input as object), print: { width: '3⅞', height: '5⅝', known: 'measured' } },
    });
    const moves = listMoves(derivePage(before), derivePage(after));
    const sizes = moves.flatMap((m) =>
      'to' in m && m.what === 'width' ? [`${m.part} ${formatPlainLength(m.to, derivePage(after).mark)}`] : [],
    );
    expect(sizes).toEqual(['launch/m2 4 5/8', 'launch/m1 4 1/8', 'launch/print 3 7/8']);
    expect(moves.some((m) => m.part === 'launch/print' && m.what === 'y')).toBe(true);
    expect(moves.some((m) => m.part === 'base/field')).toBe(false);
    expect(listMoves(derivePage(before), derivePage(before))).toEqual([]);
  });
  test('one bad mat leaves the rest of the page standing, and is named', () => {
    const small = layer('m9', { reveal: { style: 'two' }, width: '3', height: '5' });
    const { problems, parts, pieces } = derivePage(page(panels(), launch(), photo('second', ['4', '6'], [small])));
    expect(problems).toMatchObject([
      { item: 'second', problem: { code: 'own', why: 'smaller-than-inside', edges: ['left', 'right'] } },
      { item: 'second', problem: { edges: ['bottom', 'top'] } },
    ]);
    expect(parts.map((p) => p.id)).toContain('second/print');
    expect(pieces.some((p) => p.item === 'second')).toBe(false);
    expect(parts.some((p) => p.id === 'launch/m1')).toBe(true);
  });
  test('a photo over the edge is pointed out', () => {
    const over = page(photo('launch', ['4', '6'], [], { at: at('right', '-1/2', 'centre', 0) }));
    expect(derivePage(over).suggestions).toContainEqual({
      item: 'launch',
      suggestion: { code: 'overhang', edges: ['right'], by: lengthOf('1/2') },
    });
  });
  test('names: its own where it has one, else what the words make of item and role', () => {
    const named = page({ ...launch(), names: { m2: 'storm mat' } });
    const names = derivePage(named, {
      part: (recipe, role, n, item) => `${recipe} ${role} ${n} of ${item}`,
      piece: (_recipe, role, n, item) => `cut ${role} ${n} of ${item}`,
      patch: (piece) => piece,
    });
    expect(names.parts.map((p) => p.name)).toEqual([
      'storm mat',
      'mat-stack mat 1 of launch',
      'mat-stack print 1 of launch',
    ]);
    expect(names.pieces.map((p) => p.name)).toEqual(['storm mat', 'cut mat 1 of launch']);
  });
});

describe('where items lie', () => {
  const spot = (of: Page, id: string) => {
    const { box } = derivePage(of).items.get(id)!;
    return [box.x, box.y].map((t) => formatPlainLength(t, derivePage(of).mark));
  };
  const square = (id: string, more: Partial<Item>) => ({ ...photo(id, ['2', '2'], []), ...more });
  test.each([
    [at('left', '1', 'bottom', '2'), ['1', '2']],
    [at('right', '1', 'top', '2'), ['9', '8']],
    [CENTRED, ['5', '5']],
    [{ across: { from: 'left-third', by: 0 }, upDown: { from: 'upper-third', by: '-1' } }, ['3', '6']],
    [{ across: { from: 'right-third', by: '1/2' }, upDown: { from: 'lower-third', by: 0 } }, ['7 1/2', '3']],
  ] as [Item['at'], string[]][])('%j', (place, expected) => {
    expect(spot(page(square('a', { at: place })), 'a')).toEqual(expected);
  });
  test('beside, before and in line with another item, which may be listed later', () => {
    const of = page(
      square('b', { at: { across: { from: 'after', by: '1/2', of: 'a' }, upDown: { from: 'top', by: 0, of: 'a' } } }),
      square('c', {
        at: { across: { from: 'before', by: '1/4', of: 'a' }, upDown: { from: 'centre', by: 0, of: 'b' } },
      }),
      photo('a', ['3', '4'], [], { at: at('left', '5', 'bottom', '1') }),
    );
    expect([spot(of, 'b'), spot(of, 'c')]).toEqual([
      ['8 1/2', '3'],
      ['2 3/4', '3'],
    ]);
  });
  test('on a panel, its room is that panel; a row of banners spreads over it', () => {
    const row = banners(
      'tails',
      { spread: 'room', count: 4, row: { gap: '1/4' } },
      { on: { item: 'base', slot: 'sky' } },
    );
    const of = page(base([layer('sky', '1')]), { ...row, at: at('left', 0, 'top', 0) });
    expect(spot(of, 'tails')).toEqual(['1', '5']);
    expect(derivePage(of).items.get('tails')!.box.width).toBe(lengthOf('10'));
  });
  test('a circle names those in it; what is gone is said', () => {
    const beside = (id: string, of: string) =>
      square(id, { at: { across: { from: 'after', by: 0, of }, upDown: { from: 'centre', by: 0 } } });
    const circle = derivePage(page(beside('a', 'b'), beside('b', 'c'), beside('c', 'a')));
    expect(circle.problems).toMatchObject([{ problem: { code: 'circle', items: ['a', 'b', 'c'] } }]);
    expect(circle.parts).toHaveLength(3);
    expect(derivePage(page(beside('a', 'gone'))).problems).toMatchObject([
      { item: 'a', problem: { code: 'no-room', axis: 'across' } },
    ]);
    const lost = page(square('a', { on: { item: 'gone', slot: 'x' } }));
    expect(derivePage(lost).problems).toMatchObject([{ problem: { code: 'no-room', axis: null } }]);
  });
  test('a spread: two pages with a gap, an item on one of them or over both, no reveal at the seam', () => {
    const spread: Page = {
      ...page(base([layer('sky', '1/2')], { on: { page: 'right' } }), square('a', {})),
      ground: { width: '8', height: '8', seam: '1/4' },
    };
    const derived = derivePage(spread);
    expect([derived.width, derived.seam]).toEqual([lengthOf('16 1/4'), { x: lengthOf('8'), width: lengthOf('1/4') }]);
    const sky = derived.parts.find((p) => p.id === 'base/sky')!;
    expect([sky.x, sky.width].map((t) => formatPlainLength(t, derived.mark))).toEqual(['8 1/4', '7 1/2']);
    expect(spot(spread, 'a')[0]).toBe('7 1/8');
  });
});

describe('working out only what changed', () => {
  test('an item whose input and room stay the same is the same object; the result is the same as from the start', () => {
    const before = kitePage();
    const was = derivePage(before);
    const after = setItemField(before, was, 'launch', ['print', 'width'], '5');
    const now = derivePage(after, undefined, was);
    expect(now.items.get('base')).toBe(was.items.get('base'));
    expect(now.items.get('launch')).not.toBe(was.items.get('launch'));
    expect(now.parts).toEqual(derivePage(after).parts);
  });
  test('what lies on it, or counts from it, follows', () => {
    const row = banners(
      'tails',
      { spread: 'room', count: 4, row: { gap: '1/4' } },
      { on: { item: 'base', slot: 'sky' } },
    );
    const before = page(base([layer('sky', '1')]), row);
    const was = derivePage(before);
    const after = setItemField(before, was, 'base', ['panels', 0, 'reveal', 'all'], '1 1/2');
    expect(derivePage(after, undefined, was).parts).toEqual(derivePage(after).parts);
    expect(derivePage(after, undefined, was).items.get('tails')!.box.width).toBe(lengthOf('9'));
  });
  test('a mended problem does not linger', () => {
    const beside = {
      ...photo('a', ['2', '2'], []),
      at: { across: { from: 'after' as const, by: 0, of: 'b' }, upDown: CENTRED.upDown },
    };
    const was = derivePage(page(beside));
    const now = derivePage(page(beside, photo('b', ['2', '2'], [])), undefined, was);
    expect(now.problems).toEqual([]);
  });
});

describe('the page document', () => {
  test('accepts its own example and refuses strangers, ids used twice and absurd lengths, naming the field', () => {
    expect(pageSchema.safeParse(kitePage()).error).toBeUndefined();
    expect(pageSchema.safeParse({ ...kitePage(), glitter: true }).success).toBe(false);
    const fault = (of: unknown) => pageSchema.safeParse(of).error?.issues[0];
    expect(fault(page(launch(), launch()))).toMatchObject({ path: ['items', 1, 'id'], message: 'used-twice' });
    expect(fault(page(base([layer('a', '1'), layer('a', '1')])))).toMatchObject({
      path: ['items', 0, 'input', 'panels', 1, 'id'],
      message: 'used-twice',
    });
    expect(fault({ ...kitePage(), ground: { width: '-4', height: '12' } })).toMatchObject({
      path: ['ground', 'width'],
      message: 'length-not-positive',
    });
    expect(fault(page({ ...launch(), input: { print: {}, mats: 3 } }))?.path.slice(0, 3)).toEqual([
      'items',
      0,
      'input',
    ]);
    expect(fault(page({ ...launch(), recipe: 'kite' as never }))?.path).toEqual(['items', 0, 'recipe']);
    expect(fault(page({ ...launch(), at: { ...CENTRED, across: { from: 'after', by: 0 } } }))?.path).toEqual([
      'items',
      0,
      'at',
      'across',
      'of',
    ]);
  });
  test('changing the unit keeps every length', () => {
    const wished = { ...launch(), wishes: { m1: wishFor('x', { from: { stock: 's', x: '1', y: 0 } }) } };
    const inMm = convertPageUnit(page(panels(), wished, banners('tails', {})), 'mm');
    const places = (of: Page) => derivePage(of).parts.map(({ x, y, width, height }) => [x, y, width, height]);
    expect(places(inMm)).toEqual(places(page(panels(), wished, banners('tails', {}))));
    expect(inMm.items[1]).toMatchObject({
      input: { print: { width: '4 in' }, mats: [{ reveal: { all: '1/8 in' } }, {}] },
      wishes: { m1: { from: { x: '1 in', y: 0 } } },
    });
    expect(pageSchema.safeParse(inMm).success).toBe(true);
    expect(convertPageUnit(inMm, 'mm')).toBe(inMm);
  });
});

describe('earlier versions', () => {
  const fixture = (version: number): unknown =>
    JSON.parse(readFileSync(new URL(`../../fixtures/page-${version}.json`, import.meta.url), 'utf8'));
  test('there is a fixture of every version, and a named step from each but this one', () => {
    expect(PAGE_STEPS.map((s) => s.from)).toEqual(Array.from({ length: PAGE_VERSION - 1 }, (_, i) => i + 1));
    for (const { name } of PAGE_STEPS) expect(name.length).toBeGreaterThan(10);
    for (let version = 1; version <= PAGE_VERSION; version++) {
      expect(fixture(version)).toMatchObject({ format: 'temnex-page', version });
      expect(pageSchema.safeParse(migratePage(fixture(version))).error).toBeUndefined();
    }
  });
  test('version 1: base and panels become one item, each photo with its mats one, and everything lies where it lay', () => {
    const now = pageSchema.parse(migratePage(fixture(1)));
    expect(derivePage(now).problems).toEqual([]);
    const lies = Object.fromEntries(
      derivePage(now).parts.map((p) => [p.id, [p.x, p.y, p.width, p.height].map((t) => t / 24384)]),
    );
    // as version 1 worked them out
    expect(lies).toEqual({
      'base/base': [0, 0, 12, 12],
      'base/field': [0.375, 0.375, 11.25, 11.25],
      'base/strip': [2.125, 0.5, 9.5, 11],
      'base/low': [2.625, 0.5, 8.5, 10],
      'launch/m2': [1, 3.375, 4.625, 7.125],
      'launch/m1': [1.1875, 4.0625, 4.25, 6.25],
      'launch/print': [1.3125, 4.1875, 4, 6],
      'tail/m3': [9.25, 4.75, 2.25, 2.5],
      'tail/print': [
        expect.closeTo(9.3907, 4),
        expect.closeTo(5.0157, 4),
        expect.closeTo(1.9685, 4),
        expect.closeTo(1.9685, 4),
      ],
    });
    expect(now).toMatchObject({ copies: 2, spares: ['launch/m1'], first: ['base/base', 'base/strip'] });
    expect(now.items[0]).toMatchObject({
      wishes: { base: { papers: ['slate'] }, strip: { side: 'any' } },
      names: { field: 'field', low: 'low water' },
    });
    // names that were made up follow from the photo's name now
    expect(now.items[1]!.names).toEqual({ m2: 'outer mat' });
    expect(now.items[0]!.names).not.toHaveProperty('strip');
  });
  test('this version comes out as it went in; what is no page is left to the schema', () => {
    const now = fixture(PAGE_VERSION);
    expect(migratePage(now)).toEqual(now);
    for (const nonsense of [
      null,
      7,
      'page',
      [],
      {},
      { version: 1 },
      { version: 1, base: 3 },
      { version: 1, base: {}, photos: 'x' },
    ])
      expect(pageSchema.safeParse(migratePage(nonsense)).success).toBe(false);
  });
  test('a layer that is added after a migration has an id of its own', () => {
    const now = pageSchema.parse(migratePage(fixture(1)));
    const more = addEntry(now, derivePage(now), 'launch', ['mats'], 'm4');
    expect(derivePage(more).parts.map((p) => p.id)).toContain('launch/m4');
    expect(changeItem(more, 'launch', { name: 'x' }).items[1]!.name).toBe('x');
  });
});
