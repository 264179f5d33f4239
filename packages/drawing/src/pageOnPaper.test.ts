import { describe, expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import { DEFAULT_FRAMING } from '@temnex/core/photos';
import { derivePage, emptyPage, newItem, setPicture, tiltItem, type Item, type Page } from '@temnex/core/page';
import { DEFAULT_NAMES } from '@temnex/words';
import { PAPERS, drawPageOnPaper, type DrawingMark, type PagePrintOptions } from './index.ts';
import { splitIntoTiles } from './tiles.ts';

const print = (id: string, x: string, y: string): Item => ({
  ...newItem({ id, name: id, recipe: 'mat-stack', input: { print: { width: '4', height: '4', known: 'assumed' }, mats: [] } }), // prettier-ignore
  at: { across: { from: 'left', by: x }, upDown: { from: 'bottom', by: y } },
});
const bare: Page = { ...emptyPage('Kites'), items: [print('one', '1', '1 1/2'), print('two', '6 1/2', '5')] };
const page = setPicture(bare, 'one', 'print', { photo: 'p', file: 'ab'.repeat(32), width: 400, height: 300, ...DEFAULT_FRAMING, stay: null }); // prettier-ignore
const ASKED: PagePrintOptions = { title: 'Kites', voice: { mark: MARKS['1/16'], figures: 'plain' }, scale: 1, chosen: null, photos: 0 }; // prettier-ignore
const on = (document: Page, asked: Partial<PagePrintOptions> = {}, paper: 'a4' | 'letter' = 'a4') =>
  drawPageOnPaper(derivePage(document, DEFAULT_NAMES), { ...ASKED, ...asked }, paper);
const said = (marks: readonly DrawingMark[]) => marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []));
const long = (m: DrawingMark) => (m.kind === 'line' ? Math.hypot(m.x1 - m.x2, m.y1 - m.y2) : 0);

describe('a page on paper', () => {
  test('by half it is one sheet and the list; its edge is as long as it says', () => {
    const pages = on(bare, { scale: 0.5 });
    expect(pages).toHaveLength(2);
    expect(said(pages[0]!.marks)[0]).toBe('Kites, 12 × 12 by half');
    expect(Math.max(...pages[0]!.marks.map(long))).toBeCloseTo(6 * 72, 3);
    expect(said(pages[1]!.marks)).toEqual(expect.arrayContaining(['one', '1', '1 1/2', 'two', '6 1/2', '5']));
  });
  test('at true size it goes over several, each with its neighbours, and nothing is lost between them', () => {
    const tiles = on(bare).slice(0, -1);
    expect(tiles).toHaveLength(4);
    expect(said(tiles[0]!.marks)).toEqual(expect.arrayContaining(['join A2', 'join B1']));
    // all edges of both prints and of the page together, in points
    const whole = tiles.flatMap((t) => t.marks).filter((m) => m.kind === 'line' && !m.stroke.dash && m.stroke.colour === '#161616' && [0.6, 1.2].includes(m.stroke.width)); // prettier-ignore
    expect(whole.reduce((sum, m) => sum + long(m), 0)).toBeCloseTo((2 * 16 + 48) * 72, 1);
    for (const t of tiles)
      for (const m of t.marks)
        if (m.kind === 'line') expect(Math.max(m.x1, m.x2)).toBeLessThanOrEqual(PAPERS.a4.width - 39);
  });
  test('marks of what is chosen only; what is tilted says so and is drawn so', () => {
    const pages = on(tiltItem(bare, 'two', 5), { scale: 0.5, chosen: ['two'] });
    expect(said(pages[1]!.marks)).toEqual(expect.arrayContaining(['two, tilted 5° to the left']));
    expect(said(pages[1]!.marks)).not.toContain('one');
    const slanted = pages[0]!.marks.filter((m) => m.kind === 'line' && m.x1 !== m.x2 && m.y1 !== m.y2);
    expect(slanted.length).toBeGreaterThanOrEqual(4);
  });
  test('photos lightly, in their crop, only within the sheet; or not at all', () => {
    const photos = (asked: Partial<PagePrintOptions>) => on(page, asked).flatMap((p) => p.marks.filter((m) => m.kind === 'photo')); // prettier-ignore
    expect(photos({})).toEqual([]);
    const [photo] = photos({ photos: 0.35, scale: 0.5 });
    expect(photo).toMatchObject({ width: 144, height: 144, strength: 0.35 });
    // level, in a square: its middle, as high as the square
    expect(photo!.whole.width).toBeCloseTo(192, 1);
    // over two sheets at true size
    const parts = photos({ photos: 1 });
    expect(parts.reduce((sum, p) => sum + p.width * p.height, 0)).toBeCloseTo(288 * 288, 0);
  });
  test('tiles: one where it fits to a hair', () => {
    expect(splitIntoTiles({ width: 100, height: 100 }, { width: 100, height: 100 })).toHaveLength(1);
    expect(splitIntoTiles({ width: 101, height: 99 }, { width: 100, height: 100 }).map((t) => t.name)).toEqual([
      'A1',
      'A2',
    ]);
  });
});
