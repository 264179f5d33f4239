import { describe, expect, test } from '@jest/globals';
import { rect } from '../geometry/index.ts';
import { inches } from '../length/index.ts';
import { DEFAULT_FRAMING } from '../photos/index.ts';
import { collectCoverage, computeCutAway } from './coverage.ts';
import { boundsOfTilted, derivePage } from './derive.ts';
import { emptyPage, convertPageUnit, newItem, pageSchema, type Item, type Page } from './document.ts';
import { setPicture } from './edit.ts';
import { tiltItem } from './several.ts';

const print = (id: string, x: number, y: number, w: number, h: number, more: object = {}): Item => ({
  ...newItem({ id, name: id, recipe: 'mat-stack', input: { print: { width: String(w), height: String(h), known: 'assumed' }, mats: [], ...more } }), // prettier-ignore
  at: { across: { from: 'left', by: String(x) }, upDown: { from: 'bottom', by: String(y) } },
});
const stay = { x: 0, y: 0, width: 200, height: 200 };
/** A photo 4 × 4 at the lower left, whose upper left quarter must stay. */
const withPhoto = (...over: Item[]): Page =>
  setPicture({ ...emptyPage('A page'), items: [print('photo', 1, 1, 4, 4), ...over] }, 'photo', 'print', {
    photo: 'p',
    file: 'ab'.repeat(32),
    width: 400,
    height: 400,
    ...DEFAULT_FRAMING,
    stay,
  });
const hidden = (page: Page) => collectCoverage(page, derivePage(page)).map((c) => [Math.round(c.hidden * 100), c.by.map((b) => b.item)]); // prettier-ignore

describe('what is covered of what must stay to be seen', () => {
  test.each([
    ['nothing lies there', [print('title', 6, 6, 2, 1)], []],
    ['half of it', [print('title', 1, 3, 1, 2)], [[50, ['title']]]],
    ['two over each other count once, each with its own', [print('a', 1, 3, 1, 2), print('b', 1, 3, 2, 1)], [[75, ['a', 'b']]]], // prettier-ignore
    ['a round one covers less than its box', [print('a', 1, 3, 2, 2, { shape: 'oval' })], [[78, ['a']]]],
  ])('%s', (_, over, said) => expect(hidden(withPhoto(...over))).toEqual(said));
  test('one that is tilted covers what it lies over then', () => {
    const page = withPhoto(print('a', 1, 3, 2, 2));
    expect(hidden(page)).toEqual([[100, ['a']]]);
    const [[share]] = hidden(tiltItem(page, 'a', 45)) as [[number]];
    expect(share).toBeGreaterThan(80);
    expect(share).toBeLessThan(88);
  });
  test('what must stay of a photo that is tilted itself lies elsewhere', () => {
    // counter-clockwise by an eighth: its upper left lies on the left then, on a tip, and not at the top
    const left = tiltItem(withPhoto(print('a', 0, 2, 3, 2)), 'photo', 45);
    const top = tiltItem(withPhoto(print('a', 2, 4, 2, 2)), 'photo', 45);
    expect(hidden(top)).toEqual([]);
    const [[share]] = hidden(left) as [[number]];
    expect(Math.abs(share - 91.4)).toBeLessThan(1.5);
  });
  test.each([30, -30, 45, 12.5])(
    'the upright box round one that is tilted by %s degrees has its corners on its edges',
    (degrees) => {
      const box = rect(inches(1), inches(2), inches(4), inches(2));
      const [middle, turn] = [[inches(3), inches(3)] as const, (degrees * Math.PI) / 180];
      const corners = [[-2, -1], [2, -1], [2, 1], [-2, 1]].map(([x, y]) => [
      middle[0] + inches(x! * Math.cos(turn) - y! * Math.sin(turn)),
      middle[1] + inches(x! * Math.sin(turn) + y! * Math.cos(turn)),
    ]); // prettier-ignore
      const [xs, ys] = [0, 1].map((axis) => corners.map((corner) => corner[axis]!)) as [number[], number[]];
      const found = boundsOfTilted(box, degrees);
      const off = [
        found.x - Math.min(...xs),
        found.y - Math.min(...ys),
        found.x + found.width - Math.max(...xs),
        found.y + found.height - Math.max(...ys),
      ];
      expect(Math.max(...off.map(Math.abs))).toBeLessThanOrEqual(3);
    },
  );
  test('artwork on a layer, said by its place there; in another unit it stays where it is', () => {
    const page: Page = { ...emptyPage('A page'), items: [{ ...print('scene', 2, 2, 6, 6), mustSee: [{ layer: 'print', x: '1', y: '0', width: '2', height: '2' }] }, print('tag', 3, 2, 1, 1)] }; // prettier-ignore
    expect(pageSchema.safeParse(page).success).toBe(true);
    expect(hidden(page)).toEqual([[25, ['tag']]]);
    const metric = convertPageUnit(page, 'mm');
    expect(metric.items[0]!.mustSee![0]).toMatchObject({ x: '1 in', width: '2 in' });
    expect(hidden(metric)).toEqual([[25, ['tag']]]);
  });
  test('a strip added past an edge: what is cut away across from it, and what lies there', () => {
    const page: Page = { ...emptyPage('A page'), items: [print('strip', 11.5, 0, 1, 12), print('title', 0.25, 5, 2, 1), print('kite', 3, 5, 2, 2)] }; // prettier-ignore
    const derived = derivePage(page);
    expect(computeCutAway(derived, 'strip', 'right', inches(0.5))).toEqual({ edge: 'left', items: ['title'] });
    expect(computeCutAway(derived, 'strip', 'top', inches(0.5)).items).toEqual([]);
  });
});
