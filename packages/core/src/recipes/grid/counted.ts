import { parseLength, type LengthText } from '../../length/index.ts';
import { valueAt, type FieldPath } from '../fields.ts';
import type { LayoutContext } from '../recipe.ts';
import { AXES, GUTTER, allAt, cellAt, marginAt, otherAxis, type Axis } from './axes.ts';
import { MAX_GRID_CELLS, type GridInput } from './input.ts';

/* How many columns and rows there are: as said, or as many as fit. */

/** A length that is given, in ticks. */
export function givenLengthAt(input: GridInput, path: FieldPath, table: LayoutContext): number | null {
  const text = valueAt(input, path) as LengthText | undefined;
  const read = text === undefined ? null : parseLength(text, table.unit, { allow: 'negative' });
  return read?.ok ? read.value.ticks : null;
}

/** What there is for the cells one way, where that is known. */
function reach(input: GridInput, axis: Axis, table: LayoutContext): number | null {
  const all = givenLengthAt(input, allAt(axis), table);
  if (all !== null || input.spread === 'grid') return all;
  return table.room[axis.size] - 2 * (givenLengthAt(input, marginAt(axis), table) ?? 0);
}

/** How wide a cell is one way before it goes to the mark: as given, as the other way of a square, or shared out. */
export function cellSizeAlong(input: GridInput, axis: Axis, table: LayoutContext, square = true): number | null {
  const own = givenLengthAt(input, cellAt(axis), table);
  if (own !== null) return own;
  const [n, gutter, room] = [input[axis.count], givenLengthAt(input, GUTTER, table), reach(input, axis, table)];
  const shared = n !== undefined && gutter !== null && room !== null ? (room - (n - 1) * gutter) / n : null;
  const other = square && input.cell.as === 'square' ? cellSizeAlong(input, otherAxis(axis), table, false) : null;
  return other ?? shared;
}

/** How many there are one way: as given, or as many as fit. */
export function cellCountOf(input: GridInput, axis: Axis, table: LayoutContext): number | null {
  const said = input[axis.count];
  if (said !== undefined) return said;
  const [cell, gutter, room] = [
    cellSizeAlong(input, axis, table),
    givenLengthAt(input, GUTTER, table),
    reach(input, axis, table),
  ];
  if (cell === null || gutter === null || room === null || cell + gutter <= 0) return null;
  return Math.max(0, Math.min(MAX_GRID_CELLS, Math.floor((room + gutter) / (cell + gutter) + 1e-9)));
}

/** Columns and rows, one where it is not known yet. */
export const gridOf = (input: GridInput, table: LayoutContext): [columns: number, rows: number] =>
  AXES.map((axis) => Math.max(1, cellCountOf(input, axis, table) ?? 1)) as [number, number];
