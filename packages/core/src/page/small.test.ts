import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inches, lengthOf } from '../length/index.ts';
import { at, banners, base, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  changeItem,
  choosePaper,
  freeSpot,
  inRowWith,
  spaceEvenly,
  countFrom,
  derivePage,
  emptyPage,
  inOtherUnit,
  migratePage,
  moveTo,
  movePart,
  newItem,
  pageSchema,
  piecesOfParts,
  removeItem,
  removePart,
  renamePart,
  addEntry,
  setItemField,
  startPage,
  takeOffers,
  whatMoved,
  type Item,
  type Page,
  type Place,
} from './index.ts';

/* Small faults that the large tests would let pass: limits, what is kept as it was, each case by itself. */

const faults = (document: unknown) =>
  (pageSchema.safeParse(document).error?.issues ?? []).map((issue) => {
    const problem = (issue as { params?: { problem: { code: string } } }).params?.problem;
    return `${issue.path.join('.')} ${problem?.code ?? issue.code}`;
  });
const plain = (): Page => page(photo('a', ['4', '6'], [layer('m', '1/4')]));
const withItem = (change: object): object => ({ ...plain(), items: [{ ...plain().items[0]!, ...change }] });
const place = (across: object, upDown: object = { from: 'top', by: 0 }) => ({ at: { across, upDown } });

describe('what a page takes', () => {
  test.each<[string, object, string[]]>([
    ['a plain page', plain(), []],
    ['a name of 120', withItem({ name: 'x'.repeat(120) }), []],
    ['a longer one', withItem({ name: 'x'.repeat(121) }), ['items.0.name too_big']],
    ['no name', withItem({ name: '  ' }), ['items.0.name too_small']],
    ['an id with a slash', withItem({ id: 'a/b' }), ['items.0.id invalid_format']],
    ['an id of 64', withItem({ id: 'x'.repeat(64) }), []],
    ['a longer one', withItem({ id: 'x'.repeat(65) }), ['items.0.id invalid_format']],
    ['no id', withItem({ id: '' }), ['items.0.id invalid_format']],
    ['after nothing', withItem(place({ from: 'after', by: 0 })), ['items.0.at.across.of custom']],
    ['before nothing', withItem(place({ from: 'before', by: 0 })), ['items.0.at.across.of custom']],
    [
      'above nothing',
      withItem(place({ from: 'left', by: 0 }, { from: 'after', by: 0 })),
      ['items.0.at.upDown.of custom'],
    ],
    ['after another', withItem(place({ from: 'after', by: 0, of: 'b' })), []],
    ['a third', withItem(place({ from: 'left-third', by: '-1' })), []],
    ['on the left page', withItem({ on: { page: 'left' } }), []],
    ['on no page', withItem({ on: { page: 'middle' } }), ['items.0.on invalid_union']],
    ['on a slot', withItem({ on: { item: 'b', slot: 's' } }), []],
    ['on no slot', withItem({ on: { item: 'b', slot: '' } }), ['items.0.on.slot too_small']],
    ['a wish', withItem({ wishes: { m: wishFor('p') } }), []],
    [
      'a wish for no paper',
      withItem({ wishes: { m: { ...wishFor('p'), papers: [] } } }),
      ['items.0.wishes.m.papers too_small'],
    ],
    [
      'a wish for twenty',
      withItem({ wishes: { m: { ...wishFor('p'), papers: Array.from({ length: 20 }, (_, i) => `p${i}`) } } }),
      [],
    ],
    [
      'for more',
      withItem({ wishes: { m: { ...wishFor('p'), papers: Array.from({ length: 21 }, (_, i) => `p${i}`) } } }),
      ['items.0.wishes.m.papers too_big'],
    ],
    ['from the corner', withItem({ wishes: { m: { ...wishFor('p'), from: { stock: 's', x: 0, y: '0' } } } }), []],
    [
      'from beyond it',
      withItem({ wishes: { m: { ...wishFor('p'), from: { stock: 's', x: '-1', y: 0 } } } }),
      ['items.0.wishes.m.from.x length-not-positive'],
    ],
    ['a seam of nothing', { ...plain(), ground: { width: '12', height: '12', seam: '0' } }, []],
    [
      'a seam too wide',
      { ...plain(), ground: { width: '12', height: '12', seam: '101' } },
      ['ground.seam length-too-large'],
    ],
    ['a page too wide', { ...plain(), ground: { width: '200', height: '12' } }, ['ground.width length-too-large']],
    ['a page too high', { ...plain(), ground: { width: '12', height: '200' } }, ['ground.height length-too-large']],
    ['no copies', { ...plain(), copies: 0 }, ['copies too_small']],
    ['500 copies', { ...plain(), copies: 500 }, []],
    ['501', { ...plain(), copies: 501 }, ['copies too_big']],
    ['an item twice', page(photo('a', ['4', '6'], []), photo('a', ['4', '6'], [])), ['items.1.id used-twice']],
    [
      'a mat twice',
      page(photo('a', ['4', '6'], [layer('m', '1'), layer('m', '1')])),
      ['items.0.input.mats.1.id used-twice'],
    ],
  ])('%s', (_, document, said) => expect(faults(document)).toEqual(said));
  test('what is used twice is named', () => {
    const read = pageSchema.safeParse(page(photo('a', ['4', '6'], []), photo('a', ['4', '6'], [])));
    expect(read.error!.issues[0]).toMatchObject({
      message: 'used-twice',
      params: { problem: { code: 'used-twice', id: 'a' } },
    });
  });
  test('200 items, no more', () => {
    const many = (n: number) => ({
      ...plain(),
      items: Array.from({ length: n }, (_, i) => photo(`p${i}`, ['1', '1'], [])),
    });
    expect(faults(many(200))).toEqual([]);
    expect(faults(many(201))).toEqual(['items too_big']);
  });
  test('lists of pieces: 500, each a name of a piece', () => {
    const ids = (n: number, long = 5) => Array.from({ length: n }, (_, i) => String(i).padStart(long, 'x'));
    for (const list of ['spares', 'first']) {
      expect(faults({ ...plain(), [list]: ids(500, 130) })).toEqual([]);
      expect(faults({ ...plain(), [list]: ids(501) })).toEqual([`${list} too_big`]);
      expect(faults({ ...plain(), [list]: ids(1, 131) })).toEqual([`${list}.0 too_big`]);
    }
  });
  test('an empty page is of the usual size in its unit', () => {
    expect(emptyPage('p')).toEqual({
      ...{ format: 'temnex-page', version: 2, name: 'p', unit: 'in', mark: '1/16' },
      ...{ ground: { width: '12', height: '12' }, items: [], copies: 1, spares: [], first: [] },
    });
    expect(emptyPage('p', 'mm')).toMatchObject({ unit: 'mm', mark: '1 mm', ground: { width: '305', height: '305' } });
  });
  test('a new item has a name that is not too long, and lies in the middle', () =>
    expect(newItem({ id: 'a', name: 'x'.repeat(200), recipe: 'mat-stack', input: {} })).toEqual({
      ...{ id: 'a', name: 'x'.repeat(120), recipe: 'mat-stack', input: {}, version: expect.any(Number) },
      ...{ on: 'page', wishes: {}, names: {}, fit: 'exact' },
      at: { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } },
    }));
});

describe('in another unit', () => {
  const item = photo('a', ['4', '6'], [layer('m', '1/4')], {
    at: at('left', '1', 'top', '2'),
    fit: { by: '1/8' },
    wishes: { m: { ...wishFor('p'), from: { stock: 's', x: '3', y: 0 } }, n: wishFor('q') },
  });
  const spread: Page = { ...page(item), ground: { width: '12', height: '12', seam: '1/2' } };
  test('everything that was typed bare keeps its meaning', () => {
    const there = inOtherUnit(spread, 'mm');
    expect(there).toMatchObject({
      ...{ unit: 'mm', mark: '1 mm', ground: { width: '12 in', height: '12 in', seam: '1/2 in' } },
      items: [
        {
          at: { across: { by: '1 in' }, upDown: { by: '2 in' } },
          fit: { by: '1/8 in' },
          wishes: { m: { from: { stock: 's', x: '3 in', y: 0 } }, n: wishFor('q') },
        },
      ],
    });
    const before = derivePage(spread);
    const after = derivePage(there);
    expect([after.width, after.height, after.seam]).toEqual([before.width, before.height, before.seam]);
    expect(after.parts.map((p) => [p.x, p.y, p.width, p.height])).toEqual(
      before.parts.map((p) => [p.x, p.y, p.width, p.height]),
    );
  });
  test('in the same, nothing changes; a page of one half has no seam; what fits stays exact', () => {
    expect(inOtherUnit(spread, 'in')).toBe(spread);
    expect(inOtherUnit(plain(), 'mm').ground).toEqual({ width: '12 in', height: '12 in' });
    expect(inOtherUnit(plain(), 'mm').items[0]!.fit).toBe('exact');
    expect(inOtherUnit(inOtherUnit(plain(), 'mm'), 'in').mark).toBe('1/16');
  });
});

describe('what follows from a page', () => {
  test('names are made of what there is, where nobody gives any', () =>
    expect(derivePage(plain()).parts.map((p) => p.name)).toEqual(['a mat 1', 'a print 1']));
  test('a ground that does not read: nothing is worked out, and the field is named', () => {
    const derived = derivePage({ ...plain(), ground: { width: 'wide', height: '12', seam: '-1' } });
    expect(derived).toMatchObject({ parts: [], pieces: [], suggestions: [] });
    expect(derived.items.size).toBe(0);
    expect(derived.problems).toEqual([
      {
        item: null,
        offers: [],
        problem: { code: 'field', path: ['ground', 'width'], problem: { code: 'length-unreadable', text: 'wide' } },
      },
      {
        item: null,
        offers: [],
        problem: { code: 'field', path: ['ground', 'seam'], problem: { code: 'length-not-positive', text: '-1' } },
      },
    ]);
    expect(derivePage({ ...plain(), ground: { width: '12', height: '0' } }).problems).toHaveLength(1);
  });
  test('each half of a spread begins where it does; of a single page there is only one', () => {
    const onHalf = (half: 'left' | 'right', seam?: string): Page => ({
      ...page(photo('a', ['4', '6'], [], { on: { page: half }, at: at('left', 0, 'bottom', 0) })),
      ground: { width: '12', height: '11', ...(seam === undefined ? {} : { seam }) },
    });
    const box = (p: Page) => derivePage(p).items.get('a')!;
    expect(box(onHalf('left', '1/2'))).toMatchObject({
      box: { x: 0 },
      room: { width: inches(12), height: inches(11) },
    });
    expect(box(onHalf('right', '1/2')).box.x).toBe(lengthOf('12 1/2'));
    expect(box(onHalf('left', '1/2')).table.room.seams).toEqual(['right']);
    expect(box(onHalf('right', '1/2')).table.room.seams).toEqual(['left']);
    expect(box(onHalf('right'))).toMatchObject({ box: { x: 0 }, table: { room: { seams: [] } } });
    const whole = derivePage({ ...plain(), ground: { width: '12', height: '11', seam: '1/2' } });
    expect(whole).toMatchObject({ width: lengthOf('24 1/2'), seam: { x: inches(12), width: lengthOf('1/2') } });
    expect(whole.items.get('a')!.room).toMatchObject({ x: 0, width: lengthOf('24 1/2') });
    expect(whole.items.get('a')!.table.room.seams).toEqual([]);
  });
  test('items in a circle are named, those on the way to it are not', () => {
    const beside = (id: string, of: string) =>
      photo(id, ['1', '1'], [], { at: { across: { from: 'after', by: 0, of }, upDown: { from: 'top', by: 0 } } });
    const problems = derivePage(page(beside('x', 'a'), beside('a', 'b'), beside('b', 'a'))).problems;
    expect(problems).toEqual([{ item: 'b', problem: { code: 'circle', items: ['a', 'b'] }, offers: [] }]);
  });
  test('on or beside what is not there', () => {
    const of = (more: Partial<Item>) =>
      derivePage(page(photo('a', ['1', '1'], [], more), photo('b', ['2', '2'], []))).problems;
    expect(of({ on: { item: 'gone', slot: 's' } })).toEqual([
      { item: 'a', problem: { code: 'no-room', axis: null }, offers: [] },
    ]);
    expect(of({ on: { item: 'b', slot: 'none' } })).toEqual([
      { item: 'a', problem: { code: 'no-room', axis: null }, offers: [] },
    ]);
    const upDown = { from: 'after', by: 0, of: 'gone' } as const;
    expect(of({ at: { across: { from: 'left', by: 0 }, upDown } })).toEqual([
      { item: 'a', problem: { code: 'no-room', axis: 'upDown' }, offers: [] },
    ]);
  });
  test('a distance or an excess that does not read is named, and the rest is there all the same', () => {
    const derived = derivePage(
      page(photo('a', ['4', '6'], [layer('m', '1')], { at: at('left', 'far', 'bottom', 'x'), fit: { by: 'y' } })),
    );
    expect(derived.problems.map((p) => 'path' in p.problem && p.problem.path)).toEqual([
      ['at', 'across', 'by'],
      ['at', 'upDown', 'by'],
      ['fit', 'by'],
    ]);
    expect(derived.problems.every((p) => p.item === 'a' && p.offers.length === 0)).toBe(true);
    expect(derived.items.get('a')!.box).toMatchObject({ x: 0, y: 0, width: inches(6), height: inches(8) });
    expect(derived.pieces[0]).toMatchObject({ width: inches(6), over: 0 });
  });
  test('longer on purpose: the piece, both ways, not the part', () => {
    const derived = derivePage(page(photo('a', ['4', '6'], [layer('m', '1')], { fit: { by: '1/2' } })));
    expect(derived.pieces[0]).toMatchObject({
      width: lengthOf('6 1/2'),
      height: lengthOf('8 1/2'),
      over: lengthOf('1/2'),
    });
    expect(derived.parts[0]).toMatchObject({ width: inches(6), height: inches(8) });
  });
  test.each([
    ['left', '-1', 'bottom', '1', ['left'], '1'],
    ['right', '-2', 'bottom', '1', ['right'], '2'],
    ['left', '1', 'top', '-1/2', ['top'], '1/2'],
    ['left', '1', 'bottom', '-3', ['bottom'], '3'],
    ['left', '-1', 'bottom', '-3', ['left', 'bottom'], '3'],
  ] as const)('over the edge: %s %s, %s %s', (across, by, upDown, away, edges, most) => {
    const derived = derivePage(page(photo('a', ['4', '6'], [], { at: at(across, by, upDown, away) })));
    expect(derived.suggestions).toContainEqual({
      item: 'a',
      suggestion: { code: 'overhang', edges, by: lengthOf(most) },
    });
  });
  test('flush with the edge is not over it', () =>
    expect(derivePage(page(photo('a', ['4', '6'], [], { at: at('right', 0, 'top', 0) }))).suggestions).toEqual([]));
  test('each part and piece has the wish and the name of its own', () => {
    const item = photo('a', ['4', '6'], [layer('m', '1')], { wishes: { m: wishFor('p') }, names: { m: 'sea' } });
    const derived = derivePage(page(item));
    expect(derived.parts.map((p) => [p.id, p.name, p.piece, p.wish])).toEqual([
      ['a/m', 'sea', 'a/m', wishFor('p')],
      ['a/print', 'a print 1', null, null],
    ]);
    expect(derived.pieces.map((p) => [p.id, p.name, p.wish, p.parts])).toEqual([['a/m', 'sea', wishFor('p'), ['a/m']]]);
    expect(derivePage(plain()).pieces[0]!.wish).toBeNull();
  });
  test('given the page as it was, the same follows, and what stayed the same is the same', () => {
    const items = [
      base([layer('panel', '1/2')]),
      photo('a', ['4', '6'], [layer('m', '1/4')], { at: at('left', '1', 'bottom', '2') }),
      photo('b', ['2', '3'], [layer('m', '1/8')], {
        at: { across: { from: 'after', by: '1/4', of: 'a' }, upDown: { from: 'centre', by: 0, of: 'a' } },
      }),
      banners('flags', {}, { at: at('right', '1', 'top', '1') }),
    ];
    const start = page(...items);
    const changes: ((p: Page) => Page)[] = [
      (p) => changeItem(p, 'a', { at: at('left', '2', 'bottom', '2') }),
      (p) => changeItem(p, 'a', { at: at('left', '1', 'bottom', '3') }),
      (p) => changeItem(p, 'a', { fit: { by: '1/8' } }),
      (p) => changeItem(p, 'b', { name: 'other' }),
      (p) => changeItem(p, 'b', { on: { page: 'left' } }),
      (p) => ({ ...p, ground: { width: '10', height: '12' } }),
      (p) => ({ ...p, ground: { width: '12', height: '10' } }),
      (p) => ({ ...p, ground: { ...p.ground, seam: '1' } }),
      (p) => ({ ...p, mark: '1/8' as const }),
      (p) => inOtherUnit(p, 'mm'),
      (p) => setItemField(p, derivePage(p), 'a', ['print', 'width'], '5'),
      (p) => choosePaper(p, { item: 'a', blank: 'm' }, wishFor('p')),
      (p) => removeItem(p, derivePage(p), 'a'),
      (p) => ({ ...p, items: p.items.map((i) => (i.id === 'a' ? photo('a', ['1', '1'], []) : i)) }),
    ];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...changes), { minLength: 1, maxLength: 5 }), (steps) => {
        let now = start;
        let derived = derivePage(now);
        for (const step of steps) {
          now = step(now);
          derived = derivePage(now, undefined, derived);
          const afresh = derivePage(now);
          expect(derived).toEqual(afresh);
        }
      }),
      { numRuns: 60, seed: 4 },
    );
    const before = derivePage(start);
    const moved = derivePage(changes[0]!(start), undefined, before);
    expect(moved.items.get('flags')).toBe(before.items.get('flags'));
    expect(moved.items.get('base')).toBe(before.items.get('base'));
    expect(moved.items.get('a')).not.toBe(before.items.get('a'));
    expect(moved.items.get('a')!.solved).toBe(before.items.get('a')!.solved);
    // what counts from it moved along, and was not worked out anew
    expect(moved.items.get('b')!.box.x).toBe(before.items.get('b')!.box.x + inches(1));
    expect(moved.items.get('b')!.solved).toBe(before.items.get('b')!.solved);
  });
});

describe('places', () => {
  const where = (place: Place) => {
    const box = derivePage(
      page(
        photo('o', ['2', '3'], [], { at: at('left', '4', 'bottom', '5') }),
        photo('a', ['1', '1'], [], { at: place }),
      ),
    ).items.get('a')!.box;
    return [box.x / inches(1), box.y / inches(1)];
  };
  test.each<[Place['across']['from'], Place['upDown']['from'], number[], number[]]>([
    ['left', 'bottom', [0.25, 0.25], [4.25, 5.25]],
    ['right', 'top', [10.75, 10.75], [4.75, 6.75]],
    ['centre', 'centre', [5.75, 5.75], [4.75, 6.25]],
    ['left-third', 'lower-third', [3.75, 3.75], [4.416667, 5.75]],
    ['right-third', 'upper-third', [7.75, 7.75], [5.083333, 6.75]],
  ])('%s, %s: of the page, of another', (across, upDown, ofPage, ofOther) => {
    const near = (xy: number[]) => xy.map((n) => expect.closeTo(n, 4) as unknown as number);
    expect(where({ across: { from: across, by: '1/4' }, upDown: { from: upDown, by: '1/4' } })).toEqual(near(ofPage));
    expect(
      where({ across: { from: across, by: '1/4', of: 'o' }, upDown: { from: upDown, by: '1/4', of: 'o' } }),
    ).toEqual(near(ofOther));
  });
  test('before and after another', () => {
    const beside = (from: 'before' | 'after') =>
      where({ across: { from, by: '1/4', of: 'o' }, upDown: { from, by: '1/4', of: 'o' } });
    expect(beside('before')).toEqual([2.75, 3.75]);
    expect(beside('after')).toEqual([6.25, 8.25]);
  });
});

describe('changes, at their edges', () => {
  const start = page(
    photo('a', ['4', '6'], [layer('m', '1/4'), layer('n', '1/4')], {
      ...{
        at: at('left', '1', 'bottom', '2'),
        wishes: { m: wishFor('p'), n: wishFor('q') },
        names: { m: 'sea', n: 'sand' },
      },
    }),
    photo('b', ['1', '2'], [], {
      at: { across: { from: 'after', by: '1', of: 'a' }, upDown: { from: 'top', by: '1' } },
    }),
    photo('c', ['1', '2'], [], {
      at: { across: { from: 'left', by: '1' }, upDown: { from: 'after', by: '1/2', of: 'a' } },
    }),
  );
  const derived = derivePage(start);
  const part = (id: string) => derived.parts.find((p) => p.id === id)!;
  test('of an item that is not there nothing changes', () => {
    expect(setItemField(start, derived, 'gone', ['print', 'width'], '1')).toBe(start);
    expect(takeOffers(start, derived, 'gone', [])).toBe(start);
    expect(addEntry(start, derived, 'gone', ['mats'], 'x')).toBe(start);
    expect(removeItem(start, derived, 'gone')).toBe(start);
    expect(countFrom(start, derived, 'gone', 'across', 'right')).toBe(start);
    expect(moveTo(start, derived, 'gone', { x: 0, y: 0 })).toBe(start);
  });
  test('moved to a spot, an item counts from where it did, also from another', () => {
    const there = (id: string, x: string, y: string) => {
      const next = moveTo(start, derived, id, { x: lengthOf(x), y: lengthOf(y) });
      return [next.items.find((i) => i.id === id)!.at, derivePage(next).items.get(id)!.box] as const;
    };
    const [atB, boxB] = there('b', '7', '3');
    expect(atB).toEqual({ across: { from: 'after', by: '1', of: 'a' }, upDown: { from: 'top', by: '7' } });
    expect(boxB).toMatchObject({ x: lengthOf('7'), y: lengthOf('3') });
    const [atC, boxC] = there('c', '2', '10');
    expect(atC).toEqual({ across: { from: 'left', by: '2' }, upDown: { from: 'after', by: '1', of: 'a' } });
    expect(boxC).toMatchObject({ x: lengthOf('2'), y: lengthOf('10') });
  });
  test('counted from another edge, it stays where it is', () => {
    for (const [id, axis, from] of [
      ['a', 'across', 'right'],
      ['a', 'upDown', 'top'],
      ['b', 'across', 'left'],
      ['c', 'upDown', 'bottom'],
    ] as const) {
      const next = countFrom(start, derived, id, axis, from);
      expect(derivePage(next).items.get(id)!.box).toEqual(derived.items.get(id)!.box);
      expect(next.items.find((i) => i.id === id)!.at[axis].from).toBe(from);
    }
  });
  test('what counted from a removed item stays where it is; what did not is as it was', () => {
    const next = removeItem(start, derived, 'a');
    const now = derivePage(next);
    expect(next.items.map((i) => i.id)).toEqual(['b', 'c']);
    for (const id of ['b', 'c']) expect(now.items.get(id)!.box).toEqual(derived.items.get(id)!.box);
    expect(next.items[0]!.at).toEqual({ across: { from: 'left', by: '7' }, upDown: { from: 'bottom', by: '9' } });
    const other = removeItem(start, derived, 'b');
    expect(other.items[0]).toBe(start.items[0]);
    expect(other.items[1]).toBe(start.items[2]);
  });
  test('a layer goes with its name and its paper, the others keep theirs', () => {
    const [item] = removePart(start, derived, part('a/m')).items;
    expect([item!.wishes, item!.names]).toEqual([{ n: wishFor('q') }, { n: 'sand' }]);
    expect(removePart(start, derived, part('b/print')).items.map((i) => i.id)).toEqual(['a', 'c']);
  });
  test('a layer is renamed by itself, the one that stands for its item names that', () => {
    const named = renamePart(start, part('a/m'), 'storm').items[0]!;
    expect([named.name, named.names]).toEqual(['a', { m: 'storm', n: 'sand' }]);
    const whole = renamePart(start, part('a/print'), 'launch').items[0]!;
    expect([whole.name, whole.names]).toEqual(['launch', { m: 'sea', n: 'sand' }]);
  });
  test('a layer moves within its item, an item within the page', () => {
    const ids = (p: Page) => (p.items[0]!.input as { mats: { id: string }[] }).mats.map((m) => m.id);
    expect(ids(movePart(start, part('a/m'), 1))).toEqual(['n', 'm']);
    expect(movePart(start, part('b/print'), 1).items.map((i) => i.id)).toEqual(['a', 'c', 'b']);
  });
  test('a new page has what lies beneath, unless that is what is put on it', () => {
    let n = 0;
    const newId = () => `id${++n}`;
    const on = (made: Parameters<typeof startPage>[1]) =>
      startPage(emptyPage('p'), made, (recipe) => `the ${recipe}`, newId).items.map((i) => [i.recipe, i.name]);
    expect(on(null)).toEqual([['base-panels', 'the base-panels']]);
    expect(on({ id: 'x', name: 'mats', recipe: 'mat-stack', input: photo('a', ['1', '1'], []).input })).toEqual([
      ['base-panels', 'the base-panels'],
      ['mat-stack', 'mats'],
    ]);
    expect(on({ id: 'x', name: 'mine', recipe: 'base-panels', input: base().input })).toEqual([
      ['base-panels', 'mine'],
    ]);
  });
});

describe('what moved', () => {
  test('sizes, then places, then what came and went, each once', () => {
    const before = page(photo('a', ['4', '6'], [], { at: at('left', '1', 'bottom', '1') }), photo('b', ['1', '1'], []));
    const after = page(photo('a', ['5', '6'], [], { at: at('left', '2', 'bottom', '1') }), photo('c', ['1', '1'], []));
    expect(whatMoved(derivePage(before), derivePage(after))).toEqual([
      { part: 'a/print', name: 'a print 1', what: 'width', from: inches(4), to: inches(5) },
      { part: 'a/print', name: 'a print 1', what: 'x', from: inches(1), to: inches(2) },
      { part: 'c/print', name: 'c print 1', what: 'added' },
      { part: 'b/print', name: 'b print 1', what: 'removed' },
    ]);
  });
});

describe('what is brought up to date', () => {
  test('what is no page, or one of another version, comes out as it went in', () => {
    for (const thing of [null, 3, 'page', [], { version: 9, items: [] }, { version: 2, items: 'none' }])
      expect(migratePage(thing)).toEqual(thing);
  });
  test('items that are none, of no recipe, of no version, or of a later one are left alone', () => {
    const items = [
      null,
      7,
      { recipe: 'no-such' },
      { recipe: 'mat-stack', input: 1 },
      { recipe: 'mat-stack', version: 99, input: 1 },
    ];
    expect(migratePage({ version: 2, items })).toEqual({ version: 2, items });
  });
  const version1 = (parts: object) => ({ format: 'temnex-page', version: 1, name: 'p', unit: 'in', ...parts });
  const reveals = (part: object) => {
    const photos = [
      {
        id: 'p',
        name: 'p',
        print: { width: '4', height: '6', known: 'measured' },
        mats: [{ id: 'm', ...part }],
        at: {},
      },
    ];
    const now = migratePage(version1({ base: {}, panels: [], photos })) as {
      items: { input: { mats?: { reveal: unknown }[] } }[];
    };
    return now.items.flatMap((i) => i.input.mats ?? [])[0];
  };
  test.each([
    [{ reveal: ['1'] }, { id: 'm', reveal: { style: 'even', all: '1' } }],
    [{ reveal: ['1', '2'] }, { id: 'm', reveal: { style: 'two', across: '1', upDown: '2' } }],
    [
      { reveal: ['1', '2', '3', '4'] },
      { id: 'm', reveal: { style: 'four', left: '1', right: '2', top: '3', bottom: '4' } },
    ],
    [
      { reveal: ['1'], rest: { across: 'left' } },
      { id: 'm', reveal: { style: 'four', left: '0', right: '1', top: '1', bottom: '1' } },
    ],
    [
      { reveal: ['1', '2'], rest: { across: 'right', upDown: 'top' } },
      { id: 'm', reveal: { style: 'four', left: '1', right: '0', top: '0', bottom: '2' } },
    ],
    [
      { reveal: ['1'], rest: { upDown: 'bottom' } },
      { id: 'm', reveal: { style: 'four', left: '1', right: '1', top: '1', bottom: '0' } },
    ],
    [
      { reveal: ['1'], rest: { across: 'centre', upDown: 'centre' } },
      { id: 'm', reveal: { style: 'even', all: '1' } },
    ],
    [
      { width: '5', height: '7' },
      { id: 'm', reveal: { style: 'two' }, width: '5', height: '7' },
    ],
    [{ width: '5' }, { id: 'm', reveal: { style: 'two' }, width: '5' }],
    [
      { height: '7', rest: { across: 'left' } },
      { id: 'm', reveal: { style: 'four', left: '0' }, height: '7' },
    ],
  ])('%j', (part, now) => expect(reveals(part)).toEqual(now));
  test('pieces keep their names', () => {
    expect([...piecesOfParts(null)]).toEqual([['base', 'base/base']]);
    const names = piecesOfParts({ panels: [{ id: 'x' }, 3], photos: [{ id: 'p', mats: [{ id: 'm' }] }, 'none'] });
    expect(names.get('m')).toBe('p/m');
    expect(names.get('base')).toBe('base/base');
    expect([...names.keys()].includes('x')).toBe(true);
  });
});

describe('room and rows', () => {
  const size = { width: inches(4), height: inches(6) };
  const free = (p: Page) => freeSpot(derivePage(p), size, inches(0.25));
  test('an empty page, or a free middle, has room in the middle', () => {
    expect(free(page())).toBeNull();
    expect(free(page(base([layer('panel', '1/2')])))).toBeNull();
    expect(free(page(photo('a', ['2', '2'], [], { at: at('left', 0, 'top', 0) })))).toBeNull();
  });
  test('beside what lies there, the nearest spot to the middle that is clear', () => {
    const one = page(base([]), photo('a', ['5', '7'], [], { at: at('left', '1', 'centre', 0) }));
    const spot = free(one)!;
    expect(spot).toEqual({ x: lengthOf('6 1/4'), y: inches(3) });
    const box = derivePage(one).items.get('a')!.box;
    expect(spot.x).toBe(box.x + box.width + inches(0.25));
  });
  test('where nothing is clear, there is none', () => expect(free(page(photo('a', ['11', '11'], [])))).toBeNull());
  const row = page(
    base([]),
    photo('a', ['2', '3'], [], { at: at('left', '1', 'bottom', '1') }),
    photo('b', ['3', '2'], [], { at: at('right', '1', 'bottom', '2') }),
    photo('c', ['1', '1'], [], { at: at('left', '5', 'bottom', '3 3/4') }),
    photo('d', ['1', '1'], [], { at: at('left', '5', 'top', '0') }),
    photo('e', ['1', '1'], [], { at: at('left', '5', 'bottom', '1'), on: { page: 'left' } }),
  );
  test('a row is what is level with one, in its room, in order', () => {
    const ids = (id: string, axis: 'across' | 'upDown') => inRowWith(derivePage(row), id, axis).map((d) => d.item.id);
    expect(ids('a', 'across')).toEqual(['a', 'c', 'b']);
    expect(ids('d', 'across')).toEqual(['d']);
    expect(ids('c', 'upDown')).toEqual(['c', 'd']);
    expect(ids('base', 'across')).toEqual([]);
    expect(ids('gone', 'across')).toEqual([]);
  });
  test('spaced evenly: the same gap between all and to the edges, on the mark', () => {
    const spaced = spaceEvenly(row, derivePage(row), 'a', 'across')!;
    const boxes = ['a', 'c', 'b'].map((id) => derivePage(spaced).items.get(id)!.box);
    // 12 less 2, 1 and 3, in four
    expect(boxes.map((b) => b.x / inches(1))).toEqual([1.5, 5, 7.5]);
    expect(spaced.items.find((i) => i.id === 'b')!.at.across).toEqual({ from: 'right', by: '1 1/2' });
    expect(spaced.items.filter((i) => ['d', 'e', 'base'].includes(i.id))).toEqual(
      row.items.filter((i) => ['d', 'e', 'base'].includes(i.id)),
    );
    const upright = spaceEvenly(row, derivePage(row), 'c', 'upDown')!;
    expect(derivePage(upright).items.get('c')!.box.y).toBe(lengthOf('3 5/16') + inches(1 / 32));
    expect(derivePage(upright).items.get('d')!.box.y).toBe(lengthOf('7 5/8') + inches(1 / 32));
  });
  test('what is too wide for its room is not spaced', () => {
    const full = page(
      photo('a', ['7', '3'], [], { at: at('left', '1', 'bottom', '1') }),
      photo('b', ['6', '2'], [], { at: at('right', '1', 'bottom', '2') }),
    );
    expect(spaceEvenly(full, derivePage(full), 'a', 'across')).toBeNull();
    expect(spaceEvenly(full, derivePage(full), 'gone', 'across')).toBeNull();
  });
  test('what was counted from another counts from the room then', () => {
    const beside = page(
      photo('a', ['2', '3'], [], { at: at('left', '1', 'bottom', '1') }),
      photo('b', ['2', '3'], [], {
        at: { across: { from: 'after', by: '1/4', of: 'a' }, upDown: { from: 'bottom', by: '1' } },
      }),
    );
    const spaced = spaceEvenly(beside, derivePage(beside), 'b', 'across')!;
    expect(spaced.items[1]!.at).toEqual({
      across: { from: 'left', by: '7 5/16' },
      upDown: { from: 'bottom', by: '1' },
    });
    expect(derivePage(spaced).problems).toEqual([]);
  });
});
