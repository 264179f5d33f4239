import { lengthOf, ticks, type Ticks } from '../../length/index.ts';
import { countAt, lengthAt, sizeAt, parseTicks, type ParsedValues } from '../../line/index.ts';
import type { Size } from '../../geometry/index.ts';
import type { LayoutContext } from '../recipe.ts';
import { MAX_GRID_CELLS, MAX_GRID_PAPERS, type GridInput } from './input.ts';
import { findFreePlace } from './large.ts';

/* A grid as it is said: `6 x 6 grid of 1 1/2 cells, gap 1/8`, `six squares across 12`, `how many 2 x 3 cells fit`. */

/** A size as it was typed. */
type Typed = { readonly width: string; readonly height: string };

/** Degrees, where it is only said that it shall be loose. */
const LOOSE_TILT = 4;

/** Whole numbers that count columns and rows. */
function countsIn(size: Typed | null): [number, number] | null {
  if (!size || ![size.width, size.height].every((text) => /^\d{1,2}$/.test(text))) return null;
  const [columns, rows] = [Number(size.width), Number(size.height)];
  return columns >= 1 && rows >= 1 && columns <= MAX_GRID_CELLS && rows <= MAX_GRID_CELLS ? [columns, rows] : null;
}

/** Large cells that were said, each where there is room for it, else where it is seen not to fit; null where one is no number of cells. */
function readLarge(
  heard: ParsedValues,
  [columns, rows]: readonly [number, number],
  times: number,
  newId: () => string,
): GridInput['large'] | null {
  const sizes = heard.values.flatMap((v) =>
    v.place === 'large' ? [countsIn({ width: v.texts[0]!, height: v.texts[1]! })] : [],
  );
  const large: GridInput['large'] = [];
  for (const size of sizes.length === 1 ? Array.from({ length: times }, () => sizes[0]!) : sizes) {
    if (!size) return null;
    const [wide, high] = size;
    const corner = { column: 1, row: 1, columns: wide, rows: high };
    large.push({ id: newId(), ...(findFreePlace(large, columns, rows, wide, high) ?? corner), paper: 'pattern' });
  }
  return large;
}

/**
 * Columns and rows of so many that do not fit in one row, as nearly square as they come: `36 squares 1 7/8` is six by six. Null where
 * one row does, or nothing does.
 */
function blockOf(
  number: number,
  [wide, high]: readonly [number, number],
  gap: number,
  room: Size,
): [number, number] | null {
  const fits = (n: number, each: number, all: number) => n * each + (n - 1) * gap <= all;
  if (!wide || fits(number, wide, room.width)) return null;
  const shapes: [number, number][] = [];
  for (let rows = 2; rows <= number; rows++)
    if (number % rows === 0 && fits(number / rows, wide, room.width)) shapes.push([number / rows, rows]);
  const uneven = ([columns, rows]: [number, number]) => Math.abs(columns - rows) + (columns < rows ? 0.5 : 0);
  shapes.sort((a, b) => uneven(a) - uneven(b));
  // too high for the page, it is told by how much
  return shapes.find(([, rows]) => fits(rows, high, room.height)) ?? shapes[0] ?? null;
}

/**
 * Columns and rows of so many squares on a room, so that they are as large as can be: `12 squares on a 12 x 12` is four by three. Null
 * where they would only fit in a single row.
 */
function largestOf(number: number, gap: number, margin: number, room: Size): [number, number] | null {
  const [wide, high] = [room.width - 2 * margin, room.height - 2 * margin];
  for (let columns = 2; columns <= Math.min(MAX_GRID_CELLS, number); columns++) {
    const rows = number / columns;
    if (!Number.isInteger(rows) || rows > MAX_GRID_CELLS) continue;
    const cell = (wide - (columns - 1) * gap) / columns;
    if (cell > 0 && rows * cell + (rows - 1) * gap <= high) return rows > 1 ? [columns, rows] : null;
  }
  return null;
}

/** Whether more come from a sheet where some lie across: a grid has all of them lie alike, and would say too few. */
function moreTurned(cell: Size, gap: number, room: Size): boolean {
  const fits = (length: number, side: number) => Math.max(0, Math.floor((length + gap) / (side + gap)));
  const alike = fits(room.width, cell.width) * fits(room.height, cell.height);
  const beside = (a: number, b: number, wide: number, high: number) => {
    for (let n = 0; n <= fits(wide, a); n++)
      if (n * fits(high, b) + fits(wide - n * (a + gap), b) * fits(high, a) > alike) return true;
    return false;
  };
  const { width: w, height: h } = cell;
  return (
    beside(w, h, room.width, room.height) ||
    beside(h, w, room.height, room.width) ||
    beside(h, w, room.width, room.height) ||
    beside(w, h, room.height, room.width)
  );
}

/** A size as it lies, or turned, whichever way more of it come from the page; null where more do with some lying across. */
function asMoreFit(size: Typed, gap: number, { room, unit }: LayoutContext): Typed | null {
  const isBest = ({ width, height }: Typed): boolean => {
    const [w, h] = [parseTicks(width, unit), parseTicks(height, unit)] as [Ticks, Ticks];
    return w <= 0 || h <= 0 || !moreTurned({ width: w, height: h }, gap, room);
  };
  const turned = { width: size.height, height: size.width };
  return isBest(size) ? size : isBest(turned) ? turned : null;
}

/** The input that a line says. */
export function readGrid(heard: ParsedValues, table: LayoutContext, newId: () => string): GridInput | null {
  const said = (place: string) => lengthAt(heard, place);
  const whole = (place: string): number | undefined => {
    const text = String(said(place) ?? '');
    return /^\d{1,2}$/.test(text) && Number(text) >= 1 ? Math.min(MAX_GRID_CELLS, Number(text)) : undefined;
  };
  const cells = heard.values.filter((v) => v.place === 'cell');
  const first = sizeAt(heard, 'by');
  // `grid of 2 x 3 cells` is how many; `how many 2 x 3 cells fit` is how large
  const asked = !heard.heads.has('grid');
  const by = asked && !cells.length && said('side') === undefined ? null : countsIn(first);
  const lying = by || !first ? (cells[0] ? { width: cells[0].texts[0]!, height: cells[0].texts[1]! } : null) : first;
  const side = said('side');
  const number = countAt(heard, 'number');
  // `24 squares from a 12 x 12`: of one sheet, edge to edge
  const from = sizeAt(heard, 'from');
  const isCounted = number !== undefined && !by && [said('columns'), said('rows')].every((one) => one === undefined);
  const inRow = isCounted || (number !== undefined && !heard.heads.has('grid'));
  const gap = said('gap');
  const inch = table.unit === 'in';
  const between = gap === undefined ? lengthOf(inch ? '1/8' : '3', table.unit) : parseTicks(gap, table.unit);
  const isClose = gap === undefined && (heard.flags.has('fit') || heard.heads.has('checkerboard') || from !== null);
  const gutter = isClose ? ticks(0) : between;
  // `how many 3 x 4 cards from an 8 1/2 x 11`: they lie the way in which more of them fit
  const isAsked =
    from !== null && lying !== null && !by && ['columns', 'rows', 'number'].every((one) => said(one) === undefined);
  const size = isAsked ? asMoreFit(lying, gutter, table) : lying;
  if (size === null && lying !== null) return null;
  const cell = parseTicks(size?.width ?? said('side'), table.unit);
  const high = parseTicks(size?.height ?? said('side'), table.unit);
  // `25 squares across 12 x 12`: as many down as across
  const over = sizeAt(heard, 'ground') ?? from ?? sizeAt(heard, 'page');
  const fillsRoom = isCounted && !cell && said('across') === undefined && over !== null;
  const edge = said('margin') ?? (from ? '0' : inch ? '1/2' : '12');
  const block = fillsRoom
    ? largestOf(number, gutter, parseTicks(edge, table.unit), table.room)
    : inRow
      ? blockOf(number, [cell, high], gutter, table.room)
      : null;
  const columns = by?.[0] ?? whole('columns') ?? block?.[0] ?? number;
  const across = said('across');
  const inAll = across !== undefined && parseTicks(across, table.unit) !== table.room.width;
  const rows = by?.[1] ?? whole('rows') ?? block?.[1] ?? (inRow ? 1 : undefined);
  const width = size?.width ?? side;
  const large = readLarge(heard, [columns ?? MAX_GRID_CELLS, rows ?? MAX_GRID_CELLS], by ? (number ?? 1) : 1, newId);
  if ((width === undefined && columns === undefined && rows === undefined) || !large) return null;
  const margin = said('margin');
  const square = !size || size.width === size.height;
  const tilt = whole('tilt') ?? (heard.flags.has('loose') ? LOOSE_TILT : undefined);
  const fills = width === undefined && margin === undefined;
  // `2 x 2 grid of 4 inch cells with 1/2 margins`: what is left are the gaps
  const isGapLeft = [margin, width, columns].every((one) => one !== undefined) && gap === undefined;
  return {
    cell: {
      as: square ? 'square' : 'free',
      ...(width === undefined ? {} : { width }),
      ...(square || !size ? {} : { height: size.height }),
    },
    ...(columns === undefined ? {} : { columns }),
    ...(rows === undefined ? {} : { rows }),
    // how many fit is asked of what lies side by side
    ...(isGapLeft ? {} : { gutter: gap ?? (isClose ? '0' : inch ? '1/8' : '3') }),
    spread: inAll ? 'grid' : 'room',
    margin: {
      ...(inAll ? {} : margin !== undefined ? { across: margin } : fills ? { across: edge } : {}),
    },
    all: inAll && (width === undefined || columns === undefined) ? { width: across } : {},
    papers: Math.min(MAX_GRID_PAPERS, whole('papers') ?? (heard.heads.has('checkerboard') ? 2 : 1)),
    counts: {},
    large,
    loose: {
      ...(tilt === undefined ? {} : { tilt }),
      ...(said('jitter') === undefined ? {} : { jitter: said('jitter')! }),
      seed: 1,
    },
  };
}
