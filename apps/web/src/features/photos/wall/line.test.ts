import { describe, expect, test } from '@jest/globals';
import { EMPTY_PHOTO_FACTS, type Photo } from '@temnex/core/photos';
import { PHOTO_GAP_PX, LINE_SAG_PX, sortByDay, layOutPhotoLines, computeSag, findPhotoInNextRow } from './line.ts';

const photo = (id: string, day: string | null, width = 300, height = 200): Photo => ({
  id,
  file: '0'.repeat(64),
  name: id,
  width,
  height,
  addedAt: '',
  demo: false,
  ...EMPTY_PHOTO_FACTS,
  day,
});
const ids = (photos: readonly Photo[]) => photos.map((p) => p.id);

describe('photos on lines', () => {
  test('the latest day first, what has none last, else as they were', () => {
    const all = [photo('a', null), photo('b', '2026-06-14'), photo('c', '2026-06-15'), photo('d', '2026-06-14')];
    expect(ids(sortByDay(all))).toEqual(['c', 'b', 'd', 'a']);
  });
  test('each day begins a line, as does what has no room; the first line of a day says how many it has', () => {
    const lines = layOutPhotoLines([photo('a', '2'), photo('b', '2'), photo('c', '2'), photo('d', '1')], 330, 100);
    expect(lines.map((l) => [l.day, l.first, l.ofDay, l.hung.map((h) => h.photo.id).join('')])).toEqual([
      ['2', true, 3, 'ab'],
      ['2', false, 3, 'c'],
      ['1', true, 1, 'd'],
    ]);
    expect(lines[0]!.hung.map((h) => h.x)).toEqual([0, 150 + PHOTO_GAP_PX]);
  });
  test('one that is wider than its line is as wide as that; a very narrow one can still be pressed', () => {
    const [wide, narrow] = layOutPhotoLines([photo('w', '1', 9000, 100), photo('n', '2', 10, 4000)], 400, 100);
    expect([wide!.hung[0]!.width, narrow!.hung[0]!.width]).toEqual([400, 40]);
  });
  test('the line sags in its middle, and not at its ends', () => {
    expect([computeSag(0, 400), computeSag(200, 400), computeSag(400, 400)]).toEqual([0, LINE_SAG_PX, 0]);
  });
  test('up and down go to what hangs nearest, and stay at the ends', () => {
    const lines = layOutPhotoLines(
      [photo('a', '3'), photo('b', '3'), photo('c', '2'), photo('d', '1'), photo('e', '1')],
      330,
      100,
    );
    expect([findPhotoInNextRow(lines, 1, 1), findPhotoInNextRow(lines, 2, 1), findPhotoInNextRow(lines, 2, -1), findPhotoInNextRow(lines, 0, -1)]).toEqual([2, 3, 0, 0]); // prettier-ignore
  });
});
