import type { RecipeProblem } from '../recipe.ts';

/** Cells that are one: where the lower left one of them is, counted from 1, and how many each way. */
export interface CellPlace {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
}

export const meet = (a: CellPlace, b: CellPlace): boolean =>
  a.column < b.column + b.columns &&
  b.column < a.column + a.columns &&
  a.row < b.row + b.rows &&
  b.row < a.row + a.rows;

/** The first place from the lower left where so many are free; null where there is none. */
export function freePlace(
  taken: readonly CellPlace[],
  columns: number,
  rows: number,
  wide: number,
  high: number,
): CellPlace | null {
  for (let row = 1; row + high - 1 <= rows; row++)
    for (let column = 1; column + wide - 1 <= columns; column++) {
      const place = { column, row, columns: wide, rows: high };
      if (!taken.some((one) => meet(one, place))) return place;
    }
  return null;
}

/** The first that lies beyond the grid, or over another. */
export function misplaced(large: readonly CellPlace[], columns: number, rows: number): RecipeProblem | null {
  for (const [i, one] of large.entries()) {
    if (one.column + one.columns - 1 > columns || one.row + one.rows - 1 > rows)
      return { code: 'own', why: 'large-outside', path: ['large', i, 'columns'], lengths: [] };
    if (large.slice(0, i).some((other) => meet(other, one)))
      return { code: 'own', why: 'large-overlap', path: ['large', i, 'column'], lengths: [] };
  }
  return null;
}
