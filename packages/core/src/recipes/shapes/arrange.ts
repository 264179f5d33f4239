import { flattenContour, type Shape } from '../../geometry/index.ts';
import {
  extentOf,
  listRowKinds,
  buildRows,
  turnRing,
  type Corner,
  type Ring,
  type Turning,
} from '../../lattice/index.ts';
import type { Figure, ShapesInput } from './input.ts';

/*
 * Where shapes lie on a page: in rows, straight one over the other, every other row moved over by half so that it goes between those
 * below, or one up and one down. A hexagon with its flats up is moved over column by column. Gaps widen all of it alike.
 */

/** One repeat: where the next in a row, the next row, and every other row begin. */
export interface Lattice {
  /** In a row: from one to the next; of those that alternate, where the second begins, and by how many degrees it is turned. */
  readonly pitch: number;
  readonly second: number | null;
  /** From one row to the next. */
  readonly rise: number;
  readonly over: number;
  /** Rows run upward. */
  readonly aside: boolean;
  /** One of them, along its row and across. */
  readonly long: number;
  readonly high: number;
}

/** Ticks by which corners that were rounded may reach too far. */
export const ROUNDED = 4;

/** Chords that stray from arcs by less than a thousandth of an inch. */
const CHORD = 24;
export const figureRingOf = (shape: Shape): Ring => flattenContour(shape.outline, CHORD);
const asideRing = (ring: Ring): Ring => ring.map(([x, y]): Corner => [y, x]);

/** How a figure may be turned where as many as can be shall come from a paper: one that is round, not at all. */
export const turningOf = (figure: Figure): Turning => (figure === 'circle' || figure === 'scalloped' ? 'none' : 'any');

export function computeLattice({ figure, pointing, lie }: ShapesInput, shape: Shape, gap: number): Lattice {
  const upright = turnRing(figureRingOf(shape), 0);
  const aside = figure === 'hexagon' && pointing === 'flats-up' && lie === 'moved';
  const ring = aside ? asideRing(upright) : upright;
  const { width: long, height: high } = extentOf(ring);
  const wider = (long + gap) / long;
  const plain = { pitch: long + gap, second: null, rise: high + gap, over: 0, aside, long, high };
  if (lie === 'straight') return plain;
  const kinds = listRowKinds(ring, 'half', 0);
  if (lie === 'alternating') {
    const pair = kinds.find((kind) => kind.members.length === 2);
    if (!pair) return plain;
    return { ...plain, pitch: pair.pitch * wider, second: pair.across[1]! * wider };
  }
  const rows = buildRows(kinds[0]!, long / 2, false, 0);
  return { ...plain, rise: (rows?.rise ?? high) * wider, over: (long + gap) / 2 };
}

/** Where one lies: its column and row, its lower left corner, and whether it stands on its head. */
export interface Spot {
  readonly column: number;
  readonly row: number;
  readonly x: number;
  readonly y: number;
  readonly down: boolean;
}

/** Columns × rows of them, the first at the origin. */
export function listSpots(lattice: Lattice, columns: number, rows: number): Spot[] {
  const spots: Spot[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const down = lattice.second !== null && column % 2 === 1;
      const along =
        lattice.second === null
          ? column * lattice.pitch + (row % 2) * lattice.over
          : Math.floor(column / 2) * lattice.pitch + (column % 2) * lattice.second;
      const up = row * lattice.rise;
      spots.push({ column, row, x: lattice.aside ? up : along, y: lattice.aside ? along : up, down });
    }
  return spots;
}

/** How many go into a length: in a row, where so many rows are moved over or not, and rows. */
export function countFitting(lattice: Lattice, length: number, height: number): { columns: number; rows: number } {
  const { pitch, second, rise, over, long, high } = lattice;
  const slack = 2;
  const rows = Math.max(0, Math.floor((height - high + slack) / rise) + 1);
  const room = length - long - (rows > 1 ? over : 0) + slack;
  if (second === null) return { columns: room < 0 ? 0 : Math.floor(room / pitch) + 1, rows };
  const pairs = room < 0 ? 0 : Math.floor(room / pitch) + 1;
  return { columns: pairs === 0 ? 0 : pairs * 2 - ((pairs - 1) * pitch + second > room ? 1 : 0), rows };
}

/** How long a row is, and how high all of them. */
export function extentOfRows(lattice: Lattice, columns: number, rows: number): { length: number; height: number } {
  const { pitch, second, rise, over, long, high } = lattice;
  const last =
    second === null ? (columns - 1) * pitch : Math.floor((columns - 1) / 2) * pitch + ((columns - 1) % 2) * second;
  return { length: last + long + (rows > 1 ? over : 0), height: (rows - 1) * rise + high };
}

/** Which spots lie side by side: in the row, and in the next row the two or three nearest. */
export function findAdjacentSpots(spots: readonly Spot[], { pitch, rise }: Lattice): number[][] {
  const by = new Map(spots.map((s, i) => [`${s.column} ${s.row}`, i]));
  return spots.map((s) => {
    const near: number[] = [];
    for (let dc = -1; dc <= 1; dc++)
      for (let dr = -1; dr <= 1; dr++) {
        const j = dc || dr ? by.get(`${s.column + dc} ${s.row + dr}`) : undefined;
        if (j === undefined) continue;
        const other = spots[j]!;
        const far = Math.hypot(other.x - s.x, other.y - s.y);
        if (dr === 0 || far < 1.15 * Math.max(rise, Math.hypot(rise, pitch / 2))) near.push(j);
      }
    return near;
  });
}
