import { describe, expect, test } from '@jest/globals';
import { inches, lengthOf } from '../length/index.ts';
import { at, base, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  findFreeSpot,
  findRowNeighbours,
  spaceEvenly,
  countFrom,
  derivePage,
  emptyPage,
  moveTo,
  movePart,
  removeItem,
  removePart,
  renamePart,
  addEntry,
  setItemField,
  startPage,
  takeOffers,
  type Page,
} from './index.ts';

describe('changes, at their edges', () => {
  const start = page(
    photo('a', ['4', '6'], [layer('m', '1/4'), layer('n', '1/4')], {
      at: at('left', '1', 'bottom', '2'),
      wishes: { m: wishFor('p'), n: wishFor('q') },
      names: { m: 'sea', n: 'sand' },
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
    expect(ids(movePart(start, derived, part('a/m'), 1))).toEqual(['n', 'm']);
    expect(movePart(start, derived, part('b/print'), 1).items.map((i) => i.id)).toEqual(['a', 'c', 'b']);
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

describe('room and rows', () => {
  const size = { width: inches(4), height: inches(6) };
  const free = (p: Page) => findFreeSpot(derivePage(p), size, inches(0.25));
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
  test('of two clear sides the one nearer to the middle, across and up', () => {
    const spot = (wide: string, high: string, left: string, bottom: string) => {
      const one = page(photo('a', [wide, high], [], { at: at('left', left, 'bottom', bottom) }));
      return findFreeSpot(derivePage(one), { width: inches(4), height: inches(4) }, inches(0.25));
    };
    expect(spot('2', '12', '4 1/2', '0')).toEqual({ x: lengthOf('6 3/4'), y: inches(4) });
    expect(spot('12', '1', '0', '4 1/2')).toEqual({ x: inches(4), y: lengthOf('5 3/4') });
    expect(spot('2', '12', '5 1/2', '0')).toEqual({ x: lengthOf('1 1/4'), y: inches(4) });
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
    const ids = (id: string, axis: 'across' | 'upDown') =>
      findRowNeighbours(derivePage(row), id, axis).map((d) => d.item.id);
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
