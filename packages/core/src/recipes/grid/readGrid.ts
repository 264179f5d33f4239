import { lengthOf } from '../../length/index.ts';
import { countAt, lengthAt, sizeAt, ticksSaid, type Heard } from '../../line/index.ts';
import type { Table } from '../recipe.ts';
import { MOST, MOST_PAPERS, type GridInput } from './input.ts';
import { freePlace } from './large.ts';

/* A grid as it is said: `6 x 6 grid of 1 1/2 cells, gap 1/8`, `six squares across 12`, `how many 2 x 3 cells fit`. */

/** Degrees, where it is only said that it shall be loose. */
const LOOSE_TILT = 4;

/** Whole numbers that count columns and rows. */
function countsIn(size: { readonly width: string; readonly height: string } | null): [number, number] | null {
  if (!size || ![size.width, size.height].every((text) => /^\d{1,2}$/.test(text))) return null;
  const [columns, rows] = [Number(size.width), Number(size.height)];
  return columns >= 1 && rows >= 1 && columns <= MOST && rows <= MOST ? [columns, rows] : null;
}

/** Large cells that were said, each where there is room for it, else where it is seen not to fit; null where one is no number of cells. */
function largeSaid(
  heard: Heard,
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
    large.push({ id: newId(), ...(freePlace(large, columns, rows, wide, high) ?? corner), paper: 'pattern' });
  }
  return large;
}

/**
 * Columns and rows of so many that do not fit in one row, as nearly square as they come: `36 squares 1 7/8` is six by six. Null where
 * one row does, or nothing does.
 */
function blockOf(number: number, cell: number, gap: number, room: number): [number, number] | null {
  const fits = (n: number) => n * cell + (n - 1) * gap <= room;
  if (!cell || fits(number)) return null;
  for (let rows = Math.floor(Math.sqrt(number)); rows > 1; rows--)
    if (number % rows === 0 && fits(number / rows)) return [number / rows, rows];
  return null;
}

/** The input that a line says. */
export function readGrid(heard: Heard, table: Table, newId: () => string): GridInput | null {
  const said = (place: string) => lengthAt(heard, place);
  const whole = (place: string): number | undefined => {
    const text = String(said(place) ?? '');
    return /^\d{1,2}$/.test(text) && Number(text) >= 1 ? Math.min(MOST, Number(text)) : undefined;
  };
  const cells = heard.values.filter((v) => v.place === 'cell');
  const first = sizeAt(heard, 'by');
  // `grid of 2 x 3 cells` is how many; `how many 2 x 3 cells fit` is how large
  const asked = !heard.heads.has('grid');
  const by = asked && !cells.length && said('side') === undefined ? null : countsIn(first);
  const size = by || !first ? (cells[0] ? { width: cells[0].texts[0]!, height: cells[0].texts[1]! } : null) : first;
  const side = said('side');
  const number = countAt(heard, 'number');
  // `24 squares from a 12 x 12`: of one sheet, edge to edge
  const from = sizeAt(heard, 'from');
  const isCounted = number !== undefined && !by && [said('columns'), said('rows')].every((one) => one === undefined);
  const inRow = isCounted || (number !== undefined && !heard.heads.has('grid'));
  const gap = said('gap');
  const inch = table.unit === 'in';
  const cell = ticksSaid(size?.width ?? said('side'), table.unit);
  const between = gap === undefined ? lengthOf(inch ? '1/8' : '3', table.unit) : ticksSaid(gap, table.unit);
  const root = Math.sqrt(number ?? 0);
  // `25 squares across 12 x 12`: as many down as across
  const isSquareNumber = isCounted && !cell && root > 1 && Number.isInteger(root) && sizeAt(heard, 'ground') !== null;
  const block: readonly [number, number] | null = isSquareNumber
    ? [root, root]
    : inRow
      ? blockOf(number, cell, between, table.room.width)
      : null;
  const columns = by?.[0] ?? whole('columns') ?? block?.[0] ?? number;
  const across = said('across');
  const inAll = across !== undefined && ticksSaid(across, table.unit) !== table.room.width;
  const rows = by?.[1] ?? whole('rows') ?? block?.[1] ?? (inRow ? 1 : undefined);
  const width = size?.width ?? side;
  const large = largeSaid(heard, [columns ?? MOST, rows ?? MOST], by ? (number ?? 1) : 1, newId);
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
    ...(isGapLeft ? {} : { gutter: gap ?? (heard.flags.has('fit') || from ? '0' : inch ? '1/8' : '3') }),
    spread: inAll ? 'grid' : 'room',
    margin: {
      ...(inAll ? {} : margin !== undefined ? { across: margin } : fills ? { across: inch ? '1/2' : '12' } : {}),
    },
    all: inAll && (width === undefined || columns === undefined) ? { width: across } : {},
    papers: Math.min(MOST_PAPERS, whole('papers') ?? (heard.heads.has('checkerboard') ? 2 : 1)),
    counts: {},
    large,
    loose: {
      ...(tilt === undefined ? {} : { tilt }),
      ...(said('jitter') === undefined ? {} : { jitter: said('jitter')! }),
      seed: 1,
    },
  };
}
