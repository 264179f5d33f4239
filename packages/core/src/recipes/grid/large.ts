import { ticks } from '../../length/index.ts';
import type { RecipeProblem } from '../recipe.ts';
import type { Neighbours } from '../papers.ts';
import type { GridInput } from './input.ts';

/** Cells that are one: where the lower left one of them is, counted from 1, and how many each way. */
export interface CellPlace {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
}

export const isMeeting = (a: CellPlace, b: CellPlace): boolean =>
  a.column < b.column + b.columns &&
  b.column < a.column + a.columns &&
  a.row < b.row + b.rows &&
  b.row < a.row + a.rows;

/** The first place from the lower left where so many are free; null where there is none. */
export function findFreePlace(
  taken: readonly CellPlace[],
  columns: number,
  rows: number,
  wide: number,
  high: number,
): CellPlace | null {
  for (let row = 1; row + high - 1 <= rows; row++)
    for (let column = 1; column + wide - 1 <= columns; column++) {
      const place = { column, row, columns: wide, rows: high };
      if (!taken.some((one) => isMeeting(one, place))) return place;
    }
  return null;
}

/** The first that lies beyond the grid, or over another. */
export function findMisplaced(large: readonly CellPlace[], columns: number, rows: number): RecipeProblem | null {
  for (const [i, one] of large.entries()) {
    if (one.column + one.columns - 1 > columns || one.row + one.rows - 1 > rows)
      return { code: 'own', why: 'large-outside', path: ['large', i, 'columns'], lengths: [] };
    if (large.slice(0, i).some((other) => isMeeting(other, one)))
      return { code: 'own', why: 'large-overlap', path: ['large', i, 'column'], lengths: [] };
  }
  return null;
}

/** Every place that wants one of the papers of the cells, row by row from the lower left: large ones that take part, and cells that none covers. */
export function listPlaces(large: GridInput['large'], columns: number, rows: number): (CellPlace & { key: string })[] {
  const places: (CellPlace & { key: string })[] = large
    .filter((one) => one.paper === 'pattern')
    .map(({ id, column, row, columns: wide, rows: high }) => ({ key: id, column, row, columns: wide, rows: high }));
  for (let row = 1; row <= rows; row++)
    for (let column = 1; column <= columns; column++) {
      const cell = { column, row, columns: 1, rows: 1 };
      if (!large.some((one) => isMeeting(one, cell))) places.push({ key: cellKey(column, row), ...cell });
    }
  return places.sort((a, b) => a.row - b.row || a.column - b.column);
}
export const cellKey = (column: number, row: number): string => `cell-${column}-${row}`;

/** More of the papers than there are places, or, where all are counted, fewer. */
export function findMiscounted(
  { large, papers, counts, pattern }: GridInput,
  columns: number,
  rows: number,
): RecipeProblem | null {
  const said = papers > 1 && pattern === undefined ? Object.entries(counts) : [];
  const all = said.reduce((sum, [, count]) => sum + count, 0);
  const have = listPlaces(large, columns, rows).length;
  const path = ['counts', said.at(-1)?.[0] ?? '1'];
  const lengths = [ticks(all), ticks(have)];
  if (all > have) return { code: 'own', why: 'too-many-counted', path, lengths };
  return said.length === papers && all < have ? { code: 'own', why: 'too-few-counted', path, lengths } : null;
}

/** Which places share an edge, over a gutter, and which only a corner. */
export function findNeighbours(places: readonly CellPlace[]): Neighbours {
  const owner = new Map<string, number>();
  places.forEach((p, i) => {
    for (let c = p.column; c < p.column + p.columns; c++)
      for (let r = p.row; r < p.row + p.rows; r++) owner.set(`${c} ${r}`, i);
  });
  const beside = places.map(() => new Set<number>());
  const corners = places.map(() => new Set<number>());
  const join = (of: readonly Set<number>[], i: number, next: number | undefined) => {
    if (next === undefined || next === i) return;
    of[i]!.add(next);
    of[next]!.add(i);
  };
  for (const [key, i] of owner) {
    const [c, r] = key.split(' ').map(Number) as [number, number];
    for (const next of [`${c + 1} ${r}`, `${c} ${r + 1}`]) join(beside, i, owner.get(next));
    for (const next of [`${c + 1} ${r + 1}`, `${c - 1} ${r + 1}`]) join(corners, i, owner.get(next));
  }
  return {
    beside: beside.map((of) => [...of]),
    diagonal: places.map((p) => p.column + p.row),
    corners: corners.map((of, i) => [...of].filter((j) => !beside[i]!.has(j))),
  };
}
