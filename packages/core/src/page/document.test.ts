import { describe, expect, test } from '@jest/globals';
import { at, layer, page, photo, wishFor } from '../../testing/pages.ts';
import {
  derivePage,
  emptyPage,
  convertPageUnit,
  migratePage,
  newItem,
  pageSchema,
  piecesOfParts,
  type Page,
} from './index.ts';

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
    ['turned by hand as far as it goes', withItem({ tilt: 45 }), []],
    ['and the other way', withItem({ tilt: -45 }), []],
    ['turned too far', withItem({ tilt: -45.5 }), ['items.0.tilt too_small']],
    [
      'a spot that must be seen, from the very corner',
      withItem({ mustSee: [{ layer: 'm', x: '0', y: 0, width: '1', height: '1' }] }),
      [],
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
      format: 'temnex-page',
      version: 2,
      name: 'p',
      unit: 'in',
      mark: '1/16',
      ground: { width: '12', height: '12' },
      items: [],
      copies: 1,
      spares: [],
      first: [],
    });
    expect(emptyPage('p', 'mm')).toMatchObject({ unit: 'mm', mark: '1 mm', ground: { width: '305', height: '305' } });
  });
  test('a new item has a name that is not too long, and lies in the middle', () =>
    expect(newItem({ id: 'a', name: 'x'.repeat(200), recipe: 'mat-stack', input: {} })).toEqual({
      id: 'a',
      name: 'x'.repeat(120),
      recipe: 'mat-stack',
      input: {},
      version: expect.any(Number),
      on: 'page',
      wishes: {},
      names: {},
      fit: 'exact',
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
    const there = convertPageUnit(spread, 'mm');
    expect(there).toMatchObject({
      unit: 'mm',
      mark: '1 mm',
      ground: { width: '12 in', height: '12 in', seam: '1/2 in' },
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
    expect(convertPageUnit(spread, 'in')).toBe(spread);
    expect(convertPageUnit(plain(), 'mm').ground).toEqual({ width: '12 in', height: '12 in' });
    expect(convertPageUnit(plain(), 'mm').items[0]!.fit).toBe('exact');
    expect(convertPageUnit(convertPageUnit(plain(), 'mm'), 'in').mark).toBe('1/16');
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
