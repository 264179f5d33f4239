import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inches, lengthOf } from '../length/index.ts';
import { at, banners, base, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  changeItem,
  choosePaper,
  derivePage,
  convertPageUnit,
  removeItem,
  setItemField,
  listMoves,
  type Item,
  type Page,
  type Place,
} from './index.ts';

const plain = (): Page => page(photo('a', ['4', '6'], [layer('m', '1/4')]));

describe('what follows from a page', () => {
  test('names are made of what there is, where nobody gives any', () =>
    expect(derivePage(plain()).parts.map((p) => p.name)).toEqual(['a mat 1', 'a print 1']));
  test('a piece made of several is cut as its parts, alike ones together, of the paper that it is of', () => {
    const built = { across: ['6'], up: [], overlap: '1/2' };
    const of = page(base([], { wishes: { base: wishFor('slate', { built }) } }));
    const { pieces, parts } = derivePage(of);
    expect(pieces.map((p) => [p.id, p.name, p.width, p.height, p.quantity])).toEqual([
      ['base/base part 1', expect.stringMatching(/part 1$/), inches(6.5), inches(12), 1],
      ['base/base part 2', expect.stringMatching(/part 2$/), inches(6), inches(12), 1],
    ]);
    for (const piece of pieces) {
      expect(piece).toMatchObject({ patchOf: { width: inches(12), height: inches(12) }, parts: [parts[0]!.id] });
      expect(piece.wish).toMatchObject({ papers: ['slate'], built });
    }
    // the layer is one, and looks like the first of its parts
    expect(parts.map((p) => [p.piece, p.width])).toEqual([['base/base part 1', inches(12)]]);
    const unread = page(base([], { wishes: { base: wishFor('slate', { built: { ...built, across: ['6 wide'] } }) } }));
    expect(derivePage(unread).pieces.map((p) => p.id)).toEqual(['base/base']);
    // what is worked on by hand stays in one
    const strips = banners('tails', {}, { wishes: { strip: wishFor('slate', { built }) } });
    expect(derivePage(page(strips)).pieces.every((p) => p.patchOf === null)).toBe(true);
    // its lengths keep their meaning in another unit
    const wish = convertPageUnit(of, 'mm').items[0]!.wishes.base!;
    expect(wish.built).toEqual({ across: ['6 in'], up: [], overlap: '1/2 in' });
  });
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
      (p) => convertPageUnit(p, 'mm'),
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

describe('what moved', () => {
  test('sizes, then places, then what came and went, each once', () => {
    const before = page(photo('a', ['4', '6'], [], { at: at('left', '1', 'bottom', '1') }), photo('b', ['1', '1'], []));
    const after = page(photo('a', ['5', '6'], [], { at: at('left', '2', 'bottom', '1') }), photo('c', ['1', '1'], []));
    expect(listMoves(derivePage(before), derivePage(after))).toEqual([
      { part: 'a/print', name: 'a print 1', what: 'width', from: inches(4), to: inches(5) },
      { part: 'a/print', name: 'a print 1', what: 'x', from: inches(1), to: inches(2) },
      { part: 'c/print', name: 'c print 1', what: 'added' },
      { part: 'b/print', name: 'b print 1', what: 'removed' },
    ]);
  });
});

describe('what is not seen at all', () => {
  const hidden = (of: ReturnType<typeof page>) =>
    derivePage(of).suggestions.flatMap(({ item, suggestion }) =>
      suggestion.code === 'hidden-under' ? [[item, suggestion.under]] : [],
    );
  const small = (id: string, more: Parameters<typeof photo>[3] = {}) =>
    photo(id, ['2', '3'], [layer('m', '1/4')], more);
  test('a photo under the base is named with what hides it', () => {
    const under = page(small('p'), base([]));
    expect(hidden(under)).toEqual([['p', expect.stringMatching(/^base/)]]);
    expect(hidden(page(base([]), small('p')))).toEqual([]);
  });
  test('where an edge of it shows it is not hidden', () => {
    const out = small('p', { at: at('left', '-1/8', 'bottom', '1') });
    expect(hidden(page(out, base([])))).toEqual([]);
  });
  test('under a mat, not under a smaller one', () => {
    expect(hidden(page(base([]), small('p'), photo('q', ['4', '6'], [layer('m', '1/4')])))).toEqual([
      ['p', expect.any(String)],
    ]);
    expect(hidden(page(base([]), small('p'), photo('q', ['2', '2'], [layer('m', '1/8')])))).toEqual([]);
  });
});

test('a photo whose width is taken away keeps its last size, has no pieces, and says what is missing', () => {
  const whole = photo('p', ['4', '6'], [layer('m', '1/4')]);
  const before = derivePage(page(base([]), whole));
  const input = whole.input as { print: { width?: string } };
  const { width: _width, ...print } = input.print;
  const after = derivePage(page(base([]), { ...whole, input: { ...input, print } }), undefined, before);
  expect(after.problems.some((p) => p.item === 'p' && p.problem.code === 'missing')).toBe(true);
  const sizes = (of: typeof before) => of.parts.filter((p) => p.item === 'p').map((p) => [p.width, p.height]);
  expect(sizes(before)).toHaveLength(2);
  expect(sizes(after)).toEqual(sizes(before));
  expect(after.pieces.filter((p) => p.item === 'p')).toEqual([]);
});
