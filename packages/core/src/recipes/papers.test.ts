import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../chance/index.ts';
import { findFreePlace, findNeighbours, type CellPlace } from './grid/large.ts';
import { countAlikeNeighbours, completeCounts, spreadPapers as spreadOver } from './papers.ts';

/** Every place of a grid: the large ones said, and a cell wherever none of them lies; row by row from the lower left. */
function placesOf(columns: number, rows: number, large: readonly CellPlace[] = []): CellPlace[] {
  const cells = Array.from({ length: columns * rows }, (_, i) => ({
    column: (i % columns) + 1,
    row: Math.floor(i / columns) + 1,
    columns: 1,
    rows: 1,
  }));
  const covered = (cell: CellPlace) =>
    large.some(
      (l) =>
        cell.column >= l.column && cell.column < l.column + l.columns && cell.row >= l.row && cell.row < l.row + l.rows,
    );
  return [...cells.filter((cell) => !covered(cell)), ...large].sort((a, b) => a.row - b.row || a.column - b.column);
}
const spreadPapers = (places: readonly CellPlace[], counts: readonly (number | null)[]) =>
  spreadOver(findNeighbours(places), counts);
const even = (papers: number) => Array.from({ length: papers }, () => null);
const countsIn = (papers: readonly number[], many: number) =>
  Array.from({ length: many }, (_, p) => papers.filter((one) => one === p).length);

/** Every way there is: whether any has the counts, null being any, with no two alike. */
function possible(places: readonly CellPlace[], counts: readonly (number | null)[], isEven: boolean): boolean {
  const { beside } = findNeighbours(places);
  const papers = places.map(() => -1);
  const go = (i: number): boolean => {
    if (i === places.length) {
      const got = countsIn(papers, counts.length);
      const open = got.filter((_, p) => counts[p] === null);
      const fits = got.every((n, p) => counts[p] === null || counts[p] === n);
      return fits && (!isEven || open.length === 0 || Math.max(...open) - Math.min(...open) <= 1);
    }
    for (let p = 0; p < counts.length; p++) {
      if (beside[i]!.some((j) => j < i && papers[j] === p)) continue;
      papers[i] = p;
      if (go(i + 1)) return true;
      papers[i] = -1;
    }
    return false;
  };
  return go(0);
}

describe('corners count after edges', () => {
  const atCorners = (places: readonly CellPlace[], papers: readonly number[]) =>
    countAlikeNeighbours(papers, findNeighbours(places).corners!).length;
  test.each([
    [6, 6, 4],
    [6, 6, 5],
    [8, 3, 4],
    [12, 12, 6],
    [2, 2, 4],
  ])('%i × %i in %i: no paper meets its own, not even at a corner', (columns, rows, papers) => {
    const places = placesOf(columns, rows);
    const spread = spreadPapers(places, even(papers));
    const got = countsIn(spread.papers, papers);
    expect([spread.alike, atCorners(places, spread.papers)]).toEqual([[], 0]);
    expect(Math.max(...got) - Math.min(...got)).toBeLessThanOrEqual(1);
  });
  test('round a large one too', () => {
    const places = placesOf(6, 6, [BLOCK]);
    const { papers, alike } = spreadPapers(places, even(5));
    expect([alike, atCorners(places, papers)]).toEqual([[], 0]);
  });
  test('in three, where some must meet, fewer than along plain diagonals', () => {
    const places = placesOf(6, 6);
    const spread = spreadPapers(places, even(3));
    const diagonals = places.map((p) => (p.column + p.row) % 3);
    expect(spread.alike).toEqual([]);
    expect(atCorners(places, spread.papers)).toBeLessThanOrEqual(atCorners(places, diagonals));
  });
});

const BLOCK: CellPlace = { column: 2, row: 2, columns: 2, rows: 2 };

describe('papers, so that no two neighbours match', () => {
  test.each([
    [6, 6, 2],
    [5, 5, 3],
    [7, 4, 5],
    [12, 12, 12],
    [40, 40, 7],
    [1, 9, 2],
  ])('%i × %i in %i: even, none alike', (columns, rows, papers) => {
    const spread = spreadPapers(placesOf(columns, rows), even(papers));
    const got = countsIn(spread.papers, papers);
    expect([spread.is, spread.alike, Math.max(...got) - Math.min(...got) <= 1]).toEqual(['as-asked', [], true]);
  });
  test('three large ones among 24 take part', () => {
    const large = [
      { column: 1, row: 1, columns: 2, rows: 2 },
      { column: 5, row: 3, columns: 2, rows: 2 },
      { column: 3, row: 5, columns: 2, rows: 2 },
    ];
    const places = placesOf(6, 6, large);
    const spread = spreadPapers(places, even(3));
    expect([places.length, spread.is, countsIn(spread.papers, 3)]).toEqual([27, 'as-asked', [9, 9, 9]]);
  });
  test.each<[string, CellPlace[], (number | null)[]]>([
    ['half of a board', placesOf(10, 10), [50, 25, 25]],
    ['a third given, the rest even', placesOf(6, 6), [18, null, null]],
    ['on a large board', placesOf(20, 20), [160, 120, 80, 40]],
    ['round a large one', placesOf(5, 5, [BLOCK]), [9, 7, 6]],
    ['two papers in unlike parts', placesOf(5, 1), [3, 2]],
    ['one of a paper', placesOf(7, 7), [1, 24, 24]],
  ])('counts as given: %s', (_, places, counts) => {
    const spread = spreadPapers(places, counts);
    expect([spread.is, spread.alike]).toEqual(['as-asked', []]);
    const got = countsIn(spread.papers, counts.length);
    counts.forEach((count, p) => count !== null && expect(got[p]).toBe(count));
  });
  test('what cannot be is told so, with the fewest alike that were found, and the counts kept', () => {
    const board = spreadPapers(placesOf(10, 10), [51, 25, 24]);
    expect([board.is, countsIn(board.papers, 3)]).toEqual(['impossible', [51, 25, 24]]);
    expect(board.alike.length).toBeGreaterThan(0);
    expect(board.alike.length).toBeLessThanOrEqual(4);
    // three that touch each other, in two papers
    const three = spreadPapers(placesOf(2, 2, [{ column: 1, row: 1, columns: 2, rows: 1 }]), even(2));
    expect([three.is, three.alike.length]).toEqual(['impossible', 1]);
    expect(spreadPapers(placesOf(6, 6), [20, 16]).is).toBe('impossible');
  });
  test('uneven where even cannot be: a middle that all others lie beside', () => {
    // three above a bar and three below it, none of which can have its paper
    const places = placesOf(3, 3, [{ column: 1, row: 2, columns: 3, rows: 1 }]);
    const spread = spreadPapers(places, even(3));
    expect([spread.is, spread.alike, countsIn(spread.papers, 3).sort()]).toEqual(['uneven', [], [1, 3, 3]]);
  });
  test('small ones against every way there is: found where it can be, impossible only where it cannot', () => {
    const random = seededRandom(11);
    const pick = (n: number) => Math.floor(random() * n);
    const seen = { 'as-asked': 0, uneven: 0, impossible: 0, 'not-found': 0 };
    for (let k = 0; k < Number(process.env.TEMNEX_SPREADS ?? 60); k++) {
      const [columns, rows, papers] = [1 + pick(4), 1 + pick(3), 2 + pick(3)];
      const large: CellPlace[] = [];
      for (let i = pick(3); i > 0; i--) {
        const place = findFreePlace(large, columns, rows, 1 + pick(Math.min(2, columns)), 1 + pick(Math.min(2, rows)));
        if (place) large.push(place);
      }
      const places = placesOf(columns, rows, large);
      const given = random() < 0.5;
      let rest = places.length;
      const counts = even(papers).map(() => {
        if (!given || random() < 0.4) return null;
        const count = pick(rest + 1);
        rest -= count;
        return count;
      });
      if (!counts.includes(null)) counts[0] = counts[0]! + rest;
      const spread = spreadPapers(places, counts);
      const got = countsIn(spread.papers, papers);
      seen[spread.is] += 1;
      expect(spread.alike).toEqual(countAlikeNeighbours(spread.papers, findNeighbours(places).beside));
      counts.forEach((count, p) => count !== null && expect([k, got[p]]).toEqual([k, count]));
      const strict = possible(places, counts, true);
      const loose = strict || (counts.includes(null) && possible(places, counts, false));
      const said = strict ? 'as-asked' : loose ? 'uneven' : 'impossible';
      expect([k, columns, rows, large, counts, spread.is]).toEqual([k, columns, rows, large, counts, said]);
      expect(spread.alike.length === 0).toBe(loose);
    }
    expect(Math.min(seen['as-asked'], seen.impossible)).toBeGreaterThan(10);
  });
  test('what is not given is shared out', () =>
    expect([
      completeCounts([null, null, null], 10),
      completeCounts([7, null, null], 10),
      completeCounts([10, null], 10),
    ]).toEqual([
      [4, 3, 3],
      [7, 2, 1],
      [10, 0],
    ]));
});
