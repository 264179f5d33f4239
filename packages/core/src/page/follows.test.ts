import { describe, expect, test } from '@jest/globals';
import {
  addEntry,
  derivePage,
  emptyPage,
  followLength,
  convertPageUnit,
  newItem,
  pageSchema,
  removeItem,
  removePart,
  movePart,
  setItemField,
  stopFollowing,
  listMoves,
  type Follow,
  type Item,
  type Page,
} from './index.ts';
import type { FieldPath } from '../recipes/index.ts';

/* "As wide as the sky panel less 1/2": a length that is another's. */

const mats = (id: string, width: string, reveal = '1/4'): Item =>
  newItem({
    id,
    name: id,
    recipe: 'mat-stack',
    input: {
      print: { width, height: '3', known: 'assumed' },
      mats: [{ id: 'm', reveal: { style: 'even', all: reveal } }],
    },
  });
const band = (...widths: string[]): Item =>
  newItem({
    id: 'band',
    name: 'band',
    recipe: 'block-band',
    input: {
      run: 'level',
      band: { long: '12', high: '2' },
      join: { how: 'butt' },
      blocks: [...widths.map((width, i) => ({ id: `b${i}`, width, share: 1 })), { id: 'rest', share: 1 }],
    },
  });
const page = (...items: Item[]): Page => ({ ...emptyPage('Kites'), items });
const wide = (p: Page, part: string) => derivePage(p).parts.find((one) => one.id === part)!.width / 24384;
const follow = (of: string, path: FieldPath, more: Partial<Follow> = {}): Follow => ({
  path: [...path],
  of,
  axis: 'width',
  by: '-1/2',
  ...more,
});
const PRINT: FieldPath = ['print', 'width'];
const start = () => {
  const two = page(mats('sky', '6'), mats('sea', '4'));
  return followLength(two, derivePage(two), 'sea', follow('sky', PRINT));
};
const item = (p: Page, id: string) => p.items.find((i) => i.id === id)!;

describe('a length that follows another’s', () => {
  test('is that less what is said, and goes along with it', () => {
    expect(wide(start(), 'sea/print')).toBe(6);
    const wider = setItemField(start(), derivePage(start()), 'sky', PRINT, '7');
    expect(wide(wider, 'sea/print')).toBe(7);
    expect(listMoves(derivePage(start()), derivePage(wider)).map((m) => m.part)).toContain('sea/m');
  });
  test('of one layer of an item', () => {
    const two = page(mats('sky', '6'), mats('sea', '4'));
    const of = follow('sky', PRINT, { layer: 'print', by: '1/4' });
    expect(wide(followLength(two, derivePage(two), 'sea', of), 'sea/print')).toBe(6.25);
  });
  test('what gave way to it stays given way', () => {
    const two = page(mats('sky', '6'), band('3', '4'));
    const followed = followLength(two, derivePage(two), 'band', follow('sky', ['blocks', 1, 'width']));
    expect(derivePage(followed).problems).toEqual([]);
    expect([wide(followed, 'band/b1'), wide(followed, 'band/rest')]).toEqual([6, 3]);
  });
  test('typed over, it follows no more', () => {
    const typed = setItemField(start(), derivePage(start()), 'sea', PRINT, '5');
    expect(item(typed, 'sea').follows).toBeUndefined();
    expect(wide(typed, 'sea/print')).toBe(5);
  });
  test('another field of it may be typed', () => {
    const typed = setItemField(start(), derivePage(start()), 'sea', ['print', 'height'], '5');
    expect(item(typed, 'sea').follows).toHaveLength(1);
  });
  test('given the page as it was, it follows all the same, whichever length has changed', () => {
    const height: FieldPath = ['print', 'height'];
    const both = followLength(start(), derivePage(start()), 'sea', { ...follow('sky', height), axis: 'height' });
    for (const from of [start(), both])
      for (const [path, to] of [
        [PRINT, '7'],
        [height, '2'],
        [PRINT, '6'],
        [height, '2 1/2'],
      ] as [FieldPath, string][]) {
        const changed = setItemField(from, derivePage(from), 'sky', path, to);
        const afresh = derivePage(changed);
        expect(derivePage(changed, undefined, derivePage(from))).toEqual(afresh);
        // one more length follows, or one less
        expect(derivePage(both, undefined, afresh)).toEqual(derivePage(both));
        expect(derivePage(start(), undefined, afresh)).toEqual(derivePage(start()));
      }
    // what follows what stayed the same was not worked out anew
    const before = derivePage(both);
    const named = { ...both, items: both.items.map((i) => (i.id === 'sea' ? { ...i, name: 'the sea' } : i)) };
    expect(derivePage(named, undefined, before).items.get('sea')!.solved).toBe(before.items.get('sea')!.solved);
  });
  test('let go, it stays what it is', () => {
    const free = stopFollowing(start(), derivePage(start()), 'sea', PRINT);
    expect(item(free, 'sea').follows).toBeUndefined();
    expect(wide(free, 'sea/print')).toBe(6);
  });
  test('when what it follows is removed, it stays what it is', () => {
    const wider = setItemField(start(), derivePage(start()), 'sky', PRINT, '7');
    const alone = removeItem(wider, derivePage(wider), 'sky');
    expect(derivePage(alone).problems).toEqual([]);
    expect(wide(alone, 'sea/print')).toBe(7);
  });
  test('and when it is one layer of an item that goes', () => {
    const two = page(mats('sky', '6'), mats('sea', '4'));
    const followed = followLength(two, derivePage(two), 'sea', follow('sky', PRINT, { layer: 'm', by: '0' }));
    const layer = derivePage(followed).parts.find((one) => one.id === 'sky/m')!;
    const without = removePart(followed, derivePage(followed), layer);
    expect(derivePage(without).problems).toEqual([]);
    expect(wide(without, 'sea/print')).toBe(6.5);
  });
  test('in a list it goes on following the same entry', () => {
    const two = page(mats('sky', '3'), band('3', '1', '2'));
    const followed = followLength(two, derivePage(two), 'band', follow('sky', ['blocks', 1, 'width'], { by: '0' }));
    const part = (p: Page, id: string) => derivePage(p).parts.find((one) => one.id === id)!;
    const fewer = removePart(followed, derivePage(followed), part(followed, 'band/b0'));
    expect(item(fewer, 'band').follows![0]!.path).toEqual(['blocks', 0, 'width']);
    const moved = movePart(followed, derivePage(followed), part(followed, 'band/b1'), 1);
    expect(item(moved, 'band').follows![0]!.path).toEqual(['blocks', 2, 'width']);
    const gone = removePart(followed, derivePage(followed), part(followed, 'band/b1'));
    expect(item(gone, 'band').follows).toBeUndefined();
    const more = addEntry(followed, derivePage(followed), 'band', ['blocks'], 'new');
    expect(item(more, 'band').follows).toHaveLength(1);
  });
});

describe('what cannot be followed', () => {
  test('a circle names both', () => {
    const back = start();
    const items = back.items.map((i) => (i.id === 'sky' ? { ...i, follows: [follow('sea', PRINT)] } : i));
    const { problems } = derivePage({ ...back, items });
    expect(problems.map((p) => p.problem.code)).toContain('circle');
    expect(JSON.stringify(problems)).toMatch(/"items":\["sky","sea"\]/);
  });
  test('nothing left, and what is gone', () => {
    const withFollow = (f: Follow) =>
      derivePage(page(mats('sky', '6'), { ...mats('sea', '4'), follows: [f] })).problems.map((p) => p.problem.code);
    expect(withFollow(follow('sky', PRINT, { by: '-9' }))).toEqual(['follows-nothing']);
    expect(withFollow(follow('moon', PRINT))).toEqual(['no-room']);
    expect(withFollow(follow('sky', PRINT, { layer: 'moon' }))).toEqual(['no-room']);
    const two = page(mats('sky', '6'), mats('sea', '4'));
    expect(followLength(two, derivePage(two), 'sea', follow('sky', PRINT, { by: '-9' }))).toBe(two);
  });
});

test('it goes through JSON, its schema and another unit', () => {
  const round = JSON.parse(JSON.stringify(start())) as unknown;
  expect(pageSchema.parse(round)).toEqual(start());
  const metric = convertPageUnit(start(), 'mm');
  expect(item(metric, 'sea').follows![0]!.by).toBe('-1/2 in');
  expect(wide(metric, 'sea/print')).toBe(6);
});

test('derived after a change as derived anew', () => {
  const wider = setItemField(start(), derivePage(start()), 'sky', PRINT, '7');
  expect(derivePage(wider, undefined, derivePage(start())).parts).toEqual(derivePage(wider).parts);
});
