import { extentOf, isRingWithin, shiftRing, turnRing, type Corner, type Extent, type Ring } from './outline.ts';
import {
  densityOf,
  listLeftoverRows,
  listPlainRows,
  listRowKinds,
  type RowKind,
  type Rows,
  type Turning,
} from './rows.ts';

/*
 * How many of one outline a paper yields: rows each way round, straight and moved over; the best of them turned as a whole; a part of the
 * paper laid one way and the rest another; and, on an odd scrap, as many of each as lie on it.
 */

/** One that is laid: its lower left corner, as far as its bounds reach, and by how many degrees it is turned, counter-clockwise. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly degrees: number;
}

/** Straight: nothing is moved over; moved over; all of it turned; or several of these side by side. */
export type How = 'straight' | 'moved-over' | 'turned' | 'mixed';

export interface Filled {
  readonly places: readonly Place[];
  readonly how: How;
}

export interface LatticeLayout {
  readonly turning: Turning;
  /** How far apart they lie at least, in ticks. */
  readonly apart: number;
  /** No more than so many. */
  readonly most: number;
  readonly over?: () => boolean;
}

/** Ticks by which what just fits may be too large: what a float may be off. */
export const FLOAT_SLACK_TICKS = 1;
/** How often rows are pushed each way over an odd scrap. */
const PUSHES = 5;

/** Rows of a kind as they lie on a rectangle, from its lower left corner. */
export function layRowsIn(rows: Rows, { width, height }: Extent, most = Infinity): Place[] {
  const places: Place[] = [];
  for (let r = 0; r * rows.rise + rows.height <= height + FLOAT_SLACK_TICKS; r++) {
    const over = (rows.slants ? r * rows.over : (r % 2) * rows.over) % rows.pitch;
    const row: Place[] = [];
    for (const { ring, degrees, across } of rows.members) {
      const reach = width - extentOf(ring).width + FLOAT_SLACK_TICKS;
      for (
        let k = Math.ceil((-FLOAT_SLACK_TICKS - over - across) / rows.pitch);
        over + across + k * rows.pitch <= reach;
        k++
      )
        row.push({ x: Math.max(0, over + across + k * rows.pitch), y: r * rows.rise, degrees });
    }
    row.sort((a, b) => a.x - b.x);
    for (const place of row) {
      if (places.length >= most) return places;
      places.push(place);
    }
  }
  return places;
}

/** How many of them that are, without laying them. */
function countIn(rows: Rows, { width, height }: Extent): number {
  const lines = Math.floor((height - rows.height + FLOAT_SLACK_TICKS) / rows.rise) + 1;
  if (height + FLOAT_SLACK_TICKS < rows.height) return 0;
  const inRow = (r: number) => {
    const over = (rows.slants ? r * rows.over : (r % 2) * rows.over) % rows.pitch;
    return rows.members.reduce((sum, { ring, across }) => {
      const reach = width - extentOf(ring).width + FLOAT_SLACK_TICKS;
      const from = Math.ceil((-FLOAT_SLACK_TICKS - over - across) / rows.pitch);
      return sum + Math.max(0, Math.floor((reach - over - across) / rows.pitch) - from + 1);
    }, 0);
  };
  if (!rows.slants) return Math.ceil(lines / 2) * inRow(0) + Math.floor(lines / 2) * inRow(1);
  let sum = 0;
  for (let r = 0; r < lines; r++) sum += inRow(r);
  return sum;
}

interface KindWays {
  readonly kind: RowKind;
  readonly plain: readonly Rows[];
}

/** An outline that is laid, with its rows worked out once. */
export class Filler {
  private readonly ring: Ring;
  private readonly across: readonly KindWays[];
  private readonly upright: readonly KindWays[];
  private readonly known = new Map<string, Filled>();

  constructor(
    ring: Ring,
    private readonly laying: LatticeLayout,
  ) {
    this.ring = turnRing(ring, 0);
    const ways = (of: Ring) =>
      listRowKinds(of, laying.turning, laying.apart).map((kind) => ({
        kind,
        plain: listPlainRows(kind, laying.apart),
      }));
    this.across = ways(this.ring);
    this.upright = ways(aside(this.ring));
  }

  /** Rows along the width, or, with what they give laid aside, along the height; as many of the ways as there is time for. */
  waysFor({ width, height }: Extent): { readonly rows: Rows; readonly isAside: boolean }[] {
    const { apart } = this.laying;
    const along = (all: readonly KindWays[], length: number, isAside: boolean) =>
      all.flatMap(({ kind, plain }) =>
        [...plain, ...listLeftoverRows(kind, length, apart)].map((rows) => ({ rows, isAside })),
      );
    return [...along(this.across, width, false), ...along(this.upright, height, true)];
  }

  /** The best rows on a rectangle. */
  rowsIn(size: Extent): Filled {
    const key = `${Math.round(size.width)} ${Math.round(size.height)}`;
    const known = this.known.get(key);
    if (known) return known;
    let best: { count: number; rows: Rows; isAside: boolean } | null = null;
    for (const { rows, isAside } of this.waysFor(size)) {
      const count = countIn(rows, isAside ? asideOf(size) : size);
      if (count > (best?.count ?? 0)) best = { count, rows, isAside };
    }
    const filled: Filled = best
      ? { places: this.laidAs(best.rows, best.isAside, size), how: best.rows.over ? 'moved-over' : 'straight' }
      : { places: [], how: 'straight' };
    this.known.set(key, filled);
    return filled;
  }

  laidAs(rows: Rows, isAside: boolean, size: Extent): Place[] {
    const { most } = this.laying;
    return isAside ? layRowsIn(rows, asideOf(size), most).map(backAgain) : layRowsIn(rows, size, most);
  }

  /** As many as a rectangle yields. */
  fill(size: Extent): Filled {
    let best = this.rowsIn(size);
    const { most, turning, over } = this.laying;
    const better = (other: Filled) => {
      if (other.places.length > best.places.length) best = other;
    };
    if (best.places.length >= most) return best;
    for (const split of this.splitsOf(size)) {
      if (over?.()) break;
      better(split());
    }
    if (turning === 'any' && best.places.length < most) better(this.turned(size));
    return best;
  }

  /** So many of them on as small a rectangle as the plain rows make, no larger than the room; null where they do not fit in one. */
  block(many: number, room: Extent): (Extent & { readonly places: readonly Place[] }) | null {
    let best: (Extent & { readonly rows: Rows; readonly isAside: boolean }) | null = null;
    const ways = [
      ...this.across.flatMap(({ plain }) => plain.slice(0, 4).map((rows) => ({ rows, isAside: false }))),
      ...this.upright.flatMap(({ plain }) => plain.slice(0, 4).map((rows) => ({ rows, isAside: true }))),
    ];
    for (const { rows, isAside } of ways) {
      const within = isAside ? asideOf(room) : room;
      const reach = Math.max(...rows.members.map((m) => m.across + extentOf(m.ring).width));
      for (let lines = 1; lines <= many; lines++) {
        const inRow = Math.ceil(many / lines / rows.members.length);
        const height = (lines - 1) * rows.rise + rows.height;
        if (height > within.height + FLOAT_SLACK_TICKS) break;
        const over = lines > 1 ? (rows.slants ? (lines - 1) * rows.over : rows.over) : 0;
        const width = (inRow - 1) * rows.pitch + reach + over;
        if (width > within.width + FLOAT_SLACK_TICKS || (best && width * height >= best.width * best.height)) continue;
        if (countIn(rows, { width, height }) < many) continue;
        best = { width, height, rows, isAside };
      }
    }
    if (!best) return null;
    const { rows, isAside } = best;
    const places = layRowsIn(rows, best, many);
    return isAside
      ? { width: best.height, height: best.width, places: places.map(backAgain) }
      : { width: best.width, height: best.height, places };
  }

  /** A part of the paper laid one way, as wide as some of its repeats, and the rest as it comes out best. */
  private *splitsOf(size: Extent): Generator<() => Filled> {
    const straight = this.across.flatMap(({ plain }) => plain.slice(0, 1));
    const widths = new Set<number>();
    const heights = new Set<number>();
    for (const rows of straight) {
      const reach = Math.max(...rows.members.map((m) => m.across + extentOf(m.ring).width));
      for (let at = reach; at < size.width; at += rows.pitch) widths.add(Math.ceil(at));
      for (let at = rows.height; at < size.height; at += rows.rise) heights.add(Math.ceil(at));
    }
    for (const at of fewOf([...widths]))
      yield () =>
        this.together(
          this.rowsIn({ ...size, width: at }),
          this.rowsIn({ ...size, width: size.width - at - this.laying.apart }),
          [at + this.laying.apart, 0],
        );
    for (const at of fewOf([...heights]))
      yield () =>
        this.together(
          this.rowsIn({ ...size, height: at }),
          this.rowsIn({ ...size, height: size.height - at - this.laying.apart }),
          [0, at + this.laying.apart],
        );
  }

  private together(first: Filled, second: Filled, [dx, dy]: Corner): Filled {
    const places = [...first.places, ...second.places.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }))];
    return { places: places.slice(0, this.laying.most), how: 'mixed' };
  }

  /** The densest rows, turned as a whole and pushed to and fro. */
  private turned(size: Extent): Filled {
    let best: Filled = { places: [], how: 'turned' };
    for (const rows of this.densest())
      for (let degrees = 5; degrees < 180; degrees += 5) {
        if (degrees === 90) continue;
        if (this.laying.over?.()) return best;
        const lies = this.turnedRows(rows, degrees, size, best.places.length);
        if (lies) best = { places: lies, how: 'turned' };
      }
    return best;
  }

  /** The densest of the ways, whatever the paper. */
  private densest(): Rows[] {
    return this.across
      .flatMap(({ plain }) => plain)
      .map((rows) => ({ rows, density: densityOf(rows) }))
      .sort((a, b) => b.density - a.density)
      .slice(0, 2)
      .map(({ rows }) => rows);
  }

  /** More than `known` of these rows, turned by so much, or null. */
  private turnedRows(rows: Rows, degrees: number, size: Extent, known: number): Place[] | null {
    const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
    const members = rows.members.map((m) => {
      const raw = m.ring.map(([x, y]): Corner => [x * cos - y * sin, x * sin + y * cos]);
      const [left, bottom] = [Math.min(...raw.map(([x]) => x)), Math.min(...raw.map(([, y]) => y))];
      const extent = extentOf(raw.map(([x, y]): Corner => [x - left, y - bottom]));
      return { ...m, left, bottom, extent };
    });
    const far = Math.hypot(size.width, size.height);
    const lines = Math.ceil(far / rows.rise) + 1;
    if (lines * (far / rows.pitch) > 4000) return null;
    // where the corner of each lies while the rows are pushed by nothing
    const spots: { x: number; y: number; width: number; height: number; degrees: number }[] = [];
    for (let r = -lines; r <= lines; r++) {
      const over = rows.slants ? r * rows.over : (Math.abs(r) % 2) * rows.over;
      for (const m of members) {
        const reach = Math.ceil(far / rows.pitch) + 2;
        const middle = Math.round(-(over + m.across) / rows.pitch);
        for (let k = middle - reach; k <= middle + reach; k++) {
          const [px, py] = [over + m.across + k * rows.pitch, r * rows.rise];
          const [x, y] = [px * cos - py * sin + m.left, px * sin + py * cos + m.bottom];
          if (x < -far || x > far || y < -far || y > far) continue;
          spots.push({ x, y, width: m.extent.width, height: m.extent.height, degrees: (m.degrees + degrees) % 360 });
        }
      }
    }
    let best: Place[] | null = null;
    const STEPS = 10;
    for (let i = 0; i < STEPS; i++)
      for (let j = 0; j < 2 * STEPS; j++) {
        const [u, v] = [(i * rows.pitch) / STEPS, (j * rows.rise) / STEPS];
        const [dx, dy] = [u * cos - v * sin, u * sin + v * cos];
        const lies = spots.filter(
          (s) =>
            s.x + dx >= -FLOAT_SLACK_TICKS &&
            s.y + dy >= -FLOAT_SLACK_TICKS &&
            s.x + dx + s.width <= size.width + FLOAT_SLACK_TICKS &&
            s.y + dy + s.height <= size.height + FLOAT_SLACK_TICKS,
        );
        if (lies.length > (best?.length ?? known))
          best = lies.map((s) => ({ x: Math.max(0, s.x + dx), y: Math.max(0, s.y + dy), degrees: s.degrees }));
      }
    return best ? best.slice(0, this.laying.most) : null;
  }

  /** As many as an odd scrap yields: rows pushed to and fro, and what lies on it altogether. */
  fillOdd(paper: Ring): Filled {
    const outline = turnRing(paper, 0);
    const size = extentOf(outline);
    let best: Filled = { places: [], how: 'straight' };
    const rings = new Map<number, Ring>();
    const lies = (place: Place) => {
      const ring = rings.get(place.degrees) ?? turnRing(this.ring, place.degrees);
      rings.set(place.degrees, ring);
      return isRingWithin(shiftRing(ring, place.x, place.y), outline, FLOAT_SLACK_TICKS);
    };
    for (const { rows, isAside } of this.fewWays()) {
      if (this.laying.over?.()) break;
      const room = isAside ? asideOf(size) : size;
      for (let i = 0; i < PUSHES; i++)
        for (let j = 0; j < PUSHES; j++) {
          const [dx, dy] = [(-i * rows.pitch) / PUSHES, (-j * 2 * rows.rise) / PUSHES];
          const within = layRowsIn(rows, { width: room.width - dx, height: room.height - dy })
            .map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }))
            .filter((p) => p.x >= -FLOAT_SLACK_TICKS && p.y >= -FLOAT_SLACK_TICKS);
          // nothing that cannot be more than is known
          if (within.length <= best.places.length) continue;
          const places = within.map((p) => (isAside ? backAgain(p) : p)).filter(lies);
          if (places.length > best.places.length)
            best = { places: places.slice(0, this.laying.most), how: rows.over ? 'moved-over' : 'straight' };
        }
    }
    return best;
  }

  /** Straight, moved over by half and by some shares, turned by 30° at a time. */
  private fewWays(): { readonly rows: Rows; readonly isAside: boolean }[] {
    const few = (all: readonly KindWays[], isAside: boolean) =>
      all
        .filter(({ kind }) => kind.members.every((m) => m.degrees % 30 === 0))
        .flatMap(({ plain }) => plain.filter((_, i) => i < 3 || i % 9 === 0).map((rows) => ({ rows, isAside })));
    return [...few(this.across, false), ...few(this.upright, true)];
  }
}

const aside = (ring: Ring): Ring => ring.map(([x, y]): Corner => [y, x]);
const asideOf = ({ width, height }: Extent): Extent => ({ width: height, height: width });
/** What was laid aside, the other way round again. */
const backAgain = ({ x, y, degrees }: Place): Place => ({ x: y, y: x, degrees: (360 - degrees) % 360 });

/** No more than two dozen of them, evenly. */
const fewOf = (all: readonly number[]): number[] => {
  const sorted = [...all].sort((a, b) => a - b);
  const each = Math.max(1, Math.ceil(sorted.length / 24));
  return sorted.filter((_, i) => i % each === 0);
};
