import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import { at, banners, base, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  addItem,
  changeItem,
  choosePaper,
  countFrom,
  derivePage,
  emptyPage,
  movePart,
  moveTo,
  pageSchema,
  removeItem,
  removePart,
  renamePart,
  setItemField,
  startPage,
  takeOffers,
  type Page,
} from './index.ts';

const start = (): Page =>
  page(
    base([layer('panel', '1/2')]),
    photo('photo', ['4', '6'], [layer('m1', '1/8'), layer('m2', '1/8')], { at: at('left', '1', 'bottom', '2') }),
  );
const size = (p: Page, id: string) => {
  const part = derivePage(p).parts.find((x) => x.id === id)!;
  return [part.width, part.height];
};
const partOf = (p: Page, id: string) => derivePage(p).parts.find((x) => x.id === id)!;
const set = (p: Page, item: string, path: (string | number)[], value: string | undefined) =>
  setItemField(p, derivePage(p), item, path, value);

describe('changes to a page', () => {
  test('each gives a page that is good, and leaves the one before as it was', () => {
    const before = start();
    const copy = structuredClone(before);
    const after = [
      set(before, 'photo', ['mats', 0, 'reveal', 'all'], '1/4'),
      set(before, 'photo', ['mats', 1, 'width'], '6'),
      movePart(before, derivePage(before), partOf(before, 'photo/m1'), 1),
      removePart(before, derivePage(before), partOf(before, 'base/panel')),
      choosePaper(before, { item: 'base', blank: 'base' }, wishFor('x')),
      renamePart(before, partOf(before, 'photo/m1'), 'storm mat'),
      changeItem(before, 'photo', { name: 'the launch' }),
      countFrom(before, derivePage(before), 'photo', 'across', 'right'),
    ];
    for (const next of after) {
      expect(pageSchema.safeParse(next).error).toBeUndefined();
      expect(next).not.toEqual(before);
    }
    expect(before).toEqual(copy);
  });
  test('a given size takes over from the reveal, and a given reveal from the size', () => {
    const sized = set(start(), 'photo', ['mats', 0, 'width'], '5');
    expect(size(sized, 'photo/m1')).toEqual([lengthOf('5'), lengthOf('7')]);
    const revealed = set(sized, 'photo', ['mats', 0, 'reveal', 'all'], '1');
    expect(size(revealed, 'photo/m1')).toEqual([lengthOf('6'), lengthOf('8')]);
    expect(size(revealed, 'photo/m2')).toEqual([lengthOf('6 1/4'), lengthOf('8 1/4')]);
  });
  test('layers change places, but not past the end; items do so on the page', () => {
    const mats = (p: Page) => (p.items[1]!.input as { mats: { id: string }[] }).mats.map((m) => m.id);
    expect(mats(movePart(start(), derivePage(start()), partOf(start(), 'photo/m1'), 1))).toEqual(['m2', 'm1']);
    expect(mats(movePart(start(), derivePage(start()), partOf(start(), 'photo/m2'), 1))).toEqual(['m1', 'm2']);
    expect(movePart(start(), derivePage(start()), partOf(start(), 'photo/print'), -1).items.map((i) => i.id)).toEqual([
      'photo',
      'base',
    ]);
  });
  test('a mat goes alone with its paper and name, a print with its mats', () => {
    const named = renamePart(
      choosePaper(start(), { item: 'photo', blank: 'm1' }, wishFor('x')),
      partOf(start(), 'photo/m1'),
      'storm mat',
    );
    const without = removePart(named, derivePage(named), partOf(named, 'photo/m1'));
    expect(without.items[1]).toMatchObject({ wishes: {}, names: {} });
    expect(derivePage(without).parts.map((p) => p.id)).toEqual(['base/base', 'base/panel', 'photo/m2', 'photo/print']);
    expect(removePart(named, derivePage(named), partOf(named, 'photo/print')).items.map((i) => i.id)).toEqual(['base']);
  });
  test('what lay on a removed item, or counted from it, stays where it is', () => {
    const row = banners('tails', {}, { on: { item: 'base', slot: 'panel' }, at: at('left', '1', 'bottom', '1') });
    const beside = photo('beside', ['1', '1'], [], {
      at: { across: { from: 'after', by: '1/4', of: 'tails' }, upDown: { from: 'top', by: 0, of: 'tails' } },
    });
    const full = page(base([layer('panel', '1/2')]), row, beside);
    const spots = (p: Page, ...ids: string[]) => ids.map((id) => derivePage(p).items.get(id)!.box);
    const without = removeItem(full, derivePage(full), 'base');
    expect(spots(without, 'tails', 'beside')).toEqual(spots(full, 'tails', 'beside'));
    expect(without.items[0]!.on).toBe('page');
    const alone = removeItem(full, derivePage(full), 'tails');
    expect(spots(alone, 'beside')).toEqual(spots(full, 'beside'));
    expect(derivePage(alone).problems).toEqual([]);
    expect(removeItem(full, derivePage(full), 'nobody')).toBe(full);
  });
  test('counted from another edge, an item stays where it is; moved, it counts from where it did', () => {
    const box = (p: Page) => derivePage(p).items.get('photo')!.box;
    for (const from of ['right', 'centre', 'left-third', 'right-third', 'left'] as const) {
      const next = countFrom(start(), derivePage(start()), 'photo', 'across', from);
      expect({ from, box: box(next) }).toEqual({ from, box: box(start()) });
      expect(next.items[1]!.at.across.from).toBe(from);
    }
    const moved = moveTo(start(), derivePage(start()), 'photo', { x: lengthOf('3'), y: lengthOf('1/2') });
    expect(box(moved)).toMatchObject({ x: lengthOf('3'), y: lengthOf('1/2') });
    expect(moved.items[1]!.at).toMatchObject({
      across: { from: 'left', by: '3' },
      upDown: { from: 'bottom', by: '1/2' },
    });
  });
  test('the offers of a refused mat make it good again', () => {
    const bad = set(set(start(), 'photo', ['mats', 0, 'width'], '3'), 'photo', ['mats', 0, 'height'], '5');
    const derived = derivePage(bad);
    const { offers } = derived.problems[0]!;
    expect(offers.length).toBeGreaterThan(0);
    const outward = offers.filter((o) => o.path[0] === 'mats');
    expect(derivePage(takeOffers(bad, derived, 'photo', outward)).problems).toEqual([]);
    expect(derived.parts.some((p) => p.id === 'photo/print')).toBe(true);
  });
  test('a new page begins with what lies beneath everything, unless that is what is put on it', () => {
    let n = 0;
    const newId = () => `new${++n}`;
    const begun = startPage(emptyPage('p'), null, () => 'base', newId);
    expect(derivePage(begun).parts.map((p) => [p.id, p.width])).toEqual([['new1/base', lengthOf('12')]]);
    const mats = { id: 'a', name: 'a', recipe: 'mat-stack' as const, input: start().items[1]!.input };
    expect(startPage(emptyPage('p'), mats, () => 'base', newId).items.map((i) => i.recipe)).toEqual([
      'base-panels',
      'mat-stack',
    ]);
    const panels = { id: 'a', name: 'a', recipe: 'base-panels' as const, input: start().items[0]!.input };
    expect(startPage(emptyPage('p'), panels, () => 'base', newId).items).toHaveLength(1);
    expect(pageSchema.safeParse(addItem(begun, mats)).success).toBe(true);
  });
  test('an item that is not there changes nothing', () => {
    expect(set(start(), 'nobody', ['print', 'width'], '5')).toEqual(start());
    expect(moveTo(start(), derivePage(start()), 'nobody', { x: 0, y: 0 })).toEqual(start());
  });
});
