import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inches, type Ticks } from '../length/index.ts';
import { collectSnapTargets, findSnapTarget, dropItem, snapTargetOfPlace, type SnapTarget } from './snapTargets.ts';
import { derivePage, type DerivedPage } from './derive.ts';
import { emptyPage, newItem, type Item, type Page, type Place } from './document.ts';
import { setItemField } from './edit.ts';
import type { Axis } from './place.ts';
import { lineUpItems, scatterTilts, setSameGap, distributeItems, swapPlaces, tiltItem } from './several.ts';

const inch = inches(1);
/** A print so large, its lower left corner there, in inches. */
const print = (id: string, x: number, y: number, w: number, h: number): Item => ({
  ...newItem({ id, name: id, recipe: 'mat-stack', input: { print: { width: String(w), height: String(h), known: 'assumed' }, mats: [] } }), // prettier-ignore
  at: { across: { from: 'left', by: String(x) }, upDown: { from: 'bottom', by: String(y) } },
});
const pageOf = (...items: Item[]): Page => ({ ...emptyPage('A page'), items });
const boxes = (page: Page) => {
  const derived = derivePage(page);
  expect(derived.problems).toEqual([]);
  return Object.fromEntries([...derived.items].map(([id, { box }]) => [id, [box.x / inch, box.y / inch]]));
};
const find = (catches: readonly SnapTarget[], axis: Axis, is: SnapTarget['says']['is'], of?: string, from?: string) =>
  catches.find((c) => c.axis === axis && c.says.is === is && (!of || ('of' in c.says && c.says.of === of)) && (!from || ('from' in c.says && c.says.from === from)))!; // prettier-ignore

const row = pageOf(print('a', 1, 2, 2, 3), print('b', 4, 2, 2, 3), print('c', 9, 7, 1, 1));

describe('what an item catches on', () => {
  const derived = derivePage(row);
  const catches = collectSnapTargets(row, derived, 'c');
  test.each([
    ['the middle of the page', 'across', 'room', undefined, 'centre', 5.5],
    ['its right edge', 'across', 'room', undefined, 'right', 11],
    ['a third', 'upDown', 'room', undefined, 'lower-third', 3.5],
    ['the left edge of another', 'across', 'level', 'b', 'left', 4],
    ['the top of another', 'upDown', 'level', 'a', 'top', 4],
    ['the middle of another', 'upDown', 'level', 'a', 'centre', 3],
    ['another, touching it', 'across', 'touching', 'b', 'after', 6],
    ['a margin as another has it', 'across', 'margin', 'a', 'right', 10],
  ] as const)('%s', (_, axis, is, of, from, at) => {
    const one = find(catches, axis, is, of, from);
    expect(one.at / inch).toBe(at);
    const put = dropItem(row, derived, 'c', { x: 0, y: 0 }, { across: null, upDown: null, [axis]: one });
    expect(boxes(put).c![axis === 'across' ? 0 : 1]).toBe(at);
  });
  test('margins as another has them on all of its sides, each from either edge of the page', () => {
    // 1 1/2 from the left, 1/4 from the right, 2 from the bottom, 1 1/4 from the top
    const near = pageOf(print('far', 1.5, 2, 10.25, 8.75), print('c', 5, 5, 1, 1));
    const margins = collectSnapTargets(near, derivePage(near), 'c').filter(({ says, axis }) => says.is === 'margin' && axis === 'across'); // prettier-ignore
    expect(margins.map(({ at }) => at / inch).sort((a, b) => a - b)).toEqual([0.25, 1.25, 1.5, 2, 9, 9.5, 9.75, 10.75]);
  });
  test('beside what it lies under or over, and not at its very edge', () => {
    const one = (beside: SnapTarget['beside']): SnapTarget =>
      ({ axis: 'across', at: 5 * inch, weight: 1, beside, says: {}, place: {} }) as unknown as SnapTarget;
    const caught = (y: number) =>
      findSnapTarget([one({ over: 2 * inch, under: 4 * inch } as SnapTarget['beside'])], 'across', { x: 5 * inch, y: y * inch }, inch);
    expect([2, 2.5, 3.9, 4].map((y) => caught(y) !== null)).toEqual([false, true, true, false]);
  }); // prettier-ignore
  test('nothing changes places with what is not there', () => {
    expect(swapPlaces(row, derived, 'a', 'gone')).toBe(row);
    expect(swapPlaces(row, derived, 'gone', 'a')).toBe(row);
  });
  test('a gap as two others have it; and right between two', () => {
    // in the row of a and b
    const low = dropItem(row, derived, 'c', { x: 9 * inch, y: 3 * inch });
    const in_ = collectSnapTargets(low, derivePage(low), 'c');
    const after = in_.find((c) => c.says.is === 'gap' && c.place.from === 'after' && c.says.of === 'b')!;
    expect([after.at / inch, after.says]).toEqual([7, { is: 'gap', by: inch, of: 'b', as: 'a' }]);
    const between = in_.find((c) => c.says.is === 'gap' && c.place.from === 'after' && c.says.of === 'a')!;
    expect(between.at / inch).toBe(3);
    // taken up elsewhere, it is caught there once it has come beside them
    const at = (y: number) => findSnapTarget(catches, 'across', { x: 7 * inch, y: y * inch }, 10)?.says.is;
    expect([at(3), at(6)]).toEqual(['gap', undefined]);
  });
  test('nothing that hangs on it, or that is moved with it', () => {
    const hung: Page = { ...row, items: row.items.map((i) => (i.id === 'b' ? { ...i, at: { ...i.at, across: { from: 'after', by: '1', of: 'c' } } } : i)) }; // prettier-ignore
    const of = (all: readonly SnapTarget[]) => new Set(all.flatMap((c) => ('of' in c.says ? [c.says.of] : [])));
    expect(of(collectSnapTargets(hung, derivePage(hung), 'c'))).toEqual(new Set(['a']));
    expect(of(collectSnapTargets(row, derived, 'c', ['c', 'a']))).toEqual(new Set(['b']));
  });
  test('the nearest within reach; of two as near, the one that says more', () => {
    expect(findSnapTarget(catches, 'across', { x: 5.55 * inch, y: 7 * inch }, inch / 8)!.says).toEqual({
      is: 'room',
      from: 'centre',
    });
    expect(findSnapTarget(catches, 'across', { x: 8.5 * inch, y: 7 * inch }, inch / 16)).toBeNull();
  });
  test('moved away it counts from an edge again', () => {
    const centred = dropItem(row, derived, 'c', { x: 0, y: 0 }, { across: find(catches, 'across', 'room', undefined, 'centre'), upDown: null }); // prettier-ignore
    expect(snapTargetOfPlace('across', centred.items[2]!.at.across, 'in')).toEqual({ is: 'room', from: 'centre' });
    const away = dropItem(centred, derivePage(centred), 'c', { x: 8 * inch, y: 0 });
    expect(away.items[2]!.at.across).toEqual({ from: 'right', by: '3' });
    expect(snapTargetOfPlace('across', away.items[2]!.at.across, 'in')).toBeNull();
  });
});

/** Whether what was caught still holds. */
function holds(says: SnapTarget['says'], axis: Axis, page: DerivedPage, place: Place[Axis]): boolean {
  const [low, long] = axis === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const);
  const { box, room } = page.items.get('it')!;
  const other = 'of' in says ? page.items.get(says.of)!.box : room;
  const near = (a: number, b: number) => Math.abs(a - b) <= 1;
  const [start, end] = [box[low], box[low] + box[long]];
  const [from, to] = [other[low], other[low] + other[long]];
  switch (says.is) {
    case 'gap':
    case 'touching': {
      const by = says.is === 'gap' ? says.by : (0 as Ticks);
      return place.from === 'after' ? near(start - to, by) : near(from - end, by);
    }
    case 'margin':
      return place.from === 'left' || place.from === 'bottom'
        ? near(start - room[low], says.by)
        : near(room[low] + room[long] - end, says.by);
    default: {
      if (says.from === 'left' || says.from === 'bottom') return near(start, from);
      if (says.from === 'right' || says.from === 'top') return near(end, to);
      const third = says.from === 'left-third' || says.from === 'lower-third' ? 1 : says.from === 'centre' ? 1.5 : 2;
      return near((start + end) / 2, from + (other[long] * third) / 3);
    }
  }
}

test('what was caught holds after any change of size, of itself and of what it was caught on', () => {
  const eighth = (most: number) => fc.integer({ min: 8, max: most * 8 }).map((n) => n / 8);
  const some = fc.tuple(eighth(6), eighth(6), eighth(4), eighth(4));
  fc.assert(
    fc.property(some, some, some, fc.nat(), eighth(5), eighth(5), (it, a, b, pick, width, otherWidth) => {
      const page = pageOf(print('it', ...it), print('a', ...a), print('b', ...b));
      const catches = collectSnapTargets(page, derivePage(page), 'it');
      const one = catches[pick % catches.length]!;
      const spot = { x: 0, y: 0 };
      let next = dropItem(page, derivePage(page), 'it', spot, { across: null, upDown: null, [one.axis]: one });
      const before = derivePage(next);
      if (before.items.get('it')!.box[one.axis === 'across' ? 'x' : 'y'] !== one.at) return false;
      for (const [id, to] of [
        ['it', width],
        ['a', otherWidth],
      ] as const)
        // prettier-ignore
        for (const key of ['width', 'height'])
          next = setItemField(next, derivePage(next), id, ['print', key], String(to));
      return holds(one.says, one.axis, derivePage(next), one.place);
    }),
    { seed: 14, numRuns: 500 },
  );
});

describe('several at once', () => {
  const three = pageOf(print('a', 1, 2, 2, 3), print('b', 4, 5, 1, 1), print('c', 9, 7, 1.5, 2));
  const derived = derivePage(three);
  test('lined up with the first, and still so once that is another size', () => {
    const lined = lineUpItems(three, derived, ['a', 'b', 'c'], 'upDown', 'high');
    expect(boxes(lined)).toMatchObject({ a: [1, 2], b: [4, 4], c: [9, 3] });
    const taller = setItemField(lined, derivePage(lined), 'a', ['print', 'height'], '4');
    expect(boxes(taller)).toMatchObject({ b: [4, 5], c: [9, 4] });
  });
  test('where the first counts from another, that one gets a place of its own', () => {
    const leaning: Page = { ...three, items: three.items.map((i) => (i.id === 'a' ? { ...i, at: { ...i.at, upDown: { from: 'bottom', by: '0', of: 'b' } } } : i)) }; // prettier-ignore
    expect(boxes(lineUpItems(leaning, derivePage(leaning), ['a', 'b'], 'upDown', 'low'))).toMatchObject({ b: [4, 5] });
  });
  test('spread evenly: the outermost stay, gaps on the mark', () => {
    const spread = distributeItems(three, derived, ['c', 'a', 'b'], 'across')!;
    expect(boxes(spread)).toMatchObject({ a: [1, 2], b: [5.5, 5], c: [9, 7] });
    expect(distributeItems(three, derived, ['a', 'b'], 'across')).toBeNull();
    const tight = pageOf(print('a', 1, 2, 4, 3), print('b', 2, 5, 4, 1), print('c', 3, 7, 4, 2));
    expect(distributeItems(tight, derivePage(tight), ['a', 'b', 'c'], 'across')).toBeNull();
  });
  test('any row: no rounding piles up', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 2, max: 12 }), { minLength: 3, maxLength: 8 }), (widths) => {
        const items = widths.map((w, i) =>
          print(`p${i}`, Math.round((i * 176) / widths.length) / 16 + 0.5, 2, w / 16, 1),
        );
        const page = pageOf(...items);
        const spread = distributeItems(page, derivePage(page), items.map((i) => i.id), 'across'); // prettier-ignore
        if (!spread) return true;
        const at = [...derivePage(spread).items.values()].map((d) => d.box).sort((a, b) => a.x - b.x);
        const gaps = at.slice(1).map((b, i) => b.x - at[i]!.x - at[i]!.width);
        // each within a mark of every other
        return Math.max(...gaps) - Math.min(...gaps) <= inch / 16 && gaps.every((g) => g >= -1);
      }),
      { seed: 14, numRuns: 300 },
    );
  });
  test('the same gap, each from the one before it', () => {
    const spaced = setSameGap(three, derived, ['a', 'b', 'c'], 'across', '3/4')!;
    expect(boxes(spaced)).toMatchObject({ a: [1, 2], b: [3.75, 5], c: [5.5, 7] });
    const wider = setItemField(spaced, derivePage(spaced), 'b', ['print', 'width'], '2');
    expect(boxes(wider)).toMatchObject({ c: [6.5, 7] });
    expect(setSameGap(three, derived, ['a', 'b'], 'across', 'a bit')).toBeNull();
  });
  test('two change places, middle for middle', () => {
    expect(boxes(swapPlaces(three, derived, 'a', 'b'))).toMatchObject({ b: [1.5, 3], a: [3.5, 4] });
  });
  test('tilted in half degrees, straight again at none; loose the same by the same seed', () => {
    const tilt = (page: Page) => page.items.map((i) => i.tilt ?? 0);
    expect(tilt(tiltItem(three, 'b', 3.3))).toEqual([0, 3.5, 0]);
    expect(tiltItem(tiltItem(three, 'b', 3), 'b', 0)).toEqual(three);
    const loose = scatterTilts(three, ['a', 'b', 'c'], 7, 4);
    expect(tilt(loose).every((t) => Math.abs(t) <= 4)).toBe(true);
    expect(scatterTilts(three, ['a', 'b', 'c'], 7, 4)).toEqual(loose);
    expect(scatterTilts(three, ['a', 'b', 'c'], 8, 4)).not.toEqual(loose);
    // what is tilted reaches past the edge by its corner
    const near = pageOf(print('a', 0, 0, 4, 4));
    expect(derivePage(tiltItem(near, 'a', 10)).suggestions.map((s) => s.suggestion.code)).toContain('overhang');
  });
});
